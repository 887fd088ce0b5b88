// Words painted whole: in the largest type that has room, in lines where even the least has not.
#pragma once

#include <QPainter>

#include "app/kit/theme.h"

namespace wl {

/// Draws `text` into `box` with `flags`, in the first of `fonts` that takes one line, else broken
/// into lines in the last.
inline void drawFitted(QPainter& painter, const QRectF& box, int flags, const QString& text,
                       const QList<QFont>& fonts) {
    for (const QFont& font : fonts) {
        painter.setFont(font);
        if (painter.fontMetrics().horizontalAdvance(text) <= box.width()) {
            painter.drawText(box, flags, text);
            return;
        }
    }
    painter.drawText(box, flags | Qt::TextWordWrap, text);
}

}  // namespace wl
