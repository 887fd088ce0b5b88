#include "app/pages/aim/way_words.h"
#include "session/field_words.h"
#include "session/words.h"

#include <QLocale>

#include "core/base/units.h"
#include "core/design/fields.h"
#include "core/placed/lip_sheet.h"

namespace wl {
namespace {

QString measureName(AimMeasure what) {
    switch (what) {
        case AimMeasure::Depth:
            return tr("depth");
        case AimMeasure::Beats:
            return tr("beats");
        case AimMeasure::Swing:
            return tr("swing");
        case AimMeasure::RollToYaw:
            return tr("roll by yaw");
        case AimMeasure::Pitch:
            return tr("nose under way");
        case AimMeasure::CastBalance:
            return tr("balance");
    }
    return {};
}

QString leverWords(const Workbench& bench, AimLeverKind kind, double value) {
    const QString amount =
        bench.text(kind == AimLeverKind::LipAngle ? Quantity::Angle : Quantity::Length, value);
    switch (kind) {
        case AimLeverKind::LipAngle:
            return tr("lip at %1").arg(amount);
        case AimLeverKind::LipLength:
            return tr("lip %1 long").arg(amount);
        case AimLeverKind::LipWidth:
            return tr("lip %1 wide").arg(amount);
        case AimLeverKind::TieUpLip:
            return tr("tie %1 up the lip").arg(amount);
        case AimLeverKind::TieAlong:
            return tr("tie %1 aft of the nose").arg(amount);
        case AimLeverKind::TieUp:
            return tr("tie at height %1").arg(amount);
    }
    return {};
}

QString figure(const Workbench& bench, AimMeasure what, double value) {
    return what == AimMeasure::Beats ? tr("%1 beats/s").arg(QLocale().toString(value, 'f', 1))
                                     : bench.text(quantityOf(what), value);
}

QString ruleWords(AimTrial::Fault fault) {
    switch (fault) {
        case AimTrial::Fault::None:
            return {};
        case AimTrial::Fault::NotReckoned:
            return tr("it cannot be drawn or reckoned so");
        case AimTrial::Fault::NoDepth:
            return tr("it does not dive");
        case AimTrial::Fault::LeadShort:
            return tr("the bores have no room for its lead");
        case AimTrial::Fault::NoAction:
            return tr("it no longer swims");
        case AimTrial::Fault::NotSettled:
            return tr("its roll under way is not settled by the model");
        case AimTrial::Fault::NotTrusted:
            return tr("its swim is not one the model may be trusted with");
    }
    return {};
}

QString outlineWord(const Design& design) {
    const auto field = findField(design, "/lip/family");
    return field ? fieldAnswers(*field).value(int(design.lip.family)) : QString();
}

}  // namespace

QString wayName(const AimWay& way, const std::vector<AimLever>& levers) {
    switch (way.kind) {
        case AimWay::Kind::Best:
            return tr("Best");
        case AimWay::Kind::OneLever:
            switch (levers[way.lever].kind) {
                case AimLeverKind::LipAngle:
                    return tr("Only the lip's angle");
                case AimLeverKind::LipLength:
                    return tr("Only the lip's length");
                case AimLeverKind::LipWidth:
                    return tr("Only the lip's width");
                default:
                    return tr("Only the tie");
            }
        case AimWay::Kind::LeastChange:
            return tr("Least change");
        case AimWay::Kind::Steepest:
            return tr("Steepest lip");
        case AimWay::Kind::InLine:
            return tr("Lip most in line");
        case AimWay::Kind::SmallestLip:
            return tr("Smallest lip");
        case AimWay::Kind::OtherTie:
            return tr("Another tie");
        case AimWay::Kind::OtherOutline:
            return tr("Outline: %1").arg(outlineWord(way.design));
        case AimWay::Kind::OneBore:
            return tr("Lead in one bore");
        case AimWay::Kind::NoTungsten:
            return tr("Without tungsten");
    }
    return {};
}

QString changeWords(const Workbench& bench, const std::vector<AimLever>& levers,
                    const std::vector<double>& values, const Design& drawn) {
    QStringList changes;
    for (size_t i = 0; i < values.size(); ++i) {
        if (values[i] != leverOf(drawn, levers[i].kind)) {
            changes << leverWords(bench, levers[i].kind, values[i]);
        }
    }
    return changes.join(QStringLiteral(", "));
}

QString toldWords(const Workbench& bench, const AimValues& told) {
    QStringList words;
    for (const AimMeasure what : {AimMeasure::Depth, AimMeasure::Beats, AimMeasure::Swing}) {
        if (const auto value = told.of(what)) {
            words << (what == AimMeasure::Swing ? QStringLiteral("±") : QString()) +
                         figure(bench, what, *value);
        }
    }
    return words.join(QStringLiteral(", "));
}

QStringList wayWords(const Workbench& bench, const AimWay& way, const AimAnswer& answer,
                     const Design& drawn) {
    QStringList lines;
    const QString changes = changeWords(bench, answer.levers, way.values, drawn);
    lines << (changes.isEmpty() ? tr("As it is drawn, its lead planned.")
                                : tr("Change: %1.").arg(changes));
    if (way.kind == AimWay::Kind::OtherOutline) {
        lines << tr("The lip sawn to another outline: %1.").arg(outlineWord(way.design));
    } else if (way.kind == AimWay::Kind::OneBore) {
        const Bore& bore = way.design.bores.front();
        lines << tr("All the lead in one bore: %1 across, %2 from the nose; no other is drilled. "
                    "It rests at %3 for %4 wanted.")
                     .arg(bench.text(Quantity::Length, bore.diameter_m),
                          bench.text(Quantity::Length, bore.x_m),
                          bench.text(Quantity::Angle, way.price.restPitch_rad),
                          bench.text(Quantity::Angle, way.design.brief.wantedPitch_rad));
    } else if (way.kind == AimWay::Kind::NoTungsten) {
        lines << tr("Plugs of lead in place of the denser ones drawn.");
    }
    lines << tr("Gives %1.").arg(toldWords(bench, way.told));
    QStringList wished;  // what is told only where it is asked for
    for (const AimTarget& target : answer.targets) {
        const auto value = way.told.of(target.what);
        if (value && (target.what == AimMeasure::RollToYaw || isPlain(target.what))) {
            wished << tr("%1 %2").arg(measureName(target.what), figure(bench, target.what, *value));
        }
    }
    if (!wished.isEmpty()) {
        lines << tr("And %1.").arg(wished.join(QStringLiteral(", ")));
    }
    QStringList chances;
    for (size_t i = 0; i < way.chances.size(); ++i) {
        chances << tr("%1 %2").arg(measureName(answer.targets[i].what),
                                   bench.text(Quantity::Fraction, way.chances[i]));
    }
    lines << tr("Chances: %1.").arg(chances.join(QStringLiteral(", ")));
    QStringList plugs;
    for (const Bore& bore : way.design.bores) {
        plugs << tr("%1 %2").arg(QString::fromStdString(bore.name),
                                 bench.text(Quantity::Length, bore.plugLength_m));
    }
    const double more = way.price.leadMore_kg;
    lines << tr("Costs: %1; plugs %2 (%3 of lead); least wall %4; weighs %5.")
                 .arg(way.price.slotRecut ? tr("the lip's slot cut anew")
                                          : tr("the slot stays as it is"),
                      plugs.join(QStringLiteral(", ")),
                      more < 0 ? tr("%1 less").arg(bench.text(Quantity::Mass, -more))
                               : tr("%1 more").arg(bench.text(Quantity::Mass, more)),
                      bench.text(Quantity::Length, way.price.leastWall_m),
                      bench.text(Quantity::Mass, way.price.mass_kg));
    if (way.fault != AimTrial::Fault::None) {
        lines << tr("▲ No answer: %1.").arg(ruleWords(way.fault));
    }
    const Eigen::Vector3d moved = tiePoint(way.design) - tiePoint(drawn);
    if (way.design.tie.onLip() && !lineEyes(drawn).empty() && moved.norm() > kMillimetre) {
        lines << tr("Bend the line's eye to its new place on the lip: it is drawn where it was.");
    }
    const bool tieAlong =
        std::any_of(answer.levers.begin(), answer.levers.end(),
                    [](const auto& l) { return l.kind == AimLeverKind::TieAlong; });
    if (tieAlong && !drawn.lip.present) {
        lines << tr(
            "Which way the tie of a bait without a lip works the model does not know: try "
            "it in the water before it is drilled.");
    }
    if (!way.settled) {
        lines << tr("Its roll under way is not settled by the model: try it in the water first.");
    }
    for (const Finding& finding : way.against) {
        lines << (finding.severity == Severity::Error ? QStringLiteral("▲ ") : QString()) +
                     sentence(finding, bench.bench());
    }
    return lines;
}

QString relaxedWords(const Workbench& bench, const AimRelaxation& relaxation) {
    QStringList words;
    for (size_t i = 0; i < relaxation.what.size(); ++i) {
        const double value = relaxation.becomes[i];
        switch (relaxation.what[i]) {
            case AimRelaxation::What::ThinnerLine:
                words << tr("line %1").arg(bench.text(Quantity::Thickness, value));
                break;
            case AimRelaxation::What::LongerCast:
                words << tr("cast %1").arg(bench.text(Quantity::Distance, value));
                break;
            case AimRelaxation::What::Faster:
            case AimRelaxation::What::Slower:
                words << tr("reel at %1").arg(bench.text(Quantity::Speed, value));
                break;
            case AimRelaxation::What::LongerLip:
                words << tr("lip to %1 long").arg(bench.text(Quantity::Length, value));
                break;
            case AimRelaxation::What::LessLead:
                words << tr("spare %1").arg(bench.text(Quantity::Fraction, value));
                break;
        }
    }
    return words.join(QStringLiteral(", "));
}

QStringList shortfallWords(const Workbench& bench, const AimAnswer& answer) {
    QStringList lines;
    for (const AimShortfall& miss : answer.shortfalls) {
        lines << tr("▲ Cannot be had so: %1 %2 to %3; nearest %4.")
                     .arg(measureName(miss.target.what),
                          figure(bench, miss.target.what, miss.target.low),
                          figure(bench, miss.target.what, miss.target.high),
                          figure(bench, miss.target.what, miss.nearest));
        if (miss.depthBound_m) {
            const QString bound = bench.text(Quantity::Distance, *miss.depthBound_m);
            lines << (miss.provenImpossible
                          ? tr("No lip and tie of these ranges runs deeper than %1 on this line "
                               "and cast, whatever the model's error.")
                                .arg(bound)
                          : tr("By the model none within these ranges runs deeper than %1 on this "
                               "line and cast; a water test may differ.")
                                .arg(bound));
        }
    }
    for (const AimRelaxation& relaxation : answer.relaxations) {
        lines << (relaxation.met ? tr("It would do: %1 (%2).") : tr("Nearer: %1 (%2)."))
                     .arg(relaxedWords(bench, relaxation), toldWords(bench, relaxation.told));
    }
    return lines;
}

QString ceilingWords(const AimAnswer& answer, bool relative) {
    QStringList most;
    bool low = false, ofSwim = false;
    for (size_t i = 0; i < answer.targets.size(); ++i) {
        most << tr("%1 %2").arg(
            measureName(answer.targets[i].what),
            QLocale().toString(int(std::lround(100 * answer.ceilings[i]))) + QStringLiteral(" %"));
        const AimMeasure what = answer.targets[i].what;
        if (answer.ceilings[i] < 0.5) {
            low = true;
            ofSwim = ofSwim || what == AimMeasure::Beats || what == AimMeasure::Swing;
        }
    }
    QString words = tr("At most can be promised: %1.").arg(most.join(QStringLiteral(", ")));
    if (low) {
        words += QStringLiteral(" ") +
                 (relative ? tr("So narrow a band the model cannot tell.")
                           : tr("So narrow a band the model cannot tell: wish by times what a bait "
                                "you know does."));
        if (ofSwim && !relative) {
            words += QStringLiteral(" ") + tr("A film of ten beats narrows beats and swing.");
        }
    }
    return words;
}

AimLog aimLog(Workbench& bench) {
    const Learner& learner = Learner::of(bench);
    const ResultsPtr r = bench.results();
    return aimLogOf(learner.taught(NoteKind::Depth), learner.taught(NoteKind::Beats),
                    learner.taught(NoteKind::Swing), r && r->swim ? r->swim->film.beats : 1.0);
}

bool differs(const AimLog& a, const AimLog& b) {
    constexpr double kSeen = 0.005;
    for (size_t i = 0; i < kAimMeasures; ++i) {
        if (a[i].has_value() != b[i].has_value() ||
            (a[i] && std::abs(a[i]->factor / b[i]->factor - 1) > kSeen)) {
            return true;
        }
    }
    return false;
}

QString taughtWords(const AimLog& log) {
    QStringList times;
    for (size_t i = 0; i < kAimMeasures; ++i) {
        if (log[i]) {
            times << tr("%1 times %2")
                         .arg(measureName(AimMeasure(i)),
                              QLocale().toString(log[i]->factor, 'f', 2));
        }
    }
    return times.isEmpty() ? QString()
                           : tr("By your log: %1. What is wished and told here is what you will "
                                "see.")
                                 .arg(times.join(QStringLiteral(", ")));
}

QString sinkByLogWords(double times) {
    return tr("By your log it sinks %1 times as fast as reckoned: rates wished and told here are "
              "what you will see.")
        .arg(QLocale().toString(times, 'f', 2));
}

}  // namespace wl
