#include "core/design/design.h"

namespace wl {

Design::Design() = default;
Design::Design(const Design&) = default;
Design::Design(Design&&) noexcept = default;
Design& Design::operator=(const Design&) = default;
Design& Design::operator=(Design&&) noexcept = default;
Design::~Design() = default;
bool Design::operator==(const Design&) const = default;

}  // namespace wl
