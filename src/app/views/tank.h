// The picture: the bait with the handles of the step. Steps that shape it hold it still and upright
// and tilt the water; the others show it in the water at the attitude it takes.
#pragma once

#include <QImage>
#include <QVariantAnimation>
#include <QWidget>

#include "app/views/place_marks.h"
#include "app/views/tank_handles.h"

namespace wl {

/// Steps that shape it hold it still, the run shows it as it swims, all others as it lies at rest.
/// Cutaway of the bait to scale with waterline, ruler, centres and the arm between them. Handles
/// are dragged with the mouse, or chosen with Tab-less keys ([ and ]) and moved with the arrows
/// (Shift: ten steps); each shows its value while it moves and snaps to bench steps.
class Tank : public QWidget {
    Q_OBJECT
  public:
    Tank(Bait& bait, Workbench& bench, QWidget* parent = nullptr);

    void setStep(Step step);
    void setView(TankView view);
    TankView view() const { return view_; }
    /// Each piece let go by itself instead of the bait as assembled (side view, several pieces).
    void setApart(bool apart);
    bool showsApart() const;

    /// Handles on show, and where one is drawn (for tests and help).
    std::vector<TankHandle> handles() const;
    QPointF handlePosition(int index) const;
    /// Where a place of the body (m) is drawn.
    QPointF toPaper(const Eigen::Vector3d& place) const;
    /// Places on paper of the findings that have one (clashes, thin walls).
    std::vector<QPointF> marks() const;

    QSize minimumSizeHint() const override { return {320, 200}; }

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

  private:
    void letHandlesGo();
    static constexpr int kRulerHeight = 20;
    static constexpr int kCaptionHeight = 50;
    struct Pose {
        Eigen::Vector3d up = Eigen::Vector3d::UnitZ();
        double offset_m = 0.0;  ///< of the water surface along up
    };
    Pose wantedPose() const;
    /// Things are added on this step, where one clicks.
    bool takesMark() const;
    void paintMark(QPainter& painter) const;
    /// Held still and upright, the water tilted.
    bool isStill() const;
    /// Shown as it swims on its line, under water.
    bool isUnderWay() const;
    void takeResults();
    void updateFrame();
    /// The view on the bait as it lies, or as it is held.
    ViewFrame viewFrame() const { return viewFrame(pose_); }
    ViewFrame viewFrame(const Pose& pose) const;
    /// Height on the paper of the body's origin.
    double zeroY() const;
    Eigen::Vector3d fromPaper(const QPointF& at, const Eigen::Vector3d& like) const;
    void moveHandle(int index, const Eigen::Vector3d& to);
    void setHandle(const TankHandle& handle, const std::vector<double>& values);
    void paintWater(QPainter& painter) const;
    void paintLine(QPainter& painter) const;
    void paintTiltedWater(QPainter& painter) const;
    void paintCaption(QPainter& painter) const;
    void paintDashed(QPainter& painter, const ViewFrame& frame) const;
    void paintSmallFront(QPainter& painter) const;
    void paintRuler(QPainter& painter) const;
    void paintTrace(QPainter& painter) const;
    void paintApart(QPainter& painter) const;
    void paintLinked(QPainter& painter) const;
    void paintCentres(QPainter& painter) const;
    void paintHandles(QPainter& painter) const;
    QString summary(const Results& results) const;

    Bait& bait_;
    Workbench& bench_;
    Step step_ = Step::Brief;
    TankView view_ = TankView::Side;
    bool apart_ = false;
    ResultsPtr shown_;           ///< last results with a bait to draw
    std::optional<Trim> towed_;  ///< as last reckoned: kept while the run of an edit is awaited
    Pose pose_, poseFrom_;
    QVariantAnimation settle_;
    double pixelsPerMetre_ = 5000;
    QPointF origin_;  ///< paper place of the body's origin; its height only where the water is not
                      ///< level
    double waterlineY_ = 0;
    int dragged_ = -1;
    int chosen_ = -1;
    int hovered_ = -1;
    PlaceMarks placeMarks_{*this};
    QImage picture_;  ///< traced, decoded once
    Trace pictureOf_;
};

}  // namespace wl
