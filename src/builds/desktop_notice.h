// A notice on the desktop.
#pragma once

#include <QString>

namespace wl {

/// Asks the desktop's notification service (freedesktop.org, over D-Bus) to show the words; where
/// there is none nothing happens, and the window says them itself.
void showDesktopNotice(const QString& words);

}  // namespace wl
