// The shelf's table: round trip, refusals with the line, fuzz; file versions.
#include <catch2/catch.hpp>
#include <fstream>
#include <random>
#include <sstream>

#include "core/making/moulding.h"
#include "files/design_file.h"
#include "io/shelf.h"
#include "io/shelf_costs.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("the shelf goes out as a table and comes back the same") {
    const std::string text = writeShelfCsv(starterEntries());
    const auto again = readShelfCsv(text);
    REQUIRE(again.ok());
    CHECK(*again == starterEntries());
    CHECK(writeShelfCsv(*again) == text);
    // Columns in another order, with a byte order mark and quotes, as a spreadsheet saves them.
    const auto sheet = readShelfCsv(
        "\xEF\xBB\xBFname,kind,source,mass_g\r\n\"treble, \"\"sharp\"\"\",treble,mine,0.7\r\n\r\n");
    REQUIRE(sheet.ok());
    REQUIRE(sheet->size() == 1);
    CHECK(sheet->front().name == "treble, \"sharp\"");
    CHECK(*sheet->front().mass_kg == Approx(0.0007));
}

TEST_CASE("what cannot be taken is refused with its line") {
    auto refusal = [](const std::string& text) {
        const auto read = readShelfCsv(text);
        std::string out = read.ok() ? "ok" : read.error().code;
        if (!read.ok()) {
            for (const std::string& word : read.error().words) {
                out += " " + word;
            }
        }
        return out;
    };
    CHECK(refusal("") == "shelf.csv_damaged");
    CHECK(refusal("kind,name,colour\n") == "shelf.csv_header colour");
    CHECK(refusal("kind,name\nhat,bowler\n") == "shelf.csv_line 2 kind \"hat\"");
    CHECK(refusal("kind,name,mass_g\ntreble,a,0.5\ntreble,b,x\n") == "shelf.csv_line 3 mass_g x");
    CHECK(refusal("kind,name,mass_g\ntreble,a,-1\n") == "shelf.csv_line 2 mass_g -1");
    CHECK(refusal("kind,name,mass_g\ntreble,a,nan\n") == "shelf.csv_line 2 mass_g nan");
    CHECK(refusal("kind,name\ntreble,\n") == "shelf.csv_line 2 name");
    CHECK(refusal("kind,name\ntreble,a,b,c\n") == "shelf.csv_line 2 c");
    CHECK(refusal("kind,name\ntreble,\"open") == "shelf.csv_damaged");
    CHECK(refusal(std::string(9 << 20, 'x')) == "file.too_large");
}

TEST_CASE("damaged tables never do more than be refused, seeded") {
    const std::string good = writeShelfCsv(starterEntries());
    std::mt19937 random(77);
    int taken = 0;
    for (int i = 0; i < 400; ++i) {
        std::string text = good.substr(0, 200 + random() % (good.size() - 200));
        for (int k = 0; k < 1 + int(random() % 6); ++k) {
            text[random() % text.size()] = char(random() % 256);
        }
        const auto read = readShelfCsv(text);
        taken += read.ok();
        if (read.ok()) {
            for (const ShelfEntry& e : *read) {
                CHECK_FALSE(e.name.empty());
                for (const ShelfField& field : shelfFields()) {
                    if (const auto& value = e.*field.member) {
                        CHECK(std::isfinite(*value));
                    }
                }
            }
        }
    }
    CHECK(taken < 400);
}

TEST_CASE("several weighed together replace a typical mass") {
    ShelfEntry e = starterEntries()[40];
    const ShelfEntry before = e;
    CHECK_FALSE(weighTogether(e, 0, 0.01));
    CHECK_FALSE(weighTogether(e, 3, 0.0));
    CHECK(e == before);
    CHECK(weighTogether(e, 8, 0.0052));
    CHECK(*e.mass_kg == Approx(0.00065));
    CHECK(e.weighed);
}

TEST_CASE("the starter shelf: every number has a source and means something for its kind") {
    for (const ShelfEntry& e : starterEntries()) {
        INFO(e.name);
        CHECK_FALSE(e.source.empty());
        CHECK_FALSE(e.weighed);
        for (const ShelfField& field : shelfFields()) {
            if (e.*field.member) {
                INFO(field.name);
                CHECK(shelfFieldApplies(e.kind, field.name));
            }
        }
        // Solid balls, shot and cylinders weigh what their size and metal say.
        if (e.kind == ShelfKind::Ball || e.kind == ShelfKind::Shot) {
            CHECK(*e.mass_kg ==
                  Approx(kPi / 6 * std::pow(*e.diameter_m, 3) * *e.density_kg_m3).epsilon(0.01));
        }
        if (e.kind == ShelfKind::BellyWeight) {
            CHECK(*e.mass_kg ==
                  Approx(kPi / 4 * std::pow(*e.diameter_m, 2) * *e.length_m * *e.density_kg_m3)
                      .epsilon(0.01));
        }
    }
}

TEST_CASE("a design of version 3 opens as it was, with the new parts empty") {
    std::ifstream in(WL_SOURCE_DIR "/tests/data/diver-version-3.wade");
    std::stringstream text;
    text << in.rdbuf();
    const Result<Design> old = readDesign(text.str());
    REQUIRE(old.ok());
    CHECK_FALSE(old->wire.present);
    CHECK(old->chambers.empty());
    CHECK(old->tank.readings.empty());
    CHECK(old->bores[0].lead == BoreLead::Plug);
    CHECK(old->fittings[0].shank_m == 0.0);
    // The same bait: what was added since changes neither its mass nor how it sits.
    const Derived then = evaluated(*old), now = evaluated(demoDesign());
    CHECK(then.mass->mass_kg == Approx(now.mass->mass_kg).epsilon(1e-9));
    CHECK(then.rest->pitch_rad == Approx(now.rest->pitch_rad).margin(1e-6));
    CHECK(readDesign(writeDesign(*old)).ok());
}

TEST_CASE("a built bait takes its counted pieces off the shelf, and no other") {
    std::vector<ShelfEntry> entries;
    for (const auto& [name, left] : {std::pair<const char*, std::optional<double>>{"ball 4", 5.0},
                                     {"ball 5", std::nullopt},
                                     {"ball 6", 1.0},
                                     {"ball 7", 8.0}}) {
        ShelfEntry e;
        e.kind = ShelfKind::Ball;
        e.name = name;
        e.mass_kg = 0.4e-3;
        e.density_kg_m3 = 11340;
        e.diameter_m = 0.004;
        e.left = left;
        entries.push_back(e);
    }
    Design d = demoDesign();
    CHECK(usedUp(entries, d).empty());
    d.bores[0].pieces = {{"ball 4", 2, 0.4e-3}, {"ball 6", 3, 0.4e-3}, {"ball 5", 1, 0.4e-3}};
    d.bores[1].pieces = {{"ball 4", 1, 0.4e-3}};
    CHECK(usedUp(entries, d).empty());  // plugs are in these bores, not the pieces
    d.bores[0].lead = d.bores[1].lead = BoreLead::Pieces;
    const std::vector<ShelfEntry> used = usedUp(entries, d);
    REQUIRE(used.size() == 2);
    CHECK(used[0].name == "ball 4");
    CHECK(used[0].left == 2.0);
    CHECK(used[1].name == "ball 6");
    CHECK(used[1].left == 0.0);  // not under nothing
}

TEST_CASE("the shelf offers for mending every stock with its range, and hooks alone of the parts") {
    const MendShelf mending = mendShelfOf(starterShelf());
    CHECK(mending.stocks.size() == starterShelf().stock.size());
    for (size_t i = 0; i < mending.stocks.size(); ++i) {
        const ShelfMaterial& m = starterShelf().stock[i];
        INFO(m.name);
        CHECK(mending.stocks[i].name == m.name);
        CHECK(m.density_kg_m3 * 2 * mending.stocks[i].spread ==
              Approx(m.high_kg_m3 - m.low_kg_m3).margin(1e-9));
    }
    REQUIRE_FALSE(mending.hooks.empty());
    for (const Fitting& hook : mending.hooks) {
        CHECK((hook.kind == FittingKind::Treble || hook.kind == FittingKind::SingleHook));
    }
}

TEST_CASE("what a bait takes is all it is made of, at the shelf's prices, off what is counted") {
    const Design d = demoDesign();
    const Derived derived = evaluated(d);
    std::vector<ShelfEntry> entries;
    entries.reserve(9);  // held while others are added
    const auto entry = [&](ShelfKind kind, const std::string& name) -> ShelfEntry& {
        ShelfEntry& e = entries.emplace_back();
        e.kind = kind;
        e.name = name;
        return e;
    };
    ShelfEntry& wood = entry(ShelfKind::Stock, d.pieces[0].stock.material);
    wood.price = 12;
    wood.packMass_kg = 2;
    entry(ShelfKind::LipSheet, d.lip.material).price = 5;  // of no pack: no price
    const std::string hook = [&] {
        for (const Fitting& f : d.fittings) {
            if (isHook(f.kind)) {
                return f.name;
            }
        }
        return std::string();
    }();
    ShelfEntry& hooks = entry(ShelfKind::Treble, hook);
    hooks.price = 7.5;
    hooks.packCount = 25;
    hooks.left = 3;
    const auto costs = costOf(takenBy(d, derived), entries, 2);
    const auto of = [&](const std::string& name) {
        for (const TakenCost& c : costs) {
            if (c.taken.name == name) {
                return c;
            }
        }
        FAIL(name);
        return TakenCost{};
    };
    const BodySizes& s = derived.shape->sizes;
    const double blank =
        s.length_m * s.maxWidth_m * s.maxHeight_m * derived.shape->reckoning.usedDensity_kg_m3;
    CHECK(of(wood.name).price.value() == Approx(6 * blank));
    CHECK(of(d.lip.material).onShelf);
    CHECK_FALSE(of(d.lip.material).price);
    const TakenCost hung = of(hook);
    CHECK(hung.price.value() == Approx(0.3 * hung.taken.pieces));
    CHECK(hung.after == std::max(0.0, 3.0 - 2 * hung.taken.pieces));
    CHECK(usedUp(entries, d, 2).size() == 1);
    CHECK(usedUp(entries, d, 2)[0].left == hung.after);
    // Called otherwise on the shelf, a hook is known by kind, size and wire; another size is not.
    for (const Fitting& f : d.fittings) {
        if (f.name == hook) {
            hooks.name = "size as bought";
            hooks.size_m = f.size_m;
            hooks.wire_m = f.wire_m;
        }
    }
    CHECK(costOf(takenBy(d, derived), entries, 1).size() == costs.size());
    CHECK(usedUp(entries, d).size() == 1);
    hooks.size_m = *hooks.size_m * 1.1;
    CHECK(usedUp(entries, d).empty());
    // What goes in is what it weighs, stock and coats apart (cut away, dried).
    double lead = 0, leadItems = 0;
    for (const TakenCost& c : costs) {
        lead += c.taken.kind == TakenKind::Metal ? c.taken.mass_kg : 0;
    }
    for (const MassItem& item : derived.mass->items) {
        leadItems += item.kind == PartKind::Plug ? item.mass_kg : 0;
    }
    CHECK(lead == Approx(leadItems));
    CHECK_FALSE(shelfFieldApplies(ShelfKind::Line, "price"));
    CHECK(shelfFieldApplies(ShelfKind::Wire, "pack_length"));
}

TEST_CASE("glue and the silicone of a mould have their price, the mould's once") {
    Design d = demoNamed("diver");
    d.make.kind = MakeKind::Cast;
    const Derived derived = evaluated(d);
    std::vector<ShelfEntry> entries(3);
    entries[0].kind = entries[1].kind = ShelfKind::Glue;
    entries[0].name = "unpriced epoxy";
    entries[1].name = "epoxy as bought";
    entries[0].density_kg_m3 = entries[1].density_kg_m3 = d.make.glueDensity_kg_m3;
    entries[1].price = 12;
    entries[1].packMass_kg = 0.2;
    entries[2].kind = ShelfKind::Silicone;
    entries[2].name = "silicone as bought";
    entries[2].density_kg_m3 = 1.05 * d.make.mould.siliconeDensity_kg_m3;
    entries[2].price = 40;
    entries[2].packMass_kg = 1;
    double glue = 0, silicone = 0;
    for (const TakenCost& c : costOf(takenBy(d, derived), entries, 8)) {
        glue += c.taken.kind == TakenKind::Glue ? c.price.value_or(0.0) : 0.0;
        silicone += c.taken.kind == TakenKind::Silicone ? c.price.value_or(0.0) : 0.0;
        CHECK(c.taken.once == (c.taken.kind == TakenKind::Silicone));
    }
    // Both faces of the lip's root in its slot under a film of glue; the box less the bait.
    CHECK(glue == Approx(60 * d.make.glueDensity_kg_m3 * 2 * d.lip.slotDepth_m * d.lip.rootWidth_m *
                         d.make.glueFilm_m));
    CHECK(silicone == Approx(40 * 2 * mouldBox(d, derived).siliconeHalf_kg));
    CHECK(shelfFieldApplies(ShelfKind::Glue, "pack_mass"));
    CHECK(shelfFieldApplies(ShelfKind::Silicone, "price"));
    // Of twelve bores the second takes nothing of the tenth to the twelfth.
    Design many = demoNamed("diver");
    Bore small = many.bores[0];
    small.diameter_m = 0.002;
    small.depth_m = 0.005;
    small.plugLength_m = 0.002;
    many.bores.assign(12, small);
    for (size_t i = 0; i < many.bores.size(); ++i) {
        many.bores[i].x_m = 0.016 + 0.004 * double(i);
        many.bores[i].plugMaterial = "metal " + std::to_string(i);
    }
    const Derived bored = evaluated(many);
    double metal = 0, plugs = 0;
    for (const Taken& taken : takenBy(many, bored)) {
        metal += taken.kind == TakenKind::Metal ? taken.mass_kg : 0.0;
    }
    for (const MassItem& item : bored.mass->items) {
        plugs += item.kind == PartKind::Plug ? item.mass_kg : 0.0;
    }
    CHECK(metal == Approx(plugs));
    // Carved there is no mould; glued with quick glue it is lighter.
    d.make.kind = MakeKind::Carved;
    d.building.lipGlue = LipGlue::Instant;
    for (const Taken& taken : takenBy(d, evaluated(d))) {
        CHECK(taken.kind != TakenKind::Silicone);
        CHECK((taken.kind != TakenKind::Glue || taken.density_kg_m3 < 1100));
    }
}

TEST_CASE("pins of the joints and filler over the lead are taken by diameter and density") {
    const Design d = demoNamed("swimmer");
    const Derived derived = evaluated(d);
    REQUIRE(d.joints.size() > 1);
    double pins = 0, filler = 0;
    for (const Joint& joint : d.joints) {
        pins += joint.kind == HingeKind::Pin ? joint.pinLength_m : 0.0;
    }
    for (const MassItem& item : derived.mass->items) {
        filler +=
            item.kind == PartKind::Filler && item.path.rfind("/bores", 0) == 0 ? item.mass_kg : 0.0;
    }
    std::vector<ShelfEntry> entries(2);
    entries[0].kind = ShelfKind::TubePin;
    entries[0].name = "rod of pins";
    entries[0].diameter_m = d.joints[0].pinDiameter_m * 1.02;
    entries[0].price = 3;
    entries[0].packLength_m = 0.5;
    entries[1].kind = ShelfKind::Filler;
    entries[1].name = "light filler";
    entries[1].density_kg_m3 = d.bores[0].fillerDensity_kg_m3 * 1.01;
    entries[1].price = 8;
    entries[1].packMass_kg = 0.1;
    const auto priceOf = [&](TakenKind kind) {
        double sum = 0;
        for (const TakenCost& c : costOf(takenBy(d, derived), entries, 1)) {
            sum += c.taken.kind == kind ? c.price.value_or(0.0) : 0.0;
        }
        return sum;
    };
    CHECK(priceOf(TakenKind::Pin) == Approx(6 * pins));
    CHECK(filler > 0);
    CHECK(priceOf(TakenKind::Filler) == Approx(80 * filler));
    // Thicker by a fifth, heavier by a tenth: other things.
    entries[0].diameter_m = *entries[0].diameter_m * 1.2;
    entries[1].density_kg_m3 = *entries[1].density_kg_m3 * 1.1;
    CHECK(priceOf(TakenKind::Pin) == 0);
    CHECK(priceOf(TakenKind::Filler) == 0);
}
