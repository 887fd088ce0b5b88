// A closed mesh made ready to be cut by many water planes.
#pragma once

#include <memory>
#include <utility>

#include "core/geometry/mesh.h"
#include "core/hydro/water_plane.h"

namespace wl {

/// Integrals over what is under water, in the body frame: volume, integral of r, and those of the
/// waterplane in plane axes about the body origin's foot on the plane.
struct Submerged {
    double volume_m3 = 0.0;
    Eigen::Vector3d moment_m4 = Eigen::Vector3d::Zero();
    double waterplaneArea_m2 = 0.0;
    Eigen::Vector2d waterplaneMoment_m3 = Eigen::Vector2d::Zero();
    Eigen::Matrix2d waterplaneSecond_m4 = Eigen::Matrix2d::Zero();
};

/// The triangles lie in small patches; a patch wholly under water counts by sums taken once, so
/// that a plane costs only the patches it cuts. Copies share everything; never changed once made.
class WettedHull {
  public:
    /// Closed and outward, metres, body frame. An empty mesh displaces nothing.
    WettedHull(TriangleMesh mesh);  // NOLINT(google-explicit-constructor): a mesh is a hull

    const TriangleMesh& mesh() const;
    double volume_m3() const;
    /// Integral of r over the whole of it.
    Eigen::Vector3d moment_m4() const;
    /// Least and greatest normal . r.
    std::pair<double, double> range(const Eigen::Vector3d& normal) const;
    /// Adds what is below the plane. Clips without capping: the tetrahedra have their apex in the
    /// plane, so the cap adds nothing, and the waterplane's integrals run along the cut edges
    /// (Green). Exact for the mesh given.
    void addBelow(const WaterPlane& plane, const PlaneAxes& axes, Submerged& sum) const;

  private:
    struct Patches;
    std::shared_ptr<const Patches> patches_;
};

}  // namespace wl
