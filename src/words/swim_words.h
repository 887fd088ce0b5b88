// A swim in the words of the trade.
#pragma once

#include <QStringList>

#include "core/base/quantity.h"
#include "core/swim/mean_forces.h"
#include "core/swim/symptoms.h"

namespace wl {

/// "quick, tight to medium, rolling": by the maker's limits, both words where the band straddles
/// one.
QString actionWords(const Swim& swim, const SwimNotes& limits);

/// What of a swim the log's readings set.
struct SetByLog {
    std::optional<double> beats;  ///< times what is reckoned
    bool swing = false;
};

/// What it does, in lines: action, beats, swing, still point, tuning, flags; or why it is not told.
/// `rolledOver_s`: when the full motion rolled over. `byLog`: which of beats and
/// swing the log's readings set, and not a film of the design.
QStringList swimWords(const Swim& swim, const SwimNotes& limits,
                      const std::optional<double>& rolledOver_s, Bench bench,
                      const SetByLog& byLog = {});

/// Where it wakes, where it hunts, and how often of nine it rolls over.
QStringList overSpeedWords(const SwimSweep& sweep, const Swim& swim,
                           const std::optional<RollOvers>& rolled, Bench bench);

/// What the swing does to attitude, pull and depth, beside the still bait.
QStringList meanForceWords(const MeanForces& mean, Bench bench);

/// What is wrong, what may be behind it and what would mend it, in lines.
QStringList diagnosisWords(const Diagnosis& diagnosis, Bench bench);

/// Beats counted on a film, with a warning where the film is too slow to tell them.
QString filmWords(double beats_1_s, double frames_1_s);

}  // namespace wl
