// What can be dragged in the tank at each step, and what a drag does to the design.
#pragma once

#include <QString>
#include <vector>

#include "app/kit/workbench.h"
#include "app/views/bait_painter.h"

namespace wl {

/// A point on the bait that stands for one or two fields. `follow` gives the field values for a
/// wanted place (body frame, before snapping); only coordinates of the view are meaningful.
struct TankHandle {
    QString name;  ///< shown while moving and read by screen readers
    Eigen::Vector3d place_m = Eigen::Vector3d::Zero();
    std::vector<std::pair<QString, Quantity>> fields;
    std::function<std::vector<double>(const Eigen::Vector3d&)> follow;
    Eigen::Vector3d freedom = Eigen::Vector3d::Ones();  ///< 1 along axes it can move, for the keys
};

/// Handles of a step in a view. The places are on the drawn body scaled as the derived one is.
std::vector<TankHandle> tankHandles(const Design& design, const Derived& derived, Step step,
                                    TankView view);

}  // namespace wl
