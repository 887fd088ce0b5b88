#include "cli/answering.h"

#include <iostream>

#include "cli/typed_amounts.h"
#include "core/base/units.h"
#include "core/design/fields.h"
#include "files/design_file.h"
#include "files/whole_file.h"
#include "io/aim_answer.h"
#include "io/compare_answer.h"
#include "io/run_answers.h"
#include "io/weights_answer.h"
#include "text/sentences.h"

namespace {

constexpr size_t kMostCsvBytes = 8u << 20;

wl::Result<wl::Shelf> shelfOf(const Call& call) {
    if (call.shelf.empty()) {
        return wl::starterShelf();
    }
    const wl::Result<std::string> text = wl::readRegularFile(call.shelf, kMostCsvBytes);
    if (!text) {
        return text.error();
    }
    const auto entries = wl::readShelfCsv(*text);
    return entries ? wl::Result<wl::Shelf>(wl::arrangeShelf(*entries)) : entries.error();
}

// Prints the answer; writes the design taken from it when asked.
int give(const wl::Answer& answer, const Call& call) {
    if (const int code = writeOut(call.out, answer.json); code != kDone) {
        return code;
    }
    if (!call.output.empty()) {
        if (call.take < 1 || size_t(call.take) > answer.designs.size()) {
            return complain("there is no design " + std::to_string(call.take) +
                            " to write: the answer offers " +
                            std::to_string(answer.designs.size()) + ".");
        }
        const auto error =
            wl::writeWholeFile(call.output, wl::writeDesign(answer.designs[size_t(call.take) - 1]));
        if (error) {
            return fail(*error);
        }
    }
    return answer.met ? kDone : kStops;
}

// Words unless JSON is asked for.
int inWords(wl::Answer answer, const Call& call, std::string (*words)(const wl::Answer&)) {
    if (!call.json) {
        answer.json = words(answer);
    }
    return give(answer, call);
}

int aim(const wl::Design& design, const wl::Shelf& shelf, const Call& call) {
    const wl::Result<wl::AimWish> typed = call.aim.wish(design);
    const wl::Result<Taught> taught = taughtBy(call.log, design, {}, false);
    if (!typed || !taught) {
        return fail(typed ? taught.error() : typed.error());
    }
    wl::AimWish wish = *typed;
    const auto by = [&](wl::NoteKind kind) { return wl::taughtOf(taught->figures, kind); };
    wish.log = wl::aimLogOf(by(wl::NoteKind::Depth), by(wl::NoteKind::Beats),
                            by(wl::NoteKind::Swing), taught->filmBeats);
    if (const auto sink = by(wl::NoteKind::Sink)) {
        wish.sinkSeen = sink->middle;
    }
    const wl::Result<std::vector<double>> lengths = call.aim.lengths();
    if (!lengths) {
        return fail(lengths.error());
    }
    const bool sizes = !lengths->empty();
    wl::Answer answer =
        sizes ? wl::sizesAnswer(design, wish, *lengths, shelf) : wl::aimAnswer(design, wish);
    return inWords(std::move(answer), call, sizes ? wl::readableSizes : wl::readableAim);
}

// Temperatures and salinities as typed, or the usual ones.
struct Waters {
    std::vector<double> temperatures_K, salinities;
};
wl::Result<Waters> watersOf(const Call& call) {
    const auto temperatures =
        amounts(call.values.empty() ? std::vector<std::string>{"4", "15", "25"} : call.values,
                wl::Quantity::Temperature, wl::kZeroCelsius_K - 2, wl::kZeroCelsius_K + 40);
    if (!temperatures) {
        return temperatures.error();
    }
    const auto salts =
        amounts(call.salts.empty() ? std::vector<std::string>{"0", "10", "35"} : call.salts,
                wl::Quantity::Salinity, 0.0, 0.05);
    if (!salts) {
        return salts.error();
    }
    return Waters{*temperatures, *salts};
}

int weights(const wl::Design& design, const Call& call) {
    constexpr double kMost_kg = 1.0;
    const wl::Result<Waters> typed = watersOf(call);
    const auto leads = amounts(call.leads, wl::Quantity::Mass, 0.0, kMost_kg);
    if (!typed || !leads) {
        return fail(typed ? leads.error() : typed.error());
    }
    const wl::Result<Taught> taught = taughtBy(call.log, design, {}, false);
    if (!taught) {
        return fail(taught.error());
    }
    std::vector<wl::FishedWater> waters;
    for (const double temperature : typed->temperatures_K) {
        for (const double salinity : typed->salinities) {
            waters.push_back({temperature, salinity});
        }
    }
    return inWords(wl::weightsAnswer(design, waters, *leads, taught->times(wl::NoteKind::Sink)),
                   call, wl::readableWeights);
}

int lead(const std::string& about, const wl::Design& design, const wl::Shelf& shelf,
         const Call& call) {
    const wl::Result<Taught> taught = taughtBy(call.log, design, {}, false);
    if (!taught) {
        return fail(taught.error());
    }
    const double sinkSeen = taught->times(wl::NoteKind::Sink);
    return give(about == "plan"   ? wl::planAnswer(design, sinkSeen)
                : about == "ways" ? wl::waysAnswer(design, shelf, sinkSeen)
                                  : wl::mendsAnswer(design, shelf, sinkSeen),
                call);
}

int rates(const wl::Design& design, const wl::Shelf& shelf, const Call& call) {
    auto speeds = amounts(call.values, wl::Quantity::Speed, 0.001, 5.0);
    if (!speeds) {
        return fail(speeds.error());
    }
    const wl::Result<Taught> taught = taughtBy(call.log, design, {}, false);
    if (!taught) {
        return fail(taught.error());
    }
    const wl::TankTest& tank = design.tank;
    return inWords(wl::hookRatesAnswer(design, shelf,
                                       speeds->empty() ? std::vector<double>{tank.sinkRateOne_m_s,
                                                                             tank.sinkRateTwo_m_s,
                                                                             tank.sinkRateThree_m_s}
                                                       : *speeds,
                                       taught->times(wl::NoteKind::Sink)),
                   call, wl::readableWeights);
}

int joints(const wl::Design& design, const Call& call) {
    const wl::Result<wl::JointWish> typed = call.aim.jointWish(design);
    const wl::Result<Taught> taught = taughtBy(call.log, design, {}, true);
    if (!typed || !taught) {
        return fail(typed ? taught.error() : typed.error());
    }
    wl::JointWish wish = *typed;
    if (const auto beats = wl::taughtOf(taught->figures, wl::NoteKind::Beats)) {
        wish.beatsSeen = beats->middle;
    }
    return inWords(wl::jointsAnswer(design, wish, call.most), call, wl::readableJoints);
}

// One number of the design over a range typed in any unit of it.
int sweep(const wl::Design& design, const Call& call) {
    const auto field = wl::findField(design, call.other);
    if (!field) {
        return fail({"field.unknown", call.other, {}, {}});
    }
    const auto ends = amounts(call.values, field->quantity, field->min, field->max);
    if (!ends) {
        return fail(ends.error());
    }
    constexpr int kPlaces = 25;
    return give(wl::sweepAnswer(design, call.other, ends->front(), ends->back(), kPlaces), call);
}

}  // namespace

int fail(const wl::Error& error) {
    std::cerr << "wadeline: "
              << wl::fillSentence(wl::englishFor(error.code), error.values, error.words,
                                  wl::Bench::Metric);
    if (!error.path.empty()) {
        std::cerr << " [" << error.path << "]";
    }
    std::cerr << "\n";
    return kFailed;
}

int complain(const std::string& what) {
    std::cerr << "wadeline: " << what << "\n";
    return kFailed;
}

int writeOut(const std::string& path, std::string_view text) {
    if (path.empty() || path == "-") {
        std::cout << text << std::flush;
        return std::cout ? kDone : complain("the output could not be written.");
    }
    const auto error = wl::writeWholeFile(path, text);
    return error ? fail(*error) : kDone;
}

int answer(const std::string& about, const Call& call) {
    const wl::Result<wl::Design> design = wl::loadDesign(call.file);
    if (!design) {
        return fail(design.error());
    }
    const wl::Result<wl::Shelf> shelf = shelfOf(call);
    if (!shelf) {
        return fail(shelf.error());
    }
    if (about == "compare") {
        const wl::Result<wl::Design> other = wl::loadDesign(call.other);
        return other ? give(wl::compareAnswer(*design, *other), call) : fail(other.error());
    }
    if (about == "plan" || about == "ways" || about == "mends") {
        return lead(about, *design, *shelf, call);
    }
    if (about == "aim") {
        return aim(*design, *shelf, call);
    }
    if (about == "school") {
        return give(wl::schoolAnswer(*design), call);
    }
    if (about == "cast") {
        return give(wl::castAnswer(*design), call);
    }
    if (about == "forces") {
        return give(wl::forcesAnswer(*design), call);
    }
    if (about == "levers") {
        return give(wl::leversAnswer(*design, call.leverDraws), call);
    }
    if (about == "sweep") {
        return sweep(*design, call);
    }
    if (about == "doubt") {
        return give(wl::doubtAnswer(*design, call.draws, call.seed), call);
    }
    if (about == "swaps") {
        const auto speeds = amounts(call.values, wl::Quantity::Speed, -5.0, 5.0);
        return speeds ? give(wl::swapsAnswer(*design, *shelf, *speeds, call.most), call)
                      : fail(speeds.error());
    }
    if (about == "series") {
        const auto lengths = amounts(call.values, wl::Quantity::Length, 0.01, 0.6);
        return lengths ? give(wl::seriesAnswer(*design, *lengths), call) : fail(lengths.error());
    }
    if (about == "weights") {
        return weights(*design, call);
    }
    if (about == "rates") {
        return rates(*design, *shelf, call);
    }
    if (about == "joints") {
        return joints(*design, call);
    }
    const wl::Result<Waters> waters = watersOf(call);
    return waters
               ? give(wl::watersAnswer(*design, waters->temperatures_K, waters->salinities), call)
               : fail(waters.error());
}
