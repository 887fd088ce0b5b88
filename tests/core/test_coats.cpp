// Coats: what a colour in its place weighs, what lies under clear sheets.
#include <catch2/catch.hpp>
#include <cmath>

#include "core/tank/doubt.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("colours in places weigh by the skin they lie on, and all of it pushes water aside") {
    const auto coated = [](Design d, CoatPlace place, double solids, double covers) {
        Coat coat;
        coat.thickness_m = 0.0002;
        coat.density_kg_m3 = 1300;
        coat.place = place;
        coat.solids = solids;
        coat.covers = covers;
        d.coats = {coat};
        return evaluated(d);
    };
    const auto paint = [](const Derived& d) {
        MassSum sum;
        for (const MassItem& item : d.mass->items) {
            if (item.kind == PartKind::Coat) {
                sum.add(item.mass_kg, item.centre_m);
            }
        }
        return sum;
    };
    const Design d = demoDesign();
    const Derived whole = coated(d, CoatPlace::AllOver, 1, 1);
    double parts = 0;
    for (const CoatPlace place : {CoatPlace::Back, CoatPlace::Flanks, CoatPlace::Belly}) {
        const Derived part = coated(d, place, 1, 1);
        parts += paint(part).amount;
        // What is put on is pushed aside, whichever way the hull was coated.
        CHECK(part.mass->displacedVolume_m3 ==
              Approx(coated(d, place, 1, 0.01).mass->displacedVolume_m3 +
                     0.99 * paint(part).amount / 1300)
                  .epsilon(1e-9));
    }
    CHECK(parts == Approx(paint(whole).amount).epsilon(1e-9));
    CHECK(paint(coated(d, CoatPlace::AllOver, 0.4, 1)).amount ==
          Approx(0.4 * paint(whole).amount).epsilon(1e-12));
    CHECK(paint(coated(d, CoatPlace::Flanks, 1, 0.25)).amount ==
          Approx(0.25 * paint(coated(d, CoatPlace::Flanks, 1, 1)).amount).epsilon(1e-12));
    CHECK(paint(coated(d, CoatPlace::Back, 1, 1)).centre().z() >
          paint(coated(d, CoatPlace::Belly, 1, 1)).centre().z() + 0.005);
    CHECK(paint(coated(d, CoatPlace::Tail, 1, 1)).centre().x() > 0.8 * whole.shape->sizes.length_m);
}

TEST_CASE("paint under the outer sheets weighs as both faces and takes the place of sheet") {
    Design d = demoDesign();
    d.make.kind = MakeKind::Layered;
    d.make.layers = {{"clear sheet", 0.006, 1190}, {"clear sheet", 0.006, 1190}};
    d.coats.clear();
    const Derived bare = evaluated(d);
    Coat coat;
    coat.thickness_m = 0.00005;
    coat.density_kg_m3 = 1300;
    coat.innerFace = true;
    d.coats = {coat};
    const Derived painted = evaluated(d);
    const double face = profileAt(bare.shape->curves, 0.0, 0.0, bare.shape->sizes.length_m).area_m2;
    CHECK(painted.mass->mass_kg - bare.mass->mass_kg ==
          Approx(2 * face * 0.00005 * (1300 - 1190)).epsilon(1e-9));
    CHECK(painted.mass->displacedVolume_m3 == bare.mass->displacedVolume_m3);
    // It is there before the tank; on a carved bait there is no such face.
    CHECK(withoutFinish(d).coats.size() == 1);
    d.make.kind = MakeKind::Carved;
    CHECK(withoutFinish(d).coats.empty());
    CHECK(evaluated(d).mass->displacedVolume_m3 > painted.mass->displacedVolume_m3);
}
