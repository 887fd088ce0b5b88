#include "app/order_rail.h"

#include <QPainter>
#include <QStyledItemDelegate>

#include "app/theme.h"

namespace wl {
namespace {

class RailDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override {
        return {150, 44};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option,
               const QModelIndex& index) const override {
        const Inks& c = inks();
        const bool active = option.state.testFlag(QStyle::State_Selected);
        const QRect r = option.rect;
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
        p->setPen(index.data(Qt::UserRole + 1).toBool() ? c.quiet : c.ink);
        p->drawText(r.adjusted(14, 4, -4, -20), Qt::AlignLeft | Qt::AlignVCenter,
                    index.data(Qt::DisplayRole).toString());
        p->setFont(type(Type::Small));
        const QString verdict = index.data(Qt::UserRole).toString();
        p->setPen(verdict.startsWith(QStringLiteral("▲")) ? c.signal : c.quiet);
        p->drawText(r.adjusted(14, 22, -4, -4), Qt::AlignLeft | Qt::AlignVCenter,
                    p->fontMetrics().elidedText(verdict, Qt::ElideRight, r.width() - 20));
    }
};

}  // namespace

OrderRail::OrderRail(Workbench& bench, QWidget* parent) : QListWidget(parent), bench_(bench) {
    setObjectName(QStringLiteral("rail"));
    setAccessibleName(tr("Order of work"));
    setItemDelegate(new RailDelegate(this));
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setMinimumWidth(158);
    setMaximumWidth(190);
    for (int i = 0; i < kStepCount; ++i) {
        addItem(stepName(Step(i)));
    }
    connect(this, &QListWidget::currentRowChanged, this, [this](int row) {
        if (row >= 0) {
            emit stepChosen(Step(row));
        }
    });
    connect(&bench_.evaluator, &Evaluator::resultsChanged, this, &OrderRail::refresh);
    connect(&bench_, &Workbench::benchChanged, this, &OrderRail::refresh);
}

QString OrderRail::stepName(Step step) {
    switch (step) {
        case Step::Brief:
            return tr("Brief");
        case Step::Body:
            return tr("Body");
        case Step::Stock:
            return tr("Stock");
        case Step::Fittings:
            return tr("Fittings");
        case Step::Ballast:
            return tr("Ballast");
        case Step::LipAndTie:
            return tr("Lip && tie").replace(QStringLiteral("&&"), QStringLiteral("&"));
        case Step::Joints:
            return tr("Joints");
        case Step::Tank:
            return tr("Tank");
        case Step::Run:
            return tr("Run");
        case Step::BenchSheet:
            return tr("Bench sheet");
        case Step::WaterLog:
            return tr("Water log");
    }
    return {};
}

QString OrderRail::verdict(Step step) const {
    const ResultsPtr r = bench_.results();
    if (!r) {
        return {};
    }
    const Design& design = *r->design;
    if (step == Step::WaterLog) {
        const size_t tests = design.log.size();
        return tests == 0   ? tr("no test yet")
               : tests == 1 ? tr("one test")
                            : tr("%1 tests").arg(tests);
    }
    if (step == Step::Brief) {
        return tr("%1 of %2")
            .arg(bench_.text(Quantity::Distance, design.brief.wantedDepth_m),
                 bench_.text(Quantity::Distance, design.brief.waterDepth_m));
    }
    if (!r->derived) {
        return step == Step::Body ? tr("▲ cannot be reckoned") : QStringLiteral("–");
    }
    const Derived& d = *r->derived;
    const double missing = d.wantedMass_kg - d.mass->mass_kg;
    switch (step) {
        case Step::Body:
            return bench_.text(Quantity::Volume, d.shape->solid.volume_m3);
        case Step::Stock:
            return bench_.text(Quantity::Density, d.shape->reckoning.usedDensity_kg_m3);
        case Step::Fittings: {
            double mass = 0;
            for (const MassItem& item : d.mass->items) {
                mass += item.kind == PartKind::Fitting ? item.mass_kg : 0;
            }
            return bench_.text(Quantity::Mass, mass);
        }
        case Step::Ballast:
            if (std::abs(missing) < 0.1e-3) {
                return tr("as wanted");
            }
            return missing > 0 ? tr("▲ %1 short").arg(bench_.text(Quantity::Mass, missing))
                               : tr("▲ %1 over").arg(bench_.text(Quantity::Mass, -missing));
        case Step::LipAndTie:
            return design.lip.present ? tr("%1 to the axis")
                                            .arg(bench_.text(Quantity::Angle, design.lip.angle_rad))
                                      : tr("no lip");
        case Step::Joints: {
            if (d.shape->joints.empty()) {
                return tr("one piece");
            }
            double least = kPi;
            for (const JointCut& cut : d.shape->joints) {
                least = std::min(least, cut.opening.opening_rad);
            }
            return tr("%1 pieces, ±%2")
                .arg(d.shape->joints.size() + 1)
                .arg(bench_.text(Quantity::Angle, least));
        }
        case Step::Tank:
            if (const QString lean = leanWords(d.rest->roll_rad, bench_.bench()); !lean.isEmpty()) {
                return QStringLiteral("▲ ") + lean;
            }
            if (d.rest->state == RestState::Sinks) {
                return tr("sinks %1").arg(bench_.text(Quantity::Speed, d.rest->fall.speed_m_s));
            }
            return d.rest->state == RestState::Suspends
                       ? tr("suspends")
                       : tr("floats, %1 spare").arg(bench_.text(Quantity::Fraction, d.rest->spare));
        case Step::Run:
            if (!r->run) {
                return QStringLiteral("…");
            }
            if (!r->run->depthKnown) {
                return tr("▲ no depth");
            }
            return tr("%1 to %2")
                .arg(bench_.text(Quantity::Distance, r->run->depthLow_m, false),
                     bench_.text(Quantity::Distance, r->run->depthHigh_m));
        case Step::BenchSheet:
            return tr("PDF, true scale");
        default:
            return {};
    }
}

void OrderRail::refresh() {
    for (int i = 0; i < kStepCount; ++i) {
        const QString text = verdict(Step(i));
        if (text != QStringLiteral("…")) {
            item(i)->setData(Qt::UserRole, text);
            item(i)->setData(Qt::UserRole + 1,
                             Step(i) == Step::Joints && bench_.design().joints.empty());
            item(i)->setData(Qt::AccessibleTextRole,
                             QStringLiteral("%1: %2").arg(stepName(Step(i)), text));
        }
    }
}

}  // namespace wl
