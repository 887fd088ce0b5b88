#include "core/forecast/causes.h"

#include <algorithm>
#include <cmath>
#include <numeric>

#include <Eigen/Dense>

#include "core/cast/throws.h"
#include "core/reckon/evaluate.h"
#include "core/swim/swim.h"
#include "core/swim/tuning.h"

namespace wl {
namespace {

// Share of an effect the model itself may be off by, and how far two good copies differ: judged.
constexpr std::array<double, kAxes> kTrust{0.5, 0.15, 0.15, 0.10, 0.35, 0.35, 0.6, 0.3, 0.02, 0.1};
constexpr std::array<double, kAxes> kScatter{
    1.0 * kDegree, 0.7 * kDegree, 0.7 * kDegree, 0.004, 0.05, 0.03, 0.10, 0.03, 0.0, 0.00002};
// How far something else may move each.
constexpr std::array<double, kAxes> kWide{12 * kDegree, 10 * kDegree, 10 * kDegree, 0.08,   0.4,
                                          0.3,          0.7,          0.3,          0.0015, 0.001};
constexpr double kSomethingElse = 0.05;

std::vector<CauseEffect> allCauses(const Design& d) {
    using Q = Quantity;
    std::vector<CauseEffect> causes;
    const auto add = [&causes](Cause cause, Q quantity, double tolerance, double chanceNew,
                               double chanceBefore) -> CauseEffect& {
        CauseEffect& c = causes.emplace_back();
        c.cause = cause;
        c.quantity = quantity;
        c.tolerance = tolerance;
        c.chanceNew = chanceNew;
        c.chanceBefore = chanceBefore;
        return c;
    };
    if (d.lip.present) {
        add(Cause::LipTurned, Q::Angle, 0.8 * kDegree, 0.10, 0.03);
        add(Cause::LipTwisted, Q::Angle, 0.8 * kDegree, 0.06, 0.02);
        add(Cause::LipAngle, Q::Angle, 1.0 * kDegree, 0.10, 0.02);
        add(Cause::LipLength, Q::Length, 0.02 * d.lip.length_m, 0.05, 0.04);
    }
    add(Cause::TieAside, Q::Length, 0.4e-3, 0.10, 0.06);
    add(Cause::TieHeight, Q::Length, 0.4e-3, 0.06, 0.05);
    if (!d.bores.empty()) {
        add(Cause::LeadAside, Q::Length, 0.3e-3, 0.08, 0.002);
        add(Cause::LeadAlong, Q::Length, 0.6e-3, 0.08, 0.002);
        add(Cause::LeadMass, Q::Fraction, 0.015, 0.06, 0.002);
    }
    if (!d.coats.empty()) {
        add(Cause::CoatsThick, Q::Fraction, 0.2, 0.12, 0.002).oneWay = true;
    }
    add(Cause::StockHeavy, Q::Mass, 0.0, 0.15, 0.002);
    CauseEffect& wet = add(Cause::Waterlogged, Q::Mass, 0.0, 0.03, 0.22);
    wet.oneWay = true;
    if (std::any_of(d.fittings.begin(), d.fittings.end(),
                    [](const Fitting& f) { return isHook(f.kind); })) {
        add(Cause::HooksHeavy, Q::Fraction, 0.08, 0.05, 0.25);
    }
    return causes;
}

// What is found beyond the drawing goes in as what a tank shows: a mass at the bait's middle.
void addMass(Design& d, double kg) {
    d.tank.correction.applied = true;
    d.tank.correction.mass_kg += kg;
}

double normal(double x, double mean, double sd) {
    const double z = (x - mean) / sd;
    return std::exp(-0.5 * z * z) / (sd * std::sqrt(2 * kPi));
}

// What a hypothesis says of everything that could be seen.
struct Hypothesis {
    std::vector<size_t> at;  // causes at fault
    std::vector<double> sign;
    double prior = 0.0;
    bool wide = false;
    Eigen::VectorXd mean;  // of the causes, in tolerances, after what was seen
    double logLikelihood = 0.0;
    double chance = 0.0;
};

}  // namespace

SymptomFigures symptomFigures(const Derived& d, std::stop_token stop) {
    SymptomFigures f;
    const auto set = [&f](SymptomAxis axis, double value) {
        if (std::isfinite(value)) {
            f[size_t(axis)] = value;
        }
    };
    if (d.rest->attitudeDecided) {
        set(SymptomAxis::Lean, d.rest->roll_rad);
        set(SymptomAxis::Nose, d.rest->pitch_rad);
    }
    set(SymptomAxis::Spare, d.rest->spare);
    set(SymptomAxis::MassOver, d.mass->mass_kg);
    const Run run = computeRun(d, stop, kCoarseRetrieve);
    if (run.depthKnown && run.path.maxDepth_m > 0) {
        set(SymptomAxis::Depth, std::log(run.path.maxDepth_m));
    }
    const Swim swim = swimOf(d, run);
    if (!swim.untold && swim.swings) {
        set(SymptomAxis::Beats, std::log(swim.beats_1_s.middle));
        set(SymptomAxis::Swing, std::log(swim.swing_rad.middle));
    }
    if (const auto cast = middleDistance_m(d); cast && *cast > 0) {
        set(SymptomAxis::Cast, std::log(*cast));
    }
    return f;
}

Design withCause(const Design& design, const CauseEffect& cause, double tolerances) {
    Design d = design;
    const double by = tolerances * cause.tolerance;
    switch (cause.cause) {
        case Cause::LipTurned:
            d.lip.turn_rad += by;
            break;
        case Cause::LipTwisted:
            d.lip.twist_rad += by;
            break;
        case Cause::LipAngle:
            d.lip.angle_rad += by;
            break;
        case Cause::LipLength:
            d.lip.length_m += by;
            break;
        case Cause::TieAside:
            break;  // the tie stands in the middle plane of a design: statics alone
        case Cause::TieHeight:
            (d.lip.present && d.tie.onLip() ? d.tie.upLip_m : d.tie.z_m) +=
                d.lip.present && d.tie.onLip() ? -by : by;
            break;
        case Cause::LeadAside:
            for (Bore& b : d.bores) {
                b.y_m += by;
            }
            break;
        case Cause::LeadAlong:
            for (Bore& b : d.bores) {
                b.x_m += by;
            }
            break;
        case Cause::LeadMass:
            for (Bore& b : d.bores) {
                b.plugDensity_kg_m3 *= 1 + by;
                for (LeadPiece& p : b.pieces) {
                    p.mass_kg *= 1 + by;
                }
            }
            break;
        case Cause::CoatsThick:
            for (Coat& c : d.coats) {
                c.thickness_m *= 1 + by;
            }
            break;
        case Cause::StockHeavy:
        case Cause::Waterlogged:
            addMass(d, by);
            break;
        case Cause::HooksHeavy:
            for (Fitting& f : d.fittings) {
                if (isHook(f.kind)) {
                    f.typicalMass_kg *= 1 + by;
                    if (f.weighedMass_kg) {
                        *f.weighedMass_kg *= 1 + by;
                    }
                }
            }
            break;
    }
    return d;
}

CauseModel causesOf(const Derived& derived, const Run& run,
                    const std::array<int, kCauses>& confirmed, std::stop_token stop) {
    constexpr double kCasesJudged = 10, kStockShare = 0.02, kWetShare = 0.003;
    const Design& design = *derived.design;
    CauseModel model;
    model.causes = allCauses(design);
    const SymptomFigures now = symptomFigures(derived, stop);
    for (size_t a = 0; a < kAxes; ++a) {
        model.told[a] = now[a].has_value();
    }
    model.told[size_t(SymptomAxis::MassGained)] = true;
    // One way off the line for each fault, by the statics of swimming.
    std::array<std::optional<double>, kCauses> aside;
    if (const Result<Tuning> tuning = tuningOf(derived, run);
        tuning && tuning->signsKnown && !tuning->faults.empty()) {
        model.sidesKnown = true;
        for (const FaultRun& f : tuning->faults) {
            const auto put = [&](Cause cause) {
                if (!f.rollsOver && f.size > 0) {
                    aside[size_t(cause)] = f.run_rad / f.size;
                }
            };
            switch (f.fault) {
                case FaultRun::Fault::Tie:
                    put(Cause::TieAside);
                    break;
                case FaultRun::Fault::LipTwist:
                    put(Cause::LipTwisted);
                    break;
                case FaultRun::Fault::LipTurn:
                    put(Cause::LipTurned);
                    break;
                case FaultRun::Fault::Lead:
                    put(Cause::LeadAside);
                    break;
                case FaultRun::Fault::LipRoot:
                    break;
            }
        }
    }
    model.told[size_t(SymptomAxis::RunsAside)] = model.sidesKnown;
    int cases = 0;
    for (const int n : confirmed) {
        cases += n;
    }
    for (CauseEffect& c : model.causes) {
        if (stop.stop_requested()) {
            break;
        }
        if (c.cause == Cause::StockHeavy || c.cause == Cause::Waterlogged) {
            c.tolerance = (c.cause == Cause::StockHeavy ? kStockShare : kWetShare) *
                          derived.mass->stages.finished_kg;
        }
        for (double* chance : {&c.chanceNew, &c.chanceBefore}) {
            *chance =
                (*chance * kCasesJudged + confirmed[size_t(c.cause)]) / (kCasesJudged + cases);
        }
        if (c.cause == Cause::Waterlogged) {
            c.effect[size_t(SymptomAxis::MassGained)] = c.tolerance;
        }
        if (aside[size_t(c.cause)]) {
            // A lead stands to port where the design has it over 0.
            const double side = c.cause == Cause::LeadAside ? -1.0 : 1.0;
            c.effect[size_t(SymptomAxis::RunsAside)] = side * *aside[size_t(c.cause)] * c.tolerance;
        }
        const Design changed = withCause(design, c, 1.0);
        if (changed == design) {
            continue;
        }
        const Result<Derived> there = evaluate(changed, &derived, derived.model);
        if (!there) {
            continue;
        }
        const SymptomFigures f = symptomFigures(*there, stop);
        for (size_t a = 0; a < kAxes; ++a) {
            if (a != size_t(SymptomAxis::RunsAside) && now[a] && f[a]) {
                c.effect[a] = *f[a] - *now[a];
            }
        }
    }
    return model;
}

namespace {

// The weighing of hypotheses by what was seen.
class Weighing {
  public:
    Weighing(const CauseModel& model, const std::vector<SymptomSeen>& seen,
             const std::vector<CauseSeen>& measured, bool before)
        : model_(model), before_(before) {
        for (const SymptomSeen& s : seen) {
            if (model.told[size_t(s.axis)] && s.error > 0) {
                rows_.push_back({int(s.axis), -1, s.value, s.error});
            }
        }
        for (const CauseSeen& m : measured) {
            for (size_t i = 0; i < model.causes.size(); ++i) {
                const CauseEffect& c = model.causes[i];
                if (c.cause == m.cause && c.tolerance > 0 && m.error > 0) {
                    rows_.push_back({-1, int(i), m.value, m.error});
                }
            }
        }
        makeHypotheses();
        for (Hypothesis& h : all_) {
            weigh(h);
        }
        double most = -1e300, sum = 0;
        for (const Hypothesis& h : all_) {
            most = std::max(most, h.logLikelihood + std::log(std::max(h.prior, 1e-300)));
        }
        for (Hypothesis& h : all_) {
            h.chance = std::exp(h.logLikelihood + std::log(std::max(h.prior, 1e-300)) - most);
            sum += h.chance;
        }
        for (Hypothesis& h : all_) {
            h.chance /= sum;
        }
    }

    CauseAnswer answer() const {
        CauseAnswer out;
        for (size_t i = 0; i < model_.causes.size(); ++i) {
            CauseRanked r;
            r.cause = model_.causes[i].cause;
            double held = 0, size = 0;
            std::array<double, kAxes> part{};
            for (const Hypothesis& h : all_) {
                if (std::find(h.at.begin(), h.at.end(), i) != h.at.end()) {
                    r.chance += h.chance;
                    held += h.chance;
                    size += h.chance * h.mean[long(i)];
                }
                for (size_t a = 0; a < kAxes && !h.wide; ++a) {
                    part[a] += h.chance * h.mean[long(i)] * model_.causes[i].effect[a];
                }
            }
            r.size = held > 0 ? size / held * model_.causes[i].tolerance : 0.0;
            for (const Row& row : rows_) {
                if (row.axis >= 0 && std::abs(row.value) > row.error) {
                    r.share[size_t(row.axis)] =
                        std::clamp(part[size_t(row.axis)] / row.value, -1.0, 1.0);
                }
            }
            out.ranked.push_back(r);
        }
        std::stable_sort(
            out.ranked.begin(), out.ranked.end(),
            [](const CauseRanked& a, const CauseRanked& b) { return a.chance > b.chance; });
        for (const Hypothesis& h : all_) {
            out.somethingElse += h.wide ? h.chance : 0.0;
            out.nothing += !h.wide && h.at.empty() ? h.chance : 0.0;
        }
        out.checks = checks();
        return out;
    }

  private:
    struct Row {
        int axis;   // or under 0:
        int cause;  // that was measured itself
        double value, error;
    };

    double effectOf(const Row& row, size_t cause) const {
        const CauseEffect& c = model_.causes[cause];
        return row.axis >= 0 ? c.effect[size_t(row.axis)]
                             : (row.cause == int(cause) ? c.tolerance : 0.0);
    }

    void makeHypotheses() {
        const size_t n = model_.causes.size();
        std::vector<double> odds;
        double none = 1;
        for (const CauseEffect& c : model_.causes) {
            const double p = std::clamp(before_ ? c.chanceBefore : c.chanceNew, 1e-4, 0.9);
            odds.push_back(p / (1 - p));
            none *= 1 - p;
        }
        const auto add = [&](std::vector<size_t> at, std::vector<double> sign, double prior) {
            Hypothesis h;
            h.at = std::move(at);
            h.sign = std::move(sign);
            h.prior = prior;
            all_.push_back(std::move(h));
        };
        const auto ways = [&](size_t i) {
            return model_.causes[i].oneWay ? std::vector<double>{1.0}
                                           : std::vector<double>{1.0, -1.0};
        };
        add({}, {}, none);
        for (size_t i = 0; i < n; ++i) {
            for (const double s : ways(i)) {
                const double each = odds[i] / double(ways(i).size());
                add({i}, {s}, none * each);
                for (size_t j = i + 1; j < n; ++j) {
                    for (const double t : ways(j)) {
                        add({i, j}, {s, t}, none * each * odds[j] / double(ways(j).size()));
                    }
                }
            }
        }
        Hypothesis wide;
        wide.wide = true;
        wide.prior = kSomethingElse;
        all_.push_back(wide);
    }

    void moments(const Hypothesis& h, Eigen::VectorXd& mean, Eigen::VectorXd& variance) const {
        const long n = long(model_.causes.size());
        mean = Eigen::VectorXd::Zero(n);
        variance = Eigen::VectorXd::Ones(n);
        for (size_t k = 0; k < h.at.size(); ++k) {
            const CauseEffect& c = model_.causes[h.at[k]];
            mean[long(h.at[k])] = h.sign[k] * c.fault;
            variance[long(h.at[k])] = c.faultSpread * c.faultSpread;
        }
    }

    void weigh(Hypothesis& h) const {
        constexpr double kFreedom = 6;
        const long m = long(rows_.size()), n = long(model_.causes.size());
        Eigen::VectorXd mean, variance;
        moments(h, mean, variance);
        h.mean = mean;
        if (m == 0) {
            return;
        }
        Eigen::MatrixXd j(m, n), s = Eigen::MatrixXd::Zero(m, m);
        Eigen::VectorXd off(m);
        for (long r = 0; r < m; ++r) {
            const Row& row = rows_[size_t(r)];
            double own = row.error * row.error;
            for (long c = 0; c < n; ++c) {
                j(r, c) = effectOf(row, size_t(c));
                if (row.axis >= 0) {
                    const double trust = kTrust[size_t(row.axis)] * j(r, c);
                    own += trust * trust * (variance[c] + mean[c] * mean[c]);
                }
            }
            if (row.axis >= 0) {
                own += kScatter[size_t(row.axis)] * kScatter[size_t(row.axis)];
                own += h.wide ? kWide[size_t(row.axis)] * kWide[size_t(row.axis)] : 0.0;
            }
            s(r, r) = own;
            off[r] = row.value;
        }
        off -= j * mean;
        s += j * variance.asDiagonal() * j.transpose();
        const Eigen::LDLT<Eigen::MatrixXd> factor(s);
        const Eigen::VectorXd solved = factor.solve(off);
        const double q = std::max(0.0, off.dot(solved));
        const double logDet = factor.vectorD().array().max(1e-300).log().sum();
        h.logLikelihood = std::lgamma(0.5 * (kFreedom + double(m))) - std::lgamma(0.5 * kFreedom) -
                          0.5 * logDet - 0.5 * double(m) * std::log(kFreedom * kPi) -
                          0.5 * (kFreedom + double(m)) * std::log1p(q / kFreedom);
        h.mean = mean + variance.asDiagonal() * (j.transpose() * solved);
    }

    // Mean and spread of one more row under a hypothesis, what was seen taken in.
    std::pair<double, double> foretold(const Hypothesis& h, const Row& row) const {
        Eigen::VectorXd mean, variance;
        moments(h, mean, variance);
        double middle = 0, spread = row.error * row.error;
        for (size_t c = 0; c < model_.causes.size(); ++c) {
            const double e = effectOf(row, c);
            middle += e * h.mean[long(c)];
            spread += e * e * variance[long(c)];
            if (row.axis >= 0) {
                const double trust = kTrust[size_t(row.axis)] * e;
                spread += trust * trust * (variance[long(c)] + mean[long(c)] * mean[long(c)]);
            }
        }
        if (row.axis >= 0) {
            spread += std::pow(kScatter[size_t(row.axis)], 2);
            spread += h.wide ? std::pow(kWide[size_t(row.axis)], 2) : 0.0;
        }
        return {middle, std::sqrt(spread)};
    }

    // Bits one more row tells: the entropy of all it may read less that under each hypothesis.
    double bitsOf(const Row& row, const std::vector<const Hypothesis*>& leading) const {
        constexpr int kPlaces = 240;
        std::vector<std::array<double, 3>> parts;  // weight, mean, sd
        double sum = 0, low = 1e300, high = -1e300;
        for (const Hypothesis* h : leading) {
            const auto [mean, sd] = foretold(*h, row);
            parts.push_back({h->chance, mean, sd});
            sum += h->chance;
            low = std::min(low, mean - 5 * sd);
            high = std::max(high, mean + 5 * sd);
        }
        double parted = 0;
        for (auto& part : parts) {
            part[0] /= sum;
            parted += part[0] * 0.5 * std::log2(2 * kPi * std::exp(1.0) * part[2] * part[2]);
        }
        double together = 0;
        const double step = (high - low) / kPlaces;
        for (int i = 0; i <= kPlaces; ++i) {
            double p = 0;
            for (const auto& part : parts) {
                p += part[0] * normal(low + step * i, part[1], part[2]);
            }
            together -= p > 1e-300 ? p * std::log2(p) * step : 0.0;
        }
        return std::max(0.0, together - parted);
    }

    std::vector<CauseCheck> checks() const {
        constexpr size_t kLeading = 25;
        std::vector<const Hypothesis*> leading;
        for (const Hypothesis& h : all_) {
            leading.push_back(&h);
        }
        std::sort(leading.begin(), leading.end(),
                  [](const Hypothesis* a, const Hypothesis* b) { return a->chance > b->chance; });
        leading.resize(std::min(leading.size(), kLeading));
        std::vector<CauseCheck> list;
        for (size_t i = 0; i < model_.causes.size(); ++i) {
            const CauseEffect& c = model_.causes[i];
            const bool done = std::any_of(rows_.begin(), rows_.end(),
                                          [i](const Row& r) { return r.cause == int(i); });
            if (done || c.tolerance <= 0 || c.cause == Cause::StockHeavy ||
                c.cause == Cause::Waterlogged) {
                continue;  // told by weighing and soaking
            }
            constexpr double kSharp = 0.4;
            const bool cutOpen = c.cause == Cause::LeadAside || c.cause == Cause::LeadAlong ||
                                 c.cause == Cause::LeadMass || c.cause == Cause::CoatsThick;
            if (!cutOpen) {
                list.push_back({c.cause,
                                {},
                                bitsOf({-1, int(i), 0, kSharp * c.tolerance}, leading),
                                c.cause == Cause::HooksHeavy ? 3.0 : 2.0});
            }
        }
        const std::tuple<SymptomAxis, double, double> axes[] = {
            {SymptomAxis::MassOver, 0.00003, 1},    {SymptomAxis::Lean, 1.5 * kDegree, 3},
            {SymptomAxis::Nose, 1.5 * kDegree, 3},  {SymptomAxis::Spare, 0.006, 4},
            {SymptomAxis::MassGained, 0.00003, 35}, {SymptomAxis::RunsAside, 2 * kDegree, 10},
            {SymptomAxis::Depth, 0.06, 15},         {SymptomAxis::Beats, 0.04, 12}};
        for (const auto& [axis, error, minutes] : axes) {
            const bool done = std::any_of(rows_.begin(), rows_.end(),
                                          [a = int(axis)](const Row& r) { return r.axis == a; });
            if (!done && model_.told[size_t(axis)]) {
                list.push_back({{}, axis, bitsOf({int(axis), -1, 0, error}, leading), minutes});
            }
        }
        std::stable_sort(list.begin(), list.end(), [](const CauseCheck& a, const CauseCheck& b) {
            return a.bits / (a.minutes + 1) > b.bits / (b.minutes + 1);
        });
        return list;
    }

    const CauseModel& model_;
    bool before_;
    std::vector<Row> rows_;
    std::vector<Hypothesis> all_;
};

}  // namespace

CauseAnswer rankCauses(const CauseModel& model, const std::vector<SymptomSeen>& seen,
                       const std::vector<CauseSeen>& measured, bool before) {
    return Weighing(model, seen, measured, before).answer();
}

}  // namespace wl
