// What is known of a figure as a sum of normals.
#pragma once

#include <vector>

namespace wl {

/// Share of a standard normal below z.
double normalBelow(double z);

/// A sum of normals.
struct Mixture {
    std::vector<double> weight, mean, variance;
    double below(double x) const;
    double mean_() const;
    double sd() const;
    /// The place with that share below it, by bisection.
    double quantile(double share) const;
};

}  // namespace wl
