// The same bait at several lengths.
#pragma once

#include <optional>
#include <vector>

#include "core/base/finding.h"
#include "core/base/result.h"
#include "core/reckon/derived.h"

namespace wl {

/// The design at another length. Shape, places, joints, slots and lip outline go with the length,
/// bores to the half millimetre. Hooks, rings, eyes, wire, lip sheet, sheets, print walls and coats
/// stay as bought. What was measured on the first bait (weighed body, log) is left off.
Design scaledDesign(const Design& design, double length_m);

/// One bait of the series, its lead planned anew, evaluated.
struct SizeRow {
    double length_m = 0.0;
    Design design;
    bool known = false;  ///< false: it cannot be reckoned at this size; `error` says why
    std::string error;   ///< code
    double volume_m3 = 0.0;
    double mass_kg = 0.0;
    double wantedMass_kg = 0.0;
    double spare = 0.0;
    double pitch_rad = 0.0;
    double sinkSpeed_m_s = 0.0;    ///< as it will be seen; rising under 0
    bool leadMeets = false;        ///< the plan meets mass and attitude
    std::optional<Error> refusal;  ///< why no lead was planned
    double missingMass_kg = 0.0;
};
/// `near`: the bait as it is; what is wanted to sink goes by how that is seen to.
SizeRow evaluateSize(const Design& design, double length_m, const Derived* near = nullptr);

}  // namespace wl
