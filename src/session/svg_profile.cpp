#include "session/svg_profile.h"

#include <2geom/pathvector.h>
#include <2geom/svg-path-parser.h>

#include <QXmlStreamReader>
#include <cmath>

#include "files/whole_file.h"

namespace wl {
namespace {

constexpr size_t kLargestSvg = 16u << 20;
constexpr qsizetype kLongestPath = 1 << 20;
constexpr size_t kMostCurves = 20000;
constexpr int kPerCurve = 12;

}  // namespace

Result<std::vector<Eigen::Vector2d>> readSvgOutline(const QByteArray& content) {
    QXmlStreamReader xml(content);
    xml.setEntityExpansionLimit(64);
    QString data;
    QList<bool> transformed{false};
    bool sawSvg = false;
    while (!xml.atEnd() && data.isEmpty()) {
        switch (xml.readNext()) {
            case QXmlStreamReader::StartElement: {
                const QString transform =
                    xml.attributes().value(QLatin1String("transform")).toString().trimmed();
                transformed << (transformed.back() || !transform.isEmpty());
                sawSvg = sawSvg || xml.name() == QLatin1String("svg");
                if (xml.name() == QLatin1String("path")) {
                    data = xml.attributes().value(QLatin1String("d")).toString();
                    if (!data.isEmpty() && transformed.back()) {
                        return Error{"svg.transformed", "", {}, {}};
                    }
                }
                break;
            }
            case QXmlStreamReader::EndElement:
                transformed.removeLast();
                break;
            default:
                break;
        }
        if (transformed.size() > 200) {
            return Error{"svg.cannot_read", "", {"nested too deep"}, {}};
        }
    }
    if (xml.hasError()) {
        return Error{"svg.cannot_read", "", {xml.errorString().toStdString()}, {}};
    }
    if (data.isEmpty()) {
        return Error{sawSvg ? "svg.no_path" : "svg.cannot_read", "", {"not SVG"}, {}};
    }
    if (data.size() > kLongestPath) {
        return Error{"svg.too_long", "", {}, {}};
    }
    std::vector<Eigen::Vector2d> longest;
    try {
        const Geom::PathVector paths = Geom::parse_svg_path(data.toUtf8().constData());
        for (const Geom::Path& path : paths) {
            if (path.size() > kMostCurves) {
                return Error{"svg.bad_path", "", {}, {}};
            }
            std::vector<Eigen::Vector2d> points;
            for (const Geom::Curve& curve : path) {
                const int steps = curve.isLineSegment() ? 1 : kPerCurve;
                for (int k = 0; k < steps; ++k) {
                    const Geom::Point p = curve.pointAt(double(k) / steps);
                    if (!std::isfinite(p.x()) || !std::isfinite(p.y())) {
                        return Error{"svg.bad_path", "", {}, {}};
                    }
                    points.emplace_back(p.x(), p.y());
                }
            }
            if (points.size() > longest.size()) {
                longest = std::move(points);
            }
        }
    } catch (const std::exception&) {
        return Error{"svg.bad_path", "", {}, {}};
    }
    if (longest.size() < 6) {
        return Error{"svg.bad_path", "", {}, {}};
    }
    return longest;
}

Result<std::vector<Eigen::Vector2d>> loadSvgOutline(const QString& path) {
    const Result<std::string> content = readRegularFile(path.toStdU16String(), kLargestSvg);
    return content ? readSvgOutline(QByteArray::fromStdString(*content)) : content.error();
}

}  // namespace wl
