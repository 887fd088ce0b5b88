// Shapes and designs the tests share.
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <string_view>

#include "core/reckon/evaluate.h"
#include "core/reckon/run.h"
#include "core/rules/check_design.h"

namespace wl::test {

/// Ellipsoid with the given semi-axes typed as `count` stations at equal steps or cosine steps.
Body ellipsoidBody(double a_m, double b_m, double c_m, int count, bool cosineSteps);

/// A straight bar of elliptic section, half-width b, half-height c, typed as nine stations.
Body barBody(double length_m, double b_m, double c_m);

/// Box [0,L] x [-B/2,B/2] x [z0,z0+H] as a closed mesh.
TriangleMesh boxMesh(double length_m, double breadth_m, double height_m, double z0_m,
                     double y0_m = 0.0);

/// A surface of revolution-like mesh of the ellipsoid centred on the origin.
TriangleMesh ellipsoidMesh(double a_m, double b_m, double c_m, int along, int around);

/// The hull of a 76 x 25 x 26 mm bait worked through by hand and by an independent program of the
/// same equations; its intermediate values are check values of the tow tests.
TowedHull workedHull();

/// The demo design as shipped.
Design demoDesign();

/// A demo by its name on the command line.
Design demoNamed(std::string_view name);

/// The demo trimmed to hang still.
Design suspender();

/// The first finding of that code.
std::optional<Finding> findingOf(const Derived& derived, const std::string& code);

/// Evaluates or fails the test with the error's code.
Derived evaluated(const Design& design);

}  // namespace wl::test
