#include "core/placed/lip_flex.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <vector>

#include "core/placed/lip_outline.h"

namespace wl {

namespace {

// Width of sheet across the lip so far from the skin.
double widthAt(const std::vector<Eigen::Vector2d>& outline, double along) {
    std::vector<double> crossings;
    for (size_t i = 0; i < outline.size(); ++i) {
        const Eigen::Vector2d &a = outline[i], &b = outline[(i + 1) % outline.size()];
        if ((a.x() <= along) != (b.x() <= along)) {
            crossings.push_back(a.y() + (along - a.x()) / (b.x() - a.x()) * (b.y() - a.y()));
        }
    }
    std::sort(crossings.begin(), crossings.end());
    double width = 0;
    for (size_t i = 0; i + 1 < crossings.size(); i += 2) {
        width += crossings[i + 1] - crossings[i];
    }
    return width;
}

}  // namespace

double typicalModulus_Pa(double density) {
    constexpr std::array<std::pair<double, double>, 5> kUpTo{
        {{1600, 2.4e9}, {2400, 18e9}, {4000, 70e9}, {6000, 110e9}, {8200, 190e9}}};
    constexpr double kHeavier_Pa = 100e9;
    for (const auto& [most, modulus] : kUpTo) {
        if (density <= most) {
            return modulus;
        }
    }
    return kHeavier_Pa;
}

LipFlex lipFlex(const Lip& lip, double force_N) {
    constexpr int kStrips = 200;
    LipFlex flex;
    if (!lip.present || force_N <= 0) {
        return flex;
    }
    const std::vector<Eigen::Vector2d> outline = lipOutline(lip);
    const double step = lipSheetLength_m(lip) / kStrips;
    std::vector<double> width(kStrips);
    double area = 0;
    for (int i = 0; i < kStrips; ++i) {
        width[size_t(i)] = widthAt(outline, (i + 0.5) * step);
        area += width[size_t(i)] * step;
    }
    if (area <= 0) {
        return flex;
    }
    const double pressure = force_N / area;
    const double modulus = lip.modulus_Pa.value_or(typicalModulus_Pa(lip.density_kg_m3));
    const double cube = lip.thickness_m * lip.thickness_m * lip.thickness_m / 12;
    // Shear and moment at each strip's middle, from the tip in.
    std::vector<double> moment(kStrips);
    double shear = 0, bending = 0;
    for (int i = kStrips - 1; i >= 0; --i) {
        const double load = pressure * width[size_t(i)] * step;
        moment[size_t(i)] = bending + 0.5 * step * (shear + 0.25 * load);
        bending += step * (shear + 0.5 * load);
        shear += load;
    }
    double angle = 0, turned = 0;
    for (int i = 0; i < kStrips; ++i) {
        const double wide = width[size_t(i)];
        const double before = angle;
        angle += wide > 0 ? moment[size_t(i)] / (modulus * wide * cube) * step : 0.0;
        const double middle = 0.5 * (before + angle);
        flex.tip_m += middle * step;
        turned += middle * wide * step;
    }
    flex.tipAngle_rad = angle;
    flex.meanAngle_rad = turned / area;
    return flex;
}

}  // namespace wl
