#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/reckon/stages.h"
#include "core/reckon/wanted_mass.h"

namespace wl {
namespace {

constexpr double kNoNet_kg = 1e-9;

// Free speeds at the ends of the doubt, at the drag area it falls with.
void findSpeeds(const Derived& d, Rest& rest) {
    const double sense = rest.net_kg < 0 ? 1.0 : -1.0;
    const double speed = std::abs(rest.fall.speed_m_s);
    const double area =
        speed > 1e-6 && std::abs(rest.net_kg) > kNoNet_kg
            ? 2 * std::abs(rest.net_kg) * kGravity_m_s2 / (d.waterDensity_kg_m3 * speed * speed)
            : broadsideArea_m2(*d.loads->table, rest.hang.pitch_rad, sense);
    rest.fallArea_m2 = area;
    auto speedFor = [&](double net_kg) {
        const double v =
            std::sqrt(2 * std::abs(net_kg) * kGravity_m_s2 / (d.waterDensity_kg_m3 * area));
        return net_kg > 0 ? -v : v;
    };
    // The weight's doubt and the water's stand for themselves.
    const double middle = rest.fall.speed_m_s, model = d.model.bandFall * middle;
    rest.lowSpeed_m_s =
        middle - std::hypot(middle - speedFor(rest.net_kg + 2 * d.mass->netDoubt_kg), model);
    rest.highSpeed_m_s =
        middle + std::hypot(speedFor(rest.net_kg - 2 * d.mass->netDoubt_kg) - middle, model);
}

void findShowing(const Derived& d, Rest& rest) {
    if (rest.attitudes.empty()) {
        return;
    }
    const WaterPlane& plane = rest.attitudes.front().plane;
    for (size_t i = 0; i < d.shape->parts.size(); ++i) {
        for (const Eigen::Vector3d& v : d.mass->shape.hulls[i].mesh().vertices_m) {
            rest.showing_m = std::max(rest.showing_m, plane.normal.dot(v) - plane.offset_m);
        }
    }
}

void findAlone(const Derived& d, Rest& rest) {
    if (d.shape->parts.size() < 2) {
        return;
    }
    for (const PieceBalance& piece : d.mass->pieces) {
        PieceAlone alone;
        const double full_kg = d.waterDensity_kg_m3 * piece.displacedVolume_m3;
        alone.net_kg = full_kg - piece.mass_kg;
        alone.spare = full_kg > 0 ? alone.net_kg / full_kg : 0.0;
        if (alone.net_kg > kNoNet_kg) {
            const FloatingBody body{piece.coarseShape, piece.mass_kg, piece.centreOfGravity_m,
                                    d.waterDensity_kg_m3};
            const FloatAttitude settled = settleFrom(body, Eigen::Vector3d::UnitZ());
            alone.pitch_rad = settled.pitch_rad;
            alone.roll_rad = settled.roll_rad;
            alone.decided = settled.stable;
            alone.plane = settled.plane;
        } else {
            const SubmergedAttitude hang =
                hangUnderWater(piece.centreOfGravity_m, piece.centreOfBuoyancy_m);
            alone.pitch_rad = hang.pitch_rad;
            alone.roll_rad = hang.roll_rad;
            alone.decided = hang.decided;
            alone.plane.normal = upInBody(hang.pitch_rad, hang.decided ? hang.roll_rad : 0.0);
            alone.plane.offset_m = alone.plane.normal.dot(piece.centreOfBuoyancy_m);
        }
        rest.alone.push_back(alone);
    }
}

// Water runs to the lowest part of the hollow it can reach, at the attitude the bait then takes.
void findWaterlogged(const Derived& d, Rest& rest) {
    const Design& design = *d.design;
    if (design.make.kind != MakeKind::Printed || !design.make.print.leaks) {
        return;
    }
    double hollow = 0;
    FloatingShape inside;
    for (const BodyPart& part : d.shape->parts) {
        hollow += part.material.hollow_m3;
        if (!part.material.inside.triangles.empty()) {
            inside.hulls.push_back(part.material.inside);
        }
    }
    const double full_kg = d.waterDensity_kg_m3 * d.mass->displacedVolume_m3;
    for (const double after_s : {1800.0, 3600.0, 7200.0, 14400.0}) {
        const auto taken = waterTaken_m3(design.make.print, hollow, d.waterDensity_kg_m3, after_s);
        if (!taken || inside.hulls.empty()) {
            return;
        }
        Waterlogged w;
        w.after_s = after_s;
        w.water_kg = d.waterDensity_kg_m3 * *taken;
        const double mass = d.mass->mass_kg + w.water_kg;
        w.spare = (full_kg - mass) / full_kg;
        w.floats = mass < full_kg;
        Eigen::Vector3d up = upInBody(rest.pitch_rad, rest.roll_rad);
        // Infill takes its share of every litre, so the level stands as if the hollow were open.
        const double share = 1 - design.make.print.infill;
        FloatingBody level{inside, *taken / share, Eigen::Vector3d::Zero(), 1.0};
        for (int pass = 0; pass < 6; ++pass) {
            const Submerged wet = findWaterline(level, up, 1e-10).wet;
            const Eigen::Vector3d at = wet.volume_m3 > 0
                                           ? Eigen::Vector3d(wet.moment_m4 / wet.volume_m3)
                                           : d.mass->centreOfGravity_m;
            const Eigen::Vector3d centre =
                (d.mass->mass_kg * d.mass->centreOfGravity_m + w.water_kg * at) / mass;
            if (w.floats) {
                const FloatingBody body{d.mass->coarseShape, mass, centre, d.waterDensity_kg_m3};
                up = settleFrom(body, up).plane.normal;
            } else {
                const SubmergedAttitude hang = hangUnderWater(centre, d.mass->centreOfBuoyancy_m);
                w.attitudeDecided = hang.decided;
                up = upInBody(hang.pitch_rad, hang.roll_rad);
            }
        }
        w.pitch_rad = pitchOf(up);
        rest.waterlogged.push_back(w);
    }
}

}  // namespace

LooseBait looseBait(const Derived& d) {
    LooseBait bait;
    bait.shape = d.mass->shape;
    bait.coarseShape = d.mass->coarseShape;
    bait.shapeDensity_kg_m3 = d.waterDensity_kg_m3;
    bait.mass_kg = d.mass->mass_kg;
    bait.centreOfGravity_m = d.mass->centreOfGravity_m;
    bait.volume_m3 = d.mass->displacedVolume_m3;
    bait.centreOfBuoyancy_m = d.mass->centreOfBuoyancy_m;
    bait.waterDensity_kg_m3 = d.waterDensity_kg_m3;
    bait.loads = d.loads->table;
    bait.suspendSpeed_m_s = d.model.suspendSpeed_m_s;
    return bait;
}

Rest restOf(const Derived& d, const Rest* sameMass) {
    const LooseBait bait = looseBait(d);
    Rest rest;
    static_cast<StillWater&>(rest) =
        letGo(bait, sameMass != nullptr ? sameMass->attitudes : floatingAttitudes(bait));
    rest.spareDoubt = 2 * d.mass->netDoubt_kg / (d.waterDensity_kg_m3 * d.mass->displacedVolume_m3);
    findSpeeds(d, rest);
    findShowing(d, rest);
    if (sameMass != nullptr) {
        rest.alone = sameMass->alone;
    } else {
        findAlone(d, rest);
    }
    findWaterlogged(d, rest);
    rest.linked = linkedRestOf(d, rest.pitch_rad);
    return rest;
}

}  // namespace wl
