// The forces on the bait under way, and why it dives.
#include "app/kit/beside_page.h"
#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/pages/run/run_tabs.h"
#include "app/views/free_body_view.h"

namespace wl {
namespace {

class ForcesTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(ForcesTab)
  public:
    explicit ForcesTab(Workbench& bench)
        : BesidePage(bench), view_(new FreeBodyView(bench)), words_(plainLabel()) {
        setObjectName(QStringLiteral("forcesTab"));
        words_->setObjectName(QStringLiteral("forcesWords"));
        words_->setWordWrap(true);
        auto* form = new Form(bench, tr("Forces under way"));
        form->add(view_);
        form->add(words_);
        content()->addWidget(formColumn({form}), 1);
    }

  protected:
    Beside::Work work(const Results& results) override {
        auto known = std::make_shared<Results>(results);
        return [this, known](std::stop_token stop, const Beside::Progress&) -> Beside::Finish {
            const Derived& d = *known->derived;
            if (!known->run) {
                known->run = std::make_shared<const Run>(computeRun(d, stop, kFineRetrieve));
            }
            const std::shared_ptr<const Results> shared = known;
            const Run& run = *shared->run;
            const auto range = runningSpeeds(d);
            if (!run.levelTrim) {
                return [this, range] {
                    view_->showNothing(nothingToDraw());
                    words_->setText(rangeWords(range));
                };
            }
            auto forces = freeBody(d, *run.levelTrim);
            const auto needed = pullForWantedDepth_N(d, *run.levelTrim, stop);
            if (stop.stop_requested()) {
                return {};
            }
            return [this, shared, forces, range, needed] {
                const Trim& trim = *shared->run->levelTrim;
                QStringList said{whyWords(forces, trim), needWords(*shared, needed),
                                 attitudeWords(*shared), rodWords(*shared), rangeWords(range)};
                said.removeAll(QString());
                words_->setText(said.join(QStringLiteral("\n")));
                view_->show(shared, trim, forces);
            };
        };
    }

  private:
    static QString nothingToDraw() {
        return tr("No steady attitude at this speed: nothing to draw.");
    }
    QString force(double newton) { return bench().text(Quantity::Force, newton); }

    // What holds it down against the line, in the world's up and down.
    QString whyWords(const std::vector<BodyForce>& forces, const Trim& trim) {
        QStringList down, up;
        for (const BodyForce& f : forces) {
            if (f.on == BodyForce::On::Line) {
                continue;
            }
            const double lift = -f.force_N.x() * std::sin(trim.pitch_rad) +
                                f.force_N.y() * std::cos(trim.pitch_rad);
            if (std::abs(lift) >= 0.005) {
                (lift < 0 ? down : up)
                    << tr("%1 %2").arg(FreeBodyView::nameOf(f.on), force(std::abs(lift)));
            }
        }
        const QString line =
            tr("The line pulls %1 at %2 over the level.")
                .arg(force(trim.tension_N), bench().text(Quantity::Angle, trim.lineAngle_rad));
        const QString sum = tr("Down: %1. Up: %2.")
                                .arg(down.isEmpty() ? tr("nothing") : down.join(tr(", ")),
                                     up.isEmpty() ? tr("nothing") : up.join(tr(", ")));
        return (trim.lineAngle_rad > 0
                    ? tr("It dives because what presses down is more than what lifts.")
                    : tr("It does not dive: what lifts is more than what presses down.")) +
               QLatin1Char(' ') + sum + QLatin1Char(' ') + line;
    }
    QString needWords(const Results& r, const std::optional<double>& needed) {
        const Trim& trim = *r.run->levelTrim;
        const QString wanted = bench().text(Quantity::Distance, r.design->brief.wantedDepth_m);
        if (!needed) {
            return tr("At this line angle no pull runs it at %1.").arg(wanted);
        }
        return tr("To run at %1 on this line and cast it must pull %2 at that angle; it pulls %3. "
                  "Less pull will do at a larger angle.")
            .arg(wanted, force(*needed), force(trim.tension_N));
    }
    QString attitudeWords(const Results& r) {
        if (r.run->trims.size() < 2) {
            return {};
        }
        QStringList all;
        for (const Trim& t : r.run->trims) {
            all << bench().text(Quantity::Angle, t.pitch_rad);
        }
        return tr("▲ Steady at %1; let go as it rests it falls into %2.")
            .arg(all.join(tr(", ")), bench().text(Quantity::Angle, r.run->levelTrim->pitch_rad));
    }
    QString rodWords(const Results& r) {
        const Run& run = *r.run;
        if (!run.depthKnown || run.path.maxDepthFromRod_m <= 0) {
            return {};
        }
        return tr("At its deepest the line leaves the rod tip %1 under the level.")
            .arg(bench().text(Quantity::Angle, run.path.maxDepthRodAngle_rad));
    }
    QString rangeWords(const std::optional<SpeedRange>& range) {
        if (!range) {
            return tr("It dives at no speed from %1 to %2.")
                .arg(bench().text(Quantity::Speed, 0.1, false), bench().text(Quantity::Speed, 4.0));
        }
        return range->openAbove
                   ? tr("It dives from %1 up.").arg(bench().text(Quantity::Speed, range->from_m_s))
                   : tr("It dives between %1 and %2.")
                         .arg(bench().text(Quantity::Speed, range->from_m_s, false),
                              bench().text(Quantity::Speed, range->to_m_s));
    }

    FreeBodyView* view_;
    QLabel* words_;
};

}  // namespace

QWidget* makeForcesTab(Workbench& bench) {
    return new ForcesTab(bench);
}

}  // namespace wl
