#include "core/motion/surface_loads.h"

#include <algorithm>
#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"

namespace wl {
namespace {

using Eigen::Vector3d;

void addAt(Wrench& sum, const Vector3d& place, const Vector3d& force) {
    sum.force_N += force;
    sum.moment_N_m += place.cross(force);
}

// Across the flow at the front a face dams it up, at the rear it sucks: along its axis only.
void addFace(Wrench& sum, const TowedSurface& s, const Vector3d& velocity, double half,
             const Model& model) {
    const bool nose = s.kind == TowedSurface::Kind::NoseFace;
    const double ahead = -velocity.x();
    const bool leads = nose ? ahead > 0 : ahead < 0;
    const double cup = 1 + model.faceCup * std::min(1.0, s.cupShare);
    const double coefficient = leads ? model.faceFront * cup : model.faceRear;
    const double across = s.chord_m * s.span_m * std::abs(s.normal.x());
    addAt(sum, s.centre_m,
          Vector3d(-half * coefficient * across * velocity.x() * std::abs(velocity.x()), 0, 0));
}

}  // namespace

double finSlope(double aspect, const Model& model) {
    const double a = std::clamp(aspect, kLeastFinAspect, kMostFinAspect);
    return model.finSlope * 2 * kPi * a / (2 + std::sqrt(a * a + 4));
}

Wrench surfaceLoads(const TowedSurface& s, const Vector3d& velocity, const Vector3d& turning,
                    double density, const Model& model) {
    using Kind = TowedSurface::Kind;
    Wrench sum;
    if (s.chord_m <= 0 || s.span_m <= 0) {
        return sum;
    }
    const double half = 0.5 * density, area = s.chord_m * s.span_m;
    const Vector3d middle = velocity + turning.cross(s.centre_m);
    if (s.kind == Kind::NoseFace || s.kind == Kind::TailFace) {
        addFace(sum, s, middle, half, model);
        return sum;
    }
    if (s.kind == Kind::Lump) {
        // Seen from ahead it is as thick as it is, from its side as large.
        const double w = std::abs(middle.dot(s.normal)), speed = middle.norm();
        const double seen = speed > 0
                                ? (area * w + s.thickness_m * s.span_m *
                                                  std::sqrt(std::max(0.0, speed * speed - w * w))) /
                                      speed
                                : 0.0;
        addAt(sum, s.centre_m, -half * model.finLump * seen * speed * middle);
        return sum;
    }
    const Vector3d across = s.normal.cross(s.along);
    const double slope = finSlope(s.aspectFactor * s.span_m / s.chord_m, model) *
                         (s.kind == Kind::Bristles ? model.bristleSlope : 1.0);
    const double tangent = (middle - middle.dot(s.normal) * s.normal).norm();
    constexpr double kLevel = 0.33;
    for (const double level : {-kLevel, 0.0, kLevel}) {
        const Vector3d centre = s.centre_m + level * s.span_m * across;
        const Vector3d v = velocity + turning.cross(centre);
        const double w = v.dot(s.normal), speed = v.norm();
        if (speed <= 0) {
            continue;
        }
        // Behind whichever edge leads.
        const double fromEdge =
            (model.finCentre + model.finCentreMove * std::abs(w) / speed) * s.chord_m;
        const double fromRoot = v.dot(s.along) <= 0 ? fromEdge : s.chord_m - fromEdge;
        const Vector3d place = centre + (fromRoot - 0.5 * s.chord_m) * s.along;
        const double normal =
            half * area / 3 * (slope * tangent * w + model.finBroadside * std::abs(w) * w);
        addAt(sum, place, -normal * s.normal);
    }
    const double slide = middle.dot(s.along);
    const double skin = s.kind == Kind::Bristles ? model.bristleDrag * area
                                                 : 2 * area * model.plateFriction +
                                                       model.plateEdge * s.thickness_m * s.span_m;
    addAt(sum, s.centre_m, -half * skin * std::abs(slide) * slide * s.along);
    return sum;
}

}  // namespace wl
