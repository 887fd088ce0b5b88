// Notes of a log as readings of factors.
#pragma once

#include "core/learn/factor_told.h"
#include "core/learn/water_log.h"

namespace wl {

/// What a note of that kind teaches of a bait of that family; nothing for what is only told.
std::optional<Learnt> learntOf(NoteKind kind, const std::string& family);

/// A log's readings of one quantity, and the notes they come from (places in log.notes).
struct LogReadings {
    std::vector<FactorReading> readings;
    std::vector<size_t> notes;
    /// A bait's number by what was reckoned of it as it is usually fished: edited until that is
    /// more than a tenth off, it is another bait of its kind and maker.
    struct Version {
        std::string bait;
        double usual = 0.0;
        int number = 0;
    };
    std::vector<Version> versions;
    /// The number of a bait reckoned so now; under 0 where none was read.
    int baitAs(const std::string& bait, double usual) const;
};
/// Only notes that are used, measured and were reckoned, in the order of the log. Notes of no
/// outing are each an outing of their own.
LogReadings readingsOf(const WaterLog& log, Learnt quantity);

/// Of more than `most` those that tell most of a bait: its own newest, half of them in any case;
/// then of every other bait the newest, the next to newest and so on, its family's before others'.
/// In the order they stood in.
LogReadings nearestReadings(const LogReadings& read, const FactorOf& of,
                            size_t most = FactorFit::kMost);

/// Whose factor that of a copy of a bait is, by the numbers of `read`; under 0 where the log has
/// nothing of the kind. `usual`: what is reckoned of it as usually fished; `setting`: ln of what is
/// reckoned here by that.
FactorOf factorOf(const WaterLog& log, const LogReadings& read, const LogBait& bait,
                  std::int64_t copy, double usual, double setting);

/// How often what was seen lay in the band foretold.
struct Scoreboard {
    size_t told = 0;  ///< notes with a band
    size_t inside = 0;
    double offBook = 0.0;  ///< root of the mean square of ln(seen / reckoned), of values
    double offTold = 0.0;  ///< the same by what was foretold with the factor
};
Scoreboard scoreOf(const WaterLog& log, NoteKind kind);

}  // namespace wl
