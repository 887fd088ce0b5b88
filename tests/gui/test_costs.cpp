// What a batch takes and costs, through the window.
#include <QTableWidget>
#include <catch2/catch.hpp>

#include "core/making/moulding.h"
#include "gui/opened.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("what a batch takes is priced by the shelf, and taken off it") {
    Opened o;
    o.window.rail().choose(Step::Build);
    o.type("/building/baits", "2");
    o.window.rail().choose(Step::Build);
    o.tab("buildTabs", "Shelf, cost");
    CHECK(o.text("costSum").contains("No price"));
    CHECK(o.text("costHours").contains("h of work each"));
    ShelfEntry hooks;
    hooks.kind = ShelfKind::Treble;
    for (const Fitting& f : o.design().fittings) {
        hooks.name = isHook(f.kind) ? f.name : hooks.name;
    }
    hooks.price = 5;
    hooks.packCount = 10;
    hooks.left = 7;
    REQUIRE_FALSE(o.window.bench().shelf.put(hooks));
    QCoreApplication::processEvents();
    CHECK(o.text("costSum").contains(onScreen("0.50")));
    o.click("takeOffShelf");
    for (const ShelfEntry& e : o.window.bench().shelf.entries()) {
        if (e.name == hooks.name) {
            CHECK(*e.left < 7);
            REQUIRE_FALSE(o.window.bench().shelf.remove(e.id));
            break;
        }
    }
    // A mould is paid once, and said apart; a glue that is bought by the pack has its price.
    CHECK_FALSE(o.text("costSum").contains("mould"));
    REQUIRE_FALSE(o.window.bench().document.setField("/make/kind", int(MakeKind::Cast)));
    o.settle();
    CHECK(o.text("costSum").contains("What the mould takes has no price yet."));
    ShelfEntry silicone;
    silicone.kind = ShelfKind::Silicone;
    silicone.name = "silicone as bought";
    silicone.density_kg_m3 = o.design().make.mould.siliconeDensity_kg_m3;
    silicone.packMass_kg = 1;
    silicone.price = 2 / (2 * mouldBox(o.design(), o.derived()).siliconeHalf_kg);
    REQUIRE_FALSE(o.window.bench().shelf.put(silicone));
    QCoreApplication::processEvents();
    CHECK(o.text("costSum").contains("The mould costs " + onScreen("2.00")));
    auto* table = o.window.findChild<QTableWidget*>("takenTable");
    const auto named = table->findItems("silicone as bought", Qt::MatchExactly);
    REQUIRE(named.size() == 1);
    const int row = named.first()->row();
    CHECK(table->item(row, 1)->text() == "once");
    CHECK(table->item(row, 3)->text().startsWith(onScreen("2.00")));
    for (const ShelfEntry& e : o.window.bench().shelf.entries()) {
        if (e.name == silicone.name) {
            REQUIRE_FALSE(o.window.bench().shelf.remove(e.id));
            break;
        }
    }
}
