// The form of one thing of a list.
#pragma once

#include <QPointer>
#include <QScrollArea>

#include "app/kit/form.h"
#include "app/kit/record_model.h"

namespace wl {

/// Every column of the model as a row of a form, of one thing; what its kind has not is not shown.
/// The fields are named by their paths.
class RecordDetail : public QScrollArea {
    Q_OBJECT
  public:
    RecordDetail(Workbench& bench, RecordModel& model, QWidget* parent = nullptr);

    /// Shows the thing of that row; nothing when there is none.
    void show(int row);
    /// Shows it anew: the list is another.
    void again(int row);
    /// Asks for the room of the whole form; else for a few rows, and takes what there is.
    void showWhole() {
        whole_ = true;
        updateGeometry();
    }
    QSize sizeHint() const override {
        const QSize all = QScrollArea::sizeHint();
        return whole_ ? all : QSize(all.width(), minimumHeight());
    }

  private:
    void addOwn(Form& form, const QPersistentModelIndex& at);
    Workbench& bench_;
    RecordModel& model_;
    int row_ = -1;
    bool whole_ = false;
};

}  // namespace wl
