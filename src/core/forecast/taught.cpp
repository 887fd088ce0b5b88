#include "core/forecast/taught.h"

#include <algorithm>
#include <cmath>

#include "core/learn/factor_said.h"

namespace wl {
namespace {

LearntFigure learn(NoteKind kind, double reckoned, double usual, LogFits& fits, const LogBait& bait,
                   const LogPlace& place, const std::stop_token& stop) {
    LearntFigure f;
    f.kind = kind;
    f.reckoned = reckoned;
    f.usual = usual;
    f.learnt = learntOf(kind, bait.family);
    if (!f.learnt) {
        return f;
    }
    const double setting = usual != 0 && reckoned / usual > 0 ? std::log(reckoned / usual) : 0.0;
    f.whose = fits.whose(*f.learnt, bait, place.copy, usual, setting);
    const auto fitted = fits.fit(*f.learnt, f.whose, stop);
    if (!fitted) {
        return f;
    }
    f.told = tellFactor(fitted->fit, f.whose);
    f.told.readings = fitted->readings;
    f.told.outings = fitted->outings;
    f.said = sayFactor(*f.learnt, f.told);
    const int day = int(place.outing);
    const auto& readings = fitted->fit.readings();
    const bool today = std::any_of(readings.begin(), readings.end(),
                                   [day](const FactorReading& r) { return r.outing == day; });
    f.worth = worthOfNext(fitted->fit, f.whose, today ? day : -1, kind == NoteKind::Depth);
    f.odd = fits.oddKnown(*f.learnt, f.whose).value_or(OddNotes());
    return f;
}

}  // namespace

std::vector<LearntFigure> learntFigures(const RawForecast& there, const RawForecast& usual,
                                        LogFits& fits, const LogPlace& place,
                                        std::stop_token stop) {
    LogBait bait;
    if (const LogBait* known = fits.log().bait(place.bait)) {
        bait = *known;
    }
    bait.bait = place.bait;
    bait.family = bait.family.empty() ? there.family : bait.family;
    std::vector<LearntFigure> figures;
    for (size_t k = 0; k < there.figure.size(); ++k) {
        if (const std::optional<double>& reckoned = there.figure[k]) {
            figures.push_back(learn(NoteKind(k), *reckoned, usual.figure[k].value_or(*reckoned),
                                    fits, bait, place, stop));
        }
        if (stop.stop_requested()) {
            return {};
        }
    }
    return figures;
}

const LearntFigure* figureOf(const std::vector<LearntFigure>& figures, NoteKind kind) {
    const auto at = std::find_if(figures.begin(), figures.end(),
                                 [kind](const LearntFigure& f) { return f.kind == kind; });
    return at == figures.end() ? nullptr : &*at;
}

std::optional<FactorBand> taughtOf(const std::vector<LearntFigure>& figures, NoteKind kind) {
    const LearntFigure* f = figureOf(figures, kind);
    return f != nullptr && f->learnt && f->told.unsure != Unsure::NotRead
               ? std::optional(f->told.itself)
               : std::nullopt;
}

TaughtFactors taughtFactors(const std::vector<LearntFigure>& figures) {
    return {taughtOf(figures, NoteKind::Depth), taughtOf(figures, NoteKind::Beats),
            taughtOf(figures, NoteKind::Swing)};
}

AimLog aimLogOf(const std::optional<FactorBand>& depth, const std::optional<FactorBand>& beats,
                const std::optional<FactorBand>& swing, double filmBeats) {
    AimLog log;
    const auto teach = [&log](AimMeasure what, const std::optional<FactorBand>& taught,
                              double told) {
        constexpr double kBand = 2 * 1.645;  // of 90 %, in standard deviations
        if (taught) {
            log[size_t(what)] =
                AimTaught{taught->middle / told, std::log(taught->high / taught->low) / kBand};
        }
    };
    teach(AimMeasure::Depth, depth, 1.0);
    teach(AimMeasure::Beats, beats, filmBeats);
    teach(AimMeasure::Swing, swing, 1.0);
    return log;
}

}  // namespace wl
