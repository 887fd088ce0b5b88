// What one step of each thing a maker can change is worth, and how sure its sign is.
#include "app/kit/beside_page.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/pages/run/run_tabs.h"
#include "core/reckon/what_if.h"

namespace wl {
namespace {

constexpr int kDraws = 60;
constexpr double kSure = 0.8;

/// A row for each lever: what a step of it is worth.
class LeversPart : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(LeversPart)
  public:
    explicit LeversPart(Workbench& bench)
        : BesidePage(bench),
          table_(new PlainTable(QStringLiteral("levers"), tr("What one step is worth"))) {
        setObjectName(QStringLiteral("leversPart"));
        table_->setWhole();
        content()->addWidget(table_);
        auto* note = plainLabel();
        note->setWordWrap(true);
        note->setText(
            tr("In brackets how often the sign holds when every coefficient is drawn from "
               "its band; ? under %1.")
                .arg(tr("%1 %").arg(std::lround(100 * kSure))));
        content()->addWidget(note);
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        return [this, derived](std::stop_token stop,
                               const Beside::Progress& progress) -> Beside::Finish {
            const std::vector<Lever> levers = leversOf(*derived, kDraws, stop, progress);
            if (stop.stop_requested()) {
                return {};
            }
            return [this, levers] { show(levers); };
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
    void show(const std::vector<Lever>& levers) {
        QList<QStringList> rows;
        for (const Lever& lever : levers) {
            QString depth = change(Quantity::Distance, lever.depth_m);
            if (lever.sure) {
                depth += QStringLiteral(" (%1)%2").arg(
                    tr("%1 %").arg(std::lround(100 * *lever.sure)),
                    *lever.sure < kSure ? QStringLiteral(" ?") : QString());
            }
            rows << QStringList{nameOf(lever), depth, change(Quantity::Angle, lever.pitch_rad),
                                change(Quantity::Force, lever.pull_N)};
        }
        table_->setRows({tr("One step"), tr("Depth"), tr("Nose up"), tr("Pull")}, rows);
    }

    PlainTable* table_;
};

}  // namespace

QWidget* makeLevers(Workbench& bench) {
    return new LeversPart(bench);
}

}  // namespace wl
