// The test framework itself, compiled once for all test programs.
#define CATCH_CONFIG_RUNNER
#include <catch2/catch.hpp>

#include "support/catch_runner.h"

int runCatch(int argc, char** argv) {
    return Catch::Session().run(argc, argv);
}
