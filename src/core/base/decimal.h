// Decimals as files, devices and schemas write them: with a point, whatever the desktop's language.
#pragma once

#include <charconv>
#include <cmath>
#include <optional>
#include <string>
#include <string_view>

namespace wl {

/// The number `text` holds from its first to its last character (a leading + is allowed), or
/// nothing when it holds something else or the number is not finite.
inline std::optional<double> decimalFrom(std::string_view text) {
    if (text.size() > 1 && text.front() == '+' && text[1] != '-') {
        text.remove_prefix(1);
    }
    double value = 0.0;
    const auto read = std::from_chars(text.data(), text.data() + text.size(), value);
    if (text.empty() || read.ec != std::errc() || read.ptr != text.data() + text.size() ||
        !std::isfinite(value)) {
        return std::nullopt;
    }
    return value;
}

/// `value` with so many significant digits, trailing zeros dropped (as "%g" writes it). Finite
/// only.
inline std::string decimalText(double value, int significant) {
    char text[64];
    const auto end =
        std::to_chars(text, text + sizeof text, value, std::chars_format::general, significant);
    return {text, end.ptr};
}

/// `value` with so many decimals (as "%f" writes it); |value| below 1e15, decimals at most 20.
inline std::string fixedDecimalText(double value, int decimals) {
    char text[64];
    const auto end =
        std::to_chars(text, text + sizeof text, value, std::chars_format::fixed, decimals);
    return {text, end.ptr};
}

}  // namespace wl
