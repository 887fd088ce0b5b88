#include "io/pdf_design.h"

#include <zlib.h>

#include <array>
#include <charconv>
#include <optional>

#include "io/design_file.h"

namespace wl {
namespace {

constexpr std::string_view kSpace = " \t\r\n\f";

// The whole number that stands there, its end told.
std::optional<long> numberAt(std::string_view text, size_t from) {
    from = text.find_first_not_of(kSpace, from);
    long number = 0;
    if (from == std::string_view::npos ||
        std::from_chars(text.data() + from, text.data() + text.size(), number).ec != std::errc() ||
        number < 0) {
        return std::nullopt;
    }
    return number;
}

// The object of that number, from its dictionary to its end.
std::optional<std::string_view> objectOf(std::string_view pdf, long number) {
    const std::string head = std::to_string(number) + " 0 obj";
    for (size_t at = pdf.find(head); at != std::string_view::npos; at = pdf.find(head, at + 1)) {
        if (at == 0 || kSpace.find(pdf[at - 1]) != std::string_view::npos) {
            const size_t from = at + head.size();
            const size_t to = pdf.find("endobj", from);
            return to == std::string_view::npos ? std::nullopt
                                                : std::optional(pdf.substr(from, to - from));
        }
    }
    return std::nullopt;
}

std::optional<std::string> inflated(std::string_view packed) {
    constexpr size_t kChunk = 1u << 16;
    z_stream stream{};
    if (inflateInit(&stream) != Z_OK) {
        return std::nullopt;
    }
    std::string out;
    std::array<unsigned char, kChunk> chunk;
    // The library reads what it is given and does not write there.
    stream.next_in = reinterpret_cast<Bytef*>(const_cast<char*>(packed.data()));
    stream.avail_in = uInt(packed.size());
    int state = Z_OK;
    while (state == Z_OK && out.size() <= kLargestFileBytes) {
        stream.next_out = chunk.data();
        stream.avail_out = kChunk;
        state = inflate(&stream, Z_NO_FLUSH);
        out.append(reinterpret_cast<const char*>(chunk.data()), kChunk - stream.avail_out);
    }
    inflateEnd(&stream);
    return state == Z_STREAM_END && out.size() <= kLargestFileBytes ? std::optional(std::move(out))
                                                                    : std::nullopt;
}

}  // namespace

bool isPdf(std::string_view bytes) {
    return bytes.substr(0, 5) == "%PDF-";
}

Result<std::string> designInPdf(std::string_view pdf) {
    const Error damaged{"pdf.damaged", "", {}, {}};
    constexpr std::string_view kFile = "/EF", kOf = "/F ", kEnds = ".wade)";
    for (size_t at = pdf.find(kFile); at != std::string_view::npos; at = pdf.find(kFile, at + 1)) {
        const size_t begins = pdf.rfind("<<", at), ends = pdf.find("endobj", at);
        if (begins == std::string_view::npos || ends == std::string_view::npos ||
            pdf.substr(begins, ends - begins).find(kEnds) == std::string_view::npos) {
            continue;
        }
        const size_t file = pdf.find(kOf, at);
        const auto number = file < ends ? numberAt(pdf, file + kOf.size()) : std::nullopt;
        const auto object = number ? objectOf(pdf, *number) : std::nullopt;
        if (!object) {
            return damaged;
        }
        constexpr std::string_view kStream = "stream", kEnd = "endstream";
        size_t from = object->find(kStream);
        const size_t to = object->rfind(kEnd);
        if (from == std::string_view::npos || to == std::string_view::npos || to <= from) {
            return damaged;
        }
        const bool packed = object->substr(0, from).find("/FlateDecode") != std::string_view::npos;
        from += kStream.size();
        from += object->substr(from, 1) == "\r" ? 1 : 0;
        from += object->substr(from, 1) == "\n" ? 1 : 0;
        if (from > to) {
            return damaged;
        }
        const std::string_view data = object->substr(from, to - from);
        if (!packed) {
            return std::string(data);
        }
        std::optional<std::string> text = inflated(data);
        return text ? Result<std::string>(std::move(*text)) : damaged;
    }
    return Error{"pdf.no_design", "", {}, {}};
}

Result<std::string> designText(std::string bytes) {
    return isPdf(bytes) ? designInPdf(bytes) : Result<std::string>(std::move(bytes));
}

}  // namespace wl
