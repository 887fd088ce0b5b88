#include "files/design_code.h"

#include <cstdint>
#include <string_view>

#include "files/design_file.h"

namespace wl {

std::string designCode(const Design& design) {
    constexpr std::uint64_t kBasis = 0xcbf29ce484222325U, kPrime = 0x100000001b3U;
    constexpr std::string_view kSigns = "0123456789ABCDEFGHJKMNPQRSTVWXYZ";
    constexpr int kLetters = 8, kBits = 5;
    std::uint64_t hash = kBasis;
    for (const char c : writeDesign(design)) {
        hash = (hash ^ static_cast<unsigned char>(c)) * kPrime;
    }
    // The low bits of this hash mix worst: those shown take the whole of it in.
    hash ^= hash >> 32;
    hash *= kPrime;
    hash ^= hash >> 29;
    std::string code;
    for (int i = 0; i < kLetters; ++i) {
        code += i == kLetters / 2 ? "-" : "";
        code += kSigns[hash & (kSigns.size() - 1)];
        hash >>= kBits;
    }
    return code;
}

}  // namespace wl
