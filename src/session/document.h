// The open design: one immutable value, its undo history and its file.
#pragma once

#include <QObject>
#include <QUndoStack>
#include <memory>
#include <optional>

#include "core/base/finding.h"
#include "core/base/result.h"
#include "core/design/design.h"
#include "core/design/measured.h"

namespace wl {

using DesignPtr = std::shared_ptr<const Design>;

/// Owns the design. Nobody edits it in place: every edit submits a new value, which becomes one
/// step of undo. Edits of one control during one gesture (a drag, a held key) fold into one step.
class Document : public QObject {
    Q_OBJECT
  public:
    explicit Document(QObject* parent = nullptr);

    DesignPtr design() const { return design_; }
    /// The design before the last edit (all of one gesture is one edit, undo and redo are edits);
    /// null for one just opened.
    DesignPtr before() const { return before_; }
    /// Rises with every change of the design, undo and redo included.
    quint64 revision() const { return revision_; }
    QUndoStack* undoStack() { return &undo_; }
    QString filePath() const { return filePath_; }
    bool isModified() const { return !undo_.isClean() || neverSaved_; }

    /// Makes `next` the design as one undo step named `text`. Steps with the same non-empty
    /// mergeKey within one gesture fold. A design equal to the present one is no step. Locked sizes
    /// of the body are held, stations changed under an imported solid take over from it, and what
    /// was just measured comes before what is typical (core/design/measured.h).
    void submit(Design next, const QString& text, const QString& mergeKey = {});
    /// One field, as an undo step named after it; the error when it is refused, the design then
    /// being unchanged.
    std::optional<Error> setField(const QString& path, std::optional<double> value);
    std::optional<Error> setText(const QString& path, const QString& text);
    std::optional<Error> applyEdit(const ProposedEdit& edit, const QString& text);
    /// Ends the present gesture: the next edit starts a new undo step.
    void endGesture() { ++gesture_; }
    /// Something of the bait is in the hand (a mouse drag) until it is let go, which ends the
    /// gesture: what is only read may lag behind and must not move about under the hand.
    void hold() { held_ = true; }
    void letGo();
    bool isHeld() const { return held_; }

    /// Replaces everything, forgetting history. `unsaved` marks a design not yet in a file;
    /// `fileMark` is the mark of that file as the design knew it (see fileMark()).
    void replace(Design design, const QString& filePath, bool unsaved,
                 const QByteArray& fileMark = {});
    /// Whole or not at all; the error keeps the old file whole. A file that another window or
    /// program changed since it was opened or saved here is not written over:
    /// "file.changed_elsewhere", unless that is wanted.
    enum class Overwrite { OnlyOwn, Whatever };
    std::optional<Error> save(const QString& filePath, Overwrite overwrite = Overwrite::OnlyOwn);
    std::optional<Error> open(const QString& filePath);
    /// A digest of the file's bytes when it was last opened or saved here; empty for none.
    QByteArray fileMark() const { return fileMark_; }
    /// Whether the file now holds something else than when it was last opened or saved here.
    bool changedElsewhere() const;

  signals:
    void designChanged();
    void fileChanged();
    /// What was held was let go.
    void released();
    /// Told after the edit that brought it: what was measured is now reckoned with.
    void measuredTaken(const std::vector<MeasuredTaken>& taken);

  private:
    friend class EditDesign;
    std::optional<Error> submitField(const QString& path, Result<Design> next);
    void show(DesignPtr design);

    DesignPtr design_;
    DesignPtr before_;
    bool submitting_ = false;
    bool held_ = false;
    QString lastKey_;
    quint64 lastGesture_ = 0;
    quint64 revision_ = 0;
    quint64 gesture_ = 0;
    QUndoStack undo_;
    QString filePath_;
    QByteArray fileMark_;
    bool neverSaved_ = false;
};

}  // namespace wl
