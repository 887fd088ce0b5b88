// One lead, and hooks of the shelf for each of three sink rates.
#include <QCoreApplication>
#include <QPushButton>

#include "app/kit/beside_page.h"
#include "app/kit/form.h"
#include "app/kit/learner.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/pages/aim/aim_tabs.h"
#include "app/pages/aim/way_words.h"
#include "core/aim/hook_rates.h"

namespace wl {
namespace {

class HookRatesTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(HookRatesTab)
  public:
    explicit HookRatesTab(Workbench& bench)
        : BesidePage(bench),
          put_(new QPushButton(tr("Lead and these hooks on"))),
          table_(new PlainTable(QStringLiteral("hookRates"), tr("Hooks for each sink rate"))),
          words_(plainLabel()) {
        setObjectName(QStringLiteral("hookRatesTab"));
        auto* rates = new Form(bench, tr("Three sink rates from one body"));
        rates->fields({"/tank/sink_rate_one", "/tank/sink_rate_two", "/tank/sink_rate_three"});
        rates->finish();
        put_->setObjectName(QStringLiteral("putHookRates"));
        put_->setToolTip(tr("As one step to undo; the brief then wants the middle rate"));
        put_->setEnabled(false);
        words_->setObjectName(QStringLiteral("hookRateWords"));
        words_->setWordWrap(true);
        content()->addWidget(rates);
        content()->addWidget(put_, 0, Qt::AlignLeft);
        content()->addWidget(table_, 1);
        content()->addWidget(scrolling(words_), 1);
        connect(table_, &QTableWidget::itemSelectionChanged, this, [this] { tell(); });
        connect(put_, &QPushButton::clicked, this, [this] { putOn(); });
        connect(&bench.shelf, &ShelfBook::changed, this, [this] { again(); });
        connect(&Learner::of(bench), &Learner::changed, this, [this] {
            if (Learner::of(this->bench()).showsOtherwise(NoteKind::Sink, sink_)) {
                again();
            }
        });
    }

    ~HookRatesTab() override { table_->blockSignals(true); }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        drawn_ = results.design;
        found_.reset();
        sink_ = Learner::of(bench()).taught(NoteKind::Sink);
        show({});
        std::vector<Fitting> hooks;
        for (const auto& row : bench().shelf.shelf().fittings) {
            hooks.push_back(row.item);
        }
        const TankTest& tank = drawn_->tank;
        const std::vector<double> rates{tank.sinkRateOne_m_s, tank.sinkRateTwo_m_s,
                                        tank.sinkRateThree_m_s};
        return [this, derived, hooks, rates, seen = sink_ ? sink_->middle : 1.0](
                   std::stop_token stop, const Beside::Progress& progress) -> Beside::Finish {
            const auto found = hooksForRates(*derived->design, hooks, rates, stop, progress, seen);
            if (stop.stop_requested()) {
                return {};
            }
            return [this, found] {
                if (found) {
                    found_ = *found;
                    show({});
                } else {
                    show(QStringLiteral("▲ ") + sentence(found.error(), bench().bench()));
                }
            };
        };
    }

  private:
    static QString names(const RatedHooks& rate) {
        QStringList all;
        for (const Fitting& hook : rate.hooks) {
            all << QString::fromStdString(hook.name);
        }
        return all.isEmpty() ? tr("no set on the shelf") : all.join(QStringLiteral(" + "));
    }
    void show(const QString& fault) {
        fault_ = fault;
        const int row = std::max(0, table_->currentRow());
        QList<QStringList> rows;
        if (found_) {
            for (const RatedHooks& rate : found_->rates) {
                const bool any = !rate.hooks.empty();
                rows << QStringList{
                    bench().text(Quantity::Speed, rate.wanted_m_s), names(rate),
                    any ? bench().text(Quantity::Speed, rate.speed_m_s) : QStringLiteral("–"),
                    any ? bench().text(Quantity::Angle, rate.pitch_rad) : QStringLiteral("–"),
                    rate.met             ? tr("as wished")
                    : any && !rate.clear ? tr("▲ hooks meet")
                    : any && !rate.level ? tr("▲ lies askew")
                                         : tr("▲ misses")};
            }
        }
        table_->setRows(
            {tr("Wanted"), tr("Hooks, nose first"), tr("Sinks"), tr("Nose up"), tr("Says")}, rows);
        if (!rows.isEmpty()) {
            table_->selectRow(std::min(row, int(rows.size()) - 1));
        }
        tell();
    }
    const RatedHooks* chosen() const {
        const int row = table_->currentRow();
        return found_ && row >= 0 && row < int(found_->rates.size()) ? &found_->rates[size_t(row)]
                                                                     : nullptr;
    }
    void tell() {
        const RatedHooks* rate = chosen();
        put_->setEnabled(rate != nullptr && !rate->hooks.empty());
        if (!fault_.isEmpty() || !found_) {
            words_->setText(fault_);
            return;
        }
        QStringList lines;
        lines << (found_->more_kg >= 0 ? tr("Lead in the bores: %1, %2 more than drawn.")
                                       : tr("Lead in the bores: %1, %2 less than drawn."))
                     .arg(bench().text(Quantity::Mass, found_->lead_kg),
                          bench().text(Quantity::Mass, std::abs(found_->more_kg)));
        if (sink_) {
            lines << sinkByLogWords(sink_->middle);
        }
        lines << tr(
            "Planned to lie as the brief wants it with the middle hooks on; with each set it "
            "sinks at the angle told. Typical hook masses are ±30 %: weigh yours on the "
            "shelf, and make up what is left with tape or wire.");
        if (!found_->met) {
            lines << tr(
                "Where it misses, no hooks of the shelf weigh what the rate asks, or they "
                "pull the bait askew: look at the rates, put other hooks on the shelf, or "
                "set the lead lower.");
        }
        words_->setText(lines.join(QLatin1Char('\n')));
    }
    void putOn() {
        const RatedHooks* rate = chosen();
        if (rate == nullptr || rate->hooks.empty()) {
            return;
        }
        bench().document.endGesture();
        if (!(*drawn_ == bench().design())) {
            bench().say(tr("▲ The bait has changed since: its hooks are looked for anew."));
            return;
        }
        bench().document.submit(Design(rate->design), tr("Aim: %1").arg(names(*rate)));
    }

    QPushButton* put_;
    PlainTable* table_;
    QLabel* words_;
    std::optional<HookRates> found_;
    QString fault_;
    std::optional<FactorBand> sink_;  ///< of the log, as what is shown was sought with
    DesignPtr drawn_;
};

}  // namespace

QWidget* makeHookRatesTab(Workbench& bench) {
    return new HookRatesTab(bench);
}

}  // namespace wl
