// Baits in pieces against this project's prototype (outputs of our own programs, not measurements;
// what its record leaves open is said beside each check), closed forms, symmetries and an
// integrator of another library.
#include <boost/numeric/odeint.hpp>
#include <catch2/catch.hpp>

#include <Eigen/Dense>

#include "core/chain/chain_swim.h"
#include "core/reckon/evaluate.h"
#include "core/swim/wobble_body.h"
#include "io/design_file.h"
#include "io/embedded_data.h"
#include "support/chain_cases.h"
#include "support/sample_bait.h"

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

// Growth of small leans about towing straight at a speed, fastest first.
std::vector<double> towRoots(const PlanarChain& chain, double speed) {
    const auto n = Eigen::Index(chain.pieces.size()) + 2;
    constexpr double kLine = 15, kStep = 1e-6;
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
    const Eigen::VectorXcd roots = a.eigenvalues();
    std::vector<double> growth;
    for (Eigen::Index i = 0; i < roots.size(); ++i) {
        growth.push_back(roots[i].real());
    }
    std::sort(growth.rbegin(), growth.rend());
    return growth;
}

// Slope of the lift of a straight plate by its area, and the place of its centre, by the line law.
std::pair<double, double> plateLift(double depth) {
    constexpr int kPanels = 160;
    Eigen::MatrixXd influence(kPanels, kPanels);
    for (int r = 0; r < kPanels; ++r) {
        for (int c = 0; c < kPanels; ++c) {
            influence(r, c) = lineInfluence((r - c + 0.5) / kPanels, depth);
        }
    }
    const Eigen::VectorXd lumps = influence.partialPivLu().solve(Eigen::VectorXd::Ones(kPanels));
    double moment = 0;
    for (int c = 0; c < kPanels; ++c) {
        moment += lumps[c] * (c + 0.25) / kPanels;
    }
    return {2 * lumps.sum() / depth, moment / lumps.sum()};
}

std::vector<double> zigzag(size_t pieces) {
    std::vector<double> headings;
    for (size_t i = 0; i < pieces; ++i) {
        headings.push_back((i % 2 == 0 ? 2 : -2) * kDegree);
    }
    return headings;
}

Derived demo(std::string_view text) {
    const Result<Design> design = readDesign(text);
    REQUIRE(design);
    const Result<Derived> derived = evaluate(*design);
    REQUIRE(derived);
    return *derived;
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
    // Where within a slice an edge sheds the record does not say: three more digits hang on it.
    CHECK(c.sideForceAt_m == Approx(0.0744394).epsilon(1e-3));
    const auto close = [](const Eigen::VectorXd& a, std::initializer_list<double> want,
                          double epsilon) {
        Eigen::Index i = 0;
        for (const double w : want) {
            CHECK(a[i++] == Approx(w).epsilon(epsilon));
        }
    };
    close(chainAcceleration(c, stateOf({0, 0, 0.1, -0.2, 0.6, 0.05, 0.8, -1.5}), {}),
          {-0.760382864, 1.291477586, 12.240013789, 29.695505801}, 6e-4);
    close(chainAcceleration(c, stateOf({0, 0, 0.3, -0.25, 0.6, 0.05, 2, -1.5}), {}),
          {90.267756517, -170.737297373, -2777.183167337, 3353.725160189}, 3e-5);
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
        CHECK(usual[i] == Approx(kWant[i]).epsilon(3e-3));  // edges as above
        CHECK(usual[i] == Approx(fine[i]).margin(2e-5));
    }
    const GlideWalk w = walk(c, {RodPull{}}, 8, 25, Model{}, {}, 0.001);
    REQUIRE(w.done);
    CHECK(w.turn_rad / kDegree == Approx(173.6).epsilon(0.01));
    CHECK(w.way_m == Approx(5.41).epsilon(0.03));
    CHECK(w.width_m == Approx(0.636).epsilon(0.03));
    REQUIRE(w.radius_m);
    CHECK(*w.radius_m == Approx(0.301).epsilon(0.04));
    CHECK(w.alternates == 1.0);
    const GlideWalk coarse = walk(c, {RodPull{}}, 8, 25, Model{});
    CHECK(coarse.turn_rad == Approx(w.turn_rad).margin(1 * kDegree));
    CHECK(verdictOf(coarse) == GlideVerdict::TurnsRound);
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
    CHECK(slow.front() == Approx(1.90388).epsilon(5e-3));  // edges as above
    CHECK(slow[3] == Approx(-4.0406).epsilon(5e-3));
    CHECK(slow[4] == Approx(-5.3676).epsilon(5e-3));
    CHECK(fast.front() / slow.front() == Approx(2.0).epsilon(1e-4));
}

TEST_CASE("line law: a straight plate's lift from slender to flat") {
    // Thin aerofoil; Helmbold 1942 (1.483, 0.391); slender body pi A / 2 (from memory).
    const auto flat = plateLift(1e4);
    CHECK(flat.first / (2 * kPi) == Approx(1.0).epsilon(1e-3));
    CHECK(flat.second == Approx(0.25).epsilon(1e-3));
    const auto square = plateLift(1.0);
    CHECK(square.first == Approx(1.504).epsilon(2e-3));
    CHECK(square.first == Approx(1.483).epsilon(0.02));
    CHECK(square.second == Approx(0.157).epsilon(5e-3));
    const auto low = plateLift(0.25);
    CHECK(low.first == Approx(0.392).epsilon(2e-3));
    CHECK(low.second == Approx(0.051).epsilon(0.02));
    CHECK(plateLift(0.02).first == Approx(kPi / 2 * 0.02).epsilon(0.02));
}

TEST_CASE("line law: chains of three and four pieces swim as the prototype's") {
    // Where the prototype's chains were cut its record does not say: at these places the runs come
    // out within a few hundredths of its own.
    const auto ran = [](const PlanarBait& bait) {
        SnakeCase how;
        how.start_rad = zigzag(bait.pieces.size());
        return runSnake(bait, how, 1.0, {22, 26, 0.0003});
    };
    const SnakeRun three = ran(chainOf({0.43, 0.71}, 20 * kDegree));
    CHECK(three.swims);
    CHECK(three.beat == Approx(0.304).epsilon(0.03));
    CHECK(three.headYaw_rad / kDegree == Approx(26.18).epsilon(0.03));
    CHECK(three.tailPath == Approx(0.724).epsilon(0.05));
    CHECK(three.nosePath == Approx(0.44).epsilon(0.05));
    const PlanarBait cut = chainOf({0.34, 0.58, 0.79}, 20 * kDegree);
    const SnakeRun four = ran(cut);
    CHECK(four.swims);
    CHECK(four.beat == Approx(0.4265).epsilon(0.03));
    CHECK(four.headYaw_rad / kDegree == Approx(22.4).epsilon(0.03));
    CHECK(four.tailPath == Approx(0.534).epsilon(0.06));
    SnakeCase other;
    other.start_rad = zigzag(4);
    for (double& h : other.start_rad) {
        h = -h;
    }
    const SnakeRun mirrored = runSnake(cut, other, 1.0, {22, 26, 0.0003});
    CHECK((mirrored.last + four.last).norm() < 1e-6);
    SnakeCase finer;
    finer.start_rad = zigzag(4);
    CHECK(runSnake(cut, finer, 1.0, {22, 36, 0.0003}).beat == Approx(four.beat).epsilon(0.05));
}

TEST_CASE("line law: the grid of twelve by opening and count of joints") {
    const auto grid = [](std::vector<double> joints, double opening) {
        ChainBait chain;
        chain.kind = SwimKind::Snake;
        chain.bait = chainOf(std::move(joints), opening * kDegree);
        for (size_t j = 0; j < chain.bait.joints.size(); ++j) {
            chain.jointOf.push_back(j);
        }
        return snakeOf(std::move(chain), 1.0, Model{});
    };
    // Three pieces at 12, 20 and 30 degrees: 11, 12 and 12 of twelve, .17-.27, .20-.31, .23-.38.
    constexpr struct {
        double opening;
        int swims;
        double low, high;
    } kThree[] = {{12, 11, 0.17, 0.27}, {20, 12, 0.20, 0.31}, {30, 12, 0.23, 0.38}};
    for (const auto& want : kThree) {
        const Snake s = grid({0.43, 0.71}, want.opening);
        CHECK(s.swims == want.swims);
        CHECK(s.verdict == SnakeVerdict::WillSwim);
        CHECK(s.beats_1_s.low == Approx(want.low).margin(0.01));
        CHECK(s.beats_1_s.high / 1.6 == Approx(want.high).margin(0.01));
        CHECK(s.path_m.back().high > s.path_m[s.path_m.size() / 2].high);
    }
    const Snake two = grid({0.5}, 20);
    CHECK(two.swims <= 2);
    CHECK(two.verdict == SnakeVerdict::WillNot);
    const Snake five = grid({0.30, 0.50, 0.68, 0.84}, 20);
    CHECK(five.swims >= 10);
    const Snake again = grid({0.30, 0.50, 0.68, 0.84}, 20);
    CHECK(again.beats_1_s == five.beats_1_s);
}

TEST_CASE("chain: the demos are told by what they are made of") {
    const Derived glide = demo(embedded::glide_bait_wade()), swims = demo(embedded::swimmer_wade());
    CHECK(swimKind(demo(embedded::demo_wade())) == SwimKind::Wobble);
    CHECK(swimKind(demo(embedded::lipless_wade())) == SwimKind::Wobble);
    CHECK(swimKind(demo(embedded::glider_wade())) == SwimKind::Glide);
    CHECK(swimKind(glide) == SwimKind::Glide);
    CHECK(swimKind(swims) == SwimKind::Snake);
    for (const Derived* d : {&glide, &swims}) {
        const Result<ChainBait> chain = chainBait(*d, 0.6);
        REQUIRE(chain);
        double mass = 0, moment = 0;
        for (const PlanarPiece& p : chain->bait.pieces) {
            mass += p.mass_kg;
            moment += p.mass_kg * (p.pin_m - p.gravityAt_m);
        }
        CHECK(mass == Approx(d->mass->mass_kg));
        // A soft tail is put straight behind the body: a hair from where it is drawn.
        CHECK(
            moment / mass ==
            Approx(d->mass->centreOfGravity_m.x()).epsilon(chain->softTailHolds > 0 ? 5e-3 : 1e-9));
    }
    const Glide told = glideOf(glide);
    REQUIRE(told.done);
    CHECK(told.walk.pulls.size() == 8);
    CHECK(told.turn_rad.low <= told.turn_rad.middle);
    CHECK(told.turn_rad.high < 2 * kPi);
    const Snake snake = snakeOf(swims, 0.6);
    CHECK(snake.of == 12);
    CHECK(snake.beats_1_s.low <= snake.beats_1_s.high);
}

TEST_CASE("chain: openings at the edges, pieces of no weight, ties behind a joint") {
    Derived d = demo(embedded::swimmer_wade());
    const auto with = [&d](size_t joint, double opening) {
        Derived other = d;
        auto shape = std::make_shared<BaitShape>(*d.shape);
        shape->joints[joint].opening.opening_rad = opening;
        other.shape = shape;
        return other;
    };
    const size_t joints = chainBait(d, 0.6)->bait.joints.size();
    const Result<ChainBait> held = chainBait(with(0, 2 * kDegree), 0.6);
    REQUIRE(held);
    CHECK(held->bait.joints.size() == joints - 1);
    CHECK(held->onePiece == std::vector<size_t>{0});
    const Result<ChainBait> wide = chainBait(with(1, 170 * kDegree), 0.6);
    REQUIRE(wide);
    CHECK(wide->openWide == std::vector<size_t>{1});
    CHECK(wide->bait.joints[1].opening_rad == Approx(60 * kDegree));
    Derived hollow = d;
    auto mass = std::make_shared<MassBalance>(*d.mass);
    mass->pieces[1].mass_kg = 0;
    hollow.mass = mass;
    const Result<ChainBait> none = chainBait(hollow, 0.6);
    REQUIRE_FALSE(none);
    CHECK(none.error().code == "swim.piece_weighs_nothing");
    CHECK(none.error().words == std::vector<std::string>{mass->pieces[1].name});
    Design tied = *d.design;
    tied.tie.x_m = 0.9 * d.shape->curves.length_m();
    const Result<Derived> behind = evaluate(tied);
    REQUIRE(behind);
    const Result<ChainBait> refused = chainBait(*behind, 0.6);
    REQUIRE_FALSE(refused);
    CHECK(refused.error().code == "swim.tie_on_later_piece");
    CHECK(snakeOf(d, 0.05).untold->code == "swim.too_slow");
}

TEST_CASE("chain: a soft tail bends with the water as a piece of its own, a stiff one is a fin") {
    Design design = readDesign(embedded::glide_bait_wade()).value();
    Fitting tail;
    tail.kind = FittingKind::SoftTail;
    tail.name = "soft tail";
    tail.x_m = evaluate(design)->shape->curves.length_m();
    tail.size_m = 0.03;
    tail.area_m2 = 6e-4;
    tail.wire_m = 0.002;
    tail.typicalMass_kg = 0.0015;
    tail.modulus_Pa = 0.2e6;
    const size_t pieces = chainBait(*evaluate(design), 0.5)->bait.pieces.size();
    design.fittings.push_back(tail);
    const Result<ChainBait> soft = chainBait(*evaluate(design), 0.5);
    REQUIRE(soft);
    CHECK(soft->bait.pieces.size() == pieces + 1);
    CHECK(soft->softTailHolds == Approx(0.118756).epsilon(0.01));
    CHECK(soft->bait.pieces.back().mass_kg == Approx(0.0015));
    CHECK(soft->jointOf.back() == ChainBait::kSoftTail);
    design.fittings.back().modulus_Pa = 2e7;
    const Result<ChainBait> stiff = chainBait(*evaluate(design), 0.5);
    REQUIRE(stiff);
    CHECK(stiff->bait.pieces.size() == pieces);
    CHECK(stiff->bait.pieces.back().fins.size() >= 1);
}

TEST_CASE("chain: each joint tried otherwise, one thing at a time") {
    const Derived d = demo(embedded::swimmer_wade());
#ifndef WL_SANITIZED  // thirteen grids of twelve
    const std::vector<ChainTrial> trials = tryJoints(d, 0.6);
    REQUIRE(trials.size() == 1 + 6 * d.design->joints.size());
    CHECK(trials.front().what == ChainTrial::What::AsDrawn);
    const Snake drawn = snakeOf(d, 0.6);
    CHECK(trials.front().swims == drawn.swims);
    CHECK(trials.front().beats_1_s == drawn.beats_1_s);
    for (const ChainTrial& trial : trials) {
        CHECK((trial.untold || trial.of > 0 || trial.width_m > 0));
    }
#endif
    std::stop_source stop;
    stop.request_stop();
    CHECK(tryJoints(d, 0.6, stop.get_token()).empty());
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

TEST_CASE("chain: random baits walked and drawn: numbers or a reason") {
    for (unsigned seed = 1; seed <= 40; ++seed) {
        PlanarBait bait = chainOf(seed % 4 == 0   ? std::vector<double>{0.5}
                                  : seed % 4 == 1 ? std::vector<double>{0.35, 0.7}
                                  : seed % 4 == 2 ? std::vector<double>{0.3, 0.55, 0.8}
                                                  : std::vector<double>{},
                                  (5 + seed) * kDegree);
        bait.waterDensity_kg_m3 = 1000;
        for (PlanarPiece& p : bait.pieces) {
            p.mass_kg *= 1000 * (0.5 + 0.05 * (seed % 13));
            p.inertia_kg_m2 *= 1000;
            p.dragArea_m2 = 0.004 * (1 + seed % 5);
        }
        const GlideWalk w =
            walkSafely(layOutChain(bait, Model{}, 0.8), {{0.8, 0.5, 3.0, true}}, 4, 60, Model{});
        CHECK(w.done);
        CHECK_FALSE(w.lost);
        CHECK(std::isfinite(w.turn_rad + w.width_m + w.way_m));
        if (!bait.joints.empty()) {
            SnakeCase how;
            how.start_rad = zigzag(bait.pieces.size());
            const SnakeRun run = runSnake(bait, how, 1.0, {8, 20, 0.0003});
            CHECK(run.done);
            CHECK(std::isfinite(run.beat + run.tailPath + run.headYaw_rad));
        }
    }
}
