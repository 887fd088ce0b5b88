#include "core/learn/factor_told.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <set>

namespace wl {
namespace {

constexpr double kBand90 = 1.645;
constexpr double kOdd = 0.01;
constexpr size_t kThree = 3;

// Whether two numbers tell the same, unread ones excepted.
bool same(int a, int b) {
    return a >= 0 && a == b;
}

FactorBand bandOf(const Mixture& mix) {
    return {mix.quantile(0.05), mix.quantile(0.5), mix.quantile(0.95)};
}

// At least so far either way of its middle; in ln.
FactorBand atLeast(const FactorBand& band, double below, double above) {
    return {std::min(band.low, band.middle - below), band.middle,
            std::max(band.high, band.middle + above)};
}

// Far out a wild reading may ask for more than any bait is off by; the order of the three stays.
FactorBand asFactor(const FactorBand& ln) {
    constexpr double kPlain = 3.0;
    const auto held = [](double x) {
        const double over = std::abs(x) - kPlain;
        return std::exp(over > 0 ? std::copysign(kPlain + 1 - std::exp(-over), x) : x);
    };
    return {held(ln.low), held(ln.middle), held(ln.high)};
}

}  // namespace

FactorTold tellFactor(const FactorFit& fit, const FactorOf& of) {
    constexpr double kFarSetting = 0.405;  // ln 1.5
    constexpr double kQuarrelled = 0.35;
    FactorTold told;
    std::set<int> outings, baitsOfFamily, families;
    bool otherCopy = false, ownCopy = false, near = false;
    for (const FactorReading& r : fit.readings()) {
        if (!same(r.maker, of.maker)) {
            continue;
        }
        families.insert(r.family);
        if (!same(r.family, of.family)) {
            continue;
        }
        baitsOfFamily.insert(r.bait);
        if (!same(r.bait, of.bait)) {
            continue;
        }
        ++told.readings;
        outings.insert(r.outing);
        (same(r.copy, of.copy) ? ownCopy : otherCopy) = true;
        near = near || std::abs(r.setting - of.setting) <= kFarSetting;
    }
    told.outings = outings.size();
    const FactorFit empty(fit.spreads(), {});
    const FactorOf unread{-1, -1, -1, -1, of.setting};
    const FactorBand book = bandOf(empty.next(unread));
    const FactorBand bookItself = bandOf(empty.factor(unread));
    const Mixture factor = fit.factor(of);
    FactorBand next = bandOf(fit.next(of)), itself = bandOf(factor);
    const bool differs = itself.low > 0 || itself.high < 0;
    if (told.readings == 0) {
        const size_t read = baitsOfFamily.empty() ? families.size() : baitsOfFamily.size();
        told.widthHeld = read < kThree;
        if (told.widthHeld) {
            next = atLeast(next, book.middle - book.low, book.high - book.middle);
            itself = atLeast(itself, bookItself.middle - bookItself.low,
                             bookItself.high - bookItself.middle);
        }
    } else {
        const Spreads& s = fit.spreads();
        const double copy = otherCopy && !ownCopy ? s.copy : 0.0;
        const double floor =
            kBand90 * std::sqrt(s.outing * s.outing + copy * copy + 1.69 * s.reading * s.reading);
        next = atLeast(next, floor, floor);
    }
    told.next = asFactor(next);
    told.itself = asFactor(itself);
    told.book = asFactor(book);
    if (told.readings == 0 && baitsOfFamily.empty()) {
        told.unsure = Unsure::NotRead;
    } else if (fit.chanceOfQuarrel() > kQuarrelled) {
        told.unsure = Unsure::Quarrel;
    } else if (!differs) {
        told.unsure = Unsure::TooFew;
    } else {
        told.unsure = told.readings > 0 && !near ? Unsure::FarFrom : Unsure::No;
    }
    return told;
}

bool hasLengthOrSpeed(Learnt quantity) {
    return quantity != Learnt::Beats && quantity != Learnt::Swing;
}

std::vector<OddReading> oddReadings(const FactorFit& fit, bool units, std::stop_token stop) {
    // The fit without it is asked only where that with it, its site taken out, is in doubt.
    constexpr double kLookAt = 0.08, kExplained = 0.15;
    constexpr double kHints[] = {2.0, 0.5, 3.281, 1 / 3.281, 25.4, 1 / 25.4};
    constexpr size_t kPlainHints = 2;  // the others are mistakes of a unit
    std::vector<OddReading> odd;
    const std::vector<FactorReading>& readings = fit.readings();
    for (size_t i = 0; i < readings.size() && readings.size() > 1 && !stop.stop_requested(); ++i) {
        if (fit.chanceOf(i) >= kLookAt) {
            continue;
        }
        std::vector<FactorReading> others = readings;
        others.erase(others.begin() + long(i));
        const FactorFit without(fit.spreads(), others, stop);
        const FactorReading& r = readings[i];
        const Mixture expected = without.next(r, r.outing, r.speedMeasured);
        OddReading found;
        found.reading = i;
        double seen = r.low;
        if (r.as == SeenAs::Value) {
            found.chance = without.chanceOfValue(r);
        } else {
            const double below = r.as == SeenAs::AtLeast ? 0.0 : expected.below(r.high);
            const double over = r.as == SeenAs::AtLeast  ? 1 - expected.below(r.low)
                                : r.as == SeenAs::AtMost ? below
                                                         : below - expected.below(r.low);
            found.chance = std::max(0.0, over);
            seen = r.as == SeenAs::AtMost ? r.high : r.low;
        }
        if (found.chance >= kOdd) {
            continue;
        }
        const double middle = expected.quantile(0.5);
        found.ratio = std::exp(std::clamp(seen - middle, -20.0, 20.0));
        double nearest = kExplained;
        for (size_t h = 0; h < (units ? std::size(kHints) : kPlainHints); ++h) {
            const double hint = kHints[h];
            const double off = std::abs(seen - middle - std::log(hint));
            if (off < nearest) {
                nearest = off;
                found.hint = hint;
            }
        }
        odd.push_back(found);
    }
    return odd;
}

std::vector<ReadingWorth> worthOfNext(const FactorFit& fit, const FactorOf& of, int today,
                                      bool ticks) {
    struct Candidate {
        NextReading what;
        FactorOf read;
        bool today, tick;
        double minutes;
    };
    constexpr double kGoing_min = 60, kCasts_min = 15, kMore_min = 5;
    // What was never read has no number yet; a reading of it and itself are one bait all the same.
    constexpr int kNew = std::numeric_limits<int>::max();
    FactorOf own = of;
    for (int* number : {&own.family, &own.bait, &own.copy}) {
        *number = *number < 0 ? kNew : *number;
    }
    FactorOf copy = own, bait = own, family = own;
    copy.copy = -1;
    bait.bait = bait.copy = -1;
    family.family = family.bait = family.copy = -1;
    const std::vector<Candidate> all{
        {NextReading::AnotherDay, own, false, false, kGoing_min + kCasts_min},
        {NextReading::SameDay, own, true, false, kMore_min},
        {NextReading::Tick, own, false, true, kGoing_min + kMore_min},
        {NextReading::OtherCopy, copy, false, false, kGoing_min + kCasts_min},
        {NextReading::OtherBait, bait, false, false, kGoing_min + kCasts_min},
        {NextReading::OtherFamily, family, false, false, kGoing_min + kCasts_min}};
    const double now = fit.varianceNow(own);
    std::vector<ReadingWorth> worth;
    for (const Candidate& c : all) {
        if ((c.today && today < 0) || (c.tick && !ticks)) {
            continue;
        }
        const double after = fit.varianceAfter(own, c.read, c.today ? today : -1, c.tick);
        worth.push_back(
            {c.what, now > 0 ? 1 - std::sqrt(std::clamp(after / now, 0.0, 1.0)) : 0.0, c.minutes});
    }
    // A visit more is worth it only by what it adds; casts that add nothing are no bargain.
    constexpr double kNothing = 0.03;
    std::stable_sort(worth.begin(), worth.end(), [](const ReadingWorth& a, const ReadingWorth& b) {
        const bool someA = a.narrower > kNothing, someB = b.narrower > kNothing;
        return someA != someB ? someA : a.narrower / a.minutes > b.narrower / b.minutes;
    });
    return worth;
}

CopyVerdict compareCopies(const Spreads& spreads, std::vector<FactorReading> readings,
                          const FactorOf& first, const FactorOf& second) {
    constexpr double kFree = 1.5, kSure = 0.9;
    CopyVerdict verdict;
    verdict.tolerance = 2 * std::sqrt(2.0) * spreads.copy;
    Spreads free = spreads;
    free.copy = kFree * verdict.tolerance;
    std::erase_if(readings, [&](const FactorReading& r) {
        return r.bait != first.bait || (r.copy != first.copy && r.copy != second.copy);
    });
    const bool both = std::any_of(readings.begin(), readings.end(),
                                  [&](const FactorReading& r) { return r.copy == first.copy; }) &&
                      std::any_of(readings.begin(), readings.end(),
                                  [&](const FactorReading& r) { return r.copy == second.copy; });
    const FactorFit fit(free, std::move(readings));
    const Mixture difference = fit.difference(first, second);
    verdict.chance = difference.below(-verdict.tolerance) + 1 - difference.below(verdict.tolerance);
    verdict.ratio = std::exp(std::clamp(difference.quantile(0.5), -4.0, 4.0));
    if (both) {
        verdict.is = verdict.chance >= kSure       ? CopyVerdict::Is::Differ
                     : verdict.chance <= 1 - kSure ? CopyVerdict::Is::Within
                                                   : CopyVerdict::Is::CannotTell;
    }
    return verdict;
}

}  // namespace wl
