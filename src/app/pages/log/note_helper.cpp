#include "app/pages/log/note_helper.h"
#include "app/kit/plain_label.h"

#include <QLocale>
#include <cmath>

namespace wl {

NoteHelper::NoteHelper(Workbench& bench) : words_(plainLabel()) {
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(0, 0, 0, 0);
    words_->setObjectName(QStringLiteral("noteHelperWords"));
    words_->setWordWrap(true);
    for (size_t i = 0; i < fields_.size(); ++i) {
        labels_[i] = plainLabel();
        fields_[i] = new OpenAmount(bench, QStringLiteral("noteHelper%1").arg(i), tr("Measured"),
                                    Quantity::Number, 0, 1e6);
        grid->addWidget(labels_[i], int(i), 0);
        grid->addWidget(fields_[i], int(i), 1);
        connect(fields_[i]->line(), &QLineEdit::editingFinished, this, &NoteHelper::reckon);
    }
    grid->addWidget(words_, int(fields_.size()), 0, 1, 2);
}

void NoteHelper::setField(size_t i, const QString& label, Quantity quantity, double least,
                          double most) {
    labels_[i]->setText(label);
    fields_[i]->line()->setAccessibleName(label);
    fields_[i]->setRange(quantity, least, most);
}

void NoteHelper::ask(NoteKind kind, bool plainFigure) {
    kind_ = kind;
    const bool sink = kind == NoteKind::Sink, film = kind == NoteKind::Beats;
    setVisible((sink || film) && plainFigure);
    if (sink) {
        setField(0, tr("sank over"), Quantity::Distance, 0.05, 30);
        setField(1, tr("in seconds"), Quantity::Time, 0.2, 3600);
    } else if (film) {
        setField(0, tr("beats counted"), Quantity::Number, 1, 1000);
        setField(1, tr("frames they took"), Quantity::Number, 2, 1e5);
        setField(2, tr("frames a second"), Quantity::Number, 10, 2000);
    }
    fields_[2]->setVisible(film);
    labels_[2]->setVisible(film);
    words_->clear();
}

// With how far off it may be.
void NoteHelper::reckon() {
    std::optional<double> a, b, c;
    if (!fields_[0]->read(a) || !fields_[1]->read(b) || !a || !b) {
        return;
    }
    if (kind_ == NoteKind::Sink) {
        constexpr double kWatch_s = 0.2;
        words_->setText(tr("Give or take %1 %: two tenths of a second on the watch.")
                            .arg(std::lround(100 * kWatch_s / *b)));
        emit reckoned(*a / *b);
    } else if (kind_ == NoteKind::Beats && fields_[2]->read(c) && c) {
        constexpr double kFramesABeat = 8;
        const double off = std::sqrt(2.0) / *b;
        words_->setText(*b / *a < kFramesABeat
                            ? tr("▲ Under eight frames a beat: the film is too slow to count by.")
                            : tr("Give or take %1 %: a frame at either end.")
                                  .arg(QLocale().toString(100 * off, 'f', 1)));
        emit reckoned(*a * *c / *b);
    }
}

}  // namespace wl

#include "moc_note_helper.cpp"
