#include "app/kit/form.h"
#include "app/kit/sheet_tabs.h"
#include "app/pages/aim/aim_tabs.h"
#include "app/pages/aim/like_button.h"
#include "app/pages/levers_part.h"
#include "app/pages/pages.h"
#include "core/aim/aim.h"
#include "session/sentence_text.h"
#include "session/words.h"

namespace wl {

namespace {

// Which word the wished swing is, from 1; 0: none of them.
int wordOf(const Design& design) {
    for (const ActionWord word : kActionWords) {
        const AimBand called = swingCalled(word, design.swim);
        if (design.aim.swing.low == called.low && design.aim.swing.high == called.high) {
            return int(word) + 1;
        }
    }
    return 0;
}

}  // namespace

QWidget* makeAimPage(Workbench& bench) {
    auto* wish = new Form(bench, tr("It should run"));
    wish->add(new LikeButton(bench), Qt::AlignLeft);
    wish->field("/aim/relative");
    wish->choice(tr("Action"), QStringLiteral("aimAction"),
                 {tr("as below"), tr("tight"), tr("medium"), tr("wide")}, wordOf,
                 [](Design& design, int answer) {
                     AimBand& swing = design.aim.swing;
                     if (answer == 0) {
                         swing.low = swing.high = std::nullopt;
                         return;
                     }
                     const AimBand called =
                         swingCalled(kActionWords[size_t(answer) - 1], design.swim);
                     swing.low = called.low;
                     swing.high = called.high;
                 });
    wish->enableLastWhen([](const Design& design) { return !design.aim.relative; });
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
    levers->hideIdle();
    for (const char* lever : {"angle", "length", "width", "tie"}) {
        for (const char* part : {"moves", "from", "to"}) {
            levers->field(
                QStringLiteral("/aim/%1_%2").arg(QLatin1String(lever), QLatin1String(part)));
        }
    }
    levers->fields({"/aim/outline_moves", "/aim/settled_only"});
    const auto tell = [&bench, wish, levers] {
        const ResultsPtr results = bench.results();
        const auto fault =
            results && results->derived ? wishFault(*results->derived) : std::nullopt;
        for (const Form* form : {wish, levers}) {
            for (QuantityEdit* edit : form->findChildren<QuantityEdit*>()) {
                const bool here = fault && edit->path().toStdString() == fault->path;
                edit->sayAgainst(here ? sentence(*fault, bench.bench()) : QString());
            }
        }
    };
    QObject::connect(&bench.evaluator, &Evaluator::resultsChanged, wish, tell);
    QObject::connect(&bench, &Workbench::benchChanged, wish, tell);
    tell();
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
