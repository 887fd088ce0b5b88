#include "files/finish_recipe.h"

#include <nlohmann/json.hpp>

#include "files/design_file.h"

namespace wl {

std::string writeFinish(const Design& design) {
    return nlohmann::json::parse(writeDesign(design))["coats"].dump();
}

Result<Design> withFinish(const Design& design, const std::string& text) {
    nlohmann::json coats = nlohmann::json::parse(text, nullptr, false);
    if (coats.is_discarded()) {
        return Error{"file.not_json", "/coats", {}, {}};
    }
    nlohmann::json whole = nlohmann::json::parse(writeDesign(design));
    whole["coats"] = std::move(coats);
    return readDesign(whole.dump());
}

}  // namespace wl
