// What has been done of each bait at the bench, its clocks, and finishes kept under a name.
#pragma once

#include <QObject>
#include <QString>
#include <functional>
#include <map>
#include <optional>
#include <tuple>

#include "core/base/result.h"
#include "core/design/design.h"
#include "store/store.h"

class QTimer;

namespace wl {

/// One step of one bait, as far as it has got. Times in seconds since 1970.
struct StepRecord {
    enum class State { Waiting, Working, Paused, Done };
    State state = State::Waiting;
    double worked_s = 0.0;  ///< before it was last begun or paused
    qint64 since_s = 0;     ///< begun, paused or done
    double cure_s = 0.0;    ///< of one that is done
    std::optional<double> read_kg;
    bool told = false;  ///< that it has cured
    QString words;      ///< of the notice: step and bait

    /// Hands on it till now.
    double workedBy_s(qint64 now) const {
        return worked_s + (state == State::Working ? double(now - since_s) : 0.0);
    }
    bool cures(qint64 now) const { return state == State::Done && double(now - since_s) < cure_s; }
};

/// One SQLite book for all baits. Every change is written before it counts; a clock goes on while
/// the program is closed, for it is only the time it was begun. A book that cannot be kept lasts
/// for the session, and says so in `notices`. Call from the thread that owns it.
class BuildBook : public QObject {
    Q_OBJECT
  public:
    using Clock = std::function<qint64()>;
    using Notify = std::function<void(const QString& words)>;

    /// The mould all baits of a design are poured in, in the place of a bait.
    static constexpr int kMould = -1;
    /// `build`: of which design, by its name; `bait`: of several, from 0, or kMould; `step`:
    /// BuildStep::key.
    struct Key {
        QString build;
        int bait = 0;
        QString step;
        auto tie() const { return std::tie(build, bait, step); }
        bool operator<(const Key& o) const { return tie() < o.tie(); }
    };

    /// `clock` and `notify` empty: the machine's own, and the desktop's notices.
    BuildBook(const QString& path, Clock clock = {}, Notify notify = {}, QObject* parent = nullptr);

    qint64 now() const { return clock_(); }
    void setClock(Clock clock) { clock_ = std::move(clock); }
    void setNotify(Notify notify) { notify_ = std::move(notify); }
    /// Codes "builds.session_only".
    const std::vector<Error>& notices() const { return notices_; }
    StepRecord recordOf(const Key& key) const;

    /// Each carries out one change. Errors: "builds.write_failed" (word: what SQLite said); nothing
    /// is then changed.
    std::optional<Error> begin(const Key& key);
    std::optional<Error> pause(const Key& key);
    /// Done now; it cures for so long, and `words` are said when it has.
    std::optional<Error> finish(const Key& key, double cure_s, const QString& words);
    /// Back to not begun; a reading is kept.
    std::optional<Error> reset(const Key& key);
    std::optional<Error> setReading(const Key& key, double read_kg);
    /// All baits of a design forgotten, to build it anew in the mould that is there; or the mould.
    std::optional<Error> forget(const QString& build, bool mould = false);
    /// The clocks of one design are another's from then on, where that has none of its own.
    std::optional<Error> rename(const QString& from, const QString& to);

    /// A finish kept under a name: the text of its coats.
    QStringList recipes() const { return recipes_.keys(); }
    QString recipe(const QString& name) const { return recipes_.value(name); }
    std::optional<Error> putRecipe(const QString& name, const QString& text);
    std::optional<Error> removeRecipe(const QString& name);

    /// Tells what has cured meanwhile; called every second, and once at the start. What another
    /// window wrote is read first, so that each is told once.
    void lookAtClocks();

  signals:
    void changed();
    /// Something has cured: said on the desktop as well.
    void cured(const QString& words);

  private:
    std::optional<Error> put(const Key& key, const StepRecord& record);
    std::optional<Error> written(const SqlOutcome& fault);
    SqlOutcome load();
    void readOthers();

    Store store_;
    Clock clock_;
    Notify notify_;
    std::vector<Error> notices_;
    qint64 version_ = -1;
    std::map<Key, StepRecord> records_;
    QMap<QString, QString> recipes_;
    QTimer* watch_;
};

/// Whether baits can be poured: every step of the design's mould is done, or a bait of it was
/// poured already. True for what is not cast.
bool mouldStands(const BuildBook& book, const Design& design);

}  // namespace wl
