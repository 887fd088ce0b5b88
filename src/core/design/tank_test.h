// What is measured and how well, what was seen in the tank, and the corrections that follow.
#pragma once

#include <vector>

#include "core/base/units.h"

namespace wl {

/// Half-widths of what the bench can measure where the design does not say it part by part.
struct MeasuringErrors {
    double coatThickness = 0.25;      ///< share of a coat's thickness
    double plugLength_m = 0.00025;    ///< of a plug cut by hand
    double typicalMass = 0.30;        ///< share, of a part that was not weighed
    double weighedPart_kg = 0.00001;  ///< of a part on the scale
    double lipThickness = 0.03;       ///< share
    double seenShowing_m = 0.001;     ///< of what is read in the tank: height out of the water
    double seenAngle_rad = 1.5 * kDegree;
    double seenTime_s = 0.2;
    double seenTaped_kg = 0.00005;                     ///< how closely a taped mass was found
    double roomTemperature_K = kZeroCelsius_K + 20.0;  ///< the bait was measured at
    bool operator==(const MeasuringErrors&) const = default;
};

/// Showing: floats with so much of its back out. Level: lies level with a mass taped on. Still:
/// hangs still, neither rising nor sinking, with a mass taped on. Drop: goes so far in so many
/// seconds. Lean and Nose: how it lies. Weighs: the whole bait on the scale.
enum class ReadingKind { Showing, Level, Still, Drop, Lean, Nose, Weighs };

/// Lead was taped on for it.
constexpr bool isTaped(ReadingKind kind) {
    return kind == ReadingKind::Level || kind == ReadingKind::Still;
}

/// Which bait was in the tank.
enum class TankStage { Finished, BeforePaint };

/// One thing seen in the tank. Only the values of its kind count; the others are kept.
struct TankReading {
    ReadingKind kind = ReadingKind::Showing;
    TankStage stage = TankStage::Finished;
    double showing_m = 0.003;  ///< highest point of the body above the water
    double taped_kg = 0.001;   ///< for Level and Still
    double tapedX_m = 0.03;    ///< where it was taped
    double tapedZ_m = -0.01;
    double tapedDensity_kg_m3 = 11340.0;
    double distance_m = 0.5;  ///< for Drop; under 0: it rose
    double time_s = 3.0;
    double angle_rad = 0.0;  ///< for Lean (port side up +) and Nose (nose up +)
    double mass_kg = 0.02;   ///< for Weighs
    double temperature_K = kZeroCelsius_K + 20.0;  ///< of the tank
    double salinity = 0.0;
    bool use = true;
    bool operator==(const TankReading&) const = default;
};

/// What the tank showed beyond the drawing. Added to the reckoning while `applied`.
struct TankCorrection {
    bool applied = false;
    double mass_kg = 0.0;
    double volume_m3 = 0.0;  ///< displaced
    /// Mass of the bait the shift was found on: what is wrong is a moment, which stays when lead
    /// is added. 0: the shift as it is.
    double reference_kg = 0.0;
    double gravityX_m = 0.0;  ///< shift of the centre of gravity
    double gravityY_m = 0.0;
    double gravityZ_m = 0.0;
    double buoyancyX_m = 0.0;  ///< shift of the centre of buoyancy
    bool operator==(const TankCorrection&) const = default;
};

struct TankTest {
    std::vector<TankReading> readings;
    TankCorrection correction;
    double sinkRateOne_m_s = 0.03;  ///< wanted of three hook sets on one body
    double sinkRateTwo_m_s = 0.12;
    double sinkRateThree_m_s = 0.25;
    bool operator==(const TankTest&) const = default;
};

}  // namespace wl
