#include "app/kit/form.h"
#include "app/kit/sheet_tabs.h"
#include "app/pages/build/build_tabs.h"
#include "app/pages/pages.h"
#include "session/words.h"

namespace wl {

QWidget* makeBuildPage(Workbench& bench) {
    auto* choices = new Form(bench, tr("How it is built"));
    choices->fields({"/building/baits", "/building/lip_glue", "/building/slow_cure",
                     "/building/quick_cure", "/building/seal_cure", "/building/seal_tightens",
                     "/building/clamp_time", "/building/resin_cure", "/building/print_time"});
    choices->note(
        tr("Times from the product sheets of what you use. What each coat needs to dry "
           "stands with the coats, under Ballast."));
    auto* tabs = new SheetTabs(QStringLiteral("buildTabs"));
    tabs->addTab(makeStepsTab(bench), tr("Steps"));
    tabs->addTab(makeBatchTab(bench), tr("Evenings"));
    tabs->addTab(makeAmountsTab(bench), tr("Mould, amounts"));
    tabs->addTab(makeCostsTab(bench), tr("Shelf, cost"));
    tabs->addTab(formColumn({choices}), tr("Choices"));
    return tabs;
}

}  // namespace wl
