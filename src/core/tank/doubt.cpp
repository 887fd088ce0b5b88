#include "core/tank/doubt.h"

#include <algorithm>
#include <boost/math/distributions/normal.hpp>
#include <cmath>
#include <functional>
#include <map>

#include "core/base/units.h"
#include "core/tank/waters.h"

namespace wl {
namespace {

const double kRoot3 = std::sqrt(3.0);

// What a better instrument would read to, half-widths (common practice, no source).
constexpr double kFineCalliper_m = 0.00002;
constexpr double kFineScale_kg = 1e-6;
constexpr double kPlainScale_kg = 1e-5;
constexpr double kSampledDensity = 0.005;  // share, standard, of a weighed block beside the body
constexpr double kDunked_kg = 5e-5;        // standard, of a body weighed hanging in water
constexpr double kWeighedCoat = 0.10;      // share, of a coat weighed on and off

// The body as a function of its errors, each in standard deviations.
struct BodyModel {
    const Stock* stock = nullptr;
    const BodyReckoning* reckoning = nullptr;
    double water = 1000.0;
    double kept = 1.0;  ///< wood left after drilling, share of the shaped body's mass
    BodyTrust trust = BodyTrust::DrawnVolume;
    double calliper_m = 0, scale_kg = 0, density = 0, volume = 0, weighing_kg = 0;  ///< standard
    std::vector<double> sides_m;  ///< divides by each of these (a diameter twice)
    double sampleMass_kg = 1.0;

    // x: calliper, scale, density, volume, weighing.
    double net(const double* x) const {
        double factor = (1 + scale_kg * x[1] / sampleMass_kg) * (1 + density * x[2]);
        for (const double side : sides_m) {
            factor /= 1 + calliper_m * x[0] / side;
        }
        const double before = reckoning->density.density_kg_m3;
        const double drawn = reckoning->drawnVolume_m3;
        const double removed = (1 - kept) * reckoning->usedMass_kg * factor;
        switch (trust) {
            case BodyTrust::DrawnVolume: {
                const double v = drawn * (1 + volume * x[3]);
                return water * v - before * factor * v + removed;
            }
            case BodyTrust::WeighedVolume: {
                const double m = reckoning->usedMass_kg + weighing_kg * x[4];
                return water * m / (before * factor) - m + removed;
            }
            case BodyTrust::WeighedDrawnBoth: {
                const double m = reckoning->usedMass_kg + weighing_kg * x[4];
                return water * drawn * (1 + volume * x[3]) - m + removed / factor;
            }
        }
        return 0.0;
    }
};

struct LinearModel {
    BodyModel body;
    std::vector<DoubtSource> sources;
    std::vector<int> bodyInput;     ///< index of x, or -1: linear
    std::vector<double> linear_kg;  ///< effect per standard deviation, signed
    double bodyAtZero = 0;
};

double bodyEffect(const BodyModel& body, int input) {
    std::array<double, 5> x{};
    constexpr double kStep = 0.01;
    x[size_t(input)] = kStep;
    const double up = body.net(x.data());
    x[size_t(input)] = -kStep;
    return (up - body.net(x.data())) / (2 * kStep);
}

// Stock of the chain, not of a side piece.
bool ofChain(const Derived& d, const MassItem& item) {
    return item.kind == PartKind::Body && !d.shape->parts[item.piece].appendage;
}

void addBody(const Design& design, const Derived& d, LinearModel& m) {
    const Stock& stock = design.pieces.front().stock;
    const BodyReckoning& r = d.shape->reckoning;
    BodyModel& body = m.body;
    body.stock = &stock;
    body.reckoning = &r;
    body.water = d.waterDensity_kg_m3;
    body.trust = r.weighedMass_kg ? stock.trust : BodyTrust::DrawnVolume;
    double wood = 0;
    for (const MassItem& item : d.mass->items) {
        wood += ofChain(d, item) ? item.mass_kg : 0;
    }
    body.kept = std::clamp(wood / r.usedMass_kg, 0.0, 1.0);
    const bool ofStock = design.make.kind == MakeKind::Carved ||
                         design.make.kind == MakeKind::Turned || design.make.kind == MakeKind::Cast;
    double known2 = 0;
    const std::string path = "/pieces/0/stock/";
    const bool sample = ofStock && stock.source == DensitySource::Sample;
    const bool blank = ofStock && stock.source == DensitySource::Blank;
    if (sample || blank) {
        body.calliper_m = stock.sample.calliperError_m / kRoot3;
        body.scale_kg = stock.sample.scaleError_kg / kRoot3;
        if (sample) {
            body.sides_m = {stock.sample.length_m, stock.sample.width_m, stock.sample.height_m};
            body.sampleMass_kg = stock.sample.mass_kg;
        } else {
            body.sides_m = {stock.blank.length_m, stock.blank.diameter_m, stock.blank.diameter_m};
            body.sampleMass_kg = stock.blank.mass_kg;
        }
        double sides = 0;
        for (const double side : body.sides_m) {
            sides += body.calliper_m / side;
        }
        known2 = sides * sides + std::pow(body.scale_kg / body.sampleMass_kg, 2);
    }
    const double share = r.density.uncertainty_kg_m3 / r.density.density_kg_m3;
    body.density = std::sqrt(std::max(0.0, share * share - known2));
    body.volume = stock.drawnVolumeError / kRoot3;
    body.weighing_kg = stock.weighedBodyError_kg / kRoot3;
    m.bodyAtZero = body.net(std::array<double, 5>{}.data());

    auto add = [&](int input, const char* code, const std::string& field, double betterShare,
                   bool rectangular) {
        const double effect = bodyEffect(body, input);
        if (std::abs(effect) < 1e-9) {
            return;
        }
        m.sources.push_back({code, "", field, std::abs(effect), 0,
                             std::abs(effect) * std::min(1.0, betterShare), rectangular, true});
        m.bodyInput.push_back(input);
        m.linear_kg.push_back(effect);
    };
    if (sample || blank) {
        add(0, "doubt.calliper", path + "sample/calliper_error",
            kFineCalliper_m / stock.sample.calliperError_m, true);
        add(1, "doubt.scale", path + "sample/scale_error",
            kFineScale_kg / stock.sample.scaleError_kg, true);
        add(2, "doubt.moisture", path + "moisture_spread", 0.5, false);
    } else {
        add(2, "doubt.density", path + "shelf_density",
            body.density > 0 ? kSampledDensity / body.density : 1.0, false);
    }
    if (body.trust != BodyTrust::WeighedVolume) {
        const double effect = std::abs(bodyEffect(body, 3));
        add(3, "doubt.drawn_volume", path + "drawn_volume_error",
            effect > 0 ? kDunked_kg / effect : 1.0, false);
    }
    if (body.trust != BodyTrust::DrawnVolume) {
        add(4, "doubt.body_weighing", path + "weighed_body_error",
            kFineScale_kg / stock.weighedBodyError_kg, true);
    }
}

const char* codeOf(PartKind kind) {
    switch (kind) {
        case PartKind::Coat:
            return "doubt.coat";
        case PartKind::Plug:
            return "doubt.plug";
        case PartKind::Lip:
            return "doubt.lip";
        case PartKind::Wire:
        case PartKind::Rattle:
            return "doubt.wire";
        default:
            return "doubt.part";
    }
}

void addParts(const Design& design, const Derived& d, LinearModel& m) {
    std::map<std::string, size_t> byPath;
    for (const MassItem& item : d.mass->items) {
        if (ofChain(d, item) || item.netDoubt_kg <= 1e-12) {
            continue;
        }
        const double water = d.waterDensity_kg_m3;
        double effect = item.netDoubt_kg;
        if (item.kind == PartKind::Coat && item.displaced_m3 > 0) {
            effect *= item.mass_kg / item.displaced_m3 > water ? -1.0 : 1.0;
        } else {
            effect = -effect;
        }
        const auto [at, fresh] = byPath.try_emplace(item.path, m.sources.size());
        if (fresh) {
            DoubtSource s{codeOf(item.kind), item.name, item.path};
            s.rectangular = item.kind == PartKind::Plug || item.origin == Origin::Weighed;
            m.sources.push_back(s);
            m.bodyInput.push_back(-1);
            m.linear_kg.push_back(0.0);
        }
        // One coat over several pieces, one part twice: wrong together.
        m.linear_kg[at->second] += effect;
        DoubtSource& s = m.sources[at->second];
        s.effect_kg = std::abs(m.linear_kg[at->second]);
        const double weighed = kPlainScale_kg / kRoot3;
        s.better_kg =
            item.kind == PartKind::Coat
                ? s.effect_kg *
                      std::min(1.0, kWeighedCoat / std::max(1e-9, design.errors.coatThickness))
                : std::min(s.effect_kg, weighed);
    }
}

LinearModel modelOf(const Design& design, const Derived& d) {
    LinearModel m;
    addBody(design, d, m);
    addParts(design, d, m);
    return m;
}

double gaussLoss(double z) {
    static const boost::math::normal standard;
    return z * cdf(standard, z) + pdf(standard, z);
}

double below(double t, double net, double half, double normal) {
    static const boost::math::normal standard;
    if (normal < 1e-12) {
        return half < 1e-12 ? (net < t ? 1.0 : 0.0)
                            : std::clamp((t - net + half) / (2 * half), 0.0, 1.0);
    }
    const double z = (t - net) / normal;
    if (half < 1e-3 * normal) {
        return cdf(standard, std::clamp(z, -30.0, 30.0));
    }
    const double w = half / normal;
    if (z > w + 30) {
        return 1.0;
    }
    if (z < -w - 30) {
        return 0.0;
    }
    return std::clamp((gaussLoss(z + w) - gaussLoss(z - w)) / (2 * w), 0.0, 1.0);
}

Chances chancesWith(const Doubt& doubt, const std::vector<double>& effects) {
    double rectangular = 0, rest2 = 0;
    size_t widest = effects.size();
    for (size_t i = 0; i < effects.size(); ++i) {
        if (doubt.sources[i].rectangular && effects[i] > rectangular) {
            rectangular = effects[i];
            widest = i;
        }
    }
    for (size_t i = 0; i < effects.size(); ++i) {
        rest2 += i == widest ? 0.0 : effects[i] * effects[i];
    }
    return chancesFor(doubt.net_kg, doubt.band_kg, rectangular * kRoot3, std::sqrt(rest2));
}

double wrongChance(WantedState wanted, const Chances& c) {
    return 1 - (wanted == WantedState::Float     ? c.floats
                : wanted == WantedState::Suspend ? c.suspends
                                                 : c.sinks);
}

// SplitMix64 (Steele, Lea & Flood 2014, recalled) of a counter: any draw by itself.
double uniformAt(std::uint64_t seed, std::uint64_t index) {
    std::uint64_t z = seed + (index + 1) * 0x9e3779b97f4a7c15ULL;
    z = (z ^ (z >> 30)) * 0xbf58476d1ce4e5b9ULL;
    z = (z ^ (z >> 27)) * 0x94d049bb133111ebULL;
    z ^= z >> 31;
    return (double(z >> 11) + 0.5) * 0x1.0p-53;
}

}  // namespace

Chances chancesFor(double net, double band, double half, double normal) {
    Chances c;
    c.sinks = below(-band, net, half, normal);
    c.floats = 1 - below(band, net, half, normal);
    c.suspends = std::max(0.0, 1 - c.sinks - c.floats);
    return c;
}

Doubt computeDoubt(const Design& design, const Derived& d) {
    LinearModel m = modelOf(design, d);
    Doubt doubt;
    doubt.net_kg = d.rest->net_kg;
    doubt.band_kg = suspendBand_kg(d);
    double variance = 0;
    for (const DoubtSource& s : m.sources) {
        variance += s.effect_kg * s.effect_kg;
    }
    doubt.standard_kg = std::sqrt(variance);
    for (DoubtSource& s : m.sources) {
        s.share = variance > 0 ? s.effect_kg * s.effect_kg / variance : 0.0;
    }
    std::stable_sort(
        m.sources.begin(), m.sources.end(),
        [](const DoubtSource& a, const DoubtSource& b) { return a.effect_kg > b.effect_kg; });
    doubt.sources = m.sources;
    std::vector<double> effects;
    for (const DoubtSource& s : doubt.sources) {
        effects.push_back(s.effect_kg);
    }
    doubt.chances = chancesWith(doubt, effects);
    doubt.wrong = wrongChance(design.brief.wantedState, doubt.chances);
    for (size_t i = 0; i < effects.size(); ++i) {
        std::vector<double> better = effects;
        better[i] = doubt.sources[i].better_kg;
        Improvement improvement{i, 0, 0};
        improvement.wrongAfter = wrongChance(design.brief.wantedState, chancesWith(doubt, better));
        improvement.standardAfter_kg =
            std::sqrt(std::max(0.0, variance - effects[i] * effects[i] + better[i] * better[i]));
        if (improvement.standardAfter_kg < 0.999 * doubt.standard_kg) {
            doubt.improvements.push_back(improvement);
        }
    }
    std::stable_sort(doubt.improvements.begin(), doubt.improvements.end(),
                     [](const Improvement& a, const Improvement& b) {
                         return a.standardAfter_kg < b.standardAfter_kg;
                     });
    if (doubt.improvements.size() > 3) {
        doubt.improvements.resize(3);
    }
    return doubt;
}

SampledDoubt sampleDoubt(const Design& design, const Derived& d, size_t count, std::uint64_t seed,
                         std::stop_token stop) {
    static const boost::math::normal standard;
    const LinearModel m = modelOf(design, d);
    const double band = suspendBand_kg(d);
    const size_t n = m.sources.size();
    SampledDoubt out;
    double sum = 0, sum2 = 0;
    size_t floats = 0, sinks = 0;
    for (size_t i = 0; i < count; ++i) {
        if (i % 1024 == 0 && stop.stop_requested()) {
            break;
        }
        std::array<double, 5> x{};
        double off = 0;
        for (size_t k = 0; k < n; ++k) {
            const double u = uniformAt(seed, i * n + k);
            const double deviate =
                m.sources[k].rectangular ? kRoot3 * (2 * u - 1) : quantile(standard, u);
            if (m.bodyInput[k] >= 0) {
                x[size_t(m.bodyInput[k])] = deviate;
            } else {
                off += m.linear_kg[k] * deviate;
            }
        }
        const double change = m.body.net(x.data()) - m.bodyAtZero + off;
        const double net = d.rest->net_kg + change;
        sum += change;
        sum2 += change * change;
        floats += net > band;
        sinks += net < -band;
        ++out.drawn;
    }
    if (out.drawn > 0) {
        const auto all = double(out.drawn);
        out.chances = {double(floats) / all, 0, double(sinks) / all};
        out.chances.suspends = 1 - out.chances.floats - out.chances.sinks;
        out.mean_kg = d.rest->net_kg + sum / all;
        out.standard_kg = std::sqrt(std::max(0.0, sum2 / all - (sum / all) * (sum / all)));
    }
    return out;
}

Design withoutFinish(const Design& design) {
    Design bare = design;
    bare.coats = coatsOf(design);  // what lies under the sheets is in there already
    std::erase_if(bare.coats,
                  [](const Coat& c) { return c.kind != CoatKind::Sealer && !c.innerFace; });
    return bare;
}

}  // namespace wl
