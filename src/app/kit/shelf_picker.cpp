#include "app/kit/shelf_picker.h"

#include <QCompleter>
#include <QLineEdit>
#include <QSettings>
#include <QSignalBlocker>
#include <QTimer>
#include <algorithm>

namespace wl {
namespace {

constexpr int kMostRecent = 6;

// Without the mass in brackets, which changes with weighing and with the bench.
QString plainName(const QString& row) {
    return row.section(QStringLiteral("  ("), 0, 0);
}

}  // namespace

ShelfPicker::ShelfPicker(Workbench& bench, const QString& objectName, const QString& title,
                         std::function<QStringList()> names, std::function<void(int)> take,
                         QWidget* parent)
    : QComboBox(parent), names_(std::move(names)), take_(std::move(take)) {
    setObjectName(objectName);
    setAccessibleName(title);
    setEditable(true);
    setInsertPolicy(QComboBox::NoInsert);
    setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    setMinimumContentsLength(int(title.size()) + 3);
    completer()->setCompletionMode(QCompleter::PopupCompletion);
    completer()->setFilterMode(Qt::MatchContains);
    completer()->setCaseSensitivity(Qt::CaseInsensitive);
    lineEdit()->setPlaceholderText(title);
    lineEdit()->setAccessibleName(title);
    fill();
    connect(&bench.shelf, &ShelfBook::changed, this, &ShelfPicker::fill);
    connect(&bench, &Workbench::benchChanged, this, &ShelfPicker::fill);
    connect(this, &QComboBox::activated, this, &ShelfPicker::taken);
}

void ShelfPicker::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Down || event->key() == Qt::Key_Up) {
        showPopup();
        return;
    }
    QComboBox::keyPressEvent(event);
}

void ShelfPicker::fill() {
    const QSignalBlocker blocker(this);
    clear();
    order_.clear();
    const QStringList all = names_();
    const QStringList recent = QSettings().value(recentKey()).toStringList();
    const auto add = [this, &all](int place) {
        order_.push_back(place);
        addItem(all[place]);
    };
    for (const QString& name : recent) {
        for (int i = 0; i < all.size(); ++i) {
            if (plainName(all[i]) == name) {
                add(i);
            }
        }
    }
    if (!order_.empty() && int(order_.size()) < all.size()) {
        insertSeparator(count());
        order_.push_back(-1);
    }
    for (int i = 0; i < all.size(); ++i) {
        if (!recent.contains(plainName(all[i]))) {
            add(i);
        }
    }
    showChosen();
}

void ShelfPicker::keep(std::function<int()> chosen) {
    chosen_ = std::move(chosen);
    showChosen();
}

void ShelfPicker::showChosen() {
    const QSignalBlocker blocker(this);
    const int place = chosen_();
    const auto row = std::find(order_.begin(), order_.end(), place);
    if (place < 0 || row == order_.end()) {
        setCurrentIndex(-1);
        if (!lineEdit()->text().isEmpty()) {
            clearEditText();
        }
        return;
    }
    const int at = int(row - order_.begin());
    if (currentIndex() == at && lineEdit()->text() == itemText(at)) {
        return;  // set anew it would be painted anew, with every move of a handle
    }
    setCurrentIndex(at);
    setEditText(itemText(at));
    lineEdit()->setCursorPosition(0);
}

void ShelfPicker::focusOutEvent(QFocusEvent* event) {
    QComboBox::focusOutEvent(event);
    if (event->reason() != Qt::PopupFocusReason && event->reason() != Qt::ActiveWindowFocusReason) {
        showChosen();
    }
}

void ShelfPicker::taken(int row) {
    if (row < 0 || row >= int(order_.size()) || order_[size_t(row)] < 0) {
        return;
    }
    const int place = order_[size_t(row)];
    QSettings settings;
    QStringList recent = settings.value(recentKey()).toStringList();
    const QString name = plainName(itemText(row));
    recent.removeAll(name);
    recent.prepend(name);
    settings.setValue(recentKey(), recent.mid(0, kMostRecent));
    take_(place);
    // When what told of the choice is through with the list.
    QTimer::singleShot(0, this, &ShelfPicker::fill);
}

}  // namespace wl

#include "moc_shelf_picker.cpp"
