#include "core/swim/tuning.h"

#include <cmath>

#include <Eigen/Geometry>

#include "core/base/units.h"
#include "core/reckon/tow.h"

namespace wl {
namespace {

using Fault = FaultRun::Fault;

// What a fault needs to know of the bait beside its equations.
struct Parts {
    double lead_kg = 0.0;
    double lip_kg = 0.0;
    double lip_m3 = 0.0;
    // Of a tie on the lip, which goes with it: up the sheet and off it.
    double tieUp_m = 0.0;
    double tieOff_m = 0.0;
    bool tieOnLip = false;
};

Parts partsOf(const Derived& d) {
    Parts parts;
    for (const MassItem& item : d.mass->items) {
        parts.lead_kg += item.kind == PartKind::Plug ? item.mass_kg : 0.0;
    }
    parts.lip_kg = d.mass->lip.mass_kg;
    parts.lip_m3 = d.mass->lip.outsideVolume_m3;
    parts.tieOnLip = d.design->lip.present && d.design->tie.onLip();
    if (parts.tieOnLip) {
        parts.tieUp_m = d.design->tie.upLip_m;
        parts.tieOff_m = d.design->tie.standOff_m;
    }
    return parts;
}

void moveLip(WobbleBody& body, const Parts& parts, double aside) {
    body.centreOfGravity_m.y() += parts.lip_kg * aside / body.mass_kg;
    body.centreOfBuoyancy_m.y() += parts.lip_m3 * aside / body.volume_m3;
}

void put(Fault fault, double size, const Parts& parts, WobbleBody& body) {
    WobblePlate& plate = *body.plate;
    switch (fault) {
        case Fault::Tie:
            body.tie_m.y() += size;
            break;
        case Fault::LipTwist: {  // starboard edge back: its face looks to starboard
            const Eigen::Vector3d up = plate.normal, right = plate.across;
            plate.normal = std::cos(size) * up + std::sin(size) * right;
            plate.across = std::cos(size) * right - std::sin(size) * up;
            body.tie_m += parts.tieOff_m * (plate.normal - up);
            break;
        }
        case Fault::LipTurn: {
            const Eigen::Vector3d along = plate.along, right = plate.across;
            plate.along = std::cos(size) * along + std::sin(size) * right;
            plate.across = std::cos(size) * right - std::sin(size) * along;
            body.tie_m += parts.tieUp_m * (plate.along - along);
            moveLip(body, parts, plate.centroid_m * std::sin(size));
            break;
        }
        case Fault::LipRoot:
            plate.root_m.y() += size;
            body.tie_m.y() += parts.tieOnLip ? size : 0.0;
            moveLip(body, parts, size);
            break;
        case Fault::Lead:
            body.centreOfGravity_m.y() += parts.lead_kg * size / body.mass_kg;
    }
}

// Sideways in the steady way, m; nothing where there is none.
std::optional<double> sideways(const WobbleBody& body, const WobbleTow& tow, const Model& model,
                               double held) {
    WobbleTuning tuning;
    tuning.rollCoupleHeld = held;
    const auto way = swimsSideways(WobbleMotion(body, tow, model, tuning));
    return way ? std::optional((*way)[0]) : std::nullopt;
}

}  // namespace

Result<Tuning> tuningOf(const Derived& d, const Run& run) {
    constexpr double kFaster = 1.4, kLeast = 25 * kDegree, kMost = 70 * kDegree;
    constexpr double kTouchy_rad = 10 * kDegree;
    const Result<WobbleBody> body = wobbleBody(d, run);
    if (!body) {
        return body.error();
    }
    const double speed = towSpeed_m_s(d);
    const Result<WobbleTow> tow = wobbleTow(run.levelTrim, speed);
    if (!tow) {
        return tow.error();
    }
    Tuning tuning;
    if (!body->plate || !body->plate->isLip) {
        return tuning;
    }
    const Swim swim = swimOf(d, run);
    const double held = swim.heldCouple_N_m;
    tuning.signsKnown = swim.plateIncidence_rad > kLeast && swim.plateIncidence_rad < kMost;
    tuning.rollUnsettled = swim.flags.rollUnsettled;
    const Swim quick = swimAt(d, run, kFaster * speed);
    const Parts parts = partsOf(d);
    const auto with = [&](Fault fault, double size, double bend) {
        WobbleBody faulty = *body;
        put(fault, size, parts, faulty);
        faulty.tie_m.y() += bend;
        return faulty;
    };
    for (const auto& [fault, size] :
         {std::pair{Fault::Tie, 1e-3}, std::pair{Fault::LipTwist, kDegree},
          std::pair{Fault::LipTurn, kDegree}, std::pair{Fault::LipRoot, 0.5e-3},
          std::pair{Fault::Lead, 1e-3}}) {
        if (fault == Fault::Lead && parts.lead_kg <= 0) {
            continue;
        }
        FaultRun one;
        one.fault = fault;
        one.size = size;
        const auto off = sideways(with(fault, size, 0), *tow, d.model, held);
        one.rollsOver = !off;
        if (off) {
            one.run_rad = std::atan(*off / body->lineLength_m);
            one.sideways_m = d.design->brief.castLength_m / std::exp(1.0) * std::tan(one.run_rad);
            one.runFast_rad = one.run_rad;
            if (!quick.untold) {
                const auto fast =
                    sideways(with(fault, size, 0), quick.tow, d.model, quick.heldCouple_N_m);
                one.runFast_rad = fast ? std::atan(*fast / body->lineLength_m) : one.run_rad;
            }
            if (fault == Fault::Tie) {
                tuning.touchy = std::abs(one.run_rad) > kTouchy_rad;
            }
            // The bend that brings it back, by secants.
            double a = 0, fa = *off, b = fault == Fault::Tie ? -size : -std::copysign(0.2e-3, *off);
            for (int i = 0; i < 20 && !one.bend_m; ++i) {
                const auto fb = sideways(with(fault, size, b), *tow, d.model, held);
                if (!fb || std::abs(*fb - fa) < 1e-12) {
                    break;
                }
                if (std::abs(*fb) < 1e-7) {
                    one.bend_m = b;
                }
                const double next = b - *fb * (b - a) / (*fb - fa);
                a = b;
                fa = *fb;
                b = next;
            }
        }
        tuning.faults.push_back(one);
    }
    return tuning;
}

}  // namespace wl
