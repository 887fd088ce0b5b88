// A label that shows its words as they are: a design's name is never read as markup.
#pragma once

#include <QLabel>

namespace wl {

inline QLabel* plainLabel(const QString& text = {}) {
    auto* label = new QLabel(text);
    label->setTextFormat(Qt::PlainText);
    return label;
}

}  // namespace wl
