#include "core/placed/surfaces.h"

#include <cmath>

#include "core/base/units.h"
#include "core/geometry/body_sizes.h"
#include "core/placed/eyes.h"
#include "core/placed/lip_sheet.h"

namespace wl {
namespace {

using Eigen::Vector3d;

Surface lipSurface(const Lip& lip) {
    const LipSheet sheet = measureLip(lip);
    const LipChord chord = lipChord(lip);
    Surface s;
    s.record = {RecordList::Lip, 0};
    s.name = "lip";
    const LipAxes axes = lipAxes(lip);
    const double down = chord.angle_rad - lip.angle_rad;  // of a bent one
    s.root_m = {lip.slotX_m, lip.slotY_m, lip.slotZ_m};
    s.along = std::cos(down) * axes.along - std::sin(down) * axes.up;
    s.normal = std::cos(down) * axes.up + std::sin(down) * axes.along;
    s.centre_m = lipPlace(lip, sheet.centroidAlong_m);
    s.chord_m = chord.length_m;
    s.span_m = sheet.area_m2 / lipPlanes(lip).back().to_m;
    s.thickness_m = lip.thickness_m;
    return s;
}

void addFace(const BodyCurves& curves, bool nose, std::vector<Surface>& out) {
    if (!curves.endFace(nose).present) {
        return;
    }
    const FaceCut face = measureEndFace(curves, nose);
    if (face.area_m2 <= 0 || face.height_m <= 0) {
        return;
    }
    Surface s;
    s.kind = nose ? Surface::Kind::NoseFace : Surface::Kind::TailFace;
    s.record = {nose ? RecordList::NoseFace : RecordList::TailFace, 0};
    s.name = nose ? "nose face" : "tail face";
    s.root_m = face.top_m;
    const double slope = curves.endFace(nose).angle_rad;
    s.along = {-std::cos(slope), 0, -std::sin(slope)};
    s.normal = face.outward;
    s.centre_m = face.centroid_m;
    s.chord_m = face.height_m;
    s.span_m = face.area_m2 / face.height_m;
    const EndFace& cut = curves.endFace(nose);
    s.cupShare = cut.cupDepth_m / std::max(1e-9, cut.cupShare * face.height_m / 2);
    out.push_back(s);
}

// How far a fin's root is mirrored by the skin, judged at both ends and the middle of its chord.
double mirroredBySkin(const BodyCurves& curves, const Surface& s, const Vector3d& outward) {
    constexpr int kLooks = 3;
    int on = 0;
    bool broad = true;
    for (int i = 0; i < kLooks; ++i) {
        const double x = s.centre_m.x() + (0.5 * i - 0.5) * s.chord_m;
        if (x < 0 || x > curves.length_m()) {
            continue;
        }
        const Section at = curves.atX(x);
        const double middle = 0.5 * (at.back_m + at.belly_m);
        const double half = std::abs(outward.z()) * 0.5 * (at.back_m - at.belly_m) +
                            std::abs(outward.y()) * at.halfWidth_m;
        const Vector3d from = s.centre_m - Vector3d(s.centre_m.x(), 0, middle);
        const double clear = std::abs(from.dot(outward)) - half - 0.5 * s.span_m;
        on += clear < 0.5 * s.span_m ? 1 : 0;
        broad = broad && 2 * half >= s.span_m;
    }
    return on == 0 ? 1.0 : on == kLooks && broad ? 2.0 : 1.5;
}

// A fin stands in the length of the bait, its middle at its place.
void addFin(const Design& design, const BodyCurves& curves, size_t index,
            std::vector<Surface>& out) {
    const Fitting& f = design.fittings[index];
    Surface s;
    switch (f.kind) {
        case FittingKind::SheetFin:
            s.kind = Surface::Kind::Fin;
            break;
        case FittingKind::BristleTail:
            s.kind = Surface::Kind::Bristles;
            break;
        case FittingKind::SoftTail:
            s.kind = Surface::Kind::SoftTail;
            break;
        default:
            return;
    }
    s.record = {RecordList::Fittings, index};
    s.name = f.name;
    s.chord_m = f.size_m;
    s.span_m = f.size_m > 0 ? f.area_m2 / f.size_m : 0.0;
    s.thickness_m = f.wire_m;
    for (const double side : {1.0, -1.0}) {
        if (side < 0 && !f.mirrored) {
            continue;
        }
        s.centre_m = fittingPlace(design, f);
        s.centre_m.y() *= side;
        s.root_m = s.centre_m - 0.5 * s.chord_m * s.along;
        const double cant = f.cant_rad.value_or(f.mirrored ? 0.0 : kPi / 2);
        const Vector3d outward(0, side * std::cos(cant), std::sin(cant));
        s.normal = {0, -side * std::sin(cant), std::cos(cant)};
        s.aspectFactor = mirroredBySkin(curves, s, outward);
        out.push_back(s);
    }
}

// One arm, seen along the breadth of its own body.
Surface armSurface(const Design& design, const BodyPart& part, bool starboardArm) {
    const Eigen::DiagonalMatrix<double, 3> across(1.0, starboardArm ? -1.0 : 1.0, 1.0);
    Surface s;
    s.kind = Surface::Kind::SidePiece;
    s.record = {RecordList::Appendages, part.index};
    s.name = part.name;
    s.swings = true;
    s.root_m = across * part.place.translation();
    s.along = across * part.place.linear().col(0);
    s.normal = across * part.place.linear().col(1);
    s.centre_m = across * part.lateral.centroid_m;
    const std::vector<Station>& stations = design.appendages[part.index].body.stations;
    s.chord_m = stations.back().position_m - stations.front().position_m;
    s.span_m = part.lateral.area_m2 / s.chord_m;
    for (const Station& station : stations) {
        s.thickness_m = std::max(s.thickness_m, 2 * station.halfWidth_m);
    }
    return s;
}

}  // namespace

std::vector<Surface> surfacesOf(const Design& design, const BodyCurves& curves,
                                const std::vector<BodyPart>& parts) {
    std::vector<Surface> out;
    if (design.lip.present) {
        out.push_back(lipSurface(design.lip));
    }
    addFace(curves, true, out);
    addFace(curves, false, out);
    for (size_t i = 0; i < design.fittings.size(); ++i) {
        addFin(design, curves, i, out);
    }
    for (const BodyPart& part : parts) {
        if (part.appendage) {
            out.push_back(armSurface(design, part, false));
            if (part.secondArm > 0) {
                out.push_back(armSurface(design, part, true));
            }
        }
    }
    return out;
}

std::vector<std::string> leftOut(const std::vector<Surface>& surfaces) {
    std::vector<std::string> names;
    const RecordRef* last = nullptr;
    for (const Surface& s : surfaces) {
        if (s.leftOut() && (last == nullptr || *last != s.record)) {
            names.push_back(s.name);
            last = &s.record;
        }
    }
    return names;
}

const Surface* divingSurface(const std::vector<Surface>& surfaces) {
    for (const Surface& s : surfaces) {
        const bool leansBack = s.kind == Surface::Kind::NoseFace && s.along.x() < 0;
        if (s.kind == Surface::Kind::Lip || leansBack) {
            return &s;
        }
    }
    return nullptr;
}

}  // namespace wl
