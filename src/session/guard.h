// One guard a thread: what goes wrong inside is told as an error and ends nothing.
#pragma once

#include <exception>
#include <optional>

#include "core/base/result.h"

namespace wl {

/// Runs `work`; what it throws comes back as "program.fault" (word: what was said).
template <class Work>
std::optional<Error> guarded(Work&& work) {
    try {
        work();
        return std::nullopt;
    } catch (const std::exception& e) {
        return Error{"program.fault", "", {e.what()}, {}};
    } catch (...) {
        return Error{"program.fault", "", {"unknown"}, {}};
    }
}

}  // namespace wl
