// Outline of a lip laid flat.
#pragma once

#include <vector>

#include <Eigen/Core>

#include "core/design/parts.h"

namespace wl {

/// Outline of the lip outside the body laid flat, counter-clockwise, (along, across) from the
/// middle of its root, metres, by the lip's family (see LipFamily) and with its notch; the hole
/// apart.
std::vector<Eigen::Vector2d> lipOutline(const Lip& lip);

/// Length outside the body along the sheet: as typed, of a disc what its width leaves of it.
double lipSheetLength_m(const Lip& lip);

/// Width where it leaves the skin: as typed, of a disc what its length outside leaves, of a free
/// outline what its first corner says.
double lipRootWidth_m(const Lip& lip);

/// The lip with the outline it has drawn freely: few corners, none further off than a hundredth of
/// its length.
Lip asFreeLip(const Lip& lip);

/// The corners of a free outline in place: (along, off the middle line), metres.
std::vector<Eigen::Vector2d> lipEdge_m(const Lip& lip);

/// A free lip with those corners; its length outside and full width follow them.
Lip withLipEdge(Lip lip, const std::vector<Eigen::Vector2d>& edge_m);

/// Whether the corners of a free outline make one: two or more, none crossing.
bool isLipOutline(const std::vector<LipCorner>& corners);

/// What of an outline lies on one side of a straight line: value(p) <= 0 (Sutherland & Hodgman
/// 1974).
template <class Value>
std::vector<Eigen::Vector2d> clippedOutline(const std::vector<Eigen::Vector2d>& outline,
                                            Value value) {
    std::vector<Eigen::Vector2d> in;
    for (size_t i = 0; i < outline.size(); ++i) {
        const Eigen::Vector2d &p = outline[i], &q = outline[(i + 1) % outline.size()];
        const double a = value(p), b = value(q);
        if (a <= 0) {
            in.push_back(p);
        }
        if ((a < 0 && b > 0) || (a > 0 && b < 0)) {
            in.push_back(p + a / (a - b) * (q - p));
        }
    }
    return in;
}

}  // namespace wl
