// A read-only table of texts.
#pragma once

#include <QScrollArea>
#include <QTableWidget>

#include "app/kit/workbench.h"

namespace wl {

/// Rows chosen whole, nothing editable, columns fitted to what is in them and to the table's width.
class PlainTable : public QTableWidget {
    Q_OBJECT
  public:
    PlainTable(const QString& objectName, const QString& accessibleName, QWidget* parent = nullptr);

    void setRows(const QStringList& header, const QList<QStringList>& rows);
    /// Columns that stand in the table; the others only in the wide one.
    void setShort(const QList<int>& columns) { short_ = columns; }
    /// As high as its rows, all of them on show.
    void setWhole() {
        whole_ = true;
        setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    }
    /// A button (and F5 in this table) that opens the wide table.
    QWidget* wideButton(Workbench& bench);

  protected:
    void resizeEvent(QResizeEvent* event) override;

  private:
    void fit();
    QList<int> short_;
    bool whole_ = false;
    bool fitting_ = false;
};

/// What stands here scrolls when there is little room, on the sheet's own ground.
QScrollArea* scrolling(QWidget* content);

}  // namespace wl
