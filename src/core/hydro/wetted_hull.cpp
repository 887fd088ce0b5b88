#include "core/hydro/wetted_hull.h"

#include <algorithm>
#include <array>
#include <cmath>

#include <Eigen/Geometry>

namespace wl {
namespace {

using Eigen::Vector3d;

// Sums over triangles a, b, c from which the tetrahedra to any apex P follow: six volumes are
// d - P.n, twenty-four moments ds + d P - sn P - (P.n) P. One array, so that they add fast.
struct ApexSums {
    // d = a . (b x c); n = twice the area normal (3); ds = d (a + b + c) (3); sn = (a + b + c) n^T
    // by columns (9)
    std::array<double, 16> v{};

    static ApexSums of(const Vector3d& a, const Vector3d& b, const Vector3d& c) {
        const Vector3d bc = b.cross(c);
        const Vector3d n = a.cross(b) + bc + c.cross(a);
        const Vector3d s = a + b + c;
        const double d = a.dot(bc);
        return {{d, n.x(), n.y(), n.z(), d * s.x(), d * s.y(), d * s.z(),  //
                 s.x() * n.x(), s.y() * n.x(), s.z() * n.x(),              //
                 s.x() * n.y(), s.y() * n.y(), s.z() * n.y(),              //
                 s.x() * n.z(), s.y() * n.z(), s.z() * n.z()}};
    }
    void add(const ApexSums& o) {
        for (size_t k = 0; k < v.size(); ++k) {
            v[k] += o.v[k];
        }
    }
    double d() const { return v[0]; }
    Vector3d n() const { return {v[1], v[2], v[3]}; }
    Vector3d ds() const { return {v[4], v[5], v[6]}; }
    Eigen::Matrix3d sn() const { return Eigen::Map<const Eigen::Matrix3d>(v.data() + 7); }
};

struct Patch {
    Vector3d centre = Vector3d::Zero();
    double radius = 0;
    size_t from = 0, to = 0;  // of the triangles in patch order
    ApexSums sums;
};

constexpr size_t kSectors = 8;
constexpr size_t kTrianglesWanted = 10;
constexpr size_t kMostSlices = 64;

size_t sectorOf(double y, double z) {
    return (y > 0 ? 1U : 0U) + (z > 0 ? 2U : 0U) + (std::abs(y) > std::abs(z) ? 4U : 0U);
}

// A stretch of the waterline, from p to q round the waterplane (Green).
struct EdgeSums {
    double area2 = 0, x6 = 0, y6 = 0, xx24 = 0, xy24 = 0, yy24 = 0;
    void add(const Eigen::Vector2d& p, const Eigen::Vector2d& q) {
        const double cross = p.x() * q.y() - q.x() * p.y();
        area2 += cross;
        x6 += cross * (p.x() + q.x());
        y6 += cross * (p.y() + q.y());
        xx24 += 2 * cross * (p.x() * p.x() + p.x() * q.x() + q.x() * q.x());
        yy24 += 2 * cross * (p.y() * p.y() + p.y() * q.y() + q.y() * q.y());
        xy24 += cross * (p.x() * (2 * p.y() + q.y()) + q.x() * (p.y() + 2 * q.y()));
    }
};

}  // namespace

struct WettedHull::Patches {
    TriangleMesh mesh;
    Vector3d origin = Vector3d::Zero();  // all below is about it: a far mesh loses no digits
    std::vector<double> x, y, z;
    std::vector<std::array<int, 3>> triangles;
    std::vector<ApexSums> each;  // of the triangles in patch order
    std::vector<Patch> patches;
    ApexSums whole;

    Vector3d at(int i) const { return {x[size_t(i)], y[size_t(i)], z[size_t(i)]}; }
};

WettedHull::WettedHull(TriangleMesh mesh) {
    auto p = std::make_shared<Patches>();
    p->mesh = std::move(mesh);
    const std::vector<Vector3d>& v = p->mesh.vertices_m;
    const auto& faces = p->mesh.triangles;
    const size_t n = v.size();
    for (const Vector3d& vertex : v) {
        p->origin += vertex / double(n);
    }
    p->x.resize(n);
    p->y.resize(n);
    p->z.resize(n);
    double low = 0, high = 0;
    for (size_t i = 0; i < n; ++i) {
        const Vector3d local = v[i] - p->origin;
        p->x[i] = local.x();
        p->y[i] = local.y();
        p->z[i] = local.z();
        low = std::min(low, local.x());
        high = std::max(high, local.x());
    }
    // By slices along the bait and sectors round it (counting sort: the order within stays).
    const size_t slices =
        std::clamp<size_t>(faces.size() / (kSectors * kTrianglesWanted), 1, kMostSlices);
    const double perSlice = double(slices) / std::max(high - low, 1e-12) / 3;
    std::vector<unsigned> keyOf(faces.size());
    std::vector<size_t> start(slices * kSectors + 1, 0);
    for (size_t i = 0; i < faces.size(); ++i) {
        const auto& t = faces[i];
        const Vector3d s = p->at(t[0]) + p->at(t[1]) + p->at(t[2]);
        const size_t slice =
            std::min(slices - 1, size_t(std::max(0.0, s.x() - 3 * low) * perSlice));
        keyOf[i] = unsigned(slice * kSectors + sectorOf(s.y(), s.z()));
        ++start[keyOf[i] + 1];
    }
    for (size_t k = 1; k < start.size(); ++k) {
        start[k] += start[k - 1];
    }
    p->triangles.resize(faces.size());
    p->each.reserve(faces.size());
    std::vector<size_t> next(start.begin(), start.end() - 1);
    for (size_t i = 0; i < faces.size(); ++i) {
        p->triangles[next[keyOf[i]]++] = faces[i];
    }
    for (size_t k = 0; k + 1 < start.size(); ++k) {
        if (start[k] == start[k + 1]) {
            continue;
        }
        Patch patch;
        patch.from = start[k];
        patch.to = start[k + 1];
        Vector3d least = Vector3d::Constant(1e9), most = -least;
        for (size_t i = patch.from; i < patch.to; ++i) {
            const auto& t = p->triangles[i];
            const Vector3d a = p->at(t[0]), b = p->at(t[1]), c = p->at(t[2]);
            p->each.push_back(ApexSums::of(a, b, c));
            patch.sums.add(p->each.back());
            least = least.cwiseMin(a).cwiseMin(b).cwiseMin(c);
            most = most.cwiseMax(a).cwiseMax(b).cwiseMax(c);
        }
        patch.centre = 0.5 * (least + most);
        patch.radius = 0.5 * (most - least).norm();
        p->whole.add(patch.sums);
        p->patches.push_back(patch);
    }
    patches_ = std::move(p);
}

const TriangleMesh& WettedHull::mesh() const {
    return patches_->mesh;
}

double WettedHull::volume_m3() const {
    return patches_->whole.d() / 6;
}

Vector3d WettedHull::moment_m4() const {
    return patches_->whole.ds() / 24 + volume_m3() * patches_->origin;
}

std::pair<double, double> WettedHull::range(const Vector3d& normal) const {
    const Patches& p = *patches_;
    double low = 1e9, high = -1e9;
    for (size_t i = 0; i < p.x.size(); ++i) {
        const double at = normal.x() * p.x[i] + normal.y() * p.y[i] + normal.z() * p.z[i];
        low = std::min(low, at);
        high = std::max(high, at);
    }
    const double origin = normal.dot(p.origin);
    return {origin + low, origin + high};
}

void WettedHull::addBelow(const WaterPlane& plane, const PlaneAxes& axes, Submerged& sum) const {
    const Patches& p = *patches_;
    const Vector3d& up = plane.normal;
    const double offset = plane.offset_m - up.dot(p.origin);
    const Vector3d apex = offset * up;

    ApexSums under;
    double volume6 = 0;  // of the cut triangles
    EdgeSums edges;
    thread_local std::vector<double> heights;
    bool measured = false;

    const double ux = up.x(), uy = up.y(), uz = up.z();
    const double px = apex.x(), py = apex.y(), pz = apex.z();
    // Points in the apex's frame.
    const auto place = [&](int i) {
        return std::array<double, 3>{p.x[size_t(i)] - px, p.y[size_t(i)] - py, p.z[size_t(i)] - pz};
    };
    using Point = std::array<double, 3>;
    double mx = 0, my = 0, mz = 0;
    const auto addTetra = [&](const Point& a, const Point& b, const Point& c) {
        const double d = a[0] * (b[1] * c[2] - b[2] * c[1]) + a[1] * (b[2] * c[0] - b[0] * c[2]) +
                         a[2] * (b[0] * c[1] - b[1] * c[0]);
        volume6 += d;
        mx += d * (a[0] + b[0] + c[0]);
        my += d * (a[1] + b[1] + c[1]);
        mz += d * (a[2] + b[2] + c[2]);
    };
    const Vector3d toBody = apex + p.origin;
    const double aftX = axes.aft.x(), aftY = axes.aft.y(), aftZ = axes.aft.z();
    const double portX = axes.port.x(), portY = axes.port.y(), portZ = axes.port.z();
    const double aft0 = axes.aft.dot(toBody), port0 = axes.port.dot(toBody);
    const auto onPlane = [&](const Point& at) {
        return Eigen::Vector2d(aft0 + aftX * at[0] + aftY * at[1] + aftZ * at[2],
                               port0 + portX * at[0] + portY * at[1] + portZ * at[2]);
    };
    const auto cut = [](const Point& below, double hBelow, const Point& above, double hAbove) {
        const double share = hBelow / (hBelow - hAbove);
        return Point{below[0] + share * (above[0] - below[0]),
                     below[1] + share * (above[1] - below[1]),
                     below[2] + share * (above[2] - below[2])};
    };

    for (const Patch& patch : p.patches) {
        const double height = up.dot(patch.centre) - offset;
        if (height >= patch.radius) {
            continue;
        }
        if (height <= -patch.radius) {
            under.add(patch.sums);
            continue;
        }
        if (!measured) {
            measured = true;
            heights.resize(p.x.size());
            for (size_t i = 0; i < heights.size(); ++i) {
                heights[i] = ux * p.x[i] + uy * p.y[i] + uz * p.z[i] - offset;
            }
        }
        for (size_t i = patch.from; i < patch.to; ++i) {
            const auto& t = p.triangles[i];
            const double h[3] = {heights[size_t(t[0])], heights[size_t(t[1])],
                                 heights[size_t(t[2])]};
            const int wet = int(h[0] < 0) + int(h[1] < 0) + int(h[2] < 0);
            if (wet == 0) {
                continue;
            }
            if (wet == 3) {
                under.add(p.each[i]);
                continue;
            }
            // The odd one out, and the two after it in order round the face; the edge on the plane,
            // walked backwards, is the waterplane's.
            const bool oneWet = wet == 1;
            const int k = (h[0] < 0) == oneWet ? 0 : (h[1] < 0) == oneWet ? 1 : 2;
            const int l = (k + 1) % 3, m = (k + 2) % 3;
            const Point odd = place(t[size_t(k)]), first = place(t[size_t(l)]),
                        second = place(t[size_t(m)]);
            if (oneWet) {
                const Point out = cut(odd, h[k], first, h[l]), in = cut(odd, h[k], second, h[m]);
                addTetra(odd, out, in);
                edges.add(onPlane(in), onPlane(out));
            } else {
                const Point out = cut(second, h[m], odd, h[k]), in = cut(first, h[l], odd, h[k]);
                addTetra(first, second, out);
                addTetra(first, out, in);
                edges.add(onPlane(in), onPlane(out));
            }
        }
    }
    Vector3d moment24 = Vector3d(mx, my, mz) + 4 * volume6 * apex;
    const double apexN = apex.dot(under.n());
    moment24 += under.ds() + under.d() * apex - under.sn() * apex - apexN * apex;
    volume6 += under.d() - apexN;

    const double volume = volume6 / 6;
    sum.volume_m3 += volume;
    sum.moment_m4 += moment24 / 24 + volume * p.origin;
    sum.waterplaneArea_m2 += edges.area2 / 2;
    sum.waterplaneMoment_m3 += Eigen::Vector2d(edges.x6 / 6, edges.y6 / 6);
    Eigen::Matrix2d second;
    second << edges.xx24, edges.xy24, edges.xy24, edges.yy24;
    sum.waterplaneSecond_m4 += second / 24;
}

}  // namespace wl
