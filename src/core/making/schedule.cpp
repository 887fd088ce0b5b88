#include "core/making/schedule.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <map>
#include <optional>
#include <random>

namespace wl {
namespace {

constexpr double kNever = std::numeric_limits<double>::infinity();
constexpr double kHair_s = 1e-6;

struct Stretch {
    double from_s = 0.0;
    double to_s = 0.0;
};

// The hours, the hands and the places as they fill.
class Diary {
  public:
    explicit Diary(const Workshop& shop) : shop_(shop), free_(freeOf(shop)) {}

    // The earliest a task can be done from `after` on; nothing when it never can.
    std::optional<std::vector<Stretch>> earliest(const BatchTask& task, double after) const {
        double from = after;
        for (;;) {
            std::optional<std::vector<Stretch>> hands = handsFrom(task, from);
            if (!hands || task.place == WaitPlace::None || task.cure_s <= 0) {
                return hands;
            }
            const double end = hands->back().to_s;
            const double clash = placeClash(task.place, end, end + task.cure_s);
            if (clash < 0) {
                return hands;
            }
            // Its hands-on part ends no sooner than that place is free.
            from = std::max(from + 1.0, clash - task.work_s);
        }
    }

    void take(const BatchTask& task, const std::vector<Stretch>& hands) {
        for (const Stretch& s : hands) {
            for (size_t i = 0; i < free_.size(); ++i) {
                const Stretch gap = free_[i];
                if (s.from_s < gap.from_s - kHair_s || s.to_s > gap.to_s + kHair_s) {
                    continue;
                }
                free_.erase(free_.begin() + long(i));
                if (gap.to_s > s.to_s + kHair_s) {
                    free_.insert(free_.begin() + long(i), {s.to_s, gap.to_s});
                }
                if (s.from_s > gap.from_s + kHair_s) {
                    free_.insert(free_.begin() + long(i), {gap.from_s, s.from_s});
                }
                break;
            }
        }
        if (task.place != WaitPlace::None && task.cure_s > 0) {
            const double end = hands.back().to_s;
            held_[size_t(task.place)].push_back({end, end + task.cure_s});
        }
    }

  private:
    static std::vector<Stretch> freeOf(const Workshop& shop) {
        std::vector<Stretch> free;
        for (const Evening& e : shop.evenings) {
            if (e.to_s > e.from_s) {
                free.push_back({e.from_s, e.to_s});
            }
        }
        return free;
    }

    bool everFits(double work_s) const {
        return std::any_of(shop_.evenings.begin(), shop_.evenings.end(),
                           [&](const Evening& e) { return e.to_s - e.from_s >= work_s - kHair_s; });
    }

    std::optional<std::vector<Stretch>> handsFrom(const BatchTask& task, double after) const {
        // What no evening is long enough for is done in parts all the same.
        const bool splits = task.splits || !everFits(task.work_s);
        double left = task.work_s;
        std::vector<Stretch> hands;
        for (const Stretch& gap : free_) {
            const double from = std::max(gap.from_s, after);
            const double room = gap.to_s - from;
            if (room < -kHair_s || (room <= kHair_s && left > kHair_s)) {
                continue;
            }
            if (!splits) {
                if (room >= left - kHair_s) {
                    return std::vector<Stretch>{{from, from + left}};
                }
                continue;
            }
            const double part = std::min(left, room);
            hands.push_back({from, from + part});
            left -= part;
            if (left <= kHair_s) {
                return hands;
            }
        }
        return std::nullopt;
    }

    // When the place is next given up, if it is taken at any time of that stretch; -1: it is free.
    double placeClash(WaitPlace place, double from, double to) const {
        const auto& held = held_[size_t(place)];
        const int places = shop_.placesOf(place);
        const auto takenAt = [&](double t) {
            return std::count_if(held.begin(), held.end(), [t](const Stretch& s) {
                return s.from_s <= t + kHair_s && t < s.to_s - kHair_s;
            });
        };
        double clash = -1;
        const auto look = [&](double t) {
            if (takenAt(t) >= places) {
                double next = kNever;
                for (const Stretch& s : held) {
                    if (s.from_s <= t + kHair_s && t < s.to_s - kHair_s) {
                        next = std::min(next, s.to_s);
                    }
                }
                clash = std::max(clash, next);
            }
        };
        look(from);
        for (const Stretch& s : held) {
            if (s.from_s > from && s.from_s < to - kHair_s) {
                look(s.from_s);
            }
        }
        return clash;
    }

    const Workshop& shop_;
    std::vector<Stretch> free_;
    std::array<std::vector<Stretch>, kWaitPlaces> held_;
};

struct Worth {
    bool whole = false;
    double done_s = kNever;
    double sum_s = kNever;
    bool betterThan(const Worth& o) const {
        if (whole != o.whole) {
            return whole;
        }
        if (std::abs(done_s - o.done_s) > kHair_s) {
            return done_s < o.done_s;
        }
        return sum_s < o.sum_s - kHair_s;
    }
};

Worth worthOf(const Schedule& s, size_t baits) {
    std::vector<double> ready(baits, 0.0);
    for (const PlacedTask& t : s.tasks) {
        ready[t.bait] = std::max(ready[t.bait], t.ready_s);
    }
    double sum = 0;
    for (const double r : ready) {
        sum += r;
    }
    return {s.whole, s.done_s, sum};
}

using Baits = std::vector<std::vector<BatchTask>>;

class Planner {
  public:
    Planner(const Baits& baits, const Workshop& shop) : baits_(baits), shop_(shop) {
        for (const auto& tasks : baits) {
            std::vector<double> tail(tasks.size() + 1, 0.0);
            for (size_t k = tasks.size(); k-- > 0;) {
                tail[k] = tail[k + 1] + tasks[k].work_s + tasks[k].cure_s;
            }
            tails_.push_back(std::move(tail));
            count_ += tasks.size();
        }
    }
    size_t count() const { return count_; }

    void consider(const std::vector<size_t>& order) {
        Schedule s = placeInOrder(baits_, shop_, order);
        const Worth worth = worthOf(s, baits_.size());
        if (!found_ || worth.betterThan(worth_)) {
            found_ = true;
            worth_ = worth;
            best_ = std::move(s);
            bestOrder_ = order;
        }
    }
    void considerPlain() {
        std::vector<size_t> steps, whole;
        size_t longest = 0;
        for (const auto& tasks : baits_) {
            longest = std::max(longest, tasks.size());
        }
        for (size_t k = 0; k < longest; ++k) {
            for (size_t b = 0; b < baits_.size(); ++b) {
                if (k < baits_[b].size()) {
                    steps.push_back(b);
                }
            }
        }
        for (size_t b = 0; b < baits_.size(); ++b) {
            whole.insert(whole.end(), baits_[b].size(), b);
        }
        consider(steps);
        consider(whole);
    }
    // Every order; of baits alike the first goes first.
    void considerAll() {
        std::vector<size_t> order, done(baits_.size(), 0);
        tryFrom(order, done);
    }
    // Eligible task by the longest tail, or the one that can begin soonest.
    void considerByTail() {
        std::vector<size_t> order, done(baits_.size(), 0);
        while (order.size() < count_) {
            size_t best = baits_.size();
            for (size_t b = 0; b < baits_.size(); ++b) {
                if (done[b] < baits_[b].size() &&
                    (best == baits_.size() || tails_[b][done[b]] > tails_[best][done[best]])) {
                    best = b;
                }
            }
            order.push_back(best);
            ++done[best];
        }
        consider(order);
    }
    void considerSoonest() {
        Diary diary(shop_);
        std::vector<size_t> order, done(baits_.size(), 0);
        std::vector<double> ready(baits_.size(), -kNever);
        while (order.size() < count_) {
            size_t best = baits_.size();
            double soonest = kNever;
            std::vector<Stretch> at;
            for (size_t b = 0; b < baits_.size(); ++b) {
                if (done[b] >= baits_[b].size()) {
                    continue;
                }
                const auto hands = diary.earliest(baits_[b][done[b]], ready[b]);
                if (!hands) {
                    continue;
                }
                const double from = hands->front().from_s;
                const bool sooner =
                    from < soonest - kHair_s || (from < soonest + kHair_s && best < baits_.size() &&
                                                 tails_[b][done[b]] > tails_[best][done[best]]);
                if (sooner) {
                    best = b;
                    soonest = from;
                    at = *hands;
                }
            }
            if (best == baits_.size()) {
                break;  // the evenings are full
            }
            const BatchTask& task = baits_[best][done[best]];
            diary.take(task, at);
            ready[best] = at.back().to_s + task.cure_s;
            order.push_back(best);
            ++done[best];
        }
        if (order.size() == count_) {
            consider(order);
        }
    }
    Schedule best() { return std::move(best_); }
    const std::vector<size_t>& order() const { return bestOrder_; }

  private:
    void tryFrom(std::vector<size_t>& order, std::vector<size_t>& done) {
        if (order.size() == count_) {
            consider(order);
            return;
        }
        for (size_t b = 0; b < baits_.size(); ++b) {
            const bool twin = b > 0 && baits_[b] == baits_[b - 1] && done[b] >= done[b - 1];
            if (done[b] >= baits_[b].size() || twin) {
                continue;
            }
            order.push_back(b);
            ++done[b];
            tryFrom(order, done);
            --done[b];
            order.pop_back();
        }
    }

    const Baits& baits_;
    const Workshop& shop_;
    std::vector<std::vector<double>> tails_;
    size_t count_ = 0;
    bool found_ = false;
    Worth worth_;
    Schedule best_;
    std::vector<size_t> bestOrder_;
};

}  // namespace

int Workshop::placesOf(WaitPlace place) const {
    switch (place) {
        case WaitPlace::Clamp:
            return clamps;
        case WaitPlace::Mould:
            return moulds;
        case WaitPlace::Rack:
            return rack;
        case WaitPlace::Turner:
            return turner;
        case WaitPlace::Printer:
            return printers;
        case WaitPlace::None:
            break;
    }
    return std::numeric_limits<int>::max();
}

Schedule placeInOrder(const Baits& baits, const Workshop& shop, const std::vector<size_t>& order) {
    Diary diary(shop);
    Schedule out;
    std::vector<size_t> done(baits.size(), 0);
    std::vector<double> ready(baits.size(), -kNever);
    std::vector<bool> stuck(baits.size(), false);
    for (const size_t b : order) {
        if (stuck[b] || done[b] >= baits[b].size()) {
            continue;
        }
        const BatchTask& task = baits[b][done[b]];
        const bool placed =
            task.place == WaitPlace::None || task.cure_s <= 0 || shop.placesOf(task.place) > 0;
        const auto hands = placed ? diary.earliest(task, ready[b]) : std::nullopt;
        if (!hands) {
            stuck[b] = true;
            out.whole = false;
            continue;
        }
        diary.take(task, *hands);
        ready[b] = hands->back().to_s + task.cure_s;
        out.tasks.push_back({b, done[b], hands->front().from_s, hands->back().to_s, ready[b]});
        out.done_s = out.tasks.size() == 1 ? ready[b] : std::max(out.done_s, ready[b]);
        ++done[b];
    }
    std::stable_sort(out.tasks.begin(), out.tasks.end(),
                     [](const PlacedTask& a, const PlacedTask& c) { return a.from_s < c.from_s; });
    return out;
}

Schedule plainSchedule(const Baits& baits, const Workshop& shop) {
    Planner planner(baits, shop);
    planner.considerPlain();
    return planner.best();
}

Schedule scheduleBatch(const Baits& baits, const Workshop& shop, std::uint32_t seed,
                       std::stop_token stop) {
    constexpr int kDrawn = 200;
    Planner planner(baits, shop);
    planner.considerPlain();
    if (planner.count() <= kExhaustive) {
        planner.considerAll();
        return planner.best();
    }
    planner.considerByTail();
    planner.considerSoonest();
    std::mt19937 random(seed);
    for (int i = 0; i < kDrawn && !stop.stop_requested(); ++i) {
        // Some of the best order put a little earlier: what comes before it of its own bait stays
        // before it, for an order names baits and not tasks.
        std::vector<size_t> order = planner.order();
        const int moves = 1 + int(random() % 4);
        for (int m = 0; m < moves; ++m) {
            const size_t from = random() % order.size();
            const size_t to = from - std::min<size_t>(from, random() % 16);
            const size_t bait = order[from];
            order.erase(order.begin() + long(from));
            order.insert(order.begin() + long(to), bait);
        }
        planner.consider(order);
    }
    return planner.best();
}

}  // namespace wl
