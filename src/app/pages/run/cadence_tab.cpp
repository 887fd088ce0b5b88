// Reeled in by fits and starts: the parts, and what comes of them.
#include "app/kit/form.h"
#include "app/kit/learner.h"
#include "app/kit/record_columns.h"
#include "app/pages/run/run_tabs.h"
#include "app/views/cadence_strip.h"
#include "session/words.h"

namespace wl {
namespace {

struct Way {
    const char* name;
    QString words;
    /// Times the retrieve's speed, seconds.
    std::vector<std::pair<double, double>> parts;
};

std::vector<Way> ways() {
    return {{"steadyCadence", tr("One speed"), {}},
            {"stopAndGo", tr("Stop and go"), {{1.0, 4.0}, {0.0, 2.0}}},
            {"pullAndPause", tr("Pull and pause"), {{1.8, 0.8}, {0.0, 2.0}}},
            {"quickSlow", tr("Quick and slow"), {{1.4, 3.0}, {0.7, 3.0}}}};
}

void take(Workbench& bench, const Way& way) {
    Design next = bench.design();
    next.brief.cadence.clear();
    for (const auto& [times, seconds] : way.parts) {
        const double speed = std::min(4.0, times * next.brief.retrieveSpeed_m_s);
        next.brief.cadence.push_back({std::round(speed / 0.05) * 0.05, seconds});
    }
    bench.document.endGesture();
    bench.document.submit(std::move(next), way.words);
}

QString when(const Results& r, std::function<QString(const CadencePath&)> show) {
    return !r.run || !r.run->cadence ? QString()
           : r.run->cadence->told    ? show(*r.run->cadence)
                                     : QStringLiteral("–");
}

Form* outcome(Workbench& bench) {
    auto* form = new Form(bench, tr("What comes of it"));
    form->readout(tr("Stopped on the way"), [&bench](const Results& r) {
        const Rest& rest = *r.derived->rest;
        const QString speed = bench.text(Quantity::Speed, std::abs(rest.fall.speed_m_s));
        return rest.state == RestState::Suspends ? tr("hangs where it is")
               : rest.net_kg > 0                 ? tr("rises at %1 on a slack line").arg(speed)
                                                 : tr("sinks at %1; on a taut line it swings in "
                                                                      "towards the rod")
                                       .arg(speed);
    });
    form->readout(tr("By your log"), [&bench](const Results&) {
        const auto taught = Learner::of(bench).taught(NoteKind::Sink);
        return taught ? tr("it sinks %1 times as fast as told here: cadences stay as reckoned")
                            .arg(QLocale().toString(taught->middle, 'f', 2))
                      : QString();
    });
    form->hideLastWhenEmpty();
    form->readout(tr("Deepest"), [&bench](const Results& r) {
        return when(r, [&bench](const CadencePath& c) {
            return bench.text(Quantity::Distance, c.deepest_m);
        });
    });
    form->hideLastWhenEmpty();
    form->readout(tr("Most in one pause"), [&bench](const Results& r) {
        return when(r, [&bench](const CadencePath& c) {
            const QString much = bench.text(Quantity::Distance, std::abs(c.longestPause_m));
            return c.longestPause_m < 0 ? tr("rises %1").arg(much) : tr("sinks %1").arg(much);
        });
    });
    form->hideLastWhenEmpty();
    form->readout(tr("At the wanted depth for"), [&bench](const Results& r) {
        return when(r, [&bench](const CadencePath& c) {
            return tr("%1 of its time").arg(bench.text(Quantity::Fraction, c.shareInBand));
        });
    });
    form->hideLastWhenEmpty();
    form->readout(tr("On the bottom for"), [&bench](const Results& r) {
        return when(r, [&bench](const CadencePath& c) {
            return c.shareOnBottom > 0
                       ? tr("%1 of its time").arg(bench.text(Quantity::Fraction, c.shareOnBottom))
                       : tr("never");
        });
    });
    form->hideLastWhenEmpty();
    form->readout(tr("Takes"), [&bench](const Results& r) {
        return when(r, [&bench](const CadencePath& c) {
            return bench.text(Quantity::Time, c.points.back().time_s);
        });
    });
    form->hideLastWhenEmpty();
    form->note(tr(
        "Over and over from the splash to the rod; its way is drawn in the strip under the bait. "
        "At each start it is taken to swim as it would in the long run: the fifth of a second it "
        "takes to gather way is left out."));
    QObject::connect(&Learner::of(bench), &Learner::changed, form, &Form::readAgain);
    return form;
}

}  // namespace

QWidget* makeCadenceTab(Workbench& bench) {
    auto* strip = new CadenceStrip(bench);
    auto* head = new Form(bench, tr("Cadence"));
    head->add(strip);
    auto* chosen = new QWidget;
    auto* line = new FlowLayout(chosen);
    for (const Way& way : ways()) {
        auto* button = new QPushButton(way.words);
        button->setObjectName(QLatin1String(way.name));
        QObject::connect(button, &QPushButton::clicked, strip, [&bench, way] { take(bench, way); });
        line->addWidget(button);
    }
    head->add(chosen);
    auto* table = new RecordTable(
        bench, QStringLiteral("cadence"), QStringLiteral("/brief/cadence"),
        fieldColumns({"speed", "time"}, 2),
        {{QStringLiteral("addCadence"), tr("Add a part"),
          [&bench](int) {
              constexpr size_t kMost = 12;
              Design next = bench.design();
              if (next.brief.cadence.size() >= kMost) {
                  bench.say(
                      tr("▲ Twelve parts are the most: they are gone through over and over."));
                  return;
              }
              next.brief.cadence.push_back({next.brief.retrieveSpeed_m_s, 2.0});
              bench.document.endGesture();
              bench.document.submit(std::move(next), tr("Add a part"));
          },
          false},
         removeAction(bench, QStringLiteral("removeCadence"), tr("Remove a part"),
                      "/brief/cadence")});
    table->setEmptyWords(tr("No parts: reeled in at the one speed of the brief."));
    table->showWholeForm();
    return formColumn({head, outcome(bench), table});
}

}  // namespace wl
