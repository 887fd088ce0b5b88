#include "session/recovery.h"

#include <QDir>
#include <QFileInfo>
#include <QUuid>
#include <utility>

#include "files/design_file.h"
#include "files/whole_file.h"

namespace wl {
namespace {

constexpr size_t kLongestOrigin = 1u << 16;

QString originFile(const QString& kept) {
    return kept + QStringLiteral(".origin");
}

QString lockFile(const QString& kept) {
    return kept + QStringLiteral(".lock");
}

void removeCopy(const QString& kept) {
    QFile::remove(kept);
    QFile::remove(originFile(kept));
}

}  // namespace

Recovery::Recovery(Document& document, const QString& folder, QObject* parent)
    : QObject(parent), document_(document), folder_(folder) {
    QDir().mkpath(folder_);
    file_ = QDir(folder_).filePath(QUuid::createUuid().toString(QUuid::WithoutBraces) +
                                   QStringLiteral(".wade"));
    lock_ = std::make_unique<QLockFile>(lockFile(file_));
    lock_->setStaleLockTime(0);  // only a dead process makes a lock stale
    lock_->tryLock(0);
    timer_.setSingleShot(true);
    timer_.setInterval(kDelay_ms);
    connect(&timer_, &QTimer::timeout, this, &Recovery::keepNow);
    // A timer that runs goes on: steady work must not put the copy off.
    const auto wait = [this] {
        if (!timer_.isActive()) {
            timer_.start();
        }
    };
    connect(&document_, &Document::designChanged, &timer_, wait);
    connect(&document_, &Document::fileChanged, &timer_, wait);
}

// Whether the design stands whole in a file of the maker's, so that no copy is needed.
bool Recovery::isElsewhere() const {
    return !document_.isModified() &&
           (document_.filePath().isEmpty() || QFileInfo::exists(document_.filePath()));
}

std::optional<Error> Recovery::keepNow() {
    timer_.stop();
    if (isElsewhere()) {
        removeCopy(file_);
        failing_ = false;
        return std::nullopt;
    }
    const std::string origin =
        document_.filePath().toStdString() + "\n" + document_.fileMark().toStdString();
    auto error = writeWholeFile(file_.toStdU16String(), writeDesign(*document_.design()));
    if (!error) {
        error = writeWholeFile(originFile(file_).toStdU16String(), origin);
    }
    if (error) {
        timer_.start();  // the disk may have room again
        if (!std::exchange(failing_, true)) {
            emit failed(*error);
        }
        return error;
    }
    failing_ = false;
    return std::nullopt;
}

void Recovery::finish() {
    timer_.stop();
    removeCopy(file_);
    lock_->unlock();
}

std::vector<LeftBehind> Recovery::findLeftBehind() {
    std::vector<LeftBehind> found;
    const QDir folder(folder_);
    for (const QString& name :
         folder.entryList({QStringLiteral("*.wade")}, QDir::Files, QDir::Time | QDir::Reversed)) {
        const QString kept = folder.filePath(name);
        if (kept == file_) {
            continue;
        }
        auto held = std::make_shared<QLockFile>(lockFile(kept));
        held->setStaleLockTime(0);
        if (!held->tryLock(0)) {
            continue;  // another window is working on it
        }
        Result<Design> design = loadDesign(kept.toStdU16String());
        if (!design) {
            const QString aside = kept + QStringLiteral(".unreadable");
            unreadable_ << (QFile::rename(kept, aside) ? aside : kept);
            continue;
        }
        const Result<std::string> origin =
            readRegularFile(originFile(kept).toStdU16String(), kLongestOrigin);
        const QStringList lines =
            QString::fromStdString(origin ? *origin : std::string()).split(QLatin1Char('\n'));
        found.push_back({kept, lines.value(0), lines.value(1).toLatin1(), std::move(design).value(),
                         std::move(held)});
    }
    return found;
}

void Recovery::discard(const LeftBehind& left) {
    removeCopy(left.keptFile);
    left.held->unlock();
}

}  // namespace wl

#include "moc_recovery.cpp"
