// The flight of a bait against closed forms, and what it must hold whatever the coefficients.
#include <boost/math/quadrature/gauss_kronrod.hpp>
#include <boost/math/tools/roots.hpp>
#include <catch2/catch.hpp>

#include "core/cast/throws.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

constexpr double kG = kGravity_m_s2;

// All the air does to it is drag against its way.
AirBait point(double mass_kg, double dragArea_m2) {
    AirBait b;
    b.length_m = 0.05;
    b.mass_kg = mass_kg;
    b.inertia_kg_m2 = 1e-5;
    b.hooks.push_back({b.centre_m, dragArea_m2});
    return b;
}

CastLine noLine() {
    CastLine line;
    line.restPull_N = 0;
    line.diameter_m = 0;
    line.momentumShare = 0;
    return line;
}

Throw thrown(double speed, double degrees, double height = 2.0) {
    return {speed, degrees * kDegree, height, 0.0, 0.0, 0.0};
}

double vacuumRange(double speed, double degrees, double height) {
    const double up = speed * std::sin(degrees * kDegree),
                 along = speed * std::cos(degrees * kDegree);
    return along * (up + std::sqrt(up * up + 2 * kG * height)) / kG;
}

// Euler's hodograph (from memory) of a shot with drag k v^2 per mass, by quadrature: range to the
// ground.
double hodographRange(double speed, double degrees, double height, double k) {
    const double start = degrees * kDegree;
    const auto f = [](double t) {
        return std::tan(t) / std::cos(t) + std::log(1 / std::cos(t) + std::tan(t));
    };
    const double c0 = 1 / std::pow(speed * std::cos(start), 2) + k / kG * f(start);
    const auto square = [&](double t) {  // of the speed
        return 1 / ((c0 - k / kG * f(t)) * std::cos(t) * std::cos(t));
    };
    using Rule = boost::math::quadrature::gauss_kronrod<double, 61>;
    const auto heightAt = [&](double end) {
        return height + Rule::integrate([&](double t) { return square(t) * std::tan(t) / kG; }, end,
                                        start, 12, 1e-13);
    };
    std::uintmax_t most = 100;
    const auto root = boost::math::tools::toms748_solve(
        heightAt, -1.55, -0.01, boost::math::tools::eps_tolerance<double>(48), most);
    const double end = 0.5 * (root.first + root.second);
    return Rule::integrate([&](double t) { return square(t) / kG; }, end, start, 12, 1e-13);
}

double distanceOf(const AirBait& b, const Throw& t, const CastLine& line = noLine(),
                  const Model& m = {}, double step = 0.004) {
    return fly(b, m, line, t, step).distance_m;
}

}  // namespace

TEST_CASE("without air a bait flies the parabola") {
    for (const double degrees : {10.0, 38.0, 60.0}) {
        CHECK(distanceOf(point(0.02, 0), thrown(25, degrees)) ==
              Approx(vacuumRange(25, degrees, 2.0)).epsilon(1e-9));
    }
}

TEST_CASE("with drag alone it lands where Euler's hodograph says, and as steep") {
    const double mass = 0.02, fall = 28.59, k = kG / (fall * fall);
    const double area = 2 * mass * k / kAirDensity_kg_m3;
    for (const auto& [speed, degrees] :
         {std::pair{25.0, 38.0}, std::pair{35.0, 45.0}, std::pair{60.0, 30.0}}) {
        const double exact = hodographRange(speed, degrees, 2.0, k);
        const AirBait b = point(mass, area);
        CHECK(distanceOf(b, thrown(speed, degrees)) == Approx(exact).epsilon(2e-6));
        // Fourth order: half the step, a sixteenth of the miss.
        const double coarse = distanceOf(b, thrown(speed, degrees), noLine(), {}, 0.064) - exact,
                     fine = distanceOf(b, thrown(speed, degrees), noLine(), {}, 0.032) - exact;
        CHECK(std::abs(fine) < std::abs(coarse) / 8);
    }
}

TEST_CASE("the line takes the momentum it must: m v0 / (m + mu L) without air or rub") {
    CastLine line = noLine();
    line.massPerMetre_kg_m = 6.05e-5;
    line.momentumShare = 1.0;
    Model m;
    m.spoolPull = 0;
    const AirBait b = point(0.02, 0);
    // Far up and level, so that little of its weight bears on its way before it is looked at.
    const Flight f = fly(b, m, line, {24.0, 0, 400.0, 0, 0, 0}, 0.001, true);
    REQUIRE(f.distance_m > 10);
    for (const FlightPoint& p : f.path) {
        if (p.range_m > 10) {
            // Energy put back: v^2 = v0^2 m^2/(m + mu L)^2 at the start of a long fall, to the
            // square of the drop's share.
            const FlightPoint &a = p, &c = *(&p + 1);
            const double speed = (c.range_m - a.range_m) / (c.time_s - a.time_s);
            CHECK(speed == Approx(24.0 * 0.02 / (0.02 + 6.05e-5 * 10)).epsilon(5e-3));
            break;
        }
    }
}

TEST_CASE("without line two sizes fly alike by Froude's rule") {
    const Derived d = evaluated(demoDesign());
    AirBait one = airBait(d, FlightPlane::Side);
    one.axial_m2 = std::max(one.axial_m2, 1e-6);
    AirBait big = one;
    const double s = 1.7;
    big.length_m *= s;
    big.mass_kg *= s * s * s;
    big.inertia_kg_m2 *= std::pow(s, 5);
    big.centre_m *= s;
    big.tie_m *= s;
    big.middle_m *= s;
    big.planCentroid_m *= s;
    for (AirBait::Strip& strip : big.strips) {
        strip.at_m *= s;
        strip.area_m2 *= s * s;
    }
    big.munk_m3 *= s * s * s;
    for (double* area : {&big.frontal_m2, &big.slender_m2, &big.bareLift_m2, &big.axial_m2}) {
        *area *= s * s;
    }
    big.axialHeight_m *= s;
    REQUIRE(big.lip);
    big.lip->root_m *= s;
    big.lip->chord_m *= s;
    big.lip->area_m2 *= s * s;
    big.lip->edge_m2 *= s * s;
    for (AirBait::Drag& hook : big.hooks) {
        hook.place_m *= s;
        hook.area_m2 *= s * s;
    }
    REQUIRE(one.surfaces.empty());
    const Throw t{25, 0.6, 2.0, -1.0, -20, 0};
    const Throw u{25 * std::sqrt(s), 0.6, 2.0 * s, -1.0, -20 / std::sqrt(s), 0};
    CHECK(distanceOf(big, u, noLine(), {}, 0.004 * std::sqrt(s)) / distanceOf(one, t) ==
          Approx(s).epsilon(1e-9));
}

TEST_CASE("left to the air the energy of turning, speed and height never grows") {
    for (const char* name : {"diver", "lipless", "glide-bait"}) {
        Design design = demoNamed(name);
        design.joints.clear();  // in one piece
        design.pieces.resize(1);
        const auto d = evaluate(design);
        REQUIRE(d);
        for (const FlightPlane plane : {FlightPlane::Side, FlightPlane::Plan}) {
            const AirBait b = airBait(*d, plane);
            const double dt = 0.001;
            const Flight f = fly(b, {}, noLine(), {25, 0.6, 2.0, -1.0, -20, 0}, dt, true);
            REQUIRE(f.path.size() > 100);
            double last = 1e9;
            for (size_t i = 1; i + 2 < f.path.size(); ++i) {
                const FlightPoint &a = f.path[i - 1], &c = f.path[i + 1];
                const double vx = (c.range_m - a.range_m) / (2 * dt),
                             vz = (c.height_m - a.height_m) / (2 * dt),
                             q = (c.pitch_rad - a.pitch_rad) / (2 * dt);
                const double energy = 0.5 * b.mass_kg * (vx * vx + vz * vz) +
                                      0.5 * b.inertia_kg_m2 * q * q +
                                      b.mass_kg * kG * f.path[i].height_m;
                CHECK(energy <= last * (1 + 2e-6));
                last = energy;
            }
        }
    }
}

TEST_CASE("thicker line and head wind shorten a cast, weight at one shape lengthens it") {
    const Derived d = evaluated(demoDesign());
    Design thick = demoDesign();
    thick.brief.lineDiameter_m *= 1.5;
    const auto thicker = compareCasts(d, evaluated(thick));
    REQUIRE(thicker);
    CHECK(thicker->ratio < 1);
    CHECK(thicker->farther == 0);
    Design windy = demoDesign();
    windy.brief.wind_m_s = -3;
    CHECK(compareCasts(d, evaluated(windy))->farther == 0);
    // Common practice, no source: the same bait heavier flies farther, lighter falls short.
    Derived heavy = d;
    auto mass = std::make_shared<MassBalance>(*d.mass);
    mass->mass_kg *= 1.4;
    mass->inertia_kg_m2 *= 1.4;
    heavy.mass = mass;
    const auto heavier = compareCasts(d, heavy);
    CHECK(heavier->ratio > 1.03);
    CHECK(heavier->farther > 0.9);
}

TEST_CASE("the line alone pulls a bait tail first, and tail lead brings it nearer to that") {
    const Derived d = evaluated(demoDesign());
    AirBait b = airBait(d, FlightPlane::Side);
    for (const double angle : steadyAttitudes(b, d.model, 20.0, 50.0)) {
        CHECK(flightWay(angle) == FlightWay::TailFirst);
    }
    const auto nearest = [&](const AirBait& bait) {
        double most = 0;
        for (const double a : steadyAttitudes(bait, d.model)) {
            most = std::max(most, std::abs(a));
        }
        return most;
    };
    AirBait aft = b;
    aft.centre_m.x() += 0.003;
    CHECK(nearest(aft) > nearest(b));
    CHECK(flightWay(kPi) == FlightWay::TailFirst);
    CHECK(flightWay(-0.5) == FlightWay::NoseFirst);
    CHECK(flightWay(2.0) == FlightWay::SideOn);
}

TEST_CASE("a dart's swing has its wavelength in metres, whatever its speed") {
    // Drag area 5 cm2 60 mm behind, I 2e-5, 20 g: 2 pi sqrt(2 I/(rho C A l)) (own derivation).
    AirBait b = point(0.02, 0);
    b.inertia_kg_m2 = 2e-5;
    b.hooks = {{{0.06, 0.0}, 5e-4}};
    const double wave = 2 * kPi * std::sqrt(2 * 2e-5 / (kAirDensity_kg_m3 * 5e-4 * 0.06));
    for (const double speed : {40.0, 80.0}) {
        const Flight f = fly(b, {}, noLine(), {speed, 0, 500, 2 * kDegree, 0, 0}, 0.0005, true);
        std::vector<double> crossings;
        for (size_t i = 1; i < f.path.size() && crossings.size() < 3; ++i) {
            if ((f.path[i - 1].attitude_rad > 0) != (f.path[i].attitude_rad > 0)) {
                crossings.push_back(f.path[i].range_m);
            }
        }
        REQUIRE(crossings.size() == 3);
        CHECK(crossings[2] - crossings[0] == Approx(wave).epsilon(0.02));
    }
}

TEST_CASE(
    "a measured cast gives back the throw it was made with, and what is not told is refused") {
    Design design = demoDesign();
    design.brief.throwSpeed_m_s = 31.5;
    const Derived d = evaluated(design);
    const auto reached = middleDistance_m(d);
    REQUIRE(reached);
    const auto back = throwFromDistance(d, *reached);
    REQUIRE(back);
    CHECK(*back == Approx(31.5).epsilon(1e-3));
    const auto far = throwFromDistance(d, 900.0);
    REQUIRE_FALSE(far);
    CHECK(far.error().code == "cast.out_of_reach");
    CHECK(far.error().values.size() == 2);
    const auto jointed = computeCast(evaluated(demoNamed("glide-bait")));
    REQUIRE_FALSE(jointed);
    CHECK(jointed.error().code == "cast.joints");
    std::stop_source stop;
    stop.request_stop();
    CHECK(computeCast(d, stop.get_token()).error().code == "cast.cancelled");
}

TEST_CASE("a cast's figures hang together, and are the same every time") {
    const Derived d = evaluated(demoDesign());
    const auto cast = computeCast(d), again = computeCast(d);
    REQUIRE(cast);
    CHECK(cast->distance_m == again->distance_m);
    CHECK(cast->straightness == again->straightness);
    for (const FlightShares& s : {cast->over, cast->side}) {
        CHECK(s.tailFirst + s.sideOn + s.noseFirst + s.swings == Approx(1.0));
        CHECK(s.wentOver <= 1.0);
    }
    CHECK(cast->low_m < cast->distance_m);
    CHECK(cast->high_m > cast->distance_m);
    CHECK(cast->median_m == Approx(cast->distance_m).epsilon(0.1));
    // Steps of 8 ms instead of 4: within a thousandth.
    CHECK(*middleDistance_m(d) == Approx(cast->middle.distance_m).epsilon(1e-3));
    Design steep = demoDesign();
    steep.lip.angle_rad = 75 * kDegree;
    const auto sideOn = computeCast(evaluated(steep));
    REQUIRE(sideOn);
    CHECK(sideOn->straightness < cast->straightness);
}
