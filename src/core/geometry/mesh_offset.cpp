#include "core/geometry/mesh_offset.h"

#include <Eigen/Eigenvalues>
#include <Eigen/Geometry>

namespace wl {

TriangleMesh offsetInward(const TriangleMesh& mesh, double wall_m) {
    constexpr double kFurthest = 4.0;
    const size_t n = mesh.vertices_m.size();
    // Normal equations of n_i . d = -wall over the faces round a vertex, weighted by corner angle.
    std::vector<Eigen::Matrix3d> matrix(n, Eigen::Matrix3d::Zero());
    std::vector<Eigen::Vector3d> side(n, Eigen::Vector3d::Zero());
    for (const auto& t : mesh.triangles) {
        const Eigen::Vector3d& a = mesh.vertices_m[size_t(t[0])];
        const Eigen::Vector3d& b = mesh.vertices_m[size_t(t[1])];
        const Eigen::Vector3d& c = mesh.vertices_m[size_t(t[2])];
        Eigen::Vector3d normal = (b - a).cross(c - a);
        const double twiceArea = normal.norm();
        if (twiceArea < 1e-18) {
            continue;
        }
        normal /= twiceArea;
        const Eigen::Vector3d* corner[] = {&a, &b, &c};
        for (size_t k = 0; k < 3; ++k) {
            const Eigen::Vector3d u = *corner[(k + 1) % 3] - *corner[k];
            const Eigen::Vector3d v = *corner[(k + 2) % 3] - *corner[k];
            const double angle = std::atan2(twiceArea, u.dot(v));
            matrix[size_t(t[k])] += angle * normal * normal.transpose();
            side[size_t(t[k])] -= angle * wall_m * normal;
        }
    }
    TriangleMesh inner = mesh;
    for (size_t i = 0; i < n; ++i) {
        const Eigen::SelfAdjointEigenSolver<Eigen::Matrix3d> eigen(matrix[i]);
        // Directions no face looks along stay put.
        const double least = 0.02 * eigen.eigenvalues().z();
        Eigen::Vector3d move = Eigen::Vector3d::Zero();
        for (int k = 0; k < 3; ++k) {
            if (eigen.eigenvalues()[k] > least) {
                const Eigen::Vector3d axis = eigen.eigenvectors().col(k);
                move += axis * axis.dot(side[i]) / eigen.eigenvalues()[k];
            }
        }
        if (move.norm() > kFurthest * wall_m) {
            move *= kFurthest * wall_m / move.norm();
        }
        inner.vertices_m[i] += move;
    }
    return inner;
}

}  // namespace wl
