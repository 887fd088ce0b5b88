#include "sheet/making_page.h"

#include <cmath>

#include "core/draw/draw_bait.h"
#include "session/words.h"
#include "sheet/drawing_paint.h"

namespace wl {
namespace {

double jointTable(SheetPaper& s, const QPointF& at, const Design& design, const Derived& d) {
    std::vector<QStringList> rows;
    for (size_t i = 0; i < design.joints.size(); ++i) {
        const Joint& j = design.joints[i];
        const JointCut& cut = d.shape->joints[i];
        const QString pocket =
            j.pocket == PocketIn::None
                ? tr("none")
                : QStringLiteral("%1 × %2 × %3 %4")
                      .arg(s.length(j.pocketWidth_m, false), s.length(j.pocketHeight_m, false),
                           s.length(j.pocketDepth_m, false),
                           j.pocket == PocketIn::FrontPiece ? tr("front") : tr("rear"));
        rows.push_back({QString::fromStdString(j.name), s.length(j.x_m, false),
                        s.length(j.gap_m, false), s.q(Quantity::Angle, j.bevelFront_rad),
                        s.q(Quantity::Angle, j.bevelRear_rad), s.length(cut.pinX_m, false),
                        QStringLiteral("%1 × %2").arg(s.length(j.pinDiameter_m, false),
                                                      s.length(j.pinLength_m, false)),
                        pocket,
                        QStringLiteral("±") + s.q(Quantity::Angle, cut.opening.opening_rad)});
    }
    return s.table(
        at, tr("Joints; places from the nose, bevels to set the jig to, pocket wide × high × deep"),
        {tr("joint"), tr("cut at"), tr("gap"), tr("bevel ahead"), tr("behind"), tr("pin at"),
         tr("pin"), tr("pocket"), tr("opens")},
        rows, {24, 16, 12, 20, 16, 16, 22, 40, 18});
}

// What a hinge takes of wire and eyes, joint by joint.
double hingeTable(SheetPaper& s, const QPointF& at, const Design& design) {
    std::vector<QStringList> rows;
    for (const Joint& j : design.joints) {
        const bool pin = j.kind == HingeKind::Pin;
        rows.push_back({QString::fromStdString(j.name), pin ? tr("pin") : tr("linked eyes"),
                        pin ? s.q(Quantity::Thickness, j.pinDiameter_m) : QStringLiteral("–"),
                        pin ? s.length(j.pinLength_m) : QStringLiteral("–"),
                        s.q(Quantity::Thickness, j.play_m),
                        s.q(Quantity::Mass, j.weighedMass_kg.value_or(j.typicalMass_kg))});
    }
    return s.table(at, tr("Hinges to cut; the pin turns freely and does not rattle"),
                   {tr("joint"), tr("hinge"), tr("wire"), tr("cut"), tr("play"), tr("weighs")},
                   rows, {30, 26, 22, 22, 20, 22});
}

double wireTable(SheetPaper& s, const QPointF& at, const Derived& d) {
    const WireLayout& w = d.mass->wire;
    std::vector<QStringList> rows;
    int number = 0;
    for (const WireBend& b : w.bends) {
        rows.push_back({QString::number(++number), s.length(b.at_m, false),
                        s.q(Quantity::Angle, std::abs(b.angle_rad)),
                        s.length(2 * b.radius_m, false), s.length(b.place_m.x(), false)});
    }
    return s.table(at,
                   tr("Through-wire: cut %1 (%2). Wire ends fly: cover your eyes.")
                       .arg(s.length(w.cutLength_m), s.q(Quantity::Mass, w.mass_kg)),
                   {tr("bend"), tr("along the wire"), tr("turn"), tr("inside"), tr("on the bait")},
                   rows, {14, 26, 20, 20, 24});
}

double rattleTable(SheetPaper& s, const QPointF& at, const Design& design) {
    const QString lies[] = {tr("along"), tr("across"), tr("upright")};
    std::vector<QStringList> rows;
    for (const RattleChamber& c : design.chambers) {
        rows.push_back(
            {QString::fromStdString(c.name), lies[int(c.axis)], s.length(c.x_m, false),
             s.length(c.z_m, false),
             QStringLiteral("⌀ %1 × %2")
                 .arg(s.length(c.diameter_m, false), s.length(c.length_m, false)),
             QStringLiteral("%1 × %2").arg(c.ballCount).arg(s.length(c.ballDiameter_m, false))});
    }
    return s.table(at, tr("Rattles; places of their middles"),
                   {tr("rattle"), tr("lies"), tr("aft"), tr("up"), tr("inside"), tr("balls")}, rows,
                   {30, 18, 16, 16, 30, 24});
}

double pieceTable(SheetPaper& s, const QPointF& at, const Derived& d) {
    std::vector<QStringList> rows;
    for (size_t i = 0; i < d.rest->alone.size(); ++i) {
        const PieceAlone& a = d.rest->alone[i];
        rows.push_back({QString::fromStdString(d.mass->pieces[i].name),
                        s.q(Quantity::Mass, d.mass->pieces[i].mass_kg),
                        (a.net_kg >= 0 ? tr("%1 spare") : tr("%1 heavy"))
                            .arg(s.q(Quantity::Mass, std::abs(a.net_kg)))});
    }
    return s.table(at, tr("Each piece finished, on the scale and in the tank"),
                   {tr("piece"), tr("weighs"), tr("alone")}, rows, {40, 26, 30});
}

double latheTable(SheetPaper& s, const QPointF& at, const Design& design, const Derived& d) {
    std::vector<QStringList> rows;
    for (const double knot : d.shape->curves.knots()) {
        const Section section = d.shape->curves.at(knot);
        rows.push_back(
            {s.length(section.x_m, false), s.length(section.back_m - section.belly_m, false)});
    }
    const RoundBlank& blank = design.pieces.front().stock.blank;
    return s.table(at,
                   tr("Diameters; blank %1 × %2 at %3")
                       .arg(s.length(blank.diameter_m), s.length(blank.length_m),
                            s.q(Quantity::Mass, blank.mass_kg)),
                   {tr("from the nose"), tr("diameter")}, rows, {34, 30});
}

// The room a drawing takes, mm right and down.
QRectF boxOf(const Drawing& drawing) {
    const auto [left, low, right, high] = extent_mm(drawing);
    return {left, -high, right - left, high - low};
}

// Each weight's outline to cut and to cast to, as seen from its own flank.
double weightOutlines(SheetPaper& s, const QPointF& at, const Design& design, const Derived& d) {
    s.text({at.x(), at.y(), 160, 5},
           tr("Weights from the side: pocket and mould, true scale, seen from their flank"), 3.4,
           true);
    double top = at.y() + 8;
    for (size_t i = 0; i < design.sideWeights.size(); ++i) {
        const SideWeight& w = design.sideWeights[i];
        const Drawing outline = drawOutline(w.outline, w.from);
        const QRectF box = boxOf(outline);
        top = s.room(top, std::max(14.0, box.height()) + 4);
        paintDrawing(s.painter(), outline, {at.x() + 4 - box.left(), top - box.top()}, 1.0,
                     benchStyle());
        const double words = at.x() + 10 + box.width();
        s.text({words, top, 110, 4},
               tr("%1, from %2: place %3 aft, %4 up; nose to the %5")
                   .arg(QString::fromStdString(w.name),
                        w.from == Flank::Port ? tr("port") : tr("starboard"), s.length(w.x_m),
                        s.length(w.z_m), w.from == Flank::Port ? tr("left") : tr("right")),
               2.6);
        s.text({words, top + 4.5, 110, 4},
               tr("pocket down to %1 off the middle; %2 thick, of %3")
                   .arg(s.length(w.bottom_m), s.length(w.thickness_m),
                        QString::fromStdString(w.material)),
               2.6);
        s.text({words, top + 9, 110, 4},
               tr("weighs %1").arg(s.q(Quantity::Mass, d.mass->sideWeights[i].mass_kg)), 2.6);
        top += std::max(14.0, box.height()) + 4;
    }
    return top;
}

double buildUpTable(SheetPaper& s, const QPointF& at, const Design& design, const Derived& d) {
    const QStringList sides{tr("belly"), tr("back"), tr("side"), tr("nose"), tr("tail")};
    std::vector<QStringList> rows;
    for (size_t i = 0; i < design.buildUps.size(); ++i) {
        const BuildUp& b = design.buildUps[i];
        const std::string path = pathOf({RecordList::BuildUps, i});
        double mass = 0;
        for (const MassItem& item : d.mass->items) {
            mass += item.path == path ? item.mass_kg : 0;
        }
        const bool end = b.from == FeatureFrom::Nose || b.from == FeatureFrom::Tail;
        rows.push_back({QString::fromStdString(b.name), sides.value(int(b.from)),
                        end ? QStringLiteral("–") : s.length(b.x_m, false), s.length(b.y_m, false),
                        s.length(b.z_m, false),
                        QStringLiteral("%1 × %2 × %3")
                            .arg(s.length(b.length_m, false), s.length(b.width_m, false),
                                 s.length(b.thickness_m, false)),
                        s.q(Quantity::Mass, mass)});
    }
    return s.table(at,
                   tr("On the skin; places of its middle, %1")
                       .arg(QString::fromStdString(unitLabel(Quantity::Length, s.bench()))),
                   {tr("what"), tr("on"), tr("aft"), tr("port"), tr("up"),
                    tr("long × wide × thick"), tr("weighs")},
                   rows, {34, 18, 16, 16, 16, 40, 22});
}

}  // namespace

bool hasMakingPage(const Design& design) {
    return !design.sideWeights.empty() || !design.buildUps.empty() || !design.joints.empty() ||
           !design.features.empty() || design.wire.present || !design.chambers.empty() ||
           design.make.kind != MakeKind::Carved;
}

void paintMakingPage(SheetPaper& s, const Design& design, const Derived& d) {
    double y = SheetPaper::kTop_mm;
    if (!design.joints.empty()) {
        y = jointTable(s, {0, y}, design, d) + 2;
        y = hingeTable(s, {0, y}, design) + 2;
    }
    if (!d.rest->alone.empty()) {
        y = pieceTable(s, {0, y}, d) + 2;
    }
    if (!d.mass->wire.bends.empty()) {
        y = wireTable(s, {0, y}, d) + 2;
    }
    if (!design.chambers.empty()) {
        y = rattleTable(s, {0, y}, design) + 2;
    }
    if (!design.buildUps.empty()) {
        y = buildUpTable(s, {0, y}, design, d) + 2;
    }
    if (!design.sideWeights.empty()) {
        y = weightOutlines(s, {0, y}, design, d) + 2;
    }
    switch (design.make.kind) {
        case MakeKind::Turned:
            latheTable(s, {0, y}, design, d);
            break;
        case MakeKind::Cast: {
            const ResinMix& mix = design.make.mix;
            const double volume = d.shape->solid.volume_m3;
            s.table({0, y}, tr("Pour"), {},
                    {{tr("volume of the bait, without waste"), s.q(Quantity::Volume, volume)},
                     {mix.by == MixBy::Volume ? tr("filler, by volume") : tr("filler, by mass"),
                      s.q(Quantity::Fraction, mix.fillerShare)},
                     {tr("density it makes"), s.q(Quantity::Density, mixDensity_kg_m3(mix))}},
                    {60, 30});
            break;
        }
        case MakeKind::Printed: {
            const Print& print = design.make.print;
            s.table(
                {0, y}, tr("Print"), {},
                {{tr("wall all round"), s.length(print.shell_m)},
                 {tr("infill"), s.q(Quantity::Fraction, print.infill)},
                 {tr("all pieces print at"), s.q(Quantity::Mass, d.shape->reckoning.drawnMass_kg)}},
                {60, 30});
            break;
        }
        case MakeKind::Carved:
        case MakeKind::Layered:
            break;
    }
}

}  // namespace wl
