// What lies on a maker's shelf: stock, hardware, lead, coats, glues and lines, as one list of
// entries, and the lists the worksheets choose from.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/design/design.h"
#include "core/make/drill_set.h"
#include "core/plan/lead_mends.h"
#include "core/plan/lead_pieces.h"

namespace wl {

/// Kinds in the order they are shown. Names in files: kShelfKinds.
enum class ShelfKind {
    Stock,
    Treble,
    SingleHook,
    Ring,
    ScrewEye,
    TwistedEye,
    Eye,
    SheetFin,
    BristleTail,
    SoftTail,
    Wire,
    TubePin,
    LipSheet,
    Lip,
    Metal,
    LeadRod,
    LeadWire,
    Shot,
    Ball,
    BellyWeight,
    Filler,
    Sealer,
    Paint,
    ClearCoat,
    Glue,
    Silicone,
    Line,
    MetricDrill,
    InchDrill,
    Other
};
inline constexpr std::array<std::string_view, 30> kShelfKinds{
    "stock",     "treble",       "single_hook",  "ring",         "screw_eye",  "twisted_eye",
    "eye",       "sheet_fin",    "bristle_tail", "soft_tail",    "wire",       "tube_pin",
    "lip_sheet", "lip",          "metal",        "lead_rod",     "lead_wire",  "shot",
    "ball",      "belly_weight", "filler",       "sealer",       "paint",      "clear_coat",
    "glue",      "silicone",     "line",         "drill_metric", "drill_inch", "other"};

/// One thing on the shelf. Only the numbers that mean something for its kind are given. Masses are
/// of one piece (of a metre of wire, of 10 mm of rod, lead wire, pin or tube: its `length`).
struct ShelfEntry {
    std::int64_t id = 0;  ///< 0: not yet kept
    ShelfKind kind = ShelfKind::Other;
    std::string name;
    std::optional<double> mass_kg;
    std::optional<double> density_kg_m3, densityLow_kg_m3, densityHigh_kg_m3;
    std::optional<double> size_m;  ///< length of a hook or lip, outer diameter of a ring or eye
    std::optional<double> wire_m;
    std::optional<double> stem_m, twists;
    std::optional<double> length_m, diameter_m;
    std::optional<double> span_m;       ///< across hook points, of a lip's width
    std::optional<double> thickness_m;  ///< of one coat, of a lip's sheet
    std::optional<double> area_m2;
    std::optional<double> sunk;
    std::optional<double> weedGuard;  ///< 1: has one
    std::optional<double> working_min, cure_h;
    std::optional<double> left;   ///< how many there are; empty: not counted
    std::optional<double> price;  ///< of a pack, in the maker's own money
    std::optional<double> packCount, packMass_kg, packLength_m;  ///< what it holds; pieces: 1
    bool weighed = false;  ///< the mass was measured, not typical
    std::string source;
    bool operator==(const ShelfEntry&) const = default;
};

/// One number of an entry: name in files and tables, what it measures, range (SI).
struct ShelfField {
    std::string_view name;
    Quantity quantity = Quantity::Number;
    std::optional<double> ShelfEntry::*member = nullptr;
    double min = 0.0;
    double max = 0.0;
};
const std::vector<ShelfField>& shelfFields();
/// Whether a number means something for that kind.
bool shelfFieldApplies(ShelfKind kind, std::string_view field);

/// CSV with a header row, keys with bench units ("mass_g"); quoted as in RFC 4180 (libcsv).
std::string writeShelfCsv(const std::vector<ShelfEntry>& entries);
/// Columns may come in any order and be missing; unknown ones, unknown kinds, empty names and
/// numbers out of range are refused with the line: "shelf.csv_header" (word: the column),
/// "shelf.csv_line" (words: line number, what is wrong), "shelf.csv_damaged", "file.too_large".
Result<std::vector<ShelfEntry>> readShelfCsv(std::string_view text);

/// A material by density; low and high are the usual range (equal to the density when none is
/// known).
struct ShelfMaterial {
    std::string name;
    double density_kg_m3 = 0.0;
    double low_kg_m3 = 0.0;
    double high_kg_m3 = 0.0;
    std::string source;
};

template <class T>
struct ShelfItem {
    T item;
    std::string source;
};

/// The shelf as the worksheets use it.
struct Shelf {
    std::vector<ShelfMaterial> stock;
    std::vector<ShelfMaterial> plug;
    std::vector<ShelfMaterial> filler;
    std::vector<ShelfMaterial> lipSheet;
    std::vector<ShelfItem<Fitting>> fittings;  ///< place left at the origin
    std::vector<ShelfItem<Coat>> coats;
    std::vector<ShelfItem<Lip>> lips;  ///< cut lips: size, sheet
    std::vector<PieceKind> pieces;     ///< balls, shot and belly weights
    std::vector<ShelfEntry> wires;
    std::vector<ShelfEntry> balls;
    std::vector<ShelfEntry> glues;
    std::vector<ShelfEntry> lines;
    std::vector<ShelfEntry> rods;  ///< lead rod and wire, cut to length
    std::vector<ShelfEntry> pins;  ///< tubes and pins
    std::vector<DrillBit> metricDrills;
    std::vector<DrillBit> inchDrills;
    /// The set a bench drills with.
    const std::vector<DrillBit>& drills(Bench bench) const {
        return bench.isMetric() ? metricDrills : inchDrills;
    }
};
Shelf arrangeShelf(const std::vector<ShelfEntry>& entries);

/// A mass measured on several: `pieces` together weigh `total_kg`. Rods and wires keep their own
/// length. False (nothing changed) unless both are over 0.
bool weighTogether(ShelfEntry& entry, int pieces, double total_kg);

/// The stocks and hooks a plan that cannot be met is mended with.
MendShelf mendShelfOf(const Shelf& shelf);

/// The counted entries whose pieces lie in the design's bores or are fitted to it, with those of so
/// many baits taken off what is left (never under 0). Entries that are not counted are left out.
std::vector<ShelfEntry> usedUp(const std::vector<ShelfEntry>& entries, const Design& design,
                               int baits = 1);

/// The entries and the shelf shipped with the program; read once, never change.
const std::vector<ShelfEntry>& starterEntries();
const Shelf& starterShelf();

}  // namespace wl
