#include "core/chain/chain_swim.h"

#include <algorithm>
#include <cmath>

#include "core/reckon/evaluate.h"

namespace wl {
namespace {

constexpr int kPulls = 8;
constexpr double kGapBand[] = {0.5, 1.0};
constexpr size_t kPlaces = 11;

Spread around(double value) {
    return {value, value, value};
}

std::vector<double> startShape(size_t which, const PlanarBait& bait) {
    constexpr double kBent_rad = 2 * kDegree, kFolded = 0.7;
    std::vector<double> headings(bait.pieces.size());
    double s = bait.joints.empty() ? 0 : -bait.joints[0].opening_rad, c = 0;
    for (size_t i = 0; i < headings.size(); ++i) {
        if (i > 0) {
            s += bait.joints[i - 1].opening_rad;
            c += kFolded * bait.joints[i - 1].opening_rad;
        }
        headings[i] = which == 0 ? (i % 2 == 0 ? kBent_rad : -kBent_rad) : which == 1 ? c : s;
    }
    return headings;
}

// Half-swings aside at places from nose to tail, each without its slow drift.
std::vector<double> pathOf(const PlanarBait& bait, const SnakeRun& run) {
    std::vector<double> half;
    for (size_t p = 0; p < kPlaces; ++p) {
        const double aft = bait.length_m * double(p) / double(kPlaces - 1);
        std::vector<double> track;
        for (const Eigen::VectorXd& q : run.shapes) {
            double y = q[0] * bait.length_m, left = aft;
            for (size_t i = 0; i < bait.pieces.size() && left > 0; ++i) {
                const double part = std::min(left, bait.pieces[i].length_m);
                y += part * std::sin(q[1 + Eigen::Index(i)]);
                left -= part;
            }
            track.push_back(y);
        }
        half.push_back(0.5 * swingOf(track));
    }
    return half;
}

void sumUp(const std::vector<SnakeRun>& runs, Snake& snake) {
    constexpr int kWill = 10, kWillNot = 2;
    constexpr double kFlowQuicker = 1.6;
    const PlanarBait& bait = snake.chain.bait;
    const double perBeat = snake.speed_m_s / bait.length_m;
    bool first = true, straightOnly = true;
    for (size_t r = 0; r < runs.size(); ++r) {
        const SnakeRun& run = runs[r];
        snake.spins = snake.spins || run.spins;
        if (!run.swims) {
            straightOnly = straightOnly && r % 3 == 0;
            continue;
        }
        ++snake.swims;
        const std::vector<double> path = pathOf(bait, run);
        if (first) {
            snake.shown = run;
            snake.beats_1_s = around(run.beat * perBeat);
            for (const double p : path) {
                snake.path_m.push_back(around(p));
            }
            for (const double j : run.jointSwing_rad) {
                snake.jointSwing_rad.push_back(around(j));
            }
            snake.jointStops = run.jointStops;
            first = false;
            continue;
        }
        snake.beats_1_s.take(run.beat * perBeat);
        for (size_t p = 0; p < path.size(); ++p) {
            snake.path_m[p].take(path[p]);
        }
        for (size_t j = 0; j < run.jointSwing_rad.size(); ++j) {
            snake.jointSwing_rad[j].take(run.jointSwing_rad[j]);
            snake.jointStops[j] = snake.jointStops[j] || run.jointStops[j];
        }
    }
    snake.of = int(runs.size());
    snake.mayStartFolded = straightOnly && snake.swims < snake.of && snake.swims > 0;
    snake.beats_1_s.high *= kFlowQuicker;
    snake.verdict = snake.swims >= kWill      ? SnakeVerdict::WillSwim
                    : snake.swims <= kWillNot ? SnakeVerdict::WillNot
                                              : SnakeVerdict::CannotTell;
    if (snake.swims == 0 && !runs.empty()) {
        snake.shown = runs.front();
    }
}

// The twelve runs.
Snake gridOf(ChainBait chain, double speed, const Model& model, std::stop_token stop,
             const SnakeTold& told) {
    constexpr size_t kRuns = 12;
    Snake snake;
    snake.speed_m_s = speed;
    snake.chain = std::move(chain);
    std::vector<SnakeRun> runs;
    for (size_t r = 0; r < kRuns; ++r) {
        SnakeCase one;
        one.hand = r < kRuns / 2 ? model.chainHand : 0.5 * model.chainHand;
        const bool much = (r / 3) % 2 == 1;
        one.cross = much ? model.chainCrossHigh : model.chainCrossLow;
        one.skin = much ? model.chainSkinHigh : model.chainSkinLow;
        one.start_rad = startShape(r % 3, snake.chain.bait);
        runs.push_back(runSnake(snake.chain.bait, one, speed, {}, stop));
        if (stop.stop_requested()) {
            return snake;
        }
        if (told) {
            told(double(r + 1) / kRuns);
        }
    }
    sumUp(runs, snake);
    snake.done = true;
    return snake;
}

void fill(ChainTrial& trial, const Derived& d, double speed, std::stop_token stop) {
    Result<ChainBait> chain = chainBait(d, speed);
    if (!chain) {
        trial.untold = chain.error();
        return;
    }
    if (chain->kind == SwimKind::Snake) {
        const Snake snake = snakeOf(std::move(chain).value(), speed, d.model, stop);
        trial.swims = snake.swims;
        trial.of = snake.of;
        trial.beats_1_s = snake.beats_1_s;
        return;
    }
    const Glide glide = glideOf(std::move(chain).value(), d.design->brief, d.model, stop);
    trial.untold = glide.untold;
    trial.verdict = glide.verdict;
    trial.turn_rad = glide.turn_rad.middle;
    trial.width_m = glide.width_m.middle;
}

// Beats counted on a film go with the speed, and are sure to 15 %.
void takeFilm(const SwimNotes& notes, Snake& snake) {
    constexpr double kSure = 0.15, kFar = 2;
    const auto seen = notes.seenBeats_1_s();
    if (!seen || snake.swims == 0 || notes.filmSpeed_m_s <= 0) {
        return;
    }
    const double here = *seen * snake.speed_m_s / notes.filmSpeed_m_s;
    snake.filmRefused = here < snake.beats_1_s.low / kFar || here > snake.beats_1_s.high * kFar;
    snake.filmed = !snake.filmRefused;
    if (snake.filmed) {
        snake.beats_1_s = {(1 - kSure) * here, here, (1 + kSure) * here};
    }
}

}  // namespace

std::vector<RodPull> rodPulls(const Brief& brief, bool& own) {
    constexpr double kLongest_s = 10;  // of a wait: then it lies or hangs still
    std::vector<RodPull> pulls;
    bool pauses = false;
    for (const CadenceStep& step : brief.cadence) {
        if (step.speed_m_s > 0) {
            RodPull pull;
            pull.stroke_m = step.speed_m_s * step.time_s;
            pull.time_s = step.time_s;
            pull.period_s = step.time_s;
            pull.givesBack = false;
            pulls.push_back(pull);
        } else if (!pulls.empty()) {
            pulls.back().period_s += step.time_s;
            pauses = true;
        }
    }
    for (RodPull& pull : pulls) {
        pull.period_s = std::min(pull.period_s, pull.time_s + kLongest_s);
    }
    own = pauses;
    return pauses ? pulls : std::vector<RodPull>{RodPull{}};
}

GlideVerdict verdictOf(const GlideWalk& walk) {
    constexpr double kStraight_rad = 3 * kDegree, kRound_rad = 150 * kDegree, kMostly = 0.6;
    if (walk.stuck) {
        return GlideVerdict::Stuck;
    }
    if (walk.turn_rad < kStraight_rad) {
        return GlideVerdict::Straight;
    }
    if (walk.turn_rad > kRound_rad) {
        return GlideVerdict::TurnsRound;
    }
    return walk.alternates >= kMostly ? GlideVerdict::Walks : GlideVerdict::Arcs;
}

Glide glideOf(const Derived& d, std::stop_token stop) {
    Result<ChainBait> chain = chainBait(d, 1.0);
    if (!chain) {
        Glide glide;
        glide.untold = chain.error();
        glide.done = true;
        return glide;
    }
    return glideOf(std::move(chain).value(), d.design->brief, d.model, stop);
}

Glide glideOf(ChainBait chain, const Brief& brief, const Model& model, std::stop_token stop) {
    Glide glide;
    glide.pulls = rodPulls(brief, glide.ownCadence);
    constexpr double kNearest_m = 15;  // eight pulls must not take it past the rod
    const double away = std::max(kNearest_m, brief.castLength_m);
    const PlanarChain middle = layOutChain(chain.bait, model, model.chainGapLoss);
    glide.walk = walkSafely(middle, glide.pulls, kPulls, away, model, stop);
    constexpr size_t kFewest = 4;
    const bool tooLong = !stop.stop_requested() && glide.walk.pulls.size() < kFewest;
    if (glide.walk.lost || tooLong) {
        glide.untold = glide.walk.lost ? Error{"swim.not_followed", "", {}, {}}
                                       : Error{"swim.pulls_too_long", "/brief/cadence", {}, {}};
        glide.done = true;
        return glide;
    }
    glide.lever_m = middle.areaCentre_m - middle.gravity_m;
    glide.verdict = verdictOf(glide.walk);
    glide.turn_rad = around(glide.walk.turn_rad);
    glide.width_m = around(glide.walk.width_m);
    glide.way_m = around(glide.walk.way_m);
    if (glide.walk.radius_m) {
        glide.radius_m = around(*glide.walk.radius_m);
    }
    if (!chain.bait.joints.empty()) {
        for (const double loss : kGapBand) {
            const GlideWalk other =
                walk(layOutChain(chain.bait, model, loss), glide.pulls, kPulls, away, model, stop);
            if (other.lost) {
                continue;
            }
            glide.turn_rad.take(other.turn_rad);
            glide.width_m.take(other.width_m);
            glide.way_m.take(other.way_m);
            if (other.radius_m && glide.radius_m) {
                glide.radius_m->take(*other.radius_m);
            }
            if (verdictOf(other) != glide.verdict) {
                glide.verdict = GlideVerdict::CannotTell;
            }
        }
    }
    glide.coast = coast(middle);
    glide.done = !stop.stop_requested();
    glide.chain = std::move(chain);
    return glide;
}

Snake snakeOf(const Derived& d, double speed, std::stop_token stop, const SnakeTold& told) {
    constexpr double kSlowest_m_s = 0.1;
    Result<ChainBait> chain = chainBait(d, speed);
    if (chain && speed >= kSlowest_m_s) {
        Snake snake = snakeOf(std::move(chain).value(), speed, d.model, stop, told);
        takeFilm(d.design->swim, snake);
        return snake;
    }
    Snake snake;
    snake.speed_m_s = speed;
    snake.untold =
        chain ? Error{"swim.too_slow", "/brief/retrieve_speed", {}, {{Quantity::Speed, speed}}}
              : chain.error();
    snake.done = true;
    return snake;
}

Snake snakeOf(ChainBait chain, double speed, const Model& model, std::stop_token stop,
              const SnakeTold& told) {
    // A soft tail loses by the beat it is swung at, which the runs tell: once more with that.
    const bool soft = chain.softTailHolds > 0;
    Snake snake = gridOf(std::move(chain), speed, model, stop, told);
    if (soft && snake.done && snake.swims > 0) {
        dampSoftTail(snake.chain.bait, snake.beats_1_s.middle);
        snake = gridOf(std::move(snake.chain), speed, model, stop, told);
    }
    return snake;
}

ChainTrial chainTrial(const Derived& derived, double speed, std::stop_token stop) {
    ChainTrial trial;
    fill(trial, derived, speed, stop);
    return trial;
}

std::vector<ChainTrial> tryJoints(const Derived& d, double speed, std::stop_token stop,
                                  const SnakeTold& told) {
    constexpr double kOpenings[] = {12 * kDegree, 20 * kDegree, 30 * kDegree};
    constexpr double kShift = 0.05;
    std::vector<ChainTrial> trials{ChainTrial{}};
    const double length = d.shape->curves.length_m();
    for (size_t j = 0; j < d.design->joints.size(); ++j) {
        for (const double opening : kOpenings) {
            trials.push_back({ChainTrial::What::Opening, j, opening, {}, 0, 0, {}, {}, 0, 0});
        }
        for (const double side : {-kShift, kShift}) {
            trials.push_back({ChainTrial::What::Place,
                              j,
                              d.design->joints[j].x_m + side * length,
                              {},
                              0,
                              0,
                              {},
                              {},
                              0,
                              0});
        }
        trials.push_back({ChainTrial::What::Held, j, 0, {}, 0, 0, {}, {}, 0, 0});
    }
    std::vector<ChainTrial> done;
    for (ChainTrial& trial : trials) {
        if (stop.stop_requested()) {
            return {};
        }
        if (trial.what == ChainTrial::What::Place) {
            Design moved = *d.design;
            moved.joints[trial.joint].x_m = trial.value;
            const Result<Derived> there = evaluate(moved, &d, d.model);
            if (there) {
                fill(trial, *there, speed, stop);
            } else {
                trial.untold = there.error();
            }
        } else {
            Derived same = d;
            auto shape = std::make_shared<BaitShape>(*d.shape);
            if (trial.what != ChainTrial::What::AsDrawn) {
                shape->joints[trial.joint].opening.opening_rad = trial.value;
            }
            same.shape = shape;
            fill(trial, same, speed, stop);
        }
        done.push_back(trial);
        if (told) {
            told(double(done.size()) / double(trials.size()));
        }
    }
    return done;
}

}  // namespace wl
