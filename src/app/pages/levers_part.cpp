#include "app/pages/levers_part.h"

#include <QCoreApplication>

#include "app/kit/beside_page.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/pages/swim/swim_tabs.h"
#include "core/swim/swim_levers.h"

namespace wl {
namespace {

constexpr int kLeverDraws = 60;
constexpr double kSureSign = 0.8;

/// A row for each lever: what a step of it is worth.
class LeversPart : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(LeversPart)
  public:
    LeversPart(Workbench& bench, bool swims)
        : BesidePage(bench),
          swims_(swims),
          taught_(bench),
          table_(new PlainTable(swims ? QStringLiteral("whyLevers") : QStringLiteral("levers"),
                                tr("What one step is worth"))) {
        setObjectName(swims ? QStringLiteral("whyPart") : QStringLiteral("leversPart"));
        table_->setWhole();
        content()->addWidget(table_);
        auto* note = plainLabel();
        note->setWordWrap(true);
        note->setText(
            tr("In brackets how often the sign holds when every coefficient is drawn from "
               "its band; ? under %1.")
                .arg(tr("%1 %").arg(std::lround(100 * kSureSign))));
        content()->addWidget(note);
        byLog_ = plainLabel();
        byLog_->setObjectName(swims ? QStringLiteral("whyByLog") : QStringLiteral("leversByLog"));
        byLog_->setWordWrap(true);
        content()->addWidget(byLog_);
        connect(&Learner::of(bench), &Learner::changed, this, [this] {
            const Learner& now = Learner::of(this->bench());
            if (now.showsOtherwise(NoteKind::Depth, depth_) || (swims_ && taught_.differs(now))) {
                again();
            }
        });
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        taught_ = SwimTaught(bench());
        depth_ = Learner::of(bench()).taught(NoteKind::Depth);
        return [this, derived, known = results.run, taught = taught_, depth = depth_](
                   std::stop_token stop, const Beside::Progress& progress) -> Beside::Finish {
            std::vector<Lever> levers =
                swims_ ? swimLeversOf(*taught.of(derived, *runFor(*derived, known, stop)),
                                      kLeverDraws, stop, progress)
                       : leversOf(*derived, kLeverDraws, stop, progress);
            if (stop.stop_requested()) {
                return {};
            }
            if (depth) {
                levers = leversByLog(std::move(levers), *depth);
            }
            const bool byLog = depth || (swims_ && (taught.beats || taught.swing));
            return [this, levers, byLog] {
                show(levers);
                byLog_->setText(byLog ? tr("Sized by your log's readings.") : QString());
                byLog_->setVisible(byLog);
            };
        };
    }

  private:
    QString nameOf(const Lever& lever) {
        const QString step = bench().text(lever.quantity, lever.step);
        switch (lever.what) {
            case Lever::What::LipAngle:
                return tr("lip %1 steeper").arg(step);
            case Lever::What::LipLength:
                return tr("lip %1 longer").arg(step);
            case Lever::What::LipWidth:
                return tr("lip %1 wider").arg(step);
            case Lever::What::Tie:
                return bench().design().tie.place == TiePlace::Lip
                           ? tr("tie %1 down the lip").arg(step)
                           : tr("tie %1 up").arg(step);
            case Lever::What::Spare:
                return tr("%1 more spare").arg(step);
            case Lever::What::Speed:
                return tr("reeled %1 faster").arg(step);
            case Lever::What::Line:
                return tr("line %1 thicker").arg(step);
            case Lever::What::Cast:
                return tr("cast %1 farther").arg(step);
            case Lever::What::RodTip:
                return tr("rod tip %1 higher").arg(step);
        }
        return {};
    }
    QString change(Quantity quantity, const std::optional<double>& value) {
        if (!value) {
            return QStringLiteral("–");
        }
        const QString text = bench().text(quantity, std::abs(*value));
        if (text == bench().text(quantity, 0.0)) {
            return text;
        }
        return (*value < 0 ? QStringLiteral("−") : QStringLiteral("+")) + text;
    }
    static QString surely(const QString& change, const std::optional<double>& sure) {
        return sure ? QStringLiteral("%1 (%2)%3")
                          .arg(change, tr("%1 %").arg(std::lround(100 * *sure)),
                               *sure < kSureSign ? QStringLiteral(" ?") : QString())
                    : change;
    }
    static QString beats(const std::optional<double>& value) {
        if (!value) {
            return QStringLiteral("–");
        }
        const QString text = QLocale().toString(std::abs(*value), 'f', 2);
        return std::abs(*value) < 0.005
                   ? text
                   : (*value < 0 ? QStringLiteral("−") : QStringLiteral("+")) + text;
    }
    void show(const std::vector<Lever>& levers) {
        QList<QStringList> rows;
        for (const Lever& lever : levers) {
            const QString depth = surely(change(Quantity::Distance, lever.depth_m), lever.sure);
            rows << (swims_ ? QStringList{nameOf(lever), depth,
                                          surely(beats(lever.beats_1_s), lever.sureBeats),
                                          surely(change(Quantity::Angle, lever.swing_rad),
                                                 lever.sureSwing)}
                            : QStringList{nameOf(lever), depth,
                                          change(Quantity::Angle, lever.pitch_rad),
                                          change(Quantity::Force, lever.pull_N)});
        }
        table_->setRows(swims_
                            ? QStringList{tr("One step"), tr("Depth"), tr("Beats/s"), tr("Swing")}
                            : QStringList{tr("One step"), tr("Depth"), tr("Nose up"), tr("Pull")},
                        rows);
    }

    bool swims_;
    SwimTaught taught_;  ///< what is shown, or being reckoned, was made with
    std::optional<FactorBand> depth_;
    PlainTable* table_;
    QLabel* byLog_ = nullptr;
};

}  // namespace

QWidget* makeLevers(Workbench& bench) {
    return new LeversPart(bench, false);
}

QWidget* makeWhy(Workbench& bench) {
    return new LeversPart(bench, true);
}

}  // namespace wl
