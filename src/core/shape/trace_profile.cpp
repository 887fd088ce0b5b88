#include "core/shape/trace_profile.h"

#include <algorithm>
#include <cmath>
#include <optional>

#include "core/geometry/body_curves.h"
#include "core/shape/edit_body.h"

namespace wl {
namespace {

Eigen::Vector2d pixels(const PicturePoint& p) {
    return {p.across, p.down};
}

// Metres per picture width, and the axis as a unit vector; nothing when not set.
struct Frame {
    double metresPerWidth;
    Eigen::Vector2d nose, along;
    double axis_m;
};
std::optional<Frame> frameOf(const Trace& t) {
    if (t.scale.size() < 2 || t.axis.size() < 2) {
        return std::nullopt;
    }
    const double apart = (pixels(t.scale[1]) - pixels(t.scale[0])).norm();
    const Eigen::Vector2d axis = pixels(t.axis[1]) - pixels(t.axis[0]);
    if (apart < 1e-6 || axis.norm() < 1e-6) {
        return std::nullopt;
    }
    const double scale = t.knownLength_m / apart;
    return Frame{scale, pixels(t.axis[0]), axis.normalized(), axis.norm() * scale};
}

// Height of a polyline sorted by x at x, held at its ends.
double heightAt(const std::vector<Eigen::Vector2d>& line, double x) {
    if (x <= line.front().x()) {
        return line.front().y();
    }
    for (size_t i = 1; i < line.size(); ++i) {
        if (x <= line[i].x()) {
            const double span = line[i].x() - line[i - 1].x();
            const double share = span > 1e-12 ? (x - line[i - 1].x()) / span : 1.0;
            return line[i - 1].y() + share * (line[i].y() - line[i - 1].y());
        }
    }
    return line.back().y();
}

}  // namespace

std::optional<Eigen::Vector2d> onBody(const Trace& trace, const PicturePoint& point) {
    const auto f = frameOf(trace);
    if (!f) {
        return std::nullopt;
    }
    const Eigen::Vector2d from = (pixels(point) - f->nose) * f->metresPerWidth;
    // The picture's y runs down; up is a quarter turn from the axis towards the top.
    const Eigen::Vector2d up(f->along.y(), -f->along.x());
    return Eigen::Vector2d(from.dot(f->along), from.dot(up));
}

std::optional<PicturePoint> onPicture(const Trace& trace, const Eigen::Vector2d& place) {
    const auto f = frameOf(trace);
    if (!f) {
        return std::nullopt;
    }
    const Eigen::Vector2d up(f->along.y(), -f->along.x());
    const Eigen::Vector2d at =
        f->nose + (place.x() * f->along + place.y() * up) / f->metresPerWidth;
    return PicturePoint{at.x(), at.y()};
}

Result<TracedProfile> profileOf(const Trace& trace) {
    if (trace.scale.size() < 2) {
        return Error{"trace.no_scale", "/trace/known_length", {}, {}};
    }
    const auto f = frameOf(trace);
    if (!f) {
        return Error{"trace.no_axis", "/trace/axis", {}, {}};
    }
    TracedProfile p;
    p.length_m = f->axis_m;
    for (const auto& [points, line] :
         {std::pair{&trace.back, &p.back}, std::pair{&trace.belly, &p.belly}}) {
        for (const PicturePoint& q : *points) {
            const Eigen::Vector2d at = *onBody(trace, q);
            if (at.x() > 0 && at.x() < p.length_m) {
                line->push_back(at);
            }
        }
        if (line->size() < 3) {
            return Error{"trace.too_few", "/trace/back", {}, {}};
        }
        line->emplace_back(0.0, 0.0);
        line->emplace_back(p.length_m, 0.0);
        std::sort(line->begin(), line->end(),
                  [](const auto& a, const auto& b) { return a.x() < b.x(); });
    }
    return p;
}

Result<TracedProfile> profileOfOutline(const std::vector<Eigen::Vector2d>& outline,
                                       double length_m) {
    if (outline.size() < 6) {
        return Error{"trace.too_few", "/trace/back", {}, {}};
    }
    double left = 1e300, right = -1e300;
    for (const Eigen::Vector2d& p : outline) {
        left = std::min(left, p.x());
        right = std::max(right, p.x());
    }
    if (!(right - left > 1e-9 && std::isfinite(right - left))) {
        return Error{"trace.too_few", "/trace/back", {}, {}};
    }
    const double scale = length_m / (right - left);
    constexpr int kColumns = 120;
    TracedProfile p;
    p.length_m = length_m;
    double noseZ = 0, tailZ = 0;
    for (int i = 0; i <= kColumns; ++i) {
        const double x = left + (right - left) * std::clamp(double(i) / kColumns, 1e-6, 1 - 1e-6);
        double top = -1e300, foot = 1e300;
        for (size_t k = 0; k < outline.size(); ++k) {
            const Eigen::Vector2d& a = outline[k];
            const Eigen::Vector2d& b = outline[(k + 1) % outline.size()];
            if ((a.x() < x) != (b.x() < x)) {
                const double y = a.y() + (b.y() - a.y()) * (x - a.x()) / (b.x() - a.x());
                top = std::max(top, -y);
                foot = std::min(foot, -y);
            }
        }
        if (top < foot) {
            continue;
        }
        if (i == 0) {
            noseZ = 0.5 * (top + foot);
        }
        tailZ = 0.5 * (top + foot);
        p.back.emplace_back(length_m * i / kColumns, top);
        p.belly.emplace_back(length_m * i / kColumns, foot);
    }
    if (p.back.size() < 6) {
        return Error{"trace.too_few", "/trace/back", {}, {}};
    }
    for (auto* line : {&p.back, &p.belly}) {
        for (Eigen::Vector2d& q : *line) {  // the line from nose to tail is the axis
            const double axis = noseZ + (tailZ - noseZ) * q.x() / length_m;
            q.y() = (q.y() - axis) * scale;
        }
    }
    return p;
}

Body bodyFromProfile(const TracedProfile& profile, const Body& like, int count) {
    Body body = like;
    body.useSolid = false;
    body.solid = {};
    body.stations.clear();
    const Result<BodyCurves> old = BodyCurves::build(like, "");
    const OverallSize was = overallSize(like);
    double tallest = 1e-6;
    for (const Eigen::Vector2d& p : profile.back) {
        tallest = std::max(tallest, p.y() - heightAt(profile.belly, p.x()));
    }
    const double breadth = was.height_m > 0 ? tallest / was.height_m : 1.0;
    for (int i = 0; i < count; ++i) {
        const double share = 0.5 * (1 - std::cos(kPi * i / (count - 1)));
        const double x = share * profile.length_m;
        Station s;
        s.position_m = i + 1 < count ? std::round(x * 1e4) * 1e-4 : profile.length_m;
        const bool tip = i == 0 || i + 1 == count;
        s.back_m = std::round(heightAt(profile.back, x) * 1e4) * 1e-4;
        s.belly_m = std::round(heightAt(profile.belly, x) * 1e4) * 1e-4;
        if (s.back_m < s.belly_m || (tip && s.back_m - s.belly_m < 2e-4)) {
            s.back_m = s.belly_m = 0.5 * (s.back_m + s.belly_m);
        }
        s.widest_m = 0.5 * (s.back_m + s.belly_m);
        s.halfWidth_m = 0.4 * (s.back_m - s.belly_m);
        if (old) {
            const Section section = old->atX(share * old->length_m());
            s.halfWidth_m = std::round(section.halfWidth_m * breadth * 1e4) * 1e-4;
            s.fullnessAbove = section.fullnessAbove;
            s.fullnessBelow = section.fullnessBelow;
            const double height = section.back_m - section.belly_m;
            if (height > 1e-6) {
                s.widest_m = s.belly_m +
                             (section.widest_m - section.belly_m) / height * (s.back_m - s.belly_m);
            }
        }
        if (s.back_m - s.belly_m < 1e-6) {
            s.halfWidth_m = 0;
        }
        body.stations.push_back(s);
    }
    return body;
}

}  // namespace wl
