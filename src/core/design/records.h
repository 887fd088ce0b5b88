// Records of a design by the list they stand in, and what calls them by name.
#pragma once

#include <string>
#include <vector>

#include "core/base/meeting.h"
#include "core/base/record.h"
#include "core/design/design.h"

namespace wl {

/// How many of that kind there are; of what a bait has one of, 1 when it is there.
size_t recordCount(const Design& design, RecordList list);

/// The record's own name; empty for what has none (cavities, the lip).
std::string recordName(const Design& design, const RecordRef& record);

/// Whether the end of a meeting means that record: the same kind and, of several, the same name.
bool means(const Design& design, const MeetingEnd& end, const RecordRef& record);

/// The end of a meeting that means that record.
MeetingEnd endAt(const Design& design, const RecordRef& record);

/// Every record let into the bait that may be said to meet another, kind by kind.
std::vector<RecordRef> recordsThatMeet(const Design& design);

/// What is to be done when the text at `path` was `before` and is now `after`: hooks follow the new
/// name of their eye, the tie that of the eye it is carried by, meetings those of their ends. A
/// path that is nobody's name changes nothing.
void followName(Design& design, const std::string& path, const std::string& before,
                const std::string& after);

}  // namespace wl
