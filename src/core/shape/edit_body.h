// Edits of the whole shape at once.
#pragma once

#include "core/design/body.h"

namespace wl {

/// Sizes at the stations: a typed maximum is the maximum.
struct OverallSize {
    double length_m = 0.0;
    double width_m = 0.0;
    double height_m = 0.0;
    double widestAt_m = 0.0;  ///< place of the widest station
    /// Half-width at three quarters of the length over the greatest half-width.
    double taper = 0.0;
};
OverallSize overallSize(const Body& body);

/// The body scaled to new overall sizes, each way on its own; end faces go along.
Body resized(const Body& body, double length_m, double width_m, double height_m);

/// Stations slid along the bait so that the widest stands at x; nose and tail stay. x must lie
/// between 5 % and 95 % of the length, else the body comes back as it was.
Body withWidestAt(const Body& body, double x_m);

/// Breadth and depth aft of the widest station drawn in or let out evenly until the taper is as
/// wanted (0.05 to 1.2); what cannot be had comes back as it was.
Body withTaper(const Body& body, double taper);

/// Belly made the mirror image of the back over the reference line.
Body mirroredBelly(const Body& body);

/// Nose and tail changed about.
Body turnedAbout(const Body& body);

/// Every outline eased once by its neighbours ((1, 2, 1)/4, weighted by spacing); the tips and the
/// overall sizes stay.
Body smoothed(const Body& body);

/// What is left of an edit when the locked sizes stay as they were.
Body holdingLocks(const Body& edited, const Body& before);

}  // namespace wl
