// Terms small or rare enough to be lost without anyone noticing: each is held here by itself, by
// another way than the program's own.
#include <Eigen/Geometry>
#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "core/hydro/righting.h"
#include "core/motion/line_shape.h"
#include "core/plan/plan_lead.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("a waterplane set askew has the cross moment of a turned rectangle") {
    // Rectangle 2a x 2b turned by t: Ixy = (Ixx' - Iyy') / 2 sin 2t, Ixx' = 4 a^3 b / 3 and so on
    // (any text on mechanics).
    const double a = 0.06, b = 0.015, turn = 25 * kDegree;
    TriangleMesh box = boxMesh(2 * a, 2 * b, 0.02, -0.01);
    for (Eigen::Vector3d& v : box.vertices_m) {
        v = Eigen::AngleAxisd(turn, Eigen::Vector3d::UnitZ()) * (v - a * Eigen::Vector3d::UnitX());
    }
    const Submerged s = computeSubmerged({{box}, {}}, {});
    const double along = 4 * a * a * a * b / 3, across = 4 * a * b * b * b / 3;
    CHECK(s.waterplaneArea_m2 == Approx(4 * a * b));
    CHECK(s.waterplaneSecond_m4(0, 1) == Approx(0.5 * (along - across) * std::sin(2 * turn)));
    CHECK(s.waterplaneSecond_m4(1, 0) == Approx(s.waterplaneSecond_m4(0, 1)));
    CHECK(s.waterplaneSecond_m4(0, 0) ==
          Approx(along * std::pow(std::cos(turn), 2) + across * std::pow(std::sin(turn), 2)));
}

TEST_CASE("the righting arm of a bait that hangs steeply is the slope of its energy") {
    // The height of the weight over the lift, least over pitch at each roll: its slope over roll is
    // the arm. Turned by rotation matrices here: first rolled about its own axis, then pitched.
    const TriangleMesh box = boxMesh(0.1, 0.02, 0.03, -0.015);
    FloatingBody body{{{box}, {}}, 0.1, {0.054, 0.0, -0.006}, 1000.0};
    body.centreOfGravity_m.y() = 0.0015;
    const Eigen::Vector3d lever = body.centreOfGravity_m - Eigen::Vector3d(0.05, 0, 0);
    const auto height = [&](double pitch, double roll) {
        // x aft, y port, z up: nose up turns the tail down, port up turns +y to +z.
        const Eigen::Vector3d rolled(lever.x(),
                                     std::cos(roll) * lever.y() - std::sin(roll) * lever.z(),
                                     std::sin(roll) * lever.y() + std::cos(roll) * lever.z());
        return std::cos(pitch) * rolled.z() - std::sin(pitch) * rolled.x();
    };
    const auto least = [&](double roll) {
        double best = 1e9;
        for (double step = 1 * kDegree, middle = 0; step > 1e-7; step *= 0.3) {
            double at = middle;
            for (double p = middle - 90 * step; p <= middle + 90 * step; p += step) {
                if (height(p, roll) < best) {
                    best = height(p, roll);
                    at = p;
                }
            }
            middle = at;
        }
        return best;
    };
    for (const double roll : {-20.0, 10.0, 35.0, 60.0}) {
        const RightingPoint point = rightingAt(body, roll * kDegree, 0.8);
        INFO(roll << " pitch " << point.pitch_rad / kDegree);
        CHECK(std::abs(point.pitch_rad) > 20 * kDegree);
        CHECK(std::abs(point.pitch_rad) < 80 * kDegree);
        const double h = 1e-4;
        const double slope = (least(roll * kDegree + h) - least(roll * kDegree - h)) / (2 * h);
        CHECK(point.arm_m == Approx(slope).epsilon(1e-3));
    }
}

TEST_CASE("line in the air sags: its end is where a hanging line's end is") {
    // Leaves the water at 30 degrees with 0.8 N and hangs on in the air. Catenary from there: with
    // horizontal pull H and slope rising by w ds / H, summed in ten thousand lengths.
    Line line;
    line.diameter_m = 0.0006;
    line.density_kg_m3 = 1780.0;
    const double w = 1780.0 * kPi / 4 * line.diameter_m * line.diameter_m * kGravity_m_s2;
    CHECK(line.airWeight_N_m() == Approx(w));
    const double pull = 0.8, angle = 30 * kDegree, length = 12.0;
    const LineEnd end = integrateLine(line, pull, angle, length, 0.0, 50, {});
    const double across = pull * std::cos(angle);
    double up = pull * std::sin(angle), x = 0, z = 0;
    const int steps = 10000;
    for (int i = 0; i < steps; ++i) {
        up += 0.5 * w * length / steps;
        const double tension = std::hypot(across, up);
        x += length / steps * across / tension;
        z += length / steps * up / tension;
        up += 0.5 * w * length / steps;
    }
    // The program's straight line at half the weight is within a tenth of the sag it stands for.
    const double straight = length * std::sin(angle), sag = z - straight;
    REQUIRE(std::abs(sag) > 0.15);
    CHECK(std::abs(-end.place_m.y() - z) < 0.1 * std::abs(sag));
    CHECK(end.place_m.x() == Approx(x).margin(0.1 * std::abs(x - length * std::cos(angle))));
}

TEST_CASE(
    "behind a steep lip the body drags more: the axial loads add up to what each part gives") {
    const TowedHull h = workedHull();
    for (const double lean : {30.0, 45.0, 60.0}) {
        const TowedLip lip{{0.004, -0.006}, 0.03, 0.028, 0.0015, lean * kDegree};
        for (const double alpha : {-15.0, -32.5, -45.0, -60.0, 20.0}) {
            // Plate by its own coefficient (held by other tests), x forward and z down; share on
            // the body 1.15 to 25 degrees of lip, 1.07 from 45. The wake behind it: 0 to 0.32 of
            // the lip's area between 20 and 45 degrees nose down, full from 45 degrees of lip on
            // (flow solutions of our own; see docs/theory.md).
            const double a = (lean - alpha) * kDegree;
            const double back = std::min(std::abs(a), kPi - std::abs(a));
            const double onBody = lean <= 25   ? 1.15
                                  : lean >= 45 ? 1.07
                                               : 1.15 - 0.004 * (lean - 25);
            const double area = lip.chord_m * lip.span_m;
            const double normal = std::copysign(
                area * onBody * plateNormalCoefficient(back, lip.span_m / lip.chord_m), a);
            const double edge = (2 * area * 0.006 + 0.4 * lip.thickness_m * lip.span_m) *
                                std::cos(a) * std::abs(std::cos(a));
            const double wake = alpha < -20 ? 0.32 * std::min(1.0, (-alpha - 20) / 25) * area *
                                                  std::min(1.0, (lean - 15) / 30)
                                            : 0.0;
            const double u = std::cos(alpha * kDegree);
            const double aft = axialDragArea(h, 76000) * u * u + normal * std::sin(lean * kDegree) +
                               edge * std::cos(lean * kDegree) + wake;
            INFO(lean << " " << alpha);
            CHECK(computeLoads({h, lip, {}, {}, 76000}, alpha * kDegree).aft_m2 ==
                  Approx(aft).epsilon(1e-6));
        }
    }
}

TEST_CASE("every stable attitude to the very bounds is found, and settling stops at them") {
    std::mt19937 random(20261127);
    auto uniform = [&random](double a, double b) {
        return std::uniform_real_distribution<double>(a, b)(random);
    };
    int steep = 0, found = 0;
    for (int i = 0; i < 150; ++i) {
        TowedHull h;
        h.length_m = 0.08;
        h.width_m = h.height_m = uniform(0.012, 0.03);
        h.volume_m3 = 0.5 * h.length_m * h.width_m * h.height_m;
        h.planArea_m2 = 0.7 * h.length_m * h.width_m;
        h.planMoment_m3 = 0.45 * h.length_m * h.planArea_m2;
        h.wettedArea_m2 = 2.4 * h.length_m * h.width_m;
        h.addedMassExcess = 0.7;
        TowedBait b;
        b.loads = std::make_shared<LoadTable>(TowedShape{h, std::nullopt, {}, {}, 60000});
        b.displacedVolume_m3 = h.volume_m3;
        b.mass_kg = h.volume_m3 * uniform(600, 1500);
        b.centreOfBuoyancy_m = {0.036, 0};
        b.centreOfGravity_m = {uniform(0.0, 0.08), uniform(-0.02, 0.0)};
        b.tie_m = {uniform(-0.01, 0.07), uniform(-0.02, 0.02)};
        const double speed = uniform(0.02, 1.0);
        // Moment about the tie, x forward and z down, scanned in tenths of a degree.
        const auto moment = [&](double alpha) {
            const Loads l = b.loads->at(alpha);
            const double q = 0.5 * b.waterDensity_kg_m3 * speed * speed;
            const auto about = [&](const Eigen::Vector2d& at) { return at - b.tie_m; };
            const double lift = b.waterDensity_kg_m3 * b.displacedVolume_m3 * kGravity_m_s2;
            const double weight = b.mass_kg * kGravity_m_s2;
            const auto turn = [&](const Eigen::Vector2d& at, double up) {
                const Eigen::Vector2d r = about(at);
                return -up * (r.x() * std::cos(alpha) + r.y() * std::sin(alpha));
            };
            const double water =
                q * (l.moment_m3 - (b.tie_m.y() * l.aft_m2 - b.tie_m.x() * l.up_m2));
            return water + turn(b.centreOfBuoyancy_m, lift) - turn(b.centreOfGravity_m, weight);
        };
        std::vector<double> expected;
        for (int k = -900; k < 900; ++k) {
            const double from = moment(0.1 * k * kDegree), to = moment(0.1 * (k + 1) * kDegree);
            if (from > 0 && to <= 0) {
                expected.push_back((0.1 * k + 0.1 * from / (from - to)) * kDegree);
            }
        }
        const std::vector<Trim> trims = findTrims(b, speed, 0.0);
        INFO(i);
        REQUIRE(trims.size() == expected.size());
        for (size_t k = 0; k < trims.size(); ++k) {
            CHECK(trims[k].alpha_rad == Approx(expected[k]).margin(2e-4));
            steep += std::abs(trims[k].alpha_rad) > 85 * kDegree;
            ++found;
        }
        // From any start the attitude reached is one of them, within the bounds, or there is none.
        for (const double start : {-3.0, -1.5, 0.0, 1.5, 3.0}) {
            const auto settled = settleTrim(b, speed, 0.0, start);
            if (settled) {
                CHECK(std::abs(settled->alpha_rad) < 91 * kDegree);
            }
        }
    }
    CHECK(found > 40);
    CHECK(steep > 2);
}

TEST_CASE(
    "what mass and trim leave free goes to the level of each piece, as nudging the lead shows") {
    // Four bores of one kind, two wishes: lead can be shifted among them two ways without touching
    // either. The plan stands where no such shift brings the pieces nearer level.
    Design d = demoNamed("glide-bait");
    REQUIRE(d.pieces.size() == 2);
    d.fittings.clear();
    d.bores.clear();
    const double places[] = {0.028, 0.058, 0.092, 0.124};
    for (const double x : places) {
        Bore b;
        b.name = "bore at " + std::to_string(int(1000 * x));
        b.x_m = x;
        b.diameter_m = 0.008;
        b.depth_m = 0.011;
        b.plugDensity_kg_m3 = 17800;
        b.plugLength_m = 0.005;
        d.bores.push_back(b);
    }
    const Derived made = evaluated(d);
    REQUIRE(made.rest->net_kg > 0);
    d.brief.wantedState = WantedState::Float;
    d.brief.wantedSpare = made.rest->spare;
    d.brief.wantedPitch_rad = made.rest->pitch_rad;
    const Result<LeadPlan> plan = planLead(d);
    INFO((plan ? "" : plan.error().code + " " + plan.error().path));
    REQUIRE(plan);
    REQUIRE(std::abs(plan->missingMass_kg) < 0.05e-3);
    const auto unlevel = [&](const Design& design) {
        const Derived now = evaluated(design);
        double sum = 0;
        for (size_t i = 0; i < 2; ++i) {
            // The couple that turns the piece let go level: weight against lift where it then acts.
            const PieceBalance& piece = now.mass->pieces[i];
            const FloatingBody body{piece.coarseShape, piece.mass_kg, piece.centreOfGravity_m,
                                    now.waterDensity_kg_m3};
            const Eigen::Vector3d up = upInBody(d.brief.wantedPitch_rad, 0.0);
            const Submerged wet = findWaterline(body, up, 1e-11).wet;
            const Eigen::Vector3d lift = now.rest->alone[i].net_kg > 0
                                             ? Eigen::Vector3d(wet.moment_m4 / wet.volume_m3)
                                             : piece.centreOfBuoyancy_m;
            const Eigen::Vector3d arm = piece.centreOfGravity_m - lift;
            const double couple = piece.mass_kg * planeAxes(up).aft.dot(arm);
            sum += couple * couple;
        }
        return sum;
    };
    const double here = unlevel(plan->design);
    int tried = 0;
    // Shifts that keep sum and moment: (x2 - x3, x3 - x1, x1 - x2, 0) and the like.
    const double shifts[2][4] = {
        {places[1] - places[2], places[2] - places[0], places[0] - places[1], 0},
        {0, places[2] - places[3], places[3] - places[1], places[1] - places[2]}};
    for (const auto& shift : shifts) {
        for (const double sense : {1.0, -1.0}) {
            Design nudged = plan->design;
            for (size_t j = 0; j < 4; ++j) {
                nudged.bores[j].plugLength_m += sense * 0.0004 * shift[j] / 0.066;
            }
            const bool can =
                std::all_of(nudged.bores.begin(), nudged.bores.end(), [](const Bore& b) {
                    return b.plugLength_m >= 0 && b.plugLength_m <= b.depth_m - 0.0015;
                });
            if (can) {  // a shift that asks for less than no lead is none
                ++tried;
                CHECK(unlevel(nudged) > 0.98 * here);
            }
        }
    }
    CHECK(tried >= 1);
}
