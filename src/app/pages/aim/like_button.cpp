#include "app/pages/aim/like_button.h"

#include <QFileDialog>
#include <QFileInfo>

#include "core/aim/aim.h"
#include "files/design_file.h"

namespace wl {

LikeButton::LikeButton(Workbench& bench) : QPushButton(tr("Like another bait…")), bench_(bench) {
    setObjectName(QStringLiteral("wishLike"));
    setToolTip(
        tr("Its depth and beats within a tenth, its swing within a quarter become the wish"));
    connect(this, &QPushButton::clicked, this, [this] {
        const QString path = QFileDialog::getOpenFileName(
            window(), tr("The bait it shall swim like"), {}, tr("Wade Line designs (*.wade)"));
        if (!path.isEmpty()) {
            open(path);
        }
    });
    connect(&reckoned_, &Beside::runningChanged, this,
            [this] { setEnabled(!reckoned_.isRunning()); });
    connect(&reckoned_, &Beside::failed, this, [this](const Error& fault) {
        bench_.say(QStringLiteral("▲ ") + sentence(fault, bench_.bench()));
    });
}

void LikeButton::open(const QString& path) {
    const QString file = QFileInfo(path).fileName();
    const Result<Design> other = loadDesign(path.toStdString());
    if (!other) {
        bench_.say(QStringLiteral("▲ %1: %2").arg(file, sentence(other.error(), bench_.bench())));
        return;
    }
    reckoned_.start([this, file, other = *other](std::stop_token stop,
                                                 const Beside::Progress&) -> Beside::Finish {
        const Result<AimValues> does = aimValuesOf(other, {}, stop);
        if (stop.stop_requested()) {
            return {};
        }
        return [this, file, name = QString::fromStdString(other.name), does] {
            if (!does) {
                bench_.say(
                    QStringLiteral("▲ %1: %2").arg(file, sentence(does.error(), bench_.bench())));
                return;
            }
            if (likeTargets(*does).empty()) {
                bench_.say(QStringLiteral("▲ ") +
                           tr("%1: neither depth nor beats can be told of it.").arg(name));
                return;
            }
            bench_.document.endGesture();
            bench_.document.submit(withWishLike(bench_.design(), *does),
                                   tr("Wish: like %1").arg(name));
            bench_.say(tr("The wish is now what %1 does.").arg(name));
        };
    });
}

}  // namespace wl

#include "moc_like_button.cpp"
