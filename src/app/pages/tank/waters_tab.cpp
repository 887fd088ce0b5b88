#include <QCoreApplication>

#include "app/kit/beside_page.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/theme.h"
#include "app/pages/tank/tank_tabs.h"
#include "core/base/units.h"
#include "core/tank/waters.h"

namespace wl {
namespace {

const std::vector<double> kTemperatures_degC{-1, 4, 10, 15, 20, 25, 30, 35};
const std::vector<double> kSalinities{0.0, 0.005, 0.015, 0.035};
constexpr double kFreshIce_degC = 0.0;

class WatersTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(WatersTab)
  public:
    explicit WatersTab(Workbench& bench)
        : BesidePage(bench),
          words_(plainLabel()),
          table_(new PlainTable(QStringLiteral("waters"), tr("The bait in other waters"))) {
        setObjectName(QStringLiteral("watersTab"));
        words_->setObjectName(QStringLiteral("watersWords"));
        words_->setWordWrap(true);
        content()->addWidget(words_);
        content()->addWidget(table_, 1);
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const DesignPtr design = results.design;
        return [this, derived, design](std::stop_token stop,
                                       const Beside::Progress&) -> Beside::Finish {
            std::vector<double> kelvin;
            kelvin.reserve(std::size(kTemperatures_degC));
            for (const double t : kTemperatures_degC) {
                kelvin.push_back(t + kZeroCelsius_K);
            }
            const auto rows = computeWaters(*design, *derived, kelvin, kSalinities, stop);
            if (rows.size() < kelvin.size()) {
                return {};
            }
            const InWater room = inWater(*design, *derived, design->errors.roomTemperature_K, 0.0,
                                         design->errors.roomTemperature_K);
            const InWater fished =
                inWater(*design, *derived, design->brief.temperature_K, design->brief.salinity,
                        design->errors.roomTemperature_K);
            return [this, rows, room, fished] { show(rows, room, fished); };
        };
    }

  private:
    QString stateWord(const InWater& w) {
        switch (w.state) {
            case RestState::Floats:
                return tr("floats");
            case RestState::Suspends:
                return tr("hangs");
            default:
                return tr("sinks %1").arg(bench().text(Quantity::Speed, w.speed_m_s));
        }
    }
    QString cell(const InWater& w) {
        if (w.salinity == 0 && w.temperature_K < kFreshIce_degC + kZeroCelsius_K) {
            return tr("ice");
        }
        return QStringLiteral("%1\n%2\n%3")
            .arg(bench().text(Quantity::Fraction, w.spare),
                 w.attitudeDecided ? bench().text(Quantity::Angle, w.pitch_rad) : tr("any way up"),
                 stateWord(w));
    }
    void show(const std::vector<std::vector<InWater>>& rows, const InWater& room,
              const InWater& fished) {
        QStringList header{tr("Water")};
        for (const double s : kSalinities) {
            header << (s == 0     ? tr("fresh")
                       : s > 0.03 ? tr("sea\n%1").arg(bench().text(Quantity::Salinity, s))
                                  : tr("brackish\n%1").arg(bench().text(Quantity::Salinity, s)));
        }
        QList<QStringList> texts;
        for (const auto& row : rows) {
            QStringList line{bench().text(Quantity::Temperature, row.front().temperature_K)};
            for (const InWater& w : row) {
                line << cell(w);
            }
            texts << line;
        }
        table_->setRows(header, texts);
        const double change = fished.spare - room.spare;
        words_->setText(
            tr("Each cell: spare, nose up, what it does. Set in fresh water at %1, fished at %2 "
               "in %3: spare %4 becomes %5 (%6 %7).")
                .arg(bench().text(Quantity::Temperature, room.temperature_K),
                     bench().text(Quantity::Temperature, fished.temperature_K),
                     fished.salinity > 0.0005
                         ? tr("water of %1").arg(bench().text(Quantity::Salinity, fished.salinity))
                         : tr("fresh water"),
                     bench().text(Quantity::Fraction, room.spare),
                     bench().text(Quantity::Fraction, fished.spare),
                     change >= 0 ? tr("rises by") : tr("falls by"),
                     bench().text(Quantity::Mass, std::abs(fished.net_kg - room.net_kg))));
    }

    QLabel* words_;
    PlainTable* table_;
};

}  // namespace

QWidget* makeWatersTab(Workbench& bench) {
    return new WatersTab(bench);
}

}  // namespace wl
