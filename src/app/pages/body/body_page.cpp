#include <cmath>

#include "app/kit/form.h"
#include "app/kit/plot.h"
#include "app/kit/record_columns.h"
#include "app/kit/sheet_tabs.h"
#include "app/pages/body/shape_tools.h"
#include "app/pages/pages.h"
#include "core/shape/edit_body.h"
#include "core/shape/section_family.h"
#include "session/words.h"

namespace wl {

namespace {

std::vector<Station>& stationsOf(Design& d) {
    return d.body.stations;
}

// A station half-way to the next (or to the one before, at the tail), on the present skin.
void insertStation(Workbench& bench, int row) {
    Design next = bench.design();
    std::vector<Station>& s = stationsOf(next);
    if (s.size() < 2) {
        return;
    }
    const size_t at = std::clamp<size_t>(size_t(std::max(row, 0)) + 1, 1, s.size() - 1);
    Station fresh = s[at - 1];
    fresh.position_m = 0.5 * (s[at - 1].position_m + s[at].position_m);
    const Result<BodyCurves> curves = BodyCurves::build(next.body, "");
    if (curves) {
        const Section skin = curves->atX(fresh.position_m);
        fresh.back_m = skin.back_m;
        fresh.belly_m = skin.belly_m;
        fresh.halfWidth_m = skin.halfWidth_m;
        fresh.widest_m = skin.widest_m;
        fresh.fullnessAbove = skin.fullnessAbove;
        fresh.fullnessBelow = skin.fullnessBelow;
    }
    s.insert(s.begin() + std::ptrdiff_t(at), fresh);
    bench.document.endGesture();
    bench.document.submit(std::move(next), tr("Insert a station"));
}

void removeStation(Workbench& bench, int row) {
    Design next = bench.design();
    std::vector<Station>& s = stationsOf(next);
    if (s.size() <= 4) {
        bench.say(tr("A body needs at least four stations."));
        return;
    }
    if (row <= 0 || row >= int(s.size()) - 1) {
        bench.say(tr("The first and last stations are the tips of the bait; they stay."));
        return;
    }
    s.erase(s.begin() + row);
    bench.document.endGesture();
    bench.document.submit(std::move(next), tr("Remove a station"));
}

QWidget* areaPlot(Workbench& bench) {
    auto* plot = new QCustomPlot;
    plot->setAccessibleName(tr("Area of the section along the bait"));
    plot->setMinimumSize(150, 150);
    plot->addGraph();
    auto refresh = [&bench, plot] {
        const ResultsPtr r = bench.results();
        const bool metric = bench.bench().isMetric();
        dressPlot(*plot, metric ? tr("from the nose, mm") : tr("from the nose, in"),
                  metric ? tr("section area, cm²") : tr("section area, in²"));
        plot->graph(0)->setPen(QPen(inks().ink, 1.6));
        plot->graph(0)->setBrush(inks().waterFill);
        QVector<double> x, y;
        if (r && r->derived) {
            for (int i = 0; i <= 80; ++i) {
                const Section s = r->derived->shape->curves.at(i / 80.0);
                x << s.x_m / (metric ? kMillimetre : kInch);
                y << sectionArea(s) / (metric ? 1e-4 : kInch * kInch);
            }
        }
        plot->graph(0)->setData(x, y, true);
        plot->rescaleAxes();
        plot->yAxis->setRangeLower(0);
        plot->yAxis->setRangeUpper(plot->yAxis->range().upper * 1.1);
        plot->replot(QCustomPlot::rpQueuedReplot);
    };
    new KeptPlot(bench, plot, refresh);
    return plot;
}

}  // namespace

namespace {

const QStringList& familyNames() {
    static const QStringList names{tr("round"),      tr("oval"),       tr("wedge"),
                                   tr("flat belly"), tr("slab-sided"), tr("own")};
    return names;
}

// Overall sizes with their locks; each field scales the body that way alone.
Form* sizeForm(Workbench& bench) {
    auto* form = new Form(bench, tr("Overall"));
    struct Way {
        QString label;
        const char* name;
        double OverallSize::*size;
        bool SizeLocks::*locked;
        const char* lock;
    };
    for (const Way& way : {Way{tr("Length"), "bodyLength", &OverallSize::length_m,
                               &SizeLocks::length, "/body/locks/length"},
                           Way{tr("Width"), "bodyWidth", &OverallSize::width_m, &SizeLocks::width,
                               "/body/locks/width"},
                           Way{tr("Height"), "bodyHeight", &OverallSize::height_m,
                               &SizeLocks::height, "/body/locks/height"}}) {
        auto size = way.size;
        auto lock = way.locked;
        form->quantity(way.label, way.name,
                       {Quantity::Length, 0.002, 0.6,
                        [size](const Design& d) { return overallSize(d.body).*size; },
                        [size](Design& d, double v) {
                            OverallSize s = overallSize(d.body);
                            s.*size = v;
                            d.body = resized(d.body, s.length_m, s.width_m, s.height_m);
                        }});
        form->enableLastWhen([lock](const Design& d) { return !(d.body.locks.*lock); });
        form->field(way.lock);
    }
    return form;
}

Form* shapeForm(Workbench& bench) {
    auto* form = new Form(bench, tr("Run of the body"));
    form->quantity(tr("Widest at"), "bodyWidestAt",
                   {Quantity::Length, 0.001, 0.6,
                    [](const Design& d) { return overallSize(d.body).widestAt_m; },
                    [](Design& d, double v) { d.body = withWidestAt(d.body, v); }});
    form->quantity(
        tr("Taper at ¾"), "bodyTaper",
        {Quantity::Fraction, 0.05, 1.2, [](const Design& d) { return overallSize(d.body).taper; },
         [](Design& d, double v) { d.body = withTaper(d.body, v); }});
    form->note(tr("Fullness of a section: 1 straight flanks, 2 round, 4 and more slab-sided."));
    form->note(
        tr("Width left three quarters back, of the greatest. More taper gives more wobble, "
           "up to a point."));
    form->tick(
        tr("float on the imported solid"), "/body/use_solid",
        [](const Design& d) { return d.body.useSolid && d.body.solid; },
        [&bench](Design& d, bool on) {
            d.body.useSolid = on && d.body.solid;
            if (on && !d.body.solid) {
                bench.say(tr("There is no imported solid: bring one in by the Shape menu."));
            }
        });
    return form;
}

Form* faceForm(Workbench& bench, bool nose) {
    auto* form = new Form(bench, nose ? tr("Nose face") : tr("Tail face"));
    auto face = [nose](Design& d) -> EndFace& { return nose ? d.body.noseFace : d.body.tailFace; };
    auto present = [face](const Design& d) { return face(const_cast<Design&>(d)).present; };
    const QString path =
        nose ? QStringLiteral("/body/nose_face/") : QStringLiteral("/body/tail_face/");
    form->tick(nose ? tr("cut across the nose") : tr("cut across the tail"), path + "present",
               present, [face, nose](Design& d, bool on) {
                   face(d).present = on;
                   const double length = overallSize(d.body).length_m;
                   EndFace& f = face(d);
                   // A face never looked at yet starts near its own end.
                   if (on && !nose && f.x_m < 0.5 * length) {
                       f.x_m = std::round(0.97 * length * 1e4) / 1e4;
                       f.angle_rad = 90 * kDegree;
                   }
               });
    for (const char* name : {"x", "angle", "cup_depth", "cup_reach"}) {
        form->field(path + name);
    }
    if (nose) {
        form->note(
            tr("Measured on the axis and from it. Under 90° it looks up and forward and "
               "dives, as a lip would."));
    }
    return form;
}

}  // namespace

QWidget* makeBodyPage(Workbench& bench) {
    std::vector<RecordColumn> columns =
        fieldColumns({"position", "back", "belly", "half_width", "widest"}, 4);
    columns.push_back(ownColumn(
        "section",
        [](const Design& d, int r) {
            return familyNames()[int(familyOf(d.body.stations[size_t(r)]))];
        },
        [](Design& d, int r, const QString& t) {
            Station& s = d.body.stations[size_t(r)];
            s = withFamily(s, SectionFamily(std::max(0, int(familyNames().indexOf(t)))));
        },
        [](const Design&) { return familyNames(); }));
    columns.back().title = tr("Section");
    columns.push_back(fieldColumn("fullness_above"));
    columns.push_back(fieldColumn("fullness_below"));
    auto* table = new RecordTable(
        bench, "stations", "/body/stations", std::move(columns),
        {{"insertStation", tr("Insert a station"),
          [&bench](int row) { insertStation(bench, row); }},
         {"removeStation", tr("Remove"), [&bench](int row) { removeStation(bench, row); }}});
    table->addTool(makeShapeMenu(bench));

    auto* ends = new Form(bench, tr("The body"));
    ends->fields({"/body/nose", "/body/tail"});
    ends->readout(tr("Volume"), [&bench](const Results& r) {
        return bench.text(Quantity::Volume, r.derived->shape->solid.volume_m3);
    });
    ends->readout(tr("Long, wide, high"), [&bench](const Results& r) {
        const BodySizes& s = r.derived->shape->sizes;
        return QStringLiteral("%1 × %2 × %3")
            .arg(bench.text(Quantity::Length, s.length_m, false),
                 bench.text(Quantity::Length, s.maxWidth_m, false),
                 bench.text(Quantity::Length, s.maxHeight_m));
    });
    ends->readout(tr("Widest point"), [&bench](const Results& r) {
        const BodySizes& s = r.derived->shape->sizes;
        return tr("%1 (%2 back)")
            .arg(bench.text(Quantity::Length, s.widestAt_m),
                 bench.text(Quantity::Fraction, s.widestAt_m / s.length_m));
    });
    ends->readout(tr("Surface"), [&bench](const Results& r) {
        return bench.text(Quantity::Area, r.derived->shape->skin.area_m2);
    });
    auto* tabs = new SheetTabs(QStringLiteral("bodyTabs"));
    tabs->addTab(table, tr("Stations"));
    tabs->addTab(formColumn({ends, areaPlot(bench)}), tr("Measures"));
    tabs->addTab(formColumn({sizeForm(bench), shapeForm(bench)}), tr("Size"));
    tabs->addTab(formColumn({faceForm(bench, true), faceForm(bench, false)}), tr("Faces"));
    return tabs;
}

}  // namespace wl
