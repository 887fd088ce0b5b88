// The look of widgets drawn by hand: what stands out does, by day and by night, and what is held
// with the mouse lies where it is drawn.
#include <QAbstractItemView>
#include <QImage>
#include <QRadioButton>
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

TEST_CASE("a box or ring to tick is seen, and its tick, by day and by night") {
    Opened o;
    QCheckBox box;
    QRadioButton ring;
    // Pixels of the mark's place that are not the ground.
    const auto drawn = [](QAbstractButton& button) {
        const QImage image = button.grab().toImage();
        int count = 0;
        for (int x = 0; x < 16; ++x) {
            for (int y = 0; y < image.height(); ++y) {
                // A mark is told from the ground by a luminance of three to one (WCAG 2.1, 1.4.11).
                const auto light = [](const QColor& c) {
                    const auto part = [](double v) {
                        return v <= 0.03928 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
                    };
                    return 0.2126 * part(c.redF()) + 0.7152 * part(c.greenF()) +
                           0.0722 * part(c.blueF()) + 0.05;
                };
                const double ratio = light(image.pixelColor(x, y)) / light(inks().ground);
                count += ratio >= 3 || ratio <= 1 / 3.0;
            }
        }
        return count;
    };
    for (const bool dark : {false, true}) {
        o.window.setDark(dark);
        for (QAbstractButton* button :
             {static_cast<QAbstractButton*>(&box), static_cast<QAbstractButton*>(&ring)}) {
            INFO(dark << " " << button->metaObject()->className());
            button->setChecked(false);
            const int empty = drawn(*button);
            CHECK(empty >= 20);  // half of a rim round twelve pixels
            button->setChecked(true);
            CHECK(drawn(*button) >= empty + 8);
            button->setAutoExclusive(false);
        }
    }
    o.window.setDark(false);
}
