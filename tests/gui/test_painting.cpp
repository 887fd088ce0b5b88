// What is painted, and how little of it anew, while something is held.
#include <QImage>
#include <QPainter>
#include <QSignalSpy>
#include <QTableView>

#include "app/kit/form.h"
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

TEST_CASE("a readout keeps the lines it took while something is held, and gives them back") {
    Opened o;
    Workbench& bench = o.window.bench();
    Form form(bench, {});
    // Three lines of a flat lip, a word of a steep one.
    QLabel* label = form.readout("Says", [](const Results& r) {
        const bool flat = r.design->lip.angle_rad < 25 * kDegree;
        return flat ? QString("word ").repeated(30) : QString("word");
    });
    form.finish();
    form.resize(420, 300);
    form.show();
    const auto heightAt = [&](double degrees) {
        REQUIRE_FALSE(bench.document.setField("/lip/angle", degrees * kDegree));
        o.settle();
        for (int round = 0; round < 3; ++round) {
            QCoreApplication::sendPostedEvents();
            QCoreApplication::processEvents();
        }
        return label->height();
    };
    const int one = heightAt(30), several = heightAt(20);
    REQUIRE(several > one + 20);
    REQUIRE(heightAt(30) == one);
    bench.document.hold();
    CHECK(heightAt(20) == several);
    CHECK(heightAt(31) == several);
    CHECK(label->text().startsWith("word"));
    bench.document.letGo();
    CHECK(heightAt(30) == one);
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
