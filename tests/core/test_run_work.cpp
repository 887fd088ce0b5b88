// What is worked out beside the depth: its doubts, forces, cadence, current, leader, what-ifs.
#include <catch2/catch.hpp>

#include "core/reckon/free_body.h"
#include "core/reckon/what_if.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

using Source = DepthDoubt::Source;

std::optional<DepthDoubt> doubtOf(const Run& run, Source source) {
    const auto at = std::find_if(run.doubts.begin(), run.doubts.end(),
                                 [source](const DepthDoubt& d) { return d.source == source; });
    return at == run.doubts.end() ? std::nullopt : std::optional(*at);
}

double depthOf(const Design& design) {
    const Run run = computeRun(evaluated(design), {}, kFineRetrieve);
    REQUIRE(run.depthKnown);
    return run.path.maxDepth_m;
}

}  // namespace

TEST_CASE("the depth's band is the root of its sources' squares, each way by itself") {
    const Derived d = evaluated(demoDesign());
    const Run run = computeRun(d);
    REQUIRE(run.depthKnown);
    double shallower = 0, deeper = 0;
    for (const DepthDoubt& doubt : run.doubts) {
        CHECK(doubt.shallower_m >= 0);
        CHECK(doubt.deeper_m >= 0);
        shallower += doubt.shallower_m * doubt.shallower_m;
        deeper += doubt.deeper_m * doubt.deeper_m;
    }
    CHECK(run.depthLow_m == Approx(run.path.maxDepth_m - std::sqrt(shallower)));
    CHECK(run.depthHigh_m == Approx(run.path.maxDepth_m + std::sqrt(deeper)));
    for (const Source s :
         {Source::Line, Source::Body, Source::Lip, Source::Hooks, Source::Roll, Source::Rest}) {
        CHECK(doubtOf(run, s));
    }
    CHECK_FALSE(doubtOf(run, Source::Fins));  // the demo has none
    // Rolling only ever costs depth; the line errs both ways, more by strumming than by lying
    // still.
    CHECK(doubtOf(run, Source::Roll)->deeper_m == 0);
    CHECK(doubtOf(run, Source::Roll)->shallower_m > 0);
    CHECK(doubtOf(run, Source::Line)->shallower_m > 0);
    CHECK(doubtOf(run, Source::Line)->deeper_m > 0);
    // One source by hand: strumming at both ends of its band, and the drag coefficients with it.
    Model still, strums;
    still.strumming = 1.0;
    strums.strumming = 1.5;
    const double
        least =
            computeRun(*evaluate(demoDesign(), nullptr, strums), {}, kFineRetrieve).path.maxDepth_m,
        most =
            computeRun(*evaluate(demoDesign(), nullptr, still), {}, kFineRetrieve).path.maxDepth_m;
    CHECK(doubtOf(run, Source::Line)->shallower_m >= 0.99 * (run.path.maxDepth_m - least));
    CHECK(doubtOf(run, Source::Line)->deeper_m >= 0.99 * (most - run.path.maxDepth_m));
}

TEST_CASE("doubts added later are those worked out at once, and carried ones keep their shares") {
    const Derived d = evaluated(demoDesign());
    const Run whole = computeRun(d);
    Run run = computeRun(d, {}, kFineRetrieve);
    REQUIRE(run.doubts.size() == 1);
    std::stop_source stopped;
    stopped.request_stop();
    addDoubts(d, run, stopped.get_token());
    CHECK(run.doubts.size() == 1);
    addDoubts(d, run, {});
    CHECK(run.depthLow_m == whole.depthLow_m);
    CHECK(run.depthHigh_m == whole.depthHigh_m);
    Design longer = demoDesign();
    longer.brief.castLength_m *= 1.2;
    Run next = computeRun(evaluated(longer), {}, kFineRetrieve);
    carryDoubts(next, whole);
    REQUIRE(next.doubts.size() == whole.doubts.size());
    const double scale = next.path.maxDepth_m / whole.path.maxDepth_m;
    for (size_t i = 0; i + 1 < next.doubts.size(); ++i) {
        CHECK(next.doubts[i].deeper_m == Approx(scale * whole.doubts[i].deeper_m));
    }
    CHECK(next.doubts.back().source == Source::Rest);
}

TEST_CASE("a steep lip's rest is lopsided, and nothing jumps between in line and steep") {
    Design steep = demoDesign();
    steep.lip.angle_rad = 60 * kDegree;
    const Derived d = evaluated(steep);
    const Run run = computeRun(d);
    REQUIRE(run.depthKnown);
    const auto rest = doubtOf(run, Source::Rest);
    REQUIRE(rest);
    CHECK(rest->shallower_m >= 0.3);
    CHECK(rest->deeper_m >= 0.6);
    CHECK(std::any_of(run.doubts.begin(), run.doubts.end(),
                      [](const DepthDoubt& x) { return x.source == Source::Lip; }));
    bool told = false;
    for (const Finding& f : checkRun(d, run)) {
        told = told || f.code == "run.likely_too_shallow";
    }
    CHECK(told);
    double last = -1;
    for (double angle = 20; angle <= 50; angle += 0.5) {
        Design turned = demoDesign();
        turned.lip.angle_rad = angle * kDegree;
        const Run there = computeRun(evaluated(turned), {}, kFineRetrieve);
        REQUIRE(there.depthKnown);
        const double wide = there.depthHigh_m - there.depthLow_m;
        if (last >= 0) {
            CHECK(std::abs(wide - last) < 0.12);
        }
        last = wide;
    }
}

TEST_CASE("forces and moments on a bait under way leave nothing over") {
    for (const char* name : {"diver", "lipless", "swimmer", "glide-bait", "glider"}) {
        Design design = demoNamed(name);
        design.brief.current_m_s = 0.1;  // through the water it is slower than reeled
        const Derived derived = evaluated(design);
        const std::vector<Trim> trims = computeRun(derived, {}, kFineRetrieve).trims;
        CHECK(!trims.empty());
        for (const Trim& trim : trims) {
            INFO(name);
            Eigen::Vector2d sum = Eigen::Vector2d::Zero();
            double moment = 0, size = 0;
            for (const BodyForce& f : freeBody(derived, trim)) {
                sum += f.force_N;
                size += f.force_N.norm();
                moment +=
                    f.place_m.y() * f.force_N.x() - f.place_m.x() * f.force_N.y() + f.couple_N_m;
            }
            // The table of loads is straight between quarter degrees.
            CHECK(sum.norm() < 2e-4 * size);
            CHECK(std::abs(moment) < 2e-4 * size * derived.shape->sizes.length_m);
        }
    }
}

TEST_CASE("the range of speeds ends where it says, and the pull needed is near the pull there is") {
    const Derived d = evaluated(demoDesign());
    const auto range = runningSpeeds(d);
    REQUIRE(range);
    CHECK(range->from_m_s < range->to_m_s);
    const auto angle = [&](double speed) {
        const auto trim = settleTrim(d.towed, speed, 0.0, d.rest->pitch_rad);
        return trim ? trim->lineAngle_rad : -1.0;
    };
    CHECK(angle(1.02 * range->from_m_s) > 0);
    if (range->from_m_s > 0.101) {
        CHECK(angle(0.98 * range->from_m_s) <= 0);
    }
    const Run run = computeRun(d, {}, kFineRetrieve);
    REQUIRE(run.levelTrim);
    Derived wants = d;
    auto design = std::make_shared<Design>(*d.design);
    design->brief.wantedDepth_m = run.path.maxDepth_m;
    wants.design = design;
    const auto pull = pullForWantedDepth_N(wants, *run.levelTrim);
    REQUIRE(pull);
    // A pull growing with the square of the speed at a held angle gives the depth to some percent
    // (own calculation), and depth goes with about the square root of the pull.
    CHECK(*pull == Approx(run.levelTrim->tension_N).epsilon(0.15));
    design->brief.wantedDepth_m *= 1.3;
    CHECK(*pullForWantedDepth_N(wants, *run.levelTrim) > *pull);
}

TEST_CASE("a cadence of one part at the reel's speed is the retrieve, and a pause lets it go") {
    Design design = demoDesign();
    const Run steady = computeRun(evaluated(design), {}, kFineRetrieve);
    REQUIRE(steady.depthKnown);
    CHECK_FALSE(steady.cadence);
    design.brief.cadence = {{design.brief.retrieveSpeed_m_s, 60.0}};
    const Run one = computeRun(evaluated(design), {}, kFineRetrieve);
    REQUIRE(one.cadence);
    REQUIRE(one.cadence->told);
    CHECK(one.cadence->deepest_m == Approx(steady.path.maxDepth_m).epsilon(1e-9));
    CHECK(one.path.maxDepth_m == steady.path.maxDepth_m);

    design.brief.cadence = {{design.brief.retrieveSpeed_m_s, 5.0}, {0.0, 2.0}};
    const Derived d = evaluated(design);
    REQUIRE(d.rest->net_kg > 0);
    const Run stops = computeRun(d, {}, kFineRetrieve);
    REQUIRE(stops.cadence);
    REQUIRE(stops.cadence->told);
    // A floater rises while it is let go, at its own speed where the line does not hold it.
    const double speed = std::abs(d.rest->fall.speed_m_s);
    CHECK(stops.cadence->longestPause_m <= -0.99 * speed * 2.0);
    int slack = 0;
    for (size_t i = 1; i < stops.cadence->points.size(); ++i) {
        const CadencePoint &a = stops.cadence->points[i - 1], &b = stops.cadence->points[i];
        CHECK(b.time_s >= a.time_s);
        CHECK(b.depth_m >= 0);
        if (b.state == CadenceState::Drawn && a.state == CadenceState::Drawn) {
            CHECK(b.fromRod_m <= a.fromRod_m + 1e-6);
        }
        if (b.state == CadenceState::Slack && b.depth_m > 0) {
            CHECK(a.depth_m - b.depth_m == Approx(speed * (b.time_s - a.time_s)).epsilon(1e-6));
            ++slack;
        }
        if (b.part == 1) {
            CHECK(b.depth_m <= a.depth_m + 1e-9);
        }
    }
    CHECK(slack > 0);
    CHECK(stops.cadence->points.back().time_s > one.cadence->points.back().time_s);
    design.brief.cadence = {{0.0, 5.0}};
    CHECK(computeRun(evaluated(design), {}, kFineRetrieve).cadence->points.size() < 100);
}

TEST_CASE("a sinker paused on a taut line swings about the rod tip, down to the bottom at most") {
    Design design = demoNamed("lipless");
    design.brief.countdown_s = 3;
    design.brief.cadence = {{1.2, 2.0}, {0.0, 4.0}};
    design.brief.waterDepth_m = 2.0;
    const Derived d = evaluated(design);
    REQUIRE(d.rest->net_kg < 0);
    const Run run = computeRun(d, {}, kFineRetrieve);
    REQUIRE(run.cadence);
    bool swung = false, lay = false;
    double line = 0;
    const auto reach = [&](const CadencePoint& p) {
        return std::hypot(p.fromRod_m, p.depth_m + design.brief.rodTipHeight_m);
    };
    for (const CadencePoint& p : run.cadence->points) {
        CHECK(p.depth_m <= 2.0);
        lay = lay || p.state == CadenceState::OnBottom;
        if (p.state == CadenceState::Drawn) {
            line = reach(p);
        } else if (p.state == CadenceState::Swings) {
            swung = true;
            CHECK(reach(p) <= line + 1e-9);
        }
    }
    CHECK(swung);
    CHECK(lay);
    CHECK(run.cadence->shareOnBottom > 0);
}

TEST_CASE(
    "against the current a bait runs as one reeled faster, and one that outruns the reel is "
    "slack") {
    Design design = demoDesign();
    const double still = depthOf(design);
    design.brief.current_m_s = -0.3;
    CHECK(depthOf(design) > still);
    design.brief.current_m_s = 0.2;
    CHECK(depthOf(design) < still);
    // Crawled in against a stream it hangs as a trolled one does at their sum.
    design.brief.current_m_s = -0.9;
    design.brief.retrieveSpeed_m_s = 0.1;
    const Derived slow = evaluated(design);
    const Run crawl = computeRun(slow, {}, kFineRetrieve);
    REQUIRE(crawl.depthKnown);
    Design trolled = demoDesign();
    trolled.brief.retrieveSpeed_m_s = 1.0;
    trolled.brief.trolledLine_m = crawl.path.maxDepthFromRod_m;
    const Run towed = computeRun(evaluated(trolled), {}, kFineRetrieve);
    REQUIRE(towed.trolledDepth_m);
    CHECK(crawl.path.maxDepth_m == Approx(*towed.trolledDepth_m).epsilon(0.12));
    design = demoDesign();
    design.brief.current_m_s = design.brief.retrieveSpeed_m_s + 0.2;
    const Run carried = computeRun(evaluated(design), {}, kFineRetrieve);
    CHECK_FALSE(carried.depthKnown);
}

TEST_CASE("a leader of the line's own stuff changes nothing, a thicker one costs depth") {
    Design design = demoDesign();
    design.brief.lineKind = design.brief.leaderKind = LineKind::Nylon;
    design.brief.leaderDiameter_m = design.brief.lineDiameter_m;
    const double plain = depthOf(design);
    design.brief.leaderLength_m = 1.5;
    CHECK(depthOf(design) == Approx(plain).epsilon(2e-4));
    design.brief.leaderDiameter_m = 3 * design.brief.lineDiameter_m;
    CHECK(depthOf(design) < plain);
    design.brief.leaderLength_m = 10;
    design.brief.leaderDiameter_m = design.brief.lineDiameter_m;
    CHECK(depthOf(design) == Approx(plain).epsilon(2e-4));
}

TEST_CASE("line out, trolled, is taken when it is given") {
    Design design = demoDesign();
    const Run asCast = computeRun(evaluated(design), {}, kFineRetrieve);
    design.brief.trolledLine_m = design.brief.castLength_m;
    CHECK(computeRun(evaluated(design), {}, kFineRetrieve).trolledDepth_m == asCast.trolledDepth_m);
    design.brief.trolledLine_m = 2 * design.brief.castLength_m;
    CHECK(*computeRun(evaluated(design), {}, kFineRetrieve).trolledDepth_m >
          *asCast.trolledDepth_m);
}

TEST_CASE("a sweep is the bait reckoned at each value, a map is its sweeps") {
    const Derived d = evaluated(demoDesign());
    const double now = d.design->lip.angle_rad;
    const auto swept = sweepField(d, "/lip/angle", now - 0.1, now + 0.1, 5);
    REQUIRE(swept);
    REQUIRE(swept->size() == 5);
    for (const SweptPoint& p : *swept) {
        Design there = *d.design;
        there.lip.angle_rad = p.value;
        const Run run = computeRun(evaluated(there), {}, kCoarseRetrieve);
        REQUIRE(p.depth_m);
        CHECK(*p.depth_m == Approx(run.path.maxDepth_m).epsilon(1e-12));
        CHECK(*p.pull_N == Approx(run.levelTrim->tension_N));
    }
    const MapAxis across{"/lip/angle", now - 0.1, now + 0.1, 5};
    const MapAxis up{"/brief/retrieve_speed", 0.8, 1.2, 3};
    const auto map = mapDepth(d, across, up);
    REQUIRE(map);
    for (int row = 0; row < 3; ++row) {
        Design level = *d.design;
        level.brief.retrieveSpeed_m_s = up.at(row);
        const auto along = sweepField(evaluated(level), "/lip/angle", now - 0.1, now + 0.1, 5);
        for (int i = 0; i < 5; ++i) {
            CHECK(map->depth_m[size_t(5 * row + i)].value() ==
                  Approx(*(*along)[size_t(i)].depth_m).epsilon(1e-12));
        }
    }
    CHECK(sweepField(d, "/lip/nothing", 0, 1, 3).error().code == "field.unknown");
    CHECK(sweepField(d, "/lip/present", 0, 1, 3).error().code == "sweep.no_number");
    // Where a bait cannot be built nothing is told.
    const auto absurd = sweepField(d, "/body/stations/0/position", 0.0, 0.05, 3);
    REQUIRE(absurd);
    CHECK_FALSE(absurd->back().depth_m);
    std::stop_source stop;
    stop.request_stop();
    CHECK(mapDepth(d, across, up, stop.get_token()).error().code == "sweep.cancelled");
}

TEST_CASE("a bait slack from the splash on has its levers from where the line is taut") {
    int slack = 0;
    for (double speed = 1.0; speed > 0.3 && slack == 0; speed -= 0.05) {
        Design design = demoNamed("lipless");
        design.brief.castLength_m = 40;
        design.brief.retrieveSpeed_m_s = speed;
        const Derived d = evaluated(design);
        const Run run = computeRun(d, {}, kCoarseRetrieve);
        if (run.depthKnown && run.tautFrom_m < 0.9 * design.brief.castLength_m) {
            ++slack;
            for (const Lever& lever : leversOf(d, 0)) {
                CHECK(lever.depth_m);
            }
        }
    }
    CHECK(slack == 1);
}

TEST_CASE("a contour of a plane is the straight line it is") {
    DepthMap map{{"a", 0, 4, 9}, {"b", 0, 2, 5}, {}};
    for (int y = 0; y < 5; ++y) {
        for (int x = 0; x < 9; ++x) {
            map.depth_m.push_back(0.5 * map.across.at(x) + map.up.at(y));
        }
    }
    double length = 0;
    for (const auto& cut : contourOf(map, 1.7)) {
        for (const Eigen::Vector2d& end : cut) {
            CHECK(0.5 * end.x() + end.y() == Approx(1.7).epsilon(1e-12));
        }
        length += (cut[1] - cut[0]).norm();
    }
    // From (0, 1.7) to (3.4, 0).
    CHECK(length == Approx(std::hypot(3.4, 1.7)).epsilon(1e-9));
    map.depth_m[12].reset();
    CHECK(contourOf(map, 1.7).size() < 20);
}

TEST_CASE("levers have the signs the trade knows, and say how sure they are") {
    const Derived d = evaluated(demoDesign());
    const std::vector<Lever> levers = leversOf(d, 12);
    const auto of = [&](Lever::What what) {
        const auto at = std::find_if(levers.begin(), levers.end(),
                                     [what](const Lever& l) { return l.what == what; });
        REQUIRE(at != levers.end());
        REQUIRE(at->depth_m);
        return *at;
    };
    // Common practice, no source.
    CHECK(*of(Lever::What::Line).depth_m < 0);
    CHECK(*of(Lever::What::Cast).depth_m > 0);
    CHECK(*of(Lever::What::RodTip).depth_m < 0);
    CHECK(*of(Lever::What::LipAngle).depth_m < 0);
    for (const auto what : {Lever::What::Line, Lever::What::Cast, Lever::What::RodTip}) {
        CHECK(*of(what).sure == Approx(1.0));
    }
    for (const Lever& lever : levers) {
        if (lever.sure) {
            CHECK(*lever.sure >= 0);
            CHECK(*lever.sure <= 1);
        }
    }
    Design lipless = demoNamed("lipless");
    lipless.brief.countdown_s = 3;
    for (const Lever& lever : leversOf(evaluated(lipless), 0)) {
        CHECK(lever.what != Lever::What::LipAngle);
        CHECK(lever.what != Lever::What::Tie);
        CHECK_FALSE(lever.sure);
    }
}
