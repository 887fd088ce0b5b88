#include "app/dialogs/small_water_dialog.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QPushButton>
#include <QSettings>
#include <QVBoxLayout>
#include <cmath>

#include "app/dialogs/amount_field.h"
#include "app/kit/plain_label.h"
#include "core/base/units.h"
#include "session/sentence_text.h"
#include "words/small_water_words.h"

namespace wl {
namespace {

QString keptAs(const QString& name) {
    return QStringLiteral("small_water/") + name;
}

}  // namespace

SmallWaterDialog::SmallWaterDialog(Workbench& bench, QWidget* parent)
    : QDialog(parent),
      bench_(bench),
      where_(new QComboBox),
      bath_(new QWidget),
      tank_(new QWidget),
      words_(plainLabel()) {
    setWindowTitle(tr("Seen in a bath or a small tank"));
    setObjectName(QStringLiteral("smallWaterDialog"));
    resize(560, 480);
    where_->setObjectName(QStringLiteral("smallWaterWhere"));
    where_->setAccessibleName(tr("Where it was seen"));
    where_->addItems({tr("in a bath, pulled by hand"), tr("in a tank, in a pump's stream")});
    new QFormLayout(bath_);
    new QFormLayout(tank_);
    speed_ = field(bath_, "bathSpeed", tr("Pulled at"), Quantity::Speed, 0.1, 4,
                   bench.design().brief.retrieveSpeed_m_s);
    hand_ = field(bath_, "bathHand", tr("Hand or rod tip over the bait"), Quantity::Distance, 0, 3,
                  0.6);
    line_ = field(bath_, "bathLine", tr("Line from there to the bait"), Quantity::Distance, 0.1, 5,
                  1.0);
    filled_ = field(tank_, "tankFilled", tr("The pump fills"), Quantity::Volume, 1e-5, 0.1, 1e-3);
    fillTime_ = field(tank_, "tankFillTime", tr("in"), Quantity::Time, 0.5, 600, 4);
    outlet_ = field(tank_, "tankOutlet", tr("Its outlet is wide inside"), Quantity::Length, 0.002,
                    0.2, 0.016);
    away_ = field(tank_, "tankAway", tr("Outlet to nose"), Quantity::Length, 0.005, 2, 0.15);
    beats_ = field(tank_, "tankBeats", tr("Beats a second counted (0: none)"), Quantity::Number, 0,
                   60, 0);
    words_->setObjectName(QStringLiteral("smallWaterWords"));
    words_->setWordWrap(true);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel);
    take_ = buttons->addButton(tr("Put it in the log's words"), QDialogButtonBox::AcceptRole);
    take_->setObjectName(QStringLiteral("smallWaterTake"));
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    auto* layout = new QVBoxLayout(this);
    layout->addWidget(where_);
    layout->addWidget(bath_);
    layout->addWidget(tank_);
    layout->addWidget(words_, 1, Qt::AlignTop);
    layout->addWidget(buttons);
    where_->setCurrentIndex(
        std::clamp(QSettings().value(keptAs(QStringLiteral("where"))).toInt(), 0, 1));
    connect(where_, &QComboBox::currentIndexChanged, this, [this](int at) {
        QSettings().setValue(keptAs(QStringLiteral("where")), at);
        reckon();
    });
    connect(&bench_.evaluator, &Evaluator::resultsChanged, this, &SmallWaterDialog::reckon);
    connect(&bench_, &Workbench::benchChanged, this, &SmallWaterDialog::reckon);
    reckon();
}

AmountField* SmallWaterDialog::field(QWidget* page, const char* name, const QString& label,
                                     Quantity quantity, double least, double most, double usual) {
    const QString key = QLatin1String(name);
    auto* made = new AmountField(bench_, key, label, quantity, least, most);
    const QVariant kept = QSettings().value(keptAs(key));
    const double before = kept.isValid() ? kept.toDouble() : usual;
    made->set(before >= least && before <= most ? before : usual);
    static_cast<QFormLayout*>(page->layout())->addRow(label, made);
    connect(made->line(), &QLineEdit::editingFinished, this, [this, made, key] {
        if (const auto value = made->value()) {
            QSettings().setValue(keptAs(key), *value);
        }
        reckon();
    });
    return made;
}

void SmallWaterDialog::reckon() {
    const bool bath = where_->currentIndex() == 0;
    bath_->setVisible(bath);
    tank_->setVisible(!bath);
    said_.clear();
    take_->setEnabled(false);
    const ResultsPtr results = bench_.results();
    if (!results || !results->derived || !results->run) {
        words_->setText(tr("Its run is not reckoned yet, or not to be had: see the Run step."));
        return;
    }
    bath ? tellBath(*results) : tellTank(*results);
    take_->setEnabled(!said_.isEmpty());
}

void SmallWaterDialog::tellBath(const Results& results) {
    const auto speed = speed_->value(), hand = hand_->value(), line = line_->value();
    if (!speed || !hand || !line) {
        words_->clear();
        return;
    }
    if (*hand >= *line) {
        words_->clear();
        line_->sayAgainst(tr("The line is no longer than the hand is high: measure both again."));
        return;
    }
    const auto pull =
        pulledInBath(*results.derived, *results.run, *speed, std::asin(*hand / *line));
    if (!pull) {
        words_->setText(QStringLiteral("▲ ") + sentence(pull.error(), bench_.bench()));
        return;
    }
    words_->setText(bathWords(*pull, bench_.bench()).join(QLatin1Char('\n')));
    said_ = tr("in a bath, line at %1°: ").arg(std::lround(pull->held.lineAngle_rad / kDegree));
}

void SmallWaterDialog::tellTank(const Results& results) {
    const auto filled = filled_->value(), time = fillTime_->value(), outlet = outlet_->value(),
               away = away_->value(), beats = beats_->value();
    if (!filled || !time || !outlet || !away || !beats) {
        words_->clear();
        return;
    }
    const auto tank =
        swimInTank(*results.derived, *results.run, {*filled / *time, *outlet, *away}, *beats);
    if (!tank) {
        words_->setText(QStringLiteral("▲ ") + sentence(tank.error(), bench_.bench()));
        return;
    }
    words_->setText(tankWords(*tank, *beats, bench_.bench()).join(QLatin1Char('\n')));
    said_ = tr("in a pump's stream of about %1: ")
                .arg(shown(Quantity::Speed, bench_.bench(), tank->stream.overLip_m_s));
}

}  // namespace wl

#include "moc_small_water_dialog.cpp"
