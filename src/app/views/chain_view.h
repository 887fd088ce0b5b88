// A bait in pieces as it moves: its way from above to scale, and close by.
#pragma once

#include "app/kit/workbench.h"
#include "app/views/played_view.h"
#include "core/chain/chain_swim.h"

namespace wl {

/// A walked bait goes its way with every pull marked; a bait that snakes is seen in the stream,
/// with the track of its tail.
class ChainView : public PlayedView {
    Q_OBJECT
  public:
    explicit ChainView(Workbench& bench, QWidget* parent = nullptr);
    void show(const ResultsPtr& results, const Glide& glide);
    void show(const ResultsPtr& results, const Snake& snake);
    void showNothing(const QString& why);
    QSize sizeHint() const override { return {380, 260}; }

  protected:
    double loop_s() const override;
    void paintEvent(QPaintEvent* event) override;

  private:
    struct Frame {
        QPointF nose_m;  ///< ahead, to port
        std::vector<double> headings_rad;
        QPointF middle_m;
        bool pulled = false;
    };
    void take(const ResultsPtr& results, const PlanarBait& bait);
    const Frame& now() const;
    /// The pieces at a frame: on the page ahead is to the left, port down.
    void paintBait(QPainter& painter, const Frame& frame, const QPointF& noseAt,
                   double scale) const;
    void paintWay(QPainter& painter, const QRectF& whole) const;
    void paintTurned(QPainter& painter, const QRectF& box) const;
    void paintInStream(QPainter& painter, const QRectF& box) const;
    /// Headings from that of the whole.
    std::vector<double> turnedOf(const Frame& frame) const;
    /// Its tail, as its nose goes by.
    QPointF tailOf(const Frame& frame) const;

    Workbench& bench_;
    ResultsPtr results_;
    PlanarBait bait_;
    std::vector<Frame> frames_, before_;
    double step_s_ = 0.0;
    double stream_m_s_ = 0.0;  ///< past a bait that is drawn steadily
    QString why_;
};

}  // namespace wl
