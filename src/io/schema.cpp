#include "io/schema.h"

#include <nlohmann/json.hpp>

#include "core/design/describe.h"
#include "io/design_file.h"

namespace wl {
namespace {

using Json = nlohmann::ordered_json;

class SchemaWriter {
  public:
    explicit SchemaWriter(Json& properties) : properties_(properties) {}

    void number(std::string_view name, Quantity quantity, double&, double min, double max) {
        properties_[std::string(name) + std::string(fileSuffix(quantity))] = {
            {"type", "number"},
            {"minimum", toFile(quantity, min)},
            {"maximum", toFile(quantity, max)}};
    }
    void count(std::string_view name, int&, int min, int max) {
        properties_[std::string(name)] = {{"type", "integer"}, {"minimum", min}, {"maximum", max}};
    }
    void optional(std::string_view name, Quantity quantity, std::optional<double>& value,
                  double min, double max) {
        double unused = value.value_or(0.0);
        number(name, quantity, unused, min, max);
        properties_[std::string(name) + std::string(fileSuffix(quantity))]["type"] = {"number",
                                                                                      "null"};
    }
    void text(std::string_view name, std::string&, size_t maxBytes) {
        properties_[std::string(name)] = {{"type", "string"}, {"maxLength", maxBytes}};
    }
    void flag(std::string_view name, bool&) {
        properties_[std::string(name)] = {{"type", "boolean"}};
    }
    template <class E, size_t N>
    void choice(std::string_view name, E&, const std::array<std::string_view, N>& names) {
        properties_[std::string(name)] = {{"enum", names}};
    }
    void mesh(std::string_view name, SharedMesh&, size_t maxTriangles) {
        const Json text{{"type", "string"}, {"contentEncoding", "base64"}};
        properties_[std::string(name)] = {
            {"type", "object"},
            {"description", "closed, outward; at most " + std::to_string(maxTriangles) +
                                " triangles; little endian"},
            {"additionalProperties", false},
            {"properties", {{"vertices_mm_float32", text}, {"triangles_uint32", text}}}};
    }
    void bytes(std::string_view name, SharedBytes&, size_t maxBytes) {
        properties_[std::string(name)] = {
            {"type", "string"}, {"contentEncoding", "base64"}, {"maxLength", maxBytes / 3 * 4 + 4}};
    }
    template <class T>
    void group(std::string_view name, T& value) {
        properties_[std::string(name)] = objectSchema(value);
    }
    template <class T>
    void list(std::string_view name, std::vector<T>&, size_t least, size_t most) {
        T item{};
        properties_[std::string(name)] = {{"type", "array"},
                                          {"minItems", least},
                                          {"maxItems", most},
                                          {"items", objectSchema(item)}};
    }

    template <class T>
    static Json objectSchema(T& value) {
        Json properties = Json::object();
        SchemaWriter writer(properties);
        describe(writer, value);
        return {{"type", "object"}, {"additionalProperties", false}, {"properties", properties}};
    }

  private:
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
