// The tank school's least squares against GSL's (gsl_multifit_nlinear, GSL 2.7), first-order
// doubt against GSL's normal law, and what a log teaches against GSL's Cholesky.
#include <gsl/gsl_blas.h>
#include <gsl/gsl_cdf.h>
#include <gsl/gsl_linalg.h>
#include <gsl/gsl_multifit_nlinear.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <random>
#include <vector>

#include "core/learn/factor_fit.h"
#include "core/school/tank_school.h"
#include "core/tank/doubt.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

struct Problem {
    Design design;
    std::vector<double> spread;  // of the six unknowns, standard
    std::vector<double> error;   // of the readings
    double reference_kg = 0.0;
};

TankCorrection correctionFrom(const Problem& p, const gsl_vector* x) {
    auto at = [&](size_t i) { return gsl_vector_get(x, i) * p.spread[i]; };
    return {true, at(0), at(1), p.reference_kg, at(2), at(3), at(4), at(5)};
}

int residuals(const gsl_vector* x, void* data, gsl_vector* out) {
    const Problem& p = *static_cast<const Problem*>(data);
    const TankCorrection c = correctionFrom(p, x);
    for (size_t i = 0; i < 6; ++i) {
        gsl_vector_set(out, i, gsl_vector_get(x, i));
    }
    for (size_t i = 0; i < p.design.tank.readings.size(); ++i) {
        const TankReading& r = p.design.tank.readings[i];
        const double predicted = *predictReading(p.design, r, c);
        const double seen = r.kind == ReadingKind::Showing  ? r.showing_m
                            : r.kind == ReadingKind::Weighs ? r.mass_kg
                            : r.kind == ReadingKind::Still  ? 0.0
                                                            : r.angle_rad;
        gsl_vector_set(out, 6 + i, (predicted - seen) / p.error[i]);
    }
    return GSL_SUCCESS;
}

std::vector<double> byGsl(Problem& p) {
    gsl_multifit_nlinear_parameters how = gsl_multifit_nlinear_default_parameters();
    how.h_df = 1e-3;
    how.fdtype = GSL_MULTIFIT_NLINEAR_CTRDIFF;
    const size_t n = 6 + p.design.tank.readings.size();
    gsl_multifit_nlinear_workspace* work =
        gsl_multifit_nlinear_alloc(gsl_multifit_nlinear_trust, &how, n, 6);
    gsl_multifit_nlinear_fdf system{residuals, nullptr, nullptr, n, 6, &p, 0, 0, 0};
    gsl_vector* start = gsl_vector_calloc(6);
    for (size_t i = 0; i < 6; ++i) {
        gsl_vector_set(start, i, 0.02);
    }
    gsl_multifit_nlinear_init(start, &system, work);
    int info = 0;
    gsl_multifit_nlinear_driver(40, 1e-7, 1e-7, 0, nullptr, nullptr, &info, work);
    std::vector<double> x;
    for (size_t i = 0; i < 6; ++i) {
        x.push_back(gsl_vector_get(gsl_multifit_nlinear_position(work), i));
    }
    gsl_vector_free(start);
    gsl_multifit_nlinear_free(work);
    return x;
}

}  // namespace

TEST_CASE("what the tank says of the bait: GSL's least squares finds the same") {
    Problem p;
    p.design = demoDesign();
    TankReading lean;
    lean.kind = ReadingKind::Lean;
    lean.angle_rad = 4.0 * kDegree;
    p.design.tank.readings.push_back(lean);
    const Result<TankInference> ours = inferFromTank(p.design);
    REQUIRE(ours.ok());
    p.reference_kg = ours->mass_kg.drawn;
    p.spread = {ours->mass_kg.doubtBefore,    ours->volume_m3.doubtBefore,
                ours->gravityX_m.doubtBefore, ours->gravityY_m.doubtBefore,
                ours->gravityZ_m.doubtBefore, ours->buoyancyX_m.doubtBefore};
    for (const ReadingFit& fit : ours->fits) {
        p.error.push_back(fit.error);
    }
    const std::vector<double> gsl = byGsl(p);
    const TankCorrection& c = ours->correction;
    const double mine[] = {c.mass_kg,    c.volume_m3,  c.gravityX_m,
                           c.gravityY_m, c.gravityZ_m, c.buoyancyX_m};
    for (size_t i = 0; i < 6; ++i) {
        INFO(i);
        // To a hundredth of the drawing's own doubt: the bait settles to 1e-6 of a radian.
        CHECK(mine[i] / p.spread[i] == Approx(gsl[i]).margin(0.01));
    }
}

TEST_CASE("one normal error: the chances are GSL's") {
    for (const double net : {-0.3, -0.05, 0.0, 0.02, 0.4}) {
        for (const double spread : {0.01, 0.1, 0.5}) {
            const Chances c = chancesFor(net, 0.1, 0.0, spread);
            CHECK(c.sinks == Approx(gsl_cdf_ugaussian_P((-0.1 - net) / spread)).margin(1e-12));
            CHECK(c.floats == Approx(gsl_cdf_ugaussian_Q((0.1 - net) / spread)).margin(1e-12));
        }
    }
}

TEST_CASE("a factor by least squares agrees with GSL on the same covariances, seeded") {
    std::mt19937 random(29);
    std::uniform_real_distribution<double> uniform(-0.4, 0.4);
    const Spreads& s = spreadsOf(Learnt::DepthInLine);
    const double total = s.bookLn() / 1.645;
    for (int round = 0; round < 20; ++round) {
        const size_t n = 1 + random() % 12;
        std::vector<FactorReading> readings(n);
        for (FactorReading& r : readings) {
            r.family = int(random() % 2);
            r.bait = 10 * r.family + int(random() % 2);
            r.copy = int(random() % 2);
            r.outing = int(random() % 3);
            r.setting = uniform(random);
            r.low = r.high = uniform(random);
        }
        const FactorOf of{0, 0, 0, 0, 0.1};
        const auto shared = [&](const FactorOf& a, const FactorOf& b) {
            const bool bait = a.bait == b.bait;
            const double kin =
                s.maker + (a.family == b.family ? s.family : 0) + (bait ? s.bait : 0);
            return kin * total * total + (bait ? s.slope * s.slope * a.setting * b.setting : 0) +
                   (bait && a.copy == b.copy ? s.copy * s.copy : 0);
        };
        gsl_matrix* k = gsl_matrix_alloc(n, n);
        gsl_vector *y = gsl_vector_alloc(n), *x = gsl_vector_alloc(n), *c = gsl_vector_alloc(n);
        for (size_t i = 0; i < n; ++i) {
            for (size_t j = 0; j < n; ++j) {
                double v = shared(readings[i], readings[j]);
                v += readings[i].outing == readings[j].outing ? s.outing * s.outing : 0;
                v += i == j ? s.reading * s.reading : 0;
                gsl_matrix_set(k, i, j, v);
            }
            gsl_vector_set(y, i, readings[i].low);
            gsl_vector_set(c, i, shared(of, readings[i]));
        }
        gsl_linalg_cholesky_decomp1(k);
        gsl_linalg_cholesky_solve(k, y, x);
        double mean = 0, taken = 0;
        gsl_blas_ddot(c, x, &mean);
        gsl_linalg_cholesky_solve(k, c, x);
        gsl_blas_ddot(c, x, &taken);
        const FactorFit fit(s, readings, {}, {true, true, true, 0.05});
        CHECK(fit.factor(of).mean_() == Approx(mean).epsilon(1e-6).margin(1e-9));
        CHECK(fit.factor(of).sd() == Approx(std::sqrt(shared(of, of) - taken)).epsilon(1e-6));
        gsl_matrix_free(k);
        gsl_vector_free(y);
        gsl_vector_free(x);
        gsl_vector_free(c);
    }
}
