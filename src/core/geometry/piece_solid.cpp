#include "core/geometry/piece_solid.h"

#include <algorithm>
#include <boost/math/quadrature/gauss.hpp>
#include <cmath>

#include "core/base/units.h"
#include "core/geometry/body_sizes.h"
#include "core/geometry/mesh_clip.h"
#include "core/geometry/section_strip.h"

namespace wl {
namespace {

constexpr double kOutside = 1e9;

// Sums of section moments along the bait, closed into properties about the centroid.
class SolidSum {
  public:
    void add(double x, double weight, const StripMoments& m) {
        volume_ += weight * m.area_m2;
        x_ += weight * x * m.area_m2;
        y_ += weight * m.y_m3;
        z_ += weight * m.z_m3;
        xx_ += weight * x * x * m.area_m2;
        yy_ += weight * m.yy_m4;
        zz_ += weight * m.zz_m4;
        xz_ += weight * x * m.z_m3;
    }
    SolidProperties properties() const {
        SolidProperties p;
        p.volume_m3 = volume_;
        if (volume_ <= 0) {
            return p;
        }
        const double cx = x_ / volume_, cy = y_ / volume_, cz = z_ / volume_;
        p.centroid_m = {cx, cy, cz};
        const double xx = xx_ - volume_ * cx * cx, zz = zz_ - volume_ * cz * cz;
        const double xz = xz_ - volume_ * cx * cz;
        const double yy = yy_ - volume_ * cy * cy;
        p.inertia_m5 << yy + zz, 0, -xz, 0, xx + zz, 0, -xz, 0, xx + yy;
        return p;
    }

  private:
    double volume_ = 0, x_ = 0, y_ = 0, z_ = 0, xx_ = 0, yy_ = 0, zz_ = 0, xz_ = 0;
};

// Greatest |y| a front (rear) face leaves at x: kOutside where it does not bind, < 0 where nothing
// is left.
double breadthLimit(const FaceAcross& face, double x, bool front) {
    const double behind = front ? x - face.x_m : face.x_m - x;
    const double slope = std::abs(face.slope);
    if (slope < 1e-12) {
        return behind >= 0 ? kOutside : -1.0;
    }
    return behind < 0 ? -1.0 : behind / slope;
}

template <class Visit>
void integrateOver(const BodyCurves& curves, double fromX, double toX, std::vector<double> breaks,
                   Visit visit) {
    const double from = curves.uOf(fromX), to = curves.uOf(toX);
    if (!(to > from)) {
        return;
    }
    std::vector<double> u{from, to};
    for (const double knot : curves.knots()) {
        u.push_back(knot);
    }
    std::vector<double> breakU;
    for (const double x : breaks) {
        breakU.push_back(std::clamp(curves.uOf(x), from, to));
        u.push_back(breakU.back());
    }
    for (double& v : u) {
        v = std::clamp(v, from, to);
    }
    std::sort(u.begin(), u.end());
    using Rule = boost::math::quadrature::gauss<double, 10>;
    using FineRule = boost::math::quadrature::gauss<double, 20>;
    auto addPanel = [&](const auto& nodes, const auto& weights, double low, double high,
                        bool graded) {
        for (size_t k = 0; k < nodes.size(); ++k) {
            for (const double side : {-1.0, 1.0}) {
                double share = 0.5 * (1 + side * nodes[k]), weight = 0.5 * weights[k];
                if (graded) {  // s^2 (3 - 2 s) makes roots at the panel's ends smooth
                    weight *= 6 * share * (1 - share);
                    share *= share * (3 - 2 * share);
                }
                const double at = low + (high - low) * share;
                visit(curves.at(at), (high - low) * weight * curves.dxdu_m(at));
            }
        }
    };
    for (size_t i = 0; i + 1 < u.size(); ++i) {
        if (u[i + 1] - u[i] < 1e-13) {
            continue;
        }
        // Only panels that end where a face meets the skin need the care.
        const bool graded = std::any_of(breakU.begin(), breakU.end(), [&](double b) {
            return std::abs(b - u[i]) < 1e-12 || std::abs(b - u[i + 1]) < 1e-12;
        });
        if (graded) {
            addPanel(FineRule::abscissa(), FineRule::weights(), u[i], u[i + 1], true);
        } else {
            addPanel(Rule::abscissa(), Rule::weights(), u[i], u[i + 1], false);
        }
    }
}

// Heights the body's own sloped ends leave of this section; nothing when they leave it whole.
std::optional<std::pair<double, double>> keptByEndFaces(const BodyCurves& curves,
                                                        const Section& s) {
    double low = s.belly_m, high = s.back_m;
    bool cut = false;
    for (const bool nose : {true, false}) {
        const EndFace& face = curves.endFace(nose);
        if (!face.present) {
            continue;
        }
        const auto [from, to] = curves.heightsKept(nose, s.x_m);
        cut = cut || from > low || to < high;
        low = std::max(low, from);
        high = std::min(high, to);
    }
    if (!cut) {
        return std::nullopt;
    }
    return std::pair{low, high};
}

// A small hollow, its own inertia about its centroid left out.
void takeOut(SolidProperties& solid, double volume, const Eigen::Vector3d& centroid) {
    if (!(volume > 0 && volume < solid.volume_m3)) {
        return;
    }
    const Eigen::Vector3d before = solid.centroid_m;
    const double left = solid.volume_m3 - volume;
    solid.centroid_m = (solid.volume_m3 * before - volume * centroid) / left;
    auto about = [](double v, const Eigen::Vector3d& arm) {
        return Eigen::Matrix3d(
            v * (arm.squaredNorm() * Eigen::Matrix3d::Identity() - arm * arm.transpose()));
    };
    solid.inertia_m5 += about(solid.volume_m3, before - solid.centroid_m) -
                        about(volume, centroid - solid.centroid_m);
    solid.volume_m3 = left;
}

void addFaceBreaks(const BodyCurves& curves, const std::optional<FaceAcross>& face,
                   std::vector<double>& breaks) {
    if (face) {
        breaks.push_back(face->x_m);
        breaks.push_back(face->x_m + face->slope * faceHalfWidth(curves, *face));
    }
}

// A polygon in a curve is small; a flat ring is pushed out to the section's exact area.
void scaleRingToArea(TriangleMesh& mesh, int base, int around, const Section& s) {
    double twice = 0;
    for (int k = 0; k < around; ++k) {
        const Eigen::Vector3d& a = mesh.vertices_m[size_t(base + k)];
        const Eigen::Vector3d& b = mesh.vertices_m[size_t(base + (k + 1) % around)];
        twice += a.y() * b.z() - b.y() * a.z();
    }
    const double exact = sectionArea(s);
    const double scale = twice > 0 ? std::sqrt(2 * exact / twice) : 1.0;
    for (int k = 0; k < around; ++k) {
        Eigen::Vector3d& v = mesh.vertices_m[size_t(base + k)];
        v.y() *= scale;
        v.z() = s.widest_m + (v.z() - s.widest_m) * scale;
    }
}

StripMoments within(const Section& s, double halfBreadth) {
    return momentsBetweenBreadths(s, -halfBreadth, halfBreadth);
}

}  // namespace

double faceHalfWidth(const BodyCurves& curves, const FaceAcross& face) {
    auto miss = [&](double y) { return y - curves.atX(face.x_m + face.slope * y).halfWidth_m; };
    double low = 0, high = 0.5;
    if (miss(0) >= 0) {
        return 0.0;
    }
    // The first leaving of the body, not a re-entry far off: march, then close in.
    constexpr double kMarch_m = 5e-4;
    for (int step = 1; step * kMarch_m < high; ++step) {
        const double y = step * kMarch_m;
        if (miss(y) >= 0) {
            high = y;
            break;
        }
        low = y;
    }
    for (int i = 0; i < 44; ++i) {
        const double middle = 0.5 * (low + high);
        (miss(middle) < 0 ? low : high) = middle;
    }
    return 0.5 * (low + high);
}

SolidProperties integratePiece(const BodyCurves& curves, const PieceBounds& bounds) {
    std::vector<double> breaks = curves.endFaceBreaks();
    addFaceBreaks(curves, bounds.front, breaks);
    addFaceBreaks(curves, bounds.rear, breaks);
    const double from = bounds.front ? bounds.front->x_m : 0.0;
    const double to = bounds.rear ? bounds.rear->x_m : curves.length_m();
    SolidSum sum;
    integrateOver(curves, from, to, breaks, [&](const Section& s, double weight) {
        double limit = kOutside;
        if (bounds.front) {
            limit = std::min(limit, breadthLimit(*bounds.front, s.x_m, true));
        }
        if (bounds.rear) {
            limit = std::min(limit, breadthLimit(*bounds.rear, s.x_m, false));
        }
        if (limit <= 0) {
            return;
        }
        const auto kept = keptByEndFaces(curves, s);
        const bool slab = bounds.fromY_m > -s.halfWidth_m || bounds.toY_m < s.halfWidth_m;
        if (slab) {
            const double starboard = std::max(bounds.fromY_m, -limit);
            const double port = std::min(bounds.toY_m, limit);
            sum.add(s.x_m, weight,
                    kept ? momentsWithin(s, starboard, port, kept->first, kept->second)
                         : momentsBetweenBreadths(s, starboard, port));
            return;
        }
        if (limit >= s.halfWidth_m) {
            if (kept) {
                sum.add(s.x_m, weight, momentsBetweenHeights(s, kept->first, kept->second));
            } else {
                const SectionMoments m = computeSectionMoments(s);
                sum.add(s.x_m, weight, {m.area_m2, 0, m.z_m3, m.yy_m4, m.zz_m4});
            }
            return;
        }
        sum.add(s.x_m, weight, within(s, limit));
    });
    SolidProperties solid = sum.properties();
    const bool whole = bounds.fromY_m < -1e8 && bounds.toY_m > 1e8;
    for (const bool nose : {true, false}) {
        if (whole && curves.endFace(nose).cupDepth_m > 0 && !(nose ? bounds.front : bounds.rear)) {
            const FaceCut face = measureEndFace(curves, nose);
            takeOut(solid, face.cupVolume_m3, face.cupCentroid_m);
        }
    }
    return solid;
}

SolidProperties integrateJointGap(const BodyCurves& curves, const FaceAcross& rearOfFront,
                                  const FaceAcross& frontOfRear) {
    std::vector<double> breaks;
    addFaceBreaks(curves, rearOfFront, breaks);
    addFaceBreaks(curves, frontOfRear, breaks);
    const double from = std::min(breaks[0], breaks[1]);
    const double to = std::max(breaks[2], breaks[3]);
    SolidSum sum;
    integrateOver(curves, from, to, breaks, [&](const Section& s, double weight) {
        const double b = s.halfWidth_m;
        const double kept = std::max(breadthLimit(rearOfFront, s.x_m, false),
                                     breadthLimit(frontOfRear, s.x_m, true));
        const double inner = std::clamp(kept, 0.0, b);
        StripMoments m = momentsBetweenBreadths(s, inner, b);
        m += momentsBetweenBreadths(s, -b, -inner);
        sum.add(s.x_m, weight, m);
    });
    return sum.properties();
}

TriangleMesh meshPiece(const BodyCurves& curves, const PieceBounds& bounds, double exactVolume_m3,
                       int lengthwise, int around) {
    const int quarter = around / 4;
    const FaceAcross none{};
    const bool cutFront = bounds.front.has_value(), cutRear = bounds.rear.has_value();
    const FaceAcross front = cutFront ? *bounds.front : none;
    const FaceAcross rear = cutRear ? *bounds.rear : FaceAcross{curves.length_m(), 0.0};

    // Rings at every station between the faces, more between them; each ring is folded as the
    // faces are, fading from one to the other.
    const double from = curves.uOf(front.x_m), to = curves.uOf(rear.x_m);
    std::vector<double> at{from};
    std::vector<double> knots{from};
    for (const double knot : curves.knots()) {
        if (knot > from + 1e-4 && knot < to - 1e-4) {
            knots.push_back(knot);
        }
    }
    knots.push_back(to);
    for (size_t i = 0; i + 1 < knots.size(); ++i) {
        const double span = knots[i + 1] - knots[i];
        const int parts = std::max(2, int(std::lround(span * lengthwise)));
        for (int k = 1; k <= parts; ++k) {
            at.push_back(knots[i] + span * k / parts);
        }
    }
    TriangleMesh mesh;
    std::vector<double> upper, lower;
    int previous = -1;
    bool previousIsTip = false;
    for (size_t i = 0; i < at.size(); ++i) {
        const Section middle = curves.at(at[i]);
        const bool first = i == 0, last = i + 1 == at.size();
        const bool bodyEnd = (first && !cutFront) || (last && !cutRear);
        const bool tip =
            bodyEnd && (middle.halfWidth_m < 1e-6 || middle.back_m - middle.belly_m < 1e-6);
        const int base = int(mesh.vertices_m.size());
        if (tip) {
            mesh.vertices_m.emplace_back(middle.x_m, 0, 0.5 * (middle.back_m + middle.belly_m));
        } else {
            const double share = (middle.x_m - front.x_m) / std::max(1e-9, rear.x_m - front.x_m);
            const double slope = (1 - share) * front.slope + share * rear.slope;
            sectionParameters(middle, quarter, true, upper);
            sectionParameters(middle, quarter, false, lower);
            mesh.vertices_m.resize(size_t(base + around));
            auto place = [&](int index, const std::vector<double>& t, int k, bool up, double side) {
                Section s = middle;
                Eigen::Vector2d yz = sectionPoint(s, t[size_t(k)], up);
                for (int pass = 0; pass < (std::abs(slope) > 0 ? 4 : 0); ++pass) {
                    s = curves.atX(middle.x_m + slope * yz.x());
                    yz = sectionPoint(s, t[size_t(k)], up);
                }
                mesh.vertices_m[size_t(base + index)] = {middle.x_m + slope * yz.x(), side * yz.x(),
                                                         yz.y()};
            };
            for (int k = 0; k <= quarter; ++k) {
                place(k, upper, k, true, 1);
                if (k < quarter) {
                    place(2 * quarter - k, upper, k, true, -1);
                }
                if (k > 0) {
                    place(around - k, lower, k, false, 1);
                    if (k < quarter) {
                        place(2 * quarter + k, lower, k, false, -1);
                    }
                }
            }
            mesh.vertices_m[size_t(base + quarter)].y() = 0;
            mesh.vertices_m[size_t(base + 3 * quarter)].y() = 0;
            if (std::abs(slope) < 1e-12) {
                scaleRingToArea(mesh, base, around, middle);
            }
        }
        auto face = [&mesh](int a, int b, int c) { mesh.triangles.push_back({a, b, c}); };
        if (i > 0) {
            for (int k = 0; k < around; ++k) {
                const int next = (k + 1) % around;
                if (previousIsTip && !tip) {
                    face(previous, base + next, base + k);
                } else if (!previousIsTip && tip) {
                    face(previous + k, previous + next, base);
                } else if (!previousIsTip && !tip && k >= quarter && k < 3 * quarter) {
                    // Starboard is split as the mirror of port: the same on both sides.
                    face(previous + k, previous + next, base + k);
                    face(previous + next, base + next, base + k);
                } else if (!previousIsTip && !tip) {
                    face(previous + k, previous + next, base + next);
                    face(previous + k, base + next, base + k);
                }
            }
        }
        if ((first || last) && !tip) {
            // Strips between back and belly, so that the fold on the centre line is an edge. Ring
            // order: port 0, back quarter, starboard 2 quarter, belly 3 quarter.
            auto flat = [&](int a, int b, int c) { first ? face(a, c, b) : face(a, b, c); };
            for (int k = 0; k < quarter; ++k) {
                const int up0 = base + k, up1 = base + k + 1;
                const int low0 = base + (around - k) % around, low1 = base + around - k - 1;
                flat(up0, up1, low1);
                if (k > 0) {
                    flat(up0, low1, low0);
                }
                const int sUp0 = base + 2 * quarter - k, sUp1 = sUp0 - 1;
                const int sLow0 = base + 2 * quarter + k, sLow1 = sLow0 + 1;
                flat(sUp0, sLow1, sUp1);
                if (k > 0) {
                    flat(sUp0, sLow0, sLow1);
                }
            }
        }
        previous = base;
        previousIsTip = tip;
    }
    for (const bool nose : {true, false}) {
        if (curves.endFace(nose).present && !(nose ? cutFront : cutRear)) {
            mesh = clippedAtEndFace(mesh, curves, nose);
        }
    }
    scaleMeshToVolume(mesh, exactVolume_m3);
    return mesh;
}

}  // namespace wl
