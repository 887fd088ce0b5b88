#include "io/report_swim.h"

#include <algorithm>

#include "core/chain/chain_swim.h"
#include "core/reckon/tow.h"
#include "core/swim/mean_forces.h"
#include "core/swim/symptoms.h"

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

Json heldJson(const HeldLevel& held) {
    Json j;
    put(j, "pitch", Quantity::Angle, held.pitch_rad);
    put(j, "pull", Quantity::Force, held.pull_N);
    put(j, "line_angle", Quantity::Angle, held.lineAngle_rad);
    if (held.depth_m) {
        put(j, "depth_on_the_whole_cast", Quantity::Distance, *held.depth_m);
    }
    return j;
}

void putSpeed(Json& j, const char* key, const std::optional<double>& speed) {
    if (speed) {
        put(j, key, Quantity::Speed, *speed);
    }
}

Json wobbleJson(const Derived& derived, const Run& run) {
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
    if (derived.design->swim.filmFrames) {
        j["film"] = swim.film.beatsRefused ? "refused" : "used";
        j["film_beats_by_told"] = swim.film.beats;
        if (derived.design->swim.seenYaw_rad) {
            j["seen_swing"] = swim.film.forceRefused ? "refused" : "used";
            j["seen_swing_force_by_told"] = swim.film.force;
        }
    }
    if (swim.bowl) {
        j["bowl"] = swim.bowl->refused ? "refused" : "used";
        j["bowl_rolls_per_second"] = {{"told", swim.bowl->told_1_s}, {"seen", swim.bowl->seen_1_s}};
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
    if (const auto mean = meanForces(derived, run, swim)) {
        Json m;
        put(m, "drag", Quantity::Force, mean->drag_N);
        put(m, "down", Quantity::Force, mean->down_N);
        m["still"] = heldJson(mean->still);
        if (mean->swinging) {
            m["swinging"] = heldJson(*mean->swinging);
        }
        j["mean_forces"] = m;
    }
    if (!swim.swings) {
        if (const auto disc = leastDisc_m(derived)) {
            put(j, "least_disc_that_wakes_it", Quantity::Length, *disc);
        }
    }
    const SwimSweep sweep = sweepSwim(derived, run);
    putSpeed(j, "wakes_at", sweep.wakesAt_m_s);
    if (!swim.flags.rollUnsettled) {  // else it is not told, as on the screen
        putSpeed(j, "hunts_above", sweep.huntsAbove_m_s);
        putSpeed(j, "hunts_not_before", sweep.notBefore_m_s);
    }
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

Json beatsJson(const Spread& s) {
    return {{"low", s.low}, {"middle", s.middle}, {"high", s.high}};
}

void putFlags(Json& j, const ChainBait& chain) {
    Json flags = Json::array();
    for (const auto& [on, name] : {std::pair{!chain.onePiece.empty(), "joint_opens_too_little"},
                                   std::pair{!chain.openWide.empty(), "no_stop_within_60_degrees"},
                                   std::pair{!chain.unlevel.empty(), "a_piece_leaves_the_level"},
                                   std::pair{chain.softTailHolds > 0, "soft_tail_bends"}}) {
        if (on) {
            flags.push_back(name);
        }
    }
    j["flags"] = flags;
}

Json glideJson(const Derived& derived) {
    const Glide glide = glideOf(derived);
    Json j;
    if (glide.untold) {
        j["verdict"] = "not_told";
        j["reason"] = glide.untold->code;
        return j;
    }
    j["verdict"] = nameOf(glide.verdict);
    j["cadence"] = glide.ownCadence ? "brief" : "usual_pull";
    j["turn_per_pull"] = spreadJson(Quantity::Angle, glide.turn_rad);
    j["width"] = spreadJson(Quantity::Distance, glide.width_m);
    j["way"] = spreadJson(Quantity::Distance, glide.way_m);
    if (glide.radius_m) {
        j["radius"] = spreadJson(Quantity::Distance, *glide.radius_m);
    }
    j["turns_to_and_fro"] = glide.walk.alternates;
    Json pieces = Json::array();
    for (size_t i = 0; i < glide.walk.pieces.size(); ++i) {
        Json one;
        put(one, "turn_per_pull", Quantity::Angle, glide.walk.pieces[i].turn_rad);
        put(one, "askew_of_its_way", Quantity::Angle, glide.walk.pieces[i].slip_rad);
        if (i > 0) {
            one["pulls_to_the_stop"] =
                std::count_if(glide.walk.pulls.begin(), glide.walk.pulls.end(),
                              [i](const PullResult& p) { return bool(p.touched[i - 1]); });
        }
        pieces.push_back(one);
    }
    j["pieces"] = pieces;
    put(j, "coast", Quantity::Distance, glide.coast.way_m);
    put(j, "coast_time", Quantity::Time, glide.coast.time_s);
    put(j, "gravity_ahead_of_side_area", Quantity::Length, glide.lever_m);
    j["pulls"] = glide.walk.pulls.size();
    putFlags(j, glide.chain);
    return j;
}

Json snakeJson(const Derived& derived) {
    const Snake snake = snakeOf(derived, towSpeed_m_s(derived));
    Json j;
    put(j, "speed", Quantity::Speed, snake.speed_m_s);
    if (snake.untold) {
        j["verdict"] = "not_told";
        j["reason"] = snake.untold->code;
        return j;
    }
    j["verdict"] = snake.verdict == SnakeVerdict::WillSwim  ? "swims"
                   : snake.verdict == SnakeVerdict::WillNot ? "will_not_swim"
                                                            : "cannot_tell";
    j["runs_that_swim"] = snake.swims;
    j["runs"] = snake.of;
    j["may_start_folded"] = snake.mayStartFolded;
    if (derived.design->swim.filmFrames) {
        j["film"] = snake.filmRefused ? "refused" : "used";
    }
    if (snake.swims > 0) {
        j["beats_per_second"] = beatsJson(snake.beats_1_s);
        j["nose_path"] = spreadJson(Quantity::Length, snake.path_m.front());
        j["tail_path"] = spreadJson(Quantity::Length, snake.path_m.back());
        Json joints = Json::array();
        for (size_t i = 0; i < snake.jointSwing_rad.size(); ++i) {
            Json one = spreadJson(Quantity::Angle, snake.jointSwing_rad[i]);
            put(one, "opening", Quantity::Angle, snake.chain.bait.joints[i].opening_rad);
            one["meets_its_stop"] = bool(snake.jointStops[i]);
            joints.push_back(one);
        }
        j["joints"] = joints;
    }
    putFlags(j, snake.chain);
    return j;
}

}  // namespace

const char* nameOf(GlideVerdict verdict) {
    switch (verdict) {
        case GlideVerdict::Straight:
            return "straight";
        case GlideVerdict::Arcs:
            return "arcs";
        case GlideVerdict::Walks:
            return "walks";
        case GlideVerdict::TurnsRound:
            return "turns_round";
        case GlideVerdict::Stuck:
            return "stuck";
        case GlideVerdict::CannotTell:
            break;
    }
    return "cannot_tell";
}

AnswerJson swimJson(const Derived& derived, const Run& run) {
    const SwimKind kind = swimKind(derived);
    Json j = kind == SwimKind::Wobble  ? wobbleJson(derived, run)
             : kind == SwimKind::Glide ? glideJson(derived)
                                       : snakeJson(derived);
    j["kind"] = kind == SwimKind::Wobble ? "wobble" : kind == SwimKind::Glide ? "glide" : "snake";
    return j;
}

}  // namespace wl
