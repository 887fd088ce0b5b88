#include "io/migrate.h"

#include <nlohmann/json.hpp>

namespace wl {
namespace {

using Json = nlohmann::ordered_json;

std::optional<Error> piecesFromSingleBody(Json& json) {
    Json piece = Json::object();
    piece["name"] = "body";
    for (const char* key : {"body", "stock"}) {
        if (json.contains(key)) {
            piece[key] = json[key];
            json.erase(key);
        }
    }
    if (!json.contains("pieces")) {
        json["pieces"] = Json::array({std::move(piece)});
    }
    if (json.contains("lip") && json["lip"].is_object() &&
        json["lip"].contains("angle_from_vertical_deg")) {
        Json& lip = json["lip"];
        if (!lip["angle_from_vertical_deg"].is_number()) {
            return Error{"file.wrong_type", "/lip/angle_from_vertical_deg", {}, {}};
        }
        lip["angle_deg"] = 90.0 - lip["angle_from_vertical_deg"].get<double>();
        lip.erase("angle_from_vertical_deg");
    }
    return std::nullopt;
}

}  // namespace

std::optional<Error> migrate(Json& json, int fromVersion) {
    if (fromVersion < 2) {
        return piecesFromSingleBody(json);
    }
    return std::nullopt;
}

}  // namespace wl
