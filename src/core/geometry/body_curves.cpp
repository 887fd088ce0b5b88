#include "core/geometry/body_curves.h"

#include <math.h>  // Boost 1.74's pchip calls an unqualified isnan

#include <algorithm>
#include <array>
#include <boost/math/interpolators/pchip.hpp>
#include <cmath>
#include <memory>

#include "core/base/units.h"
#include "core/geometry/body_sizes.h"
#include "core/geometry/gauss_points.h"
#include "core/geometry/section_strip.h"

namespace wl {
namespace {

constexpr double kTouching_m = 1e-9;

// Slopes at the knots of the monotone cubic through the points (Fritsch & Butland 1984).
std::vector<double> monotoneSlopes(const std::vector<double>& u, const std::vector<double>& y) {
    const auto [low, high] = std::minmax_element(y.begin(), y.end());
    std::vector<double> slopes(u.size(), 0.0);
    if (*low != *high) {
        const boost::math::interpolators::pchip<std::vector<double>> curve{std::vector<double>(u),
                                                                           std::vector<double>(y)};
        for (size_t i = 0; i < u.size(); ++i) {
            slopes[i] = curve.prime(u[i]);
        }
    }
    return slopes;
}

std::optional<Error> checkStations(const Body& body, const std::string& path) {
    const std::vector<Station>& s = body.stations;
    if (s.size() < 4) {
        return Error{"body.too_few_stations", path, {}, {{Quantity::Number, double(s.size())}}};
    }
    if (std::abs(s.front().position_m) > kTouching_m) {
        return Error{"body.nose_not_at_zero",
                     path + "/stations/0/position",
                     {},
                     {{Quantity::Length, s.front().position_m}}};
    }
    for (size_t i = 0; i < s.size(); ++i) {
        const std::string at = path + "/stations/" + std::to_string(i);
        if (i > 0 && s[i].position_m - s[i - 1].position_m < 1e-5) {
            return Error{
                "body.stations_out_of_order",
                at + "/position",
                {std::to_string(i + 1), std::to_string(i)},
                {{Quantity::Length, s[i].position_m}, {Quantity::Length, s[i - 1].position_m}}};
        }
        if (s[i].back_m < s[i].belly_m || s[i].widest_m > s[i].back_m + kTouching_m ||
            s[i].widest_m < s[i].belly_m - kTouching_m) {
            const bool crossed = s[i].back_m < s[i].belly_m;
            return Error{"body.profiles_cross",
                         at + (crossed ? "/back" : "/widest"),
                         {},
                         {{Quantity::Length, s[i].position_m}}};
        }
    }
    return std::nullopt;
}

std::optional<Error> checkEndFaces(const BodyCurves& curves, const std::string& path) {
    for (const bool nose : {true, false}) {
        const EndFace& face = curves.endFace(nose);
        if (!face.present) {
            continue;
        }
        // The middle of the body must be left standing, cup and all.
        const Section middle = curves.atX(0.5 * curves.length_m());
        const auto [low, high] = curves.heightsKept(nose, middle.x_m);
        const double cup = nose ? face.x_m + face.cupDepth_m : face.x_m - face.cupDepth_m;
        const bool pastMiddle = nose ? cup > middle.x_m : cup < middle.x_m;
        if (low > middle.belly_m || high < middle.back_m || pastMiddle) {
            return Error{"body.face_takes_all",
                         path + (nose ? "/nose_face/x" : "/tail_face/x"),
                         {},
                         {{Quantity::Length, face.x_m}}};
        }
    }
    return std::nullopt;
}

}  // namespace

SolidProperties integrateSections(const SectionFunction& body) {
    double volume = 0, mx = 0, mz = 0, xx = 0, yy = 0, zz = 0, xz = 0;
    forEachGaussPoint(body.knots, [&](double u, double weight) {
        const Section s = body.section(u);
        const SectionMoments m = computeSectionMoments(s);
        const double w = weight * body.dxdu_m(u);
        volume += w * m.area_m2;
        mx += w * s.x_m * m.area_m2;
        mz += w * m.z_m3;
        xx += w * s.x_m * s.x_m * m.area_m2;
        yy += w * m.yy_m4;
        zz += w * m.zz_m4;
        xz += w * s.x_m * m.z_m3;
    });
    SolidProperties p;
    p.volume_m3 = volume;
    if (volume <= 0) {
        return p;
    }
    const double cx = mx / volume;
    const double cz = mz / volume;
    p.centroid_m = {cx, 0, cz};
    xx -= volume * cx * cx;
    zz -= volume * cz * cz;
    xz -= volume * cx * cz;
    p.inertia_m5 << yy + zz, 0, -xz, 0, xx + zz, 0, -xz, 0, xx + yy;
    return p;
}

Result<BodyCurves> BodyCurves::build(const Body& body, const std::string& path) {
    if (auto error = checkStations(body, path)) {
        return *error;
    }
    BodyCurves c;
    c.nose_ = body.nose;
    c.tail_ = body.tail;
    c.length_m_ = body.stations.back().position_m;
    c.noseFace_ = body.noseFace;
    c.tailFace_ = body.tailFace;

    std::vector<double> back, belly, halfWidth, widest, above, below;
    for (const Station& s : body.stations) {
        c.knots_.push_back(c.uOf(s.position_m));
        back.push_back(s.back_m);
        belly.push_back(s.belly_m);
        halfWidth.push_back(s.halfWidth_m);
        widest.push_back(std::clamp(s.widest_m, s.belly_m, s.back_m));
        above.push_back(s.fullnessAbove);
        below.push_back(s.fullnessBelow);
    }
    c.knots_.front() = 0.0;
    c.knots_.back() = 1.0;
    for (size_t k = 0; k + 1 < c.knots_.size(); ++k) {
        c.spans_.emplace_back();
    }
    const std::array<const std::vector<double>*, kOutlines> outlines{&back,   &belly, &halfWidth,
                                                                     &widest, &above, &below};
    for (size_t o = 0; o < kOutlines; ++o) {
        const std::vector<double>& y = *outlines[o];
        const std::vector<double> slopes = monotoneSlopes(c.knots_, y);
        for (size_t k = 0; k < c.spans_.size(); ++k) {
            const double h = c.knots_[k + 1] - c.knots_[k];
            c.spans_[k][o] = {y[k], y[k + 1] - y[k], h * slopes[k], h * slopes[k + 1]};
        }
    }

    double widestHalf = 0, tallest = 0;
    for (size_t i = 0; i + 1 < c.knots_.size(); ++i) {
        for (int k = 0; k <= 8; ++k) {
            const double u = c.knots_[i] + (c.knots_[i + 1] - c.knots_[i]) * k / 8.0;
            const double top = c.outline(Outline::Back, u);
            const double bottom = c.outline(Outline::Belly, u);
            const double wide = c.outline(Outline::Widest, u);
            const double slack = 1e-7;
            if (top < bottom - slack || wide > top + slack || wide < bottom - slack) {
                return Error{"body.profiles_cross",
                             path + "/stations/" + std::to_string(k < 5 ? i : i + 1) + "/back",
                             {},
                             {{Quantity::Length, c.xOf(u)}}};
            }
            widestHalf = std::max(widestHalf, c.outline(Outline::HalfWidth, u));
            tallest = std::max(tallest, top - bottom);
        }
    }
    if (widestHalf < 1e-4 || tallest < 1e-4 || c.length_m_ < 1e-3) {
        return Error{"body.no_volume", path + "/stations/1/half_width", {}, {}};
    }
    if (auto error = checkEndFaces(c, path)) {
        return *error;
    }
    for (const bool nose : {true, false}) {
        const EndFace& face = c.endFace(nose);
        if (face.present && face.cupDepth_m > 0) {
            const FaceCut cut = measureEndFace(c, nose);
            c.cups_[nose ? 0 : 1] = {cut.centroid_m, -cut.outward, face.cupDepth_m, face.cupShare};
        }
    }
    return c;
}

double BodyCurves::reachOnFace(const Cup& cup, const Eigen::Vector3d& way) const {
    double in = 0, out = length_m_ / way.norm();
    for (int i = 0; i < 26; ++i) {
        const double middle = 0.5 * (in + out);
        // A hair inside the face, whose own plane counts as neither.
        (containsUncupped(cup.centre_m + middle * way + 1e-9 * cup.inward) ? in : out) = middle;
    }
    return in;
}

std::optional<Eigen::Vector3d> BodyCurves::onCup(bool nose, double radius, double turn) const {
    const std::optional<Cup>& cup = cups_[nose ? 0 : 1];
    if (!cup) {
        return std::nullopt;
    }
    const Eigen::Vector3d across = Eigen::Vector3d::UnitY();
    const Eigen::Vector3d way =
        std::cos(turn) * across + std::sin(turn) * across.cross(cup->inward);
    return cup->centre_m + radius * cup->share * reachOnFace(*cup, way) * way +
           cup->depth_m * (1 - radius * radius) * cup->inward;
}

std::pair<double, double> BodyCurves::heightsKept(bool nose, double x_m) const {
    constexpr double kAll = 1e9;
    const EndFace& face = endFace(nose);
    if (!face.present) {
        return {-kAll, kAll};
    }
    // Plane x = x0 + z cot(angle); the nose face keeps what is aft of it, the tail face ahead.
    const double slope = std::cos(face.angle_rad) / std::sin(face.angle_rad);
    const double reach = nose ? x_m - face.x_m : face.x_m - x_m;
    const double lean = nose ? slope : -slope;
    if (std::abs(lean) < 1e-9) {
        return reach >= 0 ? std::pair{-kAll, kAll} : std::pair{kAll, -kAll};
    }
    return lean > 0 ? std::pair{-kAll, reach / lean} : std::pair{reach / lean, kAll};
}

std::vector<double> BodyCurves::endFaceBreaks() const {
    std::vector<double> breaks;
    constexpr int kSteps = 240;
    for (const bool nose : {true, false}) {
        const EndFace& face = endFace(nose);
        if (!face.present) {
            continue;
        }
        const double slope = std::cos(face.angle_rad) / std::sin(face.angle_rad);
        for (const Outline edge : {Outline::Back, Outline::Belly}) {
            auto miss = [&](double u) { return xOf(u) - face.x_m - slope * outline(edge, u); };
            for (int i = 0; i < kSteps; ++i) {
                double low = double(i) / kSteps, high = double(i + 1) / kSteps;
                if ((miss(low) > 0) == (miss(high) > 0)) {
                    continue;
                }
                const bool rising = miss(high) > 0;
                for (int k = 0; k < 44; ++k) {
                    const double middle = 0.5 * (low + high);
                    ((miss(middle) > 0) == rising ? high : low) = middle;
                }
                breaks.push_back(xOf(0.5 * (low + high)));
            }
        }
    }
    return breaks;
}

double BodyCurves::xOf(double u) const {
    if (nose_ == EndShape::Round && tail_ == EndShape::Round) {
        return length_m_ * 0.5 * (1 - std::cos(kPi * u));
    }
    if (nose_ == EndShape::Round) {
        return length_m_ * u * u;
    }
    if (tail_ == EndShape::Round) {
        return length_m_ * (1 - (1 - u) * (1 - u));
    }
    return length_m_ * u;
}

double BodyCurves::dxdu_m(double u) const {
    if (nose_ == EndShape::Round && tail_ == EndShape::Round) {
        return length_m_ * 0.5 * kPi * std::sin(kPi * u);
    }
    if (nose_ == EndShape::Round) {
        return 2 * length_m_ * u;
    }
    if (tail_ == EndShape::Round) {
        return 2 * length_m_ * (1 - u);
    }
    return length_m_;
}

double BodyCurves::uOf(double x_m) const {
    const double share = std::clamp(x_m / length_m_, 0.0, 1.0);
    if (nose_ == EndShape::Round && tail_ == EndShape::Round) {
        return std::acos(1 - 2 * share) / kPi;
    }
    if (nose_ == EndShape::Round) {
        return std::sqrt(share);
    }
    if (tail_ == EndShape::Round) {
        return 1 - std::sqrt(1 - share);
    }
    return share;
}

BodyCurves::Place BodyCurves::placeOf(double u) const {
    const auto next = std::upper_bound(knots_.begin() + 1, knots_.end() - 1, u);
    const size_t span = size_t(next - knots_.begin()) - 1;
    const double t = (u - knots_[span]) / (knots_[span + 1] - knots_[span]);
    const double s = 1 - t;
    return {span, t * t * (3 - 2 * t), t * s * s, -t * t * s};
}

double BodyCurves::outline(Outline which, double u) const {
    const Place at = placeOf(u);
    return on(at, which);
}

Section BodyCurves::at(double u) const {
    u = std::clamp(u, 0.0, 1.0);
    const Place at = placeOf(u);
    Section s;
    s.x_m = xOf(u);
    s.back_m = on(at, Outline::Back);
    s.belly_m = std::min(on(at, Outline::Belly), s.back_m);
    s.halfWidth_m = std::max(0.0, on(at, Outline::HalfWidth));
    s.widest_m = std::clamp(on(at, Outline::Widest), s.belly_m, s.back_m);
    s.fullnessAbove = std::clamp(on(at, Outline::Above), 1.0, 20.0);
    s.fullnessBelow = std::clamp(on(at, Outline::Below), 1.0, 20.0);
    return s;
}

bool BodyCurves::contains(const Eigen::Vector3d& p) const {
    if (!containsUncupped(p)) {
        return false;
    }
    return std::none_of(cups_.begin(), cups_.end(), [&](const std::optional<Cup>& cup) {
        if (!cup) {
            return false;
        }
        const Eigen::Vector3d from = p - cup->centre_m;
        const double deep = from.dot(cup->inward);
        constexpr double kOnFace_m = 1e-7;  // the face's own plane is the mouth of its cup
        if (deep < -kOnFace_m || deep >= cup->depth_m) {
            return false;
        }
        // Less deep than depth (1 - rho^2) there: within the rim drawn in so far.
        const double drawnIn = cup->share * std::sqrt(1 - std::max(0.0, deep) / cup->depth_m);
        const Eigen::Vector3d way = from - deep * cup->inward;
        return containsUncupped(cup->centre_m + way / drawnIn + 1e-9 * cup->inward);
    });
}

bool BodyCurves::containsUncupped(const Eigen::Vector3d& p) const {
    if (p.x() <= 0 || p.x() >= length_m_) {
        return false;
    }
    for (const bool nose : {true, false}) {
        const auto [low, high] = heightsKept(nose, p.x());
        if (p.z() < low || p.z() > high) {
            return false;
        }
    }
    const Section s = atX(p.x());
    const bool upper = p.z() > s.widest_m;
    const double h = upper ? s.back_m - s.widest_m : s.widest_m - s.belly_m;
    if (h <= 0 || s.halfWidth_m <= 0) {
        return false;
    }
    const double n = upper ? s.fullnessAbove : s.fullnessBelow;
    return std::pow(std::abs(p.y()) / s.halfWidth_m, n) +
               std::pow(std::abs(p.z() - s.widest_m) / h, n) <
           1.0;
}

SectionFunction BodyCurves::function() const {
    return {[this](double u) { return at(u); }, [this](double u) { return dxdu_m(u); }, knots_};
}

}  // namespace wl
