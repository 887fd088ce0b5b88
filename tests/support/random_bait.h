// Seeded baits no one drew: for properties that must hold of any.
#pragma once

#include <random>

#include "core/design/design.h"

namespace wl::test {

/// Uniform numbers and choices from one seed.
class Dice {
  public:
    explicit Dice(unsigned seed) : random_(seed) {}
    double from(double low, double high) {
        return std::uniform_real_distribution<double>(low, high)(random_);
    }
    int upTo(int most) { return int(random_() % unsigned(most + 1)); }
    bool chance(double share) { return from(0, 1) < share; }

  private:
    std::mt19937 random_;
};

/// A smooth body of six to ten stations, 50 to 160 mm long, of any fullness.
Body randomBody(Dice& dice);

/// A carved one-piece bait with bores, an eye or two, hooks and coats, now and then a lip; it may
/// float any way up or sink, and its parts may be badly placed.
Design randomDesign(Dice& dice);

}  // namespace wl::test
