// The water log as kept between sessions: one SQLite book, shared by every window.
#pragma once

#include <QMap>
#include <QObject>
#include <QString>
#include <optional>

#include "core/base/result.h"
#include "core/learn/water_log.h"
#include "store/store.h"

class QTimer;

namespace wl {

/// Every change is one transaction, written through to the disk before it counts. What other
/// windows wrote is seen within a second. A damaged book is set aside under a name of its own and a
/// new one begun; one that another program holds is waited for, notes being refused until
/// it is free; one of a newer program is only read; without a place to write the log lasts for
/// the session. Call from the thread that owns it.
class LogBook : public QObject {
    Q_OBJECT
  public:
    explicit LogBook(const QString& path, QObject* parent = nullptr);

    enum class State { Kept, ReadOnly, SessionOnly, Waiting };
    State state() const { return state_; }
    /// What opening came upon: "log.set_aside", "log.newer", "log.session_only", "log.waiting"
    /// (word: where).
    const std::vector<Error>& notices() const { return notices_; }

    const WaterLog& log() const { return log_; }

    /// Adds (id 0: it is given one) or rewrites a record. Errors: those of faultOf; "log.gone" (it
    /// was taken out meanwhile), "log.there_already" (that
    /// bait, or that copy of it, is kept under another number), "log.read_only", "log.busy",
    /// "log.write_failed" (word: what SQLite said); nothing is then changed.
    template <class T>
    std::optional<Error> put(T& record);
    template <class T>
    std::optional<Error> remove(std::int64_t id);
    /// Takes in another log (see mergeLog), all or nothing. Gives how many records are new or
    /// changed.
    Result<size_t> merge(const WaterLog& other);

    /// What is kept of one bait is the other's from then on: notes, copies, what is known of it.
    /// Errors: as `put`; "log.there_already" where something was logged of the other.
    std::optional<Error> rename(const std::string& from, const std::string& to);

    /// What was typed and not yet logged, by the name of its field.
    QString draft(const QString& field) const { return drafts_.value(field); }
    std::optional<Error> setDraft(const QString& field, const QString& text);

  signals:
    void changed();

  private:
    SqlOutcome openBook();
    SqlOutcome load();
    void lookForChanges();
    template <class Change>
    std::optional<Error> change(Change&& change);
    Error told(const SqlFault& fault) const;

    QString path_;
    Store store_;
    State state_ = State::Waiting;
    std::vector<Error> notices_;
    qint64 version_ = -1;
    WaterLog log_;
    QMap<QString, QString> drafts_;
    QTimer* watch_;
};

}  // namespace wl
