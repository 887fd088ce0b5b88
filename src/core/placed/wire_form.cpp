#include "core/placed/wire_form.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/geometry/section_strip.h"

namespace wl {
namespace {

constexpr double kRingTurn_rad = 330.0 * kDegree;
constexpr int kChordsPerTurn = 24;

double wireArea(double d) {
    return kPi / 4 * d * d;
}

// Follows the wire as a pen in the side view: straight runs and arcs.
class Pen {
  public:
    Pen(WireLayout& out, const Eigen::Vector3d& start, double heading)
        : out_(out), at_(start), heading_(heading) {
        out_.path_m.push_back(at_);
    }
    void straight(double length) {
        if (length <= 0) {
            return;
        }
        at_ += length * direction();
        out_.cutLength_m += length;
        out_.path_m.push_back(at_);
    }
    void bend(double angle, double insideRadius, double wire, const std::string& what) {
        out_.bends.push_back({out_.cutLength_m, angle, insideRadius, what, at_});
        const double radius = insideRadius + 0.5 * wire;
        const int steps = std::max(2, int(std::ceil(std::abs(angle) / (2 * kPi) * kChordsPerTurn)));
        const double side = angle > 0 ? 1.0 : -1.0;
        const Eigen::Vector3d centre = at_ + side * radius * normal();
        for (int i = 1; i <= steps; ++i) {
            const double turned = heading_ + angle * i / steps;
            at_ = centre - side * radius * Eigen::Vector3d(-std::sin(turned), 0, std::cos(turned));
            out_.path_m.push_back(at_);
        }
        heading_ += angle;
        out_.cutLength_m += radius * std::abs(angle);
    }
    void wound(double length) { out_.cutLength_m += length; }
    const Eigen::Vector3d& at() const { return at_; }

  private:
    Eigen::Vector3d direction() const { return {std::cos(heading_), 0, std::sin(heading_)}; }
    Eigen::Vector3d normal() const { return {-std::sin(heading_), 0, std::cos(heading_)}; }
    WireLayout& out_;
    Eigen::Vector3d at_;
    double heading_;
};

}  // namespace

double eyeRingLength_m(double inner, double wire) {
    return kRingTurn_rad * 0.5 * (inner + wire);
}

double twistedStrand_m(double stem, double wire, double turns) {
    return std::hypot(stem, kPi * wire * turns);
}

EyeWire measureEye(const Fitting& eye) {
    EyeWire wire;
    const double inner = std::max(0.0, eye.size_m - 2 * eye.wire_m);
    const double area = wireArea(eye.wire_m);
    const double ring = eyeRingLength_m(inner, eye.wire_m);
    const bool twisted = eye.kind == FittingKind::TwistedEye;
    const bool twoWires = eye.kind == FittingKind::Hanger || eye.kind == FittingKind::Clip;
    const double stem = twisted ? 2 * twistedStrand_m(eye.shank_m, eye.wire_m, eye.twists)
                                : (twoWires ? 2 : 1) * eye.shank_m;
    wire.ring_m3 = area * ring;
    wire.stem_m3 = area * stem;
    const bool single = eye.kind == FittingKind::ScrewEye || eye.kind == FittingKind::Clip;
    wire.stemRadius_m = (single ? 0.5 : 1.0) * eye.wire_m;
    wire.length_m = ring + stem;
    return wire;
}

Eigen::Vector3d stemDirection(const Fitting& eye) {
    const double c = std::cos(eye.stemLean_rad), s = std::sin(eye.stemLean_rad);
    switch (eye.stemFrom) {
        case FeatureFrom::Belly:
            return {s, 0, c};
        case FeatureFrom::Back:
            return {s, 0, -c};
        case FeatureFrom::Side:
            return {0, eye.y_m > 0 ? -1.0 : 1.0, 0};
        case FeatureFrom::Nose:
            return {c, 0, s};
        case FeatureFrom::Tail:
            return {-c, 0, s};
    }
    return Eigen::Vector3d::UnitZ();
}

std::pair<Eigen::Vector3d, Eigen::Vector3d> stemEnds(const Fitting& eye, double side) {
    Eigen::Vector3d into = stemDirection(eye);
    into.y() *= side;
    const Eigen::Vector3d from =
        Eigen::Vector3d(eye.x_m, side * eye.y_m, eye.z_m) + 0.5 * eye.size_m * into;
    return {from, from + eye.shank_m * into};
}

std::vector<WireBar> stemBars(const Fitting& eye, double side) {
    const WireBar axis = stemEnds(eye, side);
    if (eye.kind != FittingKind::Clip) {
        return {axis};
    }
    // Beside each other in the side view, or along the bait for one let in from the side.
    const Eigen::Vector3d across = Eigen::Vector3d::UnitY().cross(stemDirection(eye));
    const Eigen::Vector3d half =
        0.5 * eye.legGap_m *
        (across.norm() > 0.1 ? Eigen::Vector3d(across.normalized()) : Eigen::Vector3d::UnitX());
    return {{axis.first - half, axis.second - half}, {axis.first + half, axis.second + half}};
}

WireLayout layOutWire(const BodyCurves& body, const ThroughWire& wire) {
    WireLayout out;
    if (!wire.present) {
        return out;
    }
    const double eyeRadius = 0.5 * (wire.eyeInner_m + wire.wire_m);
    const double corner = wire.bendRadius_m + 0.5 * wire.wire_m;
    const double length = body.length_m();
    Pen pen(out, {0, 0, wire.z_m}, 0.0);
    if (wire.noseEye) {
        out.eyes.push_back({"nose eye", {-eyeRadius, 0, wire.z_m}, true});
        out.bends.push_back({0, kRingTurn_rad, 0.5 * wire.eyeInner_m, "eye", {0, 0, wire.z_m}});
        pen.wound(eyeRingLength_m(wire.eyeInner_m, wire.wire_m) + wire.wrap_m);
    }
    std::vector<WireDrop> drops = wire.drops;
    std::sort(drops.begin(), drops.end(),
              [](const WireDrop& a, const WireDrop& b) { return a.x_m < b.x_m; });
    for (const WireDrop& drop : drops) {
        const Section s = body.atX(drop.x_m);
        const double sense = drop.back ? 1.0 : -1.0;
        const double eyeZ = drop.back ? s.back_m + drop.standOff_m : s.belly_m - drop.standOff_m;
        const double legs = std::abs(eyeZ - wire.z_m) - corner;
        const double start = drop.x_m - eyeRadius - corner;
        if (legs <= 0 || start <= pen.at().x()) {
            continue;  // no room to bend: the check says so
        }
        pen.straight(start - pen.at().x());
        pen.bend(sense * kPi / 2, wire.bendRadius_m, wire.wire_m, drop.back ? "up" : "down");
        pen.straight(legs);
        out.eyes.push_back({drop.name, {drop.x_m, 0, eyeZ}, false});
        pen.bend(-sense * kPi, 0.5 * wire.eyeInner_m, wire.wire_m, "round");
        pen.straight(legs);
        pen.bend(sense * kPi / 2, wire.bendRadius_m, wire.wire_m, drop.back ? "up" : "down");
    }
    pen.straight(length - pen.at().x());
    if (wire.tailEye) {
        out.eyes.push_back({"tail eye", {length + eyeRadius, 0, wire.z_m}, true});
        pen.wound(wire.wrap_m);
        out.bends.push_back(
            {out.cutLength_m, kRingTurn_rad, 0.5 * wire.eyeInner_m, "eye", {length, 0, wire.z_m}});
        pen.wound(eyeRingLength_m(wire.eyeInner_m, wire.wire_m));
    }
    out.volume_m3 = wireArea(wire.wire_m) * out.cutLength_m;
    out.mass_kg = wire.density_kg_m3 * out.volume_m3;
    return out;
}

}  // namespace wl
