// The joints of a bait in pieces, one thing changed at a time: what that makes of its swim.
#include "app/kit/beside_page.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/pages/swim/swim_tabs.h"
#include "core/reckon/tow.h"
#include "words/chain_words.h"

namespace wl {
namespace {

// What is seen of a chain's beats by what is reckoned of them: as the log has it, or else the film.
double beatsSeen(const Derived& d, const std::vector<ChainTrial>& trials,
                 const std::optional<FactorBand>& log, const std::stop_token& stop) {
    if (log || !d.design->swim.seenBeats_1_s() || trials.front().swims == 0) {
        return log ? log->middle : 1.0;
    }
    const Snake filmed = snakeOf(d, towSpeed_m_s(d), stop);
    return filmed.filmed ? filmed.beats_1_s.middle / trials.front().beats_1_s.middle : 1.0;
}

class JointsPart : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(JointsPart)
  public:
    explicit JointsPart(Workbench& bench)
        : BesidePage(bench),
          table_(
              new PlainTable(QStringLiteral("jointTrials"), tr("Joints otherwise, one at a time"))),
          words_(plainLabel()),
          taught_(bench) {
        setObjectName(QStringLiteral("jointsPart"));
        connect(&Learner::of(bench), &Learner::changed, this, [this] {
            if (Learner::of(this->bench()).showsOtherwise(NoteKind::Beats, taught_.beats)) {
                again();
            }
        });
        table_->setWhole();
        content()->addWidget(table_);
        words_->setObjectName(QStringLiteral("jointTrialWords"));
        words_->setWordWrap(true);
        content()->addWidget(words_);
    }

  protected:
    Beside::Work work(const Results& results) override {
        taught_ = SwimTaught(bench());
        const auto derived = results.derived;
        const bool jointed = !derived->design->joints.empty();
        if (!jointed || swimKind(*derived) == SwimKind::Wobble) {
            const QString why = jointed ? stiffUnderALip() : noJoints();
            return [this, why](std::stop_token, const Beside::Progress&) {
                return Beside::Finish([this, why] { showNone(why); });
            };
        }
        return [this, derived, log = taught_.beats](
                   std::stop_token stop, const Beside::Progress& progress) -> Beside::Finish {
            std::vector<ChainTrial> trials =
                tryJoints(*derived, towSpeed_m_s(*derived), stop, progress);
            if (trials.empty()) {
                return {};
            }
            const double seen = beatsSeen(*derived, trials, log, stop);
            for (ChainTrial& trial : trials) {
                trial.beats_1_s = seen * trial.beats_1_s;
            }
            return [this, derived, trials, seen] { show(*derived->design, trials, seen); };
        };
    }

  private:
    static QString noJoints() {
        return tr(
            "It has no joints. Add one under Joints, and see here what its opening and place "
            "make of it.");
    }
    static QString stiffUnderALip() {
        return tr("With a lip the bait swings as one: what its joints add is not reckoned.");
    }
    void showNone(const QString& why) {
        table_->setRows({}, {});
        table_->hide();
        words_->setText(why);
    }
    void show(const Design& design, const std::vector<ChainTrial>& trials, double seen) {
        QList<QStringList> rows;
        for (const ChainTrial& trial : trials) {
            rows << trialWords(trial, design, bench().bench());
        }
        table_->setRows({tr("Change"), tr("Swims"), tr("How")}, rows);
        table_->show();
        QStringList said{
            tr("One thing changed at a time, the rest as drawn. Openings come from bevel and gap: "
               "see Joints. Compare, do not measure: the figures are sure in their order, hardly "
               "in their size.")};
        if (seen != 1.0) {
            said << tr("Beats are %1 times those reckoned, as your log or film has them.")
                        .arg(QLocale().toString(seen, 'f', 2));
        }
        words_->setText(said.join(QLatin1Char('\n')));
    }

    PlainTable* table_;
    QLabel* words_;
    SwimTaught taught_;  ///< what is shown, or being reckoned, was made with
};

}  // namespace

QWidget* makeJointsPart(Workbench& bench) {
    return new JointsPart(bench);
}

}  // namespace wl
