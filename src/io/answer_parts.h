// How every answer begins, and how one says no.
#pragma once

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

}  // namespace wl
