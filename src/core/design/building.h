// How a bait is put together on the bench, where the design leaves a choice.
#pragma once

namespace wl {

enum class LipGlue { SlowEpoxy, Instant };

struct Building {
    int baits = 1;  ///< built together
    LipGlue lipGlue = LipGlue::SlowEpoxy;
    double slowCure_s = 24 * 3600.0;   ///< of slow epoxy: lips, wires, eyes
    double quickCure_s = 1800.0;       ///< of quick glue and of filler over the lead
    double sealCure_s = 12 * 3600.0;   ///< of the sealer, before holes are cleared
    double sealTightens_m = 0.00015;   ///< slots and holes, by what soaks in and lies on
    double clampTime_s = 12 * 3600.0;  ///< of glued halves and sheets
    double resinCure_s = 2 * 3600.0;   ///< in the mould
    double printTime_s = 6 * 3600.0;   ///< the printer works on one bait
    bool operator==(const Building&) const = default;
};

}  // namespace wl
