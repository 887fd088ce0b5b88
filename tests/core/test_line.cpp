// The line and the retrieve.
#include <catch2/catch.hpp>
#include <cmath>

#include "core/motion/line_strength.h"
#include "core/motion/retrieve.h"
#include "support/sample_bait.h"

using namespace wl;

TowedBait workedBait();  // test_tow.cpp

namespace {

Line thin(double diameter = 0.00036) {
    Line line;
    line.diameter_m = diameter;
    line.density_kg_m3 = 970;
    line.waterDensity_kg_m3 = 998;
    line.waterViscosity_m2_s = 1e-6;
    line.strumming = 1.0;  // the references are of still lines
    return line;
}

const LineMotion kLevelTow{{1.0, 0.0}};
const LineMotion kStill{};

PullModel pullOf(const TowedBait& bait) {
    return [&bait](double speed, double path, double alpha) {
        return settleTrim(bait, speed, path, alpha);
    };
}

}  // namespace

TEST_CASE("a neutral line with drag meets the closed form") {
    // c = c0 + Rc s/T: rise = (T/Rc)(asinh c - asinh c0), run = (T/Rc)(sqrt(1+c^2) - sqrt(1+c0^2)).
    Line line = thin();
    line.density_kg_m3 = 998;
    line.tangentialDrag = 0;
    line.fixedNormalDrag = 1.2;
    const LineEnd end = integrateLine(line, 1.0, 45 * kDegree, 30, 1e3, 400, kLevelTow);
    const double rc = 0.5 * 998 * 1.2 * 0.00036, c = 1 + rc * 30;
    CHECK(-end.place_m.y() == Approx((std::asinh(c) - std::asinh(1.0)) / rc).epsilon(1e-6));
    CHECK(end.place_m.x() == Approx((std::sqrt(1 + c * c) - std::sqrt(2.0)) / rc).epsilon(1e-6));
    CHECK(-end.place_m.y() == Approx(8.474014).margin(1e-5));
}

TEST_CASE("a heavy line without drag hangs as a catenary") {
    Line line = thin();
    line.tangentialDrag = 0;
    // Weight 0.02 N/m up the line from 45 degrees at 1 N.
    line.density_kg_m3 = 998 + 0.02 / (kPi / 4 * line.diameter_m * line.diameter_m * kGravity_m_s2);
    const LineEnd end = integrateLine(line, 1.0, 45 * kDegree, 30, 1e3, 400, kStill);
    const double h = std::sqrt(0.5), v0 = h, v1 = v0 + 0.02 * 30;
    CHECK(end.place_m.x() ==
          Approx(h / 0.02 * (std::asinh(v1 / h) - std::asinh(v0 / h))).epsilon(1e-6));
    CHECK(-end.place_m.y() == Approx((std::hypot(h, v1) - std::hypot(h, v0)) / 0.02).epsilon(1e-6));
}

TEST_CASE("a long line tends to the critical angle") {
    Line line = thin();
    line.tangentialDrag = 0;
    line.fixedNormalDrag = 1.2;
    line.density_kg_m3 = 998 + 0.02 / (kPi / 4 * line.diameter_m * line.diameter_m * kGravity_m_s2);
    const double kappa = 0.02 / (0.5 * 998 * 1.2 * line.diameter_m);
    const double critical = std::acos((-kappa + std::sqrt(kappa * kappa + 4)) / 2);
    CHECK(critical / kDegree == Approx(17.31434).margin(1e-4));
    // From steeper and from flatter it comes to that angle, and keeps it.
    for (const double start : {70.0, 40.0, 12.0}) {
        const LineEnd end = integrateLine(line, 1.0, start * kDegree, 400, 1e4, 4000, kLevelTow);
        INFO(start);
        CHECK(std::atan2(-end.tension_N.y(), end.tension_N.x()) / kDegree ==
              Approx(17.31434).margin(0.02));
    }
}

TEST_CASE("cylinder drag coefficients are White's") {
    Line line = thin(1e-3);
    CHECK(line.normalDrag(0.1) == Approx(1.46).margin(0.01));  // Re 100, about 1.4
    CHECK(line.normalDrag(1.0) == Approx(1.10).margin(0.01));  // Re 1000, about 1.0
}

TEST_CASE("without line drag the retrieve is a logarithmic spiral") {
    const double lambda = 31.36 * kDegree;
    const PullModel steady = [lambda](double, double path, double) {
        return std::optional<Trim>(Trim{0, 0, 1.0, lambda - path});
    };
    Line none = thin(1e-9);
    const double start = 0.31;
    const Retrieve retrieve{20, 1.0, 0.5, start};
    const RetrievePath path = computeRetrieve(steady, none, retrieve, 0);
    CHECK(path.end != RetrieveEnd::NoSolution);
    const double phi0 = std::asin((0.5 + start) / 20);
    // r = r0 exp(-(phi - phi0) cot lambda) about the rod tip is deepest at phi = lambda.
    const double radius = 20 * std::exp(-(lambda - phi0) / std::tan(lambda));
    CHECK(path.maxDepth_m == Approx(radius * std::sin(lambda) - 0.5).epsilon(3e-3));
}

TEST_CASE("the worked bait trolled and retrieved") {
    const TowedBait bait = workedBait();
    const std::optional<Trim> trim = settleTrim(bait, 1.2, 0.0, 0.0);
    REQUIRE(trim);
    CHECK(trolledDepth_m(thin(), trim->tension_N, trim->lineAngle_rad, 1.2, 30, 1.0) ==
          Approx(6.346).epsilon(2e-3));
    const RetrievePath path = computeRetrieve(pullOf(bait), thin(), {30, 1.0, 0.5, 0.6 * 0.026}, 0);
    CHECK(path.maxDepth_m == Approx(4.02).epsilon(5e-3));
    CHECK(path.maxDepthFromRod_m == Approx(9.35).margin(0.35));
    CHECK(path.shareNearDeepest == Approx(0.34).margin(0.02));
}

TEST_CASE("a retrieve can be stopped half-way") {
    const TowedBait bait = workedBait();
    std::stop_source stop;
    stop.request_stop();
    CHECK(computeRetrieve(pullOf(bait), thin(), {30, 1.0, 0.5, 0.02}, 0, stop.get_token()).end ==
          RetrieveEnd::Cancelled);
}

TEST_CASE("a line's strength and its usual diameter stand for each other") {
    constexpr double kPound_N = 0.45359237 * 9.80665;
    // Common practice, no source.
    CHECK(typicalLineDiameter_m(LineKind::Nylon, 10 * kPound_N) == Approx(0.29e-3));
    CHECK(typicalLineDiameter_m(LineKind::Fluorocarbon, 12 * kPound_N) == Approx(0.31e-3));
    CHECK(typicalLineDiameter_m(LineKind::Braid, 20 * kPound_N) == Approx(0.23e-3));
    for (const LineKind kind : {LineKind::Nylon, LineKind::Fluorocarbon, LineKind::Braid}) {
        double thinner = 0;
        for (double lb = 1; lb < 300; lb *= 1.07) {
            const double d = typicalLineDiameter_m(kind, lb * kPound_N);
            CHECK(d > thinner);
            CHECK(typicalLineStrength_N(kind, d) == Approx(lb * kPound_N).epsilon(1e-9));
            thinner = d;
        }
    }
    // Beyond the table the load on the section stays.
    const double thick = typicalLineDiameter_m(LineKind::Nylon, 200 * kPound_N);
    CHECK(typicalLineDiameter_m(LineKind::Nylon, 800 * kPound_N) == Approx(2 * thick));
}
