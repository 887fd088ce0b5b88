// A file attached to a PDF. Read in C++17: the headers of the library that reads PDFs do not
// compile in C++20 everywhere, so nothing of this program's own stands in here.
#pragma once

#include <cstddef>
#include <string>
#include <string_view>

namespace wl {

struct Attachment {
    enum class State { Found, None, Damaged };
    State state = State::None;
    std::string bytes;
};

/// The first embedded file whose name ends so (QPDF). Damaged: no PDF, beyond repair, or it unpacks
/// to more than `most` bytes.
Attachment attachedFile(std::string_view pdf, std::string_view ending, std::size_t most);

}  // namespace wl
