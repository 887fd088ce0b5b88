// What readings teach of a factor: against shrinkage by hand and quadrature, by simulation, and
// what must hold whatever is read.
#include <algorithm>
#include <boost/math/distributions/normal.hpp>
#include <boost/math/distributions/students_t.hpp>
#include <boost/math/quadrature/gauss_kronrod.hpp>
#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "core/learn/factor_said.h"
#include "core/learn/factor_told.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

const Spreads& kDepth = spreadsOf(Learnt::DepthInLine);
constexpr FactorFit::Plain kLeastSquares{true, true, true, 0.05};
constexpr FactorFit::Plain kOneCell{true, false, true, 0.05};

FactorReading reading(double y, int outing) {
    FactorReading r;
    r.outing = outing;
    r.low = r.high = y;
    return r;
}

FactorReading bound(SeenAs as, double low, double high, int outing) {
    FactorReading r = reading(0, outing);
    r.as = as;
    r.low = low;
    r.high = high;
    return r;
}

double width(const Mixture& mix) {
    return mix.quantile(0.95) - mix.quantile(0.05);
}

double ofPercent(double percent) {
    return std::log1p(percent / 100);
}

}  // namespace

TEST_CASE("with normal errors and known scales a factor is what shrinkage by hand gives") {
    // Three outings: variance V of what one copy of a bait may be off, n of a reading's own and its
    // day's; mean V / (V + n / 3) of their mean.
    const double total = std::log(1.35) / 1.645;
    const double v = total * total + 0.05 * 0.05, n = 2 * 0.05 * 0.05;
    const FactorFit apart(kDepth, {reading(-.13, 0), reading(-.10, 1), reading(-.16, 2)}, {},
                          kLeastSquares);
    CHECK(apart.factor({}).mean_() == Approx(-0.13 * v / (v + n / 3)).epsilon(1e-9));
    CHECK(apart.factor({}).sd() == Approx(std::sqrt(v * (n / 3) / (v + n / 3))).epsilon(1e-9));
    const FactorFit together(kDepth, {reading(-.13, 0), reading(-.10, 0), reading(-.16, 0)}, {},
                             kLeastSquares);
    const double day = 0.0025 + 0.0025 / 3;
    CHECK(together.factor({}).mean_() == Approx(-0.13 * v / (v + day)).epsilon(1e-9));
    CHECK(together.factor({}).sd() == Approx(std::sqrt(v * day / (v + day))).epsilon(1e-9));
    // Of another family only the maker's share carries over.
    CHECK(together.factor({0, 1, 1, 1}).mean_() ==
          Approx(-0.13 * 0.25 * total * total / (v + day)).epsilon(1e-9));
}

TEST_CASE("one reading with heavy tails agrees with quadrature") {
    using boost::math::quadrature::gauss_kronrod;
    const double total = std::log(1.35) / 1.645;
    const boost::math::normal factor(0, std::hypot(total, 0.05)), day(0, 0.05);
    const boost::math::students_t error(4);
    for (const double y : {-0.13, 0.45}) {
        // The day's share is folded into the error by a sum over its own normal.
        const auto likelihood = [&](double f) {
            return gauss_kronrod<double, 31>::integrate(
                [&](double d) { return pdf(day, d) * pdf(error, (y - f - d) / 0.05) / 0.05; }, -0.4,
                0.4, 8, 1e-10);
        };
        double sums[3];
        for (int power = 0; power < 3; ++power) {
            sums[power] = gauss_kronrod<double, 31>::integrate(
                [&](double f) { return std::pow(f, power) * pdf(factor, f) * likelihood(f); }, -1.5,
                1.5, 8, 1e-9);
        }
        const double mean = sums[1] / sums[0];
        const FactorFit fit(kDepth, {reading(y, 0)}, {}, kOneCell);
        INFO(y);
        CHECK(fit.factor({}).mean_() == Approx(mean).margin(2e-3));
        CHECK(fit.factor({}).sd() ==
              Approx(std::sqrt(sums[2] / sums[0] - mean * mean)).margin(2e-3));
        CHECK(std::exp(fit.logEvidence()) == Approx(sums[0]).epsilon(0.005));
    }
    // A bait that ticks: half a normal, where no reading is plain wrong.
    Spreads sharp = kDepth;
    sharp.reading = 0.02;
    FactorFit::Plain plain = kOneCell;
    plain.wrong = 0.0;
    const FactorFit tick(sharp, {bound(SeenAs::AtLeast, 0, 0, 0)}, {}, plain);
    const double prior = std::sqrt(total * total + 2 * 0.05 * 0.05);
    const double all = std::hypot(prior, 0.02);
    const double half = std::sqrt(2 / 3.14159265358979323846);
    CHECK(tick.next({}, 0).mean_() == Approx(prior * prior / all * half).epsilon(1e-6));
}

TEST_CASE("without readings the band is the book's, and what is read moves it as it must") {
    for (size_t q = 0; q < kLearntCount; ++q) {
        const Spreads& s = spreadsOf(Learnt(q));
        CHECK(FactorFit(s, {}).factor({}).quantile(0.95) == Approx(s.bookLn()).epsilon(1e-6));
        CHECK(s.maker + s.family + s.bait == Approx(1.0));
    }
    const double none = width(FactorFit(kDepth, {}).next({}));
    const double once = width(FactorFit(kDepth, {reading(0, 0)}).next({}));
    const double again = width(FactorFit(kDepth, {reading(0, 0), reading(0, 0)}).next({}));
    const double another = width(FactorFit(kDepth, {reading(0, 0), reading(0, 1)}).next({}));
    CHECK(once < 0.75 * none);
    CHECK(again < once);
    CHECK(another < again);  // a second day says more than a second cast
    // This bait moves most, its family less, another family least.
    const std::vector<FactorReading> three{reading(-.12, 0), reading(-.10, 1), reading(-.15, 2)};
    const FactorFit fit(kDepth, three);
    const double own = -fit.factor({}).mean_(), kin = -fit.factor({0, 0, 1, 0}).mean_(),
                 other = -fit.factor({0, 1, 1, 0}).mean_();
    CHECK(own > 1.5 * kin);
    CHECK(kin > 1.5 * other);
    CHECK(other > 0);
    // Three far readings that agree move the middle, and none is pointed out.
    const FactorFit far(kDepth, {reading(.60, 0), reading(.55, 1), reading(.62, 2)});
    CHECK(far.factor({}).quantile(0.5) == Approx(0.57).margin(0.02));
    CHECK(oddReadings(far, true).empty());
}

TEST_CASE("the order of the readings changes nothing") {
    std::vector<FactorReading> readings{reading(-.12, 0), reading(.30, 1),
                                        bound(SeenAs::AtLeast, -.2, 0, 1),
                                        bound(SeenAs::Between, -.15, 0, 2), reading(-.10, 3)};
    readings[4].bait = 1;
    readings[1].setting = 0.3;
    const FactorFit fit(kDepth, readings);
    const Mixture before = fit.next({});
    std::vector<FactorReading> turned(readings.rbegin(), readings.rend());
    const FactorFit back(kDepth, turned);
    for (const double share : {0.05, 0.5, 0.95}) {
        CHECK(back.next({}).quantile(share) == Approx(before.quantile(share)).margin(1e-7));
    }
    for (size_t i = 0; i < readings.size(); ++i) {
        CHECK(back.chanceOf(readings.size() - 1 - i) == Approx(fit.chanceOf(i)).margin(1e-6));
    }
}

TEST_CASE("a wrong reading is pointed out with the mistake that explains it, and weighs little") {
    std::vector<FactorReading> readings{reading(ofPercent(-12), 0), reading(ofPercent(-10), 1),
                                        reading(ofPercent(-15), 2)};
    const double without = FactorFit(kDepth, readings).factor({}).quantile(0.5);
    readings.push_back(reading(ofPercent(-12) + std::log(3.281), 3));
    const FactorFit feet(kDepth, readings);
    const auto odd = oddReadings(feet, true);
    REQUIRE(odd.size() == 1);
    CHECK(odd[0].reading == 3);
    CHECK(odd[0].chance < 1e-3);
    REQUIRE(odd[0].hint);
    CHECK(*odd[0].hint == Approx(3.281));
    CHECK(sayOdd(odd[0]).code == "learn.odd_feet");
    CHECK(std::abs(feet.factor({}).quantile(0.5) - without) < 0.05);
    CHECK_FALSE(oddReadings(feet, false)[0].hint);  // beats have no feet
    readings.back() = reading(ofPercent(35), 3);
    const auto off = oddReadings(FactorFit(kDepth, readings), true);
    REQUIRE(off.size() == 1);
    CHECK_FALSE(off[0].hint);
    CHECK(tellFactor(FactorFit(kDepth, readings), {}).unsure != Unsure::No);
    // Of two that quarrel nobody knows which is wrong.
    const auto two = oddReadings(
        FactorFit(kDepth, {reading(ofPercent(-40), 0), reading(ofPercent(70), 1)}), true);
    CHECK(two.size() == 2);
}

TEST_CASE("what is told: a direction only when it shows, and widths held until three of a kind") {
    const auto told = [](const std::vector<FactorReading>& r, const FactorOf& of = {}) {
        return tellFactor(FactorFit(kDepth, r), of);
    };
    const std::vector<FactorReading> day{reading(ofPercent(-12), 0), reading(ofPercent(-10), 0),
                                         reading(ofPercent(-15), 0)};
    std::vector<FactorReading> days = day;
    days[1].outing = 1;
    days[2].outing = 2;
    CHECK(told({}).unsure == Unsure::NotRead);
    CHECK(told({day[0]}).unsure == Unsure::TooFew);
    CHECK(told(day).unsure == Unsure::TooFew);  // ten casts of one day are not ten
    const FactorTold three = told(days);
    CHECK(three.unsure == Unsure::No);
    CHECK(three.itself.middle == Approx(0.89).margin(0.01));
    CHECK(sayFactor(Learnt::DepthInLine, three).front().code == "learn.shallower");
    std::vector<FactorReading> far = days;
    for (FactorReading& r : far) {
        r.low = r.high = r.low - 0.3;
    }
    CHECK(told(far, {0, 0, 0, 0, 0.6}).unsure == Unsure::FarFrom);
    CHECK(told({reading(ofPercent(-22), 0), reading(ofPercent(22), 1)}).unsure != Unsure::No);
    // A new bait of the family keeps the book's width until three of its baits are read.
    const FactorTold book = told({});
    const auto lnWidth = [](const FactorBand& b) { return std::log(b.high / b.low); };
    const FactorOf fresh{0, 0, 9, 0, 0};
    for (int baits = 1; baits <= 3; ++baits) {
        std::vector<FactorReading> r;
        for (int b = 0; b < baits; ++b) {
            for (FactorReading one : days) {
                one.bait = b;
                one.outing += 10 * b;
                r.push_back(one);
            }
        }
        const FactorTold kin = told(r, fresh);
        CHECK(kin.widthHeld == (baits < 3));
        CHECK((lnWidth(kin.next) >= lnWidth(book.next) * (1 - 1e-9)) == (baits < 3));
        CHECK(kin.next.middle < 1.0);
    }
    // Never under what a day and a reading are off by themselves.
    std::vector<FactorReading> many;
    for (int i = 0; i < 40; ++i) {
        many.push_back(reading(-0.1, i));
    }
    const FactorTold sure = told(many);
    const double floor = 1.645 * std::sqrt(0.0025 + 1.69 * 0.0025);
    CHECK(std::log(sure.next.high / sure.next.middle) >= floor * (1 - 1e-9));
}

TEST_CASE("no reading makes a band not a number, nothing or less") {
    std::mt19937 random(3);
    std::uniform_real_distribution<double> wild(-11, 11);
    for (int i = 0; i < (kThorough ? 60 : 20); ++i) {
        std::vector<FactorReading> readings;
        for (int k = 0; k < 1 + int(random() % 6); ++k) {
            FactorReading r = bound(SeenAs(random() % 4), wild(random), 0, int(random() % 3));
            r.high = r.as == SeenAs::Value ? r.low : r.low + std::abs(wild(random));
            r.bait = int(random() % 2);
            r.setting = wild(random) / 10;
            readings.push_back(r);
        }
        readings.push_back(reading(std::nan(""), 0));
        readings.push_back(reading(INFINITY, 0));
        const FactorTold told =
            tellFactor(FactorFit(spreadsOf(Learnt(random() % 7)), readings), {});
        for (const FactorBand& b : {told.next, told.itself, told.book}) {
            CHECK(std::isfinite(b.high));
            CHECK(b.low > 0);
            CHECK(b.low < b.middle);
            CHECK(b.middle < b.high);
        }
    }
}

TEST_CASE("another day is worth more than another cast, and the first reading most of all") {
    const auto narrower = [](const FactorFit& fit, NextReading what, int today) {
        for (const ReadingWorth& w : worthOfNext(fit, {}, today)) {
            if (w.what == what) {
                return w.narrower;
            }
        }
        return -1.0;
    };
    const FactorFit none(kDepth, {});
    CHECK(narrower(none, NextReading::SameDay, -1) == -1.0);
    CHECK(narrower(none, NextReading::AnotherDay, -1) == Approx(0.5).margin(0.03));
    const FactorFit day(kDepth, {reading(-.12, 0), reading(-.10, 0), reading(-.15, 0)});
    CHECK(narrower(day, NextReading::AnotherDay, 0) > 0.12);
    CHECK(narrower(day, NextReading::SameDay, 0) < 0.03);
    CHECK(worthOfNext(day, {}, 0).front().what != NextReading::SameDay);
    CHECK(narrower(day, NextReading::OtherFamily, 0) < narrower(day, NextReading::OtherBait, 0));
}

TEST_CASE("two copies: side by side they are told apart, on other days hardly, one reading never") {
    const auto verdict = [](double apart, int each, bool sameDay) {
        std::vector<FactorReading> r;
        for (int i = 0; i < each; ++i) {
            for (const int copy : {1, 2}) {
                FactorReading one = reading(copy == 1 ? 0 : -apart, sameDay ? i / 2 : 2 * i + copy);
                one.copy = copy;
                r.push_back(one);
            }
        }
        return compareCopies(kDepth, r, {0, 0, 0, 1}, {0, 0, 0, 2});
    };
    const double tolerance = verdict(0, 1, true).tolerance;
    CHECK(tolerance == Approx(0.1414).margin(1e-3));
    CHECK(verdict(3 * tolerance, 1, false).is == CopyVerdict::Is::CannotTell);
    CHECK(verdict(0, 1, true).is == CopyVerdict::Is::CannotTell);
    CHECK(verdict(0, 4, true).is == CopyVerdict::Is::Within);
    const CopyVerdict far = verdict(3 * tolerance, 4, true);
    CHECK(far.is == CopyVerdict::Is::Differ);
    CHECK(far.ratio == Approx(std::exp(3 * tolerance)).epsilon(0.1));
    CHECK(sayCopies(Learnt::DepthInLine, far, 1, 2).code == "learn.copy_deeper");
}

TEST_CASE("by simulation the next reading lies in its band, whoever the maker is, seeded") {
    // Worlds: as assumed; a maker far off; baits scattered twice; one reading in ten wrong by 1.6.
    struct World {
        const char* name;
        double maker, baits, wrong, least;
    };
    const int makers = kThorough ? 80 : 12;
    for (const World& w :
         {World{"as assumed", 0, 1, 0, 0.88}, World{"maker far off", 2.0, 1, 0, 0.85},
          World{"baits twice", 0, 2, 0, 0.85}, World{"one in ten wrong", 0, 1, 0.1, 0.78}}) {
        std::mt19937 random(17);
        std::normal_distribution<double> normal;
        std::student_t_distribution<double> heavy(4);
        std::uniform_real_distribution<double> uniform;
        const double total = std::log(1.35) / 1.645;
        int inside = 0;
        for (int m = 0; m < makers; ++m) {
            const double maker = w.maker > 0 ? w.maker * total * (random() % 2 ? 1 : -1)
                                             : total * std::sqrt(kDepth.maker) * normal(random);
            const double bait = maker + total * std::sqrt(kDepth.family) * normal(random) +
                                w.baits * total * std::sqrt(kDepth.bait) * normal(random) +
                                kDepth.copy * normal(random);
            const auto seen = [&] {
                double y = bait + kDepth.outing * normal(random) + kDepth.reading * heavy(random);
                if (uniform(random) < w.wrong) {
                    y += (random() % 2 ? 1 : -1) * std::log(1.6);
                }
                return y;
            };
            std::vector<FactorReading> readings;
            for (int day = 0; day < 3; ++day) {
                readings.push_back(reading(seen(), day));
            }
            const FactorTold told = tellFactor(FactorFit(kDepth, readings), {});
            const double next = std::exp(seen());
            inside += next >= told.next.low && next <= told.next.high ? 1 : 0;
        }
        INFO(w.name);
        CHECK(double(inside) / makers >= (kThorough ? w.least : w.least - 0.2));
    }
}
