#include "core/geometry/section_strip.h"

#include <algorithm>
#include <boost/math/quadrature/gauss.hpp>
#include <boost/math/special_functions/beta.hpp>
#include <cmath>

namespace wl {
namespace {

using Fast = boost::math::policies::policy<boost::math::policies::promote_double<false>>;

double incompleteBeta(double a, double b, double x) {
    return x <= 0 ? 0.0 : boost::math::beta(a, b, std::min(x, 1.0), Fast());
}

// Integrals from 0 to t of the unit superellipse quadrant v(s) = (1 - s^n)^(1/n).
struct Primitive {
    double v = 0;    // v
    double sv = 0;   // s v
    double ssv = 0;  // s^2 v
    double vv = 0;   // v^2 / 2
    double vvv = 0;  // v^3 / 3
};

Primitive primitiveFromZero(double t, double n) {
    Primitive p;
    if (n == 2.0) {
        const double root = std::sqrt(std::max(0.0, 1 - t * t));
        const double arc = std::asin(std::min(1.0, t));
        p.v = 0.5 * (t * root + arc);
        p.sv = (1 - root * root * root) / 3;
        p.ssv = (arc - t * root * (1 - 2 * t * t)) / 8;
        p.vv = 0.5 * (t - t * t * t / 3);
        p.vvv = (t * (5 - 2 * t * t) * root + 3 * arc) / 24;
        return p;
    }
    const double x = std::pow(t, n), one = 1 + 1 / n;
    p.v = incompleteBeta(1 / n, one, x) / n;
    p.sv = incompleteBeta(2 / n, one, x) / n;
    p.ssv = incompleteBeta(3 / n, one, x) / n;
    p.vv = incompleteBeta(1 / n, 1 + 2 / n, x) / (2 * n);
    p.vvv = incompleteBeta(1 / n, 1 + 3 / n, x) / (3 * n);
    return p;
}

Primitive between(double from, double to, double n) {
    // Every integrand is even but s v, whose integral is even instead.
    const Primitive a = primitiveFromZero(std::abs(from), n);
    const Primitive b = primitiveFromZero(std::abs(to), n);
    const double sa = from < 0 ? -1 : 1, sb = to < 0 ? -1 : 1;
    return {sb * b.v - sa * a.v, b.sv - a.sv, sb * b.ssv - sa * a.ssv, sb * b.vv - sa * a.vv,
            sb * b.vvv - sa * a.vvv};
}

}  // namespace

StripMoments& StripMoments::operator+=(const StripMoments& o) {
    area_m2 += o.area_m2;
    y_m3 += o.y_m3;
    z_m3 += o.z_m3;
    yy_m4 += o.yy_m4;
    zz_m4 += o.zz_m4;
    return *this;
}

StripMoments momentsBetweenBreadths(const Section& s, double fromY, double toY) {
    StripMoments m;
    const double b = s.halfWidth_m;
    if (b <= 0) {
        return m;
    }
    const double from = std::clamp(fromY / b, -1.0, 1.0);
    const double to = std::clamp(toY / b, -1.0, 1.0);
    if (to <= from) {
        return m;
    }
    const double up = s.back_m - s.widest_m, down = s.widest_m - s.belly_m;
    const Primitive u = between(from, to, s.fullnessAbove);
    const Primitive l = s.fullnessBelow == s.fullnessAbove ? u : between(from, to, s.fullnessBelow);
    m.area_m2 = b * (up * u.v + down * l.v);
    m.y_m3 = b * b * (up * u.sv + down * l.sv);
    const double aboutWidest = b * (up * up * u.vv - down * down * l.vv);
    m.z_m3 = s.widest_m * m.area_m2 + aboutWidest;
    m.yy_m4 = b * b * b * (up * u.ssv + down * l.ssv);
    m.zz_m4 = b * (up * up * up * u.vvv + down * down * down * l.vvv) +
              2 * s.widest_m * aboutWidest + s.widest_m * s.widest_m * m.area_m2;
    return m;
}

StripMoments momentsBetweenHeights(const Section& s, double fromZ, double toZ) {
    StripMoments m;
    const double b = s.halfWidth_m;
    if (b <= 0) {
        return m;
    }
    auto add = [&](double low, double high, bool upper) {
        const double h = upper ? s.back_m - s.widest_m : s.widest_m - s.belly_m;
        if (h <= 0 || high <= low) {
            return;
        }
        const double n = upper ? s.fullnessAbove : s.fullnessBelow;
        const double sign = upper ? 1.0 : -1.0;
        const double near = (upper ? low - s.widest_m : s.widest_m - high) / h;
        const double far = (upper ? high - s.widest_m : s.widest_m - low) / h;
        const Primitive p = between(std::clamp(near, 0.0, 1.0), std::clamp(far, 0.0, 1.0), n);
        const double area = 2 * b * h * p.v;
        const double about = sign * 2 * b * h * h * p.sv;
        m.area_m2 += area;
        m.z_m3 += s.widest_m * area + about;
        m.yy_m4 += 2 * b * b * b * h * p.vvv;
        m.zz_m4 +=
            2 * b * h * h * h * p.ssv + 2 * s.widest_m * about + s.widest_m * s.widest_m * area;
    };
    add(std::max(fromZ, s.widest_m), std::min(toZ, s.back_m), true);
    add(std::max(fromZ, s.belly_m), std::min(toZ, s.widest_m), false);
    return m;
}

StripMoments momentsWithin(const Section& s, double fromY, double toY, double fromZ, double toZ) {
    StripMoments m;
    using Rule = boost::math::quadrature::gauss<double, 20>;
    auto addPanel = [&](double from, double to) {  // skin may be folded at y = 0
        const double middle = 0.5 * (from + to), half = 0.5 * (to - from);
        for (size_t i = 0; half > 0 && i < Rule::abscissa().size(); ++i) {
            for (const double side : {-1.0, 1.0}) {
                const double y = middle + side * half * Rule::abscissa()[i];
                const double low = std::max(fromZ, skinHeight(s, y, false));
                const double high = std::min(toZ, skinHeight(s, y, true));
                if (high <= low) {
                    continue;
                }
                const double w = half * Rule::weights()[i];
                m.area_m2 += w * (high - low);
                m.y_m3 += w * y * (high - low);
                m.z_m3 += w * 0.5 * (high * high - low * low);
                m.yy_m4 += w * y * y * (high - low);
                m.zz_m4 += w * (high * high * high - low * low * low) / 3;
            }
        }
    };
    const double from = std::max(fromY, -s.halfWidth_m), to = std::min(toY, s.halfWidth_m);
    addPanel(from, std::min(to, 0.0));
    addPanel(std::max(from, 0.0), to);
    return m;
}

double halfBreadthAt(const Section& s, double z) {
    if (z >= s.back_m || z <= s.belly_m) {
        return 0.0;
    }
    const bool upper = z > s.widest_m;
    const double h = upper ? s.back_m - s.widest_m : s.widest_m - s.belly_m;
    const double n = upper ? s.fullnessAbove : s.fullnessBelow;
    const double share = h > 0 ? std::abs(z - s.widest_m) / h : 0.0;
    return s.halfWidth_m * std::pow(std::max(0.0, 1.0 - std::pow(share, n)), 1.0 / n);
}

}  // namespace wl
