#include "io/log_answer.h"

#include "core/learn/factor_said.h"
#include "core/learn/log_fits.h"
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
        figure("foreknownlow", n.foretoldLow);
        figure("foreknownhigh", n.foretoldHigh);
        j["use"] = n.use;
    }
    if (!n.words.empty()) {
        j["words"] = n.words;
    }
    return j;
}

// A bait's factor by its last reading, and those of its readings that do not fit.
void putFactor(LogFits& fits, Learnt quantity, const LogBait& bait, Json& out) {
    const WaterLog& log = fits.log();
    const auto own = std::find_if(log.notes.rbegin(), log.notes.rend(), [&](const LogNote& note) {
        return note.bait == bait.bait && note.use && note.reckoned && !faultOf(note) &&
               learntOf(note.kind, bait.family) == quantity;
    });
    if (own == log.notes.rend()) {
        return;
    }
    const FactorOf of =
        fits.whose(quantity, bait, own->copy, own->usual.value_or(*own->reckoned), 0.0);
    const auto fitted = fits.fit(quantity, of);
    if (fitted->readings == 0) {
        return;  // what was read of it has no ratio
    }
    FactorTold told = tellFactor(fitted->fit, of);
    told.readings = fitted->readings;
    told.outings = fitted->outings;
    Json j;
    j["bait"] = bait.bait;
    j["family"] = bait.family;
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
         worthOfNext(fitted->fit, of, int(own->outing), own->kind == NoteKind::Depth)) {
        Json w;
        w["what"] = kNextNames[size_t(worth.what)];
        put(w, "narrower", Quantity::Fraction, worth.narrower);
        w["said"] = said(sayWorth(worth));
        j["read_next"].push_back(w);
    }
    out["factors"].push_back(j);
    const OddNotes found = fits.odd(quantity, of).value_or(OddNotes());
    for (const auto& [note, odd] : found) {
        const auto& all = out["odd_readings"];
        const bool known = std::any_of(all.begin(), all.end(),
                                       [note = note](const Json& o) { return o["note"] == note; });
        if (!known) {
            out["odd_readings"].push_back(
                Json{{"note", note}, {"chance", odd.chance}, {"said", said(sayOdd(odd))}});
        }
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
    LogFits fits(log);
    for (size_t q = 0; q < kLearntCount; ++q) {
        for (const LogBait& bait : log.baits) {
            putFactor(fits, Learnt(q), bait, out);
        }
    }
    out["foreknownand_seen"] = Json::array();
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
            out["foreknownand_seen"].push_back(j);
        }
    }
    out["found"] = Json::array();
    for (const size_t i : LogIndex(log).find(query)) {
        out["found"].push_back(noteJson(log, log.notes[i]));
    }
    return answerText(out);
}

}  // namespace wl
