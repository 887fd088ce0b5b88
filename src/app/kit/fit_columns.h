// Columns as wide as what stands in them, and never wider than the table.
#pragma once

#include <QTableView>

namespace wl {

/// Widths of the shown columns and heights of the rows, so that nothing is cut and nothing scrolls
/// sideways where that can be had: columns are as wide as their longest text while the table has
/// room, then words break into lines, the widest columns first. What room is over goes to the first
/// column of words, or to all where there is none.
void fitColumns(QTableView& table);

/// Fits them now and whenever the table is resized or what its model holds changes; once a turn of
/// the loop. The model must be set.
void keepFitted(QTableView& table);

}  // namespace wl
