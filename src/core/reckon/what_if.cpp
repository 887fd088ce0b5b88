#include "core/reckon/what_if.h"

#include <array>
#include <atomic>
#include <cmath>
#include <string_view>
#include <thread>

#include "core/base/units.h"
#include "core/design/fields.h"
#include "core/model/draws.h"
#include "core/reckon/evaluate.h"
#include "core/reckon/stages.h"
#include "core/reckon/tow.h"

namespace wl {
namespace {

std::optional<double> depthOf(const RetrievePath& path) {
    const bool told = path.end != RetrieveEnd::NoTrim && path.end != RetrieveEnd::NoSolution &&
                      path.end != RetrieveEnd::Cancelled;
    return told ? std::optional(path.maxDepth_m) : std::nullopt;
}

SweptPoint pointOf(const Result<Design>& design, const Derived& near, double value,
                   const std::stop_token& stop) {
    SweptPoint point;
    point.value = value;
    if (!design) {
        return point;
    }
    const Result<Derived> there = evaluate(*design, &near, near.model);
    if (!there) {
        return point;
    }
    const Run run = computeRun(*there, stop, kCoarseRetrieve);
    if (run.depthKnown) {
        point.depth_m = run.path.maxDepth_m;
    }
    if (run.levelTrim) {
        point.pitch_rad = run.levelTrim->pitch_rad;
        point.pull_N = run.levelTrim->tension_N;
        point.lineAngle_rad = run.levelTrim->lineAngle_rad;
    }
    return point;
}

std::optional<Error> whyNot(const Design& design, const std::string& path) {
    const auto field = findField(design, path);
    if (!field) {
        return Error{"field.unknown", path, {}, {}};
    }
    if (field->kind != FieldKind::Number) {
        return Error{"sweep.no_number", path, {}, {}};
    }
    return std::nullopt;
}

// A lever: what it does to a design, or to the weight of a bait as towed.
struct LeverWay {
    Lever lever;
    std::function<void(Design&, double)> change;
};

std::vector<LeverWay> waysOf(const Design& design) {
    using What = Lever::What;
    using Q = Quantity;
    std::vector<LeverWay> ways;
    const auto add = [&](What what, Q quantity, double step,
                         std::function<void(Design&, double)> change) {
        Lever lever;
        lever.what = what;
        lever.quantity = quantity;
        lever.step = step;
        ways.push_back({lever, std::move(change)});
    };
    constexpr double kMm = 1e-3;
    if (design.lip.present) {
        add(What::LipAngle, Q::Angle, kDegree, [](Design& d, double s) { d.lip.angle_rad += s; });
        add(What::LipLength, Q::Length, kMm, [](Design& d, double s) { d.lip.length_m += s; });
        add(What::LipWidth, Q::Length, kMm, [](Design& d, double s) { d.lip.width_m += s; });
        // Which way the tie of a bait without a lip works is not known.
        add(What::Tie, Q::Length, kMm, [](Design& d, double s) {
            if (d.tie.place == TiePlace::Lip) {
                d.tie.upLip_m += s;
            } else {
                const Eigen::Vector3d at = tiePoint(d);
                d.tie.x_m = at.x();
                d.tie.z_m = at.z() + s;
                d.tie.eye.clear();
            }
        });
    }
    add(What::Spare, Q::Fraction, 0.01, {});
    add(What::Speed, Q::Speed, 0.05, [](Design& d, double s) { d.brief.retrieveSpeed_m_s += s; });
    add(What::Line, Q::Thickness, 0.02e-3,
        [](Design& d, double s) { d.brief.lineDiameter_m += s; });
    add(What::Cast, Q::Distance, 1.0, [](Design& d, double s) { d.brief.castLength_m += s; });
    add(What::RodTip, Q::Distance, 0.1, [](Design& d, double s) { d.brief.rodTipHeight_m += s; });
    return ways;
}

// A step of a lever; empty where the design cannot be reckoned there.
std::optional<Derived> stepped(const Derived& d, const LeverWay& way, double sign) {
    if (!way.change) {
        Derived there = d;
        there.towed.mass_kg -=
            sign * way.lever.step * d.waterDensity_kg_m3 * d.towed.displacedVolume_m3;
        return there;
    }
    Design design = *d.design;
    way.change(design, sign * way.lever.step);
    Result<Derived> there = evaluate(design, &d, d.model);
    return there ? std::optional(std::move(there).value()) : std::nullopt;
}

bool bearsOnTow(const Coefficient& c) {
    constexpr std::array<std::string_view, 5> kGroups{"hull", "lip", "fins", "hooks", "line"};
    return std::find(kGroups.begin(), kGroups.end(), c.group) != kGroups.end();
}

// The same bait in the water of another model.
Derived inModel(const Derived& d, const Model& model) {
    Derived varied = d;
    varied.model = model;
    varied.towed.loads = std::make_shared<const LoadTable>(towedShapeOf(*d.design, varied), model);
    return varied;
}

// What is told of a bait a step of a lever away, and how it differs from the one a step back.
struct StepTold {
    std::optional<double> depth_m, beats_1_s, swing_rad;
};

std::optional<double> halfBetween(const std::optional<double>& more,
                                  const std::optional<double>& less) {
    return more && less ? std::optional(0.5 * (*more - *less)) : std::nullopt;
}

StepTold halfBetween(const StepTold& more, const StepTold& less) {
    return {halfBetween(more.depth_m, less.depth_m), halfBetween(more.beats_1_s, less.beats_1_s),
            halfBetween(more.swing_rad, less.swing_rad)};
}

// In how many of the draws that tell something it goes the way of the model.
struct SignCount {
    int same = 0, seen = 0;
    void add(const std::optional<double>& drawn, const std::optional<double>& told) {
        if (drawn && told) {
            ++seen;
            same += (*drawn > 0) == (*told > 0) ? 1 : 0;
        }
    }
    // Of a change too small to be seen no sign is told.
    std::optional<double> share(const std::optional<double>& told, double unseen) const {
        return seen > 0 && told && std::abs(*told) > unseen ? std::optional(double(same) / seen)
                                                            : std::nullopt;
    }
};

class LeverTeller {
  public:
    LeverTeller(const Derived& d, int draws, const SwimOf& swimOf, const std::stop_token& stop)
        : d_(d), swimOf_(swimOf), stop_(stop) {
        const Run run = computeRun(d, stop, kCoarseRetrieve);
        // Where it hangs slack at first, from well inside where it is taut: a step either way is
        // too.
        constexpr double kInside = 0.85;
        const double taut = run.depthKnown ? run.tautFrom_m / d.design->brief.castLength_m : 0.0;
        share_ = taut < 1 ? kInside * taut : 1.0;
        std::vector<const Coefficient*> varied;
        for (const bool tow : {true, false}) {
            for (const Coefficient& c : coefficients()) {
                if (tow ? bearsOnTow(c) : swimOf && std::string_view(c.group) == "swim") {
                    varied.push_back(&c);
                }
            }
        }
        for (int i = 0; i < draws; ++i) {
            models_.push_back(drawnIn(d.model, varied, i));
        }
    }

    Lever tell(const LeverWay& way) const {
        Lever lever = way.lever;
        const std::optional<Derived> more = stepped(d_, way, 1), less = stepped(d_, way, -1);
        if (!more || !less) {
            return lever;
        }
        const auto levelOf = [&](const Derived& there) {
            return settleTrim(there.towed, towSpeed_m_s(there), 0.0, towStart_rad(there));
        };
        const auto up = levelOf(*more), down = levelOf(*less);
        if (up && down) {
            lever.pitch_rad = 0.5 * (up->pitch_rad - down->pitch_rad);
            lever.pull_N = 0.5 * (up->tension_N - down->tension_N);
        }
        const auto change = [&](const Model& model) {
            return halfBetween(toldOf(*more, model), toldOf(*less, model));
        };
        const StepTold told = change(d_.model);
        lever.depth_m = told.depth_m;
        lever.beats_1_s = told.beats_1_s;
        lever.swing_rad = told.swing_rad;
        SignCount depth, beats, swing;
        for (const Model& model : models_) {
            if (stop_.stop_requested()) {
                break;
            }
            const StepTold drawn = change(model);
            depth.add(drawn.depth_m, told.depth_m);
            beats.add(drawn.beats_1_s, told.beats_1_s);
            swing.add(drawn.swing_rad, told.swing_rad);
        }
        constexpr double kUnseenBeats = 0.005, kUnseenSwing = 0.05 * kDegree;
        lever.sure = depth.share(told.depth_m, 0.0);
        lever.sureBeats = beats.share(told.beats_1_s, kUnseenBeats);
        lever.sureSwing = swing.share(told.swing_rad, kUnseenSwing);
        return lever;
    }

  private:
    StepTold toldOf(const Derived& there, const Model& model) const {
        const Derived varied = inModel(there, model);
        StepTold told;
        if (share_ > 0) {
            told.depth_m = depthOf(
                towIn(varied, share_ * there.design->brief.castLength_m, stop_, kCoarseRetrieve));
        }
        if (const auto swim = swimOf_ ? swimOf_(varied) : std::nullopt) {
            told.beats_1_s = swim->beats_1_s;
            told.swing_rad = swim->swing_rad;
        }
        return told;
    }

    const Derived& d_;
    const SwimOf& swimOf_;
    const std::stop_token& stop_;
    double share_ = 1.0;
    std::vector<Model> models_;
};

}  // namespace

Result<std::vector<SweptPoint>> sweepField(const Derived& near, const std::string& path,
                                           double from, double to, int count, std::stop_token stop,
                                           const Told& told) {
    if (const auto error = whyNot(*near.design, path)) {
        return *error;
    }
    std::vector<SweptPoint> points;
    for (int i = 0; i < count; ++i) {
        if (stop.stop_requested()) {
            return Error{"sweep.cancelled", "", {}, {}};
        }
        const double value = from + (to - from) * i / std::max(1, count - 1);
        points.push_back(pointOf(withField(*near.design, path, value), near, value, stop));
        if (told) {
            told(double(i + 1) / count);
        }
    }
    return points;
}

Result<DepthMap> mapDepth(const Derived& near, const MapAxis& across, const MapAxis& up,
                          std::stop_token stop, const Told& told) {
    for (const MapAxis* axis : {&across, &up}) {
        if (const auto error = whyNot(*near.design, axis->path)) {
            return *error;
        }
    }
    DepthMap map{across, up, {}};
    map.depth_m.resize(size_t(across.count) * size_t(up.count));
    std::atomic<int> next{0};
    // evaluate and computeRun let nothing be thrown; each point stands by itself.
    const auto work = [&](bool tells) {
        for (int row = next++; row < up.count && !stop.stop_requested(); row = next++) {
            const Result<Design> level = withField(*near.design, up.path, up.at(row));
            for (int i = 0; level && i < across.count && !stop.stop_requested(); ++i) {
                map.depth_m[size_t(row) * size_t(across.count) + size_t(i)] =
                    pointOf(withField(*level, across.path, across.at(i)), near, 0, stop).depth_m;
            }
            if (tells && told) {
                told(double(row + 1) / up.count);
            }
        }
    };
    {
        const std::jthread other([&work] { work(false); });
        work(true);
    }
    if (stop.stop_requested()) {
        return Error{"sweep.cancelled", "", {}, {}};
    }
    return map;
}

std::vector<std::array<Eigen::Vector2d, 2>> contourOf(const DepthMap& map, double depth) {
    std::vector<std::array<Eigen::Vector2d, 2>> lines;
    const auto at = [&map](int x, int y) {
        return map.depth_m[size_t(y) * size_t(map.across.count) + size_t(x)];
    };
    for (int y = 0; y + 1 < map.up.count; ++y) {
        for (int x = 0; x + 1 < map.across.count; ++x) {
            // Corners round the square.
            const std::array<std::array<int, 2>, 4> corner{
                {{x, y}, {x + 1, y}, {x + 1, y + 1}, {x, y + 1}}};
            std::array<double, 4> over{};
            bool whole = true;
            for (size_t i = 0; i < 4; ++i) {
                const auto value = at(corner[i][0], corner[i][1]);
                whole = whole && value.has_value();
                over[i] = value.value_or(0.0) - depth;
            }
            if (!whole) {
                continue;
            }
            std::vector<Eigen::Vector2d> cuts;
            for (size_t i = 0; i < 4; ++i) {
                const size_t j = (i + 1) % 4;
                if ((over[i] > 0) != (over[j] > 0)) {
                    const double share = over[i] / (over[i] - over[j]);
                    const Eigen::Vector2d a(map.across.at(corner[i][0]), map.up.at(corner[i][1])),
                        b(map.across.at(corner[j][0]), map.up.at(corner[j][1]));
                    cuts.push_back(a + share * (b - a));
                }
            }
            if (cuts.size() == 2) {
                lines.push_back({cuts[0], cuts[1]});
            } else if (cuts.size() == 4) {
                const bool middle = over[0] + over[1] + over[2] + over[3] > 0;
                const bool firstAlone = (over[0] > 0) != middle;
                lines.push_back({cuts[0], firstAlone ? cuts[3] : cuts[1]});
                lines.push_back({cuts[2], firstAlone ? cuts[1] : cuts[3]});
            }
        }
    }
    return lines;
}

std::vector<Lever> leversOf(const Derived& d, int draws, std::stop_token stop, const Told& told,
                            const SwimOf& swimOf) {
    const std::vector<LeverWay> ways = waysOf(*d.design);
    const LeverTeller teller(d, draws, swimOf, stop);
    std::vector<Lever> out(ways.size());
    std::atomic<size_t> next{0}, done{0};
    // What is called lets nothing be thrown; each lever stands by itself.
    const auto work = [&](bool tells) {
        for (size_t i = next++; i < ways.size(); i = next++) {
            out[i] = stop.stop_requested() ? ways[i].lever : teller.tell(ways[i]);
            ++done;
            if (tells && told) {
                told(double(done) / double(ways.size()));
            }
        }
    };
    {
        const std::jthread other([&work] { work(false); });
        work(true);
    }
    return out;
}

}  // namespace wl
