#include "io/answers.h"

#include <algorithm>

#include "core/plan/lead_choices.h"
#include "core/plan/lead_mends.h"
#include "core/plan/plan_lead.h"
#include "core/plan/size_series.h"
#include "core/reckon/evaluate.h"
#include "core/school/tank_school.h"
#include "core/tank/doubt.h"
#include "core/tank/hook_swaps.h"
#include "core/tank/waters.h"
#include "io/answer_parts.h"
#include "text/sentences.h"

namespace wl {
namespace {

using Json = AnswerJson;

Json findingsJson(const std::vector<Finding>& findings) {
    Json list = Json::array();
    for (const Finding& f : findings) {
        list.push_back(findingJson(f));
    }
    return list;
}

Json choiceJson(const LeadChoice& c) {
    Json j{{"code", c.change.code},
           {"text", fillSentence(englishFor(c.change.code), c.change.values, c.change.words,
                                 Bench::Metric)},
           {"met", c.met},
           {"exact", c.exact}};
    put(j, "mass", Quantity::Mass, c.mass_kg);
    put(j, "missing", Quantity::Mass, c.missingMass_kg);
    put(j, "spare", Quantity::Fraction, c.spare);
    put(j, "pitch", Quantity::Angle, c.pitch_rad);
    put(j, "lead", Quantity::Mass, c.price.lead_kg);
    j["bores"] = c.price.bores;
    put(j, "moved", Quantity::Length, c.price.moved_m);
    put(j, "least_wall", Quantity::Length, c.price.leastWall_m);
    Json bores = Json::array();
    for (const Bore& bore : c.design.bores) {
        Json b{{"name", bore.name}};
        put(b, "plug_length", Quantity::Length,
            bore.lead == BoreLead::Pieces ? 0.0 : bore.plugLength_m);
        Json pieces = Json::array();
        for (const LeadPiece& piece : bore.pieces) {
            if (bore.lead == BoreLead::Pieces) {
                pieces.push_back({{"name", piece.name}, {"count", piece.count}});
            }
        }
        b["pieces"] = pieces;
        bores.push_back(b);
    }
    j["lead_in"] = bores;
    j["findings"] = findingsJson(c.findings);
    return j;
}

Answer choicesAnswer(Json json, const char* key, const std::vector<LeadChoice>& choices) {
    Answer answer;
    Json list = Json::array();
    for (const LeadChoice& c : choices) {
        list.push_back(choiceJson(c));
        answer.designs.push_back(c.design);
        answer.met = answer.met || c.met;
    }
    json[key] = list;
    answer.json = answerText(json);
    return answer;
}

void putCorrected(Json& out, const char* name, Quantity quantity, const Corrected& c) {
    Json j;
    put(j, "drawn", quantity, c.drawn);
    put(j, "corrected", quantity, c.corrected);
    put(j, "doubt", quantity, c.doubt);
    put(j, "doubt_before", quantity, c.doubtBefore);
    out[name] = j;
}

Json chancesJson(const Chances& chances) {
    Json j;
    put(j, "floats", Quantity::Fraction, chances.floats);
    put(j, "hangs", Quantity::Fraction, chances.suspends);
    put(j, "sinks", Quantity::Fraction, chances.sinks);
    return j;
}

// The bait as a log has it seen to sink; null where that is as reckoned, or it cannot be reckoned.
std::shared_ptr<const Derived> asSeen(const Design& design, double sinkSeen) {
    if (sinkSeen == 1.0) {
        return nullptr;
    }
    Result<Derived> drawn = evaluate(design);
    return drawn
               ? std::make_shared<const Derived>(sinkingAsSeen(std::move(drawn).value(), sinkSeen))
               : nullptr;
}

Json begun(const char* about, const Design& design, double sinkSeen) {
    Json json = begun(about, design);
    if (sinkSeen != 1.0) {
        json["sink_by_log"] = sinkSeen;
    }
    return json;
}

}  // namespace

Answer planAnswer(const Design& design, double sinkSeen) {
    Json json = begun("plan", design, sinkSeen);
    const auto near = asSeen(design, sinkSeen);
    const Result<LeadPlan> plan = planLead(design, near.get());
    if (!plan) {
        return refused(std::move(json), plan.error());
    }
    Json bores = Json::array();
    for (size_t i = 0; i < design.bores.size(); ++i) {
        Json b{{"name", design.bores[i].name}};
        put(b, "plug_length", Quantity::Length, plan->plugLengths_m[i]);
        put(b, "plug_mass", Quantity::Mass, plan->plugMasses_kg[i]);
        bores.push_back(b);
    }
    json["plugs"] = bores;
    put(json, "wanted_mass", Quantity::Mass, plan->wantedMass_kg);
    put(json, "reached_mass", Quantity::Mass, plan->reachedMass_kg);
    put(json, "wanted_pitch", Quantity::Angle, plan->wantedPitch_rad);
    put(json, "reached_pitch", Quantity::Angle, plan->reachedPitch_rad);
    put(json, "reached_spare", Quantity::Fraction, plan->reachedSpare);
    put(json, "missing_mass", Quantity::Mass, plan->missingMass_kg);
    put(json, "missing_moment", Quantity::Moment, plan->missingMoment_kg_m);
    Json pieces = Json::array();
    for (const double pitch : plan->piecePitches_rad) {
        pieces.push_back(toFile(Quantity::Angle, pitch));
    }
    json["piece_pitches_deg"] = pieces;
    json["findings"] = findingsJson(plan->findings);
    const bool met = std::none_of(plan->findings.begin(), plan->findings.end(),
                                  [](const Finding& f) { return f.severity != Severity::Note; });
    return {answerText(json), met, {plan->design}};
}

Answer waysAnswer(const Design& design, const Shelf& shelf, double sinkSeen) {
    const auto near = asSeen(design, sinkSeen);
    const Result<std::vector<LeadChoice>> ways = leadChoices(design, shelf.pieces, {}, near.get());
    Json json = begun("ways", design, sinkSeen);
    return ways ? choicesAnswer(std::move(json), "ways", *ways)
                : refused(std::move(json), ways.error());
}

Answer mendsAnswer(const Design& design, const Shelf& shelf, double sinkSeen) {
    Json json = begun("mends", design, sinkSeen);
    const auto near = asSeen(design, sinkSeen);
    const Result<LeadChoice> asItIs =
        planPlugs({"choice.cut_plugs", Severity::Note, {}}, design, near.get());
    if (!asItIs) {
        return refused(std::move(json), asItIs.error());
    }
    json["met_as_it_is"] = asItIs->met;
    Answer answer = choicesAnswer(std::move(json), "mends",
                                  leadMends(design, mendShelfOf(shelf), {}, near.get()));
    answer.met = answer.met || asItIs->met;
    return answer;
}

Answer swapsAnswer(const Design& design, const Shelf& shelf, const std::vector<double>& speeds,
                   size_t most) {
    Json json = begun("swaps", design);
    const Result<Derived> derived = evaluate(design);
    if (!derived) {
        return refused(std::move(json), derived.error());
    }
    std::vector<Fitting> hooks;
    for (const auto& row : shelf.fittings) {
        if (isHook(row.item.kind)) {
            hooks.push_back(row.item);
        }
    }
    const HookSwaps swaps = computeHookSwaps(design, *derived, hooks);
    Answer answer;
    const auto setJson = [&](const HookSet& set) {
        Json names = Json::array();
        for (const size_t hook : set.hooks) {
            names.push_back(hooks[hook].name);
        }
        Json j{{"hooks", names}, {"clear", set.meetings.empty()}};
        put(j, "mass", Quantity::Mass, set.mass_kg);
        put(j, "hooks_weigh", Quantity::Mass, set.hooks_kg);
        putStill(j, set);
        answer.designs.push_back(withHooks(design, swaps, set, hooks));
        return j;
    };
    if (speeds.empty()) {
        Json sets = Json::array();
        for (size_t i = 0; i < std::min(most, swaps.sets.size()); ++i) {
            sets.push_back(setJson(swaps.sets[i]));
        }
        json["sets"] = sets;
        json["tried"] = swaps.sets.size();
        answer.met = !swaps.sets.empty();
    } else {
        const auto near = setsForSpeeds(swaps, derived->rest->pitch_rad, speeds, most);
        Json wishes = Json::array();
        answer.met = true;
        for (size_t i = 0; i < speeds.size(); ++i) {
            Json wish, sets = Json::array();
            put(wish, "wanted", Quantity::Speed, speeds[i]);
            for (const size_t index : near[i]) {
                sets.push_back(setJson(swaps.sets[index]));
            }
            answer.met = answer.met && !near[i].empty();
            wish["sets"] = sets;
            wishes.push_back(wish);
        }
        json["nearest"] = wishes;
    }
    answer.json = answerText(json);
    return answer;
}

Answer watersAnswer(const Design& design, const std::vector<double>& temperatures,
                    const std::vector<double>& salinities) {
    Json json = begun("waters", design);
    const Result<Derived> derived = evaluate(design);
    if (!derived) {
        return refused(std::move(json), derived.error());
    }
    Json rows = Json::array();
    for (const auto& row : computeWaters(design, *derived, temperatures, salinities)) {
        for (const InWater& w : row) {
            Json j;
            put(j, "temperature", Quantity::Temperature, w.temperature_K);
            put(j, "salinity", Quantity::Salinity, w.salinity);
            put(j, "density", Quantity::Density, w.waterDensity_kg_m3);
            putStill(j, w);
            rows.push_back(j);
        }
    }
    json["waters"] = rows;
    return {answerText(json), true, {}};
}

Answer schoolAnswer(const Design& design) {
    Json json = begun("school", design);
    const Result<TankInference> said = inferFromTank(design);
    if (!said) {
        return refused(std::move(json), said.error());
    }
    Json readings = Json::array();
    bool reckoned = true;
    for (const ReadingFit& fit : said->fits) {
        Json j{{"reading", fit.reading + 1}, {"reckoned", fit.reckoned}};
        put(j, "seen", fit.quantity, fit.seen);
        if (fit.reckoned) {
            put(j, "as_drawn", fit.quantity, fit.before);
            put(j, "corrected", fit.quantity, fit.after);
        }
        put(j, "error", fit.quantity, fit.error);
        readings.push_back(j);
        reckoned = reckoned && fit.reckoned;
    }
    json["readings"] = readings;
    putCorrected(json, "mass", Quantity::Mass, said->mass_kg);
    putCorrected(json, "displaced_volume", Quantity::Volume, said->volume_m3);
    putCorrected(json, "centre_of_gravity_aft", Quantity::Length, said->gravityX_m);
    putCorrected(json, "centre_of_gravity_port", Quantity::Length, said->gravityY_m);
    putCorrected(json, "centre_of_gravity_up", Quantity::Length, said->gravityZ_m);
    putCorrected(json, "centre_of_buoyancy_aft", Quantity::Length, said->buoyancyX_m);
    put(json, "misfit", Quantity::Number, said->misfit);
    put(json, "add_mass", Quantity::Mass, said->addMass_kg);
    if (said->addInBody) {
        put(json, "add_at", Quantity::Length, said->addX_m);
    }
    put(json, "move_moment", Quantity::Moment, said->moveMoment_kg_m);
    Design corrected = design;
    corrected.tank.correction = said->correction;
    corrected.tank.correction.applied = true;
    return {answerText(json), reckoned, {corrected}};
}

Answer seriesAnswer(const Design& design, const std::vector<double>& lengths) {
    Json json = begun("series", design);
    Answer answer;
    answer.met = true;
    Json rows = Json::array();
    for (const double length : lengths) {
        const SizeRow row = evaluateSize(design, length);
        Json j;
        put(j, "length", Quantity::Length, length);
        j["meets_brief"] = row.known && row.leadMeets;
        if (row.known) {
            put(j, "volume", Quantity::Volume, row.volume_m3);
            put(j, "mass", Quantity::Mass, row.mass_kg);
            put(j, "wanted_mass", Quantity::Mass, row.wantedMass_kg);
            put(j, "missing_mass", Quantity::Mass, row.missingMass_kg);
            put(j, "spare", Quantity::Fraction, row.spare);
            put(j, "pitch", Quantity::Angle, row.pitch_rad);
            put(j, "sink_speed", Quantity::Speed, row.sinkSpeed_m_s);
        } else {
            j["error"] = errorJson({row.error, "", {}, {}});
        }
        if (row.refusal) {
            j["refusal"] = errorJson(*row.refusal);
        }
        answer.met = answer.met && row.known && row.leadMeets;
        answer.designs.push_back(row.design);
        rows.push_back(j);
    }
    json["sizes"] = rows;
    answer.json = answerText(json);
    return answer;
}

Answer doubtAnswer(const Design& design, size_t draws, std::uint64_t seed) {
    Json json = begun("doubt", design);
    const Result<Derived> derived = evaluate(design);
    if (!derived) {
        return refused(std::move(json), derived.error());
    }
    const Doubt doubt = computeDoubt(design, *derived);
    put(json, "net", Quantity::Mass, doubt.net_kg);
    put(json, "standard_uncertainty", Quantity::Mass, doubt.standard_kg);
    json["chances"] = chancesJson(doubt.chances);
    put(json, "wrong", Quantity::Fraction, doubt.wrong);
    Json sources = Json::array();
    for (const DoubtSource& s : doubt.sources) {
        Json j{{"code", s.code}, {"name", s.name}, {"path", s.path}};
        put(j, "standard_uncertainty", Quantity::Mass, s.effect_kg);
        put(j, "measured_better", Quantity::Mass, s.better_kg);
        put(j, "share", Quantity::Fraction, s.share);
        sources.push_back(j);
    }
    json["sources"] = sources;
    Json better = Json::array();
    for (const Improvement& i : doubt.improvements) {
        Json j{{"code", doubt.sources[i.source].code}, {"path", doubt.sources[i.source].path}};
        put(j, "wrong_after", Quantity::Fraction, i.wrongAfter);
        put(j, "standard_uncertainty_after", Quantity::Mass, i.standardAfter_kg);
        better.push_back(j);
    }
    json["measure_better"] = better;
    if (draws > 0) {
        const SampledDoubt sampled = sampleDoubt(design, *derived, draws, seed);
        Json j{{"draws", sampled.drawn}, {"seed", seed}, {"chances", chancesJson(sampled.chances)}};
        put(j, "mean", Quantity::Mass, sampled.mean_kg);
        put(j, "standard_uncertainty", Quantity::Mass, sampled.standard_kg);
        json["sampled"] = j;
    }
    return {answerText(json), true, {}};
}

}  // namespace wl
