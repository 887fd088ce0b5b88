#include <QVBoxLayout>

#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/record_columns.h"
#include "app/kit/sheet_tabs.h"
#include "app/kit/theme.h"
#include "app/pages/fittings/fitting_tabs.h"
#include "app/pages/pages.h"
#include "io/shelf.h"
#include "session/words.h"

namespace wl {

namespace {

// Names stay unique, so that "hangs from" always means one eye.
std::string freeName(const Design& d, const std::string& wanted) {
    for (int i = 1;; ++i) {
        const std::string name = i == 1 ? wanted : wanted + " " + std::to_string(i);
        bool taken = false;
        for (const Fitting& f : d.fittings) {
            taken = taken || f.name == name;
        }
        if (!taken) {
            return name;
        }
    }
}

void addFromShelf(Workbench& bench, int index) {
    Design next = bench.design();
    Fitting f = bench.shelf.shelf().fittings[size_t(index)].item;
    f.name = freeName(next, f.name);
    const Result<BodyCurves> curves = BodyCurves::build(next.body, "");
    if (curves) {
        const double x = 0.4 * curves->length_m();
        const Section s = curves->atX(x);
        f.x_m = x;
        f.z_m = s.belly_m;
        if (f.kind == FittingKind::GlassEye) {
            const Section head = curves->atX(0.15 * curves->length_m());
            f.x_m = head.x_m;
            f.y_m = 0.9 * head.halfWidth_m;
            f.z_m = head.widest_m;
            f.mirrored = true;
        }
    }
    if (isWireForm(f.kind)) {
        f.z_m -= 0.5 * f.size_m;  // the ring outside the skin, the stem in it
    }
    if (swings(f.kind)) {
        for (const Fitting& eye : next.fittings) {
            if (!swings(eye.kind) && eye.kind != FittingKind::GlassEye) {
                f.hangsFrom = eye.name;
                break;
            }
        }
    }
    next.fittings.push_back(f);
    bench.document.endGesture();
    bench.document.submit(std::move(next), tr("Add a fitting"));
}

}  // namespace

QWidget* makeFittingsPage(Workbench& bench) {
    std::vector<RecordColumn> columns;
    columns.push_back(fact(ownColumn(
        "name",
        [](const Design& d, int r) { return QString::fromStdString(d.fittings[size_t(r)].name); },
        [](Design& d, int r, const QString& t) {
            const std::string now = t.trimmed().toStdString();
            Design others = d;
            others.fittings.erase(others.fittings.begin() + r);
            if (!now.empty()) {
                if (auto named = withText(d, "/fittings/" + std::to_string(r) + "/name",
                                          freeName(others, now))) {
                    d = std::move(named).value();
                }
            }
        })));
    columns.push_back(fact(fieldColumn("kind")));
    columns.push_back(fact(ownColumn(
        "hangs_from",
        [](const Design& d, int r) {
            const Fitting& f = d.fittings[size_t(r)];
            return f.hangsFrom.empty() ? tr("own place") : QString::fromStdString(f.hangsFrom);
        },
        [](Design& d, int r, const QString& t) {
            d.fittings[size_t(r)].hangsFrom =
                t == tr("own place") ? std::string() : t.toStdString();
        },
        [](const Design& d) {
            QStringList eyes{tr("own place")};
            for (const Fitting& f : d.fittings) {
                if (!swings(f.kind) && f.kind != FittingKind::GlassEye) {
                    eyes << QString::fromStdString(f.name);
                }
            }
            if (d.wire.present) {
                for (const WireDrop& drop : d.wire.drops) {
                    eyes << QString::fromStdString(drop.name);
                }
                eyes << QStringLiteral("nose eye") << QStringLiteral("tail eye");
                eyes.removeDuplicates();
            }
            return eyes;
        })));
    for (RecordColumn& column :
         fieldColumns({"weighed_mass", "typical_mass", "x", "y", "z", "mirrored", "sunk", "size",
                       "wire", "from_wire", "stem", "twists", "leg_gap", "stem_from", "stem_lean",
                       "span", "weed_guard", "density", "area"})) {
        columns.push_back(std::move(column));
    }
    columns.push_back(
        fact(derivedColumn(tr("In force"), Quantity::Mass, [&bench](const Results& r, int row) {
            return bench.text(Quantity::Mass, fittingMass_kg(r.design->fittings[size_t(row)]),
                              false);
        })));
    auto* table = new RecordTable(
        bench, "fittings", "/fittings", std::move(columns),
        {removeAction(bench, "removeFitting", tr("Remove a fitting"), "/fittings")});
    auto* add = new QComboBox;
    add->setObjectName("addFitting");
    add->setAccessibleName(tr("Add a fitting from the shelf"));
    auto shelfNames = [&bench] {
        QStringList names{tr("Add from the shelf…")};
        for (const auto& row : bench.shelf.shelf().fittings) {
            names << QStringLiteral("%1  (%2%3)")
                         .arg(QString::fromStdString(row.item.name),
                              row.item.weighedMass_kg ? QString() : QStringLiteral("≈ "),
                              bench.text(Quantity::Mass, fittingMass_kg(row.item)));
        }
        return names;
    };
    add->addItems(shelfNames());
    followShelf(bench, add, shelfNames);
    QObject::connect(add, &QComboBox::activated, add, [&bench, add](int index) {
        if (index > 0) {
            addFromShelf(bench, index - 1);
        }
        add->setCurrentIndex(0);
    });
    table->addTool(add);
    auto* hint =
        plainLabel(tr("Typical masses are ±30 %: weigh yours. Hooks and rings act at their eye. "
                      "Mind the points: cover your eyes when fitting hooks."));
    hint->setProperty("role", "quiet");
    hint->setWordWrap(true);
    hint->setFont(type(Type::Small));
    hint->setContentsMargins(12, 2, 10, 6);
    auto* parts = new QWidget;
    auto* column = new QVBoxLayout(parts);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(table, 1);
    column->addWidget(hint);
    auto* tabs = new SheetTabs(QStringLiteral("fittingTabs"));
    tabs->addTab(parts, tr("Parts"));
    tabs->addTab(makeWireTab(bench), tr("Through-wire"));
    tabs->addTab(makeFeatureTable(bench), tr("Sockets, slots and holes"));
    tabs->addTab(makeAppendageTable(bench), tr("Side pieces"));
    tabs->addTab(makeMeetingTable(bench), tr("Meant to meet"));
    return tabs;
}

}  // namespace wl
