#include "io/pdf_design.h"

#include <qpdf/Pipeline.hh>
#include <qpdf/QPDF.hh>
#include <qpdf/QPDFEmbeddedFileDocumentHelper.hh>
#include <stdexcept>

#include "io/design_file.h"

namespace wl {
namespace {

// Takes what is unpacked, no more than a design may be.
class Taken : public Pipeline {
  public:
    Taken() : Pipeline("design", nullptr) {}
    void write(const unsigned char* data, size_t length) override {
        if (text.size() + length > kLargestFileBytes) {
            throw std::length_error("larger than a design may be");
        }
        text.append(reinterpret_cast<const char*>(data), length);
    }
    void finish() override {}
    std::string text;
};

}  // namespace

bool isPdf(std::string_view bytes) {
    return bytes.substr(0, 5) == "%PDF-";
}

Result<std::string> designInPdf(std::string_view pdf) {
    try {
        QPDF file;
        file.setSuppressWarnings(true);
        file.processMemoryFile("sheet", pdf.data(), pdf.size());
        for (const auto& [name, attached] :
             QPDFEmbeddedFileDocumentHelper(file).getEmbeddedFiles()) {
            if (!attached->getFilename().ends_with(".wade")) {
                continue;
            }
            Taken taken;
            const bool whole = attached->getEmbeddedFileStream().pipeStreamData(
                &taken, 0, qpdf_dl_generalized, true);
            return whole ? Result<std::string>(std::move(taken.text))
                         : Error{"pdf.damaged", "", {}, {}};
        }
        return Error{"pdf.no_design", "", {}, {}};
    } catch (const std::exception&) {  // how the library tells that a file is none
        return Error{"pdf.damaged", "", {}, {}};
    }
}

Result<std::string> designText(std::string bytes) {
    return isPdf(bytes) ? designInPdf(bytes) : Result<std::string>(std::move(bytes));
}

}  // namespace wl
