// What was built, where it was fished and what was seen: plain values, as a log keeps them.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "core/base/quantity.h"
#include "core/learn/factor_fit.h"

namespace wl {

/// What a note tells. The first ones are measured, the last are told in words.
enum class NoteKind {
    Depth,
    Beats,
    Swing,
    BlowOut,
    Sink,
    Cast,
    Mass,
    Nose,
    Showing,
    Lean,
    RunsAside,
    Catch,
    Follow,
    Miss,
    Snag,
    Lost,
    Tuned,
    Symptom,
    Remark
};
inline constexpr std::array<std::string_view, 19> kNoteKinds{
    "depth", "beats",   "swing", "blow_out",   "sink",  "cast",   "mass",
    "nose",  "showing", "lean",  "runs_aside", "catch", "follow", "miss",
    "snag",  "lost",    "tuned", "symptom",    "remark"};
inline constexpr std::array<std::string_view, 4> kSeenAs{"value", "at_least", "at_most", "between"};

constexpr bool isMeasured(NoteKind kind) {
    return kind <= NoteKind::RunsAside;
}
/// What its figures are in. Beats: full ones a second. Sink: speed, down over 0. Lean: port side
/// up over 0. RunsAside: off the line, to starboard over 0.
Quantity quantityOf(NoteKind kind);

/// Where a copy is.
enum class CopyPlace { Box, Lent, Given, LostIt };
inline constexpr std::array<std::string_view, 4> kCopyPlaces{"box", "lent", "given", "lost"};

/// One bait made from a design.
struct LogCopy {
    std::int64_t id = 0;  ///< 0: not yet kept
    std::string bait;     ///< the design's name
    std::int64_t number = 1;
    std::string made;                                              ///< date, as 2026-11-30
    std::optional<double> mass_kg, nose_rad, showing_m, sink_m_s;  ///< as measured on it
    std::string deviates;                                          ///< from the design
    std::string finish, hooks;                                     ///< hooks: those on it now
    CopyPlace place = CopyPlace::Box;
    std::string where;  ///< with whom, or how it went
    std::string photo;  ///< file
    bool operator==(const LogCopy&) const = default;
};

/// A day (or a part of one) at one water with one rod and line; or at the tank.
struct LogOuting {
    std::int64_t id = 0;
    std::string date;
    std::string place;
    bool tank = false;
    std::optional<double> temperature_K, waterDepth_m;
    std::string colour;            ///< of the water
    std::optional<double> line_m;  ///< diameter
    std::optional<double> cast_m, speed_m_s;
    bool speedMeasured = false;
    std::string words;
    bool operator==(const LogOuting&) const = default;
};

/// One thing seen of one copy on one outing. What was foretold when it was written stays with it.
struct LogNote {
    std::int64_t id = 0;
    std::int64_t outing = 0;  ///< 0: on none
    std::string bait;
    std::int64_t copy = 1;
    NoteKind kind = NoteKind::Remark;
    SeenAs as = SeenAs::Value;
    std::optional<double> low, high;  ///< SI of its quantity; of a value both the same
    std::string words;
    std::string cause;  ///< of Tuned: what was found to be behind it (kCauseNames), or empty
    bool use = true;    ///< learnt from
    std::optional<double> reckoned;  ///< without any factor, at the outing's settings
    std::optional<double> usual;     ///< the same at the bait's own settings
    std::optional<double> foretold, foretoldLow, foretoldHigh;  ///< with the factor of that day
    std::string model;                                          ///< version of the reckoning
    std::string code;                                           ///< of the design
    std::int64_t at_s = 0;                                      ///< when it was written, since 1970
    bool operator==(const LogNote&) const = default;
};

/// What is known of a bait beside its copies.
struct LogBait {
    std::int64_t id = 0;
    std::string bait;
    std::string family;  ///< as reckoned, or as the maker sorts it
    std::string maker;   ///< empty: the log's own
    std::string design;  ///< the design as last logged, as a file holds it
    bool operator==(const LogBait&) const = default;
};

struct WaterLog {
    std::vector<LogBait> baits;
    std::vector<LogCopy> copies;
    std::vector<LogOuting> outings;
    std::vector<LogNote> notes;

    const LogOuting* outing(std::int64_t id) const;
    const LogBait* bait(const std::string& name) const;
    const LogCopy* copy(const std::string& bait, std::int64_t number) const;
    bool operator==(const WaterLog&) const = default;
};

/// One field of a record: its name in files (the unit is added), and where it stands.
template <class T>
struct LogField {
    struct Choice {
        int (*get)(const T&);
        void (*set)(T&, int);
        const std::string_view* names;
        int count;
    };
    std::string_view name;
    std::variant<std::optional<double> T::*, std::string T::*, bool T::*, std::int64_t T::*, Choice>
        member;
    Quantity quantity = Quantity::Number;
    double min = 0.0, max = 0.0;  ///< of a number, SI
    size_t most = 400;            ///< bytes of a text
};
/// In the order of files. A note's figures go by the quantity of its kind and are named without a
/// unit: they are SI in files as well.
template <class T>
const std::vector<LogField<T>>& logFields();
template <>
const std::vector<LogField<LogBait>>& logFields();
template <>
const std::vector<LogField<LogCopy>>& logFields();
template <>
const std::vector<LogField<LogOuting>>& logFields();
template <>
const std::vector<LogField<LogNote>>& logFields();

/// Why a record cannot be kept as it is; nothing when it can. Codes "log.no_bait",
/// "log.no_value" (a measured note without its figure), "log.wrong_way" (least over most),
/// "log.not_a_date".
std::optional<std::string> faultOf(const LogBait& bait);
std::optional<std::string> faultOf(const LogCopy& copy);
std::optional<std::string> faultOf(const LogOuting& outing);
std::optional<std::string> faultOf(const LogNote& note);

/// Figures taken of a kind of note, SI.
struct NoteRange {
    double least = 0.0, most = 0.0;
};
NoteRange rangeOf(NoteKind kind);

}  // namespace wl
