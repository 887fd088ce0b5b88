#include "sheet/hole_table.h"

#include <cmath>

#include "core/base/units.h"
#include "core/making/holes.h"

namespace wl {
namespace {

// Where the words of this table stand for the translators.
struct HoleWords {
    Q_DECLARE_TR_FUNCTIONS(wl::HoleTable)
  public:
    static QString sideWord(HoleSide side) {
        switch (side) {
            case HoleSide::Belly:
                return tr("belly");
            case HoleSide::Back:
                return tr("back");
            case HoleSide::Port:
                return tr("port");
            case HoleSide::Starboard:
                return tr("starboard");
            case HoleSide::Nose:
                return tr("nose");
            case HoleSide::Tail:
                return tr("tail");
            case HoleSide::JointFace:
                return tr("joint face");
        }
        return {};
    }
    static QString turnWords(HoleTurn turn, bool flats) {
        switch (turn) {
            case HoleTurn::Upright:
                return flats ? tr("Right through, while the blank is square")
                             : tr("Right through, the bait held upright");
            case HoleTurn::BellyAndBack:
                return flats ? tr("From belly and back, before those flats are carved away")
                             : tr("From belly and back, the bait in a cradle");
            case HoleTurn::Flanks:
                return flats ? tr("From the flanks, before they are rounded: both eyes on one hole")
                             : tr("From the flanks, both eyes measured from the nose");
            case HoleTurn::Ends:
                return tr("From the ends, along the centre line");
            case HoleTurn::Slots:
                return flats ? tr("Slots sawn while the flanks are flat and square to the saw")
                             : tr("Slots, the bait held square to the saw");
            case HoleTurn::JointFaces:
                return tr("In the joint faces, once they are sawn and bevelled");
        }
        return {};
    }
    static QString title(const SheetPaper& s, bool flats) {
        const QString unit = QString::fromStdString(unitLabel(Quantity::Length, s.bench()));
        return flats ? tr("Drill table, in this order; %1 from nose, centre and reference line, "
                          "port +; depth from the finished skin, stop from the blank's face")
                           .arg(unit)
                     : tr("Drill table, in this order; %1 from nose, centre and reference line, "
                          "port +; depth and stop from the skin")
                           .arg(unit);
    }
    // From square to the face it goes in at, and which way its bottom lies.
    static QString lean(const SheetPaper& s, const BenchHole& h) {
        const bool upright = h.side == HoleSide::Belly || h.side == HoleSide::Back;
        if (!upright && h.side != HoleSide::Nose && h.side != HoleSide::Tail) {
            return QStringLiteral("–");
        }
        const double angle = upright ? std::atan2(h.inward.x(), std::abs(h.inward.z()))
                                     : std::atan2(h.inward.z(), std::abs(h.inward.x()));
        QString size = s.q(Quantity::Angle, std::abs(angle));
        if (size == s.q(Quantity::Angle, 0.0)) {
            return size;
        }
        return upright ? (angle > 0 ? tr("%1 aft") : tr("%1 fore")).arg(size)
                       : (angle > 0 ? tr("%1 up") : tr("%1 down")).arg(size);
    }
    static QStringList head() {
        return {tr("no. hole"), tr("from"), tr("aft"),  tr("port"), tr("up"),
                tr("size"),     tr("bit"),  tr("deep"), tr("stop"), tr("leans")};
    }
};

}  // namespace

double holeTable(SheetPaper& s, const QPointF& at, const Design& design, const Derived& derived) {
    const bool flats = hasFlats(design);
    std::vector<QStringList> rows;
    std::optional<HoleTurn> turn;
    int number = 0;
    for (const BenchHole& h : holesInOrder(design, derived)) {
        if (turn != h.turn) {
            turn = h.turn;
            rows.push_back({QStringLiteral("– ") + HoleWords::turnWords(h.turn, flats)});
        }
        const QString letter = QString::fromStdString(h.letter);
        const QString name = QString::fromStdString(h.name);
        rows.push_back(
            {QStringLiteral("%1  %2").arg(++number).arg(letter.isEmpty() ? name
                                                                         : letter + "  " + name),
             HoleWords::sideWord(h.side), s.length(h.mouth_m.x(), false),
             s.length(h.mouth_m.y(), false), s.length(h.mouth_m.z(), false),
             h.round ? QStringLiteral("⌀ ") + s.length(h.diameter_m, false)
                     : QStringLiteral("%1 × %2").arg(s.length(h.diameter_m, false),
                                                     s.length(h.width_m, false)),
             h.round ? s.bit(h.diameter_m) : QStringLiteral("–"), s.length(h.depth_m, false),
             s.length(h.stop_m, false), HoleWords::lean(s, h)});
    }
    return s.table(at, HoleWords::title(s, flats), HoleWords::head(), rows,
                   {54, 22, 16, 16, 16, 26, 40, 16, 16, 20});
}

}  // namespace wl
