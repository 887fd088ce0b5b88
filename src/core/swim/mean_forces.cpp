#include "core/swim/mean_forces.h"

#include <cmath>

#include "core/reckon/tow.h"

namespace wl {
namespace {

// Held by its line alone: what the couple about the tie leaves over, and the line.
struct Balance {
    double couple = 0;
    HeldLevel held;
};

Balance balanceAt(const BeatMean& mean, double pitch) {
    Balance b;
    const double ahead = -mean.load.x(), up = mean.load.y();
    b.held.pitch_rad = pitch;
    b.held.pull_N = std::hypot(ahead, up);
    b.held.lineAngle_rad = std::atan2(up, ahead);
    b.couple = mean.load.z() + mean.tie_m.z() * ahead + mean.tie_m.x() * up;
    return b;
}

}  // namespace

BeatMean meanOverBeat(const WobbleMotion& motion, const Complex6& swing, double wake) {
    constexpr int kPlaces = 48;
    BeatMean mean;
    for (int i = 0; i < kPlaces; ++i) {
        const std::complex<double> turn = std::polar(1.0, 2 * kPi * i / kPlaces);
        WobbleState s = WobbleState::Zero();
        for (Eigen::Index k = 0; k < 6; ++k) {
            s[k] = (swing[k] * turn).real();
        }
        s[6] = wake * turn.real();
        const WobbleMotion::InSpace at = motion.inSpace(s);
        mean.load += Eigen::Vector3d(at.force_N.x(), at.force_N.z(), at.moment_N_m.y()) / kPlaces;
        mean.tie_m += at.tie_m / kPlaces;
    }
    return mean;
}

std::optional<MeanForces> meanForces(const Derived& d, const Run& run, const Swim& swim) {
    constexpr double kReach_rad = 15 * kDegree, kStep_rad = 0.5 * kDegree;
    const auto motion = motionOf(d, run, swim);
    if (!motion || !swim.sheds) {
        return std::nullopt;
    }
    const Eigen::Vector3d remainder = motion->remainder();
    const Complex6 none = Complex6::Zero();
    const auto held = [&](double pitch, bool swings) {
        WobbleTow tow = swim.tow;
        tow.pitch_rad = pitch;
        WobbleMotion there(motion->body(), tow, motion->model(), motion->tuning(), false);
        there.takeOff(remainder);
        return balanceAt(
            meanOverBeat(there, swings ? swim.harmonic : none, swings ? swim.wake : 0.0), pitch);
    };
    const double pitch = swim.tow.pitch_rad;
    const BeatMean still = meanOverBeat(*motion, none, 0),
                   swung = meanOverBeat(*motion, swim.harmonic, swim.wake);
    MeanForces m;
    const Eigen::Vector3d more = swung.load - still.load;
    m.drag_N = -more.x();
    m.down_N = more.y();
    m.couple_N_m = more.z();
    m.still = held(pitch, false).held;
    // The steady attitude nearest the still one: where a nose pushed up is pushed down again.
    for (double away = 0; away < kReach_rad && !m.swinging; away += kStep_rad) {
        for (const double side : {1.0, -1.0}) {
            double low = pitch + side * away - (side > 0 ? 0 : kStep_rad);
            double high = low + kStep_rad;
            if (held(low, true).couple <= 0 || held(high, true).couple > 0) {
                continue;
            }
            for (int i = 0; i < 30; ++i) {
                const double middle = 0.5 * (low + high);
                (held(middle, true).couple > 0 ? low : high) = middle;
            }
            m.swinging = held(0.5 * (low + high), true).held;
            break;
        }
    }
    const Line line = lineOf(d);
    const Brief& brief = d.design->brief;
    const auto depth = [&](HeldLevel& h) {
        if (h.lineAngle_rad > 0) {
            h.depth_m = trolledDepth_m(line, h.pull_N, h.lineAngle_rad, swim.speed_m_s,
                                       brief.castLength_m, brief.rodTipHeight_m);
        }
    };
    depth(m.still);
    if (m.swinging) {
        depth(*m.swinging);
    }
    return m;
}

}  // namespace wl
