#include "core/learn/factor_fit.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <numbers>

#include <boost/math/distributions/gamma.hpp>
#include <boost/math/distributions/normal.hpp>

namespace wl {
namespace {

constexpr double kNinety = 1.645;      // of a normal, either way
constexpr double kT4AtNinety = 1.296;  // t of 4 over a normal there
constexpr double kFreedom = 4.0;
constexpr double kOddsOfScales[3] = {0.6, 0.6, 0.8};  // of ln(scale): effects, errors, outings

double normalDensity(double z) {
    return std::exp(-0.5 * z * z) / std::sqrt(2 * std::numbers::pi);
}

struct Normals {
    std::vector<double> weight, variance;
};

// Student's t as normals: its precision follows a gamma law; slices of that with their own mean
// precision, the light ones thin, so that a mistake of unit far out in the tail is met.
const Normals& studentT() {
    static const Normals normals = [] {
        constexpr double kEdges[] = {0.0,  2e-5, 5e-4, 5e-3, 0.03, 0.1,
                                     0.25, 0.5,  0.75, 0.9,  0.98, 1.0};
        const boost::math::gamma_distribution<> law(kFreedom / 2, 2 / kFreedom);
        const boost::math::gamma_distribution<> weighted(kFreedom / 2 + 1, 2 / kFreedom);
        Normals n;
        for (size_t i = 0; i + 1 < std::size(kEdges); ++i) {
            const double from = kEdges[i] > 0 ? boost::math::quantile(law, kEdges[i]) : 0.0;
            const double to =
                kEdges[i + 1] < 1
                    ? boost::math::cdf(weighted, boost::math::quantile(law, kEdges[i + 1]))
                    : 1.0;
            const double share = kEdges[i + 1] - kEdges[i];
            const double precision =
                (to - (from > 0 ? boost::math::cdf(weighted, from) : 0.0)) / share;
            n.weight.push_back(share);
            n.variance.push_back(1 / precision);
        }
        return n;
    }();
    return normals;
}

const std::vector<ScaleCell>& scaleGrid() {
    static const std::vector<ScaleCell> grid = [] {
        std::vector<ScaleCell> cells;
        double sum = 0;
        for (const double effects : {0.6, 1.0, 1.6, 2.6, 4.0}) {
            for (const double errors : {0.7, 1.0, 1.5, 2.2, 3.3}) {
                for (const double outings : {1.0, 1.8, 3.2}) {
                    const double off = std::pow(std::log(effects) / kOddsOfScales[0], 2) +
                                       std::pow(std::log(errors) / kOddsOfScales[1], 2) +
                                       std::pow(std::log(outings) / kOddsOfScales[2], 2);
                    cells.push_back({effects, errors, outings, std::exp(-0.5 * off)});
                    sum += cells.back().weight;
                }
            }
        }
        for (ScaleCell& cell : cells) {
            cell.weight /= sum;
        }
        return cells;
    }();
    return grid;
}

// Log of a likelihood averaged over a normal, and its first two derivatives by the normal's mean.
struct Averaged {
    double log = 0.0, first = 0.0, second = 0.0;
};

Averaged ofNormals(double y, const Normals& errors, double scale, double mean, double variance) {
    double sum = 0, slope = 0, bend = 0;
    for (size_t k = 0; k < errors.weight.size(); ++k) {
        const double v = variance + scale * scale * errors.variance[k];
        const double off = y - mean;
        const double p = errors.weight[k] * normalDensity(off / std::sqrt(v)) / std::sqrt(v);
        sum += p;
        slope += p * off / v;
        bend += p * (off * off / (v * v) - 1 / v);
    }
    if (!(sum > 1e-290)) {  // beyond what a double holds: the widest normal alone
        const double v = variance + scale * scale * errors.variance.front();
        const double off = y - mean;
        return {-0.5 * off * off / v - 0.5 * std::log(2 * std::numbers::pi * v), off / v, -1 / v};
    }
    slope /= sum;
    return {std::log(sum), slope, bend / sum - slope * slope};
}

Averaged ofBounds(const FactorReading& r, double scale, double wrong, double mean,
                  double variance) {
    const double sd = std::sqrt(variance + scale * scale);
    const double held = 1 - wrong;
    double inside = 1, slope = 0, bend = 0;
    if (r.as != SeenAs::AtMost) {
        const double z = (r.low - mean) / sd;
        inside -= normalBelow(z);
        slope += normalDensity(z) / sd;
        bend += z * normalDensity(z) / (sd * sd);
    }
    if (r.as != SeenAs::AtLeast) {
        const double z = (r.high - mean) / sd;
        inside -= normalBelow(-z);
        slope -= normalDensity(z) / sd;
        bend -= z * normalDensity(z) / (sd * sd);
    }
    const double sum = std::max(held * std::max(inside, 0.0) + 0.5 * wrong, 1e-290);
    const double first = held * slope / sum;
    return {std::log(sum), first, held * bend / sum - first * first};
}

}  // namespace

FactorFit::FactorFit(const Spreads& spreads, std::vector<FactorReading> readings,
                     std::stop_token stop, const Plain& plain)
    : spreads_(spreads), plain_(plain) {
    constexpr double kNoReading = 12.0;
    const auto real = [](double x) { return std::abs(x) <= kNoReading; };
    for (size_t i = 0; i < readings.size(); ++i) {
        if (real(readings[i].low) && real(readings[i].high) && real(readings[i].setting)) {
            places_.push_back(i);
        }
    }
    if (places_.size() > kMost) {
        places_.erase(places_.begin(), places_.end() - long(kMost));
    }
    for (const size_t place : places_) {
        readings_.push_back(readings[place]);
    }
    const std::vector<ScaleCell> one{{}};
    const std::vector<ScaleCell>& grid = plain.oneCell ? one : scaleGrid();
    if (!plain.unscaled) {
        // Scales above 1 widen the band; a share of the spread gives the book's own again.
        double low = 0.2, high = 1.0;
        const double total = spreads_.bookLn() / kNinety;
        for (int i = 0; i < 60; ++i) {
            scaled_ = 0.5 * (low + high);
            double beyond = 0;
            for (const ScaleCell& cell : grid) {
                const double effects = std::hypot(cell.effects * scaled_ * total, spreads_.copy);
                beyond += cell.weight * normalBelow(-spreads_.bookLn() / effects);
            }
            (beyond < 0.05 ? low : high) = scaled_;
        }
    }
    for (const ScaleCell& scales : grid) {
        if (stop.stop_requested()) {
            break;
        }
        cells_.push_back(fitCell(scales, stop));
    }
    double most = -1e300, sum = 0;
    for (const Cell& cell : cells_) {
        most = std::max(most, cell.weight);
    }
    for (Cell& cell : cells_) {
        cell.weight = cell.scales.weight * std::exp(cell.weight - most);
        sum += cell.weight;
    }
    logEvidence_ = sum > 0 ? most + std::log(sum) : 0.0;
    for (Cell& cell : cells_) {
        cell.weight /= sum;
    }
}

double FactorFit::sharedVariance(const FactorOf& a, const FactorOf& b, const ScaleCell& s) const {
    const auto same = [](int x, int y) { return x >= 0 && x == y; };
    const double total = s.effects * scaled_ * spreads_.bookLn() / kNinety;
    double shared = 0;
    const bool maker = same(a.maker, b.maker);
    shared += maker ? spreads_.maker : 0.0;
    const bool family = maker && same(a.family, b.family);
    shared += family ? spreads_.family : 0.0;
    const bool bait = family && same(a.bait, b.bait);
    shared += bait ? spreads_.bait : 0.0;
    double sum = shared * total * total;
    if (bait) {
        sum += s.effects * s.effects * spreads_.slope * spreads_.slope * a.setting * b.setting;
        sum += same(a.copy, b.copy) ? spreads_.copy * spreads_.copy : 0.0;
    }
    return sum;
}

double FactorFit::outingVariance(const FactorReading& a, const FactorReading& b,
                                 const ScaleCell& s) const {
    if (a.outing < 0 || a.outing != b.outing) {
        return 0.0;
    }
    const auto sd = [this](const FactorReading& r) {
        return r.speedMeasured ? spreads_.outingMeasured : spreads_.outing;
    };
    return s.outings * s.outings * sd(a) * sd(b);
}

double FactorFit::covariance(const FactorReading& a, const FactorReading& b,
                             const ScaleCell& s) const {
    return sharedVariance(a, b, s) + outingVariance(a, b, s);
}

FactorFit::Cell FactorFit::fitCell(const ScaleCell& scales, const std::stop_token& stop) const {
    constexpr int kRounds = 400, kQuickRounds = 40;
    constexpr double kQuick = 0.8, kSlow = 0.4, kClose = 1e-9, kLeast = 1e-6, kMostShare = 0.999999;
    static const Normals kOneNormal{{1.0}, {1.0}};
    const Normals& errors = plain_.normalErrors ? kOneNormal : studentT();
    const long n = long(readings_.size());
    const double scale = scales.errors * spreads_.reading;
    Cell cell;
    cell.scales = scales;
    Eigen::MatrixXd k(n, n);
    for (long i = 0; i < n; ++i) {
        for (long j = 0; j < n; ++j) {
            k(i, j) = covariance(readings_[size_t(i)], readings_[size_t(j)], scales);
        }
    }
    Eigen::VectorXd precision = Eigen::VectorXd::Constant(n, kLeast);
    Eigen::VectorXd shift = Eigen::VectorXd::Zero(n);
    cell.cavityMean = cell.cavityVariance = cell.logSite = Eigen::VectorXd::Zero(n);
    Eigen::VectorXd mean = Eigen::VectorXd::Zero(n), variance = k.diagonal();
    const auto settle = [&] {
        cell.root = precision.cwiseSqrt();
        Eigen::MatrixXd b = cell.root.asDiagonal() * k * cell.root.asDiagonal();
        b.diagonal().array() += 1.0;
        const Eigen::LLT<Eigen::MatrixXd> factor(b);
        cell.inverse = factor.solve(Eigen::MatrixXd::Identity(n, n));
        cell.alpha = shift - cell.root.asDiagonal() *
                                 (cell.inverse * (cell.root.asDiagonal() * (k * shift)));
        mean = k * cell.alpha;
        const Eigen::MatrixXd half = cell.root.asDiagonal() * k;
        variance =
            k.diagonal() - half.cwiseProduct(cell.inverse * half).colwise().sum().transpose();
        return -0.5 * 2 * factor.matrixL().toDenseMatrix().diagonal().array().log().sum();
    };
    const auto site = [&](long i) {
        const double v = 1 / (1 / variance[i] - precision[i]);
        const double m = v * (mean[i] / variance[i] - shift[i]);
        cell.cavityMean[i] = m;
        cell.cavityVariance[i] = v;
        const FactorReading& r = readings_[size_t(i)];
        return r.as == SeenAs::Value ? ofNormals(r.low, errors, scale, m, v)
                                     : ofBounds(r, scale, plain_.wrong, m, v);
    };
    double logDeterminant = n > 0 ? settle() : 0.0;
    for (int round = 0; round < kRounds && n > 0 && !stop.stop_requested(); ++round) {
        const double damping = round < kQuickRounds ? kQuick : kSlow;
        double most = 0;
        for (long i = 0; i < n; ++i) {
            const Averaged a = site(i);
            const double v = cell.cavityVariance[i], m = cell.cavityMean[i];
            const double bent = std::clamp(-a.second, kLeast, kMostShare / v);
            const double wantedPrecision = bent / (1 - bent * v);
            const double wantedShift = (m * bent + a.first) / (1 - bent * v);
            const double step = damping * (wantedPrecision - precision[i]);
            const double stepShift = damping * (wantedShift - shift[i]);
            most = std::max({most, std::abs(step) * v, std::abs(stepShift) * std::sqrt(v)});
            precision[i] += step;
            shift[i] += stepShift;
        }
        logDeterminant = settle();
        if (most < kClose) {
            break;
        }
    }
    double evidence = logDeterminant + (n > 0 ? 0.5 * shift.dot(mean) : 0.0);
    for (long i = 0; i < n; ++i) {
        const Averaged a = site(i);
        cell.logSite[i] = a.log;
        const double v = cell.cavityVariance[i], m = cell.cavityMean[i];
        const double w = 1 / (1 / v + precision[i]), b = m / v + shift[i];
        evidence += a.log - (0.5 * std::log(w / v) + 0.5 * w * b * b - 0.5 * m * m / v);
    }
    cell.weight = evidence;
    return cell;
}

Eigen::VectorXd FactorFit::with(const FactorReading& of, bool sharesOuting,
                                const ScaleCell& s) const {
    Eigen::VectorXd k(long(readings_.size()));
    for (size_t i = 0; i < readings_.size(); ++i) {
        k[long(i)] = sharedVariance(of, readings_[i], s) +
                     (sharesOuting ? outingVariance(of, readings_[i], s) : 0.0);
    }
    return k;
}

double FactorFit::posterior(const Cell& cell, const Eigen::VectorXd& a, const Eigen::VectorXd& b,
                            double prior) const {
    const Eigen::VectorXd left = cell.root.cwiseProduct(a), right = cell.root.cwiseProduct(b);
    return prior - left.dot(cell.inverse * right);
}

Mixture FactorFit::factor(const FactorOf& of) const {
    Mixture mix;
    FactorReading at;
    static_cast<FactorOf&>(at) = of;
    at.outing = -1;
    for (const Cell& cell : cells_) {
        const Eigen::VectorXd k = with(at, false, cell.scales);
        FactorOf own = of;
        own.maker = own.family = own.bait = own.copy = 0;  // it is itself
        mix.weight.push_back(cell.weight);
        mix.mean.push_back(k.dot(cell.alpha));
        mix.variance.push_back(
            std::max(1e-12, posterior(cell, k, k, sharedVariance(own, own, cell.scales))));
    }
    return mix;
}

Mixture FactorFit::nextWith(const FactorOf& of, int outing, bool speedMeasured,
                            bool withError) const {
    Mixture mix;
    FactorReading at;
    static_cast<FactorOf&>(at) = of;
    at.outing = outing;
    at.speedMeasured = speedMeasured;
    FactorReading own = at;
    own.maker = own.family = own.bait = own.copy = own.outing = 0;
    for (const Cell& cell : cells_) {
        const Eigen::VectorXd k = with(at, true, cell.scales);
        const double error = withError ? kT4AtNinety * cell.scales.errors * spreads_.reading : 0.0;
        mix.weight.push_back(cell.weight);
        mix.mean.push_back(k.dot(cell.alpha));
        mix.variance.push_back(
            std::max(1e-12, posterior(cell, k, k, covariance(own, own, cell.scales))) +
            error * error);
    }
    return mix;
}

Mixture FactorFit::difference(const FactorOf& a, const FactorOf& b) const {
    Mixture mix;
    FactorReading first, second;
    static_cast<FactorOf&>(first) = a;
    static_cast<FactorOf&>(second) = b;
    for (const Cell& cell : cells_) {
        const Eigen::VectorXd k =
            with(first, false, cell.scales) - with(second, false, cell.scales);
        const double prior = sharedVariance(a, a, cell.scales) + sharedVariance(b, b, cell.scales) -
                             2 * sharedVariance(a, b, cell.scales);
        mix.weight.push_back(cell.weight);
        mix.mean.push_back(k.dot(cell.alpha));
        mix.variance.push_back(std::max(1e-12, posterior(cell, k, k, prior)));
    }
    return mix;
}

double FactorFit::chanceOf(size_t reading) const {
    const FactorReading& r = readings_[reading];
    static const Normals kOneNormal{{1.0}, {1.0}};
    const Normals& errors = plain_.normalErrors ? kOneNormal : studentT();
    const long i = long(reading);
    // Cells weighted as without it.
    double most = -1e300;
    for (const Cell& cell : cells_) {
        most = std::max(most, std::log(std::max(cell.weight, 1e-300)) - cell.logSite[i]);
    }
    double sum = 0, below = 0;
    for (const Cell& cell : cells_) {
        const double w = std::exp(std::log(std::max(cell.weight, 1e-300)) - cell.logSite[i] - most);
        sum += w;
        const double scale = cell.scales.errors * spreads_.reading;
        if (r.as != SeenAs::Value) {
            below += w * std::exp(cell.logSite[i]);
            continue;
        }
        for (size_t k = 0; k < errors.weight.size(); ++k) {
            const double v = cell.cavityVariance[i] + scale * scale * errors.variance[k];
            below +=
                w * errors.weight[k] * normalBelow((r.low - cell.cavityMean[i]) / std::sqrt(v));
        }
    }
    below /= sum;
    return r.as == SeenAs::Value ? 2 * std::min(below, 1 - below) : below;
}

double FactorFit::chanceOfValue(const FactorReading& reading) const {
    const Mixture latent = nextWith(reading, reading.outing, reading.speedMeasured, false);
    const Normals& errors = studentT();
    double below = 0;
    for (size_t c = 0; c < cells_.size(); ++c) {
        const double scale = cells_[c].scales.errors * spreads_.reading;
        for (size_t k = 0; k < errors.weight.size(); ++k) {
            const double v = latent.variance[c] + scale * scale * errors.variance[k];
            below += latent.weight[c] * errors.weight[k] *
                     normalBelow((reading.low - latent.mean[c]) / std::sqrt(v));
        }
    }
    return 2 * std::min(below, 1 - below);
}

double FactorFit::chanceOfQuarrel() const {
    constexpr double kQuarrel = 2.2;
    double sum = 0;
    for (const Cell& cell : cells_) {
        sum += cell.scales.errors >= kQuarrel ? cell.weight : 0.0;
    }
    return sum;
}

double FactorFit::varianceNow(const FactorOf& of) const {
    const Mixture mix = factor(of);
    double sum = 0;
    for (size_t i = 0; i < mix.weight.size(); ++i) {
        sum += mix.weight[i] * mix.variance[i];
    }
    return sum;
}

double FactorFit::varianceAfter(const FactorOf& of, const FactorOf& read, int outing,
                                bool tick) const {
    constexpr double kKeptByTick = 2 / std::numbers::pi;  // of a half-normal
    FactorReading target, candidate;
    static_cast<FactorOf&>(target) = of;
    target.outing = -1;
    static_cast<FactorOf&>(candidate) = read;
    candidate.outing = outing;
    FactorReading ownTarget = target, ownCandidate = candidate;
    ownTarget.maker = ownTarget.family = ownTarget.bait = ownTarget.copy = 0;
    ownCandidate.maker = ownCandidate.family = ownCandidate.bait = ownCandidate.copy = 0;
    ownCandidate.outing = 0;
    double sum = 0;
    for (const Cell& cell : cells_) {
        const Eigen::VectorXd kt = with(target, false, cell.scales);
        const Eigen::VectorXd kc = with(candidate, true, cell.scales);
        const double vt =
            posterior(cell, kt, kt, sharedVariance(ownTarget, ownTarget, cell.scales));
        const double vc =
            posterior(cell, kc, kc, covariance(ownCandidate, ownCandidate, cell.scales));
        const double both = posterior(cell, kt, kc, sharedVariance(of, read, cell.scales));
        const double scale = cell.scales.errors * spreads_.reading;
        const double error = (tick ? 1.0 : 2.0) * scale * scale;
        sum += cell.weight * (vt - (tick ? kKeptByTick : 1.0) * both * both / (vc + error));
    }
    return sum;
}

}  // namespace wl
