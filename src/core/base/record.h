// Which record of a design something comes from.
#pragma once

#include <cstddef>
#include <string>

namespace wl {

/// The lists of a design, and its single records, whose things stand in, on or under a bait.
enum class RecordList {
    Bores,
    Features,
    Joints,
    Fittings,
    Wire,
    Chambers,
    Lip,
    Make,
    Cavities,
    Appendages,
    SideWeights,
    BuildUps,
    NoseFace,
    TailFace
};

/// One record; `index` counts within its list, 0 for a single one.
struct RecordRef {
    RecordList list = RecordList::Bores;
    size_t index = 0;
    bool operator==(const RecordRef&) const = default;
    auto operator<=>(const RecordRef&) const = default;
};

/// Where such records stand in a design: "bores", "make/cavities", "lip".
const char* nameOf(RecordList list);
/// True for what a bait has one of: the through-wire, the lip, the body, its faces.
bool isSingle(RecordList list);
/// "/bores/1", "/through_wire", "/lip".
std::string pathOf(const RecordRef& record);

}  // namespace wl
