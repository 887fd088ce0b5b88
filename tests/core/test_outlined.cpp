// What is cut to a free outline, stands on the skin, or lies unevenly on it: against closed forms,
// counting of small cubes, and Boost.Geometry 1.74 for areas.
#include <boost/geometry.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>
#include <catch2/catch.hpp>
#include <cmath>

#include "core/clearance/clearance.h"
#include "core/design/outline.h"
#include "core/geometry/convex_parts.h"
#include "core/plan/size_series.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

namespace bg = boost::geometry;
using Corner = bg::model::d2::point_xy<double>;
using Ring = bg::model::polygon<Corner, false>;

Ring ringOf(const std::vector<Eigen::Vector2d>& outline) {
    Ring ring;
    for (const Eigen::Vector2d& p : outline) {
        bg::append(ring.outer(), Corner(p.x(), p.y()));
    }
    bg::correct(ring);
    return ring;
}

// Round once at uneven angles, in and out: simple, seldom convex.
std::vector<Eigen::Vector2d> randomOutline(Dice& dice) {
    std::vector<Eigen::Vector2d> outline;
    const int n = 3 + dice.upTo(20);
    for (int i = 0; i < n; ++i) {
        const double angle = 2 * kPi * (i + dice.from(0.0, 0.8)) / n;
        outline.push_back(dice.from(0.002, 0.012) *
                          Eigen::Vector2d(std::cos(angle), std::sin(angle)));
    }
    return outline;
}

// The three-cornered L of a foot: not convex.
const std::vector<OutlinePoint> kSole{{-0.006, -0.003}, {0.008, -0.003}, {0.008, 0.0},
                                      {-0.002, 0.0},    {-0.002, 0.004}, {-0.006, 0.004}};
constexpr double kSoleArea_m2 = 0.014 * 0.003 + 0.004 * 0.004;

Design fatBait() {
    Design d = demoDesign();
    d.body = ellipsoidBody(0.05, 0.02, 0.024, 31, true);
    d.fittings.clear();
    d.bores.clear();
    d.features.clear();
    d.coats.clear();
    d.lip.present = false;
    d.pieces[0].stock.source = DensitySource::Shelf;
    d.pieces[0].stock.shelfDensity_kg_m3 = 400;
    return d;
}

SideWeight footWeight(Flank from) {
    SideWeight w;
    w.from = from;
    w.x_m = 0.05;
    w.z_m = -0.005;
    w.outline = kSole;
    w.bottom_m = 0.001;
    w.thickness_m = 0.003;
    return w;
}

double massOf(const Derived& d, PartKind kind) {
    double sum = 0;
    for (const MassItem& item : d.mass->items) {
        sum += item.kind == kind ? item.mass_kg : 0;
    }
    return sum;
}

}  // namespace

TEST_CASE("random outlines come apart into convex ones that are the same area") {
    Dice dice(411);
    for (int i = 0; i < 300; ++i) {
        const auto outline = randomOutline(dice);
        const Ring whole = ringOf(outline);
        CHECK(isSimpleOutline(outline) == bg::is_valid(whole));
        double area = 0;
        for (const auto& part : convexParts(outline)) {
            const Ring ring = ringOf(part);
            area += bg::area(ring);
            Ring hull;
            bg::convex_hull(ring, hull);
            CHECK(bg::area(ring) == Approx(bg::area(hull)).epsilon(1e-9));
            Corner middle;
            bg::centroid(ring, middle);
            CHECK(bg::within(middle, whole));
            const Eigen::Vector2d at(middle.x(), middle.y());
            CHECK(nearestInConvex(part, at) == at);
            const Eigen::Vector2d far(dice.from(-0.03, 0.03), dice.from(-0.03, 0.03));
            const double apart = bg::distance(Corner(far.x(), far.y()), ring);
            CHECK((nearestInConvex(part, far) - far).norm() == Approx(apart).margin(1e-12));
        }
        CHECK(area == Approx(bg::area(whole)).epsilon(1e-9));
    }
    CHECK(convexParts({{0, 0}, {0.01, 0.01}, {0.01, 0}, {0, 0.01}}).empty());
    CHECK(convexParts({{0, 0}, {0.01, 0}, {0.02, 0}}).empty());
    CHECK(convexParts({{0, 0}, {0.01, 0}}).empty());
}

TEST_CASE("an outline is written and read in the maker's own lengths") {
    for (const Bench bench : {Bench::Metric, Bench::Inch, Bench::Metric.withMark(',')}) {
        const auto read = readOutline(outlineText(kSole, bench), bench);
        REQUIRE(read.ok());
        REQUIRE(read->size() == kSole.size());
        for (size_t i = 0; i < kSole.size(); ++i) {
            CHECK((*read)[i].aft_m == Approx(kSole[i].aft_m).margin(1e-9));
            CHECK((*read)[i].up_m == Approx(kSole[i].up_m).margin(1e-9));
        }
    }
    CHECK(outlineText({{0.012, -0.0045}}, Bench::Metric) == "12 -4.5");
    CHECK(readOutline(" 0 0; 12mm 0 ;12 4.5;", Bench::Metric)->size() == 3);
    CHECK(readOutline("", Bench::Metric)->empty());
    CHECK(readOutline("0 0; 12; 3 4", Bench::Metric).error().code == "outline.not_pairs");
    CHECK(readOutline("0 0; 12 x; 3 4", Bench::Metric).error().words ==
          std::vector<std::string>{" 12 x"});
    CHECK(readOutline("0 0; 12 0", Bench::Metric).error().code == "outline.corners");
    CHECK(readOutline("0 0; 900 0; 3 4", Bench::Metric).error().code == "outline.too_far");
}

TEST_CASE("a weight let in from the side: its mass by its outline, its pocket by small cubes") {
    const Design bare = fatBait();
    Design d = bare;
    d.sideWeights = {footWeight(Flank::Port)};
    const Derived with = evaluated(d), without = evaluated(bare);
    const SideWeight& w = d.sideWeights[0];
    CHECK(massOf(with, PartKind::Plug) == Approx(11340 * kSoleArea_m2 * 0.003).epsilon(1e-4));
    double pocket = 0;
    constexpr double kCube = 0.0001;
    for (double x = w.x_m - 0.006 + kCube / 2; x < w.x_m + 0.008; x += kCube) {
        for (double z = w.z_m - 0.003 + kCube / 2; z < w.z_m + 0.004; z += kCube) {
            if (z > w.z_m && x > w.x_m - 0.002) {
                continue;
            }
            for (double y = w.bottom_m + kCube / 2; y < 0.021; y += kCube) {
                pocket += with.shape->curves.contains({x, y, z}) ? kCube * kCube * kCube : 0;
            }
        }
    }
    const SideWeightGeometry& g = with.mass->sideWeights[0];
    CHECK(g.removed_m3 == Approx(pocket).epsilon(3e-3));
    CHECK(g.fillerVolume_m3 == Approx(pocket - kSoleArea_m2 * 0.003).epsilon(5e-3));
    CHECK(with.mass->mass_kg - without.mass->mass_kg ==
          Approx(g.mass_kg + 700 * g.fillerVolume_m3 - 400 * g.removed_m3).epsilon(1e-9));
    // It hangs on its own side, mirrored from the other.
    d.sideWeights = {footWeight(Flank::Starboard)};
    const Derived mirror = evaluated(d);
    CHECK(with.mass->centreOfGravity_m.y() > 1e-4);
    CHECK(mirror.mass->centreOfGravity_m.y() ==
          Approx(-with.mass->centreOfGravity_m.y()).epsilon(1e-9));
    CHECK(mirror.mass->mass_kg == Approx(with.mass->mass_kg).epsilon(1e-9));
    CHECK(with.rest->roll_rad * mirror.rest->roll_rad < 0);
    // Weighed, it keeps its place; in a size series it grows by the cube.
    d.sideWeights[0].weighedMass_kg = 0.0021;
    CHECK(massOf(evaluated(d), PartKind::Plug) == 0.0021);
    const Design twice = scaledDesign(d, 2 * 0.1);
    CHECK_FALSE(twice.sideWeights[0].weighedMass_kg);
    CHECK(massOf(evaluated(twice), PartKind::Plug) ==
          Approx(8 * massOf(mirror, PartKind::Plug)).epsilon(2e-3));
}

TEST_CASE("what is wrong with a weight from the side, putty or a clip is told at its field") {
    const auto told = [](const Design& d, const char* code) {
        return findingOf(evaluated(d), code);
    };
    Design d = fatBait();
    d.sideWeights = {footWeight(Flank::Port)};
    CHECK(checkDesign(evaluated(d)).size() == checkDesign(evaluated(fatBait())).size());
    const auto changed = [&](auto change) {
        Design other = d;
        change(other.sideWeights[0]);
        return other;
    };
    const auto crossed = told(changed([](SideWeight& w) { std::swap(w.outline[1], w.outline[3]); }),
                              "outline.not_simple");
    REQUIRE(crossed);
    CHECK(crossed->path == "/side_weights/0/outline");
    CHECK(told(changed([](SideWeight& w) { w.bottom_m = 0.03; }), "weight.not_in_body"));
    CHECK(told(changed([](SideWeight& w) { w.bottom_m = -0.03; }), "weight.through_body"));
    CHECK(told(changed([](SideWeight& w) { w.thickness_m = 0.019; }), "weight.comes_out"));
    CHECK(told(changed([](SideWeight& w) { w.weighedMass_kg = 0.0005; }), "weight.not_as_drawn"));
    // Through to the other flank it is no pocket any more.
    std::vector<Finding> walls;
    const Design through = changed([](SideWeight& w) { w.bottom_m = -0.0185; });
    checkSkinWalls(through, evaluated(through), walls);
    REQUIRE_FALSE(walls.empty());
    CHECK(walls[0].path == "/side_weights/0/x");
    // A bore into it is a clash, and the bore can move clear.
    Design bored = d;
    Bore bore;
    bore.x_m = 0.05;
    bore.y_m = 0.003;
    bore.depth_m = 0.02;
    bored.bores = {bore};
    std::vector<Finding> clashes;
    checkClashes(bored, evaluated(bored), clashes);
    REQUIRE(clashes.size() == 1);
    CHECK(clashes[0].code == "wall.run_together");
    CHECK_FALSE(clashes[0].edits.empty());

    d.buildUps.emplace_back();
    d.buildUps[0].x_m = 0.3;
    CHECK(told(d, "build_up.no_skin")->path == "/build_ups/0/x");
    d.buildUps[0].from = FeatureFrom::Tail;
    d.buildUps[0].z_m = 0.1;
    CHECK(told(d, "build_up.no_skin")->path == "/build_ups/0/z");
    Design clipped = suspender();
    Fitting clip;
    clip.kind = FittingKind::Clip;
    clip.name = "clip";
    clip.shank_m = 0.006;
    clip.legGap_m = 2 * clipped.bores[0].diameter_m;
    clip.x_m = clipped.bores[0].x_m;
    clip.z_m = evaluated(clipped).mass->bores[0].mouth_m.z();
    clipped.fittings.push_back(clip);
    const auto wide = told(clipped, "clip.wider_than_bore");
    REQUIRE(wide);
    CHECK(wide->path == "/fittings/" + std::to_string(clipped.fittings.size() - 1) + "/leg_gap");
}

TEST_CASE("a cavity of free outline goes through as many sheets as it is told") {
    Design d = fatBait();
    d.make.kind = MakeKind::Layered;
    d.make.glueFilm_m = 0.0002;
    d.make.glueDensity_kg_m3 = 1100;
    d.make.layers = {{"a", 0.012, 400}, {"b", 0.006, 700}, {"c", 0.006, 500}, {"d", 0.016, 400}};
    const double solid = evaluated(d).mass->mass_kg;
    Cavity c;
    c.layer = 2;
    c.sheets = 2;
    c.x_m = 0.05;
    c.outline = kSole;
    c.density_kg_m3 = 100;
    d.make.cavities = {c};
    const Derived cut = evaluated(d);
    // Stock of both sheets goes, the film between them is not there, the filling comes in. Where
    // the film would be, half the stock on either side had made way for it already.
    const double film = (1100 - 0.5 * (700 + 500)) * 0.0002;
    CHECK(solid - cut.mass->mass_kg ==
          Approx(kSoleArea_m2 * (0.006 * (700 + 500 - 2 * 100) + film)).epsilon(1e-6));
    c.sheets = 3;
    d.make.cavities = {c};
    CHECK(evaluated(d).mass->mass_kg < cut.mass->mass_kg);
    c.sheets = 4;
    d.make.cavities = {c};
    CHECK(findingOf(evaluated(d), "make.cavity_no_layer")->path == "/make/cavities/0/sheets");
    std::swap(c.outline[0], c.outline[2]);
    c.sheets = 1;
    d.make.cavities = {c};
    CHECK(findingOf(evaluated(d), "outline.not_simple"));
}

TEST_CASE("putty as heavy as water changes nothing under water, and leans a bait from one side") {
    Design d = fatBait();
    const Derived bare = evaluated(d);
    BuildUp putty;
    putty.from = FeatureFrom::Side;
    putty.x_m = 0.05;
    putty.z_m = -0.004;
    putty.length_m = 0.012;
    putty.width_m = 0.008;
    putty.thickness_m = 0.002;
    putty.density_kg_m3 = bare.waterDensity_kg_m3;
    putty.mirrored = true;
    d.buildUps = {putty};
    const Derived both = evaluated(d);
    const double volume = kPi / 6 * 0.012 * 0.008 * 0.002;
    CHECK(both.mass->displacedVolume_m3 - bare.mass->displacedVolume_m3 ==
          Approx(2 * volume).epsilon(1e-6));
    CHECK(both.waterDensity_kg_m3 * both.mass->displacedVolume_m3 - both.mass->mass_kg ==
          Approx(bare.waterDensity_kg_m3 * bare.mass->displacedVolume_m3 - bare.mass->mass_kg)
              .epsilon(1e-9));
    CHECK(std::abs(both.mass->centreOfGravity_m.y()) < 1e-12);
    d.buildUps[0].mirrored = false;
    d.buildUps[0].density_kg_m3 = 2500;
    CHECK(evaluated(d).mass->centreOfGravity_m.y() > 1e-5);
    d.buildUps[0].weighedMass_kg = 0.0009;
    CHECK(massOf(evaluated(d), PartKind::BuiltUp) == 0.0009);
}

TEST_CASE("a clip is a ring and two legs, and takes the room of lead where it stands in it") {
    Design d = suspender();
    const double lead = massOf(evaluated(d), PartKind::Plug);
    Fitting clip;
    clip.kind = FittingKind::Clip;
    clip.name = "clip";
    clip.fromWire = true;
    clip.size_m = 0.005;
    clip.wire_m = 0.0008;
    clip.legGap_m = 0.0024;
    clip.density_kg_m3 = 7930;
    const BoreGeometry bore = evaluated(d).mass->bores[0];
    const Bore& drilled = d.bores[0];
    clip.x_m = drilled.x_m;
    clip.z_m = bore.mouth_m.z() - 0.5 * clip.size_m;
    clip.shank_m = drilled.depth_m;
    d.fittings.push_back(clip);
    const double area = kPi / 4 * 0.0008 * 0.0008;
    const double ring = 330 * kDegree * 0.5 * (0.005 - 0.0008);
    CHECK(measureEye(clip).length_m == Approx(ring + 2 * drilled.depth_m));
    CHECK(fittingMass_kg(clip) == Approx(7930 * area * (ring + 2 * drilled.depth_m)));
    // Each leg stands in the plug over the plug's length.
    CHECK(lead - massOf(evaluated(d), PartKind::Plug) ==
          Approx(11340 * area * 2 * bore.plugLength_m).epsilon(0.05));
    const auto bars = stemBars(clip, 1.0);
    REQUIRE(bars.size() == 2);
    CHECK((bars[0].first - bars[1].first).norm() == Approx(0.0024));
    CHECK(std::abs(bars[0].first.y()) < 1e-12);
    std::vector<Finding> clashes;
    checkClashes(d, evaluated(d), clashes);
    for (const Finding& f : clashes) {
        CHECK(f.words[0] + f.words[1] != "clip" + drilled.name);
        CHECK(f.words[1] + f.words[0] != "clip" + drilled.name);
    }
}

TEST_CASE("a coat thicker on one side weighs the same and moves by the volume over the skin") {
    Design d = fatBait();
    Coat clear;
    clear.thickness_m = 0.0001;
    clear.count = 2;
    clear.density_kg_m3 = 1200;
    d.coats = {clear};
    const Derived even = evaluated(d);
    const double V = even.shape->solid.volume_m3, A = even.shape->skin.area_m2;
    const std::pair<ThickerOn, Eigen::Vector3d> sides[] = {
        {ThickerOn::Belly, {0, 0, -1}},     {ThickerOn::Port, {0, 1, 0}},
        {ThickerOn::Tail, {1, 0, 0}},       {ThickerOn::Back, {0, 0, 1}},
        {ThickerOn::Starboard, {0, -1, 0}}, {ThickerOn::Nose, {-1, 0, 0}}};
    for (const auto& [side, way] : sides) {
        d.coats[0].thickerOn = side;
        d.coats[0].thickerBy = 0.6;
        const Derived leaning = evaluated(d);
        const double coat = massOf(even, PartKind::Coat);
        CHECK(massOf(leaning, PartKind::Coat) == Approx(coat).epsilon(1e-9));
        // Divergence: the integral of n r over a closed skin is its volume.
        const Eigen::Vector3d weight =
            leaning.mass->centreOfGravity_m - even.mass->centreOfGravity_m;
        CHECK((weight - coat / even.mass->mass_kg * 0.6 * V / A * way).norm() <
              2e-3 * weight.norm());
        const Eigen::Vector3d lift =
            leaning.mass->centreOfBuoyancy_m - even.mass->centreOfBuoyancy_m;
        const double share = 0.0002 * A / even.mass->displacedVolume_m3;
        CHECK((lift - share * 0.6 * V / A * way).norm() < 0.05 * lift.norm());
    }
}
