// Cross-sections made of two superellipse halves, with their exact area moments.
#pragma once

#include <vector>

#include <Eigen/Core>

namespace wl {

/// A section at one x: |y/b|^n + |(z - widest)/h|^n = 1 with h = back - widest, n = fullnessAbove
/// over the widest line, and h = widest - belly, n = fullnessBelow under it. Metres; n in [1, 20].
struct Section {
    double x_m = 0.0;
    double back_m = 0.0;
    double belly_m = 0.0;
    double halfWidth_m = 0.0;
    double widest_m = 0.0;
    double fullnessAbove = 2.0;
    double fullnessBelow = 2.0;
};

/// Area and area moments of a section about the body axes y = 0, z = 0.
struct SectionMoments {
    double area_m2 = 0.0;
    double z_m3 = 0.0;   ///< integral of z
    double yy_m4 = 0.0;  ///< integral of y^2
    double zz_m4 = 0.0;  ///< integral of z^2
};

/// Integral of y^p z^q over the quadrant of the unit superellipse |y|^n + |z|^n <= 1
/// (Dirichlet 1839): G((p+1)/n) G((q+1)/n) / (n^2 G((p+q+2)/n + 1)). n > 0, p, q >= 0.
double superellipseMoment(int p, int q, double n);

/// Exact area of the section.
double sectionArea(const Section& section);

/// Exact moments of the section; a section of no width or no height gives zeros.
SectionMoments computeSectionMoments(const Section& section);

/// Height of the skin above (upper) or below the widest line at breadth y, as z in metres; |y| is
/// held within the half-width.
double skinHeight(const Section& section, double y_m, bool upper);

/// Parameters t in [0, 90 deg] of perQuadrant + 1 points from the widest line to the back (or
/// belly), evenly spaced by arc; sectionPoint gives the port-side (y, z) for one.
void sectionParameters(const Section& section, int perQuadrant, bool upper, std::vector<double>& t);
Eigen::Vector2d sectionPoint(const Section& section, double t_rad, bool upper);

/// `perQuadrant` x 4 points (y, z) round the section, counter-clockwise seen from the tail towards
/// the nose, starting at port, spaced evenly by arc within each quadrant, with the four extreme
/// points exact. Deviation from the exact area is left to the caller.
void sectionRing(const Section& section, int perQuadrant, std::vector<Eigen::Vector2d>& ring);

}  // namespace wl
