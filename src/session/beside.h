// Longer work beside the window: one thread, latest wins, with progress and cancel.
#pragma once

#include <QObject>
#include <functional>

#include "core/base/result.h"
#include "session/inbox.h"
#include "session/newest_first.h"

namespace wl {

/// Runs one job at a time; a newer one stops the running and takes the place of the waiting one.
/// What a finished job returns is called in the thread that owns the object, unless a newer job was
/// started or the work was cancelled.
class Beside : public QObject {
    Q_OBJECT
  public:
    using Progress = std::function<void(double)>;
    using Finish = std::function<void()>;
    using Work = std::function<Finish(std::stop_token, const Progress&)>;

    explicit Beside(QObject* parent = nullptr);
    ~Beside() override;

    void start(Work work);
    void cancel();
    bool isRunning() const { return running_; }

  signals:
    void runningChanged();
    /// 0 to 1, in the owner's thread.
    void progressed(double share);
    /// The work threw: "program.fault".
    void failed(const wl::Error& fault);

  private:
    struct Job {
        quint64 number;
        Work work;
    };
    void run(const Job& job, const std::stop_token& stop);

    quint64 wanted_ = 0;  // owner's thread only
    bool running_ = false;
    Inbox inbox_;
    NewestFirst<Job> thread_;  // last: joined before anything else is destroyed
};

}  // namespace wl
