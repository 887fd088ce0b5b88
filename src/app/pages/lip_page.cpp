#include <QCoreApplication>
#include <QPainter>

#include "app/kit/form.h"
#include "app/kit/sheet_tabs.h"
#include "app/kit/theme.h"
#include "app/pages/pages.h"
#include "app/views/bait_painter.h"
#include "core/placed/lip_sheet.h"
#include "io/shelf.h"
#include "session/words.h"

namespace wl {

namespace {

// The lip laid flat beside the body's width, tie marked.
class LipDrawing : public QWidget {
    Q_DECLARE_TR_FUNCTIONS(wl::LipDrawing)
  public:
    explicit LipDrawing(Workbench& bench) : bench_(bench) {
        setMinimumSize(110, 130);
        setAccessibleName(tr("The lip laid flat"));
        connect(&bench.document, &Document::designChanged, this, qOverload<>(&QWidget::update));
        connect(&bench, &Workbench::benchChanged, this, qOverload<>(&QWidget::update));
    }

  protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.setRenderHint(QPainter::Antialiasing);
        const Inks& c = inks();
        const Lip& lip = bench_.design().lip;
        p.setFont(type(Type::Small));
        if (!lip.present) {
            p.setPen(c.quiet);
            p.drawText(rect(), Qt::AlignCenter, tr("no lip"));
            return;
        }
        const ResultsPtr r = bench_.results();
        const double body = r && r->derived ? r->derived->shape->sizes.maxWidth_m : 0.0;
        const double wide = std::max({lip.width_m, lip.rootWidth_m, body});
        const double tall = lip.length_m + lip.slotDepth_m;
        const double s = std::min((width() - 20) / wide, (height() - 60) / tall);
        const QPointF root(0.5 * width(), 30 + lip.slotDepth_m * s);
        if (body > 0) {
            p.setPen(QPen(c.quiet, 1, Qt::DashLine));
            for (const double side : {-0.5, 0.5}) {
                p.drawLine(root + QPointF(side * body * s, -lip.slotDepth_m * s),
                           root + QPointF(side * body * s, lip.length_m * s));
            }
            p.setPen(c.quiet);
            p.drawText(QRectF(0, 0, width(), 18), Qt::AlignCenter, tr("dashed: body"));
        }
        paintDrawing(p, drawFlatLip(bench_.design()), root, s / 1000,
                     windowStyle(bench_.design().make.kind, c));
        if (bench_.design().tie.place == TiePlace::Lip) {
            p.setPen(c.ink);
            p.drawText(root + QPointF(8, bench_.design().tie.upLip_m * s + 4), tr("tie"));
        }
        p.setPen(c.quiet);
        p.drawText(QRectF(0, height() - 20, width(), 18), Qt::AlignCenter,
                   bench_.text(Quantity::Area, measureLip(lip).area_m2));
    }

  private:
    Workbench& bench_;
};

}  // namespace

QWidget* makeLipPage(Workbench& bench) {
    auto* sheet = new Form(bench, {});
    sheet->fields({"/lip/present", "/lip/family"});
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
    auto names = [&bench] {
        QStringList list;
        for (const ShelfMaterial& m : bench.shelf.shelf().lipSheet) {
            list << QString::fromStdString(m.name);
        }
        return list;
    };
    auto* sheets = sheet->choice(
        tr("Sheet"), "/lip/material", names(),
        [&bench](const Design& d) {
            const auto& all = bench.shelf.shelf().lipSheet;
            for (size_t i = 0; i < all.size(); ++i) {
                if (all[i].name == d.lip.material) {
                    return int(i);
                }
            }
            return -1;
        },
        [&bench](Design& d, int i) {
            d.lip.material = bench.shelf.shelf().lipSheet[size_t(i)].name;
            d.lip.density_kg_m3 = bench.shelf.shelf().lipSheet[size_t(i)].density_kg_m3;
        });
    sheet->enableLastWhen([](const Design& d) { return d.lip.present; });
    followShelf(bench, sheets, names);
    sheet->fields(
        {"/lip/thickness", "/lip/length", "/lip/root_width", "/lip/width", "/lip/tip_round"});
    auto* shaped = new Form(bench, {});
    shaped->fields({"/lip/bend", "/lip/bend_at", "/lip/notch_width", "/lip/notch_depth",
                    "/lip/hole_diameter", "/lip/hole_at"});
    auto* slot = new Form(bench, {});
    slot->fields({"/lip/angle", "/lip/slot_x", "/lip/slot_z", "/lip/slot_depth"});
    slot->readout(tr("Lip weighs"), [&bench](const Results& r) {
        return bench.text(Quantity::Mass, r.derived->mass->lip.mass_kg);
    });
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
    auto* tabs = new SheetTabs(QStringLiteral("lipTabs"));
    tabs->addTab(formColumn({sheet, new LipDrawing(bench)}), tr("Lip"));
    tabs->addTab(formColumn({slot}), tr("Slot"));
    tabs->addTab(formColumn({tie}), tr("Tie"));
    tabs->addTab(formColumn({shaped}), tr("Bend, notch, hole"));
    return tabs;
}

}  // namespace wl
