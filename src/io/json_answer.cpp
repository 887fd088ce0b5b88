#include "io/json_answer.h"

#include <cmath>

#include "core/design/describe.h"
#include "text/sentences.h"

namespace wl {

using Json = AnswerJson;

void put(Json& out, const std::string& name, Quantity quantity, double value) {
    if (std::isfinite(value)) {
        out[name + std::string(fileSuffix(quantity))] = toFile(quantity, value);
    }
}

void putPlace(Json& out, const std::string& name, const Eigen::Vector3d& v) {
    out[name + "_mm"] = {toFile(Quantity::Length, v.x()), toFile(Quantity::Length, v.y()),
                         toFile(Quantity::Length, v.z())};
}

Json findingJson(const Finding& f) {
    static const char* const severities[] = {"error", "warning", "note"};
    Json values = Json::array();
    for (const Amount& a : f.values) {
        Json value = Json::object();
        put(value, "value", a.quantity, a.value);
        values.push_back(value);
    }
    Json edits = Json::array();
    for (const ProposedEdit& e : f.edits) {
        Json changes = Json::array();
        for (const FieldChange& c : e.changes) {
            changes.push_back(
                c.text ? Json{{"path", c.path}, {"text", *c.text}}
                       : Json{{"path", c.path}, {"value_si", c.value ? Json(*c.value) : Json()}});
        }
        Json meetings = Json::array();
        for (const Meeting& m : e.meetings) {
            const auto end = [](const MeetingEnd& of) {
                return Json{{"of", kRecordLists[size_t(of.of)].key}, {"name", of.name}};
            };
            meetings.push_back({{"kind", kMeetingKinds[size_t(m.kind)].key},
                                {"first", end(m.first)},
                                {"second", end(m.second)}});
        }
        edits.push_back(
            {{"code", e.code},
             {"text", fillSentence(englishFor(e.code), e.values, e.words, Bench::Metric)},
             {"changes", changes},
             {"meetings", meetings}});
    }
    return {{"code", f.code},
            {"severity", severities[static_cast<int>(f.severity)]},
            {"path", f.path},
            {"values", values},
            {"words", f.words},
            {"text", fillSentence(englishFor(f.code), f.values, f.words, Bench::Metric)},
            {"edits", edits}};
}

Json errorJson(const Error& e) {
    return {{"code", e.code},
            {"path", e.path},
            {"text", fillSentence(englishFor(e.code), e.values, e.words, Bench::Metric)}};
}

std::string answerText(const Json& json) {
    return json.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

}  // namespace wl
