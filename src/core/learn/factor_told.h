// What is told of a factor: bands with the rules that hold them, readings that do not fit, what to
// read next, and whether two copies differ.
#pragma once

#include "core/learn/factor_band.h"
#include "core/learn/factor_fit.h"

namespace wl {

/// What may not be said of a factor, the gravest last.
enum class Unsure {
    No,
    TooFew,   ///< its band holds 1: deeper or shallower, who knows
    FarFrom,  ///< told for a setting more than 1.5 times from any it was read at
    Quarrel,  ///< the readings do not agree among themselves
    NotRead   ///< of this bait and its kin nothing was read
};

struct FactorTold {
    FactorBand next;      ///< of the next reading, on a day of its own
    FactorBand itself;    ///< of what the bait does
    FactorBand book;      ///< of the next reading, before anything was read
    size_t readings = 0;  ///< of this bait
    size_t outings = 0;
    bool widthHeld = false;  ///< too few of its kind are read: the middle moves, the width does not
    Unsure unsure = Unsure::NotRead;
};

/// Bands of a bait. Its own readings never bring that of the next reading under 1.645 hypot(outing,
/// copy where another was read, 1.3 x reading). A bait without readings keeps the book's width
/// until three baits of its family are read, one of an unread family until three families are.
FactorTold tellFactor(const FactorFit& fit, const FactorOf& of);

/// A reading the others do not lead one to expect: less than one chance in a hundred of being so
/// far off, found by fitting without it.
struct OddReading {
    size_t reading = 0;  ///< of fit.readings()
    double chance = 0.0;
    double ratio = 1.0;  ///< seen by what the others lead one to expect
    /// A factor that would explain it (a unit, a half): seen / that is as expected.
    std::optional<double> hint;
};
/// `units`: of lengths or speeds, where feet may stand for metres.
std::vector<OddReading> oddReadings(const FactorFit& fit, bool units, std::stop_token stop = {});
/// Whether figures of that quantity are lengths or speeds.
bool hasLengthOrSpeed(Learnt quantity);

/// What could be read next, and what it is worth for a bait.
enum class NextReading { AnotherDay, SameDay, Tick, OtherCopy, OtherBait, OtherFamily };
struct ReadingWorth {
    NextReading what = NextReading::AnotherDay;
    double narrower = 0.0;  ///< share by which the spread of the factor shrinks
    double minutes = 0.0;   ///< at the water and on the way, judged
};
/// By what they narrow for each minute. `today`: an outing that was read, or under 0; `ticks`: a
/// bottom can tell. Exact for
/// normal errors alone; the order is what counts.
std::vector<ReadingWorth> worthOfNext(const FactorFit& fit, const FactorOf& of, int today,
                                      bool ticks = true);

/// Two copies of one bait, each free by one and a half times what making allows.
struct CopyVerdict {
    enum class Is { Differ, Within, CannotTell };
    Is is = Is::CannotTell;
    double chance = 0.5;     ///< that they differ by more than the tolerance
    double ratio = 1.0;      ///< factor of the first by that of the second
    double tolerance = 0.0;  ///< ln; 2 sqrt(2) times the spread of a copy
};
/// `readings` of both copies, their other readings left out by the caller or not.
CopyVerdict compareCopies(const Spreads& spreads, std::vector<FactorReading> readings,
                          const FactorOf& first, const FactorOf& second);

}  // namespace wl
