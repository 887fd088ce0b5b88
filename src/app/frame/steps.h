// The order of work: one entry a step, and all the window knows of it.
#pragma once

#include <functional>
#include <vector>

#include "app/kit/workbench.h"

namespace wl {

/// One step: its name in the rail and the menu, the sheet it shows (made when first looked at), the
/// fields that belong to it (starts of paths; the longest that fits decides), the name of its
/// picture in the documentation (null: it has pictures of its own), and its verdict as it stands.
struct StepEntry {
    Step step;
    QString name;
    QWidget* (*makePage)(Workbench&);
    std::vector<const char*> paths;
    const char* picture;
    /// From the newest results; `results.derived` is there unless `unreckoned` is asked.
    std::function<QString(Workbench&, const Results&)> verdict;
    /// What it says of a bait that cannot be reckoned; null: its verdict does not need that.
    std::function<QString()> unreckoned;
    /// Whether the bait has nothing of it; null: every bait has.
    std::function<bool(const Design&)> idle = nullptr;
    /// Its sheet takes the place of the picture as well.
    bool wide = false;
};

/// In the order of work, one for each Step.
const std::vector<StepEntry>& stepTable();
const StepEntry& entryOf(Step step);

/// The step a field belongs to, by the longest start of its path; the tank for what has no sheet.
Step stepOfPath(const QString& path);

}  // namespace wl
