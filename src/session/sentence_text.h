// Sentences of findings, errors and edits in the window's language and bench units.
#pragma once

#include <QString>

#include "core/base/finding.h"
#include "core/base/result.h"
#include "core/make/drill_set.h"
#include "core/reckon/derived.h"

namespace wl {

QString sentence(const Finding& finding, Bench bench);
QString sentence(const Error& error, Bench bench);
QString sentence(const ProposedEdit& edit, Bench bench);
/// What is wrong with typed text, as an Error of the field; quantity decides the units suggested.
Error readFaultError(ReadFault fault, const QString& path, Quantity quantity, Bench bench);

/// formatQuantity as a QString.
QString shown(Quantity quantity, Bench bench, double valueSi, bool withUnit = true);

/// "level", "nose up 4°", "nose down 12°".
QString noseWords(double pitch_rad, Bench bench);
/// How it leans: "leans 5° to port", "on its side", "belly up"; empty when it is upright to 1.5
/// degrees.
QString leanWords(double roll_rad, Bench bench);

/// The parts whose drag is not reckoned yet, as one line; empty when there are none.
QString withoutDrag(const Derived& derived);

/// The decimal mark of the desktop's own settings: ',' or '.'.
char makersDecimalMark();

/// The bit of the set nearest to a hole, and by how much it is wider or narrower where callipers
/// can tell; a dash where the set has none near.
QString bitWords(const std::vector<DrillBit>& set, double diameter_m, Bench bench);

}  // namespace wl
