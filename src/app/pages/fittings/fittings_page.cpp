#include <QVBoxLayout>

#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/record_columns.h"
#include "app/kit/sheet_tabs.h"
#include "app/kit/theme.h"
#include "app/pages/fittings/fitting_tabs.h"
#include "app/pages/pages.h"
#include "core/plan/hook_set.h"
#include "io/shelf.h"
#include "session/words.h"

namespace wl {

namespace {

// An eye no hook hangs from and no line is meant for, if there is one: for a ring one without a
// ring, for a hook one that has its ring before one that has none.
std::string freeEye(const Design& d, FittingKind wanted) {
    std::string bare;
    for (const Fitting& eye : d.fittings) {
        const auto holds = [&](auto kind) {
            return std::any_of(d.fittings.begin(), d.fittings.end(), [&](const Fitting& f) {
                return f.hangsFrom == eye.name && kind(f.kind);
            });
        };
        if (swings(eye.kind) || eye.kind == FittingKind::GlassEye || eye.name == d.tie.eye ||
            eye.stemFrom == FeatureFrom::Nose || holds(isHook)) {
            continue;
        }
        const bool ringed = holds([](FittingKind k) { return k == FittingKind::SplitRing; });
        if (ringed && wanted != FittingKind::SplitRing) {
            return eye.name;
        }
        bare = bare.empty() && !ringed ? eye.name : bare;
    }
    return bare;
}

// A hook comes with its eye and ring, at the place clicked on or the usual one; an eye, fin or tail
// at that place on the skin; a ring on the next free eye.
void addFromShelf(Workbench& bench, int index) {
    Design next = bench.design();
    Fitting f = bench.shelf.shelf().fittings[size_t(index)].item;
    const std::optional<Eigen::Vector3d> mark = bench.takeMark();
    SkinPlace at;
    double depth = 0.02, length = 0.08;
    if (const Result<BodyCurves> curves = BodyCurves::build(next.body, "")) {
        length = curves->length_m();
        const Section s = curves->atX(0.4 * length);
        at = mark ? skinPlaceNear(*curves, mark->x(), mark->z())
                  : SkinPlace{s.x_m, s.belly_m, FeatureFrom::Belly};
        at.x_m = std::round(2000 * at.x_m) / 2000;
        const Section there = curves->atX(at.x_m);
        depth = at.from == FeatureFrom::Nose || at.from == FeatureFrom::Tail
                    ? 0.2 * length
                    : there.back_m - there.belly_m;
        f.x_m = at.x_m;
        f.z_m = at.z_m;
        if (f.kind == FittingKind::GlassEye) {
            const Section head = curves->atX(mark ? mark->x() : 0.15 * length);
            f.x_m = head.x_m;
            f.y_m = 0.9 * head.halfWidth_m;
            f.z_m = mark ? mark->z() : head.widest_m;
            f.mirrored = true;
        }
    }
    const QString what = tr("Add %1").arg(QString::fromStdString(f.name));
    if (isHook(f.kind)) {
        HookSetWish set;
        static const char* const kWhere[] = {"belly", "back", "nose", "tail"};
        set.where = at.from == FeatureFrom::Back   ? kWhere[1]
                    : at.from == FeatureFrom::Nose ? kWhere[2]
                    : at.from == FeatureFrom::Tail ? kWhere[3]
                                                   : kWhere[0];
        set.onEye = mark ? std::string() : freeEye(next, f.kind);
        set.at = at;
        set.eyeSize_m = 0.06 * length;
        set.longestStem_m = 0.75 * depth;
        set.ringSize_m = 0.07 * length;
        set.hook = f;
        std::vector<Fitting> shelf;
        for (const auto& row : bench.shelf.shelf().fittings) {
            shelf.push_back(row.item);
        }
        next = withHookSet(next, shelf, set);
    } else {
        f.name = freeFittingName(next, f.name);
        if (isWireForm(f.kind)) {
            // The ring outside the skin, the stem in it.
            const double out = 0.5 * f.size_m;
            f.stemFrom = at.from;
            f.z_m += at.from == FeatureFrom::Belly  ? -out
                     : at.from == FeatureFrom::Back ? out
                                                    : 0.0;
            f.x_m += at.from == FeatureFrom::Nose ? -out : at.from == FeatureFrom::Tail ? out : 0.0;
        }
        if (f.kind == FittingKind::SplitRing) {
            f.hangsFrom = freeEye(next, f.kind);
        }
        next.fittings.push_back(f);
    }
    bench.document.endGesture();
    bench.document.submit(std::move(next), what);
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
                                          freeFittingName(others, now))) {
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
    for (RecordColumn& column : fieldColumns(
             {"weighed_mass", "typical_mass", "x",         "y",         "z",          "mirrored",
              "sunk",         "size",         "wire",      "from_wire", "stem",       "twists",
              "leg_gap",      "stem_from",    "stem_lean", "span",      "weed_guard", "density",
              "area",         "cant",         "modulus"})) {
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
    auto* add = new ShelfPicker(
        bench, "addFitting", tr("Add from the shelf…"),
        [&bench] {
            QStringList names;
            for (const auto& row : bench.shelf.shelf().fittings) {
                names << QStringLiteral("%1  (%2%3)")
                             .arg(QString::fromStdString(row.item.name),
                                  row.item.weighedMass_kg ? QString() : QStringLiteral("≈ "),
                                  bench.text(Quantity::Mass, fittingMass_kg(row.item)));
            }
            return names;
        },
        [&bench](int index) { addFromShelf(bench, index); });
    add->setMinimumContentsLength(34);
    table->addTool(add);
    auto* hint =
        plainLabel(tr("A hook comes with its eye and ring. Typical masses are ±30 %: weigh yours. "
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
