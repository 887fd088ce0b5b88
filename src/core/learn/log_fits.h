// What the readings of one log teach, kept: an edit of the bait changes whose factor is asked, not
// what was read.
#pragma once

#include <map>
#include <memory>
#include <mutex>
#include <tuple>

#include "core/learn/log_readings.h"

namespace wl {

/// A fit for one bait's sake, and the notes its readings come from, one by one.
struct LogFit {
    FactorFit fit;
    std::vector<std::int64_t> notes;
    size_t readings = 0;  ///< of that bait in all of the log
    size_t outings = 0;   ///< they were taken on
};

/// By note.
using OddNotes = std::vector<std::pair<std::int64_t, OddReading>>;

/// Fits to the readings of a log, each made when it is first asked for. Every member may be called
/// from any thread.
class LogFits {
  public:
    /// `learns` false: as if nothing had been read.
    explicit LogFits(WaterLog log, bool learns = true);

    const WaterLog& log() const { return log_; }
    /// Whose factor that is, see factorOf.
    FactorOf whose(Learnt quantity, const LogBait& bait, std::int64_t copy, double usual,
                   double setting);
    /// To the readings nearest to it (nearestReadings); null when stopped.
    std::shared_ptr<const LogFit> fit(Learnt quantity, const FactorOf& of,
                                      std::stop_token stop = {});
    /// The readings of that fit the others do not lead one to expect. Takes as long as a fit for
    /// each that is looked at. Nothing when stopped.
    std::optional<OddNotes> odd(Learnt quantity, const FactorOf& of, std::stop_token stop = {});
    /// The same where it was found before.
    std::optional<OddNotes> oddKnown(Learnt quantity, const FactorOf& of) const;

  private:
    using Key = std::tuple<Learnt, int, int, int>;
    static Key keyOf(Learnt quantity, const FactorOf& of) {
        return {quantity, of.maker, of.family, of.bait};
    }
    const LogReadings& readings(Learnt quantity);

    const WaterLog log_;
    const bool learns_;
    mutable std::mutex mutex_;
    std::map<Learnt, LogReadings> readings_;  ///< a map's entries stay where they are
    std::map<Key, std::shared_ptr<const LogFit>> fits_;
    std::map<Key, OddNotes> odd_;
};

}  // namespace wl
