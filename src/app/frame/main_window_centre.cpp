// What the window shows under its top bar: order of work, picture, worksheet.
#include <QActionGroup>
#include <QHeaderView>
#include <QPushButton>
#include <QSplitter>
#include <QTableView>
#include <QTimer>
#include <QVBoxLayout>

#include "app/frame/main_window.h"
#include "app/frame/steps.h"
#include "app/kit/fit_columns.h"
#include "app/kit/plain_label.h"
#include "app/kit/record_model.h"
#include "app/kit/theme.h"
#include "app/views/findings_panel.h"
#include "app/views/weigh_beam.h"

namespace wl {
namespace {

constexpr int kSheetWidth = 430;

QSplitter* split(Qt::Orientation way, const QList<QWidget*>& parts, const QList<int>& sizes,
                 int stretched) {
    auto* splitter = new QSplitter(way);
    for (QWidget* part : parts) {
        splitter->addWidget(part);
    }
    splitter->setChildrenCollapsible(false);
    splitter->setHandleWidth(1);
    splitter->setStretchFactor(stretched, 1);
    splitter->setSizes(sizes);
    return splitter;
}

}  // namespace

// The picture with the buttons of its views over it.
QWidget* MainWindow::buildPicture() {
    tank_ = new Tank(bench_.bait, bench_);
    solid_ = new SolidView(bench_.bait, bench_);
    swing_ = new SwingView(bench_.bait, bench_);
    views_ = new QStackedWidget;
    for (QWidget* view : {static_cast<QWidget*>(tank_), static_cast<QWidget*>(solid_),
                          static_cast<QWidget*>(swing_)}) {
        views_->addWidget(view);
    }
    auto* row = new QWidget;
    auto* viewRow = new QHBoxLayout(row);
    viewRow->setContentsMargins(10, 3, 10, 3);
    viewRow->setSpacing(4);
    auto* group = new QActionGroup(this);
    const std::pair<QString, TankView> names[] = {{tr("Side"), TankView::Side},
                                                  {tr("Top"), TankView::Top},
                                                  {tr("Front"), TankView::Front},
                                                  {tr("Solid"), TankView::Solid},
                                                  {tr("Swing"), TankView::Swing}};
    const auto addButton = [this, viewRow](QAction* action, const QString& name) {
        auto* button = new QToolButton;
        button->setObjectName(name);
        button->setDefaultAction(action);
        button->setToolButtonStyle(Qt::ToolButtonTextOnly);
        button->setFocusPolicy(Qt::TabFocus);
        viewRow->addWidget(button);
        addAction(action);
    };
    int number = 0;
    for (const auto& [label, view] : names) {
        auto* action = new QAction(label, this);
        action->setCheckable(true);
        action->setChecked(view == TankView::Side);
        action->setShortcut(QKeySequence(QStringLiteral("Alt+%1").arg(++number)));
        action->setToolTip(tr("%1 view (%2)").arg(label, action->shortcut().toString()));
        group->addAction(action);
        addButton(action, QStringLiteral("view/%1").arg(number));
        const TankView to = view;
        connect(action, &QAction::triggered, this, [this, to] { showView(to); });
        viewActions_ << action;
    }
    auto* apart = new QAction(tr("Apart"), this);
    apart->setCheckable(true);
    apart->setShortcut(QKeySequence(QStringLiteral("Alt+6")));
    apart->setToolTip(tr("Each piece let go alone, beside the bait as assembled (Alt+6)"));
    addButton(apart, QStringLiteral("apart"));
    viewRow->addStretch();
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
    auto* pane = new QWidget;
    auto* layout = new QVBoxLayout(pane);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(row);
    layout->addWidget(views_, 1);
    return pane;
}

// The worksheets, and under them what the program has to say.
QWidget* MainWindow::buildSheet() {
    auto* work = new QWidget;
    work->setObjectName(QStringLiteral("worksheet"));
    auto* layout = new QVBoxLayout(work);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    pages_ = new QStackedWidget;
    for (const StepEntry& entry : stepTable()) {
        auto* holder = new QWidget;
        holder->setObjectName(QStringLiteral("sheetPage"));
        auto* holderLayout = new QVBoxLayout(holder);
        holderLayout->setContentsMargins(0, 0, 0, 0);
        (entry.wide ? middle_ : pages_)->addWidget(holder);
        holders_.push_back(holder);
    }
    layout->addWidget(pages_, 1);
    message_ = plainLabel();
    message_->setObjectName(QStringLiteral("message"));
    message_->setWordWrap(true);
    message_->setContentsMargins(12, 2, 12, 6);
    message_->hide();
    layout->addWidget(message_);
    way_ = new QPushButton(tr("Back to before"));
    way_->setObjectName(QStringLiteral("messageWay"));
    way_->hide();
    auto* wayRow = new QHBoxLayout;
    wayRow->setContentsMargins(12, 0, 12, 6);
    wayRow->addWidget(way_);
    wayRow->addStretch();
    layout->addLayout(wayRow);
    connect(way_, &QPushButton::clicked, this, [this] {
        const std::function<void()> way = wayOf_;  // it goes with the message
        way();
    });
    // The findings take what they need, up to a third of the column.
    auto* column = new QWidget;
    column->setObjectName(QStringLiteral("rightColumn"));
    auto* both = new QVBoxLayout(column);
    both->setContentsMargins(0, 0, 0, 0);
    both->setSpacing(0);
    both->addWidget(work, 1);
    both->addWidget(new FindingsPanel(bench_.bait, bench_));
    return column;
}

QWidget* MainWindow::buildCentre() {
    rail_ = new OrderRail(bench_);
    runStrip_ = new RunStrip(bench_.bait, bench_);
    auto* picture =
        split(Qt::Vertical, {buildPicture(), new WeighBeam(bench_.bait, bench_), runStrip_},
              {480, 96, 152}, 0);
    middle_ = new QStackedWidget;
    auto* both = split(Qt::Horizontal, {picture, buildSheet()}, {700, kSheetWidth}, 0);
    middle_->insertWidget(0, both);
    auto* columns = split(Qt::Horizontal, {rail_, middle_}, {148, 1130}, 1);
    connect(rail_, &OrderRail::stepChosen, this, &MainWindow::choose);
    connect(&bench_, &Workbench::wideWanted, this, &MainWindow::openWide);
    return columns;
}

void MainWindow::openWide(QAbstractItemModel* model, QAbstractItemDelegate* delegate,
                          const QString& name) {
    closeWide();
    auto* page = new QWidget;
    page->setObjectName(QStringLiteral("sheetPage"));
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(12, 8, 12, 8);
    auto* back = new QPushButton(tr("Back to the picture  (Esc)"));
    back->setObjectName(QStringLiteral("closeWide"));
    back->setShortcut(QKeySequence(Qt::Key_Escape));
    layout->addWidget(back, 0, Qt::AlignLeft);
    if (auto* records = qobject_cast<RecordModel*>(model)) {
        auto* fault = plainLabel();
        fault->setObjectName(QStringLiteral("wideFault"));
        fault->setProperty("role", "fault");
        fault->setWordWrap(true);
        fault->hide();
        layout->addWidget(fault);
        connect(records, &RecordModel::faultsChanged, fault, [records, fault] {
            fault->setText(QStringLiteral("▲ ") + records->firstFault());
            fault->setVisible(!records->firstFault().isEmpty());
        });
    }
    auto* table = new QTableView;
    table->setObjectName(QStringLiteral("wideTable"));
    table->setAccessibleName(name);
    table->setModel(model);
    table->setItemDelegate(delegate);
    table->setTabKeyNavigation(false);
    table->verticalHeader()->hide();
    table->verticalHeader()->setMinimumSectionSize(25);
    table->horizontalHeader()->setFont(type(Type::Small));
    table->horizontalHeader()->setMinimumSectionSize(24);
    table->setFont(type(Type::Small));
    layout->addWidget(table, 1);
    connect(back, &QPushButton::clicked, this, &MainWindow::closeWide);
    middle_->addWidget(page);
    middle_->setCurrentWidget(page);
    wideTable_ = page;
    const auto fit = [table] { fitColumns(*table); };
    QTimer::singleShot(0, table, fit);
    connect(model, &QAbstractItemModel::dataChanged, table, fit);
    connect(model, &QAbstractItemModel::modelReset, table, fit);
    table->setFocus();
}

void MainWindow::closeWide() {
    if (wideTable_ != nullptr) {
        middle_->removeWidget(wideTable_);
        wideTable_->deleteLater();
        wideTable_ = nullptr;
    }
    if (entryOf(step_).wide) {
        middle_->setCurrentWidget(sheet());
    } else {
        middle_->setCurrentIndex(0);
    }
}

}  // namespace wl
