// Baits drawn by the line law against this project's prototype (outputs of our own programs, not
// measurements; what its record leaves open is said beside each check), limits in closed form, and
// the baits in pieces that designs make.
#include <algorithm>
#include <catch2/catch.hpp>

#include <Eigen/Dense>

#include "core/chain/chain_swim.h"
#include "core/reckon/evaluate.h"
#include "files/design_file.h"
#include "files/embedded_data.h"
#include "support/chain_cases.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

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

TEST_CASE("line law: chains of three and four pieces, state by state as two programs had them") {
    const auto ran = [](const PlanarBait& bait, double lengths) {
        SnakeCase how;
        how.start_rad = zigzag(bait.pieces.size());
        return runSnake(bait, how, 1.0, {lengths, 26, 0.0003});
    };
    struct Row {
        std::vector<double> joints;
        double lengths;             ///< gone in a hundred steps
        std::vector<double> state;  ///< Y, headings, and their rates
        double beat, yaw_deg, tail;
    };
    for (const Row& r : {Row{kThreePieces,
                             100.0 / 26,
                             {-0.29362747, -0.0378632585, -0.380949758, -0.67672106, -0.0853831013,
                              0.760174533, 1.00193783, -0.10334149},
                             0.304027,
                             26.1823,
                             0.724291},
                         Row{kFourPieces,
                             100.0 / 25,
                             {-0.784873504, -0.214361715, -0.563427566, -0.44443569, -0.0953698398,
                              0.139048608, 0.458995996, 0.458995996, -1.64174474, -1.64174474},
                             0.426519,
                             22.4041,
                             0.53394}}) {
        const PlanarBait bait = chainByPanels(r.joints, 20 * kDegree, 26);
        const SnakeRun begun = ran(bait, r.lengths);
        REQUIRE(begun.last.size() == Eigen::Index(r.state.size()));
        for (size_t i = 0; i < r.state.size(); ++i) {
            CHECK(begun.last[Eigen::Index(i)] == Approx(r.state[i]).epsilon(1e-6));
        }
        const SnakeRun whole = ran(bait, 22);
        CHECK(whole.swims);
        // Which of its steps the record sums up it does not say: a few more or fewer move these.
        CHECK(whole.beat == Approx(r.beat).epsilon(5e-4));
        CHECK(whole.headYaw_rad / kDegree == Approx(r.yaw_deg).epsilon(1e-3));
        CHECK(whole.tailPath == Approx(r.tail).epsilon(2e-3));
    }
    const PlanarBait cut = chainByPanels(kFourPieces, 20 * kDegree, 26);
    SnakeCase how;
    how.start_rad = zigzag(4);
    const SnakeRun four = runSnake(cut, how, 1.0, {22, 26, 0.0003});
    for (double& h : how.start_rad) {
        h = -h;
    }
    const SnakeRun mirrored = runSnake(cut, how, 1.0, {22, 26, 0.0003});
    CHECK((mirrored.last + four.last).norm() < 1e-6);
}

TEST_CASE("line law: finer panels") {
    constexpr struct {
        int panels;
        double beat, yaw_deg, tail;
    } kRows[] = {{14, 0.4295, 22.39, 0.526},
                 {20, 0.4279, 22.36, 0.529},
                 {26, 0.4265, 22.40, 0.534},
                 {36, 0.4189, 23.13, 0.546},
                 {52, 0.4139, 23.74, 0.588}};
    for (const auto& r : kRows) {
        SnakeCase how;
        how.start_rad = zigzag(4);
        const SnakeRun run = runSnake(chainByPanels(kFourPieces, 20 * kDegree, r.panels), how, 1.0,
                                      {22, r.panels, 0.0003});
        CHECK(run.beat == Approx(r.beat).epsilon(0.01));
        CHECK(run.headYaw_rad / kDegree == Approx(r.yaw_deg).epsilon(0.01));
        CHECK(run.tailPath == Approx(r.tail).epsilon(0.01));
    }
}

TEST_CASE("line law: the grid of twelve by opening and count of joints") {
    const auto grid = [](const std::vector<double>& joints, double opening) {
        ChainBait chain;
        chain.kind = SwimKind::Snake;
        chain.bait = chainByPanels(joints, opening * kDegree, 26);
        for (size_t j = 0; j < chain.bait.joints.size(); ++j) {
            chain.jointOf.push_back(j);
        }
        return snakeOf(std::move(chain), 1.0, Model{});
    };
    // How often the slowest runs beat, three or four times in all, hangs on how that is counted.
    constexpr double kRounded = 0.006;
    constexpr struct {
        bool four;
        double opening;
        int swims;
        double low, high, margin;
    } kRows[] = {{false, 12, 11, 0.17, 0.27, kRounded}, {false, 20, 12, 0.20, 0.31, kRounded},
                 {false, 30, 12, 0.23, 0.38, kRounded}, {true, 12, 11, 0.20, 0.33, kRounded},
                 {true, 20, 10, 0.2527, 0.4283, 1e-4},  {true, 30, 11, 0.31, 0.54, kRounded}};
    for (const auto& want : kRows) {
        if (!kThorough && want.opening != 20) {
            continue;  // a grid takes ten seconds there
        }
        const Snake s = grid(want.four ? kFourPieces : kThreePieces, want.opening);
        CHECK(s.swims == want.swims);
        CHECK(s.verdict == SnakeVerdict::WillSwim);
        CHECK(s.beats_1_s.low == Approx(want.low).margin(kRounded));
        CHECK(s.beats_1_s.high / 1.6 == Approx(want.high).margin(want.margin));
        CHECK(s.path_m.back().high > s.path_m[s.path_m.size() / 2].high);
    }
    const Snake two = grid({0.5}, 20);
    CHECK(two.swims <= 2);
    CHECK(two.verdict == SnakeVerdict::WillNot);
    if (kThorough) {
        const Snake five = grid({0.30, 0.50, 0.68, 0.84}, 20);
        CHECK(five.swims >= 10);
        const Snake again = grid({0.30, 0.50, 0.68, 0.84}, 20);
        CHECK(again.beats_1_s == five.beats_1_s);
    }
}

TEST_CASE("chain: pulls are those of the cadence, with a wait of ten seconds at most") {
    Brief brief;
    bool own = true;
    CHECK(rodPulls(brief, own) == std::vector<RodPull>{RodPull{}});
    CHECK_FALSE(own);
    brief.cadence = {{0, 5}, {0.8, 0.5}, {0, 1}, {0.4, 1}, {0, 60}};
    const std::vector<RodPull> pulls = rodPulls(brief, own);
    CHECK(own);
    REQUIRE(pulls.size() == 2);
    CHECK(pulls[0] == RodPull{0.4, 0.5, 1.5, false});
    CHECK(pulls[1] == RodPull{0.4, 1, 11, false});
    brief.cadence = {{0.8, 0.5}, {0.4, 1}};  // no pause: reeled, not walked
    CHECK(rodPulls(brief, own).size() == 1);
    CHECK_FALSE(own);
}

TEST_CASE("chain: a bait walked by long pulls stops at the rod, and too few of them tell nothing") {
    const Derived d = demo(embedded::glide_bait_wade());
    const ChainBait chain = *chainBait(d, 1.0);
    Brief brief;
    brief.castLength_m = 20;
    brief.cadence = {{0.8, 4}, {0, 1}};  // 3.2 m a pull: five or six on 20 m
    const Glide some = glideOf(chain, brief, Model{});
    REQUIRE_FALSE(some.untold);
    CHECK(some.walk.pulls.size() >= 4);
    CHECK(some.walk.pulls.size() < 8);
    for (const GlideMoment& m : some.walk.moments) {
        CHECK(m.nose_m.x() < 20);
    }
    brief.cadence = {{2, 30}, {0, 60}};
    const Glide none = glideOf(chain, brief, Model{});
    REQUIRE(none.untold);
    CHECK(none.untold->code == "swim.pulls_too_long");
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
    REQUIRE(told.walk.pulls.size() == 8);
    CHECK(told.walk.pulls[0].touched.size() == told.chain.bait.joints.size());
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

TEST_CASE(
    "chain: a tail fin on a hinge swings as a piece of its own, with its own weight and stops") {
    Design design = readDesign(embedded::swimmer_wade()).value();
    // In place of its soft tail.
    design.fittings.erase(
        std::remove_if(design.fittings.begin(), design.fittings.end(),
                       [](const Fitting& f) { return f.kind == FittingKind::SoftTail; }),
        design.fittings.end());
    const Result<ChainBait> bare = chainBait(*evaluate(design), 0.6);
    REQUIRE(bare);
    Appendage fin;
    fin.name = "tail fin";
    fin.mirrored = false;
    fin.body = design.body;
    for (Station& s : fin.body.stations) {
        s.position_m *= 0.25;
        s.back_m *= 0.6;
        s.belly_m *= 0.6;
        s.halfWidth_m *= 0.1;
    }
    fin.hingeX_m = bare->bait.length_m;
    fin.hingeY_m = 0;
    fin.splay_rad = 0;
    fin.swing_rad = 35 * kDegree;
    design.appendages.push_back(fin);
    const Result<Derived> d = evaluate(design);
    REQUIRE(d);
    const Result<ChainBait> with = chainBait(*d, 0.6);
    REQUIRE(with);
    REQUIRE(with->bait.pieces.size() == bare->bait.pieces.size() + 1);
    CHECK(with->jointOf.back() == ChainBait::kHingedFin);
    CHECK(with->bait.joints.back().opening_rad == Approx(35 * kDegree));
    CHECK(with->bait.joints.back().spring_N_m == 0.0);
    CHECK(with->bait.length_m == Approx(1.25 * bare->bait.length_m));
    double whole = 0;
    for (const PlanarPiece& p : with->bait.pieces) {
        whole += p.mass_kg;
    }
    CHECK(whole == Approx(d->mass->mass_kg).epsilon(1e-9));
    const PlanarPiece& last = with->bait.pieces.back();
    CHECK(last.mass_kg == Approx(d->mass->pieces.back().mass_kg));
    CHECK(last.gravityAt_m < 0);
    CHECK(last.gravityAt_m > -last.length_m);
    const Snake snake = snakeOf(*d, 0.6);
    CHECK((snake.untold || snake.jointSwing_rad.empty() ||
           snake.jointSwing_rad.size() == with->bait.joints.size()));
    // Fast in its place, or at the side, it is no piece of the chain.
    design.appendages[0].swing_rad = 2 * kDegree;
    CHECK(chainBait(*evaluate(design), 0.6)->bait.pieces.size() == bare->bait.pieces.size());
}

TEST_CASE("chain: each joint tried otherwise, one thing at a time") {
    const Derived d = demo(embedded::swimmer_wade());
    if (kThorough) {  // thirteen grids of twelve
        const std::vector<ChainTrial> trials = tryJoints(d, 0.6);
        REQUIRE(trials.size() == 1 + 6 * d.design->joints.size());
        CHECK(trials.front().what == ChainTrial::What::AsDrawn);
        const Snake drawn = snakeOf(d, 0.6);
        CHECK(trials.front().swims == drawn.swims);
        CHECK(trials.front().beats_1_s == drawn.beats_1_s);
        for (const ChainTrial& trial : trials) {
            CHECK((trial.untold || trial.of > 0 || trial.width_m > 0));
        }
    }
    std::stop_source stop;
    stop.request_stop();
    CHECK(tryJoints(d, 0.6, stop.get_token()).empty());
}

TEST_CASE("chain: random baits walked and drawn: numbers or a reason") {
    const unsigned seeds = kThorough ? 40 : 12;
    for (unsigned seed = 1; seed <= seeds; ++seed) {
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
