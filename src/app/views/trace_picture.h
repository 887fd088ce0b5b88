// The picture a bait was traced from.
#pragma once

#include <QByteArray>
#include <QImage>
#include <QSet>
#include <QString>

#include "core/design/body.h"

namespace wl {

/// The design's picture: kept with it, or read from where it was when that path is among `agreed`.
QImage tracePicture(const Trace& trace, const QSet<QString>& agreed);

/// A PNG or JPEG decoded, its size looked at first: a small file can claim a vast picture. Null for
/// anything else.
QImage decodedPicture(const QByteArray& bytes);

/// The bytes of a picture file; empty when it cannot be read, is no plain file or is too large.
QByteArray pictureFile(const QString& path);

}  // namespace wl
