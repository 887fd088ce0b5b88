// What `wadeline aim` is called with, and the wish it makes.
#pragma once

#include <CLI/CLI.hpp>
#include <string>
#include <vector>

#include "core/aim/aim.h"
#include "core/aim/joints.h"

/// What is not typed is the design's own wish, or like the design of a file. Bands as typed
/// ("2.2..2.6", "7ft..9ft", "1.2x..1.4x" times what the bait does as drawn), ranges of levers
/// ("lip_angle=20..40") and levers left as they are.
struct AimCall {
    std::string depth, beats, swing, rollToYaw, pitch, balance, like, turn, width, action;
    std::vector<std::string> locked, ranges, sizes;
    bool settled = false, outlines = false;
    void addTo(CLI::App& command);
    /// Errors: "text.not_a_number" with what was typed, "aim.no_such_lever", those of reading and
    /// reckoning the bait it shall be like.
    wl::Result<wl::AimWish> wish(const wl::Design& design) const;
    /// The joints' wish: turn a pull, width, beats a second; what is not typed is the design's own.
    /// Error: "text.not_a_number".
    wl::Result<wl::JointWish> jointWish(const wl::Design& design) const;
    void addJointsTo(CLI::App& command);
    /// The lengths it was called with, m. Errors: "text.not_a_number", "field.out_of_range".
    wl::Result<std::vector<double>> lengths() const;
};
