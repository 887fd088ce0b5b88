#include <QPainter>
#include <QVBoxLayout>

#include "app/kit/form.h"
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
  public:
    explicit LipDrawing(Workbench& bench) : bench_(bench) {
        setMinimumSize(110, 120);
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
    auto isLip = [](const Design& d) { return d.lip.present; };
    auto* sheet = new Form(bench, tr("Lip"));
    sheet->choice(
        tr("Lip"), "lipPresent", {tr("none"), tr("a lip")},
        [](const Design& d) { return int(d.lip.present); },
        [](Design& d, int i) { d.lip.present = i == 1; });
    sheet->choice(
        tr("Outline"), "lipFamily",
        {tr("rounded tip"), tr("cut corners"), tr("oval"), tr("waisted"), tr("disc")},
        [](const Design& d) { return int(d.lip.family); },
        [](Design& d, int i) { d.lip.family = LipFamily(i); });
    sheet->enableLastWhen(isLip);
    auto cutLips = [&bench] {
        QStringList list{tr("choose…")};
        for (const auto& row : bench.shelf.shelf().lips) {
            list << QStringLiteral("%1 %2 × %3")
                        .arg(QString::fromStdString(row.item.material),
                             bench.text(Quantity::Length, row.item.length_m, false),
                             bench.text(Quantity::Length, row.item.width_m));
        }
        return list;
    };
    auto* lips = sheet->choice(
        tr("From the shelf"), "lipFromShelf", cutLips(), [](const Design&) { return 0; },
        [&bench](Design& d, int i) {
            if (i > 0) {
                const Lip& cut = bench.shelf.shelf().lips[size_t(i - 1)].item;
                d.lip.present = true;
                d.lip.material = cut.material;
                d.lip.density_kg_m3 = cut.density_kg_m3;
                d.lip.thickness_m = cut.thickness_m;
                d.lip.length_m = cut.length_m;
                d.lip.width_m = cut.width_m;
            }
        });
    followShelf(bench, lips, cutLips);
    auto names = [&bench] {
        QStringList list;
        for (const ShelfMaterial& m : bench.shelf.shelf().lipSheet) {
            list << QString::fromStdString(m.name);
        }
        return list;
    };
    auto* sheets = sheet->choice(
        tr("Sheet"), "lipSheet", names(),
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
    sheet->enableLastWhen(isLip);
    followShelf(bench, sheets, names);
    for (const auto& [label, path] : std::initializer_list<std::pair<QString, const char*>>{
             {tr("Thickness"), "/lip/thickness"},
             {tr("Length outside"), "/lip/length"},
             {tr("Width at skin"), "/lip/root_width"},
             {tr("Full width"), "/lip/width"},
             {tr("Tip or corners"), "/lip/tip_round"}}) {
        sheet->quantity(label, path);
        // A disc is as wide at the skin as it comes out; ellipses have no tip of their own.
        const bool root = path == std::string_view("/lip/root_width");
        const bool tip = path == std::string_view("/lip/tip_round");
        sheet->enableLastWhen([root, tip](const Design& d) {
            const bool disc = d.lip.family == LipFamily::Disc;
            return d.lip.present && !(root && disc) &&
                   !(tip && (disc || d.lip.family == LipFamily::Oval));
        });
    }

    auto* shaped = new Form(bench, tr("Bend, notch, hole"));
    auto* slot = new Form(bench, tr("Slot"));
    for (const auto& [label, path] : std::initializer_list<std::pair<QString, const char*>>{
             {tr("Angle to axis"), "/lip/angle"},
             {tr("From the nose"), "/lip/slot_x"},
             {tr("Height"), "/lip/slot_z"},
             {tr("Slot depth"), "/lip/slot_depth"}}) {
        slot->quantity(label, path);
        slot->enableLastWhen(isLip);
    }
    struct Shaping {
        QString label, path;
        double Lip::*needs;  // where it is, once this is not 0
    };
    for (const Shaping& s : std::initializer_list<Shaping>{
             {tr("Bent by"), "/lip/bend", nullptr},
             {tr("from the skin"), "/lip/bend_at", &Lip::bend_rad},
             {tr("Notch wide"), "/lip/notch_width", nullptr},
             {tr("deep"), "/lip/notch_depth", &Lip::notchWidth_m},
             {tr("Hole"), "/lip/hole_diameter", nullptr},
             {tr("its middle at"), "/lip/hole_at", &Lip::holeDiameter_m}}) {
        shaped->quantity(s.label, s.path);
        shaped->enableLastWhen([needs = s.needs](const Design& d) {
            return d.lip.present && (needs == nullptr || d.lip.*needs != 0);
        });
    }
    slot->readout(tr("Lip weighs"), [&bench](const Results& r) {
        return bench.text(Quantity::Mass, r.derived->mass->lip.mass_kg);
    });
    slot->note(
        tr("0° lies in line with the body and runs deep; 90° stands straight down. Set it in slow "
           "epoxy so that it can be sighted straight: gloves, fresh air."));

    auto* tie = new Form(bench, tr("Tie"));
    tie->choice(
        tr("Line ties"), "tiePlace", {tr("to the body"), tr("to the lip")},
        [](const Design& d) { return int(d.tie.place); },
        [](Design& d, int i) { d.tie.place = TiePlace(i); });
    auto onLip = [](const Design& d) { return d.tie.place == TiePlace::Lip; };
    auto onBody = [](const Design& d) {
        return d.tie.place == TiePlace::Body && d.tie.eye.empty();
    };
    tie->names(
        tr("Carried by"), "tieEye", tr("no eye: a place"), eyeNames,
        [](const Design& d) { return d.tie.eye; },
        [](Design& d, const std::string& name) {
            // The place stays where the tie was when it is let go of its eye.
            const Eigen::Vector3d at = tiePoint(d);
            d.tie.x_m = at.x();
            d.tie.z_m = at.z();
            d.tie.eye = name;
        });
    tie->enableLastWhen([](const Design& d) { return d.tie.place == TiePlace::Body; });
    tie->quantity(tr("Up the lip"), "/tie/up_lip");
    tie->enableLastWhen(onLip);
    tie->quantity(tr("Stands off"), "/tie/stand_off");
    tie->enableLastWhen(onLip);
    tie->quantity(tr("Aft of nose"), "/tie/x");
    tie->enableLastWhen(onBody);
    tie->quantity(tr("Height "), "/tie/z");
    tie->enableLastWhen(onBody);
    auto* tieAndShape = new QWidget;
    auto* stacked = new QVBoxLayout(tieAndShape);
    stacked->setContentsMargins(0, 0, 0, 0);
    stacked->addWidget(tie);
    stacked->addWidget(shaped);
    stacked->addStretch();
    return formRow({sheet, slot, tieAndShape, new LipDrawing(bench)}, {3, 3, 3, 2});
}

}  // namespace wl
