#include "core/cast/throws.h"

#include <algorithm>
#include <boost/math/tools/roots.hpp>
#include <cmath>

#include "core/model/draws.h"

namespace wl {
namespace {

constexpr int kThrows = 96;
constexpr double kReference_kg = 0.020;
constexpr double kQuickStep_s = 0.008;
constexpr double kWithin = 50.0 * kDegree;

// The first four make the throw, the rest the air and the line.
constexpr std::array<double Model::*, 13> kVaried{
    &Model::castScatter,    &Model::castElevation_rad, &Model::castAttitude_rad,
    &Model::castTurn_rad_s, &Model::airCrossFlow,      &Model::airMunk,
    &Model::airShedLift,    &Model::airTailFirst,      &Model::airShelter,
    &Model::airHooks,       &Model::airLine,           &Model::spoolTakeOff,
    &Model::spoolPull};

const std::vector<const Coefficient*>& varied() {
    static const auto found = [] {
        std::vector<const Coefficient*> out;
        for (double Model::*member : kVaried) {
            out.push_back(&coefficientOf(member));
        }
        return out;
    }();
    return found;
}

Throw throwOf(const Model& m, double speed, double wind) {
    return {speed * m.castScatter, m.castElevation_rad, m.castHeight_m,
            m.castAttitude_rad,    m.castTurn_rad_s,    wind};
}

std::optional<Error> whyNot(const Derived& d) {
    if (!d.design->joints.empty()) {
        return Error{"cast.joints", "/joints", {}, {}};
    }
    if (!(d.mass->mass_kg > 0) || !(d.mass->inertia_kg_m2(1, 1) > 0) ||
        !(d.mass->inertia_kg_m2(2, 2) > 0)) {
        return Error{"cast.no_mass", "/pieces/0/stock", {}, {}};
    }
    return std::nullopt;
}

double speedOf(const Derived& d) {
    return throwSpeed_m_s(d.model, d.design->brief.throwSpeed_m_s.value_or(d.model.castSpeed_m_s),
                          d.mass->mass_kg);
}

std::vector<Flight> throwsOf(const Derived& d, FlightPlane plane, const std::stop_token& stop) {
    const AirBait bait = airBait(d, plane);
    const CastLine line = castLine(d);
    const double speed = speedOf(d);
    std::vector<Flight> out;
    for (int i = 0; i < kThrows && !stop.stop_requested(); ++i) {
        const Model m = drawnIn(d.model, varied(), i);
        out.push_back(
            fly(bait, m, line, throwOf(m, speed, d.design->brief.wind_m_s), kQuickStep_s));
    }
    return out;
}

// A share of the way through the sorted values, straight between them.
double quantile(std::vector<double> values, double share) {
    std::sort(values.begin(), values.end());
    const double at = share * double(values.size() - 1);
    const size_t i = std::min(size_t(at), values.size() - 2);
    return values[i] + (at - double(i)) * (values[i + 1] - values[i]);
}

template <class Of>
std::vector<double> eachOf(const std::vector<Flight>& flights, Of of) {
    std::vector<double> out;
    std::transform(flights.begin(), flights.end(), std::back_inserter(out), of);
    return out;
}

FlightShares sharesOf(const std::vector<Flight>& flights) {
    constexpr double kKeeps = 0.6;
    FlightShares s;
    const double one = 1.0 / double(flights.size());
    for (const Flight& f : flights) {
        s.wentOver += f.turns > 1 ? one : 0;
        const FlightWay way = flightWay(f.lastAttitude_rad);
        double& share = f.lastSteadiness < kKeeps || f.lastTurns > 1 ? s.swings
                        : way == FlightWay::TailFirst                ? s.tailFirst
                        : way == FlightWay::NoseFirst                ? s.noseFirst
                                                                     : s.sideOn;
        share += one;
    }
    return s;
}

}  // namespace

FlightWay flightWay(double attitude_rad) {
    const double a = std::abs(std::remainder(attitude_rad, 2 * kPi));
    return a > kPi - kWithin ? FlightWay::TailFirst
           : a < kWithin     ? FlightWay::NoseFirst
                             : FlightWay::SideOn;
}

std::vector<double> steadyAttitudes(const AirBait& bait, const Model& model, double speed,
                                    double pull) {
    // Flying level, so that the attitude is the pitch.
    const auto moment = [&](double attitude) {
        const double cosine = std::cos(attitude), sine = std::sin(attitude);
        const Eigen::Vector2d tie = bait.tie_m - bait.centre_m;
        const double up = -tie.x() * sine + tie.y() * cosine;
        return airLoads(bait, model, {speed, 0}, attitude, 0).moment_N_m + up * pull;
    };
    std::vector<double> out;
    constexpr double kStep = 2 * kDegree;
    double before = moment(-kPi);
    for (int i = 1; i <= 180; ++i) {
        const double at = -kPi + kStep * i, now = moment(at);
        if (before > 0 && now <= 0) {
            std::uintmax_t most = 60;
            const auto bracket = boost::math::tools::toms748_solve(
                moment, at - kStep, at, before, now, boost::math::tools::eps_tolerance<double>(30),
                most);
            out.push_back(0.5 * (bracket.first + bracket.second));
        }
        before = now;
    }
    return out;
}

double throwSpeed_m_s(const Model& model, double speedOf20g, double mass_kg) {
    return speedOf20g *
           std::sqrt((kReference_kg + model.castRod_kg) / (mass_kg + model.castRod_kg));
}

Result<Cast> computeCast(const Derived& d, std::stop_token stop) {
    if (const auto error = whyNot(d)) {
        return *error;
    }
    const std::vector<Flight> over = throwsOf(d, FlightPlane::Side, stop);
    const std::vector<Flight> side = throwsOf(d, FlightPlane::Plan, stop);
    if (stop.stop_requested()) {
        return Error{"cast.cancelled", "", {}, {}};
    }
    Cast cast;
    const auto distances = eachOf(over, [](const Flight& f) { return f.distance_m; });
    cast.median_m = quantile(distances, 0.5);
    cast.straightness = quantile(eachOf(over, [](const Flight& f) { return f.straightness; }), 0.5);
    cast.over = sharesOf(over);
    cast.side = sharesOf(side);
    cast.splashSteepness_rad =
        quantile(eachOf(over, [](const Flight& f) { return f.splashSteepness_rad; }), 0.5);
    cast.splashSpeed_m_s =
        quantile(eachOf(over, [](const Flight& f) { return f.splashSpeed_m_s; }), 0.5);
    const AirBait bait = airBait(d, FlightPlane::Side);
    constexpr double kStep_s = 0.004;
    cast.middle = fly(bait, d.model, castLine(d),
                      throwOf(d.model, speedOf(d), d.design->brief.wind_m_s), kStep_s, true);
    cast.distance_m = cast.middle.distance_m;
    cast.measured = d.design->brief.throwSpeed_m_s.has_value();
    const double band = cast.measured ? d.model.bandCastKnown : d.model.bandCast;
    cast.low_m = cast.distance_m * (1 - band);
    cast.high_m = cast.distance_m * (1 + band);
    cast.steady_rad = steadyAttitudes(bait, d.model);
    return cast;
}

Result<CastPair> compareCasts(const Derived& first, const Derived& second, std::stop_token stop) {
    for (const Derived* d : {&first, &second}) {
        if (const auto error = whyNot(*d)) {
            return *error;
        }
    }
    const std::vector<Flight> a = throwsOf(first, FlightPlane::Side, stop);
    const std::vector<Flight> b = throwsOf(second, FlightPlane::Side, stop);
    if (stop.stop_requested()) {
        return Error{"cast.cancelled", "", {}, {}};
    }
    CastPair pair;
    std::vector<double> ratios;
    pair.farther = 0;
    for (size_t i = 0; i < a.size(); ++i) {
        ratios.push_back(b[i].distance_m / a[i].distance_m);
        pair.farther += ratios.back() > 1 ? 1.0 / kThrows : 0.0;
    }
    pair.ratio = quantile(ratios, 0.5);
    return pair;
}

std::optional<double> middleDistance_m(const Derived& d) {
    if (whyNot(d)) {
        return std::nullopt;
    }
    return fly(airBait(d, FlightPlane::Side), d.model, castLine(d),
               throwOf(d.model, speedOf(d), d.design->brief.wind_m_s), kQuickStep_s)
        .distance_m;
}

Result<double> throwFromDistance(const Derived& d, double distance_m) {
    if (const auto error = whyNot(d)) {
        return *error;
    }
    const AirBait bait = airBait(d, FlightPlane::Side);
    const CastLine line = castLine(d);
    const auto reach = [&](double speedOf20g) {
        const double speed = throwSpeed_m_s(d.model, speedOf20g, d.mass->mass_kg);
        return fly(bait, d.model, line, throwOf(d.model, speed, d.design->brief.wind_m_s),
                   kQuickStep_s)
            .distance_m;
    };
    constexpr double kSlowest = 8.0, kFastest = 70.0;
    const auto over = [&](double speedOf20g) { return reach(speedOf20g) - distance_m; };
    const double least = over(kSlowest), most = over(kFastest);
    if (!(least <= 0 && most >= 0)) {
        return Error{
            "cast.out_of_reach",
            "/brief/throw_speed",
            {},
            {{Quantity::Distance, distance_m + least}, {Quantity::Distance, distance_m + most}}};
    }
    std::uintmax_t tries = 40;
    const auto bracket =
        boost::math::tools::toms748_solve(over, kSlowest, kFastest, least, most,
                                          boost::math::tools::eps_tolerance<double>(40), tries);
    return 0.5 * (bracket.first + bracket.second);
}

}  // namespace wl
