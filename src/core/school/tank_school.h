// From what is seen in the tank back to what the bait really is.
#pragma once

#include <stop_token>
#include <vector>

#include "core/reckon/evaluate.h"

namespace wl {

/// What one reading says against the reckoning. `seen`, `before`, `after` and `error` (a standard
/// uncertainty) are in the reading's own SI unit: metres showing, radians, kilograms, seconds.
struct ReadingFit {
    size_t reading = 0;
    Quantity quantity = Quantity::Number;
    double seen = 0.0;
    double before = 0.0;  ///< as the drawing has it
    double after = 0.0;   ///< with the correction
    double error = 0.0;
    bool reckoned = true;  ///< false: the bait as drawn cannot do what was seen (it does not float)
};

/// One number of the bait, drawn and corrected, with the standard uncertainty left.
struct Corrected {
    double drawn = 0.0;
    double corrected = 0.0;
    double doubt = 0.0;
    double doubtBefore = 0.0;
};

struct TankInference {
    TankCorrection correction;
    std::vector<ReadingFit> fits;
    Corrected mass_kg;
    Corrected volume_m3;  ///< displaced
    Corrected gravityX_m, gravityY_m, gravityZ_m;
    Corrected buoyancyX_m;
    double misfit = 0.0;           ///< root of the mean square of (after - seen) / error
    double addMass_kg = 0.0;       ///< to add (or, under 0, take out) for the wanted mass...
    double addX_m = 0.0;           ///< ...at this place, for the wanted attitude
    bool addInBody = false;        ///< that place is in the bait and there is something to add
    double moveMoment_kg_m = 0.0;  ///< lead x way aft that trims it at the mass it has
    double lead_kg = 0.0;          ///< in the bores now
    double addDensity_kg_m3 = 0.0;
};

/// Least squares over six corrections (mass, displaced volume, centre of gravity, place of the
/// centre of buoyancy along the bait), each held to the drawing by its own standard uncertainty and
/// each reading by its error (maximum a posteriori; Levenberg-Marquardt, MINPACK as ported to
/// Eigen). Readings before paint are held against the bait without paint and clear coats. Errors:
/// "tank.no_readings"; those of evaluate.
Result<TankInference> inferFromTank(const Design& design, std::stop_token stop = {});

/// What a reading would be for a bait with that correction (its own unit); for planning and tests.
/// Errors: those of evaluate; "tank.cannot_be" when the bait does the opposite.
Result<double> predictReading(const Design& design, const TankReading& reading,
                              const TankCorrection& correction);

/// Quantity a reading is in.
Quantity quantityOf(ReadingKind kind);

}  // namespace wl
