#include "core/school/tank_school.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>

#include <Eigen/Dense>
#include <unsupported/Eigen/NonLinearOptimization>
#include <unsupported/Eigen/NumericalDiff>

#include "core/base/dense.h"
#include "core/base/units.h"
#include "core/plan/plan_lead.h"
#include "core/reckon/evaluate.h"
#include "core/reckon/lean.h"
#include "core/tank/doubt.h"
#include "core/tank/waters.h"

namespace wl {
namespace {

constexpr int kUnknowns = 6;
using Unknowns = Eigen::Matrix<double, kUnknowns, 1>;

// How far the drawing is trusted where nothing says otherwise, standard (common practice, no
// source): places of what was put in by hand, and the shape's own middle.
constexpr double kGravityPlace_m = 0.0010;
constexpr double kGravityHeight_m = 0.0007;
constexpr double kGravitySide_m = 0.0004;
constexpr double kBuoyancyPlace_m = 0.0005;
constexpr double kDragShare = 0.10;  // of a timed drop, from the drag's own doubt
constexpr double kFarSinking = 20.0;
constexpr int kMostSteps = 30;

TankCorrection correctionOf(const Unknowns& u, double reference_kg) {
    return {true, u[0], u[1], reference_kg, u[2], u[3], u[4], u[5]};
}

// One bait as drawn, in the water of one reading.
class InTank {
  public:
    InTank(const Design& design, const Derived& drawn, const TankReading& reading)
        : d_(drawn), r_(reading) {
        water_ = inWater(design, drawn, reading.temperature_K, reading.salinity,
                         design.brief.temperature_K);
        swell_ = (water_.net_kg + drawn.mass->mass_kg) /
                 (water_.waterDensity_kg_m3 * drawn.mass->displacedVolume_m3);
    }

    double predict(const TankCorrection& c) const {
        switch (r_.kind) {
            case ReadingKind::Weighs:
                return d_.mass->mass_kg + c.mass_kg;
            case ReadingKind::Still:
                return net(c, tapedVolume()) - r_.taped_kg;
            case ReadingKind::Drop:
                return dropTime(c);
            case ReadingKind::Showing:
                return showing(d_.mass->shape, c);
            case ReadingKind::Level:
            case ReadingKind::Nose:
                return pitchOf(upAtRest(c));
            case ReadingKind::Lean:
                return rollOf(upAtRest(c));
        }
        return 0.0;
    }

  private:
    bool taped() const { return r_.kind == ReadingKind::Level || r_.kind == ReadingKind::Still; }
    double tapedVolume() const { return r_.taped_kg / r_.tapedDensity_kg_m3; }
    double net(const TankCorrection& c, double more_m3) const {
        const double volume = swell_ * (d_.mass->displacedVolume_m3 + c.volume_m3) + more_m3;
        return water_.waterDensity_kg_m3 * volume - d_.mass->mass_kg - c.mass_kg;
    }
    FloatingBody bodyWith(const FloatingShape& shape, const TankCorrection& c) const {
        // A hull grown by so much floats as the hull drawn does in water that much denser, its
        // centre of buoyancy shifted: the weight is shifted the other way instead.
        const double share = shiftShare(c, d_.mass->mass_kg);
        const Eigen::Vector3d shift(share * c.gravityX_m - c.buoyancyX_m, share * c.gravityY_m,
                                    share * c.gravityZ_m);
        FloatingBody body{
            shape, d_.mass->mass_kg + c.mass_kg, d_.mass->centreOfGravity_m + shift,
            water_.waterDensity_kg_m3 * swell_ * (1 + c.volume_m3 / d_.mass->displacedVolume_m3)};
        if (taped()) {
            const Eigen::Vector3d at(r_.tapedX_m - c.buoyancyX_m, 0, r_.tapedZ_m);
            body.centreOfGravity_m = (body.mass_kg * body.centreOfGravity_m + r_.taped_kg * at) /
                                     (body.mass_kg + r_.taped_kg);
            body.mass_kg += r_.taped_kg;
            body.shape.parts.push_back({at, tapedVolume()});
        }
        return body;
    }
    Eigen::Vector3d upAtRest(const TankCorrection& c) const {
        const FloatingBody body = bodyWith(d_.mass->shape, c);
        const Submerged all = computeDisplaced(body.shape);
        if (body.mass_kg < body.waterDensity_kg_m3 * all.volume_m3) {
            return settleFrom(body, upInBody(d_.rest->pitch_rad, d_.rest->roll_rad)).plane.normal;
        }
        const Eigen::Vector3d buoyancy = all.moment_m4 / all.volume_m3;
        const SubmergedAttitude hang = hangUnderWater(body.centreOfGravity_m, buoyancy);
        return upInBody(hang.pitch_rad, hang.roll_rad);
    }
    double showing(const FloatingShape& shape, const TankCorrection& c) const {
        const FloatingBody body = bodyWith(shape, c);
        const double full = body.waterDensity_kg_m3 * computeDisplaced(body.shape).volume_m3;
        if (body.mass_kg >= full) {
            // Under water by what it is too heavy: keeps the search pointed the right way.
            return -kFarSinking * (body.mass_kg - full) / full * d_.shape->sizes.maxHeight_m;
        }
        const FloatAttitude rest =
            settleFrom(body, upInBody(d_.rest->pitch_rad, d_.rest->roll_rad));
        double high = -1.0;
        for (size_t i = 0; i < d_.shape->parts.size() && i < shape.hulls.size(); ++i) {
            for (const Eigen::Vector3d& v : shape.hulls[i].mesh().vertices_m) {
                high = std::max(high, rest.plane.normal.dot(v) - rest.plane.offset_m);
            }
        }
        return high;
    }
    // Seconds for the distance; a bait that goes the other way gets the time mirrored about
    // hanging still, so that the search sees a slope.
    double dropTime(const TankCorrection& c) const {
        const double heavy = -net(c, 0.0) * (r_.distance_m >= 0 ? 1.0 : -1.0);
        const double area = d_.rest->fallArea_m2 * water_.waterDensity_kg_m3;
        const double least = 1e-7;
        const double pull = std::max(heavy, least) * kGravity_m_s2;
        FreeFallTimes fall = freeFallTimes(d_);
        fall.steadySpeed_m_s = std::sqrt(2 * pull / area);
        fall.timeConstant_s =
            (d_.mass->mass_kg + c.mass_kg + fall.added_kg) * fall.steadySpeed_m_s / pull;
        const double time = timeToFall_s(fall, std::abs(r_.distance_m));
        // Going the other way: the longer, the further it is from turning round.
        constexpr double kPerTurn_kg = 1e-4;
        return heavy > least ? time : time * (1 + (least - heavy) / kPerTurn_kg);
    }

    const Derived& d_;
    const TankReading& r_;
    InWater water_;
    double swell_ = 1.0;
};

double seenIn(const TankReading& r) {
    switch (r.kind) {
        case ReadingKind::Showing:
            return r.showing_m;
        case ReadingKind::Level:
        case ReadingKind::Still:
            return 0.0;
        case ReadingKind::Drop:
            return r.time_s;
        case ReadingKind::Lean:
        case ReadingKind::Nose:
            return r.angle_rad;
        case ReadingKind::Weighs:
            return r.mass_kg;
    }
    return 0.0;
}

double errorOf(const TankReading& r, const MeasuringErrors& e) {
    const double root3 = std::sqrt(3.0);
    switch (r.kind) {
        case ReadingKind::Showing:
            return e.seenShowing_m / root3;
        case ReadingKind::Level:
        case ReadingKind::Lean:
        case ReadingKind::Nose:
            return e.seenAngle_rad / root3;
        case ReadingKind::Still:
            return e.seenTaped_kg / root3;
        case ReadingKind::Drop:
            return std::hypot(e.seenTime_s / root3, kDragShare * r.time_s);
        case ReadingKind::Weighs:
            return e.weighedPart_kg / root3;
    }
    return 1.0;
}

// A timed drop is compared by its logarithm: seconds span a hundredfold near hanging still.
double residual(const TankReading& r, double predicted, double error) {
    if (r.kind == ReadingKind::Drop) {
        return std::log(predicted / r.time_s) / (error / r.time_s);
    }
    return (predicted - seenIn(r)) / error;
}

struct Misfits {
    using Scalar = double;
    using InputType = Eigen::VectorXd;
    using ValueType = Eigen::VectorXd;
    using JacobianType = Eigen::MatrixXd;
    enum { InputsAtCompileTime = Eigen::Dynamic, ValuesAtCompileTime = Eigen::Dynamic };

    const std::vector<TankReading>* readings = nullptr;
    const std::vector<InTank>* tanks = nullptr;
    const std::vector<double>* errors = nullptr;
    Unknowns spread = Unknowns::Ones();
    double reference_kg = 0.0;

    int inputs() const { return kUnknowns; }
    int values() const { return kUnknowns + int(readings->size()); }
    int operator()(const Eigen::VectorXd& x, Eigen::VectorXd& out) const {
        const TankCorrection c = correctionOf(x.cwiseProduct(spread), reference_kg);
        for (int i = 0; i < kUnknowns; ++i) {
            out[i] = x[i];
        }
        for (size_t i = 0; i < readings->size(); ++i) {
            out[kUnknowns + int(i)] =
                residual((*readings)[i], (*tanks)[i].predict(c), (*errors)[i]);
        }
        return 0;
    }
};

Unknowns spreadOf(const Design& design, const Derived& d) {
    const Doubt doubt = computeDoubt(design, d);
    double volume2 = 0, mass2 = 0;
    for (const DoubtSource& s : doubt.sources) {
        (s.code == "doubt.drawn_volume" ? volume2 : mass2) += s.effect_kg * s.effect_kg;
    }
    // A body weighed for its volume has its doubt in the volume.
    const Stock& stock = design.pieces.front().stock;
    if (stock.weighedBody_kg && stock.trust == BodyTrust::WeighedVolume) {
        for (const DoubtSource& s : doubt.sources) {
            if (s.ofBody) {
                volume2 += s.effect_kg * s.effect_kg;
                mass2 -= s.effect_kg * s.effect_kg;
            }
        }
    }
    Unknowns u;
    u << std::max(1e-5, std::sqrt(std::max(0.0, mass2))),
        std::max(1e-8, std::sqrt(volume2) / d.waterDensity_kg_m3), kGravityPlace_m, kGravitySide_m,
        kGravityHeight_m, kBuoyancyPlace_m;
    return u;
}

Result<Derived> asDrawn(const Design& design, TankStage stage) {
    Design drawn = stage == TankStage::BeforePaint ? withoutFinish(design) : design;
    drawn.tank.correction.applied = false;
    return evaluate(drawn);
}

void whatToAdd(const Design& design, const Derived& drawn, const Unknowns& u, TankInference& out) {
    Design corrected = design;
    corrected.tank.correction = correctionOf(u, drawn.mass->mass_kg);
    const Result<Derived> now = evaluate(corrected, &drawn);
    if (!now) {
        return;
    }
    const Eigen::Vector3d up = upInBody(design.brief.wantedPitch_rad, 0.0);
    const Eigen::Vector3d aft = planeAxes(up).aft;
    out.addMass_kg = now->wantedMass_kg - now->mass->mass_kg;
    out.addDensity_kg_m3 = design.bores.empty() ? 11340.0 : design.bores.front().plugDensity_kg_m3;
    const double moment = wantedMomentAft(*now, design.brief, up, now->wantedMass_kg) -
                          now->mass->mass_kg * aft.dot(now->mass->centreOfGravity_m);
    constexpr double kLeast_kg = 5e-5;
    if (std::abs(out.addMass_kg) > kLeast_kg) {
        // Along the bait's own axis, at the height of its weight.
        const double z = drawn.mass->centreOfGravity_m.z();
        out.addX_m = (moment / out.addMass_kg - aft.z() * z) / aft.x();
        out.addInBody = out.addX_m > 0 && out.addX_m < drawn.shape->sizes.length_m;
    }
    const Eigen::Vector3d here = buoyancyAtWanted(*now, up, now->mass->mass_kg);
    out.moveMoment_kg_m = now->mass->mass_kg * aft.dot(here - now->mass->centreOfGravity_m);
    for (const BoreGeometry& bore : now->mass->bores) {
        out.lead_kg += bore.leadMass_kg;
    }
}

}  // namespace

Quantity quantityOf(ReadingKind kind) {
    switch (kind) {
        case ReadingKind::Showing:
            return Quantity::Length;
        case ReadingKind::Still:
        case ReadingKind::Weighs:
            return Quantity::Mass;
        case ReadingKind::Drop:
            return Quantity::Time;
        default:
            return Quantity::Angle;
    }
}

Result<double> predictReading(const Design& design, const TankReading& reading,
                              const TankCorrection& correction) {
    const Result<Derived> drawn = asDrawn(design, reading.stage);
    if (!drawn) {
        return drawn.error();
    }
    return InTank(design, *drawn, reading).predict(correction);
}

Result<TankInference> inferFromTank(const Design& design, std::stop_token stop) {
    std::vector<TankReading> used;
    std::vector<size_t> index;
    for (size_t i = 0; i < design.tank.readings.size(); ++i) {
        if (design.tank.readings[i].use) {
            used.push_back(design.tank.readings[i]);
            index.push_back(i);
        }
    }
    if (used.empty()) {
        return Error{"tank.no_readings", "/tank/readings", {}, {}};
    }
    const Result<Derived> finished = asDrawn(design, TankStage::Finished);
    if (!finished) {
        return finished.error();
    }
    std::optional<Derived> bare;
    if (std::any_of(used.begin(), used.end(),
                    [](const TankReading& r) { return r.stage == TankStage::BeforePaint; })) {
        Result<Derived> made = asDrawn(design, TankStage::BeforePaint);
        if (!made) {
            return made.error();
        }
        bare = std::move(made).value();
    }
    std::vector<InTank> tanks;
    std::vector<double> errors;
    for (const TankReading& r : used) {
        tanks.emplace_back(design, r.stage == TankStage::BeforePaint ? *bare : *finished, r);
        errors.push_back(errorOf(r, design.errors));
    }
    if (stop.stop_requested()) {
        return Error{"stopped", "", {}, {}};
    }
    Misfits misfits{&used, &tanks, &errors, spreadOf(design, *finished), finished->mass->mass_kg};
    constexpr double kDifference = 1e-5;  // steps of 3e-3 standard deviations
    Eigen::NumericalDiff<Misfits, Eigen::Central> withSlopes(misfits, kDifference);
    Eigen::LevenbergMarquardt<Eigen::NumericalDiff<Misfits, Eigen::Central>> solver(withSlopes);
    solver.parameters.xtol = 1e-7;
    solver.parameters.ftol = 1e-9;
    Eigen::VectorXd x = Eigen::VectorXd::Constant(kUnknowns, 0.01);
    if (solver.minimizeInit(x) != Eigen::LevenbergMarquardtSpace::ImproperInputParameters) {
        for (int step = 0; step < kMostSteps && !stop.stop_requested(); ++step) {
            if (solver.minimizeOneStep(x) != Eigen::LevenbergMarquardtSpace::Running) {
                break;
            }
        }
    }
    if (stop.stop_requested()) {
        return Error{"stopped", "", {}, {}};
    }
    Eigen::VectorXd left(misfits.values());
    misfits(x, left);
    Eigen::MatrixXd slopes(misfits.values(), kUnknowns);
    withSlopes.df(x, slopes);
    const Eigen::MatrixXd covariance = inverseOf(turnedProduct(slopes, slopes));
    if (!x.allFinite() || !covariance.allFinite()) {
        return Error{"internal.numeric", "/tank/readings", {}, {}};
    }

    TankInference out;
    const Unknowns u = x.cwiseProduct(misfits.spread);
    out.correction = correctionOf(u, finished->mass->mass_kg);
    auto corrected = [&](int i, double drawn) {
        return Corrected{drawn, drawn + u[i],
                         std::sqrt(std::max(0.0, covariance(i, i))) * misfits.spread[i],
                         misfits.spread[i]};
    };
    const MassBalance& m = *finished->mass;
    out.mass_kg = corrected(0, m.mass_kg);
    out.volume_m3 = corrected(1, m.displacedVolume_m3);
    out.gravityX_m = corrected(2, m.centreOfGravity_m.x());
    out.gravityY_m = corrected(3, m.centreOfGravity_m.y());
    out.gravityZ_m = corrected(4, m.centreOfGravity_m.z());
    out.buoyancyX_m = corrected(5, m.centreOfBuoyancy_m.x());
    double sum2 = 0;
    for (size_t i = 0; i < used.size(); ++i) {
        ReadingFit fit;
        fit.reading = index[i];
        fit.quantity = quantityOf(used[i].kind);
        fit.seen = seenIn(used[i]);
        fit.before = tanks[i].predict({});
        fit.after = tanks[i].predict(out.correction);
        fit.error = errors[i];
        fit.reckoned = used[i].kind != ReadingKind::Drop || fit.before < 3600.0;
        const double off = left[kUnknowns + int(i)];
        sum2 += off * off;
        out.fits.push_back(fit);
    }
    out.misfit = std::sqrt(sum2 / double(used.size()));
    whatToAdd(design, *finished, u, out);
    return out;
}

}  // namespace wl
