// A wish made of what another bait does.
#pragma once

#include <QPushButton>

#include "app/kit/workbench.h"
#include "session/beside.h"

namespace wl {

/// Asks for a design, reckons it beside the window and makes what it does the wish of the bait on
/// the bench, as one step to undo.
class LikeButton : public QPushButton {
    Q_OBJECT
  public:
    explicit LikeButton(Workbench& bench);
    /// The design of a file; one that cannot be read or reckoned is told in the status line.
    void open(const QString& path);

  private:
    Workbench& bench_;
    Beside reckoned_;  // last: its thread ends before what it reports to
};

}  // namespace wl
