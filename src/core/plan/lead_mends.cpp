#include "core/plan/lead_mends.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/clearance/clearance.h"
#include "core/plan/plan_metals.h"
#include "core/tank/hook_swaps.h"

namespace wl {
namespace {

constexpr double kMendStep_m = 0.0005;
constexpr double kShareStep = 0.05;
constexpr double kWallKept_m = 0.002;        // past a bore drilled deeper
constexpr double kWidest_m = 0.006;          // wider than it was
constexpr double kFarthest_m = 0.03;         // moved
constexpr double kSearched_m = 0.005;        // past the way that could just do
constexpr size_t kMostSets = 24;             // hook sets tried, smallest change first
constexpr double kDegreeAsMass_kg = 0.1e-3;  // to compare misses: a degree as a tenth of a gram

double missOf(const LeadChoice& c) {
    return std::abs(c.missingMass_kg) +
           kDegreeAsMass_kg / kDegree * std::abs(c.pitch_rad - c.design.brief.wantedPitch_rad);
}

double onGrid(double metres) {
    return std::round(metres / kMendStep_m) * kMendStep_m;
}

class Search {
  public:
    Search(const Design& design, const LeadPlan& plan, const Derived& now, const MendShelf& shelf,
           std::stop_token stop)
        : design_(design), plan_(plan), now_(now), shelf_(shelf), stop_(std::move(stop)) {}

    std::vector<LeadChoice> run() {
        boresDeeper();
        boresWider();
        boresMoved();
        lip();
        stock();
        hooks();
        if (stop_.stop_requested()) {
            return {};
        }
        if (found_.empty() && nearest_) {
            found_.push_back(std::move(*nearest_));
        }
        return std::move(found_);
    }

  private:
    // Plans the lead for a changed bait; true when that meets the target.
    bool tried(Finding change, const Design& changed, std::optional<LeadChoice>& best) {
        Result<LeadChoice> made = planPlugs(std::move(change), changed, &now_);
        if (!made || made->price.leastWall_m < kLeastWall_m) {
            return false;
        }
        LeadChoice choice = std::move(made).value();
        choice.price.moved_m = 0;
        for (size_t j = 0; j < design_.bores.size(); ++j) {
            choice.price.moved_m += std::abs(changed.bores[j].x_m - design_.bores[j].x_m);
        }
        choice.met = choice.met &&
                     std::all_of(choice.findings.begin(), choice.findings.end(),
                                 [](const Finding& f) { return f.severity == Severity::Note; });
        const bool met = choice.met;
        if (met) {
            best = std::move(choice);
        } else if (!nearest_ || missOf(choice) < missOf(*nearest_)) {
            nearest_ = std::move(choice);
        }
        return met;
    }

    void keep(std::optional<LeadChoice>& best) {
        if (best) {
            found_.push_back(std::move(*best));
        }
    }

    // Too light however full the bores are; mass left out for the trim is the trim's fault.
    bool light() const {
        return std::any_of(plan_.findings.begin(), plan_.findings.end(),
                           [](const Finding& f) { return f.code == "plan.bores_full"; });
    }
    bool heavy() const { return plan_.missingMass_kg < -0.05e-3; }
    // A bore that is not full gains nothing by more room.
    bool full(size_t j) const {
        const double most =
            std::min(design_.bores[j].depth_m, now_.mass->bores[j].removed_m3 / area(j));
        return plan_.plugLengths_m[j] > 0.98 * most;
    }

    // The least change of any one bore, in steps of the bench; where none does it alone, of all
    // together. `change` makes it on a bore and gives the measure to set, or nothing when it goes
    // no further; `least(j)` is the way below which what is missing cannot be made up.
    template <class Change, class Least>
    void bores(const char* code, const char* codeOfAll, double most_m, Least least, Change change) {
        std::optional<LeadChoice> best;
        for (size_t j = 0; j < design_.bores.size(); ++j) {
            const int first = std::max(1, int(std::min(1e4, least(j) / kMendStep_m)));
            const double last_m = std::min(most_m, first * kMendStep_m + kSearched_m);
            for (int step = first; step * kMendStep_m < last_m && !stop_.stop_requested(); ++step) {
                const double way = step * kMendStep_m;
                Design changed = design_;
                Bore& bore = changed.bores[j];
                const std::optional<double> measure = change(j, way, bore);
                if (!measure) {
                    break;
                }
                if (tried({code, Severity::Note, {}, {{Quantity::Length, *measure}}, {bore.name}},
                          changed, best)) {
                    most_m = way;
                    break;
                }
            }
        }
        const double last_m = design_.bores.size() > 1 ? std::min(most_m, kSearched_m) : 0.0;
        for (int step = 1; step * kMendStep_m < last_m && !best && !stop_.stop_requested();
             ++step) {
            const double way = step * kMendStep_m;
            Design changed = design_;
            std::string names;
            bool goes = true;
            for (size_t j = 0; j < changed.bores.size(); ++j) {
                goes = goes && change(j, way, changed.bores[j]);
                names += (j > 0 ? ", " : "") + changed.bores[j].name;
            }
            if (!goes) {
                break;
            }
            tried({codeOfAll, Severity::Note, {}, {{Quantity::Length, way}}, {names}}, changed,
                  best);
        }
        keep(best);
    }

    double area(size_t j) const {
        return kPi / 4 * design_.bores[j].diameter_m * design_.bores[j].diameter_m;
    }
    double swap_kg_m3(size_t j) const {
        const Bore& bore = design_.bores[j];
        return std::max(1.0, bore.plugDensity_kg_m3 - bore.fillerDensity_kg_m3);
    }
    double missing_m3(size_t j) const {
        return std::max(0.0, plan_.missingMass_kg) / swap_kg_m3(j);
    }

    void boresDeeper() {
        bores(
            "mend.bore_deeper", "mend.bore_deeper_all", 1.0,
            [&](size_t j) { return missing_m3(j) / area(j); },
            [&](size_t j, double way, Bore& bore) {
                bore.depth_m = std::floor((bore.depth_m + way) / kMendStep_m + 1e-9) * kMendStep_m;
                const double deeper = bore.depth_m - design_.bores[j].depth_m;
                const bool goes =
                    full(j) && !heavy() && deeper <= now_.mass->bores[j].wallBeyond_m - kWallKept_m;
                return goes ? std::optional(bore.depth_m) : std::nullopt;
            });
    }

    void boresWider() {
        bores(
            "mend.bore_wider", "mend.bore_wider_all", kWidest_m,
            [&](size_t j) {
                const double all = area(j) + missing_m3(j) / design_.bores[j].depth_m;
                return std::sqrt(all * 4 / kPi) - design_.bores[j].diameter_m;
            },
            [&](size_t j, double way, Bore& bore) {
                bore.diameter_m = onGrid(bore.diameter_m + way);
                return full(j) && !heavy() ? std::optional(bore.diameter_m) : std::nullopt;
            });
    }

    void boresMoved() {
        const double sense = plan_.missingMoment_kg_m > 0 ? 1.0 : -1.0;
        bores(
            "mend.bore_moved", "mend.bore_moved_all", kFarthest_m,
            [&](size_t j) {
                const double most_kg = swap_kg_m3(j) * area(j) * design_.bores[j].depth_m;
                return std::abs(plan_.missingMoment_kg_m) / most_kg;
            },
            [&](size_t, double way, Bore& bore) {
                bore.x_m = onGrid(bore.x_m + sense * way);
                const bool on = bore.x_m > 0 && bore.x_m < now_.shape->curves.length_m();
                return on && !light() && !heavy() ? std::optional(bore.x_m) : std::nullopt;
            });
    }

    // Sheet metal is ballast low and forward; plastic takes it away.
    void lip() {
        if (!design_.lip.present || stop_.stop_requested()) {
            return;
        }
        const bool toMetal = design_.lip.density_kg_m3 < kMetalLip_kg_m3;
        const LipStock& sheet = toMetal ? kSteelLip : kPlasticLip;
        Design changed = design_;
        changed.lip.material = sheet.name;
        changed.lip.density_kg_m3 = sheet.density_kg_m3;
        changed.lip.thickness_m = sheet.thickness_m;
        std::optional<LeadChoice> best;
        tried({toMetal ? "mend.lip_metal" : "mend.lip_plastic",
               Severity::Note,
               {},
               {{Quantity::Thickness, changed.lip.thickness_m}}},
              changed, best);
        keep(best);
    }

    // Whether a change of mass is too little, or the wrong way, for what is missing.
    bool tooLittle(double change_kg) const {
        constexpr double kNearly = 0.8;  // a change of stock or hooks shifts the trim too
        return (light() && change_kg < kNearly * plan_.missingMass_kg) ||
               (heavy() && change_kg > kNearly * plan_.missingMass_kg) || change_kg == 0;
    }

    void stock() {
        if (design_.make.kind == MakeKind::Printed) {
            share("mend.infill", design_.make.print.infill, 0.0, 1.0,
                  [](Design& d, double to) { d.make.print.infill = to; });
        } else if (design_.make.kind == MakeKind::Cast &&
                   design_.pieces[0].stock.source == DensitySource::Mix) {
            share("mend.resin_filler", design_.make.mix.fillerShare, 0.0, 0.6,
                  [](Design& d, double to) { d.make.mix.fillerShare = to; });
        } else if (design_.make.kind != MakeKind::Layered) {
            shelfStock();
        }
    }

    template <class Set>
    void share(const char* code, double now, double low, double high, Set set) {
        std::optional<LeadChoice> best;
        for (int step = 1; step <= int(1 / kShareStep) && !best; ++step) {
            for (const double sense : {1.0, -1.0}) {
                const double to =
                    std::round((now + sense * step * kShareStep) / kShareStep) * kShareStep;
                if (best || to < low || to > high || stop_.stop_requested()) {
                    continue;
                }
                Design changed = design_;
                set(changed, to);
                changed.pieces[0].stock.weighedBody_kg.reset();
                tried({code, Severity::Note, {}, {{Quantity::Fraction, to}}}, changed, best);
            }
        }
        keep(best);
    }

    void shelfStock() {
        const double now = now_.shape->reckoning.density.density_kg_m3;
        std::vector<StockOffer> offers = shelf_.stocks;
        std::stable_sort(
            offers.begin(), offers.end(), [&](const StockOffer& a, const StockOffer& b) {
                return std::abs(a.density_kg_m3 - now) < std::abs(b.density_kg_m3 - now);
            });
        std::optional<LeadChoice> best;
        for (const StockOffer& offer : offers) {
            if (best || stop_.stop_requested()) {
                break;
            }
            if (tooLittle((offer.density_kg_m3 - now) * now_.shape->solid.volume_m3) ||
                offer.name == design_.pieces[0].stock.material) {
                continue;
            }
            Design changed = design_;
            Stock& stock = changed.pieces[0].stock;
            stock.material = offer.name;
            stock.source = DensitySource::Shelf;
            stock.shelfDensity_kg_m3 = offer.density_kg_m3;
            stock.shelfSpread = offer.spread;
            stock.weighedBody_kg.reset();
            tried({"mend.stock",
                   Severity::Note,
                   {},
                   {{Quantity::Density, offer.density_kg_m3}},
                   {offer.name}},
                  changed, best);
        }
        keep(best);
    }

    // What a hook weighs more is lead less, and that lies here.
    double leadCentre_m() const {
        double mass = 0, moment = 0;
        for (size_t j = 0; j < plan_.plugMasses_kg.size(); ++j) {
            mass += plan_.plugMasses_kg[j];
            moment += plan_.plugMasses_kg[j] * design_.bores[j].x_m;
        }
        return mass > 0 ? moment / mass : now_.mass->centreOfBuoyancy_m.x();
    }

    struct HookTry {
        size_t front, rear;
        double change_kg;  // put on and taken off, together
    };

    std::vector<HookTry> hookTries(const std::vector<size_t>& places) const {
        std::vector<HookTry> tries;
        const std::vector<Fitting>& hooks = shelf_.hooks;
        const size_t meetNow = hookMeetings(design_).size();
        const double lead_m = leadCentre_m();
        for (size_t front = 0; front < hooks.size(); ++front) {
            for (size_t rear = 0; rear < hooks.size(); ++rear) {
                if (places.size() == 1 && rear != front) {
                    continue;
                }
                double mass = 0, moment = 0, change = 0;
                std::vector<double> lengths;
                for (size_t i = 0; i < places.size(); ++i) {
                    const Fitting& old = design_.fittings[places[i]];
                    const Fitting& now = hooks[i + 1 < places.size() ? front : rear];
                    const double by =
                        (old.mirrored ? 2 : 1) * (fittingMass_kg(now) - fittingMass_kg(old));
                    mass += by;
                    moment += by * (fittingPlace(design_, old).x() - lead_m);
                    change += std::abs(by);
                    lengths.push_back(now.size_m);
                }
                const bool trims = light() || heavy() || moment * plan_.missingMoment_kg_m > 0;
                if (change < 1e-6 || ((light() || heavy()) && tooLittle(mass)) || !trims ||
                    hookMeetings(design_, places, lengths).size() > meetNow) {
                    continue;
                }
                tries.push_back({front, places.size() == 1 ? front : rear, change});
            }
        }
        std::stable_sort(tries.begin(), tries.end(), [](const HookTry& a, const HookTry& b) {
            return a.change_kg < b.change_kg;
        });
        return tries;
    }

    void hooks() {
        const std::vector<size_t> places = hooksOf(design_);
        if (places.empty()) {
            return;
        }
        const std::vector<HookTry> tries = hookTries(places);
        // Where there are more sets than can be tried, evenly among them by their change.
        const size_t stride = tries.size() / kMostSets + 1;
        std::optional<LeadChoice> best;
        for (size_t k = 0; k < tries.size() && !best && !stop_.stop_requested(); k += stride) {
            Design changed = design_;
            std::string names;
            for (size_t i = 0; i < places.size(); ++i) {
                const bool last = i + 1 == places.size();
                const Fitting& hook = shelf_.hooks[last ? tries[k].rear : tries[k].front];
                putHook(changed.fittings[places[i]], hook);
                names += (i > 0 ? " + " : "") + hook.name;
            }
            tried({"mend.hooks", Severity::Note, {}, {}, {names}}, changed, best);
        }
        keep(best);
    }

    const Design& design_;
    const LeadPlan& plan_;
    const Derived& now_;
    const MendShelf& shelf_;
    std::stop_token stop_;
    std::vector<LeadChoice> found_;
    std::optional<LeadChoice> nearest_;
};

}  // namespace

std::vector<LeadChoice> leadMends(const Design& design, const MendShelf& shelf,
                                  std::stop_token stop, const Derived* near) {
    const Result<LeadPlan> plan = planLead(design, near);
    if (!plan) {
        return {};
    }
    const bool met = std::all_of(plan->findings.begin(), plan->findings.end(),
                                 [](const Finding& f) { return f.severity == Severity::Note; });
    if (met) {
        return {};
    }
    return Search(design, *plan, *plan->reached, shelf, std::move(stop)).run();
}

}  // namespace wl
