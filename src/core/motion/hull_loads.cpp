#include "core/motion/hull_loads.h"

#include <algorithm>
#include <boost/math/special_functions/ellint_rd.hpp>
#include <cmath>

#include "core/base/interpolate.h"
#include "core/base/units.h"

namespace wl {
namespace {

// Factors found from this project's own steady flow solutions (see docs/theory.md, "Tow").
constexpr double kMunkBare = 0.60;
constexpr double kMunkLipLoss = 0.13;
constexpr double kMunkLipFullSpan = 0.7;
constexpr double kCrossFlowBare = 1.22;
constexpr double kBareLift = 0.36;
constexpr double kLipOnBodyInLine = 1.15;
constexpr double kLipOnBodySteep = 1.07;
constexpr double kSteepWake = 0.32;
constexpr double kInLine_deg = 25.0;
constexpr double kSteep_deg = 45.0;

// Plate skin friction and edge drag (Hoerner, recalled).
constexpr double kPlateFriction = 0.006;
constexpr double kPlateEdge = 0.4;

double wrapped(double angle) {
    return std::remainder(angle, 2 * kPi);
}

double steepShare(double angle_rad) {
    return std::clamp((angle_rad / kDegree - kInLine_deg) / (kSteep_deg - kInLine_deg), 0.0, 1.0);
}

double crossFlowFactor(const std::optional<TowedLip>& lip, double alpha_rad) {
    if (!lip) {
        return kCrossFlowBare;
    }
    if (alpha_rad >= 0) {
        return 1.0;
    }
    constexpr std::array<std::pair<double, double>, 3> steep{
        {{-45.0, 1.0}, {-30.0, 1.35}, {-20.0, 2.1}}};
    const double share = steepShare(lip->angle_rad);
    return (1 - share) + share * interpolate(steep, alpha_rad / kDegree);
}

void addAt(Loads& sum, const Eigen::Vector2d& place, double aft, double up) {
    sum.aft_m2 += aft;
    sum.up_m2 += up;
    sum.moment_m3 += place.y() * aft - place.x() * up;
}

void addLip(Loads& sum, const TowedLip& lip, double alpha) {
    const double area = lip.chord_m * lip.span_m;
    const double incidence = wrapped(lip.angle_rad - alpha);
    const bool reversed = std::abs(incidence) > kPi / 2;
    const double a = reversed ? kPi - std::abs(incidence) : std::abs(incidence);
    const double onBody =
        kLipOnBodyInLine + steepShare(lip.angle_rad) * (kLipOnBodySteep - kLipOnBodyInLine);
    const double normal = std::copysign(
        area * onBody * plateNormalCoefficient(a, lip.span_m / lip.chord_m), incidence);
    const double fromEdge = (0.30 + 0.19 * std::sin(a)) * lip.chord_m;
    const double alongLip = reversed ? fromEdge : lip.chord_m - fromEdge;
    const Eigen::Vector2d along(-std::cos(lip.angle_rad), -std::sin(lip.angle_rad));
    const Eigen::Vector2d down(std::sin(lip.angle_rad), -std::cos(lip.angle_rad));
    const Eigen::Vector2d place = lip.root_m + alongLip * along;
    addAt(sum, place, normal * down.x(), normal * down.y());
    const double slide = std::cos(incidence);
    const double edge = (2 * area * kPlateFriction + kPlateEdge * lip.thickness_m * lip.span_m) *
                        slide * std::abs(slide);
    addAt(sum, place, -edge * along.x(), -edge * along.y());
}

}  // namespace

Eigen::Vector3d addedMassCoefficients(double length_m, double width_m, double height_m) {
    const double a = 0.5 * length_m, b = 0.5 * width_m, c = 0.5 * height_m;
    const double volumeTerm = 2.0 / 3.0 * a * b * c;
    auto k = [volumeTerm](double p, double q, double axis) {
        const double A = volumeTerm * boost::math::ellint_rd(p * p, q * q, axis * axis);
        return A / (2 - A);
    };
    return {k(b, c, a), k(c, a, b), k(a, b, c)};
}

double plateNormalCoefficient(double a, double aspect) {
    const double s = std::sin(a);
    const double kp = 2 * kPi * aspect / (2 + std::sqrt(aspect * aspect + 4));
    const double kv = kp - kp * kp / (kPi * aspect) + 1.6 / std::pow(std::max(aspect, 0.6), 0.8);
    const double attached = kp * s * std::cos(a) + kv * s * s;
    constexpr std::array<std::pair<double, double>, 5> broadside{
        {{1, 1.17}, {5, 1.20}, {10, 1.30}, {20, 1.50}, {40, 1.70}}};
    const double c90 = interpolate(broadside, std::max(aspect, 1 / aspect));
    const double stalled = aspect <= 5 ? c90 * std::min(1.0, 2 * s)
                                       : c90 * 0.505 / (0.222 + 0.283 / std::max(s, 1e-9));
    const double stallAt = 12 + std::min(33.0, 104 / ((1 + aspect) * (1 + aspect)));
    const double blend = 1 / (1 + std::exp(-(a / kDegree - stallAt) / 4));
    return (1 - blend) * attached + blend * stalled;
}

double crossFlowDrag(double heightOverWidth, double squareness) {
    constexpr std::array<std::pair<double, double>, 6> ellipse{
        {{0, 1.98}, {0.5, 1.6}, {1, 1.2}, {2, 0.6}, {4, 0.35}, {8, 0.25}}};
    constexpr std::array<std::pair<double, double>, 7> box{
        {{0, 1.98}, {0.3, 2.3}, {0.6, 2.7}, {1, 2.05}, {2, 1.5}, {3, 1.3}, {6, 0.9}}};
    return (1 - squareness) * interpolate(ellipse, heightOverWidth) +
           squareness * interpolate(box, heightOverWidth);
}

double finiteLengthFactor(double slenderness) {
    constexpr std::array<std::pair<double, double>, 7> table{
        {{1, 0.533}, {2, 0.567}, {3, 0.617}, {5, 0.617}, {10, 0.683}, {20, 0.758}, {40, 0.817}}};
    return interpolate(table, slenderness);
}

double axialDragArea(const TowedHull& hull, double reynolds) {
    const double bluntness = std::sqrt(hull.width_m * hull.height_m) / hull.length_m;
    const double frontal = kPi * hull.width_m * hull.height_m / 4;
    const double re = std::max(reynolds, 100.0);
    if (re < 3e5) {
        const double friction = 1.328 / std::sqrt(re);
        return 0.33 * bluntness * frontal +
               hull.wettedArea_m2 * friction * (1 + std::pow(bluntness, 1.5));
    }
    const double lg = std::log10(re) - 2;
    return hull.wettedArea_m2 * 0.075 / (lg * lg) *
           (1 + 1.5 * std::pow(bluntness, 1.5) + 7 * std::pow(bluntness, 3));
}

Loads computeLoads(const TowedHull& hull, const std::optional<TowedLip>& lip,
                   const std::vector<TowedPart>& parts, double reynolds, double alpha) {
    Loads sum;
    const double u = std::cos(alpha);
    const double w = std::sin(alpha);

    const double munkShare =
        lip ? kMunkBare -
                  kMunkLipLoss * std::min(1.0, lip->span_m / (kMunkLipFullSpan * hull.width_m))
            : kMunkBare;
    sum.moment_m3 += munkShare * hull.addedMassExcess * hull.volume_m3 * 2 * u * w *
                     std::sqrt(0.5 * (1 + std::abs(u)));

    const double slenderness = hull.length_m / std::sqrt(hull.width_m * hull.height_m);
    const double cross = crossFlowFactor(lip, alpha) * finiteLengthFactor(slenderness) *
                         crossFlowDrag(hull.height_m / hull.width_m, hull.squareness) * w *
                         std::abs(w);
    sum.up_m2 += cross * hull.planArea_m2;
    sum.moment_m3 -= cross * hull.planMoment_m3;
    const double frontal = kPi * hull.width_m * hull.height_m / 4;
    if (!lip) {
        const double lift = kBareLift * frontal * std::abs(u) * w;
        addAt(sum, {hull.planMoment_m3 / hull.planArea_m2, 0.0}, 0.0, lift);
    }

    addAt(sum, {0.0, hull.centroidZ_m}, axialDragArea(hull, reynolds) * u * std::abs(u), 0.0);
    if (lip) {
        if (lip->angle_rad >= 30 * kDegree && alpha < 0) {
            const double share = std::min(1.0, (lip->angle_rad / kDegree - 15) / 30);
            const double wake = kSteepWake * std::clamp((-alpha / kDegree - 20) / 25, 0.0, 1.0);
            addAt(sum, {0.0, hull.centroidZ_m}, wake * lip->chord_m * lip->span_m * share, 0.0);
        }
        addLip(sum, *lip, alpha);
    }
    for (const TowedPart& part : parts) {
        addAt(sum, part.place_m, part.dragArea_m2 * u, part.dragArea_m2 * w);
    }
    return sum;
}

LoadTable::LoadTable(const TowedHull& hull, const std::optional<TowedLip>& lip,
                     const std::vector<TowedPart>& parts, double reynolds) {
    for (int i = 0; i <= kCount; ++i) {
        table_[i] = computeLoads(hull, lip, parts, reynolds, (-180.0 + 0.25 * i) * kDegree);
    }
}

Loads LoadTable::at(double alpha_rad) const {
    const double at = (wrapped(alpha_rad) / kDegree + 180.0) * 4.0;
    const int i = std::clamp(static_cast<int>(at), 0, kCount - 1);
    const double share = at - i;
    const Loads& a = table_[i];
    const Loads& b = table_[i + 1];
    return {a.aft_m2 + share * (b.aft_m2 - a.aft_m2), a.up_m2 + share * (b.up_m2 - a.up_m2),
            a.moment_m3 + share * (b.moment_m3 - a.moment_m3)};
}

}  // namespace wl
