#include "core/plan/new_bait.h"

#include <algorithm>
#include <cmath>

#include "core/clearance/clearance.h"
#include "core/reckon/evaluate.h"
#include "core/rules/check_design.h"

namespace wl {
namespace {

// Of the depth wanted: nearer than a retrieve repeats itself.
constexpr double kNearEnough = 0.06;
constexpr double kPitchStep_rad = 0.5 * kDegree;

// The lead planned for what is wanted; where the attitude cannot be had as it is, for the one
// nearest to it that can: a new bait has no other wish than to lie as its kind does.
Result<LeadPlan> planned(const Design& design, const Derived* near, std::stop_token stop) {
    Result<LeadPlan> plan = planLead(design, near, stop);
    if (!plan || std::abs(plan->reachedPitch_rad - plan->wantedPitch_rad) < kPitchStep_rad) {
        return plan;
    }
    Design eased = plan->design;
    eased.brief.wantedPitch_rad =
        std::round(plan->reachedPitch_rad / kPitchStep_rad) * kPitchStep_rad;
    return planLead(eased, plan->reached.get(), stop);
}

// What stands against a bait in one number: that it does not lie or sink as wished weighs more than
// a thin wall, what stops it more than both.
int weightOf(const std::vector<Finding>& against) {
    int all = 0;
    for (const Finding& f : against) {
        all += f.severity == Severity::Error ? 5 : f.code.rfind("rest.", 0) == 0 ? 3 : 1;
    }
    return all;
}

// How far a plan is from its brief, in shares of the mass.
double miss(const LeadPlan& plan, double kindsPitch_rad) {
    return std::abs(plan.missingMass_kg) / std::max(1e-6, plan.wantedMass_kg) +
           0.01 * std::abs(plan.reachedPitch_rad - kindsPitch_rad) / kDegree;
}

double depthOf(const Run& run) {
    return run.depthKnown && run.path.end != RetrieveEnd::StaysOnTop ? run.path.maxDepth_m : 0.0;
}

// The measures a depth is sought with: each a design from the one planned and a share from 0 to 1.
using Turn = std::function<Design(const Design&, double)>;

std::vector<Turn> turnsOf(const Design& d) {
    std::vector<Turn> turns;
    if (d.lip.present) {
        for (const double longer : {1.0, 0.75, 1.3, 0.55}) {
            turns.emplace_back([longer](const Design& from, double share) {
                Design next = from;
                Lip& lip = next.lip;
                const auto half = [](double m) { return std::round(2000 * m) / 2000; };
                lip.length_m = half(longer * lip.length_m);
                lip.width_m = half(std::sqrt(longer) * lip.width_m);
                lip.tipRound_m = std::min(half(longer * lip.tipRound_m), lip.length_m);
                lip.angle_rad = std::round(12 + 58 * share) * kDegree;
                next.tie.upLip_m = half(0.3 * lip.length_m);
                return next;
            });
        }
    } else if (d.brief.wantedState == WantedState::Sink) {
        turns.emplace_back([](const Design& from, double share) {
            Design next = from;
            next.brief.countdown_s = std::round(2 * 60 * share * share) / 2;
            return next;
        });
    } else if (d.body.noseFace.present) {
        turns.emplace_back([](const Design& from, double share) {
            Design next = from;
            next.body.noseFace.angle_rad = std::round(30 + 55 * share) * kDegree;
            return next;
        });
    }
    return turns;
}

struct Tried {
    Design design;
    std::shared_ptr<const Derived> derived;
    double depth_m = 0.0;
};

std::optional<Tried> tried(const Design& design, const Derived* near, bool lead,
                           std::stop_token stop) {
    Tried t;
    if (lead) {
        Result<LeadPlan> plan = planned(design, near, stop);
        if (!plan) {
            return std::nullopt;
        }
        t.design = std::move(plan->design);
        t.derived = plan->reached;
    } else {
        Result<Derived> derived = evaluate(design, near);
        if (!derived) {
            return std::nullopt;
        }
        t.design = design;
        t.derived = std::make_shared<const Derived>(std::move(derived).value());
    }
    t.depth_m = depthOf(computeRun(*t.derived, stop, kCoarseRetrieve));
    return t;
}

struct Start {
    LeadPlan plan;
    int against = 0;
    double miss = 0.0;
};

// The layouts whose lead plan comes nearest, best first.
Result<std::vector<Start>> starts(const NewBaitWish& wish, std::stop_token stop,
                                  const std::function<void(double)>& told) {
    std::vector<Start> all;
    std::optional<Error> refusal;
    int done = 0;
    for (const double hooks : {0.23, 0.18, 0.14}) {
        for (const auto& [depth, width] : {std::pair{0.66, 0.9}, std::pair{0.42, 0.9},
                                           std::pair{0.66, 1.05}, std::pair{0.66, 1.2}}) {
            for (size_t bores = 0; bores < kBoreLayouts; ++bores) {
                if (stop.stop_requested()) {
                    return Error{"plan.stopped", "", {}, {}};
                }
                Result<Design> parts = newBaitParts(wish, {bores, depth, width, hooks});
                if (!parts) {
                    return parts.error();
                }
                Result<LeadPlan> plan = planned(*parts, nullptr, stop);
                told(++done / (12.0 * kBoreLayouts));
                if (!plan) {
                    refusal = plan.error();
                    continue;
                }
                Start start{std::move(plan).value(), 0, 0.0};
                start.miss = miss(start.plan, wish.brief.wantedPitch_rad);
                start.against =
                    weightOf(warningsOf(start.plan.design, *start.plan.reached, nullptr));
                all.push_back(std::move(start));
            }
        }
        // Smaller hooks only where the usual ones cannot be had.
        if (std::any_of(all.begin(), all.end(), [](const Start& s) { return s.against == 0; })) {
            break;
        }
    }
    if (all.empty()) {
        return refusal.value_or(Error{"plan.stopped", "", {}, {}});
    }
    std::stable_sort(all.begin(), all.end(), [](const Start& a, const Start& b) {
        return a.against != b.against ? a.against < b.against : a.miss < b.miss;
    });
    return all;
}

// The start turned until it runs at the depth wanted.
Tried turned(const LeadPlan& plan, double wanted_m, std::stop_token stop) {
    Tried at{plan.design, plan.reached, 0.0};
    at.depth_m = depthOf(computeRun(*at.derived, stop, kCoarseRetrieve));
    const auto off = [wanted_m](const Tried& t) {
        return std::abs(t.depth_m - wanted_m) / wanted_m;
    };
    const Design from = at.design;
    const bool lead = from.lip.present;
    for (const Turn& turn : turnsOf(from)) {
        // Coarsely over the whole turn, then between the two that have the depth between them.
        constexpr int kSteps = 6;
        std::optional<Tried> last;
        for (int i = 0; i <= kSteps && off(at) > kNearEnough && !stop.stop_requested(); ++i) {
            const double share = double(i) / kSteps;
            std::optional<Tried> now = tried(turn(from, share), at.derived.get(), lead, stop);
            if (now && off(*now) < off(at)) {
                at = *now;
            }
            if (now && last && (last->depth_m - wanted_m) * (now->depth_m - wanted_m) < 0) {
                double low = share - 1.0 / kSteps, high = share;
                const bool falls = last->depth_m > now->depth_m;
                for (int half = 0; half < 7 && off(at) > kNearEnough / 3; ++half) {
                    const double middle = 0.5 * (low + high);
                    const auto t = tried(turn(from, middle), at.derived.get(), lead, stop);
                    if (!t) {
                        break;
                    }
                    if (off(*t) < off(at)) {
                        at = *t;
                    }
                    ((t->depth_m > wanted_m) == falls ? low : high) = middle;
                }
            }
            last = std::move(now);
        }
    }
    return at;
}

// Retrieved faster it may hang better on its line, and what sinks without a lip comes up.
bool tooSlow(const NewBait& made) {
    const bool sinks = made.design.brief.wantedState == WantedState::Sink;
    return std::any_of(made.against.begin(), made.against.end(), [sinks](const Finding& f) {
        return f.code == "run.slack" || f.code == "run.no_solution" ||
               f.code == "run.too_slack_below" || f.code == "run.floats_slack" ||
               (sinks && f.code == "run.too_deep");
    });
}

}  // namespace

std::vector<Finding> warningsOf(const Design& design, const Derived& derived, const Run* run) {
    std::vector<Finding> all = checkDesign(derived);
    checkSkinWalls(design, derived, all);
    if (run != nullptr) {
        for (Finding& f : checkRun(derived, *run)) {
            all.push_back(std::move(f));
        }
    }
    all.erase(std::remove_if(all.begin(), all.end(),
                             [](const Finding& f) { return f.severity == Severity::Note; }),
              all.end());
    return all;
}

Result<NewBait> makeNewBait(const NewBaitWish& wish, std::stop_token stop,
                            const std::function<void(double)>& progress) {
    const auto told = [&](double share) {
        if (progress) {
            progress(share);
        }
    };
    Result<std::vector<Start>> from = starts(wish, stop, [&](double share) { told(0.6 * share); });
    if (!from) {
        return from.error();
    }
    constexpr size_t kMostTurned = 6;
    constexpr double kFaster_m_s = 0.1, kFastest_m_s = 1.6;
    std::optional<NewBait> best;
    for (size_t i = 0; i < std::min(kMostTurned, from->size()); ++i) {
        LeadPlan plan = (*from)[i].plan;
        NewBait made;
        do {
            Tried at = turned(plan, wish.brief.wantedDepth_m, stop);
            // What runs at the top whatever is turned has no depth to wish for.
            if (at.depth_m <= 0 || !depthCanBeWished(wish.kind, wish.brief.wantedState)) {
                at.design.brief.wantedDepth_m = std::max(0.05, std::round(100 * at.depth_m) / 100);
            }
            Result<Derived> derived = evaluate(at.design, at.derived.get());
            if (!derived) {
                return derived.error();
            }
            made.design = std::move(at.design);
            made.derived = std::make_shared<const Derived>(std::move(derived).value());
            made.run = computeRun(*made.derived, stop);
            if (stop.stop_requested()) {
                return Error{"plan.stopped", "", {}, {}};
            }
            made.against = warningsOf(made.design, *made.derived, &made.run);
            plan.design.brief.retrieveSpeed_m_s += kFaster_m_s;
            if (tooSlow(made)) {
                Result<Derived> faster = evaluate(plan.design, plan.reached.get());
                if (!faster) {
                    return faster.error();
                }
                plan.reached = std::make_shared<const Derived>(std::move(faster).value());
            }
        } while (tooSlow(made) && plan.design.brief.retrieveSpeed_m_s < kFastest_m_s);
        told(0.6 + 0.4 * double(i + 1) / kMostTurned);
        if (!best || weightOf(made.against) < weightOf(best->against)) {
            best = std::move(made);
        }
        if (best->against.empty()) {
            break;
        }
    }
    told(1);
    return std::move(*best);
}

}  // namespace wl
