// Drawings as files other programs and machines read.
#pragma once

#include <string>

#include "core/base/result.h"
#include "core/draw/drawing.h"

namespace wl {

/// An SVG picture at true scale: its size in millimetres, a margin of 5 mm round the drawing.
std::string svgOf(const Drawing& drawing, const std::string& title);

/// A DXF drawing (AC1015) in millimetres, x to the right and y up; each kind of thing on the layer
/// of its name, hidden edges dashed. Words and marks come as text, circles and lines. Errors:
/// "file.cannot_write" when there is no place for a working file, "file.disk_full".
Result<std::string> dxfOf(const Drawing& drawing);

}  // namespace wl
