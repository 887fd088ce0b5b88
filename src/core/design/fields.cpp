#include "core/design/fields.h"

#include <cmath>

#include "core/design/describe.h"

namespace wl {
namespace {

template <class OnField>
class FieldWalk {
  public:
    explicit FieldWalk(OnField onField) : onField_(onField) {}

    void number(std::string_view name, Quantity quantity, double& value, double min, double max) {
        onField_(path_ + "/" + std::string(name), quantity, min, max, &value,
                 static_cast<std::optional<double>*>(nullptr));
    }
    void optional(std::string_view name, Quantity quantity, std::optional<double>& value,
                  double min, double max) {
        onField_(path_ + "/" + std::string(name), quantity, min, max, static_cast<double*>(nullptr),
                 &value);
    }
    void text(std::string_view, std::string&, size_t) {}
    void flag(std::string_view, bool&) {}
    template <class E, size_t N>
    void choice(std::string_view, E&, const std::array<std::string_view, N>&) {}
    template <class T>
    void group(std::string_view name, T& value) {
        const std::string before = path_;
        path_ += "/" + std::string(name);
        describe(*this, value);
        path_ = before;
    }
    template <class T>
    void list(std::string_view name, std::vector<T>& items, size_t, size_t) {
        const std::string before = path_;
        for (size_t i = 0; i < items.size(); ++i) {
            path_ = before + "/" + std::string(name) + "/" + std::to_string(i);
            describe(*this, items[i]);
        }
        path_ = before;
    }

  private:
    OnField onField_;
    std::string path_;
};

template <class OnField>
void walkFields(Design& design, OnField onField) {
    FieldWalk<OnField> walk(onField);
    describe(walk, design);
}

}  // namespace

std::vector<Field> listFields(const Design& design) {
    Design copy = design;
    std::vector<Field> fields;
    walkFields(copy, [&fields](const std::string& path, Quantity quantity, double min, double max,
                               double* plain, std::optional<double>* maybe) {
        fields.push_back({path, quantity, min, max, maybe != nullptr, plain ? *plain : *maybe});
    });
    return fields;
}

std::optional<Field> findField(const Design& design, std::string_view path) {
    for (Field& field : listFields(design)) {
        if (field.path == path) {
            return std::move(field);
        }
    }
    return std::nullopt;
}

Result<Design> withField(const Design& design, std::string_view path, std::optional<double> value) {
    Design copy = design;
    std::optional<Error> error = Error{"field.unknown", std::string(path), {}, {}};
    walkFields(copy, [&](const std::string& at, Quantity quantity, double min, double max,
                         double* plain, std::optional<double>* maybe) {
        if (at != path) {
            return;
        }
        error.reset();
        if (!value) {
            if (maybe == nullptr) {
                error = Error{"field.required", at, {}, {}};
            } else {
                maybe->reset();
            }
        } else if (!(*value >= min && *value <= max)) {
            error = Error{"field.out_of_range",
                          at,
                          {},
                          {{quantity, *value}, {quantity, min}, {quantity, max}}};
        } else if (plain != nullptr) {
            *plain = *value;
        } else {
            *maybe = value;
        }
    });
    if (error) {
        return *error;
    }
    return copy;
}

Result<Design> withEdit(const Design& design, const ProposedEdit& edit) {
    Design edited = design;
    for (const FieldChange& change : edit.changes) {
        Result<Design> next = withField(edited, change.path, change.value);
        if (!next) {
            return next;
        }
        edited = std::move(next).value();
    }
    return edited;
}

}  // namespace wl
