#include "app/pages/log/copy_form.h"
#include "app/kit/plain_label.h"

#include <QFileDialog>
#include <QFormLayout>
#include <QPushButton>

#include "app/dialogs/float_photo_dialog.h"
#include "words/log_words.h"

namespace wl {

CopyForm::CopyForm(Workbench& bench)
    : bench_(bench), place_(new QComboBox), picture_(plainLabel()), fault_(plainLabel()) {
    fault_->setObjectName(QStringLiteral("copyFault"));
    fault_->setProperty("role", "fault");
    fault_->setWordWrap(true);
    fault_->hide();
    auto* rows = new QFormLayout(this);
    rows->setContentsMargins(0, 0, 0, 0);
    const auto text = [&](QLineEdit*& edit, const char* name, const QString& label) {
        edit = new QLineEdit;
        edit->setObjectName(QLatin1String(name));
        edit->setAccessibleName(label);
        edit->setMaxLength(380);
        rows->addRow(label, edit);
    };
    const auto amount = [&](OpenAmount*& made, const char* name, const QString& label,
                            const char* field) {
        const auto& fields = logFields<LogCopy>();
        const auto at = std::find_if(
            fields.begin(), fields.end(),
            [field](const LogField<LogCopy>& f) { return f.name == std::string_view(field); });
        made = new OpenAmount(bench, QLatin1String(name), label, at->quantity, at->min, at->max);
        rows->addRow(label, made);
    };
    text(made_, "copyMade", tr("Made on"));
    amount(mass_, "copyMass", tr("Weighs"), "mass");
    amount(showing_, "copyShowing", tr("Back showing"), "showing");
    amount(nose_, "copyNose", tr("Nose up"), "nose");
    amount(sink_, "copySink", tr("Sinks at"), "sinks");
    text(deviates_, "copyDeviates", tr("What came out otherwise"));
    text(finish_, "copyFinish", tr("Finish"));
    text(hooks_, "copyHooks", tr("Hooks on it now"));
    place_->setObjectName(QStringLiteral("copyPlace"));
    place_->setAccessibleName(tr("Where it is"));
    for (int i = 0; i < int(kCopyPlaces.size()); ++i) {
        place_->addItem(copyPlaceWords(CopyPlace(i)));
    }
    rows->addRow(tr("Where it is"), place_);
    text(where_, "copyWhere", tr("With whom, or how it went"));
    text(photo_, "copyPhoto", tr("Photograph"));
    auto* choose = new QPushButton(tr("Choose a photograph…"));
    choose->setObjectName(QStringLiteral("copyChoose"));
    connect(choose, &QPushButton::clicked, this, [this] { choosePhoto(); });
    rows->addRow(QString(), choose);
    picture_->setObjectName(QStringLiteral("copyPicture"));
    rows->addRow(picture_);
    rows->addRow(fault_);
    auto* keep = new QPushButton(tr("Keep"));
    keep->setObjectName(QStringLiteral("copyKeep"));
    connect(keep, &QPushButton::clicked, this, [this] { emit keepWanted(); });
    rows->addRow(QString(), keep);
}

void CopyForm::showCopy(const LogCopy& c) {
    shown_ = c;
    fault_->hide();
    made_->setText(QString::fromStdString(c.made));
    mass_->set(c.mass_kg);
    showing_->set(c.showing_m);
    nose_->set(c.nose_rad);
    sink_->set(c.sink_m_s);
    deviates_->setText(QString::fromStdString(c.deviates));
    finish_->setText(QString::fromStdString(c.finish));
    finish_->setCursorPosition(0);
    hooks_->setText(QString::fromStdString(c.hooks));
    place_->setCurrentIndex(int(c.place));
    where_->setText(QString::fromStdString(c.where));
    photo_->setText(QString::fromStdString(c.photo));
    showPicture();
}

bool CopyForm::isTouched() const {
    const auto typed = [](const QLineEdit* line, const std::string& was) {
        return line->text() != QString::fromStdString(was);
    };
    return mass_->isTouched() || showing_->isTouched() || nose_->isTouched() ||
           sink_->isTouched() || typed(made_, shown_.made) || typed(deviates_, shown_.deviates) ||
           typed(finish_, shown_.finish) || typed(hooks_, shown_.hooks) ||
           typed(where_, shown_.where) || typed(photo_, shown_.photo) ||
           place_->currentIndex() != int(shown_.place);
}

void CopyForm::follow(const LogCopy& now) {
    if (now == shown_) {
        return;
    }
    if (!isTouched()) {
        showCopy(now);
        return;
    }
    fault_->setText(QStringLiteral("▲ ") +
                    tr("This copy was changed in another window meanwhile. Keep puts what stands "
                       "here in its place."));
    fault_->show();
}

bool CopyForm::read(LogCopy& c) {
    bool good = mass_->read(c.mass_kg);
    good = showing_->read(c.showing_m) && good;
    good = nose_->read(c.nose_rad) && good;
    good = sink_->read(c.sink_m_s) && good;
    c.made = made_->text().trimmed().toStdString();
    c.deviates = deviates_->text().trimmed().toStdString();
    c.finish = finish_->text().trimmed().toStdString();
    c.hooks = hooks_->text().trimmed().toStdString();
    c.place = CopyPlace(place_->currentIndex());
    c.where = where_->text().trimmed().toStdString();
    c.photo = photo_->text().trimmed().toStdString();
    return good;
}

void CopyForm::tell(const std::optional<Error>& error) {
    fault_->setText(error ? QStringLiteral("▲ ") + sentence(*error, bench_.bench()) : QString());
    fault_->setVisible(error.has_value());
}

void CopyForm::showPicture() {
    constexpr QSize kMost(320, 200);
    picture_->clear();
    const QString path = photo_->text();
    // Only what the maker chose in this session is opened.
    if (path.isEmpty() || !bench_.picturesAgreed.contains(path)) {
        picture_->setText(path.isEmpty()
                              ? QString()
                              : tr("Choose it again to see it: no picture is opened unasked."));
        return;
    }
    const QImage image = loadPicture(path);
    if (image.isNull()) {
        picture_->setText(tr("▲ This file is no picture that can be shown."));
    } else {
        picture_->setPixmap(
            QPixmap::fromImage(image.scaled(kMost, Qt::KeepAspectRatio, Qt::SmoothTransformation)));
    }
}

void CopyForm::choosePhoto() {
    const QString path =
        QFileDialog::getOpenFileName(window(), tr("Photograph of this copy"), photo_->text(),
                                     tr("Pictures (*.png *.jpg *.jpeg *.webp)"));
    if (!path.isEmpty()) {
        bench_.picturesAgreed.insert(path);
        photo_->setText(path);
        showPicture();
    }
}

}  // namespace wl

#include "moc_copy_form.cpp"
