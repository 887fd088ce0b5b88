#include <QTabWidget>
#include <QVBoxLayout>

#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/record_columns.h"
#include "app/pages/fittings/fitting_tabs.h"
#include "app/pages/pages.h"
#include "io/shelf.h"
#include "session/words.h"

namespace wl {

namespace {

const QStringList& kindNames() {
    static const QStringList names{tr("treble"),      tr("split ring"),     tr("screw eye"),
                                   tr("twisted eye"), tr("glass eye"),      tr("other"),
                                   tr("sheet fin"),   tr("bristle tail"),   tr("soft tail"),
                                   tr("single hook"), tr("hanger in lead"), tr("clip")};
    return names;
}

Fitting& fittingAt(Design& d, int r) {
    return d.fittings[size_t(r)];
}

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
    using Kind = RecordColumn::Kind;
    std::vector<RecordColumn> columns;
    columns.push_back(
        {Kind::Text,
         tr("Part"),
         "name",
         Quantity::Number,
         [](const Design& d, int r) { return QString::fromStdString(d.fittings[size_t(r)].name); },
         [](Design& d, int r, const QString& t) {
             // Hooks follow their eye's new name.
             const std::string old = d.fittings[size_t(r)].name;
             const std::string now = t.trimmed().toStdString();
             if (now.empty()) {
                 return;
             }
             d.fittings[size_t(r)].name.clear();
             const std::string given = freeName(d, now);
             d.fittings[size_t(r)].name = given;
             for (Fitting& f : d.fittings) {
                 if (f.hangsFrom == old) {
                     f.hangsFrom = given;
                 }
             }
             if (d.tie.eye == old) {
                 d.tie.eye = given;
             }
             for (Meeting& m : d.meetings) {
                 m.first = m.first == old ? given : m.first;
                 m.second = m.second == old ? given : m.second;
             }
         },
         {},
         {}});
    columns.push_back(choiceColumn(tr("Kind"), "kind", fittingAt, &Fitting::kind, kindNames()));
    columns.push_back({Kind::Choice,
                       tr("Hangs from"),
                       "hangs_from",
                       Quantity::Number,
                       [](const Design& d, int r) {
                           const Fitting& f = d.fittings[size_t(r)];
                           return f.hangsFrom.empty() ? tr("own place")
                                                      : QString::fromStdString(f.hangsFrom);
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
                       },
                       {}});
    columns.push_back(numberColumn(tr("Weighed"), "weighed_mass", Quantity::Mass));
    columns.push_back(numberColumn(tr("Typical"), "typical_mass", Quantity::Mass));
    columns.push_back(numberColumn(tr("Aft"), "x", Quantity::Length));
    columns.push_back(numberColumn(tr("Port"), "y", Quantity::Length));
    columns.push_back(numberColumn(tr("Up"), "z", Quantity::Length));
    for (size_t i = columns.size() - 3; i < columns.size(); ++i) {
        columns[i].applies = [](const Design& d, int r) {
            return d.fittings[size_t(r)].hangsFrom.empty();
        };
    }
    columns.push_back(flagColumn(tr("Pair"), "mirrored", fittingAt, &Fitting::mirrored));
    columns.push_back(numberColumn(tr("Sunk in"), "sunk", Quantity::Fraction));
    columns.back().applies = [](const Design& d, int r) {
        return !swings(d.fittings[size_t(r)].kind);
    };
    columns.push_back(numberColumn(tr("Size"), "size", Quantity::Length));
    columns.push_back(numberColumn(tr("Wire"), "wire", Quantity::Thickness));
    const auto wireForm = [](const Design& d, int r) {
        return isWireForm(d.fittings[size_t(r)].kind);
    };
    columns.push_back(flagColumn(tr("By wire"), "from_wire", fittingAt, &Fitting::fromWire));
    columns.back().applies = wireForm;
    columns.push_back(numberColumn(tr("Stem"), "stem", Quantity::Length));
    columns.back().applies = wireForm;
    columns.push_back(numberColumn(tr("Twists"), "twists", Quantity::Number));
    columns.back().applies = [](const Design& d, int r) {
        return d.fittings[size_t(r)].kind == FittingKind::TwistedEye;
    };
    columns.push_back(numberColumn(tr("Legs apart"), "leg_gap", Quantity::Length));
    columns.back().applies = [](const Design& d, int r) {
        return d.fittings[size_t(r)].kind == FittingKind::Clip;
    };
    columns.push_back(choiceColumn(tr("Goes in from"), "stem_from", fittingAt, &Fitting::stemFrom,
                                   {tr("belly"), tr("back"), tr("side"), tr("nose"), tr("tail")}));
    columns.back().applies = wireForm;
    columns.push_back(numberColumn(tr("Stem leans"), "stem_lean", Quantity::Angle));
    columns.back().applies = wireForm;
    columns.push_back(numberColumn(tr("Points span"), "span", Quantity::Length));
    columns.back().applies = [](const Design& d, int r) {
        return isHook(d.fittings[size_t(r)].kind);
    };
    columns.push_back(flagColumn(tr("Weed guard"), "weed_guard", fittingAt, &Fitting::weedGuard));
    columns.back().applies = [](const Design& d, int r) {
        return isHook(d.fittings[size_t(r)].kind);
    };
    columns.push_back(numberColumn(tr("Density"), "density", Quantity::Density));
    columns.push_back(numberColumn(tr("Fin area"), "area", Quantity::Area));
    columns.back().applies = [](const Design& d, int r) {
        const FittingKind kind = d.fittings[size_t(r)].kind;
        return kind == FittingKind::SheetFin || kind == FittingKind::BristleTail ||
               kind == FittingKind::SoftTail;
    };

    auto* table = new RecordTable(
        bench, "fittings", "/fittings", [](const Design& d) { return int(d.fittings.size()); },
        std::move(columns),
        {removeAction(bench, "removeFitting", tr("Remove a fitting"), &Design::fittings)});
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
    auto* page = new QWidget;
    page->setObjectName("sheetPage");
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(12, 8, 12, 8);
    layout->setSpacing(4);
    auto* top = new QHBoxLayout;
    top->addWidget(add);
    auto* hint =
        plainLabel(tr("Typical masses are ±30 %: weigh yours. Hooks and rings act at their eye. "
                      "Mind the points: cover your eyes when fitting hooks."));
    hint->setProperty("role", "quiet");
    hint->setWordWrap(true);
    top->addWidget(hint, 1);
    layout->addLayout(top);
    auto* tabs = new QTabWidget;
    tabs->setObjectName("fittingTabs");
    tabs->setDocumentMode(true);
    tabs->addTab(table, tr("Parts"));
    tabs->addTab(makeWireTab(bench), tr("Through-wire"));
    tabs->addTab(makeFeatureTable(bench), tr("Sockets, slots and holes"));
    tabs->addTab(makeAppendageTable(bench), tr("Side pieces"));
    tabs->addTab(makeMeetingTable(bench), tr("Meant to meet"));
    layout->addWidget(tabs, 1);
    return page;
}

}  // namespace wl
