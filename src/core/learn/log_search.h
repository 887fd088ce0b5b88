// Finding in a log.
#pragma once

#include <memory>

#include "core/learn/water_log.h"

namespace wl {

/// What is looked for; what is left open holds for all.
struct LogQuery {
    std::string words;  ///< all of them, anywhere: bait, place, colour, date, words, kind
    std::optional<double> deeperThan_m, shallowerThan_m;  ///< of notes of a depth reached
    std::optional<NoteKind> kind;
    std::string bait;
};

/// Notes with the words of their outing, in small letters, so that looking is quick. Made once for
/// a log.
class LogIndex {
  public:
    explicit LogIndex(const WaterLog& log);
    /// Places in log.notes, newest outing first, within it newest note first.
    std::vector<size_t> find(const LogQuery& query) const;

  private:
    const WaterLog* log_;
    std::vector<std::string> text_;  ///< of each note
    std::vector<size_t> order_;
};

/// Small letters of Latin, Greek and Cyrillic text in UTF-8; other bytes as they are.
std::string smallLetters(const std::string& text);

}  // namespace wl
