// What a finding said before, and what of the shelf stands in its box.
#include "opened.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("a finding says what it said before the last edit, and a new one that it is new") {
    Opened o;
    const auto set = [&](const char* path, double value) {
        REQUIRE_FALSE(o.window.bench().document.setField(path, value));
        o.window.bench().document.endGesture();
        o.settle();
    };
    const auto said = [&] {
        QStringList words;
        for (const QLabel* was : o.window.findChildren<QLabel*>("was")) {
            if (was->window() == &o.window && !was->isHidden()) {
                words << was->text();
            }
        }
        return words;
    };
    CHECK(said().isEmpty());
    set("/bores/0/plug_length", 0.004);
    const auto weighs = [&] {
        return o.window.bench().text(Quantity::Mass, o.derived().mass->mass_kg);
    };
    const QString first = weighs();
    CHECK(said().contains("not so before"));
    set("/bores/0/plug_length", 0.002);
    REQUIRE(first != weighs());
    CHECK(said().join('|').contains(first));
    CHECK_FALSE(said().contains("not so before"));
    set("/brief/retrieve_speed", 0.96);
    CHECK_FALSE(said().join('|').contains(weighs()));
}

TEST_CASE("the sheet of a lip stands in its box, and typing without choosing changes nothing") {
    Opened o;
    o.window.rail().choose(Step::LipAndTie);
    auto* sheet = o.window.findChild<QComboBox*>("/lip/material");
    REQUIRE(sheet != nullptr);
    const QString drawn = QString::fromStdString(o.design().lip.material);
    CHECK(sheet->currentText() == drawn);
    sheet->setFocus();
    sheet->lineEdit()->selectAll();
    QTest::keyClicks(sheet->lineEdit(), "zz");
    o.window.rail().setFocus();
    QCoreApplication::processEvents();
    CHECK(sheet->currentText() == drawn);
    CHECK(QString::fromStdString(o.design().lip.material) == drawn);
    const int other = sheet->currentIndex() == 0 ? 1 : 0;
    const QString wanted = sheet->itemText(other);
    o.choose("/lip/material", other);
    CHECK(QString::fromStdString(o.design().lip.material) == wanted);
    o.window.bench().document.undoStack()->undo();
    o.settle();
    CHECK(sheet->currentText() == drawn);
}
