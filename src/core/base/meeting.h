// Two things let into a bait that are meant to meet.
#pragma once

#include <string>

#include "core/base/record.h"

namespace wl {

/// PassesThrough: a wire, a stem or a pin goes through a hole, slot or pocket, or one hole opens
/// into another. StandsIn: an eye, a weight or a pin stands in a hole or is held by another.
/// SlottedOver: a lip is slotted or notched to sit over a wire or a stem.
enum class MeetingKind { PassesThrough, StandsIn, SlottedOver };

/// One thing let into a bait: of which kind, and by its own name where there are several.
struct MeetingEnd {
    RecordList of = RecordList::Features;
    std::string name = {};
    bool operator==(const MeetingEnd&) const = default;
};

/// `first` passes through, stands in or is slotted over `second`.
struct Meeting {
    MeetingKind kind = MeetingKind::PassesThrough;
    MeetingEnd first = {RecordList::Wire, {}};
    MeetingEnd second = {RecordList::Features, "slot"};
    bool operator==(const Meeting&) const = default;
};

}  // namespace wl
