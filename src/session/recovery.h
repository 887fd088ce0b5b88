// Unsaved work kept safe beside the file, and found again after a crash.
#pragma once

#include <QLockFile>
#include <QObject>
#include <QTimer>
#include <memory>
#include <optional>

#include "session/document.h"

namespace wl {

/// Work left behind by a window that did not close.
struct LeftBehind {
    QString keptFile;      ///< the recovery copy
    QString originalFile;  ///< where the design had come from, empty for a new one
    Design design;
};

/// Writes the design to a recovery folder shortly after each change (atomically) while it differs
/// from its file, and removes the copy on save or an orderly close. Each window holds a lock on its
/// own copy; copies whose lock nobody holds are left behind.
class Recovery : public QObject {
    Q_OBJECT
  public:
    Recovery(Document& document, const QString& folder, QObject* parent = nullptr);

    /// The oldest readable copy nobody holds, or nothing. Unreadable ones are set aside by name.
    std::optional<LeftBehind> findLeftBehind();
    /// Removes a copy once it was taken over or refused.
    void discard(const LeftBehind& left);
    /// Writes now if there is something unsaved (also called by the timer).
    void keepNow();
    /// Orderly end: nothing is left behind.
    void finish();

    static constexpr int kDelay_ms = 1500;

  private:
    Document& document_;
    QString folder_;
    QString file_;
    std::unique_ptr<QLockFile> lock_;
    QTimer timer_;
};

}  // namespace wl
