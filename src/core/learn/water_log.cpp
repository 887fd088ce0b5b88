#include "core/learn/water_log.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"

namespace wl {
namespace {

constexpr size_t kMostWords = 4000;
constexpr size_t kMostDesign = 8u << 20;

// Four digits, two, two, a real month and day.
bool isDate(const std::string& text) {
    if (text.size() != 10 || text[4] != '-' || text[7] != '-') {
        return false;
    }
    for (const size_t i : {0u, 1u, 2u, 3u, 5u, 6u, 8u, 9u}) {
        if (text[i] < '0' || text[i] > '9') {
            return false;
        }
    }
    const int month = (text[5] - '0') * 10 + text[6] - '0';
    const int day = (text[8] - '0') * 10 + text[9] - '0';
    const int year = std::atoi(text.substr(0, 4).c_str());
    constexpr int kDays[] = {31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31};
    if (month < 1 || month > 12) {
        return false;
    }
    const bool leap = (year % 4 == 0 && year % 100 != 0) || year % 400 == 0;
    return day >= 1 && day <= kDays[month - 1] + (leap && month == 2 ? 1 : 0);
}

}  // namespace

Quantity quantityOf(NoteKind kind) {
    switch (kind) {
        case NoteKind::Depth:
        case NoteKind::Cast:
            return Quantity::Distance;
        case NoteKind::Swing:
        case NoteKind::Nose:
        case NoteKind::Lean:
        case NoteKind::RunsAside:
            return Quantity::Angle;
        case NoteKind::BlowOut:
        case NoteKind::Sink:
            return Quantity::Speed;
        case NoteKind::Mass:
            return Quantity::Mass;
        case NoteKind::Showing:
            return Quantity::Length;
        default:
            return Quantity::Number;
    }
}

NoteRange rangeOf(NoteKind kind) {
    switch (kind) {
        case NoteKind::Depth:
            return {0.02, 100.0};
        case NoteKind::Beats:
            return {0.1, 60.0};
        case NoteKind::Swing:
            return {0.2 * kDegree, 90 * kDegree};
        case NoteKind::BlowOut:
            return {0.05, 15.0};
        case NoteKind::Sink:
            return {-5.0, 5.0};
        case NoteKind::Cast:
            return {0.5, 300.0};
        case NoteKind::Mass:
            return {1e-4, 5.0};
        case NoteKind::Nose:
        case NoteKind::Lean:
            return {-90 * kDegree, 90 * kDegree};
        case NoteKind::Showing:
            return {0.0, 0.3};
        case NoteKind::RunsAside:
            return {-90 * kDegree, 90 * kDegree};
        default:
            return {0.0, 0.0};
    }
}

const LogOuting* WaterLog::outing(std::int64_t id) const {
    const auto at = std::find_if(outings.begin(), outings.end(),
                                 [id](const LogOuting& o) { return o.id == id; });
    return at == outings.end() ? nullptr : &*at;
}

const LogBait* WaterLog::bait(const std::string& name) const {
    const auto at =
        std::find_if(baits.begin(), baits.end(), [&](const LogBait& b) { return b.bait == name; });
    return at == baits.end() ? nullptr : &*at;
}

const LogCopy* WaterLog::copy(const std::string& name, std::int64_t number) const {
    const auto at = std::find_if(copies.begin(), copies.end(), [&](const LogCopy& c) {
        return c.bait == name && c.number == number;
    });
    return at == copies.end() ? nullptr : &*at;
}

template <>
const std::vector<LogField<LogBait>>& logFields() {
    using B = LogBait;
    static const std::vector<LogField<B>> fields{
        {"id", &B::id},
        {"bait", &B::bait},
        {"family", &B::family},
        {"maker", &B::maker},
        {"design", &B::design, Quantity::Number, 0, 0, kMostDesign}};
    return fields;
}

template <>
const std::vector<LogField<LogCopy>>& logFields() {
    using C = LogCopy;
    using Q = Quantity;
    static const std::vector<LogField<C>> fields{
        {"id", &C::id},
        {"bait", &C::bait},
        {"number", &C::number},
        {"made", &C::made},
        {"mass", &C::mass_kg, Q::Mass, 1e-4, 5.0},
        {"nose", &C::nose_rad, Q::Angle, -kPi / 2, kPi / 2},
        {"showing", &C::showing_m, Q::Length, 0.0, 0.3},
        {"sinks", &C::sink_m_s, Q::Speed, -5.0, 5.0},
        {"deviates", &C::deviates, Q::Number, 0, 0, kMostWords},
        {"finish", &C::finish},
        {"hooks", &C::hooks},
        {"where", LogField<C>::Choice{[](const C& c) { return int(c.place); },
                                      [](C& c, int i) { c.place = CopyPlace(i); },
                                      kCopyPlaces.data(), int(kCopyPlaces.size())}},
        {"where_words", &C::where},
        {"photo", &C::photo, Q::Number, 0, 0, kMostWords}};
    return fields;
}

template <>
const std::vector<LogField<LogOuting>>& logFields() {
    using O = LogOuting;
    using Q = Quantity;
    static const std::vector<LogField<O>> fields{
        {"id", &O::id},
        {"date", &O::date},
        {"place", &O::place},
        {"tank", &O::tank},
        {"temperature", &O::temperature_K, Q::Temperature, kZeroCelsius_K - 3, kZeroCelsius_K + 45},
        {"water_depth", &O::waterDepth_m, Q::Distance, 0.05, 200.0},
        {"colour", &O::colour},
        {"line", &O::line_m, Q::Thickness, 2e-5, 3e-3},
        {"cast", &O::cast_m, Q::Distance, 0.5, 300.0},
        {"speed", &O::speed_m_s, Q::Speed, 0.02, 10.0},
        {"speed_measured", &O::speedMeasured},
        {"words", &O::words, Q::Number, 0, 0, kMostWords}};
    return fields;
}

template <>
const std::vector<LogField<LogNote>>& logFields() {
    using N = LogNote;
    using Q = Quantity;
    constexpr double kAny = 1e4;
    static const std::vector<LogField<N>> fields{
        {"id", &N::id},
        {"outing", &N::outing},
        {"bait", &N::bait},
        {"copy", &N::copy},
        {"kind", LogField<N>::Choice{[](const N& n) { return int(n.kind); },
                                     [](N& n, int i) { n.kind = NoteKind(i); }, kNoteKinds.data(),
                                     int(kNoteKinds.size())}},
        {"seen_as", LogField<N>::Choice{[](const N& n) { return int(n.as); },
                                        [](N& n, int i) { n.as = SeenAs(i); }, kSeenAs.data(),
                                        int(kSeenAs.size())}},
        {"low_si", &N::low, Q::Number, -kAny, kAny},
        {"high_si", &N::high, Q::Number, -kAny, kAny},
        {"words", &N::words, Q::Number, 0, 0, kMostWords},
        {"cause", &N::cause},
        {"use", &N::use},
        {"reckoned_si", &N::reckoned, Q::Number, -kAny, kAny},
        {"usual_si", &N::usual, Q::Number, -kAny, kAny},
        {"foretold_si", &N::foretold, Q::Number, -kAny, kAny},
        {"foretold_low_si", &N::foretoldLow, Q::Number, -kAny, kAny},
        {"foretold_high_si", &N::foretoldHigh, Q::Number, -kAny, kAny},
        {"model", &N::model},
        {"code", &N::code},
        {"at_s", &N::at_s}};
    return fields;
}

std::optional<std::string> faultOf(const LogBait& bait) {
    return bait.bait.empty() ? std::optional<std::string>("log.no_bait") : std::nullopt;
}

std::optional<std::string> faultOf(const LogCopy& copy) {
    if (copy.bait.empty()) {
        return "log.no_bait";
    }
    if (copy.number < 1 || copy.number > 100000) {
        return "log.no_number";
    }
    return copy.made.empty() || isDate(copy.made) ? std::nullopt
                                                  : std::optional<std::string>("log.not_a_date");
}

std::optional<std::string> faultOf(const LogOuting& outing) {
    return isDate(outing.date) ? std::nullopt : std::optional<std::string>("log.not_a_date");
}

std::optional<std::string> faultOf(const LogNote& note) {
    if (note.bait.empty()) {
        return "log.no_bait";
    }
    if (note.copy < 1 || note.copy > 100000) {
        return "log.no_number";
    }
    if (!isMeasured(note.kind)) {
        return std::nullopt;
    }
    const bool needsLow = note.as != SeenAs::AtMost, needsHigh = note.as != SeenAs::AtLeast;
    if ((needsLow && !note.low) || (needsHigh && !note.high)) {
        return "log.no_value";
    }
    const NoteRange range = rangeOf(note.kind);
    constexpr double kRounding = 1e-9;
    const auto within = [&](const std::optional<double>& v) {
        const double slack = kRounding * std::max(std::abs(range.least), range.most);
        return !v || (*v >= range.least - slack && *v <= range.most + slack);
    };
    if (!within(note.low) || !within(note.high)) {
        return "log.out_of_range";
    }
    if (needsLow && needsHigh && *note.low > *note.high) {
        return "log.wrong_way";
    }
    return std::nullopt;
}

}  // namespace wl
