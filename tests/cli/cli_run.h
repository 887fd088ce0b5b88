// The command line run as a program.
#pragma once

#include <unistd.h>
#include <array>
#include <catch2/catch.hpp>
#include <cstdio>
#include <filesystem>
#include <string>

#include "support/programs.h"

namespace wl::test {

struct Outcome {
    int exit = -1;
    std::string out;
};

inline Outcome run(const std::string& arguments) {
    Outcome outcome;
    FILE* pipe = popen((std::string(kCli) + " " + arguments + " 2>&1").c_str(), "r");
    REQUIRE(pipe != nullptr);
    std::array<char, 4096> buffer{};
    while (size_t n = fread(buffer.data(), 1, buffer.size(), pipe)) {
        outcome.out.append(buffer.data(), n);
    }
    outcome.exit = WEXITSTATUS(pclose(pipe));
    return outcome;
}

inline std::filesystem::path folder() {
    const auto path =
        std::filesystem::temp_directory_path() / ("wadeline-cli-" + std::to_string(getpid()));
    std::filesystem::create_directories(path);
    return path;
}

}  // namespace wl::test
