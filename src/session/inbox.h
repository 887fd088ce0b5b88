// What a worker wants done in the thread of another object.
#pragma once

#include <QObject>
#include <deque>
#include <functional>
#include <mutex>

namespace wl {

/// Calls what was posted, in the order posted, one by one in the thread that owns the inbox, when
/// its event loop next turns. What was not called when the inbox goes is dropped.
/// A lock of our own is held over the posting and taken at the arrival: the thread sanitizer sees
/// it, and cannot see those of a library built without it.
class Inbox : public QObject {
  public:
    using Message = std::function<void()>;

    explicit Inbox(QObject* parent = nullptr);

    /// From any thread, as long as the inbox stands.
    void post(Message message);

  protected:
    void customEvent(QEvent* arrived) override;

  private:
    std::mutex mutex_;
    std::deque<Message> waiting_;
};

}  // namespace wl
