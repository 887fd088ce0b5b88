#include "sheet/bench_sheet.h"

#include <QBuffer>
#include <QDate>
#include <QFileInfo>
#include <QLocale>
#include <QPageLayout>
#include <QPainter>
#include <QPdfWriter>

#include "core/draw/draw_bait.h"
#include "files/design_code.h"
#include "files/design_file.h"
#include "files/pdf_design.h"
#include "files/whole_file.h"
#include "session/words.h"
#include "sheet/drawing_file.h"
#include "sheet/making_page.h"
#include "sheet/sheet_paper.h"

namespace wl {
namespace {

constexpr double kMargin_mm = 10;

}  // namespace

QStringList benchCautions(const Design& design) {
    QStringList list;
    list << tr(
        "Sawing, turning, drilling: hold the work in a vice or clamp, keep guards on, wear no "
        "gloves at turning tools, cover your eyes.");
    list << tr("Sanding wood, resin or paint: dust mask and extraction.");
    bool lead = false;
    for (const Bore& b : design.bores) {
        lead = lead || QString::fromStdString(b.plugMaterial).contains(QLatin1String("lead"));
    }
    if (lead) {
        list << tr(
            "Lead: melt it outdoors or under extraction, bone dry; gloves, wash hands, keep it "
            "from children and food. Some waters restrict lead tackle: check the local rules; "
            "tungsten, bismuth or steel take its place.");
    }
    list << tr(
        "Epoxy and instant glue: gloves and fresh air; they sensitise skin and set off fumes and "
        "heat. Follow the product sheet.");
    if (!design.coats.empty()) {
        list << tr(
            "Sealers, paints, clear coats: respirator when spraying, no flame near solvents, no "
            "bare eyes at UV lamps. Follow the product sheet.");
    }
    list << tr("Hooks and wire: cover your eyes, cut ends fly.");
    return list;
}

QString sheetMark(const Design& design) {
    return tr("code %1, printed %2")
        .arg(QString::fromStdString(designCode(design)),
             QLocale().toString(QDate::currentDate(), QLocale::ShortFormat));
}

QPageSize benchPageSize(Paper paper) {
    return QPageSize(paper == Paper::Letter ? QPageSize::Letter : QPageSize::A4);
}

void paintBenchSheet(QPagedPaintDevice& device, const Design& design, const Derived& derived,
                     const SheetBench& bench) {
    SheetBench marked = bench;
    marked.mark = sheetMark(design);
    QPainter painter(&device);
    const QRectF page = device.pageLayout().paintRect(QPageLayout::Millimeter);
    const double unitsPerMm = device.logicalDpiX() / 25.4;
    const int pages = benchPages(page.size(), design, derived);
    for (int i = 0; i < pages; ++i) {
        if (i > 0) {
            device.newPage();
        }
        painter.save();
        painter.scale(unitsPerMm, device.logicalDpiY() / 25.4);
        paintBenchPage(painter, i, page.size(), design, derived, marked);
        painter.restore();
    }
}

std::optional<Error> writeTemplates(const Design& design, const QString& path,
                                    const SolidWish& wish, std::stop_token stop,
                                    const SolidTold& told) {
    const QFileInfo file(path);
    const std::string ending = file.suffix().toLower().toStdString();
    const bool svg = ending == "svg", solid = isSolidEnding(ending);
    if (!svg && !solid && ending != "dxf") {
        return Error{"export.unknown_ending", "", {file.fileName().toStdString()}, {}};
    }
    const Result<Derived> derived = evaluate(design);
    if (!derived) {
        return derived.error();
    }
    const auto bytesOf = [&]() -> Result<std::string> {
        if (solid) {
            return solidFileOf(design, *derived, wish, ending, stop, told);
        }
        const Drawing drawing = drawTemplates(design, *derived);
        return svg ? Result<std::string>(svgOf(drawing, design.name)) : dxfOf(drawing);
    };
    const Result<std::string> bytes = bytesOf();
    if (!bytes) {
        return bytes.error();
    }
    return writeWholeFile(path.toStdU16String(), *bytes);
}

std::optional<Error> writeBenchSheet(const Design& design, const QString& path,
                                     const SheetBench& bench) {
    const QFileInfo file(path);
    if (const QString ending = file.suffix().toLower(); ending == QLatin1String("svg") ||
                                                        ending == QLatin1String("dxf") ||
                                                        isSolidEnding(ending.toStdString())) {
        return Error{"export.sheet_is_pdf", "", {file.fileName().toStdString()}, {}};
    }
    const Result<Derived> derived = evaluate(design);
    if (!derived) {
        return derived.error();
    }
    QBuffer pdf;
    pdf.open(QIODevice::WriteOnly);
    {
        QPdfWriter writer(&pdf);
        writer.setResolution(1200);
        writer.setTitle(QString::fromStdString(design.name));
        writer.setCreator(QStringLiteral("Wade Line"));
        const std::string text = writeDesign(design);
        writer.addFileAttachment(QString::fromLatin1(kAttachedDesign),
                                 QByteArray(text.data(), qsizetype(text.size())),
                                 QStringLiteral("application/json"));
        writer.setPageLayout(QPageLayout(benchPageSize(bench.paper), QPageLayout::Landscape,
                                         QMarginsF(kMargin_mm, kMargin_mm, kMargin_mm, kMargin_mm),
                                         QPageLayout::Millimeter));
        paintBenchSheet(writer, design, *derived, bench);
    }
    return writeWholeFile(path.toStdU16String(),
                          std::string_view(pdf.data().constData(), size_t(pdf.data().size())));
}

}  // namespace wl
