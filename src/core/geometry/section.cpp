#include "core/geometry/section.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "core/base/units.h"

namespace wl {
namespace {

struct QuadrantMoments {
    double k00, k01, k02;
};

QuadrantMoments quadrantMoments(double n) {
    if (n == 2.0) {  // the round section, by far the commonest
        return {kPi / 4, 1.0 / 3.0, kPi / 16};
    }
    return {superellipseMoment(0, 0, n), superellipseMoment(0, 1, n), superellipseMoment(0, 2, n)};
}

Eigen::Vector2d superellipsePoint(double t, double n) {
    const double c = std::max(0.0, std::cos(t));
    const double s = std::max(0.0, std::sin(t));
    if (n == 2.0) {
        return {c, s};
    }
    return {std::pow(c, 2.0 / n), std::pow(s, 2.0 / n)};
}

// Parameters t in [0, 90 deg] whose points on the quadrant (half axes b, h) are evenly spaced.
void evenParameters(double b, double h, double n, int count, std::vector<double>& t) {
    constexpr int kFine = 28;
    std::array<double, kFine + 1> along{};
    std::array<double, kFine + 1> fine{};
    static const std::array<double, kFine + 1> sines = [] {
        std::array<double, kFine + 1> s{};
        for (int i = 1; i < kFine; ++i) {
            s[size_t(i)] = std::sin(0.5 * kPi * i / kFine);
        }
        s[kFine] = 1.0;
        return s;
    }();
    // The cosine of one is the sine of its complement: one power a point.
    std::array<double, kFine + 1> up{};
    for (int i = 0; i <= kFine; ++i) {
        up[size_t(i)] = n == 2.0 ? sines[size_t(i)] : std::pow(sines[size_t(i)], 2.0 / n);
    }
    Eigen::Vector2d last(b, 0.0);
    for (int i = 0; i <= kFine; ++i) {
        fine[i] = 0.5 * kPi * i / kFine;
        const Eigen::Vector2d point(b * up[size_t(kFine - i)], h * up[size_t(i)]);
        along[i] = i == 0 ? 0.0 : along[i - 1] + (point - last).norm();
        last = point;
    }
    t.resize(count + 1);
    int segment = 0;
    for (int i = 0; i <= count; ++i) {
        const double wanted = along[kFine] * i / count;
        while (segment < kFine - 1 && along[segment + 1] < wanted) {
            ++segment;
        }
        const double span = along[segment + 1] - along[segment];
        const double share = span > 0.0 ? (wanted - along[segment]) / span : 0.0;
        t[i] = fine[segment] + share * (fine[segment + 1] - fine[segment]);
    }
}

}  // namespace

double superellipseMoment(int p, int q, double n) {
    return std::tgamma((p + 1) / n) * std::tgamma((q + 1) / n) /
           (n * n * std::tgamma((p + q + 2) / n + 1));
}

double sectionArea(const Section& s) {
    const auto quadrant = [](double n) { return n == 2.0 ? kPi / 4 : superellipseMoment(0, 0, n); };
    const double above = quadrant(s.fullnessAbove);
    const double below = s.fullnessBelow == s.fullnessAbove ? above : quadrant(s.fullnessBelow);
    return 2 * s.halfWidth_m * ((s.back_m - s.widest_m) * above + (s.widest_m - s.belly_m) * below);
}

SectionMoments computeSectionMoments(const Section& s) {
    const double b = s.halfWidth_m;
    const double up = s.back_m - s.widest_m;
    const double down = s.widest_m - s.belly_m;
    const QuadrantMoments u = quadrantMoments(s.fullnessAbove);
    const QuadrantMoments l =
        s.fullnessBelow == s.fullnessAbove ? u : quadrantMoments(s.fullnessBelow);
    SectionMoments m;
    m.area_m2 = 2 * b * (up * u.k00 + down * l.k00);
    const double aboutWidest = 2 * b * (up * up * u.k01 - down * down * l.k01);
    m.z_m3 = s.widest_m * m.area_m2 + aboutWidest;
    // k(2,0) equals k(0,2) by symmetry of the unit curve.
    m.yy_m4 = 2 * b * b * b * (up * u.k02 + down * l.k02);
    m.zz_m4 = 2 * b * (up * up * up * u.k02 + down * down * down * l.k02) +
              2 * s.widest_m * aboutWidest + s.widest_m * s.widest_m * m.area_m2;
    return m;
}

double skinHeight(const Section& s, double y_m, bool upper) {
    const double share = s.halfWidth_m > 0 ? std::min(1.0, std::abs(y_m) / s.halfWidth_m) : 1.0;
    const double n = upper ? s.fullnessAbove : s.fullnessBelow;
    const double rise = std::pow(std::max(0.0, 1.0 - std::pow(share, n)), 1.0 / n);
    return upper ? s.widest_m + (s.back_m - s.widest_m) * rise
                 : s.widest_m - (s.widest_m - s.belly_m) * rise;
}

void sectionParameters(const Section& s, int perQuadrant, bool upper, std::vector<double>& t) {
    const double h = upper ? s.back_m - s.widest_m : s.widest_m - s.belly_m;
    evenParameters(s.halfWidth_m, h, upper ? s.fullnessAbove : s.fullnessBelow, perQuadrant, t);
    t.front() = 0.0;
    t.back() = 0.5 * kPi;
}

Eigen::Vector2d sectionPoint(const Section& s, double t, bool upper) {
    const double h = upper ? s.back_m - s.widest_m : s.widest_m - s.belly_m;
    const Eigen::Vector2d unit =
        t >= 0.5 * kPi ? Eigen::Vector2d(0, 1)
                       : superellipsePoint(t, upper ? s.fullnessAbove : s.fullnessBelow);
    return {s.halfWidth_m * unit.x(), s.widest_m + (upper ? h : -h) * unit.y()};
}

void sectionRing(const Section& s, int perQuadrant, std::vector<Eigen::Vector2d>& ring) {
    ring.resize(size_t(4 * perQuadrant));
    std::vector<double> t;
    for (const bool upper : {true, false}) {
        sectionParameters(s, perQuadrant, upper, t);
        for (int i = 0; i <= perQuadrant; ++i) {
            const Eigen::Vector2d at = sectionPoint(s, t[size_t(i)], upper);
            const int port = upper ? i : (4 * perQuadrant - i) % (4 * perQuadrant);
            const int starboard = upper ? 2 * perQuadrant - i : 2 * perQuadrant + i;
            ring[size_t(port)] = at;
            ring[size_t(starboard)] = {i == perQuadrant ? 0.0 : -at.x(), at.y()};
        }
    }
}

}  // namespace wl
