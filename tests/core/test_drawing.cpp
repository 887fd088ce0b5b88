// The drawing of a bait against its measures.
#include <catch2/catch.hpp>
#include <set>

#include <boost/geometry/algorithms/append.hpp>
#include <boost/geometry/algorithms/area.hpp>
#include <boost/geometry/algorithms/correct.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>
#include <boost/geometry/strategies/cartesian/area.hpp>
#include <boost/math/quadrature/gauss_kronrod.hpp>

#include "core/draw/draw_section.h"
#include "core/draw/draw_solid.h"
#include "core/draw/draw_swung.h"
#include "files/design_file.h"
#include "files/embedded_data.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

std::vector<Primitive> onLayer(const Drawing& drawing, DrawnLayer layer) {
    std::vector<Primitive> out;
    for (const Primitive& p : drawing) {
        if (p.layer == layer) {
            out.push_back(p);
        }
    }
    return out;
}

double area_mm2(const Primitive& shape) {
    namespace bg = boost::geometry;
    bg::model::polygon<bg::model::d2::point_xy<double>> polygon;
    for (const Eigen::Vector2d& q : shape.points_mm) {
        bg::append(polygon, bg::model::d2::point_xy<double>(q.x(), q.y()));
    }
    bg::correct(polygon);
    return bg::area(polygon);
}

Drawing drawn(const Design& design, DrawnView view, DrawnFor purpose) {
    const Derived d = evaluated(design);
    return drawBait(design, d, levelFrame(view), purpose);
}

// Two drawings that should differ by a move of every place alone.
template <class Move>
void checkMoved(const Drawing& before, const Drawing& after, const Move& move) {
    REQUIRE(before.size() == after.size());
    for (size_t i = 0; i < before.size(); ++i) {
        REQUIRE(before[i].points_mm.size() == after[i].points_mm.size());
        INFO(i << " " << layerName(before[i].layer) << " " << int(before[i].shape));
        for (size_t k = 0; k < before[i].points_mm.size(); ++k) {
            CHECK((move(before[i].points_mm[k]) - after[i].points_mm[k]).norm() < 1e-9);
        }
    }
}

}  // namespace

TEST_CASE("the drawn outline is as large as the body, in mm") {
    for (const Demo& demo : demos()) {
        INFO(demo.name);
        const Design design = *readDesign(demo.text);
        const Derived d = evaluated(design);
        for (const DrawnView view : {DrawnView::Side, DrawnView::Top}) {
            const auto body =
                onLayer(drawBait(design, d, levelFrame(view), DrawnFor::Bench), DrawnLayer::Body);
            REQUIRE(body.size() == 1);
            const auto [left, low, right, high] = extent_mm(body);
            CHECK(right - left == Approx(1000 * d.shape->sizes.length_m));
            CHECK(high - low == Approx(1000 * (view == DrawnView::Side ? d.shape->sizes.maxHeight_m
                                                                       : d.shape->sizes.maxWidth_m))
                                    .epsilon(2e-3));
            // Boost.Math 1.74's Gauss-Kronrod rule over the sections.
            const auto breadth = [&](double x) {
                const Section s = d.shape->curves.atX(x);
                return view == DrawnView::Side ? s.back_m - s.belly_m : 2 * s.halfWidth_m;
            };
            const double area = boost::math::quadrature::gauss_kronrod<double, 31>::integrate(
                breadth, 0.0, d.shape->sizes.length_m, 12, 1e-8);
            CHECK(area_mm2(body.front()) == Approx(1e6 * area).epsilon(2e-3));
        }
    }
}

TEST_CASE("a bore is drawn as wide, as deep and where it is drilled") {
    const Design design = demoDesign();
    const Derived d = evaluated(design);
    const auto bores = onLayer(drawn(design, DrawnView::Side, DrawnFor::Bench), DrawnLayer::Bores);
    std::vector<Primitive> holes;
    std::copy_if(bores.begin(), bores.end(), std::back_inserter(holes),
                 [](const Primitive& p) { return p.shape == DrawnShape::Path; });
    REQUIRE(holes.size() == design.bores.size());
    for (size_t i = 0; i < holes.size(); ++i) {
        const auto& p = holes[i].points_mm;
        REQUIRE(p.size() == 4);
        CHECK_FALSE(holes[i].closed);
        CHECK((p[1] - p[0]).norm() == Approx(1000 * design.bores[i].depth_m));
        CHECK((p[2] - p[1]).norm() == Approx(1000 * design.bores[i].diameter_m));
        const Eigen::Vector2d mouth = 0.5 * (p[0] + p[3]);
        CHECK(mouth.x() == Approx(1000 * design.bores[i].x_m));
        // Its middle stands on the belly's skin.
        CHECK(mouth.y() ==
              Approx(1000 * d.shape->curves.atX(design.bores[i].x_m).belly_m).margin(1e-6));
    }
    const auto above = onLayer(drawn(design, DrawnView::Top, DrawnFor::Bench), DrawnLayer::Bores);
    REQUIRE(above.size() == design.bores.size());
    CHECK(above[0].shape == DrawnShape::Disc);
    CHECK(above[0].diameter_mm == Approx(1000 * design.bores[0].diameter_m));
}

TEST_CASE("all that is placed in a bait is drawn, in the picture and for the bench") {
    Design design = demoDesign();
    const auto give = [](auto& list, auto thing) { list.push_back(std::move(thing)); };
    give(design.features, Feature{});
    design.features.back().x_m = 0.05;
    RattleChamber rattle;
    rattle.x_m = 0.055;
    rattle.length_m = 0.01;
    rattle.diameter_m = 0.005;
    give(design.chambers, rattle);
    SideWeight weight;
    weight.x_m = 0.03;
    weight.outline = {{0, 0}, {0.008, 0}, {0.008, 0.004}, {0, 0.004}};
    give(design.sideWeights, weight);
    BuildUp putty;
    putty.x_m = 0.03;
    give(design.buildUps, putty);
    design.wire.present = true;
    const auto layersOf = [&](DrawnFor purpose) {
        std::set<DrawnLayer> layers;
        for (const Primitive& p : drawn(design, DrawnView::Side, purpose)) {
            layers.insert(p.layer);
            CHECK_FALSE(p.points_mm.empty());
            for (const Eigen::Vector2d& q : p.points_mm) {
                CHECK(q.allFinite());
            }
        }
        return layers;
    };
    const std::set<DrawnLayer> always{DrawnLayer::Body,    DrawnLayer::Bores, DrawnLayer::Cuts,
                                      DrawnLayer::Weights, DrawnLayer::Lip,   DrawnLayer::Rattles,
                                      DrawnLayer::Wire,    DrawnLayer::Tie,   DrawnLayer::Fittings};
    for (const DrawnFor purpose : {DrawnFor::Picture, DrawnFor::Bench}) {
        const std::set<DrawnLayer> layers = layersOf(purpose);
        for (const DrawnLayer layer : always) {
            INFO(layerName(layer));
            CHECK(layers.count(layer) == 1);
        }
    }
    CHECK(layersOf(DrawnFor::Picture).count(DrawnLayer::Putty) == 1);
}

TEST_CASE("turning the paper turns the drawing and nothing else") {
    Design design = demoNamed("glide-bait");
    const Derived d = evaluated(design);
    const ViewFrame level = levelFrame(DrawnView::Side);
    ViewFrame turned = level;
    const double c = std::cos(0.3), s = std::sin(0.3);
    turned.right = c * level.right + s * level.up;
    turned.up = c * level.up - s * level.right;
    turned.down = level.down;  // hooks go on hanging along the same way of the body
    const auto turn = [&](const Eigen::Vector2d& p) {
        return Eigen::Vector2d(c * p.x() + s * p.y(), c * p.y() - s * p.x());
    };
    checkMoved(drawBait(design, d, level, DrawnFor::Picture),
               drawBait(design, d, turned, DrawnFor::Picture), turn);
}

TEST_CASE("left and right are kept: a mark to port is below the middle from above, right ahead") {
    Design design = demoDesign();
    design.bores[0].y_m = 0.003;
    const auto above = onLayer(drawn(design, DrawnView::Top, DrawnFor::Bench), DrawnLayer::Bores);
    CHECK(above[0].points_mm[0].y() == Approx(-3.0));
    const auto ahead =
        onLayer(drawn(design, DrawnView::Front, DrawnFor::Picture), DrawnLayer::Bores);
    const auto [left, low, right, high] = extent_mm({ahead[0]});
    CHECK(0.5 * (left + right) == Approx(3.0).margin(0.3));
}

TEST_CASE("what is mirrored is marked and drawn on both sides") {
    Design design = demoDesign();
    const auto count = [&](DrawnView view, DrawnFor purpose, DrawnShape shape) {
        int found = 0;
        for (const Primitive& p : onLayer(drawn(design, view, purpose), DrawnLayer::Fittings)) {
            found += p.shape == shape;
        }
        return found;
    };
    const int crosses = count(DrawnView::Top, DrawnFor::Bench, DrawnShape::CrossMark);
    const int beside = count(DrawnView::Side, DrawnFor::Bench, DrawnShape::CrossMark);
    const int rings = count(DrawnView::Front, DrawnFor::Picture, DrawnShape::Disc);
    Fitting eye;
    eye.kind = FittingKind::ScrewEye;
    eye.name = "rib eye";
    eye.x_m = 0.04;
    eye.y_m = 0.011;
    eye.mirrored = true;
    design.fittings.push_back(eye);
    CHECK(count(DrawnView::Top, DrawnFor::Bench, DrawnShape::CrossMark) == crosses + 2);
    CHECK(count(DrawnView::Side, DrawnFor::Bench, DrawnShape::CrossMark) == beside + 1);
    CHECK(count(DrawnView::Front, DrawnFor::Picture, DrawnShape::Disc) == rings + 2);
    design.fittings.back().y_m = 0;  // in the middle plane there is one place
    CHECK(count(DrawnView::Top, DrawnFor::Bench, DrawnShape::CrossMark) == crosses + 1);
}

TEST_CASE("bores are lettered on past Z") {
    CHECK(boreLetter(0) == "A");
    CHECK(boreLetter(25) == "Z");
    CHECK(boreLetter(26) == "AA");
    CHECK(boreLetter(53) == "BB");
    CHECK(boreLetter(701) == "ZZ");
}

TEST_CASE("flat parts are drawn at their own measures") {
    Design design = demoDesign();
    const auto lip = drawFlatLip(design);
    const auto [left, low, right, high] = extent_mm({lip[0]});
    CHECK(right - left == Approx(1000 * std::max(design.lip.width_m, design.lip.rootWidth_m)));
    CHECK(high - low == Approx(1000 * design.lip.length_m).epsilon(1e-3));
    design.lip.present = false;
    CHECK(drawFlatLip(design).empty());
    // A weight let in from starboard is looked at from there: the nose is to the right.
    const std::vector<OutlinePoint> hook{{0, 0}, {0.010, 0}, {0.010, 0.002}, {0, 0.006}};
    const Drawing port = drawOutline(hook, Flank::Port),
                  other = drawOutline(hook, Flank::Starboard);
    checkMoved(port, other,
               [](const Eigen::Vector2d& p) { return Eigen::Vector2d(-p.x(), p.y()); });
    CHECK(area_mm2(port[0]) == Approx(40.0));
}

TEST_CASE("cut across it shows the section's area, and a bore's chord with the lead in it") {
    const Design design = demoDesign();
    const Derived d = evaluated(design);
    const Bore& bore = design.bores[0];
    const double plug = d.mass->bores[0].plugLength_m, r = 0.5 * bore.diameter_m;
    REQUIRE(plug > 0);
    for (const double off : {0.0, 0.5, 0.9}) {
        INFO(off);
        const double x = bore.x_m + off * r;
        const Drawing cut = drawSection(design, d, x);
        const auto body = onLayer(cut, DrawnLayer::Body);
        REQUIRE(body.size() == 2);  // its fill, its edge
        CHECK(area_mm2(body[0]) == Approx(1e6 * sectionArea(d.shape->curves.atX(x))).epsilon(5e-3));
        const auto holes = onLayer(cut, DrawnLayer::Bores);
        const auto lead = std::find_if(holes.begin(), holes.end(),
                                       [](const Primitive& p) { return p.fill == Fill::Lead; });
        REQUIRE(lead != holes.end());
        // A chord of the circle, as long as the plug; the round is drawn with 32 sides.
        CHECK(area_mm2(*lead) ==
              Approx(1e6 * plug * 2 * std::sqrt(r * r - off * off * r * r)).epsilon(0.03));
        CHECK(lead->insideBody);
    }
    CHECK(onLayer(drawSection(design, d, bore.x_m + 1.1 * r), DrawnLayer::Bores).empty());
    CHECK(drawSection(design, d, 1.1 * d.shape->sizes.length_m).empty());
    const Derived jointed = evaluated(demoNamed("glide-bait"));
    const JointCut& gap = jointed.shape->joints[0];
    CHECK(drawSection(*jointed.design, jointed,
                      0.5 * (gap.frontPieceFace.x_m + gap.rearPieceFace.x_m))
              .empty());
}

TEST_CASE("a chain swung stiff turns about its pins, and straight it is the view from above") {
    const Design design = demoNamed("swimmer");
    const Derived d = evaluated(design);
    const size_t joints = d.shape->joints.size();
    REQUIRE(joints >= 2);
    checkMoved(onLayer(drawn(design, DrawnView::Top, DrawnFor::Picture), DrawnLayer::Body),
               onLayer(drawSwung(design, d, swungPieces(d, {})), DrawnLayer::Body),
               [](const Eigen::Vector2d& p) { return p; });
    std::vector<double> swings(joints, 0.0);
    swings[1] = 0.3;  // tail to port: down the paper
    const auto pieces = swungPieces(d, swings);
    const auto straight = onLayer(
        drawBait(design, d, levelFrame(DrawnView::Top), DrawnFor::Picture), DrawnLayer::Body);
    const auto swung = onLayer(drawSwung(design, d, pieces), DrawnLayer::Body);
    REQUIRE(straight.size() == swung.size());
    const Eigen::Vector2d pin(1000 * d.shape->joints[1].pinX_m, 0);
    const double c = std::cos(0.3), s = std::sin(0.3);
    for (size_t i = 0; i < d.shape->parts.size(); ++i) {
        for (size_t k = 0; k < straight[i].points_mm.size(); ++k) {
            const Eigen::Vector2d& at = straight[i].points_mm[k];
            const Eigen::Vector2d from = at - pin;
            const Eigen::Vector2d turned =
                pin + Eigen::Vector2d(c * from.x() + s * from.y(), c * from.y() - s * from.x());
            CHECK((swung[i].points_mm[k] - (i < 2 ? at : turned)).norm() < 1e-9);
        }
    }
    const auto [left, low, right, high] = extent_mm({swung.back()});
    CHECK(-low > high + 5);  // to port is down the paper
}

TEST_CASE("a solid from port hides what its outline holds, nearest last") {
    const Design design = demoDesign();
    const Derived d = evaluated(design);
    SolidFrame frame;
    frame.towards = Eigen::Vector3d::UnitY();  // port
    double shown = 0, before = -1e9;
    for (const Primitive& facet : drawSolid(solidParts(design, d, 0.0), frame)) {
        REQUIRE(facet.shape == DrawnShape::Facet);
        CHECK(facet.light >= 0.0);
        CHECK(facet.light <= 1.0);
        shown += facet.layer == DrawnLayer::Body ? area_mm2(facet) : 0.0;
    }
    const auto side = onLayer(drawn(design, DrawnView::Side, DrawnFor::Picture), DrawnLayer::Body);
    CHECK(shown == Approx(area_mm2(side[0])).epsilon(0.01));
    // Cut open it is only what is aft of the cut.
    const double cut = 0.5 * d.shape->sizes.length_m;
    for (const SolidPart& part : solidParts(design, d, cut)) {
        CHECK(part.layer == DrawnLayer::Body);
        for (const Eigen::Vector3d& v : part.mesh.vertices_m) {
            CHECK(v.x() >= cut - 1e-9);
        }
    }
    frame.towards = -Eigen::Vector3d::UnitX();  // ahead
    frame.right = Eigen::Vector3d::UnitY();
    std::vector<SolidPart> two{{d.shape->parts[0].mesh}, {d.shape->parts[0].mesh}};
    for (Eigen::Vector3d& v : two[1].mesh.vertices_m) {
        v.x() += 1.0;
    }
    two[1].layer = DrawnLayer::Lip;
    for (const Primitive& facet : drawSolid(two, frame)) {
        const double near = facet.layer == DrawnLayer::Lip ? 0.0 : 1.0;  // the far one first
        CHECK(near >= before);
        before = near;
    }
}

TEST_CASE("letters of holes drilled close together stand apart, each with a line to its hole") {
    Design d = demoDesign();
    d.bores.resize(1);
    const Drawing alone = drawBait(d, evaluated(d), levelFrame(DrawnView::Side), DrawnFor::Bench);
    for (int i = 1; i < 6; ++i) {
        d.bores.push_back(d.bores[0]);
        d.bores.back().x_m += 0.5e-3 * i;
    }
    const Drawing drawing = drawBait(d, evaluated(d), levelFrame(DrawnView::Side), DrawnFor::Bench);
    std::vector<Eigen::Vector2d> letters;
    for (const Primitive& p : drawing) {
        if (p.shape == DrawnShape::Words && p.layer == DrawnLayer::Bores) {
            letters.push_back(p.points_mm.front());
        }
    }
    REQUIRE(letters.size() == 6);
    int steppedOut = 0;
    for (size_t i = 0; i < letters.size(); ++i) {
        for (size_t k = 0; k < i; ++k) {
            const Eigen::Vector2d apart = (letters[i] - letters[k]).cwiseAbs();
            CHECK((apart.x() > 1.99 || apart.y() > 2.99));
        }
        const bool hasLine = std::any_of(drawing.begin(), drawing.end(), [&](const Primitive& p) {
            return p.layer == DrawnLayer::Bores && p.stroke == Stroke::Fine &&
                   (p.points_mm.back() - letters[i]).norm() < 1.51;
        });
        const bool stepped = std::abs(letters[i].y() - letters[0].y()) > 2;
        CHECK((hasLine || !stepped));
        steppedOut += stepped ? 1 : 0;
    }
    CHECK(steppedOut >= 3);
    // One alone stays where it was.
    for (const Primitive& p : alone) {
        CHECK_FALSE((p.layer == DrawnLayer::Bores && p.stroke == Stroke::Fine));
        if (p.shape == DrawnShape::Words && p.layer == DrawnLayer::Bores) {
            CHECK(p.points_mm.front() == letters.front());
        }
    }
}
