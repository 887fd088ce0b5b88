// What a log teaches of the bait in hand, figure by figure.
#pragma once

#include <stop_token>

#include "core/aim/wish.h"
#include "core/forecast/foretell.h"
#include "core/learn/log_fits.h"

namespace wl {

/// One measured kind of note, as it would be read next.
struct LearntFigure {
    NoteKind kind = NoteKind::Depth;
    double reckoned = 0.0;  ///< without a factor, on the outing that is set
    double usual = 0.0;     ///< the same at the bait's own settings
    std::optional<Learnt> learnt;
    FactorOf whose;   ///< the factor is, by the numbers of the log's readings
    FactorTold told;  ///< the book where nothing is learnt
    std::vector<Error> said;
    std::vector<ReadingWorth> worth;
    OddNotes odd;  ///< what of it the fits know by now
    double low() const { return std::min(reckoned * told.next.low, reckoned * told.next.high); }
    double high() const { return std::max(reckoned * told.next.low, reckoned * told.next.high); }
    double middle() const { return reckoned * told.next.middle; }
};

/// Whose figures: a copy of a bait of that name, on an outing of the log (0: on none).
struct LogPlace {
    std::string bait;
    std::int64_t copy = 1;
    std::int64_t outing = 0;
};

/// Every figure told by `there` (at the outing's settings), with what the log's readings of the
/// bait and its kin make of it; `usual`: of the bait at its own settings. None when stopped.
std::vector<LearntFigure> learntFigures(const RawForecast& there, const RawForecast& usual,
                                        LogFits& fits, const LogPlace& place,
                                        std::stop_token stop = {});

/// The figure of that kind, or null.
const LearntFigure* figureOf(const std::vector<LearntFigure>& figures, NoteKind kind);

/// The factor of what the bait does; nothing where nothing was read of it and its kin.
std::optional<FactorBand> taughtOf(const std::vector<LearntFigure>& figures, NoteKind kind);

TaughtFactors taughtFactors(const std::vector<LearntFigure>& figures);

/// The log's part of a wish. `filmBeats`: what the design's film makes of its beats, which the wish
/// is told with (RawForecast::filmBeats).
AimLog aimLogOf(const std::optional<FactorBand>& depth, const std::optional<FactorBand>& beats,
                const std::optional<FactorBand>& swing, double filmBeats);

}  // namespace wl
