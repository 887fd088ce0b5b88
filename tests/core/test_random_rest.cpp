// Where random baits come to rest, held against mechanics done here: a clip of one's own, a fall
// followed step by step, forces summed.
#include <Eigen/Geometry>
#include <boost/numeric/odeint.hpp>
#include <catch2/catch.hpp>
#include <cmath>

#include "core/hydro/righting.h"
#include "core/reckon/lean.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

struct Wet {
    double volume = 0;
    Eigen::Vector3d moment = Eigen::Vector3d::Zero();
};

// A triangle cut by the plane z = 0 and what is below it, as prisms up to the plane: the volume
// between the surface and the water is summed over the surface alone.
void addBelow(const std::array<Eigen::Vector3d, 3>& t, Wet& wet) {
    std::vector<Eigen::Vector3d> kept;
    for (size_t i = 0; i < 3; ++i) {
        const Eigen::Vector3d& a = t[i];
        const Eigen::Vector3d& b = t[(i + 1) % 3];
        if (a.z() <= 0) {
            kept.push_back(a);
        }
        if ((a.z() < 0) != (b.z() < 0) && a.z() != b.z()) {
            kept.push_back(a + (b - a) * (a.z() / (a.z() - b.z())));
        }
    }
    for (size_t i = 1; i + 1 < kept.size(); ++i) {
        const Eigen::Vector3d &p = kept[0], &q = kept[i], &r = kept[i + 1];
        // Projected area, signed: outward faces that look down hold water above them.
        const double area =
            0.5 * ((q.x() - p.x()) * (r.y() - p.y()) - (r.x() - p.x()) * (q.y() - p.y()));
        const Eigen::Vector3d mean = (p + q + r) / 3;
        wet.volume += area * mean.z();
        // Mean over the triangle of x z, y z and z^2 / 2, by the midpoints of its edges (exact).
        for (const auto& [u, v] : {std::pair{p, q}, std::pair{q, r}, std::pair{r, p}}) {
            const Eigen::Vector3d m = 0.5 * (u + v);
            wet.moment +=
                area / 3 * Eigen::Vector3d(m.x() * m.z(), m.y() * m.z(), 0.5 * m.z() * m.z());
        }
    }
}

// Submerged volume and moment in the world's axes, by that clip; small parts as the balls they are.
Wet clipped(const FloatingShape& shape, const WaterPlane& plane) {
    const PlaneAxes axes = planeAxes(plane.normal);
    Eigen::Matrix3d turn;
    turn.row(0) = axes.aft;
    turn.row(1) = axes.port;
    turn.row(2) = plane.normal;
    const bool mirrored = turn.determinant() < 0;
    const auto world = [&](const Eigen::Vector3d& r) {
        return Eigen::Vector3d(turn * r - Eigen::Vector3d(0, 0, plane.offset_m));
    };
    Wet wet;
    for (const WettedHull& wetted : shape.hulls) {
        const TriangleMesh& hull = wetted.mesh();
        Wet one;
        for (const auto& t : hull.triangles) {
            addBelow({world(hull.vertices_m[size_t(t[0])]), world(hull.vertices_m[size_t(t[1])]),
                      world(hull.vertices_m[size_t(t[2])])},
                     one);
        }
        const double sense = mirrored ? -1.0 : 1.0;
        wet.volume += sense * one.volume;
        wet.moment += sense * one.moment;
    }
    for (const SmallPart& part : shape.parts) {
        const Eigen::Vector3d c = world(part.centre_m);
        const double radius = std::cbrt(3 * std::abs(part.volume_m3) / (4 * kPi));
        const double under = std::clamp(radius - c.z(), 0.0, 2 * radius);  // height of the cap
        const double cap = kPi * under * under * (3 * radius - under) / 3;
        const double sense = part.volume_m3 < 0 ? -1.0 : 1.0;
        const double at = under >= 2 * radius || under <= 0
                              ? 0.0
                              : -3 * std::pow(2 * radius - under, 2) / (4 * (3 * radius - under));
        wet.volume += sense * cap;
        wet.moment += sense * cap * (c + Eigen::Vector3d(0, 0, at));
    }
    return wet;
}

}  // namespace

TEST_CASE("random floaters rest where weight and lift are equal and in one line, and stay there") {
    Dice dice(21);
    int tried = 0;
    for (int i = 0; i < 60 && tried < 20; ++i) {
        const Result<Derived> derived = evaluate(randomDesign(dice));
        if (!derived || derived->rest->net_kg <= 0 || derived->rest->attitudes.empty()) {
            continue;
        }
        ++tried;
        for (const FloatAttitude& rest : derived->rest->attitudes) {
            const Wet wet = clipped(derived->mass->shape, rest.plane);
            const double water = derived->waterDensity_kg_m3;
            INFO(i << " pitch " << rest.pitch_rad / kDegree << " roll " << rest.roll_rad / kDegree);
            CHECK(water * wet.volume == Approx(derived->mass->mass_kg).epsilon(1e-5));
            const PlaneAxes axes = planeAxes(rest.plane.normal);
            const Eigen::Vector3d g = derived->mass->centreOfGravity_m;
            const Eigen::Vector3d lift = wet.moment / wet.volume;
            CHECK(axes.aft.dot(g) == Approx(lift.x()).margin(2e-5));
            CHECK(axes.port.dot(g) == Approx(lift.y()).margin(2e-5));
            // Tilted a little, and let rise or sink to its water again, it is pushed back: the
            // weight then stands higher over the lift by the metacentric height.
            for (const bool roll : {true, false}) {
                const double tilt = 0.5 * kDegree;
                const Eigen::Vector3d about = roll ? axes.aft : axes.port;
                double arm = 0;
                for (const double sense : {1.0, -1.0}) {
                    const Eigen::Vector3d up =
                        Eigen::AngleAxisd(sense * tilt, about) * rest.plane.normal;
                    FloatingBody body{derived->mass->shape, derived->mass->mass_kg, g, water};
                    const WaterPlane plane{up, findWaterline(body, up).offset_m};
                    const Wet now = clipped(derived->mass->shape, plane);
                    const PlaneAxes then = planeAxes(up);
                    const Eigen::Vector3d at = now.moment / now.volume;
                    const Eigen::Vector3d offset(then.aft.dot(g) - at.x(),
                                                 then.port.dot(g) - at.y(), 0);
                    // Horizontal way of the weight from the lift, on the side it was tilted to.
                    const Eigen::Vector3d away = then.aft * offset.x() + then.port * offset.y();
                    arm += 0.5 * sense * away.dot(about.cross(up));
                }
                const double height =
                    roll ? rest.metacentricHeightRoll_m : rest.metacentricHeightPitch_m;
                if (rest.metacentricHeightRoll_m > 2e-4) {
                    CHECK(std::abs(arm) / tilt == Approx(height).epsilon(0.1).margin(1e-4));
                }
            }
        }
    }
    CHECK(tried == 20);
}

TEST_CASE("random baits under water hang with their weight straight below their lift") {
    Dice dice(22);
    int tried = 0;
    for (int i = 0; i < 60 && tried < 15; ++i) {
        Design d = randomDesign(dice);
        d.pieces[0].stock.shelfDensity_kg_m3 = 1100;
        const Result<Derived> derived = evaluate(d);
        if (!derived || derived->rest->net_kg >= 0 || !derived->rest->hang.decided) {
            continue;
        }
        ++tried;
        const Wet whole = clipped(derived->mass->shape, {Eigen::Vector3d::UnitZ(), 1.0});
        const Eigen::Vector3d lift =
            whole.moment / whole.volume + Eigen::Vector3d(0, 0, 1.0);  // world back to body
        const PlaneAxes level = planeAxes(Eigen::Vector3d::UnitZ());
        const Eigen::Vector3d b =
            level.aft * lift.x() + level.port * lift.y() + Eigen::Vector3d::UnitZ() * lift.z();
        INFO(i);
        CHECK((b - derived->mass->centreOfBuoyancy_m).norm() < 1e-7);
        const Eigen::Vector3d up =
            upInBody(derived->rest->hang.pitch_rad, derived->rest->hang.roll_rad);
        const Eigen::Vector3d arm = b - derived->mass->centreOfGravity_m;
        CHECK(arm.normalized().dot(up) == Approx(1.0).margin(1e-8));
        CHECK(derived->rest->hang.arm_m == Approx(arm.norm()).epsilon(1e-4));
    }
    CHECK(tried == 15);
}

TEST_CASE("a fall followed step by step settles at the speed and lie that are told") {
    // Three freedoms (along, up, pitch) with the loads at the angle of attack of the moment and
    // damping against turning; the steady state does not depend on how it is come to.
    Dice dice(23);
    int tried = 0, same = 0;
    for (int i = 0; i < 120 && tried < 12; ++i) {
        Design d = randomDesign(dice);
        d.lip.present = false;
        d.pieces[0].stock.shelfDensity_kg_m3 = dice.from(1000, 1300);
        const Result<Derived> derived = evaluate(d);
        if (!derived || !derived->rest->fall.steady || derived->rest->fall.speed_m_s < 0.05 ||
            std::abs(derived->rest->fall.pitch_rad) > 50 * kDegree) {
            continue;
        }
        ++tried;
        const TowedBait& t = derived->towed;
        const double rho = t.waterDensity_kg_m3;
        const double mass = t.mass_kg + 0.7 * rho * t.displacedVolume_m3;
        const double inertia = mass * std::pow(0.25 * derived->shape->sizes.length_m, 2);
        // State: speed aft and up in the world, pitch, rate. World aft is +x.
        using State = std::array<double, 4>;
        const auto move = [&](const State& s, State& ds, double) {
            const double pitch = s[2];
            // Angle of attack: of the body's axis (nose forward) to its way; nose is -x.
            const double speed = std::hypot(s[0], s[1]);
            const double path = std::atan2(-s[1], -s[0]);  // positive going down, forward
            const Loads l = t.loads->at(pitch + path);
            const double q = 0.5 * rho * speed * speed;
            const double aft = q * l.aft_m2, up = q * l.up_m2;
            const double worldAft = aft * std::cos(pitch) + up * std::sin(pitch);
            const double worldUp = -aft * std::sin(pitch) + up * std::cos(pitch);
            const double lift = rho * t.displacedVolume_m3 * kGravity_m_s2;
            const double weight = t.mass_kg * kGravity_m_s2;
            const Eigen::Vector2d g = t.centreOfGravity_m;
            const Eigen::Vector2d arm = t.centreOfBuoyancy_m - g;
            const double righting = lift * (-arm.y() * std::sin(pitch) - arm.x() * std::cos(pitch));
            const double water = q * l.moment_m3 - (g.y() * aft - g.x() * up);
            const double damping = 0.5 * rho * derived->shape->sizes.planArea_m2 *
                                   std::pow(derived->shape->sizes.length_m, 2) * 0.3;
            ds[0] = worldAft / mass;
            ds[1] = (lift - weight + worldUp) / mass;
            ds[2] = s[3];
            ds[3] = (water + righting - damping * s[3] * (std::abs(s[3]) + 2.0)) / inertia;
        };
        State state{0, -0.5 * derived->rest->fall.speed_m_s,
                    derived->rest->fall.pitch_rad + 3 * kDegree, 0};
        boost::numeric::odeint::integrate(move, state, 0.0, 30.0, 0.002);
        INFO(i << " told " << derived->rest->fall.pitch_rad / kDegree << " deg "
               << derived->rest->fall.speed_m_s << " m/s, came to " << state[2] / kDegree << " deg "
               << -state[1] << " m/s");
        // It may glide, swing for good or turn over to another steady way: where it settles near
        // what is told, it must be that.
        const bool settled = std::abs(state[3]) < 1e-4;
        const bool near = std::abs(state[2] - derived->rest->fall.pitch_rad) < 5 * kDegree;
        if (settled && near) {
            ++same;
            CHECK(state[2] == Approx(derived->rest->fall.pitch_rad).margin(0.3 * kDegree));
            CHECK(-state[1] == Approx(derived->rest->fall.speed_m_s).epsilon(0.02));
        }
    }
    CHECK(tried >= 8);
    CHECK(same >= tried / 2);
}

TEST_CASE("sizes of a random bait: mass by the cube, lengths by one, attitude kept") {
    Dice dice(24);
    int tried = 0;
    for (int i = 0; i < 30 && tried < 8; ++i) {
        Design d = randomDesign(dice);
        d.fittings.clear();
        d.coats.clear();
        d.lip.present = false;
        const Result<Derived> one = evaluate(d);
        if (!one || one->rest->attitudes.empty()) {
            continue;
        }
        ++tried;
        Design big = d;
        const double k = 1.7;
        for (Station& s : big.body.stations) {
            for (double Station::*field :
                 {&Station::position_m, &Station::back_m, &Station::belly_m, &Station::halfWidth_m,
                  &Station::widest_m}) {
                s.*field *= k;
            }
        }
        for (Bore& b : big.bores) {
            for (double Bore::*field :
                 {&Bore::x_m, &Bore::y_m, &Bore::diameter_m, &Bore::depth_m, &Bore::plugLength_m}) {
                b.*field *= k;
            }
        }
        const Derived two = evaluated(big);
        INFO(i);
        CHECK(two.mass->mass_kg == Approx(k * k * k * one->mass->mass_kg).epsilon(1e-6));
        CHECK(two.rest->spare == Approx(one->rest->spare).margin(1e-6));
        CHECK((two.mass->centreOfGravity_m - k * one->mass->centreOfGravity_m).norm() < 1e-6);
        REQUIRE_FALSE(two.rest->attitudes.empty());
        CHECK(two.rest->pitch_rad == Approx(one->rest->pitch_rad).margin(1e-4));
        CHECK(two.rest->showing_m == Approx(k * one->rest->showing_m).margin(2e-5));
    }
    CHECK(tried == 8);
}
