// Symptoms, suspects and remedies, and the means of a swing, in words.
#include <QLocale>
#include <cmath>

#include "session/sentence_text.h"
#include "session/words.h"
#include "words/swim_words.h"

namespace wl {
namespace {

QString side(bool right) {
    return right ? tr("right") : tr("left");
}

QString suspectWords(const Suspect& s, Bench bench) {
    const bool angle = s.fault == FaultRun::Fault::LipTwist || s.fault == FaultRun::Fault::LipTurn;
    const QString size = shown(angle ? Quantity::Angle : Quantity::Thickness, bench, s.size);
    const QString where = side(s.toRight), share = tr("%1 %").arg(std::lround(100 * s.share));
    switch (s.fault) {
        case FaultRun::Fault::Tie:
            return tr("%1: tie bent to the %2 (by %3). Sight it from ahead; bend it the other way.")
                .arg(share, where, size);
        case FaultRun::Fault::LipTwist:
            return tr("%1: lip twisted, its %2 edge back (by %3). Sight its edge against the back.")
                .arg(share, where, size);
        case FaultRun::Fault::LipTurn:
            return tr("%1: lip turned, its tip to the %2 (by %3). Sight it from above.")
                .arg(share, where, size);
        case FaultRun::Fault::LipRoot:
            return tr("%1: lip set to the %2 (by %3). Measure it from both sides.")
                .arg(share, where, size);
        case FaultRun::Fault::Lead:
            return tr("%1: lead to the %2 (by %3). Float it in a bowl: it leans that way.")
                .arg(share, where, size);
    }
    return {};
}

QString remedyWords(const Remedy& r, Bench bench) {
    const QString length = shown(Quantity::Length, bench, r.step),
                  angle = shown(Quantity::Angle, bench, r.step),
                  share = tr("%1 %").arg(std::lround(100 * r.step));
    switch (r.what) {
        case Remedy::What::WeightLower:
            return tr("weight %1 lower").arg(length);
        case Remedy::What::TieUp:
            return tr("tie %1 up").arg(length);
        case Remedy::What::TieDown:
            return tr("tie %1 down").arg(length);
        case Remedy::What::TieForward:
            return tr("tie %1 forward").arg(length);
        case Remedy::What::LipSteeper:
            return tr("lip %1 steeper").arg(angle);
        case Remedy::What::LipFlatter:
            return tr("lip %1 flatter").arg(angle);
        case Remedy::What::LipWider:
            return tr("lip %1 wider").arg(share);
        case Remedy::What::LipNarrower:
            return tr("lip %1 narrower").arg(share);
        case Remedy::What::LipShorter:
            return tr("lip %1 shorter").arg(share);
        case Remedy::What::Slower:
            return tr("reeled %1 slower").arg(share);
    }
    return {};
}

QString figureText(Symptom symptom, double value) {
    switch (symptom) {
        case Symptom::BuriesHead:
        case Symptom::TailHeavy:
            return value < 0 ? tr("nose down %1°").arg(std::lround(-value / kDegree))
                             : tr("nose up %1°").arg(std::lround(value / kDegree));
        case Symptom::Dead:
            return tr("swings %1°").arg(QLocale().toString(value / kDegree, 'f', 1));
        case Symptom::RollsOver: {
            const double milli = 1000 * value;
            return value > 0 ? tr("turned over by %1 mN m a radian")
                                   .arg(QLocale().toString(milli, 'f', 1))
                             : tr("held upright by %1 mN m a radian")
                                   .arg(QLocale().toString(-milli, 'f', 1));
        }
        default:
            return value > 0 ? tr("a slow swing grows by %1 a second")
                                   .arg(QLocale().toString(value, 'f', 1))
                             : tr("a slow swing dies by %1 a second")
                                   .arg(QLocale().toString(-value, 'f', 1));
    }
}

QString expectedWords(const Diagnosis& d) {
    const QString figure = figureText(d.symptom, d.figure);
    switch (d.symptom) {
        case Symptom::RollsOver:
            return d.expected
                       ? tr("As drawn too, pulled hard: weight and line together have it %1.")
                             .arg(figure)
                       : tr("Not as drawn: pulled hard, weight and line have it %1. Look for lead "
                            "too high, water in the body, or a twisted lip.")
                             .arg(figure);
        case Symptom::BuriesHead:
            return d.expected ? tr("As drawn too: under way it goes %1.").arg(figure)
                              : tr("Not as drawn (%1). Look for weight too far ahead.").arg(figure);
        case Symptom::TailHeavy:
            return d.expected
                       ? tr("As drawn too: under way %1, at rest %2.")
                             .arg(figure, figureText(d.symptom, d.restPitch_rad))
                       : tr("Not as drawn (%1). Float it: does it lie as told? Look for water in "
                            "the tail, or a heavier hook.")
                             .arg(figure);
        case Symptom::Dead:
            return d.expected
                       ? tr("As drawn too: it %1 to each side.").arg(figure)
                       : tr("Not as drawn (%1 to each side). Look for the knot: a loop lets it "
                            "swing, a tight knot holds it; a heavier leader, weed.")
                             .arg(figure);
        default:
            return d.expected ? tr("As drawn too: %1.").arg(figure)
                              : tr("Not as drawn: %1. Look at two speeds.").arg(figure);
    }
}

}  // namespace

QStringList diagnosisWords(const Diagnosis& d, Bench bench) {
    if (d.untold) {
        return {sentence(*d.untold, bench)};
    }
    QStringList said;
    if (d.symptom == Symptom::RunsLeft || d.symptom == Symptom::RunsRight) {
        if (d.leanSeen_rad) {
            const QString by = tr("%1°").arg(std::lround(std::abs(*d.leanSeen_rad) / kDegree));
            said << (!d.leadExcluded ? tr("By the tank log it leans %1 more than drawn: lead is "
                                          "looked for as far off the middle as that shows.")
                                           .arg(by)
                                     : tr("By the tank log it leans %1 more than drawn: the lead "
                                          "does not do this.")
                                           .arg(by));
        }
        if (d.suspects.empty()) {
            return said << tr("Nothing of this bait that is looked at does so.");
        }
        said << tr("Likeliest first, each at a usual tolerance:");
        for (const Suspect& s : d.suspects) {
            said << suspectWords(s, bench);
        }
        if (!d.sidesKnown) {
            said << tr("▲ For this bait the sides are likely, no more.");
        }
        return said;
    }
    said << expectedWords(d);
    constexpr size_t kMost = 4;
    for (size_t i = 0; i < std::min(kMost, d.remedies.size()); ++i) {
        said << tr("%1: then %2.")
                    .arg(remedyWords(d.remedies[i], bench),
                         figureText(d.symptom, d.remedies[i].after));
    }
    if (d.remedies.empty()) {
        said << tr("None of the usual changes moves that figure the right way.");
    }
    return said;
}

QStringList meanForceWords(const MeanForces& m, Bench bench) {
    const auto force = [&](double value) { return shown(Quantity::Force, bench, value); };
    if (!m.swinging) {
        return {tr("Swinging, no steady attitude is found near that of the run.")};
    }
    const auto depth = [&](const HeldLevel& h) {
        return h.depth_m ? shown(Quantity::Distance, bench, *h.depth_m) : tr("no depth");
    };
    const auto nose = [](const HeldLevel& h) {
        return figureText(Symptom::TailHeavy, h.pitch_rad);
    };
    return {
        tr("Swinging it would run %1 (still %2), pull %3 (%4), and with the whole cast out hold "
           "%5 (%6). The depth told everywhere is the still bait's.")
            .arg(nose(*m.swinging), nose(m.still), force(m.swinging->pull_N), force(m.still.pull_N),
                 depth(*m.swinging), depth(m.still))};
}

}  // namespace wl
