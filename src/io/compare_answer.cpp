#include "io/compare_answer.h"

#include "core/design/fields.h"
#include "io/json_answer.h"

namespace wl {
namespace {

void putSide(AnswerJson& out, const std::string& side, const Field& field) {
    switch (field.kind) {
        case FieldKind::Text:
            out[side] = field.text;
            break;
        case FieldKind::Flag:
            out[side] = field.value == 1.0;
            break;
        case FieldKind::Choice:
            out[side] = field.answers[size_t(field.value.value_or(0))];
            break;
        default:
            if (field.value) {
                put(out, side, field.quantity, *field.value);
            } else {
                out[side] = nullptr;
            }
    }
}

}  // namespace

Answer compareAnswer(const Design& before, const Design& after) {
    AnswerJson json{{"format", "wade-line-answer"},
                    {"about", "compare"},
                    {"design", before.name},
                    {"other", after.name},
                    {"differences", AnswerJson::array()}};
    for (const FieldDifference& d : compareFields(before, after)) {
        const Field& field = d.before ? *d.before : *d.after;
        AnswerJson one{{"path", field.path}, {"of", field.group}, {"label", field.about.label}};
        if (!field.item.empty()) {
            one["name"] = field.item;
        }
        if (d.before) {
            putSide(one, "before", *d.before);
        }
        if (d.after) {
            putSide(one, "after", *d.after);
        }
        json["differences"].push_back(std::move(one));
    }
    return {answerText(json), true, {}};
}

}  // namespace wl
