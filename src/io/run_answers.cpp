#include "io/run_answers.h"

#include "core/cast/throws.h"
#include "core/design/fields.h"
#include "core/reckon/evaluate.h"
#include "core/reckon/free_body.h"
#include "core/reckon/what_if.h"
#include "core/swim/swim_levers.h"
#include "io/answer_parts.h"

namespace wl {
namespace {

using Json = AnswerJson;

Answer given(const Json& json) {
    return {answerText(json), true, {}};
}

Json sharesJson(const FlightShares& shares) {
    Json j = Json::object();
    put(j, "tail_first", Quantity::Fraction, shares.tailFirst);
    put(j, "side_on", Quantity::Fraction, shares.sideOn);
    put(j, "nose_first", Quantity::Fraction, shares.noseFirst);
    put(j, "swings", Quantity::Fraction, shares.swings);
    put(j, "went_over", Quantity::Fraction, shares.wentOver);
    return j;
}

Json anglesJson(const std::vector<double>& angles_rad) {
    Json list = Json::array();
    for (const double angle : angles_rad) {
        list.push_back(toFile(Quantity::Angle, angle));
    }
    return list;
}

template <class Value>
void putKnown(Json& j, const char* name, Quantity quantity, const std::optional<Value>& value) {
    if (value) {
        put(j, name, quantity, *value);
    }
}

}  // namespace

Answer castAnswer(const Design& design) {
    Json json = begun("cast", design);
    const Result<Derived> derived = evaluate(design);
    if (!derived) {
        return refused(std::move(json), derived.error());
    }
    const Result<Cast> cast = computeCast(*derived);
    if (!cast) {
        return refused(std::move(json), cast.error());
    }
    put(json, "distance", Quantity::Distance, cast->distance_m);
    put(json, "low", Quantity::Distance, cast->low_m);
    put(json, "high", Quantity::Distance, cast->high_m);
    put(json, "median_of_throws", Quantity::Distance, cast->median_m);
    json["own_throw"] = cast->measured;
    json["straightness"] = cast->straightness;
    json["over_the_head"] = sharesJson(cast->over);
    json["from_the_side"] = sharesJson(cast->side);
    put(json, "splash_speed", Quantity::Speed, cast->splashSpeed_m_s);
    put(json, "splash_steepness", Quantity::Angle, cast->splashSteepness_rad);
    json["steady_deg"] = anglesJson(cast->steady_rad);
    return given(json);
}

Answer forcesAnswer(const Design& design) {
    static const char* const on[] = {"body", "lip", "fins", "hooks", "weight", "lift", "line"};
    Json json = begun("forces", design);
    const Result<Derived> derived = evaluate(design);
    if (!derived) {
        return refused(std::move(json), derived.error());
    }
    const Run run = computeRun(*derived, {}, kFineRetrieve);
    Json forces = Json::array();
    if (run.levelTrim) {
        for (const BodyForce& f : freeBody(*derived, *run.levelTrim)) {
            Json j{{"on", on[static_cast<int>(f.on)]}};
            put(j, "aft", Quantity::Force, f.force_N.x());
            put(j, "up", Quantity::Force, f.force_N.y());
            put(j, "at", Quantity::Length, f.place_m.x());
            put(j, "height", Quantity::Length, f.place_m.y());
            forces.push_back(j);
        }
        put(json, "pitch", Quantity::Angle, run.levelTrim->pitch_rad);
        put(json, "pull", Quantity::Force, run.levelTrim->tension_N);
        put(json, "line_angle", Quantity::Angle, run.levelTrim->lineAngle_rad);
        putKnown(json, "pull_for_wanted_depth", Quantity::Force,
                 pullForWantedDepth_N(*derived, *run.levelTrim));
    }
    json["forces"] = forces;
    if (const auto range = runningSpeeds(*derived)) {
        put(json, "dives_from", Quantity::Speed, range->from_m_s);
        if (!range->openAbove) {
            put(json, "dives_to", Quantity::Speed, range->to_m_s);
        }
    }
    return given(json);
}

Answer leversAnswer(const Design& design, int draws) {
    static const char* const names[] = {"lip_angle", "lip_length", "lip_width", "tie",    "spare",
                                        "speed",     "line",       "cast",      "rod_tip"};
    Json json = begun("levers", design);
    const Result<Derived> derived = evaluate(design);
    if (!derived) {
        return refused(std::move(json), derived.error());
    }
    Json list = Json::array();
    for (const Lever& lever : swimLeversOf(*derived, draws)) {
        Json j{{"lever", names[static_cast<int>(lever.what)]}};
        put(j, "step", lever.quantity, lever.step);
        putKnown(j, "depth", Quantity::Distance, lever.depth_m);
        putKnown(j, "pitch", Quantity::Angle, lever.pitch_rad);
        putKnown(j, "pull", Quantity::Force, lever.pull_N);
        putKnown(j, "beats_per_second", Quantity::Number, lever.beats_1_s);
        putKnown(j, "swing", Quantity::Angle, lever.swing_rad);
        putKnown(j, "sure", Quantity::Fraction, lever.sure);
        putKnown(j, "sure_beats", Quantity::Fraction, lever.sureBeats);
        putKnown(j, "sure_swing", Quantity::Fraction, lever.sureSwing);
        list.push_back(j);
    }
    json["draws"] = draws;
    json["levers"] = list;
    return given(json);
}

Answer sweepAnswer(const Design& design, const std::string& path, double from, double to,
                   int count) {
    Json json = begun("sweep", design);
    const Result<Derived> derived = evaluate(design);
    if (!derived) {
        return refused(std::move(json), derived.error());
    }
    const auto swept = sweepField(*derived, path, from, to, count);
    if (!swept) {
        return refused(std::move(json), swept.error());
    }
    const Quantity quantity = findField(design, path)->quantity;
    json["path"] = path;
    Json list = Json::array();
    for (const SweptPoint& p : *swept) {
        Json j = Json::object();
        j["value"] = toFile(quantity, p.value);
        putKnown(j, "depth", Quantity::Distance, p.depth_m);
        putKnown(j, "pitch", Quantity::Angle, p.pitch_rad);
        putKnown(j, "pull", Quantity::Force, p.pull_N);
        putKnown(j, "line_angle", Quantity::Angle, p.lineAngle_rad);
        list.push_back(j);
    }
    json["unit"] = unitLabel(quantity, Bench::Metric);
    json["places"] = list;
    return given(json);
}

}  // namespace wl
