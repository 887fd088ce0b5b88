// Fields of a design by path, for editing, range checks and proposed edits.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/finding.h"
#include "core/base/result.h"
#include "core/design/design.h"

namespace wl {

/// One numeric field: what it measures, its allowed range (SI, inclusive) and its value.
struct Field {
    std::string path;  ///< e.g. "/body/stations/3/half_width"
    Quantity quantity = Quantity::Number;
    double min = 0.0;
    double max = 0.0;
    bool mayBeEmpty = false;
    bool whole = false;  ///< a count
    std::optional<double> value;
};

/// Every numeric field in file order.
std::vector<Field> listFields(const Design& design);

/// The field at `path`, or nothing when the design has no such field.
std::optional<Field> findField(const Design& design, std::string_view path);

/// The design with one field changed. Errors: "field.unknown", "field.required",
/// "field.out_of_range" (values: given, min, max), "field.not_whole" (value: given), each with the
/// path.
Result<Design> withField(const Design& design, std::string_view path, std::optional<double> value);

/// The design with one text field changed. Errors: "field.unknown", "file.too_long" (value: bytes
/// taken), each with the path.
Result<Design> withText(const Design& design, std::string_view path, const std::string& text);

/// All changes of a proposed edit in one go; the first that cannot be made is the error.
Result<Design> withEdit(const Design& design, const ProposedEdit& edit);

}  // namespace wl
