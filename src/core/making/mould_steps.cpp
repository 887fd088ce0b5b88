#include "core/making/mould_steps.h"

#include <algorithm>

namespace wl {

std::vector<BuildStep> mouldSteps(const Design& design) {
    if (design.make.kind != MakeKind::Cast) {
        return {};
    }
    constexpr double kMinute_s = 60.0;
    const auto step = [](StepKind kind, double minutes, double cure_s) {
        BuildStep s;
        s.kind = kind;
        s.work_s = minutes * kMinute_s;
        s.cure_s = cure_s;
        s.place = cure_s > 0 ? WaitPlace::Mould : WaitPlace::None;
        return s;
    };
    return {step(StepKind::BedMaster, 40, 0), step(StepKind::PourFirstHalf, 20, kSiliconeCure_s),
            step(StepKind::TurnMould, 25, 0), step(StepKind::PourSecondHalf, 20, kSiliconeCure_s),
            step(StepKind::OpenMould, 20, 0)};
}

Schedule scheduleAfter(const std::vector<BatchTask>& first,
                       const std::vector<std::vector<BatchTask>>& baits, const Workshop& shop,
                       std::uint32_t seed, std::stop_token stop) {
    if (first.empty()) {
        return scheduleBatch(baits, shop, seed, stop);
    }
    Schedule whole = scheduleBatch({first}, shop, seed, stop);
    for (PlacedTask& task : whole.tasks) {
        task.bait = baits.size();
    }
    if (!whole.whole) {
        return whole;
    }
    Workshop later = shop;
    for (Evening& evening : later.evenings) {
        evening.from_s = std::max(evening.from_s, whole.done_s);
    }
    std::erase_if(later.evenings, [](const Evening& e) { return e.to_s <= e.from_s; });
    const Schedule rest = scheduleBatch(baits, later, seed, stop);
    whole.tasks.insert(whole.tasks.end(), rest.tasks.begin(), rest.tasks.end());
    whole.done_s = std::max(whole.done_s, rest.done_s);
    whole.whole = rest.whole;
    return whole;
}

}  // namespace wl
