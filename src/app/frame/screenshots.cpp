#include "app/frame/screenshots.h"

#include <unistd.h>
#include <QApplication>
#include <QComboBox>
#include <QDeadlineTimer>
#include <QDir>
#include <QFile>
#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QPainter>
#include <QPushButton>
#include <QScrollArea>
#include <QStandardPaths>

#include <QTableWidget>
#include <QTemporaryDir>
#include <QThread>
#include <QTimer>
#include <cstdio>
#include <ctime>
#include <tuple>

#include "app/dialogs/new_bait_dialog.h"
#include "app/dialogs/shelf_window.h"
#include "app/frame/steps.h"
#include "app/kit/beside_page.h"
#include "app/kit/learner.h"
#include "app/kit/sheet_tabs.h"
#include "app/kit/theme.h"
#include "app/views/played_view.h"
#include "files/design_file.h"

namespace wl {
namespace {

void settle(MainWindow& window) {
    const QDeadlineTimer limit(20000);
    while (!window.bench().evaluator.isSettled() && !limit.hasExpired()) {
        QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
    }
    // Effects of the cures follow, and the bait comes to rest.
    const QDeadlineTimer calm(700);
    while (!calm.hasExpired()) {
        QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
        QThread::msleep(5);
    }
}

double secondsSinceProcessStart() {
    QFile file(QStringLiteral("/proc/self/stat"));
    if (!file.open(QIODevice::ReadOnly)) {
        return -1;
    }
    const QByteArray line = file.readAll();
    const QList<QByteArray> fields = line.mid(line.lastIndexOf(')') + 2).split(' ');
    const double started = fields.value(19).toDouble() / double(sysconf(_SC_CLK_TCK));
    timespec now{};
    clock_gettime(CLOCK_BOOTTIME, &now);
    return double(now.tv_sec) + 1e-9 * double(now.tv_nsec) - started;
}

}  // namespace

namespace {

// A season of the demo bait: two copies, three days, what was seen typed as a maker types it.
void logSome(MainWindow& window) {
    Learner& learner = Learner::of(window.bench());
    LogBook& log = window.bench().log;
    const auto learnt = [&] {
        const QDeadlineTimer limit(20000);
        while (!learner.isCurrent() && !limit.hasExpired()) {
            QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
        }
    };
    const auto seen = [&](NoteKind kind, double value, const char* words, std::int64_t copy) {
        learnt();
        LogNote n;
        n.bait = window.bench().design().name;
        n.copy = copy;
        n.outing = learner.outing();
        n.kind = kind;
        n.words = words;
        const LearntFigure* f = learner.figure(kind);
        if (isMeasured(kind) && f != nullptr) {
            n.low = n.high = value;
            n.reckoned = f->reckoned;
            n.usual = f->usual;
            n.foretold = f->middle();
            n.foretoldLow = f->low();
            n.foretoldHigh = f->high();
        }
        (void)log.put(n);
    };
    const std::pair<const char*, const char*> days[] = {{"2026-11-12", "Alder Pool, dam end"},
                                                        {"2026-11-19", "Alder Pool"},
                                                        {"2026-11-28", "weir run"}};
    for (size_t i = 0; i < std::size(days); ++i) {
        LogOuting outing;
        outing.date = days[i].first;
        outing.place = days[i].second;
        outing.colour = i == 0 ? "brown" : "clear";
        (void)log.put(outing);
        learner.setOuting(outing.id);
        seen(NoteKind::Depth, 1.86 + 0.04 * double(i), "", 1);
        seen(NoteKind::Beats, 4.0 + 0.1 * double(i), "", 1);
        if (i > 0) {
            seen(NoteKind::Depth, 2.05, "", 2);
        }
    }
    seen(NoteKind::Catch, 0, "perch, 31 cm, on the pause", 1);
    seen(NoteKind::Lost, 0, "tail treble, on the weir stones", 2);
    learnt();
}

}  // namespace

namespace {

// A shorter sister of the demo bait with a steeper lip, of which the log knows no more than its
// design.
void logSister(MainWindow& window) {
    Design sister = window.bench().design();
    sister.name = "Alder Pool diver, steep lip";
    sister.lip.angle_rad = 50 * kDegree;
    sister.lip.length_m = 0.018;
    LogBait bait;
    bait.bait = sister.name;
    bait.family = Learner::of(window.bench()).family();
    bait.design = writeDesign(sister);
    (void)window.bench().log.put(bait);
}

}  // namespace

bool takeScreenshots(const QString& folder) {
    QStandardPaths::setTestModeEnabled(true);
    QFile::remove(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) +
                  QStringLiteral("/water-log.sqlite"));
    QTemporaryDir recovery;
    if (!QDir().mkpath(folder)) {
        return false;
    }
    applyTheme(*qApp, false);
    MainWindow window(recovery.path());
    window.setInch(false);
    window.setDark(false);
    window.openDemo();
    window.resize(1280, 800);
    window.show();
    settle(window);
    bool done = true;
    auto shoot = [&](const QString& name) {
        settle(window);
        done = window.grab().save(QDir(folder).filePath(name + QStringLiteral(".png"))) && done;
    };
    for (const StepEntry& entry : stepTable()) {
        if (entry.picture != nullptr) {
            window.rail().choose(entry.step);
            shoot(QString::fromLatin1(entry.picture));
        }
    }
    auto showTab = [&window](const char* tabs, int index) {
        window.findChild<SheetTabs*>(QLatin1String(tabs))->setCurrentIndex(index);
    };
    auto waitFor = [&window](const char* page) {
        const auto* beside = window.findChild<BesidePage*>(QLatin1String(page));
        const QDeadlineTimer limit(30000);
        while (beside != nullptr && !beside->isCurrent() && !limit.hasExpired()) {
            QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
        }
    };
    // The window over three more sheets of the log, and once more with another bait held against
    // it.
    window.rail().choose(Step::WaterLog);
    logSome(window);
    window.findChild<QPushButton*>(QStringLiteral("note_depth"))->click();
    settle(window);
    QPixmap whole = window.grab();
    const std::tuple<int, const char*, const char*> parts[] = {
        {1, nullptr, nullptr}, {2, "copyAdd", nullptr}, {3, nullptr, "troubleTab"}};
    QList<QPixmap> sheets;
    for (const auto& [index, press, page] : parts) {
        showTab("logTabs", index);
        for (int i = 0; press != nullptr && i < 2; ++i) {
            window.findChild<QPushButton*>(QLatin1String(press))->click();
            // Made before the season, whatever day the picture is taken on.
            auto* made = window.findChild<QLineEdit*>(QStringLiteral("copyMade"));
            made->setText(QStringLiteral("2026-11-05"));
            Q_EMIT made->editingFinished();
        }
        if (page != nullptr) {
            waitFor(page);
            window.findChild<QComboBox*>(QStringLiteral("troubleDepth"))->setCurrentIndex(2);
            window.findChild<QComboBox*>(QStringLiteral("troubleSpare"))->setCurrentIndex(2);
        }
        settle(window);
        sheets << window.sheet()->grab();
    }
    logSister(window);
    showTab("logTabs", 4);
    if (auto* others = window.findChild<QListWidget*>(QStringLiteral("compareList"));
        others != nullptr && others->count() > 0) {
        others->item(others->count() - 1)->setCheckState(Qt::Checked);
    }
    waitFor("compareTab");
    settle(window);
    const QPixmap held = window.grab();
    window.bench().setDashed({});
    const int second = whole.height() + sheets[0].height() + 24;
    QPixmap both(whole.width(), second + held.height());
    both.fill(inks().ground);
    QPainter paint(&both);
    paint.drawPixmap(0, 0, whole);
    for (int i = 0; i < sheets.size(); ++i) {
        paint.drawPixmap(i * (whole.width() - sheets[i].width()) / 2, whole.height() + 12,
                         sheets[i]);
    }
    paint.drawPixmap(0, second, held);
    paint.end();
    done = both.save(QDir(folder).filePath(QStringLiteral("water-log.png"))) && done;
    showTab("logTabs", 0);
    window.rail().choose(Step::Cast);
    waitFor("castPage");
    shoot(QStringLiteral("cast"));
    window.rail().choose(Step::Run);
    waitFor("leversPart");
    shoot(QStringLiteral("run"));
    window.rail().choose(Step::Swim);
    waitFor("swimPart");
    // Dashed behind it: the swim before the lip was widened.
    const double width = window.bench().design().lip.width_m;
    std::ignore = window.bench().document.setField(QStringLiteral("/lip/width"), 1.5 * width);
    settle(window);
    waitFor("swimPart");
    const auto holdAt = [&window](double share) {
        for (PlayedView* view : window.findChildren<PlayedView*>()) {
            view->setPlaying(false);
            view->setTime(share);
        }
    };
    holdAt(0.3);
    shoot(QStringLiteral("swim"));
    window.bench().document.undoStack()->undo();
    settle(window);
    showTab("swimTabs", 1);
    waitFor("swimSpeedPart");
    shoot(QStringLiteral("swim-over-speed"));
    showTab("swimTabs", 2);
    auto* symptom = window.findChild<QComboBox*>(QStringLiteral("symptom"));
    symptom->setCurrentIndex(1);
    emit symptom->activated(1);
    waitFor("symptomPart");
    waitFor("tuningPart");
    shoot(QStringLiteral("swim-tuning"));
    symptom->setCurrentIndex(0);
    emit symptom->activated(0);
    showTab("swimTabs", 0);
    Design wished = window.bench().design();
    wished.aim.depth.low = 1.7;
    wished.aim.depth.high = 2.1;
    wished.aim.swing.low = 5 * kDegree;
    wished.aim.swing.high = 10 * kDegree;
    window.bench().document.submit(std::move(wished), QString());
    window.rail().choose(Step::Aim);
    showTab("aimTabs", 1);
    settle(window);
    waitFor("waysTab");
    shoot(QStringLiteral("aim"));
    Design far = window.bench().design();
    far.aim.depth.low = 3.5;
    far.aim.depth.high = 3.9;
    far.aim.swing = {};
    window.bench().document.submit(std::move(far), QString());
    settle(window);
    waitFor("waysTab");
    shoot(QStringLiteral("aim-out-of-reach"));
    window.openDemo(3);
    window.rail().choose(Step::Swim);
    settle(window);
    waitFor("swimPart");
    holdAt(0.45);
    shoot(QStringLiteral("swim-glide"));
    window.openDemo(4);
    settle(window);
    showTab("swimTabs", 3);
    waitFor("jointsPart");
    shoot(QStringLiteral("swim-joints"));
    showTab("swimTabs", 0);
    window.openDemo(0);
    settle(window);
    window.rail().choose(Step::LipAndTie);
    showTab("lipTabs", 1);
    auto* family = window.findChild<QComboBox*>(QStringLiteral("/lip/family"));
    family->setCurrentIndex(family->count() - 1);
    emit family->activated(family->currentIndex());
    shoot(QStringLiteral("lip-editor"));
    window.bench().document.undoStack()->undo();
    showTab("lipTabs", 0);
    {
        ShelfWindow* shelf = static_cast<ShelfWindow*>(window.showShelf());
        settle(window);
        done = shelf->grab().save(QDir(folder).filePath(QStringLiteral("shelf.png"))) && done;
        shelf->close();
    }
    {
        NewBaitDialog dialog(window.bench(), &window);
        dialog.show();
        settle(window);
        done = dialog.grab().save(QDir(folder).filePath(QStringLiteral("new-bait.png"))) && done;
    }
    window.openDemo(4);
    window.rail().choose(Step::Joints);
    settle(window);
    window.swingView().setFocus();
    for (int i = 0; i < 4; ++i) {
        QKeyEvent press(QEvent::KeyPress, Qt::Key_Right, Qt::ShiftModifier);
        QCoreApplication::sendEvent(&window.swingView(), &press);
    }
    shoot(QStringLiteral("joints"));
    window.openDemo(0);
    window.setInch(true);
    window.setDark(true);
    window.rail().choose(Step::Ballast);
    shoot(QStringLiteral("ballast-night-inch"));
    window.setInch(false);
    window.setDark(false);
    return done;
}

void printStartTime(MainWindow& window) {
    QObject::connect(&window.bench().evaluator, &Evaluator::resultsChanged, &window, [&window] {
        const ResultsPtr results = window.bench().results();
        if (!results || !results->derived) {
            return;
        }
        // After the paint that this result asked for.
        QTimer::singleShot(0, &window, [&window] {
            window.repaint();
            std::printf("first painted result after %.0f ms\n", 1000 * secondsSinceProcessStart());
            std::fflush(stdout);
            std::_Exit(0);
        });
    });
}

}  // namespace wl
