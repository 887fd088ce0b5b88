// Lines no one cast: shapes followed here in many short straight lengths, and what must hold of
// every retrieve.
#include <boost/numeric/odeint.hpp>
#include <catch2/catch.hpp>
#include <cmath>

#include "core/motion/line_shape.h"
#include "core/motion/retrieve.h"
#include "core/rules/check_design.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

Line randomLine(Dice& dice) {
    Line line;
    line.diameter_m = dice.from(0.0001, 0.0006);
    line.density_kg_m3 = lineDensity_kg_m3(LineKind(dice.upTo(2)));
    line.waterDensity_kg_m3 = dice.from(998, 1025);
    line.waterViscosity_m2_s = dice.from(0.9e-6, 1.5e-6);
    return line;
}

struct End {
    Eigen::Vector2d place = Eigen::Vector2d::Zero();
    Eigen::Vector2d tension;
};

// The line from the bait up, link by link: each link carries its own weight in water and its drag,
// by White's cylinder across it and a friction share along it (Berteaux), as rods and not as a
// curve.
End linkByLink(const Line& line, double tension, double angle, double length, double speed,
               int links) {
    End end;
    end.tension = tension * Eigen::Vector2d(std::cos(angle), -std::sin(angle));
    const double ds = length / links;
    const double weight = (line.density_kg_m3 - line.waterDensity_kg_m3) * kPi / 4 *
                          line.diameter_m * line.diameter_m * kGravity_m_s2;
    for (int i = 0; i < links; ++i) {
        // Half the load of a link before it, half behind it.
        for (int half = 0; half < 2; ++half) {
            const Eigen::Vector2d t = end.tension.normalized();
            const Eigen::Vector2d v(speed, 0);
            const double along = v.dot(t);
            const Eigen::Vector2d across = v - along * t;
            const double re =
                std::max(across.norm() * line.diameter_m / line.waterViscosity_m2_s, 1e-6);
            const double drag = line.strumming * (1 + 10 * std::pow(re, -2.0 / 3));
            const double rho = 0.5 * line.waterDensity_kg_m3 * line.diameter_m;
            end.tension += 0.5 * ds *
                           (rho * drag * across.norm() * across +
                            rho * kPi * line.tangentialDrag * std::abs(along) * along * t -
                            weight * Eigen::Vector2d(0, 1));
            if (half == 0) {
                end.place += ds * end.tension.normalized();
            }
        }
    }
    return end;
}

}  // namespace

TEST_CASE("random towed lines lie as the same lines laid link by link") {
    Dice dice(61);
    for (int i = 0; i < 40; ++i) {
        const Line line = randomLine(dice);
        const double tension = dice.from(0.2, 3), angle = dice.from(5, 60) * kDegree;
        const double length = dice.from(3, 40), speed = dice.from(0.3, 2);
        const LineEnd told =
            integrateLine(line, tension, angle, length, 1e4, 400, LineMotion{{speed, 0}});
        const End rods = linkByLink(line, tension, angle, length, speed, 20000);
        INFO(i << " " << line.diameter_m * 1e3 << " mm, " << length << " m at " << speed);
        CHECK((told.place_m - rods.place).norm() < 1e-3 * length);
        CHECK((told.tension_N - rods.tension).norm() < 2e-3 * rods.tension.norm());
        CHECK(told.inWater_m == Approx(length));
        // A line is no longer than it is.
        CHECK(told.place_m.norm() <= length * (1 + 1e-9));
    }
}

TEST_CASE(
    "random lines with leaders in turning water keep to Boost's adaptive integration, to 1e-6") {
    using State = std::array<double, 4>;
    Dice dice(71);
    for (int i = 0; i < 30; ++i) {
        Line line = randomLine(dice);
        line.leaderLength_m = i % 3 == 0 ? 0.0 : dice.from(0.5, 4);
        line.leaderDiameter_m = dice.from(0.2e-3, 0.8e-3);
        line.leaderDensity_kg_m3 = lineDensity_kg_m3(LineKind(dice.upTo(2)));
        const double tension = dice.from(0.4, 3), angle = dice.from(5, 60) * kDegree;
        const double length = dice.from(6, 30);
        LineMotion motion{{dice.from(0.4, 1.6), dice.from(-0.2, 0.2)}};
        motion.perMetre_1_s << dice.from(-0.04, 0.0), 0.01, -0.01, dice.from(-0.02, 0.02);
        // White's cylinder across it, friction along it, its weight; place and pull by arc length.
        const auto stretch = [&](double diameter, double density) {
            return [&, diameter, density](const State& y, State& dy, double) {
                const Eigen::Vector2d pull(y[2], y[3]), t = pull.normalized();
                const Eigen::Vector2d v =
                    motion.atBait_m_s + motion.perMetre_1_s * Eigen::Vector2d(y[0], y[1]);
                const double along = v.dot(t);
                const Eigen::Vector2d across = v - along * t;
                const double re = across.norm() * diameter / line.waterViscosity_m2_s;
                const double drag = line.strumming * (1 + 10 * std::pow(re, -2.0 / 3));
                const double half = 0.5 * line.waterDensity_kg_m3 * diameter;
                const double weight = (density - line.waterDensity_kg_m3) * kPi / 4 * diameter *
                                      diameter * kGravity_m_s2;
                const Eigen::Vector2d load =
                    half * drag * across.norm() * across +
                    half * kPi * line.tangentialDrag * std::abs(along) * along * t -
                    weight * Eigen::Vector2d(0, 1);
                dy = {t.x(), t.y(), load.x(), load.y()};
            };
        };
        State y{0, 0, tension * std::cos(angle), -tension * std::sin(angle)};
        const auto integrate = [&](const auto& equations, double from, double to) {
            namespace odeint = boost::numeric::odeint;
            odeint::integrate_adaptive(
                odeint::make_controlled<odeint::runge_kutta_dopri5<State>>(1e-12, 1e-12), equations,
                y, from, to, 1e-3);
        };
        integrate(stretch(line.leaderDiameter_m, line.leaderDensity_kg_m3), 0.0,
                  line.leaderLength_m);
        integrate(stretch(line.diameter_m, line.density_kg_m3), line.leaderLength_m, length);
        const LineEnd told = integrateLine(line, tension, angle, length, 1e4, 800, motion);
        INFO(i);
        CHECK((told.place_m - Eigen::Vector2d(y[0], y[1])).norm() < 1e-6 * length);
        CHECK((told.tension_N - Eigen::Vector2d(y[2], y[3])).norm() < 1e-6 * tension);
    }
}

TEST_CASE("more line, thicker line, slower bait: what a towed line does to depth") {
    Dice dice(62);
    for (int i = 0; i < 20; ++i) {
        const Line line = randomLine(dice);
        const double tension = dice.from(0.3, 2), angle = dice.from(20, 50) * kDegree;
        const double speed = dice.from(0.5, 1.5);
        const double depth = trolledDepth_m(line, tension, angle, speed, 20, 1.0);
        INFO(i << " " << depth);
        CHECK(depth >= 0);
        CHECK(depth < 20);
        CHECK(trolledDepth_m(line, tension, angle, speed, 40, 1.0) >= depth - 1e-6);
        CHECK(trolledDepth_m(line, tension, angle, speed, 20, 3.0) <= depth + 1e-6);
        CHECK(trolledDepth_m(line, 1.5 * tension, angle, speed, 20, 1.0) >= depth - 1e-6);
        Line thick = line;
        thick.diameter_m *= 1.6;
        CHECK(trolledDepth_m(thick, tension, angle, speed, 20, 1.0) <= depth + 1e-6);
    }
}

TEST_CASE(
    "every retrieve of random baits: never above the water, in order of time, within the line") {
    Dice dice(63);
    int known = 0;
    for (int i = 0; i < 40; ++i) {
        Design d = randomDesign(dice);
        d.lip.present = true;
        d.brief.castLength_m = dice.from(10, 40);
        d.brief.retrieveSpeed_m_s = dice.from(0.5, 1.5);
        const Result<Derived> derived = evaluate(d);
        if (!derived) {
            continue;
        }
        const Run run = computeRun(*derived);
        INFO(i);
        double time = -1;
        for (const RetrievePoint& p : run.path.points) {
            CHECK(p.depth_m >= -1e-9);
            CHECK(p.time_s >= time);
            CHECK(p.tension_N >= 0);
            CHECK(std::isfinite(p.fromRod_m));
            CHECK(std::hypot(p.fromRod_m, p.depth_m) < 1.2 * d.brief.castLength_m);
            time = p.time_s;
        }
        if (run.depthKnown) {
            ++known;
            CHECK(run.depthLow_m <= run.path.maxDepth_m);
            CHECK(run.depthHigh_m >= run.path.maxDepth_m);
            CHECK(run.path.maxDepth_m < d.brief.castLength_m);
        }
        // The same again, byte for byte, and nothing at all when it is stopped.
        const Run again = computeRun(*derived);
        CHECK(again.path.maxDepth_m == run.path.maxDepth_m);
        std::stop_source stop;
        stop.request_stop();
        CHECK(computeRun(*derived, stop.get_token()).path.end == RetrieveEnd::Cancelled);
    }
    CHECK(known > 10);
}

TEST_CASE("where a retrieve goes does not hang on the steps it is worked out in") {
    int runs = 0, far = 0;
    for (const char* name : {"diver", "lipless", "swimmer"}) {
        for (const double speed : {0.5, 0.8, 1.2}) {
            for (const double cast : {15.0, 25.0, 40.0}) {
                Design d = demoNamed(name);
                d.brief.retrieveSpeed_m_s = speed;
                d.brief.castLength_m = cast;
                const Derived there = evaluate(d).value();
                const double told = computeRun(there).path.maxDepth_m;
                const RetrieveGrid finer{0.004, 64, 1e-10};
                INFO(name << ", " << speed << " m/s, cast " << cast << " m: " << told);
                const double finest = computeRun(there, {}, finer).path.maxDepth_m;
                CHECK(told == Approx(finest).epsilon(0.03));
                const double coarse = computeRun(there, {}, kCoarseRetrieve).path.maxDepth_m;
                CHECK(coarse == Approx(finest).epsilon(0.06));
                ++runs;
                far += std::abs(told / finest - 1) > 0.003 ? 1 : 0;
            }
        }
    }
    CHECK(far * 5 < runs);
}

TEST_CASE("a line that comes out of the water and would be under again comes out") {
    // A bait just under the surface far from the rod: links of a few millimetres, the air hangs
    // straight.
    Line line;
    line.diameter_m = 0.26e-3;
    int out = 0;
    for (const double angle_deg : {2.0, 3.0, 3.9, 5.0, 8.0}) {
        const auto end = [&](int steps) {
            return integrateLine(line, 0.58, angle_deg * kDegree, 26, 0.0152, steps, {{1.0, 0.3}});
        };
        const LineEnd fine = end(4000);
        INFO(angle_deg);
        for (const int steps : {10, 16, 24, 33}) {
            CHECK((end(steps).place_m - fine.place_m).norm() < 1e-3 * 26);
            CHECK(end(steps).inWater_m == Approx(fine.inWater_m).margin(1e-3));
        }
        out += fine.inWater_m < 1 ? 1 : 0;
    }
    CHECK(out >= 3);
}

TEST_CASE("a random bait on a line has a depth or a plain reason, and a longer cast keeps it") {
    int slackAtFirst = 0, known = 0;
    for (unsigned seed = 1; seed <= unsigned(someOf(90)); ++seed) {
        Dice dice(seed);
        const Design d = randomDesign(dice);
        const Result<Derived> derived = evaluate(d);
        if (!derived) {
            continue;
        }
        const Run run = computeRun(*derived);
        INFO("seed " << seed);
        CHECK((run.depthKnown || run.path.end == RetrieveEnd::NoTrim || run.floatsSlack ||
               run.tellableFrom_m_s));
        if (!run.depthKnown) {
            continue;
        }
        ++known;
        const bool slack = run.tautFrom_m < d.brief.castLength_m;
        slackAtFirst += slack ? 1 : 0;
        const std::vector<Finding> found = checkRun(*derived, run);
        CHECK(slack == std::any_of(found.begin(), found.end(), [](const Finding& f) {
                  return f.code == "run.slack_at_first";
              }));
        Design longer = d;
        longer.brief.castLength_m *= 1.3;
        const Run far = computeRun(evaluate(longer, &*derived).value());
        CHECK(far.depthKnown);
        CHECK(far.tautFrom_m > 0.93 * run.tautFrom_m);
    }
    CHECK(slackAtFirst > someOf(6) - 1);
    CHECK(known > someOf(60));
}

TEST_CASE("a floating line that leaves the tie downward gives no depth, a sinking one may") {
    // A heavy bait without a lip, counted down, drawn up by its own plane: the line slopes down.
    int floating = 0;
    for (unsigned seed = 1; seed <= unsigned(someOf(120)); ++seed) {
        Dice dice(seed);
        Design d = randomDesign(dice);
        d.brief.lineKind = LineKind::Braid;
        d.brief.countdown_s = 4;
        const Result<Derived> derived = evaluate(d);
        if (!derived) {
            continue;
        }
        const Run run = computeRun(*derived);
        for (const RetrievePoint& p : run.path.points) {
            if (run.depthKnown && p.depth_m == run.path.maxDepth_m && p.depth_m > 0) {
                CHECK(p.lineAngle_rad >= 0);
            }
        }
        if (run.levelTrim && run.levelTrim->lineAngle_rad < 0) {
            CHECK_FALSE(run.trolledDepth_m);
        }
        floating += run.floatsSlack ? 1 : 0;
    }
    CHECK(floating > 0);
}

TEST_CASE("a random sinker falls at rest, found all the way round, or is said to tumble") {
    int beyond = 0, sinkers = 0;
    for (unsigned seed = 1; seed <= 90; ++seed) {
        Dice dice(seed);
        Design d = randomDesign(dice);
        for (Bore& bore : d.bores) {
            bore.plugLength_m = 0.8 * bore.depth_m;
        }
        const Result<Derived> derived = evaluate(d);
        if (!derived || derived->rest->net_kg >= 0) {
            continue;
        }
        ++sinkers;
        INFO("seed " << seed);
        const FreeFall& fall = derived->rest->fall;
        const TowedBait& b = derived->towed;
        if (!fall.steady) {
            CHECK(fall.speed_m_s > 0);
            continue;
        }
        beyond += std::abs(fall.pitch_rad) > kPi / 2 ? 1 : 0;
        // Forces and moment about the centre of gravity, from the loads themselves.
        const Loads l = b.loads->at(fall.pitch_rad + fall.pathAngle_rad);
        const double speed = fall.speed_m_s / std::sin(fall.pathAngle_rad);
        const double q = 0.5 * b.waterDensity_kg_m3 * speed * speed;
        const double c = std::cos(fall.pitch_rad), s = std::sin(fall.pitch_rad);
        const double lift = b.waterDensity_kg_m3 * b.displacedVolume_m3 * kGravity_m_s2;
        const double heavy = b.mass_kg * kGravity_m_s2 - lift;
        CHECK(q * (l.aft_m2 * c + l.up_m2 * s) == Approx(0).margin(1e-3 * heavy));
        CHECK(q * (-l.aft_m2 * s + l.up_m2 * c) == Approx(heavy).epsilon(1e-3));
        const Eigen::Vector2d arm = b.centreOfBuoyancy_m - b.centreOfGravity_m;
        const double righting = lift * (-arm.y() * s - arm.x() * c);
        const double water = q * (l.moment_m3 - (b.centreOfGravity_m.y() * l.aft_m2 -
                                                 b.centreOfGravity_m.x() * l.up_m2));
        CHECK(righting + water == Approx(0).margin(2e-3 * (std::abs(righting) + std::abs(water))));
    }
    CHECK(sinkers > 30);
    CHECK(beyond > 0);
}
