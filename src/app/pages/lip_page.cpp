#include <QCoreApplication>
#include <algorithm>

#include "app/kit/form.h"
#include "app/kit/record_columns.h"
#include "app/kit/sheet_tabs.h"
#include "app/pages/pages.h"
#include "app/views/lip_canvas.h"
#include "core/placed/lip_sheet.h"
#include "core/reckon/free_body.h"
#include "io/shelf.h"
#include "session/field_words.h"
#include "session/words.h"

namespace wl {

namespace {

// One measure of a corner, typed in the bench's lengths though the file keeps shares.
RecordColumn cornerColumn(Workbench& bench, const QString& field, const QString& title, int axis) {
    RecordColumn column = fact(fieldColumn(field));
    column.title = title;
    column.quantity = Quantity::Length;
    column.read = [&bench, axis](const Design& d, int row) {
        return bench.text(Quantity::Length, lipEdge_m(d.lip)[size_t(row)][axis], false);
    };
    column.take = [&bench, axis](Design& d, int row, const QString& t) -> std::optional<Error> {
        const ReadAmount read = readAmount(t.toStdString(), Quantity::Length, bench.bench());
        if (read.fault != ReadFault::None) {
            return readFaultError(read.fault, "/lip/outline", Quantity::Length, bench.bench());
        }
        std::vector<Eigen::Vector2d> edge = lipEdge_m(d.lip);
        edge[size_t(row)][axis] = read.valueSi;
        const Lip lip = withLipEdge(d.lip, edge);
        const double most = axis == 0 ? 0.3 : 0.1;
        if (read.valueSi < 0 || read.valueSi > most || !isLipOutline(lip.outline)) {
            return Error{"lip.free_outline", "", {}, {}};
        }
        d.lip = lip;
        return std::nullopt;
    };
    return column;
}

QString noCorners() {
    return tr(
        "No corners to go by: choose another outline, then this one again; it starts from "
        "there.");
}

void addCorner(Workbench& bench, int after) {
    std::vector<Eigen::Vector2d> edge = lipEdge_m(bench.design().lip);
    if (edge.size() < 2 || edge.size() >= kMostLipCorners) {
        bench.say(QStringLiteral("▲ ") +
                  (edge.size() < 2
                       ? noCorners()
                       : tr("An outline has at most %1 corners.").arg(kMostLipCorners)));
        return;
    }
    const size_t from = std::min(size_t(std::max(0, after)), edge.size() - 2);
    edge.insert(edge.begin() + long(from) + 1, 0.5 * (edge[from] + edge[from + 1]));
    Design next = bench.design();
    next.lip = withLipEdge(next.lip, edge);
    bench.document.endGesture();
    bench.document.submit(std::move(next), tr("Add a corner"));
}

QWidget* outlineTab(Workbench& bench) {
    auto* sizes = new Form(bench, {});
    // A free one starts as the outline the lip has.
    sizes->words(
        tr("Outline"), "/lip/family",
        [](const Design& d) { return fieldAnswers(*findField(d, "/lip/family")); },
        [](const Design& d) {
            return fieldAnswers(*findField(d, "/lip/family"))[int(d.lip.family)];
        },
        [&bench](const QString& chosen) {
            const auto field = findField(bench.design(), "/lip/family");
            Design next = bench.design();
            const auto family = LipFamily(fieldAnswers(*field).indexOf(chosen));
            if (family == LipFamily::Free && next.lip.family != LipFamily::Free) {
                next.lip = asFreeLip(next.lip);
            }
            next.lip.family = family;
            bench.document.endGesture();
            bench.document.submit(std::move(next), undoWords(*field));
        });
    sizes->enableLastWhen([](const Design& d) { return d.lip.present; });
    sizes->fields({"/lip/length", "/lip/width", "/lip/root_width", "/lip/tip_round"});
    auto* table = new RecordTable(
        bench, "lipCorners", "/lip/outline",
        {cornerColumn(bench, "along", tr("From the skin"), 0),
         cornerColumn(bench, "across", tr("Aside"), 1)},
        {{"addCorner", tr("Add a corner"), [&bench](int row) { addCorner(bench, row); }},
         removeAction(bench, "removeCorner", tr("Remove a corner"), "/lip/outline")});
    table->setEmptyWords(noCorners());
    const auto show = [&bench, table] {
        const Lip& lip = bench.design().lip;
        table->setVisible(lip.present && lip.family == LipFamily::Free);
    };
    QObject::connect(&bench.document, &Document::designChanged, table, show);
    QWidget* column = formColumn({sizes, new LipCanvas(bench), table});
    show();
    return column;
}

}  // namespace

QWidget* makeLipPage(Workbench& bench) {
    auto* sheet = new Form(bench, {});
    sheet->field("/lip/present");
    sheet->add(new ShelfPicker(
        bench, "lipFromShelf", tr("Cut lip from the shelf…"),
        [&bench] {
            QStringList list;
            for (const auto& row : bench.shelf.shelf().lips) {
                list << QStringLiteral("%1 %2 × %3")
                            .arg(QString::fromStdString(row.item.material),
                                 bench.text(Quantity::Length, row.item.length_m, false),
                                 bench.text(Quantity::Length, row.item.width_m));
            }
            return list;
        },
        [&bench](int i) {
            const Lip& cut = bench.shelf.shelf().lips[size_t(i)].item;
            Design next = bench.design();
            next.lip.present = true;
            next.lip.material = cut.material;
            next.lip.density_kg_m3 = cut.density_kg_m3;
            next.lip.thickness_m = cut.thickness_m;
            next.lip.length_m = cut.length_m;
            next.lip.width_m = cut.width_m;
            bench.document.endGesture();
            bench.document.submit(std::move(next), tr("Cut lip from the shelf"));
        }));
    sheet->shelf(
        tr("Sheet"), "/lip/material",
        [&bench] {
            QStringList list;
            for (const ShelfMaterial& m : bench.shelf.shelf().lipSheet) {
                list << QString::fromStdString(m.name);
            }
            return list;
        },
        [&bench](const Design& d) {
            const auto& all = bench.shelf.shelf().lipSheet;
            const auto in = std::find_if(all.begin(), all.end(), [&](const ShelfMaterial& m) {
                return m.name == d.lip.material;
            });
            return in == all.end() ? -1 : int(in - all.begin());
        },
        [&bench](Design& d, int i) {
            d.lip.material = bench.shelf.shelf().lipSheet[size_t(i)].name;
            d.lip.density_kg_m3 = bench.shelf.shelf().lipSheet[size_t(i)].density_kg_m3;
        });
    sheet->enableLastWhen([](const Design& d) { return d.lip.present; });
    sheet->fields({"/lip/thickness", "/lip/modulus"});
    auto* shaped = new Form(bench, {});
    shaped->fields({"/lip/bend", "/lip/bend_at", "/lip/notch_width", "/lip/notch_depth",
                    "/lip/hole_diameter", "/lip/hole_at", "/lip/twist", "/lip/turn"});
    auto* slot = new Form(bench, {});
    slot->fields({"/lip/angle", "/lip/slot_x", "/lip/slot_z", "/lip/slot_y", "/lip/slot_depth"});
    slot->readout(tr("Lip weighs"), [&bench](const Results& r) {
        return bench.text(Quantity::Mass, r.derived->mass->lip.mass_kg);
    });
    slot->readout(tr("Water bends it by"), [&bench](const Results& r) {
        const auto flex = r.derived && r.run && r.run->levelTrim
                              ? lipFlexUnderWay(*r.derived, *r.run->levelTrim)
                              : std::nullopt;
        return flex ? tr("%1, its tip by %2 at %3")
                          .arg(bench.text(Quantity::Angle, flex->meanAngle_rad),
                               bench.text(Quantity::Length, flex->tip_m),
                               bench.text(Quantity::Speed, r.design->brief.retrieveSpeed_m_s))
                    : QString();
    });
    slot->hideLastWhenEmpty();
    slot->note(
        tr("0° lies in line with the body and runs deep; 90° stands straight down. Set it in slow "
           "epoxy so that it can be sighted straight: gloves, fresh air."));

    auto* tie = new Form(bench, {});
    tie->field("/tie/place");
    tie->names(
        tr("Carried by"), "/tie/eye", tr("no eye: a place"), eyeNames,
        [](const Design& d) { return d.tie.eye; },
        [](Design& d, const std::string& name) {
            // The place stays where the tie was when it is let go of its eye.
            const Eigen::Vector3d at = tiePoint(d);
            d.tie.x_m = at.x();
            d.tie.z_m = at.z();
            d.tie.eye = name;
        });
    tie->enableLastWhen([](const Design& d) { return d.tie.place == TiePlace::Body; });
    tie->fields({"/tie/up_lip", "/tie/stand_off", "/tie/x", "/tie/z"});
    tie->hideIdle();
    tie->fields({"/tie/holes", "/tie/hole_spacing", "/tie/hole_diameter", "/tie/wire", "/tie/loop",
                 "/tie/wire_density", "/tie/leg"});
    tie->readout(tr("Wire to cut"), [&bench](const Results& r) {
        const TieWire wire = measureTieWire(*r.design);
        return wire.mass_kg > 0 ? tr("%1, and what you hold it by; it weighs %2")
                                      .arg(bench.text(Quantity::Length, wire.length_m),
                                           bench.text(Quantity::Mass, wire.mass_kg))
                                : QString();
    });
    tie->hideLastWhenEmpty();
    auto* tabs = new SheetTabs(QStringLiteral("lipTabs"));
    tabs->addTab(formColumn({sheet, slot}), tr("Lip"));
    tabs->addTab(outlineTab(bench), tr("Outline"));
    tabs->addTab(formColumn({tie}), tr("Tie"));
    tabs->addTab(formColumn({shaped}), tr("Bend, hole, set"));
    return tabs;
}

}  // namespace wl
