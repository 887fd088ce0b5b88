#include "core/reckon/wanted_mass.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"

namespace wl {

// Vertical drag area when moving straight up or down at that pitch.
double broadsideArea_m2(const LoadTable& loads, double pitch, double sense) {
    const Loads l = loads.at(pitch + sense * kPi / 2);
    return std::max(1e-9, sense * (l.up_m2 * std::cos(pitch) - l.aft_m2 * std::sin(pitch)));
}

namespace {

// How much heavier than its water it must be to sink so fast with its weight where it is: step by
// step from a guess, and by halving where the way it lies turns over on the way.
double heavyFor(const Derived& d, double speed_m_s, double guess_kg) {
    constexpr double kSame = 0.02;
    const double full_kg = d.waterDensity_kg_m3 * d.mass->displacedVolume_m3;
    TowedBait trial = d.towed;
    const auto speedOf = [&](double heavy_kg) {
        trial.mass_kg = full_kg + heavy_kg;
        return computeFreeFall(trial, d.rest->hang.pitch_rad).speed_m_s;
    };
    double heavy = guess_kg, slow = 0, fast = 0;
    for (int i = 0; i < 4; ++i) {
        const double speed = speedOf(heavy);
        if (std::abs(speed - speed_m_s) < kSame * speed_m_s) {
            // So near that drag goes with the square of the speed.
            return heavy * speed_m_s * speed_m_s / (speed * speed);
        }
        (speed < speed_m_s ? slow : fast) = heavy;
        heavy *= std::clamp(speed_m_s * speed_m_s / std::max(1e-9, speed * speed), 0.1, 10.0);
    }
    for (int i = 0; i < 20 && fast == 0; ++i) {
        heavy = 2 * std::max(heavy, slow);
        (speedOf(heavy) < speed_m_s ? slow : fast) = heavy;
    }
    if (slow > fast) {
        slow = 0;
    }
    for (int i = 0; i < 30 && fast - slow > 1e-4 * fast; ++i) {
        const double middle = 0.5 * (slow + fast);
        (speedOf(middle) < speed_m_s ? slow : fast) = middle;
    }
    return fast;
}

}  // namespace

double wantedMass_kg(const Brief& brief, const Derived& d) {
    const double full_kg = d.waterDensity_kg_m3 * d.mass->displacedVolume_m3;
    switch (brief.wantedState) {
        case WantedState::Float:
            return full_kg * (1 - brief.wantedSpare);
        case WantedState::Suspend:
            return full_kg;
        case WantedState::Sink: {
            const double v = brief.wantedSinkSpeed_m_s / d.sinkSeen;
            // For the way it lies when it sinks so fast with its weight where it is.
            const double area = broadsideArea_m2(*d.loads->table, brief.wantedPitch_rad, 1.0);
            return full_kg +
                   heavyFor(d, v, 0.5 * d.waterDensity_kg_m3 * area * v * v / kGravity_m_s2);
        }
    }
    return full_kg;
}

}  // namespace wl
