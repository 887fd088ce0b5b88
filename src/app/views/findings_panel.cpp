#include "app/views/findings_panel.h"

#include <QFrame>
#include <QLabel>
#include <QPushButton>
#include <algorithm>

#include "app/kit/plain_label.h"
#include "app/kit/theme.h"

namespace wl {
namespace {

constexpr int kReadingPause_ms = 200;
constexpr int kAround = 64;  // margins, the button's own edge, the scroll bar

// A button does not break its words by itself, and takes & for a key.
QString broken(const QString& label, const QFontMetrics& metrics, int width) {
    QStringList lines;
    for (const QString& word : label.split(QLatin1Char(' '))) {
        const QString longer = lines.isEmpty() ? word : lines.last() + QLatin1Char(' ') + word;
        if (!lines.isEmpty() && metrics.horizontalAdvance(longer) <= width) {
            lines.last() = longer;
        } else {
            lines << word;
        }
    }
    return lines.join(QLatin1Char('\n')).replace(QLatin1Char('&'), QStringLiteral("&&"));
}

}  // namespace

FindingsPanel::FindingsPanel(Bait& bait, Workbench& bench, QWidget* parent)
    : QWidget(parent),
      bait_(bait),
      bench_(bench),
      title_(plainLabel()),
      calm_(plainLabel(tr("Nothing stands against this bait."))) {
    setObjectName(QStringLiteral("findings"));
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(2);
    title_->setFont(type(Type::Body, true));
    title_->setContentsMargins(10, 6, 10, 2);
    layout->addWidget(title_);
    auto* area = new QScrollArea;
    area->setWidgetResizable(true);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* body = new QWidget;
    body->setObjectName(QStringLiteral("findingsBody"));
    list_ = new QVBoxLayout(body);
    list_->setContentsMargins(10, 2, 8, 8);
    list_->setSpacing(8);
    calm_->setProperty("role", "quiet");
    calm_->setWordWrap(true);
    calm_->hide();
    list_->addWidget(calm_);
    list_->addStretch();
    area->setWidget(body);
    layout->addWidget(area, 1);
    connect(&bait_.evaluator, &Evaluator::resultsChanged, this, &FindingsPanel::refresh);
    later_.setSingleShot(true);
    connect(&later_, &QTimer::timeout, this, &FindingsPanel::refresh);
    connect(&bait_.document, &Document::released, this, [this] {
        later_.stop();
        refresh();
        updateGeometry();
    });
    connect(&bench_, &Workbench::benchChanged, this, [this] {
        shown_.reset();
        for (const Card& card : cards_) {
            drop(card.widget);  // other units
        }
        cards_.clear();
        refresh();
    });
}

std::vector<EditEffect> FindingsPanel::effectsOf(const Finding& finding, const Results& results) {
    std::vector<EditEffect> effects;
    for (const EditEffect& e : results.effects) {
        if (e.known && e.path == finding.path &&
            std::find(finding.edits.begin(), finding.edits.end(), e.edit) != finding.edits.end()) {
            effects.push_back(e);
        }
    }
    return effects;
}

QString FindingsPanel::wasWords(const Finding& now) const {
    if (!before_ || !before_->run) {
        return {};
    }
    const auto then =
        std::find_if(before_->findings.begin(), before_->findings.end(), [&](const Finding& f) {
            return f.code == now.code && f.path == now.path && f.words == now.words &&
                   f.values.size() == now.values.size();
        });
    if (then == before_->findings.end()) {
        return tr("not so before");
    }
    QStringList figures;
    for (size_t i = 0; i < now.values.size(); ++i) {
        const QString was = bench_.text(then->values[i].quantity, then->values[i].value);
        if (was != bench_.text(now.values[i].quantity, now.values[i].value)) {
            figures << was;
        }
    }
    return figures.isEmpty() ? QString() : tr("was %1").arg(figures.join(QStringLiteral(", ")));
}

QWidget* FindingsPanel::card(const Card& card) {
    const Finding& finding = card.finding;
    const Inks& c = inks();
    auto* frame = new QWidget;
    auto* layout = new QVBoxLayout(frame);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(3);
    const bool note = finding.severity == Severity::Note;
    const QString word = finding.severity == Severity::Error     ? tr("■ Stop")
                         : finding.severity == Severity::Warning ? tr("▲ Mind")
                                                                 : tr("● Note");
    auto* text = new QLabel(QStringLiteral("<span style='color:%1'><b>%2</b></span> %3")
                                .arg((note ? c.quiet : c.signal).name(), word,
                                     sentence(finding, bench_.bench()).toHtmlEscaped()));
    text->setWordWrap(true);
    text->setTextFormat(Qt::RichText);
    layout->addWidget(text);
    const auto small = [&](const QString& words) {
        auto* label = plainLabel(words);
        label->setFont(type(Type::Small));
        label->setProperty("role", "quiet");
        label->setWordWrap(true);
        layout->addWidget(label);
        return label;
    };
    if (!card.was.isEmpty()) {
        small(card.was)->setObjectName(QStringLiteral("was"));
    }
    auto addButton = [&](const QString& label, const QString& name) {
        auto* button = new QPushButton;
        button->setObjectName(name);
        button->setAccessibleName(label);
        layout->addWidget(button, 0, Qt::AlignLeft);
        return button;
    };
    for (const ProposedEdit& edit : finding.edits) {
        auto* button =
            addButton(sentence(edit, bench_.bench()), QString::fromStdString("cure/" + edit.code));
        connect(button, &QPushButton::clicked, this, [this, edit] {
            if (const auto error = bait_.document.applyEdit(edit, sentence(edit, bench_.bench()))) {
                bench_.say(sentence(*error, bench_.bench()));
            }
        });
        const auto effect = std::find_if(card.effects.begin(), card.effects.end(),
                                         [&](const EditEffect& e) { return e.edit == edit; });
        if (effect != card.effects.end()) {
            QString then = tr("then spare %1, %2")
                               .arg(bench_.text(Quantity::Fraction, effect->spare),
                                    noseWords(effect->pitch_rad, bench_.bench()));
            if (effect->depth_m) {
                then += tr(", runs at %1").arg(bench_.text(Quantity::Distance, *effect->depth_m));
            }
            small(then);
        }
    }
    if (!finding.path.empty()) {
        auto* show = addButton(tr("Show the place"),
                               QStringLiteral("show/") + QString::fromStdString(finding.code));
        const QString path = QString::fromStdString(finding.path);
        connect(show, &QPushButton::clicked, this, [this, path] { bench_.goTo(path); });
    }
    return frame;
}

void FindingsPanel::refresh() {
    const ResultsPtr results = bait_.results();
    if (!results) {
        return;
    }
    // The quick result of a newer design lacks the tow's findings: keep the old list until the full
    // one comes, so that the cards do not flicker under a drag.
    if (shown_ && !results->error && !results->whole) {
        return;
    }
    if (shown_ && shown_->findings == results->findings && shown_->effects == results->effects &&
        !shown_->error && !results->error && before_ == bait_.before()) {
        shown_ = results;
        return;
    }
    // Nobody reads as fast as the hand drags.
    if (bait_.document.isHeld() && shown_ && !results->error) {
        if (later_.isActive()) {
            return;
        }
        if (sinceRead_.isValid() && sinceRead_.elapsed() < kReadingPause_ms) {
            later_.start(kReadingPause_ms);
            return;
        }
    }
    sinceRead_.start();
    shown_ = results;
    before_ = bait_.before();
    std::vector<Finding> findings = results->findings;
    if (results->error) {
        findings.insert(findings.begin(), {results->error->code,
                                           Severity::Error,
                                           results->error->path,
                                           results->error->values,
                                           results->error->words,
                                           {}});
    }
    std::stable_sort(findings.begin(), findings.end(),
                     [](const Finding& a, const Finding& b) { return a.severity < b.severity; });
    const auto counted = [](size_t count) {
        return count == 0 ? tr("Findings: none") : tr("Findings: %1").arg(count);
    };
    const QString title = counted(findings.size());
    const bool told = before_ && before_->run && before_->findings.size() != findings.size();
    title_->setText(told ? tr("%1 (was %2)").arg(title).arg(before_->findings.size()) : title);
    calm_->setVisible(findings.empty());
    // Only the cards that say something else are made anew: a drag changes one or two.
    while (cards_.size() > findings.size()) {
        drop(cards_.back().widget);
        cards_.pop_back();
    }
    for (size_t i = 0; i < findings.size(); ++i) {
        Card now{findings[i], effectsOf(findings[i], *results), wasWords(findings[i]), nullptr};
        if (i < cards_.size() && cards_[i].finding == now.finding &&
            cards_[i].effects == now.effects && cards_[i].was == now.was) {
            continue;
        }
        now.widget = card(now);
        list_->insertWidget(int(i), now.widget);
        if (i < cards_.size()) {
            drop(cards_[i].widget);
            cards_[i] = now;
        } else {
            cards_.push_back(now);
        }
    }
    fitButtons();
    updateGeometry();
}

void FindingsPanel::drop(QWidget* widget) {
    list_->removeWidget(widget);
    widget->hide();
    widget->deleteLater();
}

QSize FindingsPanel::sizeHint() const {
    const int inside = std::max(100, width() - kAround / 2);
    const QMargins m = list_->contentsMargins();
    int height = title_->sizeHint().height() + m.top() + m.bottom() + 6;
    for (int i = 0; i < list_->count(); ++i) {
        if (const QWidget* part = list_->itemAt(i)->widget(); part && !part->isHidden()) {
            height += (part->hasHeightForWidth() ? part->heightForWidth(inside)
                                                 : part->sizeHint().height()) +
                      list_->spacing();
        }
    }
    const int most = parentWidget() != nullptr ? parentWidget()->height() / 3 : height;
    // A sheet that jumps by a line under the hand cannot be worked on.
    return {300, bait_.document.isHeld() ? this->height() : std::min(height, std::max(90, most))};
}

void FindingsPanel::fitButtons() {
    for (auto* button : findChildren<QPushButton*>()) {
        button->setText(broken(button->accessibleName(), button->fontMetrics(), width() - kAround));
    }
}

void FindingsPanel::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    fitButtons();
    updateGeometry();
}

}  // namespace wl

#include "moc_findings_panel.cpp"
