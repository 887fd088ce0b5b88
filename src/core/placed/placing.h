// The things of a design put into its body one after the other, and what each does to it.
#pragma once

#include <deque>
#include <optional>
#include <string>
#include <vector>

#include "core/design/design.h"
#include "core/hydro/submerged.h"
#include "core/make/body_parts.h"
#include "core/placed/bore_volume.h"
#include "core/placed/embedded.h"
#include "core/placed/eyes.h"
#include "core/placed/feature_tool.h"
#include "core/placed/lip_sheet.h"
#include "core/placed/mass_item.h"
#include "core/placed/rattle.h"
#include "core/placed/surfaces.h"
#include "core/placed/wire_form.h"

namespace wl {

/// Drawn wire and rolled balls keep their size within this (half-width share, common practice, no
/// source).
inline constexpr double kWireSpread = 0.03;

/// A feature measured: one tool, or two when mirrored.
struct FeatureGeometry {
    std::vector<CutTool> tools;
    std::vector<CutVolume> cuts;
};

/// A weight let in from the side, measured. No tools: its outline crosses itself or is none.
struct SideWeightGeometry {
    std::vector<CutTool> tools;  ///< convex, side by side, from outside the skin to the bottom
    double removed_m3 = 0.0;
    double weightVolume_m3 = 0.0;  ///< what of it is inside the skin
    double fillerVolume_m3 = 0.0;
    double mass_kg = 0.0;
};

/// One record as placed: its solids, for clearance, sections and pictures.
struct PlacedThing {
    RecordRef record;
    std::string name;
    std::vector<Embedded> solids;
};

/// Everything placed, as measured in the body.
struct Placed {
    std::vector<PlacedThing> things;
    std::vector<BoreGeometry> bores;
    std::vector<FeatureGeometry> features;
    std::vector<ChamberGeometry> chambers;
    std::vector<SideWeightGeometry> sideWeights;
    WireLayout wire;
    LipSheet lip;
    std::vector<Surface> surfaces;
};

/// Bores as they were measured in a body.
struct MeasuredBores {
    const std::vector<Bore>& bores;
    const std::vector<BoreGeometry>& measured;  ///< one for each
};

/// The body things are placed in.
struct PlacedBody {
    const BodyCurves& curves;  ///< breadths already scaled to the trusted volume
    double massScale = 1.0;    ///< of every piece's material, from a weighed body
    const std::vector<BodyPart>& parts;
    const std::vector<JointCut>& cuts;
    std::optional<MeasuredBores> before = std::nullopt;  ///< in this very body
};

/// The sum in the making. Where tools cross, the stock between is taken once, by the first.
class Placing {
  public:
    Placing(const Design& design, const PlacedBody& body, double waterDensity_kg_m3);

    const Design& design;
    const PlacedBody body;
    const double water_kg_m3;
    Placed placed;
    std::deque<MassItem> items;                 ///< one held stays good while others are added
    std::vector<MassSum> stock;                 ///< left of each part's material
    std::vector<std::vector<SmallPart>> small;  ///< water pushed aside by small parts, by part
    std::optional<WettedHull> lipPlate;
    size_t lipPiece = 0;

    size_t pieceOf(double x_m) const;
    double densityOf(size_t piece) const;
    /// A new thing of the list; what follows belongs to it.
    void begin(RecordRef record, std::string name);
    /// A mass of the thing last begun, by its own path where that is not the record's.
    MassItem& item(PartKind kind, Origin origin, BuildStage stage, size_t piece);
    MassItem& item(PartKind kind, Origin origin, BuildStage stage, size_t piece, std::string name,
                   std::string path);
    /// Stock taken out, as dense as the piece or as given.
    void cut(size_t piece, double volume_m3, const Eigen::Vector3d& at);
    void cut(size_t piece, double volume_m3, const Eigen::Vector3d& at, double density_kg_m3);
    /// Outside water pushed aside (volume over 0) or let in (under 0).
    void displace(size_t piece, const Eigen::Vector3d& at, double volume_m3);
    /// A tool's cut: no later tool takes that stock again. `itemIndex`: of the mass that fills it.
    void hollow(const CutTool& tool);
    void fill(const CutTool& tool, double density_kg_m3, std::optional<size_t> itemIndex);
    const std::vector<CutTool>& tools() const { return tools_; }
    /// Metal let in along a line: takes the place of what stands there (stock, filler, lead).
    /// Returns the volume that is outside the body.
    double letIn(const Eigen::Vector3d& from, const Eigen::Vector3d& to, double volume_m3);
    /// A solid of the thing last begun.
    Embedded& embed(Embedded solid);
    double partSpread_kg(double mass_kg, bool weighed) const;

  private:
    /// A place in the body that holds something else than stock.
    struct Fill {
        CutTool tool;
        double density_kg_m3 = 0.0;
        std::optional<size_t> item;
    };
    std::vector<CutTool> tools_;
    std::vector<Fill> fills_;
};

/// Places everything the design has, in the order a bait is built, and lists its surfaces.
void placeAll(Placing& placing);

void placeMake(Placing& placing);         ///< glue films, groove, cavities in sheets
void placeBores(Placing& placing);        ///< bores, lead and filler
void placeSideWeights(Placing& placing);  ///< pockets cut to an outline, weight and filler
void placeFeatures(Placing& placing);     ///< sockets, slots, grooves, pilot holes, pockets
void placeWire(Placing& placing);         ///< the slot for the through-wire, then the wire
void placeChambers(Placing& placing);     ///< rattles
void placeJoints(Placing& placing);       ///< pockets and hinges, those of side pieces too
void placeFittings(Placing& placing);     ///< eyes, hooks, rings, fins
void placeLip(Placing& placing);
void placeBuildUps(Placing& placing);  ///< putty and drips on the skin

/// The convex tools of an outline drawn round a place, carried straight across the bait.
std::vector<CutTool> outlineTools(const std::vector<OutlinePoint>& outline,
                                  const Eigen::Vector3d& place_m, const Eigen::Vector3d& inward,
                                  double depth_m);

/// What is cut for a cavity from one breadth so far to port.
std::vector<CutTool> toolsOfCavity(const Cavity& cavity, double fromY_m, double depth_m);

/// Volume of a build-up as drawn: half of an ellipsoid.
double buildUpVolume_m3(const BuildUp& buildUp);

}  // namespace wl
