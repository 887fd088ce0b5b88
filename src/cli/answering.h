// The subcommands that answer about a design, and how every subcommand ends.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "cli/aim_call.h"
#include "cli/log_call.h"

/// Exit codes.
inline constexpr int kDone = 0, kStops = 1, kFailed = 2;

/// Tells it on standard error; gives kFailed.
int fail(const wl::Error& error);
int complain(const std::string& what);

/// To a file, or to standard output for "" and "-".
int writeOut(const std::string& path, std::string_view text);

/// What an answering subcommand was called with.
struct Call {
    std::string file, other, shelf, out, output;
    int take = 1;
    std::vector<std::string> values, salts, leads, coefficients;
    unsigned long long most = 20, draws = 0, seed = 1;
    int leverDraws = 60;
    AimCall aim;
    LogCall log;
    bool json = false;
};

/// The answer of that name, printed, and the design taken from it written when asked.
int answer(const std::string& about, const Call& call);
