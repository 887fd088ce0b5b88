// From a photograph of a floating bait to how it lies.
#pragma once

#include <vector>

#include "core/base/result.h"
#include "core/design/body.h"

namespace wl {

/// Marks set on the picture, as shares of its width. From the side: nose tip and tail tip, and the
/// highest place of the back. From ahead: belly and back on the middle line.
struct FloatPhoto {
    bool fromAhead = false;
    double widthPixels = 1000.0;   ///< of the picture: how closely a mark can be set
    double knownLength_m = 0.1;    ///< between the two marks of the scale
    std::vector<PicturePoint> scale, water;  ///< two each, far apart
    std::vector<PicturePoint> axis;          ///< nose, tail; from ahead: belly, back
    std::vector<PicturePoint> back;          ///< one, from the side
    double baitLength_m = 0.0;     ///< nose to tail by the design; 0: not held against it
    double axisRise_rad = 0.0;     ///< of the line from tail tip to nose tip over the reference line
};

/// What is read, each with its standard error by the marks.
struct FloatSeen {
    double angle_rad = 0.0;  ///< nose up; from ahead port side up
    double angleError_rad = 0.0;
    std::optional<double> showing_m;  ///< of the back over the water
    double showingError_m = 0.0;
    double lengthRatio = 1.0;  ///< length of the bait in the picture by the design's
};

/// The waterline is the level, however the picture was held. Errors: "photo.marks_missing" (word:
/// which), "photo.too_near" (word: which marks), "photo.on_its_side" (water over 45 degrees),
/// "photo.skewed" (value: ratio; the bait looks over 8 % longer or shorter than it is: taken aslant,
/// or the scale lies nearer or farther than the bait).
Result<FloatSeen> readFloatPhoto(const FloatPhoto& photo);

}  // namespace wl
