// A part of a worksheet that reckons something longer while it is looked at.
#pragma once

#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QVBoxLayout>
#include <QWidget>

#include "app/kit/workbench.h"
#include "session/beside.h"

namespace wl {

/// Starts its work when it is shown and when the design changed while it is; hidden, it waits. A
/// thin bar with a cancel button shows under the content while the work takes longer than a blink.
class BesidePage : public QWidget {
    Q_OBJECT
  public:
    explicit BesidePage(Workbench& bench, QWidget* parent = nullptr);

    /// True when what is shown belongs to the design on the bench (tests wait for it).
    bool isCurrent() const;

  protected:
    void showEvent(QShowEvent* event) override;
    /// The work for these results; an empty function when there is nothing to reckon. What it
    /// returns shows what was found, and shows it again when the units or the lamp are switched.
    virtual Beside::Work work(const Results& results) = 0;
    /// Works again although the design did not change (the shelf did, or a wish).
    void again();
    /// Where the content goes.
    QVBoxLayout* content() { return content_; }
    Workbench& bench() { return bench_; }

  signals:
    void finished();

  private:
    void look();
    void tellAgain();

    Workbench& bench_;
    QVBoxLayout* content_;
    QWidget* bar_;
    QProgressBar* progress_;
    quint64 started_ = 0;
    quint64 done_ = 0;
    double sinkSeen_ = 1.0;  ///< what is reckoned, or shown, was made with
    Beside::Finish show_;  ///< shows what was reckoned last; may be called again
    bool told_ = true;     ///< in the units and colours of the bench
    Beside beside_;        // last: its thread ends before what it reports to
};

}  // namespace wl
