#include "io/shelf_costs.h"

#include <algorithm>
#include <cmath>

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
        case TakenKind::Coat:
            return entry == ShelfKind::Sealer || entry == ShelfKind::Paint ||
                   entry == ShelfKind::ClearCoat;
    }
    return false;
}

const ShelfEntry* entryOf(const Taken& taken, const std::vector<ShelfEntry>& entries) {
    constexpr double kSameWire = 0.1;
    const ShelfEntry* found = nullptr;
    double nearest = kSameWire * taken.wire_m;
    for (const ShelfEntry& e : entries) {
        if (!isOf(taken.kind, e.kind)) {
            continue;
        }
        if (taken.kind == TakenKind::Wire) {
            const double off = std::abs(e.wire_m.value_or(0.0) - taken.wire_m);
            if (off <= nearest && (found == nullptr || off < nearest)) {
                found = &e;
                nearest = off;
            }
        } else if (e.name == taken.name) {
            return &e;
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
    std::vector<ShelfEntry> changed;
    for (ShelfEntry e : entries) {
        if (!e.left) {
            continue;
        }
        double used = 0;
        for (const Bore& bore : design.bores) {
            for (const LeadPiece& piece : bore.pieces) {
                used += bore.lead == BoreLead::Pieces && isOf(TakenKind::Pieces, e.kind) &&
                                piece.name == e.name
                            ? piece.count
                            : 0;
            }
        }
        for (const Fitting& f : design.fittings) {
            used += isOf(TakenKind::Fitting, e.kind) && f.name == e.name ? (f.mirrored ? 2 : 1) : 0;
        }
        if (used > 0) {
            e.left = std::max(0.0, *e.left - double(baits) * used);
            changed.push_back(std::move(e));
        }
    }
    return changed;
}

}  // namespace wl
