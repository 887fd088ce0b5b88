// The joints of a bait in pieces, one thing changed at a time: what that makes of its swim.
#include "app/kit/beside_page.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/pages/swim/swim_tabs.h"
#include "core/reckon/tow.h"
#include "words/chain_words.h"

namespace wl {
namespace {

class JointsPart : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(JointsPart)
  public:
    explicit JointsPart(Workbench& bench)
        : BesidePage(bench),
          table_(
              new PlainTable(QStringLiteral("jointTrials"), tr("Joints otherwise, one at a time"))),
          words_(plainLabel()) {
        setObjectName(QStringLiteral("jointsPart"));
        table_->setWhole();
        content()->addWidget(table_);
        words_->setObjectName(QStringLiteral("jointTrialWords"));
        words_->setWordWrap(true);
        content()->addWidget(words_);
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const bool jointed = !derived->design->joints.empty();
        if (!jointed || swimKind(*derived) == SwimKind::Wobble) {
            const QString why = jointed ? stiffUnderALip() : noJoints();
            return [this, why](std::stop_token, const Beside::Progress&) {
                return Beside::Finish([this, why] { showNone(why); });
            };
        }
        return [this, derived](std::stop_token stop,
                               const Beside::Progress& progress) -> Beside::Finish {
            const std::vector<ChainTrial> trials =
                tryJoints(*derived, towSpeed_m_s(*derived), stop, progress);
            if (trials.empty()) {
                return {};
            }
            return [this, derived, trials] { show(*derived->design, trials); };
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
    void show(const Design& design, const std::vector<ChainTrial>& trials) {
        QList<QStringList> rows;
        for (const ChainTrial& trial : trials) {
            rows << trialWords(trial, design, bench().bench());
        }
        table_->setRows({tr("Change"), tr("Swims"), tr("How")}, rows);
        table_->show();
        words_->setText(
            tr("One thing changed at a time, the rest as drawn. Openings come from bevel and gap: "
               "see Joints. Compare, do not measure: the figures are sure in their order, hardly "
               "in their size."));
    }

    PlainTable* table_;
    QLabel* words_;
};

}  // namespace

QWidget* makeJointsPart(Workbench& bench) {
    return new JointsPart(bench);
}

}  // namespace wl
