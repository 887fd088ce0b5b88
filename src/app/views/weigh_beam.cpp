#include "app/views/weigh_beam.h"

#include <QPainter>

#include "app/kit/theme.h"

namespace wl {
namespace {

struct Share {
    QString name;
    double mass_kg = 0;
    QColor colour;
};

std::vector<Share> sharesDown(const Derived& d, const Inks& c) {
    std::vector<Share> shares{
        {WeighBeam::tr("body"), 0, c.wood},         {WeighBeam::tr("filler"), 0, c.filler},
        {WeighBeam::tr("lip"), 0, c.lip},           {WeighBeam::tr("finish"), 0, c.ground},
        {WeighBeam::tr("hooks, eyes"), 0, c.steel}, {WeighBeam::tr("lead"), 0, c.lead}};
    for (const MassItem& item : d.mass->items) {
        const int index = item.kind == PartKind::Body                                     ? 0
                          : item.kind == PartKind::Filler                                 ? 1
                          : item.kind == PartKind::Lip                                    ? 2
                          : item.kind == PartKind::Coat || item.kind == PartKind::BuiltUp ? 3
                          : item.kind == PartKind::Plug || item.kind == PartKind::Rattle  ? 5
                          : item.kind == PartKind::Tank                                   ? 0
                                                                                          : 4;
        shares[size_t(index)].mass_kg += item.mass_kg;
    }
    return shares;
}

}  // namespace

WeighBeam::WeighBeam(Bait& bait, Workbench& bench, QWidget* parent)
    : QWidget(parent), bait_(bait), bench_(bench) {
    setObjectName(QStringLiteral("weighBeam"));
    setAccessibleName(tr("Weigh-beam: mass against displaced water"));
    connect(&bait_.evaluator, &Evaluator::resultsChanged, this, [this] {
        if (const ResultsPtr r = bait_.results(); r && r->derived) {
            setAccessibleDescription(
                tr("%1 against %2 of water")
                    .arg(bench_.text(Quantity::Mass, r->derived->mass->mass_kg),
                         bench_.text(Quantity::Mass, r->derived->waterDensity_kg_m3 *
                                                         r->derived->mass->displacedVolume_m3)));
        }
        update();
    });
    connect(&bench_, &Workbench::benchChanged, this, qOverload<>(&WeighBeam::update));
}

void WeighBeam::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.fillRect(rect(), c.sheet);
    const ResultsPtr results = bait_.results();
    p.setFont(type(Type::Body, true));
    p.setPen(c.ink);
    p.drawText(QRectF(10, 4, width() - 20, 20), Qt::AlignLeft | Qt::AlignVCenter, tr("Weigh-beam"));
    if (!results || !results->derived) {
        p.setFont(type(Type::Body));
        p.setPen(c.quiet);
        p.drawText(rect().adjusted(12, 30, -12, -8), Qt::AlignCenter | Qt::TextWordWrap,
                   tr("Nothing to weigh until the body can be reckoned."));
        return;
    }
    const Derived& d = *results->derived;
    const double up_kg = d.waterDensity_kg_m3 * d.mass->displacedVolume_m3;
    const double most = 1.06 * std::max({up_kg, d.mass->mass_kg, d.wantedMass_kg});
    const double top = 52, bottom = height() - 50;
    const double scale = (bottom - top) / most;
    const double barWidth = 28;
    const double downX = 84, upX = width() - 76 - barWidth;

    p.setFont(type(Type::Small));
    p.setPen(c.quiet);
    p.drawText(QRectF(downX - 40, top - 24, barWidth + 80, 18), Qt::AlignCenter, tr("down"));
    p.drawText(QRectF(upX - 40, top - 24, barWidth + 80, 18), Qt::AlignCenter, tr("up"));
    double y = bottom;
    for (const Share& share : sharesDown(d, c)) {
        if (share.mass_kg <= 0) {
            continue;
        }
        const double h = share.mass_kg * scale;
        const QRectF box(downX, y - h, barWidth, h);
        p.setPen(QPen(c.ink, 1));
        p.setBrush(share.colour);
        p.drawRect(box);
        if (h > 11) {
            p.setPen(c.ink);
            p.drawText(QRectF(0, box.center().y() - 9, downX - 6, 18),
                       Qt::AlignRight | Qt::AlignVCenter, share.name);
            p.drawText(QRectF(downX + barWidth + 5, box.center().y() - 9, 70, 18),
                       Qt::AlignLeft | Qt::AlignVCenter,
                       bench_.text(Quantity::Mass, share.mass_kg, false));
        }
        y -= h;
    }
    p.setPen(QPen(c.water, 1.4));
    p.setBrush(c.waterFill);
    p.drawRect(QRectF(upX, bottom - up_kg * scale, barWidth, up_kg * scale));
    p.setPen(c.ink);
    p.drawText(QRectF(upX + barWidth + 4, bottom - 0.4 * up_kg * scale - 18, 86, 18),
               Qt::AlignLeft | Qt::AlignVCenter, tr("water"));
    p.drawText(QRectF(upX + barWidth + 4, bottom - 0.4 * up_kg * scale, 86, 18),
               Qt::AlignLeft | Qt::AlignVCenter, bench_.text(Quantity::Mass, up_kg));
    const double targetY = bottom - d.wantedMass_kg * scale;
    QPen target(c.signal, 1.6);
    target.setStyle(Qt::DashLine);
    p.setPen(target);
    p.drawLine(QPointF(downX - 8, targetY), QPointF(upX + barWidth + 8, targetY));
    p.setPen(c.signal);
    p.drawText(QRectF(upX + barWidth + 10, targetY - 9, 66, 18), Qt::AlignLeft | Qt::AlignVCenter,
               tr("wanted"));
    p.setPen(QPen(c.ink, 1.2));
    p.drawLine(QPointF(downX - 12, bottom), QPointF(upX + barWidth + 12, bottom));

    p.setFont(type(Type::Body, true));
    const QString verdict = d.rest->net_kg >= 0
                                ? tr("%1 spare ± %2")
                                      .arg(bench_.text(Quantity::Fraction, d.rest->spare),
                                           bench_.text(Quantity::Fraction, d.rest->spareDoubt))
                                : tr("%1 too heavy ± %2")
                                      .arg(bench_.text(Quantity::Mass, -d.rest->net_kg),
                                           bench_.text(Quantity::Mass, 2 * d.mass->netDoubt_kg));
    p.setPen(c.ink);
    p.drawText(QRectF(8, bottom + 4, width() - 16, 20), Qt::AlignCenter, verdict);
    p.setFont(type(Type::Small));
    p.setPen(c.quiet);
    p.drawText(QRectF(8, bottom + 24, width() - 16, 18), Qt::AlignCenter,
               tr("%1 all up, %2 wanted")
                   .arg(bench_.text(Quantity::Mass, d.mass->mass_kg),
                        bench_.text(Quantity::Mass, d.wantedMass_kg)));
}

}  // namespace wl
