#include "files/pdf_design.h"

#include "files/design_file.h"
#include "files/pdf_attachment.h"

namespace wl {

bool isPdf(std::string_view bytes) {
    return bytes.substr(0, 5) == "%PDF-";
}

Result<std::string> designInPdf(std::string_view pdf) {
    Attachment found = attachedFile(pdf, ".wade", kLargestFileBytes);
    if (found.state == Attachment::State::Found) {
        return std::move(found.bytes);
    }
    return Error{
        found.state == Attachment::State::None ? "pdf.no_design" : "pdf.damaged", "", {}, {}};
}

Result<std::string> designText(std::string bytes) {
    return isPdf(bytes) ? designInPdf(bytes) : Result<std::string>(std::move(bytes));
}

}  // namespace wl
