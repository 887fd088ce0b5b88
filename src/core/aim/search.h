// The search for lip and tie: trials on bench steps, the best by chance. Internal to the room.
#pragma once

#include <functional>
#include <map>
#include <mutex>
#include <random>
#include <stop_token>
#include <vector>

#include "core/aim/trial.h"

namespace wl {

/// A target in figures with the doubt it is searched with: one for the whole search, else what is
/// less sure would pass for better where the band is out of reach.
struct SoughtTarget {
    AimTarget band;
    double doubt = 1.0;
};

/// How far a trial's values lie outside the bands, added up: shares of themselves, pitch and cast
/// balance as they are; of bands drawn in by a two hundredth, for a trial is that near the whole
/// reckoning. What is not told is out of all reach.
double outsideBy(const std::vector<SoughtTarget>& targets, const AimTrial& trial);

/// Whether a trial breaks no rule and lies within every band, drawn in like that.
bool within(const std::vector<SoughtTarget>& targets, const AimTrial& trial);

/// Whether a lever's range holds where it stands, or a step of the bench.
bool hasStep(const AimLever& lever, double drawn);

/// Where levers stand, in bench steps from the drawing: 0 is as drawn, even off the bench's steps.
using LeverSteps = std::vector<int>;

/// Every trial made, each once, by its steps: a pure function of them, so that the number of
/// threads and their order change nothing.
class AimSearch {
  public:
    /// What breaks a rule comes after all that keeps them, however far off those are, by how far it
    /// does: its cost is over this.
    static constexpr double kFaulty = 1e4;

    struct Entry {
        AimTrial trial;
        double loss = 0.0;  ///< sum over the targets, each by its weight: 0 as good as can be
        double cost = 0.0;  ///< with faults and a little for every change
    };

    AimSearch(const AimBase& base, std::vector<AimLever> levers, std::vector<SoughtTarget> targets,
              std::stop_token stop);

    const Entry& at(const LeverSteps& steps);
    /// On two threads.
    void tryAll(const std::vector<LeverSteps>& all);

    /// As drawn, or the nearest step of a range that does not hold that.
    LeverSteps start() const;
    bool inRange(const LeverSteps& steps) const;
    std::vector<double> valuesAt(const LeverSteps& steps) const;
    /// Moved from the drawing, in shares of each lever's range.
    std::vector<double> movedAt(const LeverSteps& steps) const;
    const std::vector<AimLever>& levers() const { return levers_; }
    const std::vector<SoughtTarget>& targets() const { return targets_; }
    const AimBase& base() const { return base_; }
    bool stopped() const { return stop_.stop_requested(); }
    std::stop_token stop() const { return stop_; }

    /// Each lever alone over its range, every second step.
    void scan();
    /// 48 places that fill the ranges evenly (Halton 1960).
    void spread();
    /// Rounds of a quadratic in the logarithms of what is sought, refitted about the best.
    void refine();
    /// From the best by bench steps; and where it could be better by more than half a step of the
    /// bench, from the best of up to three other places, a fifth of a range or more from all walked
    /// from or to. What is nearly inside the bands goes on to where it is. Returns the best.
    LeverSteps descend();
    /// By bench steps from there while the key falls: 4, 2 and 1 of each lever, then pairs of one.
    using Key = std::function<double(const LeverSteps&)>;
    LeverSteps walk(LeverSteps from, const Key& key, int moves = 60);
    /// As `walk`, from the least point NLopt's COBYLA (Powell 1994) finds in so many trials.
    LeverSteps minimise(const LeverSteps& from, int trials, const Key& key);

    LeverSteps best() const;
    /// Every trial, in the order of its steps.
    const std::map<LeverSteps, Entry>& trials() const { return table_; }
    double costOf(const LeverSteps& steps) { return at(steps).cost; }

  private:
    Entry judged(const LeverSteps& steps) const;
    int lowest(size_t lever) const;
    int highest(size_t lever) const;
    LeverSteps nearest(const std::vector<double>& shares) const;
    /// A stride each way of every lever; with none, every two levers by one step at once.
    std::vector<LeverSteps> beside(const LeverSteps& from, int stride) const;
    /// Along the edge of a rule, where no step is better: to the best place beside that it has not
    /// been, and on, until it is inside every band (Glover 1989).
    void edge(LeverSteps from);
    double predicted(const std::vector<double>& told, const std::vector<double>& moved) const;

    const AimBase& base_;
    std::vector<AimLever> levers_;
    std::vector<double> drawn_;
    std::vector<SoughtTarget> targets_;
    std::vector<AimMeasure> fitted_;  ///< the targets', and the swing of what swims
    bool swims_ = false;
    std::stop_token stop_;
    mutable std::mutex mutex_;
    std::map<LeverSteps, Entry> table_;
};

}  // namespace wl
