#include "core/forecast/float_photo.h"

#include <cmath>

#include <Eigen/Core>

#include "core/base/units.h"

namespace wl {
namespace {

using Eigen::Vector2d;

// Up in the picture is up.
Vector2d at(const PicturePoint& p) {
    return {p.across, -p.down};
}

}  // namespace

Result<FloatSeen> readFloatPhoto(const FloatPhoto& photo) {
    constexpr double kMark_pixels = 1.2, kLeast = 0.08, kSkewed = 0.08;
    const double mark = kMark_pixels / photo.widthPixels;
    const std::pair<const std::vector<PicturePoint>*, const char*> pairs[] = {
        {&photo.scale, "scale"}, {&photo.water, "water"}, {&photo.axis, "axis"}};
    for (const auto& [points, name] : pairs) {
        if (points->size() != 2 || (!photo.fromAhead && photo.back.size() != 1)) {
            return Error{"photo.marks_missing", "", {points->size() != 2 ? name : "back"}, {}};
        }
        for (const PicturePoint& p : *points) {
            if (!std::isfinite(p.across) || !std::isfinite(p.down)) {
                return Error{"photo.marks_missing", "", {name}, {}};
            }
        }
        if ((at((*points)[0]) - at((*points)[1])).norm() < kLeast) {
            return Error{"photo.too_near", "", {name}, {}};
        }
    }
    if (!(photo.knownLength_m > 0) || !(photo.widthPixels > 0)) {
        return Error{"photo.marks_missing", "", {"scale"}, {}};
    }
    Vector2d level = at(photo.water[1]) - at(photo.water[0]);
    const double waterLong = level.norm();
    level /= waterLong;
    if (level.x() < 0) {
        level = -level;
    }
    if (std::abs(level.y()) > level.x()) {
        return Error{"photo.on_its_side", "", {}, {}};
    }
    const Vector2d up(-level.y(), level.x());
    const double scaleLong = (at(photo.scale[1]) - at(photo.scale[0])).norm();
    const double metre = photo.knownLength_m / scaleLong;
    const Vector2d axis = at(photo.axis[0]) - at(photo.axis[1]);  // to the nose; from ahead down
    const double axisLong = axis.norm();
    FloatSeen seen;
    const double both = std::sqrt(2.0) * mark;
    seen.angleError_rad = std::hypot(both / axisLong, both / waterLong);
    if (photo.fromAhead) {
        // Seen from ahead port is at the right: a back that tips there takes port down.
        seen.angle_rad = -std::atan2(-axis.dot(level), -axis.dot(up));
        return seen;
    }
    seen.angle_rad = std::asin(std::clamp(axis.dot(up) / axisLong, -1.0, 1.0)) - photo.axisRise_rad;
    if (photo.baitLength_m > 0) {
        seen.lengthRatio = axisLong * metre / photo.baitLength_m;
        if (std::abs(seen.lengthRatio - 1) > kSkewed) {
            return Error{"photo.skewed", "", {}, {{Quantity::Fraction, seen.lengthRatio - 1}}};
        }
    }
    const double over = (at(photo.back[0]) - at(photo.water[0])).dot(up);
    seen.showing_m = over * metre;
    seen.showingError_m = std::hypot(both * metre, std::abs(*seen.showing_m) * both / scaleLong);
    return seen;
}

}  // namespace wl
