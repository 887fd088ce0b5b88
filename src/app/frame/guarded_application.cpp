#include "app/frame/guarded_application.h"

#include "session/guard.h"

namespace wl {

bool GuardedApplication::notify(QObject* receiver, QEvent* event) {
    bool done = false;
    const auto fault = guarded([&] { done = QApplication::notify(receiver, event); });
    if (fault && told) {
        told(*fault);
    }
    return done;
}

}  // namespace wl
