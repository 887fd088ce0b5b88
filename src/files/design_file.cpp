#include "files/design_file.h"

#include <cmath>
#include <nlohmann/json.hpp>
#include <span>

#include "core/design/describe.h"
#include "core/geometry/mesh.h"
#include "files/base64.h"
#include "files/file_key.h"
#include "files/mesh_bytes.h"
#include "files/migrate.h"
#include "files/pdf_design.h"
#include "files/whole_file.h"

namespace wl {
namespace {

using ReadJson = nlohmann::json;  // looked up by key: a vast object stays quick

constexpr size_t kMostValues = 200'000;

// Keeps the first error and does nothing after it.
class Reader {
  public:
    /// `missing`: the first list that was left out and may not be empty; told when all else is
    /// well.
    Reader(const ReadJson& in, std::string path, std::optional<Error>& error,
           std::optional<Error>& missing)
        : in_(in), path_(std::move(path)), error_(error), missing_(missing) {}

    [[gnu::noinline]] void number(std::string_view name, Quantity quantity, double& value,
                                  double min, double max, const About&) {
        std::optional<double> read;
        readNumber(name, quantity, read, min, max, false);
        if (read) {
            value = *read;
        }
    }
    [[gnu::noinline]] void count(std::string_view name, int& value, int min, int max,
                                 const About&) {
        std::optional<double> read;
        readNumber(name, Quantity::Number, read, min, max, false);
        if (read && *read != std::round(*read)) {
            fail("file.not_whole", name, {{Quantity::Number, *read}});
        } else if (read) {
            value = int(*read);
        }
    }
    [[gnu::noinline]] void optional(std::string_view name, Quantity quantity,
                                    std::optional<double>& value, double min, double max,
                                    const About&) {
        value.reset();
        readNumber(name, quantity, value, min, max, true);
    }
    [[gnu::noinline]] void text(std::string_view name, std::string& value, size_t maxBytes,
                                const About&) {
        const ReadJson* found = take(std::string(name));
        if (found == nullptr) {
            return;
        }
        if (!found->is_string()) {
            fail("file.wrong_type", name);
        } else if (found->get_ref<const std::string&>().size() > maxBytes) {
            fail("file.too_long", name, {{Quantity::Number, double(maxBytes)}});
        } else {
            value = found->get<std::string>();
        }
    }
    [[gnu::noinline]] void flag(std::string_view name, bool& value, const About&) {
        const ReadJson* found = take(std::string(name));
        if (found == nullptr) {
            return;
        }
        if (!found->is_boolean()) {
            fail("file.wrong_type", name);
        } else {
            value = found->get<bool>();
        }
    }
    template <class E, size_t N>
    [[gnu::noinline]] void choice(std::string_view name, E& value,
                                  const std::array<Choice, N>& names, const About&) {
        if (const auto answer = readChoice(name, names)) {
            value = static_cast<E>(*answer);
        }
    }
    [[gnu::noinline]] void mesh(std::string_view name, SharedMesh& value, size_t maxTriangles,
                                const About&) {
        value = {};
        const ReadJson* found = take(std::string(name));
        if (found == nullptr || found->is_null()) {
            return;
        }
        std::optional<std::string> parts[2];
        const char* const keys[] = {"vertices_mm_float32", "triangles_uint32"};
        for (int i = 0; i < 2; ++i) {
            if (found->is_object() && found->size() == 2 && found->contains(keys[i]) &&
                (*found)[keys[i]].is_string()) {
                parts[i] = fromBase64((*found)[keys[i]].get_ref<const std::string&>());
            }
        }
        std::optional<TriangleMesh> read;
        if (parts[0] && parts[1]) {
            read = meshFromBytes(*parts[0], *parts[1]);
        }
        if (!read || !isClosedAndOutward(*read)) {
            fail("file.bad_solid", name);
        } else if (read->triangles.size() > maxTriangles) {
            fail("file.too_many", name, {{Quantity::Number, double(maxTriangles)}});
        } else {
            value.mesh = std::make_shared<const TriangleMesh>(std::move(*read));
        }
    }
    [[gnu::noinline]] void bytes(std::string_view name, SharedBytes& value, size_t maxBytes,
                                 const About&) {
        value = {};
        const ReadJson* found = take(std::string(name));
        if (found == nullptr || found->is_null()) {
            return;
        }
        if (!found->is_string()) {
            fail("file.wrong_type", name);
            return;
        }
        std::optional<std::string> read = fromBase64(found->get_ref<const std::string&>());
        if (!read) {
            fail("file.wrong_type", name);
        } else if (read->size() > maxBytes) {
            fail("file.too_long", name, {{Quantity::Number, double(maxBytes)}});
        } else {
            value.bytes = std::make_shared<const std::string>(std::move(*read));
        }
    }
    template <class T>
    [[gnu::noinline]] void group(std::string_view name, T& value, const About&) {
        // A group left out is read as an empty one: what it must hold is then still asked for.
        static const ReadJson nothing = ReadJson::object();
        const ReadJson* found = take(std::string(name));
        readObject(found == nullptr ? nothing : *found, path_ + "/" + std::string(name), value);
    }
    template <class T>
    [[gnu::noinline]] void list(std::string_view name, std::vector<T>& items, size_t least,
                                size_t most, const About&) {
        const ReadJson* found = take(std::string(name));
        if (found == nullptr) {
            if (items.size() < least && !missing_) {
                missing_ = Error{"file.too_few",
                                 path_ + "/" + std::string(name),
                                 {},
                                 {{Quantity::Number, double(least)}}};
            }
            return;
        }
        if (!found->is_array()) {
            fail("file.wrong_type", name);
            return;
        }
        if (found->size() > most) {
            fail("file.too_many", name, {{Quantity::Number, double(most)}});
            return;
        }
        if (found->size() < least) {
            fail("file.too_few", name, {{Quantity::Number, double(least)}});
            return;
        }
        items.clear();
        for (size_t i = 0; i < found->size() && !error_; ++i) {
            T item{};
            readObject((*found)[i], path_ + "/" + std::string(name) + "/" + std::to_string(i),
                       item);
            items.push_back(std::move(item));
        }
    }

    void refuseUnknownKeys() {
        for (auto it = in_.begin(); it != in_.end() && !error_; ++it) {
            if (std::find(known_.begin(), known_.end(), it.key()) == known_.end()) {
                fail("file.unknown_key", it.key().substr(0, 60));
            }
        }
    }

  private:
    template <class T>
    void readObject(const ReadJson& in, const std::string& path, T& value) {
        if (error_) {
            return;
        }
        if (!in.is_object()) {
            error_ = Error{"file.wrong_type", path, {}, {}};
            return;
        }
        Reader reader(in, path, error_, missing_);
        describe(reader, value);
        reader.refuseUnknownKeys();
    }

    std::optional<size_t> readChoice(std::string_view name, std::span<const Choice> names) {
        const ReadJson* found = take(std::string(name));
        if (found == nullptr) {
            return {};
        }
        if (!found->is_string()) {
            fail("file.wrong_type", name);
            return {};
        }
        for (size_t i = 0; i < names.size(); ++i) {
            if (found->get_ref<const std::string&>() == names[i].key) {
                return i;
            }
        }
        fail("file.unknown_choice", name);
        return {};
    }

    [[gnu::noinline]] void readNumber(std::string_view name, Quantity quantity,
                                      std::optional<double>& value, double min, double max,
                                      bool nullMeansEmpty) {
        const ReadJson* found = take(fileKey(name, quantity));
        if (found == nullptr || (nullMeansEmpty && found->is_null())) {
            return;
        }
        if (!found->is_number()) {
            fail("file.wrong_type", fileKey(name, quantity));
            return;
        }
        const double read = fromFile(quantity, found->get<double>());
        // A limit typed as its own decimal must pass: allow the rounding of the conversion.
        const double slack = 1e-9 * std::max(std::abs(min), std::abs(max));
        if (!(read >= min - slack && read <= max + slack)) {
            fail("file.out_of_range", fileKey(name, quantity),
                 {{quantity, read}, {quantity, min}, {quantity, max}});
            return;
        }
        value = std::clamp(read, min, max);
    }

    const ReadJson* take(const std::string& key) {
        known_.push_back(key);
        if (error_) {
            return nullptr;
        }
        const auto found = in_.find(key);
        return found == in_.end() ? nullptr : &*found;
    }

    [[gnu::noinline]] void fail(const char* code, std::string_view name,
                                std::vector<Amount> values = {}) {
        if (!error_) {
            error_ = Error{code, path_ + "/" + std::string(name), {}, std::move(values)};
        }
    }

    const ReadJson& in_;
    std::string path_;
    std::optional<Error>& error_;
    std::optional<Error>& missing_;
    std::vector<std::string> known_{"format", "version"};
};

Result<ReadJson> parseFile(std::string_view text) {
    if (text.size() > kLargestFileBytes) {
        return Error{"file.too_large", "", {}, {{Quantity::Number, double(text.size())}}};
    }
    // Depth and number of values are limited before parsing: nested arrays must not exhaust the
    // stack, nor a swarm of tiny values the memory.
    int depth = 0;
    size_t values = 0;
    bool inString = false;
    for (size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (inString) {
            if (c == '\\') {
                ++i;
            } else if (c == '"') {
                inString = false;
            }
        } else if (c == '"') {
            inString = true;
        } else if (c == '{' || c == '[') {
            if (++depth > 32 || ++values > kMostValues) {
                return Error{"file.not_ours", "", {}, {}};
            }
        } else if (c == '}' || c == ']') {
            --depth;
        } else if (c == ',' && ++values > kMostValues) {
            return Error{"file.too_large", "", {}, {}};
        }
    }
    ReadJson json;
    try {
        json = ReadJson::parse(text);
    } catch (const ReadJson::parse_error& e) {
        return Error{"file.not_json", "", {std::to_string(e.byte)}, {}};
    } catch (const std::exception&) {
        return Error{"file.not_json", "", {"0"}, {}};
    }
    return json;
}

}  // namespace

Result<Design> readDesign(std::string_view text) {
    Result<ReadJson> parsed = parseFile(text);
    if (!parsed) {
        return parsed.error();
    }
    ReadJson json = std::move(parsed).value();
    if (!json.is_object() || !json.contains("format") || json["format"] != kFormatName ||
        !json.contains("version") || !json["version"].is_number_integer()) {
        return Error{"file.not_ours", "", {}, {}};
    }
    const auto version = json["version"].get<std::int64_t>();
    if (version > kFormatVersion) {
        return Error{"file.too_new",
                     "/version",
                     {},
                     {{Quantity::Number, double(version)}, {Quantity::Number, kFormatVersion}}};
    }
    if (version < 1) {
        return Error{"file.not_ours", "/version", {}, {}};
    }
    if (auto error = migrate(json, static_cast<int>(version))) {
        return *error;
    }
    Design design;
    std::optional<Error> error, missing;
    Reader reader(json, "", error, missing);
    describe(reader, design);
    reader.refuseUnknownKeys();
    if (error || missing) {
        return error ? *error : *missing;
    }
    return design;
}

Result<Design> loadDesign(const std::filesystem::path& path) {
    Result<std::string> bytes = readRegularFile(path, kLargestFileBytes);
    if (!bytes) {
        return bytes.error();
    }
    const Result<std::string> text = designText(std::move(bytes).value());
    return text ? readDesign(*text) : text.error();
}

}  // namespace wl
