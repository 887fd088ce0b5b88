// Data files compiled into the programs (see cmake/EmbedData.cmake).
#pragma once

#include <string_view>
#include <vector>

namespace wl::embedded {

std::string_view answers_schema_json();
std::string_view shelf_csv();
std::string_view demo_wade();
std::string_view lipless_wade();
std::string_view glider_wade();
std::string_view glide_bait_wade();
std::string_view swimmer_wade();

}  // namespace wl::embedded

namespace wl {

/// A design shipped as an example.
struct Demo {
    std::string_view name;  ///< as the command line takes it
    std::string_view text;
};

/// All of them, the one opened first leading.
const std::vector<Demo>& demos();

}  // namespace wl
