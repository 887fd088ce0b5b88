#include "core/aim/aimed_bait.h"

#include "core/reckon/evaluate.h"

namespace wl {

bool swimCanBeWished(StartKind kind) {
    return kind != StartKind::Glider && kind != StartKind::JointedSwimmer;
}

Result<AimedBait> makeAimedBait(const NewBaitWish& wish, const AimBand& beats, const AimBand& swing,
                                std::stop_token stop, const Told& told) {
    constexpr double kMade = 0.4;  // of the work
    const bool aims = beats.asked(false) || swing.asked(false);
    const auto tell = [&told](double share) {
        if (told) {
            told(share);
        }
    };
    Result<NewBait> made =
        makeNewBait(wish, stop, [&](double share) { tell(aims ? kMade * share : share); });
    if (!made) {
        return made.error();
    }
    AimedBait out;
    out.bait = std::move(made).value();
    if (!aims) {
        return out;
    }
    AimNotes& notes = out.bait.design.aim;
    notes.beats = beats;
    notes.swing = swing;
    if (depthCanBeWished(wish.kind, wish.brief.wantedState)) {
        const double depth = out.bait.design.brief.wantedDepth_m;
        notes.depth.low = (1 - kWantedBand) * depth;
        notes.depth.high = (1 + kWantedBand) * depth;
    }
    Result<Derived> derived = evaluate(out.bait.design, out.bait.derived.get());
    if (!derived) {
        return derived.error();
    }
    out.bait.derived = std::make_shared<const Derived>(std::move(derived).value());
    AimWish sought = wishOf(*out.bait.derived);
    sought.bestOnly = true;
    Result<AimAnswer> answer = aim(out.bait.design, sought, out.bait.derived->model, stop, {},
                                   [&](double share) { tell(kMade + (1 - kMade) * share); });
    if (stop.stop_requested()) {
        return Error{"plan.stopped", "", {}, {}};
    }
    if (!answer) {
        out.met = false;  // the Aim step says why
        return out;
    }
    const AimWay& way = answer->ways.front();
    NewBait aimed;
    aimed.design = way.design;
    Result<Derived> there = evaluate(aimed.design, out.bait.derived.get());
    if (!there) {
        return there.error();
    }
    aimed.derived = std::make_shared<const Derived>(std::move(there).value());
    aimed.run = computeRun(*aimed.derived, stop);
    aimed.against = warningsOf(aimed.design, *aimed.derived, &aimed.run);
    const bool sound =
        way.fault == AimTrial::Fault::None && aimed.against.size() <= out.bait.against.size();
    out.met = sound && way.met;
    if (sound) {
        out.bait = std::move(aimed);
    }
    tell(1);
    return out;
}

}  // namespace wl
