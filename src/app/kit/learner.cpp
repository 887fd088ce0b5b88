#include "app/kit/learner.h"

#include <QSettings>

#include "core/learn/log_readings.h"

namespace wl {
namespace {

constexpr const char* kLearns = "log/learns";

// Fits of what the log knows, for the bait on the bench.
std::vector<LearntFigure> learn(const RawForecast& there, const RawForecast& usual,
                                const WaterLog& log, const std::string& name, std::int64_t copy,
                                int outing, bool learns, const std::stop_token& stop) {
    std::vector<LearntFigure> figures;
    const LogBait* bait = log.bait(name);
    LogBait of;
    if (bait != nullptr) {
        of = *bait;
    }
    of.bait = name;
    of.family = of.family.empty() ? there.family : of.family;
    for (size_t k = 0; k < there.figure.size() && !stop.stop_requested(); ++k) {
        if (!there.figure[k]) {
            continue;
        }
        LearntFigure f;
        f.kind = NoteKind(k);
        f.reckoned = *there.figure[k];
        f.usual = usual.figure[k].value_or(f.reckoned);
        f.learnt = learntOf(f.kind, of.family);
        if (f.learnt) {
            const LogReadings read = learns ? readingsOf(log, *f.learnt) : LogReadings{};
            const double setting =
                f.usual != 0 && f.reckoned / f.usual > 0 ? std::log(f.reckoned / f.usual) : 0.0;
            const FactorOf whose = factorOf(log, read, of, copy, f.usual, setting);
            const FactorFit fit(spreadsOf(*f.learnt), read.readings, stop);
            if (stop.stop_requested()) {
                return {};
            }
            f.told = tellFactor(fit, whose);
            f.said = sayFactor(*f.learnt, f.told);
            bool today = false;
            for (const FactorReading& r : read.readings) {
                today = today || r.outing == outing;
            }
            const bool depth = f.kind == NoteKind::Depth;
            f.worth = worthOfNext(fit, whose, today ? outing : -1, depth);
            for (const OddReading& odd : oddReadings(fit, hasLengthOrSpeed(*f.learnt), stop)) {
                f.odd.emplace_back(log.notes[read.notes[odd.reading]].id, odd);
            }
        }
        figures.push_back(std::move(f));
    }
    return figures;
}

}  // namespace

Learner& Learner::of(Workbench& bench) {
    auto* there = bench.findChild<Learner*>(QString(), Qt::FindDirectChildrenOnly);
    return there != nullptr ? *there : *new Learner(bench);
}

Learner::Learner(Workbench& bench)
    : QObject(&bench),
      bench_(bench),
      learns_(QSettings().value(QLatin1String(kLearns), true).toBool()) {
    connect(&bench.evaluator, &Evaluator::resultsChanged, this, [this] {
        const ResultsPtr r = bench_.results();
        if (r && r->revision != revision_) {
            again();
        } else {
            look();
        }
    });
    connect(&bench.log, &LogBook::changed, this, &Learner::again);
    look();
}

const LearntFigure* Learner::figure(NoteKind kind) const {
    const auto at = std::find_if(figures_.begin(), figures_.end(),
                                 [kind](const LearntFigure& f) { return f.kind == kind; });
    return at == figures_.end() ? nullptr : &*at;
}

std::optional<FactorBand> Learner::taught(NoteKind kind) const {
    const LearntFigure* f = figure(kind);
    return f != nullptr && f->learnt && f->told.unsure != Unsure::NotRead &&
                   name_ == bench_.design().name
               ? std::optional(f->told.itself)
               : std::nullopt;
}

bool Learner::isCurrent() const {
    const ResultsPtr r = bench_.results();
    return done_ == wanted_ && r && r->revision == revision_ && !beside_.isRunning();
}

void Learner::again() {
    ++wanted_;
    look();
}

void Learner::setCopy(std::int64_t copy) {
    if (copy_ != copy) {
        copy_ = copy;
        again();
    }
}

void Learner::setOuting(std::int64_t outing) {
    if (outing_ != outing) {
        outing_ = outing;
        again();
    }
}

void Learner::setLearns(bool on) {
    if (learns_ != on) {
        learns_ = on;
        QSettings().setValue(QLatin1String(kLearns), on);
        again();
    }
}

void Learner::wantSpeeds() {
    if (!speeds_) {
        speeds_ = true;
        again();
    }
}

// While the hand drags it waits: the log's words are read when the hand rests.
void Learner::look() {
    const ResultsPtr r = bench_.results();
    if (!r || !r->derived || !bench_.evaluator.isSettled() ||
        (done_ == wanted_ && r->revision == revision_)) {
        return;
    }
    const std::pair wanted{wanted_, r->revision};
    if (beside_.isRunning() && started_ == wanted) {
        return;
    }
    started_ = wanted;
    const quint64 number = wanted_;
    const bool speeds =
        speeds_ || std::any_of(bench_.log.log().notes.begin(), bench_.log.log().notes.end(),
                               [](const LogNote& n) { return n.kind == NoteKind::BlowOut; });
    const LogOuting* outing = bench_.log.log().outing(outing_);
    const Design there = outing != nullptr ? onOuting(*r->design, *outing) : *r->design;
    beside_.start(
        [this, r, there, number, speeds, log = bench_.log.log(), copy = copy_, day = int(outing_),
         learns = learns_](std::stop_token stop, const Beside::Progress&) -> Beside::Finish {
            const auto raw = [&](const Design& design) {
                return design == *r->design && !speeds
                           ? std::optional(rawForecast(*r->derived, r->run.get(), r->swim.get(),
                                                       r->cast_m, std::nullopt))
                           : foretell(design, r->derived.get(), speeds, stop);
            };
            const std::optional<RawForecast> usual = raw(*r->design);
            const std::optional<RawForecast> here = there == *r->design ? usual : raw(there);
            std::vector<LearntFigure> figures;
            if (usual && here) {
                figures = learn(*here, *usual, log, r->design->name, copy, day, learns, stop);
            }
            if (stop.stop_requested()) {
                return {};
            }
            return [this, figures, number, revision = r->revision, name = r->design->name,
                    family = usual ? usual->family : std::string()] {
                figures_ = figures;
                family_ = family;
                name_ = name;
                done_ = number;
                revision_ = revision;
                emit changed();
            };
        });
}

}  // namespace wl

#include "moc_learner.cpp"
#include "moc_workbench.cpp"
