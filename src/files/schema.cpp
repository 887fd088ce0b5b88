#include "files/schema.h"

#include <nlohmann/json.hpp>

#include "core/design/describe.h"
#include "files/design_file.h"
#include "files/file_key.h"

namespace wl {
namespace {

using Json = nlohmann::ordered_json;

class SchemaWriter {
  public:
    explicit SchemaWriter(Json& properties) : properties_(properties) {}

    [[gnu::noinline]] void number(std::string_view name, Quantity quantity, double&, double min,
                                  double max, const About& about) {
        say(fileKey(name, quantity), about,
            {{"type", "number"},
             {"minimum", toFile(quantity, min)},
             {"maximum", toFile(quantity, max)}});
    }
    [[gnu::noinline]] void count(std::string_view name, int&, int min, int max,
                                 const About& about) {
        say(std::string(name), about, {{"type", "integer"}, {"minimum", min}, {"maximum", max}});
    }
    [[gnu::noinline]] void optional(std::string_view name, Quantity quantity,
                                    std::optional<double>& value, double min, double max,
                                    const About& about) {
        double unused = value.value_or(0.0);
        number(name, quantity, unused, min, max, about);
        properties_[fileKey(name, quantity)]["type"] = {"number", "null"};
    }
    [[gnu::noinline]] void text(std::string_view name, std::string&, size_t maxBytes,
                                const About& about) {
        say(std::string(name), about, {{"type", "string"}, {"maxLength", maxBytes}});
    }
    [[gnu::noinline]] void flag(std::string_view name, bool&, const About& about) {
        say(std::string(name), about, {{"type", "boolean"}});
    }
    template <class E, size_t N>
    [[gnu::noinline]] void choice(std::string_view name, E&, const std::array<Choice, N>& answers,
                                  const About& about) {
        Json keys = Json::array();
        for (const Choice& answer : answers) {
            keys.push_back(answer.key);
        }
        say(std::string(name), about, {{"enum", keys}});
    }
    [[gnu::noinline]] void mesh(std::string_view name, SharedMesh&, size_t maxTriangles,
                                const About& about) {
        const Json text{{"type", "string"}, {"contentEncoding", "base64"}};
        say(std::string(name), about,
            {{"type", "object"},
             {"description", "closed, outward; at most " + std::to_string(maxTriangles) +
                                 " triangles; little endian"},
             {"additionalProperties", false},
             {"properties", {{"vertices_mm_float32", text}, {"triangles_uint32", text}}}});
    }
    [[gnu::noinline]] void bytes(std::string_view name, SharedBytes&, size_t maxBytes,
                                 const About& about) {
        say(std::string(name), about,
            {{"type", "string"},
             {"contentEncoding", "base64"},
             {"maxLength", maxBytes / 3 * 4 + 4}});
    }
    template <class T>
    [[gnu::noinline]] void group(std::string_view name, T& value, const About& about) {
        say(std::string(name), about, objectSchema(value));
    }
    template <class T>
    [[gnu::noinline]] void list(std::string_view name, std::vector<T>&, size_t least, size_t most,
                                const About& about) {
        T item{};
        Json one = objectSchema(item);
        one["title"] = about.label;
        properties_[std::string(name)] = {
            {"type", "array"}, {"minItems", least}, {"maxItems", most}, {"items", one}};
    }

    template <class T>
    static Json objectSchema(T& value) {
        Json properties = Json::object();
        SchemaWriter writer(properties);
        describe(writer, value);
        return {{"type", "object"}, {"additionalProperties", false}, {"properties", properties}};
    }

  private:
    [[gnu::noinline]] void say(const std::string& key, const About& about, Json of) {
        of["title"] = about.label;
        if (*about.tip != 0) {
            of["description"] = about.tip;
        }
        properties_[key] = std::move(of);
    }
    Json& properties_;
};

}  // namespace

std::string designSchema() {
    Design design;
    Json schema = SchemaWriter::objectSchema(design);
    Json out;
    out["$schema"] = "https://json-schema.org/draft/2020-12/schema";
    out["title"] = "Wade Line design, version " + std::to_string(kFormatVersion);
    out["type"] = "object";
    out["required"] = {"format", "version"};
    out["additionalProperties"] = false;
    out["properties"] = {{"format", {{"const", kFormatName}}},
                         {"version", {{"const", kFormatVersion}}}};
    out["properties"].update(schema["properties"]);
    return out.dump(2) + "\n";
}

}  // namespace wl
