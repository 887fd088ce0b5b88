#include "app/kit/learner.h"
#include "app/kit/sheet_tabs.h"
#include "app/pages/log/log_tabs.h"
#include "app/pages/pages.h"
#include "files/design_code.h"
#include "files/design_file.h"
#include "session/words.h"

namespace wl {
namespace {

// Tests that stand in the design of an older file go into the log, once: what was then taken out of
// it or left out does not come back.
void takeOldLog(Workbench& bench) {
    if (bench.design().log.empty()) {
        return;
    }
    Design tests;
    tests.name = bench.design().name;
    tests.log = bench.design().log;
    const QString mark =
        QStringLiteral("taken_in/") + QString::fromStdString(tests.name + "/" + designCode(tests));
    tests.name.clear();
    const QString under = QStringLiteral("taken_in/") + QString::fromStdString(designCode(tests));
    // Under another name the same tests are those of the bait it was called.
    if (!bench.log.draft(mark).isEmpty() || !bench.log.draft(under).isEmpty()) {
        return;
    }
    WaterLog old = logOf(bench.design());
    if (const LogBait* there = bench.log.log().bait(old.baits.front().bait)) {
        old.baits = {*there};  // as the maker sorted it
    }
    if (bench.log.merge(old)) {  // a book that cannot be written has said so
        (void)bench.log.setDraft(mark, QStringLiteral("yes"));
        (void)bench.log.setDraft(under, QStringLiteral("yes"));
    }
}

class LogPage : public SheetTabs {
  public:
    explicit LogPage(Workbench& bench) : SheetTabs(QStringLiteral("logTabs")), bench_(bench) {
        takeOldLog(bench);
        connect(&bench.document, &Document::designChanged, this, [this] {
            if (isVisible()) {
                takeOldLog(bench_);
            }
        });
    }

  protected:
    void showEvent(QShowEvent* event) override {
        takeOldLog(bench_);
        SheetTabs::showEvent(event);
    }

  private:
    Workbench& bench_;
};

}  // namespace

namespace {

// The design as it is now, under what the log has of the bait.
std::optional<Error> putBait(Workbench& bench) {
    LogBait bait;
    if (const LogBait* there = bench.log.log().bait(bench.design().name)) {
        bait = *there;
    }
    bait.bait = bench.design().name;
    if (bait.family.empty()) {
        bait.family = Learner::of(bench).family();
        if (const ResultsPtr r = bench.results(); bait.family.empty() && r && r->derived) {
            bait.family = familyOf(*r->derived);
        }
    }
    Design plain = bench.design();
    plain.trace = {};  // a photograph is no part of what is compared
    plain.log.clear();
    bait.design = writeDesign(plain);
    if (const LogBait* there = bench.log.log().bait(bait.bait); there && *there == bait) {
        return std::nullopt;
    }
    return bench.log.put(bait);
}

}  // namespace

std::optional<Error> keepBait(Workbench& bench) {
    const auto error = putBait(bench);
    // Another window was first: its record, read by now, is brought up to date.
    return error && error->code == "log.there_already" ? putBait(bench) : error;
}

QWidget* makeWaterLogPage(Workbench& bench) {
    auto* page = new LogPage(bench);
    page->addTab(makeWaterTab(bench), tr("At the water"));
    page->addTab(makeForecastTab(bench), tr("Next time"));
    page->addTab(makeCopiesTab(bench), tr("Copies"));
    page->addTab(makeTroubleTab(bench), tr("Trouble"));
    page->addTab(makeCompareTab(bench), tr("Compare"));
    page->addTab(makeFindTab(bench), tr("All notes"));
    return page;
}

}  // namespace wl
