#include "core/learn/log_fits.h"

#include <set>

namespace wl {

LogFits::LogFits(WaterLog log, bool learns) : log_(std::move(log)), learns_(learns) {}

const LogReadings& LogFits::readings(Learnt quantity) {
    const std::lock_guard lock(mutex_);
    const auto known = readings_.find(quantity);
    return known != readings_.end()
               ? known->second
               : readings_.emplace(quantity, learns_ ? readingsOf(log_, quantity) : LogReadings{})
                     .first->second;
}

FactorOf LogFits::whose(Learnt quantity, const LogBait& bait, std::int64_t copy, double usual,
                        double setting) {
    return factorOf(log_, readings(quantity), bait, copy, usual, setting);
}

std::shared_ptr<const LogFit> LogFits::fit(Learnt quantity, const FactorOf& of,
                                           std::stop_token stop) {
    const Key key = keyOf(quantity, of);
    {
        const std::lock_guard lock(mutex_);
        if (const auto known = fits_.find(key); known != fits_.end()) {
            return known->second;
        }
    }
    const LogReadings& all = readings(quantity);
    const LogReadings near = nearestReadings(all, of);
    auto made = std::make_shared<LogFit>(LogFit{{spreadsOf(quantity), near.readings, stop}, {}});
    if (stop.stop_requested()) {
        return nullptr;
    }
    for (const size_t place : made->fit.places()) {
        made->notes.push_back(log_.notes[near.notes[place]].id);
    }
    std::set<int> outings;
    for (const FactorReading& r : all.readings) {
        if (of.bait >= 0 && r.bait == of.bait) {
            ++made->readings;
            outings.insert(r.outing);
        }
    }
    made->outings = outings.size();
    const std::lock_guard lock(mutex_);
    return fits_.emplace(key, std::move(made)).first->second;
}

std::optional<OddNotes> LogFits::oddKnown(Learnt quantity, const FactorOf& of) const {
    const std::lock_guard lock(mutex_);
    const auto known = odd_.find(keyOf(quantity, of));
    return known != odd_.end() ? std::optional(known->second) : std::nullopt;
}

std::optional<OddNotes> LogFits::odd(Learnt quantity, const FactorOf& of, std::stop_token stop) {
    if (auto known = oddKnown(quantity, of)) {
        return known;
    }
    const auto fitted = fit(quantity, of, stop);
    if (!fitted) {
        return std::nullopt;
    }
    OddNotes found;
    for (const OddReading& odd : oddReadings(fitted->fit, hasLengthOrSpeed(quantity), stop)) {
        found.emplace_back(fitted->notes[odd.reading], odd);
    }
    if (stop.stop_requested()) {
        return std::nullopt;
    }
    const std::lock_guard lock(mutex_);
    return odd_.emplace(keyOf(quantity, of), std::move(found)).first->second;
}

}  // namespace wl
