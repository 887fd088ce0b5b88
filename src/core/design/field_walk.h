// The visitor of describe() that knows where it is: paths, groups, rows. For fields.cpp.
#pragma once

#include <functional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "core/design/describe.h"
#include "core/design/fields.h"

namespace wl {

/// Where a field's value stands: one of them.
struct FieldSlot {
    double* plain = nullptr;
    std::optional<double>* maybe = nullptr;
    int* count = nullptr;
    bool* flag = nullptr;
    std::string* text = nullptr;
    void* choice = nullptr;
    void (*choose)(void* choice, int answer) = nullptr;
};

class FieldWalk;

/// A list of a design whatever it holds, so that what walks the design is compiled once and not
/// once for each thing done to a list.
struct ListSlot {
    void* items = nullptr;
    size_t (*size)(void* items) = nullptr;
    void (*erase)(void* items, size_t row) = nullptr;
    void (*copyBehind)(void* items, size_t row) = nullptr;  ///< once more, behind it
    void (*walkNew)(FieldWalk& walk) = nullptr;             ///< the fields of a new one
};

/// Calls `onField` for each field and `onList` with its path for each list; either may be empty.
class FieldWalk {
  public:
    using OnField = std::function<void(Field, const FieldSlot&)>;
    using OnList = std::function<void(std::string_view, const ListSlot&)>;
    /// `only`: the one path wanted, to pass over every group that cannot hold it; empty: all.
    /// `path`: where the walk starts.
    FieldWalk(OnField onField, OnList onList, std::string_view only, std::string path = {})
        : onField_(std::move(onField)),
          onList_(std::move(onList)),
          only_(only),
          path_(std::move(path)) {}

    [[gnu::noinline]] void number(std::string_view name, Quantity quantity, double& value,
                                  double min, double max, const About& about) {
        if (wanted(name)) {
            Field f = field(name, FieldKind::Number, about, min, max);
            f.quantity = quantity;
            f.value = value;
            give(std::move(f), {.plain = &value});
        }
    }
    [[gnu::noinline]] void count(std::string_view name, int& value, int min, int max,
                                 const About& about) {
        if (wanted(name)) {
            Field f = field(name, FieldKind::Count, about, min, max);
            f.value = value;
            give(std::move(f), {.count = &value});
        }
    }
    [[gnu::noinline]] void optional(std::string_view name, Quantity quantity,
                                    std::optional<double>& value, double min, double max,
                                    const About& about) {
        if (wanted(name)) {
            Field f = field(name, FieldKind::Number, about, min, max);
            f.quantity = quantity;
            f.mayBeEmpty = true;
            f.value = value;
            give(std::move(f), {.maybe = &value});
        }
    }
    [[gnu::noinline]] void text(std::string_view name, std::string& value, size_t maxBytes,
                                const About& about) {
        if (wanted(name)) {
            Field f = field(name, FieldKind::Text, about, 0, double(maxBytes));
            f.text = value;
            give(std::move(f), {.text = &value});
        }
    }
    [[gnu::noinline]] void flag(std::string_view name, bool& value, const About& about) {
        if (wanted(name)) {
            Field f = field(name, FieldKind::Flag, about, 0, 1);
            f.value = value ? 1 : 0;
            give(std::move(f), {.flag = &value});
        }
    }
    template <class E, size_t N>
    [[gnu::noinline]] void choice(std::string_view name, E& value,
                                  const std::array<Choice, N>& answers, const About& about) {
        answered(name, double(value), answers, about,
                 {.choice = &value,
                  .choose = [](void* at, int answer) { *static_cast<E*>(at) = E(answer); }});
    }
    void mesh(std::string_view, SharedMesh&, size_t, const About&) {}
    void bytes(std::string_view, SharedBytes&, size_t, const About&) {}
    template <class T>
    [[gnu::noinline]] void group(std::string_view name, T& value, const About& about) {
        const Place before = place_;
        const size_t length = path_.size();
        path_.append("/").append(name);
        if (mayHold()) {
            place_ = {about.label, {}, -1, before.applies && about.applies};
            describe(*this, value);
        }
        path_.resize(length);
        place_ = before;
    }
    template <class T>
    [[gnu::noinline]] void list(std::string_view name, std::vector<T>& items, size_t, size_t,
                                const About& about) {
        const Place before = place_;
        const size_t length = path_.size();
        path_.append("/").append(name);
        if (onList_) {
            onList_(path_, slotOf(items));
        }
        const size_t list = path_.size();
        for (size_t i = 0; i < items.size(); ++i) {
            path_.append("/").append(std::to_string(i));
            if (mayHold()) {
                place_ = {about.label, {}, int(i), before.applies && about.applies};
                if constexpr (requires { items[i].name; }) {
                    place_.item = items[i].name;
                }
                describe(*this, items[i]);
            }
            path_.resize(list);
        }
        path_.resize(length);
        place_ = before;
    }

  private:
    struct Place {
        const char* group = "";
        std::string item;
        int row = -1;
        bool applies = true;
    };
    template <class T>
    static ListSlot slotOf(std::vector<T>& items) {
        using List = std::vector<T>;
        return {.items = &items,
                .size = [](void* at) { return static_cast<List*>(at)->size(); },
                .erase =
                    [](void* at, size_t row) {
                        List& list = *static_cast<List*>(at);
                        list.erase(list.begin() + std::ptrdiff_t(row));
                    },
                .copyBehind =
                    [](void* at, size_t row) {
                        List& list = *static_cast<List*>(at);
                        T copy = list[row];
                        list.insert(list.begin() + std::ptrdiff_t(row) + 1, std::move(copy));
                    },
                .walkNew =
                    [](FieldWalk& walk) {
                        T fresh{};
                        describe(walk, fresh);
                    }};
    }
    [[gnu::noinline]] void answered(std::string_view name, double value,
                                    std::span<const Choice> answers, const About& about,
                                    const FieldSlot& slot) const {
        if (wanted(name)) {
            Field f = field(name, FieldKind::Choice, about, 0, double(answers.size() - 1));
            f.value = value;
            for (const Choice& answer : answers) {
                f.answers.push_back(answer.words);
            }
            give(std::move(f), slot);
        }
    }
    void give(Field f, const FieldSlot& slot) const {
        if (onField_) {
            onField_(std::move(f), slot);
        }
    }
    Field field(std::string_view name, FieldKind kind, const About& about, double min,
                double max) const {
        Field f;
        f.path.append(path_).append("/").append(name);
        f.kind = kind;
        f.min = min;
        f.max = max;
        f.about = about.when(about.applies && place_.applies);
        f.group = place_.group;
        f.item = place_.item;
        f.row = place_.row;
        return f;
    }
    bool wanted(std::string_view name) const {
        return only_.empty() ||
               (only_.size() == path_.size() + 1 + name.size() && only_.starts_with(path_) &&
                only_[path_.size()] == '/' && only_.ends_with(name));
    }
    bool mayHold() const {
        return only_.empty() || (only_.size() > path_.size() && only_[path_.size()] == '/' &&
                                 only_.starts_with(path_));
    }
    OnField onField_;
    OnList onList_;
    std::string_view only_;
    std::string path_;
    Place place_;
};

}  // namespace wl
