// An eye on the skin with what hangs from it.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/design/design.h"
#include "core/geometry/body_curves.h"

namespace wl {

/// A place on the skin of the middle plane, and the skin it is on.
struct SkinPlace {
    double x_m = 0.0;
    double z_m = 0.0;
    FeatureFrom from = FeatureFrom::Belly;
};

/// The place on the skin nearest to one on the picture (body frame, from the side): nose and tail
/// within a thirtieth of the length of the tips, belly or back between, whichever is nearer.
SkinPlace skinPlaceNear(const BodyCurves& curves, double x_m, double z_m);

/// What the maker says of a set before it is put on.
struct HookSetWish {
    std::string where;  ///< "belly": its parts are called "belly eye", ...
    std::string onEye;  ///< an eye there is already, by name; then no other is put in
    SkinPlace at;
    double eyeSize_m = 0.005;     ///< outer diameter, the nearest on the shelf is taken
    double longestStem_m = 0.02;  ///< longer ones would come out
    std::optional<Fitting> hook;  ///< none: the eye alone
    double ringSize_m = 0.006;
};

/// The design with a screw eye there, its ring outside the skin, and ring and hook hanging from it:
/// three parts of the list, each to be changed or taken off by itself. An eye that has a split ring
/// already gets no second one. Names are made unique.
/// Without a fitting eye on `shelf` one of usual wire is taken (common practice, no source).
Design withHookSet(const Design& design, const std::vector<Fitting>& shelf,
                   const HookSetWish& wish);

/// A name no fitting of the design has: as wanted, or with a number after it.
std::string freeFittingName(const Design& design, const std::string& wanted);

}  // namespace wl
