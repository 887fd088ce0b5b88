// A triangle surface, and one shared between copies of a design.
#pragma once

#include <array>
#include <memory>
#include <vector>

#include <Eigen/Core>

namespace wl {

/// Vertices [n] in metres, body frame; triangles index them counter-clockwise seen from outside.
struct TriangleMesh {
    std::vector<Eigen::Vector3d> vertices_m;
    std::vector<std::array<int, 3>> triangles;
    bool operator==(const TriangleMesh&) const = default;
};

/// A mesh that many designs may hold at once (undo keeps copies); never changed once shared.
struct SharedMesh {
    std::shared_ptr<const TriangleMesh> mesh;
    bool operator==(const SharedMesh& o) const {
        return mesh == o.mesh || (mesh && o.mesh && *mesh == *o.mesh);
    }
    explicit operator bool() const { return mesh != nullptr; }
};

}  // namespace wl
