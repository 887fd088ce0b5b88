// Bad and doubtful designs are met with a finding at the place, and cures that cure.
#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>

#include "core/clearance/clearance.h"
#include "core/design/fields.h"
#include "files/design_file.h"
#include "files/embedded_data.h"
#include "support/sample_bait.h"
#include "support/thorough.h"
#include "text/sentences.h"

using namespace wl;
using namespace wl::test;

namespace {

const Finding* findingIn(const std::vector<Finding>& findings, const std::string& code) {
    const auto found = std::find_if(findings.begin(), findings.end(),
                                    [&code](const Finding& f) { return f.code == code; });
    return found == findings.end() ? nullptr : &*found;
}

std::vector<Finding> towFindings(const Design& design) {
    const Derived d = evaluated(design);
    return checkRun(d, computeRun(d));
}

// The change must raise the finding at the path, with a sentence, and each cure must remove it.
template <class Spoil>
void checkFinding(const std::string& code, const std::string& path, Spoil spoil,
                  Design d = demoDesign()) {
    INFO(code);
    REQUIRE_FALSE(findingOf(evaluated(d), code));
    spoil(d);
    const Derived spoiled = evaluated(d);
    const std::optional<Finding> f = findingOf(spoiled, code);
    REQUIRE(f);
    CHECK(f->path == path);
    CHECK(englishFor(f->code) != f->code);
    for (const ProposedEdit& edit : f->edits) {
        const Result<Design> cured = withEdit(d, edit);
        REQUIRE(cured.ok());
        CHECK_FALSE(findingOf(evaluated(*cured), code));
    }
}

}  // namespace

TEST_CASE("faults of the design are found where they are") {
    checkFinding("bore.comes_out", "/bores/0/depth", [](Design& d) { d.bores[0].depth_m = 0.03; });
    checkFinding("bore.thin_beyond", "/bores/1/depth", [](Design& d) {
        d.bores[1].diameter_m = 0.002;
        d.bores[1].depth_m += evaluated(d).mass->bores[1].wallBeyond_m - 0.0006;
    });
    checkFinding("bore.misses_body", "/bores/0/x", [](Design& d) { d.bores[0].x_m = 0.2; });
    checkFinding("bore.plug_too_long", "/bores/0/plug_length",
                 [](Design& d) { d.bores[0].plugLength_m = 0.05; });
    checkFinding("wall.run_together", "/bores/1/x", [](Design& d) { d.bores[1].x_m = 0.026; });
    checkFinding("bore.meets_bore", "/bores/1/x", [](Design& d) { d.bores[1].x_m = 0.0325; });
    checkFinding("lip.longer_than_bait", "/lip/length", [](Design& d) { d.lip.length_m = 0.1; });
    checkFinding("lip.much_wider", "/lip/width", [](Design& d) { d.lip.width_m = 0.04; });
    checkFinding("tie.off_the_lip", "/tie/up_lip", [](Design& d) { d.tie.upLip_m = 0.05; });
    checkFinding("fitting.eye_missing", "/fittings/5/hangs_from",
                 [](Design& d) { d.fittings[5].hangsFrom = "no such eye"; });
    checkFinding("fitting.hook_too_long", "/fittings/5/size",
                 [](Design& d) { d.fittings[5].size_m = 0.08; });
    checkFinding("stock.disagrees", "/pieces/0/stock/weighed_body",
                 [](Design& d) { d.pieces[0].stock.weighedBody_kg = 0.0095; });
    checkFinding("rest.too_light", "/brief/wanted_spare",
                 [](Design& d) { d.bores[0].plugLength_m = 0; });
    checkFinding("rest.leans_port", "/bores/0", [](Design& d) { d.bores[0].y_m = 0.003; });
}

TEST_CASE("faults of joints, holes and making are found where they are") {
    const Design swimmer = demoNamed("swimmer");
    checkFinding(
        "joint.uneven_bevels", "/joints/0/bevel_rear",
        [](Design& d) { d.joints[0].bevelRear_rad = 25 * kDegree; }, swimmer);
    checkFinding(
        "joint.pin_too_long", "/joints/1/pin_length",
        [](Design& d) { d.joints[1].pinLength_m = 0.03; }, swimmer);
    checkFinding(
        "joint.pocket_wall", "/joints/0/pocket_width",
        [](Design& d) { d.joints[0].pocketWidth_m = 0.0195; }, swimmer);
    for (const auto& [code, x] :
         {std::pair{"wall.run_together", 0.049}, {"joint.pocket_into", 0.0452}}) {
        checkFinding(
            code, "/joints/0/pocket_depth",
            [x = x](Design& d) {
                d.bores[0].x_m = x;
                d.bores[0].depth_m = 0.016;
            },
            swimmer);
    }
    checkFinding(
        "joint.wood_on_metal", "/joints/0/pin_aft",
        [](Design& d) { d.joints[0].pocket = PocketIn::None; }, swimmer);
    checkFinding(
        "joint.stiff", "/joints/1/gap",
        [](Design& d) {
            d.joints[1].gap_m = 0.0001;
            d.joints[1].pinAft_m = 0;
            d.joints[1].bevelFront_rad = d.joints[1].bevelRear_rad = 0;
        },
        swimmer);
    checkFinding(
        "piece.floats_alone", "/pieces/2",
        [](Design& d) { d.bores[0].depth_m = d.bores[0].plugLength_m = 0.016; }, swimmer);
    auto feature = [](Design& d) -> Feature& {
        d.features.push_back({});
        return d.features.back();
    };
    checkFinding("feature.misses_body", "/features/0/x", [&](Design& d) { feature(d).x_m = 0.3; });
    checkFinding("feature.comes_out", "/features/0/depth",
                 [&](Design& d) { feature(d).depth_m = 0.03; });
    checkFinding("feature.thin_wall", "/features/0/depth", [&](Design& d) {
        Feature& f = feature(d);
        f.x_m = 0.03;
        f.depth_m = evaluated(d).mass->features[0].cuts[0].wallBeyond_m + f.depth_m - 0.0006;
    });
    checkFinding("cut.meets_cut", "/features/0/x", [&](Design& d) {
        Feature& f = feature(d);
        f.x_m = 0.024;
        f.z_m = -0.006;
        f.depth_m = 0.0055;
    });
    checkFinding("make.not_round", "/body/stations/1/half_width",
                 [](Design& d) { d.make.kind = MakeKind::Turned; });
    checkFinding("make.short_grain", "/make/grain",
                 [](Design& d) { d.make.grain = GrainDirection::Across; });
    checkFinding("make.groove_wall", "/make/halves/groove_z",
                 [](Design& d) { d.make.halves = {true, 0.002, 0.003, 0.01, 0.06, 0.011, 1150}; });
    checkFinding("make.print_solid", "/make/print/shell", [](Design& d) {
        d.make.kind = MakeKind::Printed;
        d.make.print.shell_m = 0.02;
    });
    auto sheets = [](Design& d, double thick) {
        d.make.kind = MakeKind::Layered;
        d.make.layers = {{"a", thick, 400}, {"b", thick, 400}, {"c", thick, 400}};
    };
    checkFinding("make.layers_short", "/make/layers/0/thickness",
                 [&](Design& d) { sheets(d, 0.004); });
    checkFinding("make.cavity_wall", "/make/cavities/0/x", [&](Design& d) {
        sheets(d, 0.008);
        d.make.cavities = {{2, 0.005, 0.0, 0.02, 0.006, 0.0}};
    });
    checkFinding("make.cavity_no_layer", "/make/cavities/0/layer", [&](Design& d) {
        sheets(d, 0.008);
        d.make.cavities = {{5, 0.03, 0.0, 0.01, 0.004, 0.0}};
    });
    checkFinding("make.leak_unknown", "/make/print/wet_mass", [](Design& d) {
        d.make.kind = MakeKind::Printed;
        d.make.print.leaks = true;
        d.make.print.wetMass_kg = d.make.print.dryMass_kg;
    });
    checkFinding("piece.rubs", "/appendages/0/swing", [](Design& d) {
        Appendage claw;
        claw.body = ellipsoidBody(0.008, 0.002, 0.003, 7, false);
        claw.swing_rad = 90 * kDegree;
        d.appendages.push_back(claw);
    });
}

TEST_CASE("every demo is whole: no error, its lead as planned, its story consistent") {
    for (const Demo& demo : demos()) {
        INFO(demo.name);
        const Design d = demoNamed(demo.name);
        CHECK(writeDesign(d) == demo.text);
        const Derived e = evaluated(d);
        for (const Finding& f : checkDesign(e)) {
            INFO(f.code);
            CHECK(f.severity == Severity::Note);
        }
        std::vector<Finding> walls;
        checkSkinWalls(d, e, walls);
        CHECK(walls.empty());
        CHECK(std::abs(e.mass->mass_kg - e.wantedMass_kg) < 0.1e-3);
        CHECK(d.brief.temperature_K == demoDesign().brief.temperature_K);
        const Run run = computeRun(e);
        CHECK(run.depthKnown);
    }
}

TEST_CASE("a field of words is changed by its path, and by an edit beside its number") {
    const Design d = demoDesign();
    const Result<Design> named = withText(d, "/bores/1/plug_material", "tin");
    REQUIRE(named.ok());
    CHECK(named->bores[1].plugMaterial == "tin");
    CHECK(named->bores[0].plugMaterial == d.bores[0].plugMaterial);
    for (const char* path : {"", "/", "/bores/1/plug_metal", "/bores/9/plug_material",
                             "/bores/1/depth", "/bores/1", "/lip/material/x"}) {
        INFO(path);
        CHECK(withText(d, path, "tin").error().code == "field.unknown");
    }
    const Result<Design> endless = withText(d, "/lip/material", std::string(100000, 'x'));
    CHECK(endless.error().code == "file.too_long");
    CHECK(endless.error().path == "/lip/material");
    const ProposedEdit edit{"edit.metal_lip",
                            {{"/lip/density", 8000.0}, {"/lip/material", {}, "brass"}}};
    const Result<Design> edited = withEdit(d, edit);
    REQUIRE(edited.ok());
    CHECK(edited->lip.material == "brass");
    CHECK(edited->lip.density_kg_m3 == 8000);
    ProposedEdit wrong = edit;
    wrong.changes[0].value = -1.0;
    CHECK(withEdit(d, wrong).error().code == "field.out_of_range");
}

TEST_CASE("fields refuse what cannot be right and keep the design") {
    const Design d = demoDesign();
    auto code = [&d](const char* path, std::optional<double> v) {
        const Result<Design> r = withField(d, path, v);
        return r.ok() ? std::string("ok") : r.error().code;
    };
    CHECK(code("/fittings/5/size", 3.0) == "field.out_of_range");  // a 3 m hook
    CHECK(code("/pieces/0/stock/shelf_density", 0.0) == "field.out_of_range");
    CHECK(code("/brief/cast_length", -1.0) == "field.out_of_range");
    CHECK(code("/brief/cast_length", std::nan("")) == "field.out_of_range");
    CHECK(code("/brief/cast_length", std::nullopt) == "field.required");
    CHECK(code("/fittings/0/weighed_mass", std::nullopt) == "ok");
    CHECK(code("/bores/7/depth", 0.01) == "field.unknown");
    CHECK(code("/bores/0/depth", 0.01) == "ok");
}

TEST_CASE("every number on every extreme design is finite") {
    // Each field in turn at both ends of its range.
    const Design base = demoDesign();
    const std::vector<Field> fields = listFields(base);
    for (size_t i = 0; i < fields.size(); i += kThorough ? 1 : 4) {
        const Field& field = fields[i];
        if (field.kind == FieldKind::Text) {
            continue;
        }
        for (const double end : {field.min, field.max}) {
            const Result<Design> d = withField(base, field.path, end);
            REQUIRE(d.ok());
            const Result<Derived> e = evaluate(*d);
            if (!e) {
                continue;  // refused with a reason
            }
            INFO(field.path << " = " << end);
            CHECK(std::isfinite(e->mass->mass_kg));
            CHECK(std::isfinite(e->rest->spare));
            CHECK(std::isfinite(e->rest->pitch_rad));
            CHECK(std::isfinite(e->rest->fall.speed_m_s));
            CHECK(std::isfinite(e->wantedMass_kg));
            const Run run = computeRun(*e);
            CHECK(std::isfinite(run.path.maxDepth_m));
            CHECK(std::isfinite(run.trolledDepth_m.value_or(0)));
        }
    }
}

TEST_CASE("extreme joints, holes, side pieces and ways of making give finite numbers or a reason") {
    Design all = demoNamed("swimmer");
    all.features.resize(2);
    all.features[1].kind = FeatureKind::Slot;
    all.features[1].from = FeatureFrom::Tail;
    Appendage claw;
    claw.body = ellipsoidBody(0.008, 0.002, 0.003, 5, false);
    all.appendages.push_back(claw);
    all.make.halves = {true, 0.001, 0.002, 0.02, 0.04, 0.0, 1150};
    all.body.noseFace.present = true;
    all.make.layers = {{"a", 0.01, 500}, {"b", 0.01, 500}};
    all.make.cavities.resize(1);
    all.make.print.leaks = true;
    int refused = 0, known = 0;
    for (const MakeKind kind : {MakeKind::Carved, MakeKind::Layered, MakeKind::Printed}) {
        all.make.kind = kind;
        for (const Field& field : listFields(all)) {
            const bool here = field.path.rfind("/joints/0", 0) == 0 ||
                              field.path.rfind("/features", 0) == 0 ||
                              field.path.rfind("/make", 0) == 0 ||
                              field.path.rfind("/appendages/0/hinge", 0) == 0 ||
                              field.path.rfind("/body/nose_face", 0) == 0;
            if (!here || field.kind == FieldKind::Text ||
                (kind != MakeKind::Carved && field.path.rfind("/make", 0) != 0)) {
                continue;
            }
            for (const double end : {field.min, field.max}) {
                const Result<Design> d = withField(all, field.path, end);
                REQUIRE(d.ok());
                const Result<Derived> e = evaluate(*d);
                INFO(field.path << " = " << end);
                if (!e) {
                    CHECK(englishFor(e.error().code) != e.error().code);
                    ++refused;
                    continue;
                }
                ++known;
                CHECK(std::isfinite(e->mass->mass_kg));
                CHECK(std::isfinite(e->rest->spare));
                CHECK(std::isfinite(e->rest->pitch_rad));
                for (const PieceAlone& piece : e->rest->alone) {
                    CHECK(std::isfinite(piece.net_kg));
                    CHECK(std::isfinite(piece.pitch_rad));
                }
                for (const JointCut& cut : e->shape->joints) {
                    CHECK(std::isfinite(cut.opening.opening_rad));
                }
            }
        }
    }
    CHECK(known > 150);
    CHECK(refused >= 3);  // joints off the body or into each other
}

TEST_CASE("a bait that ticks the bottom, or never dives, says so") {
    Design d = demoDesign();
    d.brief.waterDepth_m = 0.8;
    CHECK(findingIn(towFindings(d), "run.reaches_bottom"));
    d = demoDesign();
    d.brief.wantedDepth_m = 9;
    const std::vector<Finding> shallow = towFindings(d);
    const Finding* f = findingIn(shallow, "run.too_shallow");
    REQUIRE(f);
    REQUIRE_FALSE(f->edits.empty());
    const Result<Design> turned = withEdit(d, f->edits.front());
    REQUIRE(turned.ok());
    d.lip.present = false;
    d.tie = {TiePlace::Body, 0.0, -0.012};  // pulled from under the chin, it planes up
    const std::vector<Finding> top = towFindings(d);
    CHECK((findingIn(top, "run.stays_on_top") || findingIn(top, "run.no_trim")));
}

TEST_CASE("something sunk that is bigger than its wood is told") {
    Design d = demoDesign();
    Fitting weight;
    weight.kind = FittingKind::Other;
    weight.name = "sunk weight";
    weight.typicalMass_kg = 0.5;
    weight.density_kg_m3 = 7800;
    weight.sunk = 1.0;
    weight.x_m = 0.04;
    d.fittings.push_back(weight);
    const Derived over = evaluated(d);
    const auto f = findingOf(over, "body.outgrown");
    REQUIRE(f);
    CHECK(f->severity == Severity::Error);
    CHECK(f->values.at(0).value > 0);
    CHECK_FALSE(findingOf(evaluated(demoDesign()), "body.outgrown"));
}

TEST_CASE("lying on its side or leaning for no part's sake is told as what it is") {
    Design d = demoDesign();
    d.bores.clear();
    d.lip.present = false;
    for (Fitting& f : d.fittings) {
        f.z_m = std::abs(f.z_m) + 0.02;  // all weight high up
        f.hangsFrom.clear();
    }
    const Derived high = evaluated(d);
    REQUIRE(std::abs(high.rest->roll_rad) > 1.5 * kDegree);
    const bool told = findingOf(high, "rest.on_side") || findingOf(high, "rest.belly_up") ||
                      findingOf(high, "rest.falls_port") || findingOf(high, "rest.falls_starboard");
    CHECK(told);
}

TEST_CASE("a fin without an area is said to have no drag - a block not in force is said") {
    CHECK_FALSE(findingOf(evaluated(demoDesign()), "rest.parts_without_drag"));
    Design finned = demoNamed("glide-bait");
    CHECK_FALSE(findingOf(evaluated(finned), "rest.parts_without_drag"));
    for (Fitting& f : finned.fittings) {
        f.area_m2 = 0;
    }
    const auto fin = findingOf(evaluated(finned), "rest.parts_without_drag");
    REQUIRE(fin);
    CHECK(fin->words.at(0) == "tail fin");
    Design d = demoDesign();
    d.pieces[0].stock.source = DensitySource::Shelf;
    d.pieces[0].stock.sample.mass_kg = 0.0071;
    CHECK(findingOf(evaluated(d), "stock.block_not_in_force"));
    d.pieces[0].stock.source = DensitySource::Sample;
    CHECK_FALSE(findingOf(evaluated(d), "stock.block_not_in_force"));
}
