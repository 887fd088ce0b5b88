// A mould of two halves, what is poured into it, and what the copies come to.
#pragma once

#include <array>
#include <optional>
#include <stop_token>
#include <vector>

#include "core/reckon/evaluate.h"

namespace wl {

/// Amounts of one pour.
struct ResinAmounts {
    double volume_m3 = 0.0;  ///< in the mould, air and all
    double resin_kg = 0.0;   ///< both parts together
    double filler_kg = 0.0;
};

/// How a copy made from the mix lies in the water, lead and hooks as designed.
struct CopyState {
    double fillerShare = 0.0;
    double trappedAir = 0.0;
    double mass_kg = 0.0;
    double spare = 0.0;
    double pitch_rad = 0.0;
};

/// The box a mould is poured in.
struct MouldBox {
    Eigen::Vector3d box_m = Eigen::Vector3d::Zero();  ///< its inside: long, across, high
    double bait_m3 = 0.0;                             ///< all pieces and side pieces
    double siliconeHalf_m3 = 0.0;                     ///< of either half, waste in
    double siliconeHalf_kg = 0.0;
};

/// The bait's own box with the wall all round, parted along the middle plane; silicone per half =
/// box half - half the bait.
MouldBox mouldBox(const Design& design, const Derived& derived);

struct MouldPlan : MouldBox {
    ResinAmounts one;   ///< of a bait, waste in
    ResinAmounts pour;  ///< of a batch that can be poured before it sets
    int baits = 1;
    int perBatch = 0;  ///< baits poured from one batch; 0: it sets before the first is full
    int batches = 0;
    /// Of a body made of that mix: as mixed, then at the light and at the heavy end of how well it
    /// is measured.
    std::vector<CopyState> copies;
};

/// For a body of any make: what a mould of it takes. Errors: those of evaluating the copies.
Result<MouldPlan> planMould(const Design& design, const Derived& derived,
                            std::stop_token stop = {});

/// What the first copy on the scale says of the next ones.
struct NextCopy {
    double density_kg_m3 = 0.0;  ///< the copy's
    double ofMix = 1.0;          ///< by what the mix should have given
    double fillerShare = 0.0;    ///< for the wanted density; as it is where none gives it
    bool reached = true;         ///< the wanted density with that share
    Design design;               ///< mixed so, and its air as found; lead yet to be planned
};

/// From the weighed body of a cast bait (the copy, trimmed, before any hole): its density by the
/// drawn volume, the air that would make it so (or the resin heavier, where none would), and the
/// filler for the density wanted of the mix. Errors: "mould.no_copy" (nothing weighed),
/// "mould.not_cast".
Result<NextCopy> nextCopy(const Design& design, const Derived& derived);

/// How much of a finish or filler a batch takes, as it comes out of its tin.
struct BenchAmount {
    std::string name;
    double volume_m3 = 0.0;  ///< of one bait
    double mass_kg = 0.0;
};

/// Wet volume of every coat on one bait (skin x thickness x coats, before it dries), and of the
/// filler over the lead (it has no name), summed by name, in the order they go on.
std::vector<BenchAmount> benchAmounts(const Design& design, const Derived& derived);

}  // namespace wl
