// How every answer begins, and how one says no.
#pragma once

#include "core/rest/let_go.h"
#include "io/answers.h"
#include "io/json_answer.h"

namespace wl {

inline AnswerJson begun(const char* about, const Design& design) {
    return {{"format", "wade-line-answer"}, {"about", about}, {"design", design.name}};
}

inline Answer refused(AnswerJson json, const Error& error) {
    json["error"] = errorJson(error);
    return {answerText(json), false, {}};
}

/// State, weight under water, speed and attitude of a bait let go.
inline void putStill(AnswerJson& j, const StillWater& w) {
    j["state"] = w.state == RestState::Floats     ? "floats"
                 : w.state == RestState::Suspends ? "suspends"
                                                  : "sinks";
    put(j, "net", Quantity::Mass, w.net_kg);
    put(j, "spare", Quantity::Fraction, w.spare);
    put(j, "speed", Quantity::Speed, w.speed_m_s);
    if (w.attitudeDecided) {
        put(j, "pitch", Quantity::Angle, w.pitch_rad);
        put(j, "roll", Quantity::Angle, w.roll_rad);
    }
}

}  // namespace wl
