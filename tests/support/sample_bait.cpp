#include "support/sample_bait.h"

#include <catch2/catch.hpp>
#include <cmath>

#include "core/motion/added_mass.h"
#include "core/plan/plan_lead.h"
#include "files/design_file.h"
#include "files/embedded_data.h"

namespace wl::test {

Body ellipsoidBody(double a, double b, double c, int count, bool cosineSteps) {
    Body body;
    for (int i = 0; i < count; ++i) {
        const double share = double(i) / (count - 1);
        const double x = cosineSteps ? a * (1 - std::cos(kPi * share)) : 2 * a * share;
        const double s = std::sqrt(std::max(0.0, 1 - (x - a) * (x - a) / (a * a)));
        Station station;
        station.position_m = x;
        station.back_m = c * s;
        station.belly_m = -c * s;
        station.halfWidth_m = b * s;
        body.stations.push_back(station);
    }
    return body;
}

Body barBody(double length, double b, double c) {
    Body bar = ellipsoidBody(0.5 * length, b, c, 9, false);
    for (Station& s : bar.stations) {
        s.back_m = c;
        s.belly_m = -c;
        s.halfWidth_m = b;
    }
    bar.nose = bar.tail = EndShape::Pointed;
    return bar;
}

TriangleMesh boxMesh(double L, double B, double H, double z0, double y0) {
    TriangleMesh m;
    for (int i = 0; i < 8; ++i) {
        m.vertices_m.emplace_back((i & 1) ? L : 0, y0 + ((i & 2) ? B / 2 : -B / 2),
                                  z0 + ((i & 4) ? H : 0));
    }
    m.triangles = {{0, 2, 1}, {1, 2, 3}, {4, 5, 6}, {5, 7, 6}, {0, 1, 4}, {1, 5, 4},
                   {2, 6, 3}, {3, 6, 7}, {0, 4, 2}, {2, 4, 6}, {1, 3, 5}, {3, 7, 5}};
    return m;
}

TriangleMesh ellipsoidMesh(double a, double b, double c, int along, int around) {
    const Result<BodyCurves> curves = BodyCurves::build(ellipsoidBody(a, b, c, 33, true), "/body");
    REQUIRE(curves.ok());
    TriangleMesh mesh = meshPiece(*curves, {}, 4.0 / 3 * kPi * a * b * c, along, around);
    for (Eigen::Vector3d& v : mesh.vertices_m) {
        v.x() -= a;
    }
    return mesh;
}

TowedHull workedHull() {
    TowedHull h;
    h.length_m = 0.076;
    h.width_m = 0.025;
    h.height_m = 0.026;
    h.volume_m3 = 23.85184e-6;
    h.planArea_m2 = 1.408088e-3;
    h.planMoment_m3 = 4.938899e-5;
    h.wettedArea_m2 = 4.512545e-3;
    const Eigen::Vector3d k = addedMassCoefficients(h.length_m, h.width_m, h.height_m);
    h.addedMassExcess = k.z() - k.x();
    return h;
}

Design demoDesign() {
    const Result<Design> design = readDesign(embedded::demo_wade());
    INFO((design.ok() ? std::string() : design.error().code + " " + design.error().path));
    REQUIRE(design.ok());
    return *design;
}

Design demoNamed(std::string_view name) {
    for (const Demo& demo : demos()) {
        if (demo.name == name) {
            const Result<Design> design = readDesign(demo.text);
            REQUIRE(design.ok());
            return *design;
        }
    }
    FAIL("no such demo");
    return {};
}

Design suspender() {
    Design d = demoDesign();
    d.brief.wantedState = WantedState::Suspend;
    d.tank.readings.clear();
    for (Bore& bore : d.bores) {
        bore.diameter_m = 0.009;
        bore.depth_m = 0.016;
    }
    const Result<LeadPlan> plan = planLead(d);
    REQUIRE(plan.ok());
    return plan->design;
}

Derived evaluated(const Design& design) {
    const Result<Derived> derived = evaluate(design);
    INFO((derived.ok() ? std::string() : derived.error().code + " " + derived.error().path));
    REQUIRE(derived.ok());
    return *derived;
}

std::optional<Finding> findingOf(const Derived& d, const std::string& code) {
    for (const Finding& f : checkDesign(d)) {
        if (f.code == code) {
            return f;
        }
    }
    return std::nullopt;
}

}  // namespace wl::test
