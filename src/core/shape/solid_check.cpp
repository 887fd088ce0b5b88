#include "core/shape/solid_check.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>
#include <unordered_map>

#include <Eigen/Geometry>

#include "core/design/describe.h"
#include "core/geometry/section.h"

namespace wl {
namespace {

constexpr size_t kMostShells = 200;  // each is held against each

struct Box {
    Eigen::Vector3d low = Eigen::Vector3d::Constant(1e9);
    Eigen::Vector3d high = Eigen::Vector3d::Constant(-1e9);
    void add(const Eigen::Vector3d& p) {
        low = low.cwiseMin(p);
        high = high.cwiseMax(p);
    }
    bool meets(const Box& o) const {
        return (low.array() <= o.high.array()).all() && (o.low.array() <= high.array()).all();
    }
};

// Shells as lists of triangles, by edges shared.
std::vector<std::vector<int>> shellsOf(const TriangleMesh& mesh) {
    std::vector<int> parent(mesh.vertices_m.size());
    std::iota(parent.begin(), parent.end(), 0);
    auto root = [&parent](int v) {
        while (parent[size_t(v)] != v) {
            parent[size_t(v)] = parent[size_t(parent[size_t(v)])];
            v = parent[size_t(v)];
        }
        return v;
    };
    for (const auto& t : mesh.triangles) {
        parent[size_t(root(t[0]))] = root(t[1]);
        parent[size_t(root(t[1]))] = root(t[2]);
    }
    std::map<int, std::vector<int>> byRoot;
    for (size_t i = 0; i < mesh.triangles.size(); ++i) {
        byRoot[root(mesh.triangles[i][0])].push_back(int(i));
    }
    std::vector<std::vector<int>> shells;
    for (auto& [key, list] : byRoot) {
        shells.push_back(std::move(list));
    }
    return shells;
}

// Signed: positive when the shell faces outward.
double volumeOf(const TriangleMesh& mesh, const std::vector<int>& shell) {
    double six = 0;
    const Eigen::Vector3d from = mesh.vertices_m[size_t(mesh.triangles[size_t(shell[0])][0])];
    for (const int i : shell) {
        const auto& t = mesh.triangles[size_t(i)];
        const Eigen::Vector3d a = mesh.vertices_m[size_t(t[0])] - from;
        const Eigen::Vector3d b = mesh.vertices_m[size_t(t[1])] - from;
        const Eigen::Vector3d c = mesh.vertices_m[size_t(t[2])] - from;
        six += a.dot(b.cross(c));
    }
    return six / 6;
}

// Crossings of a slanting ray with the shell, odd inside (slanted so that it misses edges).
bool insideShell(const TriangleMesh& mesh, const std::vector<int>& shell,
                 const Eigen::Vector3d& from) {
    const Eigen::Vector3d way = Eigen::Vector3d(0.4871, 0.3119, 0.8157).normalized();
    int crossings = 0;
    for (const int i : shell) {
        const auto& t = mesh.triangles[size_t(i)];
        const Eigen::Vector3d& a = mesh.vertices_m[size_t(t[0])];
        const Eigen::Vector3d u = mesh.vertices_m[size_t(t[1])] - a;
        const Eigen::Vector3d v = mesh.vertices_m[size_t(t[2])] - a;
        const Eigen::Vector3d p = way.cross(v);
        const double det = u.dot(p);
        if (std::abs(det) < 1e-20) {
            continue;
        }
        const Eigen::Vector3d s = from - a;
        const double alpha = s.dot(p) / det;
        const Eigen::Vector3d q = s.cross(u);
        const double beta = way.dot(q) / det;
        crossings += alpha >= 0 && beta >= 0 && alpha + beta <= 1 && v.dot(q) / det > 0;
    }
    return crossings % 2 == 1;
}

// How two shells stand: none of the probed corners inside, all, or some.
enum class Standing { Apart, Within, Crossing };
Standing standing(const TriangleMesh& mesh, const std::vector<int>& inner,
                  const std::vector<int>& outer) {
    const size_t step = std::max<size_t>(1, inner.size() / 60);
    bool in = false, out = false;
    for (size_t i = 0; i < inner.size(); i += step) {
        const int corner = mesh.triangles[size_t(inner[i])][0];
        (insideShell(mesh, outer, mesh.vertices_m[size_t(corner)]) ? in : out) = true;
    }
    return in && out ? Standing::Crossing : in ? Standing::Within : Standing::Apart;
}

std::optional<Error> checkEdges(const TriangleMesh& mesh) {
    std::unordered_map<std::uint64_t, std::array<int, 2>> edges;  // forward, backward
    edges.reserve(mesh.triangles.size() * 2);
    for (const auto& t : mesh.triangles) {
        for (size_t k = 0; k < 3; ++k) {
            const auto a = std::uint32_t(t[k]), b = std::uint32_t(t[(k + 1) % 3]);
            const std::uint64_t key = std::uint64_t(std::min(a, b)) << 32 | std::max(a, b);
            ++edges[key][a < b ? 0 : 1];
        }
    }
    double open = 0, twice = 0;
    for (const auto& [key, uses] : edges) {
        const int all = uses[0] + uses[1];
        open += all == 1;
        twice += all > 1 && (uses[0] != 1 || uses[1] != 1);
    }
    if (open > 0) {
        return Error{"solid.holes", "", {}, {{Quantity::Number, open}}};
    }
    if (twice > 0) {
        return Error{"solid.not_manifold", "", {}, {{Quantity::Number, twice}}};
    }
    return std::nullopt;
}

// Fullness of both halves that gives an area: k00 rises with it.
double fullnessFor(double area, double halfWidth, double height) {
    const double box = 2 * halfWidth * height;
    double low = 1.0, high = 20.0;
    for (int i = 0; i < 40; ++i) {
        const double n = 0.5 * (low + high);
        (superellipseMoment(0, 0, n) < area / box ? low : high) = n;
    }
    return 0.5 * (low + high);
}

}  // namespace

TriangleMesh welded(const TriangleMesh& mesh, double within_m) {
    const double cell = std::max(within_m, 1e-12);
    std::map<std::array<long long, 3>, int> seen;
    std::vector<int> index(mesh.vertices_m.size());
    TriangleMesh out;
    for (size_t i = 0; i < mesh.vertices_m.size(); ++i) {
        const Eigen::Vector3d& v = mesh.vertices_m[i];
        const std::array<long long, 3> key{std::llround(v.x() / cell), std::llround(v.y() / cell),
                                           std::llround(v.z() / cell)};
        const auto [at, fresh] = seen.try_emplace(key, int(out.vertices_m.size()));
        if (fresh) {
            out.vertices_m.push_back(v);
        }
        index[i] = at->second;
    }
    for (const auto& t : mesh.triangles) {
        const std::array<int, 3> u{index[size_t(t[0])], index[size_t(t[1])], index[size_t(t[2])]};
        if (u[0] != u[1] && u[1] != u[2] && u[2] != u[0]) {
            out.triangles.push_back(u);
        }
    }
    return out;
}

Result<CheckedSolid> checkSolid(const TriangleMesh& mesh) {
    CheckedSolid solid;
    solid.mesh = mesh;
    if (mesh.triangles.size() < 4) {
        return Error{"solid.empty", "", {}, {}};
    }
    if (mesh.triangles.size() > kMostTriangles) {
        return Error{"solid.too_many",
                     "",
                     {},
                     {{Quantity::Number, double(mesh.triangles.size())},
                      {Quantity::Number, double(kMostTriangles)}}};
    }
    if (auto error = checkEdges(mesh)) {
        return *error;
    }
    const std::vector<std::vector<int>> shells = shellsOf(solid.mesh);
    solid.shells = int(shells.size());
    if (shells.size() > kMostShells) {
        return Error{
            "solid.too_many_shells",
            "",
            {},
            {{Quantity::Number, double(shells.size())}, {Quantity::Number, double(kMostShells)}}};
    }
    std::vector<double> volume;
    std::vector<Box> boxes;
    for (const std::vector<int>& shell : shells) {
        volume.push_back(volumeOf(mesh, shell));
        Box box;
        for (const int i : shell) {
            for (const int v : mesh.triangles[size_t(i)]) {
                box.add(mesh.vertices_m[size_t(v)]);
            }
        }
        boxes.push_back(box);
    }
    double total = 0;
    for (const double v : volume) {
        total += v;
    }
    if (std::abs(total) < 1e-15) {
        return Error{"solid.empty", "", {}, {}};
    }
    solid.turned = total < 0;
    const double sense = solid.turned ? -1.0 : 1.0;
    for (size_t i = 0; i < shells.size(); ++i) {
        for (size_t k = 0; k < shells.size(); ++k) {
            if (i == k || !boxes[i].meets(boxes[k])) {
                continue;
            }
            const Standing s = standing(mesh, shells[i], shells[k]);
            if (s == Standing::Crossing) {
                return Error{"solid.crossing", "", {}, {}};
            }
            // A hollow inside is a shell turned the other way; turned the same way it is a second
            // body in the same place.
            if (s == Standing::Within && sense * volume[i] > 0) {
                return Error{"solid.nested", "", {}, {}};
            }
        }
    }
    if (solid.turned) {
        for (auto& t : solid.mesh.triangles) {
            std::swap(t[1], t[2]);
        }
    }
    return solid;
}

FileUnit guessUnit(double longest) {
    if (longest >= 15) {
        return FileUnit::Millimetre;
    }
    if (longest >= 0.6) {
        // 0.6 to 15: inches of a 15 to 380 mm bait, or centimetres. Inches are drawn more often.
        return FileUnit::Inch;
    }
    return FileUnit::Metre;
}

double metresPer(FileUnit unit) {
    switch (unit) {
        case FileUnit::Millimetre:
            return kMillimetre;
        case FileUnit::Centimetre:
            return kCentimetre;
        case FileUnit::Inch:
            return kInch;
        case FileUnit::Metre:
            return 1.0;
    }
    return kMillimetre;
}

Result<TriangleMesh> oriented(const TriangleMesh& mesh, const Eigen::Vector3d& nose,
                              const Eigen::Vector3d& tail, const Eigen::Vector3d& back) {
    const Eigen::Vector3d along = tail - nose;
    const Eigen::Vector3d x = along.normalized();
    Eigen::Vector3d up = back - nose;
    up -= up.dot(x) * x;
    if (along.norm() < 1e-6 || up.norm() < 1e-3 * along.norm()) {
        return Error{"solid.places_in_line", "", {}, {}};
    }
    // Files are right-handed, the program's frame (aft, port, up) is not: what is on the left of
    // the bait stays on its left, and the faces are turned with it.
    const Eigen::Vector3d z = up.normalized(), y = x.cross(z);
    TriangleMesh out = mesh;
    double front = 1e9;
    for (Eigen::Vector3d& v : out.vertices_m) {
        const Eigen::Vector3d from = v - nose;
        v = {from.dot(x), from.dot(y), from.dot(z)};
        front = std::min(front, v.x());
    }
    for (Eigen::Vector3d& v : out.vertices_m) {
        v.x() -= front;  // a pick beside the very tip leaves a little ahead of it
    }
    for (auto& t : out.triangles) {
        std::swap(t[1], t[2]);
    }
    return out;
}

Result<Body> stationsOf(const TriangleMesh& mesh, int count) {
    Box box;
    for (const Eigen::Vector3d& v : mesh.vertices_m) {
        box.add(v);
    }
    const double length = box.high.x();
    if (!(length > 1e-3) || count < 4) {
        return Error{"solid.no_slices", "", {}, {}};
    }
    Body body;
    double area0 = 0;
    for (int i = 0; i < count; ++i) {
        const double share = 0.5 * (1 - std::cos(kPi * i / (count - 1)));
        // The ends are read a hair inside: a flat face has its area there, a tip has none.
        const double x = std::clamp(share * length, 1e-4 * length, (1 - 1e-4) * length);
        double twiceArea = 0, back = -1e9, belly = 1e9, half = 0, widest = 0;
        for (const auto& t : mesh.triangles) {
            std::array<Eigen::Vector2d, 2> cut;
            int found = 0;
            bool leaving = false;
            for (size_t k = 0; k < 3 && found < 2; ++k) {
                const Eigen::Vector3d& a = mesh.vertices_m[size_t(t[k])];
                const Eigen::Vector3d& b = mesh.vertices_m[size_t(t[(k + 1) % 3])];
                if ((a.x() < x) != (b.x() < x)) {
                    const double s = (x - a.x()) / (b.x() - a.x());
                    const Eigen::Vector3d p = a + s * (b - a);
                    leaving = found == 0 ? a.x() < x : leaving;
                    cut[size_t(found++)] = {p.y(), p.z()};
                }
            }
            if (found < 2) {
                continue;
            }
            if (!leaving) {
                std::swap(cut[0], cut[1]);
            }
            twiceArea += cut[0].x() * cut[1].y() - cut[1].x() * cut[0].y();
            for (const Eigen::Vector2d& p : cut) {
                back = std::max(back, p.y());
                belly = std::min(belly, p.y());
                if (std::abs(p.x()) > half) {
                    half = std::abs(p.x());
                    widest = p.y();
                }
            }
        }
        Station s;
        s.position_m = share * length;
        if (half > 0 && back > belly) {
            s.back_m = back;
            s.belly_m = belly;
            s.halfWidth_m = half;
            s.widest_m = std::clamp(widest, belly, back);
            const double n = fullnessFor(0.5 * std::abs(twiceArea), half, back - belly);
            s.fullnessAbove = s.fullnessBelow = n;
        }
        area0 = std::max(area0, 0.5 * std::abs(twiceArea));
        body.stations.push_back(s);
    }
    // Tips close; a flat end keeps its area.
    for (Station* end : {&body.stations.front(), &body.stations.back()}) {
        const bool first = end == &body.stations.front();
        const Station& beside = first ? body.stations[1] : body.stations[body.stations.size() - 2];
        if (end->halfWidth_m < 0.25 * beside.halfWidth_m) {
            end->halfWidth_m = 0;
            end->back_m = end->belly_m = end->widest_m = 0.5 * (end->back_m + end->belly_m);
            end->fullnessAbove = beside.fullnessAbove;
            end->fullnessBelow = beside.fullnessBelow;
        } else {
            (first ? body.nose : body.tail) = EndShape::Pointed;
        }
    }
    if (area0 <= 0) {
        return Error{"solid.no_slices", "", {}, {}};
    }
    return body;
}

}  // namespace wl
