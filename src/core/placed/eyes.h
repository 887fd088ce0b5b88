// Eyes, and what hangs from them: masses and places of fittings.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include <Eigen/Core>

#include "core/design/design.h"

namespace wl {

/// Mass of one such fitting: weighed, else worked out from its wire if so wanted, else typical.
double fittingMass_kg(const Fitting& fitting);
/// Middle of an eye of the through-wire, by its name.
std::optional<Eigen::Vector3d> wireEyePlace(const Design& design, const std::string& name);
/// Middle of an eye of any kind, by its name: a part that does not swing, or one of the
/// through-wire's.
std::optional<Eigen::Vector3d> eyePlace(const Design& design, const std::string& name);
/// Names of every eye there is: eyes and hangers, and those of the through-wire.
std::vector<std::string> eyeNames(const Design& design);
/// Where the fitting acts: its eye's place when it hangs from one, else its own.
Eigen::Vector3d fittingPlace(const Design& design, const Fitting& fitting);

}  // namespace wl
