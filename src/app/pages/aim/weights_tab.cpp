// One body, several belly weights and several waters in one table.
#include <QCoreApplication>
#include <QGridLayout>
#include <QLineEdit>
#include <QPushButton>

#include "app/kit/beside_page.h"
#include "app/kit/flow_layout.h"
#include "app/kit/learner.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/typed_lengths.h"
#include "app/pages/aim/aim_tabs.h"
#include "app/pages/aim/way_words.h"
#include "core/aim/belly_weights.h"
#include "core/base/units.h"

namespace wl {
namespace {

class WeightsTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(WeightsTab)
  public:
    explicit WeightsTab(Workbench& bench)
        : BesidePage(bench),
          put_(new QPushButton(tr("Put this lead in"))),
          table_(new PlainTable(QStringLiteral("bellyWeights"),
                                tr("Weights of lead, and what the bait does with each in each "
                                   "water"))),
          words_(plainLabel()) {
        setObjectName(QStringLiteral("weightsTab"));
        auto* lines = new QWidget;
        auto* grid = new QGridLayout(lines);
        grid->setContentsMargins(0, 0, 0, 0);
        temperatures_ = line(*grid, tr("Water at"), QStringLiteral("weightTemperatures"));
        salts_ = line(*grid, tr("Salt"), QStringLiteral("weightSalts"));
        leads_ = line(*grid, tr("Lead of"), QStringLiteral("weightLeads"));
        leads_->setPlaceholderText(tr("as the brief and the rates ask"));
        put_->setObjectName(QStringLiteral("putWeight"));
        put_->setToolTip(tr("The plugs are cut so, as one step to undo"));
        put_->setEnabled(false);
        words_->setObjectName(QStringLiteral("weightWords"));
        words_->setWordWrap(true);
        auto* bar = new QWidget;
        auto* top = new FlowLayout(bar);
        top->addWidget(put_);
        top->addWidget(table_->wideButton(bench));
        content()->addWidget(lines);
        content()->addWidget(bar);
        content()->addWidget(table_, 2);
        content()->addWidget(scrolling(words_), 1);
        connect(table_, &QTableWidget::itemSelectionChanged, this, [this] { tell(); });
        connect(put_, &QPushButton::clicked, this, [this] { putIn(); });
        connect(&Learner::of(bench), &Learner::changed, this, [this] {
            if (Learner::of(this->bench()).showsOtherwise(NoteKind::Sink, sink_)) {
                again();
            }
        });
    }

    ~WeightsTab() override { table_->blockSignals(true); }

  protected:
    Beside::Work work(const Results& results) override {
        constexpr double kColdest_K = kZeroCelsius_K - 2, kWarmest_K = kZeroCelsius_K + 40;
        constexpr double kSaltiest = 0.05, kHeaviest_kg = 1.0;
        const auto derived = results.derived;
        drawn_ = results.design;
        weights_.clear();
        sink_ = Learner::of(bench()).taught(NoteKind::Sink);
        const Brief& brief = drawn_->brief;
        if (temperatures_->text().isEmpty()) {
            temperatures_->setText(
                QStringList{bench().text(Quantity::Temperature, kZeroCelsius_K + 4),
                            bench().text(Quantity::Temperature, brief.temperature_K),
                            bench().text(Quantity::Temperature, kZeroCelsius_K + 25)}
                    .join(QStringLiteral("; ")));
        }
        if (salts_->text().isEmpty()) {
            salts_->setText(bench().text(Quantity::Salinity, brief.salinity));
        }
        const TypedAmounts temperatures =
            typedAmounts(temperatures_->text(), Quantity::Temperature, kColdest_K, kWarmest_K,
                         bench().bench(), notWarm());
        const TypedAmounts salts = typedAmounts(salts_->text(), Quantity::Salinity, 0.0, kSaltiest,
                                                bench().bench(), notSalt());
        const TypedAmounts leads = typedAmounts(leads_->text(), Quantity::Mass, 0.0, kHeaviest_kg,
                                                bench().bench(), notLead());
        for (const TypedAmounts* typed : {&temperatures, &salts, &leads}) {
            if (!typed->fault.isEmpty()) {
                show(typed->fault);
                return {};
            }
        }
        waters_.clear();
        for (const double salt : salts.values) {
            for (const double temperature : temperatures.values) {
                waters_.push_back({temperature, salt});
            }
        }
        show({});
        return [this, derived, waters = waters_, leads = leads.values,
                seen = sink_ ? sink_->middle : 1.0](
                   std::stop_token stop, const Beside::Progress& progress) -> Beside::Finish {
            const auto made = bellyWeights(*derived->design, waters, leads, stop, progress, seen);
            if (stop.stop_requested()) {
                return {};
            }
            return [this, made] {
                if (made) {
                    weights_ = *made;
                    show({});
                } else {
                    show(QStringLiteral("▲ ") + sentence(made.error(), bench().bench()));
                }
            };
        };
    }

  private:
    static QString notWarm() {
        return tr("“%1” is no temperature of water. Part them by semicolons: 4; 15; 25");
    }
    static QString notSalt() {
        return tr("“%1” is no salinity, in grams of salt to the kilogram: fresh 0, sea 35");
    }
    static QString notLead() {
        return tr("“%1” is no weight of lead. Part them by semicolons: 2; 2.5; 1/8 oz");
    }
    QLineEdit* line(QGridLayout& grid, const QString& label, const QString& name) {
        auto* edit = new QLineEdit;
        auto* before = plainLabel(label);
        before->setBuddy(edit);
        const int row = grid.rowCount();
        grid.addWidget(before, row, 0);
        grid.addWidget(edit, row, 1);
        edit->setObjectName(name);
        edit->setAccessibleName(tr("%1, parted by semicolons").arg(label));
        connect(edit, &QLineEdit::editingFinished, this, [this, edit] {
            if (edit->isModified()) {
                edit->setModified(false);
                again();
            }
        });
        return edit;
    }
    QString waterWords(const FishedWater& water) {
        return bench().text(Quantity::Temperature, water.temperature_K) + QLatin1Char('\n') +
               (water.salinity < 0.0005 ? tr("fresh")
                                        : bench().text(Quantity::Salinity, water.salinity));
    }
    QString forWhat(const BellyWeight& weight) {
        switch (weight.what) {
            case BellyWeight::For::Brief:
                return weight.water < waters_.size()
                           ? tr("the brief at %1")
                                 .arg(waterWords(waters_[weight.water])
                                          .replace(QLatin1Char('\n'), QStringLiteral(", ")))
                           : QString();
            case BellyWeight::For::Rate:
                return tr("to sink %1").arg(bench().text(Quantity::Speed, weight.asked));
            default:
                return tr("as typed");
        }
    }
    QString cell(const InWater& w, bool asWished) {
        QStringList lines;
        switch (w.state) {
            case RestState::Floats:
                lines << tr("floats %1").arg(bench().text(Quantity::Fraction, w.spare));
                break;
            case RestState::Suspends:
                lines << tr("hangs");
                break;
            default:
                lines << tr("sinks %1").arg(bench().text(Quantity::Speed, w.speed_m_s));
        }
        lines << (w.attitudeDecided ? bench().text(Quantity::Angle, w.pitch_rad)
                                    : tr("any way up"));
        if (asWished) {
            lines << tr("as wished");
        }
        return lines.join(QLatin1Char('\n'));
    }
    void show(const QString& fault) {
        fault_ = fault;
        const int row = std::max(0, table_->currentRow());
        QStringList header{tr("For"), tr("Lead"), tr("Than drawn")};
        for (const FishedWater& water : waters_) {
            header << waterWords(water);
        }
        QList<QStringList> rows;
        for (const BellyWeight& weight : weights_) {
            QStringList texts{forWhat(weight)};
            if (weight.refusal) {
                texts << (weight.what == BellyWeight::For::Typed
                              ? bench().text(Quantity::Mass, weight.asked)
                              : QStringLiteral("–"))
                      << tr("▲ not so");
            } else {
                texts << bench().text(Quantity::Mass, weight.lead_kg)
                      << (weight.more_kg > 0 ? QStringLiteral("+") : QString()) +
                             bench().text(Quantity::Mass, weight.more_kg);
            }
            for (size_t w = 0; w < waters_.size(); ++w) {
                texts << (w < weight.in.size() ? cell(weight.in[w], weight.asWished[w])
                                               : QStringLiteral("–"));
            }
            rows << texts;
        }
        table_->setRows(header, rows);
        if (!rows.isEmpty()) {
            table_->selectRow(std::min(row, int(rows.size()) - 1));
        }
        tell();
    }
    const BellyWeight* chosen() const {
        const int row = table_->currentRow();
        return row >= 0 && row < int(weights_.size()) ? &weights_[size_t(row)] : nullptr;
    }
    void tell() {
        const BellyWeight* weight = chosen();
        put_->setEnabled(weight != nullptr && !weight->refusal && !(weight->design == *drawn_));
        if (!fault_.isEmpty() || weight == nullptr) {
            words_->setText(fault_);
            return;
        }
        if (weight->refusal) {
            words_->setText(QStringLiteral("▲ ") + sentence(*weight->refusal, bench().bench()));
            return;
        }
        QStringList lines;
        if (!weight->leadMet) {
            lines << tr("▲ The bores do not give mass and attitude together: look at Ballast.");
        }
        for (const Bore& bore : weight->design.bores) {
            lines << tr("%1: %2 of %3")
                         .arg(QString::fromStdString(bore.name),
                              bench().text(Quantity::Length, bore.plugLength_m),
                              QString::fromStdString(bore.plugMaterial));
        }
        if (sink_) {
            lines << sinkByLogWords(sink_->middle);
        }
        lines << tr(
            "Each cell: spare or sink rate, nose up. As wished: spare within a hundredth, "
            "sinking within a tenth of the speed, nose within 2 degrees. The body swells "
            "and shrinks with the warmth of the water.");
        words_->setText(lines.join(QLatin1Char('\n')));
    }
    void putIn() {
        const BellyWeight* weight = chosen();
        if (weight == nullptr || weight->refusal) {
            return;
        }
        bench().document.endGesture();
        if (!(*drawn_ == bench().design())) {
            bench().say(tr("▲ The bait has changed since: its weights are planned anew."));
            return;
        }
        bench().document.submit(
            Design(weight->design),
            tr("Aim: %1 of lead").arg(bench().text(Quantity::Mass, weight->lead_kg)));
    }

    QLineEdit* temperatures_;
    QLineEdit* salts_;
    QLineEdit* leads_;
    QPushButton* put_;
    PlainTable* table_;
    QLabel* words_;
    std::vector<FishedWater> waters_;
    std::vector<BellyWeight> weights_;
    QString fault_;
    std::optional<FactorBand> sink_;  ///< of the log, as what is shown was planned with
    DesignPtr drawn_;
};

}  // namespace

QWidget* makeWeightsTab(Workbench& bench) {
    return new WeightsTab(bench);
}

}  // namespace wl
