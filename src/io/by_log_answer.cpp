#include "io/by_log_answer.h"

#include <cmath>

#include "io/aim_answer.h"
#include "text/sentences.h"

namespace wl {
namespace {

void putFactor(AnswerJson& j, const char* name, const FactorBand& band) {
    j[name]["low"] = band.low;
    j[name]["middle"] = band.middle;
    j[name]["high"] = band.high;
}

}  // namespace

AnswerJson byLogJson(const std::vector<LearntFigure>& figures) {
    AnswerJson all = AnswerJson::array();
    for (const LearntFigure& f : figures) {
        if (!taughtOf(figures, f.kind)) {
            continue;
        }
        AnswerJson j;
        const Quantity quantity = quantityOf(f.kind);
        j["kind"] = kNoteKinds[size_t(f.kind)];
        put(j, "reckoned", quantity, f.reckoned);
        put(j, "does", quantity, f.reckoned * f.told.itself.middle);
        put(j, "next_low", quantity, f.low());
        put(j, "next_high", quantity, f.high());
        putFactor(j, "bait_itself", f.told.itself);
        putFactor(j, "next_reading", f.told.next);
        j["readings"] = f.told.readings;
        j["days"] = f.told.outings;
        j["said"] = AnswerJson::array();
        for (const Error& error : f.said) {
            j["said"].push_back(
                fillSentence(englishFor(error.code), error.values, error.words, Bench::Metric));
        }
        all.push_back(j);
    }
    return all;
}

AnswerJson byLogJson(const AimLog& log) {
    AnswerJson all = AnswerJson::array();
    for (size_t i = 0; i < log.size(); ++i) {
        if (log[i]) {
            AnswerJson j{{"what", nameOf(AimMeasure(i))}, {"times", log[i]->factor}};
            put(j, "open", Quantity::Fraction, log[i]->doubt);
            all.push_back(j);
        }
    }
    return all;
}

}  // namespace wl
