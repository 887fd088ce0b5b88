// What a bait takes, at the shelf's prices, and what is then left there.
#pragma once

#include "core/making/takes.h"
#include "io/shelf.h"

namespace wl {

/// One thing taken, for `baits` of a bait, by the entry of its kind and name; a wire's or pin's by
/// its diameter, a tenth of it either way; a filler's or glue's by its density, a fiftieth either
/// way, silicone's a tenth; a fitting's, called otherwise in the design, by kind, size within a
/// fiftieth and wire within a twentieth.
struct TakenCost {
    Taken taken;                  ///< of one bait
    std::string name;             ///< the entry's, or what the design calls it
    bool onShelf = false;         ///< there is such an entry
    std::optional<double> price;  ///< of one bait (of the mould, what is taken once); none where
                                  ///< the entry has no price or no pack
    std::optional<double> left;   ///< pieces counted there before
    std::optional<double> after;  ///< and when all the baits are built, never under 0
};

std::vector<TakenCost> costOf(const std::vector<Taken>& taken,
                              const std::vector<ShelfEntry>& entries, int baits);

/// What one of it costs: of a piece, a kilogram or a metre; none without a price, or where a pack
/// that goes by weight or length has none.
std::optional<double> priceEach(const ShelfEntry& entry);

}  // namespace wl
