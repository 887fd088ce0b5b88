// What a fallible call returns: the value, or an error with a place and a cure.
#pragma once

#include <stdexcept>
#include <string>
#include <utility>
#include <variant>
#include <vector>

#include "core/base/quantity.h"

namespace wl {

/// Why a call gave no value. `code` names the rule ("file.too_new"), `path` the place in the design
/// ("/brief/cast_length"), `words` and `values` fill the sentence that text/sentences.h keeps for
/// the code. The sentence always says what would mend it.
struct Error {
    std::string code;
    std::string path;
    std::vector<std::string> words = {};
    std::vector<Amount> values = {};
};

/// Either a T or an Error. Reading the wrong one is a fault of ours: it throws std::logic_error,
/// which the guard of each thread tells as an error, so that no work is lost.
template <class T>
class [[nodiscard]] Result {
  public:
    Result(T value) : held_(std::move(value)) {}
    Result(Error error) : held_(std::move(error)) {}

    bool ok() const { return std::holds_alternative<T>(held_); }
    explicit operator bool() const { return ok(); }

    const T& value() const& {
        require(ok());
        return *std::get_if<T>(&held_);
    }
    T&& value() && {
        require(ok());
        return std::move(*std::get_if<T>(&held_));
    }
    const Error& error() const {
        require(!ok());
        return *std::get_if<Error>(&held_);
    }
    const T& operator*() const& { return value(); }
    const T* operator->() const { return &value(); }

  private:
    static void require(bool condition) {
        if (!condition) {
            throw std::logic_error("a result was read that is not there");
        }
    }
    std::variant<T, Error> held_;
};

}  // namespace wl
