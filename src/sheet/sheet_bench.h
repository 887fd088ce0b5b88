// How the maker who reads a sheet measures and drills.
#pragma once

#include <QString>
#include <utility>
#include <vector>

#include "core/base/quantity.h"
#include "core/make/drill_set.h"

namespace wl {

/// What lies in the printer.
enum class Paper { A4, Letter };

struct SheetBench {
    SheetBench(Bench units, std::vector<DrillBit> bits = {})
        : bench(units), drills(std::move(bits)) {}
    Bench bench;
    std::vector<DrillBit> drills;  ///< the set at hand; empty: no bit is named
    Paper paper = Paper::A4;
    QString mark;  ///< by which the design is found again, in the foot of every page
};

}  // namespace wl
