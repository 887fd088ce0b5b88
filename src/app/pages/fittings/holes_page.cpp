// Sockets, slots and side pieces: tabs of the fittings step.
#include "app/kit/form.h"
#include "app/kit/record_columns.h"
#include "app/pages/fittings/fitting_tabs.h"
#include "core/design/describe.h"
#include "core/design/records.h"
#include "core/plan/hook_set.h"
#include "core/shape/edit_body.h"
#include "core/shape/start_shape.h"
#include "session/field_words.h"
#include "session/words.h"

namespace wl {

namespace {

// The kinds of hole, in the maker's words.
QStringList kinds(const Workbench& bench) {
    for (const Field& field : itemFields(bench.design(), "/features")) {
        if (field.path == "/features/0/kind") {
            return fieldAnswers(field);
        }
    }
    return {};
}

// A new hole where such holes usually are, sized to the body.
Feature usualFeature(const Design& design, FeatureKind kind, const QString& name) {
    Feature f;
    f.kind = kind;
    f.name = name.toStdString();
    const double length =
        design.body.stations.empty() ? 0.1 : design.body.stations.back().position_m;
    auto half = [](double m) { return std::round(m * 2000) / 2000; };
    switch (kind) {
        case FeatureKind::EyeSocket:
            f.x_m = half(0.14 * length);
            f.z_m = half(0.04 * length);
            f.depth_m = 0.0015;
            f.mirrored = true;
            break;
        case FeatureKind::Slot:
            f.from = FeatureFrom::Tail;
            f.length_m = half(0.12 * length);
            f.width_m = 0.0012;
            f.depth_m = half(0.1 * length);
            f.fill = FeatureFill::Glue;
            break;
        case FeatureKind::SawGroove:
            f.from = FeatureFrom::Belly;
            f.x_m = half(0.45 * length);
            f.length_m = half(0.5 * length);
            f.width_m = 0.0012;
            f.depth_m = half(0.06 * length);
            f.fill = FeatureFill::Glue;
            break;
        case FeatureKind::PilotHole:
            f.from = FeatureFrom::Belly;
            f.x_m = half(0.4 * length);
            f.diameter_m = 0.0012;
            f.depth_m = 0.008;
            f.fill = FeatureFill::Glue;
            break;
        case FeatureKind::Pocket:
            f.from = FeatureFrom::Back;
            f.x_m = half(0.4 * length);
            f.length_m = half(0.08 * length);
            f.width_m = 0.004;
            f.depth_m = 0.004;
            break;
    }
    return f;
}

// Where one clicked on the picture: a socket or pocket stays in its flank, the rest starts from the
// skin nearest to the place.
void placeAtMark(Workbench& bench, const Design& design, Feature& f) {
    const std::optional<Eigen::Vector3d> mark = bench.takeMark();
    const Result<BodyCurves> curves = BodyCurves::build(design.body, "");
    if (!mark || !curves) {
        return;
    }
    const auto half = [](double m) { return std::round(m * 2000) / 2000; };
    f.x_m = half(std::clamp(mark->x(), 0.0, curves->length_m()));
    f.z_m = half(mark->z());
    if (f.from != FeatureFrom::Side) {
        f.from = skinPlaceNear(*curves, mark->x(), mark->z()).from;
    }
}

}  // namespace

QWidget* makeFeatureTable(Workbench& bench) {
    std::vector<RecordColumn> columns =
        fieldColumns({"name", "kind", "x", "from", "y", "z", "diameter", "length", "width", "depth",
                      "lean", "mirrored", "fill", "fill_density"},
                     3);
    columns.push_back(
        derivedColumn(tr("Takes out"), Quantity::Volume, [&bench](const Results& r, int row) {
            double all = 0;
            for (const CutVolume& cut : r.derived->mass->features[size_t(row)].cuts) {
                all += cut.removed_m3;
            }
            return bench.text(Quantity::Volume, all, false);
        }));
    columns.push_back(bitColumn(bench, [](const Design& d, int r) {
        const Feature& f = d.features[size_t(r)];
        const bool round = f.kind == FeatureKind::EyeSocket || f.kind == FeatureKind::PilotHole;
        return round ? std::optional(f.diameter_m) : std::nullopt;
    }));
    std::vector<RecordTable::Action> actions;
    const QStringList kindNames = kinds(bench);
    actions.reserve(size_t(kindNames.size()) + 1);
    for (int i = 0; i < kindNames.size(); ++i) {
        actions.push_back({QStringLiteral("addFeature/%1").arg(i), tr("+ %1").arg(kindNames[i]),
                           [&bench, i, name = kindNames[i]](int) {
                               Design next = bench.design();
                               next.features.push_back(usualFeature(next, FeatureKind(i), name));
                               placeAtMark(bench, next, next.features.back());
                               bench.document.endGesture();
                               bench.document.submit(std::move(next), tr("Add a hole"));
                           },
                           false});
    }
    actions.push_back(removeAction(bench, "removeFeature", tr("Remove a hole"), "/features"));
    auto* table =
        new RecordTable(bench, "features", "/features", std::move(columns), std::move(actions));
    table->addTool(new ShelfPicker(
        bench, "holeFiller", tr("Filler from the shelf…"),
        [&bench] {
            QStringList names;
            for (const ShelfMaterial& m : bench.shelf.shelf().filler) {
                names << QString::fromStdString(m.name);
            }
            return names;
        },
        [&bench, table](int index) {
            const int row = table->currentRow();
            if (row < 0 || row >= int(bench.design().features.size())) {
                bench.say(QStringLiteral("▲ ") + tr("Choose the hole it closes first."));
                return;
            }
            Design next = bench.design();
            Feature& f = next.features[size_t(row)];
            f.fill = FeatureFill::Glue;
            f.fillDensity_kg_m3 = bench.shelf.shelf().filler[size_t(index)].density_kg_m3;
            bench.document.endGesture();
            bench.document.submit(std::move(next), tr("Fill a hole"));
        }));
    table->setEmpty(
        tr("Whatever is cut, sawn or drilled and is no bore for lead: measure where it starts "
           "from the nose, how wide and how deep."),
        {{MeasureStroke::Kind::Hole, {0.45, 0.02}, {0.49, 0.3}, {}},
         {MeasureStroke::Kind::Measure, {0.0, -0.12}, {0.47, -0.12}, tr("place from the nose")},
         {MeasureStroke::Kind::Measure, {0.53, 0.02}, {0.53, 0.3}, tr("deep")},
         {MeasureStroke::Kind::Measure, {0.45, 1.05}, {0.49, 1.05}, tr("wide")}});
    return table;
}

namespace {

// One end of a meeting as a maker reads it: "pin hole (hole)", "lip".
QString endWords(const MeetingEnd& end) {
    Field kind;
    for (const Choice& one : kRecordLists) {
        kind.answers.push_back(one.words);
    }
    const QString of = fieldAnswers(kind).value(int(end.of));
    return end.name.empty() ? of : tr("%1 (%2)").arg(QString::fromStdString(end.name), of);
}

RecordColumn endColumn(const QString& title, const QString& name, MeetingEnd Meeting::*end) {
    RecordColumn column = ownColumn(
        name, [end](const Design& d, int r) { return endWords(d.meetings[size_t(r)].*end); },
        [end](Design& d, int r, const QString& t) {
            for (const RecordRef& record : recordsThatMeet(d)) {
                if (endWords(endAt(d, record)) == t) {
                    d.meetings[size_t(r)].*end = endAt(d, record);
                    return;
                }
            }
        },
        [](const Design& d) {
            QStringList all;
            for (const RecordRef& record : recordsThatMeet(d)) {
                all << endWords(endAt(d, record));
            }
            all.removeDuplicates();
            return all;
        });
    column.title = title;
    return column;
}

}  // namespace

QWidget* makeMeetingTable(Workbench& bench) {
    auto* table = new RecordTable(
        bench, "meetings", "/meetings",
        {fact(endColumn(tr("This"), "first", &Meeting::first)), fact(fieldColumn("kind")),
         fact(endColumn(tr("That"), "second", &Meeting::second))},
        {{"addMeeting", tr("+ two that are meant to meet"),
          [&bench](int) {
              Design next = bench.design();
              next.meetings.emplace_back();
              bench.document.endGesture();
              bench.document.submit(std::move(next), tr("Note a meeting"));
          },
          false},
         removeAction(bench, "removeMeeting", tr("Take the note out"), "/meetings")});
    table->setEmptyWords(
        tr("Two things that stand in each other on purpose, a stem in its lead, say: noted here "
           "they are no longer called a clash."));
    return table;
}

namespace {

enum class SidePiece { Claws, V, Fins, TailFin };

// Where such pieces usually hang, sized to the body.
void addSidePiece(Workbench& bench, SidePiece kind) {
    Design next = bench.design();
    const double length = next.body.stations.empty() ? 0.1 : next.body.stations.back().position_m;
    const auto onMillimetres = [](double m) { return std::round(m * 1000) / 1000; };
    const bool flat = kind == SidePiece::Fins, upright = kind == SidePiece::TailFin;
    Appendage a;
    a.name = (kind == SidePiece::Fins      ? tr("fin")
              : kind == SidePiece::TailFin ? tr("tail fin")
                                           : tr("claw"))
                 .toStdString();
    a.body = startBody(StartKind::Crawler, onMillimetres(0.25 * length));
    for (Station& s : a.body.stations) {
        s.halfWidth_m *= upright ? 0.15 : flat ? 1.1 : 0.7;
        for (double Station::*z : {&Station::back_m, &Station::belly_m, &Station::widest_m}) {
            s.*z *= upright ? 1.2 : flat ? 0.25 : 0.7;
        }
    }
    a.hingeX_m = onMillimetres((flat ? 0.4 : 0.12) * length);
    const OverallSize arm = overallSize(a.body);
    if (const auto curves = BodyCurves::build(next.body, "")) {
        const Section s = curves->atX(a.hingeX_m);
        a.hingeY_m = s.halfWidth_m + 0.001;
        a.hingeZ_m = s.widest_m;
        if (kind == SidePiece::V) {  // on a rivet under the belly
            a.joined = true;
            a.hingeY_m = 0.25 * arm.width_m;
            double lowest = s.belly_m;  // of the belly the arms lie under
            for (int k = 1; k <= 8; ++k) {
                lowest = std::min(lowest, curves->atX(a.hingeX_m + arm.length_m * k / 8).belly_m);
            }
            a.hingeZ_m = lowest - 0.5 * arm.height_m - 0.001;
        }
        if (upright) {
            const Section tail = curves->atX(0.98 * length);
            a.mirrored = false;
            a.splay_rad = 0;
            a.hingeX_m = length + 0.001;
            a.hingeY_m = 0;
            a.hingeZ_m = 0.5 * (tail.back_m + tail.belly_m);
        }
    }
    next.appendages.push_back(a);
    bench.document.endGesture();
    bench.document.submit(std::move(next), tr("Add a side piece"));
}

}  // namespace

QWidget* makeAppendageTable(Workbench& bench) {
    std::vector<RecordColumn> columns =
        fieldColumns({"name", "mirrored", "joined", "hinge_x", "hinge_y", "hinge_z", "splay",
                      "droop", "swing", "hardware_mass", "own_stock", "stock/shelf_density"},
                     3);
    columns.push_back(
        fact(derivedColumn(tr("Each weighs"), Quantity::Mass, [&bench](const Results& r, int row) {
            const std::string path = "/appendages/" + std::to_string(row);
            for (const PieceBalance& p : r.derived->mass->pieces) {
                if (p.path == path) {
                    return bench.text(Quantity::Mass, p.mass_kg, false);
                }
            }
            return QStringLiteral("–");
        })));
    const auto action = [&bench](const char* name, const QString& label, SidePiece kind) {
        return RecordTable::Action{name, label, [&bench, kind](int) { addSidePiece(bench, kind); },
                                   false};
    };
    auto* table = new RecordTable(
        bench, "appendages", "/appendages", std::move(columns),
        {action("addClaws", tr("+ two claws"), SidePiece::Claws),
         action("addV", tr("+ V on a rivet"), SidePiece::V),
         action("addFins", tr("+ paired fins"), SidePiece::Fins),
         action("addTailFin", tr("+ tail fin"), SidePiece::TailFin),
         removeAction(bench, "removeAppendage", tr("Remove a side piece"), "/appendages")});
    table->setEmpty(
        tr("Claws, fins and tails that are pieces of their own hang here. Measure where the hinge "
           "stands, how long the piece is and how far it swings."),
        {{MeasureStroke::Kind::Line, {0.97, 0.5}, {1.12, 0.75}, {}},
         {MeasureStroke::Kind::Line, {1.12, 0.75}, {1.12, 0.25}, {}},
         {MeasureStroke::Kind::Line, {1.12, 0.25}, {0.97, 0.5}, {}},
         {MeasureStroke::Kind::Measure, {0.0, -0.12}, {0.97, -0.12}, tr("hinge")},
         {MeasureStroke::Kind::Measure, {0.97, 1.05}, {1.12, 1.05}, tr("long")}});
    return table;
}

}  // namespace wl
