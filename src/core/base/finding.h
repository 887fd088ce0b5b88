// What the program noticed about a design: a rule, a place, the numbers and edits that would cure
// it.
#pragma once

#include <array>
#include <optional>
#include <string>
#include <vector>

#include "core/base/meeting.h"
#include "core/base/quantity.h"

namespace wl {

/// Error: the result that depends on it is not given. Warning: it travels with the result.
/// Note: it explains.
enum class Severity { Error, Warning, Note };

/// What a finding is about, where more than its words hang on it. Lead: mass or attitude at rest,
/// which a plan of the lead may cure. Walls: what is left of the stock beside a thing let in.
enum class Topic { Other, Lead, Wall, PinWall, PocketWall };

/// New value of one field; `value` is SI, absent clears an optional field. With `text` the field is
/// one of words (what a plug or a lip is made of) and `value` is not looked at.
struct FieldChange {
    std::string path;
    std::optional<double> value;
    std::optional<std::string> text = {};
    bool operator==(const FieldChange&) const = default;
};

/// A cure offered beside a finding: one step of undo made of field changes, or of a meeting that is
/// meant. `code` picks the label,
/// filled with `values` and `words`.
struct ProposedEdit {
    std::string code;
    std::vector<FieldChange> changes = {};
    std::vector<Amount> values = {};
    std::vector<std::string> words = {};
    std::vector<Meeting> meetings = {};  ///< added to those that are meant
    bool operator==(const ProposedEdit&) const = default;
};

/// One finding. The sentence for `code` lives in text/sentences.h and takes `words` as %w1, %w2
/// and `values` as %1, %2 in order.
struct Finding {
    std::string code;
    Severity severity = Severity::Note;
    std::string path;
    std::vector<Amount> values = {};
    std::vector<std::string> words = {};
    std::vector<ProposedEdit> edits = {};
    std::optional<std::array<double, 3>> place_m = {};  ///< on the bait, body frame
    Topic topic = Topic::Other;
    bool operator==(const Finding&) const = default;
};

}  // namespace wl
