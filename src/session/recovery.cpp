#include "session/recovery.h"

#include <QDir>
#include <QSaveFile>
#include <QUuid>

#include "io/design_file.h"

namespace wl {
namespace {

QString originFile(const QString& kept) {
    return kept + QStringLiteral(".origin");
}

QString lockFile(const QString& kept) {
    return kept + QStringLiteral(".lock");
}

bool writeAtomically(const QString& path, const QByteArray& text) {
    QSaveFile file(path);
    return file.open(QIODevice::WriteOnly) && file.write(text) == text.size() && file.commit();
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
    connect(&document_, &Document::designChanged, &timer_, qOverload<>(&QTimer::start));
    connect(&document_, &Document::fileChanged, &timer_, qOverload<>(&QTimer::start));
}

void Recovery::keepNow() {
    if (!document_.isModified()) {
        QFile::remove(file_);
        QFile::remove(originFile(file_));
        return;
    }
    const std::string text = writeDesign(*document_.design());
    writeAtomically(originFile(file_), document_.filePath().toUtf8());
    writeAtomically(file_, QByteArray(text.data(), qsizetype(text.size())));
}

void Recovery::finish() {
    timer_.stop();
    QFile::remove(file_);
    QFile::remove(originFile(file_));
    lock_->unlock();
}

std::optional<LeftBehind> Recovery::findLeftBehind() {
    const QDir folder(folder_);
    for (const QString& name :
         folder.entryList({QStringLiteral("*.wade")}, QDir::Files, QDir::Time | QDir::Reversed)) {
        const QString kept = folder.filePath(name);
        if (kept == file_) {
            continue;
        }
        QLockFile probe(lockFile(kept));
        probe.setStaleLockTime(0);
        if (!probe.tryLock(0)) {
            continue;  // another window is working on it
        }
        const Result<Design> design = loadDesign(kept.toStdU16String());
        if (!design) {
            QFile::rename(kept, kept + QStringLiteral(".unreadable"));
            continue;
        }
        QFile origin(originFile(kept));
        const QString original =
            origin.open(QIODevice::ReadOnly) ? QString::fromUtf8(origin.readAll()) : QString();
        return LeftBehind{kept, original, *design};
    }
    return std::nullopt;
}

void Recovery::discard(const LeftBehind& left) {
    QFile::remove(left.keptFile);
    QFile::remove(originFile(left.keptFile));
    QFile::remove(lockFile(left.keptFile));
}

}  // namespace wl
