#include "files/migrate.h"

#include <cmath>
#include <nlohmann/json.hpp>

namespace wl {
namespace {

using ReadJson = nlohmann::json;

std::optional<Error> piecesFromSingleBody(ReadJson& json) {
    ReadJson piece = ReadJson::object();
    piece["name"] = "body";
    for (const char* key : {"body", "stock"}) {
        if (json.contains(key)) {
            piece[key] = json[key];
            json.erase(key);
        }
    }
    if (!json.contains("pieces")) {
        json["pieces"] = ReadJson::array({std::move(piece)});
    }
    if (json.contains("lip") && json["lip"].is_object() &&
        json["lip"].contains("angle_from_vertical_deg")) {
        ReadJson& lip = json["lip"];
        if (!lip["angle_from_vertical_deg"].is_number()) {
            return Error{"file.wrong_type", "/lip/angle_from_vertical_deg", {}, {}};
        }
        lip["angle_deg"] = 90.0 - lip["angle_from_vertical_deg"].get<double>();
        lip.erase("angle_from_vertical_deg");
    }
    return std::nullopt;
}

// The shape belongs to the whole bait; pieces are lengths of it.
std::optional<Error> bodyOutOfPiece(ReadJson& json) {
    if (!json.contains("pieces")) {
        return std::nullopt;
    }
    ReadJson& pieces = json["pieces"];
    if (!pieces.is_array() || pieces.size() != 1 || !pieces[0].is_object()) {
        return Error{"file.wrong_type", "/pieces", {}, {}};
    }
    if (pieces[0].contains("body")) {
        json["body"] = pieces[0]["body"];
        pieces[0].erase("body");
    }
    return std::nullopt;
}

void roundMember(ReadJson& record, const char* key) {
    if (record.is_object() && record.contains(key) && record[key].is_number() &&
        std::abs(record[key].get<double>()) < 1e6) {
        record[key] = std::llround(record[key].get<double>());
    }
}

// Counts were plain numbers: what was drawn as a whole one is one.
void wholeCounts(ReadJson& json) {
    const auto each = [](ReadJson& owner, const char* list, auto&& visit) {
        if (owner.is_object() && owner.contains(list) && owner[list].is_array()) {
            for (ReadJson& record : owner[list]) {
                visit(record);
            }
        }
    };
    each(json, "coats", [](ReadJson& coat) { roundMember(coat, "count"); });
    each(json, "chambers", [](ReadJson& chamber) { roundMember(chamber, "ball_count"); });
    each(json, "bores", [&](ReadJson& bore) {
        each(bore, "pieces", [](ReadJson& piece) { roundMember(piece, "count"); });
    });
    if (json.contains("make")) {
        each(json["make"], "cavities", [](ReadJson& cavity) { roundMember(cavity, "layer"); });
    }
}

// What meets was called by its name alone: the list it stands in is looked up.
void meetingEndsByKind(ReadJson& json) {
    if (!json.contains("meetings") || !json["meetings"].is_array()) {
        return;
    }
    const auto kindOf = [&json](const std::string& name) -> const char* {
        for (const char* list :
             {"fittings", "features", "bores", "joints", "chambers", "side_weights", "build_ups"}) {
            if (json.contains(list) && json[list].is_array()) {
                for (const ReadJson& record : json[list]) {
                    if (record.is_object() && record.contains("name") && record["name"] == name) {
                        return list;
                    }
                }
            }
        }
        return "features";
    };
    for (ReadJson& meeting : json["meetings"]) {
        for (const char* end : {"first", "second"}) {
            if (!meeting.is_object() || !meeting.contains(end) || !meeting[end].is_string()) {
                continue;
            }
            const std::string name = meeting[end].get<std::string>();
            meeting[end] = name == "through-wire" ? ReadJson{{"of", "through_wire"}, {"name", ""}}
                           : name == "lip"        ? ReadJson{{"of", "lip"}, {"name", ""}}
                           : name == "cavity"     ? ReadJson{{"of", "make/cavities"}, {"name", ""}}
                                                  : ReadJson{{"of", kindOf(name)}, {"name", name}};
        }
    }
}

}  // namespace

std::optional<Error> migrate(ReadJson& json, int fromVersion) {
    std::optional<Error> error;
    if (fromVersion < 2) {
        error = piecesFromSingleBody(json);
    }
    if (fromVersion < 3 && !error) {
        error = bodyOutOfPiece(json);
    }
    if (fromVersion < 6 && !error) {
        wholeCounts(json);
    }
    if (fromVersion < 7 && !error) {
        meetingEndsByKind(json);
    }
    return error;
}

}  // namespace wl
