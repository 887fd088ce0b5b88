#include "app/dialogs/trace_dialog.h"

#include <QButtonGroup>
#include <QCheckBox>
#include <QDialogButtonBox>
#include <QFileDialog>
#include <QPushButton>
#include <QRadioButton>
#include <QVBoxLayout>
#include <cmath>

#include "app/kit/plain_label.h"
#include "app/kit/theme.h"
#include "core/shape/trace_profile.h"

namespace wl {
namespace {

constexpr int kStations = 11;

}  // namespace

TraceDialog::TraceDialog(Workbench& bench, QWidget* parent)
    : QDialog(parent),
      bench_(bench),
      holder_(new QWidget),
      message_(plainLabel()),
      known_(new QLineEdit),
      named_(new QPushButton(tr("Open the named picture"))),
      keep_(new QCheckBox(tr("keep the picture with the design"))) {
    setWindowTitle(tr("Trace a picture"));
    setObjectName(QStringLiteral("traceDialog"));
    resize(900, 620);
    auto* layout = new QVBoxLayout(this);
    auto* top = new QHBoxLayout;
    auto* open = new QPushButton(tr("Choose a picture…"));
    open->setObjectName(QStringLiteral("choosePicture"));
    top->addWidget(open);
    top->addWidget(named_);
    named_->setObjectName(QStringLiteral("openNamedPicture"));
    named_->hide();
    connect(named_, &QPushButton::clicked, this, [this] {
        const QString path = QString::fromStdString(bench_.design().trace.picturePath);
        if (!loadPicture(path)) {
            message_->setText(QStringLiteral("▲ ") +
                              tr("The picture is no longer at %1, or is none this can open. Choose "
                                 "it again; what was traced is kept.")
                                  .arg(path));
        } else {
            keep_->setChecked(false);
        }
    });
    auto* tools = new QButtonGroup(this);
    const QString names[] = {tr("1 Scale"), tr("2 Axis, nose to tail"), tr("3 Back"),
                             tr("4 Belly")};
    for (int i = 0; i < 4; ++i) {
        auto* button = new QRadioButton(names[i]);
        button->setObjectName(QStringLiteral("traceTool/%1").arg(i));
        button->setShortcut(QKeySequence(QStringLiteral("Alt+%1").arg(i + 1)));
        button->setChecked(i == 0);
        tools->addButton(button, i);
        top->addWidget(button);
    }
    top->addWidget(plainLabel(tr("known length")));
    known_->setObjectName(QStringLiteral("knownLength"));
    known_->setAccessibleName(tr("Length between the two places of the scale"));
    known_->setMaximumWidth(90);
    known_->setText(bench_.text(Quantity::Length, bench_.design().trace.knownLength_m));
    top->addWidget(known_);
    top->addStretch();
    layout->addLayout(top);
    auto* inner = new QVBoxLayout(holder_);
    inner->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(holder_, 1);
    message_->setObjectName(QStringLiteral("traceMessage"));
    message_->setWordWrap(true);
    layout->addWidget(message_);
    keep_->setObjectName(QStringLiteral("keepPicture"));
    keep_->setChecked(true);
    layout->addWidget(keep_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel);
    auto* make = buttons->addButton(tr("Make stations"), QDialogButtonBox::AcceptRole);
    make->setObjectName(QStringLiteral("makeStations"));
    make->setProperty("main", true);
    layout->addWidget(buttons);
    connect(open, &QPushButton::clicked, this, [this] {
        const QString path = QFileDialog::getOpenFileName(this, tr("A photograph or scan"), {},
                                                          tr("Pictures (*.png *.jpg *.jpeg)"));
        if (!path.isEmpty()) {
            loadPicture(path);
        }
    });
    connect(tools, &QButtonGroup::idClicked, this, [this](int id) {
        if (canvas_ != nullptr) {
            canvas_->setTool(TraceCanvas::Tool(id));
            canvas_->setFocus();
        }
    });
    connect(known_, &QLineEdit::textEdited, this, &TraceDialog::refresh);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(make, &QPushButton::clicked, this, [this] {
        if (take()) {
            accept();
        }
    });
    const Trace& kept = bench_.design().trace;
    const QImage picture = tracePicture(kept, bench_.picturesAgreed);
    if (!picture.isNull()) {
        path_ = QString::fromStdString(kept.picturePath);
        if (kept.picture) {
            bytes_ = QByteArray(kept.picture.bytes->data(), qsizetype(kept.picture.bytes->size()));
        } else {
            bytes_ = pictureFile(path_);
            keep_->setChecked(false);
        }
        showCanvas(picture, kept);
    } else {
        named_->setVisible(!kept.picturePath.empty());
        message_->setText(
            kept.picturePath.empty()
                ? tr("Choose a photograph or scan of the bait or fish, seen square from the side. "
                     "Then: two places a known length apart, the nose and tail tips, and points "
                     "along back and belly.")
                : tr("The design names a picture at %1. It is opened only if you say so: “Open "
                     "the named picture”, or choose another; what was traced is kept.")
                      .arg(QString::fromStdString(kept.picturePath)));
    }
}

bool TraceDialog::loadPicture(const QString& path) {
    const QByteArray bytes = pictureFile(path);
    const QImage picture = decodedPicture(bytes);
    if (picture.isNull()) {
        message_->setText(QStringLiteral("▲ ") +
                          tr("That is no PNG or JPEG picture this can open (up to 8 MB and 40 "
                             "million pixels)."));
        return false;
    }
    path_ = path;
    bytes_ = bytes;
    bench_.picturesAgreed.insert(path);
    named_->hide();
    Trace trace = canvas_ != nullptr ? canvas_->trace() : bench_.design().trace;
    showCanvas(picture, std::move(trace));
    return true;
}

void TraceDialog::showCanvas(QImage picture, Trace trace) {
    const TraceCanvas::Tool tool = canvas_ != nullptr ? canvas_->tool() : TraceCanvas::Tool::Scale;
    delete canvas_;
    canvas_ = new TraceCanvas(std::move(picture), std::move(trace));
    canvas_->setTool(tool);
    holder_->layout()->addWidget(canvas_);
    connect(canvas_, &TraceCanvas::traced, this, &TraceDialog::refresh);
    refresh();
}

void TraceDialog::refresh() {
    if (canvas_ == nullptr) {
        return;
    }
    Trace trace = canvas_->trace();
    const ReadAmount read =
        readAmount(known_->text().toStdString(), Quantity::Length, bench_.bench());
    if (read.fault != ReadFault::None || read.valueSi < 0.001 || read.valueSi > 2.0) {
        message_->setText(QStringLiteral("▲ ") +
                          tr("The known length is not a measure from 1 mm to 2 m."));
        return;
    }
    trace.knownLength_m = read.valueSi;
    const Result<TracedProfile> profile = profileOf(trace);
    message_->setText(profile ? tr("A body %1 long. “Make stations” takes it over.")
                                    .arg(bench_.text(Quantity::Length, profile->length_m))
                              : sentence(profile.error(), bench_.bench()));
}

bool TraceDialog::take() {
    refresh();
    if (canvas_ == nullptr || message_->text().startsWith(QStringLiteral("▲"))) {
        return false;
    }
    Trace trace = canvas_->trace();
    trace.knownLength_m =
        readAmount(known_->text().toStdString(), Quantity::Length, bench_.bench()).valueSi;
    trace.picturePath = path_.toStdString();
    trace.picture = {};
    if (keep_->isChecked()) {
        trace.picture.bytes =
            std::make_shared<const std::string>(bytes_.constData(), size_t(bytes_.size()));
    }
    const Result<TracedProfile> profile = profileOf(trace);
    if (!profile) {
        message_->setText(QStringLiteral("▲ ") + sentence(profile.error(), bench_.bench()));
        return false;
    }
    Design next = bench_.design();
    const Body body = bodyFromProfile(*profile, next.body, kStations);
    const Result<BodyCurves> curves = BodyCurves::build(body, "/body");
    if (!curves) {
        message_->setText(QStringLiteral("▲ ") + sentence(curves.error(), bench_.bench()));
        return false;
    }
    next.body = body;
    next.body.locks = {};
    next.trace = std::move(trace);
    bench_.document.endGesture();
    bench_.document.submit(std::move(next), tr("Trace a picture"));
    return true;
}

}  // namespace wl

#include "moc_trace_dialog.cpp"
