#include "app/kit/form.h"
#include "app/kit/sheet_tabs.h"
#include "app/pages/aim/aim_tabs.h"
#include "app/pages/aim/like_button.h"
#include "app/pages/levers_part.h"
#include "app/pages/pages.h"
#include "session/words.h"

namespace wl {

QWidget* makeAimPage(Workbench& bench) {
    auto* wish = new Form(bench, tr("It should run"));
    wish->add(new LikeButton(bench), Qt::AlignLeft);
    wish->field("/aim/relative");
    wish->hideIdle();
    for (const char* what : {"depth", "beats", "swing", "roll_to_yaw", "pitch", "balance"}) {
        const QString band = QStringLiteral("/aim/%1_").arg(QLatin1String(what));
        for (const char* end :
             {"low", "high", "low_times", "high_times", "low_more", "high_more", "weight"}) {
            wish->field(band + QLatin1String(end));
        }
    }
    wish->note(
        tr("An end left empty stands a quarter from the other. No wish at all is the "
           "brief's depth within a tenth. How it rests is the brief's too: the lead of "
           "every way is planned for it."));
    auto* levers = new Form(bench, tr("What may change"));
    levers->fields({"/aim/angle_moves", "/aim/length_moves", "/aim/width_moves", "/aim/tie_moves",
                    "/aim/outline_moves", "/aim/settled_only"});
    auto* tabs = new SheetTabs(QStringLiteral("aimTabs"));
    tabs->addTab(formColumn({wish, levers}), tr("Wish"));
    tabs->addTab(makeWaysTab(bench), tr("Ways"));
    tabs->addTab(makeJointsAimTab(bench), tr("Joints"));
    tabs->addTab(formColumn({makeWhy(bench)}), tr("Why"));
    tabs->addTab(makeSizesTab(bench), tr("Sizes"));
    tabs->addTab(makeWeightsTab(bench), tr("Weights"));
    tabs->addTab(makeHookRatesTab(bench), tr("Hooks"));
    return tabs;
}

}  // namespace wl
