#include "core/plan/plan_limits.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/clearance/clearance.h"
#include "core/plan/plan_metals.h"
#include "core/rules/check_design.h"

namespace wl {

std::optional<Error> whyNotCut(const Design& design, const Derived& d) {
    const std::vector<Embedded> solids = embeddedIn(design, d);
    const std::vector<Clearance> meeting = findThinWalls(solids, 1e-9);
    if (!meeting.empty()) {
        const Embedded& a = solids[meeting.front().a];
        const Embedded& b = solids[meeting.front().b];
        return Error{"plan.clash",
                     a.moves ? a.path() + "/x" : a.path(),
                     {a.name, b.name},
                     {{Quantity::Length, std::abs(meeting.front().wall_m)}}};
    }
    static const std::pair<const char*, const char*> refusals[] = {
        {"bore.comes_out", "plan.comes_out"},       {"bore.thin_beside", "plan.through_skin"},
        {"feature.comes_out", "plan.through_skin"}, {"wall.comes_out", "plan.through_skin"},
        {"joint.pin_too_long", "plan.pin_out"},     {"joint.pin_out", "plan.pin_out"},
        {"joint.pocket_wall", "plan.pocket_out"}};
    std::vector<Finding> walls = checkDesign(d);
    checkSkinWalls(design, d, walls, false);
    for (const Finding& f : walls) {
        for (const auto& [code, refusal] : refusals) {
            if (f.severity == Severity::Error && f.code == code) {
                return Error{refusal, f.path, f.words, f.values};
            }
        }
    }
    return std::nullopt;
}

void tellMisses(const Design& design, const Derived& empty, const PlugProblem& problem,
                LeadPlan& plan) {
    const double most_g = problem.gain_g_mm.dot(problem.mostLength_mm);
    if (plan.emptyMass_kg > plan.wantedMass_kg + kPlanMet_kg) {
        plan.findings.push_back({"plan.too_heavy_already",
                                 Severity::Warning,
                                 "/bores/0/plug_length",
                                 {{Quantity::Mass, plan.emptyMass_kg - plan.wantedMass_kg}}});
        return;
    }
    if (plan.missingMass_kg < -kPlanMet_kg) {
        plan.findings.push_back({"plan.trim_takes_more",
                                 Severity::Warning,
                                 "/bores/0/x",
                                 {{Quantity::Mass, -plan.missingMass_kg}}});
    }
    if (plan.missingMass_kg > kPlanMet_kg &&
        most_g * kGram > problem.wantedGain_g * kGram - kPlanMet_kg) {
        plan.findings.push_back({"plan.mass_or_trim",
                                 Severity::Warning,
                                 "/bores/0/x",
                                 {{Quantity::Mass, plan.missingMass_kg}}});
    } else if (plan.missingMass_kg > kPlanMet_kg) {
        Finding f{"plan.bores_full",
                  Severity::Warning,
                  "/bores/0/depth",
                  {{Quantity::Mass, most_g * kGram},
                   {Quantity::Mass, problem.wantedGain_g * kGram},
                   {Quantity::Mass, plan.missingMass_kg}}};
        // Cure one: deepen the roomiest bore; cure two: a heavier plug.
        Eigen::Index best = -1;
        double room = 0;
        for (Eigen::Index j = 0; j < problem.gain_g_mm.size(); ++j) {
            const double spare = empty.mass->bores[size_t(j)].wallBeyond_m - 0.002;
            if (spare > room) {
                room = spare;
                best = j;
            }
        }
        if (best >= 0) {
            const Bore& bore = design.bores[size_t(best)];
            const double wanted =
                plan.missingMass_kg / (problem.gain_g_mm[best] * kGram / kMillimetre);
            const double deeper = bore.depth_m + std::min(wanted, room);
            f.edits.push_back({"edit.bore_depth",
                               {{"/bores/" + std::to_string(best) + "/depth", deeper}},
                               {{Quantity::Length, deeper}},
                               {bore.name}});
        }
        ProposedEdit tungsten{"edit.tungsten", {}, {}};
        for (size_t j = 0; j < design.bores.size(); ++j) {
            if (design.bores[j].plugDensity_kg_m3 < 0.95 * kTungsten.density_kg_m3) {
                const std::string bore = "/bores/" + std::to_string(j);
                tungsten.changes.push_back({bore + "/plug_density", kTungsten.density_kg_m3});
                tungsten.changes.push_back({bore + "/plug_material", {}, kTungsten.name});
            }
        }
        if (!tungsten.changes.empty()) {
            f.edits.push_back(tungsten);
        }
        // A lip of sheet metal is ballast too, low and forward.
        if (design.lip.present && design.lip.density_kg_m3 < kMetalLip_kg_m3) {
            f.edits.push_back({"edit.metal_lip",
                               {{"/lip/density", kSteelLip.density_kg_m3},
                                {"/lip/thickness", kSteelLip.thickness_m},
                                {"/lip/material", {}, kSteelLip.name}},
                               {{Quantity::Thickness, kSteelLip.thickness_m}}});
        }
        plan.findings.push_back(f);
    }
    if (std::abs(plan.missingMoment_kg_m) > kPlanMetMoment_kg_m) {
        const bool noseHeavy = plan.missingMoment_kg_m > 0;
        double reach = noseHeavy ? -1.0 : 1e9;
        for (const Bore& bore : design.bores) {
            reach = noseHeavy ? std::max(reach, bore.x_m) : std::min(reach, bore.x_m);
        }
        Finding f{
            noseHeavy ? "plan.nose_heavy" : "plan.tail_heavy",
            Severity::Warning,
            "/bores/0/x",
            {{Quantity::Moment, std::abs(plan.missingMoment_kg_m)}, {Quantity::Length, reach}}};
        // The fullest bore carries the missing moment farthest for the least way.
        size_t fullest = 0;
        for (size_t j = 1; j < plan.plugMasses_kg.size(); ++j) {
            fullest = plan.plugMasses_kg[j] > plan.plugMasses_kg[fullest] ? j : fullest;
        }
        constexpr double kFarthest_m = 0.02, kStep_m = 0.0005;
        const double lead = plan.plugMasses_kg[fullest];
        const double way = lead > 1e-5 ? plan.missingMoment_kg_m / lead : 0.0;
        const double x = std::round((design.bores[fullest].x_m + way) / kStep_m) * kStep_m;
        if (way != 0 && std::abs(way) < kFarthest_m && x > 0 &&
            x < empty.shape->curves.length_m()) {
            f.edits.push_back({"edit.move_bore",
                               {{"/bores/" + std::to_string(fullest) + "/x", x}},
                               {{Quantity::Length, x}},
                               {design.bores[fullest].name}});
        }
        plan.findings.push_back(f);
    }
}

}  // namespace wl
