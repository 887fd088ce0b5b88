// What small faults do to the way it runs, and what to bend.
#include "app/kit/beside_page.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/pages/swim/swim_tabs.h"
#include "core/swim/tuning.h"

namespace wl {
namespace {

class TuningPart : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(TuningPart)
  public:
    explicit TuningPart(Workbench& bench)
        : BesidePage(bench),
          table_(new PlainTable(QStringLiteral("faults"), tr("Faults, and the bend for each"))),
          words_(plainLabel()) {
        setObjectName(QStringLiteral("tuningPart"));
        table_->setWhole();
        content()->addWidget(table_);
        words_->setObjectName(QStringLiteral("tuningWords"));
        words_->setWordWrap(true);
        content()->addWidget(words_);
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const auto known = results.run;
        return [this, derived, known](std::stop_token stop,
                                      const Beside::Progress&) -> Beside::Finish {
            const auto run = runFor(*derived, known, stop);
            const Result<Tuning> tuning = tuningOf(*derived, *run);
            if (stop.stop_requested()) {
                return {};
            }
            if (!tuning) {
                return [this, error = tuning.error()] {
                    table_->setRows({}, {});
                    words_->setText(sentence(error, this->bench().bench()));
                };
            }
            return [this, tuning = *tuning] { show(tuning); };
        };
    }

  private:
    QString nameOf(const FaultRun& f) {
        const QString length = bench().text(Quantity::Length, f.size),
                      angle = bench().text(Quantity::Angle, f.size);
        switch (f.fault) {
            case FaultRun::Fault::Tie:
                return tr("tie %1 to the right").arg(length);
            case FaultRun::Fault::LipTwist:
                return tr("lip twisted %1, right edge back").arg(angle);
            case FaultRun::Fault::LipTurn:
                return tr("lip turned %1, tip to the right").arg(angle);
            case FaultRun::Fault::LipRoot:
                return tr("lip %1 to the right").arg(length);
            case FaultRun::Fault::Lead:
                return tr("lead %1 to the right").arg(length);
        }
        return {};
    }
    QString side(double value, const QString& amount) {
        return value > 0 ? tr("right %1").arg(amount) : tr("left %1").arg(amount);
    }
    void show(const Tuning& tuning) {
        QList<QStringList> rows;
        for (const FaultRun& f : tuning.faults) {
            if (f.rollsOver) {
                rows << QStringList{nameOf(f), tr("rolls over"), QStringLiteral("–")};
                continue;
            }
            rows << QStringList{
                nameOf(f),
                side(f.run_rad, bench().text(Quantity::Distance, std::abs(f.sideways_m))),
                f.bend_m ? side(*f.bend_m, bench().text(Quantity::Thickness, std::abs(*f.bend_m)))
                         : QStringLiteral("–")};
        }
        table_->setRows({tr("Not true"), tr("Runs off over the cast"), tr("Bend the tie")}, rows);
        table_->setVisible(!rows.isEmpty());
        words_->setText(wordsFor(tuning).join(QStringLiteral("\n")));
    }
    QStringList wordsFor(const Tuning& tuning) {
        if (tuning.faults.empty()) {
            return {
                tr("Which way a bait without a lip runs off the model does not know: it needs a "
                   "trial. Bend the tie a hair, pull it, and go on the way that helped.")};
        }
        QStringList said;
        if (!tuning.signsKnown) {
            said << tr(
                "▲ The lip meets the water flatter or steeper than was looked at: the sides "
                "are likely, no more.");
        }
        if (tuning.rollUnsettled) {
            said << tr(
                "▲ Roll under tow not settled (see Motion): the sides are likely, the sizes a "
                "hint only.");
        }
        said
            << (tuning.touchy
                    ? tr("Very touchy: bend the tie a hair at a time toward the side it should go.")
                    : tr("Bend the tie toward the side it should go, a fifth to half a millimetre "
                         "at a time, and test at the speed you fish."));
        said << tr(
            "Pull it at two speeds first: what runs off worse when faster is tie or lip; what "
            "runs off the same at both, and leans in the bowl, is lead or coat.");
        said << tr("Sizes are sure to a factor of 2. Eye protection when bending wire.");
        return said;
    }

    PlainTable* table_;
    QLabel* words_;
};

}  // namespace

QWidget* makeTuningPart(Workbench& bench) {
    return new TuningPart(bench);
}

}  // namespace wl
