// How much the longest tests do.
#pragma once

namespace wl::test {

/// False under the sanitizers, which take eight times as long: there a part of it.
extern const bool kThorough;

/// So many of so many random baits, fields, designs.
inline int someOf(int all) {
    return kThorough ? all : (all + 3) / 4;
}

}  // namespace wl::test
