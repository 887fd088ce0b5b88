// Whole-shape tools of the body step: start shapes, tracing, solids, sizes in series.
#pragma once

#include <QToolButton>

#include "app/kit/workbench.h"

namespace wl {

/// The "Shape" menu button.
QToolButton* makeShapeMenu(Workbench& bench);

/// Dialogs, each one undo step when taken. Return without change when given up.
void openTraceDialog(Workbench& bench, QWidget* parent);
void openSolidDialog(Workbench& bench, const QString& path, QWidget* parent);
void openSeriesDialog(Workbench& bench, QWidget* parent);

/// Reads the first path of an SVG drawing as the body's profile at its present length.
void importSvgProfile(Workbench& bench, const QString& path);

}  // namespace wl
