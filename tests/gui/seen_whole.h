// Whether everything on a screen can be read: nothing cut, elided, hidden or written over.
#pragma once

#include <QStringList>
#include <QWidget>
#include <vector>

#include "text_paper.h"

namespace wl::test {

/// What one cannot read or reach on a shown window, one line each: the widget, what is wrong and by
/// how much. Looked at are scroll bars, labels, buttons, fields, cells and headers of tables,
/// widgets over each other, and the words the views of our own paint.
QStringList whatIsCut(const QWidget& top);

/// What a widget paints by itself, its children left out.
std::vector<PaintedText> textsPaintedBy(const QWidget& widget);

}  // namespace wl::test
