#pragma once
// The one guard of the window's own thread.

#include <QApplication>
#include <functional>

#include "core/base/result.h"

namespace wl {

// A QApplication in which what a slot or an event throws is handed to `told` as an error (dropped
// while none is set); the window and the unsaved work stay.
class GuardedApplication : public QApplication {
  public:
    using QApplication::QApplication;
    std::function<void(const Error&)> told;
    bool notify(QObject* receiver, QEvent* event) override;
};

}  // namespace wl
