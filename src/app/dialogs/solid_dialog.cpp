#include "app/dialogs/solid_dialog.h"

#include <QDialogButtonBox>
#include <QFileInfo>
#include <QKeyEvent>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/kit/plain_label.h"
#include "files/mesh_bytes.h"
#include "files/solid_file.h"

namespace wl {
namespace {

constexpr int kSlices = 21;

double longestSide(const TriangleMesh& mesh) {
    Eigen::Vector3d low = Eigen::Vector3d::Constant(1e30), high = -low;
    for (const Eigen::Vector3d& v : mesh.vertices_m) {
        low = low.cwiseMin(v);
        high = high.cwiseMax(v);
    }
    return mesh.vertices_m.empty() ? 0.0 : (high - low).maxCoeff();
}

TriangleMesh scaledBy(TriangleMesh mesh, double k) {
    for (Eigen::Vector3d& v : mesh.vertices_m) {
        v *= k;
    }
    return mesh;
}

}  // namespace

SolidDialog::SolidDialog(Workbench& bench, QWidget* parent)
    : QDialog(parent),
      bench_(bench),
      canvas_(new SolidCanvas(bench.bait, bench)),
      unit_(new QComboBox),
      message_(plainLabel()) {
    setWindowTitle(tr("Bring in a solid"));
    setObjectName(QStringLiteral("solidDialog"));
    resize(860, 600);
    auto* layout = new QVBoxLayout(this);
    auto* top = new QHBoxLayout;
    auto* label = plainLabel(tr("Drawn in"));
    label->setBuddy(unit_);
    top->addWidget(label);
    unit_->setObjectName(QStringLiteral("solidUnit"));
    unit_->setAccessibleName(tr("Unit the solid was drawn in"));
    unit_->addItems({tr("millimetres"), tr("centimetres"), tr("inches"), tr("metres")});
    top->addWidget(unit_);
    auto* again = new QPushButton(tr("Pick again"));
    again->setObjectName(QStringLiteral("pickAgain"));
    top->addWidget(again);
    top->addStretch();
    layout->addLayout(top);
    layout->addWidget(canvas_, 1);
    message_->setObjectName(QStringLiteral("solidMessage"));
    message_->setWordWrap(true);
    layout->addWidget(message_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel);
    auto* takeIt = buttons->addButton(tr("Make it the body"), QDialogButtonBox::AcceptRole);
    takeIt->setObjectName(QStringLiteral("takeSolid"));
    takeIt->setProperty("main", true);
    layout->addWidget(buttons);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(takeIt, &QPushButton::clicked, this, [this] {
        if (take()) {
            accept();
        }
    });
    connect(unit_, &QComboBox::activated, this, [this] { rescale(); });
    connect(again, &QPushButton::clicked, this, [this] {
        picks_.clear();
        rescale();
    });
    connect(canvas_, &SolidCanvas::picked, this, &SolidDialog::pickAt);
}

bool SolidDialog::load(const QString& path) {
    loaded_ = false;
    picks_.clear();
    const Result<TriangleMesh> read = loadSolid(path.toStdU16String());
    auto refuse = [&](const Error& error) {
        canvas_->showMesh(TriangleMesh{});
        message_->setText(QStringLiteral("▲ %1: %2")
                              .arg(QFileInfo(path).fileName(), sentence(error, bench_.bench())));
        return false;
    };
    if (!read) {
        return refuse(read.error());
    }
    const double longest = longestSide(*read);
    const FileUnit guess = guessUnit(longest);
    // Checked in metres, so that "no volume" means the same in any unit.
    const double metres = metresPer(guess);
    const Result<CheckedSolid> checked =
        checkSolid(welded(scaledBy(*read, metres), 1e-6 * longest * metres));
    if (!checked) {
        return refuse(checked.error());
    }
    raw_ = scaledBy(checked->mesh, 1 / metres);
    turned_ = checked->turned;
    shells_ = checked->shells;
    loaded_ = true;
    unit_->setCurrentIndex(int(guess));
    rescale();
    return true;
}

void SolidDialog::rescale() {
    if (!loaded_) {
        return;
    }
    const double k = metresPer(FileUnit(unit_->currentIndex()));
    canvas_->showMesh(scaledBy(raw_, k));
    const QString names[] = {tr("nose"), tr("tail"), tr("back")};
    std::vector<std::pair<QString, Eigen::Vector3d>> marks;
    for (size_t i = 0; i < picks_.size(); ++i) {
        marks.emplace_back(names[i], picks_[i] * k);
    }
    canvas_->setMarks(std::move(marks));
    say();
}

void SolidDialog::say() {
    const double k = metresPer(FileUnit(unit_->currentIndex()));
    const double longest = longestSide(raw_) * k;
    QString text =
        tr("%n triangle(s), %1 long, %2.", nullptr, int(raw_.triangles.size()))
            .arg(bench_.text(Quantity::Length, longest),
                 bench_.text(Quantity::Volume, integrateMesh(raw_).volume_m3 * k * k * k));
    if (turned_) {
        text += tr(" It was inside out; its faces were turned.");
    }
    if (shells_ > 1) {
        text += tr(" It has %n shell(s).", nullptr, int(shells_));
    }
    const QString next[] = {tr(" Click the nose tip."), tr(" Click the tail tip."),
                            tr(" Click the back."), tr(" “Make it the body” takes it over.")};
    message_->setText(text + next[std::min<size_t>(picks_.size(), 3)]);
}

void SolidDialog::pickAt(const QPointF& at) {
    if (!loaded_ || picks_.size() >= 3) {
        return;
    }
    if (const auto place = canvas_->pick(at)) {
        picks_.push_back(*place / metresPer(FileUnit(unit_->currentIndex())));
        rescale();
    }
}

void SolidDialog::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Return && canvas_->hasFocus()) {
        pickAt(QPointF(canvas_->rect().center()));
        return;
    }
    QDialog::keyPressEvent(event);
}

bool SolidDialog::take() {
    auto refuse = [this](const QString& why) {
        message_->setText(QStringLiteral("▲ ") + why);
        return false;
    };
    if (!loaded_) {
        return refuse(tr("There is no solid to take: open another file."));
    }
    if (picks_.size() < 3) {
        return refuse(tr("Click nose, tail and back first, so that it lies the right way."));
    }
    const double k = metresPer(FileUnit(unit_->currentIndex()));
    const double longest = longestSide(raw_) * k;
    if (longest < 0.01 || longest > 0.6) {
        return refuse(tr("%1 long is no bait: choose the unit it was drawn in.")
                          .arg(bench_.text(Quantity::Length, longest)));
    }
    const Result<TriangleMesh> placed =
        oriented(scaledBy(raw_, k), picks_[0] * k, picks_[1] * k, picks_[2] * k);
    if (!placed) {
        return refuse(sentence(placed.error(), bench_.bench()));
    }
    const TriangleMesh kept = roundedForFile(*placed);
    const Result<Body> sliced = stationsOf(kept, kSlices);
    if (!sliced) {
        return refuse(sentence(sliced.error(), bench_.bench()));
    }
    const Result<BodyCurves> curves = BodyCurves::build(*sliced, "/body");
    if (!curves) {
        return refuse(sentence(curves.error(), bench_.bench()));
    }
    Design next = bench_.design();
    next.body = *sliced;
    next.body.solid.mesh = std::make_shared<const TriangleMesh>(kept);
    next.body.useSolid = true;
    bench_.document.endGesture();
    bench_.document.submit(std::move(next), tr("Bring in a solid"));
    return true;
}

}  // namespace wl

#include "moc_solid_dialog.cpp"
