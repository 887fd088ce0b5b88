#include "app/frame/steps.h"

#include "app/kit/learner.h"
#include "app/pages/pages.h"
#include "core/aim/aim.h"
#include "core/chain/chain_bait.h"
#include "core/forecast/by_log.h"
#include "core/making/build_steps.h"
#include "session/words.h"

namespace wl {
namespace {

QString wanted(const Workbench& bench, const Results& r) {
    const Brief& brief = r.design->brief;
    return tr("%1 of %2")
        .arg(bench.text(Quantity::Distance, brief.wantedDepth_m),
             bench.text(Quantity::Distance, brief.waterDepth_m));
}

QString volume(const Workbench& bench, const Results& r) {
    return bench.text(Quantity::Volume, r.derived->shape->solid.volume_m3);
}

QString density(const Workbench& bench, const Results& r) {
    return bench.text(Quantity::Density, r.derived->shape->reckoning.usedDensity_kg_m3);
}

QString fittingsMass(const Workbench& bench, const Results& r) {
    double mass = 0;
    for (const MassItem& item : r.derived->mass->items) {
        mass += item.kind == PartKind::Fitting ? item.mass_kg : 0;
    }
    return bench.text(Quantity::Mass, mass);
}

QString missingMass(const Workbench& bench, const Results& r) {
    const double missing = r.derived->wantedMass_kg - r.derived->mass->mass_kg;
    if (std::abs(missing) < 0.1e-3) {
        return tr("as wanted");
    }
    return missing > 0 ? tr("▲ %1 short").arg(bench.text(Quantity::Mass, missing))
                       : tr("▲ %1 over").arg(bench.text(Quantity::Mass, -missing));
}

QString lipAngle(const Workbench& bench, const Results& r) {
    const Lip& lip = r.design->lip;
    return lip.present ? tr("%1 to the axis").arg(bench.text(Quantity::Angle, lip.angle_rad))
                       : tr("no lip");
}

QString jointOpening(const Workbench& bench, const Results& r) {
    const auto& joints = r.derived->shape->joints;
    if (joints.empty()) {
        return tr("one piece");
    }
    double least = kPi;
    for (const JointCut& cut : joints) {
        least = std::min(least, cut.opening.opening_rad);
    }
    return tr("%n piece(s), ±%1", nullptr, int(joints.size()) + 1)
        .arg(bench.text(Quantity::Angle, least));
}

QString atRest(Workbench& bench, const Results& r) {
    const Rest& rest = *r.derived->rest;
    if (const QString lean = leanWords(rest.roll_rad, bench.bench()); !lean.isEmpty()) {
        return QStringLiteral("▲ ") + lean;
    }
    if (rest.state == RestState::Sinks) {
        return tr("sinks %1")
            .arg(bench.text(Quantity::Speed,
                            Learner::of(bench).seen(NoteKind::Sink, rest.fall.speed_m_s)));
    }
    return rest.state == RestState::Suspends
               ? tr("suspends")
               : tr("floats, %1 spare").arg(bench.text(Quantity::Fraction, rest.spare));
}

QString castDistance(Workbench& bench, const Results& r) {
    if (!r.run) {
        return QStringLiteral("…");
    }
    return r.cast_m ? tr("about %1")
                          .arg(bench.text(Quantity::Distance,
                                          Learner::of(bench).seen(NoteKind::Cast, *r.cast_m)))
                    : tr("not reckoned");
}

QString depth(Workbench& bench, const Results& r) {
    if (!r.run) {
        return QStringLiteral("…");
    }
    const auto taught = Learner::of(bench).taught(NoteKind::Depth);
    const Run run = taught ? runByLog(*r.run, *taught) : *r.run;
    return run.depthKnown ? tr("%1 to %2")
                                .arg(bench.text(Quantity::Distance, run.depthLow_m, false),
                                     bench.text(Quantity::Distance, run.depthHigh_m))
                          : tr("▲ no depth");
}

QString beats(Workbench& bench, const Results& r) {
    if (!r.swim) {
        return QStringLiteral("…");
    }
    const SwimKind kind = swimKind(*r.derived);
    if (kind != SwimKind::Wobble) {
        return kind == SwimKind::Glide ? tr("walked by the rod") : tr("drawn in pieces");
    }
    if (r.swim->untold) {
        return tr("not told");
    }
    const auto taught = Learner::of(bench).taught(NoteKind::Beats);
    const double seen =
        r.swim->beats_1_s.middle * (taught ? taught->middle / r.swim->film.beats : 1.0);
    return r.swim->swings ? tr("about %1 beats/s").arg(QLocale().toString(seen, 'f', 1))
                          : tr("no action");
}

QString wish(const Workbench& bench, const Results& r) {
    if (!r.derived) {
        return QStringLiteral("–");
    }
    const AimTarget first = wishOf(*r.derived).targets.front();
    const Quantity q = first.relative ? Quantity::Number : quantityOf(first.what);
    const QString band =
        tr("%1 to %2").arg(bench.text(q, first.low, false), bench.text(q, first.high));
    const QString of = first.what == AimMeasure::Beats   ? tr("%1 beats/s")
                       : first.what == AimMeasure::Swing ? tr("swing %1")
                                                         : QStringLiteral("%1");
    return first.relative ? tr("%1 times now").arg(band) : of.arg(band);
}

QString sheetKind(const Workbench&, const Results&) {
    return tr("PDF, true scale");
}

QString stepsDone(const Workbench& bench, const Results& r) {
    const std::vector<BuildStep> steps = buildSteps(*r.design, *r.derived);
    const QString build = QString::fromStdString(r.design->name);
    int done = 0;
    for (const BuildStep& step : steps) {
        const StepRecord record =
            bench.builds.recordOf({build, 0, QString::fromStdString(step.key())});
        done += record.state == StepRecord::State::Done ? 1 : 0;
    }
    return done == 0 ? tr("%n step(s)", nullptr, int(steps.size()))
                     : tr("%1 of %2 done").arg(done).arg(steps.size());
}

QString logged(const Workbench& bench, const Results& r) {
    const auto& notes = bench.log.log().notes;
    const auto count = std::count_if(notes.begin(), notes.end(),
                                     [&r](const LogNote& n) { return n.bait == r.design->name; });
    return count == 0 ? tr("nothing logged") : tr("%n note(s)", nullptr, int(count));
}

QString dash() {
    return QStringLiteral("–");
}

QString cannot() {
    return tr("▲ cannot be reckoned");
}

}  // namespace

const std::vector<StepEntry>& stepTable() {
    static const std::vector<StepEntry> table{
        {Step::Brief,
         tr("Brief"),
         makeBriefPage,
         {"/brief", "/notes", "/name"},
         nullptr,
         wanted,
         nullptr},
        {Step::Body, tr("Body"), makeBodyPage, {"/body", "/trace"}, "body", volume, cannot},
        {Step::Stock,
         tr("Stock"),
         makeStockPage,
         {"/pieces/0/stock", "/make"},
         nullptr,
         density,
         dash},
        {Step::Fittings,
         tr("Fittings"),
         makeFittingsPage,
         {"/fittings", "/features", "/appendages", "/through_wire", "/meetings"},
         nullptr,
         fittingsMass,
         dash},
        {Step::Ballast,
         tr("Ballast"),
         makeBallastPage,
         {"/bores", "/side_weights", "/build_ups", "/coats", "/chambers"},
         nullptr,
         missingMass,
         dash},
        {Step::LipAndTie, tr("Lip & tie"), makeLipPage, {"/lip", "/tie"}, nullptr, lipAngle, dash},
        {Step::Joints,
         tr("Joints"),
         makeJointsPage,
         {"/joints", "/pieces"},
         nullptr,
         jointOpening,
         dash,
         [](const Design& d) { return d.joints.empty(); }},
        {Step::Tank, tr("Tank"), makeTankPage, {"/tank", "/errors"}, "tank", atRest, dash},
        {Step::Cast,
         tr("Cast"),
         makeCastPage,
         {"/brief/throw_speed", "/brief/reel", "/brief/wind"},
         nullptr,
         castDistance,
         dash},
        {Step::Run,
         tr("Run"),
         makeRunPage,
         {"/brief/cadence", "/brief/trolled_line"},
         nullptr,
         depth,
         dash},
        {Step::Swim, tr("Swim"), makeSwimPage, {"/swim"}, nullptr, beats, dash},
        {Step::Aim, tr("Aim"), makeAimPage, {"/aim"}, nullptr, wish, nullptr},
        {Step::BenchSheet,
         tr("Bench sheet"),
         makeBenchSheetPage,
         {},
         "bench-sheet",
         sheetKind,
         dash,
         nullptr,
         true},
        {Step::Build,
         tr("Build"),
         makeBuildPage,
         {"/building", "/make/mould"},
         "build",
         stepsDone,
         dash},
        {Step::WaterLog, tr("Water log"), makeWaterLogPage, {"/log"}, nullptr, logged, nullptr},
    };
    return table;
}

const StepEntry& entryOf(Step step) {
    return stepTable().at(size_t(step));
}

Step stepOfPath(const QString& path) {
    Step found = Step::Tank;
    qsizetype longest = 0;
    for (const StepEntry& entry : stepTable()) {
        for (const char* start : entry.paths) {
            const QLatin1String prefix(start);
            if (prefix.size() > longest && path.startsWith(prefix)) {
                longest = prefix.size();
                found = entry.step;
            }
        }
    }
    return found;
}

}  // namespace wl
