// The outline of the first path of an SVG drawing.
#pragma once

#include <Eigen/Core>
#include <QString>
#include <vector>

#include "core/base/result.h"

namespace wl {

/// Points along the longest subpath, in drawing units, y down; curves are followed finely. Errors:
/// "svg.cannot_read" (words: why), "svg.no_path", "svg.transformed" (the path or a group it lies in
/// is turned or scaled by a transform: flatten it first), "svg.bad_path".
Result<std::vector<Eigen::Vector2d>> readSvgOutline(const QByteArray& content);
Result<std::vector<Eigen::Vector2d>> loadSvgOutline(const QString& path);

}  // namespace wl
