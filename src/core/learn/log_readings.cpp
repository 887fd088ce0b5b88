#include "core/learn/log_readings.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace wl {
namespace {

// Numbers of names in the order of the log.
struct Numbers {
    std::map<std::string, int> makers, families;
    explicit Numbers(const WaterLog& log) {
        of(makers, {});  // the log's own
        for (const LogBait& b : log.baits) {
            of(makers, b.maker);
            of(families, b.family);
        }
    }
    static void of(std::map<std::string, int>& names, const std::string& name) {
        names.emplace(name, int(names.size()));
    }
    static int known(const std::map<std::string, int>& names, const std::string& name) {
        const auto at = names.find(name);
        return at == names.end() ? -1 : at->second;
    }
};

double ratioLn(double seen, double reckoned) {
    return std::log(seen / reckoned);
}

}  // namespace

std::optional<Learnt> learntOf(NoteKind kind, const std::string& family) {
    switch (kind) {
        case NoteKind::Depth:
            return family.rfind("in_line_lip", 0) == 0 ? Learnt::DepthInLine : Learnt::DepthSteep;
        case NoteKind::Beats:
            return Learnt::Beats;
        case NoteKind::Swing:
            // Of a lip in line it does not go with what drives it: logged, not learnt.
            return family.rfind("in_line_lip", 0) == 0 ? std::nullopt
                                                       : std::optional(Learnt::Swing);
        case NoteKind::BlowOut:
            return Learnt::BlowOut;
        case NoteKind::Sink:
            return Learnt::Sink;
        case NoteKind::Cast:
            return Learnt::Cast;
        default:
            return std::nullopt;
    }
}

int LogReadings::baitAs(const std::string& bait, double usual) const {
    constexpr double kSameBait = 1.1;
    int found = -1;
    double nearest = std::log(kSameBait);
    for (const Version& v : versions) {
        const double off = usual / v.usual > 0 ? std::abs(std::log(usual / v.usual)) : 1e9;
        if (v.bait == bait && off < nearest) {
            found = v.number;
            nearest = off;
        }
    }
    return found;
}

LogReadings readingsOf(const WaterLog& log, Learnt quantity) {
    LogReadings out;
    const Numbers numbers(log);
    for (size_t i = 0; i < log.notes.size(); ++i) {
        const LogNote& n = log.notes[i];
        const LogBait* bait = log.bait(n.bait);
        if (!n.use || bait == nullptr || learntOf(n.kind, bait->family) != quantity || faultOf(n) ||
            !n.reckoned || *n.reckoned == 0) {
            continue;
        }
        FactorReading r;
        r.as = n.as;
        const double low = n.low.value_or(0.0), high = n.high.value_or(0.0);
        // A bound at or beyond nothing tells nothing; a value there has no ratio.
        const bool lowTells = low / *n.reckoned > 0, highTells = high / *n.reckoned > 0;
        if ((r.as != SeenAs::AtMost && !lowTells) || (r.as != SeenAs::AtLeast && !highTells)) {
            continue;
        }
        r.low = r.as == SeenAs::AtMost ? 0.0 : ratioLn(low, *n.reckoned);
        r.high = r.as == SeenAs::AtLeast ? 0.0
                 : r.as == SeenAs::Value ? r.low
                                         : ratioLn(high, *n.reckoned);
        r.maker = Numbers::known(numbers.makers, bait->maker);
        r.family = Numbers::known(numbers.families, bait->family);
        r.copy = int(n.copy);
        const double usual = n.usual.value_or(*n.reckoned);
        r.bait = out.baitAs(bait->bait, usual);
        if (r.bait < 0) {
            r.bait = int(out.versions.size());
            out.versions.push_back({bait->bait, usual, r.bait});
        }
        r.setting = usual / *n.reckoned > 0 ? ratioLn(*n.reckoned, usual) : 0.0;
        const LogOuting* outing = log.outing(n.outing);
        constexpr int kOwnOutings = 1 << 30;
        r.outing = outing != nullptr ? int(n.outing) : kOwnOutings + int(i);
        r.speedMeasured = outing != nullptr && outing->speedMeasured;
        out.readings.push_back(r);
        out.notes.push_back(i);
    }
    return out;
}

LogReadings nearestReadings(const LogReadings& read, const FactorOf& of, size_t most) {
    if (read.readings.size() <= most) {
        return read;
    }
    struct Place {
        size_t rank;  ///< the lower the nearer
        size_t at;
    };
    std::vector<Place> places;
    std::map<int, size_t> newer;  // of each bait, passed already
    for (size_t i = read.readings.size(); i-- > 0;) {
        const FactorReading& r = read.readings[i];
        const size_t before = newer[r.bait]++;
        const bool own = of.bait >= 0 && r.bait == of.bait;
        const bool kin = of.family >= 0 && r.family == of.family;
        places.push_back(
            {own ? (before < most / 2 ? 0 : most) : 1 + 2 * before + (kin ? 0 : 1), i});
    }
    std::stable_sort(places.begin(), places.end(),
                     [](const Place& a, const Place& b) { return a.rank < b.rank; });
    places.resize(most);
    std::sort(places.begin(), places.end(),
              [](const Place& a, const Place& b) { return a.at < b.at; });
    LogReadings near;
    near.versions = read.versions;
    for (const Place& place : places) {
        near.readings.push_back(read.readings[place.at]);
        near.notes.push_back(read.notes[place.at]);
    }
    return near;
}

FactorOf factorOf(const WaterLog& log, const LogReadings& read, const LogBait& bait,
                  std::int64_t copy, double usual, double setting) {
    const Numbers numbers(log);
    FactorOf of;
    of.maker = Numbers::known(numbers.makers, bait.maker);
    of.family = Numbers::known(numbers.families, bait.family);
    of.bait = read.baitAs(bait.bait, usual);
    of.copy = int(copy);
    of.setting = std::isfinite(setting) ? setting : 0.0;
    return of;
}

Scoreboard scoreOf(const WaterLog& log, NoteKind kind) {
    Scoreboard score;
    double book = 0, told = 0;
    size_t values = 0;
    for (const LogNote& n : log.notes) {
        if (n.kind != kind || !n.use || !n.foretold || !n.foretoldLow || !n.foretoldHigh ||
            faultOf(n)) {
            continue;
        }
        ++score.told;
        const double least = std::min(*n.foretoldLow, *n.foretoldHigh);
        const double most = std::max(*n.foretoldLow, *n.foretoldHigh);
        const bool inside = n.as == SeenAs::Value     ? *n.low >= least && *n.low <= most
                            : n.as == SeenAs::AtLeast ? *n.low <= most
                            : n.as == SeenAs::AtMost  ? *n.high >= least
                                                      : *n.low <= most && *n.high >= least;
        score.inside += inside ? 1 : 0;
        if (n.as == SeenAs::Value && n.reckoned && *n.low / *n.reckoned > 0 &&
            *n.low / *n.foretold > 0) {
            ++values;
            book += std::pow(std::log(*n.low / *n.reckoned), 2);
            told += std::pow(std::log(*n.low / *n.foretold), 2);
        }
    }
    if (values > 0) {
        score.offBook = std::sqrt(book / double(values));
        score.offTold = std::sqrt(told / double(values));
    }
    return score;
}

}  // namespace wl
