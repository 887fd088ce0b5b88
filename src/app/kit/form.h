// Pieces worksheets are made of: titled columns of fields, live readouts, choices.
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QCoreApplication>
#include <QGridLayout>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <functional>

#include "app/kit/quantity_edit.h"
#include "app/kit/shelf_picker.h"
#include "app/kit/workbench.h"

namespace wl {

/// A column of rows, label left, field right, all on one edge.
class Form : public QWidget {
    Q_OBJECT
  public:
    Form(Workbench& bench, const QString& title, QWidget* parent = nullptr);

    /// The field of that path as its description has it: a number with its unit, a tick, a choice
    /// or a line of text, named by the path, greyed while it means nothing.
    void field(const QString& path);
    void fields(const QStringList& paths);
    /// A number that is no field of its own but is read from and written into several.
    QuantityEdit* quantity(const QString& label, const QString& name,
                           QuantityEdit::Binding binding);
    /// A tick that does more than set one field.
    QCheckBox* tick(const QString& label, const QString& objectName,
                    std::function<bool(const Design&)> read,
                    std::function<void(Design&, bool)> write);
    /// One of the names there are, or `none` (an empty name). `names` is asked anew with each
    /// design.
    QComboBox* names(const QString& label, const QString& objectName, const QString& none,
                     std::function<std::vector<std::string>(const Design&)> names,
                     std::function<std::string(const Design&)> read,
                     std::function<void(Design&, const std::string&)> write);
    /// A choice that does more than set one field: reads its index from the design and writes it
    /// back as one undo step.
    QComboBox* choice(const QString& label, const QString& objectName, const QStringList& options,
                      std::function<int(const Design&)> read,
                      std::function<void(Design&, int)> write);
    /// A choice among words that may change with the design; `write` is given the chosen one.
    QComboBox* words(const QString& label, const QString& objectName,
                     std::function<QStringList(const Design&)> answers,
                     std::function<QString(const Design&)> read,
                     std::function<void(const QString&)> write);
    /// A line of text that does more than set one field.
    QLineEdit* line(const QString& label, const QString& objectName,
                    std::function<QString(const Design&)> read,
                    std::function<void(const QString&)> write);
    /// A number that follows the results.
    QLabel* readout(const QString& label, std::function<QString(const Results&)> read);
    QLabel* note(const QString& text);
    QPushButton* button(const QString& label, const QString& objectName);
    void add(QWidget* widget, Qt::Alignment alignment = {});
    /// What of the shelf is in the design, and the shelf to take another from.
    ShelfPicker* shelf(const QString& label, const QString& objectName,
                       std::function<QStringList()> names, std::function<int(const Design&)> chosen,
                       std::function<void(Design&, int)> take);
    /// A widget under its label, over the whole width.
    void under(const QString& label, QWidget* widget);
    /// From here on what means nothing is not shown, rather than greyed.
    void hideIdle() { hidesIdle_ = true; }
    /// Shows or greys the last row by the design.
    void enableLastWhen(std::function<bool(const Design&)> when);
    /// Takes the last readout off the sheet while it has nothing to say.
    void hideLastWhenEmpty();
    void finish();

  signals:
    /// Asks every readout to be read anew: what it is read from changed beside the results.
    void readAgain();

  private:
    void addRow(const QString& label, QWidget* field);
    QCheckBox* addTick(const QString& label, const QString& objectName,
                       std::function<bool(const Design&)> read, std::function<void(bool)> set);
    QComboBox* addChoice(const QString& label, const QString& objectName,
                         const QStringList& options, std::function<int(const Design&)> read,
                         std::function<void(int)> set);
    QComboBox* addBox(const QString& label, const QString& objectName);
    QLineEdit* addText(const QString& path, const QString& label);
    /// Of several lines.
    QPlainTextEdit* addNotes(const QString& path, const QString& label);
    Workbench& bench_;
    QGridLayout* grid_;
    int row_ = 0;
    bool hidesIdle_ = false;
    QWidget* last_ = nullptr;
    QLabel* lastLabel_ = nullptr;
};

/// A worksheet page: forms under each other, scrolling down when the window is small.
QWidget* formColumn(const QList<QWidget*>& parts);

}  // namespace wl
