// How the bait swims: its motion with beats and swing, over speed, and what a film says of it.
#include "app/kit/form.h"
#include "app/kit/sheet_tabs.h"
#include "app/pages/pages.h"
#include "app/pages/swim/swim_tabs.h"
#include "core/chain/chain_bait.h"
#include "session/words.h"
#include "words/swim_words.h"

namespace wl {
namespace {

QWidget* filmTab(Workbench& bench) {
    auto* film = new Form(bench, tr("Counted on a film"));
    film->fields({"/swim/film_frames", "/swim/film_rate", "/swim/film_beats", "/swim/film_speed",
                  "/swim/seen_yaw"});
    film->readout(tr("Film says"), [](const Results& r) {
        const auto seen = r.design->swim.seenBeats_1_s();
        if (seen && swimKind(*r.derived) == SwimKind::Glide) {
            return tr("A walked bait has no beat of its own: a film changes nothing.");
        }
        return seen ? filmWords(*seen, r.design->swim.filmRate_1_s) : QString();
    });
    film->hideLastWhenEmpty();
    film->note(
        tr("Film it from above beside a rule, pulled steadily; count frames from one nose-left "
           "to the same ten beats on. The factor found holds for this bait until it is "
           "emptied here."));
    auto* bowl = new Form(bench, tr("Timed in a bowl"));
    bowl->fields({"/swim/bowl_rolls", "/swim/bowl_time"});
    bowl->readout(tr("Bowl says"), [](const Results& r) {
        if (!r.design->swim.bowlRolls) {
            return QString();
        }
        if (swimKind(*r.derived) != SwimKind::Wobble) {
            return tr("Roll is not in the picture of such a bait: it changes nothing.");
        }
        if (!r.swim || !r.swim->bowl) {
            return QString();
        }
        const QString told = QLocale().toString(r.swim->bowl->told_1_s, 'f', 1);
        return r.swim->bowl->refused
                   ? tr("not used: told %1 rolls a second").arg(told)
                   : tr("%1 rolls a second, told %2")
                         .arg(QLocale().toString(r.swim->bowl->seen_1_s, 'f', 1), told);
    });
    bowl->hideLastWhenEmpty();
    bowl->note(
        tr("No line on it, wholly under water; a floater under a thread at its middle. How stiffly "
           "it stands decides most of how it swims when slow."));
    auto* words = new Form(bench, tr("What it is called"));
    words->fields({"/swim/slow_below", "/swim/quick_from", "/swim/tight_from", "/swim/medium_from",
                   "/swim/wide_from"});
    words->note(tr("These limits are a judgement: move them to what you call so."));
    return formColumn({film, bowl, words});
}

}  // namespace

QWidget* makeSwimPage(Workbench& bench) {
    auto* tabs = new SheetTabs(QStringLiteral("swimTabs"));
    tabs->addTab(formColumn({makeSwimPart(bench)}), tr("Motion"));
    tabs->addTab(formColumn({makeSpeedPart(bench)}), tr("Over speed"));
    tabs->addTab(formColumn({makeSymptomPart(bench), makeTuningPart(bench)}), tr("Tuning"));
    tabs->addTab(formColumn({makeJointsPart(bench)}), tr("Joints"));
    tabs->addTab(filmTab(bench), tr("Film, bowl, words"));
    return tabs;
}

}  // namespace wl
