#include "support/pdf_with.h"

#include <qpdf/Buffer.hh>
#include <qpdf/QPDF.hh>
#include <qpdf/QPDFEmbeddedFileDocumentHelper.hh>
#include <qpdf/QPDFWriter.hh>

namespace wl::test {

std::string pdfWith(const std::string& name, const std::string& data) {
    QPDF pdf;
    pdf.emptyPDF();
    const QPDFEFStreamObjectHelper stream = QPDFEFStreamObjectHelper::createEFStream(pdf, data);
    QPDFEmbeddedFileDocumentHelper(pdf).replaceEmbeddedFile(
        name, QPDFFileSpecObjectHelper::createFileSpec(pdf, name, stream));
    QPDFWriter writer(pdf);
    writer.setOutputMemory();
    writer.write();
    const std::shared_ptr<Buffer> out = writer.getBufferSharedPointer();
    return {reinterpret_cast<const char*>(out->getBuffer()), out->getSize()};
}

}  // namespace wl::test
