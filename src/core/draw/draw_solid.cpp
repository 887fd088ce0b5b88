#include "core/draw/draw_solid.h"

#include <algorithm>

#include <Eigen/Geometry>

#include "core/geometry/mesh_clip.h"

namespace wl {

using Eigen::Vector3d;

std::vector<SolidPart> solidParts(const Design& design, const Derived& derived, double cutAt_m) {
    constexpr size_t kFine = 20000;  // triangles drawn in a frame
    std::vector<SolidPart> all;
    for (const BodyPart& part : derived.shape->parts) {
        TriangleMesh mesh = part.mesh.triangles.size() > kFine ? part.coarse : part.mesh;
        if (cutAt_m > 0) {
            mesh = clipMesh(mesh, -Vector3d::UnitX(), -cutAt_m);
        }
        all.push_back({std::move(mesh)});
    }
    if (design.lip.present && cutAt_m <= 0) {
        all.push_back({lipMesh(design.lip), DrawnLayer::Lip, Fill::Sheet});
    }
    return all;
}

Drawing drawSolid(const std::vector<SolidPart>& parts, const SolidFrame& frame) {
    const Vector3d light =
        (-0.35 * frame.right + 0.55 * frame.up + 0.75 * frame.towards).normalized();
    struct Facing {
        double near;
        const SolidPart* part;
        std::array<Vector3d, 3> corners;
        double light;
    };
    std::vector<Facing> facing;
    for (const SolidPart& part : parts) {
        for (const auto& t : part.mesh.triangles) {
            const auto& v = part.mesh.vertices_m;
            const Vector3d &a = v[size_t(t[0])], &b = v[size_t(t[1])], &c = v[size_t(t[2])];
            const Vector3d normal = (b - a).cross(c - a).normalized();
            if (normal.dot(frame.towards) > 0) {
                facing.push_back({frame.towards.dot(a + b + c),
                                  &part,
                                  {a, b, c},
                                  std::clamp(0.5 + 0.5 * normal.dot(light), 0.0, 1.0)});
            }
        }
    }
    std::stable_sort(facing.begin(), facing.end(),
                     [](const Facing& a, const Facing& b) { return a.near < b.near; });
    Drawing drawing;
    drawing.reserve(facing.size());
    for (const Facing& f : facing) {
        Primitive& facet = drawing.emplace_back();
        facet.shape = DrawnShape::Facet;
        facet.layer = f.part->layer;
        facet.stroke = Stroke::None;
        facet.fill = f.part->fill;
        facet.closed = true;
        facet.light = f.light;
        for (const Vector3d& corner : f.corners) {
            facet.points_mm.push_back(frame.onPaper_mm(corner));
        }
    }
    return drawing;
}

}  // namespace wl
