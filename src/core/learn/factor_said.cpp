#include "core/learn/factor_said.h"

#include <cmath>

namespace wl {
namespace {

std::string differs(Learnt quantity, bool more) {
    switch (quantity) {
        case Learnt::DepthInLine:
        case Learnt::DepthSteep:
            return more ? "learn.deeper" : "learn.shallower";
        case Learnt::Beats:
            return more ? "learn.quicker" : "learn.slower";
        case Learnt::Swing:
            return more ? "learn.wider" : "learn.narrower";
        case Learnt::BlowOut:
            return more ? "learn.holds_more" : "learn.holds_less";
        case Learnt::Sink:
            return more ? "learn.sinks_faster" : "learn.sinks_slower";
        case Learnt::Cast:
            return more ? "learn.farther" : "learn.nearer";
    }
    return {};
}

Amount number(double n) {
    return {Quantity::Number, n};
}
Amount share(double s) {
    return {Quantity::Fraction, s};
}

}  // namespace

std::vector<Error> sayFactor(Learnt quantity, const FactorTold& told) {
    std::vector<Error> said;
    const std::vector<Amount> counts{number(double(told.readings)), number(double(told.outings))};
    switch (told.unsure) {
        case Unsure::NotRead:
            said.push_back({"learn.not_read", "", {}, {}});
            break;
        case Unsure::Quarrel:
            said.push_back({"learn.quarrel", "", {}, counts});
            break;
        case Unsure::TooFew:
            said.push_back(
                {told.readings > 0 ? "learn.too_few" : "learn.kin_only", "", {}, counts});
            break;
        case Unsure::FarFrom:
        case Unsure::No: {
            const double off = told.itself.middle - 1;
            std::vector<Amount> values = counts;
            values.push_back(share(std::abs(off)));
            said.push_back({differs(quantity, off > 0), "", {}, values});
            if (told.unsure == Unsure::FarFrom) {
                said.push_back({"learn.far_from", "", {}, {}});
            }
            break;
        }
    }
    if (told.widthHeld && told.unsure != Unsure::NotRead) {
        said.push_back({"learn.width_held", "", {}, {}});
    }
    return said;
}

Error sayOdd(const OddReading& odd) {
    const double off = odd.ratio - 1;
    const std::vector<Amount> values{share(std::abs(off)), number(odd.hint.value_or(0.0)),
                                     number(odd.ratio)};
    if (!odd.hint) {
        return {off > 0 ? "learn.odd_over" : "learn.odd_under", "", {}, values};
    }
    const double unit = *odd.hint;
    const bool feet = std::abs(unit - 3.281) < 0.01 || std::abs(unit * 3.281 - 1) < 0.01;
    const bool inches = std::abs(unit - 25.4) < 0.1 || std::abs(unit * 25.4 - 1) < 0.01;
    return {feet     ? "learn.odd_feet"
            : inches ? "learn.odd_inches"
                     : "learn.odd_twice",
            "",
            {},
            values};
}

Error sayWorth(const ReadingWorth& worth) {
    constexpr double kNothing = 0.03;
    static const char* const kCodes[] = {"learn.next_day",   "learn.same_day",
                                         "learn.tick",       "learn.other_copy",
                                         "learn.other_bait", "learn.other_family"};
    static const char* const kNone[] = {"learn.next_day_nothing",   "learn.same_day_nothing",
                                        "learn.tick_nothing",       "learn.other_copy_nothing",
                                        "learn.other_bait_nothing", "learn.other_family_nothing"};
    const size_t what = size_t(worth.what);
    return {
        worth.narrower < kNothing ? kNone[what] : kCodes[what], "", {}, {share(worth.narrower)}};
}

Error sayCopies(Learnt quantity, const CopyVerdict& verdict, std::int64_t first,
                std::int64_t second) {
    const std::vector<Amount> values{number(double(first)), number(double(second)),
                                     share(std::abs(verdict.ratio - 1)), share(verdict.chance)};
    if (verdict.is != CopyVerdict::Is::Differ) {
        return {
            verdict.is == CopyVerdict::Is::Within ? "learn.copies_alike" : "learn.copies_unknown",
            "",
            {},
            values};
    }
    const bool depth = quantity == Learnt::DepthInLine || quantity == Learnt::DepthSteep;
    const bool more = verdict.ratio > 1;
    return {depth  ? (more ? "learn.copy_deeper" : "learn.copy_shallower")
            : more ? "learn.copy_more"
                   : "learn.copy_less",
            "",
            {},
            values};
}

}  // namespace wl
