// Chains of linked eyes in still water: held against the rigid bait, against symmetry, and against
// the energy itself, which no small move may lower.
#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>

#include "core/rest/linked_pieces.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

Design linkedSwimmer() {
    Design d = demoNamed("swimmer");
    for (Joint& j : d.joints) {
        j.kind = HingeKind::LinkedEyes;
    }
    return d;
}

// Weight times height less lift times the height of what is under water, kg m.
double energyOf(const std::vector<Link>& links, double water, double first,
                const std::vector<double>& pitch, bool afloat,
                const Eigen::Vector3d* tie = nullptr) {
    double energy = 0, height = first;
    for (size_t i = 0; i < links.size(); ++i) {
        const Link& link = links[i];
        const Eigen::Vector3d up(-std::sin(pitch[i]), 0, std::cos(pitch[i]));
        if (i == 0 && tie != nullptr) {
            height = up.dot(link.front_m - *tie);
        }
        const auto over = [&](const Eigen::Vector3d& v) {
            return height + up.dot(v - link.front_m);
        };
        Submerged wet{link.volume_m3, link.volume_m3 * link.centreOfBuoyancy_m};
        if (afloat) {
            wet = computeSubmerged(link.shape, {up, up.dot(link.front_m) - height});
        }
        energy += link.mass_kg * over(link.centreOfGravity_m);
        if (wet.volume_m3 > 0) {
            energy -= water * wet.volume_m3 * over(wet.moment_m4 / wet.volume_m3);
        }
        height += up.dot(link.rear_m - link.front_m);
    }
    return energy;
}

// Pitches a little off, no piece past its stop.
std::vector<double> within(const std::vector<Link>& links, std::vector<double> pitch, Dice& dice,
                           double most) {
    for (size_t i = 0; i < pitch.size(); ++i) {
        pitch[i] += dice.from(-most, most);
        if (i > 0) {
            pitch[i] =
                pitch[i - 1] + std::clamp(pitch[i] - pitch[i - 1], -links[i].noseDownStop_rad,
                                          links[i].noseUpStop_rad);
        }
    }
    return pitch;
}

}  // namespace

TEST_CASE("faces across a chain touch where their corners say") {
    // Square ends 10 mm high, 1 mm apart, the eye in the middle: H sin p = 0.5 + 0.5 cos p.
    const double stop = pitchStop_rad(0.0005, 0.0005, 0.005, 0.005);
    CHECK(0.005 * std::sin(stop) == Approx(0.0005 + 0.0005 * std::cos(stop)));
    CHECK(stop / kDegree == Approx(11.4).margin(0.1));
    // A lower piece ahead: its corner meets the face behind.
    const double lower = pitchStop_rad(0.0002, 0.0008, 0.003, 0.005);
    CHECK(0.003 * std::sin(lower) == Approx(0.0008 + 0.0002 * std::cos(lower)));
    CHECK(pitchStop_rad(0.012, 0.01, 0.005, 0.005) == 3.0);  // too far apart to meet
}

TEST_CASE("one link is the rigid bait: the two searches agree on its pitch") {
    for (const char* name : {"diver", "swimmer"}) {
        const Derived d = evaluated(demoNamed(name));
        REQUIRE(d.rest->state == RestState::Floats);
        Link whole{d.mass->coarseShape, d.mass->mass_kg, d.mass->centreOfGravity_m,
                   d.mass->displacedVolume_m3, d.mass->centreOfBuoyancy_m};
        for (const double from : {-0.3, 0.0, 0.25}) {
            const auto pose = floatLinked({whole}, d.waterDensity_kg_m3, from);
            REQUIRE(pose);
            CHECK(pose->settled);
            CHECK(pose->pitch_rad[0] / kDegree ==
                  Approx(d.rest->attitudes.front().pitch_rad / kDegree).margin(0.1));
        }
    }
}

TEST_CASE("a chain afloat lies where no small move lowers its energy, and pieces part in pitch") {
    const Derived d = evaluated(linkedSwimmer());
    REQUIRE(d.rest->linked);
    const LinkedRest& chain = *d.rest->linked;
    REQUIRE(chain.links.size() == 3);
    CHECK(chain.afloat);
    REQUIRE(chain.pose.settled);
    const double least = energyOf(chain.links, d.waterDensity_kg_m3, chain.pose.front_m[0],
                                  chain.pose.pitch_rad, true);
    Dice dice(88);
    for (int i = 0; i < 200; ++i) {
        const std::vector<double> pitch = within(chain.links, chain.pose.pitch_rad, dice, 0.02);
        const double first = chain.pose.front_m[0] + dice.from(-2e-4, 2e-4);
        CHECK(energyOf(chain.links, d.waterDensity_kg_m3, first, pitch, true) > least - 1e-10);
    }
    double sum = 0;
    for (const Link& link : chain.links) {
        sum += link.mass_kg;
    }
    CHECK(sum == Approx(d.mass->mass_kg).epsilon(1e-9));
    CHECK(std::abs(chain.pose.pitch_rad[2] - chain.pose.pitch_rad[0]) > 0.5 * kDegree);
    for (size_t i = 1; i < 3; ++i) {
        const double turned = chain.pose.pitch_rad[i] - chain.pose.pitch_rad[i - 1];
        CHECK(turned <= chain.links[i].noseUpStop_rad + 1e-12);
        CHECK(turned >= -chain.links[i].noseDownStop_rad - 1e-12);
        CHECK(chain.links[i].noseUpStop_rad < 40 * kDegree);
    }
    // Pins alone leave the chain in one line, and nothing of this.
    CHECK_FALSE(evaluated(demoNamed("swimmer")).rest->linked);
}

TEST_CASE("a chain that is its own mirror about its eye lies as its own mirror") {
    const Derived d = evaluated(linkedSwimmer());
    Link front = d.rest->linked->links[0];
    front.shape.parts.clear();
    front.shape.hulls.erase(front.shape.hulls.begin() + 1, front.shape.hulls.end());
    const Submerged all = computeDisplaced(front.shape);
    front.volume_m3 = all.volume_m3;
    front.centreOfBuoyancy_m = all.moment_m4 / all.volume_m3;
    front.mass_kg = 0.8 * d.waterDensity_kg_m3 * front.volume_m3;
    Link rear = front;
    const double eye = front.rear_m.x();
    TriangleMesh mesh = front.shape.hulls[0].mesh();
    for (Eigen::Vector3d& v : mesh.vertices_m) {
        v.x() = 2 * eye - v.x();
    }
    for (auto& t : mesh.triangles) {
        std::swap(t[1], t[2]);
    }
    rear.shape.hulls = {WettedHull(mesh)};
    rear.centreOfGravity_m.x() = 2 * eye - front.centreOfGravity_m.x();
    rear.centreOfBuoyancy_m.x() = 2 * eye - front.centreOfBuoyancy_m.x();
    rear.front_m = front.rear_m;
    rear.rear_m = front.rear_m;
    const auto pose = floatLinked({front, rear}, d.waterDensity_kg_m3, 0.05);
    REQUIRE(pose);
    CHECK(pose->settled);
    CHECK(pose->pitch_rad[0] == Approx(-pose->pitch_rad[1]).margin(1e-5));
    CHECK(std::abs(pose->pitch_rad[0]) > 1e-3);
}

TEST_CASE("a chain hung up by its tie, or loose under water, hangs at its least energy") {
    Design d = linkedSwimmer();
    for (Bore& bore : d.bores) {
        bore.plugDensity_kg_m3 = 19000;
    }
    const Derived e = evaluated(d);
    REQUIRE(e.rest->linked);
    REQUIRE_FALSE(e.rest->linked->afloat);
    const auto& links = e.rest->linked->links;
    const Eigen::Vector3d tie = tiePoint(d);
    const auto held = linkedOnLine(e);
    REQUIRE(held);
    double volume = 0, mass = 0;
    for (const Link& link : links) {
        volume += link.volume_m3;
        mass += link.mass_kg;
    }
    Dice dice(89);
    for (const bool onLine : {true, false}) {
        const LinkedPose& pose = onLine ? *held : e.rest->linked->pose;
        const double water = onLine ? e.waterDensity_kg_m3 : mass / volume;
        const Eigen::Vector3d* from = onLine ? &tie : nullptr;
        const double least = energyOf(links, water, 0.0, pose.pitch_rad, false, from);
        for (int i = 0; i < 200; ++i) {
            const std::vector<double> pitch = within(links, pose.pitch_rad, dice, 0.3);
            CHECK(energyOf(links, water, 0.0, pitch, false, from) >= least - 1e-12);
        }
    }
    // A tie moved along the head swings it; loose, the chain knows nothing of the tie.
    d.tie.place = TiePlace::Body;
    d.tie.eye.clear();
    d.tie.x_m += 0.01;
    const Derived moved = *evaluate(d, &e);
    CHECK(linkedOnLine(moved)->pitch_rad[0] != held->pitch_rad[0]);
    CHECK(moved.rest->linked->pose.pitch_rad == e.rest->linked->pose.pitch_rad);
}
