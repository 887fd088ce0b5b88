#include "core/shape/start_shape.h"

#include <cmath>

#include "core/shape/section_family.h"

namespace wl {
namespace {

struct Proportions {
    double height, width;  // shares of the length
    double backShare;      // of the height that stands over the reference line
    double widestAt;       // share of the length
    double noseBlunt;      // exponent of the forward part, over 2 is blunter
    double tailFall;       // exponent of the after part, under 2 tapers sooner
    double tailLeft;       // share of the greatest depth left at the tail
    SectionFamily family;
};

Proportions proportionsOf(StartKind kind) {
    switch (kind) {
        case StartKind::Diver:
            return {0.30, 0.25, 0.47, 0.33, 2.0, 1.7, 0.0, SectionFamily::Oval};
        case StartKind::Lipless:
            return {0.37, 0.16, 0.55, 0.42, 1.9, 1.8, 0.0, SectionFamily::SlabSided};
        case StartKind::Glider:
            return {0.27, 0.14, 0.50, 0.36, 2.1, 1.9, 0.12, SectionFamily::SlabSided};
        case StartKind::JointedSwimmer:
            return {0.21, 0.15, 0.50, 0.30, 2.0, 1.6, 0.10, SectionFamily::Oval};
        case StartKind::TurnedPlug:
            return {0.21, 0.21, 0.50, 0.27, 2.2, 1.7, 0.18, SectionFamily::Round};
        case StartKind::Crawler:
            return {0.27, 0.33, 0.60, 0.40, 2.6, 2.4, 0.25, SectionFamily::FlatBelly};
    }
    return {};
}

double toTenth(double metres) {
    return std::round(metres * 1e4) * 1e-4;
}

}  // namespace

Body startBody(StartKind kind, double length_m) {
    const Proportions p = proportionsOf(kind);
    Body body;
    body.tail = p.tailLeft > 0 ? EndShape::Pointed : EndShape::Round;
    for (const double at : {0.0, 0.06, 0.16, p.widestAt, 0.55, 0.70, 0.84, 0.94, 1.0}) {
        // Ahead of the widest point a superellipse, behind it a fall to what is left.
        const double share =
            at < p.widestAt
                ? std::pow(1 - std::pow(1 - at / p.widestAt, p.noseBlunt), 1 / p.noseBlunt)
                : 1 - (1 - p.tailLeft) * std::pow((at - p.widestAt) / (1 - p.widestAt), p.tailFall);
        Station s;
        s.position_m = at < 1 ? toTenth(at * length_m) : length_m;
        const double height = p.height * length_m * std::max(0.0, share);
        s.back_m = toTenth(p.backShare * height);
        s.belly_m = s.back_m - toTenth(height);
        s.halfWidth_m = toTenth(0.5 * p.width * length_m * std::max(0.0, share));
        s = withFamily(s, p.family);
        if (p.family == SectionFamily::Round) {
            s.back_m = toTenth(0.5 * height);
            s.belly_m = -s.back_m;
            s.widest_m = 0;
            s.halfWidth_m = s.back_m;
        }
        body.stations.push_back(s);
    }
    if (kind == StartKind::TurnedPlug) {
        body.noseFace.present = true;
        body.noseFace.x_m = toTenth(0.05 * length_m);
        body.noseFace.angle_rad = 70 * kDegree;
    }
    return body;
}

}  // namespace wl
