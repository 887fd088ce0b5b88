// A whole bait to begin from: hooks, eyes, lip, lead planned, so that it meets its brief.
#pragma once

#include <functional>
#include <optional>
#include <stop_token>

#include "core/plan/plan_lead.h"
#include "core/reckon/run.h"
#include "core/shape/start_shape.h"

namespace wl {

/// What a maker says before the first cut. `fittings` are those to choose from (hooks, rings, eyes
/// with their sizes and masses), `coats` the finish it gets.
struct NewBaitWish {
    StartKind kind = StartKind::Diver;
    double length_m = 0.08;
    std::optional<Body> body;  ///< a shape of the maker's own instead of the kind's
    Stock stock;
    Brief brief;  ///< water, line, cast; wanted state and depth. Its pitch is the kind's own.
    std::vector<Fitting> fittings;
    std::vector<Coat> coats;
};

/// The usual brief of a kind: at rest, spare or sink speed, nose, depth (common practice, no
/// source). Water, line and cast are kept as they are in `from`.
Brief usualBrief(StartKind kind, Brief from);

/// Whether the depth of such a bait can be wished for: by its lip or its face, or by counting it
/// down when it sinks. A floating bait with neither runs at the top.
bool depthCanBeWished(StartKind kind, WantedState state);

/// A joint cut at `x_m` into the piece there, hinge and pocket sized to the body; the after piece
/// gets the stock of the first. Nothing when the body cannot be built or has five pieces already.
std::optional<Design> withJointAt(const Design& design, double x_m);

/// How the parts of a new bait are laid out: which of the ways of boring, how deep and wide the
/// bores are as shares of the body (lead lies at their deep end), how long the hooks as a share of
/// the length.
struct NewBaitLayout {
    size_t bores = 0;
    double boreDepth = 0.66;
    double boreWidth = 0.9;  ///< of half the breadth
    double hooks = 0.23;
};
inline constexpr size_t kBoreLayouts = 6;

/// The parts of such a bait before anything is planned: shape, joint, eyes, rings, hooks, lip and
/// empty bores. Errors: those of BodyCurves::build.
Result<Design> newBaitParts(const NewBaitWish& wish, const NewBaitLayout& layout);

/// What came of it: the bait, its reckoning and run, and every warning that stands against it (none
/// when it meets its brief).
struct NewBait {
    Design design;
    std::shared_ptr<const Derived> derived;
    Run run;
    std::vector<Finding> against;
};

/// The warnings and errors that stand against a bait; of its run, where there is one.
std::vector<Finding> warningsOf(const Design& design, const Derived& derived, const Run* run);

/// The bait of that wish with the fewest warnings: layouts are tried until the lead plan meets mass
/// and attitude, then the lip's angle and length (the nose face's angle, the count) until it runs
/// at the depth wanted; where the line would hang slack, or a sinking one go too deep, it is
/// retrieved faster. The wanted pitch is set to what the lead then gives, on the half degree. Same
/// wish, same bait. `progress` is told shares from 0 to 1. Errors: those of newBaitParts and
/// evaluate; "plan.stopped".
Result<NewBait> makeNewBait(const NewBaitWish& wish, std::stop_token stop = {},
                            const std::function<void(double)>& progress = {});

}  // namespace wl
