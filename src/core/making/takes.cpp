#include "core/making/takes.h"

#include <algorithm>

#include "core/making/moulding.h"
#include "core/placed/wire_form.h"

namespace wl {
namespace {

class TakenList {
  public:
    Taken& of(TakenKind kind, const std::string& name) {
        const auto at = std::find_if(list.begin(), list.end(), [&](const Taken& t) {
            return t.kind == kind && t.name == name;
        });
        if (at != list.end()) {
            return *at;
        }
        Taken& made = list.emplace_back();
        made.kind = kind;
        made.name = name;
        return made;
    }
    // What has no name goes by its figure.
    Taken& of(TakenKind kind, double Taken::*by, double figure) {
        const auto at = std::find_if(list.begin(), list.end(), [&](const Taken& t) {
            return t.kind == kind && t.*by == figure;
        });
        if (at != list.end()) {
            return *at;
        }
        Taken& made = list.emplace_back();
        made.kind = kind;
        made.*by = figure;
        return made;
    }
    std::vector<Taken> list;
};

void takeStock(const Design& design, const Derived& d, TakenList& out) {
    const BodySizes& s = d.shape->sizes;
    const auto stock = [&out](const std::string& name, double kg) {
        out.of(TakenKind::Stock, name).mass_kg += kg;
    };
    const std::string& main = design.pieces.front().stock.material;
    const double density = d.shape->reckoning.usedDensity_kg_m3;
    switch (design.make.kind) {
        case MakeKind::Carved:
            stock(main, s.length_m * s.maxWidth_m * s.maxHeight_m * density);
            break;
        case MakeKind::Turned: {
            const double across = std::max(s.maxWidth_m, s.maxHeight_m);
            stock(main, 0.25 * kPi * across * across * s.length_m * density);
            break;
        }
        case MakeKind::Layered:
            for (const Layer& layer : design.make.layers) {
                stock(layer.material,
                      s.length_m * s.maxHeight_m * layer.thickness_m * layer.density_kg_m3);
            }
            break;
        case MakeKind::Cast:
            if (const Result<MouldPlan> plan = planMould(design, d)) {
                stock(main, plan->one.resin_kg + plan->one.filler_kg);
            }
            break;
        case MakeKind::Printed:
            stock(design.make.print.material, d.mass->stages.shapedBody_kg);
            break;
    }
}

void takeLead(const Design& design, const Derived& d, TakenList& out) {
    for (size_t i = 0; i < design.bores.size(); ++i) {
        const Bore& bore = design.bores[i];
        if (bore.lead == BoreLead::Pieces) {
            for (const LeadPiece& piece : bore.pieces) {
                out.of(TakenKind::Pieces, piece.name).pieces += piece.count;
            }
            continue;
        }
        const std::string path = pathOf({RecordList::Bores, i});
        for (const MassItem& item : d.mass->items) {
            if (item.kind == PartKind::Plug && item.path.rfind(path, 0) == 0) {
                out.of(TakenKind::Metal, bore.plugMaterial).mass_kg += item.mass_kg;
            }
        }
    }
    for (size_t i = 0; i < design.sideWeights.size(); ++i) {
        const std::string path = pathOf({RecordList::SideWeights, i});
        for (const MassItem& item : d.mass->items) {
            if (item.kind == PartKind::Plug && item.path.rfind(path, 0) == 0) {
                out.of(TakenKind::Metal, design.sideWeights[i].material).mass_kg += item.mass_kg;
            }
        }
    }
}

}  // namespace

std::vector<Taken> takenBy(const Design& design, const Derived& derived) {
    TakenList out;
    takeStock(design, derived, out);
    takeLead(design, derived, out);
    if (design.lip.present) {
        for (const MassItem& item : derived.mass->items) {
            if (item.kind == PartKind::Lip) {
                out.of(TakenKind::LipSheet, design.lip.material).mass_kg += item.mass_kg;
            }
        }
    }
    for (const Fitting& f : design.fittings) {
        Taken& taken = out.of(TakenKind::Fitting, f.name);
        taken.pieces += f.mirrored ? 2 : 1;
        taken.fitting = f.kind;
        taken.size_m = f.size_m;
        taken.wire_m = f.wire_m;
    }
    if (design.wire.present) {
        Taken& wire = out.of(TakenKind::Wire, {});
        wire.length_m = layOutWire(derived.shape->curves, design.wire).cutLength_m;
        wire.wire_m = design.wire.wire_m;
    }
    for (const Joint& joint : design.joints) {
        if (joint.kind == HingeKind::Pin) {
            out.of(TakenKind::Pin, &Taken::wire_m, joint.pinDiameter_m).length_m +=
                joint.pinLength_m;
        }
    }
    for (size_t i = 0; i < design.bores.size(); ++i) {
        const std::string path = pathOf({RecordList::Bores, i});
        for (const MassItem& item : derived.mass->items) {
            if (item.kind == PartKind::Filler && item.path.rfind(path, 0) == 0) {
                out.of(TakenKind::Filler, &Taken::density_kg_m3,
                       design.bores[i].fillerDensity_kg_m3)
                    .mass_kg += item.mass_kg;
            }
        }
    }
    for (const BenchAmount& amount : benchAmounts(design, derived)) {
        if (!amount.name.empty()) {  // the filler over lead goes by no name
            out.of(TakenKind::Coat, amount.name).mass_kg += amount.mass_kg;
        }
    }
    std::erase_if(out.list, [](const Taken& t) {
        return t.pieces <= 0 && !(t.mass_kg > 0) && !(t.length_m > 0);
    });
    return out.list;
}

}  // namespace wl
