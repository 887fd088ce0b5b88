// How much the longest tests do.
#pragma once

namespace wl::test {

/// Under the sanitizers, which take eight times as long, a part of it.
#ifdef WL_SANITIZED
inline constexpr bool kThorough = false;
#else
inline constexpr bool kThorough = true;
#endif

/// So many of so many random baits, fields, designs.
constexpr int someOf(int all) {
    return kThorough ? all : (all + 3) / 4;
}

}  // namespace wl::test
