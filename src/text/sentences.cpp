#include "text/sentences.h"

#include "text/sentence_rows.h"

namespace wl {

std::string_view englishFor(std::string_view code) {
    for (const SentenceRow& row : sentenceRows()) {
        if (row.code == code) {
            return row.text;
        }
    }
    return code;
}

std::vector<std::string_view> sentenceCodes() {
    std::vector<std::string_view> codes;
    for (const SentenceRow& row : sentenceRows()) {
        codes.push_back(row.code);
    }
    return codes;
}

std::string fillSentence(std::string_view text, const std::vector<Amount>& values,
                         const std::vector<std::string>& words, Bench bench) {
    std::string out;
    for (size_t i = 0; i < text.size(); ++i) {
        const bool word = text[i] == '%' && i + 2 < text.size() && text[i + 1] == 'w';
        const size_t digitAt = i + (word ? 2 : 1);
        if (text[i] == '%' && digitAt < text.size() && text[digitAt] >= '1' &&
            text[digitAt] <= '9') {
            const size_t index = static_cast<size_t>(text[digitAt] - '1');
            if (word && index < words.size()) {
                out +=
                    words[index].empty() ? std::string(englishFor("word.unnamed")) : words[index];
            } else if (!word && index < values.size()) {
                const Amount& a = values[index];
                out += a.quantity == Quantity::Number ? editText(a.quantity, bench, a.value)
                                                      : formatQuantity(a.quantity, bench, a.value);
            } else {
                out += "–";
            }
            i = digitAt;
        } else {
            out += text[i];
        }
    }
    return out;
}

}  // namespace wl
