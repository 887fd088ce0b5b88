#include "app/kit/typed_lengths.h"

#include <QRegularExpression>
#include <cmath>

#include "session/words.h"

namespace wl {
namespace {
constexpr size_t kMost = 12;
}

TypedAmounts typedAmounts(const QString& text, Quantity quantity, double least, double most,
                          const Bench& bench, const QString& fault) {
    TypedAmounts typed;
    const QStringList parts =
        text.split(QRegularExpression(QStringLiteral("\\s*;\\s*")), Qt::SkipEmptyParts);
    for (const QString& part : parts) {
        const ReadAmount read = readAmount(part.toStdString(), quantity, bench);
        if (read.fault != ReadFault::None || read.valueSi < least || read.valueSi > most) {
            typed.fault = QStringLiteral("▲ ") + fault.arg(part);
            return typed;
        }
        typed.values.push_back(read.valueSi);
    }
    if (typed.values.size() > kMost) {
        typed.fault = QStringLiteral("▲ ") + tr("At most twelve of them.");
    }
    return typed;
}

TypedLengths typedLengths(const QString& text, const Bench& bench) {
    constexpr double kShortest_m = 0.01, kLongest_m = 0.6;
    TypedAmounts typed = typedAmounts(text, Quantity::Length, kShortest_m, kLongest_m, bench,
                                      tr("“%1” is no length of a bait. Part lengths by semicolons: "
                                         "40; 60; 3 1/2\""));
    if (typed.values.empty() && typed.fault.isEmpty()) {
        typed.fault = QStringLiteral("▲ ") + tr("Give one to twelve lengths.");
    }
    return {typed.values, typed.fault};
}

QString usualLengths(const Workbench& bench, double length_m) {
    QStringList usual;
    for (const double k : {0.6, 0.8, 1.0, 1.25, 1.6}) {
        const double step = bench.bench().isMetric() ? 0.005 : kInch / 4;
        usual << bench.text(Quantity::Length,
                            k == 1.0 ? length_m : std::round(k * length_m / step) * step);
    }
    return usual.join(QStringLiteral("; "));
}

}  // namespace wl
