// What the log has taught, told wherever the figure stands: in the rail, the tank, the cast, the
// swim, and of another bait held against this one.
#include <QListWidget>
#include <cmath>

#include "app/views/run_strip.h"
#include "core/plan/size_series.h"
#include "gui/log_opened.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

constexpr int kLipless = 1;  // sinks

// So many times what is reckoned, read on three days.
void read(LogOpened& o, const QString& button, NoteKind kind, Quantity quantity, double times) {
    const double reckoned = Learner::of(o.window.bench()).figure(kind)->reckoned;
    for (const char* day : {"2026-05-01", "2026-05-02", "2026-05-03"}) {
        o.begin(day, "mill pool");
        o.press(button);
        o.put("noteLow", o.window.bench().text(quantity, times * reckoned));
        o.press("logIt");
        o.learnt();
    }
}

}  // namespace

TEST_CASE("what sinks faster and flies less far than reckoned is told so, step by step") {
    LogOpened o(kLipless);
    Workbench& bench = o.window.bench();
    REQUIRE(o.derived().rest->state == RestState::Sinks);
    const double falls = o.derived().rest->fall.speed_m_s, flies = *bench.results()->cast_m;
    const auto rail = [&](Step step) { return o.window.rail().verdict(step); };
    CHECK(rail(Step::Tank).contains(bench.text(Quantity::Speed, falls)));
    o.window.rail().choose(Step::Tank);
    CHECK(o.text("tankByLog").isEmpty());
    o.window.rail().choose(Step::WaterLog);
    read(o, "note_sink", NoteKind::Sink, Quantity::Speed, 1.4);
    read(o, "note_cast", NoteKind::Cast, Quantity::Distance, 0.75);
    const Learner& learner = Learner::of(bench);
    const double sinks = learner.seen(NoteKind::Sink, falls),
                 casts = learner.seen(NoteKind::Cast, flies);
    CHECK(sinks > 1.1 * falls);
    CHECK(casts < 0.95 * flies);
    CHECK(rail(Step::Tank).contains(bench.text(Quantity::Speed, sinks)));
    CHECK(rail(Step::Cast).contains(bench.text(Quantity::Distance, casts)));
    // What is wanted is wanted as it will be seen: it is told, and planned away.
    const double taught = learner.taught(NoteKind::Sink)->middle;
    REQUIRE(QTest::qWaitFor(
        [&] { return std::abs(bench.results()->derived->sinkSeen / taught - 1) < 0.01; }, 30000));
    REQUIRE(findingOf(o.derived(), "rest.sinks_fast"));
    o.window.rail().choose(Step::Ballast);
    o.click("planLead");
    CHECK_FALSE(findingOf(o.derived(), "rest.sinks_fast"));
    CHECK(learner.seen(NoteKind::Sink, o.derived().rest->fall.speed_m_s) ==
          Approx(o.design().brief.wantedSinkSpeed_m_s).epsilon(0.1));
    bench.document.undoStack()->undo();
    o.settle();
    o.learnt();
    o.window.rail().choose(Step::Tank);
    CHECK(o.text("tankState").contains(bench.text(Quantity::Speed, sinks)));
    CHECK(o.text("tankByLog").contains(bench.text(Quantity::Speed, falls)));
    o.window.rail().choose(Step::Cast);
    o.beside("castPage");
    CHECK(o.text("castWords").contains("By your log"));
    o.click("castForRetrieve");
    CHECK(o.design().brief.castLength_m == Approx(casts).epsilon(0.02));
    o.window.rail().choose(Step::Ballast);
    CHECK(o.text("ballastByLog").contains("times as fast as reckoned"));
    // Off: as reckoned again.
    o.window.rail().choose(Step::WaterLog);
    o.tab("logTabs", "Next time");
    o.press("learns");
    o.learnt();
    CHECK(rail(Step::Tank).contains(bench.text(Quantity::Speed, falls)));
    o.window.rail().choose(Step::Cast);
    o.beside("castPage");
    CHECK_FALSE(o.text("castWords").contains("By your log"));
    o.press("learns");
    o.learnt();
}

TEST_CASE("the speed it blows out at by the log stands beside the one reckoned") {
    LogOpened o;
    const auto told = [&o] { return Learner::of(o.window.bench()).figure(NoteKind::BlowOut); };
    Learner::of(o.window.bench()).wantSlow();
    o.learnt();
    CHECK(told() == nullptr);  // its roll under tow is not settled: the Swim step tells none either
    Design settled = o.design();
    settled.lip.angle_rad = 55 * kDegree;
    settled.tie.place = TiePlace::Body;
    settled.tie.x_m = settled.tie.z_m = 0;
    o.window.bench().document.submit(std::move(settled), "a steep lip, tied to the nose");
    o.settle();
    o.window.rail().choose(Step::WaterLog);
    o.learnt();
    REQUIRE(told() != nullptr);
    read(o, "note_blow_out", NoteKind::BlowOut, Quantity::Speed, 0.8);
    o.window.rail().choose(Step::Swim);
    o.tab("swimTabs", "Over speed");
    o.beside("swimSpeedPart");
    CHECK(o.text("swimSpeedWords").contains("By your log it blows out at"));
}

TEST_CASE("a bait of the log stands dashed beside this one, differences that matter first") {
    LogOpened o;
    read(o, "note_depth", NoteKind::Depth, Quantity::Distance, 0.85);
    o.type("/lip/length", onScreen("25"));
    o.window.rail().choose(Step::WaterLog);
    o.tab("logTabs", "Compare");
    auto* list = o.window.findChild<QListWidget*>("compareList");
    REQUIRE(list->count() == 1);
    list->item(0)->setCheckState(Qt::Checked);
    o.beside("compareTab");
    CHECK(o.window.bench().dashed() != nullptr);
    CHECK(o.table("heldAgainst").rowCount() >= 8);
    CHECK(o.table("whatChanged").rowCount() >= 1);
    // The log has taught of both, of each what it taught of that.
    const QTableWidget& numbers = o.table("heldAgainst");
    const auto cell = [&](const QString& what, int column) {
        for (int row = 0; row < numbers.rowCount(); ++row) {
            if (numbers.item(row, 0)->text() == what) {
                return numbers.item(row, column)->text();
            }
        }
        return QString();
    };
    Workbench& bench = o.window.bench();
    const auto depth = bench.dashed()->byLog.depth;
    REQUIRE(depth);
    CHECK(cell("runs at", 1).contains("by the log"));
    CHECK(cell("runs at", 2)
              .contains(bench.text(Quantity::Distance,
                                   depth->middle * bench.dashed()->run->path.maxDepth_m)));
    CHECK_FALSE(cell("weighs", 1).contains("by the log"));
    CHECK(o.window.findChild<RunStrip*>("runStrip")->headline().contains("by your log"));
    // Other lengths of it, their lead planned anew; what is none is told.
    o.put("compareLengths", "no");
    o.press("compareSizes");
    CHECK(o.text("compareLengths/fault").startsWith("▲"));
    CHECK(list->count() == 1);
    o.put("compareLengths", "60; 100");
    o.press("compareSizes");
    REQUIRE(list->count() == 3);
    o.beside("compareTab");
    REQUIRE(numbers.columnCount() == 5);
    CHECK(numbers.horizontalHeaderItem(3)->text().endsWith("60 mm"));
    CHECK(cell("long", 4).startsWith(bench.text(Quantity::Length, 0.1)));
    CHECK(cell("spare", 3)
              .startsWith(bench.text(Quantity::Fraction,
                                     evaluateSize(o.design(), 0.06, &o.derived()).spare)));
    const QString file = o.folder.filePath("other.wade");
    o.window.bench().document.undoStack()->undo();
    o.settle();
    o.put("comparePath", "/none/such.wade");
    o.press("compareAdd");
    CHECK(list->count() == 3);
}
