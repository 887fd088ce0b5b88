#include "builds/calendar.h"

#include <libical/ical.h>

#include <QCryptographicHash>
#include <memory>

namespace wl {
namespace {

icaltimetype universal(double seconds) {
    return icaltime_from_timet_with_zone(time_t(seconds), 0, icaltimezone_get_utc_timezone());
}

}  // namespace

std::string calendarOf(const QString& name, const std::vector<CalendarEntry>& entries) {
    const std::unique_ptr<icalcomponent, void (*)(icalcomponent*)> calendar(
        icalcomponent_new(ICAL_VCALENDAR_COMPONENT), icalcomponent_free);
    icalcomponent_add_property(calendar.get(), icalproperty_new_version("2.0"));
    icalcomponent_add_property(calendar.get(),
                               icalproperty_new_prodid("-//Wade Line//bench plan//EN"));
    int number = 0;
    for (const CalendarEntry& entry : entries) {
        icalcomponent* event = icalcomponent_new(ICAL_VEVENT_COMPONENT);
        const QByteArray id =
            QCryptographicHash::hash((name + QLatin1Char('/') + QString::number(number++)).toUtf8(),
                                     QCryptographicHash::Sha1)
                .toHex();
        icalcomponent_add_property(event, icalproperty_new_uid((id + "@wadeline").constData()));
        // Made when it begins: the same plan gives the same bytes.
        icalcomponent_add_property(event, icalproperty_new_dtstamp(universal(entry.from_s)));
        icalcomponent_add_property(event, icalproperty_new_dtstart(universal(entry.from_s)));
        icalcomponent_add_property(event, icalproperty_new_dtend(universal(entry.to_s)));
        icalcomponent_add_property(
            event, icalproperty_new_summary(
                       QStringLiteral("%1: %2").arg(name, entry.words).toUtf8().constData()));
        icalcomponent_add_component(calendar.get(), event);
    }
    const std::unique_ptr<char, void (*)(void*)> text(
        icalcomponent_as_ical_string_r(calendar.get()), [](void* p) { free(p); });
    return text ? std::string(text.get()) : std::string();
}

}  // namespace wl
