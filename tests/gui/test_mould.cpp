// A printed mould, looked through by rays: no library of the writer has a hand in it.
#include <catch2/catch.hpp>
#include <cmath>
#include <map>
#include <random>

#include "files/solid_file.h"
#include "solid/mould_solids.h"
#include "support/sample_bait.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

// A solid seen by rays straight up, its faces laid in strips across so that a ray meets but a few.
class Rays {
  public:
    explicit Rays(const TriangleMesh& mesh) : mesh_(mesh) {
        for (size_t i = 0; i < mesh.triangles.size(); ++i) {
            const auto& t = mesh.triangles[i];
            const auto x = [&](int corner) { return mesh.vertices_m[size_t(t[corner])].x(); };
            const int last = strip(std::max({x(0), x(1), x(2)}));
            for (int at = strip(std::min({x(0), x(1), x(2)})); at <= last; ++at) {
                strips_[at].push_back(i);
            }
        }
    }

    // Faces gone through (Moller & Trumbore 1997, from memory).
    bool inside(const Eigen::Vector3d& at) const {
        const auto found = strips_.find(strip(at.x()));
        if (found == strips_.end()) {
            return false;
        }
        int through = 0;
        for (const size_t i : found->second) {
            const auto& t = mesh_.triangles[i];
            const Eigen::Vector3d& a = mesh_.vertices_m[size_t(t[0])];
            const Eigen::Vector2d p = (mesh_.vertices_m[size_t(t[1])] - a).head<2>();
            const Eigen::Vector2d q = (mesh_.vertices_m[size_t(t[2])] - a).head<2>();
            const Eigen::Vector2d r = (at - a).head<2>();
            const double area = p.x() * q.y() - p.y() * q.x();
            if (area == 0) {
                continue;
            }
            const double u = (r.x() * q.y() - r.y() * q.x()) / area;
            const double v = (p.x() * r.y() - p.y() * r.x()) / area;
            if (u < 0 || v < 0 || u + v >= 1) {
                continue;
            }
            const double z = a.z() + u * (mesh_.vertices_m[size_t(t[1])].z() - a.z()) +
                             v * (mesh_.vertices_m[size_t(t[2])].z() - a.z());
            through += z > at.z() ? 1 : 0;
        }
        return through % 2 == 1;
    }

  private:
    static int strip(double x) { return int(std::floor(x)); }  // a millimetre wide
    const TriangleMesh& mesh_;
    std::map<int, std::vector<size_t>> strips_;
};

}  // namespace

TEST_CASE("a mould is hollow where the bait is, open where it is poured, and stock elsewhere") {
    const Design d = demoNamed("glide-bait");
    const Derived derived = evaluated(d);
    const auto halves = mouldSolids(d, derived);
    REQUIRE(halves);
    REQUIRE(halves->size() == 2);
    Eigen::AlignedBox3d bait, all;
    for (const BodyPart& part : derived.shape->parts) {
        for (const Eigen::Vector3d& v : inFileFrame(part.mesh).vertices_m) {
            bait.extend(v);
        }
    }
    const double wall = 1000 * d.make.mould.wall_m;
    all = Eigen::AlignedBox3d(bait.min() - Eigen::Vector3d::Constant(wall),
                              bait.max() + Eigen::Vector3d::Constant(wall));
    // Laid on their backs: the port half turned so that its outside (y under 0) is down; both
    // stand on the wall's own thickness over the widest place.
    const double high = -all.min().y(), aside = all.max().z() - all.min().z() + wall;
    CHECK(high == Approx(all.max().y()).margin(1e-3));
    const Rays rays[] = {Rays((*halves)[0].mesh_mm), Rays((*halves)[1].mesh_mm)};
    const auto inMould = [&](const Eigen::Vector3d& at) {
        const bool port = at.y() < 0;
        const Eigen::Vector3d lies = port ? Eigen::Vector3d(at.x(), -at.z(), at.y() + high)
                                          : Eigen::Vector3d(at.x(), at.z() + aside, -at.y() + high);
        return rays[port ? 0 : 1].inside(lies);
    };
    const auto inBody = [&](const Eigen::Vector3d& body) {
        const double across = std::abs(body.y());
        for (const JointCut& cut : derived.shape->joints) {
            if (body.x() > cut.frontPieceFace.x_m + cut.frontPieceFace.slope * across &&
                body.x() < cut.rearPieceFace.x_m + cut.rearPieceFace.slope * across) {
                return false;
            }
        }
        return derived.shape->curves.contains(body);
    };
    std::mt19937 random(8);
    const auto from = [&random](double low, double to) {
        return std::uniform_real_distribution<double>(low, to)(random);
    };
    const int places = kThorough ? 4000 : 600;
    int hollow = 0, inBait = 0, wrong = 0;
    for (int i = 0; i < places; ++i) {
        const Eigen::Vector3d at(from(all.min().x(), all.max().x()),
                                 from(all.min().y(), all.max().y()),
                                 from(all.min().z(), all.max().z()));
        const Eigen::Vector3d body(at.x() / 1000, -at.y() / 1000, at.z() / 1000);
        const bool inside = inBody(body);
        inBait += inside ? 1 : 0;
        const bool stock = inMould(at);
        hollow += stock ? 0 : 1;
        // Pegs, pits, spout, vents and cores lie within 4 mm of the middle plane.
        if (inside ? stock : !stock && std::abs(at.y()) > 4) {
            // But for a hair at the skin, where the mesh has chords and the drawing has curves.
            constexpr double kHair_m = 2e-4;
            bool rim = false;
            for (int axis = 0; axis < 3; ++axis) {
                const Eigen::Vector3d by = kHair_m * Eigen::Vector3d::Unit(axis);
                rim = rim || inBody(body + by) != inBody(body - by);
            }
            wrong += rim ? 0 : 1;
        }
    }
    CHECK(inBait > places / 20);
    CHECK(hollow > inBait);  // where it is poured as well
    CHECK(wrong == 0);
}
