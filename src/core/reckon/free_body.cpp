#include "core/reckon/free_body.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/reckon/tow.h"

namespace wl {
namespace {

using Eigen::Vector2d;

// Where a load acts, on the level of `z` if its line of action meets the bait there.
BodyForce forceOf(BodyForce::On on, const Loads& loads, double q, double z, double from,
                  double to) {
    BodyForce f;
    f.on = on;
    f.force_N = q * Vector2d(loads.aft_m2, loads.up_m2);
    const double moment = q * loads.moment_m3;
    const double x =
        std::abs(f.force_N.y()) > 1e-9 ? (z * f.force_N.x() - moment) / f.force_N.y() : 0.0;
    f.place_m = {std::clamp(x, from, to), z};
    f.couple_N_m = moment - (f.place_m.y() * f.force_N.x() - f.place_m.x() * f.force_N.y());
    return f;
}

}  // namespace

Eigen::Vector2d hooksTrail(const Derived& d) {
    double weight = 0, drag = 0;
    for (const Fitting& f : d.design->fittings) {
        if (swings(f.kind)) {
            weight += (f.mirrored ? 2 : 1) * fittingMass_kg(f) * kGravity_m_s2 *
                      (1 - d.waterDensity_kg_m3 / f.density_kg_m3);
        }
    }
    const double speed = towSpeed_m_s(d);
    for (const TowedPart& part : d.loads->inputs.parts) {
        drag += 0.5 * d.waterDensity_kg_m3 * speed * speed * part.dragArea_m2;
    }
    const Vector2d way(drag, std::max(0.0, weight));
    return way.norm() > 0 ? Vector2d(way.normalized()) : Vector2d(0, 1);
}

std::optional<LipFlex> lipFlexUnderWay(const Derived& d, const Trim& trim) {
    if (!d.design->lip.present || !d.loads || !d.loads->inputs.lip) {
        return std::nullopt;
    }
    const Loads lip = computeLoadShares(d.loads->inputs, trim.alpha_rad, d.model).lip;
    const double speed = towSpeed_m_s(d);
    const double angle = lipChord(d.design->lip).angle_rad;
    // What of the load pushes on the face towards the line.
    const double across = lip.aft_m2 * std::sin(angle) - lip.up_m2 * std::cos(angle);
    return lipFlex(d.design->lip, 0.5 * d.waterDensity_kg_m3 * speed * speed * across);
}

std::vector<BodyForce> freeBody(const Derived& d, const Trim& trim) {
    using On = BodyForce::On;
    const double speed = towSpeed_m_s(d);
    const double rho = d.waterDensity_kg_m3, q = 0.5 * rho * speed * speed;
    const TowedShape& shape = d.loads->inputs;
    const LoadShares shares = computeLoadShares(shape, trim.alpha_rad, d.model);
    std::vector<BodyForce> out;
    const double length = shape.hull.length_m;
    const auto add = [&](On on, const Loads& loads, double z, double from, double to) {
        if (std::hypot(loads.aft_m2, loads.up_m2) > 0) {
            out.push_back(forceOf(on, loads, q, z, from, to));
        }
    };
    add(On::Body, shares.body, shape.hull.centroidZ_m, 0, length);
    if (shape.lip) {
        const TowedLip& lip = *shape.lip;
        const Vector2d middle =
            lip.root_m +
            0.5 * lip.chord_m * Vector2d(-std::cos(lip.angle_rad), -std::sin(lip.angle_rad));
        add(On::Lip, shares.lip, middle.y(), middle.x() - lip.chord_m, middle.x() + lip.chord_m);
    }
    double finHeight = 0, area = 0, hookHeight = 0, drag = 0;
    for (const TowedSurface& s : shape.surfaces) {
        finHeight += s.chord_m * s.span_m * s.centre_m.z();
        area += s.chord_m * s.span_m;
    }
    for (const TowedPart& part : shape.parts) {
        hookHeight += part.dragArea_m2 * part.place_m.y();
        drag += part.dragArea_m2;
    }
    add(On::Fins, shares.surfaces, area > 0 ? finHeight / area : 0.0, 0, 1.3 * length);
    add(On::Hooks, shares.hooks, drag > 0 ? hookHeight / drag : 0.0, 0, length);
    const Vector2d up(-std::sin(trim.pitch_rad), std::cos(trim.pitch_rad));
    const double weight = d.towed.mass_kg * kGravity_m_s2,
                 lift = rho * d.towed.displacedVolume_m3 * kGravity_m_s2;
    out.push_back({On::Weight, d.towed.centreOfGravity_m, -weight * up, 0});
    out.push_back({On::Lift, d.towed.centreOfBuoyancy_m, lift * up, 0});
    // Level, the line pulls ahead and up in the world.
    const Vector2d ahead(-std::cos(trim.pitch_rad), -std::sin(trim.pitch_rad));
    out.push_back({On::Line, d.towed.tie_m,
                   trim.tension_N *
                       (std::cos(trim.lineAngle_rad) * ahead + std::sin(trim.lineAngle_rad) * up),
                   0});
    return out;
}

std::optional<SpeedRange> runningSpeeds(const Derived& d) {
    constexpr double kFrom = 0.1, kTo = 4.0, kFactor = 1.05, kSteepest = 50 * kDegree;
    const auto runs = [&](double speed) {
        const auto trim = settleTrim(d.towed, speed, 0.0, towStart_rad(d));
        return trim && trim->lineAngle_rad > 0 && std::abs(trim->pitch_rad) <= kSteepest;
    };
    // The widest stretch without a gap; its ends to a hundredth.
    const auto edge = [&](double in, double out) {
        for (int i = 0; i < 8; ++i) {
            const double middle = 0.5 * (in + out);
            (runs(middle) ? in : out) = middle;
        }
        return in;
    };
    std::optional<SpeedRange> best;
    std::optional<double> began;
    double last = kFrom;
    for (double speed = kFrom;; speed = std::min(kTo, speed * kFactor)) {
        const bool on = runs(speed);
        if (on && !began) {
            began = speed > kFrom ? edge(speed, last) : speed;
        }
        const bool end = speed >= kTo;
        if (began && (!on || end)) {
            const SpeedRange found{*began, on ? speed : edge(last, speed), on && end};
            if (!best || found.to_m_s - found.from_m_s > best->to_m_s - best->from_m_s) {
                best = found;
            }
            began.reset();
        }
        if (end) {
            return best;
        }
        last = speed;
    }
}

std::optional<double> pullForWantedDepth_N(const Derived& d, const Trim& level,
                                           std::stop_token stop) {
    const Brief& brief = d.design->brief;
    const double speed = towSpeed_m_s(d);
    const Line line = lineOf(d);
    const Retrieve retrieve{brief.castLength_m, brief.retrieveSpeed_m_s, brief.rodTipHeight_m,
                            startDepth_m(d), brief.current_m_s};
    const auto depthAt = [&](double pull_N) {
        const PullModel pull = [&](double v, double path, double alpha) {
            return std::optional(Trim{alpha, alpha - path, pull_N * v * v / (speed * speed),
                                      level.lineAngle_rad - path});
        };
        const RetrievePath path =
            computeRetrieve(pull, line, retrieve, level.alpha_rad, stop, kCoarseRetrieve);
        return path.end == RetrieveEnd::NoSolution || path.end == RetrieveEnd::NoTrim
                   ? 0.0
                   : path.maxDepth_m;
    };
    double low = 0.01, high = 20.0;
    if (level.lineAngle_rad <= 0 || depthAt(high) < brief.wantedDepth_m) {
        return std::nullopt;
    }
    constexpr int kHalvings = 14;  // of the ratio, to a tenth of a percent
    for (int i = 0; i < kHalvings && !stop.stop_requested(); ++i) {
        const double middle = std::sqrt(low * high);
        (depthAt(middle) < brief.wantedDepth_m ? low : high) = middle;
    }
    return std::sqrt(low * high);
}

}  // namespace wl
