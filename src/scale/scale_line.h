// What a bench scale says on its serial line.
#pragma once

#include <optional>
#include <string_view>

namespace wl {

/// One line read: kilograms, and whether the scale marks it as still moving.
struct ScaleLine {
    double mass_kg = 0.0;
    bool moving = false;
};

/// Most bench scales send a line of text for each reading: words, a signed number, a unit. The last
/// number followed by a unit of mass (g, kg, mg, oz, ozt, ct, gr, lb) is taken; a `?` or the word
/// "unstable" anywhere marks it as moving. Nothing when there is no such number: noise, half a
/// line, "OVERLOAD". At most 80 characters are looked at.
std::optional<ScaleLine> readScaleLine(std::string_view line);

}  // namespace wl
