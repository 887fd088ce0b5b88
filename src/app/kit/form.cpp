#include "app/kit/form.h"

#include <QScrollArea>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/kit/plain_label.h"
#include "app/kit/theme.h"
#include "core/design/limits.h"
#include "session/field_words.h"

namespace wl {
namespace {

constexpr int kLabelWidth = 164;

}  // namespace

Form::Form(Workbench& bench, const QString& title, QWidget* parent)
    : QWidget(parent), bench_(bench), grid_(new QGridLayout(this)) {
    grid_->setContentsMargins(0, 0, 0, 0);
    grid_->setHorizontalSpacing(8);
    grid_->setVerticalSpacing(4);
    grid_->setColumnStretch(1, 1);
    if (!title.isEmpty()) {
        auto* head = plainLabel(title);
        head->setFont(type(Type::Body, true));
        grid_->addWidget(head, row_++, 0, 1, 2);
    }
}

void Form::addRow(const QString& label, QWidget* field) {
    lastLabel_ = plainLabel(label);
    lastLabel_->setBuddy(field);
    lastLabel_->setFixedWidth(kLabelWidth);  // one edge for all fields of a sheet
    lastLabel_->setWordWrap(true);
    grid_->addWidget(lastLabel_, row_, 0, Qt::AlignLeft | Qt::AlignTop);
    lastLabel_->setContentsMargins(0, 4, 0, 0);
    grid_->addWidget(field, row_, 1, Qt::AlignTop);
    last_ = field;
    ++row_;
}

void Form::field(const QString& path) {
    const std::string at = path.toStdString();
    const std::optional<Field> field = findField(bench_.design(), at);
    if (!field) {
        return;
    }
    const auto now = [at](const Design& d) {
        const std::optional<Field> f = findField(d, at);
        return f && f->value ? int(*f->value) : 0;
    };
    const auto set = [this, path](int value) {
        bench_.document.endGesture();
        bench_.document.setField(path, value);
    };
    QWidget* made = nullptr;
    switch (field->kind) {
        case FieldKind::Flag:
            made = addTick(fieldLabel(*field), path, now, set);
            break;
        case FieldKind::Choice:
            made = addChoice(fieldLabel(*field), path, fieldAnswers(*field), now, set);
            break;
        case FieldKind::Text:
            made = field->max > double(kNameBytes)
                       ? static_cast<QWidget*>(addNotes(path, fieldLabel(*field)))
                       : addText(path, fieldLabel(*field));
            break;
        default:
            made = new QuantityEdit(bench_, path);
            addRow(fieldLabel(*field), made);
    }
    if (const QString tip = fieldTip(*field); !tip.isEmpty()) {
        made->setToolTip(tip);
    }
    enableLastWhen([at](const Design& d) {
        const std::optional<Field> f = findField(d, at);
        return f && f->about.applies;
    });
}

void Form::fields(const QStringList& paths) {
    for (const QString& path : paths) {
        field(path);
    }
}

QuantityEdit* Form::quantity(const QString& label, const QString& name,
                             QuantityEdit::Binding binding) {
    auto* edit = new QuantityEdit(bench_, name, label, std::move(binding));
    addRow(label, edit);
    return edit;
}

QCheckBox* Form::tick(const QString& label, const QString& objectName,
                      std::function<bool(const Design&)> read,
                      std::function<void(Design&, bool)> write) {
    return addTick(label, objectName, std::move(read), [this, label, write](bool on) {
        Design next = bench_.design();
        write(next, on);
        bench_.document.endGesture();
        bench_.document.submit(std::move(next), label);
    });
}

QCheckBox* Form::addTick(const QString& label, const QString& objectName,
                         std::function<bool(const Design&)> read, std::function<void(bool)> set) {
    auto* box = new QCheckBox(label);
    box->setObjectName(objectName);
    box->setAccessibleName(label);
    grid_->addWidget(box, row_++, 0, 1, 2);
    last_ = box;
    lastLabel_ = nullptr;
    auto refresh = [this, box, read] {
        const QSignalBlocker blocker(box);
        box->setChecked(read(bench_.design()));
    };
    connect(&bench_.document, &Document::designChanged, box, refresh);
    connect(box, &QCheckBox::clicked, this, set);
    refresh();
    return box;
}

QComboBox* Form::names(const QString& label, const QString& objectName, const QString& none,
                       std::function<std::vector<std::string>(const Design&)> names,
                       std::function<std::string(const Design&)> read,
                       std::function<void(Design&, const std::string&)> write) {
    QComboBox* box = addBox(label, objectName);
    auto refresh = [this, box, none, names, read] {
        const QSignalBlocker blocker(box);
        box->clear();
        box->addItem(none);
        for (const std::string& name : names(bench_.design())) {
            box->addItem(QString::fromStdString(name));
        }
        const QString now = QString::fromStdString(read(bench_.design()));
        if (!now.isEmpty() && box->findText(now) < 1) {
            box->addItem(now);  // named, but not there: the finding says so
        }
        box->setCurrentIndex(now.isEmpty() ? 0 : box->findText(now));
    };
    connect(&bench_.document, &Document::designChanged, box, refresh);
    connect(box, &QComboBox::activated, this, [this, label, box, write](int index) {
        Design next = bench_.design();
        write(next, index == 0 ? std::string() : box->itemText(index).toStdString());
        bench_.document.endGesture();
        bench_.document.submit(std::move(next), label);
    });
    refresh();
    return box;
}

QComboBox* Form::choice(const QString& label, const QString& objectName, const QStringList& options,
                        std::function<int(const Design&)> read,
                        std::function<void(Design&, int)> write) {
    return addChoice(label, objectName, options, std::move(read), [this, label, write](int index) {
        Design next = bench_.design();
        write(next, index);
        bench_.document.endGesture();
        bench_.document.submit(std::move(next), label);
    });
}

ShelfPicker* Form::shelf(const QString& label, const QString& objectName,
                         std::function<QStringList()> names,
                         std::function<int(const Design&)> chosen,
                         std::function<void(Design&, int)> take) {
    auto* picker =
        new ShelfPicker(bench_, objectName, label, std::move(names), [this, label, take](int i) {
            Design next = bench_.design();
            take(next, i);
            bench_.document.endGesture();
            bench_.document.submit(std::move(next), label);
        });
    picker->keep([this, chosen] { return chosen(bench_.design()); });
    connect(&bench_.document, &Document::designChanged, picker, &ShelfPicker::showChosen);
    addRow(label, picker);
    return picker;
}

QComboBox* Form::addChoice(const QString& label, const QString& objectName,
                           const QStringList& options, std::function<int(const Design&)> read,
                           std::function<void(int)> set) {
    QComboBox* box = addBox(label, objectName);
    box->addItems(options);
    auto refresh = [this, box, read] {
        const QSignalBlocker blocker(box);
        box->setCurrentIndex(read(bench_.design()));
    };
    connect(&bench_.document, &Document::designChanged, box, refresh);
    connect(box, &QComboBox::activated, this, set);
    refresh();
    return box;
}

QComboBox* Form::addBox(const QString& label, const QString& objectName) {
    auto* box = new QComboBox;
    box->setObjectName(objectName);
    box->setAccessibleName(label);
    box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    box->setMinimumContentsLength(8);
    addRow(label, box);
    return box;
}

QComboBox* Form::words(const QString& label, const QString& objectName,
                       std::function<QStringList(const Design&)> answers,
                       std::function<QString(const Design&)> read,
                       std::function<void(const QString&)> write) {
    QComboBox* box = addBox(label, objectName);
    auto refresh = [this, box, answers, read] {
        const QSignalBlocker blocker(box);
        box->clear();
        box->addItems(answers(bench_.design()));
        const QString now = read(bench_.design());
        // What it names may be gone from the list: it still says so.
        if (box->findText(now) < 0) {
            box->insertItem(0, now);
        }
        box->setCurrentText(now);
    };
    connect(&bench_.document, &Document::designChanged, box, refresh);
    connect(&bench_.shelf, &ShelfBook::changed, box, refresh);
    connect(box, &QComboBox::activated, box, [box, write](int i) { write(box->itemText(i)); });
    refresh();
    return box;
}

QLineEdit* Form::line(const QString& label, const QString& objectName,
                      std::function<QString(const Design&)> read,
                      std::function<void(const QString&)> write) {
    auto* line = new QLineEdit;
    line->setObjectName(objectName);
    line->setAccessibleName(label);
    line->setMaxLength(100);
    addRow(label, line);
    auto refresh = [this, line, read] {
        const QString now = read(bench_.design());
        if (!(line->hasFocus() && line->isModified()) && line->text() != now) {
            const QSignalBlocker blocker(line);
            line->setText(now);
            line->setCursorPosition(0);
        }
    };
    connect(&bench_.document, &Document::designChanged, line, refresh);
    connect(line, &QLineEdit::editingFinished, line, [line, write, refresh] {
        if (line->isModified()) {
            line->setModified(false);
            write(line->text());
            refresh();
        }
    });
    refresh();
    return line;
}

QLineEdit* Form::addText(const QString& path, const QString& label) {
    const auto read = [path](const Design& d) {
        const std::optional<Field> field = findField(d, path.toStdString());
        return field ? QString::fromStdString(field->text) : QString();
    };
    return line(label, path, read, [this, path](const QString& text) {
        bench_.document.endGesture();
        if (const auto error = bench_.document.setText(path, text)) {
            bench_.say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
        }
    });
}

QPlainTextEdit* Form::addNotes(const QString& path, const QString& label) {
    auto* edit = new QPlainTextEdit;
    edit->setObjectName(path);
    edit->setAccessibleName(label);
    edit->setTabChangesFocus(true);
    edit->setMinimumHeight(60);
    edit->setMaximumHeight(110);
    addRow(label, edit);
    auto refresh = [this, edit, path] {
        const std::optional<Field> field = findField(bench_.design(), path.toStdString());
        if (field && edit->toPlainText().toStdString() != field->text) {
            const QSignalBlocker blocker(edit);
            edit->setPlainText(QString::fromStdString(field->text));
        }
    };
    connect(&bench_.document, &Document::designChanged, edit, refresh);
    // Typed on and on it is one step of undo, until something else is edited.
    connect(edit, &QPlainTextEdit::textChanged, this, [this, edit, path] {
        if (const auto error = bench_.document.setText(path, edit->toPlainText())) {
            bench_.say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
        }
    });
    refresh();
    return edit;
}

QLabel* Form::note(const QString& text) {
    auto* label = plainLabel(text);
    label->setProperty("role", "quiet");
    label->setFont(type(Type::Small));
    label->setWordWrap(true);
    grid_->addWidget(label, row_++, 0, 1, 2);
    return label;
}

QPushButton* Form::button(const QString& label, const QString& objectName) {
    auto* button = new QPushButton(label);
    button->setObjectName(objectName);
    grid_->addWidget(button, row_++, 0, 1, 2, Qt::AlignLeft);
    return button;
}

void Form::add(QWidget* widget, Qt::Alignment alignment) {
    grid_->addWidget(widget, row_++, 0, 1, 2, alignment);
}

void Form::under(const QString& label, QWidget* widget) {
    lastLabel_ = plainLabel(label);
    lastLabel_->setBuddy(widget);
    lastLabel_->setWordWrap(true);
    grid_->addWidget(lastLabel_, row_++, 0, 1, 2);
    grid_->addWidget(widget, row_++, 0, 1, 2);
    last_ = widget;
}

void Form::enableLastWhen(std::function<bool(const Design&)> when) {
    auto refresh = [this, field = last_, label = lastLabel_, when, hides = hidesIdle_] {
        const bool on = when(bench_.design());
        for (QWidget* part : {field, static_cast<QWidget*>(label)}) {
            if (part != nullptr) {
                hides ? part->setVisible(on) : part->setEnabled(on);
            }
        }
    };
    connect(&bench_.document, &Document::designChanged, last_, refresh);
    refresh();
}

void Form::finish() {
    grid_->setRowStretch(row_, 1);
}

QWidget* formColumn(const QList<QWidget*>& parts) {
    auto* page = new QWidget;
    page->setObjectName(QStringLiteral("sheetPage"));
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(12, 8, 10, 8);
    layout->setSpacing(14);
    for (QWidget* part : parts) {
        layout->addWidget(part);
    }
    layout->addStretch();
    auto* area = new QScrollArea;
    area->setWidgetResizable(true);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    area->setWidget(page);
    area->setFocusPolicy(Qt::NoFocus);
    return area;
}

}  // namespace wl

#include "moc_form.cpp"
