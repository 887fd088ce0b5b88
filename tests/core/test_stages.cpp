// Reckoning in stages: what is taken over from a design nearby gives the same result, bit for bit,
// as reckoning from nothing, and what an edit does not touch is taken over.
#include <catch2/catch.hpp>

#include <cstring>
#include <fstream>
#include <random>
#include "core/chain/chain_swim.h"
#include "core/swim/swim.h"

#include "core/cast/throws.h"
#include "core/design/fields.h"
#include "core/tank/waters.h"
#include "files/design_file.h"
#include "files/embedded_data.h"
#include "support/sample_bait.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

bool sameBits(double a, double b) {
    return std::memcmp(&a, &b, sizeof a) == 0;
}

bool sameBits(const Eigen::Vector3d& a, const Eigen::Vector3d& b) {
    return std::memcmp(a.data(), b.data(), 3 * sizeof(double)) == 0;
}

void checkSame(const Derived& a, const Derived& b) {
    REQUIRE(a.mass->items.size() == b.mass->items.size());
    for (size_t i = 0; i < a.mass->items.size(); ++i) {
        const MassItem &x = a.mass->items[i], &y = b.mass->items[i];
        INFO(x.path);
        CHECK((x.name == y.name && x.path == y.path && x.origin == y.origin));
        CHECK((sameBits(x.mass_kg, y.mass_kg) && sameBits(x.displaced_m3, y.displaced_m3)));
        CHECK((sameBits(x.centre_m, y.centre_m) && sameBits(x.netDoubt_kg, y.netDoubt_kg)));
    }
    CHECK(sameBits(a.mass->mass_kg, b.mass->mass_kg));
    CHECK(sameBits(a.mass->centreOfGravity_m, b.mass->centreOfGravity_m));
    CHECK(sameBits(a.mass->centreOfBuoyancy_m, b.mass->centreOfBuoyancy_m));
    CHECK(sameBits(a.mass->displacedVolume_m3, b.mass->displacedVolume_m3));
    CHECK(sameBits(a.shape->solid.volume_m3, b.shape->solid.volume_m3));
    CHECK(sameBits(a.shape->massScale, b.shape->massScale));
    REQUIRE(a.hulls->size() == b.hulls->size());
    for (size_t i = 0; i < a.hulls->size(); ++i) {
        CHECK((*a.hulls)[i].fine.mesh() == (*b.hulls)[i].fine.mesh());
    }
    for (const double alpha : {-1.2, -0.4, 0.0, 0.3, 2.5}) {
        const Loads x = a.loads->table->at(alpha), y = b.loads->table->at(alpha);
        CHECK((sameBits(x.aft_m2, y.aft_m2) && sameBits(x.up_m2, y.up_m2) &&
               sameBits(x.moment_m3, y.moment_m3)));
    }
    CHECK(sameBits(a.rest->pitch_rad, b.rest->pitch_rad));
    CHECK(sameBits(a.rest->roll_rad, b.rest->roll_rad));
    CHECK(sameBits(a.rest->fall.speed_m_s, b.rest->fall.speed_m_s));
    CHECK(sameBits(a.rest->lowSpeed_m_s, b.rest->lowSpeed_m_s));
    CHECK(a.rest->attitudes.size() == b.rest->attitudes.size());
    CHECK(a.rest->alone.size() == b.rest->alone.size());
    CHECK(a.rest->waterlogged.size() == b.rest->waterlogged.size());
    CHECK(sameBits(a.wantedMass_kg, b.wantedMass_kg));
    CHECK(a.towed.tie_m == b.towed.tie_m);
    CHECK(sameBits(a.waterViscosity_m2_s, b.waterViscosity_m2_s));
}

}  // namespace

TEST_CASE("any one field changed: reckoned from the design before it or from nothing, the same") {
    const int every = kThorough ? 1 : 5;
    int changed = 0, looked = 0;
    for (const char* name : {"diver", "swimmer"}) {
        Design before = demoNamed(name);
        before.sideWeights.emplace_back();
        before.sideWeights[0].outline = ovalOutline(0.01, 0.004, 5);
        before.buildUps.emplace_back();
        before.coats[0].thickerOn = ThickerOn::Belly;
        const Derived near = evaluated(before);
        for (const Field& field : listFields(before)) {
            if (!field.value || ++looked % every != 0) {
                continue;
            }
            const bool last = *field.value >= field.max;
            const double other = field.kind != FieldKind::Number ? (last ? 0 : *field.value + 1)
                                 : *field.value != 0             ? *field.value * 1.01
                                                                 : 0.01 * field.max;
            const Result<Design> after = withField(before, field.path, other);
            if (!after || *after == before) {
                continue;
            }
            INFO(name << " " << field.path);
            const Result<Derived> fresh = evaluate(*after), taken = evaluate(*after, &near);
            REQUIRE(fresh.ok() == taken.ok());
            if (fresh) {
                checkSame(*fresh, *taken);
                ++changed;
            }
        }
    }
    CHECK(changed > 250 / every);
}

TEST_CASE("fields without a number: words, kinds, what is there at all") {
    const Design before = demoDesign();
    const Derived near = evaluated(before);
    const auto spoil = [&](auto change) {
        Design after = before;
        change(after);
        checkSame(evaluated(after), *evaluate(after, &near));
    };
    spoil([](Design& d) { d.bores.front().name = "another"; });
    spoil([](Design& d) { d.bores.pop_back(); });
    spoil([](Design& d) { d.fittings.front().hangsFrom.clear(); });
    spoil([](Design& d) { d.fittings.front().weedGuard = true; });
    spoil([](Design& d) { d.lip.present = false; });
    spoil([](Design& d) { d.lip.family = LipFamily::Oval; });
    spoil([](Design& d) { d.coats.clear(); });
    spoil([](Design& d) { d.coats[0].thickerOn = ThickerOn::Port; });
    spoil([](Design& d) { d.buildUps.emplace_back(); });
    spoil([](Design& d) { d.sideWeights.emplace_back().outline = ovalOutline(0.01, 0.004, 5); });
    spoil([](Design& d) { d.make.kind = MakeKind::Printed; });
    spoil([](Design& d) { d.pieces.front().stock.source = DensitySource::Shelf; });
    spoil([](Design& d) { d.brief.wantedState = WantedState::Sink; });
    spoil([](Design& d) { d.tie.place = TiePlace::Body; });
    spoil([](Design& d) { d.tank.correction = {true, 1e-4, 1e-8, 0, 1e-4, 0, 0, 0}; });
    spoil([](Design& d) { d.body.stations[3].back_m += 1e-3; });
}

TEST_CASE("a hundred and forty edits in a row, each from the one before, end as if begun there") {
    std::mt19937 random(20261127);
    Design design = demoNamed("glide-bait");
    Derived known = evaluated(design);
    int steps = 0;
    for (int i = 0; i < 140; ++i) {
        const std::vector<Field> fields = listFields(design);
        const Field& field = fields[random() % fields.size()];
        if (field.kind != FieldKind::Number || !field.value) {
            continue;
        }
        const double by = 1 + 0.04 * (double(random() % 1000) / 1000 - 0.5);
        const Result<Design> next = withField(design, field.path, *field.value * by);
        if (!next) {
            continue;
        }
        Result<Derived> then = evaluate(*next, &known);
        if (then) {
            design = *next;
            known = std::move(then).value();
            ++steps;
        }
    }
    CHECK(steps > 50);
    checkSame(evaluated(design), known);
}

TEST_CASE("an edit redoes only the stages it touches") {
    const Design before = demoDesign();
    const Derived near = evaluated(before);
    const auto after = [&](const char* path, double value) {
        const Result<Derived> d = evaluate(*withField(before, path, value), &near);
        REQUIRE(d.ok());
        return *d;
    };
    const Derived lead = after("/bores/0/plug_length", 0.004);
    CHECK((lead.shape == near.shape && lead.hulls == near.hulls && lead.loads == near.loads));
    CHECK((lead.mass != near.mass && lead.rest != near.rest));
    const Derived tie = after("/tie/up_lip", 0.006);
    CHECK((tie.mass == near.mass && tie.rest == near.rest && tie.loads == near.loads));
    CHECK(tie.towed.tie_m != near.towed.tie_m);
    const Derived cast = after("/brief/cast_length", 31);
    CHECK((cast.mass == near.mass && cast.rest == near.rest && cast.loads == near.loads));
    const Derived spare = after("/brief/wanted_spare", 0.2);
    CHECK((spare.rest == near.rest && spare.wantedMass_kg < near.wantedMass_kg));
    const Derived lip = after("/lip/angle", 40 * kDegree);
    CHECK((lip.shape == near.shape && lip.hulls == near.hulls));
    CHECK((lip.loads != near.loads && lip.mass != near.mass));
    const Derived coat = after("/coats/0/thickness", 0.0004);
    CHECK((coat.shape == near.shape && coat.hulls != near.hulls));
    const Derived warm = after("/brief/temperature", kZeroCelsius_K + 25);
    CHECK((warm.shape != near.shape && warm.mass != near.mass));
}

TEST_CASE("a varied model moves what it should, and comes back") {
    const Design d = demoDesign();
    const Derived plain = evaluated(d);
    const double depth = computeRun(plain).path.maxDepth_m;
    Model still, thick;
    still.strumming = 1.0;
    thick.strumming = 1.4;
    const Derived strumming = *evaluate(d, &plain, thick);
    CHECK(strumming.mass == plain.mass);
    CHECK(strumming.rest != plain.rest);  // the model is part of its key
    CHECK(computeRun(strumming).path.maxDepth_m <
          0.9 * computeRun(*evaluate(d, &plain, still)).path.maxDepth_m);
    const Derived back = *evaluate(d, &strumming);
    checkSame(plain, back);
    CHECK(sameBits(computeRun(back).path.maxDepth_m, depth));
    // Every value lies in its own band, and says where it is from.
    for (const Coefficient& c : coefficients()) {
        INFO(c.key);
        CHECK(c.low < Model{}.*c.value + 1e-12);
        CHECK(c.high > Model{}.*c.value - 1e-12);
        CHECK(c.low < c.high);
        CHECK(std::string(c.source) != "");
    }
    CHECK(coefficients().size() * sizeof(double) == sizeof(Model));
}

TEST_CASE("no coefficient is idle: each moves some figure of some bait", "[again]") {
    std::vector<Design> baits;
    for (const char* name : {"diver", "lipless"}) {
        baits.push_back(demoNamed(name));
    }
    Design steep = demoDesign();  // a steep lip, a single hook with a guard
    steep.lip.angle_rad = 48 * kDegree;
    steep.fittings.front().weedGuard = true;
    steep.fittings.front().kind = FittingKind::SingleHook;
    baits.push_back(steep);
    baits.push_back(steep);
    baits.back().brief.retrieveSpeed_m_s = 0.3;  // shallower angles of attack, and a broad lip
    baits.back().lip.length_m = 0.016;
    baits.push_back(suspender());
    baits.push_back(demoDesign());
    baits.back().make.kind = MakeKind::Cast;
    // Everything that stands in the stream: fins, a lump, bristles, a cupped nose, a cut tail;
    // thrown off a spool that turns.
    Design finned = demoDesign();
    Fitting fin;
    fin.kind = FittingKind::SheetFin;
    fin.x_m = 0.06;
    fin.y_m = 0.01;
    fin.size_m = 0.012;
    fin.area_m2 = 100e-6;
    fin.wire_m = 0.0005;
    fin.mirrored = true;
    finned.fittings.push_back(fin);
    fin.wire_m = 0.006;
    finned.fittings.push_back(fin);
    fin.kind = FittingKind::BristleTail;
    fin.wire_m = 0.0005;
    finned.fittings.push_back(fin);
    finned.body.noseFace = {true, 0.004, 80 * kDegree, 0.002, 0.8};
    finned.body.tailFace = {true, 0.078, 90 * kDegree, 0.0, 0.8};
    finned.brief.reel = ReelKind::Turning;
    baits.push_back(finned);
    // A tall body behind a lip between in line and steep, one in line, and one bare, by the set for
    // such (pushed() below takes it whole).
    Design tall = demoDesign();
    for (Station& s : tall.body.stations) {
        s.halfWidth_m *= 0.7;
    }
    tall.lip.angle_rad = 40 * kDegree;
    baits.push_back(tall);
    tall.brief.retrieveSpeed_m_s = 0.5;
    baits.push_back(tall);
    Design down = tall;  // well nose down
    down.brief.retrieveSpeed_m_s = 1.2;
    down.lip.length_m += 0.008;
    down.tie.upLip_m -= 0.004;
    baits.push_back(down);
    tall.lip.angle_rad = 20 * kDegree;
    baits.push_back(tall);
    tall.lip.present = false;
    tall.tie = {TiePlace::Body, 0.02, 0.012};
    baits.push_back(tall);
    const auto figures = [](const Design& design, const Derived& d) {
        const Run run = computeRun(d, {}, kCoarseRetrieve);
        const InWater warm = inWater(design, d, kZeroCelsius_K + 30, 0, kZeroCelsius_K + 10);
        return std::array{d.rest->lowSpeed_m_s,
                          d.rest->spare,
                          d.rest->fall.speed_m_s,
                          run.path.maxDepth_m,
                          run.depthLow_m,
                          run.depthHigh_m,
                          run.trolledDepth_m.value_or(-1),
                          warm.spare,
                          double(d.rest->state),
                          suspendBand_kg(d),
                          run.levelTrim ? run.levelTrim->tension_N : 0.0,
                          run.doubts.empty() ? 0.0 : run.doubts.back().shallower_m,
                          middleDistance_m(d).value_or(0.0)};
    };
    std::vector<Derived> own;
    for (const Design& bait : baits) {
        own.push_back(evaluated(bait));
    }
    const auto swings = [](const Derived& d) {
        const Swim swim = swimOf(d, computeRun(d, {}, kCoarseRetrieve));
        return std::array{swim.beats_1_s.middle, swim.yaw_rad.low,   swim.yaw_rad.high,
                          swim.roll_rad.middle,  swim.roll_rad.high, swim.growth_1_s};
    };
    const auto castBand = [](const Model& model, bool measured) {
        Design d = demoDesign();
        if (measured) {
            d.brief.throwSpeed_m_s = 28.0;
        }
        return computeCast(*evaluate(d, nullptr, model))->high_m;
    };
    const Derived pieces = evaluated(readDesign(embedded::swimmer_wade()).value());
    const auto walked = [&pieces](const Model& model) {
        const Glide glide = glideOf(*chainBait(pieces, 0.6), Brief{}, model);
        return std::array{glide.turn_rad.middle, glide.way_m.middle, glide.width_m.middle};
    };
    const auto drawn = [&pieces](const Model& model) {
        const Snake snake = snakeOf(*chainBait(pieces, 0.6), 0.6, model);
        return std::array{snake.beats_1_s.low, snake.beats_1_s.high, snake.path_m.back().high};
    };
    for (const Coefficient& c : coefficients()) {
        Model pushed, plain;
        if (std::string_view(c.group) == "chain") {
            pushed.*c.value = pushed.*c.value < c.high ? c.high : c.low;
            INFO(c.key);
            CHECK((walked(pushed) != walked(plain) || drawn(pushed) != drawn(plain)));
            continue;
        }
        const bool set = std::string_view(c.group) == "tall";
        if (set && std::string_view(c.key) != "tall_bodies") {
            pushed.tallBodies = plain.tallBodies = 1;
        }
        const double value = pushed.*c.value;
        pushed.*c.value = c.high - value > value - c.low ? c.high : c.low;
        bool moves = false;
        if (std::string_view(c.key) == "wake_most_coupled") {
            pushed.wakeCoupling = plain.wakeCoupling = 12;  // over which it is held
        }
        if (std::string_view(c.key) == "wake_end") {
            pushed.wakePeakAt = plain.wakePeakAt = 0.05;  // past which it counts
        }
        const bool swims =
            std::string_view(c.group) == "swim" || std::string_view(c.key) == "fin_water";
        for (size_t i = 0; i < baits.size() && swims && !moves; ++i) {
            moves = swings(*evaluate(baits[i], &own[i], pushed)) !=
                    swings(*evaluate(baits[i], &own[i], plain));
        }
        for (size_t i = 0; i < baits.size() && !swims && !moves; ++i) {
            moves = figures(baits[i], *evaluate(baits[i], &own[i], pushed)) !=
                    figures(baits[i], *evaluate(baits[i], &own[i], plain));
        }
        if (std::string_view(c.key).starts_with("band_cast")) {
            const bool measured = std::string_view(c.key) == "band_cast_known";
            moves = castBand(pushed, measured) != castBand({}, measured);
        }
        INFO(c.key);
        CHECK(moves);
    }
}

TEST_CASE("the table of coefficients in docs/theory.md is the program's own") {
    std::ifstream file(WL_SOURCE_DIR "/docs/theory.md");
    const std::string text{std::istreambuf_iterator<char>(file), {}};
    CHECK(text.find(modelTable()) != std::string::npos);
}

TEST_CASE("the coarse retrieve stands in for the fine one") {
    for (const char* name : {"diver", "lipless", "swimmer"}) {
        const Derived d = evaluated(demoNamed(name));
        const Run fine = computeRun(d), coarse = computeRun(d, {}, kCoarseRetrieve);
        INFO(name);
        REQUIRE((fine.depthKnown && coarse.depthKnown));
        CHECK(coarse.path.maxDepth_m == Approx(fine.path.maxDepth_m).epsilon(0.01));
    }
}
