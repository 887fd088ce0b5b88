#include "app/pages/swim/ghost_choice.h"

#include <QFileDialog>
#include <QFileInfo>

#include "app/kit/learner.h"
#include "core/reckon/evaluate.h"
#include "files/design_file.h"

namespace wl {

GhostChoice::GhostChoice(Workbench& bench, QWidget* parent) : QComboBox(parent), bench_(bench) {
    setObjectName(QStringLiteral("swimGhost"));
    setAccessibleName(tr("What stands dashed beside it"));
    setSizeAdjustPolicy(QComboBox::AdjustToContents);
    addItem(tr("dashed: as before"), int(Ghost::Before));
    addItem(tr("dashed: another bait…"), int(Ghost::Other));
    addItem(tr("nothing dashed"), int(Ghost::None));
    connect(this, &QComboBox::activated, this, &GhostChoice::choose);
    connect(&bench, &Workbench::dashedChanged, this, &GhostChoice::followBench);
    followBench();
}

void GhostChoice::followBench() {
    const bool followed = other_ && !other_->label.isEmpty();
    if (!bench_.dashed() && !followed) {
        return;
    }
    if (bench_.dashed()) {
        other_ = bench_.dashed();
        setCurrentIndex(findData(int(Ghost::Other)));
    } else {
        other_ = opened_;
        setCurrentIndex(!opened_ && kept_ == findData(int(Ghost::Other)) ? 0 : kept_);
    }
    emit changed();
}

void GhostChoice::choose() {
    if (ghost() == Ghost::Other) {
        const QString path =
            QFileDialog::getOpenFileName(window(), tr("Another bait to stand dashed beside it"), {},
                                         tr("Wade Line designs (*.wade)"));
        if (!path.isEmpty()) {
            open(path);
        } else {
            setCurrentIndex(kept_);  // nothing was chosen: as it stood
        }
    }
    kept_ = currentIndex();
    emit changed();
}

void GhostChoice::open(const QString& path) {
    const auto refuse = [&](const Error& error) {
        bench_.say(QStringLiteral("▲ %1: %2")
                       .arg(QFileInfo(path).fileName(), sentence(error, bench_.bench())));
        setCurrentIndex(findData(int(other_ ? Ghost::Other : Ghost::Before)));
        emit changed();
    };
    const Result<Design> design = loadDesign(path.toStdString());
    if (!design) {
        return refuse(design.error());
    }
    Result<Derived> derived = evaluate(*design);
    if (!derived) {
        return refuse(derived.error());
    }
    OtherBait other;
    other.derived = std::make_shared<const Derived>(std::move(derived).value());
    other.run = std::make_shared<const Run>(computeRun(*other.derived, {}, kFineRetrieve));
    const Swim swim = swimOf(*other.derived, *other.run);
    const RawForecast raw = rawForecast(*other.derived, other.run.get(), &swim, {}, {});
    other.byLog =
        taughtFactors(learntFigures(raw, raw, *Learner::of(bench_).fits(), {design->name, 1, 0}));
    opened_ = other_ = std::make_shared<const OtherBait>(std::move(other));
    setCurrentIndex(findData(int(Ghost::Other)));
    emit changed();
}

}  // namespace wl

#include "moc_ghost_choice.cpp"
