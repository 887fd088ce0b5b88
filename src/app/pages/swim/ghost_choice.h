// What stands dashed beside the motion: the bait as before, or another that is opened for it.
#pragma once

#include <QComboBox>

#include "app/kit/workbench.h"
#include "app/views/played_view.h"

namespace wl {

class GhostChoice : public QComboBox {
    Q_OBJECT
  public:
    explicit GhostChoice(Workbench& bench, QWidget* parent = nullptr);
    Ghost ghost() const { return Ghost(currentData().toInt()); }
    /// Nothing till one was opened.
    const std::shared_ptr<const OtherBait>& other() const { return other_; }
    /// Opens the design of a file for a ghost; one that cannot be read or reckoned is told in the
    /// status line, and what stood there stays.
    void open(const QString& path);

  signals:
    void changed();

  private:
    void choose();
    /// What stands dashed on the bench stands dashed here, and goes with it.
    void followBench();

    Workbench& bench_;
    std::shared_ptr<const OtherBait> other_;
    std::shared_ptr<const OtherBait> opened_;  ///< of a file, the last
    int kept_ = 0;  // what stood before the hand chose
};

}  // namespace wl
