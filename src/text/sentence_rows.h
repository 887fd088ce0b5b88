// The wording of every finding, error and edit, one row a code.
#pragma once

#include <span>
#include <string_view>

namespace wl {

struct SentenceRow {
    std::string_view code;
    std::string_view text;  ///< %1, %2.. stand for values, %w1, %w2.. for words
};

/// All rows, codes unique.
std::span<const SentenceRow> sentenceRows();

}  // namespace wl
