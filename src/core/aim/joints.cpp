#include "core/aim/joints.h"

#include <algorithm>
#include <cmath>

#include "core/joint/joint_layout.h"
#include "core/reckon/evaluate.h"
#include "core/rules/check_design.h"

namespace wl {
namespace {

constexpr double kOpenings[] = {12 * kDegree, 16 * kDegree, 20 * kDegree, 25 * kDegree,
                                30 * kDegree, 36 * kDegree, 44 * kDegree};
constexpr double kShift = 0.05;  // of the length, from place to place
constexpr double kBenchStep_m = 0.5e-3;

std::optional<WishedBand> bandOf(const AimBand& band) {
    constexpr double kOpenEnd = 1.25;
    if (!band.asked(false)) {
        return std::nullopt;
    }
    return WishedBand{band.low ? *band.low : *band.high / kOpenEnd,
                      band.high ? *band.high : *band.low * kOpenEnd};
}

double offOf(const std::optional<WishedBand>& band, double value) {
    constexpr double kLeast = 1e-6;
    if (!band) {
        return 0.0;
    }
    const double y = std::log(std::max(kLeast, value));
    return std::max({0.0, std::log(std::max(kLeast, band->low)) - y,
                     y - std::log(std::max(kLeast, band->high))});
}

void judge(JointWay& way, const JointWish& wish) {
    constexpr double kNoWalk = 3.0;  // as far off as a factor of twenty
    constexpr int kOfTwelve = 9;
    const ChainTrial& does = way.does;
    bool acts = false;
    if (does.of > 0) {
        acts = does.swims >= kOfTwelve * does.of / 12;
        way.off = does.swims > 0 ? offOf(wish.beats_1_s, does.beats_1_s.middle) : kNoWalk;
        way.off += 1.0 - double(does.swims) / does.of;
    } else {
        acts = does.verdict == GlideVerdict::Walks;
        way.off = offOf(wish.turn_rad, std::abs(does.turn_rad)) + offOf(wish.width_m, does.width_m);
        way.off += acts ? 0.0 : kNoWalk;
    }
    const bool inside =
        does.of > 0 ? offOf(wish.beats_1_s, does.beats_1_s.middle) == 0 : way.off == 0;
    way.met = acts && inside && way.against.empty();
}

std::optional<Error> whyNot(const JointWish& wish, bool chain) {
    if (!(chain ? wish.beats_1_s.has_value() : wish.turn_rad || wish.width_m)) {
        return Error{"aim.no_target", chain ? "/aim/beats_low" : "/aim/turn_low", {}, {}};
    }
    struct Told {
        const char* path;
        Quantity quantity;
        const std::optional<WishedBand>& band;
    };
    for (const Told& told : {Told{"/aim/turn_low", Quantity::Angle, wish.turn_rad},
                             Told{"/aim/width_low", Quantity::Distance, wish.width_m},
                             Told{"/aim/beats_low", Quantity::Number, wish.beats_1_s}}) {
        if (told.band && !(told.band->low < told.band->high)) {
            return Error{"aim.band",
                         told.path,
                         {},
                         {{told.quantity, told.band->low}, {told.quantity, told.band->high}}};
        }
    }
    return std::nullopt;
}

// The joint there with both bevels cut for the opening; nothing where none gives it.
std::optional<JointWay> cutThere(const Derived& d, size_t joint, double place, double opening) {
    constexpr int kRounds = 8;  // the edges move as the faces are cut back
    constexpr double kNear_rad = 0.02 * kDegree;
    JointWay way;
    way.joint = joint;
    way.place_m = place;
    way.opening_rad = opening;
    way.design = *d.design;
    Joint& cut = way.design.joints[joint];
    cut.x_m = place;
    for (int round = 0; round < kRounds; ++round) {
        const Result<std::vector<JointCut>> laid = layOutJoints(way.design, d.shape->curves);
        if (!laid) {
            return std::nullopt;
        }
        const JointCut& now = (*laid)[joint];
        if (round > 0 && std::abs(now.opening.opening_rad - opening) < kNear_rad) {
            way.bevel_rad = cut.bevelFront_rad;
            return way;
        }
        const std::optional<double> bevel = bevelForOpening(now.plan, opening);
        if (!bevel) {
            return std::nullopt;
        }
        cut.bevelFront_rad = cut.bevelRear_rad = *bevel;
    }
    return std::nullopt;
}

std::vector<JointWay> gridOf(const Derived& d, bool chain) {
    const double length = d.shape->curves.length_m();
    const int most = chain ? 1 : 2;
    std::vector<JointWay> grid;
    for (size_t j = 0; j < d.design->joints.size(); ++j) {
        for (int shift = -most; shift <= most; ++shift) {
            const double drawn = d.design->joints[j].x_m;
            const double place =
                shift == 0
                    ? drawn
                    : std::round((drawn + shift * kShift * length) / kBenchStep_m) * kBenchStep_m;
            for (size_t k = 0; k < std::size(kOpenings); k += chain ? 2 : 1) {
                if (auto way = cutThere(d, j, place, kOpenings[k])) {
                    grid.push_back(std::move(*way));
                }
            }
        }
    }
    return grid;
}

// What is seen of a chain's beats by what is reckoned of them.
double beatsSeen(const Derived& d, const JointWish& wish, double speed,
                 const std::stop_token& stop) {
    if (wish.beatsSeen || !d.design->swim.seenBeats_1_s()) {
        return wish.beatsSeen.value_or(1.0);
    }
    const Snake filmed = snakeOf(d, speed, stop);
    const ChainTrial bare = chainTrial(d, speed, stop);
    return filmed.filmed && bare.swims > 0 ? filmed.beats_1_s.middle / bare.beats_1_s.middle : 1.0;
}

}  // namespace

JointWish jointWishOf(const Design& design) {
    const AimNotes& notes = design.aim;
    return {bandOf(notes.turn),
            bandOf(notes.width),
            notes.relative ? std::nullopt : bandOf(notes.beats),
            {}};
}

Result<std::vector<JointWay>> aimJoints(const Derived& d, const JointWish& wish, double speed,
                                        std::stop_token stop, const SnakeTold& told) {
    const bool chain = swimKind(d) == SwimKind::Snake;
    if (const auto error = whyNot(wish, chain)) {
        return *error;
    }
    const double seen = chain ? beatsSeen(d, wish, speed, stop) : 1.0;
    std::vector<JointWay> grid = gridOf(d, chain), ways;
    size_t tried = 0;
    for (JointWay& way : grid) {
        if (stop.stop_requested()) {
            return Error{"aim.stopped", "", {}, {}};
        }
        if (const Result<Derived> there = evaluate(way.design, &d, d.model)) {
            way.does = chainTrial(*there, speed, stop);
            way.does.beats_1_s = seen * way.does.beats_1_s;
            if (!way.does.untold) {
                way.against = checkDesign(*there);
                std::erase_if(way.against,
                              [](const Finding& f) { return f.severity != Severity::Error; });
                judge(way, wish);
                ways.push_back(std::move(way));
            }
        }
        if (told) {
            told(double(++tried) / double(grid.size()));
        }
    }
    if (stop.stop_requested()) {
        return Error{"aim.stopped", "", {}, {}};
    }
    const auto moved = [&d](const JointWay& way) {
        return std::abs(way.place_m - d.design->joints[way.joint].x_m);
    };
    std::stable_sort(ways.begin(), ways.end(), [&](const JointWay& a, const JointWay& b) {
        if (a.met != b.met) {
            return a.met;
        }
        if (a.against.empty() != b.against.empty()) {
            return a.against.empty();
        }
        return a.off != b.off ? a.off < b.off : moved(a) < moved(b);
    });
    return ways;
}

}  // namespace wl
