// What pulls down against what pushes up, as two bars over a scale in grams.
#pragma once

#include <QWidget>

#include "app/kit/workbench.h"

namespace wl {

class WeighBeam : public QWidget {
    Q_OBJECT
  public:
    WeighBeam(Bait& bait, Workbench& bench, QWidget* parent = nullptr);
    QSize minimumSizeHint() const override { return {320, 92}; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    QString verdict(const Derived& derived) const;
    QString sharesInWords() const;
    void paintScale(QPainter& painter, double left, double right, double y, double most_kg) const;
    Bait& bait_;
    Workbench& bench_;
    std::shared_ptr<const Derived> painted_;  ///< what it shows; the run after it weighs nothing
};

}  // namespace wl
