// The demo is made from nothing with the mouse and typed values: every field that differs can be
// reached and set, and what it takes is counted.
#include <QDialog>
#include <QRegularExpression>
#include <QScrollArea>
#include <QToolButton>

#include "app/frame/steps.h"
#include "core/design/fields.h"
#include "opened.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

// A hand on the mouse: clicks, turns of the wheel, and values typed, each one action.
class Hand {
  public:
    // A list opened with a click takes the next one at once, not after the time of a double click.
    explicit Hand(Opened& opened) : o_(opened), between_(QApplication::doubleClickInterval()) {
        QApplication::setDoubleClickInterval(1);
    }
    ~Hand() { QApplication::setDoubleClickInterval(between_); }
    int actions() const { return actions_; }

    void click(QWidget* on, QPoint at) {
        ++actions_;
        QTest::mouseClick(on, Qt::LeftButton, {}, at);
        QCoreApplication::processEvents();
    }
    void click(QWidget* on) { click(on, on->rect().center()); }
    void press(const QString& button) {
        auto* found = o_.window.findChild<QAbstractButton*>(button);
        REQUIRE(found != nullptr);
        show(found);
        REQUIRE((found->isVisible() && found->isEnabled()));
        click(found);
        o_.settle();
    }
    // File, New: the menu, its first entry.
    void newBait() {
        actions_ += 2;
        QTest::keyClick(&o_.window, Qt::Key_N, Qt::ControlModifier);
        o_.settle();
    }
    void type(QLineEdit* line, const QString& text) {
        put(line, text);
        QTest::keyClick(line, Qt::Key_Return);
        o_.settle();
    }
    void put(QLineEdit* line, const QString& text) {
        ++actions_;
        line->selectAll();  // a double click; the click before counts
        if (text.isEmpty()) {
            QTest::keyClick(line, Qt::Key_Delete);
        } else {
            QTest::keyClicks(line, text);
        }
    }
    // An answer of a box, in its open list.
    void choose(QComboBox* box, int row) {
        click(box, {box->width() - 8, box->height() / 2});
        QAbstractItemView* list = box->view();
        REQUIRE(list->isVisible());
        QTest::qWait(10);
        const QModelIndex index = box->model()->index(row, 0);
        list->scrollTo(index);
        click(list->viewport(), list->visualRect(index).center());
        // A list just opened may take the click for the end of the one that opened it.
        if (list->isVisible()) {
            QTest::mouseClick(list->viewport(), Qt::LeftButton, {},
                              list->visualRect(index).center());
        }
        box->hidePopup();
        o_.settle();
    }
    void step(Step step) {
        OrderRail& rail = o_.window.rail();
        if (rail.currentRow() != int(step)) {
            click(rail.viewport(), rail.visualItemRect(rail.item(int(step))).center());
        }
        REQUIRE(rail.currentRow() == int(step));
    }
    // Brings it on the screen: its tab, then the wheel.
    void show(QWidget* widget) {
        std::vector<std::pair<SheetTabs*, int>> tabs;
        for (QWidget* up = widget; up != nullptr; up = up->parentWidget()) {
            auto* of = qobject_cast<SheetTabs*>(up);
            for (int i = 0; of != nullptr && i < of->count(); ++i) {
                if (of->widget(i)->isAncestorOf(widget) && of->currentIndex() != i) {
                    tabs.emplace_back(of, i);
                }
            }
        }
        for (auto it = tabs.rbegin(); it != tabs.rend(); ++it) {
            for (auto* button : it->first->findChildren<QToolButton*>()) {
                if (button->text() == it->first->tabText(it->second) && button->isVisible()) {
                    click(button);
                    break;
                }
            }
        }
        for (QWidget* up = widget->parentWidget(); up != nullptr; up = up->parentWidget()) {
            if (auto* area = qobject_cast<QScrollArea*>(up)) {
                const QRect seen(widget->mapTo(area->viewport(), QPoint()), widget->size());
                if (!area->viewport()->rect().contains(seen)) {
                    ++actions_;
                    area->ensureWidgetVisible(widget);
                }
            }
        }
        QCoreApplication::processEvents();
    }
    // The table of that list, with the row chosen.
    QTableView* row(const QString& list, int row) {
        for (auto* table : o_.window.findChildren<QTableView*>()) {
            auto* model = qobject_cast<RecordModel*>(table->model());
            if (model == nullptr || model->listPath() != list) {
                continue;
            }
            show(table);
            if (row >= 0 && table->currentIndex().row() != row) {
                int c = 0;
                while (table->isColumnHidden(c)) {
                    ++c;
                }
                const QModelIndex index = model->index(row, c);
                if (!table->viewport()->rect().contains(table->visualRect(index))) {
                    ++actions_;
                    table->scrollTo(index);
                }
                click(table->viewport(), table->visualRect(index).center());
            }
            return table;
        }
        return nullptr;
    }
    // Sets a field as it is in `wanted`; false when there is no way to it.
    bool set(const Field& wanted) {
        const QString path = QString::fromStdString(wanted.path);
        if (path == QLatin1String("/name")) {
            auto* name = o_.window.findChild<QLineEdit*>("designName");
            click(name);
            type(name, QString::fromStdString(wanted.text));
            return true;
        }
        step(stepOfPath(path));
        static const QRegularExpression ofList(QStringLiteral("^(.*?)/(\\d+)/"));
        if (const auto match = ofList.match(path);
            match.hasMatch() && !path.startsWith(QLatin1String("/pieces/"))) {
            row(match.captured(1), match.captured(2).toInt());
        }
        QWidget* found = nullptr;
        for (auto* widget : o_.window.findChildren<QWidget*>(path)) {
            found = widget;
        }
        if (found == nullptr) {
            return false;
        }
        show(found);
        if (!found->isVisible() || !found->isEnabled()) {
            return false;
        }
        if (auto* tick = qobject_cast<QCheckBox*>(found)) {
            click(tick, {8, tick->height() / 2});
            o_.settle();
        } else if (auto* box = qobject_cast<QComboBox*>(found)) {
            choose(box, wanted.kind == FieldKind::Text
                            ? box->findText(QString::fromStdString(wanted.text))
                            : int(wanted.value.value_or(0)));
        } else if (auto* notes = qobject_cast<QPlainTextEdit*>(found)) {
            click(notes->viewport());
            ++actions_;
            notes->selectAll();
            QTest::keyClicks(notes, QString::fromStdString(wanted.text));
            o_.settle();
        } else {
            auto* line = qobject_cast<QLineEdit*>(found);
            REQUIRE(line != nullptr);
            click(line);
            type(line, wanted.kind == FieldKind::Text ? QString::fromStdString(wanted.text)
                       : wanted.value
                           ? QString::fromStdString(editText(
                                 wanted.quantity, o_.window.bench().bench(), *wanted.value))
                           : QString());
        }
        return true;
    }

  private:
    Opened& o_;
    int between_;
    int actions_ = 0;
};

}  // namespace

TEST_CASE("the demo is made from nothing with the mouse, to the last field", "[again]") {
    const Design demo = demoNamed("diver");
    Opened o;
    o.window.activateWindow();
    REQUIRE(QTest::qWaitForWindowActive(&o.window));
    Hand hand(o);
    QTimer::singleShot(200, &o.window, [&] {
        auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget());
        REQUIRE(dialog != nullptr);
        for (const auto& [name, text] :
             {std::pair("newLength", "82"), std::pair("newTemperature", "14"),
              std::pair("newWaterDepth", "3.6"), std::pair("newSpare", "14"),
              std::pair("newDepth", "2.2")}) {
            auto* line = dialog->findChild<QLineEdit*>(QLatin1String(name));
            hand.click(line);
            hand.put(line, onScreen(QLatin1String(text)));
        }
        auto* make = dialog->findChild<QAbstractButton*>("makeIt");
        hand.click(make);
    });
    hand.newBait();
    REQUIRE(o.window.message().startsWith("Made as wished"));
    const int toWhole = hand.actions();

    // Parts in the order of the demo: a list has the order its things were put in.
    hand.step(Step::Fittings);
    while (!o.design().fittings.empty()) {
        hand.row("/fittings", 0);
        hand.press("removeFitting");
    }
    auto* shelf = o.window.findChild<QComboBox*>("addFitting");
    for (size_t i = 0; i < demo.fittings.size(); ++i) {
        const Fitting& f = demo.fittings[i];
        const auto& all = o.window.bench().shelf.shelf().fittings;
        const auto same = std::find_if(all.begin(), all.end(), [&](const auto& row) {
            return row.item.kind == f.kind && std::abs(row.item.size_m - f.size_m) < 1e-6 &&
                   std::abs(row.item.wire_m - f.wire_m) < 1e-6;
        });
        REQUIRE(same != all.end());
        hand.show(shelf);
        hand.choose(shelf,
                    shelf->findText(QString::fromStdString(same->item.name), Qt::MatchStartsWith));
        INFO(f.name);
        REQUIRE(o.design().fittings.size() == i + 1);
    }
    hand.step(Step::Tank);
    for (size_t i = 0; i < demo.tank.readings.size(); ++i) {
        hand.press("addReading");
    }
    REQUIRE(o.design().bores.size() == demo.bores.size());
    REQUIRE(o.design().coats.size() == demo.coats.size());
    REQUIRE(o.design().body.stations.size() == demo.body.stations.size());

    // What still differs is set field by field, sheet by sheet; some only show after others.
    std::vector<FieldDifference> left;
    for (int round = 0; round < 4; ++round) {
        left = compareFields(o.design(), demo);
        for (const FieldDifference& d : left) {
            REQUIRE(d.after);
            const auto now = findField(o.design(), d.after->path);
            if (now && now->text == d.after->text && now->value == d.after->value) {
                continue;  // another one brought it
            }
            INFO(d.after->path);
            hand.set(*d.after);
        }
    }
    for (const FieldDifference& d : compareFields(o.design(), demo)) {
        // What does not apply is not shown, and counts for nothing.
        INFO("no way to " << d.after->path);
        CHECK_FALSE(findField(o.design(), d.after->path)->about.applies);
    }
    const Derived wanted = evaluate(demo).value();
    CHECK(o.derived().mass->mass_kg == Approx(wanted.mass->mass_kg).epsilon(1e-9));
    CHECK(o.derived().rest->pitch_rad == Approx(wanted.rest->pitch_rad).margin(1e-9));
    CHECK(o.window.bench().results()->run->path.maxDepth_m ==
          Approx(computeRun(wanted).path.maxDepth_m).epsilon(1e-9));
    std::printf("the demo with the mouse: %d actions to a whole bait, %d to the demo\n", toWhole,
                hand.actions());
}
