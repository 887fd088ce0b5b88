#include "io/shelf.h"

#include <algorithm>
#include <nlohmann/json.hpp>

#include "core/design/describe.h"
#include "io/embedded_data.h"

namespace wl {
namespace {

using Json = nlohmann::json;

double density(const Json& row, const char* key) {
    return fromFile(Quantity::Density, row.at(key).get<double>());
}

std::vector<ShelfMaterial> materials(const Json& rows) {
    std::vector<ShelfMaterial> out;
    for (const Json& row : rows) {
        ShelfMaterial m{row.at("name"), density(row, "density_g_cm3"), 0, 0, row.at("source")};
        m.low_kg_m3 = row.contains("low_g_cm3") ? density(row, "low_g_cm3") : m.density_kg_m3;
        m.high_kg_m3 = row.contains("high_g_cm3") ? density(row, "high_g_cm3") : m.density_kg_m3;
        out.push_back(std::move(m));
    }
    return out;
}

template <class E, size_t N>
E choiceNamed(const std::string& name, const std::array<std::string_view, N>& names) {
    const auto found = std::find(names.begin(), names.end(), name);
    return static_cast<E>(found == names.end() ? 0 : found - names.begin());
}

Shelf readShelf() {
    const Json json = Json::parse(embedded::shelf_json());
    Shelf shelf;
    shelf.stock = materials(json.at("stock"));
    shelf.plug = materials(json.at("plug"));
    shelf.filler = materials(json.at("filler"));
    shelf.lipSheet = materials(json.at("lip_sheet"));
    for (const Json& row : json.at("fitting")) {
        Fitting f;
        f.kind = choiceNamed<FittingKind>(row.at("kind"), kFittingKinds);
        f.name = row.at("name");
        f.typicalMass_kg = fromFile(Quantity::Mass, row.at("mass_g").get<double>());
        f.density_kg_m3 = density(row, "density_g_cm3");
        f.size_m = fromFile(Quantity::Length, row.at("size_mm").get<double>());
        f.wire_m = fromFile(Quantity::Thickness, row.at("wire_mm").get<double>());
        f.sunk = fromFile(Quantity::Fraction, row.at("sunk_percent").get<double>());
        f.area_m2 = fromFile(Quantity::Area, row.value("area_cm2", 0.0));
        shelf.fittings.push_back({f, row.at("source")});
    }
    for (const Json& row : json.at("coat")) {
        Coat c;
        c.kind = choiceNamed<CoatKind>(row.at("kind"), kCoatKinds);
        c.name = row.at("name");
        c.thickness_m = fromFile(Quantity::Thickness, row.at("thickness_mm").get<double>());
        c.density_kg_m3 = density(row, "density_g_cm3");
        shelf.coats.push_back({c, row.at("source")});
    }
    return shelf;
}

}  // namespace

const Shelf& starterShelf() {
    static const Shelf shelf = readShelf();
    return shelf;
}

}  // namespace wl
