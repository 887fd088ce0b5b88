// The design a printed sheet carries inside its file.
#pragma once

#include <string>
#include <string_view>

#include "core/base/result.h"

namespace wl {

/// The name a design goes by inside a sheet.
inline constexpr const char* kAttachedDesign = "design.wade";

bool isPdf(std::string_view bytes);

/// The text of the design attached to a PDF: the first embedded file whose name ends in .wade, read
/// by QPDF. Errors: "pdf.no_design" (nothing of the kind in it), "pdf.damaged" (no PDF, beyond
/// repair, or unpacks to more than a design may be).
Result<std::string> designInPdf(std::string_view pdf);

/// The text of a design file: what is attached when it is a PDF, else as it stands.
Result<std::string> designText(std::string bytes);

}  // namespace wl
