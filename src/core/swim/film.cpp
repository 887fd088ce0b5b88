// What a film of the bait says of the model.
#include <boost/math/tools/toms748_solve.hpp>
#include <cmath>
#include <cstdint>
#include <limits>
#include <optional>

#include "core/swim/swim_parts.h"

namespace wl {
namespace {

// The bait towed as it was filmed: the middle of what is told with these factors.
class Filmed {
  public:
    Filmed(const WobbleBody& body, const WobbleTow& tow, const Derived& derived)
        : body_(body), tow_(tow), derived_(derived) {}

    Swim with(const FilmFactors& film) const { return swimWith(body_, tow_, derived_, film, true); }

    // With the wake's Strouhal number times what gives the beats seen. A body draws the beat its
    // own way, so that it does not quite go with that number; between two rhythms there may be none
    // that gives it: then the nearest tried. Where wake and body quarrel, beats and swing jump with
    // the least change of the number: there it stays as given.
    FilmFactors beating(double seen_1_s, FilmFactors film) const {
        constexpr int kRounds = 24;
        constexpr double kThere = 1e-5, kFar = 4.0;
        double nearest = std::numeric_limits<double>::infinity(), best = film.strouhal;
        double low = 1 / kFar, high = kFar;  // too slow, too quick
        for (int round = 0; round < kRounds; ++round) {
            const Swim told = with(film);
            if (told.untold || told.beats_1_s.middle <= 0) {
                break;
            }
            if (told.flags.disagree && round == 0) {
                break;
            }
            const double by = seen_1_s / told.beats_1_s.middle;
            if (!told.flags.disagree && std::abs(std::log(by)) < nearest) {
                nearest = std::abs(std::log(by));
                best = film.strouhal;
            }
            if (nearest < kThere) {
                break;
            }
            (by > 1 ? low : high) = film.strouhal;
            film.strouhal *= by;
            if (film.strouhal <= low || film.strouhal >= high) {
                film.strouhal = std::sqrt(low * high);
            }
        }
        film.strouhal = best;
        return film;
    }

    // With the wake's force times what gives the swing seen besides; nothing where none does.
    std::optional<FilmFactors> swinging(double seen_1_s, double seen_rad, FilmFactors film) const {
        constexpr double kWeak = 0.3, kStrong = 4.0, kNear = 0.01;
        const auto off = [&](double logForce) {
            film.force = std::exp(logForce);
            film = beating(seen_1_s, film);
            const Swim swim = with(film);
            return (swim.untold || swim.flags.disagree ? 0.0 : swim.yaw_rad.middle) - seen_rad;
        };
        const double low = std::log(kWeak), high = std::log(kStrong);
        const double below = off(low), above = off(high);
        if (below <= -seen_rad || below > 0 || above < 0) {
            return std::nullopt;
        }
        std::uintmax_t most = 30;
        const auto found = boost::math::tools::toms748_solve(
            off, low, high, below, above, boost::math::tools::eps_tolerance<double>(16), most);
        if (std::abs(off(0.5 * (found.first + found.second))) > kNear * seen_rad) {
            return std::nullopt;
        }
        return film;
    }

  private:
    const WobbleBody& body_;
    const WobbleTow& tow_;
    const Derived& derived_;
};

}  // namespace

Model filmedModel(const Model& model, const FilmFactors& film) {
    Model m = model;
    m.wakeStrouhal *= film.strouhal;
    m.wakeSide *= film.force;
    m.wakePressure *= film.force;
    m.wakeAtRest *= film.force;
    m.wakePeak *= film.force;
    return m;
}

FilmFactors filmFactors(const Derived& d, const Run& run) {
    constexpr double kLeast = 0.4, kMost = 2.5;
    FilmFactors film;
    const SwimNotes& notes = d.design->swim;
    const auto seen = notes.seenBeats_1_s();
    const Result<WobbleBody> body = wobbleBody(d, run);
    if (!seen || !body) {
        return film;
    }
    const double speed = notes.filmSpeed_m_s;
    const Result<WobbleTow> tow = wobbleTow(settledAt(d, speed), speed);
    if (!tow) {
        return film;
    }
    const Filmed filmed(*body, *tow, d);
    const Swim told = filmed.with(film);
    if (told.untold || told.beats_1_s.middle <= 0) {
        return film;
    }
    const double factor = *seen / told.beats_1_s.middle;
    if (factor < kLeast || factor > kMost) {
        film.beatsRefused = true;
        return film;
    }
    film.beats = film.strouhal = factor;
    film = filmed.beating(*seen, film);
    if (!notes.seenYaw_rad) {
        return film;
    }
    if (const auto both = filmed.swinging(*seen, *notes.seenYaw_rad, film)) {
        return *both;
    }
    film.forceRefused = true;
    return film;
}

}  // namespace wl
