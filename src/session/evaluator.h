// Reckons designs beside the window: newest edit first, results in order.
#pragma once

#include <QObject>
#include <condition_variable>
#include <memory>
#include <mutex>
#include <optional>
#include <thread>

#include "core/base/finding.h"
#include "core/reckon/run.h"
#include "core/swim/swim.h"
#include "session/document.h"

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
/// fuller result of the same revision, and `effects` with it.
struct Results {
    quint64 revision = 0;
    DesignPtr design;
    std::shared_ptr<const Derived> derived;
    std::optional<Error> error;
    std::shared_ptr<const Run> run;
    std::optional<double> cast_m;  ///< of one throw, with the run; none where it is not reckoned
    std::shared_ptr<const Swim> swim;  ///< at the run's speed, with the run
    std::vector<Finding> findings;
    std::vector<EditEffect> effects;
};
using ResultsPtr = std::shared_ptr<const Results>;

/// One worker thread, one pending design that newer ones overwrite. The quick part (mass and float)
/// always runs to its end and is shown, so that a drag is followed without starving; the tow is
/// stopped by any newer design. Call from the thread that owns the object; signals arrive there.
class Evaluator : public QObject {
    Q_OBJECT
  public:
    explicit Evaluator(QObject* parent = nullptr);
    ~Evaluator() override;

    void request(quint64 revision, DesignPtr design);
    ResultsPtr latest() const { return latest_; }
    /// True when the newest requested revision has its full result.
    bool isSettled() const;

  signals:
    /// New results: quick ones first, full ones later.
    void resultsChanged();

  private:
    struct Job {
        quint64 revision;
        DesignPtr design;
    };
    void work(std::stop_token stop);
    void reckon(const Job& job, const std::stop_token& tow);
    void publish(ResultsPtr results);

    ResultsPtr latest_;
    // The worker's alone: what the next reckoning takes over.
    std::shared_ptr<const Derived> known_;
    std::shared_ptr<const Run> band_;
    quint64 requested_ = 0;
    std::mutex mutex_;
    std::condition_variable_any wake_;
    std::optional<Job> pending_;
    std::stop_source towStop_;
    std::jthread thread_;  // last: joined before anything else is destroyed
};

}  // namespace wl
