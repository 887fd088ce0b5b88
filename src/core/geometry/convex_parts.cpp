#include "core/geometry/convex_parts.h"

#include <algorithm>
#include <limits>
#include <optional>

namespace wl {
namespace {

using Eigen::Vector2d;
using Outline = std::vector<Vector2d>;

double turn(const Vector2d& a, const Vector2d& b, const Vector2d& c) {
    return (b.x() - a.x()) * (c.y() - b.y()) - (b.y() - a.y()) * (c.x() - b.x());
}

bool crosses(const Vector2d& a, const Vector2d& b, const Vector2d& c, const Vector2d& d) {
    return turn(a, b, c) * turn(a, b, d) <= 0 && turn(c, d, a) * turn(c, d, b) <= 0;
}

bool inTriangle(const Vector2d& p, const Vector2d& a, const Vector2d& b, const Vector2d& c) {
    return turn(a, b, p) >= 0 && turn(b, c, p) >= 0 && turn(c, a, p) >= 0;
}

std::vector<Outline> ears(Outline rest) {
    std::vector<Outline> cut;
    while (rest.size() > 3) {
        const size_t n = rest.size();
        size_t ear = n;
        for (size_t i = 0; i < n && ear == n; ++i) {
            const Vector2d &a = rest[(i + n - 1) % n], &b = rest[i], &c = rest[(i + 1) % n];
            bool clear = turn(a, b, c) > 0;
            for (size_t k = 0; k < n && clear; ++k) {
                clear = k == i || k == (i + 1) % n || k == (i + n - 1) % n ||
                        !inTriangle(rest[k], a, b, c);
            }
            ear = clear ? i : n;
        }
        if (ear == n) {  // only corners in line with their neighbours are left over
            const auto flat = std::min_element(rest.begin(), rest.end(), [&](auto& p, auto& q) {
                const auto bent = [&](const Vector2d& v) {
                    const size_t i = size_t(&v - rest.data());
                    return std::abs(turn(rest[(i + n - 1) % n], v, rest[(i + 1) % n]));
                };
                return bent(p) < bent(q);
            });
            rest.erase(flat);
            continue;
        }
        cut.push_back({rest[(ear + n - 1) % n], rest[ear], rest[(ear + 1) % n]});
        rest.erase(rest.begin() + long(ear));
    }
    cut.push_back(rest);
    return cut;
}

bool isConvex(const Outline& o) {
    for (size_t i = 0; i < o.size(); ++i) {
        if (turn(o[i], o[(i + 1) % o.size()], o[(i + 2) % o.size()]) < 0) {
            return false;
        }
    }
    return true;
}

// Both outlines as one, when they share a side and the whole is convex.
std::optional<Outline> joined(const Outline& a, const Outline& b) {
    for (size_t i = 0; i < a.size(); ++i) {
        for (size_t k = 0; k < b.size(); ++k) {
            if (a[i] != b[(k + 1) % b.size()] || a[(i + 1) % a.size()] != b[k]) {
                continue;
            }
            Outline all;
            for (size_t m = 1; m <= a.size(); ++m) {
                all.push_back(a[(i + m) % a.size()]);
            }
            for (size_t m = 2; m < b.size(); ++m) {
                all.push_back(b[(k + m) % b.size()]);
            }
            if (isConvex(all)) {
                return all;
            }
        }
    }
    return std::nullopt;
}

}  // namespace

double outlineArea_m2(const Outline& outline) {
    double twice = 0;
    for (size_t i = 0; i < outline.size(); ++i) {
        const Vector2d &a = outline[i], &b = outline[(i + 1) % outline.size()];
        twice += a.x() * b.y() - b.x() * a.y();
    }
    return 0.5 * twice;
}

bool isSimpleOutline(const Outline& o) {
    const size_t n = o.size();
    if (n < 3 || std::abs(outlineArea_m2(o)) < 1e-10) {
        return false;
    }
    for (size_t i = 0; i < n; ++i) {
        for (size_t k = i + 1; k < n; ++k) {
            const bool neighbours = k == i + 1 || (i == 0 && k == n - 1);
            if (o[i] == o[k] ||
                (!neighbours && crosses(o[i], o[(i + 1) % n], o[k], o[(k + 1) % n]))) {
                return false;
            }
        }
    }
    return true;
}

std::vector<Outline> convexParts(Outline outline) {
    if (!isSimpleOutline(outline)) {
        return {};
    }
    if (outlineArea_m2(outline) < 0) {
        std::reverse(outline.begin(), outline.end());
    }
    std::vector<Outline> parts = ears(std::move(outline));
    for (size_t i = 0; i < parts.size(); ++i) {
        for (size_t k = i + 1; k < parts.size();) {
            if (auto both = joined(parts[i], parts[k])) {
                parts[i] = std::move(*both);
                parts.erase(parts.begin() + long(k));
                k = i + 1;
            } else {
                ++k;
            }
        }
    }
    return parts;
}

double insideBy_m(const Outline& outline, const Vector2d& place) {
    bool inside = false;
    double least = std::numeric_limits<double>::max();
    for (size_t i = 0; i < outline.size(); ++i) {
        const Vector2d &a = outline[i], &b = outline[(i + 1) % outline.size()];
        const double length = (b - a).squaredNorm();
        const double along =
            length > 0 ? std::clamp((place - a).dot(b - a) / length, 0.0, 1.0) : 0.0;
        least = std::min(least, (a + along * (b - a) - place).norm());
        if ((a.y() > place.y()) != (b.y() > place.y()) &&
            place.x() < a.x() + (place.y() - a.y()) / (b.y() - a.y()) * (b.x() - a.x())) {
            inside = !inside;
        }
    }
    return inside ? least : -least;
}

Vector2d nearestInConvex(const Outline& corners, const Vector2d& place) {
    Vector2d nearest = place;
    double least = -1;
    for (size_t i = 0; i < corners.size(); ++i) {
        const Vector2d &a = corners[i], &b = corners[(i + 1) % corners.size()];
        if (turn(a, b, place) >= 0) {
            continue;  // on the inner side of this edge
        }
        const double along = std::clamp((place - a).dot(b - a) / (b - a).squaredNorm(), 0.0, 1.0);
        const Vector2d at = a + along * (b - a);
        const double apart = (at - place).squaredNorm();
        if (least < 0 || apart < least) {
            least = apart;
            nearest = at;
        }
    }
    return nearest;
}

}  // namespace wl
