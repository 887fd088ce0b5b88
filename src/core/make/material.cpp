#include "core/make/material.h"

#include <algorithm>
#include <cmath>

#include "core/geometry/mesh_offset.h"

namespace wl {
namespace {

// Half-widths assumed where nothing was measured (common practice, no source).
constexpr double kInfillSpread = 0.05;
constexpr double kShellSpread = 0.05;
constexpr double kSheetSpread = 0.015;
constexpr double kMoistureToDensity = 0.6;
constexpr double kMostFiller = 0.75;

}  // namespace

double mixDensity_kg_m3(const ResinMix& m) {
    const double dense = m.by == MixBy::Volume ? m.fillerShare * m.fillerDensity_kg_m3 +
                                                     (1 - m.fillerShare) * m.resinDensity_kg_m3
                                               : 1 / (m.fillerShare / m.fillerDensity_kg_m3 +
                                                      (1 - m.fillerShare) / m.resinDensity_kg_m3);
    return (1 - m.trappedAir) * dense;
}

std::optional<double> fillerShareFor(const ResinMix& mix, double density) {
    const double solid = density / (1 - mix.trappedAir);
    const double r = mix.resinDensity_kg_m3, f = mix.fillerDensity_kg_m3;
    if (std::abs(r - f) < 1e-9) {
        return std::nullopt;
    }
    const double byVolume = (r - solid) / (r - f);
    const double share = mix.by == MixBy::Volume ? byVolume : byVolume * f / solid;
    if (!(share >= -1e-12 && share <= kMostFiller)) {
        return std::nullopt;
    }
    return std::max(0.0, share);
}

DensityEstimate densityInForce(const Stock& stock, const Make& make) {
    DensityEstimate e;
    switch (stock.source) {
        case DensitySource::Sample:
            e = densityFromSample(stock.sample);
            break;
        case DensitySource::Shelf:
            e.density_kg_m3 = stock.shelfDensity_kg_m3;
            e.uncertainty_kg_m3 =
                stock.shelfDensity_kg_m3 * stock.shelfSpread * kHalfWidthToStandard;
            break;
        case DensitySource::Blank:
            e = densityFromBlank(stock.blank, stock.sample);
            break;
        case DensitySource::Mix: {
            e.density_kg_m3 = mixDensity_kg_m3(make.mix);
            auto slope = [&make](double ResinMix::*field, double step) {
                ResinMix more = make.mix;
                more.*field += step;
                return (mixDensity_kg_m3(more) - mixDensity_kg_m3(make.mix)) / step;
            };
            e.uncertainty_kg_m3 =
                kHalfWidthToStandard *
                std::hypot(slope(&ResinMix::fillerShare, 1e-4) * make.mix.shareError,
                           slope(&ResinMix::trappedAir, 1e-4) * make.mix.trappedAirError);
            break;
        }
    }
    const bool wood = make.kind == MakeKind::Carved || make.kind == MakeKind::Turned;
    if (wood) {
        e.uncertainty_kg_m3 =
            std::hypot(e.uncertainty_kg_m3, e.density_kg_m3 * kMoistureToDensity *
                                                stock.moistureSpread * kHalfWidthToStandard);
    }
    return e;
}

PartMaterial solidMaterial(const SolidProperties& solid, const DensityEstimate& density) {
    PartMaterial m;
    m.mass_kg = density.density_kg_m3 * solid.volume_m3;
    m.centre_m = solid.centroid_m;
    m.doubtShare = density.uncertainty_kg_m3 / density.density_kg_m3;
    return m;
}

PartMaterial layeredMaterial(const BodyCurves& curves, const PieceBounds& bounds,
                             const Make& make) {
    PartMaterial m;
    double stack = 0;
    for (const Layer& layer : make.layers) {
        stack += layer.thickness_m;
    }
    double y = -0.5 * stack;
    Eigen::Vector3d moment = Eigen::Vector3d::Zero();
    for (const Layer& layer : make.layers) {
        PieceBounds slab = bounds;
        slab.fromY_m = y;
        y += layer.thickness_m;
        slab.toY_m = y;
        const SolidProperties sheet = integratePiece(curves, slab);
        m.mass_kg += layer.density_kg_m3 * sheet.volume_m3;
        moment += layer.density_kg_m3 * sheet.volume_m3 * sheet.centroid_m;
    }
    if (m.mass_kg > 0) {
        m.centre_m = moment / m.mass_kg;
    }
    m.doubtShare = kSheetSpread * kHalfWidthToStandard;
    return m;
}

PartMaterial printedMaterial(const TriangleMesh& mesh, const SolidProperties& solid,
                             const Print& print, const std::function<double(double)>& midHeight_m) {
    PartMaterial m;
    m.inside = offsetInward(mesh, print.shell_m);
    // A wall moved past the middle would turn a thin tail inside out, twice over: hollow again.
    for (size_t i = 0; i < mesh.vertices_m.size(); ++i) {
        const Eigen::Vector3d& skin = mesh.vertices_m[i];
        Eigen::Vector3d& inner = m.inside.vertices_m[i];
        const double middle = midHeight_m(skin.x());
        inner.y() = skin.y() >= 0 ? std::max(inner.y(), 0.0) : std::min(inner.y(), 0.0);
        inner.z() = skin.z() >= middle ? std::max(inner.z(), middle) : std::min(inner.z(), middle);
    }
    const SolidProperties inner = integrateMesh(m.inside);
    const double within = std::clamp(inner.volume_m3, 0.0, solid.volume_m3);
    const double shell = solid.volume_m3 - within;
    m.mass_kg = print.density_kg_m3 * (shell + print.infill * within);
    const Eigen::Vector3d whole = solid.volume_m3 * solid.centroid_m;
    const Eigen::Vector3d moment =
        whole - (1 - print.infill) * within * (within > 0 ? inner.centroid_m : solid.centroid_m);
    m.centre_m = moment / (shell + print.infill * within);
    m.hollow_m3 = within * (1 - print.infill);
    const double plastic = shell + print.infill * within;
    m.doubtShare = kHalfWidthToStandard *
                   std::hypot(kInfillSpread * print.infill * within, kShellSpread * shell) /
                   plastic;
    if (within <= 0) {
        m.inside = {};
    }
    return m;
}

std::optional<double> waterTaken_m3(const Print& print, double hollow_m3, double water_kg_m3,
                                    double after_s) {
    if (!print.leaks || hollow_m3 <= 0) {
        return 0.0;
    }
    const double share = (print.wetMass_kg - print.dryMass_kg) / (water_kg_m3 * hollow_m3);
    if (!(share > 0 && share < 1)) {
        return std::nullopt;
    }
    const double tau = -print.soak_s / std::log(1 - share);
    return hollow_m3 * (1 - std::exp(-after_s / tau));
}

}  // namespace wl
