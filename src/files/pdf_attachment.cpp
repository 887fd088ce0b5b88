#include "files/pdf_attachment.h"

#include <qpdf/Pipeline.hh>
#include <qpdf/QPDF.hh>
#include <qpdf/QPDFEmbeddedFileDocumentHelper.hh>
#include <stdexcept>

namespace wl {
namespace {

// Takes what is unpacked, so much and no more.
class Taken : public Pipeline {
  public:
    explicit Taken(std::size_t most) : Pipeline("attachment", nullptr), most_(most) {}
    void write(const unsigned char* data, std::size_t length) override {
        if (length > most_ - bytes.size()) {
            throw std::length_error("larger than asked for");
        }
        bytes.append(reinterpret_cast<const char*>(data), length);
    }
    void finish() override {}
    std::string bytes;

  private:
    std::size_t most_;
};

bool endsSo(const std::string& name, std::string_view ending) {
    return name.size() >= ending.size() &&
           std::string_view(name).substr(name.size() - ending.size()) == ending;
}

}  // namespace

Attachment attachedFile(std::string_view pdf, std::string_view ending, std::size_t most) {
    Attachment found;
    try {
        QPDF file;
        file.setSuppressWarnings(true);
        file.processMemoryFile("sheet", pdf.data(), pdf.size());
        for (const auto& [name, attached] :
             QPDFEmbeddedFileDocumentHelper(file).getEmbeddedFiles()) {
            if (endsSo(attached->getFilename(), ending)) {
                Taken taken(most);
                const bool whole = attached->getEmbeddedFileStream().pipeStreamData(
                    &taken, 0, qpdf_dl_generalized, true);
                found.state = whole ? Attachment::State::Found : Attachment::State::Damaged;
                found.bytes = std::move(taken.bytes);
                return found;
            }
        }
    } catch (const std::exception&) {  // how the library tells that a file is none
        found.state = Attachment::State::Damaged;
    }
    return found;
}

}  // namespace wl
