// What a bait is made of and how: stock, and the ways of making a body.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/base/units.h"
#include "core/design/outline.h"

namespace wl {

/// A block of the same stock, measured and weighed.
struct SampleBlock {
    double length_m = 0.05;
    double width_m = 0.025;
    double height_m = 0.0124;
    double mass_kg = 0.006;
    double calliperError_m = 0.0001;  ///< half-width of the reading, the same on all three sides
    double scaleError_kg = 0.00001;   ///< half-width of the reading
    bool operator==(const SampleBlock&) const = default;
};

/// A round blank as it goes into the lathe, measured and weighed.
struct RoundBlank {
    double length_m = 0.15;
    double diameter_m = 0.03;
    double mass_kg = 0.045;
    bool operator==(const RoundBlank&) const = default;
};

/// Where the density comes from. Mix: resin and filler. Layers and print carry densities of their
/// own and use this only when the body was weighed.
enum class DensitySource { Sample, Shelf, Blank, Mix };

/// Which of two disagreeing truths the rest is computed from.
enum class BodyTrust {
    DrawnVolume,       ///< drawn volume; mass = density x drawn volume
    WeighedVolume,     ///< weighed mass; volume = mass / density, drawn breadth and height rescaled
    WeighedDrawnBoth,  ///< weighed mass and drawn volume; density follows
};

struct Stock {
    std::string material = "basswood";
    DensitySource source = DensitySource::Shelf;
    double shelfDensity_kg_m3 = 415.0;
    double shelfSpread = 0.15;  ///< half-width of the species' range as a share of its density
    SampleBlock sample;
    RoundBlank blank;
    double moistureSpread = 0.0;  ///< half-width of moisture content, kg water per kg dry wood
    std::optional<double> weighedBody_kg;  ///< shaped body before any hole is drilled
    double weighedBodyError_kg = 0.00001;  ///< half-width of that reading
    BodyTrust trust = BodyTrust::DrawnVolume;
    double drawnVolumeError = 0.02;  ///< share by which hand shaping misses the drawn volume
    bool operator==(const Stock&) const = default;
};

/// One length of the bait between joints. A bait without joints has exactly one.
struct Piece {
    std::string name = "body";
    bool ownStock = false;  ///< false: the first piece's stock
    Stock stock;
    bool operator==(const Piece&) const = default;
};

enum class MakeKind { Carved, Turned, Layered, Cast, Printed };
enum class GrainDirection { Along, Across, Upright };

/// Two half boards glued on the centre plane, with a groove between them for wire if wanted.
struct Halves {
    bool used = false;
    double grooveWidth_m = 0.0;  ///< across the bait, both halves together; 0: no groove
    double grooveHeight_m = 0.0;
    double grooveFrom_m = 0.01;  ///< x of its ends
    double grooveTo_m = 0.05;
    double grooveZ_m = 0.0;               ///< height of its middle
    double grooveDensity_kg_m3 = 1150.0;  ///< of what fills it, 0: air
    bool operator==(const Halves&) const = default;
};

/// One sheet of a layered body, starboard to port.
struct Layer {
    std::string material = "polycarbonate";
    double thickness_m = 0.003;
    double density_kg_m3 = 1200.0;
    bool operator==(const Layer&) const = default;
};

/// A closed hollow cut through one sheet or several in a row before they are glued: of the outline
/// drawn round its place, or a rectangle where there is none.
struct Cavity {
    int layer = 1;      ///< the first sheet it goes through, counted from starboard
    double x_m = 0.03;  ///< of its middle
    double z_m = 0.0;
    double length_m = 0.01;  ///< of a rectangle
    double height_m = 0.005;
    double density_kg_m3 = 0.0;  ///< of what fills it, 0: air
    int sheets = 1;              ///< how many it goes through
    std::vector<OutlinePoint> outline = {};
    bool operator==(const Cavity&) const = default;
};

enum class MixBy { Volume, Mass };

/// Cast resin with microspheres or another filler.
struct ResinMix {
    double resinDensity_kg_m3 = 1080.0;
    double fillerDensity_kg_m3 = 200.0;  ///< of the particles, not of the heap
    double fillerShare = 0.2;
    MixBy by = MixBy::Volume;
    double trappedAir = 0.02;       ///< share of the volume
    double shareError = 0.02;       ///< half-width of the filler share
    double trappedAirError = 0.01;  ///< half-width of the air share
    double wantedDensity_kg_m3 = 800.0;
    bool operator==(const ResinMix&) const = default;
};

/// A printed shell with infill.
struct Print {
    std::string material = "PETG";
    double density_kg_m3 = 1270.0;
    double shell_m = 0.0012;   ///< all round, cut faces too
    double infill = 0.15;      ///< share of the inside that is plastic
    bool leaks = false;        ///< seams not sealed
    double dryMass_kg = 0.02;  ///< weighed before and after a soak: sets how fast it leaks
    double wetMass_kg = 0.021;
    double soak_s = 1800.0;
    bool operator==(const Print&) const = default;
};

/// A mould of two halves, and what is poured into it.
struct Mould {
    double wall_m = 0.012;  ///< of silicone all round the bait
    double siliconeDensity_kg_m3 = 1150.0;
    double siliconeWaste = 0.1;    ///< share more than the box takes
    double resinWaste = 0.15;      ///< left in cups, spout and flash
    double workingTime_s = 360.0;  ///< of the resin, from its sheet
    double mixing_s = 60.0;        ///< of a batch, before the first pour
    double pouring_s = 40.0;       ///< of one bait
    double spout_m = 0.007;        ///< across
    double vent_m = 0.0016;        ///< across
    bool operator==(const Mould&) const = default;
};

/// How the body is made. Only the group of the chosen kind counts; the others are kept.
struct Make {
    MakeKind kind = MakeKind::Carved;
    GrainDirection grain = GrainDirection::Along;
    Halves halves;
    double glueFilm_m = 0.0001;  ///< between halves or layers
    double glueDensity_kg_m3 = 1150.0;
    std::vector<Layer> layers;
    std::vector<Cavity> cavities;
    ResinMix mix;
    Print print;
    Mould mould;
    bool operator==(const Make&) const = default;
};

}  // namespace wl
