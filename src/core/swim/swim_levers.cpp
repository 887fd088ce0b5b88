#include "core/swim/swim_levers.h"

#include "core/reckon/tow.h"
#include "core/swim/swim.h"

namespace wl {

std::vector<Lever> swimLeversOf(const Derived& derived, int draws, std::stop_token stop,
                                const Told& told) {
    const FilmFactors film = filmFactors(derived, computeRun(derived, stop, kCoarseRetrieve));
    const auto swimAs = [&film](const Derived& towed) -> std::optional<SwimTold> {
        Run run;
        run.levelTrim = settleTrim(towed.towed, towSpeed_m_s(towed), 0.0, towStart_rad(towed));
        if (!run.levelTrim) {
            return std::nullopt;
        }
        const Swim swim =
            middleSwim(towed, run, towed.towed.mass_kg, towed.mass->centreOfGravity_m, film);
        if (swim.untold || !swim.swings) {
            return std::nullopt;
        }
        return SwimTold{swim.beats_1_s.middle, swim.swing_rad.middle};
    };
    return leversOf(derived, draws, stop, told, swimAs);
}

}  // namespace wl
