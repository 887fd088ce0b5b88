#include <algorithm>
#include <cmath>
#include <tuple>

#include <Eigen/Dense>

#include "core/base/units.h"
#include "core/forecast/causes.h"

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
