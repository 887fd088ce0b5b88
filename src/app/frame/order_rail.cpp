#include "app/frame/order_rail.h"

#include <QPaintEvent>
#include <QPainter>
#include <QStyledItemDelegate>

#include "app/frame/steps.h"
#include "app/kit/learner.h"
#include "app/kit/theme.h"

namespace wl {
namespace {

constexpr int kVerdict = Qt::UserRole, kIdle = Qt::UserRole + 1, kWas = Qt::UserRole + 2;

class RailDelegate : public QStyledItemDelegate {
  public:
    /// `painted`: where the rail is being painted, for a list paints all between its first and its
    /// last changed line.
    RailDelegate(const QRegion& painted, QObject* parent)
        : QStyledItemDelegate(parent), painted_(painted) {}
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override {
        return {150, 44};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option,
               const QModelIndex& index) const override {
        const Inks& c = inks();
        const bool active = option.state.testFlag(QStyle::State_Selected);
        const QRect r = option.rect;
        if (!painted_.intersects(r)) {
            return;
        }
        p->fillRect(r, active ? c.sheet : c.ground);
        if (active) {
            p->fillRect(QRect(r.left(), r.top(), 3, r.height()), c.water);
        }
        if (option.state.testFlag(QStyle::State_HasFocus)) {
            p->setPen(QPen(c.water, 1, Qt::DotLine));
            p->drawRect(r.adjusted(4, 2, -3, -3));
        }
        p->setFont(type(Type::Body, active));
        // A step that does not apply is dimmed.
        p->setPen(index.data(kIdle).toBool() ? c.quiet : c.ink);
        p->drawText(r.adjusted(14, 4, -4, -20), Qt::AlignLeft | Qt::AlignVCenter,
                    index.data(Qt::DisplayRole).toString());
        p->setFont(type(Type::Small));
        // Beside the name where there is room; the tip has it always.
        const QString was = index.data(kWas).toString();
        const QRect beside =
            r.adjusted(22 + QFontMetrics(type(Type::Body, active))
                                .horizontalAdvance(index.data(Qt::DisplayRole).toString()),
                       4, -6, -20);
        if (!was.isEmpty() && p->fontMetrics().horizontalAdvance(was) <= beside.width()) {
            p->setPen(c.quiet);
            p->drawText(beside, Qt::AlignRight | Qt::AlignVCenter, was);
        }
        const QString verdict = index.data(kVerdict).toString();
        p->setPen(verdict.startsWith(QStringLiteral("▲")) ? c.signal : c.quiet);
        p->drawText(r.adjusted(14, 22, -4, -4), Qt::AlignLeft | Qt::AlignVCenter,
                    p->fontMetrics().elidedText(verdict, Qt::ElideRight, r.width() - 20));
    }

  private:
    const QRegion& painted_;
};

}  // namespace

OrderRail::OrderRail(Workbench& bench, QWidget* parent) : QListWidget(parent), bench_(bench) {
    setObjectName(QStringLiteral("rail"));
    setAccessibleName(tr("Order of work"));
    setItemDelegate(new RailDelegate(painted_, this));
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setMinimumWidth(148);
    setMaximumWidth(190);
    for (const StepEntry& entry : stepTable()) {
        addItem(entry.name);
    }
    connect(this, &QListWidget::currentRowChanged, this, [this](int row) {
        if (row >= 0) {
            emit stepChosen(Step(row));
        }
    });
    connect(&bench_.evaluator, &Evaluator::resultsChanged, this, &OrderRail::refresh);
    connect(&bench_.log, &LogBook::changed, this, &OrderRail::refresh);
    connect(&bench_.builds, &BuildBook::changed, this, &OrderRail::refresh);
    const auto tellAnew = [this] {
        before_.reset();
        refresh();
    };
    connect(&bench_, &Workbench::benchChanged, this, tellAnew);
    connect(&Learner::of(bench_), &Learner::changed, this, tellAnew);
}

void OrderRail::paintEvent(QPaintEvent* event) {
    painted_ = event->region();
    QListWidget::paintEvent(event);
}

QString OrderRail::verdict(Step step) const {
    const ResultsPtr r = bench_.results();
    if (!r) {
        return {};
    }
    const StepEntry& entry = entryOf(step);
    return !r->derived && entry.unreckoned ? entry.unreckoned() : entry.verdict(bench_, *r);
}

void OrderRail::takeBefore() {
    const ResultsPtr before = bench_.bait.before();
    if (before == before_ && verdictsBefore_.size() == kStepCount) {
        return;
    }
    before_ = before;
    verdictsBefore_.clear();
    for (const StepEntry& entry : stepTable()) {
        verdictsBefore_ << (before ? entry.verdict(bench_, *before) : QString());
    }
}

void OrderRail::refresh() {
    takeBefore();
    for (const StepEntry& entry : stepTable()) {
        const QString text = verdict(entry.step);
        if (text != QStringLiteral("…")) {
            QListWidgetItem* line = item(int(entry.step));
            line->setData(kVerdict, text);
            line->setData(kIdle, entry.idle && entry.idle(bench_.design()));
            const QString was = Workbench::was(verdictsBefore_[int(entry.step)], text);
            line->setData(kWas, was);
            line->setToolTip(was);
            line->setData(Qt::AccessibleTextRole,
                          QStringLiteral("%1: %2 %3").arg(entry.name, text, was).trimmed());
        }
    }
}

}  // namespace wl

#include "moc_order_rail.cpp"
