// Pictures for the documentation, taken from the demo, and the start-up time.
#pragma once

#include <QString>

#include "app/frame/main_window.h"

namespace wl {

/// Writes one PNG of each main view of the demo at 1280 x 800 into the folder.
bool takeScreenshots(const QString& folder);

/// Prints milliseconds from process start to the first painted result on standard output, then
/// quits.
void printStartTime(MainWindow& window);

}  // namespace wl
