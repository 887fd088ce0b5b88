#include "io/log_answer.h"

#include "core/learn/factor_said.h"
#include "core/learn/log_readings.h"
#include "io/json_answer.h"
#include "text/sentences.h"

namespace wl {
namespace {

using Json = AnswerJson;

constexpr const char* kLearntNames[] = {"depth",    "depth", "beats", "swing",
                                        "blow_out", "sink",  "cast"};
constexpr const char* kNextNames[] = {"another_day", "same_day",   "tick",
                                      "other_copy",  "other_bait", "other_family"};

Json bandJson(const FactorBand& band) {
    Json j;
    j["low"] = band.low;
    j["middle"] = band.middle;
    j["high"] = band.high;
    return j;
}

std::string said(const Error& error) {
    return fillSentence(englishFor(error.code), error.values, error.words, Bench::Metric);
}

Json noteJson(const WaterLog& log, const LogNote& n) {
    Json j;
    j["id"] = n.id;
    if (const LogOuting* outing = log.outing(n.outing)) {
        j["date"] = outing->date;
        j["place"] = outing->place;
    }
    j["bait"] = n.bait;
    j["copy"] = n.copy;
    j["kind"] = kNoteKinds[size_t(n.kind)];
    if (isMeasured(n.kind)) {
        j["seen_as"] = kSeenAs[size_t(n.as)];
        const Quantity quantity = quantityOf(n.kind);
        const auto figure = [&](const char* name, const std::optional<double>& value) {
            if (value) {
                put(j, name, quantity, *value);
            }
        };
        figure("low", n.low);
        figure("high", n.high);
        figure("reckoned", n.reckoned);
        figure("foretold", n.foretold);
        figure("foretold_low", n.foretoldLow);
        figure("foretold_high", n.foretoldHigh);
        j["use"] = n.use;
    }
    if (!n.words.empty()) {
        j["words"] = n.words;
    }
    return j;
}

void putFactors(const WaterLog& log, Learnt quantity, Json& out) {
    const LogReadings read = readingsOf(log, quantity);
    if (read.readings.empty()) {
        return;
    }
    const FactorFit fit(spreadsOf(quantity), read.readings);
    for (const LogBait& b : log.baits) {
        const auto own = std::find_if(read.notes.rbegin(), read.notes.rend(),
                                      [&](size_t note) { return log.notes[note].bait == b.bait; });
        if (own == read.notes.rend()) {
            continue;
        }
        const LogNote& last = log.notes[*own];
        const FactorOf of =
            factorOf(log, read, b, last.copy, last.usual.value_or(*last.reckoned), 0.0);
        const FactorTold told = tellFactor(fit, of);
        Json j;
        j["bait"] = b.bait;
        j["family"] = b.family;
        j["quantity"] = kLearntNames[size_t(quantity)];
        j["readings"] = told.readings;
        j["days"] = told.outings;
        j["next_reading"] = bandJson(told.next);
        j["bait_itself"] = bandJson(told.itself);
        j["book"] = bandJson(told.book);
        j["said"] = Json::array();
        for (const Error& error : sayFactor(quantity, told)) {
            j["said"].push_back(said(error));
        }
        j["read_next"] = Json::array();
        for (const ReadingWorth& worth :
             worthOfNext(fit, of, int(last.outing), last.kind == NoteKind::Depth)) {
            Json w;
            w["what"] = kNextNames[size_t(worth.what)];
            put(w, "narrower", Quantity::Fraction, worth.narrower);
            w["said"] = said(sayWorth(worth));
            j["read_next"].push_back(w);
        }
        out["factors"].push_back(j);
    }
    for (const OddReading& odd : oddReadings(fit, hasLengthOrSpeed(quantity))) {
        Json j;
        j["note"] = log.notes[read.notes[odd.reading]].id;
        j["chance"] = odd.chance;
        j["said"] = said(sayOdd(odd));
        out["odd_readings"].push_back(j);
    }
}

}  // namespace

std::string logAnswer(const WaterLog& log, const LogQuery& query) {
    Json out;
    out["baits"] = log.baits.size();
    out["copies"] = log.copies.size();
    out["outings"] = log.outings.size();
    out["notes"] = log.notes.size();
    out["factors"] = Json::array();
    out["odd_readings"] = Json::array();
    for (size_t q = 0; q < kLearntCount; ++q) {
        putFactors(log, Learnt(q), out);
    }
    out["foretold_and_seen"] = Json::array();
    for (const NoteKind kind : {NoteKind::Depth, NoteKind::Beats, NoteKind::Swing,
                                NoteKind::BlowOut, NoteKind::Sink, NoteKind::Cast}) {
        const Scoreboard score = scoreOf(log, kind);
        if (score.told > 0) {
            Json j;
            j["kind"] = kNoteKinds[size_t(kind)];
            j["told"] = score.told;
            j["inside_the_band"] = score.inside;
            put(j, "off_the_book", Quantity::Fraction, score.offBook);
            put(j, "off_what_was_told", Quantity::Fraction, score.offTold);
            out["foretold_and_seen"].push_back(j);
        }
    }
    out["found"] = Json::array();
    for (const size_t i : LogIndex(log).find(query)) {
        out["found"].push_back(noteJson(log, log.notes[i]));
    }
    return answerText(out);
}

}  // namespace wl
