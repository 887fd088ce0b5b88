// A read-only table of texts.
#pragma once

#include <QHeaderView>
#include <QLabel>
#include <QScrollArea>
#include <QTableWidget>

namespace wl {

/// Rows chosen whole, nothing editable, columns fitted to what is in them.
inline QTableWidget* plainTable(const QString& objectName, const QString& accessibleName) {
    auto* table = new QTableWidget;
    table->setObjectName(objectName);
    table->setAccessibleName(accessibleName);
    table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table->setSelectionBehavior(QAbstractItemView::SelectRows);
    table->setSelectionMode(QAbstractItemView::SingleSelection);
    table->setTabKeyNavigation(false);
    table->verticalHeader()->hide();
    table->verticalHeader()->setDefaultSectionSize(24);
    table->horizontalHeader()->setStretchLastSection(true);
    table->setMinimumHeight(80);
    return table;
}

inline void setRows(QTableWidget& table, const QStringList& header,
                    const QList<QStringList>& rows) {
    table.clearContents();
    table.setColumnCount(int(header.size()));
    table.setHorizontalHeaderLabels(header);
    table.setRowCount(int(rows.size()));
    for (int r = 0; r < rows.size(); ++r) {
        for (int c = 0; c < header.size(); ++c) {
            table.setItem(r, c, new QTableWidgetItem(rows[r].value(c)));
        }
    }
    table.resizeColumnsToContents();
}

/// What stands here scrolls when there is little room, on the sheet's own ground.
inline QScrollArea* scrolling(QWidget* content) {
    if (auto* text = qobject_cast<QLabel*>(content)) {
        text->setWordWrap(true);
        text->setAlignment(Qt::AlignTop | Qt::AlignLeft);
        text->setTextInteractionFlags(Qt::TextSelectableByMouse);
    }
    auto* area = new QScrollArea;
    area->setWidgetResizable(true);
    area->setFrameShape(QFrame::NoFrame);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    area->setMinimumHeight(36);
    if (qobject_cast<QLabel*>(content) == nullptr) {
        constexpr int kScrollBar = 18;
        area->setMinimumWidth(content->minimumSizeHint().width() + kScrollBar);
    }
    area->setWidget(content);
    area->viewport()->setAutoFillBackground(false);
    content->setAutoFillBackground(false);
    return area;
}

}  // namespace wl
