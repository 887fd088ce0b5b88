// Two things let into a bait that are meant to meet.
#pragma once

#include <string>

namespace wl {

/// PassesThrough: a wire, a stem or a pin goes through a hole, slot or pocket, or one hole opens
/// into another. StandsIn: an eye, a weight or a pin stands in a hole or is held by another.
/// SlottedOver: a lip is slotted or notched to sit over a wire or a stem.
enum class MeetingKind { PassesThrough, StandsIn, SlottedOver };

/// `first` passes through, stands in or is slotted over `second`; both by the name of their record
/// ("through-wire" and "lip" for those two).
struct Meeting {
    MeetingKind kind = MeetingKind::PassesThrough;
    std::string first = "through-wire";
    std::string second = "slot";
    bool operator==(const Meeting&) const = default;
};

}  // namespace wl
