// The printed bench sheet: templates at true scale, drill and lead tables, masses, cautions.
#pragma once

#include <QPagedPaintDevice>
#include <QPainter>
#include <QString>
#include <optional>

#include "core/evaluate.h"
#include "sheet/shipped_font.h"

namespace wl {

/// Cautions of the steps a design has, in the order of work, each naming its step; they defer to
/// the maker's product sheets and local rules.
QStringList benchCautions(const Design& design);

/// Draws page `index` (0 templates, 1 tables, 2 joints, holes and making) with the painter's origin
/// at the page's printable corner and one unit = one millimetre on paper. `size_mm` is the
/// printable area.
void paintBenchPage(QPainter& painter, int index, const QSizeF& size_mm, const Design& design,
                    const Derived& derived, Bench bench);
/// Two, or three for a bait with joints, holes, or a body not simply carved.
int benchPages(const Design& design);

/// Smallest landscape page (A4, A3, A2, A1) the bait fits on at true scale.
QPageSize benchPageSize(const Derived& derived);

/// Paints every page to a printer or PDF writer, which must be set to benchPageSize in landscape.
void paintBenchSheet(QPagedPaintDevice& device, const Design& design, const Derived& derived,
                     Bench bench);

/// Evaluates and writes the PDF. Errors: those of evaluate, "file.cannot_write".
std::optional<Error> writeBenchSheet(const Design& design, const QString& path, Bench bench);

}  // namespace wl
