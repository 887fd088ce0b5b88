#include "session/inbox.h"

#include <QCoreApplication>
#include <QEvent>

namespace wl {

Inbox::Inbox(QObject* parent) : QObject(parent) {}

void Inbox::post(Message message) {
    const std::lock_guard lock(mutex_);
    waiting_.push_back(std::move(message));
    QCoreApplication::postEvent(this, new QEvent(QEvent::User));
}

void Inbox::customEvent(QEvent* /*arrived*/) {
    Message message;
    {
        const std::lock_guard lock(mutex_);
        message.swap(waiting_.front());
        waiting_.pop_front();
    }
    message();
}

}  // namespace wl
