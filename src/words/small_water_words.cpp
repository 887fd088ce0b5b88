#include "words/small_water_words.h"

#include <QLocale>
#include <cmath>

#include "session/sentence_text.h"
#include "session/words.h"

namespace wl {
namespace {

QString wholeDegrees(double angle_rad) {
    return tr("%1°").arg(std::lround(angle_rad / kDegree));
}

QString swimAs(const Swim& swim) {
    return tr("%1 beats a second, %2 of swing to either side")
        .arg(QLocale().toString(swim.beats_1_s.middle, 'f', 1),
             wholeDegrees(swim.swing_rad.middle));
}

}  // namespace

QStringList bathWords(const BathPull& pull, Bench bench) {
    constexpr double kAlike = 3 * kDegree;
    const auto told = [](const Swim& s) { return !s.untold && s.beats_1_s.middle > 0; };
    QStringList lines;
    const QString fishedLine = wholeDegrees(pull.fished.lineAngle_rad);
    lines << tr("On the water the line rises from it at %1, and it runs level, %2.")
                 .arg(fishedLine, noseWords(pull.fished.pitch_rad, bench));
    const QString held = wholeDegrees(pull.held.lineAngle_rad);
    const QString metre = shown(Quantity::Distance, bench, 1.0);
    const QString over =
        shown(Quantity::Length, bench, std::round(100 * std::abs(pull.climbOver_m(1.0))) / 100);
    if (std::abs(pull.climb_rad) < kAlike) {
        lines << tr("Held at %1 it runs as good as level too.").arg(held);
    } else if (pull.climb_rad > 0) {
        lines << tr("Held at %1 it climbs at %2, %3: over %4 of bath it comes up by %5.")
                     .arg(held, wholeDegrees(pull.climb_rad), noseWords(pull.held.pitch_rad, bench),
                          metre, over);
    } else {
        lines << tr("Held at %1 it dives at %2, %3: over %4 of bath it goes down by %5.")
                     .arg(held, wholeDegrees(-pull.climb_rad),
                          noseWords(pull.held.pitch_rad, bench), metre, over);
    }
    if (told(pull.heldSwim) && told(pull.fishedSwim)) {
        lines << tr("There: %1. On the water: %2.")
                     .arg(swimAs(pull.heldSwim), swimAs(pull.fishedSwim));
    } else if (pull.fishedSwim.untold) {
        lines << sentence(*pull.fishedSwim.untold, bench);
    }
    if (std::abs(pull.climb_rad) < kAlike) {
        lines << tr("What is seen there counts.");
        return lines;
    }
    lines << tr("Judge there whether it kicks and to which side it leans, not how wide it swings "
                "or how deep it would run.")
          << (pull.climb_rad > 0 ? tr("Lower the hand, or give more line, to come nearer.")
                                 : tr("Raise the hand, or give less line, to come nearer."));
    return lines;
}

QStringList tankWords(const TankSwim& tank, double seenBeats, Bench bench) {
    constexpr double kNarrow = 0.7;
    const auto speed = [bench](double v) { return shown(Quantity::Speed, bench, v); };
    const StreamThere& s = tank.stream;
    QStringList lines;
    lines << tr("The stream leaves at %1; over its lip there is about %2, over its body %3, "
                "give or take a quarter.")
                 .arg(speed(s.outlet_m_s), speed(s.overLip_m_s), speed(s.overBody_m_s));
    if (tank.told.untold) {
        lines << sentence(*tank.told.untold, bench);
    } else if (const auto why = whyNoAction(tank.told)) {
        lines << sentence(*why, bench);
    } else {
        lines << tr("In it: %1.").arg(swimAs(tank.told));
    }
    if (tank.byBeats_m_s) {
        lines << tr("The %1 beats a second counted there belong to %2 over the lip.")
                     .arg(QLocale().toString(seenBeats, 'f', 1), speed(*tank.byBeats_m_s));
    }
    if (s.overBody_m_s < kNarrow * s.overLip_m_s) {
        lines << tr("The lip catches more of it than the body: the stream is narrow, %1 across. "
                    "Hang it farther off, or take a wider outlet.")
                     .arg(shown(Quantity::Length, bench, s.across_m));
    }
    lines << tr(
        "It shows that it kicks, and how quick for its speed. No reading is taken from "
        "it: what flows back along the walls is not known.");
    return lines;
}

}  // namespace wl
