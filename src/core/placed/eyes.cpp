#include "core/placed/eyes.h"

#include "core/geometry/body_curves.h"
#include "core/placed/wire_form.h"

namespace wl {

double fittingMass_kg(const Fitting& fitting) {
    if (fitting.weighedMass_kg || !fitting.fromWire || !isWireForm(fitting.kind)) {
        return fitting.weighedMass_kg.value_or(fitting.typicalMass_kg);
    }
    const EyeWire wire = measureEye(fitting);
    return fitting.density_kg_m3 * (wire.ring_m3 + wire.stem_m3);
}

std::optional<Eigen::Vector3d> wireEyePlace(const Design& design, const std::string& name) {
    if (!design.wire.present) {
        return std::nullopt;
    }
    const Result<BodyCurves> curves = BodyCurves::build(design.body, "/body");
    if (curves) {
        for (const WireEye& eye : layOutWire(*curves, design.wire).eyes) {
            if (eye.name == name) {
                return eye.centre_m;
            }
        }
    }
    return std::nullopt;
}

std::optional<Eigen::Vector3d> eyePlace(const Design& design, const std::string& name) {
    if (name.empty()) {
        return std::nullopt;
    }
    for (const Fitting& eye : design.fittings) {
        if (eye.name == name && !swings(eye.kind)) {
            return Eigen::Vector3d(eye.x_m, eye.y_m, eye.z_m);
        }
    }
    return wireEyePlace(design, name);
}

std::vector<std::string> eyeNames(const Design& design) {
    std::vector<std::string> names;
    for (const Fitting& f : design.fittings) {
        if (isWireForm(f.kind)) {
            names.push_back(f.name);
        }
    }
    if (const auto curves = BodyCurves::build(design.body, "/body");
        curves && design.wire.present) {
        for (const WireEye& eye : layOutWire(*curves, design.wire).eyes) {
            names.push_back(eye.name);
        }
    }
    return names;
}

Eigen::Vector3d fittingPlace(const Design& design, const Fitting& fitting) {
    if (const auto eye = eyePlace(design, fitting.hangsFrom)) {
        return *eye;
    }
    return {fitting.x_m, fitting.y_m, fitting.z_m};
}

}  // namespace wl
