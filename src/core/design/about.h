// What there is to say of a field beside its name in the file. See describe.h.
#pragma once

#include <string_view>

namespace wl {

/// What becomes of a field when the bait is made in another size: it stays (bought parts, sheet,
/// coats), goes with the length, goes with it to the half millimetres of a drill, or is left out
/// because it belongs to the one bait that was weighed or tested.
enum class InSeries { Stays, Scales, Drilled, LeftOut };

/// The maker's words for a field, in English; the window says them in the maker's language (context
/// "wl"). `applies`: whether the field means anything beside the others it was described with.
struct About {
    const char* label = "";
    const char* tip = "";
    bool applies = true;
    InSeries inSeries = InSeries::Stays;

    constexpr About when(bool on) const { return {label, tip, on, inSeries}; }
    constexpr About explained(const char* text) const { return {label, text, applies, inSeries}; }
    constexpr About scales() const { return {label, tip, applies, InSeries::Scales}; }
    constexpr About drilled() const { return {label, tip, applies, InSeries::Drilled}; }
    constexpr About leftOut() const { return {label, tip, applies, InSeries::LeftOut}; }
};

/// The start of every description: the label of a field, or the name of a group or of one of a
/// list.
constexpr About told(const char* label) {
    return {label};
}

/// Marks an answer for the translators' extraction, as told() does a label.
constexpr const char* said(const char* words) {
    return words;
}

/// One of the answers a choice has: its name in files, and the maker's word for it.
struct Choice {
    std::string_view key;
    const char* words;
};

}  // namespace wl
