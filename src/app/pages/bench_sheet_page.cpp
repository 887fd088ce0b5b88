#include <QFileDialog>
#include <QPainter>
#include <QPrintDialog>
#include <QPrinter>

#include "app/kit/form.h"
#include "app/kit/theme.h"
#include "app/pages/pages.h"
#include "session/words.h"
#include "sheet/bench_sheet.h"

namespace wl {

namespace {

constexpr QPointF kPaperMargin_mm(10, 10);

// Both pages of the sheet, side by side, as they will be printed.
class SheetPreview : public QWidget {
  public:
    explicit SheetPreview(Workbench& bench) : bench_(bench) {
        setMinimumSize(300, 130);
        setAccessibleName(tr("Preview of the bench sheet"));
        connect(&bench.evaluator, &Evaluator::resultsChanged, this, qOverload<>(&QWidget::update));
        connect(&bench, &Workbench::benchChanged, this, qOverload<>(&QWidget::update));
    }

  protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        const ResultsPtr r = bench_.results();
        if (!r || !r->derived) {
            p.setPen(inks().quiet);
            p.drawText(rect(), Qt::AlignCenter, tr("Nothing to print yet."));
            return;
        }
        const QSizeF paper = benchPageSize(*r->derived).size(QPageSize::Millimeter).transposed();
        const double gap = 10;
        const QSizeF inside = paper - QSizeF(2 * kPaperMargin_mm.x(), 2 * kPaperMargin_mm.y());
        const int pages = benchPages(inside, *r->design, *r->derived);
        const double s = std::min((width() - gap * (pages - 1) - 2) / (pages * paper.width()),
                                  (height() - 2) / paper.height());
        for (int i = 0; i < pages; ++i) {
            p.save();
            p.translate(i * (paper.width() * s + gap), 0);
            p.scale(s, s);
            p.fillRect(QRectF(QPointF(), paper), Qt::white);
            p.setPen(QPen(inks().quiet, 0.5));
            p.drawRect(QRectF(QPointF(), paper));
            p.translate(kPaperMargin_mm);
            paintBenchPage(p, i, inside, *r->design, *r->derived, bench_.bench());
            p.restore();
        }
    }

  private:
    Workbench& bench_;
};

}  // namespace

void savePdf(Workbench& bench, const QString& path) {
    if (const auto error = writeBenchSheet(bench.design(), path, bench.bench())) {
        bench.say(QStringLiteral("▲ ") + sentence(*error, bench.bench()));
    } else {
        bench.say(
            tr("Bench sheet saved to %1. Print at 100 % and measure the bar first.").arg(path));
    }
}

// Templates for a machine or another drawing program, by the ending of the name.
void saveTemplates(Workbench& bench, const QString& path) {
    if (const auto error = writeTemplates(bench.design(), path)) {
        bench.say(QStringLiteral("▲ ") + sentence(*error, bench.bench()));
    } else {
        bench.say(tr("Templates saved to %1, in millimetres. Measure the length before you cut.")
                      .arg(path));
    }
}

QWidget* makeBenchSheetPage(Workbench& bench) {
    auto* actions = new Form(bench, tr("Bench sheet"));
    auto* path = new QLineEdit;
    path->setObjectName("sheetPath");
    path->setAccessibleName(tr("File to save to"));
    path->setPlaceholderText(tr("file name, or leave empty to choose"));
    actions->add(path);
    auto* save = actions->button(tr("Save as PDF"), "savePdf");
    save->setProperty("main", true);
    QObject::connect(save, &QPushButton::clicked, save, [&bench, save, path] {
        QString file = path->text().trimmed();
        if (file.isEmpty()) {
            file =
                QFileDialog::getSaveFileName(save->window(), tr("Save the bench sheet"),
                                             QStringLiteral("bench-sheet.pdf"), tr("PDF (*.pdf)"));
        }
        if (!file.isEmpty()) {
            savePdf(bench, file);
        }
    });
    auto* templates = actions->button(tr("Save templates…"), "saveTemplates");
    templates->setToolTip(
        tr("Side, top, lip and outlines as SVG or DXF, or the body's pieces as an STL solid"));
    QObject::connect(templates, &QPushButton::clicked, templates, [&bench, templates, path] {
        QString file = path->text().trimmed();
        if (file.isEmpty()) {
            file = QFileDialog::getSaveFileName(templates->window(), tr("Save the templates"),
                                                QStringLiteral("templates.svg"),
                                                tr("SVG drawing (*.svg);;DXF drawing (*.dxf);;"
                                                   "STL solid of the body (*.stl)"));
        }
        if (!file.isEmpty()) {
            saveTemplates(bench, file);
        }
    });
    auto* print = actions->button(tr("Print…"), "printSheet");
    QObject::connect(print, &QPushButton::clicked, print, [&bench, print] {
        const ResultsPtr r = bench.results();
        if (!r || !r->derived) {
            bench.say(tr("▲ Nothing to print until the body can be reckoned."));
            return;
        }
        QPrinter printer(QPrinter::HighResolution);
        printer.setPageLayout(QPageLayout(benchPageSize(*r->derived), QPageLayout::Landscape,
                                          QMarginsF(10, 10, 10, 10), QPageLayout::Millimeter));
        QPrintDialog dialog(&printer, print->window());
        if (dialog.exec() == QDialog::Accepted) {
            paintBenchSheet(printer, *r->design, *r->derived, bench.bench());
        }
    });
    actions->note(
        tr("Templates at true scale with a 100 mm and a 4 in bar: print at 100 %, measure the "
           "bar, then cut. Cautions stand after the parts."));
    actions->setMaximumWidth(260);
    return formRow({actions, new SheetPreview(bench)}, {0, 1});
}

}  // namespace wl
