// Bores with their lead, sockets, slots and grooves, and closed chambers.
#include <algorithm>
#include <cmath>

#include "core/placed/placing.h"

namespace wl {

void placeBores(Placing& p) {
    for (size_t i = 0; i < p.design.bores.size(); ++i) {
        const Bore& bore = p.design.bores[i];
        const auto& before = p.body.before;
        const bool drilled = before && i < before->bores.size() && sameHole(before->bores[i], bore);
        BoreGeometry g = measureBore(p.body.curves, bore, drilled ? &before->measured[i] : nullptr);
        p.begin({RecordList::Bores, i}, bore.name);
        if (g.entersBody) {
            const CutTool whole = toolOf(bore, g);
            const size_t piece = p.pieceOf(g.mouth_m.x() + 0.5 * bore.depth_m * g.inward.x());
            p.hollow(whole);
            p.cut(piece, g.removed_m3, g.removedCentroid_m);
            const double area = kPi / 4 * bore.diameter_m * bore.diameter_m;
            const double spread = p.design.errors.weighedPart_kg *
                                  std::sqrt(double(std::max<size_t>(1, bore.pieces.size())));
            const size_t plugItem = p.items.size();
            MassItem& plug = p.item(PartKind::Plug, Origin::Computed, BuildStage::Leaded, piece);
            plug.mass_kg = g.leadMass_kg;
            plug.centre_m = g.plugCentroid_m;
            plug.netDoubt_kg =
                kHalfWidthToStandard * (bore.lead == BoreLead::Pieces ? spread
                                        : g.plugLength_m > 0
                                            ? (bore.plugDensity_kg_m3 - bore.fillerDensity_kg_m3) *
                                                  area * p.design.errors.plugLength_m
                                            : 0.0);
            MassItem& filler =
                p.item(PartKind::Filler, Origin::Computed, BuildStage::Leaded, piece);
            filler.mass_kg = bore.fillerDensity_kg_m3 * g.fillerVolume_m3;
            filler.centre_m = g.fillerCentroid_m;
            if (g.plugLength_m > 0) {
                CutTool lead = whole;
                lead.mouth_m += lead.inward * (bore.depth_m - g.plugLength_m);
                lead.depth_m = g.plugLength_m;
                p.fill(lead, g.leadMass_kg / (area * g.plugLength_m), plugItem);
            }
            p.fill(whole, bore.fillerDensity_kg_m3, plugItem + 1);
            Embedded solid;
            solid.kind = Embedded::Kind::Bore;
            solid.tool = whole;
            solid.moves = true;
            p.embed(solid);
        }
        p.placed.bores.push_back(g);
    }
}

void placeFeatures(Placing& p) {
    for (size_t i = 0; i < p.design.features.size(); ++i) {
        const Feature& f = p.design.features[i];
        const bool glued = f.fill == FeatureFill::Glue;
        p.begin({RecordList::Features, i}, f.name);
        FeatureGeometry g;
        g.tools = toolsOf(p.body.curves, f);
        for (const CutTool& tool : g.tools) {
            const CutVolume cut = measureCut(p.body.curves, tool, p.tools());
            g.cuts.push_back(cut);
            p.hollow(tool);
            const size_t piece = p.pieceOf(tool.mouth_m.x());
            p.cut(piece, cut.removed_m3, cut.centroid_m);
            p.fill(tool, glued ? f.fillDensity_kg_m3 : 0.0,
                   glued ? std::optional(p.items.size()) : std::nullopt);
            if (f.fill == FeatureFill::Water) {
                p.displace(piece, cut.centroid_m, -cut.removed_m3);
            } else if (glued) {
                MassItem& glue =
                    p.item(PartKind::Filler, Origin::Computed, BuildStage::Leaded, piece);
                glue.mass_kg = f.fillDensity_kg_m3 * cut.removed_m3;
                glue.centre_m = cut.centroid_m;
            }
            Embedded solid;
            solid.kind = Embedded::Kind::Cut;
            solid.tool = tool;
            solid.moves = true;
            solid.open = f.kind == FeatureKind::Slot || f.kind == FeatureKind::SawGroove;
            p.embed(solid);
        }
        p.placed.features.push_back(std::move(g));
    }
}

void placeChambers(Placing& p) {
    for (size_t i = 0; i < p.design.chambers.size(); ++i) {
        const RattleChamber& c = p.design.chambers[i];
        const ChamberGeometry g = measureChamber(c);
        const Eigen::Vector3d at(c.x_m, c.y_m, c.z_m);
        const size_t piece = p.pieceOf(c.x_m);
        p.begin({RecordList::Chambers, i}, c.name);
        p.cut(piece, g.removed_m3, at);
        p.hollow(g.tool);
        p.fill(g.tool, 0.0, std::nullopt);
        MassItem& part = p.item(PartKind::Rattle, Origin::Computed, BuildStage::Leaded, piece);
        part.mass_kg = g.balls_kg + g.tube_kg;
        part.centre_m = at;
        part.netDoubt_kg = kWireSpread * part.mass_kg * kHalfWidthToStandard;
        Embedded solid;
        solid.kind = Embedded::Kind::Chamber;
        solid.tool = g.tool;
        solid.moves = true;
        p.embed(solid);
        p.placed.chambers.push_back(g);
    }
}

}  // namespace wl
