// Fields of a design by path, for editing, range checks, proposed edits and comparing.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/finding.h"
#include "core/base/result.h"
#include "core/design/about.h"
#include "core/design/design.h"

namespace wl {

enum class FieldKind { Number, Count, Flag, Choice, Text };

/// One field: where it is, what it measures, what it may hold (SI, inclusive) and what it holds.
struct Field {
    std::string path;  ///< e.g. "/body/stations/3/half_width"
    FieldKind kind = FieldKind::Number;
    Quantity quantity = Quantity::Number;
    double min = 0.0;
    double max = 0.0;  ///< of a flag 1, of a choice its last answer, of a text the bytes it takes
    bool mayBeEmpty = false;
    std::optional<double>
        value;         ///< of a flag 0 or 1, of a choice its answer from 0, of a text none
    std::string text;  ///< of a text
    std::vector<const char*> answers;  ///< of a choice, in the maker's words
    About about;                       ///< `applies` also says that its group applies
    const char* group = "";            ///< what the field is of: "Lip", "Fitting"
    std::string item;                  ///< the name of that one of a list, if such have names
    int row = -1;                      ///< its place in the list from 0; -1: not of a list
};

/// Every field in file order but outlines' corners drawn from pictures and imported solids.
std::vector<Field> listFields(const Design& design);

/// The field at `path`, or nothing when the design has no such field.
std::optional<Field> findField(const Design& design, std::string_view path);

/// Fields one of the list at `listPath` has ("/fittings"; "/bores/0/pieces"), as they are in a new
/// one, their paths as of the first of the list. Empty when the design has no such list.
std::vector<Field> itemFields(const Design& design, std::string_view listPath);

/// How many stand in the list at `listPath`; 0 when the design has no such list.
size_t listSize(const Design& design, std::string_view listPath);

/// The design without one of a list. Errors: "field.unknown" when there is none such, with the
/// path.
Result<Design> withoutItem(const Design& design, std::string_view listPath, size_t row);

/// The design with that item of a list once more behind it, `aft_m` further from the nose where it
/// has a place ("x"), under a name of its own. Error: "field.unknown".
Result<Design> withItemCopied(const Design& design, std::string_view listPath, size_t row,
                              double aft_m);

/// The design with that item of a list once more on the other side of the bait: its place to port
/// ("y") turned over, or let in from the other flank. Errors: "field.unknown";
/// "edit.no_other_side", "edit.both_sides_already" for one that has no other side, with its path.
Result<Design> withItemMirrored(const Design& design, std::string_view listPath, size_t row);

/// The design with one field changed, other than a text. Errors: "field.unknown", "field.required",
/// "field.out_of_range" (values: given, min, max), "field.not_whole" (value: given), each with the
/// path.
Result<Design> withField(const Design& design, std::string_view path, std::optional<double> value);

/// The design with one text field changed; what calls a record by its name follows. Errors:
/// "field.unknown", "file.too_long" (value: bytes taken), each with the path.
Result<Design> withText(const Design& design, std::string_view path, const std::string& text);

/// All changes of a proposed edit in one go; the first that cannot be made is the error.
Result<Design> withEdit(const Design& design, const ProposedEdit& edit);

/// A field two designs differ in; one of the two is missing when a list is longer in the other.
struct FieldDifference {
    std::optional<Field> before, after;
};

/// Every field that is not the same in both, in file order: those of `before` first, then those
/// only `after` has.
std::vector<FieldDifference> compareFields(const Design& before, const Design& after);

}  // namespace wl
