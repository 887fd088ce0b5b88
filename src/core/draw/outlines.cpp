#include "core/draw/outlines.h"

#include <boost/geometry/algorithms/convex_hull.hpp>
#include <boost/geometry/geometries/multi_point.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>
#include <boost/geometry/strategies/agnostic/hull_graham_andrew.hpp>
#include <boost/geometry/strategies/cartesian/side_by_triangle.hpp>

#include "core/geometry/section_strip.h"

namespace wl {
namespace {

using Places = std::vector<Eigen::Vector3d>;

// The piece seen from above: port edge, then starboard, each from its front face to its rear one.
Places topOutline(const BodyCurves& curves, const PieceBounds& bounds) {
    constexpr int kPoints = 64;
    auto edge = [&](const std::optional<FaceAcross>& face, bool front) {
        if (!face) {
            return front ? 0.0 : curves.length_m();
        }
        return face->x_m + face->slope * faceHalfWidth(curves, *face);
    };
    const double from = edge(bounds.front, true), to = edge(bounds.rear, false);
    Places port, all;
    for (int i = 0; i <= kPoints; ++i) {
        const double u =
            curves.uOf(from) + (curves.uOf(to) - curves.uOf(from)) * double(i) / kPoints;
        const Section s = curves.at(u);
        double half = s.halfWidth_m, z = s.widest_m;
        const auto [low, high] = curves.heightsKept(true, s.x_m);
        const auto [low2, high2] = curves.heightsKept(false, s.x_m);
        const double top = std::min({high, high2, s.back_m}),
                     foot = std::max({low, low2, s.belly_m});
        if (foot >= top) {
            continue;
        }
        if (z > top || z < foot) {
            z = std::clamp(z, foot, top);
            half = halfBreadthAt(s, z);
        }
        port.emplace_back(s.x_m, half, z);
    }
    if (bounds.front) {
        all.emplace_back(bounds.front->x_m, 0, 0);
    }
    all.insert(all.end(), port.begin(), port.end());
    if (bounds.rear) {
        all.emplace_back(bounds.rear->x_m, 0, 0);
    }
    for (auto it = port.rbegin(); it != port.rend(); ++it) {
        all.emplace_back(it->x(), -it->y(), it->z());
    }
    return all;
}

Places sideOutline(const BodyCurves& curves, const PieceBounds& bounds) {
    constexpr int kPoints = 72;
    const double from = bounds.front ? bounds.front->x_m : 0.0;
    const double to = bounds.rear ? bounds.rear->x_m : curves.length_m();
    Places back, belly;
    for (int i = 0; i <= kPoints; ++i) {
        const double u =
            curves.uOf(from) + (curves.uOf(to) - curves.uOf(from)) * double(i) / kPoints;
        const Section s = curves.at(u);
        const auto [low, high] = curves.heightsKept(true, s.x_m);
        const auto [low2, high2] = curves.heightsKept(false, s.x_m);
        const double top = std::min({high, high2, s.back_m}),
                     foot = std::max({low, low2, s.belly_m});
        if (top >= foot) {
            back.emplace_back(s.x_m, 0, top);
            belly.emplace_back(s.x_m, 0, foot);
        }
    }
    back.insert(back.end(), belly.rbegin(), belly.rend());
    return back;
}

// The hull of some corners as they fall on the paper of a view.
Places hullOutline(const std::vector<Eigen::Vector3d>& corners, DrawnView view) {
    namespace bg = boost::geometry;
    using Point = bg::model::d2::point_xy<double>;
    bg::model::multi_point<Point> points;
    for (const Eigen::Vector3d& v : corners) {
        points.emplace_back(view == DrawnView::Front ? v.y() : v.x(),
                            view == DrawnView::Top ? v.y() : v.z());
    }
    bg::model::polygon<Point> hull;
    bg::convex_hull(points, hull);
    Places out;
    const Eigen::Vector3d& some = corners.front();
    for (const Point& p : hull.outer()) {
        out.push_back(view == DrawnView::Front ? Eigen::Vector3d(some.x(), p.x(), p.y())
                      : view == DrawnView::Top ? Eigen::Vector3d(p.x(), p.y(), some.z())
                                               : Eigen::Vector3d(p.x(), 0, p.y()));
    }
    return out;
}

// An appendage; both arms of a V one after the other, joined where they are nearest to the rivet.
Places armsOutline(const BodyPart& part, DrawnView view) {
    const auto& corners = part.mesh.vertices_m;
    const auto split = corners.begin() + long(part.secondArm > 0 ? part.secondArm : corners.size());
    Places all;
    for (const auto& [from, to] : {std::pair{corners.begin(), split}, {split, corners.end()}}) {
        if (from == to) {
            continue;
        }
        Places arm = hullOutline({from, to}, view);
        const auto nearest = std::min_element(arm.begin(), arm.end(), [&](auto& a, auto& b) {
            return (a - part.pivot_m).norm() < (b - part.pivot_m).norm();
        });
        std::rotate(arm.begin(), nearest, arm.end());
        arm.push_back(arm.front());
        all.insert(all.end(), arm.begin(), arm.end());
    }
    return all;
}

}  // namespace

std::vector<std::vector<Eigen::Vector3d>> bodyOutlines(const Derived& d, DrawnView view) {
    std::vector<Places> all;
    bool sectionDone = false;
    for (const BodyPart& part : d.shape->parts) {
        if (part.appendage) {
            all.push_back(armsOutline(part, view));
        } else if (view == DrawnView::Front) {
            if (!sectionDone) {
                std::vector<Eigen::Vector2d> ring;
                const Section s = d.shape->curves.atX(d.shape->sizes.widestAt_m);
                sectionRing(s, 20, ring);
                Places places;
                for (const Eigen::Vector2d& q : ring) {
                    places.emplace_back(s.x_m, q.x(), q.y());
                }
                all.push_back(std::move(places));
                sectionDone = true;
            }
        } else {
            all.push_back(view == DrawnView::Side ? sideOutline(d.shape->curves, part.bounds)
                                                  : topOutline(d.shape->curves, part.bounds));
        }
    }
    return all;
}

Places templateOutline(const BodyCurves& curves, DrawnView view) {
    constexpr int kPoints = 160;
    Places upper, lower;
    for (int i = 0; i <= kPoints; ++i) {
        const Section s = curves.at(double(i) / kPoints);
        if (view == DrawnView::Side) {
            upper.emplace_back(s.x_m, 0, s.back_m);
            lower.emplace_back(s.x_m, 0, s.belly_m);
        } else {
            upper.emplace_back(s.x_m, -s.halfWidth_m, s.widest_m);
            lower.emplace_back(s.x_m, s.halfWidth_m, s.widest_m);
        }
    }
    upper.insert(upper.end(), lower.rbegin(), lower.rend());
    return upper;
}

}  // namespace wl
