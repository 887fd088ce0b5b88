#include "core/geometry/body_sizes.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/geometry/gauss_points.h"
#include "core/geometry/section_strip.h"

namespace wl {

FaceCut measureEndFace(const BodyCurves& curves, bool nose) {
    FaceCut cut;
    const EndFace& face = curves.endFace(nose);
    if (!face.present) {
        return cut;
    }
    const double sine = std::sin(face.angle_rad), cosine = std::cos(face.angle_rad);
    cut.outward = Eigen::Vector3d(sine, 0, -cosine) * (nose ? -1.0 : 1.0);
    double tallest = 0, deepest = 0;
    for (int i = 0; i <= 40; ++i) {
        const Section s = curves.at(i / 40.0);
        tallest = std::max(tallest, s.back_m);
        deepest = std::min(deepest, s.belly_m);
    }
    // Across the face by height, along its own slope.
    constexpr int kSteps = 400;
    const double step = (tallest - deepest) / kSteps / sine;
    bool inside = false;
    for (int i = 0; i < kSteps; ++i) {
        const double z = deepest + (tallest - deepest) * (i + 0.5) / kSteps;
        const double x = face.x_m + z * cosine / sine;
        const double half = x > 0 && x < curves.length_m() ? halfBreadthAt(curves.atX(x), z) : 0.0;
        if (half <= 0) {
            continue;
        }
        if (!inside) {
            cut.foot_m = {x, 0, z};
            inside = true;
        }
        cut.top_m = {x, 0, z};
        cut.area_m2 += 2 * half * step;
        cut.centroid_m += 2 * half * step * Eigen::Vector3d(x, 0, z);
        cut.width_m = std::max(cut.width_m, 2 * half);
    }
    if (cut.area_m2 > 0) {
        cut.centroid_m /= cut.area_m2;
        cut.height_m = (cut.top_m - cut.foot_m).norm() + step;
        // A paraboloid over the face drawn in to its share (see geometry/mesh_clip.h).
        cut.cupVolume_m3 = 0.5 * cut.area_m2 * face.cupShare * face.cupShare * face.cupDepth_m;
        cut.cupCentroid_m = cut.centroid_m - cut.outward * face.cupDepth_m / 3;
    }
    return cut;
}

std::vector<CupWater> cupWater(const BodyCurves& curves, double waterDensity) {
    std::vector<CupWater> all;
    for (const bool nose : {true, false}) {
        const EndFace& face = curves.endFace(nose);
        if (face.present && face.cupDepth_m > 0) {
            const FaceCut cut = measureEndFace(curves, nose);
            if (cut.cupVolume_m3 > 0) {
                all.push_back({nose, waterDensity * cut.cupVolume_m3, cut.cupCentroid_m});
            }
        }
    }
    return all;
}

BodySizes measureBody(const BodyCurves& curves) {
    BodySizes sizes;
    sizes.length_m = curves.length_m();
    double area = 0, squareArea = 0;
    forEachGaussPoint(curves.knots(), [&](double u, double weight) {
        const Section s = curves.at(u);
        const double w = weight * curves.dxdu_m(u);
        sizes.planArea_m2 += 2 * s.halfWidth_m * w;
        sizes.planMoment_m3 += 2 * s.halfWidth_m * s.x_m * w;
        area += w * sectionArea(s);
        squareArea += w * 2 * s.halfWidth_m * (s.back_m - s.belly_m);
        const double tall = w * (s.back_m - s.belly_m);
        sizes.profileArea_m2 += tall;
        sizes.profileCentroid_m += tall * Eigen::Vector2d(s.x_m, 0.5 * (s.back_m + s.belly_m));
    });
    if (sizes.profileArea_m2 > 0) {
        sizes.profileCentroid_m /= sizes.profileArea_m2;
    }
    // An ellipse fills pi/4 of its box and a box all of it.
    const double filled = squareArea > 0 ? area / squareArea : kPi / 4;
    sizes.fullness = std::clamp((filled - kPi / 4) / (1 - kPi / 4), 0.0, 1.0);
    constexpr int kSamples = 400;
    for (int i = 0; i <= kSamples; ++i) {
        const Section s = curves.at(double(i) / kSamples);
        if (2 * s.halfWidth_m > sizes.maxWidth_m + 1e-12) {
            sizes.maxWidth_m = 2 * s.halfWidth_m;
            sizes.widestAt_m = s.x_m;
        }
        sizes.maxHeight_m = std::max(sizes.maxHeight_m, s.back_m - s.belly_m);
    }
    for (double knot : curves.knots()) {  // a typed maximum sits exactly on a station
        const Section s = curves.at(knot);
        if (2 * s.halfWidth_m >= sizes.maxWidth_m - 1e-12) {
            sizes.maxWidth_m = 2 * s.halfWidth_m;
            sizes.widestAt_m = s.x_m;
        }
        sizes.maxHeight_m = std::max(sizes.maxHeight_m, s.back_m - s.belly_m);
    }
    return sizes;
}

}  // namespace wl
