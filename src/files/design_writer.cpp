#include <nlohmann/json.hpp>

#include "core/design/describe.h"
#include "files/base64.h"
#include "files/design_file.h"
#include "files/file_key.h"
#include "files/mesh_bytes.h"

namespace wl {
namespace {

using WrittenJson = nlohmann::ordered_json;  // in the order of describe()

class Writer {
  public:
    explicit Writer(WrittenJson& out) : out_(&out) {}

    [[gnu::noinline]] void number(std::string_view name, Quantity quantity, double& value, double,
                                  double, const About&) {
        (*out_)[fileKey(name, quantity)] = toFile(quantity, value);
    }
    [[gnu::noinline]] void count(std::string_view name, int& value, int, int, const About&) {
        (*out_)[std::string(name)] = value;
    }
    [[gnu::noinline]] void optional(std::string_view name, Quantity quantity,
                                    std::optional<double>& value, double, double, const About&) {
        if (value) {
            (*out_)[fileKey(name, quantity)] = toFile(quantity, *value);
        }
    }
    [[gnu::noinline]] void text(std::string_view name, std::string& value, size_t, const About&) {
        (*out_)[std::string(name)] = value;
    }
    [[gnu::noinline]] void flag(std::string_view name, bool& value, const About&) {
        (*out_)[std::string(name)] = value;
    }
    template <class E, size_t N>
    [[gnu::noinline]] void choice(std::string_view name, E& value,
                                  const std::array<Choice, N>& names, const About&) {
        (*out_)[std::string(name)] = names[static_cast<size_t>(value)].key;
    }
    [[gnu::noinline]] void mesh(std::string_view name, SharedMesh& value, size_t, const About&) {
        if (value) {
            (*out_)[std::string(name)] = {
                {"vertices_mm_float32", toBase64(vertexBytes(*value.mesh))},
                {"triangles_uint32", toBase64(triangleBytes(*value.mesh))}};
        }
    }
    [[gnu::noinline]] void bytes(std::string_view name, SharedBytes& value, size_t, const About&) {
        if (value) {
            (*out_)[std::string(name)] = toBase64(*value.bytes);
        }
    }
    template <class T>
    [[gnu::noinline]] void group(std::string_view name, T& value, const About&) {
        WrittenJson inner = WrittenJson::object();
        Writer writer(inner);
        describe(writer, value);
        (*out_)[std::string(name)] = std::move(inner);
    }
    template <class T>
    [[gnu::noinline]] void list(std::string_view name, std::vector<T>& items, size_t, size_t,
                                const About&) {
        WrittenJson array = WrittenJson::array();
        for (T& item : items) {
            WrittenJson inner = WrittenJson::object();
            Writer writer(inner);
            describe(writer, item);
            array.push_back(std::move(inner));
        }
        (*out_)[std::string(name)] = std::move(array);
    }

  private:
    WrittenJson* out_;
};

}  // namespace

std::string writeDesign(const Design& design) {
    WrittenJson json;
    json["format"] = kFormatName;
    json["version"] = kFormatVersion;
    Writer writer(json);
    Design copy = design;
    describe(writer, copy);
    return json.dump(2, ' ', false, WrittenJson::error_handler_t::replace) + "\n";
}

}  // namespace wl
