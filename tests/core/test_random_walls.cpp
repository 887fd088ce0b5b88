// What is left between things let into a bait, by points spread over one and looked for in the
// other.
#include <Eigen/Geometry>
#include <catch2/catch.hpp>
#include <cmath>

#include "core/clearance/clearance.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

Embedded randomSolid(Dice& dice, const Eigen::Vector3d& at) {
    Embedded e;
    e.name = "thing";
    e.record = {RecordList::Bores, size_t(dice.upTo(1000))};
    e.capsule = dice.chance(0.4);
    CutTool& t = e.tool;
    t.mouth_m = at;
    t.inward = Eigen::Vector3d(dice.from(-1, 1), dice.from(-1, 1), dice.from(-1, 1)).normalized();
    t.along = t.inward.unitOrthogonal();
    t.round = e.capsule || dice.chance(0.6);
    t.halfAlong_m = dice.from(0.0005, 0.004);
    t.halfAcross_m = t.round ? t.halfAlong_m : dice.from(0.0005, 0.004);
    t.depth_m = dice.from(0.002, 0.012);
    return e;
}

// Points over the surface and the inside of a solid, by its measures alone.
std::vector<Eigen::Vector3d> pointsOf(const Embedded& e, int fine) {
    std::vector<Eigen::Vector3d> all;
    const CutTool& t = e.tool;
    const Eigen::Vector3d across = t.inward.cross(t.along);
    for (int i = 0; i <= fine; ++i) {
        const Eigen::Vector3d axis = t.mouth_m + t.inward * (t.depth_m * i / fine);
        for (int k = 0; k < fine; ++k) {
            const double angle = 2 * kPi * k / fine;
            for (const double share : {0.0, 0.5, 1.0}) {
                double a = std::cos(angle), c = std::sin(angle);
                if (!t.round) {
                    const double big = std::max(std::abs(a), std::abs(c));
                    a /= big;
                    c /= big;
                }
                all.push_back(axis +
                              share * (a * t.halfAlong_m * t.along + c * t.halfAcross_m * across));
            }
        }
    }
    if (e.capsule) {
        for (const bool mouth : {true, false}) {
            const Eigen::Vector3d middle = mouth ? t.mouth_m : t.mouth_m + t.inward * t.depth_m;
            for (int i = 0; i <= fine / 2; ++i) {
                const double lift = 0.5 * kPi * i / (fine / 2);
                for (int k = 0; k < fine; ++k) {
                    const double angle = 2 * kPi * k / fine;
                    all.push_back(middle +
                                  t.halfAlong_m * ((mouth ? -1 : 1) * std::sin(lift) * t.inward +
                                                   std::cos(lift) * (std::cos(angle) * t.along +
                                                                     std::sin(angle) * across)));
                }
            }
        }
    }
    return all;
}

bool holds(const Embedded& e, const Eigen::Vector3d& p) {
    const CutTool& t = e.tool;
    const Eigen::Vector3d from = p - t.mouth_m;
    const double depth = from.dot(t.inward);
    if (e.capsule) {
        const double on = std::clamp(depth, 0.0, t.depth_m);
        return (from - on * t.inward).norm() <= t.halfAlong_m;
    }
    const double a = from.dot(t.along), c = from.dot(t.inward.cross(t.along));
    return depth >= 0 && depth <= t.depth_m &&
           (t.round ? std::hypot(a, c) <= t.halfAlong_m
                    : std::abs(a) <= t.halfAlong_m && std::abs(c) <= t.halfAcross_m);
}

}  // namespace

TEST_CASE("random solids: the wall told is the least way between points spread over both") {
    Dice dice(71);
    int apart = 0, meeting = 0;
    for (int i = 0; i < 90; ++i) {
        const Embedded a = randomSolid(dice, Eigen::Vector3d::Zero());
        const Embedded b =
            randomSolid(dice, Eigen::Vector3d(dice.from(-0.012, 0.012), dice.from(-0.012, 0.012),
                                              dice.from(-0.012, 0.012)));
        Eigen::Vector3d between = Eigen::Vector3d::Zero();
        const double wall = wallBetweenSolids(a, b, &between);
        const auto over = pointsOf(a, 24), under = pointsOf(b, 24);
        double least = 1e9;
        bool meet = false;
        for (const Eigen::Vector3d& p : over) {
            meet = meet || holds(b, p);
            // Written out: tens of millions of pairs, in a build that inlines nothing.
            const double px = p.x(), py = p.y(), pz = p.z();
            const double* q = under.front().data();
            for (size_t k = 0; k < under.size(); ++k, q += 3) {
                const double x = px - q[0], y = py - q[1], z = pz - q[2];
                const double square = x * x + y * y + z * z;
                least = square < least ? square : least;
            }
        }
        least = std::sqrt(least);
        for (const Eigen::Vector3d& q : under) {
            meet = meet || holds(a, q);
        }
        INFO(i << " told " << wall << " spread " << least);
        if (meet) {
            ++meeting;
            CHECK(wall <= 0);
        } else if (wall > 0) {
            ++apart;
            // Points lie up to a millimetre from each other: never nearer than told, and not by
            // far.
            CHECK(least >= wall - 1e-9);
            CHECK(least <= wall + 0.0012);
            CHECK(wallBetweenSolids(b, a) == Approx(wall).margin(2e-7));
        }
    }
    CHECK(apart > 15);
    CHECK(meeting > 5);
}

TEST_CASE("a meeting noted hides that meeting and no other") {
    Dice dice(72);
    for (int i = 0; i < 20; ++i) {
        std::vector<Embedded> solids;
        for (int k = 0; k < 6; ++k) {
            Embedded e = randomSolid(dice, Eigen::Vector3d(dice.from(0, 0.02), 0, 0));
            e.name = "thing " + std::to_string(k);
            e.record = {RecordList::Features, size_t(k)};
            e.kind = Embedded::Kind::Cut;
            solids.push_back(e);
        }
        const std::vector<Clearance> all = findThinWalls(solids);
        if (all.empty()) {
            continue;
        }
        solids[all[0].a].meant.push_back(solids[all[0].b].record);
        const std::vector<Clearance> rest = findThinWalls(solids);
        REQUIRE(rest.size() == all.size() - 1);
        for (size_t k = 0; k < rest.size(); ++k) {
            CHECK(rest[k].wall_m == all[k + 1].wall_m);
        }
    }
}
