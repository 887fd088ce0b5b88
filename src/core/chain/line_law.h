// A bait of three and more pieces drawn at a steady speed: the water's cross momentum along it with
// a wake behind, from slender bodies to flat plates in one law. Everything without a dimension: by
// length, speed and density of the water. Low-aspect lifting surfaces in chordwise form: Lawrence
// 1951; limits: Lighthill 1970-71, Helmbold 1942, R. T. Jones 1946, thin-aerofoil theory; all from
// memory.
#pragma once

#include <optional>
#include <stop_token>
#include <vector>

#include <Eigen/Core>

#include "core/chain/planar_chain.h"

namespace wl {

/// What of the law is not known, and the shape it starts in.
struct SnakeCase {
    double hand = 1.0;              ///< share of the momentum handed on at a joint
    double cross = 4.0;             ///< cross-flow drag by depth
    double skin = 0.03;             ///< drag along a side of the bait
    std::vector<double> start_rad;  ///< headings: tail to port of the nose positive
};

/// One run of 24 lengths.
struct SnakeRun {
    bool swims = false;
    bool spins = false;        ///< turned past half a circle, or could not be followed
    bool done = false;         ///< false: stopped from outside
    double beat = 0.0;         ///< full beats by the time a length takes, 0: none
    double headYaw_rad = 0.0;  ///< half-swing, as swingOf counts it
    double meanHeading_rad = 0.0;
    double tailPath = 0.0;  ///< from side to side, by length
    double nosePath = 0.0;
    std::vector<double> jointSwing_rad;   ///< half-swing of each joint
    std::vector<bool> jointStops;         ///< whether it comes to its stop
    double step = 0.0;                    ///< of the shapes below
    std::vector<Eigen::VectorXd> shapes;  ///< (Y, headings ...) by step, the settled part
    Eigen::VectorXd last;                 ///< (Y, headings ..., their rates) at the end
};

/// How finely and how long it is run.
struct SnakeGrid {
    double lengths = 24.0;  ///< gone; the settled part begins at 0.4 of them
    int panels = 26;
    double side = 0.0003;  ///< spring of the line aside, by density, speed squared and length
};
/// The speed matters to springs alone.
SnakeRun runSnake(const PlanarBait& bait, const SnakeCase& run, double speed_m_s = 1.0,
                  const SnakeGrid& grid = {}, std::stop_token stop = {});

/// From side to side of a track, its slow drift (a parabola) taken off, without the fiftieth
/// farthest out on each side. At least one place.
double swingOf(const std::vector<double>& track);

/// Influence of a lump of circulation on the cross flow a distance behind it, on a body as deep as
/// `depth`: exact for a body much longer than deep and much deeper than long.
double lineInfluence(double behind, double depth);

}  // namespace wl
