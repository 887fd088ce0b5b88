#include "app/kit/learner.h"

#include <QSettings>
#include <algorithm>
#include <cmath>

namespace wl {
namespace {

constexpr const char* kLearns = "log/learns";

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
    const auto readAgain = [this] {
        fits_ = std::make_shared<LogFits>(bench_.log.log(), learns_);
        again();
    };
    connect(&bench.log, &LogBook::changed, this, readAgain);
    readAgain();
}

std::optional<FactorBand> Learner::taught(NoteKind kind) const {
    return name_ == bench_.design().name ? taughtOf(figures_, kind) : std::nullopt;
}

double Learner::seen(NoteKind kind, double reckoned) const {
    const auto factor = taught(kind);
    return factor ? factor->middle * reckoned : reckoned;
}

bool Learner::showsOtherwise(NoteKind kind, const std::optional<FactorBand>& shown) const {
    constexpr double kSeen = 0.005;
    const auto now = taught(kind);
    return now.has_value() != shown.has_value() ||
           (now && std::abs(now->middle / shown->middle - 1) > kSeen);
}

bool Learner::isCurrent() const {
    const ResultsPtr r = bench_.results();
    return done_ == wanted_ && r && r->revision == revision_ && !beside_.isRunning();
}

// What is wanted to sink is wanted as it will be seen.
void Learner::tellSink() {
    constexpr double kSeen = 0.005;
    const auto factor = taughtOf(figures_, NoteKind::Sink);
    const double times = factor ? factor->middle : 1.0;
    if (sinkTold_.first != name_ || std::abs(times / sinkTold_.second - 1) > kSeen) {
        sinkTold_ = {name_, times};
        bench_.evaluator.setSinkSeen(name_, times);
    }
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
        fits_ = std::make_shared<LogFits>(bench_.log.log(), learns_);
        again();
    }
}

void Learner::wantSlow() {
    if (!slow_) {
        slow_ = true;
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
    const auto& notes = bench_.log.log().notes;
    const bool chain = swimKind(*r->derived) == SwimKind::Snake;
    const bool slow =
        slow_ || std::any_of(notes.begin(), notes.end(), [chain](const LogNote& n) {
            return n.kind == NoteKind::BlowOut || (chain && n.kind == NoteKind::Beats);
        });
    const LogOuting* outing = bench_.log.log().outing(outing_);
    const Design there = outing != nullptr ? onOuting(*r->design, *outing) : *r->design;
    beside_.start([this, r, there, number, slow, fits = fits_, copy = copy_, day = outing_](
                      std::stop_token stop, const Beside::Progress&) -> Beside::Finish {
        const auto raw = [&](const Design& design) {
            return design == *r->design && !slow
                       ? std::optional(rawForecast(*r->derived, r->run.get(), r->swim.get(),
                                                   r->cast_m, std::nullopt))
                       : foretell(design, r->derived.get(), slow, stop);
        };
        const std::optional<RawForecast> usual = raw(*r->design);
        const std::optional<RawForecast> here = there == *r->design ? usual : raw(there);
        std::vector<LearntFigure> figures;
        if (usual && here) {
            figures = learntFigures(*here, *usual, *fits, {r->design->name, copy, day}, stop);
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
            tellSink();
            lookForOdd();
            emit changed();
        };
    });
}

// Readings that do not fit take a fit each: they are told when the rest is.
void Learner::lookForOdd() {
    std::vector<std::pair<Learnt, FactorOf>> open;
    for (const LearntFigure& f : figures_) {
        if (f.learnt && !fits_->oddKnown(*f.learnt, f.whose)) {
            open.emplace_back(*f.learnt, f.whose);
        }
    }
    if (open.empty()) {
        odd_.cancel();
        return;
    }
    odd_.start([this, open, fits = fits_](std::stop_token stop,
                                          const Beside::Progress&) -> Beside::Finish {
        for (const auto& [quantity, of] : open) {
            if (!fits->odd(quantity, of, stop)) {
                return {};
            }
        }
        return [this, fits] {
            for (LearntFigure& f : figures_) {
                if (f.learnt && fits == fits_) {
                    f.odd = fits->oddKnown(*f.learnt, f.whose).value_or(f.odd);
                }
            }
            emit changed();
        };
    });
}

}  // namespace wl

#include "moc_learner.cpp"
#include "moc_workbench.cpp"
