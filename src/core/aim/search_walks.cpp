// The ways an aim's search goes down from a place: by bench steps, along the edge of a rule, by
// COBYLA.
#include <algorithm>
#include <cmath>
#include <nlopt.hpp>
#include <set>

#include "core/aim/search.h"

namespace wl {

std::vector<LeverSteps> AimSearch::beside(const LeverSteps& from, int stride) const {
    const auto moved = [this](LeverSteps steps, size_t i, int by) {
        steps[i] = std::clamp(steps[i] + by, lowest(i), highest(i));
        return steps;
    };
    std::vector<LeverSteps> near;
    for (size_t i = 0; i < levers_.size(); ++i) {
        for (const int by : {-1, 1}) {
            if (stride > 0) {
                near.push_back(moved(from, i, by * stride));
            }
            for (size_t j = i + 1; stride == 0 && j < levers_.size(); ++j) {
                near.push_back(moved(moved(from, i, by), j, 1));
                near.push_back(moved(moved(from, i, by), j, -1));
            }
        }
    }
    return near;
}

LeverSteps AimSearch::walk(LeverSteps from, const Key& key, int moves) {
    double least = key(from);
    bool gained = true;
    for (int move = 0; gained && move < moves && !stopped(); ++move) {
        gained = false;
        for (const int stride : {4, 2, 1, 0}) {
            const std::vector<LeverSteps> near = beside(from, stride);
            tryAll(near);
            for (const LeverSteps& steps : near) {
                if (const double k = key(steps); k < least - 1e-9) {
                    least = k;
                    from = steps;
                    gained = true;
                }
            }
            if (gained) {
                break;
            }
        }
    }
    return from;
}

void AimSearch::edge(LeverSteps from) {
    constexpr int kMoves = 12;
    std::set<LeverSteps> been{from};
    for (int move = 0; move < kMoves && !stopped(); ++move) {
        std::vector<LeverSteps> near;
        for (const int stride : {2, 1, 0}) {
            for (LeverSteps& steps : beside(from, stride)) {
                near.push_back(std::move(steps));
            }
        }
        tryAll(near);
        double least = kFaulty;
        for (const LeverSteps& steps : near) {
            const Entry& entry = at(steps);
            if (within(targets_, entry.trial)) {
                return;
            }
            if (entry.cost < least && been.count(steps) == 0) {
                least = entry.cost;
                from = steps;
            }
        }
        if (least >= kFaulty) {
            return;
        }
        been.insert(from);
    }
}

LeverSteps AimSearch::descend() {
    constexpr int kOthers = 3;
    constexpr double kApart = 0.2, kHalfStep = 0.02, kNearlyInside = 0.05;
    const Key cost = [this](const LeverSteps& steps) { return costOf(steps); };
    std::vector<std::vector<double>> walked;
    const auto isFar = [&](const std::vector<double>& moved) {
        return std::all_of(walked.begin(), walked.end(), [&](const std::vector<double>& other) {
            double apart = 0;
            for (size_t i = 0; i < moved.size(); ++i) {
                apart = std::max(apart, std::abs(moved[i] - other[i]));
            }
            return apart >= kApart;
        });
    };
    LeverSteps from = best();
    for (int i = 0; i <= kOthers && !stopped(); ++i) {
        walked.push_back(movedAt(from));
        walked.push_back(movedAt(walk(from, cost)));
        const Entry& there = at(best());
        if (there.trial.fault == AimTrial::Fault::None && there.loss < kHalfStep) {
            break;
        }
        double least = 1e300;
        for (const auto& [steps, entry] : table_) {
            if (entry.cost < least && isFar(movedAt(steps))) {
                least = entry.cost;
                from = steps;
            }
        }
        if (least >= kFaulty) {
            break;
        }
    }
    const Entry& there = at(best());
    if (there.trial.fault == AimTrial::Fault::None &&
        outsideBy(targets_, there.trial) < kNearlyInside) {
        edge(best());
    }
    return best();
}

LeverSteps AimSearch::minimise(const LeverSteps& from, int trials, const Key& key) {
    struct Sought {
        AimSearch& search;
        const Key& key;
        LeverSteps best;
        double least;
    } sought{*this, key, from, key(from)};
    const auto objective = [](const std::vector<double>& x, std::vector<double>&, void* data) {
        Sought& s = *static_cast<Sought*>(data);
        const LeverSteps steps = s.search.nearest(x);
        const double k = s.key(steps);
        if (k < s.least) {
            s.least = k;
            s.best = steps;
        }
        if (s.search.stopped()) {
            throw nlopt::forced_stop();
        }
        return k;
    };
    std::vector<double> x;
    const std::vector<double> values = valuesAt(from);
    for (size_t i = 0; i < levers_.size(); ++i) {
        x.push_back(std::clamp((values[i] - levers_[i].low) / (levers_[i].high - levers_[i].low),
                               0.0, 1.0));
    }
    try {
        nlopt::opt solver(nlopt::LN_COBYLA, unsigned(levers_.size()));
        solver.set_lower_bounds(0.0);
        solver.set_upper_bounds(1.0);
        solver.set_initial_step(0.15);
        solver.set_min_objective(objective, &sought);
        solver.set_maxeval(trials);
        double least = 0;
        solver.optimize(x, least);
    } catch (const std::exception&) {
        // Stopped, or at the limits of rounding: the best so far stands.
    }
    return walk(sought.best, key);
}

}  // namespace wl
