#include "core/design/fields.h"

#include <algorithm>
#include <cmath>

#include "core/design/describe.h"

namespace wl {
namespace {

// Where a field's value stands: one of the three.
struct Slot {
    double* plain;
    std::optional<double>* maybe;
    int* count;
};

template <class OnField>
class FieldWalk {
  public:
    /// `only`: the one path wanted, to pass over every group that cannot hold it; empty: all.
    FieldWalk(OnField onField, std::string_view only) : onField_(onField), only_(only) {}

    void number(std::string_view name, Quantity quantity, double& value, double min, double max) {
        if (wanted(name)) {
            onField_(pathOf(name), quantity, min, max, Slot{&value, nullptr, nullptr});
        }
    }
    void count(std::string_view name, int& value, int min, int max) {
        if (wanted(name)) {
            onField_(pathOf(name), Quantity::Number, min, max, Slot{nullptr, nullptr, &value});
        }
    }
    void optional(std::string_view name, Quantity quantity, std::optional<double>& value,
                  double min, double max) {
        if (wanted(name)) {
            onField_(pathOf(name), quantity, min, max, Slot{nullptr, &value, nullptr});
        }
    }
    void text(std::string_view name, std::string& value, size_t maxBytes) {
        if (!only_.empty() && wanted(name) && mayHold()) {
            text_ = &value;
            textBytes_ = maxBytes;
        }
    }
    void flag(std::string_view, bool&) {}
    void mesh(std::string_view, SharedMesh&, size_t) {}
    void bytes(std::string_view, SharedBytes&, size_t) {}
    template <class E, size_t N>
    void choice(std::string_view, E&, const std::array<std::string_view, N>&) {}
    template <class T>
    void group(std::string_view name, T& value) {
        const std::string before = path_;
        path_ += "/" + std::string(name);
        if (mayHold()) {
            describe(*this, value);
        }
        path_ = before;
    }
    template <class T>
    void list(std::string_view name, std::vector<T>& items, size_t, size_t) {
        const std::string before = path_;
        for (size_t i = 0; i < items.size(); ++i) {
            path_ = before + "/" + std::string(name) + "/" + std::to_string(i);
            if (mayHold()) {
                describe(*this, items[i]);
            }
        }
        path_ = before;
    }

    /// The text field at the one path wanted, and the bytes it takes; null when there is none.
    std::string* textFound() const { return text_; }
    size_t textBytes() const { return textBytes_; }

  private:
    std::string pathOf(std::string_view name) const { return path_ + "/" + std::string(name); }
    bool wanted(std::string_view name) const {
        return only_.empty() ||
               (only_.size() == path_.size() + 1 + name.size() && only_.ends_with(name));
    }
    bool mayHold() const {
        return only_.empty() || (only_.size() > path_.size() && only_[path_.size()] == '/' &&
                                 only_.starts_with(path_));
    }
    OnField onField_;
    std::string_view only_;
    std::string path_;
    std::string* text_ = nullptr;
    size_t textBytes_ = 0;
};

template <class OnField>
void walkFields(Design& design, std::string_view only, OnField onField) {
    FieldWalk<OnField> walk(onField, only);
    describe(walk, design);
}

std::vector<Field> fieldsOf(const Design& design, std::string_view only) {
    Design copy = design;
    std::vector<Field> fields;
    walkFields(
        copy, only,
        [&fields](const std::string& path, Quantity quantity, double min, double max, Slot slot) {
            const std::optional<double> value = slot.count   ? double(*slot.count)
                                                : slot.plain ? *slot.plain
                                                             : *slot.maybe;
            fields.push_back(
                {path, quantity, min, max, slot.maybe != nullptr, slot.count != nullptr, value});
        });
    return fields;
}

}  // namespace

std::vector<Field> listFields(const Design& design) {
    return fieldsOf(design, {});
}

std::optional<Field> findField(const Design& design, std::string_view path) {
    for (Field& field : fieldsOf(design, path)) {
        if (field.path == path) {
            return std::move(field);
        }
    }
    return std::nullopt;
}

Result<Design> withField(const Design& design, std::string_view path, std::optional<double> value) {
    Design copy = design;
    std::optional<Error> error = Error{"field.unknown", std::string(path), {}, {}};
    walkFields(copy, path,
               [&](const std::string& at, Quantity quantity, double min, double max, Slot slot) {
                   if (at != path) {
                       return;
                   }
                   error.reset();
                   if (!value) {
                       if (slot.maybe == nullptr) {
                           error = Error{"field.required", at, {}, {}};
                       } else {
                           slot.maybe->reset();
                       }
                   } else if (!(*value >= min && *value <= max)) {
                       error = Error{"field.out_of_range",
                                     at,
                                     {},
                                     {{quantity, *value}, {quantity, min}, {quantity, max}}};
                   } else if (slot.count != nullptr) {
                       if (*value != std::round(*value)) {
                           error = Error{"field.not_whole", at, {}, {{quantity, *value}}};
                       } else {
                           *slot.count = int(*value);
                       }
                   } else if (slot.plain != nullptr) {
                       *slot.plain = *value;
                   } else {
                       *slot.maybe = value;
                   }
               });
    if (error) {
        return *error;
    }
    return copy;
}

Result<Design> withText(const Design& design, std::string_view path, const std::string& text) {
    Design copy = design;
    auto noNumber = [](auto&&...) {};
    FieldWalk<decltype(noNumber)> walk(noNumber, path);
    describe(walk, copy);
    if (path.empty() || walk.textFound() == nullptr) {
        return Error{"field.unknown", std::string(path), {}, {}};
    }
    if (text.size() > walk.textBytes()) {
        return Error{
            "file.too_long", std::string(path), {}, {{Quantity::Number, double(walk.textBytes())}}};
    }
    *walk.textFound() = text;
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

}  // namespace wl
