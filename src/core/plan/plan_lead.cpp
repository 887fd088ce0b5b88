#include "core/plan/plan_lead.h"

#include <algorithm>
#include <cmath>
#include <nlopt.hpp>

#include <Eigen/Geometry>

#include "core/base/units.h"
#include "core/joint/joint_layout.h"
#include "core/plan/plan_limits.h"
#include "core/reckon/evaluate.h"

namespace wl {
namespace {

constexpr double kLeans_rad = 2.0 * kDegree;
constexpr double kReachedPitch_rad = 0.5 * kDegree;
constexpr double kPieceLevel_rad = 3.0 * kDegree;

double plugObjective(unsigned n, const double* x, double* gradient, void* data) {
    const auto& p = *static_cast<const PlugProblem*>(data);
    const Eigen::Map<const Eigen::VectorXd> length(x, n);
    const double mass = p.massWeight * (p.gain_g_mm.dot(length) - p.wantedGain_g);
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
        g = 2 * mass * p.massWeight * p.gain_g_mm + 2 * mx / p.gramsPerMoment_mm * p.momentX_g +
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

}  // namespace

Eigen::Vector3d buoyancyAtWanted(const Derived& d, const Eigen::Vector3d& up, double wanted_kg) {
    const double full = d.waterDensity_kg_m3 * d.mass->displacedVolume_m3;
    if (wanted_kg >= full * (1 - 1e-6)) {
        return d.mass->centreOfBuoyancy_m;
    }
    const FloatingBody body{d.mass->shape, wanted_kg, d.mass->centreOfGravity_m,
                            d.waterDensity_kg_m3};
    const Submerged wet = findWaterline(body, up).wet;
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
                plugCentroid(empty.mass->bores[size_t(j)], bare.bores[size_t(j)].depth_m,
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

double wantedMomentAft(const Derived& d, const Brief& brief, const Eigen::Vector3d& up,
                       double wanted_kg) {
    const Eigen::Vector3d aft = planeAxes(up).aft;
    const double full_kg = d.waterDensity_kg_m3 * d.mass->displacedVolume_m3;
    if (brief.wantedState == WantedState::Sink && wanted_kg > full_kg) {
        if (const auto fall = fallAt(d.towed, brief.wantedPitch_rad, true)) {
            const double q = (wanted_kg - full_kg) * kGravity_m_s2 / fall->drag_m2;
            return full_kg * aft.dot(d.mass->centreOfBuoyancy_m) -
                   q * fall->loads.moment_m3 / kGravity_m_s2;
        }
    }
    return wanted_kg * aft.dot(buoyancyAtWanted(d, up, wanted_kg));
}

namespace {

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
        const PieceBalance& piece = empty.mass->pieces[i];
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
            const Submerged wet = findWaterline(body, up, 1e-11).wet;
            buoyancy = wet.moment_m4 / wet.volume_m3;
        }
        const auto row = Eigen::Index(i);
        for (Eigen::Index j = 0; j < length.size(); ++j) {
            const Bore& bore = bare.bores[size_t(j)];
            if (pieceAt(bare.joints, bore.x_m) == i) {
                const Eigen::Vector3d centre = plugCentroid(empty.mass->bores[size_t(j)],
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

namespace {

void settleAll(const Design& bare, const Derived& empty, const Eigen::Vector3d& up,
               PlugProblem& problem, Eigen::VectorXd& length) {
    const Eigen::Vector3d aft = planeAxes(up).aft;
    settlePlugs(bare, empty, aft, problem, length);
    for (int pass = 0; pass < 3 && bare.pieces.size() > 1; ++pass) {
        levelPieces(bare, empty, up, length, problem);
        settlePlugs(bare, empty, aft, problem, length);
    }
}

// What sinks at the wanted rate when it lies as wanted while it sinks.
double massToSinkAsWanted(const Derived& d, const Brief& brief) {
    const auto fall = fallAt(d.towed, brief.wantedPitch_rad, true);
    if (!fall) {
        return d.wantedMass_kg;
    }
    const double v = brief.wantedSinkSpeed_m_s / d.sinkSeen;
    return d.waterDensity_kg_m3 *
           (d.mass->displacedVolume_m3 + 0.5 * fall->verticalArea_m2 * v * v / kGravity_m_s2);
}

// Where the attitude cannot be had the rate still can: the mass at which it sinks so fast, lying as
// it then does. `solve` plans for plan.wantedMass_kg.
template <class Solve>
void findSinkingMass(const Design& design, const Derived& empty, const Eigen::VectorXd& length,
                     LeadPlan& plan, std::stop_token stop, Solve solve) {
    constexpr double kSame = 0.01;
    const double wanted = design.brief.wantedSinkSpeed_m_s / empty.sinkSeen;
    const double full_kg = empty.waterDensity_kg_m3 * empty.mass->displacedVolume_m3;
    double slow = 0, fast = 0;  // heavier than its water by so much
    for (int round = 0; round < 14 && !stop.stop_requested(); ++round) {
        const Result<Derived> leaded = evaluate(withPlugs(design, length), &empty);
        if (!leaded) {
            return;
        }
        const double speed = leaded->rest->fall.speed_m_s;
        const double heavy = plan.wantedMass_kg - full_kg;
        const bool reached = std::abs(leaded->mass->mass_kg - plan.wantedMass_kg) < kPlanMet_kg;
        if (std::abs(speed - wanted) < kSame * wanted || !reached || heavy <= 0) {
            return;
        }
        (speed < wanted ? slow : fast) = heavy;
        const bool between = fast > slow && slow > 0;
        const double square =
            heavy * std::clamp(wanted * wanted / std::max(1e-9, speed * speed), 0.25, 4.0);
        plan.wantedMass_kg = full_kg + (between ? 0.5 * (slow + fast) : square);
        solve();
    }
}

}  // namespace

Result<LeadPlan> planLead(const Design& design, const Derived* near, std::stop_token stop) {
    if (design.bores.empty()) {
        return Error{"plan.no_bores", "/bores", {}, {}};
    }
    const auto n = static_cast<Eigen::Index>(design.bores.size());
    const Design bare = withPlugs(design, Eigen::VectorXd::Zero(n));
    const Result<Derived> empty = evaluate(bare, near);
    if (!empty) {
        return empty.error();
    }
    if (const auto clash = whyNotCut(bare, *empty)) {
        return *clash;
    }
    const Eigen::Vector3d up = upInBody(design.brief.wantedPitch_rad, 0.0);
    const Eigen::Vector3d aft = planeAxes(up).aft;

    LeadPlan plan;
    plan.wantedMass_kg = empty->wantedMass_kg;
    plan.emptyMass_kg = empty->mass->mass_kg;
    plan.wantedPitch_rad = design.brief.wantedPitch_rad;
    PlugProblem problem;
    problem.gain_g_mm.resize(n);
    problem.momentX_g.resize(n);
    problem.momentY_g.resize(n);
    problem.mostLength_mm.resize(n);
    problem.preference.resize(n);
    for (Eigen::Index j = 0; j < n; ++j) {
        const Bore& bore = bare.bores[size_t(j)];
        const BoreGeometry& g = empty->mass->bores[size_t(j)];
        const double area = kPi / 4 * bore.diameter_m * bore.diameter_m;
        const double swap = bore.plugDensity_kg_m3 - bore.fillerDensity_kg_m3;
        problem.gain_g_mm[j] = area * swap * kMillimetre / kGram;
        // A plug may fill the hole to its mouth, no further.
        problem.mostLength_mm[j] =
            g.entersBody ? std::min(bore.depth_m, g.removed_m3 / area) / kMillimetre : 0.0;
    }
    Eigen::VectorXd length = 0.5 * problem.mostLength_mm;
    const Eigen::Vector3d nowMoment = empty->mass->mass_kg * empty->mass->centreOfGravity_m;
    double wantedMoment = 0;
    const auto solve = [&] {
        wantedMoment = wantedMomentAft(*empty, design.brief, up, plan.wantedMass_kg);
        const double sideways =
            plan.wantedMass_kg * buoyancyAtWanted(*empty, up, plan.wantedMass_kg).y();
        problem.massWeight = 1.0;
        problem.wantedGain_g = (plan.wantedMass_kg - empty->mass->mass_kg) / kGram;
        problem.wantedMomentX_g_mm = (wantedMoment - aft.dot(nowMoment)) / (kGram * kMillimetre);
        problem.wantedMomentY_g_mm = (sideways - nowMoment.y()) / (kGram * kMillimetre);
        settleAll(bare, *empty, up, problem, length);
        const double over = problem.gain_g_mm.dot(length) - std::max(0.0, problem.wantedGain_g);
        if (over > kPlanMet_kg / kGram) {
            constexpr double kMassFirst = 100.0;
            problem.massWeight = kMassFirst;
            settleAll(bare, *empty, up, problem, length);
        }
    };
    if (design.brief.wantedState == WantedState::Sink) {
        plan.wantedMass_kg = massToSinkAsWanted(*empty, design.brief);
    }
    solve();
    if (design.brief.wantedState == WantedState::Sink) {
        findSinkingMass(design, *empty, length, plan, stop, solve);
    }
    if (stop.stop_requested()) {
        return Error{"plan.stopped", "/bores", {}, {}};
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
    Result<Derived> after = evaluate(plan.design, &*empty);
    if (!after) {
        return after.error();
    }
    plan.reached = std::make_shared<const Derived>(std::move(after).value());
    const Derived* reached = plan.reached.get();
    plan.reachedMass_kg = reached->mass->mass_kg;
    plan.reachedPitch_rad = reached->rest->pitch_rad;
    plan.reachedSpare = reached->rest->spare;
    plan.missingMass_kg = plan.wantedMass_kg - reached->mass->mass_kg;
    // The trim is judged at the mass that is reached.
    plan.missingMoment_kg_m =
        (std::abs(plan.missingMass_kg) > kPlanMet_kg
             ? wantedMomentAft(*reached, design.brief, up, reached->mass->mass_kg)
             : wantedMoment) -
        reached->mass->mass_kg * aft.dot(reached->mass->centreOfGravity_m);
    for (size_t i = 0; i < reached->rest->alone.size() && i < design.pieces.size(); ++i) {
        const PieceAlone& alone = reached->rest->alone[i];
        plan.piecePitches_rad.push_back(alone.pitch_rad);
        if (alone.decided && std::abs(alone.pitch_rad - plan.wantedPitch_rad) > kPieceLevel_rad) {
            plan.findings.push_back({"plan.piece_not_level",
                                     Severity::Note,
                                     "/pieces/" + std::to_string(i) + "/name",
                                     {{Quantity::Angle, alone.pitch_rad}},
                                     {design.pieces[i].name}});
        }
    }
    tellMisses(design, *empty, problem, plan);
    if (std::abs(reached->rest->roll_rad) > kLeans_rad) {
        plan.findings.push_back({"plan.leans",
                                 Severity::Warning,
                                 "/bores/0/depth",
                                 {{Quantity::Angle, std::abs(reached->rest->roll_rad)}}});
    } else if (plan.findings.empty() &&
               std::abs(plan.reachedPitch_rad - plan.wantedPitch_rad) > kReachedPitch_rad) {
        plan.findings.push_back(
            {"plan.pitch_missed",
             Severity::Warning,
             "/brief/wanted_pitch",
             {{Quantity::Angle, plan.reachedPitch_rad}, {Quantity::Angle, plan.wantedPitch_rad}}});
    }
    return plan;
}

}  // namespace wl
