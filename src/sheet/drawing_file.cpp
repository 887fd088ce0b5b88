#include "sheet/drawing_file.h"

#include <dxflib/dl_dxf.h>
#include <QBuffer>
#include <QSvgGenerator>
#include <QTemporaryDir>
#include <cmath>
#include <set>

#include "core/draw/draw_bait.h"
#include "files/whole_file.h"
#include "sheet/drawing_paint.h"

namespace wl {
namespace {

constexpr double kRound_mm = 5.0;
constexpr double kMark_mm = 1.0, kText_mm = 2.6;
constexpr std::size_t kLargest = 64U << 20U;

// One file in the making, in the order the format wants its sections.
class DxfFile {
  public:
    DxfFile(DL_Dxf& dxf, DL_WriterA& out) : dxf_(dxf), out_(out) {}

    void head(const Drawing& drawing) {
        dxf_.writeHeader(out_);
        out_.dxfString(9, "$INSUNITS");
        out_.dxfInt(70, 4);  // millimetres
        out_.sectionEnd();
        out_.sectionTables();
        dxf_.writeVPort(out_);
        lineTypes();
        layers(drawing);
        out_.tableStyle(1);
        dxf_.writeStyle(out_,
                        DL_StyleData("standard", 0, kText_mm, 1.0, 0.0, 0, kText_mm, "txt", ""));
        out_.tableEnd();
        dxf_.writeView(out_);
        dxf_.writeUcs(out_);
        out_.tableAppid(1);
        dxf_.writeAppid(out_, "ACAD");
        out_.tableEnd();
        dxf_.writeDimStyle(out_, 1, 1, 1, 1, 1);
        dxf_.writeBlockRecord(out_);
        out_.tableEnd();
        out_.sectionEnd();
        out_.sectionBlocks();
        for (const char* block : {"*Model_Space", "*Paper_Space", "*Paper_Space0"}) {
            dxf_.writeBlock(out_, DL_BlockData(block, 0, 0.0, 0.0, 0.0));
            dxf_.writeEndBlock(out_, block);
        }
        out_.sectionEnd();
    }

    void shapes(const Drawing& drawing) {
        out_.sectionEntities();
        for (const Primitive& p : drawing) {
            if (!p.points_mm.empty()) {
                shape(p);
            }
        }
        out_.sectionEnd();
    }

    void foot() {
        dxf_.writeObjects(out_);
        dxf_.writeObjectsEnd(out_);
        out_.dxfEOF();
    }

  private:
    void lineTypes() {
        out_.tableLinetypes(5);
        for (const char* name : {"BYBLOCK", "BYLAYER", "CONTINUOUS", "DASHED", "CENTER"}) {
            const bool dashed = std::string_view(name) == "DASHED";
            const bool centre = std::string_view(name) == "CENTER";
            double dashes[] = {3.0, -1.5}, long_short[] = {8.0, -1.5, 1.5, -1.5};
            dxf_.writeLinetype(out_, DL_LinetypeData(name, name, 0,
                                                     dashed   ? 2
                                                     : centre ? 4
                                                              : 0,
                                                     dashed   ? 4.5
                                                     : centre ? 12.5
                                                              : 0.0,
                                                     dashed   ? dashes
                                                     : centre ? long_short
                                                              : nullptr));
        }
        out_.tableEnd();
    }

    void layers(const Drawing& drawing) {
        std::set<std::string> names{"0"};
        for (const Primitive& p : drawing) {
            names.insert(layerName(p.layer));
        }
        out_.tableLayers(int(names.size()));
        for (const std::string& name : names) {
            dxf_.writeLayer(out_, DL_LayerData(name, 0),
                            DL_Attributes("", DL_Codes::black, kThin, "CONTINUOUS", 1.0));
        }
        out_.tableEnd();
    }

    static DL_Attributes looks(const Primitive& p) {
        const char* type = p.stroke == Stroke::Hidden   ? "DASHED"
                           : p.stroke == Stroke::Centre ? "CENTER"
                                                        : "BYLAYER";
        return DL_Attributes(layerName(p.layer), kByLayer, kThin, type, 1.0);
    }

    void shape(const Primitive& p) {
        const DL_Attributes as = looks(p);
        const double x = p.points_mm.front().x(), y = p.points_mm.front().y();
        switch (p.shape) {
            case DrawnShape::Path:
                dxf_.writePolyline(
                    out_, DL_PolylineData(int(p.points_mm.size()), 0, 0, p.closed ? 1 : 0), as);
                for (const Eigen::Vector2d& q : p.points_mm) {
                    dxf_.writeVertex(out_, DL_VertexData(q.x(), q.y(), 0.0, 0.0));
                }
                dxf_.writePolylineEnd(out_);
                break;
            case DrawnShape::Disc:
            case DrawnShape::PinMark:
                dxf_.writeCircle(out_, DL_CircleData(x, y, 0, 0.5 * p.diameter_mm), as);
                break;
            case DrawnShape::TieMark:
                dxf_.writeCircle(out_, DL_CircleData(x, y, 0, kMark_mm), as);
                break;
            case DrawnShape::CrossMark:
                dxf_.writeLine(out_, DL_LineData(x - kMark_mm, y, 0, x + kMark_mm, y, 0), as);
                dxf_.writeLine(out_, DL_LineData(x, y - kMark_mm, 0, x, y + kMark_mm, 0), as);
                break;
            case DrawnShape::BendMark:
                dxf_.writeLine(out_, DL_LineData(x, y - kMark_mm, 0, x, y + kMark_mm, 0), as);
                words(p, x + kMark_mm, y + kMark_mm, as);
                break;
            case DrawnShape::Words:
                words(p, x, y, as);
                break;
            case DrawnShape::Facet:  // a picture's, nothing one cuts by
                break;
        }
    }

    void words(const Primitive& p, double x, double y, const DL_Attributes& as) {
        dxf_.writeText(
            out_, DL_TextData(x, y, 0, x, y, 0, kText_mm, 1.0, 0, 1, 2, p.words, "standard", 0.0),
            as);
    }

    static constexpr int kByLayer = 256, kThin = 25;  // the format's code; hundredths of a mm
    DL_Dxf& dxf_;
    DL_WriterA& out_;
};

}  // namespace

std::string svgOf(const Drawing& drawing, const std::string& title) {
    constexpr double kUnits = 10.0;  // to the millimetre: text of whole pixels is fine enough
    const auto [left, low, right, high] = extent_mm(drawing);
    // Whole millimetres: the size is told in whole units, and must be the view's.
    const QSizeF size(std::ceil(right - left + 2 * kRound_mm),
                      std::ceil(high - low + 2 * kRound_mm));
    QBuffer bytes;
    bytes.open(QIODevice::WriteOnly);
    QSvgGenerator svg;
    svg.setOutputDevice(&bytes);
    svg.setTitle(QString::fromStdString(title));
    svg.setResolution(int(25.4 * kUnits));
    svg.setSize((size * kUnits).toSize());
    svg.setViewBox(QRectF(QPointF(0, 0), size * kUnits));
    QPainter painter(&svg);
    painter.scale(kUnits, kUnits);
    paintDrawing(painter, drawing, {kRound_mm - left, kRound_mm + high}, 1.0, benchStyle());
    painter.end();
    return bytes.data().toStdString();
}

Result<std::string> dxfOf(const Drawing& drawing) {
    // The library writes to a file of a name alone.
    const QTemporaryDir folder;
    const std::string name = folder.filePath(QStringLiteral("drawing.dxf")).toStdString();
    DL_Dxf dxf;
    const std::unique_ptr<DL_WriterA> out(dxf.out(name.c_str(), DL_VERSION_2000));
    if (!folder.isValid() || !out) {
        return Error{"file.cannot_write", "", {folder.errorString().toStdString()}, {}};
    }
    DxfFile file(dxf, *out);
    file.head(drawing);
    file.shapes(drawing);
    file.foot();
    out->close();
    Result<std::string> written = readRegularFile(name, kLargest);
    if (written && !written->ends_with("EOF\n")) {  // the library does not tell of a full disk
        return Error{"file.disk_full", "", {}, {}};
    }
    return written;
}

}  // namespace wl
