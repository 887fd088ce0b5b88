// Shape tools, making, joints, solid and swing views in the real window.
#include <QAction>
#include <QPushButton>
#include <QSlider>
#include <QTableView>
#include <QTableWidget>
#include <QTemporaryDir>
#include <QTest>
#include <QToolButton>
#include <catch2/catch.hpp>
#include <fstream>
#include <random>

#include "app/dialogs/series_dialog.h"
#include "app/dialogs/solid_dialog.h"
#include "app/dialogs/trace_dialog.h"
#include "app/frame/main_window.h"
#include "app/kit/record_table.h"
#include "app/pages/body/shape_tools.h"
#include "core/base/decimal.h"
#include "core/shape/edit_body.h"
#include "core/shape/trace_profile.h"
#include "gui/opened.h"
#include "session/svg_profile.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

QString written(QTemporaryDir& folder, const QString& name, const QByteArray& bytes) {
    QFile file(folder.filePath(name));
    REQUIRE(file.open(QIODevice::WriteOnly));
    file.write(bytes);
    return file.fileName();
}

}  // namespace

TEST_CASE("body tools: start shapes, sizes with locks, section kinds, each one step of undo") {
    Opened b;
    b.window.rail().choose(Step::Body);
    const Design before = b.design();
    b.trigger("start/1");
    CHECK(b.design().body.stations != before.body.stations);
    CHECK(overallSize(b.design().body).length_m == Approx(0.082));
    QTest::keyClick(&b.window, Qt::Key_Z, Qt::ControlModifier);
    b.settle();
    CHECK(b.design() == before);
    b.type("bodyLength", "100");
    CHECK(b.derived().shape->sizes.length_m == Approx(0.100));
    b.click("/body/locks/width");
    auto* view = b.window.findChild<QTableView*>("stations");
    CHECK(view->model()->setData(view->model()->index(3, 3), "14", Qt::EditRole));
    b.settle();
    CHECK(b.derived().shape->sizes.maxWidth_m == Approx(0.0216).epsilon(1e-6));
    CHECK_FALSE(b.window.findChild<QLineEdit*>("bodyWidth")->isEnabled());
    b.type("bodyWidestAt", "99 mm");
    CHECK(overallSize(b.design().body).widestAt_m < 0.095);  // too near the tail: as it was
    CHECK(view->model()->setData(view->model()->index(4, 5), "slab-sided", Qt::EditRole));
    CHECK(b.design().body.stations[4].fullnessAbove == 6.0);
    b.click("/body/nose_face/present");
    CHECK(b.design().body.noseFace.present);
    b.window.grab();
}

TEST_CASE("a picture is traced into stations, and nonsense is not") {
    Opened b;
    TraceDialog dialog(b.window.bench(), &b.window);
    CHECK_FALSE(dialog.loadPicture(written(b.folder, "no.png", "not a picture")));
    CHECK(dialog.message().contains("no PNG or JPEG"));
    QImage picture(400, 200, QImage::Format_RGB32);
    picture.fill(Qt::white);
    const QString path = b.folder.filePath("fish.png");
    REQUIRE(picture.save(path));
    REQUIRE(dialog.loadPicture(path));
    dialog.show();
    QCoreApplication::processEvents();
    auto tap = [&](int tool, std::initializer_list<PicturePoint> points) {
        dialog.findChild<QAbstractButton*>(QStringLiteral("traceTool/%1").arg(tool))->click();
        for (const PicturePoint& p : points) {
            QTest::mouseClick(dialog.canvas(), Qt::LeftButton, {},
                              dialog.canvas()->toPaper(p).toPoint());
        }
    };
    CHECK_FALSE(dialog.take());
    tap(0, {{0.1, 0.45}, {0.9, 0.45}});
    tap(1, {{0.1, 0.25}, {0.9, 0.25}});
    tap(2, {{0.2, 0.15}, {0.4, 0.12}, {0.7, 0.18}});
    tap(3, {{0.2, 0.33}, {0.4, 0.37}, {0.7, 0.31}});
    auto* known = dialog.findChild<QLineEdit*>("knownLength");
    known->setFocus();
    known->selectAll();
    QTest::keyClicks(known, "four inches");
    CHECK_FALSE(dialog.take());
    CHECK(dialog.message().contains("known length"));
    known->selectAll();
    QTest::keyClicks(known, "4 in");
    const Design before = b.design();
    REQUIRE(dialog.take());
    b.settle();
    CHECK(b.derived().shape->sizes.length_m == Approx(0.1016).epsilon(0.01));
    CHECK(b.design().trace.picture);
    CHECK(b.window.bench().document.undoStack()->count() == 1);
    b.window.rail().choose(Step::Body);
    b.window.grab();  // the picture lies under the side view
    b.window.bench().document.undoStack()->undo();
    CHECK(b.design() == before);
}

TEST_CASE("a solid is brought in by three clicks and floats on its own mesh") {
    Opened b;
    // An ellipsoid 90 x 20 x 26 mm drawn in inches, nose along +y, back up +x.
    const TriangleMesh ball = ellipsoidMesh(0.045, 0.010, 0.013, 40, 32);
    std::string obj;
    for (const Eigen::Vector3d& v : ball.vertices_m) {
        obj += "v " + fixedDecimalText(v.z() / kInch, 6) + " " +
               fixedDecimalText(-v.x() / kInch, 6) + " " + fixedDecimalText(v.y() / kInch, 6) +
               "\n";
    }
    for (const auto& t : ball.triangles) {
        obj += "f " + std::to_string(t[0] + 1) + " " + std::to_string(t[1] + 1) + " " +
               std::to_string(t[2] + 1) + "\n";
    }
    SolidDialog dialog(b.window.bench(), &b.window);
    CHECK_FALSE(dialog.load(written(b.folder, "open.obj", "v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n")));
    CHECK(dialog.message().contains("encloses nothing"));
    CHECK_FALSE(dialog.take());
    REQUIRE(dialog.load(written(b.folder, "ball.obj", QByteArray::fromStdString(obj))));
    CHECK(dialog.unit()->currentIndex() == int(FileUnit::Inch));
    CHECK(dialog.message().contains("turned"));  // its faces were written inside out
    dialog.show();
    QCoreApplication::processEvents();
    CHECK_FALSE(dialog.take());
    SolidCanvas& canvas = dialog.canvas();
    // Along the y axis lie nose and tail: looked at end on, each is in the middle of the view.
    const QPointF middle(canvas.rect().center());
    canvas.lookFrom(kPi, 0);
    QTest::mouseClick(&canvas, Qt::LeftButton, {}, middle.toPoint());
    canvas.lookFrom(0, 0);
    QTest::mouseClick(&canvas, Qt::LeftButton, {}, middle.toPoint());
    canvas.lookFrom(kPi / 2, 0);
    canvas.setFocus();
    QTest::keyClick(&canvas, Qt::Key_Return);
    CHECK(dialog.message().contains("takes it over"));
    REQUIRE(dialog.take());
    b.settle();
    CHECK(b.design().body.useSolid);
    CHECK(b.derived().shape->solid.volume_m3 ==
          Approx(4.0 / 3 * kPi * 0.045 * 0.010 * 0.013).epsilon(2e-3));
    CHECK(b.derived().shape->sizes.maxHeight_m == Approx(0.026).epsilon(0.02));
    CHECK(b.derived().shape->sizes.maxWidth_m == Approx(0.020).epsilon(0.02));
    // Editing a station hands over to the stations, as one undo step.
    b.window.rail().choose(Step::Body);
    auto* view = b.window.findChild<QTableView*>("stations");
    CHECK(view->model()->setData(view->model()->index(9, 3), "12", Qt::EditRole));
    b.settle();
    CHECK_FALSE(b.design().body.useSolid);
    CHECK(b.window.bench().document.undoStack()->count() == 2);
}

TEST_CASE("an SVG path is the profile - drawings that are not are refused, damaged ones too") {
    Opened b;
    const QByteArray good =
        "<svg xmlns='http://www.w3.org/2000/svg'><path d='M 10 50 C 10 10, 90 20, 130 50 C 90 80, "
        "10 90, 10 50 Z'/></svg>";
    importSvgProfile(b.window.bench(), written(b.folder, "bait.svg", good));
    b.settle();
    CHECK(b.derived().shape->sizes.length_m == Approx(0.082));
    CHECK(b.window.bench().document.undoStack()->count() == 1);
    auto refusal = [](const QByteArray& text) {
        const auto r = readSvgOutline(text);
        return r ? std::string("ok") : r.error().code;
    };
    CHECK(refusal(good) == "ok");
    CHECK(refusal("") == "svg.cannot_read");
    CHECK(refusal("<svg></svg>") == "svg.no_path");
    CHECK(refusal("<svg><g transform='scale(2)'><path d='M0 0'/></g></svg>") == "svg.transformed");
    CHECK(refusal("<svg><path d='M 0 0 L 1 q'/></svg>") == "svg.bad_path");
    std::mt19937 random(11);
    for (int i = 0; i < 400; ++i) {
        QByteArray text = good;
        for (int k = 0; k <= i % 5; ++k) {
            text[qsizetype(random() % size_t(text.size()))] = char(random() % 127 + 1);
        }
        text.truncate(qsizetype(random() % size_t(text.size()) + 1));
        refusal(text);
    }
    // Pictures as well: none of these may hang or crash.
    QImage picture(60, 40, QImage::Format_RGB32);
    picture.fill(Qt::gray);
    const QString path = b.folder.filePath("p.png");
    REQUIRE(picture.save(path));
    QFile file(path);
    REQUIRE(file.open(QIODevice::ReadOnly));
    const QByteArray whole = file.readAll();
    for (int i = 0; i < 200; ++i) {
        std::string bytes = whole.toStdString();
        for (int k = 0; k <= i % 4; ++k) {
            bytes[random() % bytes.size()] = char(random());
        }
        Trace trace;
        trace.picture.bytes = std::make_shared<const std::string>(bytes);
        const QImage read = tracePicture(trace, {});
        CHECK(qint64(read.width()) * read.height() <= 40'000'000);
    }
}

TEST_CASE("sizes in series are designs, and one opens as its own") {
    Opened b;
    SeriesDialog dialog(b.window.bench(), &b.window);
    const auto reckoned = [&dialog] {
        dialog.reckon();
        REQUIRE(QTest::qWaitFor([&] { return !dialog.isReckoning(); }, 30000));
        QCoreApplication::processEvents();
    };
    auto* lengths = dialog.findChild<QLineEdit*>("seriesLengths");
    lengths->setText("60; wide");
    dialog.reckon();
    CHECK(dialog.message().contains("wide"));
    // So small that the bought eye's stem reaches the bore: no lead is planned, and it says why.
    lengths->setText("25; 82");
    reckoned();
    CHECK(dialog.table()->item(0, 7)->text() == "▲ not planned");
    CHECK(dialog.table()->item(1, 7)->text() == "meets the brief");
    CHECK(dialog.message().contains("run into each other"));
    // Stopped half-way it says so, and what was not reckoned is not opened.
    lengths->setText("50; 60; 70; 80; 90; 100; 110; 120; 130; 140; 150; 160");
    dialog.reckon();
    dialog.findChild<QPushButton*>("cancelSeries")->click();
    QCoreApplication::processEvents();
    CHECK(dialog.message().startsWith("Stopped"));
    dialog.table()->setCurrentCell(11, 0);
    CHECK_FALSE(dialog.openRow());
    lengths->setText("60; 4 in");
    reckoned();
    REQUIRE(dialog.table()->rowCount() == 2);
    CHECK(dialog.table()->item(1, 0)->text().startsWith(onScreen("101.6")));
    CHECK_FALSE(dialog.openRow());
    dialog.table()->setCurrentCell(1, 0);
    b.window.bench().document.undoStack()->setClean();
    REQUIRE(dialog.openRow());
    b.settle();
    CHECK(b.derived().shape->sizes.length_m == Approx(0.1016));
    CHECK(b.derived().rest->spare == Approx(0.14).margin(0.002));
    CHECK(b.window.findChild<QLabel*>("savedState")->text().contains("not saved"));
}

TEST_CASE("a joint is cut, opened to a wanted angle, and swung to its stop by key and by hand") {
    Opened b;
    b.window.rail().choose(Step::Joints);
    QCoreApplication::processEvents();
    CHECK(b.window.swingView().isVisible());
    b.click("addJoint");
    REQUIRE(b.design().pieces.size() == 2);
    REQUIRE(b.derived().shape->joints.size() == 1);
    auto* wanted = b.window.findChild<QLineEdit*>("wantedOpening");
    b.click("bevelForOpening");
    CHECK(b.window.message().contains("in degrees"));
    wanted->setFocus();
    QTest::keyClicks(wanted, "35");
    b.click("bevelForOpening");
    CHECK(b.derived().shape->joints[0].opening.opening_rad / kDegree == Approx(35).margin(0.1));
    SwingView& swing = b.window.swingView();
    swing.setFocus();
    for (int i = 0; i < 6; ++i) {
        QTest::keyClick(&swing, Qt::Key_Right, Qt::ShiftModifier);
    }
    CHECK(swing.swings()[0] / kDegree == Approx(35).margin(0.1));
    CHECK(swing.readout().contains("touch"));
    QTest::keyClick(&swing, Qt::Key_Home);
    swing.grab();
    const QPoint at = swing.pieceMiddle(1).toPoint();
    QTest::mousePress(&swing, Qt::LeftButton, {}, at);
    QTest::mouseMove(&swing, at + QPoint(0, -30));
    CHECK(swing.swings()[0] < -0.02);
    QTest::mouseMove(&swing, at + QPoint(-200, -400));
    CHECK(swing.swings()[0] / kDegree == Approx(-35).margin(0.1));
    QTest::mouseRelease(&swing, Qt::LeftButton, {}, at);
    CHECK(b.window.findChild<QTableView*>("joints")->currentIndex().row() == 0);  // it is chosen
    b.click("removeJoint");
    CHECK(b.design().pieces.size() == 1);
    b.window.rail().choose(Step::Tank);
    CHECK(b.window.tank().isVisible());
}

TEST_CASE("every way of making shows its sheet, and the solid opens at a section") {
    Opened b(4);
    b.window.rail().choose(Step::Stock);
    const double carved = b.derived().mass->stages.shapedBody_kg;
    for (int kind = 1; kind < 5; ++kind) {
        b.choose("/make/kind", kind);
        INFO(kind);
        CHECK(int(b.design().make.kind) == kind);
        CHECK(b.window.bench().results()->derived);
        b.window.grab();
    }
    CHECK(b.derived().mass->stages.shapedBody_kg != Approx(carved));
    b.click("/make/print/leaks");
    b.type("/make/print/wet_mass", "20.4");
    REQUIRE(b.derived().rest->waterlogged.size() == 4);
    b.choose("/make/kind", 3);
    b.click("fillerFor");
    CHECK(b.design().pieces[0].stock.source == DensitySource::Mix);
    CHECK(densityInForce(b.design().pieces[0].stock, b.design().make).density_kg_m3 ==
          Approx(800).epsilon(1e-6));
    b.window.showView(TankView::Solid);
    auto* slider = b.window.findChild<QSlider*>("sectionSlider");
    slider->setValue(38);
    const QStringList words = b.window.solidView().canvas().sectionWords();
    REQUIRE(words.size() >= 2);
    CHECK(words[1].contains("throat bore"));
    const QImage open = b.window.solidView().canvas().grab().toImage();
    QTest::keyClick(&b.window.solidView().canvas(), Qt::Key_Right);
    CHECK(b.window.solidView().canvas().grab().toImage() != open);
    b.window.rail().choose(Step::Fittings);
    for (int i = 0; i < 5; ++i) {
        b.click(QStringLiteral("addFeature/%1").arg(i));
    }
    CHECK(b.design().features.size() == 5);
    b.click("addClaws");
    CHECK(b.design().appendages.size() == 1);
    CHECK(b.derived().shape->parts.size() == 5);
    b.window.grab();
}
