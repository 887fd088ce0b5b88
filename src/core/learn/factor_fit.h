// What readings of several baits say of a factor, and of the next reading.
#pragma once

#include <array>
#include <stop_token>
#include <vector>

#include <Eigen/Dense>

#include "core/learn/mixture.h"
#include "core/learn/spreads.h"

namespace wl {

/// A value; or a bound, as of a bait that ticks the bottom at a known depth (at least), does not
/// tick (at most), or both.
enum class SeenAs { Value, AtLeast, AtMost, Between };

/// Whose factor: the numbers only tell equal from different; under 0: none read shares it.
struct FactorOf {
    int maker = 0;
    int family = 0;
    int bait = 0;
    int copy = 0;
    double setting = 0.0;  ///< ln(reckoned here / reckoned at the bait's usual setting)
};

/// One reading in ln(seen / reckoned); reckoned without any factor. Readings with one `outing`
/// share its error; it must not be under 0.
struct FactorReading : FactorOf {
    int outing = 0;
    bool speedMeasured = false;
    SeenAs as = SeenAs::Value;
    double low = 0.0;   ///< the value, or the least
    double high = 0.0;  ///< the most
};

/// One cell of the grid of scales: how far baits scatter, how badly readings are taken, how far
/// days differ, each over what the spreads say.
struct ScaleCell {
    double effects = 1.0, errors = 1.0, outings = 1.0;
    double weight = 1.0;  ///< before the readings
};

/// A fit to all readings of one quantity: normal effects of maker, family, bait and copy, of the
/// bait's slope with its setting and of the outing; reading errors by Student's t of 4 degrees of
/// freedom as a sum of normals; three scales unknown. In each cell of the scales by expectation
/// propagation, all sites at once (Minka 2001; Rasmussen & Williams 2006, alg. 3.5), the cells
/// weighted by their evidence. The order of the readings changes nothing but the last digits.
class FactorFit {
  public:
    /// `oneCell` and `normalErrors` leave out the scales and the tails: a plain least squares, for
    /// checks. Of more than kMost readings the last count. Readings that are not finite, or a
    /// hundred thousand times off, are left out.
    static constexpr size_t kMost = 60;
    struct Plain {
        bool oneCell = false, normalErrors = false, unscaled = false;
        double wrong = 0.05;  ///< share of one-sided readings that are plain wrong
    };
    FactorFit(const Spreads& spreads, std::vector<FactorReading> readings,
              std::stop_token stop = {}, const Plain& plain = {false, false, false, 0.05});

    const std::vector<FactorReading>& readings() const { return readings_; }
    /// Where each of them stood among those given.
    const std::vector<size_t>& places() const { return places_; }
    const Spreads& spreads() const { return spreads_; }

    /// ln of the factor of that bait (and copy), without the error of a day or a reading.
    Mixture factor(const FactorOf& of) const;
    /// ln of what the next reading of it would be by what is reckoned, on an outing of its own or
    /// (`outing` of one that was read) on that one.
    Mixture next(const FactorOf& of, int outing = -1, bool speedMeasured = false) const {
        return nextWith(of, outing, speedMeasured, true);
    }
    /// The difference of the factors of two.
    Mixture difference(const FactorOf& a, const FactorOf& b) const;
    /// Chance of a reading lying as far off as it does, given the others; of a bound, that it
    /// holds.
    double chanceOf(size_t reading) const;
    /// Chance that a value not among the readings would lie as far off as that.
    double chanceOfValue(const FactorReading& reading) const;
    /// Chance that readings err by 2.2 times their scale or more.
    double chanceOfQuarrel() const;
    /// Log of the evidence for all readings, averaged over the cells.
    double logEvidence() const { return logEvidence_; }

    /// Variance of the factor of `of` now, and after one more reading of `read` (a value, or a
    /// tick at the depth of even chance), averaged over the cells. On an outing of its own or
    /// together with a read one.
    double varianceNow(const FactorOf& of) const;
    double varianceAfter(const FactorOf& of, const FactorOf& read, int outing, bool tick) const;

  private:
    Mixture nextWith(const FactorOf& of, int outing, bool speedMeasured, bool error) const;
    struct Cell {
        ScaleCell scales;
        double weight = 0.0;      ///< with the evidence
        Eigen::VectorXd root;     ///< square roots of the sites' precisions
        Eigen::MatrixXd inverse;  ///< of B = 1 + root K root
        Eigen::VectorXd alpha;    ///< mean of anything = its covariance with the readings . alpha
        Eigen::VectorXd cavityMean, cavityVariance, logSite;
    };
    double sharedVariance(const FactorOf& a, const FactorOf& b, const ScaleCell& s) const;
    double outingVariance(const FactorReading& a, const FactorReading& b, const ScaleCell& s) const;
    double covariance(const FactorReading& a, const FactorReading& b, const ScaleCell& s) const;
    Cell fitCell(const ScaleCell& scales, const std::stop_token& stop) const;
    Eigen::VectorXd with(const FactorReading& of, bool sharesOuting, const ScaleCell& s) const;
    double posterior(const Cell& cell, const Eigen::VectorXd& a, const Eigen::VectorXd& b,
                     double prior) const;

    Spreads spreads_;
    std::vector<FactorReading> readings_;
    std::vector<size_t> places_;
    Plain plain_;
    double scaled_ = 1.0;  ///< of the spread behind the book's band, so that no reading gives it
    std::vector<Cell> cells_;
    double logEvidence_ = 0.0;
};

}  // namespace wl
