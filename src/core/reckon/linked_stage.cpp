// Chains with linked eyes, gathered from the pieces between them.
#include <algorithm>

#include "core/placed/lip_sheet.h"
#include "core/reckon/stages.h"

namespace wl {
namespace {

void addTo(Link& link, const PieceBalance& piece) {
    link.shape.hulls.insert(link.shape.hulls.end(), piece.coarseShape.hulls.begin(),
                            piece.coarseShape.hulls.end());
    link.shape.parts.insert(link.shape.parts.end(), piece.coarseShape.parts.begin(),
                            piece.coarseShape.parts.end());
    const double mass = link.mass_kg + piece.mass_kg;
    const double volume = link.volume_m3 + piece.displacedVolume_m3;
    link.centreOfGravity_m =
        (link.mass_kg * link.centreOfGravity_m + piece.mass_kg * piece.centreOfGravity_m) / mass;
    link.centreOfBuoyancy_m = (link.volume_m3 * link.centreOfBuoyancy_m +
                               piece.displacedVolume_m3 * piece.centreOfBuoyancy_m) /
                              volume;
    link.mass_kg = mass;
    link.volume_m3 = volume;
}

// Where the faces meet on the centre plane when the piece behind pitches on its eye.
void addStops(Link& link, const BodyCurves& curves, const JointCut& cut) {
    const Section ahead = curves.atX(cut.frontPieceFace.x_m);
    const Section behind = curves.atX(cut.rearPieceFace.x_m);
    const double toAhead = cut.pinX_m - cut.frontPieceFace.x_m;
    const double toBehind = cut.rearPieceFace.x_m - cut.pinX_m;
    link.noseUpStop_rad =
        pitchStop_rad(toAhead, toBehind, cut.midZ_m - ahead.belly_m, cut.midZ_m - behind.belly_m);
    link.noseDownStop_rad =
        pitchStop_rad(toAhead, toBehind, ahead.back_m - cut.midZ_m, behind.back_m - cut.midZ_m);
}

}  // namespace

std::shared_ptr<const LinkedRest> linkedRestOf(const Derived& d, double pitch_rad) {
    const std::vector<Joint>& joints = d.design->joints;
    const bool any = std::any_of(joints.begin(), joints.end(),
                                 [](const Joint& j) { return j.kind == HingeKind::LinkedEyes; });
    if (!any) {
        return nullptr;
    }
    // Upright pins bend sideways only: what they join is one length in the side view.
    auto linked = std::make_shared<LinkedRest>();
    std::vector<size_t> ofPiece{0};
    linked->links.emplace_back();
    for (size_t i = 0; i < joints.size(); ++i) {
        if (joints[i].kind == HingeKind::LinkedEyes) {
            const JointCut& cut = d.shape->joints[i];
            linked->links.back().rear_m = {cut.pinX_m, 0, cut.midZ_m};
            linked->links.emplace_back();
            linked->links.back().front_m = {cut.pinX_m, 0, cut.midZ_m};
            addStops(linked->links.back(), d.shape->curves, cut);
        }
        ofPiece.push_back(linked->links.size() - 1);
    }
    for (size_t i = 0; i < d.shape->parts.size(); ++i) {
        const BodyPart& part = d.shape->parts[i];
        const size_t piece = part.appendage ? pieceAt(joints, part.pivot_m.x()) : part.index;
        linked->linkOf.push_back(ofPiece[piece]);
        addTo(linked->links[ofPiece[piece]], d.mass->pieces[i]);
    }
    auto floating = floatLinked(linked->links, d.waterDensity_kg_m3, pitch_rad);
    linked->afloat = floating.has_value();
    linked->pose = floating ? std::move(*floating)
                            : hangLinked(linked->links, d.waterDensity_kg_m3, std::nullopt);
    return linked;
}

std::optional<LinkedPose> linkedOnLine(const Derived& d) {
    if (!d.rest->linked || d.rest->linked->afloat) {
        return std::nullopt;
    }
    return hangLinked(d.rest->linked->links, d.waterDensity_kg_m3, tiePoint(*d.design));
}

}  // namespace wl
