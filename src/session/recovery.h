// Unsaved work kept safe beside the file, and found again after a crash.
#pragma once

#include <QLockFile>
#include <QObject>
#include <QTimer>
#include <memory>
#include <optional>
#include <vector>

#include "session/document.h"

namespace wl {

/// Work left behind by a window that did not close. Held: no other window is offered it as long as
/// this value lives.
struct LeftBehind {
    QString keptFile;      ///< the recovery copy
    QString originalFile;  ///< where the design had come from, empty for a new one
    QByteArray fileMark;   ///< Document::fileMark() of that file
    Design design;
    std::shared_ptr<QLockFile> held;
};

/// Writes the design to a recovery folder (whole or not at all) within kDelay_ms of the first
/// change that is not yet kept, while it differs from its file or its file is gone, and removes the
/// copy on save or an orderly close. Each window holds a lock on its own copy; copies whose lock
/// nobody holds are left behind.
class Recovery : public QObject {
    Q_OBJECT
  public:
    Recovery(Document& document, const QString& folder, QObject* parent = nullptr);

    /// Every readable copy nobody holds, the oldest first. Unreadable ones are set aside under
    /// another name, told in unreadable().
    std::vector<LeftBehind> findLeftBehind();
    /// Where the copies that could not be read now are.
    const QStringList& unreadable() const { return unreadable_; }
    /// Removes a copy once it was taken over or refused.
    void discard(const LeftBehind& left);
    /// Writes now if there is something unsaved (also called by the timer). The error is also told
    /// by failed(), once until it succeeds again; the copy before is then still there.
    std::optional<Error> keepNow();
    /// Orderly end: nothing is left behind.
    void finish();

    static constexpr int kDelay_ms = 1500;

  signals:
    void failed(const wl::Error& error);

  private:
    bool isElsewhere() const;

    Document& document_;
    QString folder_;
    QString file_;
    std::unique_ptr<QLockFile> lock_;
    QTimer timer_;
    QStringList unreadable_;
    bool failing_ = false;
};

}  // namespace wl
