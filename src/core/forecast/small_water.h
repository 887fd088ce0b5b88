// What a bath or a small tank shows of a bait, and what it cannot.
#pragma once

#include "core/reckon/run.h"
#include "core/swim/swim.h"

namespace wl {

/// A bait pulled by a short line from a hand high over it. Behind a cast it would hang level on the
/// line its own pull lays; here the hand holds the line steeper (or flatter), and the bait takes
/// the path on which its pull points there.
struct BathPull {
    Trim held;               ///< on that path
    Trim fished;             ///< level, at the same speed, the line where its pull lays it
    double climb_rad = 0.0;  ///< of the path, up
    Swim heldSwim, fishedSwim;
    double climbOver_m(double way_m) const { return way_m * std::tan(climb_rad); }
};

/// At a speed of 0.1 m/s or more, the line rising by 0 to 90 degrees from the tie. Paths up to 60
/// degrees up and down are looked at, from the level outwards; the attitude is followed steadily.
/// Errors: "bath.no_trim" (no steady attitude at that speed), "bath.not_held" (value: the line
/// angle; on no such path does its pull point there).
Result<BathPull> pulledInBath(const Derived& derived, const Run& run, double speed_m_s,
                              double lineAngle_rad);

/// A pump's stream where the bait hangs in it.
struct PumpStream {
    double flow_m3_s = 0.0;
    double outlet_m = 0.0;  ///< inner diameter
    double away_m = 0.0;    ///< from the outlet to the bait's nose
};
struct StreamThere {
    double outlet_m_s = 0.0;
    double axis_m_s = 0.0;      ///< in its middle, where the bait is
    double across_m = 0.0;      ///< of what runs at half of that or more
    double overLip_m_s = 0.0;   ///< mean over the lip's area as the stream meets it
    double overBody_m_s = 0.0;  ///< and over the body's greatest section
};

/// A round free jet (Hussein, Capp & George 1994; Pope 2000, recalled): whole to six outlets away
/// (over an area passing, by the way, from an even plug to what it is there), from there its middle
/// slows as 6 outlets by the distance, half of that stands 0.094 of the distance from the axis, (1
/// + a (r/x)^2)^-2 between. Walls, surface and what flows back in a small tank are not in it. Areas
/// m2, over 0.
StreamThere streamThere(const PumpStream& pump, double lipArea_m2, double bodyArea_m2);

/// A bait hung in it.
struct TankSwim {
    StreamThere stream;
    Swim told;                          ///< towed at the speed over its lip
    std::optional<double> byBeats_m_s;  ///< the speed at which it would beat as seen
};
/// `beats_1_s`: as counted there, 0 for none. Errors: "stream.too_slow" (value: the speed over the
/// lip, under 0.1 m/s).
Result<TankSwim> swimInTank(const Derived& derived, const Run& run, const PumpStream& pump,
                            double beats_1_s);

}  // namespace wl
