#include "session/evaluator.h"

#include <algorithm>

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
    : QObject(parent), thread_([this](std::stop_token stop) { work(stop); }) {}

Evaluator::~Evaluator() {
    thread_.request_stop();
    {
        const std::lock_guard lock(mutex_);
        towStop_.request_stop();
    }
    wake_.notify_all();
}

void Evaluator::request(quint64 revision, DesignPtr design) {
    requested_ = revision;
    {
        const std::lock_guard lock(mutex_);
        pending_ = Job{revision, std::move(design)};
        towStop_.request_stop();
    }
    wake_.notify_one();
}

bool Evaluator::isSettled() const {
    return latest_ && latest_->revision == requested_ && (latest_->run || latest_->error);
}

void Evaluator::publish(ResultsPtr results) {
    QMetaObject::invokeMethod(
        this,
        [this, results = std::move(results)] {
            if (latest_ && latest_->revision > results->revision) {
                return;
            }
            latest_ = results;
            emit resultsChanged();
        },
        Qt::QueuedConnection);
}

void Evaluator::work(std::stop_token stop) {
    while (!stop.stop_requested()) {
        Job job;
        std::stop_token tow;
        {
            std::unique_lock lock(mutex_);
            if (!wake_.wait(lock, stop, [this] { return pending_.has_value(); })) {
                return;
            }
            job = *pending_;
            pending_.reset();
            towStop_ = std::stop_source();
            tow = towStop_.get_token();
        }
        if (const auto fault = guarded([&] { reckon(job, tow); })) {
            auto told = std::make_shared<Results>();
            told->revision = job.revision;
            told->design = job.design;
            told->error = fault;
            publish(told);
        }
    }
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
    quick->derived = std::make_shared<const Derived>(std::move(derived).value());
    known_ = quick->derived;
    quick->findings = checkDesign(*quick->derived);
    publish(quick);

    auto run = std::make_shared<Run>(computeRun(*quick->derived, tow, kFineRetrieve));
    if (tow.stop_requested()) {
        return;
    }
    auto full = std::make_shared<Results>(*quick);
    checkSkinWalls(*job.design, *quick->derived, full->findings, true, tow);
    if (tow.stop_requested()) {
        return;
    }
    addDoubts(*quick->derived, *run, tow);
    const bool overtaken = tow.stop_requested();
    if (overtaken && band_) {
        // Under a drag the strip follows, with the band of before.
        carryDoubts(*run, *band_);
    } else if (!overtaken) {
        band_ = run;
    }
    const std::vector<Finding> towed = checkRun(*quick->derived, *run);
    full->findings.insert(full->findings.end(), towed.begin(), towed.end());
    full->cast_m = middleDistance_m(*quick->derived);
    full->swim = std::make_shared<const Swim>(swimOf(*quick->derived, *run));
    full->run = std::move(run);
    publish(full);
    if (overtaken) {
        return;
    }

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
