// The bait as a solid, turned by hand, cut open at any length.
#pragma once

#include <QSlider>
#include <QWidget>
#include <optional>

#include "app/kit/workbench.h"
#include "app/views/place_marks.h"
#include "core/draw/draw_solid.h"

namespace wl {

/// The drawing itself. Drag turns, the wheel zooms; arrows turn, + and - zoom, Page Up and Page
/// Down move the section, M cuts at the next marked place, Home looks from the side again.
class SolidCanvas : public QWidget {
    Q_OBJECT
  public:
    SolidCanvas(Bait& bait, Workbench& bench, QWidget* parent = nullptr);

    /// Cut at a share of the length, 0: whole.
    void setSection(double share);
    double section() const { return section_; }
    /// Shows a mesh instead of the design (an import being looked at), or the design again.
    void showMesh(std::optional<TriangleMesh> mesh);
    /// Place on the shown surface under a point of the widget, nearest to the eye.
    std::optional<Eigen::Vector3d> pick(const QPointF& at) const;
    /// Marks drawn on the surface, in order.
    void setMarks(std::vector<std::pair<QString, Eigen::Vector3d>> marks);
    void lookFrom(double turn_rad, double tilt_rad);
    /// What the section cuts and the wall left there, a line each.
    QStringList sectionWords() const;
    /// Where the findings that have a place are drawn; what is cut away has none.
    std::vector<QPointF> marks() const;

  signals:
    void sectionMoved(double share);
    void picked(const QPointF& at);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    QSize minimumSizeHint() const override { return {320, 160}; }

  private:
    struct Camera {
        SolidFrame seen;
        Eigen::Vector3d centre;
        double scale;  ///< pixels to a millimetre
    };
    Camera camera() const;
    QRectF drawingBox() const;
    QPointF project(const Camera& camera, const Eigen::Vector3d& place) const;
    std::vector<SolidPart> parts() const;
    void paintSection(QPainter& painter, const Camera& camera, double x) const;
    double sectionX() const;
    void sectionAtNextMark();
    void takeResults();

    Bait& bait_;
    Workbench& bench_;
    ResultsPtr shown_;
    PlaceMarks placeMarks_{*this};
    std::optional<TriangleMesh> other_;
    std::vector<std::pair<QString, Eigen::Vector3d>> marks_;
    double turn_ = -0.55, tilt_ = 0.35, zoom_ = 1.0;
    double section_ = 0.0;
    QPointF last_;
    bool moved_ = false;
};

/// The canvas with its section slider.
class SolidView : public QWidget {
    Q_OBJECT
  public:
    SolidView(Bait& bait, Workbench& bench, QWidget* parent = nullptr);
    SolidCanvas& canvas() { return *canvas_; }

  private:
    SolidCanvas* canvas_;
    QSlider* slider_;
};

}  // namespace wl
