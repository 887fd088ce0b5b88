// The shape of a bait: stations, sloped or cupped ends, an imported solid, and what it was traced
// from. Frames and units as in design/design.h.
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "core/base/triangle_mesh.h"
#include "core/base/units.h"

namespace wl {

/// One cross-section of the body. The section is two superellipse halves that meet at the widest
/// line: |y/b|^n + |(z - widest)/h|^n = 1, n = fullness (2 is round, 1 straight flanks, 8 square).
struct Station {
    double position_m = 0.0;   ///< x
    double back_m = 0.0;       ///< z of the back
    double belly_m = 0.0;      ///< z of the belly
    double halfWidth_m = 0.0;  ///< y of the widest line
    double widest_m = 0.0;     ///< z of the widest line, between belly and back
    double fullnessAbove = 2.0;
    double fullnessBelow = 2.0;
    bool operator==(const Station&) const = default;
};

/// How an outline closes: Round leaves the tip at right angles to the axis (y ~ sqrt(x)), Pointed
/// leaves it at a finite slope.
enum class EndShape { Round, Pointed };

/// A flat face cut across an end of the body. It crosses the reference line at x and makes `angle`
/// with the body axis: 90 deg is square, less at the nose looks up and forward (it dives).
struct EndFace {
    bool present = false;
    double x_m = 0.002;
    double angle_rad = 60.0 * kDegree;
    double cupDepth_m = 0.0;  ///< of a dish hollowed in the face, 0: flat
    double cupShare = 0.85;   ///< how far out towards the edge of the face the dish reaches
    bool operator==(const EndFace&) const = default;
};

/// Overall sizes that edits of stations leave as they are.
struct SizeLocks {
    bool length = false;
    bool width = false;
    bool height = false;
    bool operator==(const SizeLocks&) const = default;
};

struct Body {
    EndShape nose = EndShape::Round;
    EndShape tail = EndShape::Round;
    std::vector<Station> stations;  ///< at least four, nose first, positions rising
    EndFace noseFace;
    EndFace tailFace;
    SizeLocks locks;
    bool useSolid = false;  ///< volume and floating from the imported solid, not the stations
    SharedMesh solid;       ///< closed and outward; the stations are slices of it
    bool operator==(const Body&) const = default;
};

/// Bytes shared between copies of a design.
struct SharedBytes {
    std::shared_ptr<const std::string> bytes;
    bool operator==(const SharedBytes& o) const {
        return bytes == o.bytes || (bytes && o.bytes && *bytes == *o.bytes);
    }
    explicit operator bool() const { return bytes && !bytes->empty(); }
};

/// A place in a picture, pixels from its top left corner, as shares of its width.
struct PicturePoint {
    double across = 0.0;
    double down = 0.0;
    bool operator==(const PicturePoint&) const = default;
};

/// A photograph or scan under the side view, and what was traced on it.
struct Trace {
    std::string picturePath;  ///< where it was loaded from
    SharedBytes picture;      ///< PNG or JPEG, when it is kept with the design
    double knownLength_m = 0.1;
    std::vector<PicturePoint> scale;  ///< two places that far apart
    std::vector<PicturePoint> axis;   ///< nose tip, tail tip
    std::vector<PicturePoint> back;
    std::vector<PicturePoint> belly;
    bool shown = true;  ///< under the side view
    bool operator==(const Trace&) const = default;
};

}  // namespace wl
