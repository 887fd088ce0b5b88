// Bodies no one drew, measured by casting points into them: nothing here uses the program's
// integrals, only whether a place is inside.
#include <boost/random/sobol.hpp>
#include <boost/random/uniform_01.hpp>
#include <catch2/catch.hpp>
#include <cmath>

#include "core/placed/bore_volume.h"
#include "core/placed/feature_tool.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

// Evenly spread points (Sobol's sequence, by Boost) in the box round a body.
class Points {
  public:
    Points(const Eigen::Vector3d& low, const Eigen::Vector3d& high)
        : low_(low), high_(high), sobol_(3) {}
    Eigen::Vector3d next() {
        Eigen::Vector3d p;
        for (Eigen::Index k = 0; k < 3; ++k) {
            const double share = double(sobol_()) / (double(sobol_.max()) + 1);
            p[k] = low_[k] + share * (high_[k] - low_[k]);
        }
        return p;
    }
    double boxVolume() const { return (high_ - low_).prod(); }

  private:
    Eigen::Vector3d low_, high_;
    boost::random::sobol sobol_;
};

Points aroundBody(const BodyCurves& curves) {
    Eigen::Vector3d low(0, 1e9, 1e9), high(curves.length_m(), -1e9, -1e9);
    for (int i = 0; i <= 400; ++i) {
        const Section s = curves.at(i / 400.0);
        low.y() = std::min(low.y(), -1.001 * s.halfWidth_m);
        high.y() = std::max(high.y(), 1.001 * s.halfWidth_m);
        low.z() = std::min(low.z(), s.belly_m - 1e-5);
        high.z() = std::max(high.z(), s.back_m + 1e-5);
    }
    return {low, high};
}

}  // namespace

TEST_CASE("volume, centre and inertia of random bodies are those of points cast into them") {
    Dice dice(11);
    int tried = 0;
    for (int i = 0; i < 20; ++i) {
        const Result<BodyCurves> curves = BodyCurves::build(randomBody(dice), "/body");
        if (!curves) {
            continue;
        }
        ++tried;
        const SolidProperties told = integratePiece(*curves, {});
        Points points = aroundBody(*curves);
        const int cast = 60000;
        int inside = 0;
        Eigen::Vector3d sum = Eigen::Vector3d::Zero();
        Eigen::Vector3d squares = Eigen::Vector3d::Zero();
        for (int k = 0; k < cast; ++k) {
            const Eigen::Vector3d p = points.next();
            if (curves->contains(p)) {
                ++inside;
                sum += p;
                squares += p.cwiseProduct(p);
            }
        }
        const double volume = points.boxVolume() * inside / cast;
        const Eigen::Vector3d centre = sum / inside;
        const Eigen::Vector3d spread = squares / inside - centre.cwiseProduct(centre);
        INFO(i);
        CHECK(told.volume_m3 == Approx(volume).epsilon(0.004));
        CHECK((told.centroid_m - centre).norm() < 0.002 * curves->length_m());
        // About y and z: the spreads along the other two axes.
        CHECK(told.inertia_m5(1, 1) == Approx(volume * (spread.x() + spread.z())).epsilon(0.01));
        CHECK(told.inertia_m5(2, 2) == Approx(volume * (spread.x() + spread.y())).epsilon(0.01));
    }
    CHECK(tried >= 15);
}

TEST_CASE("what random bores take out, and where, is what points cast into them find") {
    Dice dice(12);
    int tried = 0;
    for (int i = 0; i < 60 && tried < 25; ++i) {
        const Result<BodyCurves> curves = BodyCurves::build(randomBody(dice), "/body");
        if (!curves) {
            continue;
        }
        const double length = curves->length_m();
        const Section s = curves->atX(length * dice.from(0.2, 0.7));
        Bore bore;
        bore.from = dice.chance(0.5) ? BoreFrom::Belly : BoreFrom::Back;
        bore.x_m = s.x_m;
        bore.y_m = s.halfWidth_m * dice.from(-0.4, 0.4);
        bore.diameter_m = (s.back_m - s.belly_m) * dice.from(0.15, 0.4);
        bore.depth_m = (s.back_m - s.belly_m) * dice.from(0.2, 0.6);
        bore.lean_rad = dice.from(-0.3, 0.3);
        const BoreGeometry told = measureBore(*curves, bore);
        if (!told.entersBody || told.wallBeyond_m < 0.001) {
            continue;
        }
        ++tried;
        const CutTool tool = toolOf(bore, told);
        const double reach = bore.depth_m + 2 * bore.diameter_m;
        Points points(tool.mouth_m - Eigen::Vector3d::Constant(reach),
                      tool.mouth_m + Eigen::Vector3d::Constant(reach));
        const int cast = 150000;
        int inside = 0;
        Eigen::Vector3d sum = Eigen::Vector3d::Zero();
        for (int k = 0; k < cast; ++k) {
            const Eigen::Vector3d p = points.next();
            if (tool.holds(p) && curves->contains(p)) {
                ++inside;
                sum += p;
            }
        }
        REQUIRE(inside > 300);
        const double volume = points.boxVolume() * inside / cast;
        INFO(i << " " << told.removed_m3 << " " << volume);
        CHECK(told.removed_m3 == Approx(volume).epsilon(0.05));
        CHECK((told.removedCentroid_m - sum / inside).norm() < 0.08 * bore.depth_m);
        // Walls beyond, stepped along the axis from the bottom.
        double wall = 0;
        while (curves->contains(tool.mouth_m + tool.inward * (bore.depth_m + wall + 1e-5)) &&
               wall < 0.1) {
            wall += 1e-5;
        }
        CHECK(told.wallBeyond_m == Approx(wall).margin(3e-5));
    }
    CHECK(tried == 25);
}

TEST_CASE("random sockets: refused when they break out on the far side, never for their own rim") {
    Dice dice(13);
    int open = 0, through = 0;
    for (int i = 0; i < 250; ++i) {
        const Result<BodyCurves> curves = BodyCurves::build(randomBody(dice), "/body");
        if (!curves) {
            continue;
        }
        const Section s = curves->atX(curves->length_m() * dice.from(0.1, 0.3));
        Feature f;
        f.x_m = s.x_m;
        f.z_m = s.widest_m + (s.back_m - s.belly_m) * dice.from(-0.2, 0.2);
        f.diameter_m = (s.back_m - s.belly_m) * dice.from(0.2, 0.5);
        f.depth_m = dice.chance(0.7) ? s.halfWidth_m * dice.from(0.1, 0.5) : 2.3 * s.halfWidth_m;
        const std::vector<CutTool> tools = toolsOf(*curves, f);
        if (tools.empty()) {
            continue;
        }
        const CutVolume cut = measureCut(*curves, tools[0]);
        INFO(i);
        if (f.depth_m > 2 * s.halfWidth_m) {
            ++through;
            CHECK(cut.wallBeyond_m < 0);
        } else {
            // Straight in from the side to less than the middle: nothing can be broken out of but
            // back or belly, and the rim runs near those only high up or low down.
            ++open;
            CHECK(cut.wallBeyond_m > 0);
            const double rim = 0.5 * f.diameter_m;
            const Section fore = curves->atX(f.x_m - rim), aft = curves->atX(f.x_m + rim);
            const double top = std::min({fore.back_m, s.back_m, aft.back_m});
            const double foot = std::max({fore.belly_m, s.belly_m, aft.belly_m});
            if (f.z_m + rim < top - 0.004 && f.z_m - rim > foot + 0.004) {
                CHECK(cut.wallBeside_m > 0);
            }
        }
    }
    CHECK(open > 60);
    CHECK(through > 20);
}

TEST_CASE("the hull random bodies are floated on has their exact volume, centre and mirror") {
    Dice dice(14);
    for (int i = 0; i < 12; ++i) {
        Design d = randomDesign(dice);
        d.bores.clear();
        d.fittings.clear();
        d.coats.clear();
        d.lip.present = false;
        const Result<Derived> derived = evaluate(d);
        if (!derived) {
            continue;
        }
        const TriangleMesh& hull = derived->mass->shape.hulls[0].mesh();
        const SolidProperties mesh = integrateMesh(hull);
        INFO(i);
        CHECK(isClosedAndOutward(hull));
        CHECK(mesh.volume_m3 == Approx(derived->shape->solid.volume_m3).epsilon(1e-9));
        CHECK((mesh.centroid_m - derived->shape->solid.centroid_m).norm() < 1e-9);
        CHECK(std::abs(mesh.inertia_m5(0, 1)) < 1e-9 * mesh.inertia_m5(1, 1));
        CHECK(std::abs(mesh.inertia_m5(1, 2)) < 1e-9 * mesh.inertia_m5(1, 1));
        CHECK(mesh.inertia_m5(1, 1) ==
              Approx(derived->shape->solid.inertia_m5(1, 1)).epsilon(0.01));
    }
}
