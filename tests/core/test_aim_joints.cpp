// Joints for a wished walk: what is told holds when the bait is reckoned afresh.
#include <catch2/catch.hpp>
#include <cmath>

#include "core/aim/joints.h"
#include "core/joint/joint_layout.h"
#include "core/reckon/tow.h"
#include "core/rules/check_design.h"
#include "support/aimed.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("a joint for a wished width is cut where it says, opens as it says, and walks so",
          "[again]") {
    const Derived d = evaluated(demoNamed("glide-bait"));
    const double speed = towSpeed_m_s(d);
    const ChainTrial drawn = chainTrial(d, speed);
    REQUIRE(drawn.width_m > 0);
    JointWish wish;
    wish.width_m = WishedBand{0.5 * drawn.width_m, 0.7 * drawn.width_m};
    const auto ways = aimJoints(d, wish, speed);
    REQUIRE(ways);
    REQUIRE(ways->size() > 5);
    const JointWay& best = ways->front();
    CHECK(best.met);
    for (const JointWay& way : *ways) {
        CHECK(way.off >= 0);
        CHECK(way.met ==
              (way.does.verdict == GlideVerdict::Walks && way.off == 0 && way.against.empty()));
        // The order: what meets first, then the nearest.
        CHECK((way.met || &way == &best || way.off >= best.off || best.met));
        const auto cuts = layOutJoints(way.design, d.shape->curves);
        REQUIRE(cuts);
        const JointCut& cut = (*cuts)[way.joint];
        CHECK(cut.opening.opening_rad == Approx(way.opening_rad).margin(0.02 * kDegree));
        CHECK(way.design.joints[way.joint].x_m == way.place_m);
        CHECK(way.design.joints[way.joint].bevelRear_rad == way.bevel_rad);
        // At the opening's edge the faces just touch.
        CHECK(std::abs(clearanceAt(cut.plan, cut.opening.faceOpening_rad)) < 1e-6);
    }
    // Reckoned afresh it does the same, and only that joint differs from the drawing.
    const ChainTrial again = chainTrial(evaluated(best.design), speed);
    CHECK(again.width_m == Approx(best.does.width_m));
    CHECK(again.width_m >= wish.width_m->low);
    CHECK(again.width_m <= wish.width_m->high);
    Design undone = best.design;
    undone.joints = d.design->joints;
    CHECK(undone == *d.design);
    // What no joint gives is said to miss, nearest first.
    wish.width_m = WishedBand{50 * drawn.width_m, 60 * drawn.width_m};
    const auto far = aimJoints(d, wish, speed);
    REQUIRE(far);
    CHECK_FALSE(far->front().met);
    CHECK(far->front().off > 1);
}

TEST_CASE("a wish of joints that says nothing of such a bait is refused, one stopped says so") {
    const Derived walked = evaluated(demoNamed("glide-bait"));
    JointWish beats;
    beats.beats_1_s = WishedBand{2, 3};
    const auto refused = aimJoints(walked, beats, 0.5);
    REQUIRE_FALSE(refused);
    CHECK(refused.error().code == "aim.no_target");
    JointWish turned;
    turned.turn_rad = WishedBand{2, 1};
    const auto round = aimJoints(walked, turned, 0.5);
    REQUIRE_FALSE(round);
    CHECK(round.error().code == "aim.band");
    CHECK(round.error().path == "/aim/turn_low");
    JointWish width;
    width.width_m = WishedBand{0.1, 0.2};
    std::stop_source stop;
    stop.request_stop();
    const auto stopped = aimJoints(walked, width, 0.5, stop.get_token());
    REQUIRE_FALSE(stopped);
    CHECK(stopped.error().code == "aim.stopped");
    // An end left empty stands a quarter from the other; beats as times of now are none.
    Design design = demoNamed("glide-bait");
    design.aim.turn.low = 40 * kDegree;
    design.aim.relative = true;
    design.aim.beats.low = 3;
    const JointWish wish = jointWishOf(design);
    CHECK(wish.turn_rad->high == Approx(50 * kDegree));
    CHECK_FALSE(wish.beats_1_s);
    CHECK_FALSE(wish.width_m);
}

TEST_CASE("a joint that would cut what lies in the body is not as wished, whatever it walks",
          "[again]") {
    Design design = demoNamed("glide-bait");
    REQUIRE_FALSE(design.bores.empty());
    const Derived d = evaluated(design);
    JointWish wish;
    wish.width_m = WishedBand{0.02, 3};  // any walk
    const auto ways = aimJoints(d, wish, towSpeed_m_s(d));
    REQUIRE(ways);
    bool erred = false;
    for (const JointWay& way : *ways) {
        const auto findings = checkDesign(evaluated(way.design));
        const bool error = std::any_of(findings.begin(), findings.end(), [](const Finding& f) {
            return f.severity == Severity::Error;
        });
        CHECK(error == !way.against.empty());
        CHECK_FALSE((error && way.met));
        CHECK_FALSE((erred && !error && !way.met));  // those come behind
        erred = erred || error;
    }
    CHECK(erred);  // a tenth of the length farther forward or aft a bore is met
}
