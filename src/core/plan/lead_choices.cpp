#include "core/plan/lead_choices.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/clearance/clearance.h"
#include "core/plan/plan_metals.h"
#include "core/reckon/evaluate.h"

namespace wl {
namespace {

constexpr double kMet_kg = 0.05e-3, kMetPitch_rad = 0.5 * kDegree;
constexpr double kMetPieces_kg = 0.15e-3, kMetPiecesPitch_rad = 2.0 * kDegree;
constexpr double kBenchStep_m = 0.0005;

LeadChoice choiceFrom(Finding change, const Design& design, const Derived& d, double wanted_kg,
                      bool pieces) {
    LeadChoice c;
    c.change = std::move(change);
    c.design = design;
    c.mass_kg = d.mass->mass_kg;
    c.missingMass_kg = wanted_kg - d.mass->mass_kg;
    c.spare = d.rest->spare;
    c.pitch_rad = d.rest->pitch_rad;
    c.price = priceOf(design, d);
    c.met = std::abs(c.missingMass_kg) < (pieces ? kMetPieces_kg : kMet_kg) &&
            std::abs(c.pitch_rad - design.brief.wantedPitch_rad) <
                (pieces ? kMetPiecesPitch_rad : kMetPitch_rad);
    return c;
}

}  // namespace

std::optional<LeadChoice> planOneBore(const Design& design, const std::stop_token& stop,
                                      const Derived* near) {
    if (design.bores.size() < 2 || !design.joints.empty()) {
        return std::nullopt;
    }
    Design single = design;
    const auto biggest = std::max_element(design.bores.begin(), design.bores.end(),
                                          [](const Bore& a, const Bore& b) {
                                              return a.diameter_m * a.diameter_m * a.depth_m <
                                                     b.diameter_m * b.diameter_m * b.depth_m;
                                          });
    single.bores = {*biggest};
    single.bores.front().y_m = 0;
    for (int pass = 0; pass < 12; ++pass) {
        if (stop.stop_requested()) {
            return std::nullopt;
        }
        const Result<LeadPlan> plan = planLead(single, near);
        if (!plan) {
            return std::nullopt;
        }
        Bore& bore = single.bores.front();
        if (plan->missingMass_kg > kMet_kg) {
            bore.diameter_m += kBenchStep_m;
            continue;
        }
        const double lead = plan->plugMasses_kg.front();
        if (lead < 1e-6) {
            return std::nullopt;
        }
        const double shift =
            std::round(plan->missingMoment_kg_m / lead / kBenchStep_m) * kBenchStep_m;
        if (shift == 0) {
            break;
        }
        bore.x_m += std::clamp(shift, -0.01, 0.01);
    }
    Result<LeadChoice> made = planPlugs({"choice.one_bore", Severity::Note, {}}, single, near);
    if (!made || made->price.leastWall_m < kLeastWall_m) {
        return std::nullopt;
    }
    LeadChoice c = std::move(made).value();
    // On a half-millimetre mark the attitude is as near as a bench can set it.
    c.met = std::abs(c.missingMass_kg) < kMet_kg &&
            std::abs(c.pitch_rad - design.brief.wantedPitch_rad) < kMetPiecesPitch_rad;
    c.price.moved_m = std::abs(single.bores.front().x_m - biggest->x_m);
    return c;
}

Result<LeadChoice> planPlugs(Finding change, const Design& design, const Derived* near) {
    const Result<LeadPlan> plan = planLead(design, near);
    if (!plan) {
        return plan.error();
    }
    LeadChoice c =
        choiceFrom(std::move(change), plan->design, *plan->reached, plan->wantedMass_kg, false);
    c.findings = plan->findings;
    return c;
}

LeadPrice priceOf(const Design& design, const Derived& d) {
    LeadPrice price;
    for (const BoreGeometry& g : d.mass->bores) {
        price.lead_kg += g.leadMass_kg;
        price.bores += g.leadMass_kg > 1e-6;
    }
    price.leastWall_m = 1.0;
    for (const BoreGeometry& g : d.mass->bores) {
        price.leastWall_m = std::min({price.leastWall_m, g.wallBeyond_m, g.wallBeside_m});
    }
    const std::vector<Embedded> solids = embeddedIn(design, d);
    for (const Clearance& c : findThinWalls(solids, 0.02)) {
        if (solids[c.a].kind == Embedded::Kind::Bore || solids[c.b].kind == Embedded::Kind::Bore) {
            price.leastWall_m = std::min(price.leastWall_m, c.wall_m);
        }
    }
    const double arm = d.rest->attitudes.empty()
                           ? d.rest->hang.arm_m
                           : d.rest->attitudes.front().metacentricHeightRoll_m;
    price.rollStiffness_N_m = d.mass->mass_kg * kGravity_m_s2 * arm;
    price.pitchInertia_kg_m2 = d.mass->inertia_kg_m2(1, 1);
    return price;
}

Result<LeadChoice> planPieces(const Design& design, const std::vector<PieceKind>& kinds,
                              const std::stop_token& stop, const Derived* near) {
    const Result<LeadPlan> plan = planLead(design, near);
    if (!plan) {
        return plan.error();
    }
    // What the cut plugs come to is what the pieces should come to: the same gain and moments.
    const Derived* ideal = plan->reached.get();
    const Eigen::Vector3d up = upInBody(design.brief.wantedPitch_rad, 0.0);
    const Eigen::Vector3d aft = planeAxes(up).aft;
    const Eigen::Vector3d buoyancy = buoyancyAtWanted(*ideal, up, plan->wantedMass_kg);
    PieceProblem problem;
    problem.kinds = kinds;
    double reachedGain = 0, reachedX = 0, reachedY = 0;
    for (size_t j = 0; j < design.bores.size(); ++j) {
        const Bore& bore = plan->design.bores[j];
        const BoreGeometry& g = ideal->mass->bores[j];
        PieceBore b;
        const Eigen::Vector3d at = plugCentroid(g, bore.depth_m, 0.5 * bore.depth_m);
        b.x_mm = aft.dot(at - buoyancy) / kMillimetre;
        b.y_mm = at.y() / kMillimetre;
        b.depth_mm = g.entersBody ? bore.depth_m / kMillimetre : 0.0;
        b.diameter_mm = bore.diameter_m / kMillimetre;
        b.replaced_g_mm3 = bore.fillerDensity_kg_m3 * 1e-6;
        problem.bores.push_back(b);
        const double gain = (g.leadMass_kg - bore.fillerDensity_kg_m3 * g.plugVolume_m3) / kGram;
        reachedGain += gain;
        reachedX += gain * aft.dot(g.plugCentroid_m - buoyancy) / kMillimetre;
        reachedY += gain * g.plugCentroid_m.y() / kMillimetre;
    }
    problem.wantedGain_g = reachedGain + plan->missingMass_kg / kGram;
    problem.wantedMomentX_g_mm = reachedX + plan->missingMoment_kg_m / (kGram * kMillimetre);
    problem.wantedMomentY_g_mm = reachedY;
    const auto chosen = choosePieces(problem, stop);
    if (!chosen) {
        return Error{"plan.no_piece_fits", "/bores/0/diameter", {}, {}};
    }
    Design filled = plan->design;
    for (size_t j = 0; j < filled.bores.size(); ++j) {
        Bore& bore = filled.bores[j];
        bore.lead = BoreLead::Pieces;
        bore.pieces.clear();
        double mass = 0, volume = 0;
        for (size_t k = 0; k < kinds.size(); ++k) {
            const int n = chosen->counts[j][k];
            if (n > 0) {
                bore.pieces.push_back({kinds[k].name, n, kinds[k].mass_g * kGram,
                                       kinds[k].length_mm * kMillimetre,
                                       kinds[k].diameter_mm * kMillimetre});
                mass += n * kinds[k].mass_g;
                volume += n * kinds[k].mass_g / kinds[k].density_g_mm3;
            }
        }
        if (volume > 0) {
            bore.plugDensity_kg_m3 = mass / volume * 1e6;
        }
        std::stable_sort(
            bore.pieces.begin(), bore.pieces.end(),
            [](const LeadPiece& a, const LeadPiece& b) { return a.mass_kg > b.mass_kg; });
    }
    const Result<Derived> d = evaluate(filled, ideal);
    if (!d) {
        return d.error();
    }
    LeadChoice c = choiceFrom({"choice.whole_pieces", Severity::Note, {}}, filled, *d,
                              plan->wantedMass_kg, true);
    c.exact = chosen->exact;
    return c;
}

Result<std::vector<LeadChoice>> leadChoices(const Design& design,
                                            const std::vector<PieceKind>& pieces,
                                            std::stop_token stop, const Derived* near) {
    std::vector<LeadChoice> all;
    Result<LeadChoice> cut = planPlugs({"choice.cut_plugs", Severity::Note, {}}, design, near);
    if (!cut) {
        return cut.error();
    }
    all.push_back(std::move(cut).value());
    if (!pieces.empty() && !stop.stop_requested()) {
        if (Result<LeadChoice> whole = planPieces(design, pieces, stop, near)) {
            all.push_back(std::move(whole).value());
        }
    }
    if (auto single = planOneBore(design, stop, near)) {
        all.push_back(std::move(*single));
    }
    const bool light = std::any_of(design.bores.begin(), design.bores.end(), [](const Bore& b) {
        return b.plugDensity_kg_m3 < 0.95 * kTungsten.density_kg_m3;
    });
    if (all.size() < 3 && light && !stop.stop_requested()) {
        Design heavy = design;
        for (Bore& bore : heavy.bores) {
            bore.plugMaterial = kTungsten.name;
            bore.plugDensity_kg_m3 = kTungsten.density_kg_m3;
        }
        if (Result<LeadChoice> made =
                planPlugs({"choice.heavier", Severity::Note, {}}, heavy, near)) {
            all.push_back(std::move(made).value());
        }
    }
    std::stable_sort(all.begin(), all.end(),
                     [](const LeadChoice& a, const LeadChoice& b) { return a.met && !b.met; });
    if (all.size() > 3) {
        all.resize(3);
    }
    return all;
}

}  // namespace wl
