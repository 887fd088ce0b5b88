// What a log makes of a figure: a factor with its band. Apart from how it is found, for all that
// shows it.
#pragma once

#include <optional>

namespace wl {

/// A factor on what is reckoned, with its 90 % band; all over 0, low <= middle <= high.
struct FactorBand {
    double low = 1.0;
    double middle = 1.0;
    double high = 1.0;
};

/// What a log teaches of how one bait runs: nothing where nothing was read of it and its kin.
struct TaughtFactors {
    std::optional<FactorBand> depth, beats, swing;
};

}  // namespace wl
