// The through-wire: the slot sawn for it, then the wire in it.
#include <algorithm>
#include <cmath>

#include "core/placed/placing.h"

namespace wl {
namespace {

using Eigen::Vector3d;

CutTool slotTool(const Design& design, const BodyCurves& curves) {
    const ThroughWire& wire = design.wire;
    double low = 0, high = 0;
    for (const Station& s : design.body.stations) {
        low = std::min(low, s.belly_m);
        high = std::max(high, s.back_m);
    }
    const double sense = wire.slotFromBack ? -1.0 : 1.0;
    const double mouth = 1.3 * (wire.slotFromBack ? high : low) - sense * 0.001;
    CutTool saw;
    saw.round = false;
    saw.mouth_m = {0.5 * curves.length_m(), 0, mouth};
    saw.inward = sense * Vector3d::UnitZ();
    saw.along = Vector3d::UnitX();
    saw.halfAlong_m = 0.5 * curves.length_m();
    saw.halfAcross_m = 0.5 * wire.slotWidth_m;
    saw.depth_m = sense * (wire.z_m - mouth) + 0.5 * wire.wire_m;
    return saw;
}

// Where the wire next comes out of the skin, to either side of its i-th length.
std::optional<Vector3d> nearestExit(const BodyCurves& curves, const std::vector<Vector3d>& wire,
                                    size_t i) {
    const Vector3d here = 0.5 * (wire[i] + wire[i + 1]);
    std::optional<Vector3d> nearest;
    for (size_t k = 0; k + 1 < wire.size(); ++k) {
        const bool from = curves.contains(wire[k]), to = curves.contains(wire[k + 1]);
        if (from == to) {
            continue;
        }
        Vector3d in = from ? wire[k] : wire[k + 1], out = from ? wire[k + 1] : wire[k];
        for (int round = 0; round < 24; ++round) {
            const Vector3d middle = 0.5 * (in + out);
            (curves.contains(middle) ? in : out) = middle;
        }
        if (!nearest || (in - here).norm() < (*nearest - here).norm()) {
            nearest = in;
        }
    }
    return nearest;
}

}  // namespace

void placeWire(Placing& p) {
    const ThroughWire& wire = p.design.wire;
    const BodyCurves& curves = p.body.curves;
    p.placed.wire = layOutWire(curves, wire);
    const WireLayout& laid = p.placed.wire;
    if (!wire.present || laid.path_m.size() < 2) {
        return;
    }
    p.begin({RecordList::Wire}, "through-wire");
    if (wire.slotWidth_m > 0) {
        const CutTool saw = slotTool(p.design, curves);
        const CutVolume cut = measureCut(curves, saw, p.tools());
        p.hollow(saw);
        const size_t piece = p.pieceOf(cut.centroid_m.x());
        p.cut(piece, cut.removed_m3, cut.centroid_m);
        p.fill(saw, wire.slotDensity_kg_m3, p.items.size());
        MassItem& filler = p.item(PartKind::Filler, Origin::Computed, BuildStage::Leaded, piece,
                                  "wire slot", "/through_wire/slot_width");
        filler.mass_kg = wire.slotDensity_kg_m3 * cut.removed_m3;
        filler.centre_m = cut.centroid_m;
    }
    // What is wound and curled at the ends goes with the eyes there.
    const double area = kPi / 4 * wire.wire_m * wire.wire_m;
    double along = 0;
    MassSum metal;
    double outside = 0;
    const std::vector<Vector3d>& path = laid.path_m;
    for (size_t i = 0; i + 1 < path.size(); ++i) {
        const double piece = (path[i + 1] - path[i]).norm();
        along += piece;
        metal.add(area * piece, 0.5 * (path[i] + path[i + 1]));
        const double out = p.letIn(path[i], path[i + 1], area * piece);
        p.displace(p.pieceOf(path[i].x()), 0.5 * (path[i] + path[i + 1]), out);
        outside += out;
    }
    const double ends = area * std::max(0.0, laid.cutLength_m - along);
    std::vector<Vector3d> tips;
    for (const WireEye& eye : laid.eyes) {
        if (eye.end) {
            tips.push_back(eye.centre_m);
        }
    }
    for (const Vector3d& tip : tips) {
        metal.add(ends / double(tips.size()), tip);
        p.displace(p.pieceOf(tip.x()), tip, ends / double(tips.size()));
        outside += ends / double(tips.size());
    }
    MassItem& part = p.item(PartKind::Wire, Origin::Computed, BuildStage::Fitted,
                            p.pieceOf(metal.centre().x()), "through-wire", "/through_wire/wire");
    part.mass_kg = laid.mass_kg;
    part.displaced_m3 = outside;
    part.centre_m = metal.centre();
    part.netDoubt_kg = kWireSpread * part.mass_kg * kHalfWidthToStandard;
    for (size_t i = 0; i + 1 < path.size(); ++i) {
        if (curves.contains(path[i]) || curves.contains(path[i + 1])) {
            p.embed(
                 barBetween({}, {}, Embedded::Kind::Wire, path[i], path[i + 1], 0.5 * wire.wire_m))
                .exit_m = nearestExit(curves, path, i);
        }
    }
}

}  // namespace wl
