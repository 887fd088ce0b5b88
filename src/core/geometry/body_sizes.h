// What one measures on a body: its overall sizes, and its end faces.
#pragma once

#include "core/geometry/body_curves.h"

namespace wl {

/// A flat end face where it cuts the body: its outline in the plane and its size. Zero area when
/// the face misses the body.
struct FaceCut {
    double area_m2 = 0.0;
    Eigen::Vector3d centroid_m = Eigen::Vector3d::Zero();
    Eigen::Vector3d outward = Eigen::Vector3d::UnitX();  ///< unit normal, away from the body
    double height_m = 0.0;                               ///< along the face
    double width_m = 0.0;                                ///< widest
    Eigen::Vector3d top_m = Eigen::Vector3d::Zero();     ///< ends on the centre plane
    Eigen::Vector3d foot_m = Eigen::Vector3d::Zero();
    double cupVolume_m3 = 0.0;
    Eigen::Vector3d cupCentroid_m = Eigen::Vector3d::Zero();
};
FaceCut measureEndFace(const BodyCurves& curves, bool nose);

/// The water a cup holds: it goes along when the bait is swung, and weighs nothing under water.
struct CupWater {
    bool nose = false;  ///< of the nose face, else of the tail's
    double mass_kg = 0.0;
    Eigen::Vector3d centre_m = Eigen::Vector3d::Zero();  ///< body frame
};
/// Of every cupped end face; none where no face is cupped.
std::vector<CupWater> cupWater(const BodyCurves& curves, double waterDensity_kg_m3);

/// Plain sizes a maker would measure, from the curves.
struct BodySizes {
    double length_m = 0.0;
    double maxWidth_m = 0.0;
    double maxHeight_m = 0.0;
    double widestAt_m = 0.0;  ///< x of the greatest width
    double planArea_m2 = 0.0;
    double planMoment_m3 = 0.0;   ///< integral of width x dx, x aft from the nose
    double profileArea_m2 = 0.0;  ///< seen from the side
    Eigen::Vector2d profileCentroid_m = Eigen::Vector2d::Zero();  ///< (x, z)
    double fullness = 0.0;  ///< squareness of the sections: 0 ellipse, 1 box, by volume
};
BodySizes measureBody(const BodyCurves& curves);

}  // namespace wl
