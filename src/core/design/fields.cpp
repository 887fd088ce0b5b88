#include "core/design/fields.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "core/design/field_walk.h"
#include "core/design/records.h"

namespace wl {
namespace {

void walkFields(Design& design, std::string_view only, FieldWalk::OnField onField) {
    FieldWalk walk(std::move(onField), {}, only);
    describe(walk, design);
}

// Calls with the list at that path, if there is one.
void atList(Design& design, std::string_view path,
            const std::function<void(const ListSlot&)>& onList) {
    // A field no list has: its groups are walked down to the list, and none of its items.
    const std::string only = std::string(path) + "/";
    FieldWalk walk(
        {},
        [&](std::string_view at, const ListSlot& list) {
            if (at == path) {
                onList(list);
            }
        },
        only);
    describe(walk, design);
}

// A walk that only looks changes nothing.
Design& lookedAt(const Design& design) {
    return const_cast<Design&>(design);
}

std::vector<Field> fieldsOf(const Design& design, std::string_view only) {
    std::vector<Field> fields;
    walkFields(lookedAt(design), only,
               [&fields](Field field, const FieldSlot&) { fields.push_back(std::move(field)); });
    return fields;
}

std::optional<Error> put(const Field& field, const FieldSlot& slot, std::optional<double> value) {
    if (slot.text != nullptr) {
        return Error{"field.unknown", field.path, {}, {}};
    }
    if (!value) {
        if (slot.maybe == nullptr) {
            return Error{"field.required", field.path, {}, {}};
        }
        slot.maybe->reset();
        return std::nullopt;
    }
    if (!(*value >= field.min && *value <= field.max)) {
        return Error{
            "field.out_of_range",
            field.path,
            {},
            {{field.quantity, *value}, {field.quantity, field.min}, {field.quantity, field.max}}};
    }
    if (field.kind != FieldKind::Number && *value != std::round(*value)) {
        return Error{"field.not_whole", field.path, {}, {{field.quantity, *value}}};
    }
    if (slot.plain != nullptr) {
        *slot.plain = *value;
    } else if (slot.maybe != nullptr) {
        *slot.maybe = value;
    } else if (slot.count != nullptr) {
        *slot.count = int(*value);
    } else if (slot.flag != nullptr) {
        *slot.flag = *value != 0;
    } else {
        slot.choose(slot.choice, int(*value));
    }
    return std::nullopt;
}

}  // namespace

std::vector<Field> listFields(const Design& design) {
    return fieldsOf(design, {});
}

std::optional<Field> findField(const Design& design, std::string_view path) {
    std::vector<Field> found;
    if (!path.empty()) {
        found = fieldsOf(design, path);
    }
    return found.empty() ? std::nullopt : std::optional(std::move(found.front()));
}

std::vector<Field> itemFields(const Design& design, std::string_view listPath) {
    std::vector<Field> fields;
    atList(lookedAt(design), listPath, [&](const ListSlot& list) {
        FieldWalk walk(
            [&fields](Field field, const FieldSlot&) { fields.push_back(std::move(field)); }, {},
            {}, std::string(listPath) + "/0");
        list.walkNew(walk);
    });
    return fields;
}

size_t listSize(const Design& design, std::string_view listPath) {
    size_t size = 0;
    atList(lookedAt(design), listPath,
           [&size](const ListSlot& list) { size = list.size(list.items); });
    return size;
}

Result<Design> withoutItem(const Design& design, std::string_view listPath, size_t row) {
    Design copy = design;
    bool taken = false;
    atList(copy, listPath, [&](const ListSlot& list) {
        if (row < list.size(list.items)) {
            list.erase(list.items, row);
            taken = true;
        }
    });
    if (!taken) {
        return Error{"field.unknown", std::string(listPath) + "/" + std::to_string(row), {}, {}};
    }
    return copy;
}

Result<Design> withItemCopied(const Design& design, std::string_view listPath, size_t row,
                              double aft_m) {
    Design copy = design;
    bool taken = false;
    atList(copy, listPath, [&](const ListSlot& list) {
        if (row < list.size(list.items)) {
            list.copyBehind(list.items, row);
            taken = true;
        }
    });
    const std::string list(listPath), at = list + "/" + std::to_string(row + 1);
    if (!taken) {
        return Error{"field.unknown", list + "/" + std::to_string(row), {}, {}};
    }
    if (const auto x = findField(copy, at + "/x"); x && x->value) {
        if (Result<Design> moved =
                withField(copy, at + "/x", std::clamp(*x->value + aft_m, x->min, x->max))) {
            copy = std::move(moved).value();
        }
    }
    // Not withText: the names that follow a change of name are those of the first one.
    const auto name = findField(copy, at + "/name");
    for (int i = 2; name; ++i) {
        const std::string fresh = name->text + " " + std::to_string(i);
        bool free = true;
        for (size_t k = 0; k < listSize(copy, list); ++k) {
            const auto other = findField(copy, list + "/" + std::to_string(k) + "/name");
            free = free && !(other && other->text == fresh);
        }
        if (free) {
            walkFields(copy, at + "/name", [&](const Field&, const FieldSlot& slot) {
                if (slot.text != nullptr) {
                    *slot.text = fresh;
                }
            });
            break;
        }
    }
    return copy;
}

Result<Design> withItemMirrored(const Design& design, std::string_view listPath, size_t row) {
    const std::string list(listPath), from = list + "/" + std::to_string(row);
    const auto value = [&design, &from](const char* name) {
        const std::optional<Field> field = findField(design, from + name);
        return field ? field->value.value_or(0.0) : 0.0;
    };
    if (value("/mirrored") == 1.0) {
        return Error{"edit.both_sides_already", from, {}, {}};
    }
    const bool flank = list == "/side_weights";
    const double y = value("/y");
    if (!flank && y == 0) {
        return Error{"edit.no_other_side", from, {}, {}};
    }
    Result<Design> copy = withItemCopied(design, listPath, row, 0.0);
    if (!copy) {
        return copy;
    }
    const std::string at = list + "/" + std::to_string(row + 1);
    return flank ? withField(*copy, at + "/from", 1.0 - value("/from"))
                 : withField(*copy, at + "/y", -y);
}

Result<Design> withField(const Design& design, std::string_view path, std::optional<double> value) {
    Design copy = design;
    std::optional<Error> error = Error{"field.unknown", std::string(path), {}, {}};
    if (!path.empty()) {
        walkFields(copy, path, [&](const Field& field, const FieldSlot& slot) {
            error = put(field, slot, value);
        });
    }
    if (error) {
        return *error;
    }
    return copy;
}

Result<Design> withText(const Design& design, std::string_view path, const std::string& text) {
    Design copy = design;
    std::optional<Error> error = Error{"field.unknown", std::string(path), {}, {}};
    if (!path.empty()) {
        walkFields(copy, path, [&](const Field& field, const FieldSlot& slot) {
            if (slot.text == nullptr) {
                return;
            }
            error.reset();
            if (double(text.size()) > field.max) {
                error = Error{"file.too_long", field.path, {}, {{Quantity::Number, field.max}}};
            } else {
                const std::string before = *slot.text;
                *slot.text = text;
                followName(copy, field.path, before, text);
            }
        });
    }
    if (error) {
        return *error;
    }
    return copy;
}

Result<Design> withEdit(const Design& design, const ProposedEdit& edit) {
    Design edited = design;
    for (const FieldChange& change : edit.changes) {
        Result<Design> next = change.text ? withText(edited, change.path, *change.text)
                                          : withField(edited, change.path, change.value);
        if (!next) {
            return next;
        }
        edited = std::move(next).value();
    }
    for (const Meeting& meeting : edit.meetings) {
        auto& meant = edited.meetings;
        if (std::find(meant.begin(), meant.end(), meeting) == meant.end() &&
            meant.size() < kMostMeetings) {
            meant.push_back(meeting);
        }
    }
    return edited;
}

std::vector<FieldDifference> compareFields(const Design& before, const Design& after) {
    std::map<std::string, Field> others;
    for (Field& field : listFields(after)) {
        others.emplace(field.path, std::move(field));
    }
    std::vector<FieldDifference> differences;
    for (Field& field : listFields(before)) {
        const auto other = others.find(field.path);
        if (other == others.end()) {
            differences.push_back({std::move(field), std::nullopt});
            continue;
        }
        if (field.value != other->second.value || field.text != other->second.text) {
            differences.push_back({std::move(field), std::move(other->second)});
        }
        others.erase(other);
    }
    for (Field& field : listFields(after)) {
        if (others.count(field.path) > 0) {
            differences.push_back({std::nullopt, std::move(field)});
        }
    }
    return differences;
}

}  // namespace wl
