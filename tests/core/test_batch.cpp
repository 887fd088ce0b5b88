// A batch of baits over evenings: looked at from outside, and against every order of small ones.
#include <algorithm>
#include <catch2/catch.hpp>

#include "core/making/mould_steps.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

using Baits = std::vector<std::vector<BatchTask>>;

constexpr double kHour = 3600;

Workshop shopOf(Dice& dice, int evenings) {
    Workshop shop;
    for (int day = 0; day < evenings; ++day) {
        const double from = day * 24 * kHour + dice.from(17, 20) * kHour;
        shop.evenings.push_back({from, from + dice.from(1, 4) * kHour});
    }
    shop.clamps = 1 + dice.upTo(2);
    shop.rack = 1 + dice.upTo(3);
    shop.turner = 1 + dice.upTo(2);
    return shop;
}

Baits batchOf(Dice& dice, int baits, int tasks) {
    std::vector<BatchTask> list;
    for (int k = 0; k < tasks; ++k) {
        BatchTask task;
        task.work_s = dice.from(0.05, 1.2) * kHour;
        task.cure_s = dice.chance(0.6) ? dice.from(0.2, 26) * kHour : 0.0;
        task.place = WaitPlace(dice.upTo(int(kWaitPlaces) - 1));
        task.splits = dice.chance(0.3);
        list.push_back(task);
    }
    Baits all(size_t(baits), list);
    if (dice.chance(0.5)) {
        all.back().pop_back();  // one of them is another bait
    }
    return all;
}

// What a plan has to hold to, looked at from outside: order and cures, hours, hands, places.
void checkHolds(const Baits& baits, const Workshop& shop, const Schedule& plan) {
    std::vector<double> ready(baits.size(), -1e18);
    std::vector<size_t> next(baits.size(), 0);
    double hands = 0, hours = 0;
    for (const Evening& e : shop.evenings) {
        hours += e.to_s - e.from_s;
    }
    std::vector<PlacedTask> tasks = plan.tasks;
    std::stable_sort(tasks.begin(), tasks.end(), [](const PlacedTask& a, const PlacedTask& b) {
        return a.bait < b.bait || (a.bait == b.bait && a.task < b.task);
    });
    for (const PlacedTask& t : tasks) {
        const BatchTask& of = baits[t.bait][t.task];
        CHECK(t.task == next[t.bait]++);
        CHECK(t.from_s >= ready[t.bait] - 1e-3);
        ready[t.bait] = t.ready_s;
        CHECK(t.ready_s == Approx(t.to_s + of.cure_s));
        const auto within = [&](double at) {
            return std::any_of(shop.evenings.begin(), shop.evenings.end(), [&](const Evening& e) {
                return at >= e.from_s - 1e-3 && at <= e.to_s + 1e-3;
            });
        };
        CHECK(within(t.from_s));
        CHECK(within(t.to_s));
        CHECK(t.to_s - t.from_s >= of.work_s - 1e-3);
        hands += of.work_s;
        const bool one =
            std::any_of(shop.evenings.begin(), shop.evenings.end(),
                        [&](const Evening& e) { return e.to_s - e.from_s >= of.work_s; });
        if (!of.splits && one) {
            CHECK(t.to_s - t.from_s == Approx(of.work_s).margin(1e-3));
        }
        for (const PlacedTask& o : plan.tasks) {
            const BatchTask& other = baits[o.bait][o.task];
            const bool same = o.bait == t.bait && o.task == t.task;
            if (!same && !of.splits && !other.splits && one) {
                CHECK((o.to_s <= t.from_s + 1e-3 || o.from_s >= t.to_s - 1e-3 ||
                       o.to_s - o.from_s > other.work_s + 1e-3));
            }
        }
        if (of.place != WaitPlace::None && of.cure_s > 0) {
            int held = 0;
            for (const PlacedTask& o : plan.tasks) {
                const BatchTask& other = baits[o.bait][o.task];
                held += other.place == of.place && other.cure_s > 0 && o.to_s <= t.to_s + 1e-3 &&
                                t.to_s < o.ready_s - 1e-3
                            ? 1
                            : 0;
            }
            CHECK(held <= shop.placesOf(of.place));
        }
    }
    CHECK(hands <= hours + 1);
}

void everyOrder(const Baits& baits, const Workshop& shop, std::vector<size_t>& order,
                std::vector<size_t>& done, double& best) {
    bool more = false;
    for (size_t b = 0; b < baits.size(); ++b) {
        if (done[b] < baits[b].size()) {
            more = true;
            order.push_back(b);
            ++done[b];
            everyOrder(baits, shop, order, done, best);
            --done[b];
            order.pop_back();
        }
    }
    if (!more) {
        const Schedule plan = placeInOrder(baits, shop, order);
        if (plan.whole) {
            best = std::min(best, plan.done_s);
        }
    }
}

}  // namespace

TEST_CASE(
    "five hundred batches: no cure is cut short, nothing booked twice, never after the plain way") {
    Dice dice(2026);
    int whole = 0, sooner = 0;
    for (int i = 0; i < 500; ++i) {
        const Baits baits = batchOf(dice, 1 + dice.upTo(4), 1 + dice.upTo(5));
        const Workshop shop = shopOf(dice, 40);
        const Schedule plan = scheduleBatch(baits, shop, 7);
        const Schedule plain = plainSchedule(baits, shop);
        INFO("batch " << i);
        checkHolds(baits, shop, plan);
        CHECK((plan.whole || !plain.whole));
        if (plan.whole && plain.whole) {
            ++whole;
            CHECK(plan.done_s <= plain.done_s + 1e-3);
            sooner += plan.done_s < plain.done_s - 60 ? 1 : 0;
        }
    }
    CHECK(whole > 400);
    CHECK(sooner > 20);
}

TEST_CASE("small batches are done as early as any order of their steps lets them") {
    Dice dice(11);
    for (int i = 0; i < 40; ++i) {
        const Baits baits = batchOf(dice, 2 + dice.upTo(1), 2 + dice.upTo(1));
        const Workshop shop = shopOf(dice, 30);
        std::vector<size_t> order, done(baits.size(), 0);
        double best = 1e18;
        everyOrder(baits, shop, order, done, best);
        CHECK(scheduleBatch(baits, shop).done_s == Approx(best).epsilon(1e-12));
    }
}

TEST_CASE(
    "eight divers: no sooner than the longest chain of cures, the same plan from the same seed") {
    const Design d = demoDesign();
    const Derived derived = evaluated(d);
    std::vector<BatchTask> list;
    double chain = 0;
    for (const BuildStep& step : buildSteps(d, derived)) {
        list.push_back({step.work_s, step.cure_s, step.place, step.splits});
        chain += step.work_s + step.cure_s;
    }
    Workshop shop;
    for (int day = 0; day < 60; ++day) {
        shop.evenings.push_back({(24.0 * day + 19) * kHour, (24.0 * day + 22) * kHour});
    }
    const Baits eight(8, list);
    const Schedule plan = scheduleBatch(eight, shop, 3);
    REQUIRE(plan.whole);
    CHECK(plan.done_s - 19 * kHour >= chain);
    CHECK(plan.done_s <= plainSchedule(eight, shop).done_s);
    const Schedule again = scheduleBatch(eight, shop, 3);
    REQUIRE(again.tasks.size() == plan.tasks.size());
    for (size_t i = 0; i < plan.tasks.size(); ++i) {
        CHECK(again.tasks[i].from_s == plan.tasks[i].from_s);
        CHECK(again.tasks[i].bait == plan.tasks[i].bait);
    }
    // One evening is not enough, and that is said.
    shop.evenings.resize(1);
    CHECK_FALSE(scheduleBatch(eight, shop, 3).whole);
}

TEST_CASE("a mould is whole and cured before any bait is begun, and only a cast bait has one") {
    CHECK(mouldSteps(demoDesign()).empty());
    Design cast = demoDesign();
    cast.make.kind = MakeKind::Cast;
    std::vector<BatchTask> mould;
    double chain = 0;
    for (const BuildStep& step : mouldSteps(cast)) {
        mould.push_back({step.work_s, step.cure_s, step.place, step.splits});
        chain += step.work_s + step.cure_s;
    }
    REQUIRE(mould.size() == 5);
    Dice dice(611);
    for (int i = 0; i < someOf(60); ++i) {
        const Baits baits = batchOf(dice, 2 + dice.upTo(3), 2 + dice.upTo(4));
        const Workshop shop = shopOf(dice, 60);
        const Schedule plan = scheduleAfter(mould, baits, shop, 5);
        REQUIRE(plan.whole);
        double ready = 0;
        size_t made = 0;
        for (const PlacedTask& t : plan.tasks) {
            if (t.bait == baits.size()) {
                CHECK(t.task == made++);
                CHECK(t.from_s >= ready);
                ready = t.ready_s;
            }
        }
        CHECK(made == mould.size());
        CHECK(ready - shop.evenings.front().from_s >= chain);
        size_t rest = 0;
        for (const PlacedTask& t : plan.tasks) {
            if (t.bait < baits.size()) {
                ++rest;
                CHECK(t.from_s >= ready);
            }
        }
        size_t all = 0;
        for (const auto& list : baits) {
            all += list.size();
        }
        CHECK(rest == all);
        CHECK(scheduleAfter({}, baits, shop, 5).done_s == scheduleBatch(baits, shop, 5).done_s);
    }
    Workshop shop;
    shop.evenings = {{0, 1800}};
    CHECK_FALSE(scheduleAfter(mould, {mould}, shop).whole);
}
