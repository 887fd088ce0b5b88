// Cuts through a body: faces, bevels, slabs, sloped ends, tools, against closed forms.
#include <boost/math/special_functions/ellint_1.hpp>
#include <boost/math/special_functions/ellint_2.hpp>
#include <catch2/catch.hpp>
#include <cmath>

#include "core/geometry/mesh_clip.h"
#include "core/geometry/section_strip.h"
#include "core/joint/joint_layout.h"
#include "core/placed/feature_tool.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

BodyCurves curvesOf(const Body& body) {
    const auto curves = BodyCurves::build(body, "");
    INFO((curves.ok() ? std::string() : curves.error().code));
    REQUIRE(curves.ok());
    return *curves;
}

double tanOf(double degrees) {
    return std::tan(degrees * kDegree);
}

}  // namespace

TEST_CASE("strips of a section add up to it, for any fullness") {
    for (const double n : {1.0, 1.5, 2.0, 2.7, 8.0}) {
        Section s{0, 0.012, -0.009, 0.008, 0.001, n, n == 2.0 ? 2.0 : 1.3};
        const SectionMoments whole = computeSectionMoments(s);
        StripMoments sum;
        for (const auto& [a, b] : {std::pair{-1.0, -0.002}, {-0.002, 0.0031}, {0.0031, 1.0}}) {
            sum += momentsBetweenBreadths(s, a, b);
        }
        CHECK(sum.area_m2 == Approx(whole.area_m2).epsilon(1e-12));
        CHECK(sum.z_m3 == Approx(whole.z_m3).epsilon(1e-10));
        CHECK(sum.yy_m4 == Approx(whole.yy_m4).epsilon(1e-11));
        CHECK(sum.zz_m4 == Approx(whole.zz_m4).epsilon(1e-11));
        CHECK(std::abs(sum.y_m3) < 1e-18);
        StripMoments high;
        for (const auto& [a, b] : {std::pair{-1.0, -0.004}, {-0.004, 0.0005}, {0.0005, 1.0}}) {
            high += momentsBetweenHeights(s, a, b);
        }
        CHECK(high.area_m2 == Approx(whole.area_m2).epsilon(1e-12));
        CHECK(high.z_m3 == Approx(whole.z_m3).epsilon(1e-10));
        CHECK(high.yy_m4 == Approx(whole.yy_m4).epsilon(1e-11));
        const StripMoments corner = momentsWithin(s, -0.002, 0.0031, -1, 1);
        CHECK(corner.area_m2 ==
              Approx(momentsBetweenBreadths(s, -0.002, 0.0031).area_m2).epsilon(1e-6));
    }
    // Segment of a circle R 10 beyond 6 mm: R^2 acos(d/R) - d sqrt(R^2 - d^2).
    const Section round{0, 0.01, -0.01, 0.01, 0, 2, 2};
    CHECK(momentsBetweenBreadths(round, 0.006, 0.01).area_m2 ==
          Approx(1e-4 * std::acos(0.6) - 0.006 * 0.008).epsilon(1e-12));
    CHECK(halfBreadthAt(round, 0.006) == Approx(0.008).epsilon(1e-12));
}

TEST_CASE("a bevelled joint in an elliptic bar takes out what the closed form says") {
    // V faces of 30 deg on one piece, b 9, h 12 mm: (4/3) b^2 h tan(30) = 748.245949 mm3.
    const BodyCurves bar = curvesOf(barBody(0.1, 0.009, 0.012));
    const SolidProperties gap = integrateJointGap(bar, {0.05, -tanOf(30)}, {0.05, 0.0});
    CHECK(gap.volume_m3 == Approx(748.245948869755e-9).epsilon(1e-9));
    // With a gap of 2 mm between the folds as well: + 2 pi b h.
    CHECK(integrateJointGap(bar, {0.049, -tanOf(30)}, {0.051, 0.0}).volume_m3 ==
          Approx(748.245948869755e-9 + 0.002 * kPi * 0.009 * 0.012).epsilon(1e-9));
}

TEST_CASE("pieces and what the joints take out make the whole, to rounding") {
    Design d = demoDesign();
    d.pieces.resize(4);
    for (const double x : {0.024, 0.045, 0.063}) {
        Joint j;
        j.x_m = x;
        j.gap_m = 0.0015;
        j.bevelFront_rad = 12 * kDegree;
        j.bevelRear_rad = (x < 0.03 ? 0 : 18) * kDegree;
        d.joints.push_back(j);
    }
    const BodyCurves curves = curvesOf(d.body);
    const auto cuts = layOutJoints(d, curves);
    REQUIRE(cuts.ok());
    const SolidProperties whole = integratePiece(curves, {});
    CHECK(whole.volume_m3 == Approx(integrateSections(curves.function()).volume_m3).epsilon(1e-12));
    double sum = 0;
    Eigen::Vector3d moment = Eigen::Vector3d::Zero();
    for (const PieceBounds& bounds : pieceBounds(*cuts)) {
        const SolidProperties piece = integratePiece(curves, bounds);
        sum += piece.volume_m3;
        moment += piece.volume_m3 * piece.centroid_m;
        const TriangleMesh mesh = meshPiece(curves, bounds, piece.volume_m3, 64, 40);
        REQUIRE(isClosedAndOutward(mesh));
        const SolidProperties meshed = integrateMesh(mesh);
        CHECK(meshed.volume_m3 == Approx(piece.volume_m3).epsilon(1e-9));
        CHECK((meshed.centroid_m - piece.centroid_m).norm() < 1e-3 * 0.082);
        CHECK(meshed.inertia_m5(1, 1) == Approx(piece.inertia_m5(1, 1)).epsilon(0.01));
        // The mesh before scaling is within half a percent by itself.
        CHECK(integrateMesh(meshPiece(curves, bounds, 0.0, 200, 80)).volume_m3 ==
              Approx(piece.volume_m3).epsilon(2e-3));
    }
    for (const JointCut& cut : *cuts) {
        const SolidProperties gap =
            integrateJointGap(curves, cut.frontPieceFace, cut.rearPieceFace);
        sum += gap.volume_m3;
        moment += gap.volume_m3 * gap.centroid_m;
    }
    CHECK(sum == Approx(whole.volume_m3).epsilon(1e-9));
    CHECK((moment / sum - whole.centroid_m).norm() < 1e-10);
}

TEST_CASE("sloped faces, cups and slabs of an elliptic bar") {
    Body body = barBody(0.1, 0.009, 0.012);
    body.noseFace.present = true;
    body.noseFace.x_m = 0.02;
    body.noseFace.angle_rad = 55 * kDegree;
    body.tailFace = body.noseFace;
    body.tailFace.x_m = 0.09;
    body.tailFace.angle_rad = 90 * kDegree;
    const double area = kPi * 0.009 * 0.012;
    const BodyCurves plain = curvesOf(body);
    // A plane through the axis of a bar leaves area times the length on the axis.
    const SolidProperties solid = integratePiece(plain, {});
    CHECK(solid.volume_m3 == Approx(area * 0.07).epsilon(1e-7));
    // An ellipse cut at 55 deg: semi-axes 9 and 12 / sin 55.
    const FaceCut face = measureEndFace(plain, true);
    CHECK(face.area_m2 == Approx(area / std::sin(55 * kDegree)).epsilon(2e-3));
    CHECK(face.outward.x() < 0);
    CHECK(face.outward.z() > 0);  // less than square looks up and forward
    body.noseFace.cupDepth_m = 0.003;
    body.noseFace.cupShare = 0.8;
    const BodyCurves cupped = curvesOf(body);
    const double hollow = 0.5 * face.area_m2 * 0.64 * 0.003;
    const SolidProperties withCup = integratePiece(cupped, {});
    CHECK(withCup.volume_m3 == Approx(solid.volume_m3 - hollow).epsilon(1e-6));
    const TriangleMesh mesh = meshPiece(cupped, {}, 0.0, 200, 80);
    REQUIRE(isClosedAndOutward(mesh));
    CHECK(integrateMesh(mesh).volume_m3 == Approx(withCup.volume_m3).epsilon(2e-3));
    CHECK((integrateMesh(mesh).centroid_m - withCup.centroid_m).norm() < 1e-4);
    CHECK_FALSE(plain.contains({0.0205, 0, 0.008}));
    CHECK(plain.contains({0.0205, 0, -0.008}));
    // Three slabs make the bar again, and the outer two lean to their sides.
    double sum = 0;
    for (const auto& [from, to] : {std::pair{-1.0, -0.003}, {-0.003, 0.003}, {0.003, 1.0}}) {
        PieceBounds slab;
        slab.fromY_m = from;
        slab.toY_m = to;
        const SolidProperties sheet = integratePiece(plain, slab);
        sum += sheet.volume_m3;
        CHECK((sheet.centroid_m.y() > 0.003) == (from > 0));
    }
    CHECK(sum == Approx(solid.volume_m3).epsilon(5e-5));  // few sections meet slab and slope
    body.noseFace.x_m = 0.06;
    CHECK(BodyCurves::build(body, "/body").error().code == "body.face_takes_all");
}

TEST_CASE("a deep cup at the tail: what is in it is water, and an eye goes in at its bottom") {
    Design d = demoDesign();
    d.body = barBody(0.1, 0.009, 0.012);
    d.body.tailFace = {true, 0.09, 90 * kDegree, 0.012, 0.9};
    d.fittings.clear();
    d.bores.clear();
    d.features.clear();
    d.lip.present = false;
    const Derived cupped = evaluated(d);
    const BodyCurves& curves = cupped.shape->curves;
    // Counted in small cubes: the paraboloid's half of its cylinder.
    double hollow = 0;
    constexpr double kCube = 0.0003;
    for (double x = 0.0775 + kCube / 2; x < 0.09; x += kCube) {
        for (double y = -0.009 + kCube / 2; y < 0.009; y += kCube) {
            for (double z = -0.012 + kCube / 2; z < 0.012; z += kCube) {
                const Eigen::Vector3d at(x, y, z);
                hollow +=
                    curves.containsUncupped(at) && !curves.contains(at) ? kCube * kCube * kCube : 0;
            }
        }
    }
    CHECK(hollow == Approx(0.5 * kPi * 0.009 * 0.012 * 0.81 * 0.012).epsilon(0.025));
    const Eigen::Vector3d bottom = *curves.onCup(false, 0, 0);
    CHECK(bottom.x() == Approx(0.078).margin(1e-6));
    CHECK(std::abs(bottom.y()) < 1e-6);
    // A pilot hole from the tail begins at the bottom; a stem through the cup is wet until there.
    Feature pilot;
    pilot.kind = FeatureKind::PilotHole;
    pilot.from = FeatureFrom::Tail;
    pilot.diameter_m = 0.0012;
    pilot.depth_m = 0.006;
    d.features = {pilot};
    CHECK(evaluated(d).mass->features[0].tools[0].mouth_m.x() == Approx(0.078).margin(1e-5));
    d.features.clear();
    Fitting eye;
    eye.kind = FittingKind::ScrewEye;
    eye.fromWire = true;
    eye.stemFrom = FeatureFrom::Tail;
    eye.x_m = 0.0925;
    eye.size_m = 0.005;
    eye.shank_m = 0.020;
    d.fittings = {eye};
    const Derived tied = evaluated(d);
    const double wire = kPi / 4 * eye.wire_m * eye.wire_m;
    for (const MassItem& item : tied.mass->items) {
        if (item.kind == PartKind::Fitting) {
            // Ring, and 12 of 20 mm of stem, in the water.
            CHECK(item.displaced_m3 ==
                  Approx(measureEye(eye).ring_m3 + 0.012 * wire).epsilon(0.02));
        }
    }
    CHECK_FALSE(findingOf(cupped, "body.cup_comes_out"));
    CHECK_FALSE(findingOf(cupped, "body.cup_thin"));
    Design slim = d;
    for (Station& s : slim.body.stations) {
        s.halfWidth_m = 0.003;
    }
    slim.body.tailFace.cupShare = 0.98;  // at three quarters of its edge 0.8 mm is left
    CHECK(findingOf(evaluated(slim), "body.cup_thin"));
    // Where the body is slimmer ahead of its tail the cup comes through.
    d.body.tailFace.cupDepth_m = 0.025;
    for (Station& s : d.body.stations) {
        const bool neck = s.position_m > 0.06 && s.position_m < 0.085;
        s.halfWidth_m *= neck ? 0.35 : 1.0;
    }
    const auto through = findingOf(evaluated(d), "body.cup_comes_out");
    REQUIRE(through);
    CHECK(through->path == "/body/tail_face/cup_depth");
}

TEST_CASE("a clipped mesh is closed and keeps its half") {
    const TriangleMesh ball = ellipsoidMesh(0.05, 0.008, 0.012, 48, 32);
    const Eigen::Vector3d tilt = Eigen::Vector3d(0.6, 0.0, 0.8);
    for (const double offset : {-0.01, 0.0, 0.004}) {
        const TriangleMesh below = clipMesh(ball, tilt, offset);
        const TriangleMesh above = clipMesh(ball, -tilt, -offset);
        REQUIRE(isClosedAndOutward(below));
        REQUIRE(isClosedAndOutward(above));
        CHECK(integrateMesh(below).volume_m3 + integrateMesh(above).volume_m3 ==
              Approx(integrateMesh(ball).volume_m3).epsilon(1e-9));
    }
}

TEST_CASE("sockets, slots, pilot holes and pockets take out their own volume") {
    const BodyCurves rod = curvesOf(barBody(0.1, 0.01, 0.01));
    // Radial bore r 3 right through a cylinder R 10, both ways from the axis: 8/3 R [(R2+r2) E -
    // (R2-r2) K], m = (r/R)^2.
    const double k = 0.3, R = 10, r = 3;
    const double through =
        8.0 / 3 * R *
        ((R * R + r * r) * boost::math::ellint_2(k) - (R * R - r * r) * boost::math::ellint_1(k));
    CHECK(through == Approx(559.0512870).epsilon(1e-9));
    Feature f;
    f.kind = FeatureKind::EyeSocket;
    f.x_m = 0.05;
    f.diameter_m = 0.006;
    f.depth_m = 0.01;
    f.mirrored = true;
    double removed = 0;
    for (const CutTool& tool : toolsOf(rod, f)) {
        removed += measureCut(rod, tool).removed_m3;
    }
    CHECK(removed == Approx(through * 1e-9).epsilon(1e-3));

    f.kind = FeatureKind::PilotHole;
    f.from = FeatureFrom::Belly;
    f.mirrored = false;
    f.depth_m = 0.008;
    const double pilot = measureCut(rod, toolsOf(rod, f).front()).removed_m3;
    f.kind = FeatureKind::EyeSocket;
    // A 118 deg point under a 6 mm hole: (pi r^3 / 3) / tan 59 = 16.988934 mm3.
    CHECK(pilot - measureCut(rod, toolsOf(rod, f).front()).removed_m3 ==
          Approx(16.9889337591e-9).epsilon(1e-9));

    // A slot 2 mm wide, 30 long, sawn 10 deep from the belly of a round bar: strip of the section.
    f.kind = FeatureKind::Slot;
    f.length_m = 0.03;
    f.width_m = 0.002;
    f.depth_m = 0.010;
    const StripMoments strip =
        momentsBetweenBreadths({0, 0.01, -0.01, 0.01, 0, 2, 2}, -0.001, 0.001);
    CHECK(measureCut(rod, toolsOf(rod, f).front()).removed_m3 ==
          Approx(0.5 * strip.area_m2 * 0.03).epsilon(1e-3));
    // The same from the tail runs out of the sides: the bar's own slice.
    f.from = FeatureFrom::Tail;
    f.x_m = 0;
    f.length_m = 0.04;
    f.depth_m = 0.012;
    CHECK(measureCut(rod, toolsOf(rod, f).front()).removed_m3 ==
          Approx(strip.area_m2 * 0.012).epsilon(0.01));
    f.z_m = 0.02;
    CHECK(toolsOf(rod, f).empty());
}

TEST_CASE("the wall beside a bore counts below its open rim: ellipse in closed form") {
    // A straight bar of half-width b, half-height c, drilled from the back, off the middle. At the
    // floor's outer edge, y across and z up, the ellipse gives the stock above, the wall beside and
    // which way the skin looks. Rim: under 2.3 mm of stock and skin within 66.4 degrees of the
    // mouth (cosine 0.4); everywhere else the wall must be told.
    constexpr double b = 0.010, c = 0.013, r = 0.002;
    const BodyCurves bar = curvesOf(barBody(0.1, b, c));
    int walls = 0, rims = 0;
    for (double off = 0.0; off < 0.0079; off += 0.0004) {
        for (double deep = 0.0005; deep < 0.012; deep += 0.0003) {
            CutTool tool;
            tool.mouth_m = {0.05, off, c * std::sqrt(1 - off * off / (b * b))};
            tool.inward = -Eigen::Vector3d::UnitZ();
            tool.halfAlong_m = tool.halfAcross_m = r;
            tool.depth_m = deep;
            const double y = off + r, z = tool.mouth_m.z() - deep;
            const double above = c * std::sqrt(1 - y * y / (b * b)) - z;
            const double beside = b * std::sqrt(1 - z * z / (c * c)) - y;
            if (z < 0.0005 || above < 0.0003) {
                continue;
            }
            const double up = z / (c * c), out = y / (b * b);
            const double facing = up / std::hypot(up, out);
            const double told = measureCut(bar, tool).wallBeside_m;
            INFO("off " << off << " deep " << deep << " above " << above << " beside " << beside);
            if (above > 0.00235 || facing < 0.39) {
                CHECK(told == Approx(beside).margin(3e-5));
                walls += facing > 0.41;
            } else if (above < 0.00225 && facing > 0.41) {
                CHECK(told > beside + 1e-5);
                ++rims;
            }
        }
    }
    CHECK(walls > 20);
    CHECK(rims > 20);
}

TEST_CASE("where two tools cross, the wood is taken once") {
    const BodyCurves rod = curvesOf(barBody(0.1, 0.01, 0.01));
    Feature bore;
    bore.kind = FeatureKind::EyeSocket;
    bore.from = FeatureFrom::Belly;
    bore.x_m = 0.05;
    bore.diameter_m = 0.006;
    bore.depth_m = 0.012;
    Feature groove = bore;
    groove.kind = FeatureKind::SawGroove;
    groove.length_m = 0.06;
    groove.width_m = 0.002;
    groove.depth_m = 0.006;
    const CutTool first = toolsOf(rod, bore).front(), second = toolsOf(rod, groove).front();
    const double alone = measureCut(rod, second).removed_m3;
    const double after = measureCut(rod, second, {first}).removed_m3;
    // The bore has already taken the groove's middle 6 mm, rounded at its ends: width 2, depth 6.
    const double chord = 2 * (0.001 * std::sqrt(9e-6 - 1e-6) + 9e-6 * std::asin(1.0 / 3));
    CHECK(alone - after == Approx(chord * 0.006).epsilon(0.06));
    // Wall between two tools: capsules whose axes pass at a worked distance (-2.069438 mm).
    CutTool a, b;
    a.mouth_m = {0.030, 0, -0.014};
    a.inward = {0, 0, 1};
    a.along = {1, 0, 0};
    a.halfAlong_m = a.halfAcross_m = 0.004;
    a.depth_m = 0.012;
    b.mouth_m = {0.027, -0.009, 0};
    const Eigen::Vector3d way(0.007, 0.018, 0.001);
    b.inward = way.normalized();
    b.along = b.inward.unitOrthogonal();
    b.halfAlong_m = b.halfAcross_m = 0.0006;
    b.depth_m = way.norm();
    CHECK(wallBetween(a, b) == Approx(-2.069438142e-3).epsilon(1e-7));
}
