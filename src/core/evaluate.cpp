#include "core/evaluate.h"

#include <algorithm>
#include <cmath>
#include <exception>

#include "core/check_design.h"
#include "core/hydro/water.h"

namespace wl {
namespace {

constexpr int kFineRings = 64, kFineAround = 40;
constexpr int kCoarseRings = 20, kCoarseAround = 16;
// Projected wire length of a hook in hook lengths, and of a ring in diameters (assumed).
constexpr double kHookWireLengths = 2.2;
constexpr double kRingWireLengths = 2.0;
constexpr double kWireDrag = 1.1;  // cylinder across the flow (Hoerner, recalled)
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

TowedBait buildTowed(const Design& design, const Derived& d) {
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
    std::vector<TowedPart> parts;
    for (const Fitting& fitting : design.fittings) {
        if (swings(fitting.kind)) {
            const double lengths =
                fitting.kind == FittingKind::Treble ? kHookWireLengths : kRingWireLengths;
            const Eigen::Vector3d at = fittingPlace(design, fitting);
            const double count = fitting.mirrored ? 2.0 : 1.0;
            parts.push_back(
                {{at.x(), at.z()}, count * kWireDrag * fitting.wire_m * lengths * fitting.size_m});
        }
    }
    const double reynolds = design.brief.retrieveSpeed_m_s * hull.length_m / d.waterViscosity_m2_s;
    const Eigen::Vector3d tie = tiePoint(design);
    TowedBait towed;
    towed.loads = std::make_shared<LoadTable>(hull, lip, parts, reynolds);
    towed.mass_kg = d.mass.mass_kg;
    towed.displacedVolume_m3 = d.mass.displacedVolume_m3;
    towed.waterDensity_kg_m3 = d.waterDensity_kg_m3;
    towed.centreOfGravity_m = {d.mass.centreOfGravity_m.x(), d.mass.centreOfGravity_m.z()};
    towed.centreOfBuoyancy_m = {d.mass.centreOfBuoyancy_m.x(), d.mass.centreOfBuoyancy_m.z()};
    towed.tie_m = {tie.x(), tie.z()};
    return towed;
}

// Vertical drag area when moving straight up or down at that pitch.
double broadsideArea_m2(const TowedBait& towed, double pitch, double sense) {
    const Loads l = towed.loads->at(pitch + sense * kPi / 2);
    return std::max(1e-9, sense * (l.up_m2 * std::cos(pitch) - l.aft_m2 * std::sin(pitch)));
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
            for (const Eigen::Vector3d& v : d.mass.shape.hulls.front().vertices_m) {
                d.showing_m = std::max(d.showing_m, rest.plane.normal.dot(v) - rest.plane.offset_m);
            }
        }
    } else if (d.freeFall.steady && d.state == RestState::Sinks) {
        d.pitch_rad = d.freeFall.pitch_rad;
    }
}

double wantedMassFor(const Brief& brief, const Derived& d) {
    const double full_kg = d.waterDensity_kg_m3 * d.mass.displacedVolume_m3;
    switch (brief.wantedState) {
        case WantedState::Float:
            return full_kg * (1 - brief.wantedSpare);
        case WantedState::Suspend:
            return full_kg;
        case WantedState::Sink: {
            const double v = brief.wantedSinkSpeed_m_s;
            double area = broadsideArea_m2(d.towed, brief.wantedPitch_rad, 1.0);
            double heavy = 0;
            TowedBait trial = d.towed;
            for (int i = 0; i < 4; ++i) {
                heavy = 0.5 * d.waterDensity_kg_m3 * area * v * v / kGravity_m_s2;
                trial.mass_kg = full_kg + heavy;
                const FreeFall fall = computeFreeFall(trial, d.hang.pitch_rad);
                if (fall.speed_m_s > 1e-4) {
                    area = 2 * heavy * kGravity_m_s2 /
                           (d.waterDensity_kg_m3 * fall.speed_m_s * fall.speed_m_s);
                }
            }
            return full_kg + heavy;
        }
    }
    return full_kg;
}

}  // namespace

namespace {

Result<Derived> evaluateUnguarded(const Design& design) {
    const Piece& piece = design.pieces.front();
    const std::string bodyPath = "/pieces/0/body";
    const Result<BodyCurves> drawn = BodyCurves::build(piece.body, bodyPath);
    if (!drawn) {
        return drawn.error();
    }
    Derived d;
    d.waterDensity_kg_m3 = waterDensity_kg_m3(design.brief.temperature_K, design.brief.salinity);
    d.waterViscosity_m2_s =
        waterKinematicViscosity_m2_s(design.brief.temperature_K, design.brief.salinity);
    const SolidProperties drawnSolid = integrateSections(drawn->function());
    d.reckoning = reckonBody(piece.stock, drawnSolid.volume_m3, d.waterDensity_kg_m3);
    if (!(d.reckoning.breadthScale > 0.3 && d.reckoning.breadthScale < 3.0)) {
        return Error{"stock.weighed_absurd",
                     "/pieces/0/stock/weighed_body",
                     {},
                     {{Quantity::Volume, d.reckoning.usedVolume_m3},
                      {Quantity::Volume, d.reckoning.drawnVolume_m3}}};
    }
    Result<BodyCurves> used =
        BodyCurves::build(scaledBreadths(piece.body, d.reckoning.breadthScale), bodyPath);
    if (!used) {
        return used.error();
    }
    d.curves = std::move(used).value();
    d.solid = integrateSections(d.curves.function());
    d.sizes = measureBody(d.curves);
    d.mesh = meshBody(d.curves, d.solid.volume_m3, kFineRings, kFineAround);
    d.skin = integrateSkin(d.mesh);
    const TriangleMesh coarse = meshBody(d.curves, d.solid.volume_m3, kCoarseRings, kCoarseAround);
    d.mass = computeMassBalance(design, {d.curves, d.solid, d.reckoning, d.mesh, coarse},
                                d.waterDensity_kg_m3);
    d.towed = buildTowed(design, d);
    findRest(d);
    d.wantedMass_kg = wantedMassFor(design.brief, d);
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
