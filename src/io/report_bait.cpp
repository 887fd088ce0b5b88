#include "io/report_bait.h"

#include "core/motion/added_mass.h"

namespace wl {
namespace {

using Json = AnswerJson;

Json listOf(const Eigen::Vector3d& v) {
    return Json::array({v.x(), v.y(), v.z()});
}

// What the piece's motion needs: inertia, side area, and the water that moves with it.
void putMotion(Json& piece, const Derived& d, size_t i) {
    Json rows = Json::array();
    Eigen::Matrix3d inertia = d.mass->pieces[i].inertia_kg_m2 / (1e-3 * 1e-6);
    const double rounding = 1e-12 * inertia.trace();  // of what is the same on both sides
    inertia = (inertia.array().abs() < rounding).select(0.0, inertia);
    for (int row = 0; row < 3; ++row) {
        rows.push_back(listOf(inertia.row(row).transpose()));
    }
    piece["inertia_g_mm2"] = rows;
    const BodyPart& part = d.shape->parts[i];
    if (part.appendage) {
        return;
    }
    put(piece, "lateral_area", Quantity::Area, part.lateral.area_m2);
    putPlace(piece, "lateral_centre", part.lateral.centroid_m);
    Eigen::AlignedBox3d box;
    for (const Eigen::Vector3d& v : part.mesh.vertices_m) {
        box.extend(v);
    }
    const Eigen::Vector3d size = box.sizes();
    piece["added_mass_share"] = listOf(addedMassCoefficients(size.x(), size.y(), size.z()));
    piece["added_inertia_share"] = listOf(addedInertiaCoefficients(size.x(), size.y(), size.z()));
}

}  // namespace

AnswerJson bodyJson(const Derived& d) {
    Json j;
    put(j, "length", Quantity::Length, d.shape->sizes.length_m);
    put(j, "width", Quantity::Length, d.shape->sizes.maxWidth_m);
    put(j, "height", Quantity::Length, d.shape->sizes.maxHeight_m);
    put(j, "widest_at", Quantity::Length, d.shape->sizes.widestAt_m);
    put(j, "volume", Quantity::Volume, d.shape->solid.volume_m3);
    // Whole, as drawn; and of what is made of it: pieces printed apart have no wood in their gaps.
    const double broader = d.shape->reckoning.breadthScale;
    put(j, "drawn_volume", Quantity::Volume, d.shape->solid.volume_m3 / (broader * broader));
    put(j, "as_made_volume", Quantity::Volume, d.shape->reckoning.drawnVolume_m3);
    put(j, "surface", Quantity::Area, d.shape->skin.area_m2);
    put(j, "plan_area", Quantity::Area, d.shape->sizes.planArea_m2);
    putPlace(j, "centroid", d.shape->solid.centroid_m);
    const Eigen::Matrix3d& i = d.shape->solid.inertia_m5;
    const double scale = 1e15;  // m5 to mm5
    j["inertia_per_density_mm5"] = {i(0, 0) * scale, i(1, 1) * scale, i(2, 2) * scale};
    return j;
}

AnswerJson stockJson(const Derived& d) {
    Json j;
    const BodyReckoning& r = d.shape->reckoning;
    put(j, "density", Quantity::Density, r.density.density_kg_m3);
    put(j, "density_uncertainty", Quantity::Density, r.density.uncertainty_kg_m3);
    put(j, "density_used", Quantity::Density, r.usedDensity_kg_m3);
    put(j, "body_mass_drawn", Quantity::Mass, r.drawnMass_kg);
    put(j, "body_mass_used", Quantity::Mass, r.usedMass_kg);
    if (r.weighedVolume_m3) {
        put(j, "volume_from_weighing", Quantity::Volume, *r.weighedVolume_m3);
        put(j, "disagreement", Quantity::Fraction, r.disagreement);
    }
    return j;
}

AnswerJson surfacesJson(const std::vector<Surface>& surfaces) {
    static const char* const kinds[] = {"lip",      "nose_face", "tail_face", "fin",
                                        "bristles", "soft_tail", "side_piece"};
    Json list = Json::array();
    for (const Surface& s : surfaces) {
        Json j{{"kind", kinds[static_cast<int>(s.kind)]},
               {"name", s.name},
               {"path", pathOf(s.record)},
               {"swings", s.swings},
               {"left_out_of_tow", s.leftOut()}};
        put(j, "area", Quantity::Area, s.area_m2());
        put(j, "chord", Quantity::Length, s.chord_m);
        putPlace(j, "root", s.root_m);
        putPlace(j, "centre", s.centre_m);
        j["along"] = listOf(s.along);
        j["normal"] = listOf(s.normal);
        list.push_back(j);
    }
    return list;
}

AnswerJson massJson(const Derived& d) {
    static const char* const kinds[] = {"body",  "plug", "filler", "fitting", "lip",     "coat",
                                        "hinge", "wire", "rattle", "tank",    "built_up"};
    static const char* const origins[] = {"weighed", "computed", "typical"};
    Json j;
    put(j, "total", Quantity::Mass, d.mass->mass_kg);
    put(j, "wanted", Quantity::Mass, d.wantedMass_kg);
    put(j, "displaced_volume", Quantity::Volume, d.mass->displacedVolume_m3);
    put(j, "displaced_mass", Quantity::Mass, d.waterDensity_kg_m3 * d.mass->displacedVolume_m3);
    putPlace(j, "centre_of_gravity", d.mass->centreOfGravity_m);
    putPlace(j, "centre_of_buoyancy", d.mass->centreOfBuoyancy_m);
    put(j, "net_uncertainty", Quantity::Mass, d.mass->netDoubt_kg);
    Json parts = Json::array();
    for (const MassItem& item : d.mass->items) {
        Json part{{"kind", kinds[static_cast<int>(item.kind)]},
                  {"name", item.name},
                  {"origin", origins[static_cast<int>(item.origin)]},
                  {"path", item.path}};
        put(part, "mass", Quantity::Mass, item.mass_kg);
        put(part, "displaced", Quantity::Volume, item.displaced_m3);
        putPlace(part, "place", item.centre_m);
        parts.push_back(part);
    }
    j["parts"] = parts;
    const StageMasses& s = d.mass->stages;
    Json stages;
    put(stages, "shaped_body", Quantity::Mass, s.shapedBody_kg);
    put(stages, "drilled_body", Quantity::Mass, s.drilledBody_kg);
    put(stages, "sealed_body", Quantity::Mass, s.sealedBody_kg);
    put(stages, "with_lead", Quantity::Mass, s.withLead_kg);
    put(stages, "with_hardware", Quantity::Mass, s.withHardware_kg);
    put(stages, "finished", Quantity::Mass, s.finished_kg);
    j["scale_should_read"] = stages;
    Json pieces = Json::array();
    for (size_t i = 0; i < d.mass->pieces.size(); ++i) {
        const PieceBalance& p = d.mass->pieces[i];
        Json piece{{"name", p.name}, {"path", p.path}};
        put(piece, "mass", Quantity::Mass, p.mass_kg);
        put(piece, "displaced_volume", Quantity::Volume, p.displacedVolume_m3);
        putPlace(piece, "centre_of_gravity", p.centreOfGravity_m);
        putPlace(piece, "centre_of_buoyancy", p.centreOfBuoyancy_m);
        putMotion(piece, d, i);
        if (i < d.rest->alone.size()) {
            put(piece, "net_alone", Quantity::Mass, d.rest->alone[i].net_kg);
            if (d.rest->alone[i].decided) {
                put(piece, "pitch_alone", Quantity::Angle, d.rest->alone[i].pitch_rad);
            }
        }
        pieces.push_back(piece);
    }
    j["pieces"] = pieces;
    return j;
}

AnswerJson jointsJson(const Design& design, const Derived& d) {
    static const char* const stops[] = {
        "rear_edge_on_front_face", "front_edge_on_rear_face", "pocket", "hardware", "none",
        "front_fold_on_rear_face", "rear_fold_on_front_face"};
    Json all = Json::array();
    for (size_t i = 0; i < d.shape->joints.size(); ++i) {
        const JointCut& cut = d.shape->joints[i];
        Json j{{"name", design.joints[i].name},
               {"stop", stops[static_cast<int>(cut.opening.stop)]}};
        put(j, "opening", Quantity::Angle, cut.opening.opening_rad);
        put(j, "face_opening", Quantity::Angle, cut.opening.faceOpening_rad);
        put(j, "pin_x", Quantity::Length, cut.pinX_m);
        put(j, "body_depth", Quantity::Length, cut.depth_m);
        const SolidProperties gap =
            integrateJointGap(d.shape->curves, cut.frontPieceFace, cut.rearPieceFace);
        put(j, "taken_out", Quantity::Volume, gap.volume_m3 + cut.pocketVolume_m3);
        all.push_back(j);
    }
    return all;
}

}  // namespace wl
