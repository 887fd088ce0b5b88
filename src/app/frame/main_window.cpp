#include "app/frame/main_window.h"

#include <QActionGroup>
#include <QApplication>
#include <QMenuBar>
#include <QPushButton>
#include <QSettings>
#include <QSplitter>
#include <QTimer>
#include <QVBoxLayout>

#include "app/dialogs/scale_dialog.h"
#include "app/dialogs/shelf_window.h"
#include "app/frame/steps.h"
#include "app/kit/plain_label.h"
#include "app/kit/quantity_edit.h"
#include "app/kit/record_table.h"
#include "app/kit/scale_fill.h"
#include "app/kit/theme.h"
#include "app/views/findings_panel.h"
#include "app/views/weigh_beam.h"

namespace wl {
namespace {

constexpr int kWriting_ms = 300;

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
    setCentralWidget(centre);
    buildMenus();
    resize(1280, 800);
    setMinimumSize(860, 560);

    connect(&bench_.document, &Document::designChanged, this, &MainWindow::refreshTitle);
    connect(&bench_.document, &Document::fileChanged, this, &MainWindow::refreshTitle);
    connect(&bench_, &Workbench::benchChanged, this, &MainWindow::refreshTitle);
    connect(&bench_, &Workbench::placeWanted, this, &MainWindow::goTo);
    connect(&bench_, &Workbench::said, this, &MainWindow::say);
    connect(&bench_, &Workbench::openWanted, this, [this](const DesignPtr& design) {
        if (mayDiscard()) {
            bench_.document.replace(*design, {}, true);
        }
    });
    connect(&bench_.document, &Document::designChanged, this, [this] { say({}); });
    for (const Error& notice : bench_.shelf.notices()) {
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
    delete shelfWindow_;
    delete scaleDialog_;
    delete takeCentralWidget();
}

QWidget* MainWindow::buildCentre() {
    rail_ = new OrderRail(bench_);
    tank_ = new Tank(bench_.bait, bench_);
    runStrip_ = new RunStrip(bench_.bait, bench_);

    auto* tankPane = new QWidget;
    auto* tankLayout = new QVBoxLayout(tankPane);
    tankLayout->setContentsMargins(0, 0, 0, 0);
    tankLayout->setSpacing(0);
    auto* views = new QWidget;
    auto* viewRow = new QHBoxLayout(views);
    viewRow->setContentsMargins(10, 3, 10, 3);
    viewRow->setSpacing(4);
    auto* tankTitle = plainLabel(tr("The tank"));
    tankTitle->setFont(type(Type::Body, true));
    viewRow->addWidget(tankTitle);
    viewRow->addStretch();
    auto* group = new QActionGroup(this);
    const std::pair<QString, TankView> names[] = {{tr("Side"), TankView::Side},
                                                  {tr("Top"), TankView::Top},
                                                  {tr("Front"), TankView::Front},
                                                  {tr("Solid"), TankView::Solid},
                                                  {tr("Swing"), TankView::Swing}};
    int number = 0;
    for (const auto& [label, view] : names) {
        auto* action = new QAction(label, this);
        action->setCheckable(true);
        action->setChecked(view == TankView::Side);
        action->setShortcut(QKeySequence(QStringLiteral("Alt+%1").arg(++number)));
        action->setToolTip(tr("%1 view (%2)").arg(label, action->shortcut().toString()));
        group->addAction(action);
        auto* button = new QToolButton;
        button->setObjectName(QStringLiteral("view/%1").arg(number));
        button->setDefaultAction(action);
        button->setToolButtonStyle(Qt::ToolButtonTextOnly);
        button->setFocusPolicy(Qt::TabFocus);
        viewRow->addWidget(button);
        const TankView to = view;
        connect(action, &QAction::triggered, this, [this, to] { showView(to); });
        addAction(action);
        viewActions_ << action;
    }
    auto* apart = new QAction(tr("Apart"), this);
    apart->setCheckable(true);
    apart->setShortcut(QKeySequence(QStringLiteral("Alt+6")));
    apart->setToolTip(tr("Each piece let go alone, beside the bait as assembled (Alt+6)"));
    auto* apartButton = new QToolButton;
    apartButton->setObjectName(QStringLiteral("apart"));
    apartButton->setDefaultAction(apart);
    apartButton->setToolButtonStyle(Qt::ToolButtonTextOnly);
    apartButton->setFocusPolicy(Qt::TabFocus);
    viewRow->addWidget(apartButton);
    addAction(apart);
    connect(apart, &QAction::toggled, this, [this](bool on) {
        tank_->setApart(on);
        if (on) {
            showView(TankView::Side);
        }
    });
    connect(&bench_.document, &Document::designChanged, apart, [this, apart] {
        apart->setEnabled(bench_.design().pieces.size() > 1);
        if (!apart->isEnabled()) {
            apart->setChecked(false);
        }
    });
    apart->setEnabled(false);
    tankLayout->addWidget(views);
    solid_ = new SolidView(bench_.bait, bench_);
    swing_ = new SwingView(bench_.bait, bench_);
    views_ = new QStackedWidget;
    for (QWidget* view : {static_cast<QWidget*>(tank_), static_cast<QWidget*>(solid_),
                          static_cast<QWidget*>(swing_)}) {
        views_->addWidget(view);
    }
    tankLayout->addWidget(views_, 1);

    auto* work = new QWidget;
    work->setObjectName(QStringLiteral("worksheet"));
    auto* workLayout = new QVBoxLayout(work);
    workLayout->setContentsMargins(0, 0, 0, 0);
    workLayout->setSpacing(0);
    pages_ = new QStackedWidget;
    for (int i = 0; i < kStepCount; ++i) {
        auto* holder = new QWidget;
        holder->setObjectName(QStringLiteral("sheetPage"));
        auto* holderLayout = new QVBoxLayout(holder);
        holderLayout->setContentsMargins(0, 0, 0, 0);
        pages_->addWidget(holder);
    }
    workLayout->addWidget(pages_, 1);
    message_ = plainLabel();
    message_->setObjectName(QStringLiteral("message"));
    message_->setWordWrap(true);
    message_->setContentsMargins(12, 2, 12, 6);
    message_->hide();
    workLayout->addWidget(message_);

    auto* middle = new QSplitter(Qt::Vertical);
    middle->addWidget(tankPane);
    middle->addWidget(work);
    middle->setChildrenCollapsible(false);
    middle->setSizes({290, 300});

    auto* right = new QSplitter(Qt::Vertical);
    right->setObjectName(QStringLiteral("rightColumn"));
    right->addWidget(new WeighBeam(bench_.bait, bench_));
    right->addWidget(new FindingsPanel(bench_.bait, bench_));
    right->setChildrenCollapsible(false);
    right->setSizes({290, 300});

    auto* columns = new QSplitter(Qt::Horizontal);
    columns->addWidget(rail_);
    columns->addWidget(middle);
    columns->addWidget(right);
    columns->setStretchFactor(1, 1);
    columns->setChildrenCollapsible(false);
    columns->setSizes({160, 860, 258});

    auto* rows = new QSplitter(Qt::Vertical);
    rows->addWidget(columns);
    rows->addWidget(runStrip_);
    rows->setStretchFactor(0, 1);
    rows->setChildrenCollapsible(false);
    rows->setSizes({570, 156});
    for (QSplitter* splitter : {middle, right, columns, rows}) {
        splitter->setHandleWidth(1);
    }
    connect(rail_, &OrderRail::stepChosen, this, &MainWindow::choose);
    return rows;
}

// Worksheets are made when first wanted: the window opens sooner.
QWidget* MainWindow::page(Step step) {
    QWidget* holder = pages_->widget(int(step));
    if (holder->layout()->isEmpty()) {
        holder->layout()->addWidget(entryOf(step).makePage(bench_));
        emit bench_.evaluator.resultsChanged();  // the new page reads what is known
    }
    return holder;
}

void MainWindow::choose(Step step) {
    page(step);
    pages_->setCurrentIndex(int(step));
    pages_->setAccessibleName(entryOf(step).name);
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
    // Brings what is behind a tab to the front.
    const auto reveal = [](QWidget* part) {
        for (QWidget* up = part; up != nullptr; up = up->parentWidget()) {
            if (auto* tabs = qobject_cast<QTabWidget*>(
                    up->parentWidget() ? up->parentWidget()->parentWidget() : nullptr)) {
                tabs->setCurrentWidget(up);
            }
        }
    };
    if (path == QLatin1String("/name")) {
        name_->setFocus(Qt::OtherFocusReason);
    } else if (auto* field = sheet->findChild<QWidget*>(path)) {
        reveal(field);
        field->setFocus(Qt::OtherFocusReason);
    } else {
        for (RecordTable* table : sheet->findChildren<RecordTable*>()) {
            if (table->goTo(path)) {
                reveal(table);
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
    bench_.setBench((inch ? Bench::Inch : Bench::Metric).withMark(makersDecimalMark()));
}

}  // namespace wl
