#include "core/design/records.h"

#include <algorithm>

namespace wl {
namespace {

// Calls with the list of that kind, if its records have names of their own.
template <class OnList>
void withNamed(const Design& d, RecordList list, OnList onList) {
    switch (list) {
        case RecordList::Bores:
            return onList(d.bores);
        case RecordList::Features:
            return onList(d.features);
        case RecordList::Joints:
            return onList(d.joints);
        case RecordList::Fittings:
            return onList(d.fittings);
        case RecordList::Chambers:
            return onList(d.chambers);
        case RecordList::Appendages:
            return onList(d.appendages);
        case RecordList::SideWeights:
            return onList(d.sideWeights);
        case RecordList::BuildUps:
            return onList(d.buildUps);
        default:
            return;
    }
}

constexpr RecordList kThatMeet[] = {
    RecordList::Wire,     RecordList::Lip,         RecordList::Fittings,
    RecordList::Features, RecordList::Bores,       RecordList::Joints,
    RecordList::Chambers, RecordList::SideWeights, RecordList::Cavities};

}  // namespace

size_t recordCount(const Design& design, RecordList list) {
    switch (list) {
        case RecordList::Wire:
            return design.wire.present ? 1 : 0;
        case RecordList::Lip:
            return design.lip.present ? 1 : 0;
        case RecordList::NoseFace:
            return design.body.noseFace.present ? 1 : 0;
        case RecordList::TailFace:
            return design.body.tailFace.present ? 1 : 0;
        case RecordList::Make:
            return 1;
        case RecordList::Cavities:
            return design.make.cavities.size();
        default:
            break;
    }
    size_t count = 0;
    withNamed(design, list, [&count](const auto& records) { count = records.size(); });
    return count;
}

std::string recordName(const Design& design, const RecordRef& record) {
    std::string name;
    withNamed(design, record.list, [&](const auto& records) {
        if (record.index < records.size()) {
            name = records[record.index].name;
        }
    });
    return name;
}

bool means(const Design& design, const MeetingEnd& end, const RecordRef& record) {
    return end.of == record.list && (isSingle(end.of) || end.name == recordName(design, record));
}

MeetingEnd endAt(const Design& design, const RecordRef& record) {
    return {record.list, recordName(design, record)};
}

std::vector<RecordRef> recordsThatMeet(const Design& design) {
    std::vector<RecordRef> all;
    for (const RecordList list : kThatMeet) {
        for (size_t i = 0; i < recordCount(design, list); ++i) {
            all.push_back({list, i});
        }
    }
    return all;
}

void followName(Design& design, const std::string& path, const std::string& before,
                const std::string& after) {
    if (before.empty() || before == after) {
        return;
    }
    const auto isName = [&path](const std::string& list) {
        const std::string start = "/" + list + "/", end = "/name";
        return path.starts_with(start) && path.ends_with(end) &&
               path.find('/', start.size()) == path.size() - end.size();
    };
    for (const RecordList list : kThatMeet) {
        bool another = false;  // that still bears the name, and is meant as much
        for (size_t i = 0; i < recordCount(design, list); ++i) {
            another = another || recordName(design, {list, i}) == before;
        }
        if (isSingle(list) || another || !isName(nameOf(list))) {
            continue;
        }
        for (Meeting& m : design.meetings) {
            for (MeetingEnd* end : {&m.first, &m.second}) {
                if (end->of == list && end->name == before) {
                    end->name = after;
                }
            }
        }
    }
    if (isName("fittings") || isName("through_wire/drops")) {
        for (Fitting& f : design.fittings) {
            f.hangsFrom = f.hangsFrom == before ? after : f.hangsFrom;
        }
        design.tie.eye = design.tie.eye == before ? after : design.tie.eye;
    }
}

}  // namespace wl
