// Findings about rattles, lead in pieces, the through-wire and hooks that can catch each other.
#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/rules/check_cuts.h"
#include "core/tank/hook_reach.h"

namespace wl {
namespace {

// Balls weigh at least this many times the water their chamber displaces, and have at least this
// much way to roll (common practice, no source).
constexpr double kBallsOverWater = 2.0;
constexpr double kLeastRoll_m = 0.0005;

void checkChambers(const Design& design, const Derived& d, std::vector<Finding>& out) {
    for (size_t i = 0; i < design.chambers.size(); ++i) {
        const RattleChamber& c = design.chambers[i];
        const ChamberGeometry& g = d.mass->chambers[i];
        const std::string path = "/chambers/" + std::to_string(i);
        if (!g.fits) {
            out.push_back({"chamber.balls_too_big",
                           Severity::Error,
                           path + "/ball_count",
                           {{Quantity::Number, double(c.ballCount)},
                            lengthAmount(c.ballDiameter_m),
                            lengthAmount(c.diameter_m),
                            lengthAmount(c.length_m)},
                           {c.name}});
            continue;
        }
        const double water = d.waterDensity_kg_m3 * g.removed_m3;
        if (c.ballCount > 0 && g.balls_kg < kBallsOverWater * water) {
            out.push_back({"chamber.balls_light",
                           Severity::Warning,
                           path + "/ball_count",
                           {{Quantity::Mass, g.balls_kg}, {Quantity::Mass, water}},
                           {c.name}});
        }
        if (c.ballCount > 0 && g.roll_m < kLeastRoll_m) {
            out.push_back({"chamber.no_room",
                           Severity::Note,
                           path + "/length",
                           {lengthAmount(2 * g.roll_m)},
                           {c.name}});
        }
    }
}

bool isColour(const std::string& text) {
    return text.size() == 7 && text.front() == '#' &&
           text.find_first_not_of("0123456789abcdefABCDEF", 1) == std::string::npos;
}

void checkCoats(const Design& design, std::vector<Finding>& out) {
    for (size_t i = 0; i < design.coats.size(); ++i) {
        const Coat& coat = design.coats[i];
        if (!coat.colour.empty() && !isColour(coat.colour)) {
            out.push_back({"coat.not_a_colour",
                           Severity::Note,
                           "/coats/" + std::to_string(i) + "/colour",
                           {},
                           {coat.name, coat.colour}});
        }
    }
}

void checkLeadPieces(const Design& design, std::vector<Finding>& out) {
    for (size_t i = 0; i < design.bores.size(); ++i) {
        const Bore& bore = design.bores[i];
        const std::string path = "/bores/" + std::to_string(i);
        if (bore.lead == BoreLead::Poured) {
            out.push_back({"bore.poured", Severity::Note, path + "/plug_length", {}, {bore.name}});
        }
        if (bore.lead != BoreLead::Pieces) {
            continue;
        }
        const LeadInBore lead = leadIn(bore);
        if (!lead.fits) {
            double widest = 0;
            for (const LeadPiece& p : bore.pieces) {
                widest = std::max(widest, p.diameter_m);
            }
            out.push_back({"bore.piece_too_wide",
                           Severity::Error,
                           path + "/diameter",
                           {lengthAmount(widest), lengthAmount(bore.diameter_m)},
                           {bore.name},
                           {{"edit.bore_diameter",
                             {{path + "/diameter", widest + 0.0002}},
                             {lengthAmount(widest + 0.0002)},
                             {bore.name}}}});
        } else if (lead.length_m > bore.depth_m) {
            out.push_back({"bore.pieces_too_long",
                           Severity::Warning,
                           path + "/depth",
                           {lengthAmount(lead.length_m), lengthAmount(bore.depth_m)},
                           {bore.name}});
        }
    }
}

void checkWire(const Design& design, const Derived& d, std::vector<Finding>& out) {
    const ThroughWire& wire = design.wire;
    if (!wire.present) {
        return;
    }
    const WireLayout& laid = d.mass->wire;
    for (size_t i = 0; i < wire.drops.size(); ++i) {
        const bool there = std::any_of(laid.eyes.begin(), laid.eyes.end(), [&](const WireEye& e) {
            return e.name == wire.drops[i].name;
        });
        if (!there) {
            out.push_back({"wire.no_room",
                           Severity::Error,
                           "/through_wire/drops/" + std::to_string(i) + "/x",
                           {lengthAmount(wire.drops[i].x_m)},
                           {wire.drops[i].name}});
        }
    }
    const double length_m = d.shape->curves.length_m();
    for (int percent = 6; percent < 95; percent += 2) {
        const double x = percent * 0.01 * length_m;
        if (!d.shape->curves.contains({x, 0, wire.z_m})) {
            out.push_back(
                {"wire.leaves_body", Severity::Warning, "/through_wire/z", {lengthAmount(x)}});
            break;
        }
    }
    for (size_t i = 0; i < d.shape->joints.size(); ++i) {
        out.push_back({"wire.crosses_joint",
                       Severity::Warning,
                       "/through_wire/present",
                       {lengthAmount(design.joints[i].x_m)},
                       {design.joints[i].name}});
    }
}

void checkHooks(const Design& design, std::vector<Finding>& out) {
    for (const HookMeeting& m : hookMeetings(design)) {
        const Fitting& hook = design.fittings[m.hook];
        const std::string path = "/fittings/" + std::to_string(m.hook) + "/size";
        const std::string other = m.with == HookMeets::Hook ? design.fittings[m.other].name : "";
        const char* code = m.with == HookMeets::Hook  ? "hooks.meet"
                           : m.with == HookMeets::Tie ? "hook.reaches_tie"
                                                      : "hook.reaches_lip";
        out.push_back(
            {code, Severity::Warning, path, {lengthAmount(m.overlap_m)}, {hook.name, other}});
    }
}

}  // namespace

void checkParts(const Design& design, const Derived& d, std::vector<Finding>& out) {
    checkChambers(design, d, out);
    checkLeadPieces(design, out);
    checkCoats(design, out);
    checkWire(design, d, out);
    checkHooks(design, out);
    checkOutlined(design, d, out);
}

}  // namespace wl
