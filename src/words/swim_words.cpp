#include "words/swim_words.h"

#include <cmath>

#include "session/sentence_text.h"
#include "session/words.h"

namespace wl {
namespace {

QString degrees(double rad) {
    return tr("%1°").arg(std::lround(rad / kDegree));
}

QString beats(double value) {
    return QLocale().toString(value, 'f', 1);
}

QString degreesOf(const Spread& s) {
    return tr("%1 (%2 to %3)").arg(degrees(s.middle), degrees(s.low), degrees(s.high));
}

QString swingWord(double rad, const SwimNotes& limits) {
    return rad < limits.tightFrom_rad    ? tr("dead")
           : rad < limits.mediumFrom_rad ? tr("tight")
           : rad < limits.wideFrom_rad   ? tr("medium")
                                         : tr("wide");
}

QString beatWord(double value, const SwimNotes& limits) {
    return value < limits.slowBelow_1_s   ? tr("slow")
           : value < limits.quickFrom_1_s ? tr("medium quick")
                                          : tr("quick");
}

QString span(const QString& low, const QString& high) {
    return low == high ? low : tr("%1 to %2").arg(low, high);
}

QStringList flagWords(const SwimFlags& flags) {
    QStringList said;
    if (flags.rollUnsettled) {
        said << tr(
            "▲ Roll under tow not settled: in the model the line's pull on this tie, under "
            "the axis, turns the bait over. Baits tied so do swim: it is shown with that "
            "pull's couple held at nothing, and says nothing of blowing out.");
    }
    if (flags.liesOver) {
        said << tr("▲ Lies over at rest: take its figures as no promise.");
    }
    if (flags.round) {
        said << tr("▲ Nearly round over its middle: how it rolls is poorly known.");
    }
    if (flags.disagree) {
        said << tr("▲ Wake and body do not agree: beats sure to 40 %, swing to a factor of 3.");
    }
    if (flags.twoRhythms) {
        said << tr("▲ Two rhythms are possible: it may change from one to the other.");
    }
    if (flags.flatLip) {
        said << tr("▲ The lip lies flat to the water: its swing is told to a factor of 3.");
    }
    if (flags.tooQuick) {
        said << tr("▲ Beyond any retrieve.");
    }
    if (flags.jointed) {
        said << tr("Reckoned as one stiff piece: what the tail swings more is not in it.");
    }
    return said;
}

QString tuningWords(const Swim& swim) {
    constexpr double kNear = 0.25;
    const QString ratio = QLocale().toString(swim.tuning, 'f', 2);
    if (std::abs(swim.tuning - 1) < kNear) {
        return tr("By itself it would beat at %1 of the wake's rate: close, so it swings wide for "
                  "its wake.")
            .arg(ratio);
    }
    return swim.tuning > 1
               ? tr("By itself it would beat at %1 times the wake's rate: stiffer than the wake.")
                     .arg(ratio)
               : tr("By itself it would beat at %1 of the wake's rate: driven faster than it "
                    "would go.")
                     .arg(ratio);
}

}  // namespace

QString actionWords(const Swim& swim, const SwimNotes& limits) {
    constexpr double kRolling = 1.5, kWobbling = 0.67;
    const QString kind = swim.rollToYaw > kRolling    ? tr("rolling")
                         : swim.rollToYaw < kWobbling ? tr("wobbling")
                                                      : tr("rolling as much as wobbling");
    return tr("%1, %2, %3")
        .arg(span(beatWord(swim.beats_1_s.low, limits), beatWord(swim.beats_1_s.high, limits)),
             span(swingWord(swim.swing_rad.low, limits), swingWord(swim.swing_rad.high, limits)),
             kind);
}

QStringList swimWords(const Swim& swim, const SwimNotes& limits,
                      const std::optional<double>& rolledOver, Bench bench, const SetByLog& byLog) {
    if (swim.untold) {
        return {sentence(*swim.untold, bench)};
    }
    QStringList said;
    if (const auto why = whyNoAction(swim)) {
        said << sentence(*why, bench);
    }
    if (swim.sheds) {
        if (said.isEmpty()) {
            said << tr("At %1: %2.")
                        .arg(shown(Quantity::Speed, bench, swim.speed_m_s),
                             actionWords(swim, limits));
        }
        said << tr("%1 full beats a second (%2 to %3).")
                    .arg(beats(swim.beats_1_s.middle), beats(swim.beats_1_s.low),
                         beats(swim.beats_1_s.high));
        said << tr("Swings to each side: nose %1, roll %2.")
                    .arg(degreesOf(swim.yaw_rad), degreesOf(swim.roll_rad));
        said << tr("Nose goes %1 to each side, tail %2; still %3 from the nose.")
                    .arg(shown(Quantity::Length, bench, swim.nosePath_m),
                         shown(Quantity::Length, bench, swim.tailPath_m),
                         shown(Quantity::Length, bench, swim.stillPoint_m));
        said << tuningWords(swim);
    }
    if (rolledOver && !swim.flags.rollUnsettled) {
        said << tr("▲ In the full motion it rolls over after %1.")
                    .arg(shown(Quantity::Time, bench, *rolledOver));
    }
    said << flagWords(swim.flags);
    if (rolledOver && swim.flags.rollUnsettled) {
        said << tr("▲ Followed in time the water's own couple of roll and yaw rolls it over even "
                   "so, "
                   "after %1: the picture is of the steady swing.")
                    .arg(shown(Quantity::Time, bench, *rolledOver));
    }
    if (swim.film.beatsRefused) {
        said << tr(
            "▲ The beats on your film are too far from those told: another speed, bait or "
            "count? They are not used.");
    }
    if (swim.film.beats != 1.0) {
        said << (byLog.beats ? tr("Beats times %1 by your log.")
                             : tr("Beats times %1 by your film."))
                    .arg(QLocale().toString(byLog.beats.value_or(swim.film.beats), 'f', 2));
    }
    if (swim.bowl && swim.bowl->refused) {
        said << tr(
            "▲ The rolls timed in the bowl are too far from those told: another bait or "
            "count? They are not used.");
    } else if (swim.bowl) {
        said << tr("Rolls %1 a second in your bowl, told %2: its weight is taken as %3 %4.")
                    .arg(beats(swim.bowl->seen_1_s), beats(swim.bowl->told_1_s),
                         shown(Quantity::Length, bench, std::abs(swim.bowl->lower_m)),
                         swim.bowl->lower_m >= 0 ? tr("lower") : tr("higher"));
    }
    if (swim.film.forceRefused) {
        said << tr("▲ No wake gives the swing you saw: it is not used.");
    } else if (swim.film.force != 1.0) {
        said << (byLog.swing ? tr("Wake's force times %1 by the swings of your log.")
                             : tr("Wake's force times %1 by the swing you saw."))
                    .arg(QLocale().toString(swim.film.force, 'f', 2));
    }
    return said;
}

QStringList overSpeedWords(const SwimSweep& sweep, const Swim& swim,
                           const std::optional<RollOvers>& rolled, Bench bench) {
    const auto speed = [&](double value) { return shown(Quantity::Speed, bench, value); };
    if (swim.untold) {
        return {sentence(*swim.untold, bench)};
    }
    QStringList said;
    said << (sweep.wakesAt_m_s ? tr("Wakes at about %1.").arg(speed(*sweep.wakesAt_m_s))
                               : tr("Swings by less than 3° at every speed looked at."));
    if (swim.flags.rollUnsettled) {
        said << tr("Where it hunts or rolls over is not told: roll under tow is not settled.");
        return said;
    }
    said << (!sweep.notBefore_m_s
                 ? tr("Does not hunt at any speed looked at, nose or weight a little off.")
             : sweep.huntsAbove_m_s
                 ? tr("Hunts not before %1, likely near %2.")
                       .arg(speed(*sweep.notBefore_m_s), speed(*sweep.huntsAbove_m_s))
                 : tr("Hunts not before %1, likely not at all.").arg(speed(*sweep.notBefore_m_s)));
    if (rolled && rolled->of > 0) {
        said << tr("At %1 it rolls over in %2 of %n run(s), nose and weight a little off each way.",
                   nullptr, int(rolled->of))
                    .arg(speed(swim.speed_m_s))
                    .arg(rolled->rolled);
    }
    said << tr("Which of two variants hunts first is surer than the speed.");
    return said;
}

QString filmWords(double beats_1_s, double frames_1_s) {
    const QString said = tr("%1 full beats a second").arg(beats(beats_1_s));
    return frames_1_s < 12 * beats_1_s
               ? tr("%1. ▲ Too few frames a beat to be sure of the count: film at 120 a second or "
                    "more.")
                     .arg(said)
               : said;
}

}  // namespace wl
