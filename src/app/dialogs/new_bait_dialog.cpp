#include "app/dialogs/new_bait_dialog.h"

#include <QDialogButtonBox>
#include <QFileDialog>
#include <QVBoxLayout>

#include "app/dialogs/solid_dialog.h"
#include "app/dialogs/trace_dialog.h"
#include "app/kit/plain_label.h"
#include "app/kit/theme.h"
#include "core/base/units.h"
#include "core/shape/edit_body.h"
#include "core/shape/trace_profile.h"
#include "io/shelf.h"
#include "session/svg_profile.h"

namespace wl {
namespace {

constexpr int kProfileStations = 11;
constexpr double kBrackish = 0.008, kSea = 0.035;

// After the kinds of start shape: shapes of the maker's own.
enum OwnShape { Picture = 100, SvgShape, Solid };

double usualLength(StartKind kind) {
    switch (kind) {
        case StartKind::Diver:
            return 0.08;
        case StartKind::Lipless:
            return 0.075;
        case StartKind::Glider:
            return 0.12;
        case StartKind::JointedSwimmer:
            return 0.14;
        case StartKind::TurnedPlug:
            return 0.1;
        case StartKind::Crawler:
            return 0.075;
    }
    return 0.08;
}

}  // namespace

NewBaitWish usualWish(const Workbench& bench, StartKind kind) {
    NewBaitWish w;
    w.kind = kind;
    w.length_m = usualLength(kind);
    w.brief = usualBrief(kind, Brief{});
    const Shelf& shelf = bench.shelf.shelf();
    for (const auto& row : shelf.fittings) {
        w.fittings.push_back(row.item);
    }
    for (const CoatKind wanted : {CoatKind::Sealer, CoatKind::Paint, CoatKind::Clear}) {
        for (const auto& row : shelf.coats) {
            if (row.item.kind == wanted) {
                w.coats.push_back(row.item);
                break;
            }
        }
    }
    return w;
}

NewBaitDialog::NewBaitDialog(Workbench& bench, QWidget* parent)
    : QDialog(parent),
      bench_(bench),
      kind_(new QComboBox),
      about_(plainLabel()),
      stock_(new ShelfPicker(
          bench, QStringLiteral("newStock"), tr("Stock"),
          [&bench] {
              QStringList list;
              for (const ShelfMaterial& m : bench.shelf.shelf().stock) {
                  list << tr("%1, %2").arg(QString::fromStdString(m.name),
                                           bench.text(Quantity::Density, m.density_kg_m3));
              }
              return list;
          },
          [this](int place) { chosenStock_ = place; })),
      water_(new QComboBox),
      rest_(new QComboBox),
      swims_(new QComboBox),
      fault_(plainLabel()),
      progress_(new QProgressBar),
      rows_(new QFormLayout) {
    setObjectName(QStringLiteral("newBaitDialog"));
    setWindowTitle(tr("A new bait"));
    const auto named = [](QComboBox* box, const char* name, const QString& label) {
        box->setObjectName(QLatin1String(name));
        box->setAccessibleName(label);
    };
    const std::pair<StartKind, QString> kinds[] = {
        {StartKind::Diver, tr("diver with a lip")},
        {StartKind::Lipless, tr("lipless, tied on its back")},
        {StartKind::Glider, tr("glider")},
        {StartKind::JointedSwimmer, tr("jointed swimmer")},
        {StartKind::TurnedPlug, tr("turned plug with a slanted face")},
        {StartKind::Crawler, tr("flat-bellied crawler")}};
    for (const auto& [kind, name] : kinds) {
        kind_->addItem(name, int(kind));
    }
    kind_->addItem(tr("own shape, from a picture…"), int(Picture));
    kind_->addItem(tr("own shape, from an SVG drawing…"), int(SvgShape));
    kind_->addItem(tr("own shape, from a solid (STL, OBJ)…"), int(Solid));
    named(kind_, "newKind", tr("Kind"));
    about_->setWordWrap(true);
    about_->setProperty("role", "quiet");
    length_ = new AmountField(bench, QStringLiteral("newLength"), tr("Length"), Quantity::Length,
                              0.03, 0.4);
    const auto& stocks = bench.shelf.shelf().stock;
    const double usual = Stock{}.shelfDensity_kg_m3;
    const auto nearest = std::min_element(
        stocks.begin(), stocks.end(), [usual](const ShelfMaterial& a, const ShelfMaterial& b) {
            return std::abs(a.density_kg_m3 - usual) < std::abs(b.density_kg_m3 - usual);
        });
    chosenStock_ = int(nearest - stocks.begin());
    stock_->keep([this] { return chosenStock_; });
    for (const auto& [name, salt] :
         {std::pair{tr("fresh"), 0.0}, std::pair{tr("brackish"), kBrackish},
          std::pair{tr("sea"), kSea}}) {
        water_->addItem(name, salt);
    }
    named(water_, "newWater", tr("Water"));
    temperature_ = new AmountField(bench, QStringLiteral("newTemperature"), tr("Its temperature"),
                                   Quantity::Temperature, kZeroCelsius_K - 2, kZeroCelsius_K + 40);
    waterDepth_ = new AmountField(bench, QStringLiteral("newWaterDepth"), tr("Its depth"),
                                  Quantity::Distance, 0.3, 60);
    rest_->addItems({tr("floats"), tr("hangs still"), tr("sinks")});
    named(rest_, "newRest", tr("At rest it"));
    spare_ = new AmountField(bench, QStringLiteral("newSpare"), tr("With spare lift of"),
                             Quantity::Fraction, 0.02, 0.6);
    sink_ = new AmountField(bench, QStringLiteral("newSink"), tr("At a speed of"), Quantity::Speed,
                            0.03, 1.0);
    depth_ = new AmountField(bench, QStringLiteral("newDepth"), tr("Runs at"), Quantity::Distance,
                             0.1, 30);
    // The words of the Swim step, by their usual limits.
    swims_->addItems({tr("as it comes"), tr("tight"), tr("medium"), tr("wide")});
    swims_->setToolTip(tr("Lip and tie are then set for it as well: some seconds more"));
    named(swims_, "newSwim", tr("Swims"));
    rows_->setLabelAlignment(Qt::AlignLeft);
    rows_->setRowWrapPolicy(QFormLayout::DontWrapRows);
    rows_->addRow(tr("&Kind"), kind_);
    rows_->addRow(about_);
    rows_->addRow(tr("&Length, nose to tail"), length_);
    rows_->addRow(tr("&Stock"), stock_);
    rows_->addRow(tr("&Water"), water_);
    rows_->addRow(tr("Its &temperature"), temperature_);
    rows_->addRow(tr("Its &depth"), waterDepth_);
    rows_->addRow(tr("At &rest it"), rest_);
    rows_->addRow(tr("With s&pare lift of"), spare_);
    rows_->addRow(tr("At a spee&d of"), sink_);
    rows_->addRow(tr("R&uns at"), depth_);
    rows_->addRow(tr("Swi&ms"), swims_);
    fault_->setObjectName(QStringLiteral("newFault"));
    fault_->setProperty("role", "fault");
    fault_->setWordWrap(true);
    fault_->hide();
    progress_->setRange(0, 1000);
    progress_->setAccessibleName(tr("How far the bait is"));
    progress_->hide();
    auto* buttons = new QDialogButtonBox;
    makeIt_ = buttons->addButton(tr("&Make it"), QDialogButtonBox::AcceptRole);
    makeIt_->setObjectName(QStringLiteral("makeIt"));
    makeIt_->setProperty("main", true);
    makeIt_->setDefault(true);
    auto* cancel = buttons->addButton(tr("&Cancel"), QDialogButtonBox::RejectRole);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(18, 16, 18, 14);
    layout->addLayout(rows_);
    layout->addWidget(fault_);
    layout->addWidget(progress_);
    layout->addStretch();
    layout->addWidget(buttons);
    setMinimumWidth(480);
    connect(kind_, &QComboBox::currentIndexChanged, this, &NewBaitDialog::showKind);
    connect(rest_, &QComboBox::currentIndexChanged, this, &NewBaitDialog::showRest);
    connect(makeIt_, &QPushButton::clicked, this, &NewBaitDialog::make);
    connect(cancel, &QPushButton::clicked, this, [this] {
        if (beside_.isRunning()) {
            beside_.cancel();
        } else {
            reject();
        }
    });
    connect(&beside_, &Beside::progressed, this,
            [this](double share) { progress_->setValue(int(1000 * share)); });
    connect(&beside_, &Beside::runningChanged, this, [this] {
        progress_->setVisible(beside_.isRunning());
        makeIt_->setEnabled(!beside_.isRunning());
    });
    connect(&beside_, &Beside::failed, this,
            [this](const Error& e) { tell(QStringLiteral("▲ ") + sentence(e, bench_.bench())); });
    temperature_->set(Brief{}.temperature_K);
    waterDepth_->set(Brief{}.waterDepth_m);
    showKind();
    kind_->setFocus();
}

void NewBaitDialog::tell(const QString& text) {
    fault_->setText(text);
    fault_->setVisible(!text.isEmpty());
}

// What such a bait is, and its usual measures.
void NewBaitDialog::showKind() {
    const int chosen = kind_->currentData().toInt();
    const StartKind kind = chosen >= Picture ? StartKind::Diver : StartKind(chosen);
    const NewBaitWish usual = usualWish(bench_, kind);
    const QString about[] = {
        tr("A lip pulls it down; the further the lip lies in line, the deeper."),
        tr("Sinks on its own and shakes; how deep is counted down."),
        tr("Slides from side to side on a slack line; sinks slowly."),
        tr("Two pieces on a hinge; a small lip keeps it under."),
        tr("Turned on the lathe; its slanted face digs in."),
        tr("Broad and flat below, with a lip, for the bottom.")};
    about_->setText(chosen >= Picture ? tr("The shape is brought in next; lip, hooks and lead are "
                                           "those of a diver.")
                                      : about[int(kind)]);
    length_->set(usual.length_m);
    rest_->setCurrentIndex(int(usual.brief.wantedState));
    spare_->set(usual.brief.wantedSpare);
    sink_->set(usual.brief.wantedSinkSpeed_m_s);
    depth_->set(usual.brief.wantedDepth_m);
    showRest();
}

void NewBaitDialog::showRest() {
    const auto state = WantedState(rest_->currentIndex());
    const int chosen = kind_->currentData().toInt();
    const StartKind kind = chosen >= Picture ? StartKind::Diver : StartKind(chosen);
    rows_->setRowVisible(spare_, state == WantedState::Float);
    rows_->setRowVisible(sink_, state == WantedState::Sink);
    rows_->setRowVisible(depth_, depthCanBeWished(kind, state));
    rows_->setRowVisible(swims_, swimCanBeWished(kind));
    adjustSize();
}

AimBand NewBaitDialog::swing() const {
    const int word = swims_->currentIndex();
    return word > 0 && !swims_->isHidden() ? swingCalled(kActionWords[size_t(word) - 1], {})
                                           : AimBand{{}, {}, {}, {}, AimNotes::kSwingWeight};
}

std::optional<NewBaitWish> NewBaitDialog::wish() {
    const int chosen = kind_->currentData().toInt();
    NewBaitWish w = usualWish(bench_, chosen >= Picture ? StartKind::Diver : StartKind(chosen));
    w.brief.wantedState = WantedState(rest_->currentIndex());
    bool whole = true;
    const auto take = [&](AmountField* field, double& into, bool asked = true) {
        if (asked) {
            const std::optional<double> value = field->value();
            whole = whole && value.has_value();
            into = value.value_or(into);
        }
    };
    take(length_, w.length_m);
    take(temperature_, w.brief.temperature_K);
    take(waterDepth_, w.brief.waterDepth_m);
    take(spare_, w.brief.wantedSpare, w.brief.wantedState == WantedState::Float);
    take(sink_, w.brief.wantedSinkSpeed_m_s, w.brief.wantedState == WantedState::Sink);
    take(depth_, w.brief.wantedDepth_m, depthCanBeWished(w.kind, w.brief.wantedState));
    w.brief.salinity = water_->currentData().toDouble();
    const auto& stocks = bench_.shelf.shelf().stock;
    if (chosenStock_ >= 0 && chosenStock_ < int(stocks.size())) {
        const ShelfMaterial& m = stocks[size_t(chosenStock_)];
        w.stock.material = m.name;
        w.stock.shelfDensity_kg_m3 = m.density_kg_m3;
        w.stock.shelfSpread = 0.5 * (m.high_kg_m3 - m.low_kg_m3) / m.density_kg_m3;
    }
    return whole ? std::optional<NewBaitWish>(std::move(w)) : std::nullopt;
}

// The dialogs that bring a shape in work on a bench of their own, so that the bait worked on stays
// until the new one is there.
std::optional<Body> NewBaitDialog::ownShape(double length_m) {
    Workbench aside;
    aside.setBench(bench_.bench());
    Design plain;
    plain.body = startBody(StartKind::Diver, length_m);
    aside.document.replace(plain, {}, true);
    const int how = kind_->currentData().toInt();
    if (how == Picture) {
        TraceDialog(aside, this).exec();
    } else {
        const QString path = how == SvgShape
                                 ? QFileDialog::getOpenFileName(
                                       this, tr("A drawing with the outline as its first path"), {},
                                       tr("Drawings (*.svg)"))
                                 : QFileDialog::getOpenFileName(this, tr("A solid body"), {},
                                                                tr("Solids (*.stl *.obj)"));
        if (path.isEmpty()) {
            return std::nullopt;
        }
        if (how == Solid) {
            SolidDialog dialog(aside, this);
            dialog.load(path);
            dialog.exec();
        } else {
            const auto outline = loadSvgOutline(path);
            const Result<TracedProfile> profile = outline ? profileOfOutline(*outline, length_m)
                                                          : Result<TracedProfile>(outline.error());
            if (!profile) {
                tell(QStringLiteral("▲ ") + sentence(profile.error(), bench_.bench()));
                return std::nullopt;
            }
            return bodyFromProfile(*profile, plain.body, kProfileStations);
        }
    }
    if (aside.design().body == plain.body) {
        return std::nullopt;  // nothing was brought in
    }
    return aside.design().body;
}

void NewBaitDialog::make() {
    tell({});
    std::optional<NewBaitWish> w = wish();
    if (!w) {
        return;
    }
    if (kind_->currentData().toInt() >= Picture) {
        w->body = ownShape(w->length_m);
        if (!w->body) {
            return;
        }
    }
    progress_->setValue(0);
    beside_.start([this, w = *w, swing = swing()](std::stop_token stop,
                                                  const Beside::Progress& progress) {
        auto made =
            std::make_shared<Result<AimedBait>>(makeAimedBait(w, AimBand(), swing, stop, progress));
        return Beside::Finish([this, made] {
            if (*made) {
                made_ = std::make_shared<const AimedBait>(std::move(*made).value());
                accept();
            } else if (made->error().code != "plan.stopped") {
                tell(QStringLiteral("▲ ") + sentence(made->error(), bench_.bench()));
            }
        });
    });
}

}  // namespace wl

#include "moc_new_bait_dialog.cpp"
