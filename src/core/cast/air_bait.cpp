#include "core/cast/air_bait.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/motion/added_mass.h"
#include "core/motion/line_shape.h"

namespace wl {
namespace {

using Eigen::Vector2d;
using Eigen::Vector3d;

AirBait::Lip airLip(const TowedLip& lip, FlightPlane plane, const Model& model) {
    AirBait::Lip out;
    const double aspect = lip.span_m / lip.chord_m;
    out.root_m = lip.root_m;
    out.along = {-std::cos(lip.angle_rad), -std::sin(lip.angle_rad)};
    out.chord_m = lip.chord_m;
    out.area_m2 = lip.chord_m * lip.span_m;
    out.edge_m2 =
        2 * out.area_m2 * model.plateFriction + model.plateEdge * lip.thickness_m * lip.span_m;
    out.angle_rad = lip.angle_rad;
    out.pressure = model.lipPressure;
    out.pressureShift = model.lipPressureShift;
    for (size_t i = 0; i < out.normal.size(); ++i) {
        out.normal[i] = plateNormalCoefficient(0.5 * kDegree * double(i), aspect, model);
    }
    if (plane == FlightPlane::Plan) {
        const double incidence = std::min(std::abs(lip.angle_rad), kPi / 2);
        out.flatDrag_m2 =
            out.area_m2 * plateNormalCoefficient(incidence, aspect, model) * std::sin(incidence) +
            out.edge_m2 * std::cos(incidence);
        out.root_m.y() = 0;
        out.along.y() = 0;
    }
    return out;
}

double atIncidence(const AirBait::Lip& lip, double a) {
    const double at = a / (0.5 * kDegree);
    const size_t i = std::min(size_t(at), lip.normal.size() - 2);
    const double share = at - double(i);
    return lip.normal[i] + share * (lip.normal[i + 1] - lip.normal[i]);
}

// Body axes: (ahead, up) speeds in, (ahead, up) forces out, moments about the centre of gravity.
class Sum {
  public:
    Sum(const AirBait& bait, double ahead, double up, double turn)
        : bait_(bait), ahead_(ahead), up_(up), turn_(turn) {}
    // Speed of a place over the air.
    double aheadAt(double z) const { return ahead_ - turn_ * (z - bait_.centre_m.y()); }
    double upAt(double x) const { return up_ - turn_ * (x - bait_.centre_m.x()); }
    void add(double x, double z, double ahead, double up) {
        force_ += Vector2d(ahead, up);
        moment_ += -(z - bait_.centre_m.y()) * ahead - (x - bait_.centre_m.x()) * up;
    }
    void couple(double moment) { moment_ += moment; }
    const Vector2d& force() const { return force_; }
    double moment() const { return moment_; }

  private:
    const AirBait& bait_;
    double ahead_, up_, turn_;
    Vector2d force_ = Vector2d::Zero();
    double moment_ = 0;
};

void addHull(const AirBait& b, const Model& f, double u, double q, Sum& sum) {
    const double half = 0.5 * kAirDensity_kg_m3;
    const double cross = half * f.airCrossFlow * b.crossDrag;
    for (const AirBait::Strip& strip : b.strips) {
        const double w = sum.upAt(strip.at_m);
        sum.add(strip.at_m, b.centre_m.y(), 0, -cross * strip.area_m2 * std::abs(w) * w);
    }
    const double middle = sum.upAt(b.middle_m);
    const double speed = std::sqrt(u * u + middle * middle);
    if (speed > 1e-9) {
        sum.couple(-half * f.airMunk * b.munk_m3 * 2 * u * middle *
                   std::sqrt(0.5 * (1 + std::abs(u) / speed)));
    }
    const double plan = sum.upAt(b.planCentroid_m);
    sum.add(b.planCentroid_m, b.centre_m.y(), 0, -half * b.bareLift_m2 * std::abs(u) * plan);
    const double shedAt = (u >= 0 ? 0.75 : 0.25) * b.length_m;
    sum.add(shedAt, b.centre_m.y(), 0,
            f.airShedLift * kAirDensity_kg_m3 * b.slender_m2 * std::abs(u) * q *
                (shedAt - b.centre_m.x()));
    sum.add(0, b.axialHeight_m,
            -half * b.axial_m2 * (u < 0 ? f.airTailFirst : 1.0) * std::abs(u) * u, 0);
}

void addLip(const AirBait& b, const Model& f, Sum& sum) {
    const double half = 0.5 * kAirDensity_kg_m3;
    const AirBait::Lip& lip = *b.lip;
    const Vector2d middle = lip.root_m + 0.5 * lip.chord_m * lip.along;
    const double u = sum.aheadAt(middle.y()), w = sum.upAt(middle.x());
    const double square = u * u + w * w;
    if (square < 1e-12) {
        return;
    }
    const double behind = std::max(0.0, -u) / std::sqrt(square);
    const double shelter = half * (1 - f.airShelter * behind * behind);
    if (b.plane == FlightPlane::Plan) {
        sum.add(middle.x(), b.centre_m.y(), -shelter * lip.flatDrag_m2 * std::abs(u) * u, 0);
        return;
    }
    // As in water: incidence of the plate to the flow at its own middle.
    // Sine and cosine of it by the flow's parts: no angle is formed but to look the plate up.
    const double speed = std::sqrt(square);
    const double across = (-lip.along.y() * u - lip.along.x() * w) / speed;
    const double alongIt = (-lip.along.x() * u + lip.along.y() * w) / speed;
    const bool reversed = alongIt < 0;
    const double sine = std::min(1.0, std::abs(across)), cosine = std::min(1.0, std::abs(alongIt));
    const double normal = std::copysign(
        shelter * square * lip.area_m2 * atIncidence(lip, std::atan2(sine, cosine)), across);
    const double fromEdge = (lip.pressure + lip.pressureShift * sine) * lip.chord_m;
    const Vector2d place = lip.root_m + (reversed ? fromEdge : lip.chord_m - fromEdge) * lip.along;
    const Vector2d down(-lip.along.y(), lip.along.x());  // (aft, up) normal of the plate
    const double slide = reversed ? -cosine : cosine;
    const double edge = shelter * square * lip.edge_m2 * slide * std::abs(slide);
    const Vector2d force = normal * down - edge * lip.along;  // (aft, up)
    sum.add(place.x(), place.y(), -force.x(), force.y());
}

void addSurfaces(const AirBait& b, double ahead, double up, double turn, const Model& model,
                 Sum& sum) {
    const bool plan = b.plane == FlightPlane::Plan;
    // The origin's speed, from that of the centre of gravity.
    const double u0 = ahead + turn * b.centre_m.y(), w0 = up + turn * b.centre_m.x();
    const Vector3d velocity = plan ? Vector3d(-u0, w0, 0) : Vector3d(-u0, 0, w0);
    const Vector3d turning = plan ? Vector3d(0, 0, -turn) : Vector3d(0, turn, 0);
    for (const TowedSurface& surface : b.surfaces) {
        const Wrench work = surfaceLoads(surface, velocity, turning, kAirDensity_kg_m3, model);
        const double side = plan ? work.force_N.y() : work.force_N.z();
        const double moment = plan ? -work.moment_N_m.z() : work.moment_N_m.y();
        sum.add(b.centre_m.x(), b.centre_m.y(), -work.force_N.x(), side);
        // About the origin: moved to the centre of gravity.
        sum.couple(moment - (b.centre_m.y() * work.force_N.x() - b.centre_m.x() * side));
    }
}

}  // namespace

AirBait airBait(const Derived& d, FlightPlane plane) {
    const bool plan = plane == FlightPlane::Plan;
    const TowedShape& towed = d.loads->inputs;
    const TowedHull& hull = towed.hull;
    const BodySizes& sizes = d.shape->sizes;
    AirBait b;
    b.plane = plane;
    b.length_m = hull.length_m;
    b.mass_kg = d.mass->mass_kg;
    b.inertia_kg_m2 = plan ? d.mass->inertia_kg_m2(2, 2) : d.mass->inertia_kg_m2(1, 1);
    const Vector3d& centre = d.mass->centreOfGravity_m;
    b.centre_m = {centre.x(), plan ? 0.0 : centre.z()};
    b.middle_m = d.shape->solid.centroid_m.x();
    b.planCentroid_m = plan ? sizes.profileCentroid_m.x()
                            : sizes.planMoment_m3 / std::max(sizes.planArea_m2, 1e-12);
    const double strip = b.length_m / AirBait::kStrips;
    double told = 0;
    for (int i = 0; i < AirBait::kStrips; ++i) {
        const double x = (i + 0.5) * strip;
        const Section at = d.shape->curves.atX(x);
        const double breadth = plan ? at.back_m - at.belly_m : 2 * at.halfWidth_m;
        b.strips[size_t(i)] = {x, breadth * strip};
        told += breadth * strip;
    }
    // Twelve strips, as large together as the whole.
    const double whole = plan ? sizes.profileArea_m2 : sizes.planArea_m2;
    for (AirBait::Strip& s : b.strips) {
        s.area_m2 *= told > 0 ? whole / told : 0.0;
    }
    const double breadth = plan ? hull.height_m : hull.width_m;
    const double depth = plan ? hull.width_m : hull.height_m;
    b.crossDrag = finiteLengthFactor(hull.length_m / std::sqrt(hull.width_m * hull.height_m)) *
                  crossFlowDrag(depth / breadth, hull.squareness);
    const Vector3d k = addedMassCoefficients(hull.length_m, hull.width_m, hull.height_m);
    b.munk_m3 = ((plan ? k.y() : k.z()) - k.x()) * hull.volume_m3;
    b.frontal_m2 = kPi / 4 * hull.width_m * hull.height_m;
    b.slender_m2 = kPi / 4 * breadth * breadth;
    b.bareLift_m2 = d.model.bareLift * b.frontal_m2;
    constexpr double kUsual_m_s = 20.0;  // friction changes by a tenth from 10 to 30 m/s
    b.axial_m2 = axialDragArea(hull, kUsual_m_s * hull.length_m / kAirViscosity_m2_s, d.model);
    b.axialHeight_m = plan ? 0.0 : hull.centroidZ_m;
    if (towed.lip) {
        b.lip = airLip(*towed.lip, plane, d.model);
    }
    for (const TowedPart& part : towed.parts) {
        b.hooks.push_back({{part.place_m.x(), plan ? 0.0 : part.place_m.y()}, part.dragArea_m2});
    }
    b.surfaces = towed.surfaces;
    b.tie_m = {d.towed.tie_m.x(), plan ? 0.0 : d.towed.tie_m.y()};
    return b;
}

CastLine castLine(const Derived& d) {
    const Brief& brief = d.design->brief;
    CastLine line;
    line.diameter_m = brief.lineDiameter_m;
    line.massPerMetre_kg_m =
        lineDensity_kg_m3(brief.lineKind) * kPi / 4 * brief.lineDiameter_m * brief.lineDiameter_m;
    const bool turning = brief.reel == ReelKind::Turning;
    line.restPull_N = turning ? d.model.spoolBrake_N : d.model.spoolRub_N;
    line.momentumShare = turning ? 0.0 : d.model.spoolMomentum;
    return line;
}

AirLoads airLoads(const AirBait& b, const Model& f, const Vector2d& velocity, double pitch,
                  double turn) {
    return airLoads(b, f, velocity, Vector2d(std::cos(pitch), std::sin(pitch)), turn);
}

AirLoads airLoads(const AirBait& b, const Model& f, const Vector2d& velocity,
                  const Vector2d& heading, double turn) {
    const double cosine = heading.x(), sine = heading.y();
    const double ahead = velocity.x() * cosine + velocity.y() * sine;
    const double up = -velocity.x() * sine + velocity.y() * cosine;
    Sum sum(b, ahead, up, turn);
    addHull(b, f, ahead, turn, sum);
    if (b.lip) {
        addLip(b, f, sum);
    }
    for (const AirBait::Drag& hook : b.hooks) {
        const double u = sum.aheadAt(hook.place_m.y()), w = sum.upAt(hook.place_m.x());
        const double drag =
            0.5 * kAirDensity_kg_m3 * f.airHooks * hook.area_m2 * std::sqrt(u * u + w * w);
        sum.add(hook.place_m.x(), hook.place_m.y(), -drag * u, -drag * w);
    }
    addSurfaces(b, ahead, up, turn, f, sum);
    const Vector2d& body = sum.force();
    return {{body.x() * cosine - body.y() * sine, body.x() * sine + body.y() * cosine},
            sum.moment()};
}

}  // namespace wl
