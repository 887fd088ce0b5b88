// How far a solid let into the body stays from its skin.
#include <algorithm>
#include <cmath>
#include <limits>

#include <Eigen/Geometry>
#include <unsupported/Eigen/BVH>

#include "core/base/units.h"
#include "core/clearance/clearance.h"

namespace wl {

using Eigen::Vector3d;

namespace {

struct Facet {
    Vector3d a, b, c;
};

Vector3d nearestOnFacet(const Facet& f, const Vector3d& p) {
    // Ericson, Real-Time Collision Detection (2005), 5.1.5, recalled.
    const Vector3d ab = f.b - f.a, ac = f.c - f.a, ap = p - f.a;
    const double d1 = ab.dot(ap), d2 = ac.dot(ap);
    if (d1 <= 0 && d2 <= 0) {
        return f.a;
    }
    const Vector3d bp = p - f.b;
    const double d3 = ab.dot(bp), d4 = ac.dot(bp);
    if (d3 >= 0 && d4 <= d3) {
        return f.b;
    }
    const double vc = d1 * d4 - d3 * d2;
    if (vc <= 0 && d1 >= 0 && d3 <= 0) {
        return f.a + d1 / (d1 - d3) * ab;
    }
    const Vector3d cp = p - f.c;
    const double d5 = ab.dot(cp), d6 = ac.dot(cp);
    if (d6 >= 0 && d5 <= d6) {
        return f.c;
    }
    const double vb = d5 * d2 - d1 * d6;
    if (vb <= 0 && d2 >= 0 && d6 <= 0) {
        return f.a + d2 / (d2 - d6) * ac;
    }
    const double va = d3 * d6 - d5 * d4;
    if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
        return f.b + (d4 - d3) / ((d4 - d3) + (d5 - d6)) * (f.c - f.b);
    }
    const double all = va + vb + vc;
    return all > 0 ? Vector3d(f.a + ab * (vb / all) + ac * (vc / all)) : f.a;
}

using Box = Eigen::AlignedBox<double, 3>;

struct NearestFacet {
    using Scalar = double;
    Vector3d at;
    const Embedded* mouth = nullptr;
    double farthestSquared = 1.0;

    bool leftOut(const Facet& f) const {
        if (mouth == nullptr) {
            return false;
        }
        const CutTool& t = mouth->tool;
        const Vector3d from = (f.a + f.b + f.c) / 3 - t.mouth_m;
        const Vector3d normal = (f.b - f.a).cross(f.c - f.a);
        const double a = std::abs(from.dot(t.along)), c = std::abs(from.dot(t.across()));
        constexpr double kRound = 1.5;
        const double half = t.round ? t.halfAlong_m : t.halfAcross_m;
        const bool round = !t.corners.empty() ? std::hypot(a, c) < kRound * t.rim_m() + 0.001
                           : t.round
                               ? std::hypot(a, c) < kRound * t.halfAlong_m + 0.001
                               : a < kRound * t.halfAlong_m + 0.001 && c < kRound * half + 0.001;
        return round && normal.dot(t.inward) < 0;
    }
    double near(double squared) const {
        return squared <= farthestSquared ? squared : std::numeric_limits<double>::max();
    }
    double minimumOnVolume(const Box& box) const { return near(box.squaredExteriorDistance(at)); }
    double minimumOnObject(const Facet& f) const {
        return leftOut(f) ? std::numeric_limits<double>::max()
                          : near((nearestOnFacet(f, at) - at).squaredNorm());
    }
};

Box bounding_box(const Facet& f) {
    Box box(f.a);
    box.extend(f.b);
    box.extend(f.c);
    return box;
}

}  // namespace

struct SkinSearch::Tree {
    std::vector<Facet> facets;
    std::vector<Box> boxes;
    Eigen::KdBVH<double, 3, Facet> bvh;
};

SkinSearch::SkinSearch(const TriangleMesh& mesh, const BodyCurves& curves)
    : tree_(std::make_unique<Tree>()), curves_(curves) {
    for (const auto& t : mesh.triangles) {
        const Facet f{mesh.vertices_m[size_t(t[0])], mesh.vertices_m[size_t(t[1])],
                      mesh.vertices_m[size_t(t[2])]};
        tree_->facets.push_back(f);
        tree_->boxes.push_back(bounding_box(f));
    }
    tree_->bvh.init(tree_->facets.begin(), tree_->facets.end(), tree_->boxes.begin(),
                    tree_->boxes.end());
}

SkinSearch::~SkinSearch() = default;

double SkinSearch::signedDistance(const Vector3d& place, const Embedded* mouthOf,
                                  double within) const {
    NearestFacet nearest{place, mouthOf, within * within};
    const double squared = Eigen::BVMinimize(tree_->bvh, nearest);
    constexpr double kFar_m = 1e3;
    return (curves_.contains(place) ? 1.0 : -1.0) *
           (squared < kFar_m ? std::sqrt(squared) : kFar_m);
}

SkinWall wallToSkin(const Embedded& solid, const SkinSearch& skin, double within) {
    const CutTool& t = solid.tool;
    SkinWall least;
    least.wall_m = std::numeric_limits<double>::max();
    const double radius = t.halfAlong_m;
    const double reach = t.depth_m + t.tip_m;
    const bool closed = solid.kind == Embedded::Kind::Chamber ||
                        solid.kind == Embedded::Kind::Pin || solid.kind == Embedded::Kind::Pocket ||
                        solid.kind == Embedded::Kind::Cavity;
    const bool wire = solid.kind == Embedded::Kind::Wire;
    const bool atMouth =
        !solid.open && (solid.kind == Embedded::Kind::Bore || solid.kind == Embedded::Kind::Cut ||
                        solid.kind == Embedded::Kind::Weight);
    const Embedded* mouth = closed || wire ? nullptr : &solid;
    auto at = [&](double u, double v) {  // u along the depth, v round the rim
        return Vector3d(t.mouth_m + u * t.inward + t.onRim(v));
    };
    // A stem set at a slant runs close under the skin where it goes in: its inner half counts.
    const double from = closed       ? 0.0
                        : solid.open ? reach
                        : solid.kind == Embedded::Kind::Stem
                            ? 0.5 * reach
                            : std::min(reach, 1.5 * radius + 0.001);
    const int steps = std::max(1, int(std::ceil((reach - from) / 0.001)));
    constexpr int kRim = 24;
    double bestU = reach, bestV = 0;
    auto look = [&](double u, double v) {
        const Vector3d p = at(u, v);
        const bool inside = skin.curves().contains(p);
        if ((solid.open || wire) && !inside) {
            return;  // these are meant to come out
        }
        constexpr double kExit_m = 0.0025;
        if (wire && solid.exit_m && (p - *solid.exit_m).norm() < kExit_m + 2 * t.halfAlong_m) {
            return;
        }
        const bool inGap =
            solid.face &&
            t.inward.x() * (p.x() - solid.face->x_m - solid.face->slope * std::abs(p.y())) < 0;
        if (inGap || (atMouth && isRim(skin.curves(), t, p))) {
            return;
        }
        const double wall = skin.signedDistance(p, mouth, within);
        if (wall < std::min(within, least.wall_m)) {
            least = {wall, p, true};
            bestU = u;
            bestV = v;
        }
    };
    for (int i = 0; i <= steps; ++i) {
        for (int k = 0; k < kRim; ++k) {
            look(from + (reach - from) * i / steps, double(k) / kRim);
        }
    }
    double stepU = (reach - from) / steps, stepV = 1.0 / kRim;
    for (int round = 0; round < 5 && least.known; ++round) {
        stepU *= 0.5;
        stepV *= 0.5;
        const double u = bestU, v = bestV;
        for (const double du : {-1.0, 0.0, 1.0}) {
            for (const double dv : {-1.0, 0.0, 1.0}) {
                look(std::clamp(u + du * stepU, from, reach), v + dv * stepV);
            }
        }
    }
    if (least.known && least.wall_m < -within) {  // out by more than was looked for
        least.wall_m = skin.signedDistance(least.place_m, mouth);
    }
    return least;
}

}  // namespace wl
