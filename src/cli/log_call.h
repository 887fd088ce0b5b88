// Water logs a subcommand is called with, and what they teach of a bait.
#pragma once

#include <CLI/CLI.hpp>
#include <string>
#include <vector>

#include "core/forecast/taught.h"

struct LogCall {
    std::vector<std::string> files;
    long long copy = 1;
    /// --log and --copy.
    void addTo(CLI::App& command);
    bool any() const { return !files.empty(); }
    /// The logs together. Errors: those of reading them.
    wl::Result<wl::WaterLog> log() const;
};

/// What is told of the bait, and what the logs make of it; `slow` as of foretell. Without logs
/// nothing.
struct Taught {
    std::vector<wl::LearntFigure> figures;
    double filmBeats = 1.0;
    /// The middle of its factor, or 1.
    double times(wl::NoteKind kind) const;
};
/// Errors: those of LogCall::log and of reckoning the design.
wl::Result<Taught> taughtBy(const LogCall& call, const wl::Design& design, const wl::Model& model,
                            bool slow);
