#include "core/making/takes.h"

#include <algorithm>

#include "core/making/moulding.h"
#include "core/placed/wire_form.h"

namespace wl {
namespace {

constexpr double kInstantGlue_kg_m3 = 1060.0;  // cyanoacrylate, from memory

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
            return t.kind == kind && t.name.empty() && t.*by == figure;
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
            if (item.kind == PartKind::Plug && belongsTo(item, path)) {
                out.of(TakenKind::Metal, bore.plugMaterial).mass_kg += item.mass_kg;
            }
        }
    }
    for (size_t i = 0; i < design.sideWeights.size(); ++i) {
        const std::string path = pathOf({RecordList::SideWeights, i});
        for (const MassItem& item : d.mass->items) {
            if (item.kind == PartKind::Plug && belongsTo(item, path)) {
                out.of(TakenKind::Metal, design.sideWeights[i].material).mass_kg += item.mass_kg;
            }
        }
    }
}

// The lip sits in its slot between two films of glue as thick as any other.
void takeGlue(const Design& design, const Derived& d, TakenList& out) {
    const auto glue = [&out](double density_kg_m3, double kg) {
        out.of(TakenKind::Glue, &Taken::density_kg_m3, density_kg_m3).mass_kg += kg;
    };
    for (const MassItem& item : d.mass->items) {
        if (item.kind == PartKind::Filler && belongsTo(item, "/make/glue_film")) {
            glue(design.make.glueDensity_kg_m3, item.mass_kg);
        }
    }
    for (size_t i = 0; i < design.features.size(); ++i) {
        const std::string path = pathOf({RecordList::Features, i});
        for (const MassItem& item : d.mass->items) {
            if (item.kind == PartKind::Filler && belongsTo(item, path)) {
                glue(design.features[i].fillDensity_kg_m3, item.mass_kg);
            }
        }
    }
    if (design.lip.present && design.lip.slotDepth_m > 0) {
        const bool slow = design.building.lipGlue == LipGlue::SlowEpoxy;
        const double density = slow ? design.make.glueDensity_kg_m3 : kInstantGlue_kg_m3;
        // By the starter shelf's name, else by what it weighs.
        Taken& taken = out.of(TakenKind::Glue, slow ? "slow epoxy" : "instant glue");
        taken.density_kg_m3 = density;
        taken.mass_kg +=
            density * 2 * design.lip.slotDepth_m * design.lip.rootWidth_m * design.make.glueFilm_m;
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
            if (item.kind == PartKind::Filler && belongsTo(item, path)) {
                out.of(TakenKind::Filler, &Taken::density_kg_m3,
                       design.bores[i].fillerDensity_kg_m3)
                    .mass_kg += item.mass_kg;
            }
        }
    }
    takeGlue(design, derived, out);
    if (design.make.kind == MakeKind::Cast) {
        Taken& silicone = out.of(TakenKind::Silicone, &Taken::density_kg_m3,
                                 design.make.mould.siliconeDensity_kg_m3);
        silicone.mass_kg = 2 * mouldBox(design, derived).siliconeHalf_kg;
        silicone.once = true;
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
