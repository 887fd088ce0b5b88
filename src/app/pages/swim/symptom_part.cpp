// From what a bait does wrong at the water to what may be behind it and what would mend it.
#include <QComboBox>
#include <QFormLayout>

#include "app/kit/beside_page.h"
#include "app/kit/plain_label.h"
#include "app/pages/swim/swim_tabs.h"
#include "words/swim_words.h"

namespace wl {
namespace {

class SymptomPart : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(SymptomPart)
  public:
    explicit SymptomPart(Workbench& bench)
        : BesidePage(bench), symptom_(new QComboBox), speeds_(new QComboBox), words_(plainLabel()) {
        setObjectName(QStringLiteral("symptomPart"));
        symptom_->setObjectName(QStringLiteral("symptom"));
        symptom_->setAccessibleName(tr("What it does wrong"));
        for (const auto& [name, which] :
             {std::pair{tr("runs to the left"), Symptom::RunsLeft},
              std::pair{tr("runs to the right"), Symptom::RunsRight},
              std::pair{tr("rolls over when pulled hard"), Symptom::RollsOver},
              std::pair{tr("buries its head"), Symptom::BuriesHead},
              std::pair{tr("tail-heavy"), Symptom::TailHeavy}, std::pair{tr("dead"), Symptom::Dead},
              std::pair{tr("hunts, no steady beat"), Symptom::Hunts}}) {
            symptom_->addItem(name, int(which));
        }
        speeds_->setObjectName(QStringLiteral("twoSpeeds"));
        speeds_->setAccessibleName(tr("At two speeds"));
        for (const auto& [name, which] :
             {std::pair{tr("not tried yet"), TwoSpeeds::NotTried},
              std::pair{tr("worse when faster"), TwoSpeeds::WorseFaster},
              std::pair{tr("the same at both"), TwoSpeeds::SameAtBoth}}) {
            speeds_->addItem(name, int(which));
        }
        auto* rows = new QFormLayout;
        rows->addRow(tr("At the water it"), symptom_);
        rows->addRow(tr("At two speeds"), speeds_);
        content()->addLayout(rows);
        words_->setObjectName(QStringLiteral("symptomWords"));
        words_->setWordWrap(true);
        content()->addWidget(words_);
        connect(symptom_, &QComboBox::currentIndexChanged, this, [this] { again(); });
        connect(speeds_, &QComboBox::currentIndexChanged, this, [this] { again(); });
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const auto known = results.run;
        const auto symptom = Symptom(symptom_->currentData().toInt());
        const auto speeds = TwoSpeeds(speeds_->currentData().toInt());
        speeds_->setEnabled(symptom == Symptom::RunsLeft || symptom == Symptom::RunsRight);
        return [this, derived, known, symptom, speeds](std::stop_token stop,
                                                       const Beside::Progress&) -> Beside::Finish {
            const auto run = runFor(*derived, known, stop);
            const Diagnosis d = diagnose(*derived, *run, symptom, speeds, stop);
            if (stop.stop_requested()) {
                return {};
            }
            return [this, d] {
                words_->setText(
                    diagnosisWords(d, this->bench().bench()).join(QStringLiteral("\n")));
            };
        };
    }

  private:
    QComboBox* symptom_;
    QComboBox* speeds_;
    QLabel* words_;
};

}  // namespace

QWidget* makeSymptomPart(Workbench& bench) {
    return new SymptomPart(bench);
}

}  // namespace wl
