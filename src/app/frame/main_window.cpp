#include "app/frame/main_window.h"

#include <QApplication>
#include <QMenuBar>
#include <QPushButton>
#include <QScreen>
#include <QScrollArea>
#include <QSettings>
#include <QTimer>
#include <QVBoxLayout>

#include "app/dialogs/scale_dialog.h"
#include "app/dialogs/shelf_window.h"
#include "app/frame/steps.h"
#include "app/kit/plain_label.h"
#include "app/kit/quantity_edit.h"
#include "app/kit/record_table.h"
#include "app/kit/scale_fill.h"
#include "app/kit/sheet_tabs.h"
#include "app/kit/theme.h"
#include "core/make/stock_density.h"

namespace wl {
namespace {

constexpr int kWriting_ms = 300;
constexpr QSize kLeastWindow(880, 470);

// As large as it is made for, or what the screen leaves inside a window's frame.
QSize startSize() {
    constexpr QSize kMade(1280, 800), kFrame(8, 40);
    const QScreen* screen = QGuiApplication::primaryScreen();
    return screen == nullptr ? kMade : kMade.boundedTo(screen->availableSize() - kFrame);
}

}  // namespace

MainWindow::MainWindow(const QString& recoveryFolder, QWidget* parent) : QMainWindow(parent) {
    setObjectName(QStringLiteral("mainWindow"));
    setAcceptDrops(true);
    auto* centre = new QWidget;
    centre->setObjectName(QStringLiteral("centre"));
    auto* layout = new QVBoxLayout(centre);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(buildTopBar());
    layout->addWidget(buildCentre(), 1);
    // On a screen smaller than it can be worked on (a small one at 200 %) the whole is scrolled.
    centre->setMinimumSize(kLeastWindow);
    auto* whole = new QScrollArea;
    whole->setObjectName(QStringLiteral("whole"));
    whole->setFrameShape(QFrame::NoFrame);
    whole->setWidgetResizable(true);
    whole->setFocusPolicy(Qt::NoFocus);
    whole->setWidget(centre);
    connect(qApp, &QApplication::focusChanged, whole, [whole](QWidget*, QWidget* now) {
        for (QWidget* up = now; up != nullptr && whole->isAncestorOf(now);
             up = up == whole ? nullptr : up->parentWidget()) {
            auto* area = qobject_cast<QScrollArea*>(up);
            if (area != nullptr && area->widget() != nullptr && area->widget()->isAncestorOf(now)) {
                // Not ensureWidgetVisible: of a line that is only its cursor.
                const QPoint middle = now->mapTo(area->widget(), now->rect().center());
                area->ensureVisible(middle.x(), middle.y(), now->width() / 2 + 2,
                                    now->height() / 2 + 2);
            }
        }
    });
    setCentralWidget(whole);
    buildMenus();
    setMinimumSize(480, 300);
    resize(startSize());

    connect(&bench_.document, &Document::designChanged, this, &MainWindow::refreshTitle);
    connect(&bench_.document, &Document::fileChanged, this, &MainWindow::refreshTitle);
    connect(&bench_, &Workbench::benchChanged, this, &MainWindow::refreshTitle);
    connect(&bench_, &Workbench::placeWanted, this, &MainWindow::goTo);
    connect(&bench_, &Workbench::said, this, &MainWindow::say);
    connect(&bench_.builds, &BuildBook::cured, this, &MainWindow::say);
    connect(&bench_, &Workbench::wayOffered, this, &MainWindow::offerWay);
    connect(&bench_.document, &Document::measuredTaken, this, &MainWindow::tellMeasured);
    connect(&bench_, &Workbench::openWanted, this, [this](const DesignPtr& design) {
        if (mayDiscard()) {
            bench_.document.replace(*design, {}, true);
        }
    });
    connect(&bench_.document, &Document::designChanged, this, [this] { say({}); });
    std::vector<Error> notices = bench_.shelf.notices();
    notices.insert(notices.end(), bench_.builds.notices().begin(), bench_.builds.notices().end());
    for (const Error& notice : notices) {
        QTimer::singleShot(0, this, [this, notice] {
            say(QStringLiteral("▲ ") + sentence(notice, bench_.bench()));
        });
    }
    recovery_ = std::make_unique<Recovery>(bench_.document, recoveryFolder);
    connect(recovery_.get(), &Recovery::failed, this, [this](const Error& error) {
        say(QStringLiteral("▲ ") +
            tr("No copy of the unsaved work can be kept: %1").arg(sentence(error, bench_.bench())));
    });
    connect(&bench_.document, &Document::fileChanged, this, &MainWindow::watchFile);
    // Told after the burst of events of one writing has passed.
    connect(&watcher_, &QFileSystemWatcher::fileChanged, this,
            [this] { QTimer::singleShot(kWriting_ms, this, &MainWindow::lookAtFile); });
    connect(&watcher_, &QFileSystemWatcher::directoryChanged, this,
            [this] { QTimer::singleShot(kWriting_ms, this, &MainWindow::lookAtFile); });

    const QSettings settings;
    setInch(settings.value(QStringLiteral("inch"), false).toBool());
    setDark(settings.value(QStringLiteral("dark"), false).toBool());
    rail_->choose(Step::Brief);
    choose(Step::Brief);
    rail_->setFocus();
    refreshTitle();
}

// Views read the bench to their last: they go while it is still there.
MainWindow::~MainWindow() {
    bench_.document.disconnect(
        this);  // a bait with edits thrown away calls itself unsaved once more
    delete shelfWindow_;
    delete scaleDialog_;
    delete takeCentralWidget();
}

// Worksheets are made when first wanted: the window opens sooner.
QWidget* MainWindow::page(Step step) {
    QWidget* holder = holders_[size_t(step)];
    if (holder->layout()->isEmpty()) {
        holder->layout()->addWidget(entryOf(step).makePage(bench_));
        emit bench_.evaluator.resultsChanged();  // the new page reads what is known
    }
    return holder;
}

QWidget* MainWindow::sheet() const {
    return holders_[size_t(step_)];
}

void MainWindow::choose(Step step) {
    page(step);
    step_ = step;
    if (!entryOf(step).wide) {
        pages_->setCurrentWidget(sheet());
    }
    sheet()->setAccessibleName(entryOf(step).name);
    closeWide();
    if (step != Step::Aim && step != Step::Run && step != Step::Swim) {
        bench_.setDashed({});
    }
    tank_->setStep(step);
    // The joints are looked at swinging; leaving them goes back to the side view.
    const bool swinging = views_->currentWidget() == swing_;
    if (step == Step::Joints && !swinging) {
        showView(TankView::Swing);
    } else if (step != Step::Joints && swinging) {
        showView(TankView::Side);
    }
}

void MainWindow::showView(TankView view) {
    viewActions_[int(view)]->setChecked(true);
    views_->setCurrentWidget(view == TankView::Solid   ? static_cast<QWidget*>(solid_)
                             : view == TankView::Swing ? static_cast<QWidget*>(swing_)
                                                       : static_cast<QWidget*>(tank_));
    if (views_->currentWidget() == tank_) {
        tank_->setView(view);
    }
}

void MainWindow::goTo(const QString& path) {
    const Step step = stepOfPath(path);
    rail_->choose(step);
    QWidget* sheet = page(step);
    if (path == QLatin1String("/name")) {
        name_->setFocus(Qt::OtherFocusReason);
    } else if (auto* field = sheet->findChild<QWidget*>(path)) {
        revealInTabs(field);
        field->setFocus(Qt::OtherFocusReason);
    } else {
        for (RecordTable* table : sheet->findChildren<RecordTable*>()) {
            if (table->goTo(path)) {
                revealInTabs(table);
                return;
            }
        }
    }
}

void MainWindow::tell(const Error& error) {
    say(QStringLiteral("▲ ") + sentence(error, bench_.bench()));
}

void MainWindow::say(const QString& text) {
    message_->setText(text);
    message_->setProperty("role", text.startsWith(QStringLiteral("▲")) ? "fault" : "quiet");
    message_->style()->unpolish(message_);
    message_->style()->polish(message_);
    message_->setVisible(!text.isEmpty());
    way_->hide();
}

void MainWindow::offerWay(const QString& label, std::function<void()> way) {
    way_->setText(label);
    way_->setAccessibleName(label);
    way_->show();
    wayOf_ = std::move(way);
}

// What was measured is in force: said in one line, with the way back.
void MainWindow::tellMeasured(const std::vector<MeasuredTaken>& taken) {
    const MeasuredTaken& one = taken.front();
    const QString path = QString::fromStdString(one.path);
    const Stock& stock =
        bench_.design().pieces[size_t(path.section(QLatin1Char('/'), 2, 2).toInt())].stock;
    QString says;
    if (path.endsWith(QLatin1String("trust"))) {
        says = tr("Reckoned from now on with the weighed body, %1.")
                   .arg(bench_.text(Quantity::Mass, stock.weighedBody_kg.value_or(0)));
    } else {
        const DensityEstimate e = stock.source == DensitySource::Blank
                                      ? densityFromBlank(stock.blank, stock.sample)
                                      : densityFromSample(stock.sample);
        says = (stock.source == DensitySource::Blank
                    ? tr("Reckoned from now on with your blank, %1; the shelf says %2.")
                    : tr("Reckoned from now on with your sample block, %1; the shelf says %2."))
                   .arg(bench_.text(Quantity::Density, e.density_kg_m3),
                        bench_.text(Quantity::Density, stock.shelfDensity_kg_m3));
    }
    bench_.say(says, tr("Back to before"), [this, taken] {
        for (const MeasuredTaken& t : taken) {
            bench_.document.endGesture();
            bench_.document.setField(QString::fromStdString(t.path), t.was);
        }
    });
}

void MainWindow::setDark(bool dark) {
    applyTheme(*static_cast<QApplication*>(QCoreApplication::instance()), dark);
    QSettings().setValue(QStringLiteral("dark"), dark);
    dark_->setChecked(dark);
    bench_.themeChanged();
}

void MainWindow::setInch(bool inch) {
    QSettings().setValue(QStringLiteral("inch"), inch);
    inch_->setChecked(inch);
    bench_.setBench((inch ? Bench::Inch : Bench::Metric)
                        .withMark(makersDecimalMark())
                        .withFractions(fractions_->isChecked()));
}

}  // namespace wl

#include "moc_main_window.cpp"
