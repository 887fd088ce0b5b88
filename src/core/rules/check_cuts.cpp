#include "core/rules/check_cuts.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/clearance/clearance.h"
#include "core/geometry/section_strip.h"

namespace wl {
namespace {

// Limits of the bench (common practice, no source).
constexpr double kUnevenBevel_rad = 2.0 * kDegree;
constexpr double kStiffJoint_rad = 2.0 * kDegree;
constexpr double kOutOfRound = 0.02;
constexpr double kNoHollow_m3 = 1e-10;
constexpr double kLayersShort_m = 0.0005;

void checkBores(const Design& design, const Derived& d, std::vector<Finding>& out) {
    for (size_t i = 0; i < design.bores.size(); ++i) {
        const Bore& bore = design.bores[i];
        const BoreGeometry& g = d.mass->bores[i];
        const std::string path = pathOf({RecordList::Bores, i});
        if (!g.entersBody) {
            out.push_back({"bore.misses_body",
                           Severity::Error,
                           path + "/x",
                           {lengthAmount(bore.x_m)},
                           {bore.name}});
            continue;
        }
        const double wall = std::min(g.wallBeyond_m, g.wallBeside_m);
        const double cured = bore.depth_m + g.wallBeyond_m - 2 * kLeastWall_m;
        std::vector<ProposedEdit> shallower;
        if (cured > 0.001 && cured < bore.depth_m) {
            shallower.push_back({"edit.bore_depth",
                                 {{path + "/depth", cured}},
                                 {lengthAmount(cured)},
                                 {bore.name}});
        }
        if (g.wallBeyond_m <= 0) {
            out.push_back({"bore.comes_out",
                           Severity::Error,
                           path + "/depth",
                           {lengthAmount(bore.depth_m), lengthAmount(-g.wallBeyond_m)},
                           {bore.name},
                           shallower});
            out.back().topic = Topic::Wall;
        } else if (wall < kLeastWall_m) {
            const bool beyond = g.wallBeyond_m <= g.wallBeside_m;
            out.push_back({beyond ? "bore.thin_beyond" : "bore.thin_beside",
                           wall < 0 ? Severity::Error : Severity::Warning,
                           path + (beyond ? "/depth" : "/diameter"),
                           {lengthAmount(std::max(0.0, wall)), lengthAmount(kLeastWall_m)},
                           {bore.name},
                           beyond ? shallower : std::vector<ProposedEdit>{}});
            out.back().topic = Topic::Wall;
        }
        if (bore.plugLength_m > bore.depth_m) {
            out.push_back({"bore.plug_too_long",
                           Severity::Warning,
                           path + "/plug_length",
                           {lengthAmount(bore.plugLength_m), lengthAmount(bore.depth_m)},
                           {bore.name},
                           {{"edit.plug_length",
                             {{path + "/plug_length", bore.depth_m}},
                             {lengthAmount(bore.depth_m)}}}});
        }
    }
}

void checkFeatures(const Design& design, const Derived& d, std::vector<Finding>& out) {
    for (size_t i = 0; i < design.features.size(); ++i) {
        const Feature& f = design.features[i];
        const FeatureGeometry& g = d.mass->features[i];
        const std::string path = pathOf({RecordList::Features, i});
        if (g.tools.empty()) {
            out.push_back({"feature.misses_body",
                           Severity::Error,
                           path + "/x",
                           {lengthAmount(f.x_m)},
                           {f.name}});
            continue;
        }
        // Slots and grooves are meant to come out at their ends.
        const bool open = f.kind == FeatureKind::Slot || f.kind == FeatureKind::SawGroove;
        const CutVolume& cut = g.cuts.front();
        const double wall = open ? cut.wallBeyond_m : std::min(cut.wallBeyond_m, cut.wallBeside_m);
        if (wall <= 0) {
            out.push_back({"feature.comes_out",
                           Severity::Error,
                           path + "/depth",
                           {lengthAmount(f.depth_m)},
                           {f.name}});
            out.back().topic = Topic::Wall;
        } else if (wall < kLeastWall_m) {
            out.push_back({"feature.thin_wall",
                           Severity::Warning,
                           path + "/depth",
                           {lengthAmount(wall), lengthAmount(kLeastWall_m)},
                           {f.name}});
            out.back().topic = Topic::Wall;
        }
    }
}

// Whether a side piece swung to either end of its swing reaches into the body.
bool rubs(const BodyCurves& curves, const BodyPart& part, double swing) {
    constexpr double kAtHinge_m = 0.002;
    for (const double turn : {-swing, swing}) {
        const double c = std::cos(turn), s = std::sin(turn);
        for (const Eigen::Vector3d& v : part.mesh.vertices_m) {
            const Eigen::Vector3d arm = v - part.pivot_m;
            const Eigen::Vector3d at =
                part.pivot_m +
                Eigen::Vector3d(c * arm.x() - s * arm.y(), s * arm.x() + c * arm.y(), arm.z());
            if (arm.norm() > kAtHinge_m && curves.contains(at)) {
                return true;
            }
        }
    }
    return false;
}

void checkTurned(const Design& design, std::vector<Finding>& out) {
    ProposedEdit round{"edit.make_round", {}, {}};
    bool out_of_round = false;
    for (size_t i = 0; i < design.body.stations.size(); ++i) {
        const Station& s = design.body.stations[i];
        const double half = 0.5 * (s.back_m - s.belly_m), middle = 0.5 * (s.back_m + s.belly_m);
        out_of_round = out_of_round || std::abs(half - s.halfWidth_m) > kOutOfRound * half + 1e-5 ||
                       std::abs(s.widest_m - middle) > kOutOfRound * half + 1e-5 ||
                       std::abs(s.fullnessAbove - 2) > kOutOfRound ||
                       std::abs(s.fullnessBelow - 2) > kOutOfRound;
        const std::string at = "/body/stations/" + std::to_string(i);
        round.changes.push_back({at + "/half_width", half});
        round.changes.push_back({at + "/widest", middle});
        round.changes.push_back({at + "/fullness_above", 2.0});
        round.changes.push_back({at + "/fullness_below", 2.0});
    }
    if (out_of_round) {
        out.push_back(
            {"make.not_round", Severity::Warning, "/body/stations/1/half_width", {}, {}, {round}});
    }
}

void checkLayers(const Design& design, const Derived& d, std::vector<Finding>& out) {
    double stack = 0;
    for (const Layer& layer : design.make.layers) {
        stack += layer.thickness_m;
    }
    if (stack < d.shape->sizes.maxWidth_m - kLayersShort_m) {
        out.push_back({"make.layers_short",
                       Severity::Warning,
                       "/make/layers/0/thickness",
                       {lengthAmount(stack), lengthAmount(d.shape->sizes.maxWidth_m)}});
    }
    checkCavities(design, d, out);
}

void checkHalves(const Design& design, const Derived& d, std::vector<Finding>& out) {
    const Halves& h = design.make.halves;
    if (!h.used || h.grooveWidth_m <= 0 || h.grooveHeight_m <= 0) {
        return;
    }
    double wall = h.grooveTo_m > h.grooveFrom_m ? 1.0 : -1.0;
    for (int i = 0; i <= 8; ++i) {
        const double x = h.grooveFrom_m + (h.grooveTo_m - h.grooveFrom_m) * i / 8;
        const Section s = d.shape->curves.atX(x);
        wall = std::min({wall, x > 0 && x < d.shape->curves.length_m() ? 1.0 : -1.0,
                         s.back_m - h.grooveZ_m - 0.5 * h.grooveHeight_m,
                         h.grooveZ_m - 0.5 * h.grooveHeight_m - s.belly_m,
                         s.halfWidth_m - 0.5 * h.grooveWidth_m});
    }
    if (wall < kLeastWall_m) {
        out.push_back({"make.groove_wall",
                       wall <= 0 ? Severity::Error : Severity::Warning,
                       "/make/halves/groove_z",
                       {lengthAmount(std::max(0.0, wall)), lengthAmount(kLeastWall_m)}});
    }
}

void checkPrint(const Design& design, const Derived& d, std::vector<Finding>& out) {
    double hollow = 0;
    for (const BodyPart& part : d.shape->parts) {
        hollow += part.material.hollow_m3;
    }
    if (hollow < kNoHollow_m3 && design.make.print.infill < 1) {
        out.push_back({"make.print_solid",
                       Severity::Note,
                       "/make/print/shell",
                       {lengthAmount(design.make.print.shell_m)}});
    }
    if (!design.make.print.leaks || hollow < kNoHollow_m3) {
        return;
    }
    if (d.rest->waterlogged.empty()) {
        out.push_back({"make.leak_unknown",
                       Severity::Warning,
                       "/make/print/wet_mass",
                       {{Quantity::Mass, design.make.print.wetMass_kg},
                        {Quantity::Mass, design.make.print.dryMass_kg}}});
        return;
    }
    const Waterlogged& last = d.rest->waterlogged.back();
    out.push_back({last.floats ? "make.leaks" : "make.leaks_and_sinks",
                   Severity::Warning,
                   "/make/print/soak",
                   {{Quantity::Mass, last.water_kg},
                    {Quantity::Time, last.after_s},
                    {Quantity::Fraction, last.spare}}});
}

}  // namespace

void checkCuts(const Design& design, const Derived& d, std::vector<Finding>& out) {
    checkBores(design, d, out);
    checkFeatures(design, d, out);
    checkClashes(design, d, out);
}

void checkMake(const Design& design, const Derived& d, std::vector<Finding>& out) {
    switch (design.make.kind) {
        case MakeKind::Turned:
            checkTurned(design, out);
            break;
        case MakeKind::Layered:
            checkLayers(design, d, out);
            break;
        case MakeKind::Printed:
            checkPrint(design, d, out);
            break;
        case MakeKind::Carved:
            checkHalves(design, d, out);
            if (design.make.grain != GrainDirection::Along) {
                out.push_back({"make.short_grain", Severity::Note, "/make/grain"});
            }
            break;
        case MakeKind::Cast:
            break;
    }
}

void checkJoints(const Design& design, const Derived& d, std::vector<Finding>& out) {
    for (size_t i = 0; i < design.joints.size(); ++i) {
        const Joint& j = design.joints[i];
        const JointCut& cut = d.shape->joints[i];
        const std::string path = pathOf({RecordList::Joints, i});
        if (std::abs(j.bevelFront_rad - j.bevelRear_rad) > kUnevenBevel_rad) {
            const double even = 0.5 * (j.bevelFront_rad + j.bevelRear_rad);
            out.push_back(
                {"joint.uneven_bevels",
                 Severity::Warning,
                 path + "/bevel_rear",
                 {{Quantity::Angle, j.bevelFront_rad}, {Quantity::Angle, j.bevelRear_rad}},
                 {j.name},
                 {{"edit.even_bevels",
                   {{path + "/bevel_front", even}, {path + "/bevel_rear", even}},
                   {{Quantity::Angle, even}}}}});
        }
        if (j.kind == HingeKind::Pin && j.pinLength_m > cut.depth_m) {
            const double fits = std::max(0.001, cut.depth_m - 0.002);
            out.push_back(
                {"joint.pin_too_long",
                 Severity::Error,
                 path + "/pin_length",
                 {lengthAmount(j.pinLength_m), lengthAmount(cut.depth_m)},
                 {j.name},
                 {{"edit.pin_length", {{path + "/pin_length", fits}}, {lengthAmount(fits)}}}});
            out.back().topic = Topic::PinWall;
        }
        if (cut.pocketWall_m < kLeastWall_m) {
            out.push_back(
                {"joint.pocket_wall",
                 cut.pocketWall_m <= 0 ? Severity::Error : Severity::Warning,
                 path + "/pocket_width",
                 {lengthAmount(std::max(0.0, cut.pocketWall_m)), lengthAmount(kLeastWall_m)},
                 {j.name}});
            out.back().topic = Topic::PocketWall;
        }
        // The pin stands inside a piece: what swings on it needs a pocket there, and room in it.
        const double inFront = -cut.plan.faceAhead_m, inRear = -cut.plan.faceBehind_m;
        const bool buried = (inFront > 0 && j.pocket != PocketIn::FrontPiece) ||
                            (inRear > 0 && j.pocket != PocketIn::RearPiece);
        if (buried || cut.opening.stop == JointStop::Pocket) {
            out.push_back({"joint.wood_on_metal",
                           buried ? Severity::Error : Severity::Warning,
                           path + (buried ? "/pin_aft" : "/pocket_width"),
                           {{Quantity::Angle, cut.opening.opening_rad}},
                           {j.name}});
        }
        if (cut.opening.opening_rad < kStiffJoint_rad) {
            out.push_back({"joint.stiff",
                           Severity::Warning,
                           path + "/gap",
                           {{Quantity::Angle, cut.opening.opening_rad}},
                           {j.name}});
        }
    }
    for (const BodyPart& part : d.shape->parts) {
        if (!part.appendage) {
            continue;
        }
        const Appendage& a = design.appendages[part.index];
        if (part.side >= 0 && rubs(d.shape->curves, part, a.swing_rad)) {
            out.push_back({"piece.rubs",
                           Severity::Warning,
                           part.path + "/swing",
                           {{Quantity::Angle, a.swing_rad}},
                           {a.name}});
        }
    }
    for (size_t i = 0; i < d.rest->alone.size(); ++i) {
        const bool sinks = d.rest->alone[i].net_kg < 0;
        if (sinks != (d.rest->net_kg < 0)) {
            out.push_back({sinks ? "piece.sinks_alone" : "piece.floats_alone",
                           Severity::Note,
                           d.mass->pieces[i].path,
                           {{Quantity::Mass, std::abs(d.rest->alone[i].net_kg)}},
                           {d.mass->pieces[i].name}});
        }
    }
}

}  // namespace wl
