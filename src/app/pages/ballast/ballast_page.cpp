#include <QVBoxLayout>

#include "app/kit/form.h"
#include "app/kit/learner.h"
#include "app/kit/record_columns.h"
#include "app/kit/sheet_tabs.h"
#include "app/pages/ballast/ballast_tabs.h"
#include "app/pages/pages.h"
#include "core/base/units.h"
#include "core/plan/hook_set.h"
#include "core/plan/plan_lead.h"
#include "session/words.h"

namespace wl {

namespace {

void addBore(Workbench& bench) {
    Design next = bench.design();
    Bore bore;
    bore.name = "bore " + std::to_string(next.bores.size() + 1);
    const Result<BodyCurves> curves = BodyCurves::build(next.body, "");
    if (curves) {
        // Between the last bore and the tail, half the body deep, on a half millimetre.
        const double from = next.bores.empty() ? 0.15 * curves->length_m() : next.bores.back().x_m;
        bore.x_m = from + 0.2 * (curves->length_m() - from);
        if (const auto mark = bench.takeMark()) {  // where one clicked on the picture
            bore.x_m = std::clamp(mark->x(), 0.0, curves->length_m());
            bore.from = skinPlaceNear(*curves, bore.x_m, mark->z()).from == FeatureFrom::Back
                            ? BoreFrom::Back
                            : BoreFrom::Belly;
        }
        bore.x_m = std::round(bore.x_m * 2000) / 2000;
        const Section s = curves->atX(bore.x_m);
        bore.depth_m = std::max(0.002, std::round(0.5 * (s.back_m - s.belly_m) * 2000) / 2000);
        bore.diameter_m =
            std::max(0.002, std::min(0.008, std::round(0.6 * s.halfWidth_m * 2 * 2000) / 2000));
    }
    next.bores.push_back(bore);
    bench.document.endGesture();
    bench.document.submit(std::move(next), tr("Add a bore"));
}

QStringList plugNames(const Workbench& bench) {
    QStringList list;
    for (const ShelfMaterial& m : bench.shelf.shelf().plug) {
        list << QString::fromStdString(m.name);
    }
    return list;
}

QString piecesIn(const Bore& bore) {
    QStringList in;
    for (const LeadPiece& p : bore.pieces) {
        in << tr("%1 × %2").arg(p.count).arg(QString::fromStdString(p.name));
    }
    return bore.lead == BoreLead::Pieces ? in.join(QStringLiteral(", ")) : QString();
}

// One more of a shelf piece into the chosen bore.
void addPiece(Workbench& bench, int row, const PieceKind& kind) {
    if (row < 0 || row >= int(bench.design().bores.size())) {
        bench.say(QStringLiteral("▲ ") + tr("Choose the bore it goes into first."));
        return;
    }
    Design next = bench.design();
    Bore& bore = next.bores[size_t(row)];
    if (bore.lead != BoreLead::Pieces) {
        bore.lead = BoreLead::Pieces;
        bore.pieces.clear();
    }
    const auto there = std::find_if(bore.pieces.begin(), bore.pieces.end(),
                                    [&](const LeadPiece& p) { return p.name == kind.name; });
    if (there != bore.pieces.end()) {
        there->count += 1;
    } else {
        bore.pieces.push_back({kind.name, 1, kind.mass_g * kGram, kind.length_mm * kMillimetre,
                               kind.diameter_mm * kMillimetre});
    }
    bore.plugDensity_kg_m3 = kind.density_g_mm3 * 1e6;
    bench.document.endGesture();
    bench.document.submit(std::move(next), tr("Put in %1").arg(QString::fromStdString(kind.name)));
}

// A rod makes the bore as wide as itself, for a plug cut from it; a filler closes it.
void useRodOrFiller(Workbench& bench, int row, int index) {
    if (row < 0 || row >= int(bench.design().bores.size())) {
        bench.say(QStringLiteral("▲ ") + tr("Choose the bore it is for first."));
        return;
    }
    const Shelf& shelf = bench.shelf.shelf();
    Design next = bench.design();
    Bore& bore = next.bores[size_t(row)];
    QString name;
    if (index < int(shelf.rods.size())) {
        const ShelfEntry& rod = shelf.rods[size_t(index)];
        name = QString::fromStdString(rod.name);
        bore.lead = BoreLead::Plug;
        bore.plugMaterial = rod.name;
        bore.plugDensity_kg_m3 = rod.density_kg_m3.value_or(bore.plugDensity_kg_m3);
        bore.diameter_m = rod.diameter_m.value_or(bore.diameter_m);
    } else if (index - int(shelf.rods.size()) < int(shelf.filler.size())) {
        const ShelfMaterial& m = shelf.filler[size_t(index) - shelf.rods.size()];
        name = QString::fromStdString(m.name);
        bore.fillerDensity_kg_m3 = m.density_kg_m3;
    }
    bench.document.endGesture();
    bench.document.submit(std::move(next), name);
}

RecordTable* boreTable(Workbench& bench) {
    std::vector<RecordColumn> columns = fieldColumns({"name", "x", "diameter", "depth", "from"}, 4);
    columns.push_back(ownColumn(
        "plug_material",
        [](const Design& d, int r) {
            return QString::fromStdString(d.bores[size_t(r)].plugMaterial);
        },
        [&bench](Design& d, int r, const QString& t) {
            const int i = int(plugNames(bench).indexOf(t));
            if (i >= 0) {
                const ShelfMaterial& m = bench.shelf.shelf().plug[size_t(i)];
                d.bores[size_t(r)].plugMaterial = m.name;
                d.bores[size_t(r)].plugDensity_kg_m3 = m.density_kg_m3;
            }
        },
        [&bench](const Design&) { return plugNames(bench); }));
    columns.push_back(fieldColumn("lead"));
    columns.push_back(fieldColumn("plug_length"));
    columns.push_back(derivedColumn(tr("Pieces"), Quantity::Number, [](const Results& r, int row) {
        return piecesIn(r.design->bores[size_t(row)]);
    }));
    columns.push_back(
        fact(derivedColumn(tr("Lead mass"), Quantity::Mass, [&bench](const Results& r, int row) {
            return bench.text(Quantity::Mass, r.derived->mass->bores[size_t(row)].leadMass_kg,
                              false);
        })));
    columns.push_back(bitColumn(bench, [](const Design& d, int r) {
        return std::optional(d.bores[size_t(r)].diameter_m);
    }));
    columns.push_back(
        derivedColumn(tr("Wall left"), Quantity::Length, [&bench](const Results& r, int row) {
            const BoreGeometry& g = r.derived->mass->bores[size_t(row)];
            return bench.text(Quantity::Length, std::min(g.wallBeyond_m, g.wallBeside_m), false);
        }));
    for (RecordColumn& column : fieldColumns({"y", "lean", "filler_density", "plug_density"})) {
        columns.push_back(std::move(column));
    }
    auto* table =
        new RecordTable(bench, "bores", "/bores", std::move(columns),
                        {{"addBore", tr("Add a bore"), [&bench](int) { addBore(bench); }, false},
                         removeAction(bench, "removeBore", tr("Remove a bore"), "/bores"),
                         {"emptyBore", tr("Empty it"), [&bench](int row) {
                              Design next = bench.design();
                              next.bores[size_t(row)].pieces.clear();
                              next.bores[size_t(row)].plugLength_m = 0;
                              bench.document.endGesture();
                              bench.document.submit(std::move(next), tr("Empty a bore"));
                          }}});
    auto* pieces = new ShelfPicker(
        bench, "addPiece", tr("Put in a piece…"),
        [&bench] {
            QStringList list;
            for (const PieceKind& k : bench.shelf.shelf().pieces) {
                list << QStringLiteral("%1  (%2)")
                            .arg(QString::fromStdString(k.name),
                                 bench.text(Quantity::Mass, k.mass_g * kGram));
            }
            return list;
        },
        [&bench, table](int index) {
            addPiece(bench, table->currentRow(), bench.shelf.shelf().pieces[size_t(index)]);
        });
    auto* rods = new ShelfPicker(
        bench, "rodOrFiller", tr("Rod or filler…"),
        [&bench] {
            QStringList list;
            for (const ShelfEntry& e : bench.shelf.shelf().rods) {
                list << QString::fromStdString(e.name);
            }
            for (const ShelfMaterial& m : bench.shelf.shelf().filler) {
                list << QString::fromStdString(m.name);
            }
            return list;
        },
        [&bench, table](int index) { useRodOrFiller(bench, table->currentRow(), index); });
    table->addTool(pieces);
    table->addTool(rods);
    return table;
}

}  // namespace

void planTheLead(Workbench& bench) {
    const Result<LeadPlan> plan =
        planLead(bench.design(), bench.results() ? bench.results()->derived.get() : nullptr);
    if (!plan) {
        bench.say(QStringLiteral("▲ ") + sentence(plan.error(), bench.bench()));
        return;
    }
    bench.document.endGesture();
    bench.document.submit(Design(plan->design), sentence(plan->edit, bench.bench()));
    const bool met = std::all_of(plan->findings.begin(), plan->findings.end(),
                                 [](const Finding& f) { return f.severity == Severity::Note; });
    if (met) {
        bench.say(tr("Lead planned: %1 all up, spare %2, %3 at rest.")
                      .arg(bench.text(Quantity::Mass, plan->reachedMass_kg),
                           bench.text(Quantity::Fraction, plan->reachedSpare),
                           bench.text(Quantity::Angle, plan->reachedPitch_rad)));
        return;
    }
    QStringList lines;
    for (const Finding& f : plan->findings) {
        QString line = sentence(f, bench.bench());
        for (const ProposedEdit& e : f.edits) {
            line += QStringLiteral(" ") + tr("It would help: %1.").arg(sentence(e, bench.bench()));
        }
        lines << line;
    }
    lines << tr("“Ways to do it” tries other bores, stock, lip and hooks.");
    bench.say(QStringLiteral("▲ ") + tr("As near as these bores allow. ") +
              lines.join(QLatin1Char(' ')));
}

QWidget* makeBallastPage(Workbench& bench) {
    auto* plan = new Form(bench, {});
    auto* button = plan->button(tr("Plan the lead  (F8)"), "planLead");
    button->setProperty("main", true);
    button->setToolTip(
        tr("Plug lengths for these bores that meet the wanted mass and attitude best"));
    QObject::connect(button, &QPushButton::clicked, button, [&bench] { planTheLead(bench); });
    plan->readout(tr("All up"), [&bench](const Results& r) {
        return tr("%1, wanted %2")
            .arg(bench.text(Quantity::Mass, r.derived->mass->mass_kg),
                 bench.text(Quantity::Mass, r.derived->wantedMass_kg));
    });
    plan->readout(tr("At rest"), [&bench](const Results& r) {
        return tr("%1, wanted %2")
            .arg(bench.text(Quantity::Angle, r.derived->rest->pitch_rad),
                 bench.text(Quantity::Angle, r.design->brief.wantedPitch_rad));
    });
    QLabel* byLog = plan->readout(tr("By your log"), [&bench](const Results& r) {
        const auto taught = Learner::of(bench).taught(NoteKind::Sink);
        return taught && r.design->brief.wantedState == WantedState::Sink
                   ? tr("sinks %1 times as fast as reckoned: what is wanted goes by that")
                         .arg(QLocale().toString(taught->middle, 'f', 2))
                   : QString();
    });
    byLog->setObjectName(QStringLiteral("ballastByLog"));
    plan->hideLastWhenEmpty();
    QObject::connect(&Learner::of(bench), &Learner::changed, plan, &Form::readAgain);
    plan->note(
        tr("Lead: melt and file it with extraction or outdoors, gloves on, hands washed, away "
           "from children. Some waters restrict it: check the local rules."));
    plan->finish();
    plan->setContentsMargins(12, 6, 10, 0);
    auto* bores = new QWidget;
    auto* column = new QVBoxLayout(bores);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(plan);
    RecordTable* list = boreTable(bench);
    list->setEmpty(
        tr("Bores hold the lead. Add one where there is wood enough, then let the lead be planned: "
           "mass wanted and attitude decide its length."),
        {{MeasureStroke::Kind::Hole, {0.3, 0.02}, {0.37, 0.5}, {}},
         {MeasureStroke::Kind::Ball, {0.305, 0.32}, {0.365, 0.5}, {}},
         {MeasureStroke::Kind::Measure, {0.0, -0.12}, {0.335, -0.12}, tr("place from the nose")},
         {MeasureStroke::Kind::Measure, {0.42, 0.02}, {0.42, 0.5}, tr("depth")},
         {MeasureStroke::Kind::Measure, {0.3, 1.05}, {0.37, 1.05}, tr("diameter")}});
    column->addWidget(list, 1);

    auto* tabs = new SheetTabs(QStringLiteral("ballastTabs"));
    tabs->addTab(bores, tr("Bores and plugs"));
    tabs->addTab(makeChoicesTab(bench), tr("Ways to do it"));
    tabs->addTab(makeSideWeightTab(bench), tr("Side weights"));
    tabs->addTab(makeRattleTab(bench), tr("Rattles"));
    tabs->addTab(makeCoatsTab(bench), tr("Coats"));
    tabs->addTab(makeBuildUpTab(bench), tr("Putty"));
    return tabs;
}

}  // namespace wl
