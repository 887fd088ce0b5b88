// A drawing of flat shapes in millimetres, as the window, the bench sheet and drawing files take
// it.
#pragma once

#include <string>
#include <vector>

#include <Eigen/Core>

namespace wl {

/// What a shape shows, by the words of the trade; a drawing file has a layer for each.
enum class DrawnLayer {
    Body,
    Grain,
    Stations,
    CentreLine,
    Saw,
    Bores,
    Cuts,
    Weights,
    Cavities,
    Rattles,
    Hinges,
    Wire,
    Lip,
    Putty,
    Fittings,
    Tie
};

/// "body", "saw lines", ...: the layer's name in a file.
const char* layerName(DrawnLayer layer);

/// How a shape's edge is drawn. Metal: as wide as the bar it stands for; twist: the winding on it.
enum class Stroke { None, Outline, Saw, Inner, Hidden, Fine, Fibre, Centre, Metal, Twist };

/// What a shape is filled with. Clear: sheet one sees through. Dots lie over filler; the last three
/// are hatchings of the stock.
enum class Fill {
    None,
    Stock,
    Hollow,
    Lead,
    Steel,
    Filler,
    Sheet,
    Clear,
    Dark,
    Dots,
    Print,
    EndGrain,
    CrossGrain
};

/// Path: a chain of points. Disc: a circle round the first point. Marks (a tie's ring, a part's
/// cross, a bend's tick, a hinge's pin) and words have a size of the paper's, not of the bait's; a
/// pin is drawn no smaller than it is. Facet: a lit triangle of a solid, without an edge.
enum class DrawnShape { Path, Disc, TieMark, CrossMark, BendMark, PinMark, Words, Facet };

/// One shape. Points in mm, x to the right and y up on the paper.
struct Primitive {
    DrawnShape shape = DrawnShape::Path;
    DrawnLayer layer = DrawnLayer::Body;
    Stroke stroke = Stroke::Inner;
    Fill fill = Fill::None;
    std::vector<Eigen::Vector2d> points_mm;
    bool closed = false;
    bool insideBody = false;   ///< nothing of it shows outside the shapes of the body
    double diameter_mm = 0.0;  ///< of a disc or pin
    double bar_mm = 0.0;       ///< of the metal a stroke of metal stands for
    double light = 1.0;        ///< on a facet, 0 turned away from it to 1 facing it
    std::string words;
};

/// Shapes in the order they are laid over each other.
using Drawing = std::vector<Primitive>;

/// A chain of points laid over what is there; it may be changed till the next is laid.
Primitive& layPath(Drawing& drawing, DrawnLayer layer, Stroke stroke,
                   std::vector<Eigen::Vector2d> points_mm, bool closed = false);

/// Which way a bait is looked at. Side: from port. Top: from above. Front: from ahead.
enum class DrawnView { Side, Top, Front };

/// A view as unit vectors of the body frame: the paper's right and up, and where a thing that
/// hangs hangs to.
struct ViewFrame {
    DrawnView view = DrawnView::Side;
    Eigen::Vector3d right = Eigen::Vector3d::UnitX();
    Eigen::Vector3d up = Eigen::Vector3d::UnitZ();
    Eigen::Vector3d down = -Eigen::Vector3d::UnitZ();

    Eigen::Vector2d onPaper_mm(const Eigen::Vector3d& place_m) const {
        return 1000.0 * Eigen::Vector2d(right.dot(place_m), up.dot(place_m));
    }
    /// The body axis nearest to the line of sight: 0 aft, 1 port, 2 up.
    int sightAxis() const { return view == DrawnView::Side ? 1 : view == DrawnView::Top ? 2 : 0; }
};

/// The bait held level and upright: side with the nose to the left, top with the nose to the left
/// and port down (hooks trail aft), front with port to the right.
ViewFrame levelFrame(DrawnView view);

}  // namespace wl
