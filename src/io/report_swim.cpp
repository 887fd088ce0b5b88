#include "io/report_swim.h"

#include "core/swim/swim.h"

namespace wl {
namespace {

using Json = AnswerJson;

Json spreadJson(Quantity quantity, const Spread& spread) {
    Json j;
    put(j, "low", quantity, spread.low);
    put(j, "middle", quantity, spread.middle);
    put(j, "high", quantity, spread.high);
    return j;
}

void putSpeed(Json& j, const char* key, const std::optional<double>& speed) {
    if (speed) {
        put(j, key, Quantity::Speed, *speed);
    }
}

}  // namespace

AnswerJson swimJson(const Derived& derived, const Run& run) {
    const Swim swim = swimOf(derived, run);
    Json j;
    put(j, "speed", Quantity::Speed, swim.speed_m_s);
    if (swim.untold) {
        j["verdict"] = "not_told";
        j["reason"] = swim.untold->code;
        return j;
    }
    j["verdict"] = swim.swings ? "swims" : "no_action";
    if (const auto why = whyNoAction(swim)) {
        j["reason"] = why->code;
    }
    if (swim.sheds) {
        j["beats_per_second"] = {{"low", swim.beats_1_s.low},
                                 {"middle", swim.beats_1_s.middle},
                                 {"high", swim.beats_1_s.high}};
        j["yaw"] = spreadJson(Quantity::Angle, swim.yaw_rad);
        j["roll"] = spreadJson(Quantity::Angle, swim.roll_rad);
        j["swing"] = spreadJson(Quantity::Angle, swim.swing_rad);
        j["roll_to_yaw"] = swim.rollToYaw;
        j["own_beats_per_second"] = swim.ownBeat_1_s;
        j["tuning_ratio"] = swim.tuning;
        put(j, "still_point", Quantity::Length, swim.stillPoint_m);
        put(j, "nose_path", Quantity::Length, swim.nosePath_m);
        put(j, "tail_path", Quantity::Length, swim.tailPath_m);
    }
    put(j, "plate_incidence", Quantity::Angle, swim.plateIncidence_rad);
    j["growth_per_second"] = swim.growth_1_s;
    Json flags = Json::array();
    for (const auto& [on, name] :
         {std::pair{swim.flags.rollUnsettled, "roll_under_tow_not_settled"},
          std::pair{swim.flags.liesOver, "lies_over_at_rest"},
          std::pair{swim.flags.round, "nearly_round"},
          std::pair{swim.flags.disagree, "wake_and_body_disagree"},
          std::pair{swim.flags.twoRhythms, "two_rhythms_possible"},
          std::pair{swim.flags.flatLip, "lip_flat_to_the_water"},
          std::pair{swim.flags.tooQuick, "beyond_any_retrieve"},
          std::pair{swim.flags.jointed, "tail_swing_not_reckoned"}}) {
        if (on) {
            flags.push_back(name);
        }
    }
    j["flags"] = flags;
    const SwimSweep sweep = sweepSwim(derived, run);
    putSpeed(j, "wakes_at", sweep.wakesAt_m_s);
    putSpeed(j, "hunts_above", sweep.huntsAbove_m_s);
    putSpeed(j, "hunts_not_before", sweep.notBefore_m_s);
    Json speeds = Json::array();
    for (const Swim& at : sweep.speeds) {
        Json row;
        put(row, "speed", Quantity::Speed, at.speed_m_s);
        if (!at.untold && at.sheds) {
            row["beats_per_second"] = at.beats_1_s.middle;
            put(row, "yaw", Quantity::Angle, at.yaw_rad.middle);
            put(row, "roll", Quantity::Angle, at.roll_rad.middle);
        } else {
            row["reason"] = at.untold ? at.untold->code : "swim.nothing_sheds";
        }
        speeds.push_back(row);
    }
    j["over_speed"] = speeds;
    return j;
}

}  // namespace wl
