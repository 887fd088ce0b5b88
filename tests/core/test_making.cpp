// Making a bait: holes in order, the mould and its mixes, the steps and their readings.
#include <catch2/catch.hpp>
#include <cmath>

#include "core/draw/flat_templates.h"
#include "core/make/material.h"
#include "core/making/build_steps.h"
#include "core/making/holes.h"
#include "core/making/moulding.h"
#include "core/plan/plan_lead.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

Design castDiver() {
    Design d = demoDesign();
    d.make.kind = MakeKind::Cast;
    d.pieces.front().stock.source = DensitySource::Mix;
    d.make.mix.wantedDensity_kg_m3 = 640;
    d.make.mix.fillerShare = 0.45;
    return d;
}

}  // namespace

TEST_CASE("holes come while their flat is there, and the stop reaches the same bottom from it") {
    const Design d = demoDesign();
    const Derived derived = evaluated(d);
    const std::vector<BenchHole> holes = holesInOrder(d, derived);
    size_t bores = 0;
    HoleTurn turn = HoleTurn::Upright;
    double top = -1, foot = 1;
    for (const Eigen::Vector3d& v : derived.shape->parts[0].mesh.vertices_m) {
        top = std::max(top, v.z());
        foot = std::min(foot, v.z());
    }
    for (const BenchHole& h : holes) {
        CHECK(h.turn >= turn);
        turn = h.turn;
        bores += h.record.list == RecordList::Bores ? 1 : 0;
        REQUIRE(h.fromFlat);
        const Eigen::Vector3d start = h.mouth_m - (h.stop_m - h.depth_m) * h.inward;
        if (h.side == HoleSide::Belly) {
            CHECK(start.z() == Approx(foot).margin(5e-5));
        } else if (h.side == HoleSide::Back) {
            CHECK(start.z() == Approx(top).margin(5e-5));
        } else if (h.side == HoleSide::Port || h.side == HoleSide::Starboard) {
            CHECK(std::abs(start.y()) ==
                  Approx(0.5 * derived.shape->sizes.maxWidth_m).margin(1e-6));
        }
    }
    CHECK(bores == d.bores.size());
    Design cast = castDiver();
    for (const BenchHole& h : holesInOrder(cast, evaluated(cast))) {
        CHECK(h.stop_m == h.depth_m);
    }
}

TEST_CASE("nested lips stay a saw cut apart, and none is left out") {
    Design d = demoDesign();
    for (const LipFamily family : {LipFamily::Rounded, LipFamily::Waisted, LipFamily::Oval}) {
        d.lip.family = family;
        const Drawing one = nestLips(d, 1, 120), all = nestLips(d, 7, 120);
        CHECK(all.size() == 7 * one.size());
        CHECK(extent_mm(all)[2] - extent_mm(all)[0] <= 120 + 1e-9);
        // Outlines as they lie: no corner of one within another grown by most of the saw cut.
        std::vector<std::vector<Eigen::Vector2d>> outlines;
        for (size_t i = 0; i < all.size(); i += one.size()) {
            outlines.push_back(all[i].points_mm);
        }
        double nearest = 1e9;
        for (size_t a = 0; a < outlines.size(); ++a) {
            for (size_t b = 0; b < outlines.size(); ++b) {
                for (const Eigen::Vector2d& p : outlines[a]) {
                    for (size_t k = 0; a != b && k < outlines[b].size(); ++k) {
                        const Eigen::Vector2d q = outlines[b][k];
                        const Eigen::Vector2d r = outlines[b][(k + 1) % outlines[b].size()];
                        const double t = std::clamp(
                            (p - q).dot(r - q) / std::max(1e-12, (r - q).squaredNorm()), 0.0, 1.0);
                        nearest = std::min(nearest, (p - q - t * (r - q)).norm());
                    }
                }
            }
        }
        CHECK(nearest > 0.5);
    }
}

TEST_CASE(
    "what a mould takes: box, silicone, pours before it sets, and a copy weighed sets the next") {
    Design d = castDiver();
    d.building.baits = 8;
    const Derived derived = evaluated(d);
    const auto plan = planMould(d, derived);
    REQUIRE(plan);
    CHECK(plan->bait_m3 == Approx(derived.shape->solid.volume_m3));
    CHECK(plan->box_m.x() == Approx(derived.shape->sizes.length_m + 0.024).margin(5e-5));
    CHECK(2 * plan->siliconeHalf_m3 ==
          Approx(1.1 * (plan->box_m.prod() - plan->bait_m3)).epsilon(1e-12));
    // Resin and filler make up the volume poured, its air left out, and weigh as the mix does.
    const ResinMix& mix = d.make.mix;
    CHECK(plan->one.resin_kg / mix.resinDensity_kg_m3 +
              plan->one.filler_kg / mix.fillerDensity_kg_m3 ==
          Approx((1 - mix.trappedAir) * plan->one.volume_m3).epsilon(1e-12));
    CHECK(plan->one.resin_kg + plan->one.filler_kg ==
          Approx(mixDensity_kg_m3(mix) * plan->one.volume_m3).epsilon(1e-12));
    CHECK(plan->perBatch == 7);  // (360 - 60) s at 40 s each
    CHECK(plan->batches == 2);
    REQUIRE(plan->copies.size() == 3);
    CHECK(plan->copies[1].mass_kg < plan->copies[0].mass_kg);
    CHECK(plan->copies[0].mass_kg < plan->copies[2].mass_kg);
    CHECK(plan->copies[0].mass_kg == Approx(derived.mass->mass_kg).epsilon(1e-9));
    d.make.mould.workingTime_s = 50;
    CHECK(planMould(d, derived)->perBatch == 0);
    // A copy that came out heavier: less air in it than was reckoned with.
    d.pieces.front().stock.weighedBody_kg.reset();
    CHECK(nextCopy(d, derived).error().code == "mould.no_copy");
    Design real = d;
    real.make.mix.trappedAir = 0.005;
    d.pieces.front().stock.weighedBody_kg =
        mixDensity_kg_m3(real.make.mix) * derived.shape->solid.volume_m3;
    const Derived weighed = evaluated(d);
    const auto next = nextCopy(d, weighed);
    REQUIRE(next);
    REQUIRE(next->reached);
    CHECK(next->design.make.mix.trappedAir == Approx(0.005).epsilon(1e-9));
    CHECK(mixDensity_kg_m3(next->design.make.mix) == Approx(640).epsilon(1e-6));
    CHECK(planLead(next->design));
    CHECK(nextCopy(demoDesign(), weighed).error().code == "mould.not_cast");
}

TEST_CASE("coats by the tin: what dries away is counted, and a batch is so many times one") {
    Design d = demoDesign();
    for (Coat& coat : d.coats) {
        coat.solids = 0.5;
    }
    const Derived derived = evaluated(d);
    const auto amounts = benchAmounts(d, derived);
    double area = 0;
    for (const CoatedHull& hull : *derived.hulls) {
        area += hull.painted.area_m2;
    }
    double wet = 0, told = 0;
    for (const Coat& coat : d.coats) {
        wet += coat.thickness_m * coat.count * area;
    }
    for (const BenchAmount& amount : amounts) {
        told += amount.name.empty() ? 0.0 : amount.volume_m3;
    }
    CHECK(told == Approx(wet).epsilon(1e-9));
}

TEST_CASE("steps come in the order of the bench, whatever way the bait is made") {
    const auto at = [](const std::vector<BuildStep>& steps, StepKind kind, bool last = false) {
        std::optional<size_t> found;
        for (size_t i = 0; i < steps.size(); ++i) {
            if (steps[i].kind == kind && (last || !found)) {
                found = i;
            }
        }
        return found;
    };
    for (const MakeKind make : {MakeKind::Carved, MakeKind::Turned, MakeKind::Layered,
                                MakeKind::Cast, MakeKind::Printed}) {
        Design d = demoDesign();
        d.make.kind = make;
        d.make.layers = {{"sheet", 0.007, 1190}, {"sheet", 0.007, 1190}};
        Coat inside;
        inside.kind = CoatKind::Paint;
        inside.innerFace = true;
        inside.name = "scales";
        d.coats.push_back(inside);
        inside.name = "flash behind them";
        d.coats.push_back(inside);
        const std::vector<BuildStep> steps = buildSteps(d, evaluated(d));
        std::vector<std::string> keys;
        for (const BuildStep& step : steps) {
            CHECK(std::find(keys.begin(), keys.end(), step.key()) == keys.end());
            keys.push_back(step.key());
            CHECK(step.work_s > 0);
        }
        const auto before = [&](StepKind a, StepKind b) {
            const auto i = at(steps, a, true), j = at(steps, b);
            CHECK((!i || !j || *i < *j));
        };
        before(StepKind::DrillBores, StepKind::Shape);
        before(StepKind::DrillFlanks, StepKind::Shape);
        before(StepKind::WeighBody, StepKind::Seal);
        before(StepKind::Seal, StepKind::SetLip);
        before(StepKind::Seal, StepKind::Lead);
        before(StepKind::Lead, StepKind::TankTest);
        before(StepKind::TankTest, StepKind::Paint);
        before(StepKind::SetLip, StepKind::ClearCoat);
        before(StepKind::PaintInside, StepKind::GlueSheets);
        CHECK(steps.back().kind == StepKind::Weigh);
        CHECK(at(steps, StepKind::PaintInside).has_value() == (make == MakeKind::Layered));
        if (make == MakeKind::Layered) {
            // Listed as seen from outside; the last of them goes on first.
            CHECK(steps[*at(steps, StepKind::PaintInside, true)].coat == d.coats.size() - 2);
        }
    }
}

TEST_CASE(
    "a body weighed at the bench is the stock's from then on, and lead off is told with its plug") {
    const Design d = demoDesign();
    const Derived derived = evaluated(d);
    const std::vector<BuildStep> steps = buildSteps(d, derived);
    const auto readingOf = [&](ReadingOf what) {
        for (const BuildStep& step : steps) {
            if (step.reading && step.reading->what == what) {
                return *step.reading;
            }
        }
        FAIL("no such reading");
        return StepReading{};
    };
    const StepReading body = readingOf(ReadingOf::Body);
    CHECK(body.expected_kg == derived.mass->stages.drilledBody_kg);
    const double heavier = 1.06 * body.expected_kg;
    const Design weighed = withReading(d, derived, body, heavier);
    // The shaped body was 6 % heavier too, and the drilled one comes out as it was read.
    CHECK(*weighed.pieces[0].stock.weighedBody_kg ==
          Approx(1.06 * derived.mass->stages.shapedBody_kg));
    CHECK(evaluated(weighed).mass->stages.drilledBody_kg == Approx(heavier).epsilon(0.02));
    const auto planned = planLead(weighed);
    REQUIRE(planned);
    CHECK(planned->reachedSpare == Approx(d.brief.wantedSpare).margin(2e-3));
    const StepReading lead = readingOf(ReadingOf::WithLead);
    CHECK(judgeReading(d, derived, lead, lead.expected_kg + 0.4 * lead.within_kg).within);
    for (const double off : {0.0009, -0.0009}) {
        const ReadingVerdict verdict = judgeReading(d, derived, lead, lead.expected_kg + off);
        CHECK_FALSE(verdict.within);
        REQUIRE(verdict.bore);
        // Carried out, what was off is gone: filler takes the place of lead, or makes room for it.
        Design mended = d;
        mended.bores[*verdict.bore].plugLength_m += off > 0 ? -verdict.plug_m : verdict.plug_m;
        CHECK(evaluated(mended).mass->stages.withLead_kg - derived.mass->stages.withLead_kg ==
              Approx(-off).epsilon(0.01));
        CHECK((verdict.lead_kg < 0) == (off > 0));
    }
    const StepReading last = readingOf(ReadingOf::Finished);
    Design read = withReading(d, derived, last, 0.0191);
    read = withReading(read, derived, last, 0.0192);
    CHECK(std::count_if(read.tank.readings.begin(), read.tank.readings.end(),
                        [](const TankReading& r) {
                            return r.kind == ReadingKind::Weighs && r.stage == TankStage::Finished;
                        }) == 1);
    CHECK(read.tank.readings.back().mass_kg == 0.0192);
}

TEST_CASE("what the scale should read counts what is on by then: wire, putty, side pieces") {
    const auto expected = [](const Design& d, ReadingOf what) {
        for (const BuildStep& step : buildSteps(d, evaluated(d))) {
            if (step.reading && step.reading->what == what) {
                return step.reading->expected_kg;
            }
        }
        return -1.0;
    };
    const Design d = demoDesign();
    Design wired = d;
    wired.wire.present = true;
    wired.wire.slotWidth_m = 0.0015;
    const Derived with = evaluated(wired);
    double later = 0;  // eyes, lip, hooks, paint: put on after the lead
    for (const MassItem& item : with.mass->items) {
        const bool fitted = item.stage == BuildStage::Fitted && item.kind != PartKind::Wire;
        later += fitted || item.stage == BuildStage::Finished ? item.mass_kg : 0.0;
    }
    CHECK(expected(wired, ReadingOf::WithLead) == Approx(with.mass->mass_kg - later).epsilon(1e-9));
    Design putty = d;
    putty.buildUps.emplace_back();
    putty.buildUps.back().weighedMass_kg = 0.0011;
    CHECK(expected(putty, ReadingOf::BeforePaint) - expected(d, ReadingOf::BeforePaint) ==
          Approx(0.0011).epsilon(1e-6));
    // A body with claws read 5 % over: the chain's stock gets its own 5 %, not the claws' mass.
    Design clawed = d;
    clawed.pieces[0].stock.weighedBody_kg.reset();
    clawed.pieces[0].stock.trust = BodyTrust::DrawnVolume;
    clawed.appendages.emplace_back();
    clawed.appendages.back().body = ellipsoidBody(0.012, 0.002, 0.003, 9, true);
    const Derived derived = evaluated(clawed);
    REQUIRE(derived.mass->stages.shapedBody_kg > derived.shape->reckoning.usedMass_kg);
    const Design read = withReading(clawed, derived, {ReadingOf::Body, 0, 0},
                                    1.05 * derived.mass->stages.drilledBody_kg);
    CHECK(*read.pieces[0].stock.weighedBody_kg ==
          Approx(1.05 * derived.shape->reckoning.usedMass_kg));
}
