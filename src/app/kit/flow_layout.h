// Widgets in lines, as words in a paragraph.
#pragma once

#include <QLayout>
#include <vector>

namespace wl {

/// Items side by side at their own size, going on in the next line where the width ends. An item
/// wider than a line is made as narrow as the line.
class FlowLayout : public QLayout {
  public:
    explicit FlowLayout(QWidget* parent = nullptr, int spacing = 6);
    ~FlowLayout() override;

    void addItem(QLayoutItem* item) override { items_.push_back(item); }
    int count() const override { return int(items_.size()); }
    QLayoutItem* itemAt(int index) const override;
    QLayoutItem* takeAt(int index) override;
    Qt::Orientations expandingDirections() const override { return {}; }
    bool hasHeightForWidth() const override { return true; }
    int heightForWidth(int width) const override;
    void setGeometry(const QRect& rect) override;
    QSize sizeHint() const override;
    QSize minimumSize() const override;

  private:
    /// Height of the lines; places the items when `place`.
    int arrange(const QRect& rect, bool place) const;
    std::vector<QLayoutItem*> items_;
};

}  // namespace wl
