#include "app/kit/beside_page.h"
#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/pages/build/build_tabs.h"
#include "app/pages/pages.h"
#include "core/making/moulding.h"
#include "session/sentence_text.h"
#include "session/words.h"

namespace wl {
namespace {

class AmountsTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(wl::AmountsTab)
  public:
    explicit AmountsTab(Workbench& bench)
        : BesidePage(bench),
          mould_(new PlainTable(QStringLiteral("mouldAmounts"), tr("The mould"))),
          copies_(new PlainTable(QStringLiteral("copyStates"), tr("The copies"))),
          coats_(new PlainTable(QStringLiteral("coatAmounts"), tr("Coats and filler"))),
          words_(plainLabel()),
          next_(plainLabel()),
          use_(new QPushButton(tr("Mix the next so, and plan its lead"))) {
        setObjectName(QStringLiteral("amountsTab"));
        words_->setObjectName(QStringLiteral("pourWords"));
        next_->setObjectName(QStringLiteral("nextCopy"));
        use_->setObjectName(QStringLiteral("useNextCopy"));
        for (QLabel* label : {words_, next_}) {
            label->setWordWrap(true);
        }
        for (PlainTable* table : {mould_, copies_, coats_}) {
            table->setWhole();
        }
        auto* form = new Form(bench, tr("Mould"));
        form->fields({"/building/baits", "/make/mould/wall", "/make/mould/silicone_density",
                      "/make/mould/silicone_waste", "/make/mould/resin_waste",
                      "/make/mould/working_time", "/make/mould/mixing", "/make/mould/pouring",
                      "/make/mould/spout", "/make/mould/vent"});
        form->note(
            tr("Resin, silicone and filler: gloves, fresh air, mask for the powder; large "
               "cups grow hot. Follow the product sheets."));
        auto* copy = new Form(bench, tr("First copy, trimmed, before any hole"));
        copy->fields({"/pieces/0/stock/weighed_body", "/make/mix/wanted_density"});
        content()->addWidget(
            formColumn({mould_, words_, form, copies_, copy, next_, use_, coats_}));
        connect(use_, &QPushButton::clicked, this, [this] { useNext(); });
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const DesignPtr design = results.design;
        if (!derived) {
            return {};
        }
        return [this, derived, design](std::stop_token stop,
                                       const Beside::Progress&) -> Beside::Finish {
            const auto plan = planMould(*design, *derived, stop);
            const auto amounts = benchAmounts(*design, *derived);
            const auto next = nextCopy(*design, *derived);
            if (stop.stop_requested()) {
                return {};
            }
            return [this, plan, amounts, next, design] { show(plan, amounts, next, *design); };
        };
    }

  private:
    QString mass(double kg) { return bench().text(Quantity::Mass, kg); }
    QString volume(double m3) { return bench().text(Quantity::Volume, m3); }

    void show(const Result<MouldPlan>& plan, const std::vector<BenchAmount>& amounts,
              const Result<NextCopy>& next, const Design& design) {
        QList<QStringList> rows;
        QString pours;
        const bool cast = design.make.kind == MakeKind::Cast;
        copies_->setVisible(cast);
        if (!plan) {
            pours = QStringLiteral("▲ ") + sentence(plan.error(), bench().bench());
        } else {
            const auto length = [&](double m) { return bench().text(Quantity::Length, m, false); };
            rows << QStringList{
                tr("box inside, long × across × high"),
                tr("%1 × %2 × %3 %4")
                    .arg(length(plan->box_m.x()), length(plan->box_m.y()), length(plan->box_m.z()),
                         QString::fromStdString(unitLabel(Quantity::Length, bench().bench())))};
            rows << QStringList{
                tr("silicone, each half"),
                tr("%1, %2").arg(volume(plan->siliconeHalf_m3), mass(plan->siliconeHalf_kg))};
            rows << QStringList{tr("one bait takes"),
                                tr("%1: resin %2, filler %3")
                                    .arg(volume(plan->one.volume_m3), mass(plan->one.resin_kg),
                                         mass(plan->one.filler_kg))};
            if (plan->perBatch == 0) {
                pours = tr("▲ It sets before the first is poured: mix less, or a slower resin.");
            } else {
                rows << QStringList{
                    tr("one mixing"),
                    tr("%n bait(s): resin %1, filler %2", nullptr, plan->perBatch)
                        .arg(mass(plan->pour.resin_kg), mass(plan->pour.filler_kg))};
                pours = tr("%n mixing(s) for all", nullptr, plan->batches);
                pours +=
                    QLatin1Char(' ') +
                    tr("(%1 poured before it sets, of %2).").arg(plan->perBatch).arg(plan->baits);
            }
            const QString names[] = {tr("as mixed"), tr("lightest"), tr("heaviest")};
            QList<QStringList> copies;
            for (size_t i = 0; i < plan->copies.size(); ++i) {
                const CopyState& c = plan->copies[i];
                copies << QStringList{names[i], bench().text(Quantity::Fraction, c.fillerShare),
                                      mass(c.mass_kg), bench().text(Quantity::Fraction, c.spare),
                                      noseWords(c.pitch_rad, bench().bench())};
            }
            copies_->setRows({tr("Copy"), tr("Filler"), tr("Whole bait"), tr("Spare"), tr("Lies")},
                             copies);
        }
        mould_->setRows({tr("The mould"), QString()}, rows);
        words_->setText(pours);
        next_->setVisible(cast);
        use_->setVisible(cast);
        use_->setEnabled(next.ok());
        found_ = next ? std::optional(next->design) : std::nullopt;
        if (next) {
            next_->setText(
                (next->reached
                     ? tr("The copy is %1, %2 of what the mix should give. Next: %3 "
                          "filler.")
                     : tr("▲ The copy is %1, %2 of what the mix should give, and no share "
                          "of filler reaches the density wanted; it stays at %3."))
                    .arg(bench().text(Quantity::Density, next->density_kg_m3),
                         bench().text(Quantity::Fraction, next->ofMix),
                         bench().text(Quantity::Fraction, next->fillerShare)));
        } else {
            next_->setText(sentence(next.error(), bench().bench()));
        }
        QList<QStringList> tins;
        const int baits = design.building.baits;
        for (const BenchAmount& a : amounts) {
            tins << QStringList{a.name.empty() ? tr("filler") : QString::fromStdString(a.name),
                                volume(a.volume_m3), mass(a.mass_kg), volume(baits * a.volume_m3),
                                mass(baits * a.mass_kg)};
        }
        coats_->setRows({tr("On the bait, wet"), tr("one"), QString(),
                         tr("%n bait(s)", nullptr, baits), QString()},
                        tins);
    }

    void useNext() {
        if (!found_) {
            return;
        }
        bench().document.endGesture();
        bench().document.submit(*found_, tr("Mix the next copy by the first"));
        planTheLead(bench());
    }

    PlainTable* mould_;
    PlainTable* copies_;
    PlainTable* coats_;
    QLabel* words_;
    QLabel* next_;
    QPushButton* use_;
    std::optional<Design> found_;
};

}  // namespace

QWidget* makeAmountsTab(Workbench& bench) {
    return new AmountsTab(bench);
}

}  // namespace wl
