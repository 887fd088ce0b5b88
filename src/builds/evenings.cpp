#include "builds/evenings.h"

#include <QSettings>

namespace wl {
namespace {

QString keyOf(const char* what) {
    return QStringLiteral("bench_hours/") + QLatin1String(what);
}
QString dayKey(int day) {
    return QStringLiteral("bench_hours/day%1").arg(day);
}

}  // namespace

BenchHours readBenchHours() {
    const QSettings kept;
    BenchHours hours;
    for (int day = 0; day < 7; ++day) {
        hours.days[size_t(day)] = kept.value(dayKey(day), hours.days[size_t(day)]).toBool();
    }
    const QTime from =
        QTime::fromString(kept.value(keyOf("from")).toString(), QStringLiteral("HH:mm"));
    hours.from = from.isValid() ? from : hours.from;
    hours.long_s = std::clamp(kept.value(keyOf("long_s"), hours.long_s).toDouble(), 600.0, 43200.0);
    const auto places = [&kept](const char* what, int usual) {
        return std::clamp(kept.value(keyOf(what), usual).toInt(), 1, 200);
    };
    hours.clamps = places("clamps", hours.clamps);
    hours.moulds = places("moulds", hours.moulds);
    hours.rack = places("rack", hours.rack);
    hours.turner = places("turner", hours.turner);
    hours.printers = places("printers", hours.printers);
    return hours;
}

void keepBenchHours(const BenchHours& hours) {
    QSettings kept;
    for (int day = 0; day < 7; ++day) {
        kept.setValue(dayKey(day), hours.days[size_t(day)]);
    }
    kept.setValue(keyOf("from"), hours.from.toString(QStringLiteral("HH:mm")));
    kept.setValue(keyOf("long_s"), hours.long_s);
    kept.setValue(keyOf("clamps"), hours.clamps);
    kept.setValue(keyOf("moulds"), hours.moulds);
    kept.setValue(keyOf("rack"), hours.rack);
    kept.setValue(keyOf("turner"), hours.turner);
    kept.setValue(keyOf("printers"), hours.printers);
}

Workshop workshopOf(const BenchHours& hours, const QDateTime& from, int weeks) {
    Workshop shop;
    shop.clamps = hours.clamps;
    shop.moulds = hours.moulds;
    shop.rack = hours.rack;
    shop.turner = hours.turner;
    shop.printers = hours.printers;
    const double now = double(from.toSecsSinceEpoch());
    for (int day = -1; day < 7 * weeks; ++day) {
        const QDate date = from.date().addDays(day);
        if (!hours.days[size_t(date.dayOfWeek() - 1)]) {
            continue;
        }
        const double begins = double(QDateTime(date, hours.from).toSecsSinceEpoch());
        const Evening evening{std::max(now, begins), begins + hours.long_s};
        if (evening.to_s > evening.from_s) {
            shop.evenings.push_back(evening);
        }
    }
    return shop;
}

}  // namespace wl
