#include "core/swim/wobble_linear.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>

#include <boost/math/tools/toms748_solve.hpp>

#include "core/base/dense.h"
#include "core/base/units.h"

namespace wl {
namespace {

using Complex = std::complex<double>;

// Steps that are small for each of the six, and wide enough for |v| v.
constexpr std::array<double, 6> kSmall{1e-3, 1e-3, 1e-3, 1e-3, 1e-2, 1e-2};
constexpr double kDescribing = 0.85;

// a / (i omega - root). Written out: the library's division looks for infinities, at five times the
// time.
Complex over(const Complex& a, double omega, const Complex& root) {
    const double re = -root.real(), im = omega - root.imag(), square = re * re + im * im;
    return {(a.real() * re + a.imag() * im) / square, (a.imag() * re - a.real() * im) / square};
}

// The answer of the plate's side acceleration to the wake at a frequency, by the roots.
struct Answer {
    Complex6 roots, residues;
    double direct = 0;
    Eigen::Matrix<Complex, 6, 6> vectors;
    Complex6 inputs;

    explicit Answer(const WobbleLinear& l) : direct(l.plateWake) {
        const Spectrum6 spectrum = spectrumOf(l.a);
        roots = spectrum.roots;
        vectors = spectrum.vectors;
        inputs = solved(vectors, l.wake.cast<Complex>());
        const Eigen::Matrix<Complex, 1, 6> outputs = l.plate.cast<Complex>().transpose() * vectors;
        for (int i = 0; i < 6; ++i) {
            residues[i] = outputs[i] * inputs[i];
        }
    }
    Complex at(double omega) const {
        Complex sum = direct;
        for (int i = 0; i < 6; ++i) {
            sum += over(residues[i], omega, roots[i]);
        }
        return sum;
    }
    Complex6 states(double omega) const {
        Complex6 modal;
        for (int i = 0; i < 6; ++i) {
            modal[i] = over(inputs[i], omega, roots[i]);
        }
        return vectors * modal;
    }
};

// Where wake and body keep time, nearest the beat before: within 0.6 to 1.4 of the wake's own.
std::optional<double> keepsTime(const Answer& answer, double shedding, double drive, double near,
                                bool& ambiguous) {
    constexpr int kLooks = 81;
    int count = 0;
    const auto off = [&](double omega) {
        return shedding * shedding - omega * omega - drive * answer.at(omega).real();
    };
    std::optional<double> best;
    double from = 0.6 * shedding, before = off(from);
    for (int i = 1; i < kLooks; ++i) {
        const double to = shedding * (0.6 + 0.8 * i / (kLooks - 1)), here = off(to);
        if ((before <= 0) != (here <= 0)) {
            std::uintmax_t most = 60;
            const auto close = [&](double a, double b) { return b - a <= 1e-13 * shedding; };
            const auto [low, high] =
                boost::math::tools::toms748_solve(off, from, to, before, here, close, most);
            const double root = 0.5 * (low + high);
            ++count;
            if (!best || std::abs(root - near) < std::abs(*best - near)) {
                best = root;
            }
        }
        from = to;
        before = here;
    }
    ambiguous = count > 1;
    return best;
}

double plateEdgeSwing(const WobbleMotion& motion, const Wobble& w, double width) {
    const WobblePlate& plate = *motion.body().plate;
    return std::max(std::abs(sideSwing(motion, w, plate.root_m)),
                    std::abs(sideSwing(motion, w, plate.root_m + plate.chord_m * plate.along))) /
           width;
}

// Both sides of a small move of one of the state.
struct Sides {
    Eigen::Vector3d rates;
    double plate;
};
Sides sidesOf(const WobbleMotion& motion, int index, double h) {
    WobbleState more = WobbleState::Zero(), less = WobbleState::Zero();
    more[index] = h;
    less[index] = -h;
    const auto up = motion.accelerations(more), down = motion.accelerations(less);
    return {(up.free - down.free) / (2 * h), (up.plate_m_s2 - down.plate_m_s2) / (2 * h)};
}

// What goes straight with its cause at any swing: the place aside, the wake, and what is told of
// running straight.
WobbleLinear straight(const WobbleMotion& motion) {
    constexpr int kAside = 0, kWake = 6;
    WobbleLinear l;
    l.a.topRightCorner<3, 3>() = Eigen::Matrix3d::Identity();
    const Sides aside = sidesOf(motion, kAside, kSmall[kAside]);
    l.a.block<3, 1>(3, kAside) = aside.rates;
    l.plate[kAside] = aside.plate;
    if (motion.hasWake()) {
        const Sides wake = sidesOf(motion, kWake, 1.0);
        l.wake.tail<3>() = wake.rates;
        l.plateWake = wake.plate;
    }
    const WobbleLoads at = motion.loads(WobbleState::Zero());
    l.wakeWidth_m = at.wakeWidth_m;
    l.shedding_1_s = at.shedding_1_s;
    return l;
}

// The rest of it, at swings of that width.
void moved(const WobbleMotion& motion, const Vector6& step, WobbleLinear& l) {
    for (int i = 1; i < 6; ++i) {
        const Sides sides = sidesOf(motion, i, std::max(kSmall[size_t(i)], step[i]));
        l.a.block<3, 1>(3, i) = sides.rates;
        l.plate[i] = sides.plate;
    }
}

// The same with that much of the wake's force.
void driven(WobbleMotion& motion, WobbleLinear& l, double excitation) {
    WobbleTuning tuning = motion.tuning();
    const double before = tuning.excitation;
    tuning.excitation = excitation;
    motion.setTuning(tuning);
    if (before == 0) {
        l = straight(motion);
        return;
    }
    l.wake *= excitation / before;
    l.plateWake *= excitation / before;
}

// One pass: the equations at the last swing, the beat nearest the last, the swing that follows.
bool pass(WobbleMotion& motion, WobbleLinear& l, Vector6& amplitude, double& beat, double& share,
          Wobble& w) {
    moved(motion, kDescribing * amplitude, l);
    const Model& m = motion.model();
    const Answer answer(l);
    const double shed = l.shedding_1_s;
    const double full = m.wakeCoupling / l.wakeWidth_m;
    const double own = full * l.plateWake / (shed * shed);
    w.coupling = own;
    const double held = own > 0 ? std::min(1.0, m.wakeMostCoupled / own) : 1.0;
    const double near = beat > 0 ? beat : shed;
    std::optional<double> omega;
    double drive = 0;
    for (int cut = 0; cut < 9 && !omega; ++cut) {
        drive = full * held * share;
        omega = keepsTime(answer, shed, drive, near, w.ambiguous);
        if (!omega) {
            share *= 0.5;
            w.coupled = false;
        }
    }
    if (!omega) {
        return false;
    }
    beat = *omega;
    const double square = 4 * (1 + drive * answer.at(beat).imag() / (beat * m.wakeDamping * shed));
    w.wake = std::sqrt(std::max(0.0, square));
    w.swing = w.wake * answer.states(beat);
    w.beats_1_s = beat / (2 * kPi);
    w.shedding_1_s = shed / (2 * kPi);
    w.edgeSwing = plateEdgeSwing(motion, w, l.wakeWidth_m);
    w.couplingShare = held * share;
    w.found = true;
    return true;
}

}  // namespace

WobbleLinear linearise(const WobbleMotion& motion, const Vector6& step) {
    WobbleLinear l = straight(motion);
    moved(motion, step, l);
    l.roots = rootsOf(l.a);
    return l;
}

double growth_1_s(const WobbleLinear& l) {
    return l.roots.real().maxCoeff();
}

double WakeCurve::at(double swing) const {
    if (swing >= end) {
        return 0;
    }
    if (swing <= peakAt) {
        const double t = 1 - swing / peakAt;
        return peak - (peak - atRest) * t * t;
    }
    const double t = (swing - peakAt) / (end - peakAt);
    return peak * (1 - t * t);
}

std::array<WakeCurve, 3> wakeCurves(const Model& m) {
    return {
        WakeCurve{0.5 * m.wakeAtRest, 0.6 * m.wakePeak, m.wakePeakAt - 0.05, m.wakeEnd - 0.20},
        WakeCurve{m.wakeAtRest, m.wakePeak, m.wakePeakAt, m.wakeEnd},
        WakeCurve{1.5 * m.wakeAtRest, m.wakePeak / 0.75, m.wakePeakAt + 0.05, m.wakeEnd + 0.15}};
}

std::complex<double> sideSwing(const WobbleMotion& motion, const Wobble& w,
                               const Eigen::Vector3d& r) {
    const double c = std::cos(motion.tow().pitch_rad), s = std::sin(motion.tow().pitch_rad);
    return w.swing[0] + (c * r.x() + s * r.z()) * w.swing[2] - r.z() * w.swing[1];
}

Wobble balanceWobble(WobbleMotion motion) {
    constexpr int kPasses = 6;
    Wobble w;
    if (!motion.hasWake()) {
        return w;
    }
    WobbleLinear l = straight(motion);
    Vector6 amplitude = Vector6::Zero();
    double beat = 0, share = 1;
    for (int i = 0; i < kPasses; ++i) {
        if (!pass(motion, l, amplitude, beat, share, w)) {
            w.found = false;
            return w;
        }
        amplitude =
            i == 0 ? Vector6(w.swing.cwiseAbs()) : Vector6(0.5 * (amplitude + w.swing.cwiseAbs()));
    }
    w.excitation = motion.tuning().excitation;
    return w;
}

namespace {

// What a pass hands to the next: the swings, and the logarithm of the wake's force.
using Handed = Eigen::Matrix<double, 7, 1>;

// The way to what a pass gives back unchanged, from the two last moves as well as this one
// (Anderson 1965, after Walker & Ni 2011): the plain way closes in by two fifths a pass.
class Shortcut {
  public:
    // Where to begin the next pass, of one begun at `from` that gave `to`.
    Handed after(const Handed& from, const Handed& to) {
        const Handed gap = to - from;
        Handed next = to;
        if (known_ > 0) {
            moves_.col(1) = moves_.col(0);
            gaps_.col(1) = gaps_.col(0);
            moves_.col(0) = to - to_;
            gaps_.col(0) = gap - gap_;
            Eigen::Vector2d weights(gaps_.col(0).dot(gap) / gaps_.col(0).squaredNorm(), 0);
            if (known_ > 1) {
                Eigen::Matrix2d square = gaps_.transpose() * gaps_;
                const double whole = square.determinant();
                if (whole > 1e-6 * square(0, 0) * square(1, 1)) {
                    weights = square.inverse() * (gaps_.transpose() * gap);
                }
            }
            next -= moves_ * weights;
            if (!((next - to).norm() < kFarthest * gap.norm())) {
                next = to;
            }
        }
        to_ = to;
        gap_ = gap;
        ++known_;
        return next;
    }

  private:
    static constexpr double kFarthest = 4;
    Handed to_ = Handed::Zero(), gap_ = Handed::Zero();
    Eigen::Matrix<double, 7, 2> moves_ = Eigen::Matrix<double, 7, 2>::Zero(), gaps_ = moves_;
    int known_ = 0;
};

}  // namespace

Wobble balanceWobble(WobbleMotion motion, const WakeCurve& curve) {
    constexpr int kMostPasses = 60;
    constexpr double kStill = 3e-5;
    Wobble w;
    if (!motion.hasWake()) {
        return w;
    }
    const double wanted = motion.tuning().excitation;
    WobbleLinear l = straight(motion);
    Vector6 amplitude = Vector6::Zero();
    double beat = 0, share = 1, excitation = 1;
    double scale = 1;
    Shortcut shortcut;
    for (int i = 0; i < kMostPasses; ++i) {
        driven(motion, l, excitation * wanted);
        if (!pass(motion, l, amplitude, beat, share, w)) {
            w.found = false;
            return w;
        }
        const Vector6 now = w.swing.cwiseAbs();
        const Vector6 next = i == 0 ? now : Vector6(0.5 * (amplitude + now));
        const double force =
            curve.at(w.edgeSwing) / std::max(1e-9, motion.model().wakeSide * w.wake / 2);
        double follow = std::clamp(std::sqrt(excitation * std::max(force, 1e-6)), 0.05, 8.0);
        if (i == 0) {
            follow = std::clamp(follow, 0.5, 2.0);
        }
        const double moved = std::max(std::abs(follow / excitation - 1),
                                      (next - amplitude).norm() / std::max(1e-12, next.norm()));
        w.excitation = motion.tuning().excitation;
        if (i > 2 && moved < kStill) {
            return w;
        }
        if (i == 0) {
            scale = std::max(1e-12, next.norm());
        }
        Handed from, to;
        from << amplitude / scale, std::log(excitation);
        to << next / scale, std::log(follow);
        const Handed handed = i == 0 ? to : shortcut.after(from, to);
        amplitude = scale * handed.head<6>().cwiseMax(0.0);
        excitation = std::exp(handed[6]);
    }
    w.ambiguous = true;  // it goes round between several
    return w;
}

}  // namespace wl
