// Command line: reports, every answer the window gives, bench sheets, demo designs, schemas.
// Exit codes: 0 done, 1 answered, but something stops the maker (an error finding, a target that is
// not met), 2 the call or a file failed.

#include <CLI/CLI.hpp>
#include <csignal>
#include <iostream>

#include "cli/answering.h"
#include "cli/typed_amounts.h"
#include "core/reckon/evaluate.h"
#include "core/reckon/run.h"
#include "files/design_file.h"
#include "files/embedded_data.h"
#include "files/schema.h"
#include "files/whole_file.h"
#include "io/depth_trace.h"
#include "io/log_answer.h"
#include "io/log_file.h"
#include "io/report.h"
#include "io/shelf.h"
#ifdef WL_WITH_SHEET
#include <QGuiApplication>

#include "sheet/bench_sheet.h"
#endif

namespace {

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
    const wl::Result<Taught> taught = taughtBy(call.log, *design, model, true);
    if (!taught) {
        return fail(taught.error());
    }
    const wl::Report made = wl::makeReport(*design, model, taught->figures);
    const int code = writeOut(call.out, asJson ? made.json : wl::readableReport(made));
    return code != kDone ? code : made.hasError ? kStops : kDone;
}

// What a sheet or an export is wished to be.
struct SheetCall {
    bool inch = false;
    bool letter = false;
    bool templates = false;  // not the sheet
    bool holes = false;
    std::string solid = "whole";
};

// The bench sheet, the templates as a drawing file, or solids.
int sheet([[maybe_unused]] const Call& call, [[maybe_unused]] const SheetCall& wish,
          [[maybe_unused]] char** argv) {
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
    const wl::Bench bench = wish.inch ? wl::Bench::Inch.withFractions(true) : wl::Bench::Metric;
    wl::SheetBench paper{bench, wl::starterShelf().drills(bench)};
    paper.paper = wish.letter ? wl::Paper::Letter : wl::Paper::A4;
    const wl::SolidWish solid{wish.solid == "halves"  ? wl::SolidKind::Halves
                              : wish.solid == "mould" ? wl::SolidKind::Mould
                                                      : wl::SolidKind::Whole,
                              wish.holes};
    const bool drawn = wish.templates && !path.endsWith(QLatin1String(".pdf"), Qt::CaseInsensitive);
    if (auto error = drawn ? wl::writeTemplates(*design, path, solid)
                           : wl::writeBenchSheet(*design, path, paper)) {
        return fail(*error);
    }
    return kDone;
#else
    return complain("this build has no sheet printer (built without Qt).");
#endif
}

// The logs together, written as a log or answered of.
int waterLog(const LogCall& logs, const std::string& output, wl::LogQuery query,
             const std::string& kind, const std::string& deeper, const std::string& shallower) {
    const wl::Result<wl::WaterLog> log = logs.log();
    if (!log) {
        return fail(log.error());
    }
    if (!output.empty()) {
        const bool csv = output.ends_with(".csv");
        if (!csv && !output.ends_with(".json")) {
            return complain("a log is written as .csv or .json.");
        }
        return writeOut(output, csv ? wl::writeLogCsv(*log) : wl::writeLogJson(*log));
    }
    if (!kind.empty()) {
        const auto* at = std::find(wl::kNoteKinds.begin(), wl::kNoteKinds.end(), kind);
        if (at == wl::kNoteKinds.end()) {
            return complain("there are no notes of a kind \"" + kind + "\".");
        }
        query.kind = wl::NoteKind(at - wl::kNoteKinds.begin());
    }
    for (const auto& [text, into] :
         {std::pair{&deeper, &query.deeperThan_m}, std::pair{&shallower, &query.shallowerThan_m}}) {
        if (text->empty()) {
            continue;
        }
        const wl::Result<double> depth = amount(*text, wl::Quantity::Distance);
        if (!depth) {
            return fail(depth.error());
        }
        *into = *depth;
    }
    return writeOut({}, wl::logAnswer(*log, query));
}

int practiseLogger(const Call& call, int casts) {
    const wl::Result<wl::Design> design = wl::loadDesign(call.file);
    if (!design) {
        return fail(design.error());
    }
    const wl::Result<wl::Derived> derived = wl::evaluate(*design);
    if (!derived) {
        return fail(derived.error());
    }
    return writeOut(call.output, wl::practiseTrace(wl::computeRun(*derived).path, casts,
                                                   std::uint32_t(call.seed)));
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
    bool asJson = false, ofAnswers = false;
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
    call.log.addTo(*reportCommand);
    call.log.addTo(*answering("plan", "Plan the lead: plug lengths, what is reached and missed",
                              "File for the design with the plan carried out"));
    call.log.addTo(*taking(
        shelved(answering("ways", "Several ways to the same mass and attitude, with their price",
                          "File for the design with that way carried out"))));
    call.log.addTo(*taking(shelved(answering("mends", "What beside the lead lets a plan be met",
                                             "File for the design so mended"))));
    CLI::App* swaps = taking(shelved(answering("swaps", "Every hook set of the shelf on this bait",
                                               "File for the design with that set on")));
    swaps->add_option("--speed", call.values,
                      "Sink rates wanted, e.g. 0.03 (under 0: rising): the sets nearest to each");
    swaps->add_option("--most", call.most, "At most so many sets")->check(CLI::Range(1, 4000));
    const auto watered = [&](CLI::App* command) {
        command->add_option("--temperature", call.values, "e.g. 4 15 25, or 59F");
        command->add_option("--salinity", call.salts, "g/kg, e.g. 0 10 35");
        return command;
    };
    watered(answering("waters", "The same bait in other waters", nullptr));
    answering("school", "What the tank readings in the design say of it",
              "File for the design with the correction in force");
    taking(answering("series", "The same shape in other lengths", "File for that size's design"))
        ->add_option("--length", call.values, "e.g. 60 \"4 in\"")
        ->required();
    CLI::App* aimed = taking(shelved(answering("aim", "From what it should do to lip, tie and lead",
                                               "File for the design of that way")));
    call.aim.addTo(*aimed);
    call.log.addTo(*aimed);
    aimed->add_flag("--json", call.json, "As JSON, units in the keys");
    CLI::App* weighed = watered(taking(answering(
        "weights", "Belly weights: one body, several weights and waters", "File for that design")));
    weighed->add_option("--lead", call.leads,
                        "Weights of lead, e.g. 3.5 \"1/4 oz\" (default: those the brief and the "
                        "three sink rates ask for)");
    call.log.addTo(*weighed);
    weighed->add_flag("--json", call.json, "As JSON, units in the keys");
    CLI::App* rated =
        taking(shelved(answering("rates", "One lead and a hook set of the shelf for each sink rate",
                                 "File for that design")));
    rated->add_option("--speed", call.values, "Sink rates, e.g. 0.03 0.12 0.25");
    call.log.addTo(*rated);
    rated->add_flag("--json", call.json, "As JSON, units in the keys");
    CLI::App* jointed = taking(answering("joints", "Where to cut a joint for a wished walk or beat",
                                         "File for the design so cut"));
    call.aim.addJointsTo(*jointed);
    call.log.addTo(*jointed);
    jointed->add_option("--most", call.most, "At most so many")->check(CLI::Range(1, 400));
    jointed->add_flag("--json", call.json, "As JSON, units in the keys");
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
    SheetCall wish;
    const auto forPaper = [&wish](CLI::App* command) {
        command->add_flag("--inch", wish.inch, "Inches and ounces");
        command->add_flag("--letter", wish.letter, "Letter paper instead of A4");
    };
    forPaper(sheetCommand);
    CLI::App* exportCommand = forDesign(
        app.add_subcommand("export",
                           "The bench sheet (PDF), the templates at true scale (SVG, DXF), or "
                           "the pieces, their halves or a mould as solids (STL, 3MF, STEP); "
                           "in millimetres"));
    exportCommand
        ->add_option("-o,--output", call.output,
                     "File to write: .pdf, .svg, .dxf, .stl, .3mf or .step")
        ->required();
    exportCommand->add_option("--solid", wish.solid, "Of a solid: whole, halves or mould")
        ->check(CLI::IsMember({"whole", "halves", "mould"}));
    exportCommand->add_flag("--holes", wish.holes, "Solids with all that is drilled and cut");
    forPaper(exportCommand);
    CLI::App* logCommand = app.add_subcommand(
        "log", "A water log (CSV or JSON): what it teaches of its baits, and what it finds");
    wl::LogQuery query;
    std::string deeper, shallower, kind;
    logCommand->add_option("FILES", call.log.files, "Logs, taken together")->required();
    logCommand->add_option("-o,--output", call.output,
                           "File for the log instead of the answer: .csv or .json");
    logCommand->add_option("--find", query.words, "Only notes with all these words");
    logCommand->add_option("--bait", query.bait, "Only notes of this bait");
    logCommand->add_option("--kind", kind, "Only notes of this kind, e.g. depth, catch, lost");
    logCommand->add_option("--deeper", deeper, "Only depths of at least, e.g. 2 or 6ft");
    logCommand->add_option("--shallower", shallower, "Only depths of at most");
    CLI::App* loggerCommand = forDesign(app.add_subcommand(
        "logger", "A table as a depth logger on this bait would write it, to practise with"));
    int loggedCasts = 4;
    loggerCommand->add_option("--casts", loggedCasts, "Casts in it")->check(CLI::Range(1, 200));
    loggerCommand->add_option("--seed", call.seed, "Seed of its noise");
    loggerCommand->add_option("-o,--output", call.output, "File (default: standard output)");
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
        return sheet(call, wish, argv);
    }
    if (exportCommand->parsed()) {
        wish.templates = true;
        return sheet(call, wish, argv);
    }
    if (logCommand->parsed()) {
        return waterLog(call.log, call.output, query, kind, deeper, shallower);
    }
    if (loggerCommand->parsed()) {
        return practiseLogger(call, loggedCasts);
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
