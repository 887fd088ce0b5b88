#include "solid/tidy_mesh.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

namespace wl {
namespace {

using Triangle = std::array<int, 3>;
using Cell = std::array<long, 3>;

// The first corner within reach of each, itself where there is none.
std::vector<int> joinedCorners(const std::vector<Eigen::Vector3d>& corners, double least) {
    std::map<Cell, std::vector<int>> cells;
    std::vector<int> joined;
    for (int i = 0; i < int(corners.size()); ++i) {
        const Eigen::Vector3d& at = corners[size_t(i)];
        const Cell cell{std::lround(at.x() / least), std::lround(at.y() / least),
                        std::lround(at.z() / least)};
        int found = i;
        for (int near = 0; near < 27 && found == i; ++near) {
            const auto there = cells.find(
                {cell[0] + near % 3 - 1, cell[1] + near / 3 % 3 - 1, cell[2] + near / 9 - 1});
            for (const int other : there == cells.end() ? std::vector<int>() : there->second) {
                if ((corners[size_t(other)] - at).norm() < least) {
                    found = other;
                    break;
                }
            }
        }
        if (found == i) {
            cells[cell].push_back(i);
        }
        joined.push_back(found);
    }
    return joined;
}

class Turning {
  public:
    Turning(const TriangleMesh& mesh, std::vector<Triangle> triangles, double least)
        : corners_(mesh.vertices_m), triangles_(std::move(triangles)), least_(least) {
        for (size_t i = 0; i < triangles_.size(); ++i) {
            link(i);
        }
    }

    std::vector<Triangle> all() {
        constexpr int kRounds = 40;
        bool turned = true;
        for (int round = 0; round < kRounds && turned; ++round) {
            turned = false;
            for (size_t i = 0; i < triangles_.size(); ++i) {
                turned = turnIfFlat(i) || turned;
            }
        }
        return triangles_;
    }

  private:
    void link(size_t i) {
        for (int k = 0; k < 3; ++k) {
            edges_[{triangles_[i][size_t(k)], triangles_[i][size_t((k + 1) % 3)]}] = i;
        }
    }
    void unlink(size_t i) {
        for (int k = 0; k < 3; ++k) {
            edges_.erase({triangles_[i][size_t(k)], triangles_[i][size_t((k + 1) % 3)]});
        }
    }

    bool turnIfFlat(size_t i) {
        const Triangle t = triangles_[i];
        double longest = 0, area = 0;
        int at = 0;
        for (int k = 0; k < 3; ++k) {
            const Eigen::Vector3d edge =
                corners_[size_t(t[size_t((k + 1) % 3)])] - corners_[size_t(t[size_t(k)])];
            if (edge.norm() > longest) {
                longest = edge.norm();
                at = k;
            }
        }
        area = (corners_[size_t(t[1])] - corners_[size_t(t[0])])
                   .cross(corners_[size_t(t[2])] - corners_[size_t(t[0])])
                   .norm();
        if (area >= least_ * longest) {
            return false;
        }
        const int a = t[size_t(at)], c = t[size_t((at + 1) % 3)], b = t[size_t((at + 2) % 3)];
        const auto other = edges_.find({c, a});
        if (other == edges_.end()) {
            return false;
        }
        const size_t j = other->second;
        const Triangle& u = triangles_[j];
        int d = u[0];
        for (const int corner : u) {
            d = corner != a && corner != c ? corner : d;
        }
        if (d == b || edges_.count({b, d}) > 0 || edges_.count({d, b}) > 0) {
            return false;
        }
        unlink(i);
        unlink(j);
        triangles_[i] = {a, d, b};
        triangles_[j] = {d, c, b};
        link(i);
        link(j);
        return true;
    }

    const std::vector<Eigen::Vector3d>& corners_;
    std::vector<Triangle> triangles_;
    std::map<std::pair<int, int>, size_t> edges_;
    double least_;
};

}  // namespace

TriangleMesh tidyMesh(const TriangleMesh& mesh, double least) {
    const std::vector<int> joined = joinedCorners(mesh.vertices_m, least);
    std::map<Triangle, int>
        facing;  // corners in rising order: how many face one way, less the other
    std::vector<Triangle> kept;
    for (const auto& t : mesh.triangles) {
        const Triangle now{joined[size_t(t[0])], joined[size_t(t[1])], joined[size_t(t[2])]};
        if (now[0] != now[1] && now[1] != now[2] && now[2] != now[0]) {
            kept.push_back(now);
        }
    }
    // Two that lie back to back enclose nothing.
    const auto key = [](Triangle t) {
        std::sort(t.begin(), t.end());
        return t;
    };
    for (const Triangle& t : kept) {
        ++facing[key(t)];
    }
    std::erase_if(kept, [&](const Triangle& t) { return facing[key(t)] > 1; });
    TriangleMesh out;
    std::vector<int> place(mesh.vertices_m.size(), -1);
    for (const Triangle& t : Turning(mesh, std::move(kept), least).all()) {
        Triangle now{};
        for (size_t k = 0; k < 3; ++k) {
            int& at = place[size_t(t[k])];
            if (at < 0) {
                at = int(out.vertices_m.size());
                out.vertices_m.push_back(mesh.vertices_m[size_t(t[k])]);
            }
            now[k] = at;
        }
        out.triangles.push_back({now[0], now[1], now[2]});
    }
    return out;
}

}  // namespace wl
