// Holes meant to be open at the skin, things meant to meet, and the tie that is an eye.
#include <catch2/catch.hpp>

#include "core/clearance/clearance.h"
#include "core/design/fields.h"
#include "core/plan/plan_lead.h"
#include "files/design_file.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

std::vector<Finding> allFindings(const Design& design) {
    const Derived d = evaluated(design);
    std::vector<Finding> all = checkDesign(d);
    checkSkinWalls(design, d, all, false);
    return all;
}

const Finding* of(const std::vector<Finding>& all, const std::string& path) {
    for (const Finding& f : all) {
        if (f.path.starts_with(path)) {
            return &f;
        }
    }
    return nullptr;
}

const ProposedEdit* meantEdit(const std::vector<Finding>& all) {
    for (const Finding& f : all) {
        for (const ProposedEdit& edit : f.edits) {
            if (!edit.meetings.empty()) {
                return &edit;
            }
        }
    }
    return nullptr;
}

// A through-wire low in the body with a belly loop, in a slot sawn for it up to the loop.
Design wired() {
    Design d = demoDesign();
    d.bores.clear();
    d.fittings.clear();
    d.lip.present = false;
    d.wire.present = true;
    d.wire.z_m = 0.0;
    d.wire.drops = {{"belly loop", 0.038, false, 0.0025}};
    return d;
}

}  // namespace

TEST_CASE("eye sockets of any sensible depth pass - one that goes through does not") {
    Design d = demoDesign();
    d.features.clear();
    Feature socket;
    socket.name = "eye socket";
    socket.x_m = 0.012;
    socket.z_m = 0.004;
    socket.diameter_m = 0.006;
    socket.mirrored = true;
    for (const double deep : {0.0005, 0.001, 0.0015, 0.002, 0.0025, 0.003, 0.004}) {
        socket.depth_m = deep;
        d.features = {socket};
        const std::vector<Finding> all = allFindings(d);
        const Finding* f = of(all, "/features/0");
        INFO(deep * 1e3 << " " << (f ? f->code : ""));
        CHECK(f == nullptr);
        CHECK(planLead(d).ok());
    }
    // Two from opposite sides meet in the middle, and one alone comes out on the far side.
    const double half = evaluated(d).shape->curves.atX(0.012).halfWidth_m;
    socket.mirrored = false;
    socket.depth_m = 2 * half + 0.001;
    d.features = {socket};
    const std::vector<Finding> through = allFindings(d);
    REQUIRE(of(through, "/features/0") != nullptr);
    CHECK(of(through, "/features/0")->severity == Severity::Error);
    socket.depth_m = 2 * half - 0.0009;
    d.features = {socket};
    REQUIRE(of(allFindings(d), "/features/0") != nullptr);  // too little wall under it
}

TEST_CASE("a bore along the flank still has its wall beside it judged") {
    Design d = demoDesign();
    const double half = evaluated(d).shape->curves.atX(d.bores[1].x_m).halfWidth_m;
    d.bores[1].y_m = half - 0.5 * d.bores[1].diameter_m - 0.0008;
    const Finding* f = nullptr;
    const std::vector<Finding> all = allFindings(d);
    f = of(all, "/bores/1");
    REQUIRE(f != nullptr);
    d.bores[1].y_m = half - 0.25 * d.bores[1].diameter_m;
    CHECK_FALSE(planLead(d));
}

TEST_CASE("a through-wire comes out as loops at the skin and from its slot without complaint") {
    Design d = wired();
    for (const double slot : {0.0, 0.0012}) {
        d.wire.slotWidth_m = slot;
        for (const Finding& f : allFindings(d)) {
            INFO(f.code << " " << f.path);
            CHECK_FALSE(f.path.starts_with("/through_wire"));
        }
    }
    // A slot sawn as a hole of its own, in which part of the wire lies: the rest leaves it.
    Feature slot;
    slot.name = "belly slot";
    slot.kind = FeatureKind::SawGroove;
    slot.from = FeatureFrom::Belly;
    slot.x_m = 0.038;
    slot.length_m = 0.03;
    slot.width_m = 0.0014;
    slot.depth_m = 0.014;
    d.features = {slot};
    for (const Finding& f : allFindings(d)) {
        INFO(f.code << " " << f.path);
        CHECK(f.code != "wall.run_together");
    }
    // What is really too near the skin is still told.
    d.features.clear();
    d.wire.drops.clear();
    const Section s = evaluated(d).shape->curves.atX(0.05);
    d.wire.z_m = s.belly_m + 0.0011;
    CHECK(of(allFindings(d), "/through_wire") != nullptr);
}

TEST_CASE(
    "what runs together is offered as meant, noted, planned with, and what must hold is held") {
    Design d = demoDesign();
    // A pocket milled from the side over the chin bore, for a cast weight and its cover.
    Feature pocket;
    pocket.name = "side pocket";
    pocket.kind = FeatureKind::Pocket;
    pocket.from = FeatureFrom::Side;
    const Derived plain = evaluated(d);
    const BoreGeometry& bore = plain.mass->bores[0];
    pocket.x_m = d.bores[0].x_m;
    pocket.z_m = (bore.mouth_m + 0.7 * d.bores[0].depth_m * bore.inward).z();
    pocket.length_m = 0.008;
    pocket.width_m = 0.005;
    pocket.depth_m = plain.shape->curves.atX(pocket.x_m).halfWidth_m;
    d.features = {pocket};
    const Result<LeadPlan> refused = planLead(d);
    REQUIRE_FALSE(refused);
    CHECK(refused.error().code == "plan.clash");
    const std::vector<Finding> before = allFindings(d);
    const ProposedEdit* meant = meantEdit(before);
    REQUIRE(meant != nullptr);
    const Result<Design> noted = withEdit(d, *meant);
    REQUIRE(noted);
    REQUIRE(noted->meetings.size() == 1);
    CHECK(noted->meetings[0].second == MeetingEnd{RecordList::Features, "side pocket"});
    CHECK(withEdit(*noted, *meant)->meetings.size() == 1);  // once is enough
    for (const Finding& f : allFindings(*noted)) {
        CHECK(f.code != "wall.run_together");
    }
    CHECK(planLead(*noted));
    // It is kept with the design, and a name that is gone is said.
    CHECK(readDesign(writeDesign(*noted))->meetings == noted->meetings);
    Design renamed = *noted;
    renamed.features[0].name = "something else";
    CHECK(findingOf(evaluated(renamed), "meeting.not_there"));
    // Named anew as a maker does it, what calls it by its name follows.
    const Design anew = *withText(*noted, "/features/0/name", "something else");
    CHECK(anew.meetings[0].second.name == "something else");
    CHECK_FALSE(findingOf(evaluated(anew), "meeting.not_there"));
    // A bore of the same name is not meant.
    Design bored = *noted;
    bored.features[0].name = "something else";
    bored.bores[0].name = "side pocket";
    CHECK(findingOf(evaluated(bored), "meeting.not_there"));

    // A lip over the wire: meant, unless the notch leaves no sheet beside it.
    Design lipped = wired();
    lipped.lip = demoDesign().lip;
    lipped.wire.z_m = lipped.lip.slotZ_m + 0.001;
    lipped.meetings = {{MeetingKind::SlottedOver, {RecordList::Lip}, {RecordList::Wire}}};
    CHECK_FALSE(findingOf(evaluated(lipped), "meeting.lip_weak"));
    lipped.lip.rootWidth_m = 0.0028;
    CHECK(findingOf(evaluated(lipped), "meeting.lip_weak"));

    // A pin thicker than the hole it is said to pass through.
    Design tight = *noted;
    Feature pilot;
    pilot.name = "pin hole";
    pilot.kind = FeatureKind::PilotHole;
    pilot.from = FeatureFrom::Tail;
    pilot.z_m = 0.0;
    pilot.diameter_m = 0.003;
    pilot.depth_m = 0.01;
    Feature fin;
    fin.name = "fin slot";
    fin.kind = FeatureKind::Slot;
    fin.from = FeatureFrom::Tail;
    fin.length_m = 0.01;
    fin.width_m = 0.0012;
    fin.depth_m = 0.01;
    tight.features = {pilot, fin};
    tight.meetings = {{MeetingKind::PassesThrough,
                       {RecordList::Features, "pin hole"},
                       {RecordList::Features, "fin slot"}}};
    CHECK(findingOf(evaluated(tight), "meeting.too_tight"));
    tight.features[0].diameter_m = 0.001;
    CHECK_FALSE(findingOf(evaluated(tight), "meeting.too_tight"));
}

TEST_CASE("an eye that is the hinge pin as well is offered as meant, and then planned with") {
    Design d = demoNamed("glide-bait");
    const Derived plain = evaluated(d);
    REQUIRE(plain.shape->joints.size() == 1);
    REQUIRE(planLead(d));
    Fitting eye;
    eye.kind = FittingKind::ScrewEye;
    eye.name = "hinge eye";
    eye.x_m = plain.shape->joints[0].pinX_m;
    eye.size_m = 0.006;
    eye.wire_m = 0.0012;
    eye.shank_m = 0.016;
    eye.stemFrom = FeatureFrom::Belly;
    eye.z_m = plain.shape->curves.atX(eye.x_m).belly_m - 0.002;
    d.fittings.push_back(eye);
    const Result<LeadPlan> refused = planLead(d);
    REQUIRE_FALSE(refused);
    CHECK(refused.error().code == "plan.clash");
    Design noted = d;
    for (int i = 0; i < 3; ++i) {  // the pin, and the pocket it stands in
        const std::vector<Finding> all = allFindings(noted);
        if (const ProposedEdit* meant = meantEdit(all)) {
            noted = *withEdit(noted, *meant);
        }
    }
    REQUIRE_FALSE(noted.meetings.empty());
    CHECK(noted.meetings[0].first == MeetingEnd{RecordList::Fittings, "hinge eye"});
    CHECK(planLead(noted));
}

TEST_CASE("hooks and eyes on side pieces belong to the bait - what hangs in mid-air does not") {
    Design d = demoDesign();
    Appendage claw;
    claw.body = ellipsoidBody(0.03, 0.004, 0.004, 9, false);
    claw.hingeY_m = 0.012;
    claw.splay_rad = 80 * kDegree;
    d.appendages = {claw};
    Fitting eye;
    eye.kind = FittingKind::Other;
    eye.name = "claw eye";
    eye.x_m = 0.03;
    eye.y_m = 0.055;
    d.fittings.push_back(eye);
    const std::string path = "/fittings/" + std::to_string(d.fittings.size() - 1);
    CHECK_FALSE(findingOf(evaluated(d), "fitting.off_the_bait"));
    d.appendages.clear();
    const std::vector<Finding> off = allFindings(d);
    REQUIRE(of(off, path) != nullptr);
    CHECK(of(off, path)->code == "fitting.off_the_bait");
}

TEST_CASE("the tie is the eye: it moves with it, and ties without one are told") {
    Design d = demoDesign();
    d.tie = {};
    d.tie.x_m = 0.02;
    d.tie.z_m = 0.05;
    CHECK(findingOf(evaluated(d), "tie.mid_air"));
    const std::vector<std::string> eyes = eyeNames(d);
    REQUIRE_FALSE(eyes.empty());
    d.tie.eye = eyes[0];
    const Derived tied = evaluated(d);
    CHECK_FALSE(findingOf(tied, "tie.mid_air"));
    CHECK((tiePoint(d) - *eyePlace(d, eyes[0])).norm() == 0.0);
    for (Fitting& f : d.fittings) {
        f.x_m += f.name == eyes[0] ? 0.003 : 0.0;
    }
    CHECK(tiePoint(d).x() == Approx(eyePlace(demoDesign(), eyes[0])->x() + 0.003));
    CHECK(*readDesign(writeDesign(d)) == d);
    d.tie.eye = "no such eye";
    CHECK(findingOf(evaluated(d), "tie.eye_missing"));
    // A third to half back on a lipless bait (common practice, no source).
    Design lipless = demoNamed("lipless");
    CHECK_FALSE(findingOf(evaluated(lipless), "tie.lipless_place"));
    lipless.tie.x_m = 0.014;
    lipless.tie.z_m = evaluated(lipless).shape->curves.atX(0.014).back_m + 0.002;
    REQUIRE(findingOf(evaluated(lipless), "tie.lipless_place"));
    const auto offer = findingOf(evaluated(lipless), "tie.no_eye");
    REQUIRE(offer);
    REQUIRE_FALSE(offer->edits.empty());
    const Result<Design> eyed = withEdit(lipless, offer->edits[0]);
    REQUIRE(eyed);
    CHECK(eyed->tie.eye == "back eye");
}
