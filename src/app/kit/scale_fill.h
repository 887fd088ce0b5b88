// From the bench scale into a field.
#pragma once

#include <QToolButton>
#include <functional>

#include "app/kit/workbench.h"

namespace wl {

/// Takes the settled reading, or waits up to ten seconds for the scale to settle, then calls
/// `fill` with kilograms. Without a scale, or when it shows nothing over zero, says what to do.
/// Forgotten when `context` goes.
void readScaleOnce(Workbench& bench, QObject* context, std::function<void(double kg)> fill);

/// A small button beside a mass field, shown while a scale is connected.
QToolButton* scaleButton(Workbench& bench, std::function<void()> clicked);

/// What lies on the scale, for the top bar: "12.34 g", with "…" while it settles.
QString scaleWords(const Workbench& bench);

}  // namespace wl
