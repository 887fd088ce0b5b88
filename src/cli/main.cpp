// Command line: reports, every answer the window gives, bench sheets, demo designs, schemas.
// Exit codes: 0 done, 1 answered, but something stops the maker (an error finding, a target that is
// not met), 2 the call or a file failed.

#include <CLI/CLI.hpp>
#include <csignal>
#include <iostream>

#include "cli/aim_call.h"
#include "cli/typed_amounts.h"
#include "core/base/units.h"
#include "core/design/fields.h"
#include "io/aim_answer.h"
#include "io/compare_answer.h"
#include "io/design_file.h"
#include "io/embedded_data.h"
#include "io/report.h"
#include "io/run_answers.h"
#include "io/schema.h"
#include "io/whole_file.h"
#include "text/sentences.h"
#ifdef WL_WITH_SHEET
#include <QGuiApplication>

#include "sheet/bench_sheet.h"
#endif

namespace {

constexpr int kDone = 0, kStops = 1, kFailed = 2;
constexpr size_t kMostCsvBytes = 8u << 20;

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

// What an answering subcommand was called with.
struct Call {
    std::string file, other, shelf, out, output;
    int take = 1;
    std::vector<std::string> values, salts, coefficients;
    unsigned long long most = 20, draws = 0, seed = 1;
    int leverDraws = 60;
    AimCall aim;
    bool json = false;
};

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
int aim(const wl::Design& design, const Call& call) {
    const wl::Result<wl::AimWish> wish = call.aim.wish(design);
    if (!wish) {
        return fail(wish.error());
    }
    const wl::Result<std::vector<double>> lengths = call.aim.lengths();
    if (!lengths) {
        return fail(lengths.error());
    }
    const bool sizes = !lengths->empty();
    wl::Answer answer =
        sizes ? wl::sizesAnswer(design, *wish, *lengths) : wl::aimAnswer(design, *wish);
    if (!call.json) {
        answer.json = sizes ? wl::readableSizes(answer) : wl::readableAim(answer);
    }
    return give(answer, call);
}

int report(const Call& call, bool asJson) {
    const wl::Result<wl::Design> design = wl::loadDesign(call.file);
    if (!design) {
        return fail(design.error());
    }
    wl::Model model;
    for (const std::string& assignment : call.coefficients) {
        const wl::Result<wl::Model> varied = wl::withCoefficient(model, assignment);
        if (!varied) {
            return fail(varied.error());
        }
        model = *varied;
    }
    const wl::Report made = wl::makeReport(*design, model);
    const int code = writeOut(call.out, asJson ? made.json : wl::readableReport(made));
    return code != kDone ? code : made.hasError ? kStops : kDone;
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
    if (about == "plan") {
        return give(wl::planAnswer(*design), call);
    }
    if (about == "ways") {
        return give(wl::waysAnswer(*design, *shelf), call);
    }
    if (about == "mends") {
        return give(wl::mendsAnswer(*design, *shelf), call);
    }
    if (about == "aim") {
        return aim(*design, call);
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
    const auto temperatures =
        amounts(call.values.empty() ? std::vector<std::string>{"4", "15", "25"} : call.values,
                wl::Quantity::Temperature, wl::kZeroCelsius_K - 2, wl::kZeroCelsius_K + 40);
    const auto salts =
        amounts(call.salts.empty() ? std::vector<std::string>{"0", "10", "35"} : call.salts,
                wl::Quantity::Salinity, 0.0, 0.05);
    if (!temperatures || !salts) {
        return fail(temperatures ? salts.error() : temperatures.error());
    }
    return give(wl::watersAnswer(*design, *temperatures, *salts), call);
}

// The bench sheet, or the templates as a drawing file.
int sheet([[maybe_unused]] const Call& call, [[maybe_unused]] bool inch,
          [[maybe_unused]] bool templates, [[maybe_unused]] char** argv) {
#ifdef WL_WITH_SHEET
    const wl::Result<wl::Design> design = wl::loadDesign(call.file);
    if (!design) {
        return fail(design.error());
    }
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM")) {
        qputenv("QT_QPA_PLATFORM", "offscreen");
    }
    int count = 1;
    QGuiApplication application(count, argv);
    wl::loadShippedFont();
    const QString path = QString::fromStdString(call.output);
    const wl::Bench bench = inch ? wl::Bench::Inch.withFractions(true) : wl::Bench::Metric;
    if (auto error = templates ? wl::writeTemplates(*design, path)
                               : wl::writeBenchSheet(*design, path,
                                                     {bench, wl::starterShelf().drills(bench)})) {
        return fail(*error);
    }
    return kDone;
#else
    return complain("this build has no sheet printer (built without Qt).");
#endif
}

int demo(const std::string& name, const Call& call) {
    std::string names;
    for (const wl::Demo& one : wl::demos()) {
        if (one.name == name) {
            return writeOut(call.output, one.text);
        }
        names += " " + std::string(one.name);
    }
    return complain("there is no demo \"" + name + "\"; there are:" + names + ".");
}

int run(int argc, char** argv) {
    CLI::App app{"Wade Line: balance, running depth and bench sheets for hard baits"};
    app.require_subcommand(1);
    app.set_version_flag("--version", "wadeline " WL_VERSION);
    app.footer(
        "Exit codes: 0 done; 1 answered, but something stops the maker (an error finding, a target "
        "not met); 2 the call or a file failed.");

    Call call;
    std::string name;
    bool asJson = false, inch = false, ofAnswers = false;
    const auto forDesign = [&](CLI::App* command) {
        command->add_option("FILE", call.file, "Design file")->required();
        return command;
    };
    const auto answering = [&](const char* about, const char* what, const char* offers) {
        CLI::App* command = forDesign(app.add_subcommand(about, what));
        command->add_option("--answer", call.out, "File for the answer (default: standard output)");
        if (offers != nullptr) {
            command->add_option("-o,--output", call.output, offers);
        }
        return command;
    };
    const auto taking = [&](CLI::App* command) {
        command->add_option("--take", call.take, "Which of the designs offered, from 1");
        return command;
    };
    const auto shelved = [&](CLI::App* command) {
        command->add_option("--shelf", call.shelf,
                            "Shelf as CSV (default: the starting values shipped)");
        return command;
    };

    CLI::App* reportCommand =
        forDesign(app.add_subcommand("report", "Every derived number of a design"));
    reportCommand->add_flag("--json", asJson, "As JSON, units in the keys");
    reportCommand->add_option("--coefficient", call.coefficients,
                              "Reckon with another coefficient, e.g. strumming=1.3");
    answering("plan", "Plan the lead: plug lengths, what is reached and missed",
              "File for the design with the plan carried out");
    taking(shelved(answering("ways", "Several ways to the same mass and attitude, with their price",
                             "File for the design with that way carried out")));
    taking(shelved(answering("mends", "What beside the lead lets a plan be met",
                             "File for the design so mended")));
    CLI::App* swaps = taking(shelved(answering("swaps", "Every hook set of the shelf on this bait",
                                               "File for the design with that set on")));
    swaps->add_option("--speed", call.values,
                      "Sink rates wanted, e.g. 0.03 (under 0: rising): the sets nearest to each");
    swaps->add_option("--most", call.most, "At most so many sets")->check(CLI::Range(1, 4000));
    CLI::App* waters = answering("waters", "The same bait in other waters", nullptr);
    waters->add_option("--temperature", call.values, "e.g. 4 15 25, or 59F");
    waters->add_option("--salinity", call.salts, "g/kg, e.g. 0 10 35");
    answering("school", "What the tank readings in the design say of it",
              "File for the design with the correction in force");
    taking(answering("series", "The same shape in other lengths", "File for that size's design"))
        ->add_option("--length", call.values, "e.g. 60 \"4 in\"")
        ->required();
    CLI::App* aimed = taking(answering("aim", "From what it should do to lip, tie and lead",
                                       "File for the design of that way"));
    call.aim.addTo(*aimed);
    aimed->add_flag("--json", call.json, "As JSON, units in the keys");
    answering("cast", "How far it flies, and how it lies in the air", nullptr);
    answering("forces", "The forces on it under way, and the speeds at which it dives", nullptr);
    answering("levers", "What one step of each thing is worth, and how sure that is", nullptr)
        ->add_option("--draws", call.leverDraws, "Draw the coefficients so often")
        ->check(CLI::Range(0, 2000));
    CLI::App* swept = answering("sweep", "One number of the design varied", nullptr);
    swept->add_option("FIELD", call.other, "Its path, e.g. /lip/angle")->required();
    swept->add_option("--range", call.values, "From and to, e.g. 15 45")->expected(2)->required();
    CLI::App* doubt = answering("doubt", "How sure it is, and what to measure better", nullptr);
    doubt->add_option("--draws", call.draws, "Sample so often as well")
        ->check(CLI::Range(0, 10'000'000));
    doubt->add_option("--seed", call.seed, "Seed of the sampling");
    answering("compare", "What differs between two designs, field by field", nullptr)
        ->add_option("OTHER", call.other, "The design it is held against")
        ->required();
    CLI::App* sheetCommand =
        forDesign(app.add_subcommand("sheet", "The bench sheet as a true-scale PDF"));
    sheetCommand->add_option("-o,--output", call.output, "PDF to write")->required();
    sheetCommand->add_flag("--inch", inch, "Inches and ounces");
    CLI::App* exportCommand = forDesign(
        app.add_subcommand("export",
                           "The templates at true scale as SVG or DXF, or the body's pieces "
                           "as an STL solid without their holes; in millimetres"));
    exportCommand->add_option("-o,--output", call.output, "File to write: .svg, .dxf or .stl")
        ->required();
    CLI::App* demoCommand = app.add_subcommand("demo", "Write a demo design");
    demoCommand
        ->add_option("NAME", name, "Demo name: diver, lipless, glider, glide-bait or swimmer")
        ->required();
    demoCommand->add_option("-o,--output", call.output, "File to write (default: standard output)");
    CLI::App* modelCommand =
        app.add_subcommand("model", "Every coefficient of the reckoning: value, band, source");
    modelCommand->add_option("-o,--output", call.output,
                             "File to write (default: standard output)");
    CLI::App* schemaCommand = app.add_subcommand("schema", "The JSON Schema of design files");
    schemaCommand->add_flag("--answers", ofAnswers, "Of the answers instead");
    schemaCommand->add_option("-o,--output", call.output,
                              "File to write (default: standard output)");

    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        return app.exit(e) == 0 ? kDone : kFailed;
    }
    if (reportCommand->parsed()) {
        return report(call, asJson);
    }
    if (sheetCommand->parsed()) {
        return sheet(call, inch, false, argv);
    }
    if (exportCommand->parsed()) {
        return sheet(call, inch, true, argv);
    }
    if (demoCommand->parsed()) {
        return demo(name, call);
    }
    if (modelCommand->parsed()) {
        return writeOut(call.output, wl::modelTable());
    }
    if (schemaCommand->parsed()) {
        return writeOut(call.output,
                        ofAnswers ? wl::embedded::answers_schema_json() : wl::designSchema());
    }
    return answer(app.get_subcommands().front()->get_name(), call);
}

}  // namespace

int main(int argc, char** argv) {
    // A reader that goes away is a failed write, told as one.
    std::signal(SIGPIPE, SIG_IGN);
    try {
        return run(argc, argv);
    } catch (const std::exception& e) {
        return fail({"program.fault", "", {e.what()}, {}});
    }
}
