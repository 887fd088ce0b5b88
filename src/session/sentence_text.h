// Sentences of findings, errors and edits in the window's language and bench units.
#pragma once

#include <QString>

#include "core/base/finding.h"
#include "core/base/result.h"

namespace wl {

QString sentence(const Finding& finding, Bench bench);
QString sentence(const Error& error, Bench bench);
QString sentence(const ProposedEdit& edit, Bench bench);
/// What is wrong with typed text, as an Error of the field; quantity decides the units suggested.
Error readFaultError(ReadFault fault, const QString& path, Quantity quantity, Bench bench);

/// formatQuantity as a QString.
QString shown(Quantity quantity, Bench bench, double valueSi, bool withUnit = true);

}  // namespace wl
