#include "core/motion/hull_loads.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <cmath>
#include <limits>

#include "core/base/interpolate.h"
#include "core/base/units.h"

namespace wl {
namespace {

double wrapped(double angle) {
    return std::remainder(angle, 2 * kPi);
}

void addAt(Loads& sum, const Eigen::Vector2d& place, double aft, double up) {
    sum.aft_m2 += aft;
    sum.up_m2 += up;
    sum.moment_m3 += place.y() * aft - place.x() * up;
}

// A plate's normal force over incidence, what does not change with incidence worked out once.
class Plate {
  public:
    Plate(double aspect, const Model& model) : aspect_(aspect) {
        kp_ = 2 * kPi * aspect / (2 + std::sqrt(aspect * aspect + 4));
        kv_ = kp_ - kp_ * kp_ / (kPi * aspect) +
              model.plateSideSuction / std::pow(std::max(aspect, 0.6), 0.8);
        constexpr std::array<std::pair<double, double>, 5> broadside{
            {{1, 1.17}, {5, 1.20}, {10, 1.30}, {20, 1.50}, {40, 1.70}}};
        c90_ = interpolate(broadside, std::max(aspect, 1 / aspect));
        stall_rad_ = model.plateStall_rad +
                     std::min(model.plateStallReach_rad,
                              model.plateStallAspect_rad / ((1 + aspect) * (1 + aspect)));
    }
    double normal(double a, double sine, double cosine) const {
        const double attached = kp_ * sine * cosine + kv_ * sine * sine;
        const double stalled = aspect_ <= 5 ? c90_ * std::min(1.0, 2 * sine)
                                            : c90_ * 0.505 / (0.222 + 0.283 / std::max(sine, 1e-9));
        constexpr double kBlend_rad = 4 * kDegree;
        const double blend = 1 / (1 + std::exp((stall_rad_ - a) / kBlend_rad));
        return (1 - blend) * attached + blend * stalled;
    }

  private:
    double aspect_, kp_, kv_, c90_, stall_rad_;
};

// An angle of attack with what is taken of it again and again.
struct Heading {
    double alpha = 0.0, cosine = 1.0, sine = 0.0;
    double incidence = 0.0;  ///< to the axis, whichever way round
    Heading() = default;
    explicit Heading(double a)
        : alpha(a),
          cosine(std::cos(a)),
          sine(std::sin(a)),
          incidence(std::asin(std::min(1.0, std::abs(sine)))) {}
};

// Loads over the angle of attack, what does not change with it worked out once.
class LoadFormula {
  public:
    LoadFormula(const TowedShape& shape, const Model& model)
        : model_(model), hull_(shape.hull), lip_(shape.lip), surfaces_(shape.surfaces) {
        const TowedHull& hull = hull_;
        const std::optional<TowedLip>& lip = lip_;
        munkShare_ =
            lip ? model.munk -
                      model.munkLipLoss *
                          std::min(1.0, lip->span_m / (model.munkLipFullSpan * hull.width_m))
                : model.munk;
        munkSize_ = hull.addedMassExcess * hull.volume_m3;
        if (model.takesTallBodies()) {
            tall_ = std::clamp((hull.height_m / hull.width_m - model.tallFrom) /
                                   std::max(1e-9, model.tallFull - model.tallFrom),
                               0.0, 1.0);
        }
        const double slenderness = hull.length_m / std::sqrt(hull.width_m * hull.height_m);
        cross_ = finiteLengthFactor(slenderness) *
                 crossFlowDrag(hull.height_m / hull.width_m,
                               model.takesTallBodies() ? std::max(0.0, 2 * hull.squareness - 1)
                                                       : hull.squareness);
        lift_ = (1 - tall_) * model.bareLift * kPi * hull.width_m * hull.height_m / 4 +
                tall_ * model.tallLift * hull.planArea_m2;
        axial_ = axialDragArea(hull, shape.reynolds, model);
        for (const TowedPart& part : shape.parts) {
            partDrag_ += part.dragArea_m2;
            partMoment_ += part.dragArea_m2 * part.place_m;
        }
        if (lip) {
            plate_.emplace(lip->span_m / lip->chord_m, model);
            const double angle = lip->angle_rad;
            const double between = std::max(1e-9, model.lipSteepTo_rad - model.lipSteepFrom_rad);
            steep_ = std::clamp((angle - model.lipSteepFrom_rad) / between, 0.0, 1.0);
            lipArea_ = lip->chord_m * lip->span_m;
            onBody_ =
                model.lipOnBodyInLine + steep_ * (model.lipOnBodySteep - model.lipOnBodyInLine);
            along_ = {-std::cos(angle), -std::sin(angle)};
            down_ = {std::sin(angle), -std::cos(angle)};
            edge_ = 2 * lipArea_ * model.plateFriction +
                    model.plateEdge * lip->thickness_m * lip->span_m;
        }
    }

    LoadShares at(const Heading& heading) const {
        LoadShares sum;
        const double alpha = heading.alpha, u = heading.cosine, w = heading.sine;
        Loads& body = sum.body;
        body.moment_m3 +=
            munkAt(alpha) * munkSize_ * 2 * u * w * std::sqrt(0.5 * (1 + std::abs(u)));
        const double cross = crossFactor(heading) * cross_ * w * std::abs(w);
        body.up_m2 += cross * hull_.planArea_m2;
        body.moment_m3 -= cross * hull_.planMoment_m3;
        const double bare = bareShare(alpha);
        if (bare > 0) {
            addAt(body, {hull_.planMoment_m3 / hull_.planArea_m2, 0.0}, 0.0,
                  bare * lift_ * std::abs(u) * w);
        }
        addAt(body, {0.0, hull_.centroidZ_m}, axial_ * u * std::abs(u), 0.0);
        if (lip_) {
            if (lip_->angle_rad >= 30 * kDegree && (alpha < 0 || tall_ > 0)) {
                const double share = std::min(1.0, (lip_->angle_rad / kDegree - 15) / 30);
                addAt(body, {0.0, hull_.centroidZ_m},
                      wakeAt(alpha) * lip_->chord_m * lip_->span_m * share, 0.0);
            }
            addLip(sum.lip, alpha);
        }
        sum.hooks.aft_m2 = partDrag_ * u;
        sum.hooks.up_m2 = partDrag_ * w;
        sum.hooks.moment_m3 = partMoment_.y() * u - partMoment_.x() * w;
        // Twice the density of one gives forces per dynamic pressure.
        for (const TowedSurface& surface : surfaces_) {
            const Wrench work = surfaceLoads(surface, {-u, 0, -w}, {0, 0, 0}, 2.0, model_);
            sum.surfaces.aft_m2 += work.force_N.x();
            sum.surfaces.up_m2 += work.force_N.z();
            sum.surfaces.moment_m3 += work.moment_N_m.y();
        }
        if (model_.rollLoss > 0) {
            for (Loads* part : {&sum.body, &sum.lip, &sum.surfaces, &sum.hooks}) {
                rollOut(*part, u, w);
            }
        }
        return sum;
    }

  private:
    // How much of a body without a lip there is in its lift: all of it, or behind a steep lip what
    // a tall one keeps, nose below the path.
    double bareShare(double alpha) const { return !lip_ ? 1.0 : alpha < 0 ? tall_ * steep_ : 0.0; }

    double munkAt(double alpha) const {
        if (tall_ <= 0) {
            return munkShare_;
        }
        if (!lip_) {
            return munkShare_ + tall_ * model_.tallMunk;
        }
        const std::array<std::pair<double, double>, 2> down{
            {{-35.0, model_.tallMunkSteepDown}, {-25.0, model_.tallMunkSteep}}};
        return munkShare_ + tall_ * ((1 - steep_) * model_.tallMunkInLine +
                                     steep_ * interpolate(down, alpha / kDegree));
    }

    double wakeAt(double alpha) const {
        const double usual =
            alpha < 0 ? model_.lipWake * std::clamp((-alpha / kDegree - 20) / 25, 0.0, 1.0) : 0.0;
        if (tall_ <= 0) {
            return usual;
        }
        const std::array<std::pair<double, double>, 7> measured{{{-45.0, model_.lipWake},
                                                                 {-35.0, model_.tallWake35},
                                                                 {-25.0, 0.0},
                                                                 {-15.0, model_.tallWake15},
                                                                 {-5.0, model_.tallWakeFlat},
                                                                 {5.0, model_.tallWakeFlat},
                                                                 {90.0, 0.0}}};
        return (1 - tall_) * usual + tall_ * interpolate(measured, alpha / kDegree);
    }

    // Fitted up to half-way to broadside; broadside a body has its table drag and no more.
    double crossFactor(const Heading& heading) const {
        const double fade = std::clamp((kPi / 2 - heading.incidence) / (kPi / 4), 0.0, 1.0);
        return 1 + fade * (fittedCrossFactor(heading.alpha) - 1);
    }

    double fittedCrossFactor(double alpha) const {
        const double bare = model_.crossFlow - tall_ * model_.tallCrossFlowLoss;
        if (!lip_) {
            return bare;
        }
        if (alpha >= 0) {
            return model_.crossFlowLip;
        }
        const std::array<std::pair<double, double>, 3> steep{{{-45.0, model_.crossFlowLip},
                                                              {-30.0, model_.crossFlowSteep30},
                                                              {-20.0, model_.crossFlowSteep20}}};
        const double behind = (1 - tall_) * interpolate(steep, alpha / kDegree) + tall_ * bare;
        return (1 - steep_) * model_.crossFlowLip + steep_ * behind;
    }

    // Rolling about its way a bait turns its lift to the sides and back: the mean is less.
    void rollOut(Loads& sum, double u, double w) const {
        const double lost = model_.rollLoss * (sum.up_m2 * u - sum.aft_m2 * w);
        sum.up_m2 -= lost * u;
        sum.aft_m2 += lost * w;
        sum.moment_m3 *= 1 - model_.rollLoss;
    }

    void addLip(Loads& sum, double alpha) const {
        const double incidence = wrapped(lip_->angle_rad - alpha);
        const bool reversed = std::abs(incidence) > kPi / 2;
        const double a = reversed ? kPi - std::abs(incidence) : std::abs(incidence);
        const double sine = std::sin(a), cosine = std::cos(a);
        const double normal =
            std::copysign(lipArea_ * onBody_ * plate_->normal(a, sine, cosine), incidence);
        const double fromEdge =
            (model_.lipPressure + model_.lipPressureShift * sine) * lip_->chord_m;
        const double alongLip = reversed ? fromEdge : lip_->chord_m - fromEdge;
        const Eigen::Vector2d place = lip_->root_m + alongLip * along_;
        addAt(sum, place, normal * down_.x(), normal * down_.y());
        const double slide = reversed ? -cosine : cosine;
        const double edge = edge_ * slide * std::abs(slide);
        addAt(sum, place, -edge * along_.x(), -edge * along_.y());
    }

    const Model& model_;
    const TowedHull& hull_;
    const std::optional<TowedLip>& lip_;
    const std::vector<TowedSurface>& surfaces_;
    std::optional<Plate> plate_;
    double munkShare_ = 0, munkSize_ = 0, tall_ = 0, cross_ = 0, lift_ = 0, axial_ = 0,
           partDrag_ = 0;
    Eigen::Vector2d partMoment_ = Eigen::Vector2d::Zero();
    double steep_ = 0, lipArea_ = 0, onBody_ = 0, edge_ = 0;
    Eigen::Vector2d along_ = Eigen::Vector2d::Zero(), down_ = Eigen::Vector2d::Zero();
};

}  // namespace

double plateNormalCoefficient(double a, double aspect, const Model& model) {
    return Plate(aspect, model).normal(a, std::sin(a), std::cos(a));
}

double crossFlowDrag(double heightOverWidth, double squareness) {
    constexpr std::array<std::pair<double, double>, 6> ellipse{
        {{0, 1.98}, {0.5, 1.6}, {1, 1.2}, {2, 0.6}, {4, 0.35}, {8, 0.25}}};
    constexpr std::array<std::pair<double, double>, 7> box{
        {{0, 1.98}, {0.3, 2.3}, {0.6, 2.7}, {1, 2.05}, {2, 1.5}, {3, 1.3}, {6, 0.9}}};
    return (1 - squareness) * interpolate(ellipse, heightOverWidth) +
           squareness * interpolate(box, heightOverWidth);
}

double finiteLengthFactor(double slenderness) {
    constexpr std::array<std::pair<double, double>, 7> table{
        {{1, 0.533}, {2, 0.567}, {3, 0.617}, {5, 0.617}, {10, 0.683}, {20, 0.758}, {40, 0.817}}};
    return interpolate(table, slenderness);
}

double axialDragArea(const TowedHull& hull, double reynolds, const Model& model) {
    const double bluntness = std::sqrt(hull.width_m * hull.height_m) / hull.length_m;
    const double frontal = kPi * hull.width_m * hull.height_m / 4;
    const double re = std::max(reynolds, 100.0);
    if (re < 3e5) {
        const double friction = 1.328 / std::sqrt(re);
        return model.bluntDrag * bluntness * frontal +
               hull.wettedArea_m2 * friction * (1 + std::pow(bluntness, 1.5));
    }
    const double lg = std::log10(re) - 2;
    return hull.wettedArea_m2 * 0.075 / (lg * lg) *
           (1 + 1.5 * std::pow(bluntness, 1.5) + 7 * std::pow(bluntness, 3));
}

Loads computeLoads(const TowedShape& shape, double alpha, const Model& model) {
    return LoadFormula(shape, model).at(Heading(alpha)).sum();
}

LoadShares computeLoadShares(const TowedShape& shape, double alpha, const Model& model) {
    return LoadFormula(shape, model).at(Heading(alpha));
}

Loads LoadShares::sum() const {
    Loads all;
    for (const Loads* part : {&body, &lip, &hooks, &surfaces}) {
        all.aft_m2 += part->aft_m2;
        all.up_m2 += part->up_m2;
        all.moment_m3 += part->moment_m3;
    }
    return all;
}

// A place of the table is worked out when it is first asked for: a bait is towed through a few
// hundred of them. Threads that ask at once write the same.
struct LoadTable::Filled {
    Filled(const TowedShape& towed, const Model& by)
        : shape(towed), model(by), formula(shape, model) {
        for (Place& place : places) {
            place.moment_m3.store(kNotYet, std::memory_order_relaxed);
        }
    }

    Loads at(int i) {
        Place& place = places[size_t(i)];
        Loads loads;
        loads.moment_m3 = place.moment_m3.load(std::memory_order_acquire);
        if (std::isnan(loads.moment_m3)) {
            loads = formula.at(Heading((-180.0 + 0.25 * i) * kDegree)).sum();
            place.aft_m2.store(loads.aft_m2, std::memory_order_relaxed);
            place.up_m2.store(loads.up_m2, std::memory_order_relaxed);
            place.moment_m3.store(loads.moment_m3, std::memory_order_release);
            return loads;
        }
        loads.aft_m2 = place.aft_m2.load(std::memory_order_relaxed);
        loads.up_m2 = place.up_m2.load(std::memory_order_relaxed);
        return loads;
    }

    static constexpr double kNotYet = std::numeric_limits<double>::quiet_NaN();
    struct Place {
        std::atomic<double> aft_m2, up_m2, moment_m3;
    };
    TowedShape shape;
    Model model;
    LoadFormula formula;
    std::array<Place, kCount + 1> places;
};

LoadTable::LoadTable(const TowedShape& shape, const Model& model)
    : filled_(std::make_unique<Filled>(shape, model)) {}

LoadTable::~LoadTable() = default;

Loads LoadTable::at(double alpha_rad) const {
    const double turn = alpha_rad / (2 * kPi) + 0.5;
    const double at = (turn - std::floor(turn)) * kCount;
    const int i = std::clamp(static_cast<int>(at), 0, kCount - 1);
    const double share = at - i;
    const Loads a = filled_->at(i), b = filled_->at(i + 1);
    return {a.aft_m2 + share * (b.aft_m2 - a.aft_m2), a.up_m2 + share * (b.up_m2 - a.up_m2),
            a.moment_m3 + share * (b.moment_m3 - a.moment_m3)};
}

}  // namespace wl
