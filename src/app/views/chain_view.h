// A bait in pieces as it moves: its way from above to scale, and close by.
#pragma once

#include "app/kit/workbench.h"
#include "app/views/played_view.h"
#include "core/chain/chain_swim.h"

namespace wl {

/// A walked bait goes its way with every pull marked; a bait that snakes is seen in the stream,
/// with the track of its tail. Dashed a ghost: that of before, or another bait's.
class ChainView : public PlayedView {
    Q_OBJECT
  public:
    explicit ChainView(Workbench& bench, QWidget* parent = nullptr);
    void show(const ResultsPtr& results, const Glide& glide);
    void show(const ResultsPtr& results, const Snake& snake);
    void showNothing(const QString& why);
    /// Another bait for a ghost, of the kind that is shown; nothing: no other.
    void setOther(const Glide& glide);
    void setOther(const Snake& snake);
    void setNoOther();
    void setGhost(Ghost ghost);
    /// Walked with the rod, not drawn.
    bool isWalked() const { return now_.stream_m_s == 0; }
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
    struct Moving {
        PlanarBait bait;
        std::vector<Frame> frames;
        double step_s = 0.0;
        double stream_m_s = 0.0;  ///< past a bait that is drawn steadily
        /// At a time of its own loop, which goes round.
        const Frame& at(double time_s) const;
    };
    static Moving movingOf(const Glide& glide);
    static Moving movingOf(const Snake& snake);
    void take(const ResultsPtr& results, Moving moving);
    /// Nothing where what is dashed moves in another way.
    const Moving* ghost() const;
    const Frame& now() const;
    /// The pieces at a frame: on the page ahead is to the left, port down.
    static void paintBait(QPainter& painter, const PlanarBait& bait, const Frame& frame,
                          const QPointF& noseAt, double scale);
    void paintWay(QPainter& painter, const QRectF& whole) const;
    void paintTurned(QPainter& painter, const QRectF& box) const;
    void paintInStream(QPainter& painter, const QRectF& box) const;
    /// Headings from that of the whole.
    std::vector<double> turnedOf(const Frame& frame) const;
    /// Its tail, as its nose goes by.
    static QPointF tailOf(const PlanarBait& bait, const Frame& frame);

    Workbench& bench_;
    quint64 revision_ = 0;
    Moving now_, before_, other_;
    Ghost ghost_ = Ghost::Before;
    QString why_;
};

}  // namespace wl
