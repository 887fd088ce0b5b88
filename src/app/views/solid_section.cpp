// What the solid view shows where it is cut open: stock, what is let into it, marked places.
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/views/bait_painter.h"
#include "app/views/solid_view.h"
#include "core/clearance/clearance.h"
#include "core/draw/draw_section.h"

namespace wl {
namespace {

constexpr double kAtMark_m = 0.0015;  // a mark this near the plane belongs to the section

// A thing let into the body, with the least wall round it where that is known.
struct LetIn {
    QString name;
    CutTool tool;
    std::optional<double> wall_m = {};
};

std::vector<LetIn> letInto(const Design& design, const Derived& d) {
    using Kind = Embedded::Kind;
    std::vector<LetIn> all;
    RecordRef before{RecordList::Make};
    size_t side = 0;
    for (const Embedded& e : embeddedIn(design, d)) {
        side = e.record == before ? side + 1 : 0;
        before = e.record;
        const size_t number = e.record.index;
        LetIn h{QString::fromStdString(e.name), e.tool};
        switch (e.kind) {
            case Kind::Bore: {
                const BoreGeometry& g = d.mass->bores[number];
                h.wall_m = std::min(g.wallBeyond_m, g.wallBeside_m);
                break;
            }
            case Kind::Cut:
                h.wall_m = d.mass->features[number].cuts[side].wallBeyond_m;
                break;
            case Kind::Pocket:
                h.name = SolidCanvas::tr("pocket of %1").arg(h.name);
                h.wall_m = d.shape->joints[number].pocketWall_m;
                break;
            case Kind::Pin:
                h.name = SolidCanvas::tr("pin of %1").arg(h.name);
                break;
            default:
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
    for (const LetIn& h : letInto(*shown_->design, *shown_->derived)) {
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
    if (camera.seen.towards.x() >= 0) {
        return;  // looked at from behind: the skin hides it
    }
    const Drawing section = drawSection(*shown_->design, *shown_->derived, x);
    // Its plane falls on the paper by an affine map; lines keep their width.
    const QPointF o = project(camera, {x, 0, 0});
    const QPointF port = project(camera, {x, 1e-3, 0}) - o, up = project(camera, {x, 0, 1e-3}) - o;
    Drawing turned = section;
    for (Primitive& shape : turned) {
        for (Eigen::Vector2d& q : shape.points_mm) {
            const QPointF at = q.x() * port + q.y() * up;
            q = {at.x(), -at.y()};
        }
    }
    paintDrawing(p, turned, o, 1.0, windowStyle(shown_->design->make.kind, inks()));
}

}  // namespace wl
