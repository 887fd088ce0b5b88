#include "core/mass/mass_balance.h"

#include <cmath>

#include "core/base/units.h"

namespace wl {
namespace {

// Half-widths assumed where nothing was measured (common practice, no source).
constexpr double kTypicalMassSpread = 0.30;
constexpr double kCoatThicknessSpread = 0.25;
constexpr double kPlugLengthError_m = 0.00025;
constexpr double kWeighedPartError_kg = 0.00001;
const double kHalfWidthToStandard = 1.0 / std::sqrt(3.0);

struct Sum {
    double amount = 0;
    Eigen::Vector3d moment = Eigen::Vector3d::Zero();
    void add(double a, const Eigen::Vector3d& at) {
        amount += a;
        moment += a * at;
    }
    Eigen::Vector3d centre() const {
        return amount != 0 ? Eigen::Vector3d(moment / amount) : moment;
    }
};

void scaleToVolume(TriangleMesh& mesh, const SolidProperties& solid, double volume_m3) {
    const double scale = std::cbrt(volume_m3 / solid.volume_m3);
    for (Eigen::Vector3d& v : mesh.vertices_m) {
        v = solid.centroid_m + scale * (v - solid.centroid_m);
    }
}

}  // namespace

double fittingMass_kg(const Fitting& fitting) {
    return fitting.weighedMass_kg.value_or(fitting.typicalMass_kg);
}

bool swings(FittingKind kind) {
    return kind == FittingKind::Treble || kind == FittingKind::SplitRing;
}

Eigen::Vector3d fittingPlace(const Design& design, const Fitting& fitting) {
    if (!fitting.hangsFrom.empty()) {
        for (const Fitting& eye : design.fittings) {
            if (eye.name == fitting.hangsFrom && !swings(eye.kind)) {
                return {eye.x_m, eye.y_m, eye.z_m};
            }
        }
    }
    return {fitting.x_m, fitting.y_m, fitting.z_m};
}

MassBalance computeMassBalance(const Design& design, const BodyInputs& body, double water_kg_m3) {
    MassBalance b;
    const double stockDensity = body.reckoning.usedDensity_kg_m3;
    StageMasses& stage = b.stages;
    stage.shapedBody_kg = body.reckoning.usedMass_kg;

    Sum wood;
    wood.add(body.reckoning.usedMass_kg, body.solid.centroid_m);
    std::vector<MassItem> items;
    double leadAndFiller_kg = 0;
    for (size_t i = 0; i < design.bores.size(); ++i) {
        const Bore& bore = design.bores[i];
        BoreGeometry g = measureBore(body.curves, bore);
        const std::string path = "/bores/" + std::to_string(i);
        if (g.entersBody) {
            wood.add(-stockDensity * g.removed_m3, g.removedCentroid_m);
            const double area = kPi / 4 * bore.diameter_m * bore.diameter_m;
            MassItem plug{PartKind::Plug, Origin::Computed, bore.name, path};
            plug.mass_kg = bore.plugDensity_kg_m3 * g.plugVolume_m3;
            plug.centre_m = g.plugCentroid_m;
            plug.netDoubt_kg = (bore.plugDensity_kg_m3 - bore.fillerDensity_kg_m3) * area *
                               (g.plugLength_m > 0 ? kPlugLengthError_m : 0.0) *
                               kHalfWidthToStandard;
            MassItem filler{PartKind::Filler, Origin::Computed, bore.name, path};
            filler.mass_kg = bore.fillerDensity_kg_m3 * g.fillerVolume_m3;
            filler.centre_m = g.fillerCentroid_m;
            leadAndFiller_kg += plug.mass_kg + filler.mass_kg;
            items.push_back(plug);
            items.push_back(filler);
        }
        b.bores.push_back(g);
    }

    b.shape.hulls = {body.mesh};
    b.coarseShape.hulls = {body.coarseMesh};
    double hardware_kg = 0;
    for (size_t i = 0; i < design.fittings.size(); ++i) {
        const Fitting& fitting = design.fittings[i];
        const Eigen::Vector3d place = fittingPlace(design, fitting);
        const double mass = fittingMass_kg(fitting);
        const double volume = mass / fitting.density_kg_m3;
        const double sunk = swings(fitting.kind) ? 0.0 : fitting.sunk;
        for (const double side : {1.0, -1.0}) {
            if (side < 0 && !fitting.mirrored) {
                continue;
            }
            const Eigen::Vector3d at(place.x(), side * place.y(), place.z());
            MassItem item{PartKind::Fitting,
                          fitting.weighedMass_kg ? Origin::Weighed : Origin::Typical, fitting.name,
                          "/fittings/" + std::to_string(i)};
            item.mass_kg = mass;
            item.displaced_m3 = volume * (1 - sunk);
            item.centre_m = at;
            const double spread =
                fitting.weighedMass_kg ? kWeighedPartError_kg : kTypicalMassSpread * mass;
            item.netDoubt_kg = spread * kHalfWidthToStandard *
                               std::abs(1 - (water_kg_m3 * (1 - sunk) + stockDensity * sunk) /
                                                fitting.density_kg_m3);
            wood.add(-stockDensity * volume * sunk, at);
            hardware_kg += mass;
            if (item.displaced_m3 > 0) {
                b.shape.parts.push_back({at, item.displaced_m3});
                b.coarseShape.parts.push_back({at, item.displaced_m3});
            }
            items.push_back(item);
        }
    }

    if (design.lip.present) {
        b.lip = measureLip(design.lip);
        MassItem item{PartKind::Lip, Origin::Computed, design.lip.material, "/lip"};
        item.mass_kg = b.lip.mass_kg;
        item.displaced_m3 = b.lip.outsideVolume_m3;
        item.centre_m = b.lip.centreOfMass_m;
        item.netDoubt_kg = 0.03 * b.lip.mass_kg * kHalfWidthToStandard;
        wood.add(-stockDensity * b.lip.insideVolume_m3, b.lip.insideCentroid_m);
        hardware_kg += item.mass_kg;
        const TriangleMesh plate =
            meshPlate(lipOutline(design.lip), {design.lip.slotX_m, 0, design.lip.slotZ_m},
                      lipDirection(design.lip), Eigen::Vector3d::UnitY(), design.lip.thickness_m);
        b.shape.hulls.push_back(plate);
        b.coarseShape.hulls.push_back(plate);
        items.push_back(item);
    }

    const SkinProperties skin = integrateSkin(body.mesh);
    double coatVolume = 0, sealer_kg = 0, finish_kg = 0;
    for (size_t i = 0; i < design.coats.size(); ++i) {
        const Coat& coat = design.coats[i];
        MassItem item{PartKind::Coat, Origin::Computed, coat.name, "/coats/" + std::to_string(i)};
        item.displaced_m3 = skin.area_m2 * coat.thickness_m * coat.count;
        item.mass_kg = coat.density_kg_m3 * item.displaced_m3;
        item.centre_m = skin.centroid_m;
        item.netDoubt_kg = kCoatThicknessSpread * item.displaced_m3 *
                           std::abs(coat.density_kg_m3 - water_kg_m3) * kHalfWidthToStandard;
        coatVolume += item.displaced_m3;
        (coat.kind == CoatKind::Sealer ? sealer_kg : finish_kg) += item.mass_kg;
        items.push_back(item);
    }
    if (coatVolume > 0) {
        scaleToVolume(b.shape.hulls.front(), body.solid, body.solid.volume_m3 + coatVolume);
        scaleToVolume(b.coarseShape.hulls.front(), body.solid, body.solid.volume_m3 + coatVolume);
    }

    const Stock& stock = design.pieces.front().stock;
    MassItem bodyItem{PartKind::Body,
                      stock.trust != BodyTrust::DrawnVolume && stock.weighedBody_kg
                          ? Origin::Weighed
                          : Origin::Computed,
                      stock.material, "/pieces/0"};
    bodyItem.mass_kg = wood.amount;
    bodyItem.displaced_m3 = body.solid.volume_m3;
    bodyItem.centre_m = wood.centre();
    bodyItem.netDoubt_kg = body.reckoning.netDoubt_kg;
    b.items.push_back(bodyItem);
    b.items.insert(b.items.end(), items.begin(), items.end());

    Sum mass;
    double doubt2 = 0;
    for (const MassItem& item : b.items) {
        mass.add(item.mass_kg, item.centre_m);
        doubt2 += item.netDoubt_kg * item.netDoubt_kg;
    }
    b.mass_kg = mass.amount;
    b.centreOfGravity_m = mass.centre();
    b.netDoubt_kg = std::sqrt(doubt2);
    const Submerged displaced = computeDisplaced(b.shape);
    b.displacedVolume_m3 = displaced.volume_m3;
    b.centreOfBuoyancy_m = displaced.moment_m4 / displaced.volume_m3;

    stage.drilledBody_kg = wood.amount;
    stage.sealedBody_kg = stage.drilledBody_kg + sealer_kg;
    stage.withLead_kg = stage.sealedBody_kg + leadAndFiller_kg;
    stage.withHardware_kg = stage.withLead_kg + hardware_kg;
    stage.finished_kg = stage.withHardware_kg + finish_kg;
    return b;
}

}  // namespace wl
