// A field's words in the maker's language.
#pragma once

#include <QStringList>

#include "core/design/fields.h"

namespace wl {

/// Its label beside it; empty for a field without one.
QString fieldLabel(const Field& field);
/// What is to be known of it beyond the label; empty mostly.
QString fieldTip(const Field& field);
/// The answers of a choice, in order.
QStringList fieldAnswers(const Field& field);
/// What it is of: "Lip", "belly treble", "Station 3"; empty for the bait's own.
QString fieldPlace(const Field& field);
/// What was changed, for the undo list: "Lip: Angle to axis", "belly treble: Up".
QString undoWords(const Field& field);
/// What it holds, with its unit: "27°", "rounded tip", "yes"; a dash for an empty one.
QString fieldValue(const Field& field, Bench bench);

}  // namespace wl
