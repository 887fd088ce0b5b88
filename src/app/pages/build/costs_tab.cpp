#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/theme.h"
#include "app/pages/build/build_tabs.h"
#include "app/pages/pages.h"
#include "core/making/mould_steps.h"
#include "io/shelf_costs.h"
#include "session/sentence_text.h"
#include "session/words.h"

namespace wl {
namespace {

constexpr double kHour_s = 3600.0;

QString money(double amount) {
    return QLocale().toString(amount, 'f', 2);
}

class CostsTab : public QWidget {
    Q_DECLARE_TR_FUNCTIONS(wl::CostsTab)
  public:
    explicit CostsTab(Workbench& bench)
        : bench_(bench),
          table_(new PlainTable(QStringLiteral("takenTable"), tr("What it takes"))),
          sum_(plainLabel()),
          hours_(plainLabel()),
          off_(new QPushButton(tr("Take it off the shelf"))) {
        sum_->setObjectName(QStringLiteral("costSum"));
        hours_->setObjectName(QStringLiteral("costHours"));
        off_->setObjectName(QStringLiteral("takeOffShelf"));
        off_->setToolTip(tr("What is counted there is fewer by what all these baits take"));
        sum_->setFont(type(Type::Body, true));
        for (QLabel* label : {sum_, hours_}) {
            label->setWordWrap(true);
        }
        table_->setWhole();
        auto* baits = new Form(bench, tr("How many"));
        baits->field(QStringLiteral("/building/baits"));
        baits->note(
            tr("Prices and packs stand on the shelf (Tools, Shelf), in your own money. What "
               "breaks, saw cuts, and what stays in the cup, are not in it."));
        auto* layout = new QVBoxLayout(this);
        layout->setContentsMargins(0, 0, 0, 0);
        layout->addWidget(formColumn({sum_, hours_, table_, off_, baits}));
        connect(&bench.evaluator, &Evaluator::resultsChanged, this, [this] { fill(); });
        connect(&bench, &Workbench::benchChanged, this, [this] { fill(); });
        connect(&bench.builds, &BuildBook::changed, this, [this] { fill(); });
        connect(&bench.shelf, &ShelfBook::changed, this, [this] { fill(); });
        connect(off_, &QPushButton::clicked, this,
                [this] { takeOffShelf(bench_, bench_.design().building.baits); });
    }

  protected:
    void showEvent(QShowEvent* event) override {
        QWidget::showEvent(event);
        fill();
    }

  private:
    QString amount(const Taken& t, int baits) const {
        if (t.pieces > 0) {
            return QString::number(t.pieces * baits);
        }
        return t.length_m > 0 ? bench_.text(Quantity::Length, baits * t.length_m)
                              : bench_.text(Quantity::Mass, baits * t.mass_kg);
    }

    QString nameOf(const TakenCost& c) const {
        if (!c.name.empty()) {
            return QString::fromStdString(c.name);
        }
        switch (c.taken.kind) {
            case TakenKind::Filler:
                return tr("filler over the lead");
            case TakenKind::Glue:
                return tr("glue");
            case TakenKind::Silicone:
                return tr("silicone of the mould");
            case TakenKind::Pin:
                return tr("pin, %1").arg(bench_.text(Quantity::Thickness, c.taken.wire_m));
            default:
                return tr("wire, %1").arg(bench_.text(Quantity::Thickness, c.taken.wire_m));
        }
    }

    void fill() {
        const ResultsPtr r = bench_.results();
        if (!isVisible() || !r || !r->derived) {
            return;
        }
        const int baits = r->design->building.baits;
        const auto costs = costOf(takenBy(*r->design, *r->derived), bench_.shelf.entries(), baits);
        QList<QStringList> rows;
        Priced each, mould;
        for (const TakenCost& c : costs) {
            (c.taken.once ? mould : each).add(c);
            const QString left = c.after && baits * c.taken.pieces > *c.left
                                     ? tr("▲ only %1 there").arg(*c.left)
                                 : c.after ? tr("%1 of %2").arg(*c.after).arg(*c.left)
                                           : QStringLiteral("–");
            const bool once = c.taken.once;
            rows << QStringList{nameOf(c), once ? tr("once") : amount(c.taken, 1),
                                amount(c.taken, once ? 1 : baits),
                                c.price && once ? tr("%1 once").arg(money(*c.price))
                                : c.price       ? money(*c.price)
                                : c.onShelf     ? tr("no price")
                                                : tr("not on the shelf"),
                                left};
        }
        table_->setRows({tr("Thing"), tr("one takes"), tr("all %1").arg(baits), tr("one costs"),
                         tr("then left")},
                        rows);
        sum_->setText(costWords(each, mould, baits));
        showHours(*r, baits);
        const auto used = usedUp(bench_.shelf.entries(), *r->design, baits);
        off_->setEnabled(!used.empty());
    }

    // Things taken, what those with a price cost together, and how many have none.
    struct Priced {
        int things = 0, unpriced = 0;
        double sum = 0;
        void add(const TakenCost& c) {
            ++things;
            unpriced += c.price ? 0 : 1;
            sum += c.price.value_or(0.0);
        }
    };

    QString costWords(const Priced& each, const Priced& mould, int baits) const {
        QStringList words;
        if (each.unpriced == each.things) {
            words << tr("No price stands on the shelf for any of it yet.");
        } else if (each.unpriced == 0) {
            words << tr("One costs %1, all %2 cost %3.")
                         .arg(money(each.sum))
                         .arg(baits)
                         .arg(money(baits * each.sum));
        } else {
            words << tr("One costs %1 and what has no price yet (%2 of %3 things).")
                         .arg(money(each.sum))
                         .arg(each.unpriced)
                         .arg(each.things);
        }
        if (mould.sum > 0) {
            words << tr("The mould costs %1 more, once.").arg(money(mould.sum));
        } else if (mould.things > 0) {
            words << tr("What the mould takes has no price yet.");
        }
        return words.join(QLatin1Char(' '));
    }

    // As planned, and as the clocks of the baits built so far had it.
    void showHours(const Results& r, int baits) {
        const QString name = QString::fromStdString(r.design->name);
        const auto steps = buildSteps(*r.design, *r.derived);
        double planned = 0, taken = 0;
        int built = 0;
        for (const BuildStep& step : steps) {
            planned += step.work_s;
        }
        for (int bait = 0; bait < baits; ++bait) {
            double worked = 0;
            bool whole = true;
            for (const BuildStep& step : steps) {
                const StepRecord record =
                    bench_.builds.recordOf({name, bait, QString::fromStdString(step.key())});
                whole = whole && record.state == StepRecord::State::Done;
                worked += record.workedBy_s(bench_.builds.now());
            }
            built += whole ? 1 : 0;
            taken += whole ? worked : 0.0;
        }
        const auto text = [](double seconds) {
            return QLocale().toString(seconds / kHour_s, 'f', 1);
        };
        QString told =
            built > 0 ? tr("%n bait(s) built in %1 h each by the clocks; %2 h were planned.",
                           nullptr, built)
                            .arg(text(taken / built), text(planned))
                      : tr("About %1 h of work each, by the usual times of the steps; the clocks "
                           "of those you build take their place.")
                            .arg(text(planned));
        double mould = 0;
        for (const BuildStep& step : mouldSteps(*r.design)) {
            mould += step.work_s;
        }
        if (mould > 0) {
            told +=
                QLatin1Char(' ') + tr("The mould takes about %1 h more, once.").arg(text(mould));
        }
        hours_->setText(told);
    }

    Workbench& bench_;
    PlainTable* table_;
    QLabel* sum_;
    QLabel* hours_;
    QPushButton* off_;
};

}  // namespace

void takeOffShelf(Workbench& bench, int baits) {
    const auto used = usedUp(bench.shelf.entries(), bench.design(), baits);
    if (const auto error = bench.shelf.putAll(used)) {
        bench.say(QStringLiteral("▲ ") + sentence(*error, bench.bench()));
        return;
    }
    QStringList left;
    for (const ShelfEntry& e : used) {
        left << tr("%1: %2 left").arg(QString::fromStdString(e.name)).arg(*e.left);
    }
    bench.say(tr("Off the shelf. %1.").arg(left.join(QStringLiteral(", "))));
}

QWidget* makeCostsTab(Workbench& bench) {
    return new CostsTab(bench);
}

}  // namespace wl
