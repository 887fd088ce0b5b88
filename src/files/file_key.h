// What a field of a design is called in files. Internal to the room.
#pragma once

#include <string>
#include <string_view>

#include "core/base/quantity.h"

namespace wl {

/// The name with its unit: "length_mm".
inline std::string fileKey(std::string_view name, Quantity quantity) {
    return std::string(name) + std::string(fileSuffix(quantity));
}

}  // namespace wl
