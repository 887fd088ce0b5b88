#include "io/weights_answer.h"

#include "core/base/decimal.h"
#include "io/answer_parts.h"

namespace wl {
namespace {

using Json = AnswerJson;

Json waterJson(const FishedWater& water) {
    Json j = Json::object();
    put(j, "temperature", Quantity::Temperature, water.temperature_K);
    put(j, "salinity", Quantity::Salinity, water.salinity);
    return j;
}

std::string shown(const Json& j, const char* key, const char* unit) {
    return decimalText(j[key].get<double>(), 4) + " " + unit;
}

std::string stillWords(const Json& j) {
    std::string out = j["state"].get<std::string>();
    out += j["state"] == "floats" ? ", spare " + shown(j, "spare_percent", "%") : "";
    out += j["state"] == "sinks" ? " at " + shown(j, "speed_m_s", "m/s") : "";
    return out + (j.contains("pitch_deg") ? ", nose up " + shown(j, "pitch_deg", "deg")
                                          : std::string(", any way up"));
}

void putByLog(Json& json, double sinkSeen) {
    if (sinkSeen != 1.0) {
        json["sink_by_log"] = sinkSeen;
    }
}

std::string sinkByLog(const Json& json) {
    return json.contains("sink_by_log")
               ? "by the log: sinks times " + decimalText(json["sink_by_log"].get<double>(), 3) +
                     "\n"
               : std::string();
}

std::string waterWords(const Json& j) {
    return shown(j, "temperature_degC", "degC") + ", " + shown(j, "salinity_g_kg", "g/kg");
}

}  // namespace

Answer weightsAnswer(const Design& design, const std::vector<FishedWater>& waters,
                     const std::vector<double>& leads_kg, double sinkSeen) {
    Json json = begun("weights", design);
    const auto weights = bellyWeights(design, waters, leads_kg, {}, {}, sinkSeen);
    putByLog(json, sinkSeen);
    if (!weights) {
        return refused(std::move(json), weights.error());
    }
    Answer answer;
    Json list = Json::array();
    std::vector<bool> wished(waters.size(), false);
    for (const BellyWeight& weight : *weights) {
        Json j = Json::object();
        switch (weight.what) {
            case BellyWeight::For::Brief:
                j["for_water"] = waterJson(waters[weight.water]);
                break;
            case BellyWeight::For::Rate:
                put(j, "for_rate", Quantity::Speed, weight.asked);
                break;
            case BellyWeight::For::Typed:
                put(j, "asked", Quantity::Mass, weight.asked);
                break;
        }
        if (weight.refusal) {
            j["error"] = errorJson(*weight.refusal);
            list.push_back(j);
            continue;
        }
        put(j, "lead", Quantity::Mass, weight.lead_kg);
        put(j, "more", Quantity::Mass, weight.more_kg);
        j["lead_met"] = weight.leadMet;
        Json in = Json::array();
        for (size_t w = 0; w < weight.in.size(); ++w) {
            Json rest = waterJson(waters[w]);
            putStill(rest, weight.in[w]);
            rest["as_wished"] = bool(weight.asWished[w]);
            wished[w] = wished[w] || weight.asWished[w];
            in.push_back(rest);
        }
        j["in"] = in;
        list.push_back(j);
        answer.designs.push_back(weight.design);
    }
    json["weights"] = list;
    answer.met = std::all_of(wished.begin(), wished.end(), [](bool met) { return met; });
    answer.json = answerText(json);
    return answer;
}

Answer hookRatesAnswer(const Design& design, const Shelf& shelf,
                       const std::vector<double>& rates_m_s, double sinkSeen) {
    Json json = begun("rates", design);
    std::vector<Fitting> hooks;
    for (const auto& row : shelf.fittings) {
        hooks.push_back(row.item);
    }
    const auto found = hooksForRates(design, hooks, rates_m_s, {}, {}, sinkSeen);
    putByLog(json, sinkSeen);
    if (!found) {
        return refused(std::move(json), found.error());
    }
    put(json, "lead", Quantity::Mass, found->lead_kg);
    put(json, "more", Quantity::Mass, found->more_kg);
    Answer answer;
    Json list = Json::array();
    for (const RatedHooks& rate : found->rates) {
        Json j = Json::object(), names = Json::array();
        put(j, "wanted", Quantity::Speed, rate.wanted_m_s);
        for (const Fitting& hook : rate.hooks) {
            names.push_back(hook.name);
        }
        j["hooks"] = names;
        j["met"] = rate.met;
        if (!rate.hooks.empty()) {
            put(j, "speed", Quantity::Speed, rate.speed_m_s);
            put(j, "pitch", Quantity::Angle, rate.pitch_rad);
            j["clear"] = rate.clear;
            j["level"] = rate.level;
            answer.designs.push_back(rate.design);
        }
        list.push_back(j);
    }
    json["rates"] = list;
    answer.met = found->met;
    answer.json = answerText(json);
    return answer;
}

std::string readableWeights(const Answer& answer) {
    const Json json = Json::parse(answer.json);
    if (json.contains("error")) {
        return json["error"]["text"].get<std::string>() + "\n";
    }
    std::string out = sinkByLog(json);
    if (json.contains("rates")) {
        out += "lead " + shown(json, "lead_g", "g") + ", more than drawn " +
               shown(json, "more_g", "g") + "\n";
        for (const Json& rate : json["rates"]) {
            out += shown(rate, "wanted_m_s", "m/s") + ": ";
            std::string names;
            for (const Json& name : rate["hooks"]) {
                names += (names.empty() ? "" : " + ") + name.get<std::string>();
            }
            out += names.empty() ? "no set on the shelf"
                                 : names + ", sinks " + shown(rate, "speed_m_s", "m/s") +
                                       ", nose up " + shown(rate, "pitch_deg", "deg");
            out += rate["met"].get<bool>() ? "\n" : " (not as wanted)\n";
        }
        return out;
    }
    for (const Json& weight : json["weights"]) {
        out += weight.contains("for_water")      ? "for " + waterWords(weight["for_water"])
               : weight.contains("for_rate_m_s") ? "to sink " + shown(weight, "for_rate_m_s", "m/s")
                                                 : "as asked";
        if (weight.contains("error")) {
            out += ": " + weight["error"]["text"].get<std::string>() + "\n";
            continue;
        }
        out += ": lead " + shown(weight, "lead_g", "g") +
               (weight["lead_met"].get<bool>() ? "\n"
                                               : " (the bores do not give mass and attitude)\n");
        for (const Json& rest : weight["in"]) {
            out += "   " + waterWords(rest) + ": " + stillWords(rest) +
                   (rest["as_wished"].get<bool>() ? " (as wished)\n" : "\n");
        }
    }
    return out;
}

}  // namespace wl
