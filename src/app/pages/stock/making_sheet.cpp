#include "app/pages/stock/making_sheet.h"

#include <QPainter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/kit/form.h"
#include "app/kit/record_columns.h"
#include "app/kit/theme.h"
#include "core/make/material.h"
#include "session/field_words.h"
#include "session/words.h"

namespace wl {

namespace {

QWidget* carvedSheet(Workbench& bench) {
    auto* board = new Form(bench, tr("Board"));
    board->field("/make/grain");
    board->note(tr("Along is strongest at eyes and lip. Dust of hardwoods: mask and extraction."));
    auto* halves = new Form(bench, tr("Two half boards"));
    halves->fields({"/make/halves/used", "/make/glue_film", "/make/glue_density"});
    auto* groove = new Form(bench, tr("Groove between them"));
    groove->fields({"/make/halves/groove_width", "/make/halves/groove_height",
                    "/make/halves/groove_from", "/make/halves/groove_to", "/make/halves/groove_z",
                    "/make/halves/groove_filler_density"});
    return formColumn({board, halves, groove});
}

QWidget* turnedSheet(Workbench& bench) {
    auto* blank = new Form(bench, tr("Round blank, as it goes into the lathe"));
    blank->fields({"/pieces/0/stock/blank/length", "/pieces/0/stock/blank/diameter",
                   "/pieces/0/stock/blank/mass"});
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
    return formColumn({blank, fit});
}

QWidget* layeredSheet(Workbench& bench) {
    std::vector<RecordColumn> c = fieldColumns({"material", "thickness", "density"}, 2);
    c.push_back(
        fact(derivedColumn(tr("Outline"), Quantity::Length, [&bench](const Results& r, int row) {
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
        })));
    auto* layers =
        new RecordTable(bench, "layers", "/make/layers", std::move(c),
                        {{"addLayer", tr("Add a sheet"),
                          [&bench](int) {
                              Design next = bench.design();
                              next.make.layers.push_back(
                                  next.make.layers.empty() ? Layer{} : next.make.layers.back());
                              bench.document.endGesture();
                              bench.document.submit(std::move(next), tr("Add a sheet"));
                          },
                          false},
                         removeAction(bench, "removeLayer", tr("Remove a sheet"), "/make/layers")});
    std::vector<RecordColumn> k =
        fieldColumns({"layer", "sheets", "x", "z", "length", "height"}, 4);
    k.push_back(outlineColumn(bench, [](Design& d, int r) -> std::vector<OutlinePoint>& {
        return d.make.cavities[size_t(r)].outline;
    }));
    k.push_back(fieldColumn("filler_density"));
    auto* cavities = new RecordTable(
        bench, "cavities", "/make/cavities", std::move(k),
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
         removeAction(bench, "removeCavity", tr("Remove a cavity"), "/make/cavities")});
    layers->showWholeForm();
    cavities->showWholeForm();
    auto* glue = new Form(bench, tr("Glue"));
    glue->fields({"/make/glue_film", "/make/glue_density"});
    glue->note(tr("Paint goes on the inner faces first. Glue and solvents: air and gloves."));
    return formColumn({layers, cavities, glue});
}

QWidget* castSheet(Workbench& bench) {
    auto* mix = new Form(bench, tr("Mix"));
    mix->fields({"/make/mix/resin_density", "/make/mix/filler_density", "/make/mix/filler_share",
                 "/make/mix/by", "/make/mix/trapped_air"});
    auto* doubt = new Form(bench, tr("How sure"));
    doubt->fields({"/make/mix/share_error", "/make/mix/trapped_air_error"});
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
    wanted->field("/make/mix/wanted_density");
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
    return formColumn({mix, doubt, wanted});
}

QWidget* printedSheet(Workbench& bench) {
    auto* shell = new Form(bench, tr("Shell and infill"));
    shell->fields(
        {"/make/print/material", "/make/print/density", "/make/print/shell", "/make/print/infill"});
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
    leak->fields(
        {"/make/print/leaks", "/make/print/dry_mass", "/make/print/wet_mass", "/make/print/soak"});
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
    return formColumn({shell, leak, hours});
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
    const auto kinds = findField(bench.design(), "/make/kind");
    auto* kind = top->choice(
        tr("The body is"), "/make/kind", kinds ? fieldAnswers(*kinds) : QStringList(),
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
