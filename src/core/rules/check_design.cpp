#include "core/rules/check_design.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/clearance/clearance.h"
#include "core/reckon/free_body.h"
#include "core/reckon/lean.h"
#include "core/rules/check_cuts.h"

namespace wl {
namespace {

// Limits of the bench (common practice, no source).
constexpr double kWidestAhead = 0.20, kWidestBehind = 0.55;
constexpr double kLeanShown_rad = 1.5 * kDegree;
constexpr double kOnSide_rad = 60.0 * kDegree, kBellyUp_rad = 120.0 * kDegree;
constexpr double kPitchMiss_rad = 3.0 * kDegree;
constexpr double kSpareMiss = 0.01;
constexpr double kSlackTension_N = 0.1;
constexpr double kSteepPitch_rad = 50.0 * kDegree;

void checkBody(const Derived& d, std::vector<Finding>& out) {
    const double widest = d.shape->sizes.widestAt_m / d.shape->sizes.length_m;
    if (widest < kWidestAhead || widest > kWidestBehind) {
        out.push_back({"body.widest_point",
                       Severity::Note,
                       "/body/stations/0/half_width",
                       {{Quantity::Fraction, widest}}});
    }
}

// A cup's bottom may not come out of the flank, nor be thin there. Near its edge its wall tapers to
// what the edge leaves.
void checkCups(const Derived& d, std::vector<Finding>& out) {
    constexpr int kRings = 8, kRound = 16;
    constexpr double kInner = 0.8;
    const BodyCurves& curves = d.shape->curves;
    for (const bool nose : {true, false}) {
        const EndFace& face = curves.endFace(nose);
        if (!face.present || face.cupDepth_m <= 0) {
            continue;
        }
        bool outside = false, thin = false;
        const Eigen::Vector3d middle = *curves.onCup(nose, 0, 0);
        for (int i = 0; i <= kRings; ++i) {
            for (int k = 0; k < kRound; ++k) {
                const double rho = double(i) / kRings, turn = 2 * kPi * k / kRound;
                const Eigen::Vector3d at = *curves.onCup(nose, rho, turn);
                Eigen::Vector3d out_m = at - middle;
                out_m.x() = 0;
                outside = outside || (rho < 1 && !curves.containsUncupped(at));
                thin = thin || (rho <= kInner && out_m.norm() > 1e-6 &&
                                !curves.containsUncupped(at + kLeastWall_m * out_m.normalized()));
            }
        }
        if (outside || thin) {
            out.push_back({outside ? "body.cup_comes_out" : "body.cup_thin",
                           outside ? Severity::Error : Severity::Warning,
                           nose ? "/body/nose_face/cup_depth" : "/body/tail_face/cup_depth",
                           {lengthAmount(face.cupDepth_m)}});
        }
    }
}

void checkStock(const Design& design, const Derived& d, std::vector<Finding>& out) {
    const BodyReckoning& r = d.shape->reckoning;
    if (r.weighedMass_kg && std::abs(r.disagreement) > 2 * r.disagreementDoubt) {
        out.push_back({"stock.disagrees",
                       Severity::Warning,
                       "/pieces/0/stock/weighed_body",
                       {{Quantity::Mass, *r.weighedMass_kg},
                        {Quantity::Mass, r.drawnMass_kg},
                        {Quantity::Fraction, std::abs(r.disagreement)}}});
    }
    for (const MassItem& item : d.mass->items) {
        if (item.kind == PartKind::Body && item.mass_kg <= 0) {
            out.push_back({"body.outgrown",
                           Severity::Error,
                           item.path,
                           {{Quantity::Mass, -item.mass_kg}},
                           {item.name}});
        }
    }
    const Stock& stock = design.pieces.front().stock;
    const SampleBlock untouched;
    const auto differs = [&](double SampleBlock::*side) {
        return std::abs(stock.sample.*side - untouched.*side) > 1e-9;
    };
    const bool filledIn = differs(&SampleBlock::length_m) || differs(&SampleBlock::width_m) ||
                          differs(&SampleBlock::height_m) || differs(&SampleBlock::mass_kg);
    if (stock.source != DensitySource::Sample && filledIn) {
        out.push_back({"stock.block_not_in_force",
                       Severity::Note,
                       "/pieces/0/stock/sample/mass",
                       {{Quantity::Mass, stock.sample.mass_kg}}});
    }
    const bool ofWood =
        design.make.kind == MakeKind::Carved || design.make.kind == MakeKind::Turned;
    if (!r.weighedMass_kg && ofWood && design.pieces.front().stock.source == DensitySource::Shelf) {
        out.push_back({"stock.not_weighed",
                       Severity::Note,
                       "/pieces/0/stock/shelf_density",
                       {{Quantity::Mass, 2 * r.netDoubt_kg}}});
    }
}

void checkSwimWords(const SwimNotes& s, std::vector<Finding>& out) {
    if (s.slowBelow_1_s > s.quickFrom_1_s) {
        out.push_back({"swim.limits_cross", Severity::Warning, "/swim/quick_from"});
    }
    if (s.tightFrom_rad > s.mediumFrom_rad || s.mediumFrom_rad > s.wideFrom_rad) {
        out.push_back({"swim.limits_cross", Severity::Warning, "/swim/medium_from"});
    }
}

void checkRest(const Design& design, const Derived& d, std::vector<Finding>& out) {
    const Brief& brief = design.brief;
    const double full_kg = d.waterDensity_kg_m3 * d.mass->displacedVolume_m3;
    const double missing = d.wantedMass_kg - d.mass->mass_kg;
    if (std::abs(missing) > kSpareMiss * full_kg && brief.wantedState != WantedState::Sink) {
        out.push_back({missing > 0 ? "rest.too_light" : "rest.too_heavy",
                       Severity::Warning,
                       "/brief/wanted_spare",
                       {{Quantity::Mass, std::abs(missing)},
                        {Quantity::Mass, d.wantedMass_kg},
                        {Quantity::Mass, d.mass->mass_kg}}});
        out.back().topic = Topic::Lead;
    } else if (brief.wantedState == WantedState::Sink &&
               std::abs(d.sinkSeen * d.rest->fall.speed_m_s - brief.wantedSinkSpeed_m_s) >
                   0.25 * brief.wantedSinkSpeed_m_s) {
        constexpr double kSameMass_kg = 0.05e-3;
        const bool rises = d.rest->fall.speed_m_s < 0;
        const char* code = rises                               ? "rest.rises_wanted_sinking"
                           : std::abs(missing) <= kSameMass_kg ? "rest.sinks_otherwise"
                           : missing > 0                       ? "rest.sinks_slow"
                                                               : "rest.sinks_fast";
        out.push_back({code,
                       Severity::Warning,
                       "/brief/wanted_sink_speed",
                       {{Quantity::Mass, std::abs(missing)},
                        {Quantity::Speed, brief.wantedSinkSpeed_m_s},
                        {Quantity::Speed, d.sinkSeen * std::abs(d.rest->fall.speed_m_s)},
                        {Quantity::Angle, d.rest->pitch_rad}}});
        if (!rises && std::abs(missing) > kSameMass_kg) {
            out.back().topic = Topic::Lead;
        }
    }
    if (d.rest->state == RestState::Sinks && !d.rest->fall.steady) {
        out.push_back({"rest.tumbles",
                       Severity::Note,
                       "/brief/wanted_sink_speed",
                       {{Quantity::Speed, d.rest->fall.speed_m_s}}});
    }
    if (brief.wantedState == WantedState::Suspend &&
        (d.rest->lowSpeed_m_s < -d.model.suspendSpeed_m_s ||
         d.rest->highSpeed_m_s > d.model.suspendSpeed_m_s)) {
        out.push_back({"rest.suspend_doubtful",
                       Severity::Note,
                       "/pieces/0/stock/weighed_body",
                       {{Quantity::Mass, 2 * d.mass->netDoubt_kg},
                        {Quantity::Speed, std::max(0.0, -d.rest->lowSpeed_m_s)},
                        {Quantity::Speed, std::max(0.0, d.rest->highSpeed_m_s)}}});
    }
    if (!d.rest->attitudeDecided) {
        out.push_back({"rest.undecided",
                       Severity::Warning,
                       "/brief/wanted_pitch",
                       {lengthAmount(d.rest->hang.arm_m)}});
        return;
    }
    if (std::abs(d.rest->roll_rad) > kLeanShown_rad) {
        const std::vector<LeanShare> shares = leanShares(d);
        const Amount lean{Quantity::Angle, std::abs(d.rest->roll_rad)};
        const bool starboard = d.rest->roll_rad > 0;
        if (std::abs(d.rest->roll_rad) > kOnSide_rad) {
            out.push_back(
                {std::abs(d.rest->roll_rad) > kBellyUp_rad ? "rest.belly_up" : "rest.on_side",
                 Severity::Error,
                 "/bores",
                 {lean}});
        } else if (shares.empty()) {
            out.push_back({starboard ? "rest.falls_starboard" : "rest.falls_port",
                           Severity::Warning,
                           "/bores",
                           {lean}});
        } else {
            out.push_back({starboard ? "rest.leans_starboard" : "rest.leans_port",
                           Severity::Warning,
                           shares.front().path,
                           {lean},
                           {shares.front().name}});
        }
    }
    if (std::abs(d.rest->pitch_rad - brief.wantedPitch_rad) > kPitchMiss_rad) {
        out.push_back(
            {d.rest->pitch_rad > brief.wantedPitch_rad ? "rest.nose_high" : "rest.nose_low",
             Severity::Warning,
             "/brief/wanted_pitch",
             {{Quantity::Angle, d.rest->pitch_rad}, {Quantity::Angle, brief.wantedPitch_rad}}});
        out.back().topic = Topic::Lead;
    }
    if (d.rest->attitudes.size() > 1) {
        const FloatAttitude& other = d.rest->attitudes[1];
        out.push_back({"rest.second_attitude",
                       Severity::Note,
                       "/brief/wanted_pitch",
                       {{Quantity::Angle, other.pitch_rad}, {Quantity::Angle, other.roll_rad}}});
    }
}

}  // namespace

std::vector<Finding> checkDesign(const Derived& d) {
    const Design& design = *d.design;
    std::vector<Finding> out;
    checkBody(d, out);
    checkCups(d, out);
    checkStock(design, d, out);
    checkOutside(design, d, out);
    checkCuts(design, d, out);
    checkParts(design, d, out);
    checkMake(design, d, out);
    checkJoints(design, d, out);
    checkRest(design, d, out);
    checkSwimWords(design.swim, out);
    return out;
}

std::vector<Finding> checkRun(const Derived& d, const Run& run) {
    if (run.fault) {
        return {{run.fault->code, Severity::Error, ""}};
    }
    const Design& design = *d.design;
    std::vector<Finding> out;
    const Brief& brief = design.brief;
    auto add = [&out](const char* code, Severity severity, const char* path,
                      std::vector<Amount> values = {}, std::vector<ProposedEdit> edits = {}) {
        out.push_back({code, severity, path, std::move(values), {}, std::move(edits)});
    };
    switch (run.path.end) {
        case RetrieveEnd::NoTrim:
            add("run.no_trim", Severity::Error, "/tie/x",
                {{Quantity::Speed, brief.retrieveSpeed_m_s}});
            return out;
        case RetrieveEnd::NoSolution:
            if (run.tellableFrom_m_s) {
                add("run.too_slack_below", Severity::Warning, "/brief/retrieve_speed",
                    {{Quantity::Speed, *run.tellableFrom_m_s}});
            } else {
                add("run.no_solution", Severity::Error, "/brief/retrieve_speed");
            }
            break;
        case RetrieveEnd::StaysOnTop:
            add("run.stays_on_top", Severity::Warning, "/brief/retrieve_speed",
                {{Quantity::Speed, brief.retrieveSpeed_m_s}});
            break;
        default:
            break;
    }
    if (run.trims.size() > 1) {
        add("run.two_attitudes", Severity::Warning, "/tie/x",
            {{Quantity::Angle, run.trims[0].pitch_rad}, {Quantity::Angle, run.trims[1].pitch_rad}});
    }
    if (run.levelTrim && std::abs(run.levelTrim->pitch_rad) > kSteepPitch_rad) {
        add("run.steep", Severity::Warning, "/tie/x",
            {{Quantity::Angle, run.levelTrim->pitch_rad}, {Quantity::Angle, kSteepPitch_rad}});
    }
    if (run.levelTrim && run.levelTrim->tension_N < kSlackTension_N * brief.castLength_m / 30) {
        add("run.slack", Severity::Warning, "/brief/retrieve_speed",
            {{Quantity::Force, run.levelTrim->tension_N}});
    }
    if (run.levelTrim) {
        constexpr double kGives_rad = 3 * kDegree;  // as much as a lever's step moves the depth
        const auto flex = lipFlexUnderWay(d, *run.levelTrim);
        if (flex && flex->meanAngle_rad > kGives_rad) {
            add("run.lip_gives", Severity::Note, "/lip/thickness",
                {{Quantity::Angle, flex->meanAngle_rad},
                 {Quantity::Length, flex->tip_m},
                 {Quantity::Speed, brief.retrieveSpeed_m_s}});
        }
    }
    if (run.floatsSlack) {
        add("run.floats_slack", Severity::Warning, "/brief/line_kind",
            {{Quantity::Speed, brief.retrieveSpeed_m_s}});
    }
    if (run.tautFrom_m > 0 && run.tautFrom_m < brief.castLength_m) {
        add("run.slack_at_first", Severity::Note, "/brief/cast_length",
            {{Quantity::Distance, brief.castLength_m - run.tautFrom_m},
             {Quantity::Distance, run.tautFrom_m}});
    }
    if (run.path.roughStarts > 0) {
        add("run.rough_start", Severity::Note, "/brief/cast_length",
            {{Quantity::Number, double(run.path.roughStarts)}});
    }
    if (!run.depthKnown) {
        return out;
    }
    const double angle = lipChord(design.lip).angle_rad;
    if (design.lip.present && angle >= d.model.lipSteepTo_rad) {
        add("run.likely_too_shallow", Severity::Note, "/lip/angle", {{Quantity::Angle, angle}});
    }
    if (run.path.maxDepth_m > brief.waterDepth_m) {
        add("run.reaches_bottom", Severity::Warning, "/brief/water_depth",
            {{Quantity::Distance, run.path.maxDepth_m}, {Quantity::Distance, brief.waterDepth_m}});
    } else if (run.depthHigh_m > brief.waterDepth_m) {
        add("run.may_reach_bottom", Severity::Note, "/brief/water_depth",
            {{Quantity::Distance, run.depthHigh_m}, {Quantity::Distance, brief.waterDepth_m}});
    }
    const bool shallow = run.depthHigh_m < brief.wantedDepth_m;
    const bool deep = run.depthLow_m > brief.wantedDepth_m;
    if (shallow || deep) {
        std::vector<ProposedEdit> edits;
        const double turned = design.lip.angle_rad + (shallow ? -8 : 8) * kDegree;
        if (design.lip.present && turned >= 8 * kDegree && turned <= 90 * kDegree) {
            edits.push_back(
                {"edit.lip_angle", {{"/lip/angle", turned}}, {{Quantity::Angle, turned}}});
        }
        const double cast =
            brief.castLength_m * brief.wantedDepth_m / std::max(0.1, run.path.maxDepth_m);
        if (cast >= 5 && cast <= 60) {
            edits.push_back(
                {"edit.cast", {{"/brief/cast_length", cast}}, {{Quantity::Distance, cast}}});
        }
        add(shallow ? "run.too_shallow" : "run.too_deep", Severity::Warning, "/lip/angle",
            {{Quantity::Distance, run.depthLow_m},
             {Quantity::Distance, run.depthHigh_m},
             {Quantity::Distance, brief.wantedDepth_m}},
            edits);
    }
    return out;
}

}  // namespace wl
