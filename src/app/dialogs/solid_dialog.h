// An STL or OBJ solid brought in as the body.
#pragma once

#include <QComboBox>
#include <QDialog>
#include <QLabel>

#include "app/views/solid_view.h"
#include "core/shape/solid_check.h"

namespace wl {

/// Unit, then three clicks: nose tip, tail tip, back. Places may also be picked by key: arrows turn
/// the solid, Return picks what lies in the middle of the view.
class SolidDialog : public QDialog {
    Q_OBJECT
  public:
    SolidDialog(Workbench& bench, QWidget* parent = nullptr);
    /// Reads and checks the file; false and a plain message when it is refused.
    bool load(const QString& path);
    QString message() const { return message_->text(); }
    SolidCanvas& canvas() { return *canvas_; }
    QComboBox* unit() { return unit_; }
    void pickAt(const QPointF& at);
    /// Makes it the body: one undo step. False with a message when the places do not do.
    bool take();

  protected:
    void keyPressEvent(QKeyEvent* event) override;

  private:
    void rescale();
    void say();
    Workbench& bench_;
    SolidCanvas* canvas_;
    QComboBox* unit_;
    QLabel* message_;
    TriangleMesh raw_;  ///< in the file's units, checked
    bool loaded_ = false;
    bool turned_ = false;
    int shells_ = 1;
    std::vector<Eigen::Vector3d> picks_;  ///< file units
};

}  // namespace wl
