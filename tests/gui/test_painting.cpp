// What is painted, and how little of it anew, while something is held.
#include <QImage>
#include <QPainter>
#include <QSignalSpy>
#include <QTableView>

#include "app/views/bait_painter.h"
#include "core/draw/draw_bait.h"
#include "gui/opened.h"
#include "sheet/drawing_paint.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("an edit tells a table only of the cells that read otherwise, other units of all") {
    Opened o;
    o.window.rail().choose(Step::Body);
    o.settle();
    auto* table = o.window.findChild<QTableView*>("stations");
    REQUIRE(table != nullptr);
    const int columns = table->model()->columnCount(), rows = table->model()->rowCount();
    const auto told = [](const QSignalSpy& spy) {
        QSet<std::pair<int, int>> cells;
        for (const QList<QVariant>& call : spy) {
            const auto from = call[0].toModelIndex(), to = call[1].toModelIndex();
            REQUIRE(from == to);  // a view paints the whole of itself for more than one
            cells.insert({from.row(), from.column()});
        }
        return cells;
    };
    QSignalSpy edited(table->model(), &QAbstractItemModel::dataChanged);
    const auto before = o.design().body.stations[4].back_m;
    REQUIRE_FALSE(o.window.bench().document.setField("/body/stations/4/back", before + 0.001));
    o.settle();
    const auto cells = told(edited);
    REQUIRE(cells.size() >= 1);
    for (const auto& [row, column] : cells) {
        CHECK(row == 4);
        CHECK(column < columns);
    }
    QSignalSpy switched(table->model(), &QAbstractItemModel::dataChanged);
    o.window.setInch(true);
    CHECK(told(switched).size() == rows * columns);
    o.window.setInch(false);
}

TEST_CASE("rows of a sheet stay where they are while the lip is in the hand") {
    Opened o;
    o.window.resize(1280, 800);
    o.window.rail().choose(Step::LipAndTie);
    o.settle();
    Tank& tank = o.window.tank();
    int handle = -1;
    for (int i = 0; i < int(tank.handles().size()); ++i) {
        handle = tank.handles()[size_t(i)].fields.front().first == "/lip/angle" ? i : handle;
    }
    REQUIRE(handle >= 0);
    const QPointF from = tank.handlePosition(handle);
    const auto send = [&](QEvent::Type type, const QPointF& at) {
        QMouseEvent event(type, at, tank.mapToGlobal(at), Qt::LeftButton,
                          type == QEvent::MouseButtonRelease ? Qt::NoButton : Qt::LeftButton,
                          Qt::NoModifier);
        QCoreApplication::sendEvent(&tank, &event);
        o.settle();
    };
    auto* field = o.window.findChild<QLineEdit*>("/lip/slot_depth");
    REQUIRE(field != nullptr);
    const auto place = [&] { return field->mapTo(&o.window, QPoint()).y(); };
    send(QEvent::MouseButtonPress, from);
    int moved = 0, last = place();
    double angle = o.design().lip.angle_rad;
    for (int i = 1; i <= 24; ++i) {
        send(QEvent::MouseMove, from + QPointF(20 * std::sin(0.6 * i), 16 * std::sin(0.9 * i)));
        moved += place() != last ? 1 : 0;
        last = place();
    }
    CHECK(o.design().lip.angle_rad != angle);
    CHECK(moved <= 1);  // a readout may take a line more, once
    send(QEvent::MouseButtonRelease, from);
    for (auto* label : o.window.sheet()->findChildren<QLabel*>()) {
        if (label->isVisible() && label->wordWrap()) {
            INFO(label->text().toStdString());
            CHECK(label->minimumHeight() == 0);  // let go, the room is given back
        }
    }
}

TEST_CASE("strokes laid arm by arm look like whole ones") {
    for (const char* name : {"diver", "swimmer"}) {
        const Design d = demoNamed(name);
        const auto derived = evaluate(d);
        REQUIRE(derived);
        const Drawing drawing =
            drawBait(d, *derived, levelFrame(DrawnView::Side), DrawnFor::Picture);
        const double scale = 600 / (1000 * derived->shape->sizes.length_m);
        const auto painted = [&](bool armByArm) {
            QImage image(760, 420, QImage::Format_RGB32);
            image.fill(Qt::white);
            QPainter painter(&image);
            DrawnStyle style = windowStyle(d.make.kind, inks());
            style.armByArm = armByArm;
            paintDrawing(painter, drawing, {80, 210}, scale, style);
            return image;
        };
        const QImage whole = painted(false), arms = painted(true);
        int inked = 0, other = 0;
        for (int y = 0; y < whole.height(); ++y) {
            for (int x = 0; x < whole.width(); ++x) {
                inked += whole.pixel(x, y) != qRgb(255, 255, 255) ? 1 : 0;
                other += std::abs(qGray(whole.pixel(x, y)) - qGray(arms.pixel(x, y))) > 60 ? 1 : 0;
            }
        }
        INFO(name << ": of " << inked << " points " << other << " differ");
        CHECK(inked > 20000);
        CHECK(other < inked / 500);
    }
}
