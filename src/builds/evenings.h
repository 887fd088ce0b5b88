// The hours a maker has for the bench.
#pragma once

#include <QDateTime>
#include <array>

#include "core/making/schedule.h"

namespace wl {

/// Hours at the bench week by week, and what one has to dry and clamp baits on.
struct BenchHours {
    std::array<bool, 7> days{true, true, true, true, true, false, false};  ///< Monday first
    QTime from{19, 0};
    double long_s = 2.5 * 3600;
    int clamps = 4, moulds = 1, rack = 12, turner = 6, printers = 1;
};

/// From and into the settings of this machine.
BenchHours readBenchHours();
void keepBenchHours(const BenchHours& hours);

/// The evenings of so many weeks from a moment on (seconds since 1970, local time; the one that is
/// running counts from now), and the places.
Workshop workshopOf(const BenchHours& hours, const QDateTime& from, int weeks);

}  // namespace wl
