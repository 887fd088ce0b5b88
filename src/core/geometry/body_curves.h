// Stations joined into a smooth body: sections at any length, exact volume properties.
#pragma once

#include <array>
#include <functional>
#include <optional>
#include <utility>
#include <vector>

#include <Eigen/Core>

#include "core/base/result.h"
#include "core/design/design.h"
#include "core/geometry/section.h"

namespace wl {

/// Volume properties of a solid of density 1. Second moments are about the centroid.
struct SolidProperties {
    double volume_m3 = 0.0;
    Eigen::Vector3d centroid_m = Eigen::Vector3d::Zero();
    Eigen::Matrix3d inertia_m5 = Eigen::Matrix3d::Zero();
};

/// A body as a function of u in [0, 1]: section(u), and dx/du at u.
struct SectionFunction {
    std::function<Section(double u)> section;
    std::function<double(double u)> dxdu_m;
    std::vector<double> knots;  ///< ascending from 0 to 1; the function is smooth between them
};

/// Gauss-Legendre quadrature of the exact section moments, 10 points between knots.
SolidProperties integrateSections(const SectionFunction& body);

/// The drawn body. Every outline is a monotone cubic (Fritsch & Butland 1984) through the stations,
/// so a typed maximum stays the maximum and an edit stays local. The cubic runs in u, not in x:
///   round nose and tail   x = L (1 - cos(pi u)) / 2
///   round nose only       x = L u^2          (round tail only: mirrored)
///   both pointed          x = L u
/// which makes y ~ sqrt(x) at a round end exactly representable; interpolating in x would cut an
/// ellipsoid typed as nine stations by 1.6 % of its volume.
class BodyCurves {
  public:
    /// Errors: "body.too_few_stations", "body.nose_not_at_zero", "body.stations_out_of_order",
    /// "body.profiles_cross" (back at or under belly where there is width, or the widest line
    /// outside them, also between stations; value: position), "body.no_volume",
    /// "body.face_takes_all" (an end face that leaves no body, or two that cross).
    static Result<BodyCurves> build(const Body& body, const std::string& path);

    double length_m() const { return length_m_; }
    const std::vector<double>& knots() const { return knots_; }

    Section at(double u) const;
    Section atX(double x_m) const { return at(uOf(x_m)); }
    double xOf(double u) const;
    double dxdu_m(double u) const;
    /// u for an x; x outside the body is held to its ends.
    double uOf(double x_m) const;
    /// The flat face across the nose or the tail, as drawn.
    const EndFace& endFace(bool nose) const { return nose ? noseFace_ : tailFace_; }
    /// Heights (from, to) the end face leaves standing at x; the whole range when it leaves all.
    std::pair<double, double> heightsKept(bool nose, double x_m) const;
    /// Lengths at which an end face meets back or belly, where moments along the bait have kinks.
    std::vector<double> endFaceBreaks() const;

    /// True when the point (body frame, m) lies inside the skin, end faces and their cups taken
    /// off.
    bool contains(const Eigen::Vector3d& point_m) const;
    /// The same, cups left full.
    bool containsUncupped(const Eigen::Vector3d& point_m) const;
    /// A place on the bottom of an end face's cup: `radius` 0 its middle to 1 its edge, `turn`
    /// round it. Nothing when there is no cup.
    std::optional<Eigen::Vector3d> onCup(bool nose, double radius, double turn_rad) const;

    SectionFunction function() const;

  private:
    enum class Outline { Back, Belly, HalfWidth, Widest, Above, Below };
    static constexpr size_t kOutlines = 6;
    /// One outline between two knots: start, rise, and the slopes at both ends times the span.
    struct Cubic {
        double from = 0.0, rise = 0.0, slopeFrom = 0.0, slopeTo = 0.0;
    };
    /// A span and the Hermite weights of rise and slopes there, shared by all outlines.
    struct Place {
        size_t span;
        double rise, slopeFrom, slopeTo;
    };
    Place placeOf(double u) const;
    double on(const Place& at, Outline which) const {
        const Cubic& c = spans_[at.span][size_t(which)];
        return c.from + at.rise * c.rise + at.slopeFrom * c.slopeFrom + at.slopeTo * c.slopeTo;
    }
    double outline(Outline which, double u) const;

    EndShape nose_ = EndShape::Round;
    EndShape tail_ = EndShape::Round;
    EndFace noseFace_, tailFace_;
    double length_m_ = 0.0;
    std::vector<double> knots_;
    std::vector<std::array<Cubic, kOutlines>> spans_;

    /// A paraboloid hollowed in an end face: depth (1 - rho^2) at the share rho of the way from the
    /// middle to its edge, which is the face's rim drawn in.
    struct Cup {
        Eigen::Vector3d centre_m, inward;
        double depth_m, share;
    };
    /// From the middle of an end face to its rim that way, in lengths of the vector given.
    double reachOnFace(const Cup& cup, const Eigen::Vector3d& way) const;
    std::array<std::optional<Cup>, 2> cups_;  // nose, tail
};

}  // namespace wl
