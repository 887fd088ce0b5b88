// What the solid view shows where it is cut open: stock, what is let into it, marked places.
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/views/bait_painter.h"
#include "app/views/solid_view.h"
#include "core/clearance/clearance.h"

namespace wl {
namespace {

constexpr int kRaster = 180;
constexpr double kAtMark_m = 0.0015;  // a mark this near the plane belongs to the section
constexpr double kNoPlug_m = 1e9;

// A thing let into the body, with what stands in it.
struct Hollow {
    QString name;
    CutTool tool;
    QColor fill;
    bool closed = false;            // nothing of it past its mouth
    double plugFrom_m = kNoPlug_m;  // depth at which lead begins
    std::optional<double> wall_m = {};
};

std::vector<Hollow> hollowsOf(const Design& design, const Derived& d) {
    using Kind = Embedded::Kind;
    const Inks& c = inks();
    std::vector<Hollow> all;
    RecordRef before{RecordList::Make};
    size_t side = 0;
    for (const Embedded& e : embeddedIn(design, d)) {
        side = e.record == before ? side + 1 : 0;
        before = e.record;
        const size_t number = e.record.index;
        Hollow h{QString::fromStdString(e.name), e.tool, c.sheet};
        switch (e.kind) {
            case Kind::Bore: {
                const BoreGeometry& g = d.mass->bores[number];
                h.fill = c.filler;
                h.plugFrom_m = design.bores[number].depth_m - g.plugLength_m;
                h.wall_m = std::min(g.wallBeyond_m, g.wallBeside_m);
                break;
            }
            case Kind::Cut:
                h.fill = design.features[number].fill == FeatureFill::Glue ? c.filler : c.sheet;
                h.wall_m = d.mass->features[number].cuts[side].wallBeyond_m;
                break;
            case Kind::Pocket:
                h.name = SolidCanvas::tr("pocket of %1").arg(h.name);
                h.wall_m = d.shape->joints[number].pocketWall_m;
                break;
            case Kind::Pin:
                h.name = SolidCanvas::tr("pin of %1").arg(h.name);
                [[fallthrough]];
            case Kind::Stem:
            case Kind::Wire:
                h.fill = c.steel;
                h.closed = true;
                break;
            case Kind::Chamber:
                h.closed = true;
                break;
            case Kind::Weight:
                h.fill = c.filler;
                h.plugFrom_m = e.tool.depth_m - design.sideWeights[number].thickness_m;
                break;
            case Kind::Cavity:
                h.fill = design.make.cavities[number].density_kg_m3 > 0 ? c.filler : c.sheet;
                h.closed = true;
                break;
            case Kind::LipSlot:
                h.fill = c.lip;
                break;
        }
        all.push_back(std::move(h));
    }
    return all;
}

bool crosses(const CutTool& t, double x) {
    const Eigen::Vector3d end = t.mouth_m + t.inward * t.depth_m;
    const double reach =
        std::abs(t.along.x()) * t.halfAlong_m + std::abs(t.across().x()) * t.halfAcross_m;
    return x > std::min(t.mouth_m.x(), end.x()) - reach &&
           x < std::max(t.mouth_m.x(), end.x()) + reach;
}

}  // namespace

std::vector<QPointF> SolidCanvas::marks() const {
    std::vector<QPointF> out;
    if (!shown_ || other_) {
        return out;
    }
    const Camera c = camera();
    for (const Finding& f : placeMarks_.findings()) {
        const Eigen::Vector3d place = PlaceMarks::placeOf(f);
        if (section_ <= 0 || place.x() > sectionX() - kAtMark_m) {  // else cut away
            out.push_back(project(c, place));
        }
    }
    return out;
}

void SolidCanvas::sectionAtNextMark() {
    if (!shown_ || placeMarks_.findings().empty()) {
        return;
    }
    std::vector<double> at;
    for (const Finding& f : placeMarks_.findings()) {
        at.push_back(PlaceMarks::placeOf(f).x() / shown_->derived->shape->sizes.length_m);
    }
    std::sort(at.begin(), at.end());
    const auto next = std::upper_bound(at.begin(), at.end(), section_ + 1e-6);
    setSection(next == at.end() ? at.front() : *next);
}

QStringList SolidCanvas::sectionWords() const {
    QStringList words;
    if (!shown_ || section_ <= 0 || other_) {
        return words;
    }
    const double x = sectionX();
    const Section s = shown_->derived->shape->curves.atX(x);
    words << tr("section at %1: %2 wide, %3 high")
                 .arg(bench_.text(Quantity::Length, x),
                      bench_.text(Quantity::Length, 2 * s.halfWidth_m),
                      bench_.text(Quantity::Length, s.back_m - s.belly_m));
    QStringList seen;
    for (const Hollow& h : hollowsOf(*shown_->design, *shown_->derived)) {
        if (crosses(h.tool, x) && !seen.contains(h.name)) {
            seen << h.name;
            words << (h.wall_m ? tr("%1: %2 of wall left")
                                     .arg(h.name, bench_.text(Quantity::Length, *h.wall_m))
                               : h.name);
        }
    }
    for (const Finding& f : placeMarks_.findings()) {
        if (std::abs(PlaceMarks::placeOf(f).x() - x) < kAtMark_m) {
            words << QStringLiteral("▲ ") + sentence(f, bench_.bench());
        }
    }
    return words;
}

void SolidCanvas::paintSection(QPainter& p, const Camera& camera, double x) const {
    const Inks& c = inks();
    const Derived& d = *shown_->derived;
    const Design& design = *shown_->design;
    const Section s = d.shape->curves.atX(x);
    if (camera.axes(2, 0) >= 0 || s.halfWidth_m <= 0) {
        return;  // looked at from behind: the skin hides it
    }
    for (const JointCut& cut : d.shape->joints) {
        if (x > cut.frontPieceFace.x_m && x < cut.rearPieceFace.x_m) {
            return;  // in the gap there is nothing to cut
        }
    }
    const double wide = 2 * s.halfWidth_m, tall = s.back_m - s.belly_m;
    QImage image(kRaster, kRaster, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::transparent);
    const std::vector<Hollow> hollows = hollowsOf(design, d);
    std::vector<const Hollow*> here;
    for (const Hollow& h : hollows) {
        if (crosses(h.tool, x)) {
            here.push_back(&h);
        }
    }
    const QColor stock = stockColour(design.make.kind, c);
    const double shell = design.make.kind == MakeKind::Printed ? design.make.print.shell_m : 0.0;
    double stack = 0;
    for (const Layer& layer : design.make.layers) {
        stack += layer.thickness_m;
    }
    const double pixel = wide / kRaster;
    for (int row = 0; row < kRaster; ++row) {
        for (int column = 0; column < kRaster; ++column) {
            const Eigen::Vector3d at(x, (column + 0.5) / kRaster * wide - s.halfWidth_m,
                                     s.back_m - (row + 0.5) / kRaster * tall);
            if (!d.shape->curves.contains(at)) {
                continue;
            }
            QColor colour = stock;
            if (shell > 0) {
                const bool inner = std::abs(at.y()) < s.halfWidth_m - shell &&
                                   at.z() < skinHeight(s, at.y(), true) - shell &&
                                   at.z() > skinHeight(s, at.y(), false) + shell;
                colour = inner && (row + column) % 14 > 1 ? mixed(stock, c.sheet, 0.7)
                                                          : mixed(stock, c.ink, 0.25);
            }
            if (design.make.kind == MakeKind::Layered) {
                double seam = -0.5 * stack;
                for (size_t k = 0; k + 1 < design.make.layers.size(); ++k) {
                    seam += design.make.layers[k].thickness_m;
                    if (std::abs(at.y() - seam) < pixel) {
                        colour = c.quiet;
                    }
                }
            }
            for (const Hollow* h : here) {
                const double depth = (at - h->tool.mouth_m).dot(h->tool.inward);
                if (h->tool.holds(at) && (depth >= 0 || !h->closed)) {
                    colour = depth > h->plugFrom_m ? c.lead : h->fill;
                }
            }
            image.setPixelColor(column, row, colour);
        }
    }
    // The section plane falls on the paper by an affine map.
    const QPointF o = project(camera, {x, -s.halfWidth_m, s.back_m});
    const QPointF across = project(camera, {x, s.halfWidth_m, s.back_m}) - o;
    const QPointF down = project(camera, {x, -s.halfWidth_m, s.belly_m}) - o;
    p.save();
    p.setTransform(QTransform(across.x() / kRaster, across.y() / kRaster, down.x() / kRaster,
                              down.y() / kRaster, o.x(), o.y()),
                   true);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.drawImage(0, 0, image);
    p.restore();
    std::vector<Eigen::Vector2d> ring;
    sectionRing(s, 24, ring);
    QPolygonF outline;
    for (const Eigen::Vector2d& q : ring) {
        outline << project(camera, {x, q.x(), q.y()});
    }
    p.setPen(QPen(c.ink, 1.6));
    p.setBrush(Qt::NoBrush);
    p.drawPolygon(outline);
}

}  // namespace wl
