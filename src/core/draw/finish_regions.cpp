#include "core/draw/finish_regions.h"

#include <algorithm>

#include "core/geometry/section.h"

namespace wl {
namespace {

// Heights between which the skin of a section looks more sideways than up or down: its normal
// leans less than 30 degrees from level.
std::pair<double, double> flankHeights(const Section& s) {
    constexpr int kPoints = 60;
    constexpr double kUpOrDown = 0.5;
    std::vector<Eigen::Vector2d> ring;
    sectionRing(s, kPoints / 4, ring);
    double low = s.back_m, high = s.belly_m;
    for (size_t i = 0; i < ring.size(); ++i) {
        const Eigen::Vector2d along = ring[(i + 1) % ring.size()] - ring[i];
        if (along.norm() > 0 && std::abs(along.x()) <= kUpOrDown * along.norm()) {
            low = std::min({low, ring[i].y(), ring[(i + 1) % ring.size()].y()});
            high = std::max({high, ring[i].y(), ring[(i + 1) % ring.size()].y()});
        }
    }
    return low <= high ? std::pair(low, high) : std::pair(s.widest_m, s.widest_m);
}

}  // namespace

std::vector<std::vector<Eigen::Vector2d>> finishRegion(const Derived& d, CoatPlace place) {
    constexpr double kHead = 0.25, kTail = 0.8;
    constexpr int kPoints = 96;
    const double length = d.shape->sizes.length_m;
    std::vector<std::vector<Eigen::Vector2d>> regions;
    for (const BodyPart& part : d.shape->parts) {
        if (part.appendage) {
            continue;
        }
        double from = part.bounds.front ? part.bounds.front->x_m : 0.0;
        double to = part.bounds.rear ? part.bounds.rear->x_m : length;
        if (place == CoatPlace::Head) {
            to = std::min(to, kHead * length);
        } else if (place == CoatPlace::Tail) {
            from = std::max(from, kTail * length);
        }
        if (from >= to) {
            continue;
        }
        std::vector<Eigen::Vector2d> upper, lower;
        for (int i = 0; i <= kPoints; ++i) {
            const BodyCurves& curves = d.shape->curves;
            const double u =
                curves.uOf(from) + (curves.uOf(to) - curves.uOf(from)) * double(i) / kPoints;
            const Section s = curves.at(u);
            const auto [low, high] = flankHeights(s);
            const double top = place == CoatPlace::Belly    ? low
                               : place == CoatPlace::Flanks ? high
                                                            : s.back_m;
            const double foot = place == CoatPlace::Back     ? high
                                : place == CoatPlace::Flanks ? low
                                                             : s.belly_m;
            upper.emplace_back(1000.0 * s.x_m, 1000.0 * std::max(top, foot));
            lower.emplace_back(1000.0 * s.x_m, 1000.0 * foot);
        }
        upper.insert(upper.end(), lower.rbegin(), lower.rend());
        regions.push_back(std::move(upper));
    }
    return regions;
}

}  // namespace wl
