// Marks in the cutaway where two things meet or a wall is thin: they blink until mended.
#include <QStyle>

#include "app/tank.h"
#include "app/theme.h"

namespace wl {
namespace {

constexpr int kBlink_ms = 500;
constexpr double kRing = 9.0;

}  // namespace

std::vector<QPointF> Tank::marks() const {
    std::vector<QPointF> out;
    if (shown_ && !showsApart()) {
        for (const Finding& f : shown_->findings) {
            if (f.place_m && f.severity != Severity::Note) {
                out.push_back(toPaper({(*f.place_m)[0], (*f.place_m)[1], (*f.place_m)[2]}));
            }
        }
    }
    return out;
}

// Called when results come: the clock runs only while there is something to mark, and stands when
// the desktop asks for less motion.
void Tank::watchMarks() {
    const bool any = !marks().empty();
    const bool moves = style()->styleHint(QStyle::SH_Widget_Animation_Duration) > 0;
    if (any && moves && !blink_.isActive()) {
        blink_.start(kBlink_ms);
    } else if (!any || !moves) {
        blink_.stop();
        markLit_ = true;
    }
}

void Tank::paintMarks(QPainter& p) const {
    const Inks& c = inks();
    for (const QPointF& at : marks()) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(c.signal, markLit_ ? 3.0 : 1.2));
        p.drawEllipse(at, kRing, kRing);
        p.drawLine(at - QPointF(kRing + 4, 0), at - QPointF(kRing - 3, 0));
        p.drawLine(at + QPointF(kRing - 3, 0), at + QPointF(kRing + 4, 0));
    }
}

}  // namespace wl
