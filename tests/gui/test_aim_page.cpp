// From a wish to a bait taken over: ways, trials of the cloud, and what else would do.
#include <qcustomplot.h>
#include <QTableWidget>

#include "app/pages/aim/like_button.h"
#include "core/aim/aim.h"
#include "core/shape/edit_body.h"
#include "files/design_file.h"
#include "files/whole_file.h"
#include "gui/opened.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

int rowOf(const QTableWidget& table, const QString& name) {
    for (int row = 0; row < table.rowCount(); ++row) {
        if (table.item(row, 0)->text().startsWith(name)) {
            return row;
        }
    }
    return -1;
}

// Under the sanitizers two levers stay as drawn: a minute a search otherwise.
void holdSome(Opened& o) {
    if (!kThorough) {
        REQUIRE_FALSE(o.window.bench().document.setField("/aim/width_moves", 0));
        REQUIRE_FALSE(o.window.bench().document.setField("/aim/angle_moves", 0));
        o.settle();
    }
}

}  // namespace

TEST_CASE("a wish becomes ways, and the way taken over does what it said") {
    Opened o;
    holdSome(o);
    o.type("/aim/depth_low", "1.7 m");
    o.type("/aim/depth_high", "7 ft");
    o.type("/aim/depth_high", "2.1");
    CHECK(*o.design().aim.depth.high == Approx(2.1));
    o.tab("aimTabs", "Ways");
    o.beside("waysTab");
    auto* table = o.window.findChild<QTableWidget*>("aimWays");
    REQUIRE(table->rowCount() >= 3);
    CHECK(table->item(0, 0)->text() == "Best");
    CHECK(table->item(0, 2)->text().endsWith("%"));
    CHECK(o.text("aimCeiling").contains("At most can be promised"));
    CHECK(o.text("aimWords").contains("Chances: depth"));
    const int least = rowOf(*table, "Least change");
    REQUIRE(least > 0);
    table->selectRow(least);
    CHECK(o.text("aimWords").contains("Change: "));
    const Design before = o.design();
    auto* take = o.window.findChild<QAbstractButton*>("takeWay");
    CHECK(take->isEnabled());
    o.click("takeWay");
    const ResultsPtr r = o.window.bench().results();
    REQUIRE(r->run);
    CHECK(r->run->path.maxDepth_m >= 1.7);
    CHECK(r->run->path.maxDepth_m <= 2.1);
    CHECK(o.derived().rest->spare == Approx(before.brief.wantedSpare).margin(1e-3));
    o.window.bench().document.undoStack()->undo();
    CHECK(o.design() == before);
    o.beside("waysTab");
    const auto lengthens = [table] {
        int rows = 0;
        for (int row = 0; row < table->rowCount(); ++row) {
            rows += table->item(row, 3)->text().contains("long") ? 1 : 0;
        }
        return rows;
    };
    CHECK(lengthens() > 0);
    // A lever held stays where it is, whatever way is taken.
    o.window.goTo("/aim/length_moves");
    auto* moves = o.window.findChild<QCheckBox*>("/aim/length_moves");
    REQUIRE(moves != nullptr);
    moves->click();
    o.settle();
    o.tab("aimTabs", "Ways");
    o.beside("waysTab");
    CHECK(table->rowCount() > 0);
    CHECK(lengthens() == 0);
    // What was edited since is not undone by a way found before.
    REQUIRE(take->isEnabled());
    Design edited = o.design();
    edited.name = "edited since";
    o.window.bench().document.submit(Design(edited), "edit");
    take->click();
    CHECK(o.design() == edited);
    CHECK(o.window.message().contains("changed since"));
}

TEST_CASE("what another bait does becomes the wish, and what cannot be one is told") {
    Opened o;
    Design other = o.design();
    other.name = "the one that swims right";
    other.lip.length_m *= 0.8;
    const QString path = o.folder.filePath("other.wade");
    REQUIRE_FALSE(writeWholeFile(path.toStdString(), writeDesign(other)));
    const Result<AimValues> does = aimValuesOf(other);
    REQUIRE(does);
    o.window.goTo("/aim/depth_low");
    auto* like = o.window.findChild<LikeButton*>("wishLike");
    REQUIRE(like != nullptr);
    const Design before = o.design();
    like->open(path);
    REQUIRE(QTest::qWaitFor([&] { return !(o.design() == before); }, 20000));
    CHECK(o.window.message().contains("the one that swims right"));
    const AimNotes& wish = o.design().aim;
    CHECK(*wish.depth.low == Approx(0.9 * *does->of(AimMeasure::Depth)));
    CHECK(*wish.beats.high == Approx(1.1 * *does->of(AimMeasure::Beats)));
    CHECK(*wish.swing.low == Approx(0.75 * *does->of(AimMeasure::Swing)));
    // How much a wish counts is asked once there is one.
    CHECK(o.window.findChild<QLineEdit*>("/aim/depth_weight")->isVisible());
    CHECK_FALSE(o.window.findChild<QLineEdit*>("/aim/pitch_weight")->isVisible());
    o.type("/aim/pitch_low", "-20");
    CHECK(o.window.findChild<QLineEdit*>("/aim/pitch_weight")->isVisible());
    o.type("/aim/pitch_weight", "2");
    const AimWish made = wishOf(o.derived());
    REQUIRE(made.targets.size() == 4);
    CHECK(made.targets.back().what == AimMeasure::Pitch);
    CHECK(made.targets.back().high == Approx(-15 * kDegree));
    CHECK(made.targets.back().weight == 2);
    const int steps = o.window.bench().document.undoStack()->index();
    like->open(o.folder.filePath("nowhere.wade"));
    CHECK(o.window.message().contains("▲ nowhere.wade"));
    CHECK(o.window.bench().document.undoStack()->index() == steps);
}

TEST_CASE("a trial of the cloud is told under the pointer and can be taken over") {
    Opened o;
    holdSome(o);
    o.type("/aim/depth_low", "1.9");
    o.tab("aimTabs", "Ways");
    o.beside("waysTab");
    auto* cloud = o.window.findChild<QCustomPlot*>("aimCloud");
    REQUIRE(cloud->graphCount() >= 3);
    const QPoint from(cloud->axisRect()->center());
    QTest::mousePress(cloud, Qt::LeftButton, Qt::NoModifier, from);
    const QString first = o.text("aimWords");
    CHECK(first.contains("A trial: "));
    QMouseEvent drag(QEvent::MouseMove, QPointF(cloud->axisRect()->bottomRight()),
                     QPointF(cloud->axisRect()->bottomRight()), Qt::NoButton, Qt::LeftButton,
                     Qt::NoModifier);
    QCoreApplication::sendEvent(cloud, &drag);
    CHECK(o.text("aimWords") != first);
    QTest::mouseRelease(cloud, Qt::LeftButton);
    // The keys go through the trials as well.
    cloud->setFocus();
    const auto which = [&] { return o.text("aimWords").section('\n', 0, 0); };
    const QString dragged = which();
    QTest::keyClick(cloud, Qt::Key_Left);
    CHECK(which() != dragged);
    QTest::keyClick(cloud, Qt::Key_Right);
    CHECK(which() == dragged);
    // Its lead planned and all of it reckoned, it stands dashed as it would be taken over.
    auto* take = o.window.findChild<QAbstractButton*>("takeWay");
    REQUIRE(QTest::qWaitFor([&] { return take->isEnabled(); }, 20000));
    const auto told = [&] {
        static const QRegularExpression figure("it gives ([0-9.,]+)");
        return figure.match(o.text("aimWords")).captured(1).replace(',', '.');
    };
    const QString depth = told();
    REQUIRE(o.window.bench().dashed());
    CHECK(QString("%1").arg(o.window.bench().dashed()->run->path.maxDepth_m, 0, 'f', 1) == depth);
    const Design before = o.design();
    o.click("takeWay");
    CHECK_FALSE(o.design().lip == before.lip);
    const ResultsPtr taken = o.window.bench().results();
    CHECK(QString("%1").arg(taken->run->path.maxDepth_m, 0, 'f', 1) == depth);
    CHECK(o.derived().rest->spare == Approx(before.brief.wantedSpare).margin(1e-3));
}

TEST_CASE("what cannot be had is said, and what else would do is taken over from the list",
          "[again]") {
    Opened o;
    holdSome(o);
    o.type("/aim/depth_low", "3.9");
    o.type("/aim/depth_high", "4.6");
    o.tab("aimTabs", "Ways");
    o.beside("waysTab");
    CHECK(o.text("aimWords").contains("Cannot be had so: depth"));
    auto* table = o.window.findChild<QTableWidget*>("aimWays");
    CHECK(table->item(0, 2)->text().contains("misses"));
    const int with = rowOf(*table, "With ");
    REQUIRE(with > 0);
    table->selectRow(with);
    const Brief before = o.design().brief;
    o.click("takeWay");
    CHECK_FALSE(o.design().brief == before);
    o.beside("waysTab");
    INFO(o.text("aimWords").toStdString() << " then " << table->item(0, 2)->text().toStdString());
    CHECK(table->item(0, 2)->text().endsWith("%"));
    // Nonsense is refused beside its field; a band turned round says so.
    o.type("/aim/depth_high", "deep");
    CHECK(o.window.findChild<QLabel*>("/aim/depth_high/fault")->text().contains("not a measure"));
    o.type("/aim/depth_high", "3");
    o.tab("aimTabs", "Ways");
    o.beside("waysTab");
    CHECK(o.text("aimWords").contains("begin below its end"));
    CHECK_FALSE(o.window.findChild<QAbstractButton*>("takeWay")->isEnabled());
}

TEST_CASE("the way looked at stands dashed over picture, run and swim until the bait is changed") {
    Opened o;
    holdSome(o);
    o.type("/aim/depth_low", "1.7");
    o.type("/aim/depth_high", "2.1");
    o.tab("aimTabs", "Ways");
    o.beside("waysTab");
    Workbench& bench = o.window.bench();
    auto* table = o.window.findChild<QTableWidget*>("aimWays");
    const int least = rowOf(*table, "Least change");
    REQUIRE(least >= 0);
    const auto dashes = [&](const QString& name) {
        return QTest::qWaitFor([&] { return bench.dashed() && bench.dashed()->name() == name; },
                               30000);
    };
    REQUIRE(dashes("Best"));
    table->selectRow(least);
    REQUIRE(dashes("Least change"));
    const auto other = bench.dashed();
    const Design& there = *other->derived->design;
    CHECK_FALSE((there.lip == o.design().lip && there.tie == o.design().tie));
    CHECK(other->run->path.maxDepth_m >= 1.6);
    CHECK(other->run->path.maxDepth_m <= 2.2);
    const QImage with = o.window.tank().grab().toImage();
    bench.setDashed({});
    CHECK(o.window.tank().grab().toImage() != with);
    bench.setDashed(other);
    CHECK(o.window.tank().grab().toImage() == with);
    o.window.rail().choose(Step::Swim);
    o.beside("swimPart");
    CHECK(o.text("dashedWords").contains("Dashed: Least change"));
    o.window.rail().choose(Step::Body);
    CHECK_FALSE(bench.dashed());
    o.window.rail().choose(Step::Swim);
    o.beside("swimPart");
    CHECK_FALSE(o.text("dashedWords").contains("Least change"));
    o.window.rail().choose(Step::Aim);
    REQUIRE(dashes("Least change"));
    o.click("takeWay");
    CHECK_FALSE(bench.dashed());
}

TEST_CASE("why: each step says what it does to depth, beats and swing, and how surely") {
    Opened o;
    o.window.rail().choose(Step::Aim);
    o.tab("aimTabs", "Why");
    o.beside("whyPart");
    auto* table = o.window.findChild<QTableWidget*>("whyLevers");
    REQUIRE(table->columnCount() == 4);
    const int steeper = rowOf(*table, "lip 1");
    REQUIRE(steeper >= 0);
    CHECK(table->item(steeper, 1)->text().startsWith(QStringLiteral("−")));
    for (int column = 1; column < 4; ++column) {
        CHECK(table->item(steeper, column)->text().contains("%)"));
    }
    const int line = rowOf(*table, "line ");
    REQUIRE(line >= 0);
    CHECK_FALSE(table->item(line, 2)->text().contains("%"));
}

TEST_CASE("the wish over lengths fills row by row, says what misses, and a row opens as a bait",
          "[again]") {
    Opened o;
    holdSome(o);
    o.window.rail().choose(Step::Aim);
    o.tab("aimTabs", "Sizes");
    auto* lengths = o.window.findChild<QLineEdit*>("sizeLengths");
    REQUIRE(lengths != nullptr);
    lengths->selectAll();
    QTest::keyClicks(lengths, "70; wide");
    QTest::keyClick(lengths, Qt::Key_Return);
    o.beside("sizesTab");
    CHECK(o.text("sizeWords").contains("no length of a bait"));
    lengths->selectAll();
    QTest::keyClicks(lengths, "40; 92");
    QTest::keyClick(lengths, Qt::Key_Return);
    o.beside("sizesTab");
    auto* table = o.window.findChild<QTableWidget*>("aimSizes");
    REQUIRE(table->rowCount() == 2);
    CHECK(table->item(0, 5)->text().contains(QStringLiteral("▲")));
    table->selectRow(1);
    CHECK(o.text("sizeWords").contains("Gives"));
    DesignPtr opened;
    QObject::connect(&o.window.bench(), &Workbench::openWanted, &o.window,
                     [&](const DesignPtr& design) { opened = design; });
    o.window.bench().document.undoStack()->setClean();
    o.click("openAimedSize");
    REQUIRE(opened);
    CHECK(overallSize(opened->body).length_m == Approx(0.092));
}

TEST_CASE("a wished walk becomes a joint to cut, taken over as one step", "[again]") {
    Opened o(3);
    o.window.rail().choose(Step::Aim);
    o.tab("aimTabs", "Joints");
    o.beside("aimJointsTab");
    CHECK(o.text("aimJointWords").contains("Say how far a pull should turn it"));
    auto* table = o.window.findChild<QTableWidget*>("aimJoints");
    CHECK_FALSE(table->isVisible());
    o.type("/aim/turn_low", "20");
    o.type("/aim/turn_high", "120");
    o.tab("aimTabs", "Joints");
    o.beside("aimJointsTab");
    REQUIRE(table->rowCount() > 3);
    CHECK(table->item(0, 2)->text() == "as wished");
    CHECK(table->item(0, 0)->text().contains("opens"));
    int row = 0;  // one that changes something
    auto* take = o.window.findChild<QAbstractButton*>("takeJoint");
    while (row < table->rowCount() && !take->isEnabled()) {
        table->selectRow(row++);
    }
    REQUIRE(take->isEnabled());
    CHECK(o.text("aimJointWords").contains("both faces cut back at"));
    const Design before = o.design();
    take->click();
    o.settle();
    CHECK_FALSE(o.design().joints == before.joints);
    o.window.bench().document.undoStack()->undo();
    CHECK(o.design() == before);
    // The wrong way round is said, and nothing is offered.
    o.type("/aim/turn_low", "130");
    o.tab("aimTabs", "Joints");
    o.beside("aimJointsTab");
    CHECK(o.text("aimJointWords").contains("begin below its end"));
    CHECK_FALSE(take->isEnabled());
    // A bait with a lip swings as one, and a bait without joints is sent to cut one.
    Opened lipped;
    lipped.window.rail().choose(Step::Aim);
    lipped.tab("aimTabs", "Joints");
    lipped.beside("aimJointsTab");
    CHECK(lipped.text("aimJointWords").contains("no joints"));
}

TEST_CASE("weights for several waters, one put in, and hooks for three rates, one set put on") {
    Opened o(1);
    o.window.rail().choose(Step::Aim);
    o.tab("aimTabs", "Weights");
    o.beside("weightsTab");
    auto* table = o.window.findChild<QTableWidget*>("bellyWeights");
    CHECK(table->rowCount() == 6);
    CHECK(table->columnCount() == 6);
    const auto typed = [&](const char* name, const QString& text) {
        auto* line = o.window.findChild<QLineEdit*>(name);
        REQUIRE(line != nullptr);
        line->selectAll();
        QTest::keyClicks(line, text);
        QTest::keyClick(line, Qt::Key_Return);
        o.beside("weightsTab");
    };
    typed("weightTemperatures", "4; warm");
    CHECK(o.text("weightWords").contains("no temperature of water"));
    CHECK(table->rowCount() == 0);
    typed("weightTemperatures", "4; 25");
    typed("weightLeads", onScreen("1.2; 2; 90"));
    REQUIRE(table->rowCount() == 3);
    CHECK(table->item(2, 2)->text().contains(QStringLiteral("▲")));
    auto* put = o.window.findChild<QAbstractButton*>("putWeight");
    table->selectRow(2);
    CHECK(o.text("weightWords").contains("These bores take at most"));
    CHECK_FALSE(put->isEnabled());
    table->selectRow(1);
    REQUIRE(put->isEnabled());
    const Design before = o.design();
    put->click();
    o.settle();
    double lead = 0;
    for (const MassItem& item : o.derived().mass->items) {
        lead += item.kind == PartKind::Plug ? item.mass_kg : 0.0;
    }
    CHECK(lead == Approx(2e-3));
    o.window.bench().document.undoStack()->undo();
    CHECK(o.design() == before);

    o.tab("aimTabs", "Hooks");
    o.beside("hookRatesTab");
    auto* hooks = o.window.findChild<QTableWidget*>("hookRates");
    REQUIRE(hooks->rowCount() == 3);
    hooks->selectRow(1);
    CHECK(hooks->item(1, 4)->text() == "as wished");
    o.click("putHookRates");
    o.settle();
    CHECK_FALSE(o.design().fittings == before.fittings);
    CHECK(o.design().brief.wantedState == WantedState::Sink);
    CHECK(o.derived().rest->speed_m_s == Approx(before.tank.sinkRateTwo_m_s).epsilon(0.25));
    o.window.bench().document.undoStack()->undo();
    CHECK(o.design() == before);
}
