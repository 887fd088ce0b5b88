#include "io/report.h"

#include "core/base/units.h"
#include "core/clearance/clearance.h"
#include "core/hydro/righting.h"
#include "core/motion/added_mass.h"
#include "core/reckon/evaluate.h"
#include "core/reckon/run.h"
#include "core/rules/check_design.h"
#include "core/tank/doubt.h"
#include "core/tank/lean.h"
#include "core/tank/waters.h"
#include "io/json_answer.h"

namespace wl {
namespace {

using Json = AnswerJson;

Json bodyJson(const Derived& d) {
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

Json stockJson(const Derived& d) {
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

Json surfacesJson(const std::vector<Surface>& surfaces) {
    static const char* const kinds[] = {"lip",      "nose_face", "tail_face", "fin",
                                        "bristles", "soft_tail", "side_piece"};
    Json list = Json::array();
    for (const Surface& s : surfaces) {
        Json j{{"kind", kinds[static_cast<int>(s.kind)]},
               {"name", s.name},
               {"path", pathOf(s.record)},
               {"swings", s.swings},
               {"reckoned", s.reckoned()}};
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

Json massJson(const Derived& d) {
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

Json jointsJson(const Design& design, const Derived& d) {
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

Json waterloggedJson(const Derived& d) {
    Json all = Json::array();
    for (const Waterlogged& w : d.rest->waterlogged) {
        Json one;
        put(one, "after", Quantity::Time, w.after_s);
        put(one, "water", Quantity::Mass, w.water_kg);
        put(one, "spare", Quantity::Fraction, w.spare);
        if (w.attitudeDecided) {
            put(one, "pitch", Quantity::Angle, w.pitch_rad);
        }
        all.push_back(one);
    }
    return all;
}

Json floatJson(const Derived& d) {
    static const char* const states[] = {"floats", "suspends", "sinks"};
    Json j;
    j["state"] = states[static_cast<int>(d.rest->state)];
    put(j, "spare", Quantity::Fraction, d.rest->spare);
    put(j, "spare_plus_minus", Quantity::Fraction, d.rest->spareDoubt);
    put(j, "net", Quantity::Mass, d.rest->net_kg);
    put(j, "pitch", Quantity::Angle, d.rest->pitch_rad);
    put(j, "roll", Quantity::Angle, d.rest->roll_rad);
    put(j, "showing", Quantity::Length, d.rest->showing_m);
    put(j, "free_speed_down", Quantity::Speed, d.rest->fall.speed_m_s);
    put(j, "free_speed_low", Quantity::Speed, d.rest->lowSpeed_m_s);
    put(j, "free_speed_high", Quantity::Speed, d.rest->highSpeed_m_s);
    put(j, "centre_arm", Quantity::Length, d.rest->hang.arm_m);
    Json attitudes = Json::array();
    for (const FloatAttitude& a : d.rest->attitudes) {
        Json one;
        put(one, "pitch", Quantity::Angle, a.pitch_rad);
        put(one, "roll", Quantity::Angle, a.roll_rad);
        put(one, "metacentric_height_roll", Quantity::Length, a.metacentricHeightRoll_m);
        put(one, "metacentric_height_pitch", Quantity::Length, a.metacentricHeightPitch_m);
        one["energy_J"] = a.energy_J;
        attitudes.push_back(one);
    }
    j["stable_attitudes"] = attitudes;
    if (d.rest->linked) {
        const LinkedRest& chain = *d.rest->linked;
        const auto onLine = linkedOnLine(d);
        Json links = Json::array();
        for (size_t i = 0; i < chain.links.size(); ++i) {
            Json link{{"pieces", Json::array()}};
            for (size_t k = 0; k < chain.linkOf.size(); ++k) {
                if (chain.linkOf[k] == i) {
                    link["pieces"].push_back(d.mass->pieces[k].path);
                }
            }
            if (chain.pose.settled) {
                put(link, "pitch", Quantity::Angle, chain.pose.pitch_rad[i]);
            }
            if (onLine && onLine->settled) {
                put(link, "pitch_on_line", Quantity::Angle, onLine->pitch_rad[i]);
            }
            links.push_back(link);
        }
        j["linked"] = {{"afloat", chain.afloat}, {"links", links}};
    }
    return j;
}

Json runJson(const Run& run) {
    static const char* const ends[] = {"reached_rod", "surfaced",    "stays_on_top",
                                       "no_trim",     "no_solution", "cancelled"};
    Json j;
    j["end"] = ends[static_cast<int>(run.path.end)];
    if (run.levelTrim) {
        Json trim;
        put(trim, "pitch", Quantity::Angle, run.levelTrim->pitch_rad);
        put(trim, "tension", Quantity::Force, run.levelTrim->tension_N);
        put(trim, "line_angle", Quantity::Angle, run.levelTrim->lineAngle_rad);
        j["level_tow"] = trim;
    }
    if (run.depthKnown) {
        put(j, "depth", Quantity::Distance, run.path.maxDepth_m);
        put(j, "depth_low", Quantity::Distance, run.depthLow_m);
        put(j, "depth_high", Quantity::Distance, run.depthHigh_m);
        put(j, "deepest_from_rod", Quantity::Distance, run.path.maxDepthFromRod_m);
        put(j, "share_near_deepest", Quantity::Fraction, run.path.shareNearDeepest);
    }
    put(j, "trolled_depth", Quantity::Distance, run.trolledDepth_m);
    Json path = Json::array();
    if (run.depthKnown) {
        for (const RetrievePoint& p : run.path.points) {
            Json point;
            put(point, "from_rod", Quantity::Distance, p.fromRod_m);
            put(point, "depth", Quantity::Distance, p.depth_m);
            put(point, "time", Quantity::Time, p.time_s);
            put(point, "pitch", Quantity::Angle, p.pitch_rad);
            put(point, "tension", Quantity::Force, p.tension_N);
            path.push_back(point);
        }
    }
    j["path"] = path;
    return j;
}

void writeLines(const Json& json, const std::string& indent, std::string& out) {
    for (auto it = json.begin(); it != json.end(); ++it) {
        if (it.key() == "path" || it.key() == "findings" || it.key() == "format") {
            continue;
        }
        if (it->is_object()) {
            out += indent + it.key() + "\n";
            writeLines(*it, indent + "  ", out);
        } else if (it->is_array() && !it->empty() && it->front().is_object()) {
            out += indent + it.key() + "\n";
            for (const Json& entry : *it) {
                out += indent + "  -\n";
                writeLines(entry, indent + "    ", out);
            }
        } else {
            out += indent + it.key() + ": " +
                   (it->is_string() ? it->get<std::string>() : it->dump()) + "\n";
        }
    }
}

Json tankJson(const Design& design, const Derived& d) {
    Json j;
    const FloatingBody body{d.mass->shape, d.mass->mass_kg, d.mass->centreOfGravity_m,
                            d.waterDensity_kg_m3};
    const RightingCurve righting = computeRighting(body);
    Json curve = Json::array();
    for (size_t i = 0; i < righting.roll_rad.size(); ++i) {
        Json point;
        put(point, "lean", Quantity::Angle, righting.roll_rad[i]);
        put(point, "arm", Quantity::Length, righting.arm_m[i]);
        curve.push_back(point);
    }
    j["righting"] = curve;
    put(j, "rights_up_to", Quantity::Angle, righting.vanish_rad);
    put(j, "roll_moment_per_degree", Quantity::Moment,
        righting.stiffness_N_m / kGravity_m_s2 * kDegree);
    const FreeFallTimes fall = freeFallTimes(d);
    put(j, "time_for_the_water_depth", Quantity::Time,
        timeToFall_s(fall, design.brief.waterDepth_m));
    const Doubt doubt = computeDoubt(design, d);
    put(j, "floats", Quantity::Fraction, doubt.chances.floats);
    put(j, "hangs", Quantity::Fraction, doubt.chances.suspends);
    put(j, "sinks", Quantity::Fraction, doubt.chances.sinks);
    Json sources = Json::array();
    for (const DoubtSource& s : doubt.sources) {
        Json source{{"code", s.code}, {"name", s.name}, {"path", s.path}};
        put(source, "standard_uncertainty", Quantity::Mass, s.effect_kg);
        put(source, "share", Quantity::Fraction, s.share);
        sources.push_back(source);
    }
    j["doubt"] = sources;
    Json waters = Json::array();
    for (const double t : {4.0, 15.0, 25.0}) {
        for (const double salt : {0.0, 0.01, 0.035}) {
            const InWater w =
                inWater(design, d, t + kZeroCelsius_K, salt, design.errors.roomTemperature_K);
            Json row;
            put(row, "temperature", Quantity::Temperature, w.temperature_K);
            put(row, "salinity", Quantity::Salinity, w.salinity);
            put(row, "spare", Quantity::Fraction, w.spare);
            if (w.attitudeDecided) {
                put(row, "pitch", Quantity::Angle, w.pitch_rad);
            }
            waters.push_back(row);
        }
    }
    j["waters"] = waters;
    return j;
}

}  // namespace

std::string readableReport(const Report& report) {
    const Json json = Json::parse(report.json);
    std::string out;
    writeLines(json, "", out);
    if (json.contains("findings")) {
        for (const Json& f : json["findings"]) {
            out += f["severity"].get<std::string>() + ": " + f["text"].get<std::string>() + " [" +
                   f["path"].get<std::string>() + "]\n";
        }
    }
    return out;
}

Report makeReport(const Design& design, const Model& model) {
    Json out;
    out["format"] = "wade-line-report";
    out["design"] = design.name;
    Report report;
    const Result<Derived> derived = evaluate(design, nullptr, model);
    if (!derived) {
        out["error"] = errorJson(derived.error());
        report.hasError = true;
        report.json = answerText(out);
        return report;
    }
    const Run run = computeRun(*derived);
    for (const Coefficient& c : coefficients()) {
        if (model.*c.value != Model{}.*c.value) {
            out["model"][c.key + std::string(fileSuffix(c.quantity))] =
                toFile(c.quantity, model.*c.value);
        }
    }
    Json water;
    put(water, "density", Quantity::Density, derived->waterDensity_kg_m3);
    water["kinematic_viscosity_mm2_s"] = derived->waterViscosity_m2_s * 1e6;
    out["water"] = water;
    out["body"] = bodyJson(*derived);
    out["stock"] = stockJson(*derived);
    out["mass"] = massJson(*derived);
    out["surfaces"] = surfacesJson(derived->mass->surfaces);
    out["joints"] = jointsJson(design, *derived);
    out["rest"] = floatJson(*derived);
    out["waterlogged"] = waterloggedJson(*derived);
    out["run"] = runJson(run);
    out["tank"] = tankJson(design, *derived);
    Json findings = Json::array();
    std::vector<Finding> all = checkDesign(*derived);
    checkSkinWalls(design, *derived, all);
    const std::vector<Finding> towed = checkRun(*derived, run);
    all.insert(all.end(), towed.begin(), towed.end());
    for (const Finding& f : all) {
        findings.push_back(findingJson(f));
        report.hasError = report.hasError || f.severity == Severity::Error;
    }
    out["findings"] = findings;
    report.json = answerText(out);
    return report;
}

}  // namespace wl
