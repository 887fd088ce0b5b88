// A batch of baits over the evenings one has.
#pragma once

#include <cstdint>
#include <stop_token>
#include <vector>

#include "core/making/build_steps.h"

namespace wl {

/// One step of one bait: hands on it for a time, then it stands somewhere for another.
struct BatchTask {
    double work_s = 0.0;
    double cure_s = 0.0;
    WaitPlace place = WaitPlace::None;
    bool splits = false;  ///< may run over the end of an evening into the next
    bool operator==(const BatchTask&) const = default;
};

/// Hours one has, seconds on any clock.
struct Evening {
    double from_s = 0.0;
    double to_s = 0.0;
};

struct Workshop {
    std::vector<Evening> evenings;  ///< in order, apart
    int clamps = 4;
    int moulds = 1;
    int rack = 12;
    int turner = 6;
    int printers = 1;
    int placesOf(WaitPlace place) const;
};

/// When a task is done. A task that splits may rest between.
struct PlacedTask {
    size_t bait = 0;
    size_t task = 0;
    double from_s = 0.0;
    double to_s = 0.0;
    double ready_s = 0.0;  ///< dry
};

struct Schedule {
    std::vector<PlacedTask> tasks;  ///< in the order they begin
    double done_s = 0.0;            ///< the last bait is ready
    /// False: the evenings end before the work does; what did not fit is left out.
    bool whole = true;
};

/// One list of tasks for each bait, in the order they must be done. `order`: the bait whose next
/// task is placed next, as early as hands (one pair), hours and places allow.
Schedule placeInOrder(const std::vector<std::vector<BatchTask>>& baits, const Workshop& shop,
                      const std::vector<size_t>& order);

/// The plain ways: each step for all baits before the next, or each bait whole before the next,
/// whichever is done sooner.
Schedule plainSchedule(const std::vector<std::vector<BatchTask>>& baits, const Workshop& shop);

/// The earliest done found: of up to `kExhaustive` tasks every order is tried; of more, rules
/// (longest still to go, earliest possible, both plain ways) and orders drawn by the seed round the
/// best of them (serial generation with priority rules: Kolisch 1996). Of equally early ones that
/// in which the baits are done earlier in all. Never later than the plain ones. Same seed, same
/// schedule.
inline constexpr size_t kExhaustive = 9;
Schedule scheduleBatch(const std::vector<std::vector<BatchTask>>& baits, const Workshop& shop,
                       std::uint32_t seed = 1, std::stop_token stop = {});

}  // namespace wl
