// The font that ships with the programs.
#pragma once

#include <QString>

namespace wl {

/// Registers the shipped font once; its family, or an empty string when it cannot be read.
QString loadShippedFont();

}  // namespace wl
