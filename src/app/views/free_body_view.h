// The bait under way with the forces on it, to scale.
#pragma once

#include <QWidget>
#include <vector>

#include "app/kit/workbench.h"
#include "core/reckon/free_body.h"

namespace wl {

/// Draws the bait at the attitude it swims at, the way it is pulled to the left, and an arrow for
/// each force through where it acts, with its name and size beside it.
class FreeBodyView : public QWidget {
    Q_OBJECT
  public:
    explicit FreeBodyView(Workbench& bench, QWidget* parent = nullptr);
    void show(const ResultsPtr& results, const Trim& trim, std::vector<BodyForce> forces);
    void showNothing(const QString& why);
    QSize sizeHint() const override { return {360, 340}; }

    /// The maker's word for what a force is on.
    static QString nameOf(BodyForce::On on);

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    Workbench& bench_;
    ResultsPtr shown_;
    Trim trim_;
    std::vector<BodyForce> forces_;
    QString why_;
};

}  // namespace wl
