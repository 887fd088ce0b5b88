// Bytes as text in a JSON file (RFC 4648, standard alphabet, padded).
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace wl {

std::string toBase64(std::string_view bytes);

/// Nothing when the text is not base64.
std::optional<std::string> fromBase64(std::string_view text);

}  // namespace wl
