// Solids brought in: right answers, refusals in plain words, and no crash on damage.
#include <bit>
#include <catch2/catch.hpp>
#include <cstring>
#include <limits>
#include <random>

#include "core/base/decimal.h"
#include "core/shape/solid_check.h"
#include "core/shape/trace_profile.h"
#include "files/design_file.h"
#include "files/mesh_bytes.h"
#include "files/solid_file.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

std::string binaryStl(const TriangleMesh& mesh) {
    std::string out(80, ' ');
    auto put = [&out](std::uint32_t w) {
        char bytes[4];
        std::memcpy(bytes, &w, 4);
        out.append(bytes, 4);
    };
    put(std::uint32_t(mesh.triangles.size()));
    for (const auto& t : mesh.triangles) {
        out.append(12, '\0');
        for (const int v : t) {
            for (int k = 0; k < 3; ++k) {
                put(std::bit_cast<std::uint32_t>(float(mesh.vertices_m[size_t(v)][k] * 1e3)));
            }
        }
        out.append(2, '\0');
    }
    return out;
}

std::string textStl(const TriangleMesh& mesh) {
    std::string out = "solid bait\n";
    for (const auto& t : mesh.triangles) {
        out += " facet normal 0 0 0\n  outer loop\n";
        for (const int v : t) {
            const Eigen::Vector3d p = mesh.vertices_m[size_t(v)] * 1e3;
            out += "   vertex " + fixedDecimalText(p.x(), 6) + " " + fixedDecimalText(p.y(), 6) +
                   " " + fixedDecimalText(p.z(), 6) + "\n";
        }
        out += "  endloop\n endfacet\n";
    }
    return out + "endsolid bait\n";
}

std::string obj(const TriangleMesh& mesh) {
    std::string out;
    for (const Eigen::Vector3d& v : mesh.vertices_m) {
        out += "v " + fixedDecimalText(v.x() * 1e3, 6) + " " + fixedDecimalText(v.y() * 1e3, 6) +
               " " + fixedDecimalText(v.z() * 1e3, 6) + "\n";
    }
    for (const auto& t : mesh.triangles) {
        out += "f " + std::to_string(t[0] + 1) + "/1 " + std::to_string(t[1] + 1) + " " +
               std::to_string(t[2] + 1) + "//2\n";
    }
    return out;
}

Result<CheckedSolid> checked(const std::string& file) {
    Result<TriangleMesh> read = readSolid(file);
    if (!read) {
        return read.error();
    }
    TriangleMesh mesh = *read;
    for (Eigen::Vector3d& v : mesh.vertices_m) {
        v *= 1e-3;
    }
    return checkSolid(welded(mesh, 1e-8));
}

std::string solidRefusal(const std::string& file) {
    const auto r = checked(file);
    return r.ok() ? "ok" : r.error().code;
}

TriangleMesh joined(TriangleMesh a, const TriangleMesh& b) {
    const int shift = int(a.vertices_m.size());
    a.vertices_m.insert(a.vertices_m.end(), b.vertices_m.begin(), b.vertices_m.end());
    for (const auto& t : b.triangles) {
        a.triangles.push_back({t[0] + shift, t[1] + shift, t[2] + shift});
    }
    return a;
}

TriangleMesh turned(TriangleMesh m) {
    for (auto& t : m.triangles) {
        std::swap(t[1], t[2]);
    }
    return m;
}

}  // namespace

TEST_CASE("a cube and an ellipsoid come in by all three kinds of file with their volume") {
    const TriangleMesh cube = boxMesh(0.04, 0.04, 0.04, 0);
    const TriangleMesh ball = ellipsoidMesh(0.05, 0.008, 0.012, 48, 32);
    for (const auto& file : {binaryStl(cube), textStl(cube), obj(cube)}) {
        const auto solid = checked(file);
        REQUIRE(solid.ok());
        CHECK(integrateMesh(solid->mesh).volume_m3 == Approx(6.4e-5).epsilon(1e-6));
        CHECK(solid->mesh.vertices_m.size() == 8);
        CHECK_FALSE(solid->turned);
    }
    for (const auto& file : {binaryStl(ball), textStl(ball), obj(ball)}) {
        const auto solid = checked(file);
        INFO((solid.ok() ? "" : solid.error().code));
        REQUIRE(solid.ok());
        CHECK(integrateMesh(solid->mesh).volume_m3 ==
              Approx(4.0 / 3 * kPi * 0.05 * 0.008 * 0.012).epsilon(1e-3));
    }
    // Corners of more than three, counted back from the last vertex.
    const auto square = readSolid("v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nf -4 -3 -2 -1\n");
    REQUIRE(square.ok());
    CHECK(square->triangles.size() == 2);
}

TEST_CASE("what is wrong with a solid is told apart") {
    const TriangleMesh cube = boxMesh(0.04, 0.04, 0.04, 0);
    const auto inside = checked(binaryStl(turned(cube)));
    REQUIRE(inside.ok());
    CHECK(inside->turned);
    CHECK(integrateMesh(inside->mesh).volume_m3 == Approx(6.4e-5).epsilon(1e-6));
    TriangleMesh open = cube;
    open.triangles.resize(10);
    CHECK(solidRefusal(binaryStl(open)) == "solid.holes");
    CHECK(checked(binaryStl(open)).error().values[0].value == 4);  // the rim of one square face
    TriangleMesh inner = boxMesh(0.01, 0.01, 0.01, 0.01);
    for (Eigen::Vector3d& v : inner.vertices_m) {
        v.x() += 0.01;
    }
    CHECK(solidRefusal(binaryStl(joined(cube, inner))) == "solid.nested");
    const auto hollow = checked(binaryStl(joined(cube, turned(inner))));
    REQUIRE(hollow.ok());
    CHECK(integrateMesh(hollow->mesh).volume_m3 == Approx(6.4e-5 - 1e-6).epsilon(1e-6));
    TriangleMesh aside = cube;
    for (Eigen::Vector3d& v : aside.vertices_m) {
        v += Eigen::Vector3d(0.0213, 0.011, 0.0172);
    }
    CHECK(solidRefusal(binaryStl(joined(cube, aside))) == "solid.crossing");
    TriangleMesh twisted = cube;
    std::swap(twisted.triangles[0][1], twisted.triangles[0][2]);
    CHECK(solidRefusal(binaryStl(twisted)) == "solid.not_manifold");
    CHECK(solidRefusal("hello") == "solid.not_a_solid");
    CHECK(solidRefusal(binaryStl(cube).substr(0, 300)) == "solid.cut_short");
    CHECK(solidRefusal(textStl(cube).substr(0, 300)) == "solid.cut_short");
    CHECK(solidRefusal("v 0 0 0\nf 1 2 3\n") == "solid.bad_number");
    CHECK(solidRefusal("v 0 nan 0\n") == "solid.bad_number");
}

TEST_CASE("a body of two hundred thousand triangles is floated on the mesh itself") {
    const TriangleMesh mesh = ellipsoidMesh(0.05, 0.008, 0.012, 400, 252);
    REQUIRE(mesh.triangles.size() > 200000);
    const auto solid = checked(binaryStl(mesh));
    REQUIRE(solid.ok());
    const auto placed = oriented(solid->mesh, {-0.05, 0, 0}, {0.05, 0, 0}, {0, 0, 0.012});
    REQUIRE(placed.ok());
    Design d = demoDesign();
    const Result<Body> sliced = stationsOf(*placed, 21);
    REQUIRE(sliced.ok());
    d.body.stations = sliced->stations;
    d.body.solid.mesh = std::make_shared<const TriangleMesh>(roundedForFile(*placed));
    d.body.useSolid = true;
    d.bores.clear();
    const Derived onMesh = evaluated(d);
    CHECK(onMesh.shape->solid.volume_m3 ==
          Approx(4.0 / 3 * kPi * 0.05 * 0.008 * 0.012).epsilon(1e-4));
    d.body.useSolid = false;
    const Derived onSlices = evaluated(d);
    CHECK(onSlices.shape->solid.volume_m3 == Approx(onMesh.shape->solid.volume_m3).epsilon(2e-3));
    CHECK(onSlices.rest->pitch_rad == Approx(onMesh.rest->pitch_rad).margin(0.2 * kDegree));
}

TEST_CASE("unit guessed by size, lie told by three places") {
    CHECK(guessUnit(82) == FileUnit::Millimetre);
    CHECK(guessUnit(3.25) == FileUnit::Inch);
    CHECK(guessUnit(0.082) == FileUnit::Metre);
    // Nose towards -y, back towards +x of the file: a body turned every way comes out the same.
    const TriangleMesh ball = ellipsoidMesh(0.05, 0.008, 0.012, 24, 16);
    TriangleMesh lying = ball;
    for (Eigen::Vector3d& v : lying.vertices_m) {
        v = Eigen::Vector3d(v.z(), v.x(), v.y()) + Eigen::Vector3d(0.3, 0.2, 0.1);
    }
    const Eigen::Vector3d o(0.3, 0.2, 0.1);
    const auto upright =
        oriented(lying, o - 0.05 * Eigen::Vector3d::UnitY(), o + 0.05 * Eigen::Vector3d::UnitY(),
                 o + 0.012 * Eigen::Vector3d::UnitX());
    REQUIRE(upright.ok());
    double front = 0, worst = 0;
    for (const Eigen::Vector3d& v : ball.vertices_m) {
        front = std::min(front, v.x());
    }
    for (size_t i = 0; i < ball.vertices_m.size(); ++i) {
        // The file's third axis (up x aft of a right-handed frame) is to starboard.
        const Eigen::Vector3d& b = ball.vertices_m[i];
        worst = std::max(
            worst, (upright->vertices_m[i] - Eigen::Vector3d(b.x() - front, -b.y(), b.z())).norm());
    }
    CHECK(worst < 1e-9);
    CHECK(oriented(lying, o, o + Eigen::Vector3d::UnitY(), o + 2 * Eigen::Vector3d::UnitY())
              .error()
              .code == "solid.places_in_line");
}

TEST_CASE("a mark on the left of a solid is on the left of the bait") {
    // Drawn nose forward as most programs do: x ahead, y to the left, z up, right-handed.
    TriangleMesh drawn = ellipsoidMesh(0.05, 0.008, 0.012, 24, 16);
    const auto mark = std::max_element(
        drawn.vertices_m.begin(), drawn.vertices_m.end(),
        [](const Eigen::Vector3d& a, const Eigen::Vector3d& b) { return a.y() < b.y(); });
    const size_t at = size_t(mark - drawn.vertices_m.begin());
    mark->y() += 0.002;
    const auto bait = oriented(drawn, {0.05, 0, 0}, {-0.05, 0, 0}, {0, 0, 0.012});
    REQUIRE(bait.ok());
    const double front = drawn.vertices_m[0].x();  // the tip, a hair ahead of the place picked
    CHECK(bait->vertices_m[at].y() == Approx(drawn.vertices_m[at].y()));  // y is to port
    CHECK(std::abs(bait->vertices_m[at].x() + drawn.vertices_m[at].x() - 0.05) <
          std::abs(std::abs(front) - 0.05) + 1e-9);
    CHECK(isClosedAndOutward(*bait));
    CHECK(integrateMesh(*bait).volume_m3 == Approx(integrateMesh(drawn).volume_m3));
}

TEST_CASE("a solid written out is right-handed, and read in it is the same bait") {
    TriangleMesh bait = ellipsoidMesh(0.05, 0.008, 0.012, 24, 16);
    for (Eigen::Vector3d& v : bait.vertices_m) {
        v.x() += 0.05;
        v.y() += v.y() > 0 && v.x() < 0.04 ? 0.4 * v.y() : 0.0;  // fuller on its left, ahead
    }
    REQUIRE(isClosedAndOutward(bait));
    const TriangleMesh filed = inFileFrame(bait);
    const Result<TriangleMesh> raw = readSolid(stlOf({&filed, &filed}));
    REQUIRE(raw.ok());
    REQUIRE(raw->triangles.size() == 2 * bait.triangles.size());
    // To anyone with a right hand: outward, and with the nose ahead and the back up the fuller
    // flank is to the left.
    const Result<TriangleMesh> one = readSolid(stlOf({&filed}));
    const TriangleMesh file = welded(*one, 1e-6);
    CHECK(isClosedAndOutward(file));
    const Eigen::Vector3d ahead(-1, 0, 0), up(0, 0, 1), left = up.cross(ahead);
    double mostLeft = 0, mostRight = 0;
    for (const Eigen::Vector3d& v : file.vertices_m) {
        mostLeft = std::max(mostLeft, left.dot(v));
        mostRight = std::max(mostRight, -left.dot(v));
    }
    CHECK(mostLeft > 1.2 * mostRight);
    TriangleMesh metres = file;
    for (Eigen::Vector3d& v : metres.vertices_m) {
        v *= 1e-3;
    }
    const auto again = oriented(metres, {0, 0, 0}, {0.1, 0, 0}, {0.05, 0, 0.012});
    REQUIRE(again.ok());
    const auto size = integrateMesh(bait), back = integrateMesh(*again);
    CHECK(back.volume_m3 == Approx(size.volume_m3).epsilon(1e-6));
    CHECK((back.centroid_m - size.centroid_m).tail<2>().norm() < 1e-8);
    CHECK(size.centroid_m.y() > 1e-4);
}

TEST_CASE("thousands of shells, and numbers that are none, are refused quickly") {
    TriangleMesh swarm;
    for (int i = 0; i < 16000; ++i) {
        const int first = int(swarm.vertices_m.size());
        const Eigen::Vector3d o(1e-5 * (i % 130), 1e-5 * (i / 130), 0);
        for (const Eigen::Vector3d& v :
             {Eigen::Vector3d(0, 0, 0), Eigen::Vector3d(1e-6, 0, 0), Eigen::Vector3d(0, 1e-6, 0),
              Eigen::Vector3d(0, 0, 1e-6)}) {
            swarm.vertices_m.push_back(o + v);
        }
        for (const std::array<int, 3>& t :
             {std::array{0, 2, 1}, std::array{0, 1, 3}, std::array{1, 2, 3}, std::array{0, 3, 2}}) {
            swarm.triangles.push_back({first + t[0], first + t[1], first + t[2]});
        }
    }
    const Result<CheckedSolid> read = checkSolid(swarm);
    REQUIRE_FALSE(read);
    CHECK(read.error().code == "solid.too_many_shells");
    std::string bytes = binaryStl(ellipsoidMesh(0.05, 0.008, 0.012, 8, 8));
    const float bad[] = {std::numeric_limits<float>::quiet_NaN(),
                         std::numeric_limits<float>::infinity(), -1e30f};
    for (const float value : bad) {
        for (size_t corner = 0; corner < 9; ++corner) {
            std::string broken = bytes;
            std::memcpy(broken.data() + 84 + 50 * 3 + 12 + 4 * corner, &value, 4);
            const auto refused = readSolid(broken);
            REQUIRE_FALSE(refused);
            CHECK(refused.error().code == "solid.bad_number");
        }
    }
}

TEST_CASE("seeded damage to solid files never crashes or hangs") {
    const TriangleMesh ball = ellipsoidMesh(0.05, 0.008, 0.012, 8, 8);
    std::mt19937 random(7);
    int survived = 0;
    for (const std::string& whole : {binaryStl(ball), textStl(ball), obj(ball)}) {
        for (int round = 0; round < 250; ++round) {
            std::string text = whole;
            for (int k = 0; k < 1 + round % 9; ++k) {
                text[random() % text.size()] = char(random());
            }
            if (round % 3 == 0) {
                text.resize(random() % text.size());
            }
            const auto solid = checked(text);
            survived += solid.ok();
            if (solid.ok()) {
                CHECK(std::isfinite(integrateMesh(solid->mesh).volume_m3));
            }
        }
    }
    CHECK(survived < 750);
}

TEST_CASE("a traced outline becomes stations of the same shape") {
    // An ellipse 80 x 24 drawn as 64 points, y down, anywhere on the sheet.
    std::vector<Eigen::Vector2d> outline;
    for (int i = 0; i < 64; ++i) {
        outline.emplace_back(500 + 40 * std::cos(2 * kPi * i / 64),
                             300 + 12 * std::sin(2 * kPi * i / 64));
    }
    const auto profile = profileOfOutline(outline, 0.08);
    REQUIRE(profile.ok());
    const Body body = bodyFromProfile(*profile, demoDesign().body, 13);
    const auto curves = BodyCurves::build(body, "");
    REQUIRE(curves.ok());
    const BodySizes sizes = measureBody(*curves);
    CHECK(sizes.length_m == Approx(0.08));
    CHECK(sizes.maxHeight_m == Approx(0.024).epsilon(0.01));
    CHECK(sizes.profileArea_m2 == Approx(kPi * 0.04 * 0.012).epsilon(0.01));

    Trace trace;
    CHECK(profileOf(trace).error().code == "trace.no_scale");
    trace.scale = {{0.1, 0.9}, {0.6, 0.9}};  // half the picture's width is 100 mm
    trace.knownLength_m = 0.1;
    CHECK(profileOf(trace).error().code == "trace.no_axis");
    trace.axis = {{0.2, 0.3}, {0.5, 0.7}};  // half a width long, nose up left
    CHECK(profileOf(trace).error().code == "trace.too_few");
    for (const double x : {0.02, 0.05, 0.08}) {
        trace.back.push_back(*onPicture(trace, {x, 0.012}));
        trace.belly.push_back(*onPicture(trace, {x, -0.010}));
    }
    const auto traced = profileOf(trace);
    REQUIRE(traced.ok());
    CHECK(traced->length_m == Approx(0.1));
    CHECK(traced->back[2].y() == Approx(0.012));
    CHECK(traced->belly[3].x() == Approx(0.08));
}
