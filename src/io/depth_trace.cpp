#include "io/depth_trace.h"

#include <csv.h>

#include <algorithm>
#include <cmath>
#include <random>

#include "core/base/decimal.h"
#include "core/base/units.h"

namespace wl {
namespace {

constexpr size_t kMostTraceBytes = 64u << 20;
constexpr size_t kLeastRows = 10;

using Row = std::vector<std::string>;

struct Parted {
    std::vector<Row> rows;
    bool decimalComma = false;
};

// By what parts its rows: that of comma, semicolon and tab which the most lines hold.
Parted parted(std::string_view text) {
    if (text.starts_with("\xEF\xBB\xBF")) {
        text.remove_prefix(3);
    }
    const auto count = [text](char c) { return std::count(text.begin(), text.end(), c); };
    const long semicolons = count(';'), tabs = count('\t'), lines = count('\n') + 1;
    const char mark = 2 * semicolons >= lines ? ';' : 2 * tabs >= lines ? '\t' : ',';
    Parted out;
    out.decimalComma = mark != ',';
    csv_parser parser;
    if (csv_init(&parser, 0) != 0) {
        return out;
    }
    csv_set_delim(&parser, static_cast<unsigned char>(mark));
    auto onField = [](void* data, size_t size, void* into) {
        auto& rows = *static_cast<std::vector<Row>*>(into);
        if (rows.empty()) {
            rows.emplace_back();
        }
        rows.back().emplace_back(data == nullptr ? std::string()
                                                 : std::string(static_cast<char*>(data), size));
    };
    auto onRow = [](int, void* into) { static_cast<std::vector<Row>*>(into)->emplace_back(); };
    csv_parse(&parser, text.data(), text.size(), onField, onRow, &out.rows);
    csv_fini(&parser, onField, onRow, &out.rows);
    csv_free(&parser);
    return out;
}

std::optional<double> numberIn(std::string cell, bool decimalComma) {
    if (decimalComma) {
        std::replace(cell.begin(), cell.end(), ',', '.');
    }
    while (!cell.empty() && cell.back() == ' ') {
        cell.pop_back();
    }
    const size_t first = cell.find_first_not_of(' ');
    return first == std::string::npos ? std::nullopt : decimalFrom(cell.substr(first));
}

// The last h:mm:ss in a cell, seconds of the day.
std::optional<double> clockIn(const std::string& cell, bool decimalComma) {
    const size_t last = cell.rfind(':');
    const size_t before =
        last == std::string::npos || last == 0 ? std::string::npos : cell.rfind(':', last - 1);
    if (before == std::string::npos) {
        return std::nullopt;
    }
    size_t start = before;
    while (start > 0 && cell[start - 1] >= '0' && cell[start - 1] <= '9') {
        --start;
    }
    const auto hours = numberIn(cell.substr(start, before - start), false);
    const auto minutes = numberIn(cell.substr(before + 1, last - before - 1), false);
    std::string rest = cell.substr(last + 1);
    rest = rest.substr(0, rest.find_first_not_of("0123456789.,"));
    const auto seconds = numberIn(rest, decimalComma);
    return hours && minutes && seconds ? std::optional(3600 * *hours + 60 * *minutes + *seconds)
                                       : std::nullopt;
}

std::string small(std::string text) {
    std::transform(text.begin(), text.end(), text.begin(),
                   [](unsigned char c) { return c >= 'A' && c <= 'Z' ? char(c + 32) : char(c); });
    return text;
}

double metres(double value, TraceDepth unit, double density) {
    constexpr double kBar_Pa = 1e5;
    switch (unit) {
        case TraceDepth::Metre:
            return value;
        case TraceDepth::Foot:
            return value * kFoot;
        case TraceDepth::Bar:
            return value * kBar_Pa / (density * kGravity_m_s2);
        case TraceDepth::Millibar:
            return value * 1e-3 * kBar_Pa / (density * kGravity_m_s2);
    }
    return value;
}

double medianOf(std::vector<double> values) {
    const auto middle = values.begin() + long(values.size() / 2);
    std::nth_element(values.begin(), middle, values.end());
    return *middle;
}

// What it reads at the surface: the middle of the commonest shallow readings.
double surfaceOf(const std::vector<double>& depths) {
    const auto [least, most] = std::minmax_element(depths.begin(), depths.end());
    const double cut = *least + std::max(0.12 * (*most - *least), 0.05);
    std::vector<double> shallow;
    for (const double d : depths) {
        if (d <= cut) {
            shallow.push_back(d);
        }
    }
    return medianOf(shallow);
}

}  // namespace

Result<TraceHead> headOfTrace(std::string_view text) {
    if (text.size() > kMostTraceBytes) {
        return Error{"file.too_large", "", {}, {}};
    }
    const Parted table = parted(text);
    TraceHead head;
    const Row* named = nullptr;
    for (const Row& row : table.rows) {
        const auto numbers = std::count_if(row.begin(), row.end(), [&](const std::string& cell) {
            return numberIn(cell, table.decimalComma).has_value();
        });
        if (row.size() >= 2 && numbers >= 1) {
            head.names.resize(row.size());
            break;
        }
        if (row.size() >= 2) {
            named = &row;
        }
    }
    if (head.names.size() < 2) {
        return Error{"logger.no_rows", "", {}, {}};
    }
    for (size_t i = 0; i < head.names.size(); ++i) {
        head.names[i] = named != nullptr && i < named->size() && !(*named)[i].empty()
                            ? (*named)[i].substr(0, 40)
                            : std::to_string(i + 1);
        const std::string name = small(head.names[i]);
        const auto holds = [&name](const char* word) {
            return name.find(word) != std::string::npos;
        };
        if (holds("depth") || holds("tiefe") || holds("press")) {
            head.guess.depth = int(i);
            head.guess.depthIn = holds("mbar") || holds("hpa")  ? TraceDepth::Millibar
                                 : holds("bar")                 ? TraceDepth::Bar
                                 : holds("ft") || holds("feet") ? TraceDepth::Foot
                                                                : TraceDepth::Metre;
        } else if (holds("time") || holds("zeit") || holds("clock") || holds("second")) {
            head.guess.time = int(i);
            head.guess.timeIn = holds("ms") ? TraceTime::Milliseconds : TraceTime::Seconds;
        }
    }
    for (const Row& row : table.rows) {
        if (size_t(head.guess.time) < row.size() &&
            clockIn(row[size_t(head.guess.time)], table.decimalComma)) {
            head.guess.timeIn = TraceTime::Clock;
            break;
        }
    }
    return head;
}

Result<DepthTrace> readDepthTrace(std::string_view text, const TraceColumns& columns,
                                  double waterDensity_kg_m3) {
    if (text.size() > kMostTraceBytes) {
        return Error{"file.too_large", "", {}, {}};
    }
    if (columns.time < 0 || columns.depth < 0 || columns.time == columns.depth) {
        return Error{"logger.no_column", "", {}, {{Quantity::Number, double(columns.depth + 1)}}};
    }
    const Parted table = parted(text);
    DepthTrace trace;
    double day = 0;
    for (size_t i = 0; i < table.rows.size(); ++i) {
        const Row& row = table.rows[i];
        if (size_t(std::max(columns.time, columns.depth)) >= row.size()) {
            continue;
        }
        const std::string& cell = row[size_t(columns.time)];
        const auto depth = numberIn(row[size_t(columns.depth)], table.decimalComma);
        auto time = columns.timeIn == TraceTime::Clock ? clockIn(cell, table.decimalComma)
                                                       : numberIn(cell, table.decimalComma);
        if (!time || !depth || !std::isfinite(*time) || !std::isfinite(*depth)) {
            continue;
        }
        double seconds = columns.timeIn == TraceTime::Milliseconds ? *time * 1e-3 : *time;
        seconds += day;
        if (!trace.time_s.empty() && seconds < trace.time_s.back()) {
            constexpr double kDay_s = 86400;
            const bool midnight =
                columns.timeIn == TraceTime::Clock && trace.time_s.back() - seconds > 0.5 * kDay_s;
            if (!midnight) {
                return Error{"logger.time_runs_back", "", {std::to_string(i + 1)}, {}};
            }
            day += kDay_s;
            seconds += kDay_s;
        }
        trace.time_s.push_back(seconds);
        trace.depth_m.push_back(metres(*depth, columns.depthIn, waterDensity_kg_m3));
    }
    if (trace.time_s.size() < kLeastRows) {
        return Error{"logger.no_rows", "", {}, {}};
    }
    const double start = trace.time_s.front();
    trace.surface_m = surfaceOf(trace.depth_m);
    for (size_t i = 0; i < trace.time_s.size(); ++i) {
        trace.time_s[i] -= start;
        trace.depth_m[i] -= trace.surface_m;
    }
    return trace;
}

std::vector<LoggedCast> castsIn(const DepthTrace& trace, double least_m) {
    constexpr double kShortest_s = 5.0, kGap_s = 2.0;
    std::vector<LoggedCast> casts;
    size_t i = 0;
    const size_t n = trace.time_s.size();
    while (i < n) {
        if (trace.depth_m[i] < least_m) {
            ++i;
            continue;
        }
        const size_t from = i;
        size_t to = i;
        while (i < n &&
               (trace.depth_m[i] >= least_m || trace.time_s[i] - trace.time_s[to] < kGap_s)) {
            to = trace.depth_m[i] >= least_m ? i : to;
            ++i;
        }
        LoggedCast cast;
        cast.from_s = trace.time_s[from];
        cast.to_s = trace.time_s[to];
        if (cast.to_s - cast.from_s < kShortest_s) {
            continue;
        }
        std::vector<double> depths(trace.depth_m.begin() + long(from),
                                   trace.depth_m.begin() + long(to) + 1);
        std::sort(depths.rbegin(), depths.rend());
        depths.resize(std::max<size_t>(1, depths.size() / 10));
        cast.deepest_m = medianOf(depths);
        casts.push_back(cast);
    }
    return casts;
}

std::string practiseTrace(const RetrievePath& path, int casts, std::uint32_t seed) {
    constexpr double kEvery_s = 0.5, kNoise_m = 0.02, kBetween_s = 20, kSurface_m = 0.31;
    std::mt19937 random(seed);
    std::normal_distribution<double> noise(0, kNoise_m), other(1, 0.03);
    std::string out = "Device,Wade Line practice logger\ntime_s,depth_m\n";
    double now = 1000.0 + double(seed % 500);
    const auto row = [&](double depth) {
        out += decimalText(std::round(10 * now) / 10, 12) + "," +
               decimalText(std::round(1000 * (depth + kSurface_m + noise(random))) / 1000, 12) +
               "\n";
        now += kEvery_s;
    };
    for (int c = 0; c <= casts; ++c) {
        for (double t = 0; t < kBetween_s; t += kEvery_s) {
            row(0);
        }
        if (c == casts || path.points.size() < 2) {
            continue;
        }
        const double deeper = other(random);
        const double first = path.points.front().time_s, last = path.points.back().time_s;
        for (double t = first; t <= last; t += kEvery_s) {
            const auto at = std::lower_bound(
                path.points.begin(), path.points.end(), t,
                [](const RetrievePoint& p, double time) { return p.time_s < time; });
            row(deeper * (at == path.points.end() ? path.points.back() : *at).depth_m);
        }
    }
    return out;
}

}  // namespace wl
