// Play, place and pace of a motion.
#pragma once

#include <QComboBox>
#include <QPushButton>
#include <QSlider>

#include "app/views/played_view.h"

namespace wl {

/// One line of tools for whichever of the views it was given is seen.
class PlayTools : public QWidget {
    Q_OBJECT
  public:
    explicit PlayTools(const QList<PlayedView*>& views, QWidget* parent = nullptr);

  private:
    static constexpr int kPlaces = 1000;
    QPushButton* play_;
    QSlider* scrub_;
    QComboBox* rate_;
};

}  // namespace wl
