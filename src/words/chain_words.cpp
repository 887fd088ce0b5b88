#include "words/chain_words.h"

#include <QLocale>
#include <cmath>

#include "session/sentence_text.h"
#include "session/words.h"

namespace wl {
namespace {

QString angle(double rad) {
    return tr("%1°").arg(std::lround(rad / kDegree));
}

QString range(const QString& low, const QString& high) {
    return low == high ? low : tr("%1 to %2").arg(low, high);
}

QString anglesOf(const Spread& s) {
    return range(angle(s.low), angle(s.high));
}

// Two digits: no more of such a motion is sure.
QString roughly(Bench bench, double metres, Quantity as = Quantity::Distance) {
    if (metres <= 0) {
        return shown(as, bench, 0);
    }
    const double step = std::pow(10.0, std::floor(std::log10(metres)) - 1);
    return shown(as, bench, std::round(metres / step) * step);
}

QString roughly(Bench bench, const Spread& s, Quantity as = Quantity::Distance) {
    return range(roughly(bench, s.low, as), roughly(bench, s.high, as));
}

QString beatRange(const Spread& s) {
    return range(QLocale().toString(s.low, 'f', 1), QLocale().toString(s.high, 'f', 1));
}

QString jointName(const ChainBait& chain, size_t j, const Design& design) {
    const size_t of = chain.jointOf[j];
    return of == ChainBait::kSoftTail    ? tr("of the soft tail")
           : of == ChainBait::kHingedFin ? tr("of the tail fin")
                                         : QString::fromStdString(design.joints[of].name);
}

// Of two pieces and what hangs behind them.
QString pieceName(const ChainBait& chain, size_t piece) {
    if (piece == 0) {
        return tr("Head");
    }
    const size_t behind = chain.jointOf[piece - 1];
    return behind == ChainBait::kSoftTail    ? tr("Soft tail")
           : behind == ChainBait::kHingedFin ? tr("Tail fin")
                                             : tr("Tail");
}

QStringList chainFlags(const ChainBait& chain, const Design& design) {
    QStringList said;
    for (const size_t j : chain.onePiece) {
        said << tr("Joint %1 opens less than 3°: one piece.")
                    .arg(QString::fromStdString(design.joints[j].name));
    }
    for (const size_t j : chain.openWide) {
        said << tr("Joint %1 has no stop within 60°: run as if it had one there.")
                    .arg(QString::fromStdString(design.joints[j].name));
    }
    if (!chain.unlevel.empty()) {
        said << tr(
            "▲ A piece rises or sinks by more than a twentieth of the water it displaces: it "
            "leaves the level, and the picture from above is a poor one.");
    }
    if (chain.softTailHolds > 0) {
        said << (chain.softTailHolds < 0.3
                     ? tr("The soft tail is limp at this speed: a free hinge.")
                     : tr("The soft tail bends on its root as on a spring. Faster it goes limp, "
                          "slower it stands stiff; a kick of its own wake is not in it."));
    }
    return said;
}

QString leverWords(double lever_m, Bench bench) {
    const QString by = shown(Quantity::Length, bench, std::abs(lever_m));
    return lever_m >= 0
               ? tr("Its weight sits %1 ahead of the middle of its side: the further ahead, the "
                    "straighter it goes.")
                     .arg(by)
               : tr("Its weight sits %1 behind the middle of its side: it turns readily.").arg(by);
}

QString walkWords(GlideVerdict verdict) {
    switch (verdict) {
        case GlideVerdict::Straight:
            return tr("Runs straight: it does not walk.");
        case GlideVerdict::Arcs:
            return tr("Turns at a pull, mostly to one side.");
        case GlideVerdict::Walks:
            return tr("Walks from side to side.");
        case GlideVerdict::TurnsRound:
            return tr("Turns round on itself at every pull.");
        case GlideVerdict::Stuck:
            return tr("Turns once and stands: too little tail to glide on by.");
        case GlideVerdict::CannotTell:
            break;
    }
    return tr("Cannot be told: it hangs on how much of the water's motion is lost at the joint.");
}

}  // namespace

QString verdictWord(GlideVerdict verdict) {
    switch (verdict) {
        case GlideVerdict::Straight:
            return tr("straight");
        case GlideVerdict::Arcs:
            return tr("to one side");
        case GlideVerdict::Walks:
            return tr("walks");
        case GlideVerdict::TurnsRound:
            return tr("turns round");
        case GlideVerdict::Stuck:
            return tr("stands");
        case GlideVerdict::CannotTell:
            break;
    }
    return tr("cannot tell");
}

QStringList glideWords(const Glide& glide, const Design& design, Bench bench) {
    if (glide.untold) {
        return {sentence(*glide.untold, bench)};
    }
    QStringList said{walkWords(glide.verdict)};
    const RodPull& pull = glide.pulls.front();
    said << (glide.ownCadence
                 ? tr("%n pull(s) by the cadence of the brief, on %1 of line.", nullptr,
                      int(glide.walk.pulls.size()))
                       .arg(shown(Quantity::Distance, bench, design.brief.castLength_m))
                 : tr("Eight pulls of %1 in %2, one every %3.")
                       .arg(shown(Quantity::Distance, bench, pull.stroke_m),
                            shown(Quantity::Time, bench, pull.time_s),
                            shown(Quantity::Time, bench, pull.period_s)));
    said << tr("Turns %1 a pull; goes %2 wide in all and %3 towards the rod.")
                .arg(anglesOf(glide.turn_rad), roughly(bench, glide.width_m),
                     roughly(bench, glide.way_m));
    if (glide.radius_m) {
        said << tr("Bends about %1 round.").arg(roughly(bench, *glide.radius_m));
    }
    for (size_t i = 0; i < glide.walk.pieces.size() && glide.walk.pieces.size() > 1; ++i) {
        const PieceWalk& piece = glide.walk.pieces[i];
        said << tr("%1 turns %2 a pull and goes %3 askew of its way.")
                    .arg(pieceName(glide.chain, i), angle(piece.turn_rad), angle(piece.slip_rad));
    }
    for (size_t j = 0; j < glide.chain.bait.joints.size(); ++j) {
        int touched = 0;
        for (const PullResult& p : glide.walk.pulls) {
            touched += p.touched[j] ? 1 : 0;
        }
        said << (touched > 0 ? tr("Joint %1 comes to its stop in %2 of %n pull(s).", nullptr,
                                  int(glide.walk.pulls.size()))
                                   .arg(jointName(glide.chain, j, design))
                                   .arg(touched)
                             : tr("Joint %1 never comes to its stop.")
                                   .arg(jointName(glide.chain, j, design)));
    }
    said << tr("Let go at %1 it coasts %2 in %3.")
                .arg(shown(Quantity::Speed, bench, 1.0), roughly(bench, glide.coast.way_m),
                     shown(Quantity::Time, bench, glide.coast.time_s));
    said << leverWords(glide.lever_m, bench);
    said << chainFlags(glide.chain, design);
    said << tr("Of two baits alike the difference is worth more than a figure: none was measured.");
    return said;
}

QStringList snakeWords(const Snake& snake, const Design& design, Bench bench,
                       const std::optional<double>& beatsByLog) {
    if (snake.untold) {
        return {sentence(*snake.untold, bench)};
    }
    QStringList said;
    const QString count = tr("%1 of %n run(s)", nullptr, snake.of).arg(snake.swims);
    said << (snake.verdict == SnakeVerdict::WillSwim ? tr("Will swim in an S: %1 do.").arg(count)
             : snake.verdict == SnakeVerdict::WillNot
                 ? tr("Will not swim in an S: %1 do.").arg(count)
                 : tr("Cannot be told whether it swims in an S: %1 do.").arg(count));
    if (snake.mayStartFolded) {
        said << tr("May start folded: flick it.");
    }
    if (snake.spins) {
        said << tr("▲ In a run it turns right round.");
    }
    if (snake.swims > 0) {
        said << tr("At %1 it beats %2 times a second, the more the faster it is drawn.")
                    .arg(shown(Quantity::Speed, bench, snake.speed_m_s),
                         beatRange(snake.beats_1_s));
        const auto half = [&](const Spread& s) { return roughly(bench, s, Quantity::Length); };
        said << tr("Nose goes %1 to each side, middle %2, tail %3.")
                    .arg(half(snake.path_m.front()), half(snake.path_m[snake.path_m.size() / 2]),
                         half(snake.path_m.back()));
        for (size_t j = 0; j < snake.jointSwing_rad.size(); ++j) {
            const double open = snake.chain.bait.joints[j].opening_rad;
            said << (snake.jointStops[j]
                         ? tr("Joint %1 bends to its stop at %2.")
                               .arg(jointName(snake.chain, j, design), angle(open))
                         : tr("Joint %1 bends %2 of its %3: its stop is never met.")
                               .arg(jointName(snake.chain, j, design),
                                    anglesOf(snake.jointSwing_rad[j]), angle(open)));
        }
    }
    if (beatsByLog && snake.swims > 0) {
        said << tr("Beats times %1 by your log.").arg(QLocale().toString(*beatsByLog, 'f', 2));
    } else if (snake.filmRefused) {
        said << tr(
            "▲ The beats on your film are too far from those told: another speed, bait or "
            "count? They are not used.");
    } else if (snake.filmed) {
        said << tr("Beats by your film.");
    }
    if (design.swim.filmFrames && design.swim.seenYaw_rad) {
        said << tr("The swing you saw is not used for a bait in pieces.");
    }
    said << chainFlags(snake.chain, design);
    said << tr("Not in it: roll, depth, and what the line's pull up does.");
    return said;
}

QStringList trialWords(const ChainTrial& trial, const Design& design, Bench bench) {
    const QString name = QString::fromStdString(design.joints[trial.joint].name);
    QString what;
    switch (trial.what) {
        case ChainTrial::What::AsDrawn:
            what = tr("as drawn");
            break;
        case ChainTrial::What::Opening:
            what = tr("%1 opens %2").arg(name, angle(trial.value));
            break;
        case ChainTrial::What::Place:
            what = tr("%1 at %2").arg(name, shown(Quantity::Length, bench, trial.value));
            break;
        case ChainTrial::What::Held:
            what = tr("%1 held fast").arg(name);
            break;
    }
    if (trial.untold) {
        return {what, tr("not told"), QStringLiteral("–")};
    }
    if (trial.of > 0) {
        return {what, tr("%1 of %n run(s)", nullptr, trial.of).arg(trial.swims),
                trial.swims > 0 ? tr("%1 beats a second").arg(beatRange(trial.beats_1_s))
                                : QStringLiteral("–")};
    }
    return {what, verdictWord(trial.verdict),
            tr("turns %1, %2 wide").arg(angle(trial.turn_rad), roughly(bench, trial.width_m))};
}

QString piecesOverSpeed(SwimKind kind) {
    return kind == SwimKind::Snake
               ? tr("Its beats go with the speed, its path stays as it is: a joint without rub or "
                    "spring has no least speed. What is under Motion holds at the speed of the "
                    "brief; at twice the speed it beats twice as often.")
               : tr("A walked bait is not drawn at a steady speed: see Motion, and the cadence of "
                    "the run.");
}

}  // namespace wl
