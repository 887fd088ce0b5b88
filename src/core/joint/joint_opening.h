// How far a joint opens, what stops it, and what bevel or gap gives a wanted opening.
#pragma once

#include <optional>

namespace wl {

/// A joint seen from above. The pin stands on the centre line; the front piece's face crosses it
/// `faceAhead` ahead of the pin, the rear piece's face `faceBehind` behind it (either may be
/// negative, their sum is the gap). Faces are cut back from the centre line by their bevels. Half-
/// widths are those of the face edges.
struct JointPlan {
    double faceAhead_m = 0.0;
    double faceBehind_m = 0.0;
    double bevelFront_rad = 0.0;  ///< rear face of the front piece
    double bevelRear_rad = 0.0;   ///< front face of the rear piece
    double halfWidthFront_m = 0.01;
    double halfWidthRear_m = 0.01;
    double pocketWidth_m = 0.0;     ///< across the bait; 0: no pocket, hardware cannot bind in it
    double pocketMouth_m = 0.0;     ///< from the pin to the mouth of the pocket, along the bait
    double hardwareWidth_m = 0.0;   ///< of the shank that swings in the pocket
    double hardwareStop_rad = 0.0;  ///< where the hardware itself binds; 0: it does not
};

enum class JointStop {
    RearEdgeOnFrontFace,
    FrontEdgeOnRearFace,
    Pocket,
    Hardware,
    None,
    FrontFoldOnRearFace,  ///< the pin stands inside the rear piece
    RearFoldOnFrontFace   ///< the pin stands inside the front piece
};

/// The opening each way (the joint is symmetric) and what ends it.
struct JointOpening {
    double opening_rad = 0.0;
    JointStop stop = JointStop::None;
    double faceOpening_rad = 0.0;      ///< by the faces alone
    double pocketOpening_rad = 0.0;    ///< by the pocket alone, 180 deg when there is none
    double hardwareOpening_rad = 0.0;  ///< by the hardware alone, 180 deg when it does not bind
};

/// Edge-on-face contact of two faces cut back in a V: theta = a + beta + asin(d / R) with R and a
/// the polar place of the edge about the pin and d the distance of the face from the pin. With the
/// pin inside a piece the fold of the other piece's face can meet this one's face before: theta =
/// beta + acos(-c / f cos beta), f and c the distances of the two folds from the pin (plane
/// geometry; derived and worked in docs/joints.md). An opening of 180 deg means nothing touches.
JointOpening computeOpening(const JointPlan& joint);

/// Least distance between the closing face and the other piece's edge at a swing, metres; negative
/// past the stop. The smallest of the contacts.
double clearanceAt(const JointPlan& joint, double swing_rad);

/// Equal bevels for a wanted opening by the faces, the rest of the joint kept; nothing when no
/// bevel between 0 and 60 deg gives it (the gap alone may already open further).
std::optional<double> bevelForOpening(const JointPlan& joint, double opening_rad);

/// Gap for a wanted opening by the faces, bevels and the pin's share of the gap kept; nothing when
/// no gap up to the body's width gives it.
std::optional<double> gapForOpening(const JointPlan& joint, double opening_rad);

}  // namespace wl
