// The printed bench sheet: templates at true scale, drill and lead tables, masses, cautions.
#pragma once

#include <QPagedPaintDevice>
#include <QPainter>
#include <QString>
#include <optional>

#include "core/reckon/evaluate.h"
#include "sheet/sheet_bench.h"
#include "sheet/shipped_font.h"
#include "solid/solid_export.h"

namespace wl {

/// Cautions of the steps a design has, in the order of work, each naming its step; they defer to
/// the maker's product sheets and local rules.
QStringList benchCautions(const Design& design);

/// "code K7F2-9QDM, printed ..." with today's date: what a printed page bears. Writes the whole
/// design to get there, so it is asked for once a sheet.
QString sheetMark(const Design& design);

/// Draws page `index` of: templates with holes, tables, joints and making, templates to cut out,
/// each going on to further pages as far as it needs. The painter's origin is at the page's
/// printable corner, one unit = one millimetre on paper; `size_mm` is the printable area.
void paintBenchPage(QPainter& painter, int index, const QSizeF& size_mm, const Design& design,
                    const Derived& derived, const SheetBench& bench);
/// How many there are on paper of that printable size: at least three.
int benchPages(const QSizeF& size_mm, const Design& design, const Derived& derived);

/// The page it is laid out for, landscape.
QPageSize benchPageSize(Paper paper);

/// Paints every page, marked, to a printer or PDF writer, which must be set to benchPageSize in
/// landscape.
void paintBenchSheet(QPagedPaintDevice& device, const Design& design, const Derived& derived,
                     const SheetBench& bench);

/// Evaluates and writes, by the ending of the name, all templates at true scale (SVG, DXF) or the
/// solids wished for (STL, 3MF). Errors: those of evaluate and solidFileOf,
/// "export.unknown_ending", "file.cannot_write".
std::optional<Error> writeTemplates(const Design& design, const QString& path,
                                    const SolidWish& wish = {}, std::stop_token stop = {},
                                    const SolidTold& told = {});

/// Evaluates and writes the PDF, the design attached to it (files/pdf_design.h). Errors: those of
/// evaluate, "export.sheet_is_pdf" for a name of a drawing, "file.cannot_write".
std::optional<Error> writeBenchSheet(const Design& design, const QString& path,
                                     const SheetBench& bench);

}  // namespace wl
