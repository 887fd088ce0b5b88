#include "words/build_words.h"

#include <cmath>

#include "core/draw/draw_bait.h"
#include "core/making/moulding.h"
#include "core/placed/lip_sheet.h"
#include "session/sentence_text.h"

namespace wl {
namespace {

QString coatWords(const BuildStep& step, const Design& design, const QString& what) {
    const Coat& coat = design.coats[step.coat];
    const QString name = QString::fromStdString(coat.name);
    return coat.count > 1
               ? tr("%1: %2, coat %3 of %4").arg(what, name).arg(step.pass + 1).arg(coat.count)
               : tr("%1: %2").arg(what, name);
}

bool isCoat(StepKind kind) {
    return kind == StepKind::Seal || kind == StepKind::Paint || kind == StepKind::PaintInside ||
           kind == StepKind::ClearCoat;
}

// Medium, mesh and masks of a coat, as its recipe has them.
QString coatHow(const Coat& coat) {
    QStringList lines;
    if (!coat.medium.empty()) {
        lines << tr("With %1.").arg(QString::fromStdString(coat.medium));
    }
    if (!coat.stencil.empty()) {
        lines << tr("Through %1.").arg(QString::fromStdString(coat.stencil));
    }
    if (!coat.masked.empty()) {
        lines << tr("Masked: %1.").arg(QString::fromStdString(coat.masked));
    }
    return lines.join(QLatin1Char(' '));
}

}  // namespace

QString stepTitle(const BuildStep& step, const Design& design) {
    switch (step.kind) {
        case StepKind::Pour:
            return tr("Mix and pour");
        case StepKind::Trim:
            return tr("Trim flash and fill bubbles");
        case StepKind::Print:
            return tr("Print the pieces");
        case StepKind::Turn:
            return tr("Turn the body to its half template");
        case StepKind::SawGroove:
            return tr("Saw the groove into both half boards");
        case StepKind::GlueHalves:
            return tr("Glue the half boards");
        case StepKind::CutSheets:
            return tr("Cut the sheets and their cavities");
        case StepKind::PaintInside:
            return coatWords(step, design, tr("Paint inside"));
        case StepKind::GlueSheets:
            return tr("Glue the sheets on the register pins");
        case StepKind::DrillUpright:
            return tr("Drill what goes right through");
        case StepKind::DrillBores:
            return tr("Drill from belly and back");
        case StepKind::DrillFlanks:
            return tr("Drill and cut from the flanks");
        case StepKind::DrillEnds:
            return tr("Drill the ends");
        case StepKind::SawSlots:
            return tr("Saw the slots");
        case StepKind::Shape:
            return tr("Shape the body");
        case StepKind::SawJoints:
            return tr("Saw the joints and bevel them");
        case StepKind::CutPockets:
            return tr("Cut the pockets and fit the hinges dry");
        case StepKind::WeighBody:
            return tr("Weigh the bare body");
        case StepKind::Seal:
            return coatWords(step, design, tr("Seal"));
        case StepKind::ClearHoles:
            return tr("Clear slots and holes");
        case StepKind::BendWire:
            return tr("Bend the wire and glue it in");
        case StepKind::Lead:
            return design.chambers.empty() ? tr("Put the lead in and close the holes")
                                           : tr("Put lead and rattles in and close the holes");
        case StepKind::FitEyes:
            return tr("Glue in screw eyes, wire eyes and fins");
        case StepKind::JoinPieces:
            return tr("Hang the pieces on their hinges");
        case StepKind::Putty:
            return tr("Build up the putty");
        case StepKind::TankTest:
            return tr("Weigh it and into the tank, before paint");
        case StepKind::Paint:
            return coatWords(step, design, tr("Paint"));
        case StepKind::SetLip:
            return tr("Set the lip and sight it straight");
        case StepKind::ClearCoat:
            return coatWords(step, design, tr("Clear coat"));
        case StepKind::Hooks:
            return tr("Hang rings and hooks");
        case StepKind::Weigh:
            return tr("Weigh the finished bait");
        case StepKind::BedMaster:
            return tr("Bed the master to its middle and build the box");
        case StepKind::PourFirstHalf:
            return tr("Pour the first half of the mould");
        case StepKind::TurnMould:
            return tr("Turn it over, clay off, release film on");
        case StepKind::PourSecondHalf:
            return tr("Pour the second half of the mould");
        case StepKind::OpenMould:
            return tr("Open the mould and cut spout and vents");
    }
    return {};
}

QString stepReason(const BuildStep& step, const Design& design) {
    switch (step.kind) {
        case StepKind::DrillUpright:
        case StepKind::DrillBores:
        case StepKind::DrillFlanks:
        case StepKind::DrillEnds:
            return design.make.kind == MakeKind::Carved || design.make.kind == MakeKind::Layered
                       ? tr("Before shaping: there is still a flat to drill from.")
                       : tr("Before sealing, so that the seal gets into the holes.");
        case StepKind::SawSlots:
            return tr("While the flanks are square to the saw.");
        case StepKind::SawJoints:
            return tr("After shaping: the outline runs through the joint.");
        case StepKind::WeighBody:
            return tr("What it weighs decides the lead, which is planned again from it.");
        case StepKind::Seal:
            return design.joints.empty()
                       ? tr("Before the lip and before any paint, so that nothing soaks.")
                       : tr("Before the lip and paint; inside the joints too, which get no paint.");
        case StepKind::ClearHoles:
            return tr("Sealing tightens slots and holes.");
        case StepKind::Lead:
            return tr("Before paint: what the tank shows can still be drilled out.");
        case StepKind::TankTest:
            return tr("While lead can be moved; paint and clear coats will still weigh something.");
        case StepKind::SetLip:
            return tr("After the colours, before the clear coats, which hold its edge.");
        case StepKind::PaintInside:
            return tr(
                "Seen from outside through the sheet: what is nearest to the eye goes on "
                "first, so the order is turned round.");
        case StepKind::Hooks:
            return tr("Last, so that nobody is hooked at the bench.");
        case StepKind::BedMaster:
            return tr(
                "Where the clay ends the halves part: along the middle flash is trimmed off "
                "an edge and not off a flank.");
        case StepKind::TurnMould:
            return tr("Silicone poured on bare silicone is one block for good.");
        default:
            return {};
    }
}

QString stepHow(const BuildStep& step, const Design& design, const Derived& derived, Bench bench) {
    const Building& b = design.building;
    switch (step.kind) {
        case StepKind::Shape:
            return design.make.grain == GrainDirection::Along
                       ? tr("Knife, rasp, sandpaper. Carve from the thick middle towards nose and "
                            "tail, with the grain; hold the section cards over it.")
                       : tr("Rasp and sandpaper rather than a knife: the grain does not run along. "
                            "Hold the section cards over it.");
        case StepKind::ClearHoles:
            return tr("The same bits by hand; they lost about %1.")
                .arg(shown(Quantity::Length, bench, b.sealTightens_m));
        case StepKind::DrillUpright:
        case StepKind::DrillBores:
        case StepKind::DrillFlanks:
        case StepKind::DrillEnds:
            return tr("Drill press, bits and stops as in the drill table, in its order.");
        case StepKind::SawSlots:
            return tr("Band saw or hand saw; leave %1 for the seal.")
                .arg(shown(Quantity::Length, bench, b.sealTightens_m));
        case StepKind::SetLip: {
            QString words = b.lipGlue == LipGlue::SlowEpoxy
                                ? tr("Slow epoxy leaves the time to sight it from ahead and above.")
                                : tr("Instant glue: dry-fit first, there is no second chance.");
            const TieWire wire = measureTieWire(design);
            if (wire.mass_kg > 0 && design.tie.wire_m > 0) {
                constexpr double kPitch = 6.0;  // diameters a turn
                const double turns =
                    std::max(0.0, design.tie.standOff_m - 0.5 * design.tie.loop_m) /
                    (kPitch * design.tie.wire_m);
                words += QLatin1Char(' ') +
                         tr("Twist the wire tight in the lip first, about %1 turns and no more: "
                            "wire wound closer breaks.")
                             .arg(QString::number(std::max(1.0, std::round(turns)), 'f', 0));
            }
            if (const auto hole = tieLegHole(design, derived.shape->curves)) {
                words += QLatin1Char(' ') +
                         tr("Its ends go back under the lip and %1 into the hole of %2 beside the "
                            "slot, in the same glue.")
                             .arg(shown(Quantity::Length, bench, hole->depth_m),
                                  shown(Quantity::Thickness, bench, 2 * hole->halfAlong_m));
            }
            return words;
        }
        case StepKind::Lead: {
            QStringList plugs;
            for (size_t i = 0; i < design.bores.size(); ++i) {
                plugs << tr("%1: %2 (%3)")
                             .arg(QString::fromStdString(boreLetter(i)),
                                  shown(Quantity::Mass, bench, derived.mass->bores[i].leadMass_kg),
                                  shown(Quantity::Length, bench,
                                        derived.mass->bores[i].plugLength_m));
            }
            for (size_t i = 0; i < design.sideWeights.size(); ++i) {
                plugs << tr("%1: %2").arg(
                    QString::fromStdString(design.sideWeights[i].name),
                    shown(Quantity::Mass, bench, derived.mass->sideWeights[i].mass_kg));
            }
            for (const RattleChamber& c : design.chambers) {
                plugs << tr("%1: %2 balls of %3")
                             .arg(QString::fromStdString(c.name))
                             .arg(c.ballCount)
                             .arg(shown(Quantity::Length, bench, c.ballDiameter_m));
            }
            return plugs.join(QStringLiteral(", "));
        }
        case StepKind::TankTest:
            return tr(
                "Lip pushed in dry, rings and hooks hung on: they count in what the scale "
                "should read, paint and clear coats do not.");
        case StepKind::BedMaster: {
            const Eigen::Vector3d box = mouldBox(design, derived).box_m;
            return tr("Master sealed and its holes begun, clay level all round, pits pressed in "
                      "for "
                      "the halves to find each other. Box inside: %1 long, %2 across, %3 high.")
                .arg(shown(Quantity::Length, bench, box.x()),
                     shown(Quantity::Length, bench, box.y()),
                     shown(Quantity::Length, bench, box.z()));
        }
        case StepKind::PourFirstHalf:
        case StepKind::PourSecondHalf: {
            const MouldBox box = mouldBox(design, derived);
            return tr("%1 of silicone (%2), waste in. A thin skin first, in a thin stream from "
                      "high up, so that its bubbles break; then fill the box.")
                .arg(shown(Quantity::Volume, bench, box.siliconeHalf_m3),
                     shown(Quantity::Mass, bench, box.siliconeHalf_kg));
        }
        case StepKind::TurnMould:
            return tr(
                "The master stays where it is. Film over all the silicone that shows, and "
                "over the box.");
        case StepKind::OpenMould:
            return tr(
                "The spout where the bait is thickest, a vent at every high point. See "
                "Mould, amounts for what goes into it.");
        case StepKind::JoinPieces:
            return tr("Each piece hung by itself first: it should swing freely and rest level.");
        default:
            return isCoat(step.kind) ? coatHow(design.coats[step.coat]) : QString();
    }
}

QString stepCaution(const BuildStep& step) {
    switch (step.kind) {
        case StepKind::DrillUpright:
        case StepKind::DrillBores:
        case StepKind::DrillFlanks:
        case StepKind::DrillEnds:
        case StepKind::SawSlots:
        case StepKind::SawJoints:
        case StepKind::CutPockets:
        case StepKind::SawGroove:
        case StepKind::CutSheets:
        case StepKind::Turn:
            return tr(
                "Hold the work in a vice, guards on, no gloves at turning tools, eyes "
                "covered.");
        case StepKind::OpenMould:
            return tr("Cut away from the hand.");
        case StepKind::Shape:
        case StepKind::Trim:
            return tr("Dust of wood and resin: mask and extraction. Cut away from the hand.");
        case StepKind::Putty:
        case StepKind::Pour:
        case StepKind::PourFirstHalf:
        case StepKind::PourSecondHalf:
        case StepKind::GlueHalves:
        case StepKind::GlueSheets:
        case StepKind::FitEyes:
        case StepKind::SetLip:
            return tr(
                "Resin and glue: gloves and fresh air; they sensitise skin, and large cups "
                "grow hot. Follow the product sheet.");
        case StepKind::Lead:
            return tr(
                "Lead: outdoors or under extraction, bone dry, gloves, wash hands, away from "
                "children and food. Some waters restrict it: check the local rules.");
        case StepKind::BendWire:
        case StepKind::Hooks:
            return tr("Hooks and wire ends: cover your eyes.");
        case StepKind::Seal:
        case StepKind::Paint:
        case StepKind::PaintInside:
        case StepKind::ClearCoat:
            return tr(
                "Respirator when spraying, no flame near solvents, no bare eyes at UV lamps. "
                "Follow the product sheet.");
        default:
            return {};
    }
}

QString verdictWords(const ReadingVerdict& verdict, const StepReading& reading,
                     const Design& design, Bench bench) {
    const QString off = shown(Quantity::Mass, bench, std::abs(verdict.off_kg));
    if (verdict.within) {
        return tr("As expected: %1 %2, within ± %3 of the measuring.")
            .arg(off, verdict.off_kg < 0 ? tr("under") : tr("over"),
                 shown(Quantity::Mass, bench, reading.within_kg));
    }
    QString words = verdict.off_kg > 0 ? tr("▲ %1 heavier than expected.").arg(off)
                                       : tr("▲ %1 lighter than expected.").arg(off);
    words += QLatin1Char(' ');
    if (reading.what == ReadingOf::Body || reading.what == ReadingOf::Sealed) {
        words += tr("Plan the lead again: it is not in yet.");
    } else if (verdict.bore) {
        const QString hole = QString::fromStdString(boreLetter(*verdict.bore) + " " +
                                                    design.bores[*verdict.bore].name);
        const QString plug = shown(Quantity::Length, bench, verdict.plug_m);
        const QString lead = shown(Quantity::Mass, bench, std::abs(verdict.lead_kg));
        words += verdict.lead_kg < 0
                     ? tr("Cheapest: drill %1 of lead (%2) out of %3 and close it with filler.")
                           .arg(lead, plug, hole)
                     : tr("Cheapest: %1 of lead more (%2) into %3.").arg(lead, plug, hole);
    } else {
        words += tr("No bore has the room to mend it: see Ballast, Choices.");
    }
    return words;
}

}  // namespace wl
