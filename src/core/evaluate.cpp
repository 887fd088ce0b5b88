#include "core/evaluate.h"

#include <algorithm>
#include <cmath>
#include <exception>

#include "core/check_design.h"
#include "core/hydro/water.h"
#include "core/wanted_mass.h"

namespace wl {
namespace {

constexpr int kSkinRings = 64, kSkinAround = 40;
constexpr double kNoNet_kg = 1e-9;

Body scaledBreadths(const Body& body, double scale) {
    Body scaled = body;
    for (Station& s : scaled.stations) {
        s.back_m *= scale;
        s.belly_m *= scale;
        s.widest_m *= scale;
        s.halfWidth_m *= scale;
    }
    return scaled;
}

TowedBait buildTowed(const Design& design, const Derived& d, const Model& model) {
    TowedHull hull;
    hull.length_m = d.sizes.length_m;
    hull.width_m = d.sizes.maxWidth_m;
    hull.height_m = d.sizes.maxHeight_m;
    hull.volume_m3 = d.solid.volume_m3;
    hull.planArea_m2 = d.sizes.planArea_m2;
    hull.planMoment_m3 = d.sizes.planMoment_m3;
    hull.wettedArea_m2 = d.skin.area_m2;
    hull.centroidZ_m = d.solid.centroid_m.z();
    hull.squareness = d.sizes.fullness;
    const Eigen::Vector3d k = addedMassCoefficients(hull.length_m, hull.width_m, hull.height_m);
    hull.addedMassExcess = k.z() - k.x();
    std::optional<TowedLip> lip;
    if (design.lip.present) {
        lip = TowedLip{{design.lip.slotX_m, design.lip.slotZ_m},
                       design.lip.length_m,
                       d.mass.lip.area_m2 / design.lip.length_m,
                       design.lip.thickness_m,
                       design.lip.angle_rad};
    }
    // A sloped face does a lip's work when there is none: the same plate, root at its upper edge.
    if (!lip && design.body.noseFace.present && design.body.noseFace.angle_rad < kPi / 2) {
        const FaceCut face = measureEndFace(d.curves, true);
        if (face.area_m2 > 0) {
            lip = TowedLip{{face.top_m.x(), face.top_m.z()},
                           face.height_m,
                           face.area_m2 / face.height_m,
                           0.0,
                           design.body.noseFace.angle_rad};
        }
    }
    std::vector<TowedPart> parts;
    for (const Fitting& fitting : design.fittings) {
        if (swings(fitting.kind)) {
            const double lengths = (fitting.kind == FittingKind::Treble       ? model.trebleWire
                                    : fitting.kind == FittingKind::SingleHook ? model.singleWire
                                                                              : model.ringWire) +
                                   (fitting.weedGuard ? model.weedGuardWire : 0.0);
            const Eigen::Vector3d at = fittingPlace(design, fitting);
            const double count = fitting.mirrored ? 2.0 : 1.0;
            parts.push_back({{at.x(), at.z()},
                             count * model.wireDrag * fitting.wire_m * lengths * fitting.size_m});
        }
    }
    const double reynolds = design.brief.retrieveSpeed_m_s * hull.length_m / d.waterViscosity_m2_s;
    const Eigen::Vector3d tie = tiePoint(design);
    TowedBait towed;
    towed.loads = std::make_shared<LoadTable>(hull, lip, parts, reynolds, model);
    towed.mass_kg = d.mass.mass_kg;
    towed.displacedVolume_m3 = d.mass.displacedVolume_m3;
    towed.waterDensity_kg_m3 = d.waterDensity_kg_m3;
    towed.centreOfGravity_m = {d.mass.centreOfGravity_m.x(), d.mass.centreOfGravity_m.z()};
    towed.centreOfBuoyancy_m = {d.mass.centreOfBuoyancy_m.x(), d.mass.centreOfBuoyancy_m.z()};
    towed.tie_m = {tie.x(), tie.z()};
    return towed;
}

void findRest(Derived& d) {
    const double full_kg = d.waterDensity_kg_m3 * d.mass.displacedVolume_m3;
    d.net_kg = full_kg - d.mass.mass_kg;
    d.spare = d.net_kg / full_kg;
    d.spareDoubt = 2 * d.mass.netDoubt_kg / full_kg;
    d.hang = hangUnderWater(d.mass.centreOfGravity_m, d.mass.centreOfBuoyancy_m);
    d.freeFall = computeFreeFall(d.towed, d.hang.decided ? d.hang.pitch_rad : 0.0);

    const double sense = d.net_kg < 0 ? 1.0 : -1.0;
    const double speed = std::abs(d.freeFall.speed_m_s);
    const double area =
        speed > 1e-6 && std::abs(d.net_kg) > kNoNet_kg
            ? 2 * std::abs(d.net_kg) * kGravity_m_s2 / (d.waterDensity_kg_m3 * speed * speed)
            : broadsideArea_m2(d.towed, d.hang.pitch_rad, sense);
    d.fallArea_m2 = area;
    auto speedFor = [&](double net_kg) {
        const double v =
            std::sqrt(2 * std::abs(net_kg) * kGravity_m_s2 / (d.waterDensity_kg_m3 * area));
        return net_kg > 0 ? -v : v;
    };
    d.lowSpeed_m_s = speedFor(d.net_kg + 2 * d.mass.netDoubt_kg);
    d.highSpeed_m_s = speedFor(d.net_kg - 2 * d.mass.netDoubt_kg);

    if (std::abs(d.freeFall.speed_m_s) <= kSuspendSpeed_m_s) {
        d.state = RestState::Suspends;
    } else {
        d.state = d.net_kg > 0 ? RestState::Floats : RestState::Sinks;
    }
    d.pitch_rad = d.hang.pitch_rad;
    d.roll_rad = d.hang.roll_rad;
    d.attitudeDecided = d.hang.decided;
    if (d.net_kg > 0) {
        const FloatingBody floating{d.mass.shape, d.mass.mass_kg, d.mass.centreOfGravity_m,
                                    d.waterDensity_kg_m3};
        d.attitudes = findStableAttitudes(floating, d.mass.coarseShape);
        if (!d.attitudes.empty()) {
            const FloatAttitude& rest = d.attitudes.front();
            d.pitch_rad = rest.pitch_rad;
            d.roll_rad = rest.roll_rad;
            d.attitudeDecided = true;
            for (size_t i = 0; i < d.parts.size(); ++i) {
                for (const Eigen::Vector3d& v : d.mass.shape.hulls[i].mesh().vertices_m) {
                    d.showing_m =
                        std::max(d.showing_m, rest.plane.normal.dot(v) - rest.plane.offset_m);
                }
            }
        }
    } else if (d.freeFall.steady) {
        d.pitch_rad = d.freeFall.pitch_rad;
    }
}

void findAlone(Derived& d) {
    if (d.parts.size() < 2) {
        return;
    }
    for (const PieceBalance& piece : d.mass.pieces) {
        PieceAlone alone;
        const double full_kg = d.waterDensity_kg_m3 * piece.displacedVolume_m3;
        alone.net_kg = full_kg - piece.mass_kg;
        alone.spare = full_kg > 0 ? alone.net_kg / full_kg : 0.0;
        if (alone.net_kg > kNoNet_kg) {
            const FloatingBody body{piece.coarseShape, piece.mass_kg, piece.centreOfGravity_m,
                                    d.waterDensity_kg_m3};
            const FloatAttitude rest = settleFrom(body, Eigen::Vector3d::UnitZ());
            alone.pitch_rad = rest.pitch_rad;
            alone.roll_rad = rest.roll_rad;
            alone.decided = rest.stable;
            alone.plane = rest.plane;
        } else {
            const SubmergedAttitude hang =
                hangUnderWater(piece.centreOfGravity_m, piece.centreOfBuoyancy_m);
            alone.pitch_rad = hang.pitch_rad;
            alone.roll_rad = hang.roll_rad;
            alone.decided = hang.decided;
            alone.plane.normal = upInBody(hang.pitch_rad, hang.decided ? hang.roll_rad : 0.0);
            alone.plane.offset_m = alone.plane.normal.dot(piece.centreOfBuoyancy_m);
        }
        d.alone.push_back(alone);
    }
}

// Water runs to the lowest part of the hollow it can reach, at the attitude the bait then takes.
void findWaterlogged(const Design& design, Derived& d) {
    if (design.make.kind != MakeKind::Printed || !design.make.print.leaks) {
        return;
    }
    double hollow = 0;
    FloatingShape inside;
    for (const BodyPart& part : d.parts) {
        hollow += part.material.hollow_m3;
        if (!part.material.inside.triangles.empty()) {
            inside.hulls.push_back(part.material.inside);
        }
    }
    const double full_kg = d.waterDensity_kg_m3 * d.mass.displacedVolume_m3;
    for (const double after_s : {1800.0, 3600.0, 7200.0, 14400.0}) {
        const auto taken = waterTaken_m3(design.make.print, hollow, d.waterDensity_kg_m3, after_s);
        if (!taken || inside.hulls.empty()) {
            return;
        }
        Waterlogged w;
        w.after_s = after_s;
        w.water_kg = d.waterDensity_kg_m3 * *taken;
        const double mass = d.mass.mass_kg + w.water_kg;
        w.spare = (full_kg - mass) / full_kg;
        w.floats = mass < full_kg;
        Eigen::Vector3d up = upInBody(d.pitch_rad, d.roll_rad);
        // Infill takes its share of every litre, so the level stands as if the hollow were open.
        const double share = 1 - design.make.print.infill;
        FloatingBody level{inside, *taken / share, Eigen::Vector3d::Zero(), 1.0};
        for (int pass = 0; pass < 6; ++pass) {
            const Submerged wet = computeSubmerged(inside, {up, findWaterline(level, up, 1e-10)});
            const Eigen::Vector3d at = wet.volume_m3 > 0
                                           ? Eigen::Vector3d(wet.moment_m4 / wet.volume_m3)
                                           : d.mass.centreOfGravity_m;
            const Eigen::Vector3d centre =
                (d.mass.mass_kg * d.mass.centreOfGravity_m + w.water_kg * at) / mass;
            if (w.floats) {
                const FloatingBody body{d.mass.coarseShape, mass, centre, d.waterDensity_kg_m3};
                up = settleFrom(body, up).plane.normal;
            } else {
                const SubmergedAttitude hang = hangUnderWater(centre, d.mass.centreOfBuoyancy_m);
                w.attitudeDecided = hang.decided;
                up = upInBody(hang.pitch_rad, hang.roll_rad);
            }
        }
        w.pitch_rad = pitchOf(up);
        d.waterlogged.push_back(w);
    }
}

Result<Derived> evaluateUnguarded(const Design& design) {
    const std::string bodyPath = "/body";
    Result<BodyCurves> curves = BodyCurves::build(design.body, bodyPath);
    if (!curves) {
        return curves.error();
    }
    Derived d;
    d.waterDensity_kg_m3 = waterDensity_kg_m3(design.brief.temperature_K, design.brief.salinity);
    d.waterViscosity_m2_s =
        waterKinematicViscosity_m2_s(design.brief.temperature_K, design.brief.salinity);
    d.curves = std::move(curves).value();
    AsMade made;
    for (int pass = 0; pass < 2; ++pass) {
        Result<std::vector<JointCut>> joints = layOutJoints(design, d.curves);
        if (!joints) {
            return joints.error();
        }
        d.joints = std::move(joints).value();
        Result<std::vector<BodyPart>> parts =
            makeParts(design, d.curves, d.joints, d.reckoning.breadthScale);
        if (!parts) {
            return parts.error();
        }
        d.parts = std::move(parts).value();
        made = chainAsMade(design, d.curves, d.parts);
        if (pass > 0) {
            break;
        }
        DensityEstimate density;
        density.density_kg_m3 = made.mass_kg / made.volume_m3;
        density.uncertainty_kg_m3 = made.doubtShare * density.density_kg_m3;
        d.reckoning =
            reckonBody(design.pieces.front().stock, density, made.volume_m3, d.waterDensity_kg_m3);
        if (!(d.reckoning.breadthScale > 0.3 && d.reckoning.breadthScale < 3.0)) {
            return Error{"stock.weighed_absurd",
                         "/pieces/0/stock/weighed_body",
                         {},
                         {{Quantity::Volume, d.reckoning.usedVolume_m3},
                          {Quantity::Volume, d.reckoning.drawnVolume_m3}}};
        }
        if (d.reckoning.breadthScale == 1.0) {
            break;
        }
        Result<BodyCurves> used =
            BodyCurves::build(scaledBreadths(design.body, d.reckoning.breadthScale), bodyPath);
        if (!used) {
            return used.error();
        }
        d.curves = std::move(used).value();
    }
    d.sizes = measureBody(d.curves);
    if (d.parts.size() == 1) {
        d.solid = d.parts.front().solid;
        d.mesh = d.parts.front().mesh;
    } else {
        d.solid = integratePiece(d.curves, {});
        d.mesh = meshPiece(d.curves, {}, d.solid.volume_m3, kSkinRings, kSkinAround);
    }
    d.skin = integrateSkin(d.mesh);
    for (const BodyPart& part : d.parts) {
        d.skin.area_m2 += part.appendage ? integrateSkin(part.mesh).area_m2 : 0.0;
    }
    const std::vector<CoatedHull> hulls = coatHulls(d.parts, design.coats);
    d.mass = computeMassBalance(
        design,
        {d.curves, d.reckoning, d.reckoning.usedMass_kg / made.mass_kg, d.parts, d.joints, hulls},
        d.waterDensity_kg_m3);
    d.towed = buildTowed(design, d, Model{});
    findRest(d);
    findAlone(d);
    findWaterlogged(design, d);
    d.wantedMass_kg = wantedMass_kg(design.brief, d);
    d.findings = checkDesign(design, d);
    return d;
}

}  // namespace

Result<Derived> evaluate(const Design& design) {
    try {
        return evaluateUnguarded(design);
    } catch (const std::exception&) {  // Boost's root finders and memory are all that can throw
        return Error{"internal.numeric", "", {}, {}};
    }
}

static Run computeRunUnguarded(const Design& design, const Derived& d, std::stop_token stop) {
    const Brief& brief = design.brief;
    Run run;
    const double level = std::clamp(d.pitch_rad, -0.3, 0.3);
    run.trims = findTrims(d.towed, brief.retrieveSpeed_m_s, 0.0);
    run.levelTrim = settleTrim(d.towed, brief.retrieveSpeed_m_s, 0.0, level);

    Line line;
    line.diameter_m = brief.lineDiameter_m;
    line.density_kg_m3 = lineDensity_kg_m3(brief.lineKind);
    line.waterDensity_kg_m3 = d.waterDensity_kg_m3;
    line.waterViscosity_m2_s = d.waterViscosity_m2_s;

    run.startDepth_m = 0.6 * d.sizes.maxHeight_m;
    if (d.net_kg < 0) {
        run.startDepth_m = std::max(
            run.startDepth_m, std::min(d.freeFall.speed_m_s * brief.countdown_s,
                                       std::min(brief.waterDepth_m, 0.8 * brief.castLength_m)));
    }
    const Retrieve retrieve{brief.castLength_m, brief.retrieveSpeed_m_s, brief.rodTipHeight_m,
                            run.startDepth_m};
    const PullModel pull = [&d](double speed, double path, double alpha) {
        return settleTrim(d.towed, speed, path, alpha);
    };
    run.path = computeRetrieve(pull, line, retrieve, level, stop);
    if (run.path.end == RetrieveEnd::Cancelled) {
        return run;
    }
    const bool inLine = design.lip.present && design.lip.angle_rad <= 30 * kDegree;
    const double deepest = run.path.maxDepth_m;
    const double halfBand = inLine ? 0.35 * deepest : std::max(0.5 * deepest, 0.4);
    run.depthKnown = run.path.end != RetrieveEnd::NoTrim && run.path.end != RetrieveEnd::NoSolution;
    if (run.depthKnown) {
        run.depthLow_m = std::max(0.0, deepest - halfBand);
        run.depthHigh_m = deepest + halfBand;
    }
    if (run.levelTrim && run.levelTrim->lineAngle_rad > 0) {
        run.trolledDepth_m = std::max(
            0.0, trolledDepth_m(line, run.levelTrim->tension_N, run.levelTrim->lineAngle_rad,
                                brief.retrieveSpeed_m_s, brief.castLength_m, brief.rodTipHeight_m));
    }
    run.findings = checkRun(design, d, run);
    return run;
}

Run computeRun(const Design& design, const Derived& d, std::stop_token stop) {
    try {
        return computeRunUnguarded(design, d, stop);
    } catch (const std::exception&) {
        Run failed;
        failed.findings.push_back({"internal.numeric", Severity::Error, ""});
        return failed;
    }
}

}  // namespace wl
