// A drawing of a bait in the making.
#pragma once

#include "core/draw/draw_bait.h"

namespace wl {

/// Takes shapes one over the other.
struct Drafting {
    const Design& design;
    const Derived& derived;
    const ViewFrame& frame;
    DrawnFor purpose = DrawnFor::Picture;
    Drawing drawing;

    using Points = std::vector<Eigen::Vector2d>;

    bool bench() const { return purpose == DrawnFor::Bench; }
    Eigen::Vector2d at(const Eigen::Vector3d& place_m) const { return frame.onPaper_mm(place_m); }
    Points at(const std::vector<Eigen::Vector3d>& places_m) const;
    /// A chain of points; the bench sees no fills.
    Primitive& path(DrawnLayer layer, Stroke stroke, Points points_mm, Fill fill = Fill::None,
                    bool closed = true);
    Primitive& line(DrawnLayer layer, Stroke stroke, const Eigen::Vector3d& from_m,
                    const Eigen::Vector3d& to_m, double bar_mm = 0.0);
    Primitive& disc(DrawnLayer layer, Stroke stroke, const Eigen::Vector2d& at_mm,
                    double diameter_mm, Fill fill = Fill::None);
    void mark(DrawnShape shape, DrawnLayer layer, const Eigen::Vector2d& at_mm,
              std::string words = {}, double diameter_mm = 0.0);
    /// What lies inside: an edge one sees in the cutaway, a hidden one on the bench.
    Stroke inside() const { return bench() ? Stroke::Hidden : Stroke::Inner; }
};

/// A bar between two points of the paper.
Drafting::Points barOnPaper(const Eigen::Vector2d& a, const Eigen::Vector2d& b, double width_mm);

/// A stretch of an ellipse round `middle`, turned: half axes along its own x and y, from one angle
/// to another.
Drafting::Points arcOnPaper(const Eigen::Vector2d& middle, const Eigen::Vector2d& halves_mm,
                            double turned_rad, double from_rad, double to_rad);

void draftThings(Drafting& drafting);    ///< bores, holes, weights, cavities, rattles, slot, stems
void draftJoints(Drafting& drafting);    ///< hinges and their bevels; on the bench the saw's lines
void draftWire(Drafting& drafting);      ///< the through-wire with its bends
void draftLip(Drafting& drafting);       ///< outside the body
void draftBuildUps(Drafting& drafting);  ///< putty and drips
void draftTieWire(Drafting& drafting);   ///< a tie through the lip, twisted up to its loop
void draftFittings(Drafting& drafting);  ///< eyes, hooks, rings, fins; on the bench their places

}  // namespace wl
