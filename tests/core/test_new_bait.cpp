// Baits made from a wish meet it.
#include <catch2/catch.hpp>

#include "core/aim/aimed_bait.h"
#include "core/plan/new_bait.h"
#include "files/embedded_data.h"
#include "io/shelf.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

NewBaitWish wish(StartKind kind, double length_m, double density_kg_m3) {
    static const Shelf shelf = [] {
        return arrangeShelf(readShelfCsv(embedded::shelf_csv()).value());
    }();
    NewBaitWish w;
    w.kind = kind;
    w.length_m = length_m;
    w.stock.shelfDensity_kg_m3 = density_kg_m3;
    w.brief = usualBrief(kind, Brief{});
    for (const auto& row : shelf.fittings) {
        w.fittings.push_back(row.item);
    }
    for (const CoatKind kindOf : {CoatKind::Sealer, CoatKind::Paint, CoatKind::Clear}) {
        for (const auto& row : shelf.coats) {
            if (row.item.kind == kindOf) {
                w.coats.push_back(row.item);
                break;
            }
        }
    }
    return w;
}

}  // namespace

TEST_CASE("a bait of every kind, made at several lengths, meets its brief") {
    for (const StartKind kind : kStartKinds) {
        using Sizes = std::vector<std::pair<double, double>>;
        const Sizes sizes =
            kThorough
                ? Sizes{{0.07, 300.0}, {0.075, 420.0}, {0.1, 420.0}, {0.11, 600.0}, {0.15, 420.0}}
                : Sizes{{0.075, 420.0}};
        for (const auto& [length, density] : sizes) {
            const NewBaitWish w = wish(kind, length, density);
            const Result<NewBait> made = makeNewBait(w);
            INFO("kind " << int(kind) << " at " << length * 1e3 << " mm");
            REQUIRE(made.ok());
            for (const Finding& f : made->against) {
                UNSCOPED_INFO(f.code << " " << f.path);
            }
            UNSCOPED_INFO("depth " << made->run.path.maxDepth_m << " wanted "
                                   << made->design.brief.wantedDepth_m << " pitch "
                                   << made->derived->rest->pitch_rad / kDegree);
            if (kind == StartKind::Lipless && length > 0.12) {
                // So heavy a bait sinks past the depth wanted on its way in: said where even its
                // band does not reach up to it.
                const bool deep = made->run.depthLow_m > made->design.brief.wantedDepth_m;
                CHECK(made->run.path.maxDepth_m > made->design.brief.wantedDepth_m);
                CHECK(deep ==
                      std::any_of(made->against.begin(), made->against.end(),
                                  [](const Finding& f) { return f.code == "run.too_deep"; }));
                continue;
            }
            CHECK(made->against.empty());
            CHECK(std::abs(made->derived->rest->roll_rad) < kDegree);
        }
    }
}

TEST_CASE("a new bait is made to swim as wished, or says that it does not") {
    NewBaitWish w = wish(StartKind::Diver, 0.08, 420.0);
    const Result<NewBait> plain = makeNewBait(w);
    REQUIRE(plain);
    const Swim comes = swimOf(*plain->derived, plain->run);
    REQUIRE_FALSE(comes.untold);
    // Tighter than it comes by itself: another lip.
    AimBand swing;
    swing.low = 0.6 * comes.swing_rad.middle;
    swing.high = 0.85 * comes.swing_rad.middle;
    std::vector<double> told;
    const Result<AimedBait> made =
        makeAimedBait(w, {}, swing, {}, [&](double share) { told.push_back(share); });
    REQUIRE(made);
    CHECK(made->met);
    CHECK(made->bait.against.empty());
    CHECK(std::is_sorted(told.begin(), told.end()));
    const Derived& d = *made->bait.derived;
    const Swim swims = swimOf(d, computeRun(d, {}, kFineRetrieve));
    CHECK(swims.swing_rad.middle >= *swing.low);
    CHECK(swims.swing_rad.middle <= *swing.high);
    const double wanted = d.design->brief.wantedDepth_m;
    CHECK(std::abs(made->bait.run.path.maxDepth_m - wanted) <= 0.1 * wanted + 1e-9);
    CHECK(d.rest->spare == Approx(w.brief.wantedSpare).margin(2e-3));
    CHECK(*made->bait.design.aim.swing.high == *swing.high);
    // Nothing wished: the bait as it was made.
    const Result<AimedBait> asItComes = makeAimedBait(w, {}, {});
    REQUIRE(asItComes);
    CHECK(asItComes->bait.design == plain->design);
    // What no lip of the range gives is not called met.
    swing.low = 0.02 * comes.swing_rad.middle;
    swing.high = 0.03 * comes.swing_rad.middle;
    const Result<AimedBait> cannot = makeAimedBait(w, {}, swing);
    REQUIRE(cannot);
    CHECK_FALSE(cannot->met);
    std::stop_source stop;
    stop.request_stop();
    CHECK_FALSE(makeAimedBait(w, {}, swing, stop.get_token()));
}
