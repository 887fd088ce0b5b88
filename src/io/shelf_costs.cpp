#include "io/shelf_costs.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace wl {
namespace {

bool isOf(TakenKind kind, ShelfKind entry) {
    switch (kind) {
        case TakenKind::Stock:
            // Sheet and resin lie under either head.
            return entry == ShelfKind::Stock || entry == ShelfKind::LipSheet;
        case TakenKind::Metal:
            return entry == ShelfKind::Metal;
        case TakenKind::LipSheet:
            return entry == ShelfKind::LipSheet || entry == ShelfKind::Stock;
        case TakenKind::Pieces:
            return entry == ShelfKind::Ball || entry == ShelfKind::Shot ||
                   entry == ShelfKind::BellyWeight;
        case TakenKind::Fitting:
            return entry <= ShelfKind::SoftTail && entry != ShelfKind::Stock;
        case TakenKind::Wire:
            return entry == ShelfKind::Wire;
        case TakenKind::Pin:
            return entry == ShelfKind::TubePin;
        case TakenKind::Filler:
            return entry == ShelfKind::Filler;
        case TakenKind::Glue:
            return entry == ShelfKind::Glue;
        case TakenKind::Silicone:
            return entry == ShelfKind::Silicone;
        case TakenKind::Coat:
            return entry == ShelfKind::Sealer || entry == ShelfKind::Paint ||
                   entry == ShelfKind::ClearCoat;
    }
    return false;
}

ShelfKind shelfKindOf(FittingKind kind) {
    switch (kind) {
        case FittingKind::Treble:
            return ShelfKind::Treble;
        case FittingKind::SingleHook:
            return ShelfKind::SingleHook;
        case FittingKind::SplitRing:
            return ShelfKind::Ring;
        case FittingKind::ScrewEye:
            return ShelfKind::ScrewEye;
        case FittingKind::TwistedEye:
            return ShelfKind::TwistedEye;
        case FittingKind::GlassEye:
            return ShelfKind::Eye;
        case FittingKind::SheetFin:
            return ShelfKind::SheetFin;
        case FittingKind::BristleTail:
            return ShelfKind::BristleTail;
        case FittingKind::SoftTail:
            return ShelfKind::SoftTail;
        default:
            return ShelfKind::Other;
    }
}

// How far off an entry is from what is taken, in shares of what still counts as the same; over 1:
// another thing.
double offFrom(const Taken& taken, const ShelfEntry& e) {
    constexpr double kSameWire = 0.1, kSameSize = 0.02, kSameFittingWire = 0.05,
                     kSameDensity = 0.02, kSameSilicone = 0.1;
    const auto off = [](const std::optional<double>& a, double b, double same) {
        return a && b > 0 ? std::abs(*a / b - 1) / same : 2.0;
    };
    if (taken.kind == TakenKind::Wire) {
        return off(e.wire_m, taken.wire_m, kSameWire);
    }
    if (taken.kind == TakenKind::Pin) {
        return off(e.diameter_m, taken.wire_m, kSameWire);
    }
    if (taken.kind == TakenKind::Filler || taken.kind == TakenKind::Glue) {
        return off(e.density_kg_m3, taken.density_kg_m3, kSameDensity);
    }
    if (taken.kind == TakenKind::Silicone) {
        return off(e.density_kg_m3, taken.density_kg_m3, kSameSilicone);
    }
    if (taken.kind == TakenKind::Fitting && taken.fitting != FittingKind::Other &&
        e.kind == shelfKindOf(taken.fitting)) {
        return std::max(off(e.size_m, taken.size_m, kSameSize),
                        e.wire_m ? off(e.wire_m, taken.wire_m, kSameFittingWire) : 0.0);
    }
    return 2.0;
}

const ShelfEntry* entryOf(const Taken& taken, const std::vector<ShelfEntry>& entries) {
    const ShelfEntry* found = nullptr;
    double nearest = 1.0 + 1e-9;
    for (const ShelfEntry& e : entries) {
        if (!isOf(taken.kind, e.kind)) {
            continue;
        }
        if (!taken.name.empty() && e.name == taken.name) {
            return &e;
        }
        // Of two as near as each other the one with a price is the one that is bought.
        const double off = offFrom(taken, e);
        const bool bought = found != nullptr && off == nearest && !found->price && e.price;
        if (off < nearest || bought) {
            found = &e;
            nearest = off;
        }
    }
    return found;
}

}  // namespace

std::optional<double> priceEach(const ShelfEntry& entry) {
    if (!entry.price) {
        return std::nullopt;
    }
    const auto per = [&](const std::optional<double>& pack) {
        return pack && *pack > 0 ? std::optional(*entry.price / *pack) : std::nullopt;
    };
    if (shelfFieldApplies(entry.kind, "pack_mass")) {
        return per(entry.packMass_kg);
    }
    if (shelfFieldApplies(entry.kind, "pack_length")) {
        return per(entry.packLength_m);
    }
    return *entry.price / std::max(1.0, entry.packCount.value_or(1.0));
}

std::vector<TakenCost> costOf(const std::vector<Taken>& taken,
                              const std::vector<ShelfEntry>& entries, int baits) {
    std::vector<TakenCost> costs;
    for (const Taken& t : taken) {
        TakenCost& cost = costs.emplace_back();
        cost.taken = t;
        cost.name = t.name;
        const ShelfEntry* entry = entryOf(t, entries);
        if (entry == nullptr) {
            continue;
        }
        cost.onShelf = true;
        cost.name = entry->name;
        if (const auto each = priceEach(*entry)) {
            cost.price = *each * (t.pieces > 0     ? t.pieces
                                  : t.length_m > 0 ? t.length_m
                                                   : t.mass_kg);
        }
        if (entry->left && t.pieces > 0) {
            cost.left = entry->left;
            cost.after = std::max(0.0, *entry->left - double(baits) * t.pieces);
        }
    }
    return costs;
}

std::vector<ShelfEntry> usedUp(const std::vector<ShelfEntry>& entries, const Design& design,
                               int baits) {
    std::vector<Taken> taken;
    for (const Bore& bore : design.bores) {
        for (const LeadPiece& piece : bore.pieces) {
            if (bore.lead == BoreLead::Pieces) {
                taken.push_back({TakenKind::Pieces, piece.name, piece.count});
            }
        }
    }
    for (const Fitting& f : design.fittings) {
        Taken& t = taken.emplace_back();
        t.kind = TakenKind::Fitting;
        t.name = f.name;
        t.pieces = f.mirrored ? 2 : 1;
        t.fitting = f.kind;
        t.size_m = f.size_m;
        t.wire_m = f.wire_m;
    }
    std::map<const ShelfEntry*, double> used;
    for (const Taken& t : taken) {
        if (const ShelfEntry* entry = entryOf(t, entries); entry != nullptr && entry->left) {
            used[entry] += t.pieces;
        }
    }
    std::vector<ShelfEntry> changed;
    for (const ShelfEntry& e : entries) {
        if (const auto at = used.find(&e); at != used.end()) {
            changed.push_back(e);
            changed.back().left = std::max(0.0, *e.left - double(baits) * at->second);
        }
    }
    return changed;
}

}  // namespace wl
