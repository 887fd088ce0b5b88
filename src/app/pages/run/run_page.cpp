#include "app/kit/form.h"
#include "app/kit/learner.h"
#include "app/kit/plot.h"
#include "app/kit/sheet_tabs.h"
#include "app/pages/levers_part.h"
#include "app/pages/pages.h"
#include "app/pages/run/run_tabs.h"
#include "core/forecast/by_log.h"
#include "session/words.h"

namespace wl {

namespace {

// Nose angle along the retrieve; the depth itself is in the run strip.
QWidget* pitchPlot(Workbench& bench) {
    auto* plot = new QCustomPlot;
    plot->setAccessibleName(tr("Nose angle and pull along the retrieve"));
    plot->setMinimumSize(220, 120);
    plot->addGraph();
    auto refresh = [&bench, plot] {
        const ResultsPtr r = bench.results();
        if (!r || (!r->run && !r->error)) {
            return;
        }
        const bool metric = bench.bench().isMetric();
        dressPlot(*plot, metric ? tr("from the rod, m") : tr("from the rod, ft"),
                  tr("nose angle, °"));
        plot->graph(0)->setPen(QPen(inks().ink, 1.6));
        QVector<double> x, y;
        if (r->run && r->run->depthKnown) {
            for (const RetrievePoint& p : r->run->path.points) {
                x << p.fromRod_m / (metric ? 1.0 : kFoot);
                y << p.pitch_rad / kDegree;
            }
        }
        plot->graph(0)->setData(x, y);
        plot->rescaleAxes();
        plot->xAxis->setRangeLower(0);
        const QCPRange range = plot->yAxis->range();
        plot->yAxis->setRange(std::min(range.lower - 5, -45.0), std::max(range.upper + 5, 5.0));
        plot->replot(QCustomPlot::rpQueuedReplot);
    };
    new KeptPlot(bench, plot, refresh);
    return plot;
}

QString deepest(Workbench& bench, const Run& run) {
    return run.depthKnown ? tr("%1, between %2 and %3")
                                .arg(bench.text(Quantity::Distance, run.path.maxDepth_m),
                                     bench.text(Quantity::Distance, run.depthLow_m, false),
                                     bench.text(Quantity::Distance, run.depthHigh_m))
                          : tr("cannot be given");
}

// As the log makes it, where it teaches the depth.
Run seenRun(Workbench& bench, const Run& reckoned) {
    const auto taught = Learner::of(bench).taught(NoteKind::Depth);
    return taught ? runByLog(reckoned, *taught) : reckoned;
}

// What each source of doubt may do to the depth.
Form* doubtForm(Workbench& bench) {
    using Source = DepthDoubt::Source;
    auto* form = new Form(bench, tr("What leaves the depth open"));
    const std::pair<Source, QString> sources[] = {
        {Source::Line, tr("Line: whether it strums")},
        {Source::Body, tr("Body across the stream")},
        {Source::Lip, tr("Pressure on the lip")},
        {Source::Fins, tr("Fins, tails, claws, faces")},
        {Source::Hooks, tr("Hooks and rings")},
        {Source::Roll, tr("How far it rolls")},
        {Source::Rest, tr("What is not reckoned")},
    };
    for (const auto& [source, name] : sources) {
        form->readout(name, [&bench, source = source](const Results& r) {
            if (!r.run || !r.run->depthKnown) {
                return QString();
            }
            for (const DepthDoubt& d : r.run->doubts) {
                if (d.source == source) {
                    return tr("%1 shallower, %2 deeper")
                        .arg(bench.text(Quantity::Distance, d.shallower_m),
                             bench.text(Quantity::Distance, d.deeper_m));
                }
            }
            return QString();
        });
        form->hideLastWhenEmpty();
    }
    form->note(tr(
        "Each alone, all else as told; the depth's band is the root of the sum of their squares, "
        "each way by itself. What is not reckoned (the pull of its swing, waves and air, the "
        "splash) is judged. Log one run to see where your bait lies in it."));
    return form;
}

}  // namespace

QWidget* makeRunPage(Workbench& bench) {
    auto run = [&bench](const Results& r, std::function<QString(const Run&)> show) {
        return r.run ? show(seenRun(bench, *r.run)) : QStringLiteral("…");
    };
    auto* depth = new Form(bench, tr("Depth"));
    depth->readout(tr("Deepest"), [&bench, run](const Results& r) {
        return run(r, [&bench](const Run& u) { return deepest(bench, u); });
    });
    // The log has the first word where there are readings; what it was without them stands below.
    depth->readout(tr("By your log"), [&bench](const Results& r) {
        const LearntFigure* f = Learner::of(bench).figure(NoteKind::Depth);
        if (!Learner::of(bench).taught(NoteKind::Depth)) {
            return tr("nothing read yet");
        }
        return r.run ? tr("times %1; reckoned without it: %2")
                           .arg(QLocale().toString(f->told.itself.middle, 'f', 2),
                                deepest(bench, *r.run))
                     : QStringLiteral("…");
    });
    depth->readout(tr("Deepest at"), [&bench, run](const Results& r) {
        return run(r, [&bench](const Run& u) {
            return u.depthKnown ? tr("%1 from the rod")
                                      .arg(bench.text(Quantity::Distance, u.path.maxDepthFromRod_m))
                                : QStringLiteral("–");
        });
    });
    depth->readout(tr("Near its deepest for"), [&bench, run](const Results& r) {
        return run(r, [&bench](const Run& u) {
            return u.depthKnown ? tr("%1 of the way")
                                      .arg(bench.text(Quantity::Fraction, u.path.shareNearDeepest))
                                : QStringLiteral("–");
        });
    });
    depth->readout(tr("At the wanted depth for"), [&bench, run](const Results& r) {
        return run(r, [&bench, &r](const Run& u) {
            return u.depthKnown
                       ? tr("%1 of the time")
                             .arg(bench.text(Quantity::Fraction,
                                             shareOfTimeAt(u.path, r.design->brief.wantedDepth_m)))
                       : QStringLiteral("–");
        });
    });
    depth->readout(tr("Ticks the bottom"), [&bench, run](const Results& r) {
        return run(r, [&bench, &r](const Run& u) {
            const auto reaches = [&r](const RetrievePoint& p) {
                return p.depth_m >= r.design->brief.waterDepth_m;
            };
            const auto first = std::find_if(u.path.points.begin(), u.path.points.end(), reaches);
            if (!u.depthKnown || first == u.path.points.end()) {
                return QString();
            }
            const auto last = std::find_if(u.path.points.rbegin(), u.path.points.rend(), reaches);
            return tr("from %1 to %2 from the rod")
                .arg(bench.text(Quantity::Distance, first->fromRod_m, false),
                     bench.text(Quantity::Distance, last->fromRod_m));
        });
    });
    depth->hideLastWhenEmpty();
    depth->readout(tr("Trolled"), [&bench, run](const Results& r) {
        return run(r, [&bench](const Run& u) {
            return u.trolledDepth_m ? bench.text(Quantity::Distance, *u.trolledDepth_m)
                   : u.levelTrim    ? tr("comes up")
                                    : QStringLiteral("–");
        });
    });
    depth->field("/brief/trolled_line");
    depth->readout(tr("Not counted: drag of"), [](const Results& r) {
        return r.derived ? withoutDrag(*r.derived) : QString();
    });
    depth->hideLastWhenEmpty();

    depth->readout(tr("Tie of a lipless bait"), [](const Results& r) {
        return r.design->lip.present
                   ? QString()
                   : tr("a depth, but no direction: whether moving the tie makes it run deeper or "
                        "shallower the model does not know. Try it in the water.");
    });
    depth->hideLastWhenEmpty();

    QObject::connect(&Learner::of(bench), &Learner::changed, depth, &Form::readAgain);

    auto* tow = new Form(bench, tr("Under way, level"));
    tow->readout(tr("Nose up (+) or down"), [&bench, run](const Results& r) {
        return run(r, [&bench](const Run& u) {
            return u.levelTrim ? bench.text(Quantity::Angle, u.levelTrim->pitch_rad)
                               : tr("no steady attitude");
        });
    });
    tow->readout(tr("Pull on the line"), [&bench, run](const Results& r) {
        return run(r, [&bench](const Run& u) {
            return u.levelTrim ? bench.text(Quantity::Force, u.levelTrim->tension_N)
                               : QStringLiteral("–");
        });
    });
    tow->readout(tr("Line leaves the tie at"), [&bench, run](const Results& r) {
        return run(r, [&bench](const Run& u) {
            return u.levelTrim ? tr("%1 over the level")
                                     .arg(bench.text(Quantity::Angle, u.levelTrim->lineAngle_rad))
                               : QStringLiteral("–");
        });
    });
    tow->readout(tr("Retrieve takes"), [&bench, run](const Results& r) {
        return run(r, [&bench](const Run& u) {
            return u.path.points.empty() ? QStringLiteral("–")
                                         : bench.text(Quantity::Time, u.path.points.back().time_s);
        });
    });
    tow->fields({"/brief/retrieve_speed", "/brief/cast_length"});
    auto* tabs = new SheetTabs(QStringLiteral("runTabs"));
    tabs->addTab(formColumn({depth, makeLevers(bench), doubtForm(bench)}), tr("Depth"));
    tabs->addTab(formColumn({tow, pitchPlot(bench)}), tr("Under way"));
    tabs->addTab(makeForcesTab(bench), tr("Forces"));
    tabs->addTab(makeSweepTab(bench), tr("What if"));
    tabs->addTab(makeCadenceTab(bench), tr("Cadence"));
    return tabs;
}

}  // namespace wl
