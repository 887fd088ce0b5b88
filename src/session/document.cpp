#include "session/document.h"

#include <QCryptographicHash>
#include <QUndoCommand>

#include "core/design/fields.h"
#include "core/shape/edit_body.h"
#include "files/design_file.h"
#include "files/pdf_design.h"
#include "files/whole_file.h"
#include "session/field_words.h"

namespace wl {

static QByteArray markOf(const std::string& bytes) {
    return QCryptographicHash::hash(QByteArrayView(bytes.data(), qsizetype(bytes.size())),
                                    QCryptographicHash::Sha256)
        .toHex();
}

// Holds the design before and after; undo is right by construction.
class EditDesign : public QUndoCommand {
  public:
    EditDesign(Document& document, DesignPtr before, DesignPtr after, const QString& text,
               QString mergeKey, quint64 gesture)
        // Shown in a menu, where a lone & would be a key.
        : QUndoCommand(QString(text).replace(QLatin1Char('&'), QStringLiteral("&&"))),
          document_(document),
          before_(std::move(before)),
          after_(std::move(after)),
          mergeKey_(std::move(mergeKey)),
          gesture_(gesture) {}

    void undo() override { document_.show(before_); }
    void redo() override { document_.show(after_); }
    int id() const override { return 1; }
    bool mergeWith(const QUndoCommand* other) override {
        const auto* next = static_cast<const EditDesign*>(other);
        if (mergeKey_.isEmpty() || next->mergeKey_ != mergeKey_ || next->gesture_ != gesture_) {
            return false;
        }
        after_ = next->after_;
        setObsolete(*after_ == *before_);
        return true;
    }

  private:
    Document& document_;
    DesignPtr before_;
    DesignPtr after_;
    QString mergeKey_;
    quint64 gesture_;
};

Document::Document(QObject* parent) : QObject(parent), design_(std::make_shared<const Design>()) {
    connect(&undo_, &QUndoStack::cleanChanged, this, &Document::fileChanged);
}

void Document::show(DesignPtr design) {
    if (!submitting_) {
        before_ = design_;
        lastKey_.clear();
    }
    design_ = std::move(design);
    ++revision_;
    emit designChanged();
}

void Document::letGo() {
    endGesture();
    if (held_) {
        held_ = false;
        emit released();
    }
}

void Document::submit(Design next, const QString& text, const QString& mergeKey) {
    next.body = holdingLocks(next.body, design_->body);
    if (next.body.useSolid && design_->body.useSolid && next.body.solid == design_->body.solid &&
        next.body.stations != design_->body.stations) {
        next.body.useSolid = false;  // the stations now say something else than the solid
    }
    if (next == *design_) {
        return;
    }
    const std::vector<MeasuredTaken> taken = takeMeasured(*design_, next);
    if (mergeKey.isEmpty() || mergeKey != lastKey_ || gesture_ != lastGesture_) {
        before_ = design_;
    }
    lastKey_ = mergeKey;
    lastGesture_ = gesture_;
    submitting_ = true;
    undo_.push(new EditDesign(*this, design_, std::make_shared<const Design>(std::move(next)), text,
                              mergeKey, gesture_));
    submitting_ = false;
    if (!taken.empty()) {
        emit measuredTaken(taken);
    }
}

std::optional<Error> Document::setField(const QString& path, std::optional<double> value) {
    return submitField(path, withField(*design_, path.toStdString(), value));
}

std::optional<Error> Document::setText(const QString& path, const QString& text) {
    return submitField(path, withText(*design_, path.toStdString(), text.toStdString()));
}

std::optional<Error> Document::submitField(const QString& path, Result<Design> next) {
    if (!next) {
        return next.error();
    }
    const std::optional<Field> field = findField(*design_, path.toStdString());
    submit(std::move(next).value(), field ? undoWords(*field) : path, path);
    return std::nullopt;
}

std::optional<Error> Document::applyEdit(const ProposedEdit& edit, const QString& text) {
    Result<Design> next = withEdit(*design_, edit);
    if (!next) {
        return next.error();
    }
    endGesture();
    submit(std::move(next).value(), text);
    return std::nullopt;
}

void Document::replace(Design design, const QString& filePath, bool unsaved,
                       const QByteArray& fileMark) {
    letGo();
    undo_.clear();
    filePath_ = filePath;
    fileMark_ = fileMark;
    neverSaved_ = unsaved;
    before_.reset();
    lastKey_.clear();
    submitting_ = true;  // no edit of the design there was
    show(std::make_shared<const Design>(std::move(design)));
    submitting_ = false;
    emit fileChanged();
}

bool Document::changedElsewhere() const {
    if (filePath_.isEmpty() || fileMark_.isEmpty()) {
        return false;
    }
    const Result<std::string> now = readRegularFile(filePath_.toStdU16String(), kLargestFileBytes);
    return now && markOf(*now) != fileMark_;
}

std::optional<Error> Document::save(const QString& filePath, Overwrite overwrite) {
    if (overwrite == Overwrite::OnlyOwn && filePath == filePath_ && changedElsewhere()) {
        return Error{"file.changed_elsewhere", filePath.toStdString(), {}, {}};
    }
    const std::string text = writeDesign(*design_);
    if (auto error = writeWholeFile(filePath.toStdU16String(), text)) {
        return error;
    }
    filePath_ = filePath;
    fileMark_ = markOf(text);
    neverSaved_ = false;
    undo_.setClean();
    emit fileChanged();
    return std::nullopt;
}

std::optional<Error> Document::open(const QString& filePath) {
    const Result<std::string> text = readRegularFile(filePath.toStdU16String(), kLargestFileBytes);
    if (!text) {
        return text.error();
    }
    const Result<std::string> own = designText(*text);
    if (!own) {
        return own.error();
    }
    Result<Design> design = readDesign(*own);
    if (!design) {
        return design.error();
    }
    if (isPdf(*text)) {  // a sheet is not written over by its design
        replace(std::move(design).value(), {}, true);
        return std::nullopt;
    }
    replace(std::move(design).value(), filePath, false, markOf(*text));
    return std::nullopt;
}

}  // namespace wl

#include "moc_document.cpp"
