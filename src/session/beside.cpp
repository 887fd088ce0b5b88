#include "session/beside.h"

#include "session/guard.h"

namespace wl {

Beside::Beside(QObject* parent)
    : QObject(parent), thread_([this](std::stop_token stop) { run(stop); }) {}

Beside::~Beside() {
    thread_.request_stop();
    {
        const std::lock_guard lock(mutex_);
        jobStop_.request_stop();
    }
    wake_.notify_all();
}

void Beside::start(Work work) {
    ++wanted_;
    {
        const std::lock_guard lock(mutex_);
        pending_ = Job{wanted_, std::move(work)};
        jobStop_.request_stop();
    }
    wake_.notify_one();
    if (!running_) {
        running_ = true;
        emit runningChanged();
    }
}

void Beside::cancel() {
    ++wanted_;
    {
        const std::lock_guard lock(mutex_);
        pending_.reset();
        jobStop_.request_stop();
    }
    if (running_) {
        running_ = false;
        emit runningChanged();
    }
}

void Beside::run(std::stop_token stop) {
    while (!stop.stop_requested()) {
        Job job;
        std::stop_token jobStop;
        {
            std::unique_lock lock(mutex_);
            if (!wake_.wait(lock, stop, [this] { return pending_.has_value(); })) {
                return;
            }
            job = std::move(*pending_);
            pending_.reset();
            jobStop_ = std::stop_source();
            jobStop = jobStop_.get_token();
        }
        const quint64 number = job.number;
        const Progress progress = [this, number](double share) {
            QMetaObject::invokeMethod(
                this,
                [this, number, share] {
                    if (number == wanted_) {
                        emit progressed(share);
                    }
                },
                Qt::QueuedConnection);
        };
        Finish finish;
        const std::optional<Error> fault = guarded([&] { finish = job.work(jobStop, progress); });
        QMetaObject::invokeMethod(
            this,
            [this, number, fault, finish = std::move(finish)] {
                if (number != wanted_) {
                    return;
                }
                if (fault) {
                    emit failed(*fault);
                } else if (finish) {
                    finish();
                }
                running_ = false;
                emit runningChanged();
            },
            Qt::QueuedConnection);
    }
}

}  // namespace wl
