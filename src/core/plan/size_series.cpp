#include "core/plan/size_series.h"

#include <cmath>

#include "core/base/decimal.h"
#include "core/design/fields.h"
#include "core/placed/wire_form.h"
#include "core/plan/plan_lead.h"
#include "core/reckon/evaluate.h"
#include "core/shape/edit_body.h"

namespace wl {
namespace {

constexpr double kDrillStep_m = 0.0005;

double toDrill(double metres) {
    return std::max(kDrillStep_m, std::round(metres / kDrillStep_m) * kDrillStep_m);
}

// Where a bought eye's stem goes through the skin moves with the skin; how far it stands off and
// how deep it goes do not.
Eigen::Vector3d scaledPlace(const Fitting& f, const Result<BodyCurves>& curves, double k) {
    constexpr double kStep_m = 0.0002;
    const Eigen::Vector3d at(f.x_m, f.y_m, f.z_m);
    if (!isWireForm(f.kind) || f.shank_m <= 0 || !curves) {
        return k * at;
    }
    const auto [from, to] = stemEnds(f, 1.0);
    const Eigen::Vector3d into = stemDirection(f);
    for (int step = 0; step * kStep_m < f.shank_m; ++step) {
        const double u = step * kStep_m;
        const Eigen::Vector3d skin = from + u * into;
        if (curves->contains(skin)) {
            return k * skin - (skin - at);
        }
    }
    return k * at;
}

}  // namespace

Design scaledDesign(const Design& design, double length_m) {
    Design d = design;
    const OverallSize now = overallSize(d.body);
    if (!(now.length_m > 0)) {
        return d;
    }
    const double k = length_m / now.length_m;
    d.body = resized(d.body, length_m, k * now.width_m, k * now.height_m);
    const std::string name = ", " + fixedDecimalText(length_m / kMillimetre, 0) + " mm";
    d.name = design.name.substr(0, design.name.rfind(", ")) + name;
    for (Piece& piece : d.pieces) {
        piece.stock.weighedBody_kg.reset();
        piece.stock.trust = BodyTrust::DrawnVolume;
    }
    const Result<BodyCurves> curves = BodyCurves::build(design.body, "/body");
    for (Fitting& f : d.fittings) {
        const Eigen::Vector3d at = scaledPlace(f, curves, k);
        f.x_m = at.x();
        f.y_m = at.y();
        f.z_m = at.z();
    }
    for (Bore& b : d.bores) {
        b.x_m *= k;
        b.y_m *= k;
        b.diameter_m = toDrill(k * b.diameter_m);
        b.depth_m = toDrill(k * b.depth_m);
        b.plugLength_m *= k;
    }
    d.wire.z_m *= k;
    for (WireDrop& drop : d.wire.drops) {
        drop.x_m *= k;
    }
    for (RattleChamber& c : d.chambers) {
        // The balls are bought: the tube is drilled no narrower than they need.
        c.x_m *= k;
        c.y_m *= k;
        c.z_m *= k;
        c.length_m = std::max(toDrill(k * c.length_m), c.ballDiameter_m + kDrillStep_m);
        c.diameter_m = std::max(toDrill(k * c.diameter_m), c.ballDiameter_m + 0.5 * kDrillStep_m);
    }
    for (Joint& j : d.joints) {
        j.x_m *= k;
        j.gap_m *= k;
        j.pinAft_m *= k;
        j.pinLength_m *= k;
        j.pocketWidth_m *= k;
        j.pocketHeight_m *= k;
        j.pocketDepth_m *= k;
    }
    for (Appendage& a : d.appendages) {
        const OverallSize own = overallSize(a.body);
        a.body = resized(a.body, k * own.length_m, k * own.width_m, k * own.height_m);
        a.hingeX_m *= k;
        a.hingeY_m *= k;
        a.hingeZ_m *= k;
    }
    for (Feature& f : d.features) {
        f.x_m *= k;
        f.y_m *= k;
        f.z_m *= k;
        // Slots fit sheet of one thickness, sockets and pilots fit bought eyes: lengths go along.
        f.length_m *= k;
        f.depth_m *= k;
    }
    const auto scaleOutline = [k](std::vector<OutlinePoint>& outline) {
        for (OutlinePoint& p : outline) {
            p.aft_m *= k;
            p.up_m *= k;
        }
    };
    for (Cavity& c : d.make.cavities) {
        c.x_m *= k;
        c.z_m *= k;
        c.length_m *= k;
        c.height_m *= k;
        scaleOutline(c.outline);
    }
    for (SideWeight& w : d.sideWeights) {
        w.x_m *= k;
        w.z_m *= k;
        w.bottom_m *= k;
        w.thickness_m *= k;
        w.weighedMass_kg.reset();  // another one is cast
        scaleOutline(w.outline);
    }
    for (BuildUp& b : d.buildUps) {
        for (double BuildUp::*field :
             {&BuildUp::x_m, &BuildUp::y_m, &BuildUp::z_m, &BuildUp::length_m, &BuildUp::width_m,
              &BuildUp::thickness_m}) {
            b.*field *= k;
        }
        b.weighedMass_kg.reset();
    }
    d.make.halves.grooveFrom_m *= k;
    d.make.halves.grooveTo_m *= k;
    d.make.halves.grooveZ_m *= k;
    for (double Lip::*field :
         {&Lip::length_m, &Lip::rootWidth_m, &Lip::width_m, &Lip::tipRound_m, &Lip::slotX_m,
          &Lip::slotZ_m, &Lip::slotDepth_m, &Lip::bendAt_m, &Lip::notchWidth_m, &Lip::notchDepth_m,
          &Lip::holeDiameter_m, &Lip::holeAt_m}) {
        d.lip.*field *= k;
    }
    d.tie.x_m *= k;
    d.tie.z_m *= k;
    d.tie.upLip_m *= k;
    // What the tank told is of the bait it was seen on.
    d.tank.correction = {};
    d.tank.readings.clear();
    d.log.clear();
    d.trace = {};
    return d;
}

SizeRow evaluateSize(const Design& design, double length_m) {
    SizeRow row;
    row.length_m = length_m;
    row.design = scaledDesign(design, length_m);
    // What left its range in scaling is said, not clamped.
    for (const Field& field : listFields(row.design)) {
        if (field.value && !(*field.value >= field.min && *field.value <= field.max)) {
            row.error = "field.out_of_range";
            return row;
        }
    }
    row.leadMeets = true;
    std::shared_ptr<const Derived> planned;
    if (!row.design.bores.empty()) {
        const Result<LeadPlan> plan = planLead(row.design);
        if (plan) {
            row.design = plan->design;
            planned = plan->reached;
            row.leadMeets = plan->findings.empty();
            row.missingMass_kg = plan->missingMass_kg;
        } else {
            row.leadMeets = false;
            row.refusal = plan.error();
        }
    }
    const Result<Derived> derived = evaluate(row.design, planned.get());
    if (!derived) {
        row.error = derived.error().code;
        return row;
    }
    row.known = true;
    row.volume_m3 = derived->shape->solid.volume_m3;
    row.mass_kg = derived->mass->mass_kg;
    row.wantedMass_kg = derived->wantedMass_kg;
    row.spare = derived->rest->spare;
    row.pitch_rad = derived->rest->pitch_rad;
    row.sinkSpeed_m_s = derived->rest->fall.speed_m_s;
    // Whatever the plan said: what comes out is what is held against the brief.
    constexpr double kMet_kg = 0.1e-3;
    const double off_kg = std::abs(row.wantedMass_kg - row.mass_kg);
    row.leadMeets = row.leadMeets && off_kg < std::max(kMet_kg, 0.005 * row.wantedMass_kg);
    if (!row.leadMeets && row.missingMass_kg == 0) {
        row.missingMass_kg = row.wantedMass_kg - row.mass_kg;
    }
    return row;
}

}  // namespace wl
