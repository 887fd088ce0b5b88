// Rows of a form that only tell: what a readout shows, and what was before the last edit.
#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/theme.h"

namespace wl {
namespace {

constexpr int kFigure = 20;  // letters of a readout that is a figure

}  // namespace

QLabel* Form::readout(const QString& label, std::function<QString(const Results&)> read) {
    auto* value = plainLabel();
    value->setFont(type(Type::Body, true));
    value->setWordWrap(true);
    value->setTextInteractionFlags(Qt::TextSelectableByMouse);
    addRow(label, value);
    value->setContentsMargins(0, 4, 0, 0);
    auto refresh = [this, value, read] {
        const ResultsPtr results = bench_.results();
        QString text = results && results->derived ? read(*results) : QStringLiteral("–");
        if (text.isEmpty() && results && !results->run) {
            return;  // what the run tells comes after it: till then it stands as it was
        }
        // Beside a figure what it was before the last edit; a sentence would only grow unreadable.
        if (const ResultsPtr before = bench_.bait.before(); before && text.size() <= kFigure) {
            const QString was = Workbench::was(read(*before), text);
            text += was.isEmpty() ? was : QStringLiteral("  · ") + was;
        }
        value->setText(text);
        // Under the hand it keeps the lines it once took: a row more and a row less from move to
        // move sets the whole sheet out anew, and the eye loses its place.
        const bool held = bench_.document.isHeld() && value->isVisible();
        value->setMinimumHeight(held ? value->height() : 0);
    };
    connect(&bench_.evaluator, &Evaluator::resultsChanged, value, refresh);
    connect(&bench_.document, &Document::released, value, refresh);
    connect(&bench_, &Workbench::benchChanged, value, refresh);
    connect(this, &Form::readAgain, value, refresh);
    refresh();
    return value;
}

void Form::hideLastWhenEmpty() {
    auto* value = static_cast<QLabel*>(last_);
    auto refresh = [value, label = lastLabel_] {
        value->setVisible(!value->text().isEmpty());
        label->setVisible(!value->text().isEmpty());
    };
    connect(&bench_.evaluator, &Evaluator::resultsChanged, value, refresh);
    connect(this, &Form::readAgain, value, refresh);
    refresh();
}

}  // namespace wl
