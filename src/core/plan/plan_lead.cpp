#include "core/plan/plan_lead.h"

#include <algorithm>
#include <cmath>
#include <nlopt.hpp>

#include <Eigen/Geometry>

#include "core/base/units.h"
#include "core/clearance.h"
#include "core/joint/joint_layout.h"

namespace wl {
namespace {

constexpr double kMet_kg = 0.02e-3;
constexpr double kMetMoment_kg_m = 2e-6;
constexpr double kLeans_rad = 2.0 * kDegree;
constexpr double kMetPitch_rad = 0.5 * kDegree;
constexpr double kPieceLevel_rad = 3.0 * kDegree;

double plugObjective(unsigned n, const double* x, double* gradient, void* data) {
    const auto& p = *static_cast<const PlugProblem*>(data);
    const Eigen::Map<const Eigen::VectorXd> length(x, n);
    const double mass = p.gain_g_mm.dot(length) - p.wantedGain_g;
    const double mx = (p.momentX_g.dot(length) - p.wantedMomentX_g_mm) / p.gramsPerMoment_mm;
    const double my = (p.momentY_g.dot(length) - p.wantedMomentY_g_mm) / p.gramsPerMoment_mm;
    const Eigen::ArrayXd prefer = p.preference.array() * length.array();
    const double levelScale = p.levelWeight / p.gramsPerMoment_mm;
    const bool levelled = p.levelRows_g.rows() > 0;
    const Eigen::VectorXd level =
        levelled ? Eigen::VectorXd(levelScale * (p.levelRows_g * length - p.levelWanted_g_mm))
                 : Eigen::VectorXd();
    if (gradient != nullptr) {
        Eigen::Map<Eigen::VectorXd> g(gradient, n);
        g = 2 * mass * p.gain_g_mm + 2 * mx / p.gramsPerMoment_mm * p.momentX_g +
            2 * my / p.gramsPerMoment_mm * p.momentY_g + 2 * prefer.matrix();
        if (levelled) {
            g += 2 * levelScale * p.levelRows_g.transpose() * level;
        }
    }
    return mass * mass + mx * mx + my * my + level.squaredNorm() + (prefer * length.array()).sum();
}

Design withPlugs(const Design& design, const Eigen::VectorXd& lengths_mm) {
    Design filled = design;
    for (size_t j = 0; j < filled.bores.size(); ++j) {
        Bore& bore = filled.bores[j];
        bore.plugLength_m = lengths_mm[Eigen::Index(j)] * kMillimetre;
        bore.lead = bore.lead == BoreLead::Poured ? BoreLead::Poured : BoreLead::Plug;
    }
    return filled;
}

void explain(const Design& design, const Derived& empty, const PlugProblem& problem,
             LeadPlan& plan) {
    const double most_g = problem.gain_g_mm.dot(problem.mostLength_mm);
    if (plan.missingMass_kg < -kMet_kg) {
        plan.findings.push_back({"plan.too_heavy_already",
                                 Severity::Warning,
                                 "/bores/0/plug_length",
                                 {{Quantity::Mass, -plan.missingMass_kg}}});
        return;
    }
    if (plan.missingMass_kg > kMet_kg && most_g * kGram > problem.wantedGain_g * kGram - kMet_kg) {
        plan.findings.push_back({"plan.mass_or_trim",
                                 Severity::Warning,
                                 "/bores/0/x",
                                 {{Quantity::Mass, plan.missingMass_kg}}});
    } else if (plan.missingMass_kg > kMet_kg) {
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
            const double spare = empty.mass.bores[size_t(j)].wallBeyond_m - 0.002;
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
            if (design.bores[j].plugDensity_kg_m3 < 17000) {
                tungsten.changes.push_back(
                    {"/bores/" + std::to_string(j) + "/plug_density", 17800.0});
            }
        }
        if (!tungsten.changes.empty()) {
            f.edits.push_back(tungsten);
        }
        // A lip of sheet metal is ballast too, low and forward.
        constexpr double kPlastic_kg_m3 = 2000.0, kStainless_kg_m3 = 7930.0, kSheet_m = 0.0008;
        if (design.lip.present && design.lip.density_kg_m3 < kPlastic_kg_m3) {
            f.edits.push_back({"edit.metal_lip",
                               {{"/lip/density", kStainless_kg_m3}, {"/lip/thickness", kSheet_m}},
                               {{Quantity::Thickness, kSheet_m}}});
        }
        plan.findings.push_back(f);
    }
    if (std::abs(plan.missingMoment_kg_m) > kMetMoment_kg_m) {
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
        if (way != 0 && std::abs(way) < kFarthest_m && x > 0 && x < empty.curves.length_m()) {
            f.edits.push_back({"edit.move_bore",
                               {{"/bores/" + std::to_string(fullest) + "/x", x}},
                               {{Quantity::Length, x}},
                               {design.bores[fullest].name}});
        }
        plan.findings.push_back(f);
    }
}

}  // namespace

Eigen::Vector3d buoyancyAtWanted(const Derived& d, const Eigen::Vector3d& up, double wanted_kg) {
    const double full = d.waterDensity_kg_m3 * d.mass.displacedVolume_m3;
    if (wanted_kg >= full * (1 - 1e-6)) {
        return d.mass.centreOfBuoyancy_m;
    }
    const FloatingBody body{d.mass.shape, wanted_kg, d.mass.centreOfGravity_m,
                            d.waterDensity_kg_m3};
    const double offset = findWaterline(body, up);
    const Submerged wet = computeSubmerged(d.mass.shape, {up, offset});
    return wet.moment_m4 / wet.volume_m3;
}

Eigen::VectorXd solvePlugLengths(const PlugProblem& problem) {
    const auto n = static_cast<unsigned>(problem.gain_g_mm.size());
    std::vector<double> x(n, 0.0), high(n), low(n, 0.0);
    for (unsigned j = 0; j < n; ++j) {
        high[j] = problem.mostLength_mm[j];
        x[j] = 0.5 * high[j];
    }
    nlopt::opt solver(nlopt::LD_SLSQP, n);
    solver.set_lower_bounds(low);
    solver.set_upper_bounds(high);
    solver.set_min_objective(plugObjective, const_cast<PlugProblem*>(&problem));
    solver.set_xtol_rel(1e-12);
    solver.set_maxeval(400);
    double least = 0;
    try {
        solver.optimize(x, least);
    } catch (const std::exception&) {
        // Rounding limits end the search at its best point, which x holds.
    }
    return Eigen::Map<Eigen::VectorXd>(x.data(), n);
}

namespace {

// A plug's centre moves up its bore as it gets longer: a few passes with the places held.
void settlePlugs(const Design& bare, const Derived& empty, const Eigen::Vector3d& aft,
                 PlugProblem& problem, Eigen::VectorXd& length) {
    for (int pass = 0; pass < 8; ++pass) {
        for (Eigen::Index j = 0; j < length.size(); ++j) {
            const Eigen::Vector3d centre =
                plugCentroid(empty.mass.bores[size_t(j)], bare.bores[size_t(j)].depth_m,
                             length[j] * kMillimetre);
            problem.momentX_g[j] = problem.gain_g_mm[j] * aft.dot(centre) / kMillimetre;
            problem.momentY_g[j] = problem.gain_g_mm[j] * centre.y() / kMillimetre;
            // Among equal answers the lowest lead wins: it steadies the roll.
            problem.preference[j] = 1e-7 * (1 + std::max(0.0, centre.z() / kMillimetre + 20) / 20);
        }
        const Eigen::VectorXd next = solvePlugLengths(problem);
        const double change = (next - length).cwiseAbs().maxCoeff();
        length = next;
        if (change < 1e-7) {
            break;
        }
    }
}

}  // namespace

namespace {

// Nothing is planned into a bait that cannot be drilled and cut as drawn.
std::optional<Error> clashOf(const Design& design, const Derived& d) {
    const std::vector<Embedded> solids = embeddedIn(design, d);
    for (const Clearance& c : findThinWalls(solids, 1e-9)) {
        return Error{"plan.clash",
                     solids[c.a].moveX.empty() ? solids[c.a].path : solids[c.a].moveX,
                     {solids[c.a].name, solids[c.b].name},
                     {{Quantity::Length, std::abs(c.wall_m)}}};
    }
    for (const Finding& f : d.findings) {
        if (f.code == "bore.comes_out") {
            return Error{"plan.comes_out", f.path, f.words, f.values};
        }
    }
    std::vector<Finding> walls = d.findings;
    checkSkinWalls(design, d, walls, false);
    for (const Finding& f : walls) {
        const bool wall = f.code.starts_with("wall.") || f.code == "joint.pin_out" ||
                          f.code == "joint.pin_too_long" || f.code == "joint.pocket_wall" ||
                          f.code == "bore.thin_beside" || f.code == "feature.comes_out";
        if (wall && f.severity == Severity::Error) {
            return Error{"plan.through_skin", f.path, f.words, f.values};
        }
    }
    return std::nullopt;
}

// Each piece's lead about that piece's own buoyancy: with its weight there too, it lies as wanted.
void levelPieces(const Design& bare, const Derived& empty, const Eigen::Vector3d& up,
                 const Eigen::VectorXd& length, PlugProblem& problem) {
    const size_t pieces = bare.pieces.size();
    if (pieces < 2) {
        return;
    }
    const Eigen::Vector3d aft = planeAxes(up).aft;
    problem.levelRows_g = Eigen::MatrixXd::Zero(Eigen::Index(pieces), length.size());
    problem.levelWanted_g_mm = Eigen::VectorXd::Zero(Eigen::Index(pieces));
    for (size_t i = 0; i < pieces; ++i) {
        const PieceBalance& piece = empty.mass.pieces[i];
        double lead_kg = 0;
        for (Eigen::Index j = 0; j < length.size(); ++j) {
            if (pieceAt(bare.joints, bare.bores[size_t(j)].x_m) == i) {
                lead_kg += problem.gain_g_mm[j] * length[j] * kGram;
            }
        }
        const double mass = piece.mass_kg + lead_kg;
        Eigen::Vector3d buoyancy = piece.centreOfBuoyancy_m;
        if (mass < empty.waterDensity_kg_m3 * piece.displacedVolume_m3 * (1 - 1e-6)) {
            const FloatingBody body{piece.coarseShape, mass, piece.centreOfGravity_m,
                                    empty.waterDensity_kg_m3};
            const Submerged wet =
                computeSubmerged(body.shape, {up, findWaterline(body, up, 1e-11)});
            buoyancy = wet.moment_m4 / wet.volume_m3;
        }
        const auto row = Eigen::Index(i);
        for (Eigen::Index j = 0; j < length.size(); ++j) {
            const Bore& bore = bare.bores[size_t(j)];
            if (pieceAt(bare.joints, bore.x_m) == i) {
                const Eigen::Vector3d centre = plugCentroid(empty.mass.bores[size_t(j)],
                                                            bore.depth_m, length[j] * kMillimetre);
                problem.levelRows_g(row, j) =
                    problem.gain_g_mm[j] * aft.dot(centre - buoyancy) / kMillimetre;
            }
        }
        problem.levelWanted_g_mm[row] =
            -piece.mass_kg * aft.dot(piece.centreOfGravity_m - buoyancy) / (kGram * kMillimetre);
    }
}

}  // namespace

Result<LeadPlan> planLead(const Design& design) {
    if (design.bores.empty()) {
        return Error{"plan.no_bores", "/bores", {}, {}};
    }
    const auto n = static_cast<Eigen::Index>(design.bores.size());
    const Design bare = withPlugs(design, Eigen::VectorXd::Zero(n));
    const Result<Derived> empty = evaluate(bare);
    if (!empty) {
        return empty.error();
    }
    if (const auto clash = clashOf(bare, *empty)) {
        return *clash;
    }
    const Eigen::Vector3d up = upInBody(design.brief.wantedPitch_rad, 0.0);
    const Eigen::Vector3d aft = planeAxes(up).aft;

    LeadPlan plan;
    plan.wantedMass_kg = empty->wantedMass_kg;
    plan.wantedPitch_rad = design.brief.wantedPitch_rad;
    PlugProblem problem;
    problem.gain_g_mm.resize(n);
    problem.momentX_g.resize(n);
    problem.momentY_g.resize(n);
    problem.mostLength_mm.resize(n);
    problem.preference.resize(n);
    for (Eigen::Index j = 0; j < n; ++j) {
        const Bore& bore = bare.bores[size_t(j)];
        const BoreGeometry& g = empty->mass.bores[size_t(j)];
        const double area = kPi / 4 * bore.diameter_m * bore.diameter_m;
        const double swap = bore.plugDensity_kg_m3 - bore.fillerDensity_kg_m3;
        problem.gain_g_mm[j] = area * swap * kMillimetre / kGram;
        // A plug may fill the hole to its mouth, no further.
        problem.mostLength_mm[j] =
            g.entersBody ? std::min(bore.depth_m, g.removed_m3 / area) / kMillimetre : 0.0;
    }
    Eigen::VectorXd length = 0.5 * problem.mostLength_mm;
    Eigen::Vector3d wantedMoment = Eigen::Vector3d::Zero();
    const Eigen::Vector3d nowMoment = empty->mass.mass_kg * empty->mass.centreOfGravity_m;
    // What sinks at a wanted speed depends on how it lies when it sinks, so on the lead itself.
    for (int round = 0; round < 5; ++round) {
        const Eigen::Vector3d buoyancy = buoyancyAtWanted(*empty, up, plan.wantedMass_kg);
        wantedMoment = plan.wantedMass_kg * buoyancy;
        problem.wantedGain_g = (plan.wantedMass_kg - empty->mass.mass_kg) / kGram;
        problem.wantedMomentX_g_mm = aft.dot(wantedMoment - nowMoment) / (kGram * kMillimetre);
        problem.wantedMomentY_g_mm = (wantedMoment.y() - nowMoment.y()) / (kGram * kMillimetre);
        settlePlugs(bare, *empty, aft, problem, length);
        if (design.pieces.size() > 1) {
            for (int pass = 0; pass < 3; ++pass) {
                levelPieces(bare, *empty, up, length, problem);
                settlePlugs(bare, *empty, aft, problem, length);
            }
        }
        if (design.brief.wantedState != WantedState::Sink) {
            break;
        }
        const Result<Derived> leaded = evaluate(withPlugs(design, length));
        if (!leaded || std::abs(leaded->wantedMass_kg - plan.wantedMass_kg) < kMet_kg) {
            break;
        }
        plan.wantedMass_kg = leaded->wantedMass_kg;
    }
    plan.edit.code = "edit.plan_lead";
    for (Eigen::Index j = 0; j < n; ++j) {
        const double length_m = std::max(0.0, length[j] * kMillimetre);
        plan.plugLengths_m.push_back(length_m);
        const Bore& bore = bare.bores[size_t(j)];
        plan.plugMasses_kg.push_back(bore.plugDensity_kg_m3 * kPi / 4 * bore.diameter_m *
                                     bore.diameter_m * length_m);
        plan.edit.changes.push_back({"/bores/" + std::to_string(j) + "/plug_length", length_m});
    }
    plan.design = withPlugs(design, length);
    const Result<Derived> reached = evaluate(plan.design);
    if (!reached) {
        return reached.error();
    }
    plan.reachedMass_kg = reached->mass.mass_kg;
    plan.reachedPitch_rad = reached->pitch_rad;
    plan.reachedSpare = reached->spare;
    plan.missingMass_kg = plan.wantedMass_kg - reached->mass.mass_kg;
    plan.missingMoment_kg_m =
        aft.dot(wantedMoment - reached->mass.mass_kg * reached->mass.centreOfGravity_m);
    if (std::abs(plan.missingMass_kg) > kMet_kg) {  // judge the trim at the mass that is reached
        plan.missingMoment_kg_m =
            reached->mass.mass_kg * aft.dot(buoyancyAtWanted(*reached, up, reached->mass.mass_kg) -
                                            reached->mass.centreOfGravity_m);
    }
    for (size_t i = 0; i < reached->alone.size() && i < design.pieces.size(); ++i) {
        const PieceAlone& alone = reached->alone[i];
        plan.piecePitches_rad.push_back(alone.pitch_rad);
        if (alone.decided && std::abs(alone.pitch_rad - plan.wantedPitch_rad) > kPieceLevel_rad) {
            plan.findings.push_back({"plan.piece_not_level",
                                     Severity::Note,
                                     "/pieces/" + std::to_string(i) + "/name",
                                     {{Quantity::Angle, alone.pitch_rad}},
                                     {design.pieces[i].name}});
        }
    }
    explain(design, *empty, problem, plan);
    if (std::abs(reached->roll_rad) > kLeans_rad) {
        plan.findings.push_back({"plan.leans",
                                 Severity::Warning,
                                 "/bores/0/depth",
                                 {{Quantity::Angle, std::abs(reached->roll_rad)}}});
    } else if (plan.findings.empty() &&
               std::abs(plan.reachedPitch_rad - plan.wantedPitch_rad) > kMetPitch_rad) {
        plan.findings.push_back(
            {"plan.pitch_missed",
             Severity::Warning,
             "/brief/wanted_pitch",
             {{Quantity::Angle, plan.reachedPitch_rad}, {Quantity::Angle, plan.wantedPitch_rad}}});
    }
    return plan;
}

}  // namespace wl
