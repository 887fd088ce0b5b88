#include "app/views/weigh_beam.h"

#include <QPainter>
#include <cmath>

#include "app/kit/fit_text.h"
#include "core/base/units.h"

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
    setAttribute(Qt::WA_OpaquePaintEvent);
    setAccessibleName(tr("Weigh-beam: mass against displaced water"));
    connect(&bait_.evaluator, &Evaluator::resultsChanged, this, [this] {
        if (const ResultsPtr r = bait_.results(); r && r->derived) {
            setAccessibleDescription(
                tr("%1 against %2 of water")
                    .arg(bench_.text(Quantity::Mass, r->derived->mass->mass_kg),
                         bench_.text(Quantity::Mass, r->derived->waterDensity_kg_m3 *
                                                         r->derived->mass->displacedVolume_m3)));
        }
        const ResultsPtr results = bait_.results();
        const std::shared_ptr<const Derived> now = results ? results->derived : nullptr;
        if (now == nullptr || now != painted_ || !bait_.document.isHeld()) {
            painted_ = now;
            setToolTip(sharesInWords());
            update();
        }
    });
    connect(&bench_, &Workbench::benchChanged, this, qOverload<>(&WeighBeam::update));
}

QString WeighBeam::verdict(const Derived& d) const {
    return d.rest->net_kg >= 0 ? tr("%1 spare ± %2")
                                     .arg(bench_.text(Quantity::Fraction, d.rest->spare),
                                          bench_.text(Quantity::Fraction, d.rest->spareDoubt))
                               : tr("%1 too heavy ± %2")
                                     .arg(bench_.text(Quantity::Mass, -d.rest->net_kg),
                                          bench_.text(Quantity::Mass, 2 * d.mass->netDoubt_kg));
}

// Grams or ounces under the bars, numbers wide enough apart to be read.
void WeighBeam::paintScale(QPainter& p, double left, double right, double y, double most_kg) const {
    const Inks& c = inks();
    const double unit = bench_.bench().isMetric() ? kGram : kOunce;
    const double perUnit = (right - left) / (most_kg / unit);
    double step = 1e-3;
    for (int k = 0; step * perUnit < 45; ++k) {
        step *= k % 3 == 1 ? 2.5 : 2.0;
    }
    p.setFont(type(Type::Small));
    p.setPen(QPen(c.quiet, 1));
    p.drawLine(QPointF(left, y), QPointF(right, y));
    const int digits = std::max(0, int(std::ceil(-std::log10(step) - 1e-9)));
    const QString unitText = QString::fromStdString(unitLabel(Quantity::Mass, bench_.bench()));
    const double unitWide = p.fontMetrics().horizontalAdvance(unitText) + 8;
    for (int i = 0; left + i * step * perUnit <= right - unitWide - 14; ++i) {
        const double x = left + i * step * perUnit;
        p.drawLine(QPointF(x, y), QPointF(x, y + 4));
        p.drawText(QRectF(x - 22, y + 4, 44, 15), Qt::AlignCenter,
                   QString::number(i * step, 'f', digits)
                       .replace(QLatin1Char('.'), QLatin1Char(bench_.bench().decimalMark())));
    }
    p.drawText(QRectF(right - unitWide, y + 4, unitWide, 15), Qt::AlignRight | Qt::AlignVCenter,
               unitText);
}

void WeighBeam::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Inks& c = inks();
    p.fillRect(rect(), c.ground);
    const ResultsPtr results = bait_.results();
    p.setPen(c.ink);
    if (!results || !results->derived) {
        drawFitted(p, rect().adjusted(12, 4, -12, -4), Qt::AlignCenter,
                   tr("Nothing to weigh until the body can be reckoned."), {type(Type::Body)});
        return;
    }
    const Derived& d = *results->derived;
    const double up_kg = d.waterDensity_kg_m3 * d.mass->displacedVolume_m3;
    const double most = 1.04 * std::max({up_kg, d.mass->mass_kg, d.wantedMass_kg});
    const double left = 56, right = width() - 12, scale = (right - left) / most;
    // The verdict at the right, how it came about beside it.
    p.setFont(type(Type::Figure, true));
    const QString words = verdict(d);
    const double wide = p.fontMetrics().horizontalAdvance(words) + 8;
    p.drawText(QRectF(right - wide, 2, wide, 26), Qt::AlignRight | Qt::AlignVCenter, words);
    p.setPen(c.quiet);
    const QString mass = bench_.text(Quantity::Mass, d.mass->mass_kg);
    QString allUp =
        tr("%1 all up, %2 wanted").arg(mass, bench_.text(Quantity::Mass, d.wantedMass_kg));
    if (const ResultsPtr before = bait_.before()) {
        const QString was =
            Workbench::was(bench_.text(Quantity::Mass, before->derived->mass->mass_kg), mass);
        const QString sat = Workbench::was(verdict(*before->derived), words);
        if (!was.isEmpty()) {
            allUp = tr("%1 (%2), %3 wanted")
                        .arg(mass, was, bench_.text(Quantity::Mass, d.wantedMass_kg));
        } else if (!sat.isEmpty()) {
            allUp += QStringLiteral("; ") + sat;
        }
    }
    drawFitted(p, QRectF(10, 2, right - wide - 22, 26), Qt::AlignLeft | Qt::AlignVCenter, allUp,
               {type(Type::Body), type(Type::Small)});
    const double top = 31, high = 17, second = top + high + 3;
    p.setFont(type(Type::Small));
    p.drawText(QRectF(4, top, left - 10, high), Qt::AlignRight | Qt::AlignVCenter, tr("down"));
    p.drawText(QRectF(4, second, left - 10, high), Qt::AlignRight | Qt::AlignVCenter, tr("up"));
    double x = left;
    for (const Share& share : sharesDown(d, c)) {
        if (share.mass_kg <= 0) {
            continue;
        }
        const QRectF box(x, top, share.mass_kg * scale, high);
        p.setPen(QPen(c.ink, 1));
        p.setBrush(share.colour);
        p.drawRect(box);
        // Its name and mass, or only one of them, where they have room.
        const QString heavy = bench_.text(Quantity::Mass, share.mass_kg, false);
        for (const QString& label : {tr("%1 %2").arg(share.name, heavy), share.name, heavy}) {
            if (p.fontMetrics().horizontalAdvance(label) + 6 <= box.width()) {
                p.setPen(share.colour.lightnessF() > 0.5 ? QColor("#23282B") : QColor("#F4F1EA"));
                p.drawText(box, Qt::AlignCenter, label);
                break;
            }
        }
        x = box.right();
    }
    const QRectF up(left, second, up_kg * scale, high);
    p.setPen(QPen(c.water, 1.4));
    p.setBrush(c.waterFill);
    p.drawRect(up);
    const double wantedX = left + d.wantedMass_kg * scale;
    p.setPen(c.ink);
    p.drawText(up.adjusted(6, 0, -4, 0), Qt::AlignLeft | Qt::AlignVCenter,
               tr("water %1").arg(bench_.text(Quantity::Mass, up_kg)));
    const QString wanted = tr("wanted");
    const double wantedWide = p.fontMetrics().horizontalAdvance(wanted) + 8;
    p.setPen(c.signal);
    p.drawText(QRectF(wantedX - wantedWide, second, wantedWide - 4, high),
               Qt::AlignRight | Qt::AlignVCenter, wanted);
    p.setPen(QPen(c.signal, 1.6, Qt::DashLine));
    p.drawLine(QPointF(wantedX, top - 3), QPointF(wantedX, second + high + 3));
    paintScale(p, left, right, second + high + 4, most);
}

QString WeighBeam::sharesInWords() const {
    QStringList lines;
    if (const ResultsPtr r = bait_.results(); r && r->derived) {
        for (const Share& share : sharesDown(*r->derived, inks())) {
            if (share.mass_kg > 0) {
                lines << tr("%1 %2").arg(share.name, bench_.text(Quantity::Mass, share.mass_kg));
            }
        }
    }
    return lines.join(QLatin1Char('\n'));
}

}  // namespace wl

#include "moc_weigh_beam.cpp"
