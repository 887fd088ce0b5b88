#include "app/kit/typed_lengths.h"

#include <QRegularExpression>
#include <cmath>

#include "session/words.h"

namespace wl {
TypedLengths typedLengths(const QString& text, const Bench& bench) {
    constexpr size_t kMost = 12;
    constexpr double kShortest_m = 0.01, kLongest_m = 0.6;
    TypedLengths typed;
    const QStringList parts =
        text.split(QRegularExpression(QStringLiteral("\\s*;\\s*")), Qt::SkipEmptyParts);
    for (const QString& part : parts) {
        const ReadAmount read = readAmount(part.toStdString(), Quantity::Length, bench);
        if (read.fault != ReadFault::None || read.valueSi < kShortest_m ||
            read.valueSi > kLongest_m) {
            typed.fault = QStringLiteral("▲ ") +
                          tr("“%1” is no length of a bait. Part lengths by semicolons: "
                             "40; 60; 3 1/2\"")
                              .arg(part);
            return typed;
        }
        typed.lengths_m.push_back(read.valueSi);
    }
    if (typed.lengths_m.empty() || typed.lengths_m.size() > kMost) {
        typed.fault = QStringLiteral("▲ ") + tr("Give one to twelve lengths.");
    }
    return typed;
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
