#include <QCoreApplication>
#include "app/kit/beside_page.h"
#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/theme.h"
#include "app/pages/tank/tank_tabs.h"
#include "core/base/units.h"
#include "core/reckon/evaluate.h"
#include "core/tank/doubt.h"

namespace wl {
namespace {

constexpr size_t kDraws = 10000;
constexpr std::uint64_t kSeed = 1;

class DoubtTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(DoubtTab)
  public:
    explicit DoubtTab(Workbench& bench)
        : BesidePage(bench),
          chances_(plainLabel()),
          words_(plainLabel()),
          table_(new PlainTable(QStringLiteral("doubts"), tr("Where the doubt comes from"))) {
        setObjectName(QStringLiteral("doubtTab"));
        chances_->setObjectName(QStringLiteral("chances"));
        chances_->setFont(type(Type::Body, true));
        chances_->setWordWrap(true);
        words_->setObjectName(QStringLiteral("doubtWords"));
        words_->setWordWrap(true);
        words_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
        words_->setTextInteractionFlags(Qt::TextSelectableByMouse);
        auto* errors = new Form(bench, tr("How well you measure"));
        errors->fields({"/errors/coat_thickness", "/errors/plug_length", "/errors/typical_mass",
                        "/errors/weighed_part", "/errors/lip_thickness",
                        "/errors/room_temperature"});
        table_->setWhole();
        content()->addWidget(formColumn({chances_, table_, words_, errors}));
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const DesignPtr design = results.design;
        return [this, derived, design](std::stop_token stop,
                                       const Beside::Progress&) -> Beside::Finish {
            const Doubt doubt = computeDoubt(*design, *derived);
            const SampledDoubt drawn = sampleDoubt(*design, *derived, kDraws, kSeed, stop);
            if (stop.stop_requested()) {
                return {};
            }
            const Design bare = withoutFinish(*design);
            std::shared_ptr<const Derived> before;
            if (bare.coats.size() < design->coats.size()) {
                if (Result<Derived> made = evaluate(bare, derived.get())) {
                    before = std::make_shared<const Derived>(std::move(made).value());
                }
            }
            return [this, doubt, drawn, before, derived] { show(doubt, drawn, before, *derived); };
        };
    }

  private:
    static QString sourceName(const DoubtSource& s) {
        const std::pair<const char*, QString> names[] = {
            {"doubt.calliper", tr("calliper on the sample")},
            {"doubt.scale", tr("scale on the sample")},
            {"doubt.moisture", tr("moisture")},
            {"doubt.density", tr("density of the stock")},
            {"doubt.drawn_volume", tr("body as shaped against the drawing")},
            {"doubt.body_weighing", tr("weighing of the body")},
            {"doubt.coat", tr("coat: %1")},
            {"doubt.plug", tr("lead: %1")},
            {"doubt.part", tr("part: %1")},
            {"doubt.lip", tr("lip sheet")},
            {"doubt.wire", tr("wire and balls: %1")}};
        for (const auto& [code, text] : names) {
            if (s.code == code) {
                return text.contains(QLatin1String("%1")) ? text.arg(QString::fromStdString(s.name))
                                                          : text;
            }
        }
        return QString::fromStdString(s.code);
    }
    static QString cure(const DoubtSource& s) {
        if (s.code == "doubt.calliper") {
            return tr("a calliper good to 0.02 mm, or a bigger sample");
        }
        if (s.code == "doubt.scale" || s.code == "doubt.body_weighing") {
            return tr("a scale good to 0.001 g");
        }
        if (s.code == "doubt.moisture") {
            return tr("keep sample and body together, weigh on one day");
        }
        if (s.code == "doubt.density") {
            return tr("weigh a sample of the same board");
        }
        if (s.code == "doubt.drawn_volume") {
            return tr("weigh the shaped, sealed body hanging in water");
        }
        if (s.code == "doubt.coat") {
            return tr("weigh the bait before and after that coat");
        }
        return tr("weigh it to 0.01 g");
    }
    QString percent(double share) { return bench().text(Quantity::Fraction, share); }
    QString mass(double kg) { return bench().text(Quantity::Mass, kg); }

    void show(const Doubt& doubt, const SampledDoubt& drawn,
              const std::shared_ptr<const Derived>& before, const Derived& after) {
        chances_->setText(
            tr("Floats %1, hangs %2, sinks %3.  Spare %4 ± %5 (one standard deviation).")
                .arg(percent(doubt.chances.floats), percent(doubt.chances.suspends),
                     percent(doubt.chances.sinks), mass(doubt.net_kg), mass(doubt.standard_kg)));
        QList<QStringList> rows;
        for (const DoubtSource& s : doubt.sources) {
            if (s.share >= 0.0005) {
                rows << QStringList{sourceName(s), QStringLiteral("± ") + mass(s.effect_kg),
                                    percent(s.share)};
            }
        }
        table_->setRows({tr("From"), tr("On the spare"), tr("Share")}, rows);
        QStringList lines;
        lines << tr("What it pays to measure better:");
        for (size_t i = 0; i < std::min<size_t>(2, doubt.improvements.size()); ++i) {
            const Improvement& better = doubt.improvements[i];
            const DoubtSource& s = doubt.sources[better.source];
            QString line = tr("%1. %2: %3. Then ± %4")
                               .arg(i + 1)
                               .arg(sourceName(s), cure(s), mass(better.standardAfter_kg));
            if (doubt.wrong >= 0.0005) {
                line += tr(", wrong state %1 instead of %2")
                            .arg(percent(better.wrongAfter), percent(doubt.wrong));
            }
            lines << line + QLatin1Char('.');
        }
        if (doubt.improvements.empty()) {
            lines << tr("Nothing: every part is measured as well as it can be.");
        }
        lines << QString();
        if (before) {
            lines << tr("Before paint and clear coats the tank should show: %1 on the scale, %2 "
                        "spare, %3%4.")
                         .arg(
                             mass(before->mass->mass_kg),
                             bench().text(Quantity::Fraction, before->rest->spare),
                             before->rest->net_kg > 0
                                 ? tr("%1 of back out, ")
                                       .arg(bench().text(Quantity::Length, before->rest->showing_m))
                                 : QString(),
                             noseWords(before->rest->pitch_rad, bench().bench()));
            lines << tr("The finish then adds %1 and takes %2 of the spare.")
                         .arg(mass(after.mass->mass_kg - before->mass->mass_kg),
                              mass(before->rest->net_kg - after.rest->net_kg));
        } else {
            lines << tr("There are no paint or clear coats: the tank shows the finished bait.");
        }
        lines << QString()
              << tr("%n draw(s) of every error (seed %1): floats %2, hangs %3, sinks %4.", nullptr,
                    int(drawn.drawn))
                     .arg(kSeed)
                     .arg(percent(drawn.chances.floats), percent(drawn.chances.suspends),
                          percent(drawn.chances.sinks));
        words_->setText(lines.join(QStringLiteral("\n")));
    }

    QLabel* chances_;
    QLabel* words_;
    PlainTable* table_;
};

}  // namespace

QWidget* makeDoubtTab(Workbench& bench) {
    return new DoubtTab(bench);
}

}  // namespace wl
