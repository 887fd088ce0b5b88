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
        connect(&document, &Document::designChanged, this,
                [this] { evaluator.request(document.revision(), document.design()); });
    }

    Document document;
    Evaluator evaluator;

    const Design& design() const { return *document.design(); }
    /// Newest finished results, or null before the first.
    ResultsPtr results() const { return evaluator.latest(); }
};

}  // namespace wl
