#include "core/learn/log_search.h"

#include <algorithm>
#include <numeric>

namespace wl {
namespace {

std::vector<std::string> wordsOf(const std::string& text) {
    std::vector<std::string> words;
    std::string word;
    for (const char c : text + ' ') {
        if (c != ' ' && c != '\t') {
            word += c;
        } else if (!word.empty()) {
            words.push_back(std::move(word));
            word.clear();
        }
    }
    return words;
}

}  // namespace

std::string smallLetters(const std::string& text) {
    std::string out;
    out.reserve(text.size());
    for (size_t i = 0; i < text.size(); ++i) {
        const auto c = static_cast<unsigned char>(text[i]);
        const auto next = i + 1 < text.size() ? static_cast<unsigned char>(text[i + 1]) : 0u;
        if (c >= 'A' && c <= 'Z') {
            out += char(c + 32);
        } else if ((c == 0xC3 && next >= 0x80 && next <= 0x9E && next != 0x97) ||
                   (c == 0xCE && next >= 0x91 && next <= 0x9F) ||
                   (c == 0xD0 && next >= 0x90 && next <= 0x9F)) {
            out += char(c);
            out += char(next + 32);
            ++i;
        } else if ((c == 0xCE && next >= 0xA0 && next <= 0xA9) ||
                   (c == 0xD0 && next >= 0xA0 && next <= 0xAF)) {
            out += char(c + 1);
            out += char(next - 32);
            ++i;
        } else {
            out += char(c);
        }
    }
    return out;
}

LogIndex::LogIndex(const WaterLog& log) : log_(&log), order_(log.notes.size()) {
    std::vector<std::pair<std::int64_t, std::string>> outings;
    for (const LogOuting& o : log.outings) {
        outings.emplace_back(
            o.id, smallLetters(" " + o.date + " " + o.place + " " + o.colour + " " + o.words));
    }
    std::sort(outings.begin(), outings.end());
    const auto outingOf = [&](std::int64_t id) -> const std::string* {
        const auto at = std::lower_bound(
            outings.begin(), outings.end(), id,
            [](const auto& entry, std::int64_t wanted) { return entry.first < wanted; });
        return at != outings.end() && at->first == id ? &at->second : nullptr;
    };
    std::vector<std::pair<std::int64_t, std::string>> dates;
    for (const LogOuting& o : log.outings) {
        dates.emplace_back(o.id, o.date);
    }
    std::sort(dates.begin(), dates.end());
    std::vector<std::string> when(log.notes.size());
    for (size_t i = 0; i < log.notes.size(); ++i) {
        const LogNote& n = log.notes[i];
        std::string text =
            smallLetters(n.bait + " " + n.words) + " " + std::string(kNoteKinds[size_t(n.kind)]);
        if (const std::string* outing = outingOf(n.outing)) {
            text += *outing;
            const auto at = std::lower_bound(
                dates.begin(), dates.end(), n.outing,
                [](const auto& entry, std::int64_t wanted) { return entry.first < wanted; });
            when[i] = at->second;
        }
        text_.push_back(std::move(text));
    }
    std::iota(order_.begin(), order_.end(), size_t(0));
    std::stable_sort(order_.begin(), order_.end(), [&](size_t a, size_t b) {
        if (when[a] != when[b]) {
            return when[a] > when[b];
        }
        const LogNote &x = log.notes[a], &y = log.notes[b];
        return x.at_s != y.at_s ? x.at_s > y.at_s : x.id > y.id;
    });
}

std::vector<size_t> LogIndex::find(const LogQuery& query) const {
    const std::vector<std::string> words = wordsOf(smallLetters(query.words));
    std::vector<size_t> found;
    for (const size_t i : order_) {
        const LogNote& n = log_->notes[i];
        if ((query.kind && n.kind != *query.kind) ||
            (!query.bait.empty() && n.bait != query.bait)) {
            continue;
        }
        if (query.deeperThan_m || query.shallowerThan_m) {
            const double low = n.low.value_or(n.high.value_or(0.0));
            const double high = n.high.value_or(low);
            if (n.kind != NoteKind::Depth || (query.deeperThan_m && high < *query.deeperThan_m) ||
                (query.shallowerThan_m && low > *query.shallowerThan_m)) {
                continue;
            }
        }
        if (std::all_of(words.begin(), words.end(), [&](const std::string& word) {
                return text_[i].find(word) != std::string::npos;
            })) {
            found.push_back(i);
        }
    }
    return found;
}

}  // namespace wl
