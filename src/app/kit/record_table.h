// A list of the design on a sheet: few facts of each thing, and a form of the chosen one.
#pragma once

#include <QLabel>
#include <QTableView>
#include <QWidget>

#include "app/kit/flow_layout.h"
#include "app/kit/record_detail.h"
#include "app/kit/record_model.h"
#include "app/kit/what_to_measure.h"

namespace wl {

/// The short list, its buttons, and under it the form of the chosen thing with the fields its kind
/// has. All facts of all things stand side by side in the wide table, at a key (F5).
class RecordTable : public QWidget {
    Q_OBJECT
  public:
    struct Action {
        QString name;  ///< object name of the button
        QString label;
        std::function<void(int row)> run;
        bool needsRow = true;
    };
    RecordTable(Workbench& bench, const QString& objectName, const QString& listPath,
                std::vector<RecordColumn> columns, std::vector<Action> actions,
                QWidget* parent = nullptr);

    QTableView* view() { return view_; }
    /// Puts a button or field of its own at the end of the row of buttons.
    void addTool(QWidget* tool);
    /// The form of the chosen one stands in full length under the list, on a sheet that scrolls;
    /// else it takes what room the sheet has and scrolls itself.
    void showWholeForm();
    /// What stands there while the list is empty: what such things are for.
    void setEmptyWords(const QString& words);
    /// The same with a drawing of what to measure.
    void setEmpty(const QString& words, std::vector<MeasureStroke> drawing);
    int currentRow() const;
    /// Chooses the thing of a path such as "/bores/1/depth" and goes to that field of it; false
    /// when it is not in this list.
    bool goTo(const QString& path);

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void fit();
    void copyChosen();
    void copyAcross();
    void takeCopy(int row, Result<Design> next);
    void afterReset();
    Workbench& bench_;
    RecordModel* model_;
    QTableView* view_;
    QLabel* fault_;
    QLabel* empty_;
    WhatToMeasure* drawing_ = nullptr;
    RecordDetail* detail_;
    FlowLayout* buttons_;
    int lastRow_ = 0, lastRows_ = 0;
    bool fitting_ = false;
};

}  // namespace wl
