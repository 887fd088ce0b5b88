#include "core/base/record.h"

namespace wl {

const char* nameOf(RecordList list) {
    static constexpr const char* names[] = {
        "bores",        "features",  "joints",         "fittings",      "through_wire",
        "chambers",     "lip",       "make",           "make/cavities", "appendages",
        "side_weights", "build_ups", "body/nose_face", "body/tail_face"};
    return names[size_t(list)];
}

bool isSingle(RecordList list) {
    switch (list) {
        case RecordList::Wire:
        case RecordList::Lip:
        case RecordList::Make:
        case RecordList::NoseFace:
        case RecordList::TailFace:
            return true;
        default:
            return false;
    }
}

std::string pathOf(const RecordRef& record) {
    const std::string path = std::string("/") + nameOf(record.list);
    return isSingle(record.list) ? path : path + "/" + std::to_string(record.index);
}

}  // namespace wl
