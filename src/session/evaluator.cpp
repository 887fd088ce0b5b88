#include "session/evaluator.h"

#include <algorithm>
#include <condition_variable>
#include <mutex>

#include "core/cast/throws.h"
#include "core/clearance/clearance.h"
#include "core/design/fields.h"
#include "core/plan/plan_lead.h"
#include "core/reckon/evaluate.h"
#include "core/rules/check_design.h"
#include "session/guard.h"

namespace wl {
namespace {

constexpr size_t kMostEffects = 6;
constexpr std::chrono::milliseconds kHandRests{40};

// Whether nothing newer came for a while.
bool rests(const std::stop_token& overtaken) {
    std::mutex mutex;
    std::condition_variable_any wake;
    std::unique_lock lock(mutex);
    wake.wait_for(lock, overtaken, kHandRests, [] { return false; });
    return !overtaken.stop_requested();
}

// Findings about lead get the lead plan as their cure.
void offerLeadPlan(const Derived& known, std::vector<Finding>& findings, std::stop_token stop) {
    const Design& design = *known.design;
    std::optional<ProposedEdit> plan;
    for (Finding& f : findings) {
        const bool pieces =
            std::any_of(design.bores.begin(), design.bores.end(),
                        [](const Bore& bore) { return bore.lead == BoreLead::Pieces; });
        if (f.topic != Topic::Lead || design.bores.empty() || pieces) {
            continue;
        }
        if (!plan) {
            const Result<LeadPlan> made = planLead(design, &known, stop);
            if (!made) {
                return;
            }
            plan = made->edit;
        }
        f.edits.push_back(*plan);
    }
}

EditEffect foresee(const Derived& near, const Finding& finding, const ProposedEdit& edit,
                   std::stop_token stop) {
    EditEffect effect;
    effect.path = finding.path;
    effect.edit = edit;
    const Result<Design> edited = withEdit(*near.design, edit);
    if (!edited) {
        return effect;
    }
    const Result<Derived> derived = evaluate(*edited, &near);
    if (!derived) {
        return effect;
    }
    effect.known = true;
    effect.spare = derived->rest->spare;
    effect.pitch_rad = derived->rest->pitch_rad;
    const Run run = computeRun(*derived, stop, kFineRetrieve);
    if (run.depthKnown) {
        effect.depth_m = run.path.maxDepth_m;
    }
    return effect;
}

}  // namespace

Evaluator::Evaluator(QObject* parent)
    : QObject(parent),
      motion_([this](const ResultsPtr& towed, const std::stop_token&) {
          told({towed->revision, towed->design, false, false, 1.0}, [&] { reckonMotion(*towed); });
      }),
      rest_([this](const Job& job, const std::stop_token& overtaken) {
          told(job, [&] { reckon(job, overtaken); });
      }) {}

Evaluator::~Evaluator() = default;

void Evaluator::request(quint64 revision, DesignPtr design) {
    requested_ = revision;
    asked_ = std::move(design);
    const auto now = std::chrono::steady_clock::now();
    rest_.request(
        {revision, asked_, now - lastRequest_ < 2 * kHandRests, false, sinkSeenOf(*asked_)});
    lastRequest_ = now;
}

double Evaluator::sinkSeenOf(const Design& design) const {
    return design.name == sinkSeen_.first ? sinkSeen_.second : 1.0;
}

void Evaluator::setSinkSeen(const std::string& bait, double times) {
    const double before = asked_ ? sinkSeenOf(*asked_) : 1.0;
    sinkSeen_ = {bait, times};
    if (asked_ && sinkSeenOf(*asked_) != before) {
        const bool stands = latest_ && latest_->revision == requested_ && latest_->run;
        rest_.request({requested_, asked_, false, stands, sinkSeenOf(*asked_)});
    }
}

bool Evaluator::isSettled() const {
    return latest_ && latest_->revision == requested_ && (latest_->swim || latest_->error);
}

void Evaluator::publish(ResultsPtr results) {
    inbox_.post([this, results = std::move(results)] {
        if (latest_ && latest_->revision > results->revision) {
            return;
        }
        auto newest = results;
        if (latest_ && latest_->revision == results->revision && latest_->swim) {
            // Of one revision each thread adds its own.
            auto both = std::make_shared<Results>(*results);
            both->cast_m = latest_->cast_m;
            both->swim = latest_->swim;
            newest = std::move(both);
        }
        latest_ = std::move(newest);
        emit resultsChanged();
    });
}

template <class Work>
void Evaluator::told(const Job& job, Work work) {
    if (const auto fault = guarded(work)) {
        auto results = std::make_shared<Results>();
        results->revision = job.revision;
        results->design = job.design;
        results->error = fault;
        publish(results);
    }
}

void Evaluator::reckonMotion(const Results& towed) {
    const std::optional<double> cast_m = middleDistance_m(*towed.derived);
    const auto swim = std::make_shared<const Swim>(swimOf(*towed.derived, *towed.run));
    inbox_.post([this, revision = towed.revision, cast_m, swim] {
        if (!latest_ || latest_->revision != revision || latest_->error) {
            return;
        }
        auto whole = std::make_shared<Results>(*latest_);
        whole->cast_m = cast_m;
        whole->swim = swim;
        latest_ = std::move(whole);
        emit resultsChanged();
    });
}

void Evaluator::reckon(const Job& job, const std::stop_token& tow) {
    auto quick = std::make_shared<Results>();
    quick->revision = job.revision;
    quick->design = job.design;
    Result<Derived> derived = evaluate(*job.design, known_.get());
    if (!derived) {
        quick->error = derived.error();
        publish(quick);
        return;
    }
    const bool asSeen = derived->sinkSeen == job.sinkSeen;
    quick->derived = std::make_shared<const Derived>(
        asSeen ? std::move(derived).value()
               : sinkingAsSeen(std::move(derived).value(), job.sinkSeen));
    known_ = quick->derived;
    quick->findings = checkDesign(*quick->derived);
    if (!job.again) {
        publish(quick);
    }

    auto run = std::make_shared<Run>(computeRun(*quick->derived, tow, kFineRetrieve));
    if (tow.stop_requested()) {
        return;
    }
    const auto withRun = [&](const std::shared_ptr<const Run>& of, Results& results) {
        const std::vector<Finding> towed = checkRun(*results.derived, *of);
        results.findings.insert(results.findings.end(), towed.begin(), towed.end());
        results.run = of;
    };
    if (job.hurried && band_) {
        // Under a drag the strip follows, with the band of before.
        auto carried = std::make_shared<Run>(*run);
        carryDoubts(*carried, *band_);
        auto followed = std::make_shared<Results>(*quick);
        withRun(carried, *followed);
        publish(followed);
        if (!rests(tow)) {
            return;
        }
    }
    auto full = std::make_shared<Results>(*quick);
    checkSkinWalls(*job.design, *quick->derived, full->findings, true, tow);
    addDoubts(*quick->derived, *run, tow);
    if (tow.stop_requested()) {
        return;
    }
    band_ = run;
    withRun(run, *full);
    full->whole = true;
    publish(full);
    motion_.request(full);

    auto foreseen = std::make_shared<Results>(*full);
    offerLeadPlan(*foreseen->derived, foreseen->findings, tow);
    for (const Finding& finding : foreseen->findings) {
        for (const ProposedEdit& edit : finding.edits) {
            if (tow.stop_requested() || foreseen->effects.size() >= kMostEffects) {
                break;
            }
            foreseen->effects.push_back(foresee(*foreseen->derived, finding, edit, tow));
        }
    }
    if (!tow.stop_requested()) {
        publish(foreseen);
    }
}

}  // namespace wl

#include "moc_evaluator.cpp"
