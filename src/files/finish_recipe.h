// A finish by itself, to be put on another bait.
#pragma once

#include <string>

#include "core/base/result.h"
#include "core/design/design.h"

namespace wl {

/// The coats of a design as they stand in its file: a JSON list.
std::string writeFinish(const Design& design);

/// The design with those coats in place of its own, checked as a file is. Errors: those of
/// readDesign, "file.not_json".
Result<Design> withFinish(const Design& design, const std::string& text);

}  // namespace wl
