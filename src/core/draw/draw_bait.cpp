#include "core/draw/draw_bait.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/draw/drafting.h"

namespace wl {

using Eigen::Vector2d;
using Eigen::Vector3d;

Drafting::Points Drafting::at(const std::vector<Vector3d>& places_m) const {
    Points points;
    for (const Vector3d& p : places_m) {
        points.push_back(at(p));
    }
    return points;
}

Primitive& Drafting::path(DrawnLayer layer, Stroke stroke, Points points_mm, Fill fill,
                          bool closed) {
    Primitive& p = drawing.emplace_back();
    p.layer = layer;
    p.stroke = stroke;
    p.fill = bench() ? Fill::None : fill;
    p.points_mm = std::move(points_mm);
    p.closed = closed;
    return p;
}

Primitive& Drafting::line(DrawnLayer layer, Stroke stroke, const Vector3d& from_m,
                          const Vector3d& to_m, double bar_mm) {
    Primitive& p = path(layer, stroke, {at(from_m), at(to_m)}, Fill::None, false);
    p.bar_mm = bar_mm;
    return p;
}

Primitive& Drafting::disc(DrawnLayer layer, Stroke stroke, const Vector2d& at_mm,
                          double diameter_mm, Fill fill) {
    Primitive& p = path(layer, stroke, {at_mm}, fill);
    p.shape = DrawnShape::Disc;
    p.diameter_mm = diameter_mm;
    return p;
}

void Drafting::mark(DrawnShape shape, DrawnLayer layer, const Vector2d& at_mm, std::string words,
                    double diameter_mm) {
    Primitive& p = path(layer, Stroke::Inner, {at_mm});
    p.shape = shape;
    p.words = std::move(words);
    p.diameter_mm = diameter_mm;
}

Drafting::Points barOnPaper(const Vector2d& a, const Vector2d& b, double width_mm) {
    const Vector2d along = b - a;
    const double length = along.norm(), half = 0.5 * width_mm;
    if (length < 1e-6) {  // seen end on
        return {a + Vector2d(-half, -half), a + Vector2d(half, -half), a + Vector2d(half, half),
                a + Vector2d(-half, half)};
    }
    const Vector2d across = half / length * Vector2d(-along.y(), along.x());
    return {a + across, b + across, b - across, a - across};
}

Drafting::Points arcOnPaper(const Vector2d& middle, const Vector2d& halves_mm, double turned_rad,
                            double from_rad, double to_rad) {
    constexpr double kChord_rad = kPi / 24;
    const int chords = std::max(1, int(std::ceil(std::abs(to_rad - from_rad) / kChord_rad)));
    const double c = std::cos(turned_rad), s = std::sin(turned_rad);
    Drafting::Points points;
    for (int i = 0; i <= chords; ++i) {
        const double t = from_rad + (to_rad - from_rad) * i / chords;
        const Vector2d p(halves_mm.x() * std::cos(t), halves_mm.y() * std::sin(t));
        points.emplace_back(middle + Vector2d(c * p.x() - s * p.y(), s * p.x() + c * p.y()));
    }
    return points;
}

namespace {

// The grain of wood along the bait, seen from beside or above.
void draftGrain(Drafting& d) {
    const GrainDirection grain = d.design.make.grain;
    const MakeKind kind = d.design.make.kind;
    const auto hatch = [&](Fill fill) {
        for (const auto& outline : bodyOutlines(d.derived, d.frame.view)) {
            d.path(DrawnLayer::Grain, Stroke::None, d.at(outline), fill).insideBody = true;
        }
    };
    if (kind == MakeKind::Printed) {
        hatch(Fill::Print);
    }
    if (kind != MakeKind::Carved && kind != MakeKind::Turned) {
        return;
    }
    if (grain != GrainDirection::Along) {
        // Across or upright: end grain as short strokes seen end on, lines seen from beside.
        const bool endOn = grain == GrainDirection::Upright ? d.frame.view == DrawnView::Top
                                                            : d.frame.view == DrawnView::Side;
        hatch(endOn ? Fill::EndGrain : Fill::CrossGrain);
        return;
    }
    if (d.frame.view == DrawnView::Front) {
        return;
    }
    // Clipping takes as long as the fibres do: only where the body ends short of its curves.
    const Body& body = d.design.body;
    const bool cut =
        !d.design.joints.empty() || body.useSolid || body.noseFace.present || body.tailFace.present;
    for (int fibre = -3; fibre <= 3; ++fibre) {
        const double share = fibre * 0.3;
        Drafting::Points points;
        for (int i = 0; i <= 24; ++i) {
            const Section s = d.derived.shape->curves.at(i / 24.0);
            const double half = 0.5 * (s.back_m - s.belly_m);
            points.push_back(d.frame.view == DrawnView::Side
                                 ? d.at({s.x_m, 0, s.back_m - half + share * half})
                                 : d.at({s.x_m, share * s.halfWidth_m, s.widest_m}));
        }
        d.path(DrawnLayer::Grain, Stroke::Fibre, std::move(points), Fill::None, false).insideBody =
            cut;
    }
}

void draftCentreLine(Drafting& d) {
    constexpr double kBeyond_m = 0.004, kBenchBeyond_m = 0.008;
    const double beyond = d.bench() ? kBenchBeyond_m : kBeyond_m;
    const double length = d.derived.shape->sizes.length_m;
    if (d.frame.view == DrawnView::Front) {
        const Section s = d.derived.shape->curves.atX(d.derived.shape->sizes.widestAt_m);
        d.line(DrawnLayer::CentreLine, Stroke::Centre, {0, 0, s.back_m + beyond},
               {0, 0, s.belly_m - beyond});
    } else if (d.bench() || d.frame.view == DrawnView::Top) {
        d.line(DrawnLayer::CentreLine, Stroke::Centre, {-beyond, 0, 0}, {length + beyond, 0, 0});
    }
}

void draftStations(Drafting& d) {
    constexpr double kOver_mm = 7.25;
    int number = 0;
    const double tallest = 500.0 * d.derived.shape->sizes.maxHeight_m;
    for (const double knot : d.derived.shape->curves.knots()) {
        const Section s = d.derived.shape->curves.at(knot);
        ++number;
        if (d.frame.view == DrawnView::Side) {
            d.line(DrawnLayer::Stations, Stroke::Fine, {s.x_m, 0, s.back_m}, {s.x_m, 0, s.belly_m});
            const Vector2d over(d.at({s.x_m, 0, 0}).x(), tallest + kOver_mm);
            d.mark(DrawnShape::Words, DrawnLayer::Stations, over, std::to_string(number));
        } else {
            d.line(DrawnLayer::Stations, Stroke::Fine, {s.x_m, s.halfWidth_m, 0},
                   {s.x_m, -s.halfWidth_m, 0});
        }
    }
}

void draftPicture(Drafting& d) {
    const bool ahead = d.frame.view == DrawnView::Front;
    if (!ahead) {
        draftLip(d);
    }
    const auto outlines = bodyOutlines(d.derived, d.frame.view);
    const auto body = [&](Stroke stroke, Fill fill) {
        for (const auto& outline : outlines) {
            d.path(DrawnLayer::Body, stroke, d.at(outline), fill);
        }
    };
    body(Stroke::None, Fill::Stock);
    draftGrain(d);
    draftThings(d);
    draftJoints(d);
    draftWire(d);
    body(Stroke::Outline, Fill::None);
    draftCentreLine(d);
    if (ahead) {
        draftLip(d);
    }
    draftBuildUps(d);
    draftFittings(d);
}

void draftBench(Drafting& d) {
    d.path(DrawnLayer::Body, Stroke::Outline,
           d.at(templateOutline(d.derived.shape->curves, d.frame.view)));
    draftStations(d);
    draftCentreLine(d);
    draftThings(d);
    draftWire(d);
    if (d.frame.view == DrawnView::Side) {
        draftLip(d);
    }
    draftFittings(d);
    draftJoints(d);
}

}  // namespace

namespace {

// Words that would lie over others step outward, straight or aslant, a line back to where they
// belong.
void partWords(Drawing& drawing) {
    constexpr double kHigh_mm = 3.0, kLetter_mm = 2.0, kFarthest = 12;
    struct Box {
        Vector2d middle;
        double wide;
    };
    std::vector<Box> taken;
    const auto free = [&taken](const Box& box) {
        return std::none_of(taken.begin(), taken.end(), [&](const Box& other) {
            return std::abs(box.middle.x() - other.middle.x()) < 0.5 * (box.wide + other.wide) &&
                   std::abs(box.middle.y() - other.middle.y()) < kHigh_mm;
        });
    };
    for (size_t i = 0, drawn = drawing.size(); i < drawn; ++i) {
        if (drawing[i].shape != DrawnShape::Words) {
            continue;
        }
        const Vector2d at = drawing[i].points_mm.front();
        Box box{at, kLetter_mm * double(drawing[i].words.size())};
        const double out = at.y() < 0 ? -1 : 1;
        for (double far = 1; far <= kFarthest && !free(box); ++far) {
            for (const double aside : {0.0, 1.0, -1.0}) {
                box.middle = at + far * Vector2d(aside * box.wide, out * kHigh_mm);
                if (free(box)) {
                    break;
                }
            }
        }
        taken.push_back(box);
        if (box.middle != at) {
            drawing[i].points_mm.front() = box.middle;
            const Vector2d back = (at - box.middle).normalized();
            const DrawnLayer layer = drawing[i].layer;
            layPath(drawing, layer, Stroke::Fine, {at, box.middle + 0.5 * kHigh_mm * back});
        }
    }
}

}  // namespace

Drawing drawBait(const Design& design, const Derived& derived, const ViewFrame& frame,
                 DrawnFor purpose) {
    Drafting d{design, derived, frame, purpose, {}};
    purpose == DrawnFor::Picture ? draftPicture(d) : draftBench(d);
    if (frame.view == DrawnView::Side) {
        draftTieWire(d);
    }
    if (purpose == DrawnFor::Picture || frame.view == DrawnView::Side) {
        d.mark(DrawnShape::TieMark, DrawnLayer::Tie, d.at(tiePoint(design)));
        d.drawing.back().stroke = d.bench() ? Stroke::Inner : Stroke::Outline;
    }
    if (d.bench()) {
        partWords(d.drawing);
    }
    return std::move(d.drawing);
}

std::string boreLetter(size_t index) {
    constexpr size_t kLetters = 26;
    const std::string last(1, char('A' + int(index % kLetters)));
    return index < kLetters ? last : boreLetter(index / kLetters - 1) + last;
}

std::array<double, 4> extent_mm(const Drawing& drawing) {
    std::array<double, 4> box{};
    bool first = true;
    for (const Primitive& p : drawing) {
        const double r = p.shape == DrawnShape::Disc ? 0.5 * p.diameter_mm : 0.0;
        for (const Vector2d& q : p.points_mm) {
            box = first ? std::array{q.x() - r, q.y() - r, q.x() + r, q.y() + r}
                        : std::array{std::min(box[0], q.x() - r), std::min(box[1], q.y() - r),
                                     std::max(box[2], q.x() + r), std::max(box[3], q.y() + r)};
            first = false;
        }
    }
    return box;
}

}  // namespace wl
