#include "cli/log_call.h"

#include "core/reckon/evaluate.h"
#include "files/whole_file.h"
#include "io/log_file.h"

void LogCall::addTo(CLI::App& command) {
    command.add_option("--log", files, "Water log (CSV or JSON): told as its readings have it")
        ->allow_extra_args(false);
    command.add_option("--copy", copy, "Which copy of the bait, as numbered in the log")
        ->check(CLI::Range(1LL, 1'000'000LL));
}

wl::Result<wl::WaterLog> LogCall::log() const {
    constexpr size_t kMostBytes = 256u << 20;
    wl::WaterLog log;
    for (const std::string& file : files) {
        const wl::Result<std::string> text = wl::readRegularFile(file, kMostBytes);
        if (!text) {
            return text.error();
        }
        const wl::Result<wl::WaterLog> read = wl::readLog(*text);
        if (!read) {
            return read.error();
        }
        wl::mergeLog(log, *read);
    }
    return log;
}

double Taught::times(wl::NoteKind kind) const {
    const auto taught = wl::taughtOf(figures, kind);
    return taught ? taught->middle : 1.0;
}

wl::Result<Taught> taughtBy(const LogCall& call, const wl::Design& design, const wl::Model& model,
                            bool slow) {
    if (!call.any()) {
        return Taught{};
    }
    const wl::Result<wl::WaterLog> log = call.log();
    if (!log) {
        return log.error();
    }
    const wl::Result<wl::Derived> derived = wl::evaluate(design, nullptr, model);
    if (!derived) {
        return derived.error();
    }
    const auto raw = wl::foretell(design, &*derived, slow);
    wl::LogFits fits(*log);
    return raw ? Taught{wl::learntFigures(*raw, *raw, fits, {design.name, call.copy, 0}),
                        raw->filmBeats}
               : Taught{};
}
