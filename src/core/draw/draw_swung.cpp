#include "core/draw/draw_swung.h"

#include <cmath>

namespace wl {
namespace {

using Eigen::Vector2d;

size_t pieceOf(const std::vector<SwungPiece>& pieces, double x_mm) {
    size_t i = 0;
    while (i + 1 < pieces.size() && x_mm > 1000.0 * pieces[i].toX_m) {
        ++i;
    }
    return i;
}

// The view from above has port down the paper.
Vector2d carried(const SwungPiece& piece, const Vector2d& mm) {
    return piece.at_mm(mm.x() / 1000.0, -mm.y() / 1000.0);
}

double middleX_mm(const Primitive& shape) {
    double x = 0;
    for (const Vector2d& q : shape.points_mm) {
        x += q.x() / double(shape.points_mm.size());
    }
    return x;
}

// An open line from nose to tail, a stretch for each piece it runs through.
void partLine(const Primitive& line, const std::vector<SwungPiece>& pieces, Drawing& out) {
    for (size_t i = 0; i < pieces.size(); ++i) {
        const double from = i == 0 ? -HUGE_VAL : 1000.0 * pieces[i].fromX_m;
        const double to = i + 1 == pieces.size() ? HUGE_VAL : 1000.0 * pieces[i].toX_m;
        Primitive stretch = line;
        stretch.points_mm.clear();
        for (size_t k = 0; k < line.points_mm.size(); ++k) {
            const Vector2d& b = line.points_mm[k];
            if (k > 0) {
                const Vector2d& a = line.points_mm[k - 1];
                const bool aft = b.x() > a.x();
                for (const double cut : {aft ? from : to, aft ? to : from}) {
                    if ((a.x() < cut) != (b.x() < cut)) {
                        const Vector2d at = a + (cut - a.x()) / (b.x() - a.x()) * (b - a);
                        stretch.points_mm.push_back(carried(pieces[i], at));
                    }
                }
            }
            if (b.x() >= from && b.x() <= to) {
                stretch.points_mm.push_back(carried(pieces[i], b));
            }
        }
        if (stretch.points_mm.size() > 1) {
            out.push_back(std::move(stretch));
        }
    }
}

}  // namespace

Vector2d SwungPiece::at_mm(double x_m, double y_m) const {
    const double c = std::cos(turned_rad), s = std::sin(turned_rad), x = x_m - fromX_m;
    return pin_mm + 1000.0 * Vector2d(c * x - s * y_m, -(s * x + c * y_m));
}

std::vector<SwungPiece> swungPieces(const Derived& derived, const std::vector<double>& swings_rad) {
    std::vector<SwungPiece> all(1);
    for (size_t i = 0; i < derived.shape->joints.size(); ++i) {
        SwungPiece& before = all.back();
        before.toX_m = derived.shape->joints[i].pinX_m;
        SwungPiece piece;
        piece.fromX_m = before.toX_m;
        piece.pin_mm = before.at_mm(before.toX_m, 0.0);
        piece.turned_rad = before.turned_rad + (i < swings_rad.size() ? swings_rad[i] : 0.0);
        all.push_back(piece);
    }
    all.back().toX_m = derived.shape->sizes.length_m;
    return all;
}

Drawing drawSwung(const Design& design, const Derived& derived,
                  const std::vector<SwungPiece>& pieces) {
    Drawing out;
    const Drawing straight =
        drawBait(design, derived, levelFrame(DrawnView::Top), DrawnFor::Picture);
    size_t bodies = 0, hatches = 0;  // one of each for a part, in their order
    for (const Primitive& shape : straight) {
        if (!shape.closed && shape.points_mm.size() > 1) {
            partLine(shape, pieces, out);
            continue;
        }
        Primitive moved = shape;
        double x_mm = middleX_mm(shape);
        if (shape.layer == DrawnLayer::Body || shape.layer == DrawnLayer::Grain) {
            size_t& count = shape.layer == DrawnLayer::Body ? bodies : hatches;
            const BodyPart& part = derived.shape->parts[count++ % derived.shape->parts.size()];
            x_mm = part.appendage ? 1000.0 * part.pivot_m.x() : x_mm;
        }
        const SwungPiece& piece = pieces[pieceOf(pieces, x_mm)];
        for (Vector2d& q : moved.points_mm) {
            q = carried(piece, q);
        }
        out.push_back(std::move(moved));
    }
    return out;
}

}  // namespace wl
