// Findings about fittings, the tie and the lip.
#include <algorithm>
#include <cmath>
#include <limits>

#include <Eigen/Geometry>

#include "core/base/units.h"
#include "core/geometry/convex_parts.h"
#include "core/motion/surface_loads.h"
#include "core/placed/surfaces.h"
#include "core/rules/check_cuts.h"

namespace wl {
namespace {

// Limits of the bench (common practice, no source).
constexpr double kLipMuchWider = 1.3;

// The box round the whole bait, side pieces and lip counted.
Eigen::AlignedBox3d boxRound(const Derived& d) {
    Eigen::AlignedBox3d box;
    for (const WettedHull& hull : d.mass->coarseShape.hulls) {
        for (const Eigen::Vector3d& v : hull.mesh().vertices_m) {
            box.extend(v);
        }
    }
    return box;
}

// Distance of a place outside the body from its skin, near enough to tell mid-air; 0 within.
double awayFromSkin(const Derived& d, const Eigen::Vector3d& at) {
    if (d.shape->curves.contains(at)) {
        return 0.0;
    }
    double least = 1e9;
    for (const Eigen::Vector3d& v : d.shape->mesh.vertices_m) {
        least = std::min(least, (v - at).norm());
    }
    return least;
}

// What stands in the water and is not reckoned, or only by a rule, when it is towed or sinks.
void checkUndragged(const Derived& d, std::vector<Finding>& out) {
    const std::vector<std::string> names = leftOut(d.mass->surfaces);
    if (!names.empty()) {
        std::string all;
        for (const std::string& name : names) {
            all += (all.empty() ? "" : ", ") + name;
        }
        out.push_back({"rest.parts_without_drag", Severity::Note, "/fittings", {}, {all}});
    }
    const RecordRef* last = nullptr;
    for (const Surface& s : d.mass->surfaces) {
        const bool fin = s.record.list == RecordList::Fittings || s.swings;
        if (!fin || s.leftOut() || (last != nullptr && *last == s.record)) {
            continue;
        }
        last = &s.record;
        const double aspect = s.span_m / s.chord_m;
        if (s.isLump()) {
            out.push_back({"rest.lump", Severity::Note, pathOf(s.record), {}, {s.name}});
        } else if (aspect * s.aspectFactor < kLeastFinAspect ||
                   aspect * s.aspectFactor > kMostFinAspect) {
            out.push_back({"rest.fin_aspect",
                           Severity::Note,
                           pathOf(s.record),
                           {{Quantity::Number, aspect}},
                           {s.name}});
        }
    }
}

void checkTie(const Design& design, const Derived& d, std::vector<Finding>& out) {
    constexpr double kAtEye_m = 0.003, kMidAir_m = 0.008;
    constexpr double kFirst = 1.0 / 3, kLast = 0.5;  // common practice, no source
    const Eigen::Vector3d at = tiePoint(design);
    const bool onBody = design.tie.place == TiePlace::Body;
    if (onBody && !design.tie.eye.empty() && !eyePlace(design, design.tie.eye)) {
        out.push_back({"tie.eye_missing", Severity::Error, "/tie/x", {}, {design.tie.eye}});
    }
    if (onBody && design.tie.eye.empty()) {
        std::string nearest;
        double away = 1e9;
        for (const std::string& name : eyeNames(design)) {
            const double apart = (*eyePlace(design, name) - at).norm();
            if (apart < away) {
                away = apart;
                nearest = name;
            }
        }
        const double skin = awayFromSkin(d, at);
        std::vector<ProposedEdit> edits;
        if (away < 4 * kMidAir_m) {
            edits.push_back({"edit.tie_eye", {{"/tie/eye", {}, nearest}}, {}, {nearest}});
        }
        if (away > kAtEye_m && skin > kMidAir_m) {
            out.push_back(
                {"tie.mid_air", Severity::Warning, "/tie/x", {lengthAmount(skin)}, {}, edits});
        } else if (away > kAtEye_m) {
            out.push_back(
                {"tie.no_eye", Severity::Note, "/tie/x", {lengthAmount(at.x())}, {}, edits});
        }
    }
    const bool lipless = !design.lip.present && !design.body.noseFace.present;
    const double share = at.x() / d.shape->sizes.length_m;
    const Section here = d.shape->curves.atX(std::clamp(at.x(), 0.0, d.shape->sizes.length_m));
    const bool onBack = at.x() > 0.1 * d.shape->sizes.length_m && at.z() > here.widest_m;
    if (lipless && onBack && d.shape->joints.empty() &&
        (share < kFirst - 0.02 || share > kLast + 0.02)) {
        out.push_back({"tie.lipless_place",
                       Severity::Note,
                       "/tie/x",
                       {{Quantity::Fraction, share},
                        lengthAmount(kFirst * d.shape->sizes.length_m),
                        lengthAmount(kLast * d.shape->sizes.length_m)}});
    }
}

void checkFittings(const Design& design, const Derived& d, std::vector<Finding>& out) {
    const Eigen::AlignedBox3d box = boxRound(d);
    for (size_t i = 0; i < design.fittings.size(); ++i) {
        const Fitting& f = design.fittings[i];
        const std::string path = pathOf({RecordList::Fittings, i});
        if (!f.hangsFrom.empty() &&
            std::none_of(design.fittings.begin(), design.fittings.end(),
                         [&f](const Fitting& eye) {
                             return eye.name == f.hangsFrom && !swings(eye.kind);
                         }) &&
            !wireEyePlace(design, f.hangsFrom)) {
            out.push_back({"fitting.eye_missing",
                           Severity::Warning,
                           path + "/hangs_from",
                           {},
                           {f.name, f.hangsFrom}});
        }
        if (isHook(f.kind) && f.size_m > 0.6 * d.shape->sizes.length_m) {
            out.push_back({"fitting.hook_too_long",
                           Severity::Warning,
                           path + "/size",
                           {lengthAmount(f.size_m), lengthAmount(d.shape->sizes.length_m)},
                           {f.name}});
        }
        const Eigen::Vector3d at = fittingPlace(design, f);
        constexpr double kReach_m = 0.02;
        if (box.exteriorDistance(at) > kReach_m) {
            out.push_back({"fitting.off_the_bait",
                           Severity::Warning,
                           path + "/x",
                           {lengthAmount(at.x())},
                           {f.name}});
        }
    }
}

// Holes of the tie against the sheet's edges and each other.
void checkTieHoles(const Design& design, const Derived& d, std::vector<Finding>& out) {
    const std::vector<Eigen::Vector2d> outline = lipOutline(design.lip);
    const std::vector<Eigen::Vector2d> holes = measureTieWire(design).holes;
    const double radius = 0.5 * design.tie.holeDiameter_m;
    double web = std::numeric_limits<double>::max();
    for (const Eigen::Vector2d& hole : holes) {
        web = std::min(web, insideBy_m(outline, hole) - radius);
    }
    if (holes.size() > 1) {
        web = std::min(web, (holes[0] - holes[1]).norm() - 2 * radius);
    }
    if (holes.empty()) {
        return;
    }
    if (web < 2 * radius) {
        const bool off = web <= 0;
        out.push_back({off ? "tie.holes_off_sheet" : "tie.holes_near_edge",
                       off ? Severity::Error : Severity::Warning,
                       "/tie/up_lip",
                       {lengthAmount(std::max(0.0, web)), lengthAmount(2 * radius)}});
    }
    if (design.tie.wire_m > design.tie.holeDiameter_m) {
        out.push_back({"tie.wire_too_thick",
                       Severity::Error,
                       "/tie/wire",
                       {{Quantity::Thickness, design.tie.wire_m},
                        {Quantity::Thickness, design.tie.holeDiameter_m}}});
    }
    if (design.tie.goesOn() && !tieLegHole(design, d.shape->curves)) {
        out.push_back(
            {"tie.leg_outside", Severity::Error, "/tie/leg", {lengthAmount(design.tie.leg_m)}});
    }
}

void checkLip(const Design& design, const Derived& d, std::vector<Finding>& out) {
    const Lip& lip = design.lip;
    if (!lip.present) {
        if (design.tie.place == TiePlace::Lip) {
            out.push_back({"tie.no_lip", Severity::Warning, "/tie/x"});
        }
        return;
    }
    if (lip.length_m > d.shape->sizes.length_m) {
        out.push_back({"lip.longer_than_bait",
                       Severity::Error,
                       "/lip/length",
                       {lengthAmount(lip.length_m), lengthAmount(d.shape->sizes.length_m)},
                       {},
                       {{"edit.lip_length",
                         {{"/lip/length", 0.4 * d.shape->sizes.length_m}},
                         {lengthAmount(0.4 * d.shape->sizes.length_m)}}}});
    }
    if (lip.width_m > kLipMuchWider * d.shape->sizes.maxWidth_m) {
        out.push_back({"lip.much_wider",
                       Severity::Warning,
                       "/lip/width",
                       {lengthAmount(lip.width_m), lengthAmount(d.shape->sizes.maxWidth_m)},
                       {},
                       {{"edit.lip_width",
                         {{"/lip/width", d.shape->sizes.maxWidth_m}},
                         {lengthAmount(d.shape->sizes.maxWidth_m)}}}});
    }
    const double flat = lipPlanes(lip).back().to_m;
    if (lip.family == LipFamily::Disc && flat < lip.length_m) {
        out.push_back({"lip.disc_all_outside",
                       Severity::Error,
                       "/lip/length",
                       {lengthAmount(lip.length_m), lengthAmount(lip.width_m)},
                       {},
                       {{"edit.lip_length",
                         {{"/lip/length", 0.75 * lip.width_m}},
                         {lengthAmount(0.75 * lip.width_m)}}}});
    }
    if (lip.bend_rad != 0 && !(lip.bendAt_m > 0 && lip.bendAt_m < flat)) {
        out.push_back({"lip.bend_off_sheet",
                       Severity::Warning,
                       "/lip/bend_at",
                       {lengthAmount(lip.bendAt_m), lengthAmount(flat)}});
    }
    if ((lip.notchWidth_m > 0 && !isSimpleOutline(lipOutline(lip))) ||
        lip.notchWidth_m > 0.9 * lip.width_m ||
        (lip.notchWidth_m > 0 && lip.notchDepth_m > 0.95 * flat)) {
        out.push_back(
            {"lip.notch_too_big", Severity::Error,
             lip.notchWidth_m > 0.9 * lip.width_m ? "/lip/notch_width" : "/lip/notch_depth"});
    }
    if (lip.holeDiameter_m > 0 &&
        insideBy_m(lipOutline(lip), {lip.holeAt_m, 0}) < 0.5 * lip.holeDiameter_m) {
        out.push_back({"lip.hole_off_sheet",
                       Severity::Error,
                       "/lip/hole_at",
                       {lengthAmount(lip.holeDiameter_m), lengthAmount(lip.holeAt_m)}});
    }
    if (lip.family == LipFamily::Free && !isLipOutline(lip.outline)) {
        out.push_back({"lip.free_outline", Severity::Error, "/lip/family"});
    }
    if (lip.twist_rad != 0 || lip.turn_rad != 0 || lip.slotY_m != 0) {
        out.push_back({"lip.off_true", Severity::Note,
                       lip.twist_rad != 0  ? "/lip/twist"
                       : lip.turn_rad != 0 ? "/lip/turn"
                                           : "/lip/slot_y"});
    }
    checkTieHoles(design, d, out);
    const Section at = d.shape->curves.atX(lip.slotX_m);
    const double below = at.belly_m - lip.slotZ_m;
    const bool ahead = lip.slotX_m < 0;
    if ((ahead && lip.slotX_m < -0.003) || below > 0.003 || lip.slotZ_m > at.back_m) {
        out.push_back({"lip.slot_off_skin",
                       Severity::Warning,
                       "/lip/slot_z",
                       {lengthAmount(lip.slotZ_m), lengthAmount(at.belly_m)},
                       {},
                       {{"edit.slot_z",
                         {{"/lip/slot_z", at.belly_m + 0.001}},
                         {lengthAmount(at.belly_m + 0.001)}}}});
    }
    if (design.tie.place == TiePlace::Lip && design.tie.upLip_m > lip.length_m) {
        out.push_back({"tie.off_the_lip",
                       Severity::Error,
                       "/tie/up_lip",
                       {lengthAmount(design.tie.upLip_m), lengthAmount(lip.length_m)},
                       {},
                       {{"edit.tie_up_lip",
                         {{"/tie/up_lip", 0.4 * lip.length_m}},
                         {lengthAmount(0.4 * lip.length_m)}}}});
    }
}

}  // namespace

void checkOutside(const Design& design, const Derived& d, std::vector<Finding>& out) {
    checkFittings(design, d, out);
    checkTie(design, d, out);
    checkLip(design, d, out);
    checkUndragged(d, out);
}

}  // namespace wl
