// Tank, handles, apart view, papers and keys with jointed and other baits, in the real window.
#include <QAction>
#include <QComboBox>
#include <QLineEdit>
#include <QPainter>
#include <QProcess>
#include <QPushButton>
#include <QSvgRenderer>
#include <QTableView>
#include <QTemporaryDir>
#include <QTest>
#include <QToolButton>
#include <catch2/catch.hpp>

#include "app/dialogs/trace_dialog.h"
#include "app/frame/main_window.h"
#include "app/kit/theme.h"
#include "app/views/bait_painter.h"
#include "core/draw/draw_bait.h"
#include "core/shape/edit_body.h"
#include "gui/opened.h"
#include "sheet/bench_sheet.h"
#include "support/sample_bait.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

// How many different colours a picture holds: a pane that drew nothing has one or two.
int colours(const QWidget& widget) {
    const QImage image = const_cast<QWidget&>(widget).grab().toImage();
    QSet<QRgb> seen;
    for (int y = 0; y < image.height(); y += 2) {
        for (int x = 0; x < image.width(); x += 2) {
            seen.insert(image.pixel(x, y));
        }
    }
    return int(seen.size());
}

int handleOf(Tank& tank, const QString& path) {
    const auto all = tank.handles();
    for (int i = 0; i < int(all.size()); ++i) {
        if (all[size_t(i)].fields.front().first == path) {
            return i;
        }
    }
    return -1;
}

}  // namespace

TEST_CASE("every view of every demo draws, by day and by night, large and small") {
    for (int demo = kThorough ? 0 : 4; demo < 5; ++demo) {
        Opened o(demo);
        INFO(demo);
        for (const bool dark : {false, true}) {
            if (dark && (!kThorough || demo % 4 != 0)) {
                continue;  // night and a small window: a bait of one piece and one of several
            }
            o.window.setDark(dark);
            o.window.resize(dark ? QSize(900, 600) : QSize(1500, 950));
            for (const TankView view :
                 {TankView::Side, TankView::Top, TankView::Front, TankView::Solid}) {
                o.window.showView(view);
                QCoreApplication::processEvents();
                CHECK(colours(view == TankView::Solid
                                  ? static_cast<QWidget&>(o.window.solidView().canvas())
                                  : static_cast<QWidget&>(o.window.tank())) > 8);
            }
            for (int step = 0; step < kStepCount; ++step) {
                o.window.rail().choose(Step(step));
                QCoreApplication::processEvents();
                CHECK_FALSE(o.window.rail().verdict(Step(step)).isEmpty());
            }
        }
        o.window.setDark(false);
    }
}

TEST_CASE("a joint's place is dragged on the drawing and moved by key, one step of undo each") {
    Opened o(4);
    o.window.rail().choose(Step::Joints);
    o.window.showView(TankView::Side);
    QCoreApplication::processEvents();
    Tank& tank = o.window.tank();
    tank.grab();
    const int handle = handleOf(tank, "/joints/0/x");
    REQUIRE(handle >= 0);
    const double before = o.design().joints[0].x_m;
    const QPoint from = tank.handlePosition(handle).toPoint();
    QTest::mousePress(&tank, Qt::LeftButton, {}, from);
    for (int i = 1; i <= 6; ++i) {
        QTest::mouseMove(&tank, from + QPoint(-5 * i, 0));
        QCoreApplication::processEvents();
    }
    QTest::mouseRelease(&tank, Qt::LeftButton, {}, from + QPoint(-30, 0));
    o.settle();
    CHECK(o.design().joints[0].x_m < before - 0.002);
    CHECK(o.window.bench().document.undoStack()->count() == 1);
    tank.setFocus();  // the handle last dragged is the chosen one
    const double now = o.design().joints[0].x_m;
    QTest::keyClick(&tank, Qt::Key_Right);
    o.settle();
    CHECK(o.design().joints[0].x_m == Approx(now + 0.0005).margin(1e-9));
    o.window.bench().document.undoStack()->undo();
    o.window.bench().document.undoStack()->undo();
    o.settle();
    CHECK(o.design().joints[0].x_m == before);
}

TEST_CASE("a joint dragged off the body is refused in words and the last bait stays on screen") {
    Opened o(4);
    Design d = o.design();
    d.joints[1].x_m = 0.2;
    o.window.bench().document.submit(d, "off");
    o.settle();
    REQUIRE(o.window.bench().results()->error);
    CHECK(o.window.bench().results()->error->code == "joint.off_the_body");
    CHECK(colours(o.window.tank()) > 8);
    CHECK(o.window.findChild<QWidget*>("findings") != nullptr);
    bool said = false;
    for (auto* label : o.window.findChildren<QLabel*>()) {
        said = said || label->text().contains("not on the body");
    }
    CHECK(said);
    o.window.goTo("/joints/1/x");
    CHECK(o.window.findChild<QTableView*>("joints")->currentIndex().row() == 1);
}

TEST_CASE("the pieces are let go apart, and a bait of one piece has nothing to take apart") {
    Opened o(4);
    auto* apart = o.window.findChild<QToolButton*>("apart");
    REQUIRE(apart->isEnabled());
    const QImage together = o.window.tank().grab().toImage();
    apart->click();
    CHECK(o.window.tank().showsApart());
    CHECK(o.window.tank().handles().empty());
    CHECK(o.window.tank().grab().toImage() != together);
    o.window.openDemo(0);
    o.settle();
    CHECK_FALSE(apart->isEnabled());
    CHECK_FALSE(o.window.tank().showsApart());
}

TEST_CASE("the nose face moves by key while the body is worked on") {
    Opened o(0);
    Design d = o.design();
    d.body.noseFace.present = true;
    d.body.noseFace.x_m = 0.008;
    o.window.bench().document.submit(d, "face");
    o.settle();
    o.window.rail().choose(Step::Body);
    Tank& tank = o.window.tank();
    tank.setFocus();
    const int count = int(tank.handles().size());
    REQUIRE(handleOf(tank, "/body/nose_face/x") == count - 1);
    QTest::keyClick(&tank, Qt::Key_BracketRight);
    QTest::keyClick(&tank, Qt::Key_BracketLeft);
    QTest::keyClick(&tank, Qt::Key_Right, Qt::ShiftModifier);
    o.settle();
    CHECK(o.design().body.noseFace.x_m == Approx(0.013));
}

TEST_CASE("locks hold in every way of editing, and undo gives back the very body") {
    Document document;
    Design d = demoDesign();
    d.body.locks.height = true;
    document.replace(d, {}, false);
    Design taller = d;
    taller.body.stations[3].back_m += 0.006;
    document.submit(taller, "taller");
    CHECK(overallSize(document.design()->body).height_m ==
          Approx(overallSize(d.body).height_m).epsilon(1e-12));
    CHECK(document.design()->body.stations[3].back_m > d.body.stations[3].back_m);
    document.undoStack()->undo();
    CHECK(*document.design() == d);
    CHECK_FALSE(document.setField("/body/stations/3/belly", -0.020));
    CHECK(overallSize(document.design()->body).height_m ==
          Approx(overallSize(d.body).height_m).epsilon(1e-12));
    Design open = *document.design();
    open.body.locks.height = false;
    document.submit(open, "unlock");
    CHECK_FALSE(document.setField("/body/stations/3/belly", -0.020));
    CHECK(document.design()->body.stations[3].belly_m == -0.020);
}

TEST_CASE("points of a trace are set and moved by key alone") {
    TraceCanvas canvas(QImage(200, 100, QImage::Format_RGB32), {});
    canvas.resize(400, 220);
    canvas.show();
    canvas.setFocus();
    QTest::keyClick(&canvas, Qt::Key_Insert);
    REQUIRE(canvas.trace().scale.size() == 1);
    const double across = canvas.trace().scale[0].across;
    QTest::keyClick(&canvas, Qt::Key_Right);
    CHECK(canvas.trace().scale[0].across == Approx(across + 0.005));
    QTest::keyClick(&canvas, Qt::Key_Up, Qt::ShiftModifier);
    CHECK(canvas.trace().scale[0].down == Approx(0.25 - 0.0005));
    QTest::keyClick(&canvas, Qt::Key_Insert);
    QTest::keyClick(&canvas, Qt::Key_Insert);
    CHECK(canvas.trace().scale.size() == 2);
    canvas.setTool(TraceCanvas::Tool::Back);
    QTest::keyClick(&canvas, Qt::Key_Insert);
    CHECK(canvas.trace().back.size() == 1);
    QTest::keyClick(&canvas, Qt::Key_Delete);
    CHECK(canvas.trace().back.empty());
}

TEST_CASE("the third paper prints joints, and the lathe's half template at true scale") {
    QTemporaryDir folder;
    auto printed = [&folder](const char* demo) {
        const QString pdf = folder.filePath(QStringLiteral("%1.pdf").arg(demo));
        REQUIRE_FALSE(writeBenchSheet(demoNamed(demo), pdf, Bench::Metric));
        QProcess text;
        text.start("pdftotext", {"-layout", pdf, "-"});
        REQUIRE(text.waitForFinished(60000));
        return QString::fromUtf8(text.readAllStandardOutput());
    };
    const QString swimmer = printed("swimmer");
    for (const char* word : {"neck", "waist", "bevel ahead", "Each piece", "heavy"}) {
        INFO(word);
        CHECK(swimmer.contains(word));
    }
    CHECK(printed("glide-bait").contains("eye socket"));
    CHECK(printed("lipless").contains(", by volume"));
    const Design glider = demoNamed("glider");
    const Derived d = evaluated(glider);
    REQUIRE(benchPages({277, 190}, glider, d) == 4);
    CHECK(benchPages({277, 190}, demoDesign(), evaluated(demoDesign())) == 3);
    QImage page(2770, 1900, QImage::Format_RGB32);
    page.fill(Qt::white);
    QPainter painter(&page);
    painter.scale(10, 10);
    paintBenchPage(painter, 3, {277, 190}, glider, d, Bench::Metric);
    painter.end();
    // The axis of the half template: the row with the longest run of ink under the heading.
    int longest = 0;
    for (int y = 180; y < 400; ++y) {
        int run = 0;
        for (int x = 0; x < page.width(); ++x) {
            run = qGray(page.pixel(x, y)) < 140 ? run + 1 : 0;
            longest = std::max(longest, run);
        }
    }
    CHECK(longest / 10.0 == Approx(d.shape->sizes.length_m * 1000).margin(0.7));
}

TEST_CASE("the keys of the help work: steps, views, tank, apart") {
    Opened o(4);
    QTest::keyClick(&o.window, Qt::Key_7, Qt::ControlModifier);
    CHECK(o.window.swingView().isVisible());  // the seventh step is Joints
    QTest::keyClick(&o.window, Qt::Key_4, Qt::AltModifier);
    CHECK(o.window.solidView().isVisible());
    QTest::keyClick(&o.window, Qt::Key_1, Qt::AltModifier);
    CHECK(o.window.tank().isVisible());
    QTest::keyClick(&o.window, Qt::Key_6, Qt::AltModifier);
    CHECK(o.window.tank().showsApart());
    QTest::keyClick(&o.window, Qt::Key_F6);
    CHECK(o.window.tank().hasFocus());
}

TEST_CASE("the bench sheet is printed from the window, and a place it cannot go to is said") {
    Opened o(4);
    o.window.rail().choose(Step::BenchSheet);
    QCoreApplication::processEvents();
    CHECK(colours(*o.window.findChild<QWidget*>("worksheet")) > 8);  // the preview is drawn
    auto* path = o.window.findChild<QLineEdit*>("sheetPath");
    auto* save = o.window.findChild<QPushButton*>("savePdf");
    REQUIRE(path != nullptr);
    REQUIRE(save != nullptr);
    path->setFocus();
    QTest::keyClicks(path, "/no/such/folder/sheet.pdf");
    save->click();
    CHECK(o.window.message().contains("cannot be written"));
    const QString file = o.folder.filePath("sheet.pdf");
    path->clear();
    QTest::keyClicks(path, file);
    save->click();
    CHECK(o.window.message().contains("measure the bar"));
    QFile pdf(file);
    REQUIRE(pdf.open(QIODevice::ReadOnly));
    CHECK(pdf.read(5) == "%PDF-");
    QProcess info;
    info.start("pdfinfo", {file});
    REQUIRE(info.waitForFinished(60000));
    CHECK(QString::fromUtf8(info.readAllStandardOutput()).contains("Pages:           4"));
}

TEST_CASE("templates are saved from the window as a drawing of the bait's own size") {
    Opened o(0);
    o.window.rail().choose(Step::BenchSheet);
    QCoreApplication::processEvents();
    auto* path = o.window.findChild<QLineEdit*>("sheetPath");
    auto* save = o.window.findChild<QPushButton*>("saveTemplates");
    REQUIRE(path != nullptr);
    REQUIRE(save != nullptr);
    QTest::keyClicks(path, o.folder.filePath("templates.pdf"));
    save->click();
    CHECK(QTest::qWaitFor([&o] { return o.window.message().contains(".svg or .dxf"); }, 20000));
    path->setText(o.folder.filePath("sheet.svg"));
    o.window.findChild<QPushButton*>("savePdf")->click();
    CHECK(o.window.message().contains(".pdf"));
    CHECK_FALSE(QFile::exists(path->text()));
    path->clear();
    QTest::keyClicks(path, o.folder.filePath("templates"));
    save->click();
    CHECK(QTest::qWaitFor([&o] { return o.window.message().contains(".svg or .dxf"); }, 20000));
    const QString file = o.folder.filePath("templates.svg");
    path->clear();
    QTest::keyClicks(path, file);
    save->click();
    CHECK(
        QTest::qWaitFor([&o] { return o.window.message().contains("Measure the length"); }, 20000));
    // Painted by Qt's reader at 10 dots to the millimetre: from above as broad as the bait.
    QSvgRenderer svg(file);
    REQUIRE(svg.isValid());
    QImage paper(svg.viewBoxF().size().toSize(), QImage::Format_RGB32);
    paper.fill(Qt::white);
    QPainter painter(&paper);
    svg.render(&painter);
    painter.end();
    const Design design = demoDesign();
    const Derived d = evaluated(design);
    const Drawing drawing = drawTemplates(design, d);
    const auto [left, low, right, high] = extent_mm(drawing);
    std::vector<std::array<double, 4>> bodies;
    for (const Primitive& shape : drawing) {
        if (shape.layer == DrawnLayer::Body) {
            bodies.push_back(extent_mm({shape}));
        }
    }
    REQUIRE(bodies.size() > 2);  // the flat templates come after
    constexpr double kMargin = 5.0, kBeyond = 3.0;
    const int column = int((kMargin - left + 1000 * d.shape->sizes.widestAt_m) * 10);
    int first = paper.height(), last = 0;
    for (int y = int((kMargin + high - bodies[1][3] - kBeyond) * 10);
         y < int((kMargin + high - bodies[1][1] + kBeyond) * 10); ++y) {
        if (qGray(paper.pixel(column, y)) < 128) {
            first = std::min(first, y);
            last = std::max(last, y);
        }
    }
    CHECK((last - first) / 10.0 == Approx(1000 * d.shape->sizes.maxWidth_m).margin(0.8));
}

TEST_CASE(
    "two baits stand side by side: each view shows its own, an edit of one leaves the other") {
    Workbench bench;
    Bait other;
    bench.document.replace(demoDesign(), {}, false);
    other.document.replace(demoNamed("glide-bait"), {}, false);
    Tank first(bench.bait, bench), second(other, bench);
    const auto settle = [&] {
        REQUIRE(QTest::qWaitFor(
            [&] { return bench.evaluator.isSettled() && other.evaluator.isSettled(); }, 30000));
        QTest::qWait(300);  // until the bait lies still
    };
    for (Tank* tank : {&first, &second}) {
        tank->resize(700, 300);
        tank->setStep(Step::Ballast);
        tank->show();
    }
    settle();
    CHECK(first.handles().size() != second.handles().size());
    const QImage firstBefore = first.grab().toImage(), secondBefore = second.grab().toImage();
    const Design design = bench.design();
    CHECK_FALSE(other.document.setField("/bores/0/depth", 0.004));
    settle();
    CHECK(bench.design() == design);
    CHECK(bench.document.undoStack()->count() == 0);
    CHECK(other.document.undoStack()->count() == 1);
    CHECK(first.grab().toImage() == firstBefore);
    CHECK_FALSE(second.grab().toImage() == secondBefore);
}
