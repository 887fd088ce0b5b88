#include "app/kit/flow_layout.h"

#include <algorithm>

namespace wl {

FlowLayout::FlowLayout(QWidget* parent, int spacing) : QLayout(parent) {
    setContentsMargins(0, 0, 0, 0);
    setSpacing(spacing);
}

FlowLayout::~FlowLayout() {
    for (QLayoutItem* item : items_) {
        delete item;
    }
}

QLayoutItem* FlowLayout::itemAt(int index) const {
    return index >= 0 && index < count() ? items_[size_t(index)] : nullptr;
}

QLayoutItem* FlowLayout::takeAt(int index) {
    QLayoutItem* item = itemAt(index);
    if (item != nullptr) {
        items_.erase(items_.begin() + index);
    }
    return item;
}

int FlowLayout::arrange(const QRect& rect, bool place) const {
    const QMargins margins = contentsMargins();
    const QRect inside = rect.marginsRemoved(margins);
    int x = inside.x(), y = inside.y(), lineHeight = 0;
    std::vector<std::pair<QLayoutItem*, QRect>> line;
    // Things of a line stand on one middle.
    const auto endLine = [&] {
        for (const auto& [item, at] : line) {
            if (place) {
                item->setGeometry(at.translated(0, (lineHeight - at.height()) / 2));
            }
        }
        line.clear();
    };
    for (QLayoutItem* item : items_) {
        if (item->isEmpty()) {
            continue;
        }
        QSize size =
            item->sizeHint().boundedTo(QSize(std::max(1, inside.width()), QWIDGETSIZE_MAX));
        if (x > inside.x() && x + size.width() > inside.x() + inside.width()) {
            endLine();
            x = inside.x();
            y += lineHeight + spacing();
            lineHeight = 0;
        }
        line.emplace_back(item, QRect(QPoint(x, y), size));
        x += size.width() + spacing();
        lineHeight = std::max(lineHeight, size.height());
    }
    endLine();
    return y + lineHeight - rect.y() + margins.bottom();
}

int FlowLayout::heightForWidth(int width) const {
    return arrange(QRect(0, 0, width, 0), false);
}

void FlowLayout::setGeometry(const QRect& rect) {
    QLayout::setGeometry(rect);
    arrange(rect, true);
}

QSize FlowLayout::sizeHint() const {
    int width = 0, height = 0;
    for (QLayoutItem* item : items_) {
        if (!item->isEmpty()) {
            width += item->sizeHint().width() + spacing();
            height = std::max(height, item->sizeHint().height());
        }
    }
    const QMargins m = contentsMargins();
    return {width + m.left() + m.right(), height + m.top() + m.bottom()};
}

QSize FlowLayout::minimumSize() const {
    QSize size;
    for (QLayoutItem* item : items_) {
        size = size.expandedTo(item->minimumSize());
    }
    const QMargins m = contentsMargins();
    return size + QSize(m.left() + m.right(), m.top() + m.bottom());
}

}  // namespace wl
