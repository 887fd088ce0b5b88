#include "app/pages/body/shape_tools.h"

#include <QFileDialog>
#include <QMenu>

#include "app/dialogs/series_dialog.h"
#include "app/dialogs/solid_dialog.h"
#include "app/dialogs/trace_dialog.h"
#include "core/geometry/body_curves.h"
#include "core/shape/edit_body.h"
#include "core/shape/start_shape.h"
#include "core/shape/trace_profile.h"
#include "session/svg_profile.h"
#include "session/words.h"

namespace wl {

namespace {

constexpr int kProfileStations = 11;

void edit(Workbench& bench, const QString& what, const std::function<Body(const Body&)>& change) {
    Design next = bench.design();
    const SizeLocks locks = next.body.locks;
    next.body = change(next.body);
    next.body.locks = locks;
    bench.document.endGesture();
    bench.document.submit(std::move(next), what);
}

}  // namespace

void importSvgProfile(Workbench& bench, const QString& path) {
    const auto outline = loadSvgOutline(path);
    if (!outline) {
        bench.say(QStringLiteral("▲ ") + sentence(outline.error(), bench.bench()));
        return;
    }
    const double length = overallSize(bench.design().body).length_m;
    const Result<TracedProfile> profile = profileOfOutline(*outline, length);
    if (!profile) {
        bench.say(QStringLiteral("▲ ") + sentence(profile.error(), bench.bench()));
        return;
    }
    const Body body = bodyFromProfile(*profile, bench.design().body, kProfileStations);
    if (const Result<BodyCurves> curves = BodyCurves::build(body, "/body"); !curves) {
        bench.say(QStringLiteral("▲ ") + sentence(curves.error(), bench.bench()));
        return;
    }
    edit(bench, tr("Profile from a drawing"), [&body](const Body&) { return body; });
    bench.say(tr("The profile was taken at the present length, %1; change it under Size, faces.")
                  .arg(bench.text(Quantity::Length, length)));
}

void openTraceDialog(Workbench& bench, QWidget* parent) {
    TraceDialog(bench, parent).exec();
}

void openSolidDialog(Workbench& bench, const QString& path, QWidget* parent) {
    SolidDialog dialog(bench, parent);
    dialog.load(path);
    dialog.exec();
}

void openSeriesDialog(Workbench& bench, QWidget* parent) {
    SeriesDialog(bench, parent).exec();
}

QToolButton* makeShapeMenu(Workbench& bench) {
    auto* button = new QToolButton;
    button->setObjectName("shapeMenu");
    button->setText(tr("Shape…"));
    button->setAccessibleName(tr("Shape: start from, mirror, smooth, trace, bring in, sizes"));
    button->setPopupMode(QToolButton::InstantPopup);
    button->setToolButtonStyle(Qt::ToolButtonTextOnly);
    auto* menu = new QMenu(button);
    button->setMenu(menu);
    auto add = [button](QMenu* to, const QString& name, const QString& text, auto run) {
        QAction* action = to->addAction(text);
        action->setObjectName(name);
        QObject::connect(action, &QAction::triggered, button, run);
    };
    QMenu* start = menu->addMenu(tr("Start from"));
    const QString kinds[] = {tr("a diver"),       tr("a lipless bait"),
                             tr("a glider"),      tr("a jointed swimmer"),
                             tr("a turned plug"), tr("a flat-bellied crawler")};
    for (const StartKind kind : kStartKinds) {
        add(start, QStringLiteral("start/%1").arg(int(kind)), kinds[int(kind)], [&bench, kind] {
            const double length = overallSize(bench.design().body).length_m;
            edit(bench, tr("Start shape"), [kind, length](const Body&) {
                return startBody(kind, length > 0.01 ? length : 0.1);
            });
        });
    }
    menu->addSeparator();
    add(menu, "mirrorBelly", tr("Belly as the back"),
        [&bench] { edit(bench, tr("Belly as the back"), mirroredBelly); });
    add(menu, "turnAbout", tr("Nose and tail about"),
        [&bench] { edit(bench, tr("Nose and tail about"), turnedAbout); });
    add(menu, "smoothBody", tr("Smooth once"),
        [&bench] { edit(bench, tr("Smooth once"), smoothed); });
    menu->addSeparator();
    add(menu, "tracePicture", tr("Trace a picture…"),
        [&bench, button] { openTraceDialog(bench, button->window()); });
    add(menu, "importSvg", tr("Profile from an SVG drawing…"), [&bench, button] {
        const QString path = QFileDialog::getOpenFileName(
            button->window(), tr("A drawing with the outline as its first path"), {},
            tr("Drawings (*.svg)"));
        if (!path.isEmpty()) {
            importSvgProfile(bench, path);
        }
    });
    add(menu, "importSolid", tr("Bring in a solid (STL, OBJ)…"), [&bench, button] {
        const QString path = QFileDialog::getOpenFileName(button->window(), tr("A solid body"), {},
                                                          tr("Solids (*.stl *.obj)"));
        if (!path.isEmpty()) {
            openSolidDialog(bench, path, button->window());
        }
    });
    menu->addSeparator();
    add(menu, "sizeSeries", tr("Sizes in series…"),
        [&bench, button] { openSeriesDialog(bench, button->window()); });
    return button;
}

}  // namespace wl
