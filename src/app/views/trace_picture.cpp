#include "app/views/trace_picture.h"

#include <QBuffer>
#include <QImageReader>

#include "files/whole_file.h"

namespace wl {
namespace {

constexpr int kMostPixels = 40'000'000;
constexpr size_t kLargestPicture = 8u << 20;

}  // namespace

QImage decodedPicture(const QByteArray& bytes) {
    QBuffer buffer(const_cast<QByteArray*>(&bytes));
    buffer.open(QIODevice::ReadOnly);
    QImageReader reader(&buffer);
    reader.setAutoTransform(true);
    const QByteArray format = reader.format();
    if (format != "png" && format != "jpeg" && format != "jpg") {
        return {};
    }
    const QSize size = reader.size();
    if (!size.isValid() || qint64(size.width()) * size.height() > kMostPixels) {
        return {};
    }
    return reader.read();
}

QByteArray pictureFile(const QString& path) {
    const Result<std::string> bytes = readRegularFile(path.toStdU16String(), kLargestPicture);
    return bytes ? QByteArray::fromStdString(*bytes) : QByteArray();
}

QImage tracePicture(const Trace& trace, const QSet<QString>& agreed) {
    if (trace.picture) {
        return decodedPicture(
            QByteArray(trace.picture.bytes->data(), qsizetype(trace.picture.bytes->size())));
    }
    const QString path = QString::fromStdString(trace.picturePath);
    return agreed.contains(path) ? decodedPicture(pictureFile(path)) : QImage();
}

}  // namespace wl
