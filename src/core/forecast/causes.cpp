#include "core/forecast/causes.h"

#include <algorithm>
#include <cmath>

#include "core/cast/throws.h"
#include "core/reckon/evaluate.h"
#include "core/swim/swim.h"
#include "core/swim/tuning.h"

namespace wl {
namespace {

std::vector<CauseEffect> allCauses(const Design& d) {
    using Q = Quantity;
    std::vector<CauseEffect> causes;
    const auto add = [&causes](Cause cause, Q quantity, double tolerance, double chanceNew,
                               double chanceBefore) -> CauseEffect& {
        CauseEffect& c = causes.emplace_back();
        c.cause = cause;
        c.quantity = quantity;
        c.tolerance = tolerance;
        c.chanceNew = chanceNew;
        c.chanceBefore = chanceBefore;
        return c;
    };
    if (d.lip.present) {
        add(Cause::LipTurned, Q::Angle, 0.8 * kDegree, 0.10, 0.03);
        add(Cause::LipTwisted, Q::Angle, 0.8 * kDegree, 0.06, 0.02);
        add(Cause::LipAngle, Q::Angle, 1.0 * kDegree, 0.10, 0.02);
        add(Cause::LipLength, Q::Length, 0.02 * d.lip.length_m, 0.05, 0.04);
    }
    add(Cause::TieAside, Q::Length, 0.4e-3, 0.10, 0.06);
    add(Cause::TieHeight, Q::Length, 0.4e-3, 0.06, 0.05);
    if (!d.bores.empty()) {
        add(Cause::LeadAside, Q::Length, 0.3e-3, 0.08, 0.002);
        add(Cause::LeadAlong, Q::Length, 0.6e-3, 0.08, 0.002);
        add(Cause::LeadMass, Q::Fraction, 0.015, 0.06, 0.002);
    }
    if (!d.coats.empty()) {
        add(Cause::CoatsThick, Q::Fraction, 0.2, 0.12, 0.002).oneWay = true;
    }
    add(Cause::StockHeavy, Q::Mass, 0.0, 0.15, 0.002);
    CauseEffect& wet = add(Cause::Waterlogged, Q::Mass, 0.0, 0.03, 0.22);
    wet.oneWay = true;
    if (std::any_of(d.fittings.begin(), d.fittings.end(),
                    [](const Fitting& f) { return isHook(f.kind); })) {
        add(Cause::HooksHeavy, Q::Fraction, 0.08, 0.05, 0.25);
    }
    return causes;
}

// What is found beyond the drawing goes in as what a tank shows: a mass at the bait's middle.
void addMass(Design& d, double kg) {
    d.tank.correction.applied = true;
    d.tank.correction.mass_kg += kg;
}

}  // namespace

SymptomFigures symptomFigures(const Derived& d, std::stop_token stop) {
    SymptomFigures f;
    const auto set = [&f](SymptomAxis axis, double value) {
        if (std::isfinite(value)) {
            f[size_t(axis)] = value;
        }
    };
    if (d.rest->attitudeDecided) {
        set(SymptomAxis::Lean, d.rest->roll_rad);
        set(SymptomAxis::Nose, d.rest->pitch_rad);
    }
    set(SymptomAxis::Spare, d.rest->spare);
    set(SymptomAxis::MassOver, d.mass->mass_kg);
    const Run run = computeRun(d, stop, kCoarseRetrieve);
    if (run.depthKnown && run.path.maxDepth_m > 0) {
        set(SymptomAxis::Depth, std::log(run.path.maxDepth_m));
    }
    const Swim swim = swimOf(d, run);
    if (!swim.untold && swim.swings) {
        set(SymptomAxis::Beats, std::log(swim.beats_1_s.middle));
        set(SymptomAxis::Swing, std::log(swim.swing_rad.middle));
    }
    if (const auto cast = middleDistance_m(d); cast && *cast > 0) {
        set(SymptomAxis::Cast, std::log(*cast));
    }
    return f;
}

Design withCause(const Design& design, const CauseEffect& cause, double tolerances) {
    Design d = design;
    const double by = tolerances * cause.tolerance;
    switch (cause.cause) {
        case Cause::LipTurned:
            d.lip.turn_rad += by;
            break;
        case Cause::LipTwisted:
            d.lip.twist_rad += by;
            break;
        case Cause::LipAngle:
            d.lip.angle_rad += by;
            break;
        case Cause::LipLength:
            d.lip.length_m += by;
            break;
        case Cause::TieAside:
            break;  // the tie stands in the middle plane of a design: statics alone
        case Cause::TieHeight:
            (d.lip.present && d.tie.onLip() ? d.tie.upLip_m : d.tie.z_m) +=
                d.lip.present && d.tie.onLip() ? -by : by;
            break;
        case Cause::LeadAside:
            for (Bore& b : d.bores) {
                b.y_m += by;
            }
            break;
        case Cause::LeadAlong:
            for (Bore& b : d.bores) {
                b.x_m += by;
            }
            break;
        case Cause::LeadMass:
            for (Bore& b : d.bores) {
                b.plugDensity_kg_m3 *= 1 + by;
                for (LeadPiece& p : b.pieces) {
                    p.mass_kg *= 1 + by;
                }
            }
            break;
        case Cause::CoatsThick:
            for (Coat& c : d.coats) {
                c.thickness_m *= 1 + by;
            }
            break;
        case Cause::StockHeavy:
        case Cause::Waterlogged:
            addMass(d, by);
            break;
        case Cause::HooksHeavy:
            for (Fitting& f : d.fittings) {
                if (isHook(f.kind)) {
                    f.typicalMass_kg *= 1 + by;
                    if (f.weighedMass_kg) {
                        *f.weighedMass_kg *= 1 + by;
                    }
                }
            }
            break;
    }
    return d;
}

CauseModel causesOf(const Derived& derived, const Run& run,
                    const std::array<int, kCauses>& confirmed, std::stop_token stop) {
    constexpr double kCasesJudged = 10, kStockShare = 0.02, kWetShare = 0.003;
    const Design& design = *derived.design;
    CauseModel model;
    model.causes = allCauses(design);
    const SymptomFigures now = symptomFigures(derived, stop);
    for (size_t a = 0; a < kAxes; ++a) {
        model.told[a] = now[a].has_value();
    }
    model.told[size_t(SymptomAxis::MassGained)] = true;
    // One way off the line for each fault, by the statics of swimming.
    std::array<std::optional<double>, kCauses> aside;
    if (const Result<Tuning> tuning = tuningOf(derived, run);
        tuning && tuning->signsKnown && !tuning->faults.empty()) {
        model.sidesKnown = true;
        for (const FaultRun& f : tuning->faults) {
            const auto put = [&](Cause cause) {
                if (!f.rollsOver && f.size > 0) {
                    aside[size_t(cause)] = f.run_rad / f.size;
                }
            };
            switch (f.fault) {
                case FaultRun::Fault::Tie:
                    put(Cause::TieAside);
                    break;
                case FaultRun::Fault::LipTwist:
                    put(Cause::LipTwisted);
                    break;
                case FaultRun::Fault::LipTurn:
                    put(Cause::LipTurned);
                    break;
                case FaultRun::Fault::Lead:
                    put(Cause::LeadAside);
                    break;
                case FaultRun::Fault::LipRoot:
                    break;
            }
        }
    }
    model.told[size_t(SymptomAxis::RunsAside)] = model.sidesKnown;
    int cases = 0;
    for (const int n : confirmed) {
        cases += n;
    }
    for (CauseEffect& c : model.causes) {
        if (stop.stop_requested()) {
            break;
        }
        if (c.cause == Cause::StockHeavy || c.cause == Cause::Waterlogged) {
            c.tolerance = (c.cause == Cause::StockHeavy ? kStockShare : kWetShare) *
                          derived.mass->stages.finished_kg;
        }
        for (double* chance : {&c.chanceNew, &c.chanceBefore}) {
            *chance =
                (*chance * kCasesJudged + confirmed[size_t(c.cause)]) / (kCasesJudged + cases);
        }
        if (c.cause == Cause::Waterlogged) {
            c.effect[size_t(SymptomAxis::MassGained)] = c.tolerance;
        }
        if (aside[size_t(c.cause)]) {
            // A lead stands to port where the design has it over 0.
            const double side = c.cause == Cause::LeadAside ? -1.0 : 1.0;
            c.effect[size_t(SymptomAxis::RunsAside)] = side * *aside[size_t(c.cause)] * c.tolerance;
        }
        const Design changed = withCause(design, c, 1.0);
        if (changed == design) {
            continue;
        }
        const Result<Derived> there = evaluate(changed, &derived, derived.model);
        if (!there) {
            continue;
        }
        const SymptomFigures f = symptomFigures(*there, stop);
        for (size_t a = 0; a < kAxes; ++a) {
            if (a != size_t(SymptomAxis::RunsAside) && now[a] && f[a]) {
                c.effect[a] = *f[a] - *now[a];
            }
        }
    }
    return model;
}

}  // namespace wl
