#include "core/aim/search.h"

#include <algorithm>
#include <atomic>
#include <boost/math/special_functions/prime.hpp>
#include <cmath>
#include <thread>

#include "core/base/dense.h"
#include "core/model/draws.h"

namespace wl {
namespace {

constexpr double kPerChange = 0.02;  // of a lever's whole range
constexpr double kPerFault = 10.0, kLossInFault = 0.1, kUntold = 100.0;

bool isOfSwim(AimMeasure what) {
    return what == AimMeasure::Beats || what == AimMeasure::Swing || what == AimMeasure::RollToYaw;
}

double total(const std::vector<double>& moved) {
    double sum = 0;
    for (const double m : moved) {
        sum += std::abs(m);
    }
    return sum;
}

// Lowest and highest step of a range from where the lever stands; that counts as one of a range
// that holds it, even between two.
std::pair<int, int> stepsOf(const AimLever& lever, double drawn) {
    constexpr double kRounding = 1e-9;
    const double step = lever.step, at = std::round(drawn / step);
    int low = int(std::ceil(lever.low / step - kRounding) - at);
    int high = int(std::floor(lever.high / step + kRounding) - at);
    if (drawn >= lever.low - kRounding && drawn <= lever.high + kRounding) {
        low = std::min(0, low);
        high = std::max(0, high);
    }
    return {low, high};
}

}  // namespace

double outsideBy(const std::vector<SoughtTarget>& targets, const AimTrial& trial) {
    constexpr double kSurely = 0.005, kOutOfReach = 1e3;
    double sum = 0;
    for (const SoughtTarget& target : targets) {
        const AimTarget& band = target.band;
        const auto told = trial.values.of(band.what);
        if (!told) {
            return kOutOfReach;
        }
        const double drawnIn =
            isPlain(band.what) ? 0.0
                               : std::min(kSurely * std::abs(*told), 0.1 * (band.high - band.low));
        const double out = std::max({0.0, band.low + drawnIn - *told, *told - band.high + drawnIn});
        sum += isPlain(band.what) ? out : out / std::max(1e-9, std::abs(*told));
    }
    return sum;
}

bool within(const std::vector<SoughtTarget>& targets, const AimTrial& trial) {
    return trial.fault == AimTrial::Fault::None && outsideBy(targets, trial) == 0;
}

bool hasStep(const AimLever& lever, double drawn) {
    const auto [low, high] = stepsOf(lever, drawn);
    return low <= high;
}

AimSearch::AimSearch(const AimBase& base, std::vector<AimLever> levers,
                     std::vector<SoughtTarget> targets, std::stop_token stop)
    : base_(base),
      levers_(std::move(levers)),
      targets_(std::move(targets)),
      stop_(std::move(stop)) {
    for (const AimLever& lever : levers_) {
        drawn_.push_back(leverOf(base_.drawn, lever.kind));
    }
    for (const SoughtTarget& target : targets_) {
        swims_ = swims_ || isOfSwim(target.band.what);
        fitted_.push_back(target.band.what);
    }
    if (base_.swims) {
        fitted_.push_back(AimMeasure::Swing);
    }
}

std::vector<double> AimSearch::valuesAt(const LeverSteps& steps) const {
    std::vector<double> values;
    for (size_t i = 0; i < levers_.size(); ++i) {
        const double step = levers_[i].step;
        values.push_back(steps[i] == 0 ? drawn_[i]
                                       : (std::round(drawn_[i] / step) + steps[i]) * step);
    }
    return values;
}

std::vector<double> AimSearch::movedAt(const LeverSteps& steps) const {
    std::vector<double> moved = valuesAt(steps);
    for (size_t i = 0; i < levers_.size(); ++i) {
        moved[i] = (moved[i] - drawn_[i]) / (levers_[i].high - levers_[i].low);
    }
    return moved;
}

int AimSearch::lowest(size_t i) const {
    return stepsOf(levers_[i], drawn_[i]).first;
}

int AimSearch::highest(size_t i) const {
    return stepsOf(levers_[i], drawn_[i]).second;
}

LeverSteps AimSearch::start() const {
    LeverSteps steps;
    for (size_t i = 0; i < levers_.size(); ++i) {
        steps.push_back(std::clamp(0, lowest(i), highest(i)));
    }
    return steps;
}

bool AimSearch::inRange(const LeverSteps& steps) const {
    for (size_t i = 0; i < steps.size(); ++i) {
        if (steps[i] < lowest(i) || steps[i] > highest(i)) {
            return false;
        }
    }
    return true;
}

LeverSteps AimSearch::nearest(const std::vector<double>& shares) const {
    LeverSteps steps;
    for (size_t i = 0; i < levers_.size(); ++i) {
        const AimLever& lever = levers_[i];
        const double value = lever.low + shares[i] * (lever.high - lever.low);
        const double step = std::round(value / lever.step) - std::round(drawn_[i] / lever.step);
        steps.push_back(std::clamp(int(step), lowest(i), highest(i)));
    }
    return steps;
}

AimSearch::Entry AimSearch::judged(const LeverSteps& steps) const {
    Entry entry;
    entry.trial = tryLevers(base_, levers_, valuesAt(steps), swims_, stop_);
    using Fault = AimTrial::Fault;
    const AimTrial& trial = entry.trial;
    const double change = kPerChange * total(movedAt(steps));
    const bool tells = trial.fault != Fault::NotReckoned && trial.fault != Fault::NoDepth;
    for (const SoughtTarget& target : targets_) {
        const auto told = trial.values.of(target.band.what);
        entry.loss += target.band.weight *
                      (tells && told ? lossOf(target.band, *told, target.doubt) : kUntold);
    }
    entry.cost = entry.loss + change;
    if (trial.fault != Fault::None) {
        entry.cost = kFaulty + kPerFault * trial.faultSize + kLossInFault * entry.loss + change;
    }
    return entry;
}

const AimSearch::Entry& AimSearch::at(const LeverSteps& steps) {
    {
        const std::lock_guard lock(mutex_);
        if (const auto found = table_.find(steps); found != table_.end()) {
            return found->second;
        }
    }
    Entry entry = judged(steps);
    const std::lock_guard lock(mutex_);
    return table_.emplace(steps, std::move(entry)).first->second;
}

void AimSearch::tryAll(const std::vector<LeverSteps>& all) {
    std::atomic<size_t> next{0};
    const auto work = [&] {
        for (size_t i = next++; i < all.size() && !stopped(); i = next++) {
            at(all[i]);
        }
    };
    const std::jthread other(work);
    work();
}

void AimSearch::scan() {
    const LeverSteps from = start();
    std::vector<LeverSteps> all{from};
    for (size_t i = 0; i < levers_.size(); ++i) {
        for (int k = lowest(i); k <= highest(i); ++k) {
            if (k != from[i] && (k % 2 == 0 || k == lowest(i) || k == highest(i))) {
                all.push_back(from);
                all.back()[i] = k;
            }
        }
    }
    tryAll(all);
}

void AimSearch::spread() {
    constexpr int kPlaces = 48, kSkipped = 20;
    std::vector<LeverSteps> all;
    for (int k = 0; k < kPlaces; ++k) {
        std::vector<double> shares;
        for (unsigned i = 0; i < levers_.size(); ++i) {
            shares.push_back(radicalInverse(k + kSkipped, int(boost::math::prime(i))));
        }
        all.push_back(nearest(shares));
    }
    tryAll(all);
}

LeverSteps AimSearch::best() const {
    LeverSteps best = start();
    double least = 1e300;
    for (const auto& [steps, entry] : table_) {
        if (entry.cost < least) {
            least = entry.cost;
            best = steps;
        }
    }
    return best;
}

// The cost of what a fit tells at a place.
double AimSearch::predicted(const std::vector<double>& told,
                            const std::vector<double>& moved) const {
    double cost = kPerChange * total(moved);
    for (size_t t = 0; t < targets_.size(); ++t) {
        cost += targets_[t].band.weight * lossOf(targets_[t].band, told[t], targets_[t].doubt);
    }
    if (base_.swims) {
        // Dead or wild by the fit: tried last.
        const double swing = told.back();
        const double off =
            std::max({0.0, std::log(kDeadSwing_rad / swing), std::log(swing / kWidestTrusted_rad)});
        cost += off > 0 ? kPerFault * (1 + off) : 0.0;
    }
    return cost;
}

void AimSearch::refine() {
    constexpr double kWidest = 0.5, kLeast = 0.03, kNarrower = 0.6, kWider = 1.1, kRidge = 1e-3;
    constexpr int kRounds = 16, kCandidates = 3000, kTries = 12;
    const auto n = Eigen::Index(levers_.size());
    const Eigen::Index terms = 1 + n + n * (n + 1) / 2;
    const auto termsAt = [n, terms](const std::vector<double>& at,
                                    const std::vector<double>& about) {
        Eigen::VectorXd row(terms);
        row[0] = 1;
        Eigen::Index next = 1;
        for (Eigen::Index i = 0; i < n; ++i) {
            row[next++] = at[size_t(i)] - about[size_t(i)];
        }
        for (Eigen::Index i = 0; i < n; ++i) {
            for (Eigen::Index j = i; j < n; ++j) {
                row[next++] = row[1 + i] * row[1 + j];
            }
        }
        return row;
    };
    // Fitted on the scale its doubt is told in.
    std::mt19937_64 random(20);  // the same for every bait
    const auto uniform = [&random] { return double(random() >> 11) * 0x1p-53; };
    double radius = kWidest;
    for (int round = 0; round < kRounds && radius > kLeast && !stopped(); ++round) {
        const LeverSteps about = best();
        const std::vector<double> middle = movedAt(about);
        std::vector<Eigen::VectorXd> fits;
        for (const AimMeasure what : fitted_) {
            Eigen::MatrixXd a = kRidge * Eigen::MatrixXd::Identity(terms, terms);
            Eigen::VectorXd b = Eigen::VectorXd::Zero(terms);
            const bool plain = isPlain(what);
            for (const auto& [steps, entry] : table_) {
                const auto told = entry.trial.values.of(what);
                if (!told || (!plain && *told <= 0)) {
                    continue;
                }
                const std::vector<double> at = movedAt(steps);
                double apart = 0;
                for (size_t i = 0; i < at.size(); ++i) {
                    apart += std::pow((at[i] - middle[i]) / radius, 2);
                }
                const double weight = std::exp(-2 * apart);
                const Eigen::VectorXd row = termsAt(at, middle);
                a += weight * row * row.transpose();
                b += weight * (plain ? *told : std::log(*told)) * row;
            }
            fits.push_back(solvedSymmetric(a, b));
        }
        std::map<LeverSteps, double> candidates;
        for (int c = 0; c < kCandidates; ++c) {
            LeverSteps steps = about;
            for (size_t i = 0; i < steps.size(); ++i) {
                const double range = (levers_[i].high - levers_[i].low) / levers_[i].step;
                const double by = 1.5 * radius * range * (2 * uniform() - 1);
                steps[i] = std::clamp(steps[i] + int(std::round(by)), lowest(i), highest(i));
            }
            if (table_.count(steps) > 0 || candidates.count(steps) > 0) {
                continue;
            }
            const std::vector<double> at = movedAt(steps);
            const Eigen::VectorXd row = termsAt(at, middle);
            std::vector<double> told;
            for (size_t t = 0; t < targets_.size(); ++t) {
                const double fit = row.dot(fits[t]);
                told.push_back(
                    isPlain(targets_[t].band.what) ? fit : std::exp(std::clamp(fit, -20.0, 20.0)));
            }
            candidates[steps] = predicted(told, at);
        }
        std::vector<std::pair<double, LeverSteps>> order;
        for (const auto& [steps, cost] : candidates) {
            order.emplace_back(cost, steps);
        }
        std::sort(order.begin(), order.end());
        std::vector<LeverSteps> tries;
        for (size_t i = 0; i < order.size() && i < size_t(kTries); ++i) {
            tries.push_back(order[i].second);
        }
        const double before = at(about).cost;
        tryAll(tries);
        radius = at(best()).cost < before - 1e-6 ? std::min(kWidest, kWider * radius)
                                                 : kNarrower * radius;
    }
}

}  // namespace wl
