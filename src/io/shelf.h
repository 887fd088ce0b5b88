// The starter shelf: typical values of stock, parts and coats, each with its source.
#pragma once

#include <string>
#include <vector>

#include "core/design/design.h"

namespace wl {

/// A material by density; low and high are the usual range (equal to the density when none is
/// known).
struct ShelfMaterial {
    std::string name;
    double density_kg_m3 = 0.0;
    double low_kg_m3 = 0.0;
    double high_kg_m3 = 0.0;
    std::string source;
};

template <class T>
struct ShelfItem {
    T item;
    std::string source;
};

struct Shelf {
    std::vector<ShelfMaterial> stock;
    std::vector<ShelfMaterial> plug;
    std::vector<ShelfMaterial> filler;
    std::vector<ShelfMaterial> lipSheet;
    std::vector<ShelfItem<Fitting>> fittings;  ///< place left at the origin
    std::vector<ShelfItem<Coat>> coats;
};

/// The shelf shipped with the program; read once, never changes.
const Shelf& starterShelf();

}  // namespace wl
