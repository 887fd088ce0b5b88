// How numbers, places and findings are written into the JSON a report or an answer is made of.
#pragma once

#include <nlohmann/json.hpp>
#include <string>

#include <Eigen/Core>

#include "core/base/finding.h"
#include "core/base/result.h"

namespace wl {

/// Keys stay in the order they are written.
using AnswerJson = nlohmann::ordered_json;

/// A number in its file unit, the unit in the key; one that is not finite is left out.
void put(AnswerJson& out, const std::string& name, Quantity quantity, double value);
/// A place in the body frame (aft, port, up), mm.
void putPlace(AnswerJson& out, const std::string& name, const Eigen::Vector3d& place_m);
/// Code, severity, path, values, sentence and the edits that would cure it.
AnswerJson findingJson(const Finding& finding);
/// Code, path and sentence.
AnswerJson errorJson(const Error& error);
/// The text of a file: indented, damaged UTF-8 replaced.
std::string answerText(const AnswerJson& json);

}  // namespace wl
