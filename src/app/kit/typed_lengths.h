// Lengths of baits, several in one line.
#pragma once

#include <QString>
#include <vector>

#include "app/kit/workbench.h"

namespace wl {

/// One to twelve lengths parted by semicolons, m, or what is wrong with them.
struct TypedLengths {
    std::vector<double> lengths_m;
    QString fault;
};
TypedLengths typedLengths(const QString& text, const Bench& bench);

/// Five about one length, round on the maker's rule, as they would be typed.
QString usualLengths(const Workbench& bench, double length_m);

}  // namespace wl
