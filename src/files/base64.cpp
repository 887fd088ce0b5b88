#include "files/base64.h"

#include <algorithm>
#include <boost/archive/iterators/base64_from_binary.hpp>
#include <boost/archive/iterators/binary_from_base64.hpp>
#include <boost/archive/iterators/transform_width.hpp>

namespace wl {

std::string toBase64(std::string_view bytes) {
    using namespace boost::archive::iterators;
    using Encode = base64_from_binary<transform_width<std::string_view::const_iterator, 6, 8>>;
    std::string text(Encode(bytes.begin()), Encode(bytes.end()));
    text.append((3 - bytes.size() % 3) % 3, '=');
    return text;
}

std::optional<std::string> fromBase64(std::string_view text) {
    const auto isDigit = [](char c) {
        return (c >= 'A' && c <= 'Z') || (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9') ||
               c == '+' || c == '/';
    };
    size_t padding = 0;
    while (padding < 2 && !text.empty() && text.back() == '=') {
        text.remove_suffix(1);
        ++padding;
    }
    if ((text.size() + padding) % 4 != 0 || !std::all_of(text.begin(), text.end(), isDigit)) {
        return std::nullopt;
    }
    // Whole groups of four keep the decoder inside the text.
    std::string digits(text);
    digits.append(padding, 'A');
    using namespace boost::archive::iterators;
    using Decode = transform_width<binary_from_base64<std::string::const_iterator>, 8, 6>;
    std::string bytes(Decode(digits.cbegin()), Decode(digits.cend()));
    bytes.resize(bytes.size() - padding);
    return bytes;
}

}  // namespace wl
