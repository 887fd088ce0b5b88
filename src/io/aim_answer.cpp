#include "io/aim_answer.h"

#include <cmath>

#include "core/base/decimal.h"
#include "io/answer_parts.h"

namespace wl {
namespace {

using Json = AnswerJson;

constexpr std::array<AimMeasure, kAimMeasures> kMeasures{
    AimMeasure::Depth,     AimMeasure::Beats, AimMeasure::Swing,
    AimMeasure::RollToYaw, AimMeasure::Pitch, AimMeasure::CastBalance};

const char* nameOf(AimWay::Kind kind) {
    switch (kind) {
        case AimWay::Kind::Best:
            return "best";
        case AimWay::Kind::OneLever:
            return "one_lever";
        case AimWay::Kind::LeastChange:
            return "least_change";
        case AimWay::Kind::Steepest:
            return "steepest";
        case AimWay::Kind::InLine:
            return "most_in_line";
        case AimWay::Kind::SmallestLip:
            return "smallest_lip";
        case AimWay::Kind::OtherTie:
            return "other_tie";
    }
    return "";
}

const char* nameOf(AimTrial::Fault fault) {
    switch (fault) {
        case AimTrial::Fault::None:
            return "nothing";
        case AimTrial::Fault::NotReckoned:
            return "cannot_be_drawn";
        case AimTrial::Fault::NoDepth:
            return "does_not_dive";
        case AimTrial::Fault::LeadShort:
            return "no_room_for_lead";
        case AimTrial::Fault::NoAction:
            return "no_action";
        case AimTrial::Fault::NotTrusted:
            return "not_trusted";
        case AimTrial::Fault::NotSettled:
            return "roll_not_settled";
    }
    return "";
}

struct Relaxed {
    const char* name;
    Quantity quantity;
};
Relaxed relaxedOf(AimRelaxation::What what) {
    using What = AimRelaxation::What;
    switch (what) {
        case What::ThinnerLine:
            return {"line_diameter", Quantity::Thickness};
        case What::LongerCast:
            return {"cast_length", Quantity::Distance};
        case What::Faster:
        case What::Slower:
            return {"retrieve_speed", Quantity::Speed};
        case What::LongerLip:
            return {"lip_length", Quantity::Length};
        case What::LessLead:
            return {"wanted_spare", Quantity::Fraction};
    }
    return {"", Quantity::Number};
}

Quantity quantityOfLever(AimLeverKind kind) {
    return kind == AimLeverKind::LipAngle ? Quantity::Angle : Quantity::Length;
}

Json valuesJson(const AimValues& values) {
    Json j = Json::object();
    for (const AimMeasure what : kMeasures) {
        if (const auto told = values.of(what)) {
            put(j, nameOf(what), quantityOf(what), *told);
        }
    }
    return j;
}

Json bandJson(const AimTarget& target) {
    Json j{{"what", nameOf(target.what)}};
    put(j, "low", quantityOf(target.what), target.low);
    put(j, "high", quantityOf(target.what), target.high);
    return j;
}

Json wayJson(const AimWay& way, const AimAnswer& answer, const Design& drawn) {
    Json j{{"way", nameOf(way.kind)}};
    if (way.kind == AimWay::Kind::OneLever) {
        j["lever"] = nameOf(answer.levers[way.lever].kind);
    }
    j["met"] = way.met;
    Json changes = Json::array();
    for (size_t i = 0; i < way.values.size(); ++i) {
        const AimLeverKind kind = answer.levers[i].kind;
        if (way.values[i] != leverOf(drawn, kind)) {
            Json change{{"lever", nameOf(kind)}, {"path", pathOf(kind)}};
            put(change, "from", quantityOfLever(kind), leverOf(drawn, kind));
            put(change, "to", quantityOfLever(kind), way.values[i]);
            changes.push_back(change);
        }
    }
    j["changes"] = changes;
    j["breaks"] = nameOf(way.fault);
    Json plugs = Json::array();
    for (const Bore& bore : way.design.bores) {
        plugs.push_back(toFile(Quantity::Length, bore.plugLength_m));
    }
    j["plugs_mm"] = plugs;
    j["values"] = valuesJson(way.told);
    Json chances = Json::array();
    for (const double chance : way.chances) {
        chances.push_back(toFile(Quantity::Fraction, chance));
    }
    j["chances_percent"] = chances;
    j["roll_settled"] = way.settled;
    Json price = Json::object();
    price["fields"] = way.price.fields;
    price["slot_recut"] = way.price.slotRecut;
    put(price, "lead_more", Quantity::Mass, way.price.leadMore_kg);
    put(price, "mass", Quantity::Mass, way.price.mass_kg);
    put(price, "least_wall", Quantity::Length, way.price.leastWall_m);
    price["roll_stiffness_N_mm"] = 1e3 * way.price.rollStiffness_N_m;
    price["roll_stiffer_N_mm"] = 1e3 * way.price.rollStiffer_N_m;
    put(price, "rest_pitch", Quantity::Angle, way.price.restPitch_rad);
    put(price, "spare", Quantity::Fraction, way.price.spare);
    j["price"] = price;
    Json against = Json::array();
    for (const Finding& finding : way.against) {
        against.push_back(findingJson(finding));
    }
    j["against"] = against;
    return j;
}

Json shortfallJson(const AimShortfall& shortfall) {
    Json j = bandJson(shortfall.target);
    put(j, "nearest", quantityOf(shortfall.target.what), shortfall.nearest);
    if (shortfall.depthBound_m) {
        put(j, "none_deeper_than", Quantity::Distance, *shortfall.depthBound_m);
    }
    j["proven"] = shortfall.provenImpossible;
    return j;
}

Json relaxationJson(const AimRelaxation& relaxation) {
    Json j = Json::object();
    for (size_t i = 0; i < relaxation.what.size(); ++i) {
        const Relaxed relaxed = relaxedOf(relaxation.what[i]);
        put(j, relaxed.name, relaxed.quantity, relaxation.becomes[i]);
    }
    j["met"] = relaxation.met;
    j["values"] = valuesJson(relaxation.told);
    return j;
}

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

}  // namespace

const char* nameOf(AimMeasure what) {
    switch (what) {
        case AimMeasure::Depth:
            return "depth";
        case AimMeasure::Beats:
            return "beats_per_second";
        case AimMeasure::Swing:
            return "swing";
        case AimMeasure::RollToYaw:
            return "roll_to_yaw";
        case AimMeasure::Pitch:
            return "pitch";
        case AimMeasure::CastBalance:
            return "cast_balance";
    }
    return "";
}

const char* nameOf(AimLeverKind kind) {
    switch (kind) {
        case AimLeverKind::LipAngle:
            return "lip_angle";
        case AimLeverKind::LipLength:
            return "lip_length";
        case AimLeverKind::LipWidth:
            return "lip_width";
        case AimLeverKind::TieUpLip:
            return "tie_up_lip";
        case AimLeverKind::TieAlong:
            return "tie_along";
        case AimLeverKind::TieUp:
            return "tie_up";
    }
    return "";
}

Answer aimAnswer(const Design& design, const AimWish& wish) {
    Json json = begun("aim", design);
    const Result<AimAnswer> aimed = aim(design, wish);
    if (!aimed) {
        return refused(std::move(json), aimed.error());
    }
    Json targets = Json::array();
    for (size_t i = 0; i < aimed->targets.size(); ++i) {
        Json j = bandJson(aimed->targets[i]);
        put(j, "best_chance", Quantity::Fraction, aimed->ceilings[i]);
        targets.push_back(j);
    }
    json["targets"] = targets;
    json["as_drawn"] = valuesJson(aimed->drawn);
    Answer answer;
    Json ways = Json::array();
    for (const AimWay& way : aimed->ways) {
        ways.push_back(wayJson(way, *aimed, design));
        answer.designs.push_back(way.design);
    }
    json["ways"] = ways;
    Json shortfalls = Json::array(), relaxations = Json::array();
    for (const AimShortfall& shortfall : aimed->shortfalls) {
        shortfalls.push_back(shortfallJson(shortfall));
    }
    for (const AimRelaxation& relaxation : aimed->relaxations) {
        relaxations.push_back(relaxationJson(relaxation));
    }
    json["shortfalls"] = shortfalls;
    json["relaxations"] = relaxations;
    json["trials"] = aimed->trials;
    answer.met = aimed->ways.front().met;
    answer.json = answerText(json);
    return answer;
}

std::string readableAim(const Answer& answer) {
    const Json json = Json::parse(answer.json);
    if (json.contains("error")) {
        return json["error"]["text"].get<std::string>() + "\n";
    }
    std::string out = "as drawn: " + amountsWords(json["as_drawn"]) + "\n";
    for (const Json& target : json["targets"]) {
        out += "wanted: " + words(target["what"]) + " " + amountsWords(target) + "\n";
    }
    size_t number = 0;
    for (const Json& way : json["ways"]) {
        out += std::to_string(++number) + ". " + words(way["way"]);
        if (way.contains("lever")) {
            out += ": " + words(way["lever"]);
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
            chances += (i == 0 ? "" : ", ") + words(json["targets"][i]["what"]) + " " +
                       std::to_string(std::lround(way["chances_percent"][i].get<double>())) + " %";
        }
        out += "   chances: " + chances + "\n   price: " + amountsWords(way["price"]) +
               (way["price"]["slot_recut"].get<bool>() ? ", the slot cut anew\n" : "\n");
        for (const Json& finding : way["against"]) {
            out += "   " + finding["severity"].get<std::string>() + ": " +
                   finding["text"].get<std::string>() + "\n";
        }
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

}  // namespace wl
