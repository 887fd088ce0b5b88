// Amounts, lengths of baits among them, several in one line.
#pragma once

#include <QString>
#include <vector>

#include "app/kit/workbench.h"

namespace wl {

/// At most twelve amounts parted by semicolons, SI, each within the ends, or what is wrong: with
/// the part that is none put into `fault` at %1. An empty line is none.
struct TypedAmounts {
    std::vector<double> values;
    QString fault;
};
TypedAmounts typedAmounts(const QString& text, Quantity quantity, double least, double most,
                          const Bench& bench, const QString& fault);

/// One to twelve lengths parted by semicolons, m, or what is wrong with them.
struct TypedLengths {
    std::vector<double> lengths_m;
    QString fault;
};
TypedLengths typedLengths(const QString& text, const Bench& bench);

/// Five about one length, round on the maker's rule, as they would be typed.
QString usualLengths(const Workbench& bench, double length_m);

}  // namespace wl
