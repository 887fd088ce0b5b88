// What a depth logger wrote, read by columns that are told once.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/motion/retrieve.h"

namespace wl {

enum class TraceTime { Seconds, Milliseconds, Clock };  ///< Clock: 12:34:56, after a date or not
enum class TraceDepth { Metre, Foot, Bar, Millibar };   ///< Bar: pressure, the air's included or not

/// Where time and depth stand in a table, counted from 0.
struct TraceColumns {
    int time = 0;
    int depth = 1;
    TraceTime timeIn = TraceTime::Seconds;
    TraceDepth depthIn = TraceDepth::Metre;
    bool operator==(const TraceColumns&) const = default;
};

struct DepthTrace {
    std::vector<double> time_s;   ///< from the first one, rising
    std::vector<double> depth_m;  ///< with the surface at 0
    double surface_m = 0.0;       ///< what it read at the surface, taken off
};

/// Rows of numbers of a table parted by commas, semicolons (decimal commas then) or tabs; what
/// comes before the first of them is its head. Errors: "logger.no_rows" (fewer than ten rows with
/// both figures), "logger.no_column" (value: which), "logger.time_runs_back" (word: line),
/// "file.too_large".
Result<DepthTrace> readDepthTrace(std::string_view text, const TraceColumns& columns,
                                  double waterDensity_kg_m3 = 1000.0);

/// The names of its columns, or their numbers where the head has none; and the columns by their
/// names, as far as those tell.
struct TraceHead {
    std::vector<std::string> names;
    TraceColumns guess;
};
Result<TraceHead> headOfTrace(std::string_view text);

/// One cast: from where it goes under to where it comes up again.
struct LoggedCast {
    double from_s = 0.0;
    double to_s = 0.0;
    double deepest_m = 0.0;  ///< the median of the deepest tenth of its time
};
/// Stretches under `least_m` that last five seconds or more.
std::vector<LoggedCast> castsIn(const DepthTrace& trace, double least_m = 0.15);

/// A table as a logger writes it, of so many casts on a way: once a second or oftener, with noise,
/// a surface that is not at 0 and a clock that does not start with the cast. Same seed, same table.
std::string practiseTrace(const RetrievePath& path, int casts, std::uint32_t seed);

}  // namespace wl
