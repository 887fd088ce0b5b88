// A PDF made for tests. In C++17, as src/io/pdf_attachment.h is.
#pragma once

#include <string>

namespace wl::test {

/// A PDF that carries one file of that name, written by QPDF.
std::string pdfWith(const std::string& name, const std::string& data);

}  // namespace wl::test
