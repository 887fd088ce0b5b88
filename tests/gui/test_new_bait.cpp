// From File, New to a printed sheet, with the keyboard alone.
#include <QClipboard>
#include <QFile>
#include <QFileDialog>

#include "app/dialogs/new_bait_dialog.h"
#include "core/rules/check_design.h"
#include "opened.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

// Presses keys and counts them.
struct Hands {
    int pressed = 0;
    void key(QWidget* on, int key, Qt::KeyboardModifiers with = {}) {
        ++pressed;
        QTest::keyClick(on, Qt::Key(key), with);
        QCoreApplication::processEvents();
    }
    void type(QWidget* on, const QString& text) {
        pressed += int(text.size());
        QTest::keyClicks(on, text);
        QCoreApplication::processEvents();
    }
};

QWidget* focused() {
    QWidget* on = QApplication::focusWidget();
    REQUIRE(on != nullptr);
    return on;
}

// Looks whenever the loop is free, until what it waits for is there or the test is over.
void whenShown(QObject* waiting, const std::function<bool()>& there,
               const std::function<void()>& then) {
    auto* timer = new QTimer(waiting);
    QObject::connect(timer, &QTimer::timeout, qApp, [timer, there, then] {
        if (there()) {
            timer->stop();
            timer->deleteLater();
            then();
        }
    });
    timer->start(10);
}

}  // namespace

TEST_CASE("each of the seven kinds is made from File New and printed with the keyboard alone") {
    const QByteArray drawing =
        "<svg xmlns='http://www.w3.org/2000/svg'><path d='M 0 40 C 20 5, 70 8, 160 36 L 160 44 "
        "C 70 75, 20 72, 0 40 Z'/></svg>";
    for (int kind = 0; kind < 7; kind += kThorough ? 1 : 3) {
        Opened o;
        o.window.activateWindow();
        REQUIRE(QTest::qWaitForWindowActive(&o.window));
        const QString svg = o.folder.filePath("shape.svg"), pdf = o.folder.filePath("sheet.pdf");
        {
            QFile file(svg);
            REQUIRE(file.open(QIODevice::WriteOnly));
            file.write(drawing);
        }
        Hands hands;
        QObject waiting;  // with its timers it goes when the kind is done
        const bool own = kind == 6;
        whenShown(
            &waiting,
            [] { return qobject_cast<NewBaitDialog*>(QApplication::activeModalWidget()); },
            [&] {
                auto* dialog = static_cast<NewBaitDialog*>(QApplication::activeModalWidget());
                auto* kinds = dialog->findChild<QComboBox*>("newKind");
                kinds->setFocus();  // it has it from the start; offscreen windows may not
                for (int i = 0; i < (own ? 7 : kind); ++i) {
                    hands.key(kinds, Qt::Key_Down);
                }
                if (own) {
                    whenShown(
                        &waiting,
                        [] {
                            return qobject_cast<QFileDialog*>(QApplication::activeModalWidget());
                        },
                        [&] {
                            auto* files =
                                static_cast<QFileDialog*>(QApplication::activeModalWidget());
                            auto* name = files->findChild<QLineEdit*>("fileNameEdit");
                            // Pasted: typed, the path is completed while one types.
                            QApplication::clipboard()->setText(svg);
                            hands.key(name, Qt::Key_V, Qt::ControlModifier);
                            hands.key(name, Qt::Key_Return);
                        });
                }
                // What cannot be made is a failure of the test, not a wait without end.
                whenShown(
                    &waiting,
                    [] {
                        auto* open =
                            qobject_cast<NewBaitDialog*>(QApplication::activeModalWidget());
                        return open != nullptr && open->findChild<QLabel*>("newFault")->isVisible();
                    },
                    [] {
                        static_cast<NewBaitDialog*>(QApplication::activeModalWidget())->reject();
                    });
                hands.key(dialog, Qt::Key_Return);
            });
        hands.key(&o.window, Qt::Key_N, Qt::ControlModifier);  // comes back when it is made
        o.settle();
        INFO("kind " << kind);
        const Design& d = o.design();
        CHECK(d.name == "new bait");
        CHECK(o.window.message().startsWith("Made as wished"));
        const ResultsPtr r = o.window.bench().results();
        REQUIRE((r && r->derived && r->run));
        CHECK(std::none_of(r->findings.begin(), r->findings.end(),
                           [](const Finding& f) { return f.severity != Severity::Note; }));
        CHECK(std::abs(r->derived->rest->roll_rad) < kDegree);
        // The sheet, by its step's key and the keys in it.
        o.window.activateWindow();
        REQUIRE(QTest::qWaitForWindowActive(&o.window));
        hands.key(&o.window, Qt::Key_3, Qt::ControlModifier | Qt::ShiftModifier);
        auto* path = o.window.findChild<QLineEdit*>("sheetPath");
        REQUIRE(path != nullptr);
        path->setFocus();
        hands.type(focused(), pdf);
        hands.key(path, Qt::Key_Tab);
        hands.key(focused(), Qt::Key_Space);
        o.settle();
        CHECK(QFile(pdf).size() > 5000);
        std::printf("kind %d: %d keys from File New to the sheet\n", kind, hands.pressed);
    }
}

TEST_CASE("a new bait is wished with its swim") {
    Opened o;
    NewBaitDialog dialog(o.window.bench(), &o.window);
    dialog.show();
    auto* swims = dialog.findChild<QComboBox*>("newSwim");
    REQUIRE(swims != nullptr);
    CHECK(swims->isVisible());
    auto* kind = dialog.findChild<QComboBox*>("newKind");
    kind->setCurrentIndex(kind->findData(int(StartKind::Glider)));
    CHECK_FALSE(swims->isVisible());  // walked by the rod
    kind->setCurrentIndex(kind->findData(int(StartKind::Diver)));
    swims->setCurrentIndex(swims->findText("tight"));
    dialog.findChild<QAbstractButton*>("makeIt")->click();
    REQUIRE(QTest::qWaitFor([&] { return dialog.made() != nullptr; }, 120000));
    const NewBait& made = *dialog.made();
    const SwimNotes limits;
    CHECK(*made.design.aim.swing.low == limits.tightFrom_rad);
    const Swim swim = swimOf(*made.derived, made.run);
    const bool tight = swim.swing_rad.middle >= limits.tightFrom_rad &&
                       swim.swing_rad.middle <= limits.mediumFrom_rad;
    CHECK(dialog.swimsAsWished());
    CHECK(tight);
}
