#include "core/cast/flight.h"

#include <algorithm>
#include <array>
#include <boost/numeric/odeint/stepper/runge_kutta4.hpp>
#include <cmath>

namespace wl {
namespace {

using Eigen::Vector2d;

// Range, height, their speeds, pitch, turn, line off the reel.
using State = std::array<double, 7>;
using Stepper = boost::numeric::odeint::runge_kutta4<State>;

constexpr double kLongest_s = 15.0;
constexpr double kStill_m_s = 0.05;

class FlightEquations {
  public:
    FlightEquations(const AirBait& bait, const Model& model, const CastLine& line,
                    const Throw& thrown)
        : bait_(bait), model_(model), line_(line), thrown_(thrown) {
        skin_ = 0.5 * kAirDensity_kg_m3 * kPi * line.diameter_m * model.airLine;
    }

    void operator()(const State& y, State& dy, double) const {
        const Vector2d v(y[2], y[3]);
        const Vector2d heading(std::cos(y[4]), std::sin(y[4]));
        AirLoads loads =
            airLoads(bait_, model_, v - Vector2d(thrown_.wind_m_s, 0.0), heading, y[5]);
        loads.force_N.y() -= bait_.mass_kg * kGravity_m_s2;
        addLine(y, v, heading, loads);
        const Vector2d a = loads.force_N / bait_.mass_kg;
        dy = {y[2], y[3], a.x(), a.y(), y[5], loads.moment_N_m / bait_.inertia_kg_m2, v.norm()};
    }

  private:
    void addLine(const State& y, const Vector2d& v, const Vector2d& heading,
                 AirLoads& loads) const {
        const double speed = v.norm(), mu = line_.massPerMetre_kg_m;
        if (speed < 1e-9) {
            return;
        }
        const Vector2d track = v / speed;
        const double along = loads.force_N.dot(track), carried = mu * y[6] / bait_.mass_kg;
        const double free =
            model_.spoolTakeOff * (line_.restPull_N + line_.momentumShare * mu * speed * speed) +
            skin_ * speed * speed * y[6];
        const double pull = std::max(0.0, (free + carried * along) / (1 + carried));
        Vector2d way = -track;
        const Vector2d toTip(-y[0], thrown_.height_m - y[1]);
        if (toTip.norm() > 1e-6) {
            const Vector2d mixed =
                (model_.spoolPull - 1) * track + model_.spoolPull * toTip.normalized();
            way = mixed.norm() > 1e-6 ? mixed.normalized() : way;
        }
        const double cosine = heading.x(), sine = heading.y();
        const Vector2d tie = bait_.tie_m - bait_.centre_m;  // aft, up
        const Vector2d at(-tie.x() * cosine - tie.y() * sine, -tie.x() * sine + tie.y() * cosine);
        const Vector2d swing(-y[5] * at.y(), y[5] * at.x());
        const Vector2d sideways = swing - swing.dot(way) * way;
        const Vector2d force = pull * way - std::sqrt(pull * mu) * sideways;
        loads.force_N += force;
        loads.moment_N_m += at.x() * force.y() - at.y() * force.x();
    }

    const AirBait& bait_;
    const Model& model_;
    const CastLine& line_;
    const Throw& thrown_;
    double skin_ = 0;
};

FlightPoint pointOf(const State& y, double time) {
    return {time, y[0], y[1], y[4], y[4] - std::atan2(y[3], y[2])};
}

// The last step, to where it meets the water.
State landing(Stepper& stepper, const FlightEquations& equations, const State& before, double step,
              double after, double& share) {
    double low = 0, high = 1, atLow = before[1], atHigh = after;
    State y = before;
    for (int i = 0; i < 30 && high - low > 1e-12; ++i) {
        share = std::clamp(low + (high - low) * atLow / (atLow - atHigh), low, high);
        y = before;
        stepper.do_step(equations, y, 0.0, step * share);
        if (std::abs(y[1]) < 1e-12) {
            break;
        }
        (y[1] > 0 ? low : high) = share;
        (y[1] > 0 ? atLow : atHigh) = y[1];
    }
    return y;
}

double rangeInTurns(const std::vector<FlightPoint>& points, size_t from) {
    double least = points[from].attitude_rad, most = least;
    for (size_t i = from; i < points.size(); ++i) {
        least = std::min(least, points[i].attitude_rad);
        most = std::max(most, points[i].attitude_rad);
    }
    return (most - least) / (2 * kPi);
}

void summarise(const std::vector<FlightPoint>& points, Flight& flight) {
    double behind = 0;
    for (const FlightPoint& p : points) {
        behind -= std::cos(p.attitude_rad);
    }
    flight.straightness = behind / double(points.size());
    const size_t last = points.size() * 3 / 5;
    Vector2d mean = Vector2d::Zero();
    for (size_t i = last; i < points.size(); ++i) {
        mean += Vector2d(std::cos(points[i].attitude_rad), std::sin(points[i].attitude_rad));
    }
    mean /= double(points.size() - last);
    flight.lastAttitude_rad = std::atan2(mean.y(), mean.x());
    flight.lastSteadiness = mean.norm();
    flight.turns = rangeInTurns(points, 0);
    flight.lastTurns = rangeInTurns(points, last);
}

}  // namespace

Flight fly(const AirBait& bait, const Model& model, const CastLine& line, const Throw& thrown,
           double step_s, bool keepPath) {
    const FlightEquations equations(bait, model, line, thrown);
    Stepper stepper;
    State y{0.0,
            thrown.height_m,
            thrown.speed_m_s * std::cos(thrown.elevation_rad),
            thrown.speed_m_s * std::sin(thrown.elevation_rad),
            thrown.elevation_rad + thrown.attitude_rad,
            thrown.turn_rad_s,
            0.0};
    std::vector<FlightPoint> points{pointOf(y, 0)};
    Flight flight;
    double time = 0;
    while (time < kLongest_s) {
        const State before = y;
        stepper.do_step(equations, y, 0.0, step_s);
        if (y[1] <= 0) {
            double share = 1;
            y = landing(stepper, equations, before, step_s, y[1], share);
            time += step_s * share;
            flight.landed = true;
        } else {
            time += step_s;
        }
        points.push_back(pointOf(y, time));
        if (flight.landed || std::hypot(y[2], y[3]) < kStill_m_s || !std::isfinite(y[0] + y[4])) {
            break;
        }
    }
    flight.distance_m = y[0];
    flight.splashSpeed_m_s = std::hypot(y[2], y[3]);
    flight.splashSteepness_rad = -std::atan2(y[3], y[2]);
    summarise(points, flight);
    if (keepPath) {
        flight.path = std::move(points);
    }
    return flight;
}

}  // namespace wl
