#include <QCoreApplication>
#include <QVBoxLayout>

#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/record_columns.h"
#include "app/kit/sheet_tabs.h"
#include "app/kit/theme.h"
#include "app/pages/pages.h"
#include "core/joint/joint_layout.h"
#include "core/plan/new_bait.h"
#include "session/words.h"

namespace wl {

namespace {

// Cuts the longest piece in two, with a joint scaled to the body there.
void addJoint(Workbench& bench) {
    Design next = bench.design();
    if (next.pieces.size() >= 5) {
        bench.say(tr("A chain of five pieces is the most that is reckoned."));
        return;
    }
    const Result<BodyCurves> curves = BodyCurves::build(next.body, "");
    if (!curves) {
        bench.say(QStringLiteral("▲ ") + sentence(curves.error(), bench.bench()));
        return;
    }
    std::vector<double> ends{0.0};
    for (const Joint& j : next.joints) {
        ends.push_back(j.x_m);
    }
    ends.push_back(curves->length_m());
    size_t longest = 0;
    for (size_t i = 1; i + 1 < ends.size(); ++i) {
        if (ends[i + 1] - ends[i] > ends[longest + 1] - ends[longest]) {
            longest = i;
        }
    }
    // Half-way for a first joint, in the middle of the longest piece after that.
    std::optional<Design> cut =
        withJointAt(next, std::round(500 * (ends[longest] + ends[longest + 1])) / 1000);
    if (!cut) {
        return;
    }
    next = std::move(*cut);
    bench.document.endGesture();
    bench.document.submit(std::move(next), tr("Cut a joint"));
}

void removeJoint(Workbench& bench, int row) {
    Design next = bench.design();
    next.joints.erase(next.joints.begin() + row);
    next.pieces.erase(next.pieces.begin() + row + 1);
    bench.document.endGesture();
    bench.document.submit(std::move(next), tr("Join two pieces"));
}

QString stopWord(const JointOpening& o) {
    switch (o.stop) {
        case JointStop::RearEdgeOnFrontFace:
            return tr("rear edge");
        case JointStop::FrontEdgeOnRearFace:
            return tr("front edge");
        case JointStop::FrontFoldOnRearFace:
            return tr("front fold");
        case JointStop::RearFoldOnFrontFace:
            return tr("rear fold");
        case JointStop::Pocket:
            return tr("pocket");
        case JointStop::Hardware:
            return tr("metal");
        case JointStop::None:
            return tr("nothing");
    }
    return {};
}

// Wanted opening typed once, turned into bevel or gap for the chosen joint.
class WantedOpening : public QWidget {
    Q_DECLARE_TR_FUNCTIONS(wl::WantedOpening)
  public:
    WantedOpening(Workbench& bench, RecordTable* table) : bench_(bench), table_(table) {
        auto* form = new FlowLayout(this);
        form->setContentsMargins(12, 0, 10, 0);
        line_ = new QLineEdit;
        line_->setObjectName("wantedOpening");
        line_->setAccessibleName(tr("Wanted opening each way, degrees"));
        line_->setMaximumWidth(64);
        line_->setPlaceholderText(QStringLiteral("25"));
        form->addWidget(plainLabel(tr("Wanted opening each way")));
        form->addWidget(line_);
        form->addWidget(plainLabel(QStringLiteral("°")));
        for (const bool bevel : {true, false}) {
            auto* button = new QPushButton(bevel ? tr("Bevel for it") : tr("Gap for it"));
            button->setObjectName(bevel ? "bevelForOpening" : "gapForOpening");
            form->addWidget(button);
            QObject::connect(button, &QPushButton::clicked, this, [this, bevel] { apply(bevel); });
        }
    }

  private:
    void apply(bool bevel) {
        const int row = std::max(0, table_->currentRow());
        const ResultsPtr r = bench_.results();
        const ReadAmount read =
            readAmount(line_->text().toStdString(), Quantity::Angle, bench_.bench());
        if (read.fault != ReadFault::None || read.valueSi <= 0 || read.valueSi > kPi) {
            bench_.say(QStringLiteral("▲ ") + tr("Give the wanted opening in degrees, e.g. 25."));
            line_->setFocus();
            return;
        }
        if (!r || !r->derived || size_t(row) >= r->derived->shape->joints.size()) {
            bench_.say(QStringLiteral("▲ ") + tr("There is no joint to change yet. Cut one."));
            return;
        }
        const JointPlan& plan = r->derived->shape->joints[size_t(row)].plan;
        const auto found =
            bevel ? bevelForOpening(plan, read.valueSi) : gapForOpening(plan, read.valueSi);
        if (!found) {
            bench_.say(QStringLiteral("▲ ") +
                       (bevel ? tr("No bevel gives that: the gap alone may already open further, "
                                   "or it would take over 60°.")
                              : tr("No gap gives that with these bevels.")));
            return;
        }
        ProposedEdit edit{"edit.even_bevels", {}, {}};
        const std::string path = "/joints/" + std::to_string(row);
        if (bevel) {
            edit.changes = {{path + "/bevel_front", *found}, {path + "/bevel_rear", *found}};
        } else {
            edit.changes = {{path + "/gap", *found}};
        }
        if (const auto error = bench_.document.applyEdit(
                edit, bevel ? tr("Bevel for an opening") : tr("Gap for an opening"))) {
            bench_.say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
        }
    }

    Workbench& bench_;
    RecordTable* table_;
    QLineEdit* line_;
};

RecordTable* jointTable(Workbench& bench) {
    std::vector<RecordColumn> c =
        fieldColumns({"name", "x", "gap", "bevel_front", "bevel_rear"}, 3);
    c.push_back(
        fact(derivedColumn(tr("Opens ±"), Quantity::Angle, [&bench](const Results& r, int row) {
            const JointCut& cut = r.derived->shape->joints[size_t(row)];
            return cut.opening.stop == JointStop::None
                       ? tr("free")
                       : bench.text(Quantity::Angle, cut.opening.opening_rad, false);
        })));
    c.push_back(derivedColumn(tr("Play ±"), Quantity::Angle, [&bench](const Results& r, int row) {
        const double width = r.derived->shape->joints[size_t(row)].plan.halfWidthFront_m;
        const double play = r.design->joints[size_t(row)].play_m;
        return bench.text(Quantity::Angle, width > 0 ? play / width : 0.0, false);
    }));
    c.push_back(derivedColumn(tr("Stopped by"), Quantity::Number, [](const Results& r, int row) {
        return stopWord(r.derived->shape->joints[size_t(row)].opening);
    }));
    for (RecordColumn& column :
         fieldColumns({"kind", "pin_aft", "pin_length", "pin_diameter", "pocket", "pocket_width",
                       "pocket_height", "pocket_depth", "shank_width", "hardware_stop", "play",
                       "weighed_mass", "typical_mass"})) {
        c.push_back(std::move(column));
    }
    auto* table = new RecordTable(
        bench, "joints", "/joints", std::move(c),
        {{"addJoint", tr("Cut a joint"), [&bench](int) { addJoint(bench); }, false},
         {"removeJoint", tr("Join again"), [&bench](int row) { removeJoint(bench, row); }}});
    table->addTool(new ShelfPicker(
        bench, "pinFromShelf", tr("Pin from the shelf…"),
        [&bench] {
            QStringList names;
            for (const ShelfEntry& e : bench.shelf.shelf().pins) {
                names << QString::fromStdString(e.name);
            }
            return names;
        },
        [&bench, table](int index) {
            const int row = table->currentRow();
            if (row < 0 || row >= int(bench.design().joints.size())) {
                bench.say(QStringLiteral("▲ ") + tr("Choose the joint the pin is for first."));
                return;
            }
            const ShelfEntry& e = bench.shelf.shelf().pins[size_t(index)];
            Design next = bench.design();
            Joint& joint = next.joints[size_t(row)];
            joint.pinDiameter_m = e.diameter_m.value_or(joint.pinDiameter_m);
            joint.hardwareDensity_kg_m3 = e.density_kg_m3.value_or(joint.hardwareDensity_kg_m3);
            if (e.mass_kg && e.length_m) {
                joint.typicalMass_kg = *e.mass_kg * joint.pinLength_m / *e.length_m;
            }
            bench.document.endGesture();
            bench.document.submit(std::move(next), tr("Pin from the shelf"));
        }));
    table->setEmpty(
        tr("One piece. Cut a joint and the bait is parted there; measure the gap, the bevels of "
           "the faces and the pin."),
        {{MeasureStroke::Kind::Line, {0.55, -0.05}, {0.55, 1.05}, {}},
         {MeasureStroke::Kind::Line, {0.57, -0.05}, {0.57, 1.05}, {}},
         {MeasureStroke::Kind::Measure, {0.0, -0.12}, {0.55, -0.12}, tr("cut here")},
         {MeasureStroke::Kind::Measure, {0.55, 1.08}, {0.57, 1.08}, tr("gap")}});
    return table;
}

RecordTable* pieceTable(Workbench& bench) {
    std::vector<RecordColumn> c = fieldColumns({"name", "own_stock", "stock/shelf_density"}, 1);
    c.back().applies = [](const Design& d, int r) { return r > 0 && d.pieces[size_t(r)].ownStock; };
    auto of = [](const Results& r, int row) -> const PieceBalance& {
        return r.derived->mass->pieces[size_t(row)];
    };
    c.push_back(
        fact(derivedColumn(tr("Mass"), Quantity::Mass, [&bench, of](const Results& r, int row) {
            return bench.text(Quantity::Mass, of(r, row).mass_kg, false);
        })));
    c.push_back(
        derivedColumn(tr("Displaces"), Quantity::Volume, [&bench, of](const Results& r, int row) {
            return bench.text(Quantity::Volume, of(r, row).displacedVolume_m3, false);
        }));
    c.push_back(
        derivedColumn(tr("Weight aft"), Quantity::Length, [&bench, of](const Results& r, int row) {
            return bench.text(Quantity::Length, of(r, row).centreOfGravity_m.x(), false);
        }));
    c.push_back(
        derivedColumn(tr("Lift aft"), Quantity::Length, [&bench, of](const Results& r, int row) {
            return bench.text(Quantity::Length, of(r, row).centreOfBuoyancy_m.x(), false);
        }));
    c.push_back(
        fact(derivedColumn(tr("Alone"), Quantity::Number, [&bench](const Results& r, int row) {
            if (r.derived->rest->alone.empty()) {
                return tr("the whole bait");
            }
            const PieceAlone& a = r.derived->rest->alone[size_t(row)];
            const QString way = a.decided
                                    ? tr("nose %1").arg(bench.text(Quantity::Angle, a.pitch_rad))
                                    : tr("any attitude");
            return (a.net_kg >= 0 ? tr("floats, %1 spare, %2") : tr("sinks, %1 heavy, %2"))
                .arg(bench.text(Quantity::Mass, std::abs(a.net_kg)), way);
        })));
    return new RecordTable(bench, "pieces", "/pieces", std::move(c), {});
}

}  // namespace

QWidget* makeJointsPage(Workbench& bench) {
    auto* page = new QWidget;
    page->setObjectName("sheetPage");
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(0, 0, 0, 6);
    layout->setSpacing(4);
    auto* tabs = new SheetTabs(QStringLiteral("jointTabs"));
    RecordTable* joints = jointTable(bench);
    tabs->addTab(joints, tr("Joints"));
    tabs->addTab(pieceTable(bench), tr("Pieces"));
    layout->addWidget(tabs, 1);
    layout->addWidget(new WantedOpening(bench, joints));
    auto* note = plainLabel(tr(
        "More opening, tighter and quicker; less, wider. Faces even, pin snug, no wood on metal, "
        "the pocket sealed before paint. Wire ends fly: cover your eyes."));
    note->setProperty("role", "quiet");
    note->setFont(type(Type::Small));
    note->setContentsMargins(12, 0, 10, 0);
    note->setWordWrap(true);
    layout->addWidget(note);
    return page;
}

}  // namespace wl
