#include "core/draw/drawing.h"

namespace wl {

const char* layerName(DrawnLayer layer) {
    switch (layer) {
        case DrawnLayer::Body:
            return "body";
        case DrawnLayer::Grain:
            return "grain";
        case DrawnLayer::Stations:
            return "stations";
        case DrawnLayer::CentreLine:
            return "centre line";
        case DrawnLayer::Saw:
            return "saw lines";
        case DrawnLayer::Bores:
            return "bores";
        case DrawnLayer::Cuts:
            return "holes and slots";
        case DrawnLayer::Weights:
            return "side weights";
        case DrawnLayer::Cavities:
            return "cavities";
        case DrawnLayer::Rattles:
            return "rattles";
        case DrawnLayer::Hinges:
            return "hinges";
        case DrawnLayer::Wire:
            return "wire";
        case DrawnLayer::Lip:
            return "lip";
        case DrawnLayer::Putty:
            return "putty";
        case DrawnLayer::Fittings:
            return "fittings";
        case DrawnLayer::Tie:
            return "tie";
    }
    return "body";
}

ViewFrame levelFrame(DrawnView view) {
    using Eigen::Vector3d;
    switch (view) {
        case DrawnView::Side:
            break;
        case DrawnView::Top:
            return {view, Vector3d::UnitX(), -Vector3d::UnitY(), Vector3d::UnitX()};
        case DrawnView::Front:
            return {view, Vector3d::UnitY(), Vector3d::UnitZ(), -Vector3d::UnitZ()};
    }
    return {view, Vector3d::UnitX(), Vector3d::UnitZ(), -Vector3d::UnitZ()};
}

Primitive& layPath(Drawing& drawing, DrawnLayer layer, Stroke stroke,
                   std::vector<Eigen::Vector2d> points_mm, bool closed) {
    Primitive& p = drawing.emplace_back();
    p.layer = layer;
    p.stroke = stroke;
    p.points_mm = std::move(points_mm);
    p.closed = closed;
    return p;
}

}  // namespace wl
