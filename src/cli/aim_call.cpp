#include "cli/aim_call.h"

#include "cli/typed_amounts.h"

#include "core/reckon/evaluate.h"
#include "files/design_file.h"
#include "io/aim_answer.h"

namespace {

struct Band {
    double low = 0.0, high = 0.0;
    bool relative = false;
};

wl::Result<Band> readBand(const std::string& text, wl::Quantity quantity) {
    const wl::Error notRead{"text.not_a_number", text, {}, {}};
    const size_t dots = text.find("..");
    if (dots == std::string::npos) {
        return notRead;
    }
    std::string ends[2] = {text.substr(0, dots), text.substr(dots + 2)};
    Band band;
    band.relative = ends[0].ends_with('x') && ends[1].ends_with('x');
    double* into[2] = {&band.low, &band.high};
    for (size_t i = 0; i < 2; ++i) {
        if (band.relative) {
            ends[i].pop_back();
        }
        const wl::Result<double> read =
            amount(ends[i], band.relative ? wl::Quantity::Number : quantity);
        if (!read) {
            return notRead;
        }
        *into[i] = *read;
    }
    return band;
}

}  // namespace

void AimCall::addTo(CLI::App& command) {
    command.add_option("--depth", depth, "Running depth wanted, e.g. 2.2..2.6 or 1.2x..1.4x");
    command.add_option("--beats", beats, "Beats a second, e.g. 4..5");
    command.add_option("--swing", swing, "Half-swing, e.g. 5..9");
    command.add_option("--action", action, "Swing by a word of the design's own limits")
        ->check(CLI::IsMember({"tight", "medium", "wide"}))
        ->excludes("--swing");
    command.add_option("--roll-to-yaw", rollToYaw, "Roll by yaw, e.g. 0.5..1");
    command.add_option("--pitch", pitch, "Pitch under way, nose up +, e.g. -25..-15");
    command.add_option("--balance", balance, "Centre of gravity by the length, e.g. 40..45");
    command.add_option("--like", like,
                       "Another design: 1x..1.2x is times what that one does; no band: as it does");
    command.add_option("--lock", locked,
                       "Leave as it is: lip_angle, lip_length, lip_width, tie_up_lip, tie_along "
                       "or tie_up");
    command.add_option("--range", ranges, "Another range of a lever, e.g. lip_angle=20..40");
    command.add_option("--sizes", sizes, "The same wish at these lengths, e.g. 60 82 \"4 in\"")
        ->expected(1, 12);
    command.add_flag("--outlines", outlines, "The best way with other outlines of the lip as well");
    command.add_flag("--settled", settled, "Only ways whose roll under way is settled");
}

void AimCall::addJointsTo(CLI::App& command) {
    command.add_option("--turn", turn, "Of a bait walked with the rod: turn a pull, e.g. 60..120");
    command.add_option("--width", width, "Left and right together, e.g. 0.3..0.6");
    command.add_option("--beats", beats, "Of a chain: beats a second, e.g. 2..3");
}

wl::Result<wl::JointWish> AimCall::jointWish(const wl::Design& design) const {
    wl::JointWish wish = wl::jointWishOf(design);
    struct Typed {
        const std::string& text;
        wl::Quantity quantity;
        std::optional<wl::WishedBand>& into;
    };
    for (const Typed& one : {Typed{turn, wl::Quantity::Angle, wish.turn_rad},
                             Typed{width, wl::Quantity::Distance, wish.width_m},
                             Typed{beats, wl::Quantity::Number, wish.beats_1_s}}) {
        if (one.text.empty()) {
            continue;
        }
        const wl::Result<Band> band = readBand(one.text, one.quantity);
        if (!band) {
            return band.error();
        }
        if (band->relative) {
            return wl::Error{"text.not_a_number", one.text, {}, {}};
        }
        one.into = wl::WishedBand{band->low, band->high};
    }
    return wish;
}

wl::Result<std::vector<double>> AimCall::lengths() const {
    return amounts(sizes, wl::Quantity::Length, 0.01, 0.6);
}

wl::Result<wl::AimWish> AimCall::wish(const wl::Design& design) const {
    using What = wl::AimMeasure;
    wl::AimWish wish;
    wish.settledOnly = settled;
    const std::pair<const std::string&, What> typed[] = {
        {depth, What::Depth},         {beats, What::Beats}, {swing, What::Swing},
        {rollToYaw, What::RollToYaw}, {pitch, What::Pitch}, {balance, What::CastBalance}};
    for (const auto& [text, what] : typed) {
        if (text.empty()) {
            continue;
        }
        const wl::Result<Band> band = readBand(text, wl::quantityOf(what));
        if (!band) {
            return band.error();
        }
        wish.targets.push_back(
            {what, band->low, band->high, wl::bandOf(design.aim, what).weight, band->relative});
    }
    if (!action.empty()) {
        const auto word = action == "tight"    ? wl::ActionWord::Tight
                          : action == "medium" ? wl::ActionWord::Medium
                                               : wl::ActionWord::Wide;
        const wl::AimBand called = wl::swingCalled(word, design.swim);
        wish.targets.push_back({What::Swing, *called.low, *called.high, called.weight, false});
    }
    const wl::Result<wl::Derived> derived = wl::evaluate(design);
    if (!derived) {
        return derived.error();
    }
    const wl::AimWish own = wl::wishOf(*derived);
    wish.levers = own.levers;
    wish.onlyLevers = true;
    wish.settledOnly = settled || own.settledOnly;
    wish.outlines = outlines || own.outlines;
    if (!like.empty()) {
        const wl::Result<wl::Design> other = wl::loadDesign(like);
        if (!other) {
            return other.error();
        }
        const wl::Result<wl::AimValues> does = wl::aimValuesOf(*other);
        if (!does) {
            return does.error();
        }
        wish.like = *does;
        if (wish.targets.empty()) {
            wish.targets = wl::likeTargets(*does);
        }
    }
    if (wish.targets.empty()) {
        wish.targets = own.targets;
    }
    const auto leverNamed = [&wish](const std::string& name) {
        return std::find_if(wish.levers.begin(), wish.levers.end(), [&](const wl::AimLever& lever) {
            return name == wl::nameOf(lever.kind);
        });
    };
    for (const std::string& text : ranges) {
        const size_t is = text.find('=');
        const auto lever = leverNamed(text.substr(0, is));
        if (is == std::string::npos || lever == wish.levers.end()) {
            return wl::Error{"aim.no_such_lever", "", {text}, {}};
        }
        const bool angle = lever->kind == wl::AimLeverKind::LipAngle;
        const wl::Result<Band> band =
            readBand(text.substr(is + 1), angle ? wl::Quantity::Angle : wl::Quantity::Length);
        if (!band) {
            return band.error();
        }
        if (band->relative || !(band->low < band->high)) {
            return wl::Error{"aim.lever_range", wl::rangePathOf(lever->kind), {}, {}};
        }
        lever->low = band->low;
        lever->high = band->high;
    }
    for (const std::string& name : locked) {
        const auto lever = leverNamed(name);
        if (lever == wish.levers.end()) {
            return wl::Error{"aim.no_such_lever", "", {name}, {}};
        }
        wish.levers.erase(lever);
    }
    return wish;
}
