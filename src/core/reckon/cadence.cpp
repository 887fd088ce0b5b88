#include "core/reckon/cadence.h"

#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/reckon/tow.h"

namespace wl {
namespace {

constexpr double kStep_s = 0.1;
constexpr double kLongest_s = 900.0;
constexpr double kAtRod = 0.04;
constexpr double kStretch_m = 1e-6;

class CadenceRun {
  public:
    CadenceRun(const Derived& d, const std::stop_token& stop, const RetrieveGrid& grid)
        : d_(d),
          brief_(d.design->brief),
          stop_(stop),
          grid_(grid),
          pull_(pullOf(d.towed)),
          line_(lineOf(d)),
          alpha_(towStart_rad(d)),
          rod_m_(brief_.rodTipHeight_m) {
        grid_.doubts = false;
        // Nose to the rod: what it glides ahead it comes nearer.
        const FreeFall& fall = d.rest->fall;
        const double sine = std::sin(fall.pathAngle_rad);
        const double ahead = std::abs(sine) > 0.2 ? std::abs(fall.speed_m_s) / std::abs(sine) *
                                                        std::cos(fall.pathAngle_rad)
                                                  : 0.0;
        drift_ = {-ahead - brief_.current_m_s, fall.speed_m_s};
    }

    CadencePath run() {
        const double start = startDepth_m(d_);
        const double cast = brief_.castLength_m, down = rod_m_ + start;
        at_ = {std::sqrt(std::max(cast * cast - down * down, 0.25 * cast * cast)), start};
        lineOut_ = reach();
        note(CadenceState::Drawn, 0);
        while (time_ < kLongest_s && away() && !stop_.stop_requested()) {
            const double before = time_;
            for (size_t i = 0; i < brief_.cadence.size() && away(); ++i) {
                const CadenceStep& part = brief_.cadence[i];
                if (part.speed_m_s <= 0) {
                    pause(part.time_s, i);
                } else if (!reel(part, i)) {
                    return out_;
                }
            }
            // Nothing but pauses: it comes no nearer.
            if (std::all_of(brief_.cadence.begin(), brief_.cadence.end(),
                            [](const CadenceStep& s) { return s.speed_m_s <= 0; }) ||
                time_ <= before) {
                break;
            }
        }
        out_.told = !stop_.stop_requested();
        return out_;
    }

  private:
    double reach() const { return std::hypot(at_.x(), at_.y() + rod_m_); }
    bool away() const { return at_.x() > kAtRod * brief_.castLength_m; }

    void note(CadenceState state, size_t part) {
        out_.points.push_back({at_.x(), at_.y(), time_, state, part});
    }

    // One step let go on a line of that length.
    CadenceState drift(double step, double line) {
        at_ += step * drift_;
        at_.y() = std::clamp(at_.y(), 0.0, brief_.waterDepth_m);
        at_.x() = std::max(at_.x(), 0.0);
        CadenceState state = CadenceState::Slack;
        if (reach() > line + kStretch_m) {
            // It swings about the rod tip.
            const double scale = line / reach();
            at_ = {at_.x() * scale, (at_.y() + rod_m_) * scale - rod_m_};
            at_.y() = std::clamp(at_.y(), 0.0, brief_.waterDepth_m);
            state = CadenceState::Swings;
        }
        return at_.y() >= brief_.waterDepth_m ? CadenceState::OnBottom : state;
    }

    void pause(double wanted_s, size_t part) {
        const double from = at_.y();
        for (double left = wanted_s; left > 1e-9 && away() && !stop_.stop_requested();) {
            const double step = std::min(kStep_s, left);
            const CadenceState state = drift(step, lineOut_);
            time_ += step;
            left -= step;
            note(state, part);
        }
        if (std::abs(at_.y() - from) > std::abs(out_.longestPause_m)) {
            out_.longestPause_m = at_.y() - from;
        }
    }

    bool reel(const CadenceStep& part, size_t index) {
        double left = part.time_s;
        // The slack first.
        while (lineOut_ > reach() + kStretch_m && left > 1e-9 && away() &&
               !stop_.stop_requested()) {
            const double step = std::min(kStep_s, left);
            lineOut_ -= part.speed_m_s * step;
            const CadenceState state = drift(step, std::max(lineOut_, 0.0));
            time_ += step;
            left -= step;
            note(state, index);
        }
        if (left <= 1e-9 || !away()) {
            return true;
        }
        Retrieve retrieve{reach(), part.speed_m_s, rod_m_, at_.y(), brief_.current_m_s, left};
        retrieve.startDepth_m = std::max(at_.y(), 1e-3);
        const RetrievePath path = computeRetrieve(pull_, line_, retrieve, alpha_, stop_, grid_);
        const bool told = path.end != RetrieveEnd::NoTrim && path.end != RetrieveEnd::NoSolution &&
                          path.end != RetrieveEnd::Cancelled;
        if (!told || path.points.empty()) {
            return false;
        }
        const double began = time_;
        RetrievePoint last = path.points.front();
        for (const RetrievePoint& p : path.points) {
            if (p.time_s >= left) {
                const double share =
                    p.time_s > last.time_s ? (left - last.time_s) / (p.time_s - last.time_s) : 1.0;
                at_ = {last.fromRod_m + share * (p.fromRod_m - last.fromRod_m),
                       last.depth_m + share * (p.depth_m - last.depth_m)};
                time_ = began + left;
                mark(index);
                break;
            }
            at_ = {p.fromRod_m, p.depth_m};
            time_ = began + p.time_s;
            mark(index);
            last = p;
        }
        // Up at the top it is drawn along it for the rest of the time.
        if (time_ < began + left && away()) {
            const double rest = began + left - time_;
            at_.x() = std::max(0.0, at_.x() - part.speed_m_s * rest);
            time_ = began + left;
            mark(index);
        }
        lineOut_ = reach();
        return true;
    }

    void mark(size_t part) {
        const bool bottom = at_.y() >= brief_.waterDepth_m;
        at_.y() = std::min(at_.y(), brief_.waterDepth_m);
        note(bottom ? CadenceState::OnBottom : CadenceState::Drawn, part);
    }

    const Derived& d_;
    const Brief& brief_;
    const std::stop_token& stop_;
    RetrieveGrid grid_;
    PullModel pull_;
    Line line_;
    double alpha_, rod_m_;
    Eigen::Vector2d drift_ = Eigen::Vector2d::Zero();  // let go: from the rod, down
    Eigen::Vector2d at_ = Eigen::Vector2d::Zero();     // from the rod, depth
    double lineOut_ = 0, time_ = 0;
    CadencePath out_;
};

bool atWanted(double depth, double wanted) {
    return std::abs(depth - wanted) <= kWantedBand * wanted;
}

}  // namespace

CadencePath computeCadence(const Derived& d, const std::stop_token& stop,
                           const RetrieveGrid& grid) {
    CadencePath path = CadenceRun(d, stop, grid).run();
    double whole = 0, in = 0, bottom = 0;
    for (size_t i = 1; i < path.points.size(); ++i) {
        const CadencePoint &a = path.points[i - 1], &b = path.points[i];
        const double time = b.time_s - a.time_s;
        whole += time;
        in += atWanted(0.5 * (a.depth_m + b.depth_m), d.design->brief.wantedDepth_m) ? time : 0;
        bottom += b.state == CadenceState::OnBottom ? time : 0;
        path.deepest_m = std::max(path.deepest_m, b.depth_m);
    }
    path.shareInBand = whole > 0 ? in / whole : 0.0;
    path.shareOnBottom = whole > 0 ? bottom / whole : 0.0;
    return path;
}

double shareOfTimeAt(const RetrievePath& path, double wanted_m) {
    double whole = 0, in = 0;
    for (size_t i = 1; i < path.points.size(); ++i) {
        const RetrievePoint &a = path.points[i - 1], &b = path.points[i];
        whole += b.time_s - a.time_s;
        in += atWanted(0.5 * (a.depth_m + b.depth_m), wanted_m) ? b.time_s - a.time_s : 0;
    }
    return whole > 0 ? in / whole : 0.0;
}

}  // namespace wl
