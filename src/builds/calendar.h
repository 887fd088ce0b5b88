// A schedule for a calendar program.
#pragma once

#include <QString>
#include <string>
#include <vector>

namespace wl {

/// What stands in a calendar: words, begin and end in seconds since 1970.
struct CalendarEntry {
    QString words;
    double from_s = 0.0;
    double to_s = 0.0;
};

/// An iCalendar file (RFC 5545, written by libical) of events in universal time, the same entries
/// giving the same events, so that an import replaces the earlier one. `name`: of the bait.
std::string calendarOf(const QString& name, const std::vector<CalendarEntry>& entries);

}  // namespace wl
