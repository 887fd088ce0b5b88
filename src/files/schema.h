// The published JSON Schema of the design file, made from the same description that reads it.
#pragma once

#include <string>

namespace wl {

/// JSON Schema (draft 2020-12) of the current version, as docs/design.schema.json holds it.
std::string designSchema();

}  // namespace wl
