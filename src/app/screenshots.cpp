#include "app/screenshots.h"

#include <unistd.h>
#include <QApplication>
#include <QDeadlineTimer>
#include <QDir>
#include <QFile>
#include <QKeyEvent>
#include <QPainter>
#include <QRadioButton>
#include <QStandardPaths>
#include <QTabWidget>
#include <QTableWidget>
#include <QTemporaryDir>
#include <QThread>
#include <QTimer>
#include <cmath>
#include <cstdio>
#include <ctime>

#include "app/beside_page.h"
#include "app/shelf_window.h"
#include "app/theme.h"
#include "app/trace_dialog.h"

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

// A pencil sketch of a bait on paper, drawn here so that the picture shown is our own.
constexpr double kSketchWidth = 1200, kSketchNose = 180, kSketchTail = 1020, kSketchAxis = 320;

double sketchHeight(double share, bool back) {
    const double rise = std::pow(std::sin(kPi * std::pow(share, 0.75)), 0.8);
    return (back ? 120 : 150) * rise;
}

bool drawSketch(const QString& path) {
    QImage paper(int(kSketchWidth), 620, QImage::Format_RGB32);
    paper.fill(QColor("#EFE8D8"));
    QPainter p(&paper);
    p.setRenderHint(QPainter::Antialiasing);
    QPolygonF outline;
    for (const bool back : {true, false}) {
        for (int i = 0; i <= 60; ++i) {
            const double share = (back ? i : 60 - i) / 60.0;
            const double h = sketchHeight(share, back);
            outline << QPointF(kSketchNose + share * (kSketchTail - kSketchNose),
                               kSketchAxis + (back ? -h : h));
        }
    }
    p.setPen(QPen(QColor("#6B665C"), 3));
    p.setBrush(QColor("#D9D2C0"));
    p.drawPolygon(outline);
    p.setBrush(Qt::NoBrush);
    p.drawEllipse(QPointF(280, 285), 22, 22);
    p.drawLine(QPointF(200, 560), QPointF(200 + 700, 560));
    for (int i = 0; i <= 7; ++i) {
        p.drawLine(QPointF(200 + 100 * i, 560), QPointF(200 + 100 * i, i % 5 == 0 ? 530 : 545));
    }
    p.end();
    return paper.save(path);
}

Trace sketchTrace() {
    Trace t;
    t.knownLength_m = 0.070;
    t.scale = {{200 / kSketchWidth, 560 / kSketchWidth}, {900 / kSketchWidth, 560 / kSketchWidth}};
    t.axis = {{kSketchNose / kSketchWidth, kSketchAxis / kSketchWidth},
              {kSketchTail / kSketchWidth, kSketchAxis / kSketchWidth}};
    for (const double share : {0.04, 0.12, 0.25, 0.4, 0.6, 0.78, 0.92}) {
        const double x = kSketchNose + share * (kSketchTail - kSketchNose);
        t.back.push_back(
            {x / kSketchWidth, (kSketchAxis - sketchHeight(share, true)) / kSketchWidth});
        t.belly.push_back(
            {x / kSketchWidth, (kSketchAxis + sketchHeight(share, false)) / kSketchWidth});
    }
    return t;
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

bool takeScreenshots(const QString& folder) {
    QStandardPaths::setTestModeEnabled(true);
    QTemporaryDir recovery;
    if (!QDir().mkpath(folder)) {
        return false;
    }
    applyTheme(*qApp, false);
    MainWindow window(recovery.path());
    window.setInch(false);
    window.setDark(false);
    window.openDemo();
    window.show();
    settle(window);
    bool done = true;
    auto shoot = [&](const QString& name) {
        settle(window);
        done = window.grab().save(QDir(folder).filePath(name + QStringLiteral(".png"))) && done;
    };
    const std::pair<const char*, Step> steps[] = {
        {"brief", Step::Brief},       {"body", Step::Body},       {"stock", Step::Stock},
        {"fittings", Step::Fittings}, {"ballast", Step::Ballast}, {"lip-and-tie", Step::LipAndTie},
        {"tank", Step::Tank},         {"run", Step::Run},         {"bench-sheet", Step::BenchSheet},
        {"water-log", Step::WaterLog}};
    for (const auto& [name, step] : steps) {
        window.rail().choose(step);
        shoot(QString::fromLatin1(name));
    }
    auto showTab = [&window](const char* tabs, int index) {
        window.findChild<QTabWidget*>(QLatin1String(tabs))->setCurrentIndex(index);
    };
    auto waitFor = [&window](const char* page) {
        const auto* beside = window.findChild<BesidePage*>(QLatin1String(page));
        const QDeadlineTimer limit(30000);
        while (beside != nullptr && !beside->isCurrent() && !limit.hasExpired()) {
            QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
        }
    };
    window.rail().choose(Step::Ballast);
    showTab("ballastTabs", 1);
    waitFor("choicesTab");
    window.findChild<QTableWidget*>(QStringLiteral("choices"))->selectRow(1);
    shoot(QStringLiteral("ballast-ways"));
    showTab("ballastTabs", 0);
    window.rail().choose(Step::Tank);
    const std::pair<const char*, const char*> tankTabs[] = {{"tank-righting", "rightingTab"},
                                                            {"tank-waters", "watersTab"},
                                                            {"tank-hook-swaps", "swapsTab"},
                                                            {"tank-how-sure", "doubtTab"},
                                                            {"tank-school", "schoolTab"}};
    int tab = 0;
    for (const auto& [name, page] : tankTabs) {
        showTab("tankTabs", ++tab);
        waitFor(page);
        shoot(QString::fromLatin1(name));
    }
    showTab("tankTabs", 0);
    {
        ShelfWindow* shelf = static_cast<ShelfWindow*>(window.showShelf());
        settle(window);
        done = shelf->grab().save(QDir(folder).filePath(QStringLiteral("shelf.png"))) && done;
        shelf->close();
    }
    {
        TraceDialog trace(window.bench(), &window);
        const QString sketch = recovery.filePath(QStringLiteral("sketch.png"));
        done = drawSketch(sketch) && trace.loadPicture(sketch) && done;
        trace.canvas()->setTrace(sketchTrace());
        trace.findChild<QLineEdit*>(QStringLiteral("knownLength"))
            ->setText(QStringLiteral("70 mm"));
        trace.findChild<QRadioButton*>(QStringLiteral("traceTool/2"))->click();
        trace.show();
        settle(window);
        done = trace.grab().save(QDir(folder).filePath(QStringLiteral("tracing.png"))) && done;
    }
    window.openDemo(3);
    window.rail().choose(Step::Fittings);
    showTab("fittingTabs", 2);
    window.showView(TankView::Solid);
    window.solidView().canvas().setSection(0.25);
    shoot(QStringLiteral("solid-section"));
    window.showView(TankView::Side);
    window.openDemo(4);
    window.rail().choose(Step::Joints);
    settle(window);
    window.swingView().setFocus();
    for (int i = 0; i < 4; ++i) {
        QKeyEvent press(QEvent::KeyPress, Qt::Key_Right, Qt::ShiftModifier);
        QCoreApplication::sendEvent(&window.swingView(), &press);
    }
    shoot(QStringLiteral("joints"));
    window.rail().choose(Step::Tank);
    window.findChild<QToolButton*>(QStringLiteral("apart"))->click();
    shoot(QStringLiteral("tank-pieces-apart"));
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
