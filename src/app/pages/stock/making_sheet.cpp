#include "app/pages/stock/making_sheet.h"

#include <QPainter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/kit/form.h"
#include "app/kit/record_columns.h"
#include "app/kit/theme.h"
#include "core/make/material.h"
#include "session/words.h"

namespace wl {

namespace {

Layer& layerAt(Design& d, int r) {
    return d.make.layers[size_t(r)];
}

// Layers and cavities lie in Design::make, so the usual remove action does not fit.
template <class Row>
RecordTable::Action removeFromMake(Workbench& bench, const QString& name, const QString& undoText,
                                   std::vector<Row> Make::*list) {
    return {name, tr("Remove"), [&bench, undoText, list](int row) {
                Design next = bench.design();
                (next.make.*list).erase((next.make.*list).begin() + row);
                bench.document.endGesture();
                bench.document.submit(std::move(next), undoText);
            }};
}

QWidget* carvedSheet(Workbench& bench) {
    auto* board = new Form(bench, tr("Board"));
    board->choice(
        tr("Grain runs"), "grain", {tr("along the bait"), tr("across it"), tr("upright")},
        [](const Design& d) { return int(d.make.grain); },
        [](Design& d, int i) { d.make.grain = GrainDirection(i); });
    board->note(tr("Along is strongest at eyes and lip. Dust of hardwoods: mask and extraction."));
    auto* halves = new Form(bench, tr("Two half boards"));
    auto used = [](const Design& d) { return d.make.halves.used; };
    halves->tick(tr("glued from two halves"), "halvesUsed", used,
                 [](Design& d, bool on) { d.make.halves.used = on; });
    halves->quantity(tr("Glue film"), "/make/glue_film");
    halves->enableLastWhen(used);
    halves->quantity(tr("Glue density"), "/make/glue_density");
    halves->enableLastWhen(used);
    auto* groove = new Form(bench, tr("Groove between them"));
    for (const auto& [label, path] : std::initializer_list<std::pair<QString, const char*>>{
             {tr("Width, both halves"), "/make/halves/groove_width"},
             {tr("Height"), "/make/halves/groove_height"},
             {tr("From the nose"), "/make/halves/groove_from"},
             {tr("To"), "/make/halves/groove_to"},
             {tr("Middle at height"), "/make/halves/groove_z"},
             {tr("Holds, density"), "/make/halves/groove_filler_density"}}) {
        groove->quantity(label, path);
        groove->enableLastWhen(used);
    }
    return formRow({board, halves, groove});
}

QWidget* turnedSheet(Workbench& bench) {
    auto* blank = new Form(bench, tr("Round blank, as it goes into the lathe"));
    blank->quantity(tr("Length"), "/pieces/0/stock/blank/length");
    blank->quantity(tr("Diameter"), "/pieces/0/stock/blank/diameter");
    blank->quantity(tr("Mass"), "/pieces/0/stock/blank/mass");
    blank->readout(tr("The blank makes"), [&bench](const Results& r) {
        const Stock& s = r.design->pieces.front().stock;
        const DensityEstimate e = densityFromBlank(s.blank, s.sample);
        return tr("%1 ± %2").arg(bench.text(Quantity::Density, e.density_kg_m3, false),
                                 bench.text(Quantity::Density, 2 * e.uncertainty_kg_m3));
    });
    auto* use = blank->button(tr("Reckon with the blank"), "useBlank");
    QObject::connect(use, &QPushButton::clicked, use, [&bench] {
        Design next = bench.design();
        next.pieces.front().stock.source = DensitySource::Blank;
        bench.document.endGesture();
        bench.document.submit(std::move(next), tr("Reckon with the blank"));
    });
    auto* fit = new Form(bench, tr("On the lathe"));
    fit->readout(tr("Turned away"), [&bench](const Results& r) {
        const RoundBlank& b = r.design->pieces.front().stock.blank;
        const double volume = 0.25 * kPi * b.diameter_m * b.diameter_m * b.length_m;
        return r.derived->shape->sizes.length_m > b.length_m ||
                       r.derived->shape->sizes.maxWidth_m > b.diameter_m
                   ? tr("▲ the blank is too small for this bait")
                   : tr("%1 of %2")
                         .arg(bench.text(Quantity::Volume,
                                         volume - r.derived->shape->solid.volume_m3),
                              bench.text(Quantity::Volume, volume));
    });
    fit->note(
        tr("The bench sheet prints the half template and the diameters at the stations. "
           "Lathe: no gloves, no loose sleeves, eyes and lungs covered."));
    return formRow({blank, fit});
}

Cavity& cavityAt(Design& d, int r) {
    return d.make.cavities[size_t(r)];
}

QWidget* layeredSheet(Workbench& bench) {
    std::vector<RecordColumn> c;
    c.push_back(
        textColumn<Layer>(tr("Sheet, starboard first"), "material", layerAt, &Layer::material));
    c.push_back(numberColumn(tr("Thick"), "thickness", Quantity::Length));
    c.push_back(numberColumn(tr("Density"), "density", Quantity::Density));
    c.push_back(derivedColumn(tr("Outline"), Quantity::Length, [&bench](const Results& r, int row) {
        double stack = 0, y = 0;
        for (size_t i = 0; i < r.design->make.layers.size(); ++i) {
            stack += r.design->make.layers[i].thickness_m;
        }
        for (int i = 0; i < row; ++i) {
            y += r.design->make.layers[size_t(i)].thickness_m;
        }
        y += 0.5 * r.design->make.layers[size_t(row)].thickness_m - 0.5 * stack;
        double from = -1, to = -1, top = 0, foot = 0;
        for (int i = 0; i <= 200; ++i) {
            const Section s = r.derived->shape->curves.at(i / 200.0);
            if (s.halfWidth_m > std::abs(y)) {
                from = from < 0 ? s.x_m : from;
                to = s.x_m;
                top = std::max(top, skinHeight(s, y, true));
                foot = std::min(foot, skinHeight(s, y, false));
            }
        }
        return from < 0 ? tr("outside the body")
                        : tr("%1 × %2").arg(bench.text(Quantity::Length, to - from, false),
                                            bench.text(Quantity::Length, top - foot, false));
    }));
    auto* layers = new RecordTable(
        bench, "layers", "/make/layers", [](const Design& d) { return int(d.make.layers.size()); },
        std::move(c),
        {{"addLayer", tr("Add a sheet"),
          [&bench](int) {
              Design next = bench.design();
              next.make.layers.push_back(next.make.layers.empty() ? Layer{}
                                                                  : next.make.layers.back());
              bench.document.endGesture();
              bench.document.submit(std::move(next), tr("Add a sheet"));
          },
          false},
         removeFromMake(bench, "removeLayer", tr("Remove a sheet"), &Make::layers)});
    std::vector<RecordColumn> k;
    k.push_back(numberColumn(tr("Cavity from sheet"), "layer", Quantity::Number));
    k.push_back(numberColumn(tr("Sheets"), "sheets", Quantity::Number));
    for (const auto& [title, field] :
         {std::pair{tr("Aft"), "x"}, std::pair{tr("Up"), "z"}, std::pair{tr("Long"), "length"},
          std::pair{tr("High"), "height"}}) {
        k.push_back(numberColumn(title, field, Quantity::Length));
        if (k.size() > 4) {  // a rectangle's own
            k.back().applies = [](const Design& d, int r) {
                return d.make.cavities[size_t(r)].outline.empty();
            };
        }
    }
    k.push_back(outlineColumn(bench, cavityAt, &Cavity::outline));
    k.push_back(numberColumn(tr("Holds"), "filler_density", Quantity::Density));
    auto* cavities = new RecordTable(
        bench, "cavities", "/make/cavities",
        [](const Design& d) { return int(d.make.cavities.size()); }, std::move(k),
        {{"addCavity", tr("Add a cavity"),
          [&bench](int) {
              Design next = bench.design();
              Cavity cavity;
              cavity.layer = std::max(1, int(next.make.layers.size() + 1) / 2);
              next.make.cavities.push_back(cavity);
              bench.document.endGesture();
              bench.document.submit(std::move(next), tr("Add a cavity"));
          },
          false},
         removeFromMake(bench, "removeCavity", tr("Remove a cavity"), &Make::cavities)});
    auto* glue = new Form(bench, tr("Glue"));
    glue->quantity(tr("Film"), "/make/glue_film");
    glue->quantity(tr("Density"), "/make/glue_density");
    glue->note(tr("Paint goes on the inner faces first. Glue and solvents: air and gloves."));
    return formRow({layers, cavities, glue}, {4, 4, 3});
}

QWidget* castSheet(Workbench& bench) {
    auto* mix = new Form(bench, tr("Mix"));
    mix->quantity(tr("Resin density"), "/make/mix/resin_density");
    mix->quantity(tr("Filler, particles"), "/make/mix/filler_density");
    mix->quantity(tr("Filler share"), "/make/mix/filler_share");
    mix->choice(
        tr("Measured by"), "mixBy", {tr("volume"), tr("mass")},
        [](const Design& d) { return int(d.make.mix.by); },
        [](Design& d, int i) { d.make.mix.by = MixBy(i); });
    mix->quantity(tr("Bubbles"), "/make/mix/trapped_air");
    auto* doubt = new Form(bench, tr("How sure"));
    doubt->quantity(tr("Filler share ±"), "/make/mix/share_error");
    doubt->quantity(tr("Bubbles ±"), "/make/mix/trapped_air_error");
    doubt->readout(tr("The mix makes"), [&bench](const Results& r) {
        Stock stock;
        stock.source = DensitySource::Mix;
        const DensityEstimate e = densityInForce(stock, r.design->make);
        return tr("%1 ± %2").arg(bench.text(Quantity::Density, e.density_kg_m3, false),
                                 bench.text(Quantity::Density, 2 * e.uncertainty_kg_m3));
    });
    doubt->note(
        tr("Parts held in the pour: set their “sunk in” to 100 % under Fittings. A cast "
           "block on the scale beats any recipe: enter it as the sample block."));
    auto* wanted = new Form(bench, tr("Wanted"));
    wanted->quantity(tr("Wanted density"), "/make/mix/wanted_density");
    auto* solve = wanted->button(tr("Filler for it"), "fillerFor");
    QObject::connect(solve, &QPushButton::clicked, solve, [&bench] {
        Design next = bench.design();
        const auto share = fillerShareFor(next.make.mix, next.make.mix.wantedDensity_kg_m3);
        if (!share) {
            bench.say(QStringLiteral("▲ ") +
                      tr("No share of this filler up to 75 % makes that density."));
            return;
        }
        next.make.mix.fillerShare = *share;
        next.pieces.front().stock.source = DensitySource::Mix;
        bench.document.endGesture();
        bench.document.submit(std::move(next), tr("Filler for a density"));
    });
    wanted->note(tr("Resins sensitise the skin: gloves, fresh air, and the product sheet first."));
    return formRow({mix, doubt, wanted});
}

QWidget* printedSheet(Workbench& bench) {
    auto* shell = new Form(bench, tr("Shell and infill"));
    shell->text(
        tr("Plastic"), "printMaterial", [](const Design& d) { return d.make.print.material; },
        [](Design& d, const std::string& s) { d.make.print.material = s; });
    shell->quantity(tr("Plastic density"), "/make/print/density");
    shell->quantity(tr("Wall all round"), "/make/print/shell");
    shell->quantity(tr("Infill"), "/make/print/infill");
    shell->readout(tr("Prints at"), [&bench](const Results& r) {
        return tr("%1, %2 of air inside")
            .arg(bench.text(Quantity::Mass, r.derived->shape->reckoning.drawnMass_kg), [&] {
                double hollow = 0;
                for (const BodyPart& part : r.derived->shape->parts) {
                    hollow += part.material.hollow_m3;
                }
                return bench.text(Quantity::Volume, hollow);
            }());
    });
    auto* leak = new Form(bench, tr("Leak"));
    auto leaks = [](const Design& d) { return d.make.print.leaks; };
    leak->tick(tr("seams not sealed"), "leaks", leaks,
               [](Design& d, bool on) { d.make.print.leaks = on; });
    for (const auto& [label, path] : std::initializer_list<std::pair<QString, const char*>>{
             {tr("Weighed dry"), "/make/print/dry_mass"},
             {tr("Weighed wet"), "/make/print/wet_mass"},
             {tr("After a soak of"), "/make/print/soak"}}) {
        leak->quantity(label, path);
        leak->enableLastWhen(leaks);
    }
    auto* hours = new Form(bench, tr("Under water"));
    for (int i = 0; i < 4; ++i) {
        static const double after[] = {0.5, 1, 2, 4};
        hours->readout(tr("after %1 h").arg(after[i]), [&bench, i](const Results& r) {
            if (size_t(i) >= r.derived->rest->waterlogged.size()) {
                return r.design->make.kind == MakeKind::Printed && r.design->make.print.leaks
                           ? tr("not known: weigh it dry and wet")
                           : tr("stays dry");
            }
            const Waterlogged& w = r.derived->rest->waterlogged[size_t(i)];
            return (w.floats ? tr("%1 in, %2 spare, nose %3") : tr("%1 in, sinks (%2), nose %3"))
                .arg(
                    bench.text(Quantity::Mass, w.water_kg), bench.text(Quantity::Fraction, w.spare),
                    w.attitudeDecided ? bench.text(Quantity::Angle, w.pitch_rad) : tr("undecided"));
        });
    }
    return formRow({shell, leak, hours}, {3, 3, 4});
}

}  // namespace

QWidget* makeMakingSheet(Workbench& bench) {
    auto* page = new QWidget;
    page->setObjectName("sheetPage");
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(0, 4, 0, 0);
    layout->setSpacing(0);
    auto* top = new Form(bench, {});
    top->setContentsMargins(12, 0, 0, 0);
    auto* kind = top->choice(
        tr("The body is"), "makeKind",
        {tr("carved from a board"), tr("turned on a lathe"), tr("layered from sheet"),
         tr("cast in resin"), tr("printed")},
        [](const Design& d) { return int(d.make.kind); },
        [](Design& d, int i) {
            d.make.kind = MakeKind(i);
            Stock& stock = d.pieces.front().stock;
            if (d.make.kind == MakeKind::Layered && d.make.layers.empty()) {
                d.make.layers = {Layer{}, Layer{}, Layer{}};
            }
            if (d.make.kind == MakeKind::Cast) {
                stock.source = DensitySource::Mix;
            } else if (stock.source == DensitySource::Mix) {
                stock.source = DensitySource::Shelf;
            }
        });
    top->setMaximumWidth(360);
    layout->addWidget(top);
    auto* sheets = new QStackedWidget;
    for (QWidget* (*make)(Workbench&) :
         {carvedSheet, turnedSheet, layeredSheet, castSheet, printedSheet}) {
        sheets->addWidget(make(bench));
    }
    layout->addWidget(sheets, 1);
    auto refresh = [&bench, sheets] { sheets->setCurrentIndex(int(bench.design().make.kind)); };
    QObject::connect(&bench.document, &Document::designChanged, kind, refresh);
    refresh();
    return page;
}

}  // namespace wl
