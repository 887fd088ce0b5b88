// How sure the float state is: measuring errors carried to the chance that it floats, hangs or
// sinks, and the measurement that pays most to improve.
#pragma once

#include <cstdint>
#include <stop_token>
#include <string>
#include <vector>

#include "core/reckon/derived.h"

namespace wl {

/// One error and what it does to the spare. `code` names it: "doubt.calliper", "doubt.scale",
/// "doubt.moisture", "doubt.density", "doubt.drawn_volume", "doubt.body_weighing", "doubt.coat",
/// "doubt.plug", "doubt.part", "doubt.lip", "doubt.wire".
struct DoubtSource {
    std::string code;
    std::string name;  ///< of the part, empty for the body's own
    std::string path;
    double effect_kg = 0.0;    ///< standard uncertainty of (displaced mass - mass) from it alone
    double share = 0.0;        ///< of the variance
    double better_kg = 0.0;    ///< the same measured with the next better instrument
    bool rectangular = false;  ///< a reading between two marks; otherwise a normal spread
    bool ofBody = false;       ///< of the chain's own stock and how it was measured
};

struct Chances {
    double floats = 0.0;
    double suspends = 0.0;
    double sinks = 0.0;
};

/// What it pays to measure better.
struct Improvement {
    size_t source = 0;
    double wrongAfter = 0.0;  ///< chance of the wrong state with the better measurement
    double standardAfter_kg = 0.0;
};

struct Doubt {
    double net_kg = 0.0;       ///< displaced mass - mass as reckoned
    double standard_kg = 0.0;  ///< its standard uncertainty
    double band_kg = 0.0;      ///< within this of zero it hangs (moves under the suspend speed)
    std::vector<DoubtSource> sources;  ///< the largest first
    Chances chances;
    double wrong = 0.0;  ///< chance that it does something else than the brief wants
    std::vector<Improvement> improvements;  ///< the best first, at most three
};

/// First order (GUM: JCGM 100:2008, 5.1.2). Half-widths count as a/sqrt(3). The chances take the
/// largest rectangular source as it is and the rest as normal, exact for that pair:
/// P(D < t) = (s/2h)[G((t-D+h)/s) - G((t-D-h)/s)], G(z) = z Phi(z) + phi(z).
Doubt computeDoubt(const Design& design, const Derived& derived);

/// The same chances by `count` draws of every error through the full (not linear) body reckoning.
/// A counter-based generator: draw i depends on seed and i alone. Stops early when asked, with the
/// draws done so far (`drawn`).
struct SampledDoubt {
    Chances chances;
    double mean_kg = 0.0;
    double standard_kg = 0.0;
    size_t drawn = 0;
};
SampledDoubt sampleDoubt(const Design& design, const Derived& derived, size_t count,
                         std::uint64_t seed, std::stop_token stop = {});

/// Chances for a net mass with one rectangular and one normal error, see computeDoubt.
Chances chancesFor(double net_kg, double band_kg, double rectangularHalf_kg, double normal_kg);

/// The bait without its paint and clear coats, as it goes into the tank before them.
Design withoutFinish(const Design& design);

}  // namespace wl
