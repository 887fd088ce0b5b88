#include "core/reckon/evaluate.h"

#include <exception>
#include <tuple>

#include "core/hydro/water.h"
#include "core/reckon/stages.h"
#include "core/reckon/wanted_mass.h"

namespace wl {
namespace {

// What each stage reads of the design, stages before it apart.
auto shapeInputs(const Design& d) {
    return std::tie(d.body, d.make, d.pieces, d.joints, d.appendages);
}
auto hullInputs(const Design& d) {
    return std::tie(d.coats);
}
auto massInputs(const Design& d) {
    return std::tie(d.features, d.fittings, d.bores, d.sideWeights, d.buildUps, d.wire, d.chambers,
                    d.lip, d.errors, d.tank.correction);
}
// A tie through the lip is drilled and has a wire of its own; any other weighs nothing.
std::optional<Tie> tieOnBait(const Design& d) {
    return d.tie.isDrilled() ? std::optional(d.tie) : std::nullopt;
}
auto wantedInputs(const Brief& b) {
    return std::tie(b.wantedState, b.wantedSpare, b.wantedSinkSpeed_m_s, b.wantedPitch_rad);
}

Result<Derived> evaluateUnguarded(const Design& design, const Derived* near, const Model& model,
                                  bool restAsNear) {
    Derived d;
    const Brief& brief = design.brief;
    d.design = std::make_shared<const Design>(design);
    d.model = model;
    d.sinkSeen = near != nullptr ? near->sinkSeen : 1.0;
    d.waterDensity_kg_m3 =
        model.waterDensity * waterDensity_kg_m3(brief.temperature_K, brief.salinity);
    d.waterViscosity_m2_s =
        model.waterViscosity * waterKinematicViscosity_m2_s(brief.temperature_K, brief.salinity);

    const bool sameShape = near != nullptr && shapeInputs(*near->design) == shapeInputs(design) &&
                           near->waterDensity_kg_m3 == d.waterDensity_kg_m3;
    if (sameShape) {
        d.shape = near->shape;
    } else {
        Result<BaitShape> shape = shapeOf(design, d.waterDensity_kg_m3);
        if (!shape) {
            return shape.error();
        }
        d.shape = std::make_shared<const BaitShape>(std::move(shape).value());
    }
    const bool sameHulls = sameShape && hullInputs(*near->design) == hullInputs(design);
    d.hulls = sameHulls ? near->hulls
                        : std::make_shared<const std::vector<CoatedHull>>(
                              coatHulls(d.shape->parts, coatsOf(design), d.shape->sizes.length_m));
    const bool sameMass = sameHulls && massInputs(*near->design) == massInputs(design) &&
                          tieOnBait(*near->design) == tieOnBait(design);
    d.mass =
        sameMass
            ? near->mass
            : std::make_shared<const MassBalance>(computeMassBalance(
                  design,
                  {{d.shape->curves, d.shape->massScale, d.shape->parts, d.shape->joints,
                    sameShape ? std::optional(MeasuredBores{near->design->bores, near->mass->bores})
                              : std::nullopt},
                   d.shape->reckoning,
                   *d.hulls},
                  d.waterDensity_kg_m3));
    const bool sameModel = near != nullptr && near->model == model;
    TowedShape inputs = towedShapeOf(design, d);
    const bool sameLoads = sameModel && near->loads->inputs == inputs;
    if (sameLoads) {
        d.loads = near->loads;
    } else {
        auto table = std::make_shared<const LoadTable>(inputs, model);
        d.loads = std::make_shared<const BaitLoads>(BaitLoads{std::move(inputs), std::move(table)});
    }
    const bool sameRest = sameMass && sameLoads;
    d.rest = sameRest || restAsNear
                 ? near->rest
                 : std::make_shared<const Rest>(restOf(d, sameMass ? near->rest.get() : nullptr));
    d.towed = fallingBait(looseBait(d));
    const Eigen::Vector3d tie = tiePoint(design);
    d.towed.tie_m = {tie.x(), tie.z()};
    const bool sameWanted = sameRest && wantedInputs(near->design->brief) == wantedInputs(brief);
    d.wantedMass_kg = sameWanted ? near->wantedMass_kg : wantedMass_kg(brief, d);
    return d;
}

Result<Derived> guarded(const Design& design, const Derived* near, const Model& model,
                        bool restAsNear) {
    try {
        return evaluateUnguarded(design, near, model, restAsNear);
    } catch (const std::exception&) {  // Boost's root finders and memory are all that can throw
        return Error{"internal.numeric", "", {}, {}};
    }
}

}  // namespace

Result<Derived> evaluate(const Design& design, const Derived* near, const Model& model) {
    return guarded(design, near, model, false);
}

Derived sinkingAsSeen(Derived derived, double times) {
    const double before = derived.sinkSeen;
    derived.sinkSeen = times;
    try {
        derived.wantedMass_kg = wantedMass_kg(derived.design->brief, derived);
    } catch (const std::exception&) {  // as in guarded
        derived.sinkSeen = before;
    }
    return derived;
}

Result<Derived> evaluateTow(const Design& design, const Derived& near, const Model& model) {
    return guarded(design, &near, model, true);
}

}  // namespace wl
