#include "app/kit/form.h"
#include "app/kit/learner.h"
#include "app/kit/sheet_tabs.h"
#include "app/pages/pages.h"
#include "app/pages/tank/tank_tabs.h"
#include "core/reckon/lean.h"
#include "session/words.h"

namespace wl {

namespace {

constexpr int kMostParts = 9;

constexpr double kStillSpeed_m_s = 0.02;

QString speedWord(double speed) {
    // Names makers use (common practice, no source).
    if (speed <= 0.05) {
        return tr("nearly suspended");
    }
    if (speed <= 0.2) {
        return tr("slow");
    }
    return speed <= 0.4 ? tr("countdown") : tr("fast");
}

}  // namespace

namespace {

// How a piece lies in a chain of linked eyes, loose and on the line.
QString onItsEyes(const Workbench& bench, const Derived& d, size_t part) {
    if (!d.rest->linked) {
        return {};
    }
    const LinkedRest& chain = *d.rest->linked;
    const size_t link = chain.linkOf[part];
    QString words =
        QLatin1Char('\n') +
        (chain.pose.settled
             ? tr("on its eyes %1").arg(noseWords(chain.pose.pitch_rad[link], bench.bench()))
             : tr("on its eyes: any way"));
    if (const auto held = linkedOnLine(d); held && held->settled) {
        words += tr(", hung by the line %1").arg(noseWords(held->pitch_rad[link], bench.bench()));
    }
    return words;
}

}  // namespace

QWidget* makeTankPage(Workbench& bench) {
    auto* rest = new Form(bench, tr("At rest"));
    QLabel* state = rest->readout(tr("State"), [&bench](const Results& r) {
        const Derived& d = *r.derived;
        const double speed =
            Learner::of(bench).seen(NoteKind::Sink, std::abs(d.rest->fall.speed_m_s));
        switch (d.rest->state) {
            case RestState::Floats:
                return tr("floats; rises at %1 when pushed under")
                    .arg(bench.text(Quantity::Speed, speed));
            case RestState::Suspends:
                return tr("suspends (%1)")
                    .arg(d.rest->net_kg >= 0
                             ? tr("rises at %1").arg(bench.text(Quantity::Speed, speed))
                             : tr("sinks at %1").arg(bench.text(Quantity::Speed, speed)));
            default:
                return (d.rest->fall.steady ? tr("sinks at %1, %2")
                                            : tr("tumbles down at about %1, %2"))
                    .arg(bench.text(Quantity::Speed, speed), speedWord(speed));
        }
    });
    rest->readout(tr("Spare"), [&bench](const Results& r) {
        const Derived& d = *r.derived;
        return tr("%1 ± %2, %3")
            .arg(bench.text(Quantity::Fraction, d.rest->spare, false),
                 bench.text(Quantity::Fraction, d.rest->spareDoubt),
                 bench.text(Quantity::Mass, d.rest->net_kg));
    });
    rest->readout(tr("Nose up +"), [&bench](const Results& r) {
        return r.derived->rest->attitudeDecided
                   ? bench.text(Quantity::Angle, r.derived->rest->pitch_rad)
                   : tr("undecided");
    });
    rest->readout(tr("Lean, port up +"), [&bench](const Results& r) {
        return r.derived->rest->attitudeDecided
                   ? bench.text(Quantity::Angle, r.derived->rest->roll_rad)
                   : tr("undecided");
    });
    rest->readout(tr("Back showing"), [&bench](const Results& r) {
        return bench.text(Quantity::Length, r.derived->rest->showing_m);
    });
    rest->readout(tr("Of it above water"), [&bench](const Results& r) {
        return bench.text(Quantity::Fraction, std::max(0.0, r.derived->rest->spare));
    });
    rest->readout(tr("Likely within"), [&bench](const Results& r) {
        auto word = [&bench](double v) {
            return v < 0 ? tr("rises %1").arg(bench.text(Quantity::Speed, -v))
                         : tr("sinks %1").arg(bench.text(Quantity::Speed, v));
        };
        const Rest& still = *r.derived->rest;
        const auto taught = Learner::of(bench).taught(NoteKind::Sink);
        const double now = still.fall.speed_m_s;
        return taught ? tr("%1 to %2")
                            .arg(word(now * (now < 0 ? taught->high : taught->low)),
                                 word(now * (now < 0 ? taught->low : taught->high)))
                      : tr("%1 to %2").arg(word(still.lowSpeed_m_s), word(still.highSpeed_m_s));
    });
    QLabel* byLog = rest->readout(tr("By your log"), [&bench](const Results& r) {
        const auto taught = Learner::of(bench).taught(NoteKind::Sink);
        const Rest& still = *r.derived->rest;
        return taught ? tr("times %1; reckoned without it: %2, between %3 and %4")
                            .arg(QLocale().toString(taught->middle, 'f', 2),
                                 bench.text(Quantity::Speed, still.fall.speed_m_s),
                                 bench.text(Quantity::Speed, still.lowSpeed_m_s, false),
                                 bench.text(Quantity::Speed, still.highSpeed_m_s))
                      : QString();
    });
    rest->hideLastWhenEmpty();

    state->setObjectName(QStringLiteral("tankState"));
    byLog->setObjectName(QStringLiteral("tankByLog"));
    rest->readout(tr("Not counted: drag of"),
                  [](const Results& r) { return r.derived ? withoutDrag(*r.derived) : QString(); });
    rest->hideLastWhenEmpty();

    auto* steady = new Form(bench, tr("How steady"));
    steady->readout(tr("Weight under lift by"), [&bench](const Results& r) {
        return bench.text(Quantity::Length, r.derived->mass->centreOfBuoyancy_m.z() -
                                                r.derived->mass->centreOfGravity_m.z());
    });
    steady->readout(tr("Metacentric, rolling"), [&bench](const Results& r) {
        return r.derived->rest->attitudes.empty()
                   ? bench.text(Quantity::Length, r.derived->rest->hang.arm_m)
                   : bench.text(Quantity::Length,
                                r.derived->rest->attitudes.front().metacentricHeightRoll_m);
    });
    steady->readout(tr("Stable attitudes"), [&bench](const Results& r) {
        const Derived& d = *r.derived;
        if (d.rest->attitudes.empty()) {
            return tr("hangs under water");
        }
        QStringList all;
        for (const FloatAttitude& a : d.rest->attitudes) {
            all << tr("pitch %1, lean %2")
                       .arg(bench.text(Quantity::Angle, a.pitch_rad),
                            bench.text(Quantity::Angle, a.roll_rad));
        }
        return QStringLiteral("%1: %2").arg(all.size()).arg(all.join(QStringLiteral("; ")));
    });
    steady->readout(tr("Weight from the nose"), [&bench](const Results& r) {
        return bench.text(Quantity::Length, r.derived->mass->centreOfGravity_m.x());
    });
    steady->readout(tr("Lift from the nose"), [&bench](const Results& r) {
        return bench.text(Quantity::Length, r.derived->mass->centreOfBuoyancy_m.x());
    });

    auto* scale = new Form(bench, tr("The scale should read"));
    auto stage = [&bench, scale](const QString& label, double StageMasses::*mass) {
        scale->readout(label, [&bench, mass](const Results& r) {
            return bench.text(Quantity::Mass, r.derived->mass->stages.*mass);
        });
    };
    stage(tr("Shaped body"), &StageMasses::shapedBody_kg);
    stage(tr("Bare body, drilled"), &StageMasses::drilledBody_kg);
    stage(tr("Sealed"), &StageMasses::sealedBody_kg);
    stage(tr("With lead and filler"), &StageMasses::withLead_kg);
    stage(tr("With hardware"), &StageMasses::withHardware_kg);
    stage(tr("Finished"), &StageMasses::finished_kg);
    auto* alone = new Form(bench, tr("Each piece alone"));
    for (int i = 0; i < kMostParts; ++i) {
        QLabel* value = alone->readout({}, [&bench, i](const Results& r) {
            if (size_t(i) >= r.derived->rest->alone.size()) {
                return QString();
            }
            const PieceAlone& a = r.derived->rest->alone[size_t(i)];
            return tr("%1: %2 %3, %4")
                       .arg(
                           QString::fromStdString(r.derived->mass->pieces[size_t(i)].name),
                           bench.text(Quantity::Mass, std::abs(a.net_kg)),
                           a.net_kg >= 0 ? tr("spare") : tr("heavy"),
                           a.decided ? noseWords(a.pitch_rad, bench.bench()) : tr("any attitude")) +
                   onItsEyes(bench, *r.derived, size_t(i));
        });
        value->setObjectName(QStringLiteral("alone/%1").arg(i));
        alone->hideLastWhenEmpty();
    }
    rest->readout(tr("To the bottom"), [&bench](const Results& r) {
        FreeFallTimes fall = freeFallTimes(*r.derived);
        // Both go with the drag as the log has it.
        for (double* goes : {&fall.steadySpeed_m_s, &fall.timeConstant_s}) {
            *goes = Learner::of(bench).seen(NoteKind::Sink, *goes);
        }
        const double depth = r.design->brief.waterDepth_m;
        if (std::abs(fall.steadySpeed_m_s) < kStillSpeed_m_s) {
            return tr("about still");
        }
        return fall.steadySpeed_m_s > 0
                   ? tr("%1 for %2")
                         .arg(bench.text(Quantity::Time, timeToFall_s(fall, depth)),
                              bench.text(Quantity::Distance, depth))
                   : tr("comes up from %1 in %2")
                         .arg(bench.text(Quantity::Distance, depth),
                              bench.text(Quantity::Time, timeToFall_s(fall, depth)));
    });
    QObject::connect(&Learner::of(bench), &Learner::changed, rest, &Form::readAgain);
    auto refresh = [&bench, alone] {
        const ResultsPtr r = bench.results();
        alone->setVisible(r && r->derived && !r->derived->rest->alone.empty());
    };
    QObject::connect(&bench.evaluator, &Evaluator::resultsChanged, alone, refresh);
    refresh();
    auto* tabs = new SheetTabs(QStringLiteral("tankTabs"));
    tabs->addTab(formColumn({rest, alone}), tr("At rest"));
    tabs->addTab(formColumn({steady, scale}), tr("Steady, on the scale"));
    tabs->addTab(makeRightingTab(bench), tr("Righting"));
    tabs->addTab(makeWatersTab(bench), tr("Waters"));
    tabs->addTab(makeSwapsTab(bench), tr("Hook swaps"));
    tabs->addTab(makeDoubtTab(bench), tr("How sure"));
    tabs->addTab(makeSchoolTab(bench), tr("Tank school"));
    return tabs;
}

}  // namespace wl
