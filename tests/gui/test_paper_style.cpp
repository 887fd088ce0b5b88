// The look of widgets drawn by hand: what stands out does, by day and by night, and what is held
// with the mouse lies where it is drawn.
#include <QAbstractItemView>
#include <QImage>
#include <QScrollBar>
#include <cmath>

#include "app/kit/theme.h"
#include "gui/opened.h"

using namespace wl;
using namespace wl::test;

namespace {

// Of the rim above the middle.
QColor rimOf(QWidget& widget) {
    return widget.grab().toImage().pixelColor(widget.width() / 2, 0);
}

}  // namespace

TEST_CASE(
    "a faulty field has the warning's rim and words, by day and by night, until it is mended") {
    Opened o;
    QLineEdit* line = o.field("/lip/angle");
    const QString before = line->text();
    o.type("/lip/angle", "as it comes");
    QLabel* fault = nullptr;
    for (auto* label : o.window.findChildren<QLabel*>()) {
        if (label->property("role") == QLatin1String("fault") && label->isVisible() &&
            !label->text().isEmpty()) {
            fault = label;
        }
    }
    REQUIRE(fault != nullptr);
    QColor last;
    for (const bool dark : {false, true}) {
        o.window.setDark(dark);
        QCoreApplication::processEvents();
        INFO(dark);
        CHECK(rimOf(*line) == inks().signal);
        CHECK(fault->palette().color(QPalette::WindowText) == inks().signal);
        CHECK(inks().signal != last);
        last = inks().signal;
    }
    o.type("/lip/angle", before);
    CHECK(rimOf(*line) != inks().signal);
    o.window.setDark(false);
    QCoreApplication::processEvents();
    for (auto* label : o.window.findChildren<QLabel*>()) {
        if (label->property("role") == QLatin1String("quiet") && label->isVisible()) {
            CHECK(label->palette().color(QPalette::WindowText) == inks().quiet);
        }
    }
}

TEST_CASE(
    "a scroll bar goes with the mouse as far as it is dragged, and by a page beside its grip") {
    Opened o;
    for (const Qt::Orientation way : {Qt::Vertical, Qt::Horizontal}) {
        const bool flat = way == Qt::Horizontal;
        QScrollBar bar(way);
        bar.setRange(0, 100);
        bar.setPageStep(25);
        bar.resize(flat ? QSize(200, 11) : QSize(11, 200));
        bar.show();
        const auto at = [&](int along) { return flat ? QPoint(along, 5) : QPoint(5, along); };
        // 25 of 125 shown: a grip of 40 of the 200 pixels, 160 of them for the hundred.
        QTest::mousePress(&bar, Qt::LeftButton, {}, at(20));
        QTest::mouseMove(&bar, at(100));
        QTest::mouseRelease(&bar, Qt::LeftButton, {}, at(100));
        INFO(flat);
        CHECK(std::abs(bar.value() - 50) <= 1);
        bar.setValue(50);
        QTest::mouseClick(&bar, Qt::LeftButton, {}, at(190));
        CHECK(bar.value() == 75);
        QTest::mouseClick(&bar, Qt::LeftButton, {}, at(10));
        CHECK(bar.value() == 50);
    }
}

TEST_CASE("a list opens by its arrow, one that is typed into too") {
    Opened o;
    for (const bool typed : {false, true}) {
        QComboBox list;
        list.setEditable(typed);
        list.addItems({"one", "two"});
        list.resize(120, 28);
        list.show();
        QTest::mousePress(&list, Qt::LeftButton, {}, QPoint(110, 14));
        INFO(typed);
        CHECK(list.view()->isVisible());
        QTest::mouseRelease(&list, Qt::LeftButton, {}, QPoint(110, 14));
        list.hidePopup();
    }
}
