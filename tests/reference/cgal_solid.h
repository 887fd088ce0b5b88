// A solid as CGAL holds it, for tests and benchmarks that hold the core's against it: its headers
// compile for minutes, so they are read in one place.
#pragma once

#include <memory>
#include <vector>

#include "core/base/triangle_mesh.h"

namespace wl::test {

/// A closed solid, m. Faces are told as the points p with normal . p <= offset_m.
class CgalSolid {
  public:
    struct HalfSpace {
        Eigen::Vector3d normal = Eigen::Vector3d::UnitX();
        double offset_m = 0.0;
    };

    /// Fails the process where CGAL takes one of the triangles for impossible.
    explicit CgalSolid(const TriangleMesh& mesh);
    ~CgalSolid();
    CgalSolid(const CgalSolid& other);
    CgalSolid& operator=(const CgalSolid&) = delete;

    bool closed() const;
    double volume_m3() const;
    double area_m2() const;
    /// By CGAL's centroid of the tetrahedra from the origin.
    Eigen::Vector3d centroid_m() const;
    /// CGAL's difference of a copy and the block beyond each plane: what its clip by a plane does.
    CgalSolid within(const std::vector<HalfSpace>& spaces) const;
    /// CGAL's difference; what it cannot take off gives nothing.
    std::unique_ptr<CgalSolid> without(const CgalSolid& cutter) const;
    /// From each place to the nearest point of the surface, by CGAL's tree of boxes.
    std::vector<double> distances_m(const std::vector<Eigen::Vector3d>& places) const;

  private:
    struct Surface;
    explicit CgalSolid(std::unique_ptr<Surface> surface);
    std::unique_ptr<Surface> surface_;
};

}  // namespace wl::test
