// Water loads on a bait towed without sideslip, as a table over the angle of attack.
//
// Body frame (x aft, z up). Angle of attack alpha = pitch + path angle, path angle positive when
// the bait goes down; alpha < 0: nose below the path. Moments positive nose up. Loads are per
// dynamic pressure q = 1/2 rho U^2: forces in m2, moments in m3.
#pragma once

#include <memory>
#include <optional>
#include <vector>

#include <Eigen/Core>

#include "core/model/model.h"
#include "core/motion/surface_loads.h"

namespace wl {

/// The body as the tow model sees it. Plan moment is the integral of width x dx, x aft of the nose.
struct TowedHull {
    double length_m = 0.0;
    double width_m = 0.0;
    double height_m = 0.0;
    double volume_m3 = 0.0;
    double planArea_m2 = 0.0;
    double planMoment_m3 = 0.0;
    double wettedArea_m2 = 0.0;
    double centroidZ_m = 0.0;      ///< height at which the axial drag acts
    double squareness = 0.0;       ///< 0 elliptic sections, 0.5 slab sides with round edges, 1 box
    double addedMassExcess = 0.0;  ///< kz - kx, see motion/added_mass.h
    bool operator==(const TowedHull&) const = default;
};

/// A flat lip: root, chord (root to tip), span = area / chord, angle from the body axis downward.
struct TowedLip {
    Eigen::Vector2d root_m = Eigen::Vector2d::Zero();  ///< (x, z)
    double chord_m = 0.0;
    double span_m = 0.0;
    double thickness_m = 0.0;
    double angle_rad = 0.0;
    bool operator==(const TowedLip&) const = default;
};

/// A hook or ring dragging at its eye; area already multiplied by its drag coefficient.
struct TowedPart {
    Eigen::Vector2d place_m = Eigen::Vector2d::Zero();
    double dragArea_m2 = 0.0;
    bool operator==(const TowedPart&) const = default;
};

/// All that is towed: what a load table is made of, and the key it is kept under.
struct TowedShape {
    TowedHull hull;
    std::optional<TowedLip> lip;
    std::vector<TowedPart> parts;
    std::vector<TowedSurface> surfaces;  ///< beside the lip
    double reynolds = 0.0;
    bool operator==(const TowedShape&) const = default;
};

/// (drag aft, lift up, moment about the nose) per q.
struct Loads {
    double aft_m2 = 0.0;
    double up_m2 = 0.0;
    double moment_m3 = 0.0;
};

/// Normal-force coefficient of a flat plate at incidence a in [0, pi/2]: Helmbold slope, Polhamus
/// leading-edge and Lamar side-edge suction up to stall, Hoerner's flat plate after it, blended
/// over 4 degrees about a_s = 12 + min(33, 104/(1+AR)^2) degrees (fit to recalled data). Aspect
/// 0.4-2.5.
double plateNormalCoefficient(double incidence_rad, double aspect, const Model& model = {});

/// Cross-flow drag coefficient of a section by height / width and squareness (ellipse: White; box:
/// Hoerner; both recalled; blend assumed), and its share for a body of finite length (Wieselsberger
/// via White, recalled).
double crossFlowDrag(double heightOverWidth, double squareness);
double finiteLengthFactor(double slenderness);

/// Axial drag area of the body alone, m2 (Hoerner, with Blasius or ITTC-57 friction; recalled).
double axialDragArea(const TowedHull& hull, double reynolds, const Model& model = {});

/// The same by what the water works on. The lip's drag on the body behind it is the body's.
struct LoadShares {
    Loads body;
    Loads lip;
    Loads surfaces;
    Loads hooks;
    Loads sum() const;
};

/// Loads on body, lip, parts and surfaces. Sources term by term in docs/theory.md. The cross-flow,
/// Munk and lip factors for a body with a lip come from this project's own flow solutions of a 76
/// mm body, and carry the doubt stated with the depth.
Loads computeLoads(const TowedShape& shape, double alpha_rad, const Model& model = {});
LoadShares computeLoadShares(const TowedShape& shape, double alpha_rad, const Model& model = {});

/// The same tabulated each 0.25 degrees over the full circle, each place when it is first looked
/// at; look-ups are straight lines between. May be asked by several threads at once.
class LoadTable {
  public:
    explicit LoadTable(const TowedShape& shape, const Model& model = {});
    ~LoadTable();
    Loads at(double alpha_rad) const;

  private:
    static constexpr int kCount = 1440;
    struct Filled;
    std::unique_ptr<Filled> filled_;
};

}  // namespace wl
