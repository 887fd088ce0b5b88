#include <QCheckBox>
#include <QCoreApplication>

#include "app/kit/beside_page.h"
#include "app/kit/flow_layout.h"
#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/theme.h"
#include "app/pages/tank/tank_tabs.h"
#include "core/base/units.h"
#include "core/tank/hook_swaps.h"

namespace wl {
namespace {

constexpr size_t kBestOf = 2;

class SwapsTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(SwapsTab)
  public:
    explicit SwapsTab(Workbench& bench)
        : BesidePage(bench),
          clear_(new QCheckBox(tr("Only sets whose hooks keep clear"))),
          put_(new QPushButton(tr("Put this set on"))),
          table_(
              new PlainTable(QStringLiteral("swaps"), tr("Hook sets of the shelf on this bait"))),
          best_(plainLabel()) {
        setObjectName(QStringLiteral("swapsTab"));
        clear_->setObjectName(QStringLiteral("onlyClear"));
        clear_->setChecked(true);
        put_->setObjectName(QStringLiteral("putHooks"));
        best_->setObjectName(QStringLiteral("bestForRates"));
        best_->setWordWrap(true);
        best_->setTextInteractionFlags(Qt::TextSelectableByMouse);
        auto* bar = new QWidget;
        auto* line = new FlowLayout(bar);
        line->addWidget(put_);
        line->addWidget(table_->wideButton(bench));
        line->addWidget(clear_);
        content()->addWidget(bar);
        table_->setShort({0, 1, 4, 7});
        content()->addWidget(table_, 3);
        auto* rates = new Form(bench, tr("Sink rates wanted"));
        rates->fields({"/tank/sink_rate_one", "/tank/sink_rate_two", "/tank/sink_rate_three"});
        content()->addWidget(formColumn({best_, rates}), 2);
        connect(clear_, &QCheckBox::toggled, this, [this] { fill(); });
        connect(put_, &QPushButton::clicked, this, [this] { putOn(); });
        connect(table_, &QTableWidget::itemSelectionChanged, this,
                [this] { put_->setEnabled(table_->currentRow() >= 0); });
        connect(&bench.shelf, &ShelfBook::changed, this, [this] { again(); });
        put_->setEnabled(false);
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const DesignPtr design = results.design;
        std::vector<Fitting> hooks;
        for (const auto& row : bench().shelf.shelf().fittings) {
            if (isHook(row.item.kind)) {
                hooks.push_back(row.item);
            }
        }
        return [this, derived, design, hooks](std::stop_token stop,
                                              const Beside::Progress& progress) -> Beside::Finish {
            HookSwaps swaps = computeHookSwaps(*design, *derived, hooks, stop, progress);
            if (!swaps.complete) {
                return {};
            }
            const TankTest& tank = design->tank;
            auto best = setsForSpeeds(
                swaps, derived->rest->pitch_rad,
                {tank.sinkRateOne_m_s, tank.sinkRateTwo_m_s, tank.sinkRateThree_m_s}, kBestOf);
            return [this, swaps = std::move(swaps), best = std::move(best), hooks] {
                swaps_ = swaps;
                best_sets_ = best;
                hooks_ = hooks;
                fill();
            };
        };
    }

  private:
    QString name(const HookSet& set, size_t place) const {
        return place < set.hooks.size() ? QString::fromStdString(hooks_[set.hooks[place]].name)
                                        : QString();
    }
    QString names(const HookSet& set) const {
        QStringList all;
        for (size_t i = 0; i < set.hooks.size(); ++i) {
            all << name(set, i);
        }
        return all.join(QStringLiteral(" + "));
    }
    QString speed(const HookSet& set) {
        return set.speed_m_s >= 0
                   ? tr("sinks %1").arg(bench().text(Quantity::Speed, set.speed_m_s))
                   : tr("rises %1").arg(bench().text(Quantity::Speed, -set.speed_m_s));
    }
    static QString stateWord(RestState s) {
        return s == RestState::Floats  ? tr("floats")
               : s == RestState::Sinks ? tr("sinks")
                                       : tr("hangs");
    }
    QString meets(const HookSet& set) {
        if (set.meetings.empty()) {
            return tr("yes");
        }
        switch (set.meetings.front().with) {
            case HookMeets::Hook:
                return tr("▲ hooks meet");
            case HookMeets::Tie:
                return tr("▲ reaches the tie");
            default:
                return tr("▲ reaches the lip");
        }
    }

    void fill() {
        rows_.clear();
        QList<QStringList> texts;
        for (size_t i = 0; i < swaps_.sets.size(); ++i) {
            const HookSet& s = swaps_.sets[i];
            if (clear_->isChecked() && !s.meetings.empty()) {
                continue;
            }
            rows_.push_back(i);
            texts << QStringList{
                name(s, 0),
                s.hooks.size() > 1 ? name(s, s.hooks.size() - 1) : QStringLiteral("–"),
                bench().text(Quantity::Mass, s.mass_kg),
                stateWord(s.state),
                speed(s),
                s.attitudeDecided ? bench().text(Quantity::Angle, s.pitch_rad) : tr("any way up"),
                bench().text(Quantity::Fraction, s.spare),
                meets(s),
                bench().text(Quantity::Mass, s.hooks_kg)};
        }
        table_->setRows({tr("Front hook"), tr("Rear hook"), tr("All up"), tr("State"), tr("Let go"),
                         tr("Nose up"), tr("Spare"), tr("Clear"), tr("Hooks")},
                        texts);
        QStringList lines;
        if (swaps_.places.empty()) {
            lines << tr("There is no hook on this bait to swap.");
        }
        const TankTest& tank = bench().design().tank;
        const double wanted[] = {tank.sinkRateOne_m_s, tank.sinkRateTwo_m_s,
                                 tank.sinkRateThree_m_s};
        const bool sinks = std::any_of(swaps_.sets.begin(), swaps_.sets.end(),
                                       [](const HookSet& s) { return s.speed_m_s > 0; });
        if (!swaps_.sets.empty() && !sinks) {
            lines << tr("No set on the shelf makes it sink.");
        }
        for (size_t w = 0; w < best_sets_.size(); ++w) {
            const QString rate = bench().text(Quantity::Speed, wanted[w]);
            lines << (best_sets_[w].empty() ? tr("Near %1: no set on the shelf.").arg(rate)
                                            : tr("Nearest to %1:").arg(rate));
            for (const size_t i : best_sets_[w]) {
                const HookSet& s = swaps_.sets[i];
                lines << tr("  %1: %2%3")
                             .arg(names(s), speed(s),
                                  s.meetings.empty() ? QString() : QStringLiteral(", ") + meets(s));
            }
        }
        lines << QString()
              << tr("Typical hook masses are ±30 %: weigh yours on the shelf. What is "
                    "left to the rate is made with tape or wire.");
        best_->setText(lines.join(QStringLiteral("\n")));
    }

    void putOn() {
        const int row = table_->currentRow();
        if (row < 0 || row >= int(rows_.size())) {
            return;
        }
        const HookSet& set = swaps_.sets[rows_[size_t(row)]];
        bench().document.endGesture();
        bench().document.submit(withHooks(bench().design(), swaps_, set, hooks_),
                                tr("Swap the hooks"));
        bench().say(tr("On the bait now: %1.").arg(names(set)));
    }

    QCheckBox* clear_;
    QPushButton* put_;
    PlainTable* table_;
    QLabel* best_;
    HookSwaps swaps_;
    std::vector<std::vector<size_t>> best_sets_;
    std::vector<Fitting> hooks_;
    std::vector<size_t> rows_;
};

}  // namespace

QWidget* makeSwapsTab(Workbench& bench) {
    return new SwapsTab(bench);
}

}  // namespace wl
