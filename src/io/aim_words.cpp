// Answers of the aim in words, metric.
#include <cmath>

#include "core/base/decimal.h"
#include "io/aim_answer.h"
#include "io/answer_parts.h"

namespace wl {
namespace {

using Json = AnswerJson;

std::string words(std::string name) {
    for (char& c : name) {
        c = c == '_' ? ' ' : c;
    }
    return name;
}

// "depth_m": 2.1 as "depth 2.1 m".
std::string amountWords(const std::string& key, const Json& value) {
    static constexpr std::array<std::array<const char*, 2>, 9> kUnits{{{"_percent", " %"},
                                                                       {"_per_second", " a second"},
                                                                       {"_N_mm", " N mm"},
                                                                       {"_m_s", " m/s"},
                                                                       {"_deg", " deg"},
                                                                       {"_mm", " mm"},
                                                                       {"_m", " m"},
                                                                       {"_g", " g"},
                                                                       {"_s", " s"}}};
    std::string name = key, unit;
    for (const auto& [end, shown] : kUnits) {
        if (name.ends_with(end)) {
            name.resize(name.size() - std::string(end).size());
            unit = shown;
            break;
        }
    }
    return words(name) + " " + decimalText(value.get<double>(), 4) + unit;
}

std::string amountsWords(const Json& object) {
    std::string out;
    for (auto it = object.begin(); it != object.end(); ++it) {
        if (it->is_number()) {
            out += (out.empty() ? "" : ", ") + amountWords(it.key(), *it);
        }
    }
    return out;
}

std::string byLogWords(const Json& json) {
    std::string out;
    if (json.contains("by_log")) {
        for (const Json& taught : json["by_log"]) {
            out += (out.empty() ? "by the log: " : ", ") + words(taught["what"]) + " times " +
                   decimalText(taught["times"].get<double>(), 3);
        }
        out += "; what is wanted and told is what will be seen\n";
    }
    return out;
}

std::string wayWords(const Json& way, const Json& targets) {
    std::string out = words(way["way"]);
    if (way.contains("lever")) {
        out += ": " + words(way["lever"]);
    }
    if (way.contains("outline")) {
        out += ": " + words(way["outline"]);
    }
    out += way["met"].get<bool>() ? " (as wanted)\n" : " (not as wanted)\n";
    if (way["breaks"] != "nothing") {
        out += "   breaks a rule: " + words(way["breaks"]) + "\n";
    }
    for (const Json& change : way["changes"]) {
        out += "   " + words(change["lever"]) + ": " + amountsWords(change) + "\n";
    }
    out += "   gives: " + amountsWords(way["values"]) + "\n";
    std::string chances;
    for (size_t i = 0; i < way["chances_percent"].size(); ++i) {
        chances += (i == 0 ? "" : ", ") + words(targets[i]["what"]) + " " +
                   std::to_string(std::lround(way["chances_percent"][i].get<double>())) + " %";
    }
    out += "   chances: " + chances + "\n   price: " + amountsWords(way["price"]) +
           (way["price"]["slot_recut"].get<bool>() ? ", the slot cut anew\n" : "\n");
    for (const Json& finding : way["against"]) {
        out += "   " + finding["severity"].get<std::string>() + ": " +
               finding["text"].get<std::string>() + "\n";
    }
    return out;
}

}  // namespace

std::string readableAim(const Answer& answer) {
    const Json json = Json::parse(answer.json);
    if (json.contains("error")) {
        return json["error"]["text"].get<std::string>() + "\n";
    }
    std::string out = byLogWords(json) + "as drawn: " + amountsWords(json["as_drawn"]) + "\n";
    for (const Json& target : json["targets"]) {
        out += "wanted: " + words(target["what"]) + " " + amountsWords(target) + "\n";
    }
    size_t number = 0;
    for (const Json& way : json["ways"]) {
        out += std::to_string(++number) + ". " + wayWords(way, json["targets"]);
    }
    for (const Json& shortfall : json["shortfalls"]) {
        out += "missed: " + words(shortfall["what"]) + " " + amountsWords(shortfall) + "\n";
    }
    for (const Json& relaxation : json["relaxations"]) {
        out += (relaxation["met"].get<bool>() ? "enough: " : "nearer: ") +
               amountsWords(relaxation) + " gives " + amountsWords(relaxation["values"]) + "\n";
    }
    return out;
}

std::string readableSizes(const Answer& answer) {
    const Json json = Json::parse(answer.json);
    if (json.contains("error")) {
        return json["error"]["text"].get<std::string>() + "\n";
    }
    std::string out = byLogWords(json);
    for (const Json& size : json["sizes"]) {
        out += amountWords("length_mm", size["length_mm"]);
        for (const Json& hook : size["hooks"]) {
            out += ", " + hook.get<std::string>();
        }
        out += ": ";
        out += size.contains("error") ? size["error"]["text"].get<std::string>() + "\n"
                                      : wayWords(size["way"], size["targets"]);
    }
    return out;
}

std::string readableJoints(const Answer& answer) {
    const Json json = Json::parse(answer.json);
    if (json.contains("error")) {
        return json["error"]["text"].get<std::string>() + "\n";
    }
    std::string out;
    if (json.contains("beats_by_log")) {
        out =
            "by the log: beats times " + decimalText(json["beats_by_log"].get<double>(), 3) + "\n";
    }
    size_t number = 0;
    for (const Json& way : json["joints"]) {
        Json figures = way;
        figures.erase("runs");
        out += std::to_string(++number) + ". " + way["joint"].get<std::string>() +
               (way["met"].get<bool>() ? " (as wanted): " : " (not as wanted): ") +
               amountsWords(figures) +
               (way.contains("verdict") ? ", " + words(way["verdict"]) : std::string()) + "\n";
        for (const Json& finding : way["against"]) {
            out += "   " + finding["severity"].get<std::string>() + ": " +
                   finding["text"].get<std::string>() + "\n";
        }
    }
    return number == 0 ? out + "no bevel gives such openings in these places\n" : out;
}

}  // namespace wl
