#include "core/forecast/foretell.h"

#include <cmath>

#include "core/base/decimal.h"
#include "core/cast/throws.h"
#include "core/reckon/evaluate.h"
#include "core/reckon/tow.h"

namespace wl {

std::string familyOf(const Derived& derived) {
    constexpr double kInLine_rad = 30 * kDegree, kSlender = 1.3;
    const Design& d = *derived.design;
    std::string family;
    if (d.lip.present) {
        family = !d.joints.empty()                ? "jointed"
                 : d.lip.angle_rad <= kInLine_rad ? "in_line_lip"
                                                  : "steep_lip";
    } else if (d.joints.empty()) {
        family = d.body.noseFace.present ? "sloped_face" : "lipless";
    } else {
        family = d.joints.size() == 1 ? "glide" : "chain";
    }
    const BodySizes& s = derived.shape->sizes;
    return family + (s.maxHeight_m >= kSlender * s.maxWidth_m ? "_slender" : "_stout");
}

RawForecast rawForecast(const Derived& derived, const Run* run, const Swim* swim,
                        std::optional<double> cast_m, std::optional<double> huntsAbove_m_s) {
    RawForecast raw;
    raw.family = familyOf(derived);
    const auto set = [&raw](NoteKind kind, double value) {
        if (std::isfinite(value)) {
            raw.figure[size_t(kind)] = value;
        }
    };
    set(NoteKind::Mass, derived.mass->mass_kg);
    if (derived.rest->attitudeDecided) {
        set(NoteKind::Nose, derived.rest->pitch_rad);
        set(NoteKind::Lean, derived.rest->roll_rad);
    }
    if (derived.rest->state == RestState::Floats) {
        set(NoteKind::Showing, derived.rest->showing_m);
    }
    set(NoteKind::Sink, derived.rest->fall.speed_m_s);
    if (run != nullptr && run->depthKnown) {
        set(NoteKind::Depth, run->path.maxDepth_m);
    }
    if (swim != nullptr && !swim->untold && swim->swings) {
        raw.filmBeats = swim->film.beats;
        set(NoteKind::Beats, swim->beats_1_s.middle / swim->film.beats);
        // A swing calibrated by a film is no reckoning of its own.
        if (swim->film.force == 1.0) {
            set(NoteKind::Swing, swim->yaw_rad.middle);
        }
    }
    if (cast_m) {
        set(NoteKind::Cast, *cast_m);
    }
    if (huntsAbove_m_s) {
        set(NoteKind::BlowOut, *huntsAbove_m_s);
    }
    return raw;
}

Snake unfilmedSnake(const Derived& derived, std::stop_token stop, const SnakeTold& told) {
    Derived bare = derived;
    Design design = *derived.design;
    design.swim.filmFrames.reset();
    bare.design = std::make_shared<const Design>(std::move(design));
    return snakeOf(bare, towSpeed_m_s(bare), stop, told);
}

Design onOuting(const Design& design, const LogOuting& outing) {
    Design there = design;
    Brief& brief = there.brief;
    brief.lineDiameter_m = outing.line_m.value_or(brief.lineDiameter_m);
    brief.castLength_m = outing.cast_m.value_or(brief.castLength_m);
    brief.retrieveSpeed_m_s = outing.speed_m_s.value_or(brief.retrieveSpeed_m_s);
    brief.temperature_K = outing.temperature_K.value_or(brief.temperature_K);
    brief.waterDepth_m = outing.waterDepth_m.value_or(brief.waterDepth_m);
    return there;
}

std::optional<RawForecast> foretell(const Design& design, const Derived* near, bool slow,
                                    std::stop_token stop) {
    constexpr int kSpeeds = 20;
    const Result<Derived> derived =
        near != nullptr ? evaluate(design, near, near->model) : evaluate(design);
    if (!derived) {
        return std::nullopt;
    }
    const Run run = computeRun(*derived, stop, kFineRetrieve);
    const Swim swim = swimOf(*derived, run);
    std::optional<double> hunts;
    // Where the Swim step does not tell it, a log has nothing to hold against it.
    if (slow && !swim.flags.rollUnsettled && !stop.stop_requested()) {
        hunts = sweepSwim(*derived, run, kSpeeds, stop).huntsAbove_m_s;
    }
    RawForecast raw = rawForecast(*derived, &run, &swim, middleDistance_m(*derived), hunts);
    if (slow && swimKind(*derived) == SwimKind::Snake) {
        const Snake snake = unfilmedSnake(*derived, stop);
        if (snake.done && snake.swims > 0) {
            raw.figure[size_t(NoteKind::Beats)] = snake.beats_1_s.middle;
        }
    }
    return raw;
}

WaterLog logOf(const Design& design) {
    WaterLog log;
    if (design.log.empty()) {
        return log;
    }
    LogBait bait;
    bait.id = 1;
    bait.bait = design.name.empty() ? "bait" : design.name;
    if (const Result<Derived> derived = evaluate(design)) {
        bait.family = familyOf(*derived);
    }
    for (size_t i = 0; i < design.log.size(); ++i) {
        const LogEntry& e = design.log[i];
        LogOuting outing;
        outing.id = std::int64_t(i) + 1;
        outing.date = e.date;
        outing.tank = e.kind == LogKind::Tank;
        if (faultOf(outing)) {
            outing.date = "1900-01-01";  // none that was known
            outing.words = e.date;
        }
        log.outings.push_back(outing);
        const auto note = [&](NoteKind kind, const std::optional<double>& seen,
                              const std::optional<double>& told) {
            LogNote n;
            n.id = std::int64_t(log.notes.size()) + 1;
            n.outing = outing.id;
            n.bait = bait.bait;
            n.kind = kind;
            n.low = n.high = seen;
            n.reckoned = n.usual = n.foretold = told;
            n.at_s = std::int64_t(i);  // tests of one day stay apart
            if (seen && faultOf(n)) {
                // What no bait does is kept as it was written, and taught by nobody.
                n.kind = NoteKind::Remark;
                n.words = std::string(kNoteKinds[size_t(kind)]) + " " + decimalText(*seen, 6);
            }
            if (seen) {
                log.notes.push_back(n);
            }
        };
        note(NoteKind::Mass, e.mass_kg, e.predictedMass_kg);
        note(NoteKind::Nose, e.pitch_rad, e.predictedPitch_rad);
        note(NoteKind::Showing, e.showing_m, e.predictedShowing_m);
        const bool sank = e.sinkHeight_m && e.sinkTime_s && *e.sinkTime_s > 0;
        note(NoteKind::Sink, sank ? std::optional(*e.sinkHeight_m / *e.sinkTime_s) : std::nullopt,
             e.predictedSink_m_s);
        note(NoteKind::Depth, e.depth_m, e.predictedDepth_m);
        LogNote words;
        words.id = std::int64_t(log.notes.size()) + 1;
        words.outing = outing.id;
        words.bait = bait.bait;
        words.words = e.remarks.substr(0, 4000);
        words.at_s = std::int64_t(i);
        if (!sank && (e.sinkHeight_m || e.sinkTime_s)) {
            words.words += (words.words.empty() ? "" : "; ") + std::string("sank ") +
                           (e.sinkHeight_m ? decimalText(*e.sinkHeight_m, 6) + " m"
                                           : decimalText(*e.sinkTime_s, 6) + " s");
        }
        if (!words.words.empty()) {
            log.notes.push_back(words);
        }
    }
    log.baits.push_back(bait);
    return log;
}

}  // namespace wl
