// The swim step and the lip's editor, worked as a maker works them.
#include <qcustomplot.h>

#include <QFileDialog>
#include <QLineEdit>
#include <QRegularExpression>
#include <QSlider>
#include <QTableView>
#include <QTableWidget>

#include "app/pages/swim/ghost_choice.h"
#include "app/views/chain_view.h"
#include "app/views/lip_canvas.h"
#include "app/views/motion_view.h"
#include "core/placed/lip_sheet.h"
#include "files/design_file.h"
#include "files/embedded_data.h"
#include "opened.h"
#include "words/build_words.h"

using namespace wl;
using namespace wl::test;

namespace {

void show(Opened& o, const char* tab, const char* part) {
    o.window.rail().choose(Step::Swim);
    o.tab("swimTabs", tab);
    o.beside(part);
}

}  // namespace

TEST_CASE("the swim plays, pauses and is scrubbed, and follows an edit of the lip in mid-play") {
    Opened o;
    show(o, "Motion", "swimPart");
    auto* view = o.window.findChild<MotionView*>("motionView");
    REQUIRE(view != nullptr);
    CHECK(o.text("swimWords").contains("full beats a second"));
    CHECK(o.text("swimWords").contains("Roll under tow not settled"));
    CHECK(o.text("swimWords").contains("The depth told everywhere is the still bait's"));
    CHECK(o.window.rail().verdict(Step::Swim).contains("beats/s"));
    auto* play = o.window.findChild<QAbstractButton*>("playSwim");
    play->setChecked(true);
    REQUIRE(view->isPlaying());
    const double from = view->time();
    REQUIRE(QTest::qWaitFor([&] { return view->time() != from; }, 5000));
    auto* scrub = o.window.findChild<QSlider*>("scrubSwim");
    scrub->setValue(250);
    CHECK_FALSE(view->isPlaying());  // a hand on the slider holds it
    CHECK(view->time() == Approx(0.25));
    const QImage quarter = view->grab().toImage();
    scrub->setValue(0);
    CHECK(view->grab().toImage() != quarter);
    play->setChecked(true);
    const QString before = o.text("swimWords");
    o.type("/lip/width", "14");
    show(o, "Motion", "swimPart");
    CHECK(o.text("swimWords") != before);
    CHECK(view->isPlaying());
    play->setChecked(false);
}

TEST_CASE("another bait stands dashed beside the motion, one of another kind is told") {
    Opened o;
    show(o, "Motion", "swimPart");
    auto* view = o.window.findChild<MotionView*>("motionView");
    o.window.findChild<QAbstractButton*>("playSwim")->setChecked(false);
    view->setTime(0.25);
    auto* ghost = o.window.findChild<GhostChoice*>("swimGhost");
    REQUIRE(ghost != nullptr);
    const auto seen = [&] {
        view->resize(400, 330);  // whatever room the words leave
        return view->grab().toImage();
    };
    const auto choose = [&](int index) {
        ghost->setCurrentIndex(index);
        emit ghost->activated(index);
        o.beside("swimPart");
    };
    const auto openOther = [&](const QByteArray& text, const char* name) {
        const QString path = o.folder.filePath(name);
        QFile file(path);
        REQUIRE(file.open(QIODevice::WriteOnly));
        file.write(text);
        file.close();
        QTimer waiting;
        QObject::connect(&waiting, &QTimer::timeout, [&] {
            if (auto* files = qobject_cast<QFileDialog*>(QApplication::activeModalWidget())) {
                waiting.stop();
                files->findChild<QLineEdit*>("fileNameEdit")->setText(path);
                QTest::keyClick(files->findChild<QLineEdit*>("fileNameEdit"), Qt::Key_Return);
            }
        });
        waiting.start(20);
        choose(1);
    };
    choose(2);
    const QImage alone = seen();
    Design wider = o.design();
    wider.name = "wide one";
    wider.lip.width_m *= 1.3;
    openOther(QByteArray::fromStdString(writeDesign(wider)), "wide.wade");
    CHECK(o.text("dashedWords").contains("Dashed: wide one"));
    CHECK(o.text("dashedWords").contains("full beats a second"));
    CHECK(seen() != alone);
    openOther(QByteArray::fromStdString(std::string(embedded::glide_bait_wade())), "glide.wade");
    CHECK(o.text("dashedWords").contains("does not swim this way"));
    CHECK(seen() == alone);
    openOther("no design", "broken.wade");
    CHECK(ghost->ghost() == Ghost::Other);  // what stood there stays
    choose(2);
    CHECK_FALSE(o.window.findChild<QWidget*>("dashedWords")->isVisible());
    // A walked bait beside another.
    o.window.openDemo(3);
    o.settle();
    Design stiffer = o.design();
    stiffer.name = "stiff one";
    stiffer.joints[0].gap_m *= 0.7;
    openOther(QByteArray::fromStdString(writeDesign(stiffer)), "stiff.wade");
    CHECK(o.text("dashedWords").contains("the way of stiff one"));
}

TEST_CASE("over speed it says where it wakes, and for one not settled nothing of blowing out") {
    Opened o;
    show(o, "Over speed", "swimSpeedPart");
    auto* plot = o.window.findChild<QCustomPlot*>("swimBeats");
    REQUIRE(plot != nullptr);
    CHECK(plot->graph(0)->dataCount() == 20);
    CHECK(o.text("swimSpeedWords").contains("Wakes at about"));
    CHECK(o.text("swimSpeedWords").contains("not settled"));
}

TEST_CASE("a jointed bait is walked with the rod: its way is played, its joints are tried") {
    Opened o;
    o.window.openDemo(3);
    o.settle();
    show(o, "Motion", "swimPart");
    auto* view = o.window.findChild<ChainView*>("chainView");
    REQUIRE(view != nullptr);
    CHECK(view->isVisible());
    CHECK_FALSE(o.window.findChild<QWidget*>("motionView")->isVisible());
    CHECK(o.text("swimWords").contains("a pull"));
    CHECK(o.text("swimWords").contains("comes to its stop"));
    CHECK(o.window.rail().verdict(Step::Swim).contains("rod"));
    auto* scrub = o.window.findChild<QSlider*>("scrubSwim");
    scrub->setValue(300);
    CHECK(view->time() == Approx(0.3));
    const QImage then = view->grab().toImage();
    scrub->setValue(700);
    CHECK(view->grab().toImage() != then);
    show(o, "Over speed", "swimSpeedPart");
    CHECK(o.text("swimSpeedWords").contains("cadence"));
    show(o, "Joints", "jointsPart");
    auto* table = o.window.findChild<QTableWidget*>("jointTrials");
    REQUIRE(table != nullptr);
    CHECK(table->rowCount() == 7);
    CHECK(table->item(0, 0)->text() == "as drawn");
    o.window.openDemo(0);
    o.settle();
    show(o, "Joints", "jointsPart");
    CHECK_FALSE(table->isVisible());
    CHECK(o.text("jointTrialWords").contains("no joints"));
}

TEST_CASE("a three-piece bait is drawn in twelve runs, and a film sets its beat") {
    Opened o;
    o.window.openDemo(4);
    o.settle();
    show(o, "Motion", "swimPart");
    CHECK(o.text("swimWords").contains("of 12 runs do"));
    CHECK(o.window.findChild<ChainView*>("chainView")->isVisible());
    o.type("/swim/film_frames", "480");
    o.type("/swim/film_speed", QString::number(o.design().brief.retrieveSpeed_m_s));
    show(o, "Motion", "swimPart");
    CHECK(o.text("swimWords").contains("Beats by your film"));
    if (kThorough) {  // nineteen grids of twelve
        const double reckoned = chainTrial(o.derived(), 0.9).beats_1_s.middle;
        const Snake filmed = snakeOf(o.derived(), 0.9);
        REQUIRE(filmed.filmed);
        show(o, "Joints", "jointsPart");
        CHECK(o.text("jointTrialWords")
                  .contains(QLocale().toString(filmed.beats_1_s.middle / reckoned, 'f', 2) +
                            " times those reckoned"));
        show(o, "Motion", "swimPart");
    }
    o.type("/swim/film_frames", "40");
    show(o, "Motion", "swimPart");
    CHECK(o.text("swimWords").contains("not used"));
}

TEST_CASE("tuning: faults with their bends, and no side told for a bait without a lip") {
    Opened o;
    show(o, "Tuning", "tuningPart");
    auto* table = o.window.findChild<QTableWidget*>("faults");
    REQUIRE(table != nullptr);
    CHECK(table->rowCount() == 5);
    CHECK(o.text("tuningWords").contains("two speeds"));
    o.window.openDemo(1);
    o.settle();
    show(o, "Tuning", "tuningPart");
    CHECK(o.text("tuningWords").contains("needs a trial"));
    CHECK_FALSE(table->isVisible());
}

TEST_CASE("from a symptom to suspects and what mends it") {
    Opened o;
    show(o, "Tuning", "symptomPart");
    CHECK(o.text("symptomWords").contains("Likeliest first"));
    CHECK(o.text("symptomWords").contains("tie bent"));
    auto* speeds = o.window.findChild<QComboBox*>("twoSpeeds");
    speeds->setCurrentIndex(2);
    o.beside("symptomPart");
    CHECK_FALSE(o.text("symptomWords").contains("tie bent"));
    CHECK(o.text("symptomWords").contains("lead to the"));
    auto* symptom = o.window.findChild<QComboBox*>("symptom");
    symptom->setCurrentIndex(2);
    o.beside("symptomPart");
    CHECK_FALSE(speeds->isEnabled());
    CHECK(o.text("symptomWords").contains("a radian"));
    CHECK(o.text("symptomWords").contains(QRegularExpression("tie 1.*up: then")));
}

TEST_CASE("a film count sets the beat, and taken away gives back what was told") {
    Opened o;
    show(o, "Motion", "swimPart");
    const QString told = o.text("swimWords");
    o.type("/swim/film_frames", "400");
    o.type("/swim/film_rate", "30");
    show(o, "Motion", "swimPart");
    CHECK(
        o.text("swimWords").contains("not used"));  // under a beat a second: no count of this bait
    o.type("/swim/film_rate", "120");
    o.window.rail().choose(Step::Swim);
    show(o, "Motion", "swimPart");
    CHECK(o.text("swimWords").contains("by your film"));
    o.type("/swim/film_frames", "nine");
    CHECK(o.design().swim.filmFrames == 400.0);
    QLineEdit* frames = o.field("/swim/film_frames");
    frames->setFocus();
    frames->selectAll();
    QTest::keyClick(frames, Qt::Key_Delete);
    QTest::keyClick(frames, Qt::Key_Return);
    o.settle();
    CHECK_FALSE(o.design().swim.filmFrames.has_value());
    show(o, "Motion", "swimPart");
    INFO(told.toStdString() << "\n--- now:\n" << o.text("swimWords").toStdString());
    CHECK((o.text("swimWords") == told));
}

TEST_CASE("rolls timed in a bowl are said beside their field and in the motion") {
    Opened o;
    o.type("/swim/bowl_rolls", "10");
    o.type("/swim/bowl_time", "60");
    show(o, "Motion", "swimPart");
    CHECK(o.text("swimWords").contains("rolls timed in the bowl are too far"));
    const BowlRoll bowl = *o.window.bench().results()->swim->bowl;
    o.type("/swim/bowl_time", QString::number(10 / (1.1 * bowl.told_1_s), 'f', 2));
    show(o, "Motion", "swimPart");
    CHECK(o.text("swimWords").contains("a second in your bowl"));
}

TEST_CASE("limits that cross are told") {
    Opened o;
    o.type("/swim/medium_from", "20");
    const auto& findings = o.window.bench().results()->findings;
    CHECK(std::any_of(findings.begin(), findings.end(),
                      [](const Finding& f) { return f.code == "swim.limits_cross"; }));
}

TEST_CASE("a lip drawn freely: corners dragged, keyed, added, taken away and typed") {
    Opened o;
    o.window.rail().choose(Step::LipAndTie);
    o.tab("lipTabs", "Outline");
    const double area = measureLip(o.design().lip).area_m2;
    o.choose("/lip/family", 5);
    REQUIRE(o.design().lip.family == LipFamily::Free);
    CHECK(measureLip(o.design().lip).area_m2 == Approx(area).epsilon(0.02));
    auto* canvas = o.window.findChild<LipCanvas*>("lipCanvas");
    REQUIRE(canvas != nullptr);
    const size_t corners = o.design().lip.outline.size();
    // Dragged outward: the full width follows.
    const auto edge = lipEdge_m(o.design().lip);
    size_t widest = 0;
    for (size_t i = 0; i < edge.size(); ++i) {
        widest = edge[i].y() > edge[widest].y() ? i : widest;
    }
    const QPoint at = canvas->corner(int(widest)).toPoint();
    const double width = o.design().lip.width_m;
    QTest::mousePress(canvas, Qt::LeftButton, {}, at);
    QTest::mouseMove(canvas, at - QPoint(12, 0));
    QTest::mouseRelease(canvas, Qt::LeftButton, {}, at - QPoint(12, 0));
    o.settle();
    CHECK(o.design().lip.width_m > width);
    o.window.bench().document.undoStack()->undo();
    o.settle();
    CHECK(o.design().lip.width_m == width);
    canvas->setFocus();
    QTest::keyClick(canvas, Qt::Key_Insert);
    CHECK(o.design().lip.outline.size() == corners + 1);
    QTest::keyClick(canvas, Qt::Key_Delete);
    CHECK(o.design().lip.outline.size() == corners);
    CHECK(canvas->accessibleDescription().contains("corner"));
    // Typed in the table; a corner that would cross is refused beside it, and nothing is lost.
    auto* table = o.window.findChild<QTableView*>("lipCorners");
    REQUIRE(table != nullptr);
    const Lip before = o.design().lip;
    REQUIRE(table->model()->setData(table->model()->index(0, 1), "7", Qt::EditRole));
    o.settle();
    CHECK(lipEdge_m(o.design().lip)[0].y() == Approx(0.007));
    o.window.bench().document.undoStack()->undo();
    CHECK(o.design().lip == before);
    table->model()->setData(table->model()->index(0, 1), "wide", Qt::EditRole);
    CHECK(o.design().lip == before);
    // The tie's wire through two holes.
    o.choose("/tie/place", 1);
    o.choose("/tie/holes", 2);
    o.type("/tie/wire", "1");
    CHECK(measureTieWire(o.design()).holes.size() == 2);
    CHECK(measureTieWire(o.design()).mass_kg > 0);
    o.type("/tie/leg", "12");
    CHECK(o.design().tie.leg_m == Approx(0.012));
    o.settle();
    BuildStep set;
    set.kind = StepKind::SetLip;
    CHECK(stepHow(set, o.design(), o.derived(), Bench::Metric).contains("into the hole of"));
}
