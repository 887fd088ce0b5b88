// Older design files brought up to the current version, one step at a time.
#pragma once

#include <nlohmann/json_fwd.hpp>
#include <optional>

#include "core/base/result.h"

namespace wl {

/// Rewrites `json` in place from `fromVersion` to kFormatVersion. Error: "file.wrong_type".
///
/// 1 -> 2: a design had one `body` and one `stock` at the top; they move into the first of
/// `pieces`.
///         `lip.angle_from_vertical_deg` becomes `lip.angle_deg`, measured from the body axis.
/// 2 -> 3: the one piece's `body` moves to the top; pieces keep their name and stock.
std::optional<Error> migrate(nlohmann::json& json, int fromVersion);

}  // namespace wl
