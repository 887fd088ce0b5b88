// Where the programs under test were built.
#pragma once

namespace wl::test {

/// Empty where the window is not built.
extern const char* const kApp;
extern const char* const kCli;
/// The practice scale, and the program that writes to the stores beside a test.
extern const char* const kScale;
extern const char* const kStoreWriter;

}  // namespace wl::test
