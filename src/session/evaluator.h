// Reckons designs beside the window: newest edit first, results in order.
#pragma once

#include <QObject>
#include <chrono>
#include <memory>
#include <optional>
#include <string>
#include <utility>

#include "core/base/finding.h"
#include "core/reckon/run.h"
#include "core/swim/swim.h"
#include "session/document.h"
#include "session/inbox.h"
#include "session/newest_first.h"

namespace wl {

/// What an offered cure would do, worked out beforehand.
struct EditEffect {
    std::string path;  ///< of the finding
    ProposedEdit edit;
    bool known = false;
    double spare = 0.0;
    double pitch_rad = 0.0;
    std::optional<double> depth_m;
    bool operator==(const EditEffect&) const = default;
};

/// A finished reckoning of one revision. `derived` or `error` is set; `run` follows in a second,
/// fuller result of the same revision, then thin walls and the depth's own band (`whole`), `swim`
/// with `cast_m`, and `effects`.
struct Results {
    quint64 revision = 0;
    DesignPtr design;
    std::shared_ptr<const Derived> derived;
    std::optional<Error> error;
    std::shared_ptr<const Run> run;
    std::optional<double> cast_m;      ///< of one throw; none where it is not reckoned
    std::shared_ptr<const Swim> swim;  ///< at the run's speed
    std::vector<Finding> findings;
    bool whole = false;  ///< findings and the run's band are its own, not carried over
    std::vector<EditEffect> effects;
};
using ResultsPtr = std::shared_ptr<const Results>;

/// The newest design is reckoned first. Its quick part (mass and float) always runs to its end and
/// is shown, so that a drag is followed without starving; the tow is stopped by any newer design,
/// and what comes after it waits until the hand rests.
/// Cast and swim follow on a second thread when the hand rests: under a drag nothing waits for
/// them. Call from the thread that owns the object; signals arrive there.
class Evaluator : public QObject {
    Q_OBJECT
  public:
    explicit Evaluator(QObject* parent = nullptr);
    ~Evaluator() override;

    void request(quint64 revision, DesignPtr design);
    /// What a log has taught of that bait: it sinks so many times (over 0) as fast as reckoned. What
    /// stands of it is reckoned anew with that.
    void setSinkSeen(const std::string& bait, double times);
    ResultsPtr latest() const { return latest_; }
    /// True when the newest requested revision has its run, cast and swim.
    bool isSettled() const;

  signals:
    /// New results: quick ones first, full ones later.
    void resultsChanged();

  private:
    struct Job {
        quint64 revision;
        DesignPtr design;
        bool hurried = false;  ///< one of many in quick succession
        bool again = false;    ///< it stands already: shown when it is whole
        double sinkSeen = 1.0;
    };
    /// Guards and reports: what goes wrong in `work` becomes the result of that revision.
    template <class Work>
    void told(const Job& job, Work work);
    void reckon(const Job& job, const std::stop_token& tow);
    void reckonMotion(const Results& towed);
    double sinkSeenOf(const Design& design) const;
    void publish(ResultsPtr results);

    ResultsPtr latest_;
    // The worker's alone: what the next reckoning takes over.
    std::shared_ptr<const Derived> known_;
    std::shared_ptr<const Run> band_;
    quint64 requested_ = 0;
    DesignPtr asked_;
    std::pair<std::string, double> sinkSeen_{{}, 1.0};  ///< of which bait
    std::chrono::steady_clock::time_point lastRequest_;
    Inbox inbox_;
    // Last, and the one that feeds the other after it: joined before anything else is destroyed.
    NewestFirst<ResultsPtr> motion_;
    NewestFirst<Job> rest_;
};

}  // namespace wl
