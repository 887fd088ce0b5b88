// A bait being worked on.
#pragma once

#include <QObject>

#include "session/document.h"
#include "session/evaluator.h"

namespace wl {

/// A design with its history and its reckoning, which follows every change. Several can stand side
/// by side; what is shared between them (units, shelf, scale) is the workbench's.
class Bait : public QObject {
  public:
    explicit Bait(QObject* parent = nullptr) : QObject(parent) {
        connect(&document, &Document::designChanged, this, [this] {
            // What was reckoned of the design before this edit stays to be shown beside.
            if (whole_ && whole_->design == document.before()) {
                before_ = whole_;
            } else if (!before_ || before_->design != document.before()) {
                before_.reset();
            }
            evaluator.request(document.revision(), document.design());
        });
        connect(&evaluator, &Evaluator::resultsChanged, this, [this] {
            if (const ResultsPtr r = results(); r && r->derived && r->swim) {
                whole_ = r;
            }
        });
    }

    Document document;
    Evaluator evaluator;

    const Design& design() const { return *document.design(); }
    /// Newest finished results, or null before the first.
    ResultsPtr results() const { return evaluator.latest(); }
    /// The whole results (with their run) of the design before the last edit; null where there was
    /// none, or it was never wholly reckoned.
    ResultsPtr before() const { return before_; }

  private:
    ResultsPtr whole_;
    ResultsPtr before_;
};

}  // namespace wl
