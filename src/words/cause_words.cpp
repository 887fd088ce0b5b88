#include "words/cause_words.h"

#include <algorithm>
#include <cmath>

#include "session/words.h"

namespace wl {

QString causeName(const CauseRanked& cause, const CauseModel& model, Bench bench) {
    const auto at = std::find_if(model.causes.begin(), model.causes.end(),
                                 [&](const CauseEffect& c) { return c.cause == cause.cause; });
    const Quantity quantity = at == model.causes.end() ? Quantity::Number : at->quantity;
    const QString by = shown(quantity, bench, std::abs(cause.size));
    const bool over = cause.size > 0;
    switch (cause.cause) {
        case Cause::LipTurned:
            return (over ? tr("lip turned with its tip to the right, about %1")
                         : tr("lip turned with its tip to the left, about %1"))
                .arg(by);
        case Cause::LipTwisted:
            return (over ? tr("lip twisted, right edge back and down, about %1")
                         : tr("lip twisted, left edge back and down, about %1"))
                .arg(by);
        case Cause::LipAngle:
            return (over ? tr("lip set steeper, about %1") : tr("lip set flatter, about %1"))
                .arg(by);
        case Cause::LipLength:
            return (over ? tr("lip longer, about %1") : tr("lip shorter or worn, about %1"))
                .arg(by);
        case Cause::TieAside:
            return (over ? tr("tie to the right of the middle, about %1")
                         : tr("tie to the left of the middle, about %1"))
                .arg(by);
        case Cause::TieHeight:
            return (over ? tr("tie higher, about %1") : tr("tie lower, about %1")).arg(by);
        case Cause::LeadAside:
            return (over ? tr("lead to the left of the middle, about %1")
                         : tr("lead to the right of the middle, about %1"))
                .arg(by);
        case Cause::LeadAlong:
            return (over ? tr("lead further aft, about %1") : tr("lead further forward, about %1"))
                .arg(by);
        case Cause::LeadMass:
            return (over ? tr("too much lead, about %1") : tr("too little lead, about %1")).arg(by);
        case Cause::CoatsThick:
            return tr("coats too thick, about %1").arg(by);
        case Cause::StockHeavy:
            return (over ? tr("stock heavier than taken, about %1")
                         : tr("stock lighter than taken, about %1"))
                .arg(by);
        case Cause::Waterlogged:
            return tr("water got in, about %1").arg(by);
        case Cause::HooksHeavy:
            return (over ? tr("hooks heavier than designed, about %1")
                         : tr("hooks lighter than designed, about %1"))
                .arg(by);
    }
    return {};
}

QString causeCure(const CauseRanked& cause) {
    const bool over = cause.size > 0;
    switch (cause.cause) {
        case Cause::LipTurned:
        case Cause::LipTwisted:
            return tr(
                "set the lip anew; till then bend the tie to the side it should go to, a hair "
                "at a time");
        case Cause::LipAngle:
            return tr("set the lip anew at its angle, or take the angle it has into the design");
        case Cause::LipLength:
            return over ? tr("file the tip back, both edges alike") : tr("cut a new lip");
        case Cause::TieAside:
            return over ? tr("bend the tie to the left, a hair at a time")
                        : tr("bend the tie to the right, a hair at a time");
        case Cause::TieHeight:
            return over ? tr("bend the tie down") : tr("bend the tie up");
        case Cause::LeadAside:
            return tr("a grain of lead or putty on the light side, or drill on the heavy one");
        case Cause::LeadAlong:
            return over ? tr("lead or putty under the chin") : tr("lead or putty aft");
        case Cause::LeadMass:
            return over ? tr("drill lead out, or lighter hooks") : tr("add lead, or heavier hooks");
        case Cause::CoatsThick:
            return tr("lighter hooks; sand back before the next coat");
        case Cause::StockHeavy:
            return over ? tr("weigh the body and plan the lead again: less of it")
                        : tr("weigh the body and plan the lead again: more of it");
        case Cause::Waterlogged:
            return tr("dry it for days, find the leak, seal it");
        case Cause::HooksHeavy:
            return over ? tr("hang on the hooks of the design, or lighter ones")
                        : tr("hang on the hooks of the design");
    }
    return {};
}

QString checkWords(const CauseCheck& check) {
    if (check.cause) {
        switch (*check.cause) {
            case Cause::LipTurned:
                return tr("sight along the back: does the lip's middle line lie in the bait's?");
            case Cause::LipTwisted:
                return tr("sight from ahead: do both edges of the lip stand alike?");
            case Cause::LipAngle:
                return tr("lay the angle gauge to the lip");
            case Cause::LipLength:
                return tr("measure the lip from the skin to its tip");
            case Cause::TieAside:
                return tr("sight from ahead: does the tie stand in the middle?");
            case Cause::TieHeight:
                return tr("measure where the tie stands");
            case Cause::HooksHeavy:
                return tr("weigh the hooks");
            default:
                return {};
        }
    }
    if (check.axis) {
        switch (*check.axis) {
            case SymptomAxis::MassOver:
                return tr("weigh it dry");
            case SymptomAxis::MassGained:
                return tr("weigh it, half an hour under water, weigh it again");
            case SymptomAxis::Lean:
                return tr("let it go in a tub: does it lean?");
            case SymptomAxis::Nose:
                return tr("let it go in a tub: how does its nose lie?");
            case SymptomAxis::Spare:
                return tr("let it go in a tub: how high does it ride?");
            case SymptomAxis::RunsAside:
                return tr("swim it straight towards you: does it run aside?");
            case SymptomAxis::Depth:
                return tr("run it over a bottom of known depth");
            case SymptomAxis::Beats:
                return tr("count its beats on a slow film");
            default:
                return {};
        }
    }
    return {};
}

QString chanceWords(double chance) {
    const double said = std::min(chance, 0.8);
    const QString percent = tr("%1 %").arg(std::lround(100 * said));
    return chance >= 0.8   ? tr("likely")
           : chance >= 0.3 ? tr("perhaps, %1").arg(percent)
           : chance >= 0.1 ? tr("possible, %1").arg(percent)
                           : tr("hardly, %1").arg(percent);
}

}  // namespace wl
