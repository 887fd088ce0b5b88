#include "core/forecast/small_water.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/reckon/tow.h"

namespace wl {
namespace {

constexpr double kSlowest_m_s = 0.1;
// Of a round free jet.
constexpr double kWholeTo = 6.0;       // outlets
constexpr double kHalfSpread = 0.094;  // half the speed, by the distance

double shapeOf() {
    return (std::sqrt(2.0) - 1) / (kHalfSpread * kHalfSpread);
}

// Mean over a disc about the axis: the profile's integral is closed.
double meanOver(const PumpStream& pump, const StreamThere& s, double area) {
    const double r2 = area / kPi, end = kWholeTo * pump.outlet_m;
    const double from = std::max(pump.away_m, end);
    const double spread = s.axis_m_s / (1 + shapeOf() * r2 / (from * from));
    // From the plug that leaves the outlet evenly to that.
    const double plug = s.axis_m_s * std::min(1.0, 0.25 * pump.outlet_m * pump.outlet_m / r2);
    return plug + std::min(1.0, pump.away_m / end) * (spread - plug);
}

struct OnPath {
    double path;
    Trim trim;
    double over;  // its pull's line over the one asked
};

// From the level outwards to the first path on which the pull points there.
std::optional<OnPath> pathFor(const Derived& d, double speed, const OnPath& level, double step,
                              double wanted) {
    constexpr double kMost = 60 * kDegree;
    const auto at = [&](double path, const OnPath& near) -> std::optional<OnPath> {
        const auto trim = settleTrim(d.towed, speed, path, near.trim.alpha_rad);
        return trim ? std::optional(OnPath{path, *trim, trim->lineAngle_rad - wanted})
                    : std::nullopt;
    };
    OnPath last = level;
    for (double path = step; std::abs(path) <= kMost; path += step) {
        const auto here = at(path, last);
        if (!here) {
            return std::nullopt;
        }
        if ((here->over > 0) != (last.over > 0) && std::abs(here->over - last.over) < 1) {
            OnPath a = last, b = *here;
            for (int i = 0; i < 40; ++i) {
                const auto middle = at(0.5 * (a.path + b.path), a);
                if (!middle) {
                    return std::nullopt;
                }
                ((middle->over > 0) == (a.over > 0) ? a : b) = *middle;
            }
            return b;
        }
        last = *here;
    }
    return std::nullopt;
}

}  // namespace

Result<BathPull> pulledInBath(const Derived& d, const Run& run, double speed, double lineAngle) {
    const auto fished = settleTrim(d.towed, speed, 0.0, towStart_rad(d));
    if (!fished || speed < kSlowest_m_s) {
        return Error{"bath.no_trim", "/tie/x", {}, {{Quantity::Speed, speed}}};
    }
    BathPull pull;
    pull.fished = pull.held = *fished;
    pull.fishedSwim = swimTowed(d, run, *fished, 0.0, speed);
    const OnPath level{0.0, *fished, fished->lineAngle_rad - lineAngle};
    constexpr double kStep = 1 * kDegree;
    std::optional<OnPath> there;
    for (const double step : {-kStep, kStep}) {
        const auto found = pathFor(d, speed, level, step, lineAngle);
        if (found && (!there || std::abs(found->path) < std::abs(there->path))) {
            there = found;
        }
    }
    if (std::abs(level.over) < 1e-6) {
        there = level;
    }
    if (!there) {
        return Error{"bath.not_held", "/tie/x", {}, {{Quantity::Angle, lineAngle}}};
    }
    pull.held = there->trim;
    pull.climb_rad = -there->path;
    pull.heldSwim = swimTowed(d, run, there->trim, there->path, speed);
    return pull;
}

StreamThere streamThere(const PumpStream& pump, double lipArea, double bodyArea) {
    StreamThere s;
    s.outlet_m_s = pump.flow_m3_s / (kPi / 4 * pump.outlet_m * pump.outlet_m);
    const double away = std::max(pump.away_m, kWholeTo * pump.outlet_m);
    s.axis_m_s = s.outlet_m_s * kWholeTo * pump.outlet_m / away;
    s.across_m = std::max(pump.outlet_m, 2 * kHalfSpread * pump.away_m);
    s.overLip_m_s = meanOver(pump, s, lipArea);
    s.overBody_m_s = meanOver(pump, s, bodyArea);
    return s;
}

Result<TankSwim> swimInTank(const Derived& d, const Run& run, const PumpStream& pump,
                            double beats) {
    double body = 1e-6;
    for (const Station& station : d.design->body.stations) {
        body = std::max(body, kPi / 2 * station.halfWidth_m * (station.back_m - station.belly_m));
    }
    double lip = body;
    if (const Result<WobbleBody> ready = wobbleBody(d, run); ready && ready->plate) {
        const WobblePlate& plate = *ready->plate;
        lip = std::max(1e-6, plate.area_m2() * std::abs(plate.normal.x()));
    }
    TankSwim tank;
    tank.stream = streamThere(pump, lip, body);
    const double speed = tank.stream.overLip_m_s;
    if (speed < kSlowest_m_s) {
        return Error{"stream.too_slow", "/brief/retrieve_speed", {}, {{Quantity::Speed, speed}}};
    }
    tank.told = swimAt(d, run, speed);
    if (beats > 0 && !tank.told.untold && tank.told.beats_1_s.middle > 0) {
        tank.byBeats_m_s = speed * beats / tank.told.beats_1_s.middle;
    }
    return tank;
}

}  // namespace wl
