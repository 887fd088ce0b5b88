// Data files compiled into the programs (see cmake/EmbedData.cmake).
#pragma once

#include <string_view>

namespace wl::embedded {

std::string_view shelf_json();
std::string_view demo_wade();

}  // namespace wl::embedded
