// All that a test's own build tree tells it: everything else of the tests is compiled once for all
// build trees.
#include "support/programs.h"
#include "support/thorough.h"

namespace wl::test {

#ifdef WL_SANITIZED
const bool kThorough = false;
#else
const bool kThorough = true;
#endif
const char* const kApp = WL_APP;
const char* const kCli = WL_CLI;
const char* const kScale = WL_SCALE;
const char* const kStoreWriter = WL_STORE_WRITER;

}  // namespace wl::test
