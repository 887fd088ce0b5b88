#include "app/pages/build/batch_strip.h"

#include <QDateTime>
#include <QLocale>
#include <QPainter>

#include "app/kit/theme.h"

namespace wl {
namespace {

constexpr int kRow = 22, kHead = 24, kLeft = 34, kLeftMould = 48;
constexpr double kDay_s = 86400.0;

}  // namespace

BatchStrip::BatchStrip(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("batchStrip"));
    setAccessibleName(tr("The batch over the days"));
}

void BatchStrip::setSchedule(const Schedule& schedule, size_t baits, bool mould, double now_s) {
    schedule_ = schedule;
    baits_ = baits;
    mould_ = mould;
    now_s_ = now_s;
    setFixedHeight(sizeHint().height());
    setAccessibleDescription(tr("%n step(s)", nullptr, int(schedule.tasks.size())));
    update();
}

QSize BatchStrip::sizeHint() const {
    return {400, kHead + int(baits_ + (mould_ ? 1 : 0)) * kRow + 8};
}

void BatchStrip::paintEvent(QPaintEvent*) {
    if (schedule_.tasks.empty()) {
        return;
    }
    QPainter p(this);
    const QDate first = QDateTime::fromSecsSinceEpoch(qint64(now_s_)).date();
    const double from = double(first.startOfDay().toSecsSinceEpoch());
    const double to = std::max(schedule_.done_s, from + kDay_s) + 0.1 * kDay_s;
    const int left = mould_ ? kLeftMould : kLeft;
    const auto at = [&](double seconds) {
        return left + (width() - left - 4) * (seconds - from) / (to - from);
    };
    const auto rowOf = [&](size_t bait) {
        return kHead + kRow * double(!mould_ ? bait : bait == baits_ ? 0 : bait + 1);
    };
    p.setFont(type(Type::Small));
    const double dayWide = at(from + kDay_s) - at(from);
    const QFontMetrics metrics(p.font());
    const int every = std::max(1, int(std::ceil(metrics.horizontalAdvance("30 Wed ") / dayWide)));
    for (int day = 0;; ++day) {
        const QDate date = first.addDays(day);
        const double x = at(double(date.startOfDay().toSecsSinceEpoch()));
        if (x > width()) {
            break;
        }
        p.setPen(inks().rule);
        p.drawLine(QPointF(x, kHead - 4), QPointF(x, height()));
        const QString name = QLocale().toString(date, QStringLiteral("ddd d"));
        if (day % every == 0 && x + 2 + metrics.horizontalAdvance(name) < width()) {
            p.setPen(inks().quiet);
            p.drawText(QPointF(x + 2, kHead - 8), name);
        }
    }
    p.setPen(inks().quiet);
    for (size_t b = 0; b < baits_ + (mould_ ? 1 : 0); ++b) {
        p.drawText(QRectF(0, rowOf(b), left - 6, kRow), Qt::AlignRight | Qt::AlignVCenter,
                   b == baits_ ? tr("mould") : QString::number(b + 1));
    }
    for (const PlacedTask& t : schedule_.tasks) {
        const double y = rowOf(t.bait);
        p.setPen(Qt::NoPen);
        if (t.ready_s > t.to_s) {
            p.setBrush(QBrush(inks().quiet, Qt::BDiagPattern));
            p.drawRect(QRectF(at(t.to_s), y + 7, at(t.ready_s) - at(t.to_s), kRow - 14));
        }
        p.setBrush(inks().water);
        p.drawRect(QRectF(at(t.from_s), y + 3, std::max(2.0, at(t.to_s) - at(t.from_s)), kRow - 6));
    }
    p.setPen(QPen(inks().signal, 2));
    p.drawLine(QPointF(at(now_s_), kHead - 2), QPointF(at(now_s_), height()));
}

}  // namespace wl

#include "moc_batch_strip.cpp"
