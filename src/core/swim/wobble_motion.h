// The motion of a towed bait in roll, yaw and sway, with the wake that drives it.
#pragma once

#include "core/swim/wobble_body.h"

namespace wl {

/// How a bait is towed: what the tow step has found, or this model's own.
struct WobbleTow {
    double speed_m_s = 0.7;
    double pitch_rad = 0.0;  ///< nose up
    double tension_N = 0.0;
    double lineAngle_rad = 0.0;  ///< at the tie, over the level
};

/// (Y, roll, yaw, their rates, wake, its rate): metres and radians of the frame of swimming.
using WobbleState = Eigen::Matrix<double, 8, 1>;

/// What of the model may be varied, beside Model's own.
struct WobbleTuning {
    double excitation = 1.0;      ///< k_exc: times the wake's force
    double couplingShare = 1.0;   ///< of A, under 1 where the wake would run away with the body
    double rollCoupleHeld = 0.0;  ///< N m per radian taken off the roll couple (a low tie held)
};

/// Forces and moments about mid-length in body axes, and the wake's own figures at that state.
struct WobbleLoads {
    Eigen::Vector3d force_N = Eigen::Vector3d::Zero();
    Eigen::Vector3d moment_N_m = Eigen::Vector3d::Zero();
    double plateNormal_m_s = 0.0;  ///< U_n
    double wakeWidth_m = 0.0;      ///< w_eff
    double shedding_1_s = 0.0;     ///< Omega, radians a second
};

/// The equations: pitch, heave and surge held at the tow's attitude, roll, yaw and sway free
/// (Kirchhoff-Lamb with virtual work). Right-hand side in about two microseconds. Loads: cross-flow
/// and edge lift strip by strip (Hoerner 1965; thin-aerofoil three-quarter chord), afterbody
/// (Jones 1946, Hopkins 1951), plate with Polhamus' split, hooks, fins, line as a string; wake
/// oscillator of Facchinetti, de Langre & Biolley 2004 shed at the Strouhal number of an inclined
/// plate (Fage & Johansen 1927). Sources recalled; what is judged is named in docs/theory.md.
class WobbleMotion {
  public:
    /// `balance`: what the tow's attitude leaves over in the vertical plane is taken off in body
    /// axes, for the tow's loads are not these (without it a sound bait is driven by a false
    /// spring).
    WobbleMotion(const WobbleBody& body, const WobbleTow& tow, const Model& model,
                 WobbleTuning tuning = {}, bool balance = true);
    /// The same with the hull as it is given: what a hull leaves behind may be taken from it.
    WobbleMotion(const WobbleBody& body, WobbleHull hull, const WobbleTow& tow, const Model& model,
                 WobbleTuning tuning = {}, bool balance = true);

    WobbleState derivative(const WobbleState& state) const;
    /// Second derivatives (Y'', roll'', yaw'') and the side acceleration of the plate's middle,
    /// with the width of the wake and the rate it sheds at.
    struct Accelerations {
        Eigen::Vector3d free;
        double plate_m_s2 = 0.0;
        double wakeWidth_m = 0.0;
        double shedding_1_s = 0.0;
    };
    Accelerations accelerations(const WobbleState& state) const;
    /// All loads but those of the line, which is in `withLine`.
    WobbleLoads loads(const WobbleState& state, bool withLine = false) const;
    /// Force along and across the level, and pitching moment about mid-length, at rest in the
    /// attitude of the tow with the line's pull: nothing is left of them at a trim of this model.
    Eigen::Vector3d remainder() const { return remainder_; }

    /// Takes off that remainder, in body axes, instead of its own.
    void takeOff(const Eigen::Vector3d& remainder) { remainder_ = remainder; }
    /// At a state, in the axes of space: all loads but the line's, less the remainder and what the
    /// momentum carried along takes of the moment about mid-length; and where the tie is from
    /// there.
    struct InSpace {
        Eigen::Vector3d force_N, moment_N_m, tie_m;
    };
    InSpace inSpace(const WobbleState& state) const;

    const WobbleBody& body() const { return body_; }
    const WobbleHull& hull() const { return hull_; }
    const WobbleTow& tow() const { return tow_; }
    const Model& model() const { return model_; }
    const WobbleTuning& tuning() const { return tuning_; }
    void setTuning(const WobbleTuning& tuning) { tuning_ = tuning; }
    /// Sine of the plate's incidence running straight.
    double plateIncidence() const { return plateIncidence_; }
    /// Share of alternate shedding at that incidence, 0 to 1.
    double shedding() const { return shedding_; }
    bool hasWake() const { return body_.plate.has_value() && shedding_ > 0; }

  private:
    struct Kinematics;
    Kinematics kinematics(const WobbleState& state) const;
    WobbleLoads loadsAt(const Kinematics& k, const WobbleState& state, bool withLine) const;
    void addHull(const Kinematics& k, WobbleLoads& into) const;
    void addPlate(const Kinematics& k, const WobbleState& state, WobbleLoads& into) const;
    void addLine(const Kinematics& k, const WobbleState& state, WobbleLoads& into) const;

    WobbleBody body_;
    WobbleHull hull_;
    WobbleTow tow_;
    Model model_;
    WobbleTuning tuning_;
    Eigen::Vector3d remainder_ = Eigen::Vector3d::Zero();
    double plateIncidence_ = 0.0;
    double shedding_ = 0.0;
    double plateSlope_ = 0.0;
    /// Two strips side by side, for the processor to take together; what of them the motion does
    /// not change. The last may stand beside one that is nothing.
    struct StripPair {
        using Pair = Eigen::Array2d;
        Pair x_m = Pair::Zero(), middle_m = Pair::Zero();
        Pair level_m = Pair::Zero();  ///< of the upper and lower lines it is taken along
        Pair lever_m = Pair::Zero();  ///< of its lift, at most
        Pair side_kg_m = Pair::Zero(), up_kg_m = Pair::Zero();  ///< pushes by speed squared
        Pair crossY = Pair::Zero(), crossZ = Pair::Zero();
    };
    std::vector<StripPair> strips_;
};

}  // namespace wl
