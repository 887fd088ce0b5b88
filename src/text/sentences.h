// Sentences for finding, error and edit codes. English here is the source text; the window shows it
// through translation (context "Sentence"), the command line as it stands.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/quantity.h"

namespace wl {

/// English template for a code: %1, %2.. stand for values, %w1, %w2.. for words. An unknown code
/// gives the code itself, so that nothing is ever silent.
std::string_view englishFor(std::string_view code);

/// Every known code, for tests and translation.
std::vector<std::string_view> sentenceCodes();

/// The template with values shown for the bench and words put in.
std::string fillSentence(std::string_view text, const std::vector<Amount>& values,
                         const std::vector<std::string>& words, Bench bench);

}  // namespace wl
