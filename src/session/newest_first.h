// A thread that does the newest of its jobs.
#pragma once

#include <condition_variable>
#include <functional>
#include <mutex>
#include <optional>
#include <stop_token>
#include <thread>

namespace wl {

/// One thread, one job that waits; a newer one takes its place, and tells the one in hand by its
/// stop token that it is overtaken. `work` runs on the thread and throws nothing.
template <class Job>
class NewestFirst {
  public:
    using Work = std::function<void(const Job& job, const std::stop_token& overtaken)>;

    explicit NewestFirst(Work work)
        : work_(std::move(work)), thread_([this](const std::stop_token& stop) { run(stop); }) {}
    ~NewestFirst() {
        thread_.request_stop();
        const std::lock_guard lock(mutex_);
        inHand_.request_stop();
    }
    NewestFirst(const NewestFirst&) = delete;
    NewestFirst& operator=(const NewestFirst&) = delete;

    /// Nothing more to do: what waits is dropped, what is in hand told to stop.
    void cancel() {
        const std::lock_guard lock(mutex_);
        waiting_.reset();
        inHand_.request_stop();
    }

    void request(Job job) {
        {
            const std::lock_guard lock(mutex_);
            waiting_ = std::move(job);
            inHand_.request_stop();
        }
        wake_.notify_one();
    }

  private:
    void run(const std::stop_token& stop) {
        while (!stop.stop_requested()) {
            std::optional<Job> job;
            std::stop_token overtaken;
            {
                std::unique_lock lock(mutex_);
                if (!wake_.wait(lock, stop, [this] { return waiting_.has_value(); }) ||
                    stop.stop_requested()) {
                    return;
                }
                job.swap(waiting_);
                inHand_ = std::stop_source();
                overtaken = inHand_.get_token();
            }
            work_(*job, overtaken);
        }
    }

    Work work_;
    std::mutex mutex_;
    std::condition_variable_any wake_;
    std::optional<Job> waiting_;
    std::stop_source inHand_;
    std::jthread thread_;  // last: joined before anything else is destroyed
};

}  // namespace wl
