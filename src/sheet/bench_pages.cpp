// The pages of the bench sheet: templates to scale, tables.
#include <QCoreApplication>
#include <QPainter>
#include <cmath>

#include "core/draw/draw_bait.h"
#include "core/making/build_steps.h"
#include "session/field_words.h"
#include "session/words.h"
#include "sheet/bench_sheet.h"
#include "sheet/drawing_paint.h"
#include "sheet/hole_table.h"
#include "sheet/making_page.h"
#include "sheet/sheet_paper.h"
#include "sheet/template_pages.h"

namespace wl {
namespace {

class Sheet : public SheetPaper {
    Q_DECLARE_TR_FUNCTIONS(wl::Sheet)
  public:
    Sheet(QPainter& painter, const QSizeF& size, const Design& design, const Derived& derived,
          const SheetBench& bench, int shown)
        : SheetPaper(painter, size, QString::fromStdString(design.name), bench, shown),
          design_(design),
          d_(derived) {}

    void templates();
    void tables();

  private:
    void sideTemplate(const QPointF& nose);
    double stationTable(const QPointF& at);
    void overPages();
    void lipTemplate(const QPointF& at);
    double finishTable(const QPointF& at);

    const Design& design_;
    const Derived& d_;
};

void Sheet::sideTemplate(const QPointF& nose) {
    paintDrawing(painter(), drawBait(design_, d_, levelFrame(DrawnView::Side), DrawnFor::Bench),
                 nose, 1.0, benchStyle());
    const double L = d_.shape->sizes.length_m, tallest = mm(d_.shape->sizes.maxHeight_m);
    if (design_.lip.present) {
        const Lip& lip = design_.lip;
        const Eigen::Vector3d tip = lipPlace(lip, lipPlanes(lip).back().to_m);
        QString words = tr("lip %1 to the axis").arg(q(Quantity::Angle, lip.angle_rad));
        if (lip.bend_rad != 0) {
            words += tr(", bent %1 more at %2")
                         .arg(q(Quantity::Angle, lip.bend_rad), length(lip.bendAt_m));
        }
        text({nose.x() + mm(tip.x()) - 26, nose.y() - mm(tip.z()) + 1, 60, 4}, words, 2.6);
    }
    // Length, dimensioned under the bait.
    const double below = nose.y() + tallest * 0.62 + 8;
    painter().setPen(line(0.15));
    painter().drawLine(QPointF(nose.x(), below), QPointF(nose.x() + mm(L), below));
    for (const double x : {0.0, mm(L)}) {
        painter().drawLine(QPointF(nose.x() + x - 1, below + 1),
                           QPointF(nose.x() + x + 1, below - 1));
    }
    text({nose.x(), below + 0.5, mm(L), 4}, length(L), 3, false, Qt::AlignCenter);
}

double Sheet::stationTable(const QPointF& at) {
    std::vector<QStringList> rows;
    for (size_t i = 0; i < d_.shape->curves.knots().size(); ++i) {
        const Section s = d_.shape->curves.at(d_.shape->curves.knots()[i]);
        rows.push_back({QString::number(i + 1), length(s.x_m, false), length(s.back_m, false),
                        length(s.belly_m, false), length(2 * s.halfWidth_m, false)});
    }
    const QString unit = QString::fromStdString(unitLabel(Quantity::Length, bench_));
    return table(at, tr("Stations, %1 from nose and axis").arg(unit),
                 {tr("no."), tr("place"), tr("back"), tr("belly"), tr("width")}, rows,
                 {10, 16, 16, 16, 16});
}

void Sheet::templates() {
    const double L = mm(d_.shape->sizes.length_m), tall = mm(d_.shape->sizes.maxHeight_m);
    const double wide = mm(d_.shape->sizes.maxWidth_m);
    const double ahead =
        design_.lip.present
            ? std::max(8.0, -mm(design_.lip.slotX_m +
                                lipDirection(design_.lip).x() * design_.lip.length_m) +
                                28)
            : 12.0;
    const QPointF sideNose(ahead,
                           26 + 0.5 * tall + mm(std::max(0.0, d_.shape->solid.centroid_m.z())));
    // The words at the lip's end stand clear of the title below them.
    const double lipFoot =
        design_.lip.present
            ? sideNose.y() - mm(lipPlace(design_.lip, lipPlanes(design_.lip).back().to_m).z()) + 5
            : 0.0;
    const double topY = std::max(sideNose.y() + tall * 0.62 + 22, lipFoot + 10) + 0.5 * wide;
    constexpr double kBehind_mm = 8.0, kStations_mm = 76.0;
    double y = kTop_mm;
    if (ahead + L + kBehind_mm > size_.width() || topY + 0.5 * wide + 4 > bottom()) {
        overPages();
        beginPage(tr("Bench sheet 1: stations and holes"));
        y = stationTable({0, y}) + 2;
    } else {
        beginPage(tr("Bench sheet 1: templates, true scale"));
        text({0, 10, 120, 5}, tr("Side template"), 3.4, true);
        sideTemplate(sideNose);
        text({0, topY - 0.5 * wide - 8, 120, 5}, tr("Top template"), 3.4, true);
        paintDrawing(painter(), drawBait(design_, d_, levelFrame(DrawnView::Top), DrawnFor::Bench),
                     {ahead, topY}, 1.0, benchStyle());
        y = topY + 0.5 * wide + 8;
        const int first = page();
        const double right = ahead + L + 14;
        if (right + kStations_mm <= size_.width()) {
            stationTable({std::max(right, size_.width() - 80), 12});
            goToPage(first);
        } else {
            y = stationTable({0, y}) + 2;
        }
    }
    holeTable(*this, {0, y}, design_, d_);
}

// Too long for one page: both views on as many as it takes, to be joined.
void Sheet::overPages() {
    constexpr double kViewsApart_mm = 14.0;
    Drawing both = drawBait(design_, d_, levelFrame(DrawnView::Side), DrawnFor::Bench);
    Drawing top = drawBait(design_, d_, levelFrame(DrawnView::Top), DrawnFor::Bench);
    const double down = extent_mm(both)[1] - kViewsApart_mm - extent_mm(top)[3];
    for (Primitive& p : top) {
        for (Eigen::Vector2d& q : p.points_mm) {
            q.y() += down;
        }
    }
    both.insert(both.end(), top.begin(), top.end());
    tiledTemplate(*this, tr("Bench sheet 1: side and top template"), both);
}

void Sheet::lipTemplate(const QPointF& at) {
    const Lip& lip = design_.lip;
    text({at.x(), at.y(), 80, 5}, tr("Lip template, true scale"), 3.4, true);
    if (!lip.present) {
        text({at.x(), at.y() + 7, 80, 5}, tr("no lip"), 3);
        return;
    }
    const double middle = at.x() + 0.5 * mm(std::max(lip.width_m, lip.rootWidth_m)) + 4;
    const double rootY = at.y() + 9 + mm(lip.slotDepth_m);
    paintDrawing(painter(), drawFlatLip(design_), {middle, rootY}, 1.0, benchStyle());
    const double notes = middle + 0.5 * mm(std::max(lip.width_m, lip.rootWidth_m)) + 5;
    text({notes, rootY - 2.5, 60, 4}, tr("skin line: above it goes into the slot"), 2.6);
    text({notes, rootY + 3, 70, 4},
         tr("%1, %2 thick, %3 wide")
             .arg(QString::fromStdString(lip.material), length(lip.thickness_m),
                  length(lip.width_m)),
         2.6);
    text({notes, rootY + 7, 70, 4},
         tr("%1 outside, %2 in the slot").arg(length(lip.length_m), length(lip.slotDepth_m)), 2.6);
    text({notes, rootY + 11, 70, 4},
         tr("slot at %1 from the nose, height %2").arg(length(lip.slotX_m), length(lip.slotZ_m)),
         2.6);
    if (design_.tie.place == TiePlace::Lip) {
        text({notes, rootY + 15, 70, 4},
             tr("tie %1 from the skin line").arg(length(design_.tie.upLip_m)), 2.6);
    }
    if (const TieWire wire = measureTieWire(design_); !wire.holes.empty()) {
        const QString bit = q(Quantity::Thickness, design_.tie.holeDiameter_m);
        text({notes, rootY + 19, 70, 4},
             wire.holes.size() > 1
                 ? tr("two holes of %1, %2 apart").arg(bit, length(design_.tie.holeSpacing_m))
                 : tr("one hole of %1").arg(bit),
             2.6);
        if (wire.mass_kg > 0) {
            text({notes, rootY + 23, 70, 4},
                 tr("wire: %1, and what you hold it by").arg(length(wire.length_m)), 2.6);
        }
        if (const auto hole = tieLegHole(design_, d_.shape->curves)) {
            text({notes, rootY + 27, 70, 4},
                 tr("its ends %1 into a hole of %2 beside the slot")
                     .arg(length(hole->depth_m), q(Quantity::Thickness, 2 * hole->halfAlong_m)),
                 2.6);
        }
    }
}

// What goes into a bore: a plug of a metal, poured metal, or pieces by name.
QString leadWords(const Bore& bore) {
    if (bore.lead != BoreLead::Pieces) {
        const QString metal = QString::fromStdString(bore.plugMaterial);
        return bore.lead == BoreLead::Poured ? tr("%1, poured").arg(metal) : metal;
    }
    QStringList in;
    for (const LeadPiece& p : bore.pieces) {
        in << QStringLiteral("%1 × %2").arg(p.count).arg(QString::fromStdString(p.name));
    }
    return in.join(QStringLiteral(", "));
}

// Coat by coat in the order they go on; what is laid over or kept free in a line of its own.
double Sheet::finishTable(const QPointF& at) {
    std::vector<QStringList> rows;
    for (const size_t k : coatOrder(design_)) {
        const Coat& c = design_.coats[k];
        const auto place = findField(design_, "/coats/" + std::to_string(k) + "/place");
        const bool inside = c.innerFace && design_.make.kind == MakeKind::Layered;
        rows.push_back({QString::fromStdString(c.name),
                        inside  ? tr("inside")
                        : place ? fieldValue(*place, bench_)
                                : QString(),
                        QStringLiteral("%1 ×").arg(c.count), q(Quantity::Thickness, c.thickness_m),
                        q(Quantity::Time, c.cure_s)});
        QStringList how;
        const auto add = [&how](const QString& words, const std::string& what) {
            if (!what.empty()) {
                how << words.arg(QString::fromStdString(what));
            }
        };
        add(tr("with %1"), c.medium);
        add(tr("through %1"), c.stencil);
        add(tr("masked: %1"), c.masked);
        if (!how.isEmpty()) {
            rows.push_back({QStringLiteral("– ") + how.join(QStringLiteral("; "))});
        }
    }
    return table(at, tr("Finish, in this order"),
                 {tr("coat"), tr("lies on"), {}, tr("one coat"), tr("dries")}, rows,
                 {50, 22, 12, 22, 20});
}

void Sheet::tables() {
    beginPage(tr("Bench sheet 2: lead, parts, masses"));
    const int first = page();
    lipTemplate({0, 11});
    // Under the skin line: as many lines as a tie through the lip takes.
    const double notes = !design_.lip.present      ? 0
                         : design_.tie.goesOn()    ? 32
                         : design_.tie.isDrilled() ? 28
                                                   : 0;
    const double lipFoot = 11 + 9 +
                           (design_.lip.present ? mm(design_.lip.slotDepth_m) +
                                                      std::max(mm(design_.lip.length_m), notes)
                                                : 0) +
                           10;
    std::vector<QStringList> lead;
    for (size_t i = 0; i < design_.bores.size(); ++i) {
        const Bore& b = design_.bores[i];
        const BoreGeometry& g = d_.mass->bores[i];
        lead.push_back(
            {QStringLiteral("%1  %2").arg(QString::fromStdString(boreLetter(i))).arg(leadWords(b)),
             length(b.diameter_m), length(g.plugLength_m), q(Quantity::Mass, g.leadMass_kg),
             length(b.depth_m - g.plugLength_m)});
    }
    double y = table({0, std::max(62.0, lipFoot)}, tr("Lead plugs"),
                     {tr("hole"), tr("diameter"), tr("length"), tr("mass"), tr("filler above")},
                     lead, {34, 22, 22, 22, 24});
    const StageMasses& s = d_.mass->stages;
    y = table({0, y + 2}, tr("The scale should read"), {},
              {{tr("shaped body, before any hole"), q(Quantity::Mass, s.shapedBody_kg), {}},
               {tr("bare body, drilled and slotted"), q(Quantity::Mass, s.drilledBody_kg), {}},
               {tr("sealed"), q(Quantity::Mass, s.sealedBody_kg), {}},
               {tr("with lead and filler"), q(Quantity::Mass, s.withLead_kg), {}},
               {tr("with lip, eyes and hooks"), q(Quantity::Mass, s.withHardware_kg), {}},
               {tr("finished"), q(Quantity::Mass, s.finished_kg), {}}},
              {60, 26, 38});
    y = room(y, 5);
    text({0, y, 128, 5},
         tr("Write the readings beside them. ± %1 in all is within the measuring.")
             .arg(q(Quantity::Mass, 2 * d_.mass->netDoubt_kg)),
         2.6);

    goToPage(first);
    const double right = 140;
    std::vector<QStringList> parts;
    for (const Fitting& f : design_.fittings) {
        const Eigen::Vector3d at = fittingPlace(design_, f);
        parts.push_back(
            {QString::fromStdString(f.name) + (f.mirrored ? QStringLiteral(" ×2") : QString()),
             q(Quantity::Mass, fittingMass_kg(f)), f.weighedMass_kg ? tr("weighed") : tr("typical"),
             length(at.x(), false), length(at.y(), false), length(at.z(), false)});
    }
    const QString unit = QString::fromStdString(unitLabel(Quantity::Length, bench_));
    y = table({right, 11}, tr("Fittings; %1 from nose, centre and reference line").arg(unit),
              {tr("part"), tr("mass each"), {}, tr("aft"), tr("port"), tr("up")}, parts,
              {44, 20, 18, 16, 16, 16});
    y = finishTable({right, y + 2});
    QStringList cautions;
    for (const QString& caution : benchCautions(design_)) {
        cautions << QStringLiteral("– ") + caution;
    }
    list({right, y + 1}, size_.width() - right, tr("Cautions"), cautions);
}

void walk(Sheet& sheet, const Design& design, const Derived& derived) {
    sheet.templates();
    sheet.tables();
    if (hasMakingPage(design)) {
        sheet.beginPage(tr("Bench sheet 3: joints, holes, wire, making"));
        paintMakingPage(sheet, design, derived);
    }
    flatTemplatePages(sheet, tr("Bench sheet 4: templates to cut out"), design, derived);
}

}  // namespace

void paintBenchPage(QPainter& painter, int index, const QSizeF& size_mm, const Design& design,
                    const Derived& derived, const SheetBench& bench) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    Sheet sheet(painter, size_mm, design, derived, bench, index);
    walk(sheet, design, derived);
    painter.restore();
}

int benchPages(const QSizeF& size_mm, const Design& design, const Derived& derived) {
    QImage nowhere(1, 1, QImage::Format_RGB32);
    QPainter unseen(&nowhere);
    Sheet sheet(unseen, size_mm, design, derived, Bench::Metric, -1);
    walk(sheet, design, derived);
    return sheet.pages();
}

}  // namespace wl
