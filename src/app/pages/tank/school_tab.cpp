#include <QCoreApplication>
#include "app/kit/beside_page.h"
#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/record_columns.h"
#include "app/kit/theme.h"
#include "app/pages/pages.h"
#include "app/pages/tank/tank_tabs.h"
#include "core/base/units.h"
#include "core/school/tank_school.h"

namespace wl {
namespace {

class SchoolTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(SchoolTab)
  public:
    explicit SchoolTab(Workbench& bench)
        : BesidePage(bench),
          table_(new PlainTable(QStringLiteral("inferred"), tr("What the tank says of the bait"))),
          words_(plainLabel()),
          apply_(new QPushButton(tr("Take it over"))),
          drop_(new QPushButton(tr("Drop it"))),
          replan_(new QPushButton(tr("Plan the lead again"))) {
        setObjectName(QStringLiteral("schoolTab"));
        words_->setObjectName(QStringLiteral("schoolWords"));
        words_->setWordWrap(true);
        words_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
        words_->setTextInteractionFlags(Qt::TextSelectableByMouse);
        apply_->setObjectName(QStringLiteral("applyCorrection"));
        apply_->setProperty("main", true);
        drop_->setObjectName(QStringLiteral("dropCorrection"));
        replan_->setObjectName(QStringLiteral("replanLead"));
        auto* buttons = new QWidget;
        auto* line = new FlowLayout(buttons);
        line->addWidget(apply_);
        line->addWidget(drop_);
        line->addWidget(replan_);
        table_->setWhole();
        content()->addWidget(formColumn({readingTable(), words_, buttons, table_}));
        connect(apply_, &QPushButton::clicked, this, [this] {
            if (inferred_) {
                Design next = this->bench().design();
                next.tank.correction = inferred_->correction;
                next.tank.correction.applied = true;
                this->bench().document.endGesture();
                this->bench().document.submit(std::move(next),
                                              tr("Take over what the tank showed"));
            }
        });
        connect(drop_, &QPushButton::clicked, this, [this] {
            Design next = this->bench().design();
            next.tank.correction = TankCorrection{};
            this->bench().document.endGesture();
            this->bench().document.submit(std::move(next), tr("Drop the tank's correction"));
        });
        connect(replan_, &QPushButton::clicked, this, [this] { planTheLead(this->bench()); });
        connect(&bench.document, &Document::designChanged, this, [this] { enable(); });
        enable();
    }

    // Outside the work below, where the extraction of texts loses the class.
    static QString wantsOneReading() {
        return tr(
            "Enter one thing you saw in the tank: how much of the back is out, what had to "
            "be taped on to make it level or hang still, how long it took to sink, how it "
            "leans. One reading tells something; several tell it from each other.");
    }

  protected:
    Beside::Work work(const Results& results) override {
        const DesignPtr design = results.design;
        if (design->tank.readings.empty()) {
            inferred_.reset();
            show(wantsOneReading());
            return {};
        }
        return [this, design](std::stop_token stop, const Beside::Progress&) -> Beside::Finish {
            auto made = std::make_shared<Result<TankInference>>(inferFromTank(*design, stop));
            if (stop.stop_requested()) {
                return {};
            }
            return [this, made] {
                if (!*made) {
                    inferred_.reset();
                    show(QStringLiteral("▲ ") + sentence(made->error(), bench().bench()));
                    return;
                }
                inferred_ = **made;
                show({});
            };
        };
    }

  private:
    QWidget* readingTable() {
        Workbench& b = bench();
        auto* table = new RecordTable(
            b, "readings", "/tank/readings",
            fieldColumns({"kind", "stage", "use", "showing", "angle", "mass", "taped", "taped_x",
                          "taped_z", "distance", "time", "temperature", "salinity"},
                         3),
            {{"addReading", tr("Add what you saw"), [&b](int) { addReading(b); }, false},
             wl::removeAction(b, "removeReading", tr("Remove a reading"), "/tank/readings")});
        table->showWholeForm();
        return table;
    }

    static void addReading(Workbench& bench) {
        Design next = bench.design();
        TankReading r;
        // The next kind not yet there, with what the drawing would show to start from.
        for (const ReadingKind kind : {ReadingKind::Showing, ReadingKind::Nose, ReadingKind::Still,
                                       ReadingKind::Drop, ReadingKind::Lean}) {
            r.kind = kind;
            if (std::none_of(next.tank.readings.begin(), next.tank.readings.end(),
                             [kind](const TankReading& other) { return other.kind == kind; })) {
                break;
            }
        }
        if (const ResultsPtr results = bench.results(); results && results->derived) {
            const Derived& d = *results->derived;
            r.showing_m = std::round(d.rest->showing_m * 2000) / 2000;
            r.tapedX_m = std::round(d.mass->centreOfGravity_m.x() * 2000) / 2000;
            r.tapedZ_m = d.shape->curves.atX(r.tapedX_m).belly_m;
            r.mass_kg = d.mass->mass_kg;
            if (r.kind == ReadingKind::Nose) {
                r.angle_rad = std::round(d.rest->pitch_rad / kDegree) * kDegree;
            }
            r.distance_m = d.rest->net_kg > 0 ? -0.5 : 0.5;
        }
        r.temperature_K = next.errors.roomTemperature_K;
        next.tank.readings.push_back(r);
        bench.document.endGesture();
        bench.document.submit(std::move(next), tr("Add a reading"));
    }

    void enable() {
        const bool applied = bench().design().tank.correction.applied;
        apply_->setEnabled(inferred_.has_value());
        drop_->setEnabled(applied);
        replan_->setEnabled(applied && !bench().design().bores.empty());
    }

    void show(const QString& instead) {
        enable();
        if (!inferred_) {
            table_->setRows({tr("Of the bait"), tr("Drawn"), tr("By the tank"), tr("±")}, {});
            words_->setText(instead);
            return;
        }
        const TankInference& t = *inferred_;
        QList<QStringList> rows;
        auto row = [&](const QString& name, Quantity q, const Corrected& c) {
            rows << QStringList{name, bench().text(q, c.drawn), bench().text(q, c.corrected),
                                bench().text(q, c.doubt)};
        };
        row(tr("mass"), Quantity::Mass, t.mass_kg);
        row(tr("water displaced"), Quantity::Volume, t.volume_m3);
        row(tr("weight, from the nose"), Quantity::Length, t.gravityX_m);
        row(tr("weight, to port"), Quantity::Length, t.gravityY_m);
        row(tr("weight, up"), Quantity::Length, t.gravityZ_m);
        row(tr("lift, from the nose"), Quantity::Length, t.buoyancyX_m);
        for (const ReadingFit& fit : t.fits) {
            rows << QStringList{
                tr("reading %1").arg(fit.reading + 1),
                fit.reckoned ? bench().text(fit.quantity, fit.before) : tr("does not"),
                bench().text(fit.quantity, fit.after),
                tr("seen %1").arg(bench().text(fit.quantity, fit.seen))};
        }
        table_->setRows({tr("Of the bait"), tr("Drawn"), tr("By the tank"), tr("±")}, rows);
        QStringList lines;
        if (t.misfit > 2) {
            lines << tr("▲ The readings do not agree with each other: look at them again.");
        }
        lines << advice(t);
        if (bench().design().tank.correction.applied) {
            lines << tr("A correction from the tank is in the reckoning.");
        }
        words_->setText(lines.join(QStringLiteral("\n")));
    }

    QString advice(const TankInference& t) {
        constexpr double kNothing_kg = 5e-5;
        constexpr double kNothing_kg_m = 3e-6;
        const QString add = bench().text(Quantity::Mass, std::abs(t.addMass_kg));
        if (std::abs(t.addMass_kg) > kNothing_kg && t.addInBody) {
            return t.addMass_kg > 0 ? tr("To sit as wanted: add %1 at %2 from the nose.")
                                          .arg(add, bench().text(Quantity::Length, t.addX_m))
                                    : tr("To sit as wanted: drill out %1 at %2 from the nose.")
                                          .arg(add, bench().text(Quantity::Length, t.addX_m));
        }
        QString text;
        if (std::abs(t.addMass_kg) > kNothing_kg) {
            text = t.addMass_kg > 0 ? tr("Add %1 in all. ").arg(add)
                                    : tr("Take out %1 in all. ").arg(add);
        }
        if (std::abs(t.moveMoment_kg_m) > kNothing_kg_m && t.lead_kg > 1e-6) {
            return text + tr("Move the lead (%1) %2 by %3.")
                              .arg(bench().text(Quantity::Mass, t.lead_kg),
                                   t.moveMoment_kg_m > 0 ? tr("aft") : tr("forward"),
                                   bench().text(Quantity::Length,
                                                std::abs(t.moveMoment_kg_m) / t.lead_kg));
        }
        return text.isEmpty() ? tr("It sits as wanted: nothing to add, drill or move.") : text;
    }

    PlainTable* table_;
    QLabel* words_;
    QPushButton *apply_, *drop_, *replan_;
    std::optional<TankInference> inferred_;
};

}  // namespace

QWidget* makeSchoolTab(Workbench& bench) {
    return new SchoolTab(bench);
}

}  // namespace wl
