#include <cmath>

#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/sheet_tabs.h"
#include "app/pages/pages.h"
#include "app/pages/stock/making_sheet.h"
#include "io/shelf.h"
#include "session/words.h"

namespace wl {

QWidget* makeStockPage(Workbench& bench) {
    auto stock = [](Design& d) -> Stock& { return d.pieces.front().stock; };

    auto* density = new Form(bench, tr("Density"));
    density->field("/pieces/0/stock/material");
    auto* shelf = new ShelfPicker(
        bench, "stockShelf", tr("Stock from the shelf…"),
        [&bench] {
            QStringList list;
            for (const ShelfMaterial& m : bench.shelf.shelf().stock) {
                list << QString::fromStdString(m.name);
            }
            return list;
        },
        [stock, &bench](int i) {
            const ShelfMaterial& m = bench.shelf.shelf().stock[size_t(i)];
            Design next = bench.design();
            stock(next).material = m.name;
            stock(next).shelfDensity_kg_m3 = m.density_kg_m3;
            stock(next).shelfSpread = 0.5 * (m.high_kg_m3 - m.low_kg_m3) / m.density_kg_m3;
            stock(next).source = DensitySource::Shelf;
            bench.document.endGesture();
            bench.document.submit(std::move(next), tr("Stock from the shelf"));
        });
    shelf->setToolTip(tr("Typical values from handbooks, recalled. Weigh a block of your own."));
    density->add(shelf);
    density->fields({"/pieces/0/stock/density_from", "/pieces/0/stock/shelf_density",
                     "/pieces/0/stock/shelf_spread", "/pieces/0/stock/moisture_spread"});
    density->readout(tr("In force"), [&bench](const Results& r) {
        const DensityEstimate& e = r.derived->shape->reckoning.density;
        return tr("%1 ± %2").arg(bench.text(Quantity::Density, e.density_kg_m3, false),
                                 bench.text(Quantity::Density, 2 * e.uncertainty_kg_m3));
    });

    auto* block = new Form(bench, tr("Sample block"));
    for (const char* name :
         {"length", "width", "height", "mass", "calliper_error", "scale_error"}) {
        block->field(QStringLiteral("/pieces/0/stock/sample/") + name);
    }
    auto* blockDensity = plainLabel();
    blockDensity->setObjectName("sampleDensity");
    auto showBlock = [&bench, blockDensity] {
        const DensityEstimate e = densityFromSample(bench.design().pieces.front().stock.sample);
        blockDensity->setText(
            tr("The block: %1").arg(bench.text(Quantity::Density, e.density_kg_m3)));
    };
    QObject::connect(&bench.document, &Document::designChanged, blockDensity, showBlock);
    showBlock();
    block->add(blockDensity);

    auto* weighed = new Form(bench, tr("Shaped body, before any hole"));
    weighed->fields({"/pieces/0/stock/weighed_body", "/pieces/0/stock/drawn_volume_error"});
    weighed->readout(tr("The drawing makes"), [&bench](const Results& r) {
        const BodyReckoning& b = r.derived->shape->reckoning;
        return tr("%1, %2").arg(bench.text(Quantity::Volume, b.drawnVolume_m3),
                                bench.text(Quantity::Mass, b.drawnMass_kg));
    });
    weighed->readout(tr("The scale makes"), [&bench](const Results& r) {
        const BodyReckoning& b = r.derived->shape->reckoning;
        return b.weighedVolume_m3
                   ? tr("%1, %2").arg(bench.text(Quantity::Volume, *b.weighedVolume_m3),
                                      bench.text(Quantity::Mass, *b.weighedMass_kg))
                   : tr("not weighed yet");
    });
    weighed->readout(tr("They differ by"), [&bench](const Results& r) {
        const BodyReckoning& b = r.derived->shape->reckoning;
        return b.weighedVolume_m3
                   ? tr("%1 ± %2").arg(bench.text(Quantity::Fraction, b.disagreement),
                                       bench.text(Quantity::Fraction, 2 * b.disagreementDoubt))
                   : QStringLiteral("–");
    });
    weighed->field("/pieces/0/stock/trust");
    weighed->note(
        tr("For volume: the density is right, the drawn breadth gives way. For density: the "
           "drawing is right, the wood is lighter or heavier than thought."));
    auto* tabs = new SheetTabs(QStringLiteral("stockTabs"));
    tabs->addTab(formColumn({density, block}), tr("Density"));
    tabs->addTab(formColumn({weighed}), tr("Weighing"));
    tabs->addTab(makeMakingSheet(bench), tr("How it is made"));
    return tabs;
}

}  // namespace wl
