#include "core/making/moulding.h"

#include <algorithm>
#include <cmath>

#include "core/make/material.h"

namespace wl {
namespace {

ResinAmounts amountsOf(const ResinMix& mix, double volume_m3) {
    ResinAmounts out;
    out.volume_m3 = volume_m3;
    const double share = mix.fillerShare;
    if (mix.by == MixBy::Volume) {
        const double solid = (1 - mix.trappedAir) * volume_m3;
        out.filler_kg = solid * share * mix.fillerDensity_kg_m3;
        out.resin_kg = solid * (1 - share) * mix.resinDensity_kg_m3;
    } else {
        const double mass = volume_m3 * mixDensity_kg_m3(mix);
        out.filler_kg = share * mass;
        out.resin_kg = (1 - share) * mass;
    }
    return out;
}

Result<CopyState> copyOf(Design design, const ResinMix& mix, const Derived& near) {
    design.make.mix = mix;
    const Result<Derived> copy = evaluate(design, &near);
    if (!copy) {
        return copy.error();
    }
    return CopyState{mix.fillerShare, mix.trappedAir, copy->mass->mass_kg, copy->rest->spare,
                     copy->rest->pitch_rad};
}

}  // namespace

MouldBox mouldBox(const Design& design, const Derived& derived) {
    const Mould& mould = design.make.mould;
    MouldBox plan;
    Eigen::Vector3d low = Eigen::Vector3d::Constant(1e9), high = -low;
    for (const BodyPart& part : derived.shape->parts) {
        plan.bait_m3 += part.solid.volume_m3;
        for (const Eigen::Vector3d& v : part.mesh.vertices_m) {
            low = low.cwiseMin(v);
            high = high.cwiseMax(v);
        }
    }
    plan.box_m = high - low + Eigen::Vector3d::Constant(2 * mould.wall_m);
    plan.siliconeHalf_m3 = 0.5 * (plan.box_m.prod() - plan.bait_m3) * (1 + mould.siliconeWaste);
    plan.siliconeHalf_kg = plan.siliconeHalf_m3 * mould.siliconeDensity_kg_m3;
    return plan;
}

Result<MouldPlan> planMould(const Design& design, const Derived& derived, std::stop_token stop) {
    const Mould& mould = design.make.mould;
    MouldPlan plan;
    static_cast<MouldBox&>(plan) = mouldBox(design, derived);
    plan.baits = design.building.baits;
    plan.one = amountsOf(design.make.mix, plan.bait_m3 * (1 + mould.resinWaste));
    const double pouring = mould.workingTime_s - mould.mixing_s;
    plan.perBatch =
        std::min(plan.baits, int(std::floor(std::max(0.0, pouring) / mould.pouring_s + 1e-9)));
    if (plan.perBatch > 0) {
        plan.batches = (plan.baits + plan.perBatch - 1) / plan.perBatch;
        plan.pour = amountsOf(design.make.mix, plan.perBatch * plan.one.volume_m3);
    }
    if (design.make.kind != MakeKind::Cast) {
        return plan;
    }
    const ResinMix& mix = design.make.mix;
    ResinMix light = mix, heavy = mix;
    light.fillerShare = std::min(0.75, mix.fillerShare + mix.shareError);
    light.trappedAir = std::min(0.5, mix.trappedAir + mix.trappedAirError);
    heavy.fillerShare = std::max(0.0, mix.fillerShare - mix.shareError);
    heavy.trappedAir = std::max(0.0, mix.trappedAir - mix.trappedAirError);
    for (const ResinMix& one : {mix, light, heavy}) {
        if (stop.stop_requested()) {
            break;
        }
        const Result<CopyState> copy = copyOf(design, one, derived);
        if (!copy) {
            return copy.error();
        }
        plan.copies.push_back(*copy);
    }
    return plan;
}

Result<NextCopy> nextCopy(const Design& design, const Derived& derived) {
    constexpr double kMostAir = 0.5;
    if (design.make.kind != MakeKind::Cast) {
        return Error{"mould.not_cast", "/make/kind", {}, {}};
    }
    const std::optional<double>& weighed = design.pieces.front().stock.weighedBody_kg;
    if (!weighed) {
        return Error{"mould.no_copy", "/pieces/0/stock/weighed_body", {}, {}};
    }
    NextCopy next;
    next.design = design;
    ResinMix& mix = next.design.make.mix;
    next.density_kg_m3 = *weighed / derived.shape->reckoning.drawnVolume_m3;
    const double told = mixDensity_kg_m3(mix);
    next.ofMix = next.density_kg_m3 / told;
    const double air = 1 - next.ofMix * (1 - mix.trappedAir);
    if (air >= 0 && air <= kMostAir) {
        mix.trappedAir = air;
    } else {
        mix.resinDensity_kg_m3 *= next.ofMix;
        mix.fillerDensity_kg_m3 *= next.ofMix;
    }
    const std::optional<double> share = fillerShareFor(mix, mix.wantedDensity_kg_m3);
    next.reached = share.has_value();
    mix.fillerShare = share.value_or(mix.fillerShare);
    next.fillerShare = mix.fillerShare;
    Stock& stock = next.design.pieces.front().stock;
    stock.weighedBody_kg.reset();
    stock.trust = BodyTrust::DrawnVolume;
    stock.source = DensitySource::Mix;
    return next;
}

std::vector<BenchAmount> benchAmounts(const Design& design, const Derived& derived) {
    std::vector<BenchAmount> amounts;
    const auto add = [&amounts](const std::string& name, double volume, double mass) {
        if (volume <= 0) {
            return;
        }
        const auto at = std::find_if(amounts.begin(), amounts.end(),
                                     [&](const BenchAmount& a) { return a.name == name; });
        BenchAmount& sum = at != amounts.end() ? *at : amounts.emplace_back();
        sum.name = name;
        sum.volume_m3 += volume;
        sum.mass_kg += mass;
    };
    const auto masses = [&derived](const std::string& path) {
        double sum = 0;
        for (const MassItem& item : derived.mass->items) {
            sum += item.path == path && item.kind != PartKind::Plug ? item.mass_kg : 0.0;
        }
        return sum;
    };
    for (size_t i = 0; i < design.bores.size(); ++i) {
        double filler = 0;
        for (const MassItem& item : derived.mass->items) {
            filler +=
                item.kind == PartKind::Filler && belongsTo(item, pathOf({RecordList::Bores, i}))
                    ? item.mass_kg
                    : 0.0;
        }
        add({}, filler / design.bores[i].fillerDensity_kg_m3, filler);
    }
    for (size_t k = 0; k < design.coats.size(); ++k) {
        const Coat& coat = design.coats[k];
        const double dry = masses("/coats/" + std::to_string(k));
        const double volume = dry / coat.density_kg_m3 / coat.solids;
        add(coat.name, volume, volume * coat.density_kg_m3);
    }
    return amounts;
}

}  // namespace wl
