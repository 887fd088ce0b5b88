// Baits in pieces against this project's prototype (outputs of our own programs, not measurements;
// what its record leaves open is said beside each check), closed forms, symmetries and an
// integrator of another library.
#include <boost/numeric/odeint.hpp>
#include <catch2/catch.hpp>

#include <gsl/gsl_eigen.h>
#include <Eigen/Core>

#include "core/chain/chain_swim.h"
#include "core/swim/wobble_body.h"
#include "support/chain_cases.h"

using namespace wl;
using namespace wl::test;

namespace {

ChainState stateOf(std::initializer_list<double> values) {
    ChainState y(Eigen::Index(values.size()));
    std::copy(values.begin(), values.end(), y.data());
    return y;
}

// What sheds and drags taken away: an ideal fluid.
PlanarChain ideal(PlanarChain chain) {
    for (ChainPiece& p : chain.pieces) {
        p.axial_kg_m = 0;
        p.edges.clear();
        p.crossFlow.clear();
        p.drags.clear();
    }
    for (PlanarJoint& j : chain.joints) {
        j.opening_rad = 1e3;
    }
    return chain;
}

// Real parts of the eigenvalues, largest first (GSL 2.7).
std::vector<double> realPartsOfRoots(const Eigen::MatrixXd& of) {
    const auto n = size_t(of.rows());
    gsl_matrix* matrix = gsl_matrix_alloc(n, n);
    for (size_t i = 0; i < n * n; ++i) {
        gsl_matrix_set(matrix, i / n, i % n, of(Eigen::Index(i / n), Eigen::Index(i % n)));
    }
    gsl_vector_complex* roots = gsl_vector_complex_alloc(n);
    gsl_eigen_nonsymm_workspace* work = gsl_eigen_nonsymm_alloc(n);
    REQUIRE(gsl_eigen_nonsymm(matrix, roots, work) == 0);
    std::vector<double> real;
    for (size_t i = 0; i < n; ++i) {
        real.push_back(GSL_REAL(gsl_vector_complex_get(roots, i)));
    }
    gsl_eigen_nonsymm_free(work);
    gsl_vector_complex_free(roots);
    gsl_matrix_free(matrix);
    std::sort(real.rbegin(), real.rend());
    return real;
}

// Growth of small leans about towing straight at a speed, fastest first.
std::vector<double> towRoots(const PlanarChain& chain, double speed) {
    const auto n = Eigen::Index(chain.pieces.size()) + 2;
    constexpr double kLine = 25, kStep = 1e-6;
    double drag = 0;
    for (const ChainPiece& p : chain.pieces) {
        drag += p.axial_kg_m * speed * speed;
        for (const auto& d : p.drags) {
            drag += d.factor * speed * speed;
        }
    }
    ChainLine line;
    line.pulls = true;
    line.rod_m = {kLine, 0};
    line.shortens_m_s = speed;
    line.out_m = kLine - drag / line.spring_N_m;
    // Across and headings, and their rates.
    std::vector<Eigen::Index> at;
    for (Eigen::Index i = 1; i < n; ++i) {
        at.push_back(i);
    }
    const auto m = Eigen::Index(at.size());
    Eigen::MatrixXd a = Eigen::MatrixXd::Zero(2 * m, 2 * m);
    a.topRightCorner(m, m).setIdentity();
    for (Eigen::Index k = 0; k < 2 * m; ++k) {
        ChainState more = ChainState::Zero(2 * n), less = more;
        more[n] = less[n] = speed;
        const Eigen::Index which = at[size_t(k % m)] + (k < m ? 0 : n);
        more[which] += kStep;
        less[which] -= kStep;
        const Eigen::VectorXd d =
            (chainAcceleration(chain, more, line) - chainAcceleration(chain, less, line)) /
            (2 * kStep);
        for (Eigen::Index r = 0; r < m; ++r) {
            a(m + r, k) = d[at[size_t(r)]];
        }
    }
    return realPartsOfRoots(a);
}

}  // namespace

TEST_CASE("chain: water of a spheroid, fins and soft tails by closed forms") {
    const SpheroidWater six = spheroidWater(6);
    CHECK(six.along == Approx(0.04518).epsilon(2e-4));
    CHECK(six.across == Approx(0.91712).epsilon(2e-5));
    // A fin sheds as much as half its lift slope by its area (case F03).
    CHECK(0.5 * 998 * 2e-4 * lowAspectSlope(1.2) == Approx(0.1736861).epsilon(1e-5));
    // 3 E I / l and by the water's at half a metre a second (case F04).
    const double spring = softTailSpring_N_m(0.2e6, 0.02, 0.002, 0.03);
    CHECK(spring == Approx(2.666667e-4).epsilon(1e-6));
    CHECK(spring / (0.5 * 998 * 0.25 * 0.02 * 0.03 * 0.03) == Approx(0.118756).epsilon(1e-5));
}

TEST_CASE("chain: coefficients and accelerations of the two-piece glider") {
    const PlanarChain c = layOutChain(glider(), Model{}, 0.8);
    constexpr double kSurge[] = {0.167768601, 0.10058726}, kSway[] = {0.432398597, 0.291610162},
                     kFirst[] = {-0.030011605, -0.014477044},
                     kSecond[] = {0.002570275, 0.001073851};
    for (size_t i = 0; i < 2; ++i) {
        CHECK(c.pieces[i].surge_kg == Approx(kSurge[i]).epsilon(1e-6));
        CHECK(c.pieces[i].sway_kg == Approx(kSway[i]).epsilon(1e-5));
        CHECK(c.pieces[i].first_kg_m == Approx(kFirst[i]).epsilon(1e-5));
        CHECK(c.pieces[i].second_kg_m2 == Approx(kSecond[i]).epsilon(1e-5));
    }
    CHECK(c.stop_N_m[0] == Approx(18.620264).epsilon(1e-5));
    CHECK(c.areaCentre_m == Approx(0.1203778).epsilon(1e-5));
    CHECK(c.gravity_m == Approx(0.1065783).epsilon(1e-5));
    CHECK(c.sideForceAt_m == Approx(0.0744394).epsilon(1e-6));
    const auto close = [](const Eigen::VectorXd& a, std::initializer_list<double> want,
                          double epsilon) {
        Eigen::Index i = 0;
        for (const double w : want) {
            CHECK(a[i++] == Approx(w).epsilon(epsilon));
        }
    };
    close(chainAcceleration(c, stateOf({0, 0, 0.1, -0.2, 0.6, 0.05, 0.8, -1.5}), {}),
          {-0.760382864, 1.291477586, 12.240013789, 29.695505801}, 1e-6);
    close(chainAcceleration(c, stateOf({0, 0, 0.3, -0.25, 0.6, 0.05, 2, -1.5}), {}),
          {90.267756517, -170.737297373, -2777.183167337, 3353.725160189}, 1e-6);
}

TEST_CASE("chain: a coast and eight pulls of the glider") {
    const PlanarChain c = layOutChain(glider(), Model{}, 0.8);
    const auto coasted = [&](double step) {
        ChainState y = chainAt(c, {0.05, 0.05}, 1.0);
        for (int k = 0; k < int(std::lround(2 / step)); ++k) {
            stepChain(c, {}, step, y);
        }
        return y;
    };
    const ChainState fine = coasted(0.0005), usual = coasted(0.001);
    constexpr double kWant[] = {0.557464459, 0.517056504, 1.757440077, 1.23378059};
    for (Eigen::Index i = 0; i < 4; ++i) {
        CHECK(usual[i] == Approx(kWant[i]).epsilon(1e-5));
        CHECK(usual[i] == Approx(fine[i]).margin(2e-5));
    }
    const GlideWalk w = walk(c, {RodPull{}}, 8, 25, Model{}, {}, 0.001);
    REQUIRE(w.done);
    // What the rod does between pulls the record tells in words only: it asks for 1 %.
    CHECK(w.turn_rad / kDegree == Approx(173.597).epsilon(0.01));
    CHECK(w.way_m == Approx(5.4124).epsilon(0.03));
    CHECK(w.width_m == Approx(0.636475).epsilon(0.01));
    REQUIRE(w.radius_m);
    CHECK(*w.radius_m == Approx(0.301347).epsilon(0.025));
    CHECK(w.alternates == 1.0);
    const GlideWalk coarse = walk(c, {RodPull{}}, 8, 25, Model{});
    CHECK(coarse.turn_rad == Approx(w.turn_rad).margin(1 * kDegree));
    CHECK(verdictOf(coarse) == GlideVerdict::TurnsRound);
    // Both pieces turn with the bait; the tail, dragged round, goes more askew than the head.
    REQUIRE(w.pieces.size() == 2);
    CHECK(w.pieces[0].turn_rad == Approx(w.turn_rad));
    CHECK(std::abs(w.pieces[1].turn_rad - w.pieces[0].turn_rad) < 2 * 30.5 * kDegree);
    for (const PieceWalk& piece : w.pieces) {
        CHECK(piece.slip_rad > 1 * kDegree);
        CHECK(piece.slip_rad < 90 * kDegree);
    }
    // Gliding straight on it goes askew no more than it began with.
    const PlanarChain stiff = layOutChain(glider(0.5 * kDegree), Model{}, 0.8);
    RodPull gentle;
    gentle.stroke_m = 0.02;
    const GlideWalk straight = walk(stiff, {gentle}, 8, 25, Model{});
    CHECK(straight.pieces[1].slip_rad == Approx(straight.pieces[0].slip_rad).margin(3 * kDegree));
}

TEST_CASE("chain: the wider a two-piece bait with tail enough opens, the closer its bends") {
    double last = 1e9;
    for (const double open : {15.0, 30.0, 50.0}) {
        const GlideWalk w =
            walk(layOutChain(glider(open * kDegree), Model{}, 0.8), {RodPull{}}, 8, 25, Model{});
        REQUIRE(w.radius_m);
        CHECK(*w.radius_m < last);
        last = *w.radius_m;
    }
    // Without a tail fin it turns once and gets no farther on.
    const GlideWalk bare =
        walk(layOutChain(glider(30 * kDegree, 0), Model{}, 0.8), {RodPull{}}, 8, 25, Model{});
    CHECK(bare.way_m < 2.5);
}

TEST_CASE("chain: an ideal fluid keeps energy and impulse, and every load drains") {
    const PlanarChain c = ideal(layOutChain(chainOf({0.4, 0.7}, 1), Model{}, 0.8));
    ChainState y = stateOf({0, 0, 0.1, -0.2, 0.3, 0.9, 0.2, 1.0, -1.5, 0.7});
    const double energy = chainEnergy_J(c, y);
    const auto impulse = [&](const ChainState& s) {
        // Momentum along X: what a push on the nose would have had to give.
        constexpr double h = 1e-4;
        ChainState more = s, less = s;
        more[5] += h;
        less[5] -= h;
        return (chainEnergy_J(c, more) - chainEnergy_J(c, less)) / (2 * h);
    };
    const double along = impulse(y);
    for (int k = 0; k < 2000; ++k) {
        stepChain(c, {}, 0.001, y);
    }
    CHECK(chainEnergy_J(c, y) == Approx(energy).epsilon(1e-8));
    CHECK(impulse(y) == Approx(along).epsilon(1e-7));
    const PlanarChain real = layOutChain(glider(4.0), Model{}, 0.8);
    unsigned seed = 1;
    const auto random = [&seed] {
        seed = seed * 1664525u + 1013904223u;
        return double(seed >> 8) / double(1u << 24) * 2 - 1;
    };
    for (int i = 0; i < 300; ++i) {
        ChainState s(8);
        for (Eigen::Index k = 0; k < 8; ++k) {
            s[k] = random() * (k < 4 ? 1.0 : 2.0);
        }
        const double before = chainEnergy_J(real, s);
        stepChain(real, {}, 1e-5, s);
        CHECK(chainEnergy_J(real, s) < before);
    }
}

TEST_CASE("chain: Boost's integrator goes the same way, mirrored it is mirrored") {
    const PlanarChain c = layOutChain(glider(3.0), Model{}, 0.8);
    ChainState ours = stateOf({0, 0, 0.2, 0.1, 0.8, 0.05, 0.3, -0.2});
    std::vector<double> theirs(ours.data(), ours.data() + 8);
    ChainState mirrored = ours;
    for (const Eigen::Index i : {1, 2, 3, 5, 6, 7}) {
        mirrored[i] = -mirrored[i];
    }
    for (int k = 0; k < 1000; ++k) {
        stepChain(c, {}, 0.001, ours);
        stepChain(c, {}, 0.001, mirrored);
    }
    namespace ode = boost::numeric::odeint;
    ode::integrate_adaptive(
        ode::make_controlled<ode::runge_kutta_dopri5<std::vector<double>>>(1e-11, 1e-11),
        [&c](const std::vector<double>& y, std::vector<double>& rate, double) {
            const ChainState s = Eigen::Map<const Eigen::VectorXd>(y.data(), 8);
            const Eigen::VectorXd a = chainAcceleration(c, s, {});
            for (size_t i = 0; i < 4; ++i) {
                rate[i] = y[i + 4];
                rate[i + 4] = a[Eigen::Index(i)];
            }
        },
        theirs, 0.0, 1.0, 0.001);
    for (Eigen::Index i = 0; i < 8; ++i) {
        CHECK(ours[i] == Approx(theirs[size_t(i)]).margin(2e-6));
        CHECK(mirrored[i] == Approx(i == 0 || i == 4 ? ours[i] : -ours[i]).margin(1e-12));
    }
}

TEST_CASE("chain: leans about a straight tow grow as the prototype's do, and with the speed") {
    const PlanarChain c = layOutChain(glider(), Model{}, 0.8);
    const std::vector<double> slow = towRoots(c, 0.5), fast = towRoots(c, 1.0);
    CHECK(slow.front() == Approx(1.90388).epsilon(1e-4));
    CHECK(slow[1] == Approx(0.03701).epsilon(1e-4));
    CHECK(slow[2] == Approx(-0.0113).margin(5e-6));
    CHECK(slow[3] == Approx(-4.0406).epsilon(1e-4));
    CHECK(slow[4] == Approx(-5.3676).epsilon(1e-4));
    CHECK(fast.front() / slow.front() == Approx(2.0).epsilon(1e-4));
}

TEST_CASE("chain: a bait too light for the step is followed by shorter ones, or said not to be") {
    PlanarBait light = glider();
    for (PlanarPiece& p : light.pieces) {
        p.mass_kg *= 1e-3;
        p.inertia_kg_m2 *= 1e-3;
        for (PlanarStrip& s : p.strips) {
            s.depth_m *= 0.02;
            s.area_m2 *= 1e-3;
        }
    }
    const PlanarChain chain = layOutChain(light, Model{}, 0.8);
    const GlideWalk usual = walk(chain, {RodPull{}}, 2, 20, Model{});
    CHECK((usual.wild || usual.lost));
    const GlideWalk w = walkSafely(chain, {RodPull{}}, 2, 20, Model{});
    CHECK((w.lost || std::isfinite(w.way_m + w.width_m)));
    light.pieces[0].mass_kg = 1e-7;
    ChainBait bait;
    bait.bait = light;
    const Glide glide = glideOf(bait, Brief{}, Model{});
    CHECK((glide.untold || std::isfinite(glide.way_m.middle)));
}
