#include "core/design/outline.h"

#include <cmath>
#include <sstream>

#include "core/base/units.h"

namespace wl {

std::string outlineText(const std::vector<OutlinePoint>& outline, Bench bench) {
    std::string text;
    for (const OutlinePoint& p : outline) {
        text += (text.empty() ? "" : "; ") + editText(Quantity::Length, bench, p.aft_m) + " " +
                editText(Quantity::Length, bench, p.up_m);
    }
    return text;
}

Result<std::vector<OutlinePoint>> readOutline(std::string_view text, Bench bench) {
    std::vector<OutlinePoint> outline;
    std::istringstream corners{std::string(text)};
    for (std::string corner; std::getline(corners, corner, ';');) {
        std::istringstream words(corner);
        std::vector<double> values;
        for (std::string word; words >> word;) {
            const ReadAmount read = readAmount(word, Quantity::Length, bench);
            if (read.fault != ReadFault::None) {
                return Error{"outline.not_pairs", "", {corner}};
            }
            if (std::abs(read.valueSi) > kFarthestCorner_m) {
                return Error{
                    "outline.too_far",
                    "",
                    {},
                    {{Quantity::Length, read.valueSi}, {Quantity::Length, kFarthestCorner_m}}};
            }
            values.push_back(read.valueSi);
        }
        if (values.size() != 2 && !values.empty()) {
            return Error{"outline.not_pairs", "", {corner}};
        }
        if (values.size() == 2) {
            outline.push_back({values[0], values[1]});
        }
    }
    if (!outline.empty() && (outline.size() < 3 || outline.size() > kMostCorners)) {
        return Error{"outline.corners",
                     "",
                     {},
                     {{Quantity::Number, double(outline.size())},
                      {Quantity::Number, 3},
                      {Quantity::Number, double(kMostCorners)}}};
    }
    return outline;
}

std::vector<OutlinePoint> ovalOutline(double length, double height, int corners) {
    std::vector<OutlinePoint> outline;
    for (int i = 0; i < corners; ++i) {
        const double t = 2 * kPi * i / corners;
        // On a tenth of a millimetre, as a maker would write it.
        const auto neat = [](double m) { return std::round(m * 1e4) / 1e4; };
        outline.push_back({neat(0.5 * length * std::cos(t)), neat(0.5 * height * std::sin(t))});
    }
    return outline;
}

}  // namespace wl
