#include "session/beside.h"

#include "session/guard.h"

namespace wl {

Beside::Beside(QObject* parent)
    : QObject(parent),
      thread_([this](const Job& job, const std::stop_token& stop) { run(job, stop); }) {}

Beside::~Beside() = default;

void Beside::start(Work work) {
    ++wanted_;
    thread_.request({wanted_, std::move(work)});
    if (!running_) {
        running_ = true;
        emit runningChanged();
    }
}

void Beside::cancel() {
    ++wanted_;
    thread_.cancel();
    if (running_) {
        running_ = false;
        emit runningChanged();
    }
}

void Beside::run(const Job& job, const std::stop_token& stop) {
    const quint64 number = job.number;
    const Progress progress = [this, number](double share) {
        inbox_.post([this, number, share] {
            if (number == wanted_) {
                emit progressed(share);
            }
        });
    };
    Finish finish;
    const std::optional<Error> fault = guarded([&] { finish = job.work(stop, progress); });
    inbox_.post([this, number, fault, finish = std::move(finish)] {
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
    });
}

}  // namespace wl

#include "moc_beside.cpp"
