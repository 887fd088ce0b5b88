#include "core/make/body_parts.h"

#include <algorithm>
#include <cmath>

#include "core/geometry/mesh_clip.h"

namespace wl {
namespace {

constexpr int kFineRings = 64, kFineAround = 40;
constexpr int kCoarseRings = 20, kCoarseAround = 16;
constexpr int kSideRings = 16, kSideAround = 16;

void transformMesh(TriangleMesh& mesh, const Eigen::Affine3d& place) {
    for (Eigen::Vector3d& v : mesh.vertices_m) {
        v = place * v;
    }
    if (place.linear().determinant() < 0) {  // mirrored: turn the faces back outward
        for (auto& t : mesh.triangles) {
            std::swap(t[1], t[2]);
        }
    }
}

PartMaterial materialOf(const Design& design, const BodyCurves& curves, const BodyPart& part) {
    const Stock& stock = stockOf(design, part);
    const bool own = &stock != &design.pieces.front().stock;
    if (!own && design.make.kind == MakeKind::Layered && !part.appendage) {
        return layeredMaterial(curves, part.bounds, design.make);
    }
    if (!own && design.make.kind == MakeKind::Printed) {
        return printedMaterial(part.mesh, part.solid, design.make.print, [&curves](double x) {
            const Section s = curves.atX(x);
            return 0.5 * (s.back_m + s.belly_m);
        });
    }
    return solidMaterial(part.solid, densityInForce(stock, design.make));
}

// One arm of an appendage in its place.
BodyPart armOf(const Design& design, size_t index, const BodyCurves& own, double side) {
    const Appendage& a = design.appendages[index];
    BodyPart part;
    part.name = a.name;
    part.path = "/appendages/" + std::to_string(index);
    part.appendage = true;
    part.index = index;
    part.side = side;
    part.solid = integratePiece(own, {});
    part.mesh = meshPiece(own, {}, part.solid.volume_m3, kSideRings, kSideAround);
    part.material = materialOf(design, own, part);
    part.place = Eigen::Affine3d::Identity();
    part.place.linear() = (Eigen::AngleAxisd(a.splay_rad, Eigen::Vector3d::UnitZ()) *
                           Eigen::AngleAxisd(a.droop_rad, Eigen::Vector3d::UnitY()))
                              .toRotationMatrix();
    part.place.translation() = Eigen::Vector3d(a.hingeX_m, a.hingeY_m, a.hingeZ_m);
    if (side < 0) {
        part.place = Eigen::Scaling(1.0, -1.0, 1.0) * part.place;
    }
    transformMesh(part.mesh, part.place);
    transformMesh(part.material.inside, part.place);
    part.solid.centroid_m = part.place * part.solid.centroid_m;
    part.solid.inertia_m5 =
        part.place.linear() * part.solid.inertia_m5 * part.place.linear().transpose();
    part.material.centre_m = part.place * part.material.centre_m;
    part.coarse = part.mesh;
    part.lateral = profileAt(own, 0.0, 0.0, own.length_m());
    part.lateral.centroid_m = part.place * part.lateral.centroid_m;
    part.pivot_m = part.place.translation();
    return part;
}

void append(TriangleMesh& mesh, const TriangleMesh& more) {
    const int first = int(mesh.vertices_m.size());
    mesh.vertices_m.insert(mesh.vertices_m.end(), more.vertices_m.begin(), more.vertices_m.end());
    for (const auto& t : more.triangles) {
        mesh.triangles.push_back({t[0] + first, t[1] + first, t[2] + first});
    }
}

// Both arms as one part on a rivet in the middle plane.
BodyPart joinedArms(BodyPart port, const BodyPart& starboard) {
    port.side = 0.0;
    port.secondArm = port.mesh.vertices_m.size();
    append(port.mesh, starboard.mesh);
    append(port.coarse, starboard.coarse);
    append(port.material.inside, starboard.material.inside);
    const Eigen::Vector3d middle = 0.5 * (port.solid.centroid_m + starboard.solid.centroid_m);
    const Eigen::Vector3d off = port.solid.centroid_m - middle;
    const Eigen::Matrix3d apart =
        off.squaredNorm() * Eigen::Matrix3d::Identity() - off * off.transpose();
    port.solid.inertia_m5 += starboard.solid.inertia_m5 + 2 * port.solid.volume_m3 * apart;
    port.solid.volume_m3 *= 2;
    port.solid.centroid_m = middle;
    port.material.centre_m = 0.5 * (port.material.centre_m + starboard.material.centre_m);
    port.material.mass_kg *= 2;
    port.material.hollow_m3 *= 2;
    port.pivot_m.y() = 0;
    return port;
}

// The float is found on the imported solid itself.
void useImportedSolid(const TriangleMesh& solid, double breadthScale, BodyPart& part) {
    part.mesh = solid;
    for (Eigen::Vector3d& v : part.mesh.vertices_m) {
        v.y() *= breadthScale;
        v.z() *= breadthScale;
    }
    part.solid = integrateMesh(part.mesh);
    scaleMeshToVolume(part.coarse, part.solid.volume_m3);
}

}  // namespace

const Stock& stockOf(const Design& design, const BodyPart& part) {
    if (part.appendage && design.appendages[part.index].ownStock) {
        return design.appendages[part.index].stock;
    }
    if (!part.appendage && part.index > 0 && design.pieces[part.index].ownStock) {
        return design.pieces[part.index].stock;
    }
    return design.pieces.front().stock;
}

Result<std::vector<BodyPart>> makeParts(const Design& design, const BodyCurves& curves,
                                        const std::vector<JointCut>& cuts, double breadthScale) {
    if (design.make.kind == MakeKind::Layered && design.make.layers.empty()) {
        return Error{"make.no_layers", "/make/layers", {}, {}};
    }
    std::vector<BodyPart> parts;
    const std::vector<PieceBounds> bounds = pieceBounds(cuts);
    const bool imported = design.body.useSolid && design.body.solid;
    double scale = 1.0;
    if (imported && bounds.size() > 1) {
        scale = integrateMesh(*design.body.solid.mesh).volume_m3 * breadthScale * breadthScale /
                integratePiece(curves, {}).volume_m3;
    }
    for (size_t i = 0; i < bounds.size(); ++i) {
        BodyPart part;
        part.name = design.pieces[i].name;
        part.path = "/pieces/" + std::to_string(i);
        part.index = i;
        part.bounds = bounds[i];
        part.solid = integratePiece(curves, bounds[i]);
        part.solid.volume_m3 *= scale;
        part.solid.inertia_m5 *= scale;
        part.lateral = profileAt(curves, 0.0, bounds[i].front ? bounds[i].front->x_m : 0.0,
                                 bounds[i].rear ? bounds[i].rear->x_m : curves.length_m());
        part.mesh = meshPiece(curves, bounds[i], part.solid.volume_m3, kFineRings, kFineAround);
        part.coarse =
            meshPiece(curves, bounds[i], part.solid.volume_m3, kCoarseRings, kCoarseAround);
        if (imported && bounds.size() == 1) {
            useImportedSolid(*design.body.solid.mesh, breadthScale, part);
        }
        part.material = materialOf(design, curves, part);
        part.pivot_m = i > 0 ? Eigen::Vector3d(cuts[i - 1].pinX_m, 0, cuts[i - 1].midZ_m)
                             : Eigen::Vector3d::Zero();
        parts.push_back(std::move(part));
    }
    for (size_t i = 0; i < design.appendages.size(); ++i) {
        const Appendage& a = design.appendages[i];
        const std::string path = "/appendages/" + std::to_string(i);
        const Result<BodyCurves> own = BodyCurves::build(a.body, path + "/body");
        if (!own) {
            return own.error();
        }
        std::vector<BodyPart> arms;
        for (const double side : {1.0, -1.0}) {
            if (side > 0 || a.mirrored) {
                arms.push_back(armOf(design, i, *own, side));
            }
        }
        if (a.mirrored && a.joined) {
            arms = {joinedArms(arms[0], arms[1])};
        }
        parts.insert(parts.end(), arms.begin(), arms.end());
    }
    return parts;
}

AsMade chainAsMade(const Design& design, const BodyCurves& curves,
                   const std::vector<BodyPart>& parts) {
    AsMade made;
    double doubt = 0;
    bool apart = design.make.kind == MakeKind::Printed || parts.size() == 1;
    for (const BodyPart& part : parts) {
        if (part.appendage) {
            continue;
        }
        apart = apart || &stockOf(design, part) != &design.pieces.front().stock;
        made.volume_m3 += part.solid.volume_m3;
        made.mass_kg += part.material.mass_kg;
        doubt += part.material.doubtShare * part.material.mass_kg;
    }
    made.doubtShare = made.mass_kg > 0 ? doubt / made.mass_kg : 0.0;
    if (!apart && design.pieces.size() > 1) {
        const double density = made.mass_kg / made.volume_m3;
        made.volume_m3 = integratePiece(curves, {}).volume_m3;
        made.mass_kg = density * made.volume_m3;
    }
    return made;
}

ProfileArea profileAt(const BodyCurves& curves, double y, double fromX, double toX) {
    ProfileArea p;
    constexpr int kSteps = 120;
    const double step = (toX - fromX) / kSteps;
    for (int i = 0; i < kSteps; ++i) {
        const Section s = curves.atX(fromX + step * (i + 0.5));
        if (s.halfWidth_m <= std::abs(y)) {
            continue;
        }
        const double top = skinHeight(s, y, true), foot = skinHeight(s, y, false);
        p.area_m2 += step * (top - foot);
        p.centroid_m += step * (top - foot) * Eigen::Vector3d(s.x_m, y, 0.5 * (top + foot));
    }
    if (p.area_m2 > 0) {
        p.centroid_m /= p.area_m2;
    }
    return p;
}

}  // namespace wl
