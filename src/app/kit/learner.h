// What the log teaches of the bait on the bench, reckoned beside the window.
#pragma once

#include "app/kit/workbench.h"
#include "core/forecast/taught.h"
#include "session/beside.h"

namespace wl {

/// Follows bait, log, copy and outing; latest wins. One for a workbench.
class Learner : public QObject {
    Q_OBJECT
  public:
    static Learner& of(Workbench& bench);

    const std::vector<LearntFigure>& figures() const { return figures_; }
    const LearntFigure* figure(NoteKind kind) const { return figureOf(figures_, kind); }
    /// What the log makes of it; nothing where nothing was read of the bait and its kin, or the
    /// log's factors are not used. While the bait is changed, that of before; of another bait than
    /// that on the bench never anything.
    std::optional<FactorBand> taught(NoteKind kind) const;
    /// What the maker will see of what is reckoned: times that factor, where there is one.
    double seen(NoteKind kind, double reckoned) const;
    /// Of the log as it stands, for other baits' sake; from any thread.
    const std::shared_ptr<LogFits>& fits() const { return fits_; }
    /// Whether what is shown by that factor would be shown otherwise by now: by half a hundredth.
    bool showsOtherwise(NoteKind kind, const std::optional<FactorBand>& shown) const;
    const std::string& family() const { return family_; }
    /// What is shown belongs to bait, log, copy and outing as they stand.
    bool isCurrent() const;
    /// And readings that do not fit have been looked for, which takes longer.
    bool isWhole() const { return isCurrent() && !odd_.isRunning(); }

    std::int64_t copy() const { return copy_; }
    void setCopy(std::int64_t copy);
    /// The outing notes go to; 0 for none.
    std::int64_t outing() const { return outing_; }
    void setOuting(std::int64_t outing);
    /// Whether the log's factors are used at all; kept between sessions.
    bool learns() const { return learns_; }
    void setLearns(bool on);
    /// The speed it blows out at, and the beats of a chain, are reckoned as well from here on: some
    /// 300 ms more, of a chain up to a second.
    void wantSlow();

  signals:
    void changed();

  private:
    explicit Learner(Workbench& bench);
    void look();
    void again();
    void lookForOdd();
    void tellSink();

    Workbench& bench_;
    std::vector<LearntFigure> figures_;
    std::string family_, name_;  ///< of the bait the figures are of
    std::pair<std::string, double> sinkTold_{{}, 1.0};  ///< what the evaluator was told
    std::int64_t copy_ = 1, outing_ = 0;
    bool learns_ = true, slow_ = false;
    quint64 wanted_ = 1, done_ = 0;              ///< what was asked for, and what stands
    std::pair<quint64, quint64> started_{0, 0};  ///< what is reckoned: of which asking and bait
    quint64 revision_ = 0;
    std::shared_ptr<LogFits> fits_;  ///< of the log as it stands
    Beside beside_, odd_;            // last: their threads end before what they report to
};

}  // namespace wl
