// One mass of a bait, with where it comes from.
#pragma once

#include <string>
#include <string_view>

#include <Eigen/Core>

namespace wl {

enum class PartKind { Body, Plug, Filler, Fitting, Lip, Coat, Hinge, Wire, Rattle, Tank, BuiltUp };

/// Whether a mass was put on a scale, worked out from sizes, or taken from a shelf.
enum class Origin { Weighed, Computed, Typical };

/// When a mass comes onto the bait, in the order it is built.
enum class BuildStage { Shaped, Sealed, Leaded, Fitted, Finished };

/// One part. `displaced_m3` is water pushed aside outside the bare body.
struct MassItem {
    PartKind kind = PartKind::Body;
    Origin origin = Origin::Computed;
    std::string name;
    std::string path;
    BuildStage stage = BuildStage::Shaped;
    double mass_kg = 0.0;
    double displaced_m3 = 0.0;
    Eigen::Vector3d centre_m = Eigen::Vector3d::Zero();
    double netDoubt_kg = 0.0;  ///< standard uncertainty of its weight in water
    size_t piece = 0;          ///< index among the parts of the body
};

/// Whether it is of the thing at that path or of a part of it: "/bores/1" has nothing of
/// "/bores/10".
inline bool belongsTo(const MassItem& item, std::string_view path) {
    return item.path.starts_with(path) &&
           (item.path.size() == path.size() || item.path[path.size()] == '/');
}

/// A running sum of amounts and their first moments.
struct MassSum {
    double amount = 0;
    Eigen::Vector3d moment = Eigen::Vector3d::Zero();
    void add(double a, const Eigen::Vector3d& at) {
        amount += a;
        moment += a * at;
    }
    Eigen::Vector3d centre() const {
        return amount != 0 ? Eigen::Vector3d(moment / amount) : moment;
    }
};

}  // namespace wl
