// The adding up of one bait, part by part. Internal to the mass folder: use mass_balance.h.
#pragma once

#include <cmath>
#include <string>
#include <vector>

#include "core/mass/mass_balance.h"

namespace wl {

/// Half-width of a reading to its standard uncertainty (a rectangular spread).
inline const double kHalfWidthToStandard = 1.0 / std::sqrt(3.0);

/// A running sum of amounts and their first moments.
struct MassSum {
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

/// `wood_` is each piece's material with its holes taken out.
class Balancer {
  public:
    Balancer(const Design& design, const BodyInputs& body, double water_kg_m3);
    MassBalance run();

  private:
    size_t pieceOf(double x) const;
    double densityOf(size_t piece) const;
    void cutWood(size_t piece, double volume, const Eigen::Vector3d& at);
    /// Outside water pushed aside (volume over 0) or let in (under 0).
    void displace(size_t piece, const Eigen::Vector3d& at, double volume);
    MassItem& item(PartKind kind, Origin origin, const std::string& name, const std::string& path,
                   size_t piece);
    double partSpread_kg(double mass, bool weighed) const;
    /// Metal let in along a line: takes the place of what stands there (wood, filler, lead);
    /// what is out of the body pushes water aside. Returns the volume outside.
    double letIn(const Eigen::Vector3d& from, const Eigen::Vector3d& to, double volume);
    void takeFrom(size_t item, double mass, const Eigen::Vector3d& at);

    void addMake();
    void addFilm(double y, double filmDensity, double woodDensity);
    void addBores();
    void addFeatures();
    void addWire();
    void addChambers();
    void addJoints();
    void addFittings();
    void addLip();
    void addCoats();
    void addBodies();
    double asMadeMass() const;
    void total();
    void addInertia();
    void addTankCorrection();

    /// A place in the body that holds something else than wood.
    struct Fill {
        CutTool tool;
        double density_kg_m3 = 0.0;
        size_t item = 0;  ///< index of what fills it
        bool hasItem = false;
    };

    const Design& design_;
    const BodyInputs& body_;
    double water_;
    MassBalance b_;
    std::vector<MassSum> wood_;
    std::vector<std::vector<SmallPart>> small_;  // one more than parts: the lip's plate is apart
    std::vector<CutTool> tools_;                 // cut so far
    std::vector<Fill> fills_;
    std::optional<WettedHull> lipPlate_;
    size_t lipPiece_ = 0;
    double leadAndFiller_kg_ = 0, hardware_kg_ = 0, sealer_kg_ = 0, finish_kg_ = 0;
    double make_kg_ = 0;
};

}  // namespace wl
