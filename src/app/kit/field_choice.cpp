#include "app/kit/field_choice.h"

#include <QCompleter>
#include <QLineEdit>
#include <algorithm>

#include "session/field_words.h"

namespace wl {
namespace {

// What is only written down, wished for, or known of the cast changes nothing of a run.
bool bearsOnRun(const std::string& path) {
    static const char* const kNot[] = {"/log",           "/errors",
                                       "/tank",          "/trace",
                                       "/meetings",      "/brief/wanted",
                                       "/brief/wind",    "/brief/throw_speed",
                                       "/brief/cadence", "/brief/trolled_line"};
    return std::none_of(std::begin(kNot), std::end(kNot),
                        [&path](const char* start) { return path.starts_with(start); });
}

}  // namespace

FieldChoice::FieldChoice(Workbench& bench, const QString& name, const QString& first,
                         bool mayBeNone, QWidget* parent)
    : QComboBox(parent), bench_(bench), none_(mayBeNone) {
    setObjectName(name);
    setEditable(true);
    setInsertPolicy(QComboBox::NoInsert);
    setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    setMinimumContentsLength(12);
    completer()->setCompletionMode(QCompleter::PopupCompletion);
    completer()->setFilterMode(Qt::MatchContains);
    fill(first);
    connect(lineEdit(), &QLineEdit::editingFinished, this, &FieldChoice::look);
}

void FieldChoice::showPopup() {
    renew();
    QComboBox::showPopup();
}

void FieldChoice::fill(const QString& wanted) {
    const QSignalBlocker quiet(this);
    clear();
    if (none_) {
        addItem(tr("nothing"), QString());
    }
    for (const Field& field : listFields(bench_.design())) {
        const bool means = field.about.applies && field.value && !fieldLabel(field).isEmpty();
        if (field.kind == FieldKind::Number && means && bearsOnRun(field.path)) {
            addItem(undoWords(field), QString::fromStdString(field.path));
        }
    }
    setCurrentIndex(std::max(0, findData(wanted)));
}

void FieldChoice::look() {
    const QString typed = currentText().trimmed();
    const int found = findText(typed, Qt::MatchFixedString);
    if (found >= 0) {
        setCurrentIndex(found);
    } else {
        emit unknown(typed);
    }
}

}  // namespace wl

#include "moc_field_choice.cpp"
