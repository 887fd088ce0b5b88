// What is wished and how far it may be cut, as it is typed.
#include <QComboBox>

#include "core/aim/aim.h"
#include "gui/opened.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("a swing is wished by a word, and a figure typed takes the word away") {
    Opened o;
    o.window.rail().choose(Step::Aim);
    o.tab("aimTabs", "Wish");
    auto* action = o.window.findChild<QComboBox*>("aimAction");
    REQUIRE(action != nullptr);
    CHECK(action->currentText() == "as below");
    action->setCurrentIndex(2);
    emit action->activated(2);
    o.settle();
    const SwimNotes& limits = o.design().swim;
    CHECK(o.design().aim.swing.low == limits.mediumFrom_rad);
    CHECK(o.design().aim.swing.high == limits.wideFrom_rad);
    CHECK(action->currentText() == "medium");
    o.type("/aim/swing_low", "9");
    CHECK(action->currentText() == "as below");
    o.window.bench().document.undoStack()->undo();
    o.settle();
    CHECK(action->currentText() == "medium");
}

TEST_CASE("how far a lever may be cut is typed, and goes with its lock") {
    Opened o;
    o.type("/aim/angle_from", "20");
    o.type("/aim/angle_to", "35");
    o.type("/aim/length_to", "1 in");
    const auto leverOf = [&o](AimLeverKind kind) {
        for (const AimLever& lever : wishOf(o.derived()).levers) {
            if (lever.kind == kind) {
                return lever;
            }
        }
        return AimLever{};
    };
    CHECK(leverOf(AimLeverKind::LipAngle).low == Approx(20 * kDegree));
    CHECK(leverOf(AimLeverKind::LipAngle).high == Approx(35 * kDegree));
    CHECK(leverOf(AimLeverKind::LipLength).high == Approx(0.0254));
    CHECK(leverOf(AimLeverKind::LipLength).low < 0.0254);
    auto* moves = o.window.findChild<QCheckBox*>("/aim/angle_moves");
    REQUIRE(moves != nullptr);
    moves->click();
    o.settle();
    CHECK_FALSE(o.window.findChild<QWidget*>("/aim/angle_from")->isVisible());
    CHECK(leverOf(AimLeverKind::LipAngle).step == 0.0);
    // One that ends below its start is told beneath it, and where the ways would stand.
    const auto against = [&o](const char* field) {
        auto* label = o.window.findChild<QLabel*>(QLatin1String(field) + QLatin1String("/fault"));
        REQUIRE(label != nullptr);
        return label->isVisible() ? label->text() : QString();
    };
    CHECK(against("/aim/length_from").isEmpty());
    o.type("/aim/length_from", "2 in");
    CHECK(against("/aim/length_from").contains("range"));
    o.tab("aimTabs", "Ways");
    o.beside("waysTab");
    CHECK(o.text("aimWords").contains("range"));
    o.tab("aimTabs", "Wish");
    o.type("/aim/length_from", "0.5 in");
    CHECK(against("/aim/length_from").isEmpty());
    // So are the ends of what is wished; what is no number at all comes first.
    o.type("/aim/depth_low", "2.4");
    o.type("/aim/depth_high", "2.1");
    CHECK(against("/aim/depth_low").contains("band"));
    o.type("/aim/depth_low", "deep");
    CHECK_FALSE(against("/aim/depth_low").contains("band"));
    o.type("/aim/depth_low", "1.9");
    CHECK(against("/aim/depth_low").isEmpty());
}
