// The surfaces of a bait against other ways to their area and place.
#include <catch2/catch.hpp>

#include <boost/geometry/algorithms/append.hpp>
#include <boost/geometry/algorithms/area.hpp>
#include <boost/geometry/algorithms/centroid.hpp>
#include <boost/geometry/algorithms/correct.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>
#include <boost/geometry/strategies/cartesian/area.hpp>
#include <boost/geometry/strategies/cartesian/centroid_bashein_detmer.hpp>

#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

using Point = boost::geometry::model::d2::point_xy<double>;
using Polygon = boost::geometry::model::polygon<Point>;

Polygon polygonOf(const std::vector<Eigen::Vector2d>& points) {
    Polygon polygon;
    for (const Eigen::Vector2d& p : points) {
        boost::geometry::append(polygon, Point(p.x(), p.y()));
    }
    boost::geometry::correct(polygon);
    return polygon;
}

std::vector<Surface> surfaces(const Design& design) {
    return evaluated(design).mass->surfaces;
}

std::vector<Surface> ofKind(const std::vector<Surface>& all, Surface::Kind kind) {
    std::vector<Surface> out;
    std::copy_if(all.begin(), all.end(), std::back_inserter(out),
                 [kind](const Surface& s) { return s.kind == kind; });
    return out;
}

Design clawed(bool joined) {
    Design design = demoDesign();
    Appendage claw;
    claw.mirrored = true;
    claw.joined = joined;
    claw.body = ellipsoidBody(0.015, 0.002, 0.005, 9, false);
    claw.hingeX_m = 0.04;
    claw.hingeY_m = joined ? 0.0 : 0.009;
    claw.droop_rad = 0.2;
    design.appendages.push_back(claw);
    return design;
}

}  // namespace

TEST_CASE("a lip's surface has Boost.Geometry's area and centroid of its outline") {
    const Design design = demoDesign();
    const auto lips = ofKind(surfaces(design), Surface::Kind::Lip);
    REQUIRE(lips.size() == 1);
    const Surface& lip = lips[0];
    const Polygon outline = polygonOf(lipOutline(design.lip));
    CHECK(lip.area_m2() == Approx(boost::geometry::area(outline)).epsilon(1e-9));
    Point centre(0, 0);
    boost::geometry::centroid(outline, centre);
    const Eigen::Vector3d told = lip.root_m + centre.x() * lip.along;
    CHECK((lip.centre_m - told).norm() < 1e-7);
    CHECK(lip.along.dot(lip.normal) == Approx(0).margin(1e-12));
    CHECK(lip.normal.z() > 0);  // looks at the line
    CHECK(divingSurface(surfaces(design))->kind == Surface::Kind::Lip);
}

TEST_CASE("a sloped nose dives a bait without a lip, and one leaning forward does not") {
    Design design = demoDesign();
    design.lip.present = false;
    design.tie = {TiePlace::Body, 0.02, 0.008};
    CHECK(divingSurface(surfaces(design)) == nullptr);
    design.body.noseFace = {true, 0.010, 60 * kDegree, 0.0, 0.85};
    const auto faces = ofKind(surfaces(design), Surface::Kind::NoseFace);
    REQUIRE(faces.size() == 1);
    const Surface& face = faces[0];
    const auto all = surfaces(design);
    REQUIRE(divingSurface(all) != nullptr);
    // The face is an inclined cut: a plane through (10 mm, 0) 60 degrees from the axis.
    CHECK(face.normal.dot(Eigen::Vector3d(0.010, 0, 0) - face.centre_m) == Approx(0).margin(1e-9));
    CHECK(std::atan2(-face.along.z(), -face.along.x()) == Approx(60 * kDegree));
    // Its own area by flat strips of the mesh cut there: the skin lost and the face gained.
    const Derived d = evaluated(design);
    double flat = 0;
    for (const auto& t : d.shape->mesh.triangles) {
        const auto& v = d.shape->mesh.vertices_m;
        const Eigen::Vector3d a = v[size_t(t[0])], b = v[size_t(t[1])], c = v[size_t(t[2])];
        const Eigen::Vector3d n = 0.5 * (b - a).cross(c - a);
        if (n.normalized().dot(face.normal) > 0.9999 &&
            std::abs(face.normal.dot((a + b + c) / 3 - face.centre_m)) < 1e-5) {
            flat += n.norm();
        }
    }
    CHECK(face.area_m2() == Approx(flat).epsilon(0.02));
    design.body.noseFace.angle_rad = 110 * kDegree;
    const auto forward = surfaces(design);
    CHECK(divingSurface(forward) == nullptr);
}

TEST_CASE("fins and claws are listed each by itself, at their size and place") {
    Design design = clawed(false);
    Fitting fin;
    fin.kind = FittingKind::SheetFin;
    fin.name = "belly fin";
    fin.x_m = 0.05;
    fin.y_m = 0.004;
    fin.size_m = 0.012;
    fin.area_m2 = 60e-6;
    fin.mirrored = true;
    design.fittings.push_back(fin);
    const auto all = surfaces(design);
    const auto fins = ofKind(all, Surface::Kind::Fin);
    REQUIRE(fins.size() == 2);
    CHECK(fins[0].area_m2() == Approx(60e-6));
    CHECK(fins[0].centre_m.y() == Approx(0.004));
    CHECK(fins[1].centre_m.y() == Approx(-0.004));
    const auto claws = ofKind(all, Surface::Kind::SidePiece);
    REQUIRE(claws.size() == 2);
    CHECK(claws[0].centre_m.y() > 0);
    CHECK(claws[1].centre_m.y() == Approx(-claws[0].centre_m.y()));
    CHECK(claws[0].chord_m == Approx(0.03).epsilon(1e-3));
    CHECK(claws[0].swings);
    // Seen along its breadth an ellipsoid is an ellipse.
    CHECK(claws[0].area_m2() == Approx(kPi * 0.015 * 0.005).epsilon(0.01));
    CHECK(leftOut(all).empty());
    // A pair lies flat, each on a skin of its own breadth or more.
    CHECK(std::abs(fins[0].normal.z()) == Approx(1.0));
    CHECK(fins[0].aspectFactor == 2.0);
    design.fittings.back().area_m2 = 0;
    CHECK(leftOut(surfaces(design)) == std::vector<std::string>{"belly fin"});
    design.fittings.back().area_m2 = 60e-6;

    // Both arms of a V are those of two claws hung on its rivet.
    const auto arms = ofKind(surfaces(clawed(true)), Surface::Kind::SidePiece);
    REQUIRE(arms.size() == 2);
    for (int i : {0, 1}) {
        CHECK(arms[size_t(i)].area_m2() == Approx(claws[size_t(i)].area_m2()));
        const Eigen::Vector3d moved =
            claws[size_t(i)].centre_m - Eigen::Vector3d(0, i == 0 ? 0.009 : -0.009, 0);
        CHECK((arms[size_t(i)].centre_m - moved).norm() < 1e-9);
    }
}
