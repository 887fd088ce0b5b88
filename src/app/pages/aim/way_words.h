// A way, what it misses and what else would help, in the maker's words.
#pragma once

#include <QStringList>

#include "app/kit/learner.h"
#include "core/aim/aim.h"

namespace wl {

/// "Only the lip angle".
QString wayName(const AimWay& way, const std::vector<AimLever>& levers);
/// "lip 23 mm long, 16.5 mm wide"; empty when nothing changes.
QString changeWords(const Workbench& bench, const std::vector<AimLever>& levers,
                    const std::vector<double>& values, const Design& drawn);
/// "1.9 m, 4.8 beats/s, ±7°": what is told of it.
QString toldWords(const Workbench& bench, const AimValues& told);
/// Lines: change, what it gives, chances, price, what is against it.
QStringList wayWords(const Workbench& bench, const AimWay& way, const AimAnswer& answer,
                     const Design& drawn);
/// "line 0.18 mm, cast 39 m".
QString relaxedWords(const Workbench& bench, const AimRelaxation& relaxation);
/// Lines on what the best way misses, and whether it can be had at all.
QStringList shortfallWords(const Workbench& bench, const AimAnswer& answer);
/// What can be promised at best; where that is under a half, what would make it surer.
QString ceilingWords(const AimAnswer& answer, bool relative);

/// What the water log teaches of the bait on the bench, on what is told of it (its film counted).
AimLog aimLog(Workbench& bench);
/// Whether it would give other ways: by half a hundredth.
bool differs(const AimLog& a, const AimLog& b);
/// "By your log: depth times 0.89"; empty where it teaches nothing.
QString taughtWords(const AimLog& log);
/// That sink rates are told as the log has them.
QString sinkByLogWords(double times);

}  // namespace wl
