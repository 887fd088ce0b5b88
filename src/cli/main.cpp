// Command line: reports, bench sheets, the demo design and the file schema.
// Exit codes: 0 done, 1 the report carries an error finding, 2 the call or a file failed.

#include <CLI/CLI.hpp>
#include <fstream>
#include <iostream>

#include "io/design_file.h"
#include "io/embedded_data.h"
#include "io/report.h"
#include "io/schema.h"
#include "text/sentences.h"
#ifdef WL_WITH_SHEET
#include <QGuiApplication>

#include "sheet/bench_sheet.h"
#endif

namespace {

constexpr int kDone = 0, kFindings = 1, kFailed = 2;

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

int writeOut(const std::string& path, std::string_view text) {
    if (path.empty() || path == "-") {
        std::cout << text;
        return std::cout ? kDone : kFailed;
    }
    std::ofstream out(path, std::ios::binary);
    out << text;
    out.flush();
    return out ? kDone : fail({"file.cannot_write", path, {path}, {}});
}

int report(const std::string& file, bool asJson) {
    const wl::Result<wl::Design> design = wl::loadDesign(file);
    if (!design) {
        return fail(design.error());
    }
    const wl::Report made = wl::makeReport(*design);
    std::cout << (asJson ? made.json : wl::readableReport(made));
    return made.hasError ? kFindings : kDone;
}

int sheet([[maybe_unused]] const std::string& file, [[maybe_unused]] const std::string& out,
          [[maybe_unused]] bool inch, [[maybe_unused]] char** argv) {
#ifdef WL_WITH_SHEET
    const wl::Result<wl::Design> design = wl::loadDesign(file);
    if (!design) {
        return fail(design.error());
    }
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM")) {
        qputenv("QT_QPA_PLATFORM", "offscreen");
    }
    int count = 1;
    QGuiApplication application(count, argv);
    wl::loadShippedFont();
    if (auto error = wl::writeBenchSheet(*design, QString::fromStdString(out),
                                         inch ? wl::Bench::Inch : wl::Bench::Metric)) {
        return fail(*error);
    }
    return kDone;
#else
    std::cerr << "wadeline: this build has no sheet printer (built without Qt).\n";
    return kFailed;
#endif
}

}  // namespace

int main(int argc, char** argv) {
    CLI::App app{"Wade Line: balance, running depth and bench sheets for hard baits"};
    app.require_subcommand(1);
    app.set_version_flag("--version", "wadeline " WL_VERSION);

    std::string file, out, name;
    bool asJson = false, inch = false;
    CLI::App* reportCommand = app.add_subcommand("report", "Every derived number of a design");
    reportCommand->add_option("FILE", file, "Design file")->required();
    reportCommand->add_flag("--json", asJson, "As JSON, units in the keys");
    CLI::App* sheetCommand = app.add_subcommand("sheet", "The bench sheet as a true-scale PDF");
    sheetCommand->add_option("FILE", file, "Design file")->required();
    sheetCommand->add_option("-o,--output", out, "PDF to write")->required();
    sheetCommand->add_flag("--inch", inch, "Inches and ounces");
    CLI::App* demoCommand = app.add_subcommand("demo", "Write a demo design");
    demoCommand
        ->add_option("NAME", name, "Demo name: diver, lipless, glider, glide-bait or swimmer")
        ->required();
    demoCommand->add_option("-o,--output", out, "File to write (default: standard output)");
    CLI::App* schemaCommand = app.add_subcommand("schema", "The JSON Schema of design files");
    schemaCommand->add_option("-o,--output", out, "File to write (default: standard output)");

    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        return app.exit(e) == 0 ? kDone : kFailed;
    }
    if (reportCommand->parsed()) {
        return report(file, asJson);
    }
    if (sheetCommand->parsed()) {
        return sheet(file, out, inch, argv);
    }
    if (demoCommand->parsed()) {
        for (const wl::Demo& demo : wl::demos()) {
            if (demo.name == name) {
                return writeOut(out, demo.text);
            }
        }
        std::cerr << "wadeline: there is no demo \"" << name << "\"; there are:";
        for (const wl::Demo& demo : wl::demos()) {
            std::cerr << " " << demo.name;
        }
        std::cerr << ".\n";
        return kFailed;
    }
    return writeOut(out, wl::designSchema());
}
