#include "core/swim/swim_bait.h"

#include <algorithm>
#include <array>
#include <cmath>

#include <Eigen/Geometry>
#include <Eigen/LU>

#include "core/base/units.h"
#include "core/reckon/tow.h"

namespace wl {
namespace {

constexpr int kStrips = 20;

void addStrips(const BodyCurves& curves, WobbleBody& body) {
    double greatest = -1;
    const double length = curves.length_m();
    for (int i = 0; i < kStrips; ++i) {
        const double share = (i + 0.5) / kStrips;
        Section s = curves.atX(share * length);
        WobbleStrip strip;
        strip.x_m = length * (0.5 - share);
        strip.dx_m = length / kStrips;
        strip.height_m = std::max(1e-5, s.back_m - s.belly_m);
        strip.width_m = std::max(1e-5, 2 * s.halfWidth_m);
        strip.area_m2 = sectionArea(s);
        strip.middle_m = -0.5 * (s.back_m + s.belly_m);
        if (strip.area_m2 > greatest) {
            greatest = strip.area_m2;
            body.greatestAt = share;
        }
        body.strips.push_back(strip);
    }
}

WobblePlate plateOf(const Surface& s, double length) {
    WobblePlate plate;
    plate.root_m = toSwim(s.root_m, length);
    plate.along = toSwimVector(s.along);
    plate.normal = toSwimVector(s.normal);
    plate.across = plate.along.cross(plate.normal);
    plate.chord_m = s.chord_m;
    plate.span_m = s.span_m;
    plate.centroid_m = (s.centre_m - s.root_m).dot(s.along);
    plate.isLip = s.kind == Surface::Kind::Lip;
    plate.oneSided = !plate.isLip;
    return plate;
}

// The back ahead of the tie of a bait without a lip: it hangs nose down and sheds from there.
std::optional<WobblePlate> backPlate(const WobbleBody& body, const BodyCurves& curves,
                                     double tieAft, const Model& model) {
    constexpr double kFirst = 0.1, kLast = 0.6;
    const double length = curves.length_m();
    if (tieAft < kFirst * length || tieAft > kLast * length) {
        return std::nullopt;
    }
    WobblePlate plate;
    const Section nose = curves.atX(0.0);
    const Eigen::Vector3d tip(0.5 * length, 0, -0.5 * (nose.back_m + nose.belly_m));
    plate.root_m = {0.5 * length - tieAft, 0, body.tie_m.z()};
    plate.chord_m = (tip - plate.root_m).norm();
    plate.along = (tip - plate.root_m) / plate.chord_m;
    plate.normal = {plate.along.z(), 0, -plate.along.x()};
    double width = 0;
    int count = 0;
    for (const WobbleStrip& s : body.strips) {
        if (s.x_m > plate.root_m.x()) {
            width += s.width_m;
            ++count;
        }
    }
    plate.span_m = count > 0 ? width / count : body.width_m;
    plate.centroid_m = 0.5 * plate.chord_m;
    plate.loadShare = model.swimBackShare;
    plate.oneSided = true;
    plate.isLip = false;
    return plate;
}

}  // namespace

Result<WobbleBody> wobbleBody(const Derived& d, const Run& run) {
    constexpr double kShortest_m = 3.0, kWidestLip = 3.0;
    const Design& design = *d.design;
    const BodyCurves& curves = d.shape->curves;
    const BodySizes& sizes = d.shape->sizes;
    const double length = curves.length_m();
    const Surface* diving = divingSurface(d.mass->surfaces);
    const bool lip = diving != nullptr && diving->kind == Surface::Kind::Lip;
    if (!design.joints.empty() && !lip) {
        return Error{"swim.jointed", "/joints", {}, {}};
    }
    WobbleBody body;
    body.length_m = length;
    body.height_m = sizes.maxHeight_m;
    body.width_m = sizes.maxWidth_m;
    body.squareness = sizes.fullness;
    addStrips(curves, body);
    if (lip && (diving->span_m > kWidestLip * body.width_m || diving->chord_m > length)) {
        return Error{"swim.lip_out_of_proportion",
                     "/lip/width",
                     {},
                     {{Quantity::Length, diving->span_m}, {Quantity::Length, body.width_m}}};
    }
    body.mass_kg = d.mass->mass_kg;
    if (body.mass_kg <= 0) {
        return Error{"swim.no_mass", "", {}, {}};
    }
    body.centreOfGravity_m = toSwim(d.mass->centreOfGravity_m, length);
    body.inertia_kg_m2 = d.mass->inertia_kg_m2;
    body.volume_m3 = d.mass->displacedVolume_m3;
    body.centreOfBuoyancy_m = toSwim(d.mass->centreOfBuoyancy_m, length);
    body.waterDensity_kg_m3 = d.waterDensity_kg_m3;
    body.gravity_m_s2 = kGravity_m_s2;
    for (const TowedPart& part : d.loads->inputs.parts) {
        body.drags.push_back(
            {toSwim({part.place_m.x(), 0, part.place_m.y()}, length), part.dragArea_m2});
    }
    for (const CupWater& cup : cupWater(curves, d.waterDensity_kg_m3)) {
        body.cups.push_back({toSwim(cup.centre_m, length), cup.mass_kg});
    }
    for (TowedSurface surface : d.loads->inputs.surfaces) {
        surface.centre_m = toSwim(surface.centre_m, length);
        surface.along = toSwimVector(surface.along);
        surface.normal = toSwimVector(surface.normal);
        body.fins.push_back(surface);
    }
    const Eigen::Vector3d tie = tiePoint(design);
    body.tie_m = toSwim(tie, length);
    body.plate = diving != nullptr ? std::optional(plateOf(*diving, length))
                                   : backPlate(body, curves, tie.x(), d.model);
    const Line line = lineOf(d);
    body.lineMass_kg_m = (line.density_kg_m3 + line.waterDensity_kg_m3) * kPi / 4 *
                         line.diameter_m * line.diameter_m;
    const double away = run.depthKnown
                            ? std::hypot(run.path.maxDepthFromRod_m,
                                         run.path.maxDepth_m + design.brief.rodTipHeight_m)
                            : 0.5 * design.brief.castLength_m;
    body.lineLength_m = std::max(kShortest_m, away);
    if (const auto bowl = bowlRoll(body, design.swim, d.model); bowl && !bowl->refused) {
        body.centreOfGravity_m.z() += bowl->lower_m;
    }
    return body;
}

std::optional<BowlRoll> bowlRoll(const WobbleBody& body, const SwimNotes& notes,
                                 const Model& model) {
    constexpr double kFar = 2.0;
    const auto seen = notes.seenRolls_1_s();
    if (!seen) {
        return std::nullopt;
    }
    // Sway, roll and yaw are free: what the others take is in the inverse.
    const Matrix6 all = measureHull(body, model).accelerated;
    constexpr std::array<Eigen::Index, 3> kFree{1, 3, 5};
    Eigen::Matrix3d mass;
    for (Eigen::Index r = 0; r < 3; ++r) {
        for (Eigen::Index c = 0; c < 3; ++c) {
            mass(r, c) = all(kFree[size_t(r)], kFree[size_t(c)]);
        }
    }
    const double give = mass.inverse()(1, 1), stiff = body.rollStiffness_N_m();
    BowlRoll bowl;
    bowl.seen_1_s = *seen;
    bowl.told_1_s = stiff > 0 ? std::sqrt(stiff * give) / (2 * kPi) : 0.0;
    const double wanted = std::pow(2 * kPi * *seen, 2) / give;
    bowl.lower_m = (wanted - stiff) / (body.mass_kg * body.gravity_m_s2);
    bowl.refused =
        bowl.told_1_s > 0 && (*seen > kFar * bowl.told_1_s || kFar * *seen < bowl.told_1_s);
    return bowl;
}

Result<WobbleTow> wobbleTow(const std::optional<Trim>& level, double speed) {
    constexpr double kSlowest_m_s = 0.1;
    if (speed < kSlowest_m_s) {
        return Error{"swim.too_slow", "/brief/retrieve_speed", {}, {{Quantity::Speed, speed}}};
    }
    if (!level) {
        return Error{"swim.no_trim", "/tie/x", {}, {{Quantity::Speed, speed}}};
    }
    if (level->lineAngle_rad <= 0) {
        return Error{"swim.stays_on_top",
                     "/brief/retrieve_speed",
                     {},
                     {{Quantity::Speed, speed}, {Quantity::Angle, level->lineAngle_rad}}};
    }
    return WobbleTow{speed, level->pitch_rad, level->tension_N, level->lineAngle_rad};
}

double rollCouple_N_m(const WobbleBody& body, const WobbleTow& tow) {
    constexpr double kStep = 1e-4;
    const double c = std::cos(tow.pitch_rad), s = std::sin(tow.pitch_rad);
    const auto moment = [&](double roll) {
        const double cr = std::cos(roll), sr = std::sin(roll);
        // A vector of space in body axes: Rx(-roll) Ry(-pitch).
        const auto inBody = [&](double x, double y, double z) {
            const double bx = c * x - s * z, bz = s * x + c * z;
            return Eigen::Vector3d(bx, cr * y + sr * bz, -sr * y + cr * bz);
        };
        const Eigen::Vector3d down = inBody(0, 0, 1);
        const double weight = body.mass_kg * body.gravity_m_s2;
        const double lift = body.waterDensity_kg_m3 * body.gravity_m_s2 * body.volume_m3;
        const Eigen::Vector3d pull =
            tow.tension_N * inBody(std::cos(tow.lineAngle_rad), 0, -std::sin(tow.lineAngle_rad));
        return (weight * body.centreOfGravity_m - lift * body.centreOfBuoyancy_m).cross(down).x() +
               body.tie_m.cross(pull).x();
    };
    return (moment(kStep) - moment(-kStep)) / (2 * kStep);
}

}  // namespace wl
