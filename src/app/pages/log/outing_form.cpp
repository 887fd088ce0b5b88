#include "app/pages/log/outing_form.h"

#include <QDate>
#include <QFormLayout>

#include "app/kit/flow_layout.h"
#include "app/kit/learner.h"
#include "app/kit/plain_label.h"
#include "app/kit/theme.h"
#include "words/log_words.h"

namespace wl {
namespace {

const LogField<LogOuting>& outingField(std::string_view name) {
    const auto& fields = logFields<LogOuting>();
    return *std::find_if(fields.begin(), fields.end(),
                         [name](const LogField<LogOuting>& f) { return f.name == name; });
}

}  // namespace

OutingForm::OutingForm(Workbench& bench)
    : bench_(bench),
      words_(plainLabel()),
      toggle_(new QPushButton(tr("Day and water…"))),
      fields_(new QWidget),
      tank_(new QCheckBox(tr("in a tank or tub"))),
      measured_(new QCheckBox(tr("the speed was measured"))),
      fault_(plainLabel()) {
    words_->setObjectName(QStringLiteral("outingWords"));
    words_->setFont(type(Type::Body, true));
    words_->setWordWrap(true);
    toggle_->setObjectName(QStringLiteral("outingOpen"));
    toggle_->setCheckable(true);
    fault_->setObjectName(QStringLiteral("outingFault"));
    fault_->setProperty("role", "fault");
    fault_->setWordWrap(true);
    fault_->hide();
    tank_->setObjectName(QStringLiteral("outingTank"));
    measured_->setObjectName(QStringLiteral("outingMeasured"));
    auto* rows = new QFormLayout(fields_);
    rows->setContentsMargins(0, 0, 0, 0);
    const auto text = [&](QLineEdit*& line, const char* name, const QString& label) {
        line = new QLineEdit;
        line->setObjectName(QLatin1String(name));
        line->setAccessibleName(label);
        line->setMaxLength(300);
        rows->addRow(label, line);
    };
    const auto amount = [&](OpenAmount*& made, const char* field, const QString& label) {
        const LogField<LogOuting>& f = outingField(field);
        made = new OpenAmount(bench, QStringLiteral("outing_") + QLatin1String(field), label,
                              f.quantity, f.min, f.max);
        rows->addRow(label, made);
    };
    text(date_, "outingDate", tr("Day"));
    date_->setToolTip(tr("Year-month-day"));
    text(place_, "outingPlace", tr("Water"));
    rows->addRow(QString(), tank_);
    amount(line_, "line", tr("Line"));
    amount(speed_, "speed", tr("Reeled at"));
    rows->addRow(QString(), measured_);
    amount(cast_, "cast", tr("Cast"));
    amount(depth_, "water_depth", tr("Water is deep"));
    amount(temperature_, "temperature", tr("Water has"));
    text(colour_, "outingColour", tr("Colour of the water"));
    text(remarks_, "outingRemarks", tr("Remarks"));
    auto* bar = new QWidget;
    auto* buttons = new FlowLayout(bar);
    const auto button = [&](const QString& label, const char* name, bool another) {
        auto* made = new QPushButton(label);
        made->setObjectName(QLatin1String(name));
        connect(made, &QPushButton::clicked, this, [this, another] { keep(another); });
        buttons->addWidget(made);
    };
    button(tr("Begin this outing"), "outingBegin", true);
    button(tr("Change the one in hand"), "outingChange", false);
    rows->addRow(fault_);
    rows->addRow(bar);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    auto* head = new QWidget;
    auto* line = new FlowLayout(head);
    line->addWidget(toggle_);
    layout->addWidget(words_);
    layout->addWidget(head);
    layout->addWidget(fields_);
    fields_->hide();
    connect(toggle_, &QPushButton::toggled, this, &OutingForm::open);
    connect(&bench.log, &LogBook::changed, this, &OutingForm::follow);
    connect(&bench, &Workbench::benchChanged, this, &OutingForm::follow);
    // The last day goes on if it is today's.
    const auto& outings = bench.log.log().outings;
    if (!outings.empty() &&
        outings.back().date == QDate::currentDate().toString(Qt::ISODate).toStdString()) {
        Learner::of(bench).setOuting(outings.back().id);
    }
    follow();
}

void OutingForm::open(bool on) {
    fields_->setVisible(on);
    if (on) {
        shown_ = -1;
        follow();
        date_->setFocus();
    }
}

void OutingForm::follow() {
    const std::int64_t in = Learner::of(bench_).outing();
    const LogOuting* outing = bench_.log.log().outing(in);
    words_->setText(outing ? outingWords(*outing)
                           : tr("No outing begun: notes stand alone, each a day of its own."));
    if (shown_ == in && (in != 0 || fields_->isVisibleTo(this))) {
        return;  // what is typed stands
    }
    shown_ = in;
    LogOuting fresh;
    if (outing != nullptr) {
        fresh = *outing;
    } else {
        if (!bench_.log.log().outings.empty()) {
            fresh = bench_.log.log().outings.back();  // the rod is likely the same
            fresh.words.clear();
            fresh.tank = false;
        }
        fresh.date = QDate::currentDate().toString(Qt::ISODate).toStdString();
        const Brief& brief = bench_.design().brief;
        fresh.line_m = fresh.line_m.value_or(brief.lineDiameter_m);
        fresh.speed_m_s = fresh.speed_m_s.value_or(brief.retrieveSpeed_m_s);
        fresh.cast_m = fresh.cast_m.value_or(brief.castLength_m);
    }
    show(fresh);
}

void OutingForm::show(const LogOuting& o) {
    date_->setText(QString::fromStdString(o.date));
    place_->setText(QString::fromStdString(o.place));
    colour_->setText(QString::fromStdString(o.colour));
    remarks_->setText(QString::fromStdString(o.words));
    tank_->setChecked(o.tank);
    measured_->setChecked(o.speedMeasured);
    temperature_->set(o.temperature_K);
    depth_->set(o.waterDepth_m);
    line_->set(o.line_m);
    cast_->set(o.cast_m);
    speed_->set(o.speed_m_s);
}

bool OutingForm::read(LogOuting& o) {
    o.date = date_->text().trimmed().toStdString();
    o.place = place_->text().trimmed().toStdString();
    o.colour = colour_->text().trimmed().toStdString();
    o.words = remarks_->text().trimmed().toStdString();
    o.tank = tank_->isChecked();
    o.speedMeasured = measured_->isChecked();
    bool good = temperature_->read(o.temperature_K);
    good = depth_->read(o.waterDepth_m) && good;
    good = line_->read(o.line_m) && good;
    good = cast_->read(o.cast_m) && good;
    return speed_->read(o.speed_m_s) && good;
}

void OutingForm::keep(bool another) {
    LogOuting outing;
    Learner& learner = Learner::of(bench_);
    if (!another) {
        if (const LogOuting* there = bench_.log.log().outing(learner.outing())) {
            outing = *there;
        }
    }
    const std::int64_t id = outing.id;
    if (!read(outing)) {
        return;
    }
    outing.id = id;
    const auto error = bench_.log.put(outing);
    fault_->setText(error ? QStringLiteral("▲ ") + sentence(*error, bench_.bench()) : QString());
    fault_->setVisible(error.has_value());
    if (error) {
        return;
    }
    learner.setOuting(outing.id);
    toggle_->setChecked(false);
    shown_ = -1;
    follow();
}

}  // namespace wl

#include "moc_outing_form.cpp"
