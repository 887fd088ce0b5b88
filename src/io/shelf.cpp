#include "io/shelf.h"

#include <algorithm>
#include <array>

#include "core/base/units.h"
#include "files/embedded_data.h"

namespace wl {
namespace {

FittingKind fittingKindOf(ShelfKind kind) {
    switch (kind) {
        case ShelfKind::Treble:
            return FittingKind::Treble;
        case ShelfKind::SingleHook:
            return FittingKind::SingleHook;
        case ShelfKind::Ring:
            return FittingKind::SplitRing;
        case ShelfKind::ScrewEye:
            return FittingKind::ScrewEye;
        case ShelfKind::TwistedEye:
            return FittingKind::TwistedEye;
        case ShelfKind::Eye:
            return FittingKind::GlassEye;
        case ShelfKind::SheetFin:
            return FittingKind::SheetFin;
        case ShelfKind::BristleTail:
            return FittingKind::BristleTail;
        case ShelfKind::SoftTail:
            return FittingKind::SoftTail;
        default:
            return FittingKind::Other;
    }
}

Fitting fittingOf(const ShelfEntry& e) {
    Fitting f;
    f.kind = fittingKindOf(e.kind);
    f.name = e.name;
    f.typicalMass_kg = e.mass_kg.value_or(f.typicalMass_kg);
    if (e.weighed) {
        f.weighedMass_kg = e.mass_kg;
    }
    f.density_kg_m3 = e.density_kg_m3.value_or(f.density_kg_m3);
    f.size_m = e.size_m.value_or(f.size_m);
    f.wire_m = e.wire_m.value_or(f.wire_m);
    f.shank_m = e.stem_m.value_or(0.0);
    f.twists = e.twists.value_or(0.0);
    f.span_m = e.span_m.value_or(0.0);
    f.area_m2 = e.area_m2.value_or(0.0);
    f.sunk = e.sunk.value_or(0.0);
    f.weedGuard = e.weedGuard.value_or(0.0) > 0.5;
    return f;
}

Coat coatOf(const ShelfEntry& e) {
    Coat c;
    c.kind = e.kind == ShelfKind::Sealer  ? CoatKind::Sealer
             : e.kind == ShelfKind::Paint ? CoatKind::Paint
                                          : CoatKind::Clear;
    c.name = e.name;
    c.thickness_m = e.thickness_m.value_or(c.thickness_m);
    c.density_kg_m3 = e.density_kg_m3.value_or(c.density_kg_m3);
    return c;
}

Lip lipOf(const ShelfEntry& e) {
    Lip lip;
    lip.material = e.name.substr(0, e.name.find(" lip"));
    lip.density_kg_m3 = e.density_kg_m3.value_or(lip.density_kg_m3);
    lip.length_m = e.size_m.value_or(lip.length_m);
    lip.width_m = e.span_m.value_or(lip.width_m);
    lip.thickness_m = e.thickness_m.value_or(lip.thickness_m);
    return lip;
}

std::optional<PieceKind> pieceOf(const ShelfEntry& e) {
    if (!e.mass_kg || !e.diameter_m || *e.mass_kg <= 0 || *e.diameter_m <= 0) {
        return std::nullopt;
    }
    PieceKind p;
    p.name = e.name;
    p.mass_g = *e.mass_kg / kGram;
    p.length_mm = e.kind == ShelfKind::BellyWeight ? e.length_m.value_or(0.0) / kMillimetre : 0.0;
    p.diameter_mm = *e.diameter_m / kMillimetre;
    p.density_g_mm3 = e.density_kg_m3.value_or(11340.0) * 1e-6;
    if (e.left) {
        p.left = int(*e.left);
    }
    return p;
}

}  // namespace

const std::vector<ShelfField>& shelfFields() {
    using Q = Quantity;
    using E = ShelfEntry;
    static const std::vector<ShelfField> fields{
        {"mass", Q::Mass, &E::mass_kg, 1e-6, 1.0},
        {"density", Q::Density, &E::density_kg_m3, 10.0, 25000.0},
        {"density_low", Q::Density, &E::densityLow_kg_m3, 10.0, 25000.0},
        {"density_high", Q::Density, &E::densityHigh_kg_m3, 10.0, 25000.0},
        {"size", Q::Length, &E::size_m, 0.001, 0.2},
        {"wire", Q::Length, &E::wire_m, 1e-4, 0.006},
        {"stem", Q::Length, &E::stem_m, 0.0, 0.2},
        {"twists", Q::Number, &E::twists, 0.0, 60.0},
        {"length", Q::Length, &E::length_m, 0.0005, 1.0},
        {"diameter", Q::Length, &E::diameter_m, 1e-4, 0.05},
        {"span", Q::Length, &E::span_m, 0.0, 0.2},
        {"thickness", Q::Thickness, &E::thickness_m, 1e-6, 8e-3},
        {"area", Q::Area, &E::area_m2, 0.0, 0.02},
        {"sunk", Q::Fraction, &E::sunk, 0.0, 1.0},
        {"weed_guard", Q::Number, &E::weedGuard, 0.0, 1.0},
        {"working_min", Q::Number, &E::working_min, 0.01, 100000.0},
        {"cure_h", Q::Number, &E::cure_h, 0.01, 10000.0},
        {"left", Q::Number, &E::left, 0.0, 1e6},
        {"price", Q::Number, &E::price, 0.0, 1e7},
        {"pack_count", Q::Number, &E::packCount, 1.0, 1e5},
        {"pack_mass", Q::Mass, &E::packMass_kg, 1e-4, 200.0},
        {"pack_length", Q::Distance, &E::packLength_m, 0.01, 1e4}};
    return fields;
}

bool shelfFieldApplies(ShelfKind kind, std::string_view field) {
    using K = ShelfKind;
    auto in = [&](std::initializer_list<std::string_view> names) {
        return std::find(names.begin(), names.end(), field) != names.end();
    };
    if (field == "left") {
        return kind != K::Stock && kind != K::Metal && kind != K::Line && kind != K::MetricDrill &&
               kind != K::InchDrill;
    }
    const bool byMass = kind == K::Stock || kind == K::Metal || kind == K::LipSheet ||
                        kind == K::Sealer || kind == K::Paint || kind == K::ClearCoat ||
                        kind == K::Filler || kind == K::Glue || kind == K::Silicone;
    const bool byLength = kind == K::Wire || kind == K::TubePin;
    const bool byPiece = (kind <= K::SoftTail && kind != K::Stock) || kind == K::Shot ||
                         kind == K::Ball || kind == K::BellyWeight;
    if (field == "price") {
        return byMass || byPiece || byLength;
    }
    if (field == "pack_count" || field == "pack_mass" || field == "pack_length") {
        return field == "pack_count" ? byPiece : field == "pack_mass" ? byMass : byLength;
    }
    switch (kind) {
        case K::Stock:
            return in({"density", "density_low", "density_high"});
        case K::Metal:
        case K::Filler:
        case K::LipSheet:
        case K::Silicone:
            return in({"density"});
        case K::Treble:
        case K::SingleHook:
            return in({"mass", "density", "size", "wire", "span", "weed_guard"});
        case K::Ring:
            return in({"mass", "density", "size", "wire"});
        case K::ScrewEye:
        case K::TwistedEye:
            return in({"mass", "density", "size", "wire", "stem", "sunk"}) ||
                   (kind == K::TwistedEye && field == "twists");
        case K::Eye:
        case K::Other:
            return in({"mass", "density", "size", "wire", "sunk"});
        case K::SheetFin:
        case K::BristleTail:
        case K::SoftTail:
            return in({"mass", "density", "size", "wire", "sunk", "area"});
        case K::Wire:
            return in({"mass", "density", "wire"});
        case K::TubePin:
        case K::LeadRod:
        case K::LeadWire:
        case K::BellyWeight:
            return in({"mass", "density", "diameter", "length"});
        case K::Shot:
        case K::Ball:
            return in({"mass", "density", "diameter"});
        case K::Lip:
            return in({"mass", "density", "size", "span", "thickness"});
        case K::Sealer:
        case K::Paint:
        case K::ClearCoat:
            return in({"density", "thickness"});
        case K::Glue:
            return in({"density", "working_min", "cure_h"});
        case K::Line:
            return in({"density", "diameter"});
        case K::MetricDrill:
        case K::InchDrill:
            return in({"diameter"});
    }
    return false;
}

Shelf arrangeShelf(const std::vector<ShelfEntry>& entries) {
    Shelf shelf;
    for (const ShelfEntry& e : entries) {
        const double density = e.density_kg_m3.value_or(0.0);
        const ShelfMaterial material{e.name, density, e.densityLow_kg_m3.value_or(density),
                                     e.densityHigh_kg_m3.value_or(density), e.source};
        switch (e.kind) {
            case ShelfKind::Stock:
                shelf.stock.push_back(material);
                break;
            case ShelfKind::Metal:
                shelf.plug.push_back(material);
                break;
            case ShelfKind::Filler:
                shelf.filler.push_back(material);
                break;
            case ShelfKind::LipSheet:
                shelf.lipSheet.push_back(material);
                break;
            case ShelfKind::Lip:
                shelf.lips.push_back({lipOf(e), e.source});
                break;
            case ShelfKind::Sealer:
            case ShelfKind::Paint:
            case ShelfKind::ClearCoat:
                shelf.coats.push_back({coatOf(e), e.source});
                break;
            case ShelfKind::Ball:
                shelf.balls.push_back(e);
                [[fallthrough]];
            case ShelfKind::Shot:
            case ShelfKind::BellyWeight:
                if (const auto piece = pieceOf(e)) {
                    shelf.pieces.push_back(*piece);
                }
                break;
            case ShelfKind::Wire:
                shelf.wires.push_back(e);
                break;
            case ShelfKind::Glue:
                shelf.glues.push_back(e);
                break;
            case ShelfKind::Silicone:
                break;
            case ShelfKind::Line:
                shelf.lines.push_back(e);
                break;
            case ShelfKind::MetricDrill:
            case ShelfKind::InchDrill:
                if (e.diameter_m) {
                    (e.kind == ShelfKind::MetricDrill ? shelf.metricDrills : shelf.inchDrills)
                        .push_back({e.name, *e.diameter_m});
                }
                break;
            case ShelfKind::TubePin:
                shelf.pins.push_back(e);
                break;
            case ShelfKind::LeadRod:
            case ShelfKind::LeadWire:
                shelf.rods.push_back(e);
                break;
            default:
                shelf.fittings.push_back({fittingOf(e), e.source});
                break;
        }
    }
    return shelf;
}

bool weighTogether(ShelfEntry& entry, int pieces, double total_kg) {
    if (pieces < 1 || !(total_kg > 0)) {
        return false;
    }
    entry.mass_kg = total_kg / pieces;
    entry.weighed = true;
    entry.source = "weighed: " + std::to_string(pieces) + " = " +
                   formatQuantity(Quantity::Mass, Bench::Metric, total_kg);
    return true;
}

MendShelf mendShelfOf(const Shelf& shelf) {
    MendShelf mending;
    for (const ShelfMaterial& m : shelf.stock) {
        mending.stocks.push_back(
            {m.name, m.density_kg_m3, 0.5 * (m.high_kg_m3 - m.low_kg_m3) / m.density_kg_m3});
    }
    for (const auto& row : shelf.fittings) {
        if (isHook(row.item.kind)) {
            mending.hooks.push_back(row.item);
        }
    }
    return mending;
}

const std::vector<ShelfEntry>& starterEntries() {
    static const std::vector<ShelfEntry> entries = [] {
        Result<std::vector<ShelfEntry>> read = readShelfCsv(embedded::shelf_csv());
        return read ? std::move(read).value() : std::vector<ShelfEntry>();  // shipped and tested
    }();
    return entries;
}

const Shelf& starterShelf() {
    static const Shelf shelf = arrangeShelf(starterEntries());
    return shelf;
}

}  // namespace wl
