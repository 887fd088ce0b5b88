// What is left between any two things let into a bait, and between each of them and the skin.
#pragma once

#include <optional>
#include <stop_token>
#include <string>
#include <vector>

#include "core/base/finding.h"
#include "core/placed/embedded.h"
#include "core/reckon/derived.h"

namespace wl {

/// Every solid of every thing placed in the bait, with what it is meant to meet, by record.
std::vector<Embedded> embeddedIn(const Design& design, const Derived& derived);

/// Least distance between two solids, metres: exact to 1e-7 m while apart (alternating projections
/// onto two convex sets; Cheney & Goldstein 1959, recalled). Where they meet, a depth under 0 from
/// the capsules round them. `between` gets the middle of the shortest way.
double wallBetweenSolids(const Embedded& a, const Embedded& b, Eigen::Vector3d* between = nullptr);

/// Least distance from a solid to the skin (and to the cut faces of its piece), its own mouth left
/// out: the skin within 1.5 of its half-widths round its axis on the side it comes in from. Pins
/// and pockets stand in cut faces: they are held against the uncut skin, a pocket only where there
/// is stock round it. Sampled over the surface and refined; exact to about 0.02 mm on the mesh
/// given. Under 0: it comes out there. Walls of `within_m` and more are passed over, which is
/// quicker.
struct SkinWall {
    double wall_m = 0.0;
    Eigen::Vector3d place_m = Eigen::Vector3d::Zero();
    bool known = false;  ///< false when no part of it is inside the body, or none is that thin
};
class SkinSearch;
SkinWall wallToSkin(const Embedded& solid, const SkinSearch& skin, double within_m = 1.0);

/// The skin of one piece, arranged for searching.
class SkinSearch {
  public:
    SkinSearch(const TriangleMesh& mesh, const BodyCurves& curves);
    ~SkinSearch();
    SkinSearch(const SkinSearch&) = delete;
    SkinSearch& operator=(const SkinSearch&) = delete;
    /// Distance to the nearest triangle not left out, positive inside the body; farther than
    /// `within_m`: +-1000 m.
    double signedDistance(const Eigen::Vector3d& place_m, const Embedded* mouthOf = nullptr,
                          double within_m = 1.0) const;
    const BodyCurves& curves() const { return curves_; }

  private:
    struct Tree;
    std::unique_ptr<Tree> tree_;
    const BodyCurves& curves_;
};

/// One thin place between two solids.
struct Clearance {
    size_t a = 0;
    size_t b = 0;
    double wall_m = 0.0;
    Eigen::Vector3d place_m = Eigen::Vector3d::Zero();
};

/// Least wall that is not warned of (common practice, no source).
inline constexpr double kLeastWall_m = 0.001;

/// Every pair of records with less than `under_m` between, worst first; pairs that are meant to
/// meet are left out: by their nature (a pin in its pocket, a hanger in its lead, a wire or stem
/// any length of which lies in the cut made for it), or because the design says so
/// (Design::meetings).
std::vector<Clearance> findThinWalls(const std::vector<Embedded>& solids,
                                     double under_m = kLeastWall_m);

/// Smallest move along the bait of one of the two that leaves the least wall to everything else
/// let in and to the skin past a bore's bottom; the cheaper of the two to move comes first (a bore
/// before a rattle, a cut, an eye). Nothing when up to 15 mm does not help.
std::optional<ProposedEdit> cheapestMove(const Design& design, const Derived& derived,
                                         const std::vector<Embedded>& solids, size_t a, size_t b);

/// Findings for pairs of solids: error under 0, warning under kLeastWall_m, each with the place,
/// the smallest move of the cheapest of the two that clears it, and for two that could be meant to
/// meet the meeting to be noted. Of meetings that are noted what must still hold is checked: both
/// are there, what goes in has room, and a notched lip keeps stock beside the wire.
void checkClashes(const Design& design, const Derived& derived, std::vector<Finding>& out);

/// Findings for solids against the skin. `withCures`: with the least move along the bait that mends
/// it, or the least shortening of a pin or pocket; some milliseconds more where there is one. Takes
/// some milliseconds: not part of evaluate. Walls that `out` already tells of are
/// passed over. On stop what was found until then.
void checkSkinWalls(const Design& design, const Derived& derived, std::vector<Finding>& out,
                    bool withCures = true, std::stop_token stop = {});

}  // namespace wl
