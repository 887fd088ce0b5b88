#include <QCheckBox>
#include <QComboBox>
#include <QCoreApplication>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QPainter>
#include <QPrintDialog>
#include <QPrinter>
#include <QPushButton>
#include <QScrollArea>
#include <QScrollBar>
#include <QSettings>
#include <QVBoxLayout>

#include "app/kit/flow_layout.h"
#include "app/kit/plain_label.h"
#include "app/kit/theme.h"
#include "app/pages/pages.h"
#include "session/beside.h"
#include "session/words.h"
#include "sheet/bench_sheet.h"

namespace wl {

namespace {

constexpr QPointF kPaperMargin_mm(10, 10);

const QString kPaperKey = QStringLiteral("sheet/paper");
constexpr double kLeastZoom = 0.5, kMostZoom = 4.0, kZoomStep = 1.25;

// One page of the sheet as it will be printed; as wide as the room for it, or nearer.
class SheetPage : public QWidget {
    Q_DECLARE_TR_FUNCTIONS(wl::SheetPage)
  public:
    SheetPage(Workbench& bench, const Paper& paper) : bench_(bench), paper_(paper) {
        setObjectName(QStringLiteral("sheetPreview"));
        setAccessibleName(tr("Preview of the bench sheet"));
    }
    int page() const { return page_; }
    int pages() const {
        const ResultsPtr r = bench_.results();
        return r && r->derived ? benchPages(inside(), *r->design, *r->derived) : 0;
    }
    void setPage(int page) {
        page_ = std::clamp(page, 0, std::max(0, pages() - 1));
        const ResultsPtr r = bench_.results();
        setAccessibleDescription(r ? tr("page %1 of %2").arg(page_ + 1).arg(pages()) : QString());
        update();
    }
    // As wide as that, and as high as the paper then is.
    void fit(double width_px) {
        const QSizeF paper = sheet();
        setFixedSize(int(width_px), int(width_px * paper.height() / paper.width()));
        setPage(page_);
    }

  protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.setRenderHint(QPainter::Antialiasing);
        const ResultsPtr r = bench_.results();
        if (!r || !r->derived) {
            p.setPen(inks().quiet);
            p.drawText(rect(), Qt::AlignCenter, tr("Nothing to print yet."));
            return;
        }
        const QSizeF paper = sheet();
        const double s = width() / paper.width();
        p.scale(s, s);
        p.fillRect(QRectF(QPointF(), paper), Qt::white);
        p.setPen(QPen(inks().quiet, 0.3));
        p.drawRect(QRectF(QPointF(), paper));
        p.translate(kPaperMargin_mm);
        if (marked_ != r->design) {
            marked_ = r->design;
            mark_ = sheetMark(*marked_);
        }
        SheetBench bench{bench_.bench(), bench_.shelf.shelf().drills(bench_.bench())};
        bench.mark = mark_;
        paintBenchPage(p, page_, inside(), *r->design, *r->derived, bench);
    }

  private:
    QSizeF sheet() const { return benchPageSize(paper_).size(QPageSize::Millimeter).transposed(); }
    QSizeF inside() const {
        return sheet() - QSizeF(2 * kPaperMargin_mm.x(), 2 * kPaperMargin_mm.y());
    }
    Workbench& bench_;
    const Paper& paper_;
    int page_ = 0;
    DesignPtr marked_;
    QString mark_;
};

// The page in its frame, with the keys to turn it and to go nearer.
class SheetPreview : public QScrollArea {
    Q_DECLARE_TR_FUNCTIONS(wl::SheetPreview)
  public:
    explicit SheetPreview(Workbench& bench)
        : paper_(QSettings().value(kPaperKey).toString() == QLatin1String("letter") ? Paper::Letter
                                                                                    : Paper::A4),
          page_(new SheetPage(bench, paper_)) {
        setWidget(page_);
        setAlignment(Qt::AlignHCenter | Qt::AlignTop);
        setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn);  // or a page on the edge would flicker
        connect(&bench.evaluator, &Evaluator::resultsChanged, this, [this] { refresh(); });
        connect(&bench, &Workbench::benchChanged, this, [this] { refresh(); });
    }
    std::function<void()> changed;
    Paper paper() const { return paper_; }
    void setPaper(Paper paper) {
        paper_ = paper;
        QSettings().setValue(
            kPaperKey, paper == Paper::Letter ? QStringLiteral("letter") : QStringLiteral("a4"));
        refresh();
    }
    void turn(int by) {
        page_->setPage(page_->page() + by);
        verticalScrollBar()->setValue(0);
        changed();
    }
    void zoom(double by) {
        zoom_ = std::clamp(zoom_ * by, kLeastZoom, kMostZoom);
        refresh();
    }
    void fitWidth() {
        zoom_ = 1;
        refresh();
    }
    QString words() const {
        return page_->pages() == 0 ? QString()
                                   : tr("page %1 of %2").arg(page_->page() + 1).arg(page_->pages());
    }
    int page() const { return page_->page(); }
    int pages() const { return page_->pages(); }

  protected:
    void resizeEvent(QResizeEvent* event) override {
        QScrollArea::resizeEvent(event);
        refresh();
    }

  private:
    void refresh() {
        page_->fit(std::max(200.0, zoom_ * (viewport()->width() - 4)));
        if (changed) {
            changed();
        }
    }
    Paper paper_;
    SheetPage* page_;
    double zoom_ = 1;
};

// Saves templates and solids beside the window, with how far it is and a way to stop.
class TemplateSaver : public QWidget {
    Q_DECLARE_TR_FUNCTIONS(wl::TemplateSaver)
  public:
    TemplateSaver(Workbench& bench, QLineEdit* path)
        : bench_(bench),
          path_(path),
          kind_(new QComboBox),
          holes_(new QCheckBox(tr("with holes"))),
          save_(new QPushButton(tr("Save templates…"))),
          stop_(new QPushButton(tr("Stop"))) {
        save_->setObjectName(QStringLiteral("saveTemplates"));
        save_->setToolTip(tr("All templates as SVG or DXF, or solids as STL or 3MF"));
        kind_->setObjectName(QStringLiteral("solidKind"));
        kind_->setAccessibleName(tr("Solid"));
        kind_->addItems({tr("solid: whole pieces"), tr("solid: halves"), tr("solid: a mould")});
        holes_->setObjectName(QStringLiteral("solidHoles"));
        stop_->setObjectName(QStringLiteral("stopSolid"));
        stop_->hide();
        auto* line = new QHBoxLayout(this);
        line->setContentsMargins(0, 0, 0, 0);
        for (QWidget* part : {static_cast<QWidget*>(save_), static_cast<QWidget*>(kind_),
                              static_cast<QWidget*>(holes_), static_cast<QWidget*>(stop_)}) {
            line->addWidget(part);
        }
        connect(save_, &QPushButton::clicked, this, [this] { save(); });
        connect(stop_, &QPushButton::clicked, this, [this] {
            beside_.cancel();
            bench_.say(tr("Stopped; nothing was saved."));
        });
        connect(kind_, &QComboBox::currentIndexChanged, this,
                [this](int kind) { holes_->setEnabled(kind != int(SolidKind::Mould)); });
        connect(&beside_, &Beside::runningChanged, this, [this] {
            stop_->setVisible(beside_.isRunning());
            save_->setEnabled(!beside_.isRunning());
        });
        connect(&beside_, &Beside::progressed, this, [this](double share) {
            bench_.say(tr("Cutting the solid, %1 %").arg(std::lround(100 * share)));
        });
        connect(&beside_, &Beside::failed, this, [this](const Error& fault) {
            bench_.say(QStringLiteral("▲ ") + sentence(fault, bench_.bench()));
        });
    }

  private:
    void save() {
        QString file = path_->text().trimmed();
        if (file.isEmpty()) {
            file = QFileDialog::getSaveFileName(
                window(), tr("Save the templates"), QStringLiteral("templates.svg"),
                tr("SVG drawing (*.svg);;DXF drawing (*.dxf);;STL solid (*.stl);;3MF solid "
                   "(*.3mf);;STEP solid (*.step)"));
        }
        if (file.isEmpty()) {
            return;
        }
        const SolidWish wish{SolidKind(kind_->currentIndex()),
                             holes_->isChecked() && holes_->isEnabled()};
        beside_.start([this, file, wish, design = bench_.document.design()](
                          std::stop_token stop, const Beside::Progress& told) -> Beside::Finish {
            const auto error = writeTemplates(*design, file, wish, stop, told);
            return [this, file, error] { tell(file, error); };
        });
    }
    void tell(const QString& file, const std::optional<Error>& error) {
        bench_.say(
            error
                ? QStringLiteral("▲ ") + sentence(*error, bench_.bench())
                : tr("Saved to %1, in millimetres. Measure the length before you cut.").arg(file));
    }

    Workbench& bench_;
    QLineEdit* path_;
    QComboBox* kind_;
    QCheckBox* holes_;
    QPushButton* save_;
    QPushButton* stop_;
    Beside beside_;
};

}  // namespace

void savePdf(Workbench& bench, const QString& path, Paper paper) {
    SheetBench of{bench.bench(), bench.shelf.shelf().drills(bench.bench())};
    of.paper = paper;
    if (const auto error = writeBenchSheet(bench.design(), path, of)) {
        bench.say(QStringLiteral("▲ ") + sentence(*error, bench.bench()));
    } else {
        bench.say(
            tr("Bench sheet saved to %1. Print at 100 % and measure the bar first.").arg(path));
    }
}

QWidget* makeBenchSheetPage(Workbench& bench) {
    auto* bar = new QWidget;
    auto* line = new FlowLayout(bar);
    const auto addButton = [line](const QString& label, const QString& name) {
        auto* button = new QPushButton(label);
        button->setObjectName(name);
        line->addWidget(button);
        return button;
    };
    auto* path = new QLineEdit;
    path->setObjectName("sheetPath");
    path->setAccessibleName(tr("File to save to"));
    path->setPlaceholderText(tr("file name, or leave empty to choose"));
    path->setMinimumWidth(290);
    line->addWidget(path);
    auto* preview = new SheetPreview(bench);
    auto* save = addButton(tr("Save as PDF"), "savePdf");
    save->setProperty("main", true);
    QObject::connect(save, &QPushButton::clicked, save, [&bench, save, path, preview] {
        QString file = path->text().trimmed();
        if (file.isEmpty()) {
            file =
                QFileDialog::getSaveFileName(save->window(), tr("Save the bench sheet"),
                                             QStringLiteral("bench-sheet.pdf"), tr("PDF (*.pdf)"));
        }
        if (!file.isEmpty()) {
            savePdf(bench, file, preview->paper());
        }
    });
    auto* paper = new QComboBox;
    paper->setObjectName(QStringLiteral("sheetPaper"));
    paper->setAccessibleName(tr("Paper"));
    paper->addItems({tr("A4"), tr("Letter")});
    paper->setCurrentIndex(int(preview->paper()));
    QObject::connect(paper, &QComboBox::currentIndexChanged, preview,
                     [preview](int index) { preview->setPaper(Paper(index)); });
    line->addWidget(paper);
    line->addWidget(new TemplateSaver(bench, path));
    auto* print = addButton(tr("Print…"), "printSheet");
    QObject::connect(print, &QPushButton::clicked, print, [&bench, print, preview] {
        const ResultsPtr r = bench.results();
        if (!r || !r->derived) {
            bench.say(tr("▲ Nothing to print until the body can be reckoned."));
            return;
        }
        QPrinter printer(QPrinter::HighResolution);
        printer.setPageLayout(QPageLayout(benchPageSize(preview->paper()), QPageLayout::Landscape,
                                          QMarginsF(10, 10, 10, 10), QPageLayout::Millimeter));
        QPrintDialog dialog(&printer, print->window());
        if (dialog.exec() == QDialog::Accepted) {
            paintBenchSheet(printer, *r->design, *r->derived,
                            {bench.bench(), bench.shelf.shelf().drills(bench.bench())});
        }
    });
    auto* back = addButton(tr("Page back"), "pageBack");
    auto* where = plainLabel();
    where->setObjectName("pageOf");
    where->setMinimumHeight(back->sizeHint().height());  // on one line with the buttons
    line->addWidget(where);
    auto* on = addButton(tr("Page on"), "pageOn");
    back->setShortcut(QKeySequence(Qt::Key_PageUp));
    on->setShortcut(QKeySequence(Qt::Key_PageDown));
    auto* nearer = addButton(tr("Nearer"), "sheetNearer");
    auto* farther = addButton(tr("Farther"), "sheetFarther");
    auto* whole = addButton(tr("Whole width"), "sheetWhole");
    nearer->setShortcut(QKeySequence::ZoomIn);
    farther->setShortcut(QKeySequence::ZoomOut);
    whole->setShortcut(QKeySequence(QStringLiteral("Alt+W")));
    QObject::connect(back, &QPushButton::clicked, preview, [preview] { preview->turn(-1); });
    QObject::connect(on, &QPushButton::clicked, preview, [preview] { preview->turn(1); });
    QObject::connect(nearer, &QPushButton::clicked, preview,
                     [preview] { preview->zoom(kZoomStep); });
    QObject::connect(farther, &QPushButton::clicked, preview,
                     [preview] { preview->zoom(1 / kZoomStep); });
    QObject::connect(whole, &QPushButton::clicked, preview, [preview] { preview->fitWidth(); });
    preview->changed = [preview, where, back, on] {
        where->setText(preview->words());
        back->setEnabled(preview->page() > 0);
        on->setEnabled(preview->page() + 1 < preview->pages());
    };
    auto* note = plainLabel(
        tr("Templates at true scale with a 100 mm and a 4 in bar: print at 100 %, measure the "
           "bar, then cut. Cautions stand after the parts."));
    note->setProperty("role", "quiet");
    note->setWordWrap(true);
    auto* page = new QWidget;
    page->setObjectName(QStringLiteral("sheetPage"));
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(12, 8, 12, 8);
    layout->addWidget(bar);
    layout->addWidget(note);
    layout->addWidget(preview, 1);
    return page;
}

}  // namespace wl
