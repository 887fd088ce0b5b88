#include "io/report.h"

#include "core/base/units.h"
#include "core/clearance/clearance.h"
#include "core/hydro/righting.h"
#include "core/reckon/evaluate.h"
#include "core/reckon/lean.h"
#include "core/reckon/run.h"
#include "core/rules/check_design.h"
#include "core/tank/doubt.h"
#include "core/tank/waters.h"
#include "io/by_log_answer.h"
#include "io/json_answer.h"
#include "io/report_bait.h"
#include "io/report_swim.h"

namespace wl {
namespace {

using Json = AnswerJson;

Json waterloggedJson(const Derived& d) {
    Json all = Json::array();
    for (const Waterlogged& w : d.rest->waterlogged) {
        Json one;
        put(one, "after", Quantity::Time, w.after_s);
        put(one, "water", Quantity::Mass, w.water_kg);
        put(one, "spare", Quantity::Fraction, w.spare);
        if (w.attitudeDecided) {
            put(one, "pitch", Quantity::Angle, w.pitch_rad);
        }
        all.push_back(one);
    }
    return all;
}

Json floatJson(const Derived& d) {
    static const char* const states[] = {"floats", "suspends", "sinks"};
    Json j;
    j["state"] = states[static_cast<int>(d.rest->state)];
    put(j, "spare", Quantity::Fraction, d.rest->spare);
    put(j, "spare_plus_minus", Quantity::Fraction, d.rest->spareDoubt);
    put(j, "net", Quantity::Mass, d.rest->net_kg);
    put(j, "pitch", Quantity::Angle, d.rest->pitch_rad);
    put(j, "roll", Quantity::Angle, d.rest->roll_rad);
    put(j, "showing", Quantity::Length, d.rest->showing_m);
    put(j, "free_speed_down", Quantity::Speed, d.rest->fall.speed_m_s);
    put(j, "free_speed_low", Quantity::Speed, d.rest->lowSpeed_m_s);
    put(j, "free_speed_high", Quantity::Speed, d.rest->highSpeed_m_s);
    put(j, "centre_arm", Quantity::Length, d.rest->hang.arm_m);
    Json attitudes = Json::array();
    for (const FloatAttitude& a : d.rest->attitudes) {
        Json one;
        put(one, "pitch", Quantity::Angle, a.pitch_rad);
        put(one, "roll", Quantity::Angle, a.roll_rad);
        put(one, "metacentric_height_roll", Quantity::Length, a.metacentricHeightRoll_m);
        put(one, "metacentric_height_pitch", Quantity::Length, a.metacentricHeightPitch_m);
        one["energy_J"] = a.energy_J;
        attitudes.push_back(one);
    }
    j["stable_attitudes"] = attitudes;
    if (d.rest->linked) {
        const LinkedRest& chain = *d.rest->linked;
        const auto onLine = linkedOnLine(d);
        Json links = Json::array();
        for (size_t i = 0; i < chain.links.size(); ++i) {
            Json link{{"pieces", Json::array()}};
            for (size_t k = 0; k < chain.linkOf.size(); ++k) {
                if (chain.linkOf[k] == i) {
                    link["pieces"].push_back(d.mass->pieces[k].path);
                }
            }
            if (chain.pose.settled) {
                put(link, "pitch", Quantity::Angle, chain.pose.pitch_rad[i]);
            }
            if (onLine && onLine->settled) {
                put(link, "pitch_on_line", Quantity::Angle, onLine->pitch_rad[i]);
            }
            links.push_back(link);
        }
        j["linked"] = {{"afloat", chain.afloat}, {"links", links}};
    }
    return j;
}

Json runJson(const Run& run) {
    static const char* const ends[] = {"reached_rod", "surfaced",    "stays_on_top",
                                       "no_trim",     "no_solution", "cancelled"};
    Json j;
    j["end"] = ends[static_cast<int>(run.path.end)];
    if (run.levelTrim) {
        Json trim;
        put(trim, "pitch", Quantity::Angle, run.levelTrim->pitch_rad);
        put(trim, "tension", Quantity::Force, run.levelTrim->tension_N);
        put(trim, "line_angle", Quantity::Angle, run.levelTrim->lineAngle_rad);
        j["level_tow"] = trim;
    }
    if (run.depthKnown) {
        put(j, "depth", Quantity::Distance, run.path.maxDepth_m);
        put(j, "depth_low", Quantity::Distance, run.depthLow_m);
        put(j, "depth_high", Quantity::Distance, run.depthHigh_m);
        static const char* const sources[] = {"line",  "body", "lip", "fins",
                                              "hooks", "roll", "rest"};
        Json doubts = Json::array();
        for (const DepthDoubt& doubt : run.doubts) {
            Json one{{"source", sources[static_cast<int>(doubt.source)]}};
            put(one, "shallower", Quantity::Distance, doubt.shallower_m);
            put(one, "deeper", Quantity::Distance, doubt.deeper_m);
            doubts.push_back(one);
        }
        j["depth_doubts"] = doubts;
        put(j, "deepest_from_rod", Quantity::Distance, run.path.maxDepthFromRod_m);
        put(j, "share_near_deepest", Quantity::Fraction, run.path.shareNearDeepest);
    }
    if (run.trolledDepth_m) {
        put(j, "trolled_depth", Quantity::Distance, *run.trolledDepth_m);
    }
    if (run.depthKnown) {
        put(j, "taut_from", Quantity::Distance, run.tautFrom_m);
    }
    if (run.tellableFrom_m_s) {
        put(j, "tellable_from", Quantity::Speed, *run.tellableFrom_m_s);
    }
    Json path = Json::array();
    if (run.depthKnown) {
        for (const RetrievePoint& p : run.path.points) {
            Json point;
            put(point, "from_rod", Quantity::Distance, p.fromRod_m);
            put(point, "depth", Quantity::Distance, p.depth_m);
            put(point, "time", Quantity::Time, p.time_s);
            put(point, "pitch", Quantity::Angle, p.pitch_rad);
            put(point, "tension", Quantity::Force, p.tension_N);
            path.push_back(point);
        }
    }
    j["path"] = path;
    return j;
}

void writeLines(const Json& json, const std::string& indent, std::string& out) {
    for (auto it = json.begin(); it != json.end(); ++it) {
        if (it.key() == "path" || it.key() == "findings" || it.key() == "format") {
            continue;
        }
        if (it->is_object()) {
            out += indent + it.key() + "\n";
            writeLines(*it, indent + "  ", out);
        } else if (it->is_array() && !it->empty() && it->front().is_object()) {
            out += indent + it.key() + "\n";
            for (const Json& entry : *it) {
                out += indent + "  -\n";
                writeLines(entry, indent + "    ", out);
            }
        } else {
            out += indent + it.key() + ": " +
                   (it->is_string() ? it->get<std::string>() : it->dump()) + "\n";
        }
    }
}

Json tankJson(const Design& design, const Derived& d) {
    Json j;
    const FloatingBody body{d.mass->shape, d.mass->mass_kg, d.mass->centreOfGravity_m,
                            d.waterDensity_kg_m3};
    const RightingCurve righting = computeRighting(body);
    Json curve = Json::array();
    for (size_t i = 0; i < righting.roll_rad.size(); ++i) {
        Json point;
        put(point, "lean", Quantity::Angle, righting.roll_rad[i]);
        put(point, "arm", Quantity::Length, righting.arm_m[i]);
        curve.push_back(point);
    }
    j["righting"] = curve;
    put(j, "rights_up_to", Quantity::Angle, righting.vanish_rad);
    put(j, "roll_moment_per_degree", Quantity::Moment,
        righting.stiffness_N_m / kGravity_m_s2 * kDegree);
    const FreeFallTimes fall = freeFallTimes(d);
    put(j, "time_for_the_water_depth", Quantity::Time,
        timeToFall_s(fall, design.brief.waterDepth_m));
    const Doubt doubt = computeDoubt(design, d);
    put(j, "floats", Quantity::Fraction, doubt.chances.floats);
    put(j, "hangs", Quantity::Fraction, doubt.chances.suspends);
    put(j, "sinks", Quantity::Fraction, doubt.chances.sinks);
    Json sources = Json::array();
    for (const DoubtSource& s : doubt.sources) {
        Json source{{"code", s.code}, {"name", s.name}, {"path", s.path}};
        put(source, "standard_uncertainty", Quantity::Mass, s.effect_kg);
        put(source, "share", Quantity::Fraction, s.share);
        sources.push_back(source);
    }
    j["doubt"] = sources;
    Json waters = Json::array();
    for (const double t : {4.0, 15.0, 25.0}) {
        for (const double salt : {0.0, 0.01, 0.035}) {
            const InWater w =
                inWater(design, d, t + kZeroCelsius_K, salt, design.errors.roomTemperature_K);
            Json row;
            put(row, "temperature", Quantity::Temperature, w.temperature_K);
            put(row, "salinity", Quantity::Salinity, w.salinity);
            put(row, "spare", Quantity::Fraction, w.spare);
            if (w.attitudeDecided) {
                put(row, "pitch", Quantity::Angle, w.pitch_rad);
            }
            waters.push_back(row);
        }
    }
    j["waters"] = waters;
    return j;
}

}  // namespace

std::string readableReport(const Report& report) {
    const Json json = Json::parse(report.json);
    std::string out;
    writeLines(json, "", out);
    if (json.contains("findings")) {
        for (const Json& f : json["findings"]) {
            out += f["severity"].get<std::string>() + ": " + f["text"].get<std::string>() + " [" +
                   f["path"].get<std::string>() + "]\n";
        }
    }
    return out;
}

Report makeReport(const Design& design, const Model& model,
                  const std::vector<LearntFigure>& learnt) {
    Json out;
    out["format"] = "wade-line-report";
    out["design"] = design.name;
    Report report;
    const Result<Derived> derived = evaluate(design, nullptr, model);
    if (!derived) {
        out["error"] = errorJson(derived.error());
        report.hasError = true;
        report.json = answerText(out);
        return report;
    }
    const Run run = computeRun(*derived);
    for (const Coefficient& c : coefficients()) {
        if (model.*c.value != Model{}.*c.value) {
            out["model"][c.key + std::string(fileSuffix(c.quantity))] =
                toFile(c.quantity, model.*c.value);
        }
    }
    Json water;
    put(water, "density", Quantity::Density, derived->waterDensity_kg_m3);
    water["kinematic_viscosity_mm2_s"] = derived->waterViscosity_m2_s * 1e6;
    out["water"] = water;
    out["body"] = bodyJson(*derived);
    out["stock"] = stockJson(*derived);
    out["mass"] = massJson(*derived);
    out["surfaces"] = surfacesJson(derived->mass->surfaces);
    out["joints"] = jointsJson(design, *derived);
    out["rest"] = floatJson(*derived);
    out["waterlogged"] = waterloggedJson(*derived);
    out["run"] = runJson(run);
    out["swim"] = swimJson(*derived, run);
    out["tank"] = tankJson(design, *derived);
    if (Json taught = byLogJson(learnt); !taught.empty()) {
        out["by_log"] = std::move(taught);
    }
    Json findings = Json::array();
    std::vector<Finding> all = checkDesign(*derived);
    checkSkinWalls(design, *derived, all);
    const std::vector<Finding> towed = checkRun(*derived, run);
    all.insert(all.end(), towed.begin(), towed.end());
    for (const Finding& f : all) {
        findings.push_back(findingJson(f));
        report.hasError = report.hasError || f.severity == Severity::Error;
    }
    out["findings"] = findings;
    report.json = answerText(out);
    return report;
}

}  // namespace wl
