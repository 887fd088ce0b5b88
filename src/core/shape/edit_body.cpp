#include "core/shape/edit_body.h"

#include <algorithm>
#include <cmath>

namespace wl {
namespace {

double interpolatedHalfWidth(const Body& body, double x) {
    const auto& s = body.stations;
    for (size_t i = 1; i < s.size(); ++i) {
        if (x <= s[i].position_m) {
            const double span = s[i].position_m - s[i - 1].position_m;
            const double share = span > 0 ? (x - s[i - 1].position_m) / span : 0;
            return s[i - 1].halfWidth_m + share * (s[i].halfWidth_m - s[i - 1].halfWidth_m);
        }
    }
    return s.empty() ? 0.0 : s.back().halfWidth_m;
}

}  // namespace

OverallSize overallSize(const Body& body) {
    OverallSize size;
    if (body.stations.empty()) {
        return size;
    }
    size.length_m = body.stations.back().position_m;
    double half = 0, top = -1e9, foot = 1e9;
    for (const Station& s : body.stations) {
        if (s.halfWidth_m > half) {
            half = s.halfWidth_m;
            size.widestAt_m = s.position_m;
        }
        size.height_m = std::max(size.height_m, s.back_m - s.belly_m);
        top = std::max(top, s.back_m);
        foot = std::min(foot, s.belly_m);
    }
    size.width_m = 2 * half;
    size.taper = half > 0 ? interpolatedHalfWidth(body, 0.75 * size.length_m) / half : 0.0;
    return size;
}

Body resized(const Body& body, double length_m, double width_m, double height_m) {
    const OverallSize now = overallSize(body);
    Body out = body;
    const double kx = now.length_m > 0 ? length_m / now.length_m : 1;
    const double ky = now.width_m > 0 ? width_m / now.width_m : 1;
    const double kz = now.height_m > 0 ? height_m / now.height_m : 1;
    for (Station& s : out.stations) {
        s.position_m *= kx;
        s.halfWidth_m *= ky;
        s.back_m *= kz;
        s.belly_m *= kz;
        s.widest_m *= kz;
    }
    if (!out.stations.empty()) {
        out.stations.back().position_m = length_m;
    }
    for (EndFace* face : {&out.noseFace, &out.tailFace}) {
        face->x_m *= kx;
        face->cupDepth_m *= kx;
    }
    if (kx != 1 || ky != 1 || kz != 1) {
        out.useSolid = false;  // the solid no longer is this shape
    }
    return out;
}

Body withWidestAt(const Body& body, double x_m) {
    const OverallSize now = overallSize(body);
    if (!(x_m > 0.05 * now.length_m && x_m < 0.95 * now.length_m) || now.widestAt_m <= 0 ||
        now.widestAt_m >= now.length_m) {
        return body;
    }
    Body out = body;
    for (Station& s : out.stations) {
        s.position_m = s.position_m <= now.widestAt_m
                           ? s.position_m * x_m / now.widestAt_m
                           : now.length_m - (now.length_m - s.position_m) * (now.length_m - x_m) /
                                                (now.length_m - now.widestAt_m);
    }
    return out;
}

Body withTaper(const Body& body, double taper) {
    const OverallSize now = overallSize(body);
    const double reach = 0.75 * now.length_m - now.widestAt_m;
    if (!(taper >= 0.05 && taper <= 1.2) || reach <= 0 || now.taper <= 0) {
        return body;
    }
    auto trial = [&](double slope) {
        Body out = body;
        for (Station& s : out.stations) {
            if (s.position_m > now.widestAt_m) {
                const double k =
                    std::max(0.02, 1 + slope * (s.position_m - now.widestAt_m) / reach);
                s.halfWidth_m *= k;
                s.back_m *= k;
                s.belly_m *= k;
                s.widest_m *= k;
            }
        }
        return out;
    };
    double low = -0.98, high = 3.0;
    if (overallSize(trial(low)).taper > taper || overallSize(trial(high)).taper < taper) {
        return body;
    }
    for (int i = 0; i < 50; ++i) {
        const double middle = 0.5 * (low + high);
        (overallSize(trial(middle)).taper < taper ? low : high) = middle;
    }
    return trial(0.5 * (low + high));
}

Body mirroredBelly(const Body& body) {
    Body out = body;
    for (Station& s : out.stations) {
        s.back_m = std::max(s.back_m, 0.0);
        s.belly_m = -s.back_m;
        s.widest_m = 0.0;
        s.fullnessBelow = s.fullnessAbove;
    }
    return out;
}

Body turnedAbout(const Body& body) {
    Body out = body;
    std::reverse(out.stations.begin(), out.stations.end());
    const double length = body.stations.empty() ? 0.0 : body.stations.back().position_m;
    for (Station& s : out.stations) {
        s.position_m = length - s.position_m;
    }
    std::swap(out.nose, out.tail);
    std::swap(out.noseFace, out.tailFace);
    for (EndFace* face : {&out.noseFace, &out.tailFace}) {
        face->x_m = length - face->x_m;
        face->angle_rad = kPi - face->angle_rad;
    }
    return out;
}

Body smoothed(const Body& body) {
    const auto& s = body.stations;
    if (s.size() < 3) {
        return body;
    }
    const OverallSize before = overallSize(body);
    Body out = body;
    for (size_t i = 1; i + 1 < s.size(); ++i) {
        const double span = s[i + 1].position_m - s[i - 1].position_m;
        const double share = span > 0 ? (s[i].position_m - s[i - 1].position_m) / span : 0.5;
        auto ease = [&](double Station::*field) {
            const double chord = s[i - 1].*field + share * (s[i + 1].*field - s[i - 1].*field);
            return 0.5 * (s[i].*field + chord);
        };
        for (double Station::*field :
             {&Station::back_m, &Station::belly_m, &Station::halfWidth_m, &Station::widest_m,
              &Station::fullnessAbove, &Station::fullnessBelow}) {
            out.stations[i].*field = ease(field);
        }
    }
    const bool solid = out.useSolid;
    out = resized(out, before.length_m, before.width_m, before.height_m);
    out.useSolid = solid;
    return out;
}

Body holdingLocks(const Body& edited, const Body& before) {
    const SizeLocks& locks = before.locks;
    if (!(locks.length || locks.width || locks.height) || edited.locks != locks) {
        return edited;
    }
    const OverallSize was = overallSize(before), now = overallSize(edited);
    const double length = locks.length ? was.length_m : now.length_m;
    const double width = locks.width ? was.width_m : now.width_m;
    const double height = locks.height ? was.height_m : now.height_m;
    if (!(now.length_m > 0 && now.width_m > 0 && now.height_m > 0)) {
        return edited;
    }
    auto close = [](double a, double b) { return std::abs(a - b) < 1e-12; };
    if (close(length, now.length_m) && close(width, now.width_m) && close(height, now.height_m)) {
        return edited;
    }
    Body held = resized(edited, length, width, height);
    held.useSolid = edited.useSolid;
    return held;
}

}  // namespace wl
