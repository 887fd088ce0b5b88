// Bad and doubtful designs are met with a finding at the place, and cures that cure.
#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>

#include "core/design/fields.h"
#include "support/sample_bait.h"
#include "text/sentences.h"

using namespace wl;
using namespace wl::test;

namespace {

const Finding* findingIn(const std::vector<Finding>& findings, const std::string& code) {
    const auto found = std::find_if(findings.begin(), findings.end(),
                                    [&code](const Finding& f) { return f.code == code; });
    return found == findings.end() ? nullptr : &*found;
}

// The change must raise the finding at the path, with a sentence, and each cure must remove it.
template <class Spoil>
void checkFinding(const std::string& code, const std::string& path, Spoil spoil) {
    INFO(code);
    Design d = demoDesign();
    REQUIRE(findingIn(evaluated(d).findings, code) == nullptr);
    spoil(d);
    const Derived spoiled = evaluated(d);
    const Finding* f = findingIn(spoiled.findings, code);
    REQUIRE(f != nullptr);
    CHECK(f->path == path);
    CHECK(englishFor(f->code) != f->code);
    for (const ProposedEdit& edit : f->edits) {
        const Result<Design> cured = withEdit(d, edit);
        REQUIRE(cured.ok());
        CHECK(findingIn(evaluated(*cured).findings, code) == nullptr);
    }
}

}  // namespace

TEST_CASE("faults of the design are found where they are") {
    checkFinding("bore.comes_out", "/bores/0/depth", [](Design& d) { d.bores[0].depth_m = 0.03; });
    checkFinding("bore.thin_beyond", "/bores/1/depth", [](Design& d) {
        d.bores[1].diameter_m = 0.002;
        d.bores[1].depth_m += evaluated(d).mass.bores[1].wallBeyond_m - 0.0006;
    });
    checkFinding("bore.misses_body", "/bores/0/x", [](Design& d) { d.bores[0].x_m = 0.2; });
    checkFinding("bore.plug_too_long", "/bores/0/plug_length",
                 [](Design& d) { d.bores[0].plugLength_m = 0.05; });
    checkFinding("bore.meets_bore", "/bores/1/x", [](Design& d) { d.bores[1].x_m = 0.026; });
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
    for (const Field& field : listFields(base)) {
        for (const double end : {field.min, field.max}) {
            const Result<Design> d = withField(base, field.path, end);
            REQUIRE(d.ok());
            const Result<Derived> e = evaluate(*d);
            if (!e) {
                continue;  // refused with a reason
            }
            INFO(field.path << " = " << end);
            CHECK(std::isfinite(e->mass.mass_kg));
            CHECK(std::isfinite(e->spare));
            CHECK(std::isfinite(e->pitch_rad));
            CHECK(std::isfinite(e->freeFall.speed_m_s));
            CHECK(std::isfinite(e->wantedMass_kg));
            const Run run = computeRun(*d, *e);
            CHECK(std::isfinite(run.path.maxDepth_m));
            CHECK(std::isfinite(run.trolledDepth_m));
        }
    }
}

TEST_CASE("a bait that ticks the bottom, or never dives, says so") {
    Design d = demoDesign();
    d.brief.waterDepth_m = 0.8;
    CHECK(findingIn(computeRun(d, evaluated(d)).findings, "run.reaches_bottom"));
    d = demoDesign();
    d.brief.wantedDepth_m = 9;
    const Run shallow = computeRun(d, evaluated(d));
    const Finding* f = findingIn(shallow.findings, "run.too_shallow");
    REQUIRE(f);
    REQUIRE_FALSE(f->edits.empty());
    const Result<Design> turned = withEdit(d, f->edits.front());
    REQUIRE(turned.ok());
    d.lip.present = false;
    d.tie = {TiePlace::Body, 0.0, -0.012};  // pulled from under the chin, it planes up
    const Run top = computeRun(d, evaluated(d));
    CHECK((findingIn(top.findings, "run.stays_on_top") || findingIn(top.findings, "run.no_trim")));
}
