#include "io/aim_answer.h"

#include <cmath>

#include "core/base/decimal.h"
#include "core/reckon/evaluate.h"
#include "core/reckon/tow.h"
#include "io/answer_parts.h"
#include "io/by_log_answer.h"
#include "io/report_swim.h"

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
        case AimWay::Kind::OtherOutline:
            return "other_outline";
        case AimWay::Kind::OneBore:
            return "one_bore";
        case AimWay::Kind::NoTungsten:
            return "no_tungsten";
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
    if (way.kind == AimWay::Kind::OtherOutline) {
        static const char* const kOutlines[] = {"rounded", "cut",  "oval",
                                                "waisted", "disc", "free"};
        j["outline"] = kOutlines[size_t(way.design.lip.family)];
    }
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
    price["bores"] = way.price.bores;
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

void putByLog(Json& json, const AimLog& log) {
    if (Json taught = byLogJson(log); !taught.empty()) {
        json["by_log"] = std::move(taught);
    }
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
    putByLog(json, wish.log);
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

Answer sizesAnswer(const Design& design, const AimWish& wish, const std::vector<double>& lengths_m,
                   const Shelf& shelf) {
    Json json = begun("sizes", design);
    std::vector<Fitting> fittings;
    for (const auto& row : shelf.fittings) {
        fittings.push_back(row.item);
    }
    const auto sizes = aimSizes(design, wish, lengths_m, fittings);
    if (!sizes) {
        return refused(std::move(json), sizes.error());
    }
    Answer answer;
    answer.met = true;
    Json list = Json::array();
    for (const AimedSize& size : *sizes) {
        Json j = Json::object();
        put(j, "length", Quantity::Length, size.length_m);
        j["hooks"] = size.hooks;
        if (size.answer) {
            j["targets"] = Json::array();
            for (const AimTarget& target : size.answer->targets) {
                j["targets"].push_back(bandJson(target));
            }
            j["way"] = wayJson(size.answer->ways.front(), *size.answer, size.scaled);
            answer.designs.push_back(size.answer->ways.front().design);
        } else {
            j["error"] = errorJson(*size.refusal);
        }
        answer.met = answer.met && size.met();
        list.push_back(j);
    }
    json["sizes"] = list;
    putByLog(json, wish.log);
    answer.json = answerText(json);
    return answer;
}

Answer jointsAnswer(const Design& design, const JointWish& wish, size_t most) {
    Json json = begun("joints", design);
    const Result<Derived> derived = evaluate(design);
    if (!derived) {
        return refused(std::move(json), derived.error());
    }
    if (design.joints.empty()) {
        return refused(std::move(json), {"aim.no_joints", "/joints", {}, {}});
    }
    const auto ways = aimJoints(*derived, wish, towSpeed_m_s(*derived));
    if (!ways) {
        return refused(std::move(json), ways.error());
    }
    Answer answer;
    Json list = Json::array();
    for (size_t i = 0; i < std::min(most, ways->size()); ++i) {
        const JointWay& way = (*ways)[i];
        Json j{{"joint", design.joints[way.joint].name}, {"met", way.met}};
        put(j, "at", Quantity::Length, way.place_m);
        put(j, "opens", Quantity::Angle, way.opening_rad);
        put(j, "bevel", Quantity::Angle, way.bevel_rad);
        if (way.does.of > 0) {
            j["runs_that_swim"] = way.does.swims;
            j["runs"] = way.does.of;
            put(j, "beats_per_second_low", Quantity::Number, way.does.beats_1_s.low);
            put(j, "beats_per_second_high", Quantity::Number, way.does.beats_1_s.high);
        } else {
            j["verdict"] = nameOf(way.does.verdict);
            put(j, "turn", Quantity::Angle, way.does.turn_rad);
            put(j, "width", Quantity::Distance, way.does.width_m);
        }
        Json against = Json::array();
        for (const Finding& finding : way.against) {
            against.push_back(findingJson(finding));
        }
        j["against"] = against;
        list.push_back(j);
        answer.designs.push_back(way.design);
    }
    json["joints"] = list;
    if (wish.beatsSeen) {
        json["beats_by_log"] = *wish.beatsSeen;
    }
    json["tried"] = ways->size();
    answer.met = !ways->empty() && ways->front().met;
    answer.json = answerText(json);
    return answer;
}

}  // namespace wl
