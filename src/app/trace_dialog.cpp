#include "app/trace_dialog.h"

#include <QBuffer>
#include <QButtonGroup>
#include <QCheckBox>
#include <QDialogButtonBox>
#include <QFile>
#include <QFileDialog>
#include <QImageReader>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPushButton>
#include <QRadioButton>
#include <QVBoxLayout>
#include <cmath>

#include "app/theme.h"
#include "core/shape/trace_profile.h"

namespace wl {
namespace {

constexpr double kReach = 9;
constexpr int kMostPixels = 40'000'000;
constexpr int kStations = 11;
constexpr qint64 kLargestPicture = 8 << 20;

// Decodes with the size looked at first: a small file can claim a vast picture.
QImage decoded(const QByteArray& bytes) {
    QBuffer buffer(const_cast<QByteArray*>(&bytes));
    buffer.open(QIODevice::ReadOnly);
    QImageReader reader(&buffer);
    reader.setAutoTransform(true);
    const QByteArray format = reader.format();
    if (format != "png" && format != "jpeg" && format != "jpg") {
        return {};
    }
    const QSize size = reader.size();
    if (!size.isValid() || qint64(size.width()) * size.height() > kMostPixels) {
        return {};
    }
    return reader.read();
}

QByteArray fileBytes(const QString& path) {
    QFile file(path);
    if (!file.open(QIODevice::ReadOnly) || file.size() > kLargestPicture) {
        return {};
    }
    return file.readAll();
}

}  // namespace

QImage tracePicture(const Trace& trace) {
    if (trace.picture) {
        return decoded(
            QByteArray(trace.picture.bytes->data(), qsizetype(trace.picture.bytes->size())));
    }
    return trace.picturePath.empty()
               ? QImage()
               : decoded(fileBytes(QString::fromStdString(trace.picturePath)));
}

TraceCanvas::TraceCanvas(QImage picture, Trace trace, QWidget* parent)
    : QWidget(parent), picture_(std::move(picture)), trace_(std::move(trace)) {
    setObjectName(QStringLiteral("traceView"));
    setAccessibleName(tr("The picture being traced"));
    setFocusPolicy(Qt::StrongFocus);
}

void TraceCanvas::setTrace(Trace trace) {
    trace_ = std::move(trace);
    update();
    emit traced();
}

void TraceCanvas::setTool(Tool tool) {
    tool_ = tool;
    update();
}

std::vector<PicturePoint>& TraceCanvas::list() {
    return tool_ == Tool::Scale  ? trace_.scale
           : tool_ == Tool::Axis ? trace_.axis
           : tool_ == Tool::Back ? trace_.back
                                 : trace_.belly;
}

QRectF TraceCanvas::pictureBox() const {
    QSizeF size = picture_.size();
    size.scale(QSizeF(width() - 16, height() - 16), Qt::KeepAspectRatio);
    return {QPointF(0.5 * (width() - size.width()), 0.5 * (height() - size.height())), size};
}

QPointF TraceCanvas::toPaper(const PicturePoint& p) const {
    const QRectF box = pictureBox();
    return box.topLeft() + box.width() * QPointF(p.across, p.down);
}

PicturePoint TraceCanvas::fromPaper(const QPointF& at) const {
    const QRectF box = pictureBox();
    const double most = box.height() / box.width();
    return {std::clamp((at.x() - box.left()) / box.width(), 0.0, 1.0),
            std::clamp((at.y() - box.top()) / box.width(), 0.0, most)};
}

void TraceCanvas::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const Inks& c = inks();
    p.fillRect(rect(), c.ground);
    p.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
    p.drawImage(pictureBox(), picture_);
    auto draw = [&](const std::vector<PicturePoint>& points, const QString& name, Tool tool,
                    bool joined) {
        const bool live = tool == tool_;
        p.setPen(QPen(live ? c.signal : c.water, live ? 2.0 : 1.4,
                      joined ? Qt::SolidLine : Qt::DashLine));
        QPolygonF line;
        for (const PicturePoint& q : points) {
            line << toPaper(q);
        }
        p.setBrush(Qt::NoBrush);
        p.drawPolyline(line);
        p.setBrush(c.sheet);
        for (const QPointF& q : line) {
            p.drawRect(QRectF(q.x() - 3.5, q.y() - 3.5, 7, 7));
        }
        if (!line.isEmpty()) {
            p.setFont(type(Type::Small));
            const QRectF tag(line.front() + QPointF(8, -20),
                             QSizeF(p.fontMetrics().horizontalAdvance(name) + 10, 17));
            p.fillRect(tag, c.sheet);
            p.drawText(tag, Qt::AlignCenter, name);
        }
    };
    auto sorted = [this](std::vector<PicturePoint> points) {
        std::sort(points.begin(), points.end(),
                  [this](const PicturePoint& a, const PicturePoint& b) {
                      const auto first = onBody(trace_, a), second = onBody(trace_, b);
                      return first && second ? first->x() < second->x() : a.across < b.across;
                  });
        return points;
    };
    draw(trace_.scale, tr("known length"), Tool::Scale, false);
    draw(trace_.axis, tr("axis"), Tool::Axis, false);
    draw(sorted(trace_.back), tr("back"), Tool::Back, true);
    draw(sorted(trace_.belly), tr("belly"), Tool::Belly, true);
}

void TraceCanvas::mousePressEvent(QMouseEvent* event) {
    setFocus(Qt::MouseFocusReason);
    std::vector<PicturePoint>& points = list();
    dragged_ = -1;
    for (size_t i = 0; i < points.size(); ++i) {
        const QPointF gap = toPaper(points[i]) - event->position();
        if (std::hypot(gap.x(), gap.y()) < kReach) {
            dragged_ = int(i);
        }
    }
    const size_t most = tool_ == Tool::Scale || tool_ == Tool::Axis ? 2 : 60;
    if (dragged_ < 0) {
        if (points.size() >= most) {
            if (most > 2) {
                return;
            }
            points.clear();  // a third click begins the pair again
        }
        points.push_back(fromPaper(event->position()));
        dragged_ = int(points.size()) - 1;
    }
    update();
    emit traced();
}

void TraceCanvas::mouseMoveEvent(QMouseEvent* event) {
    if (dragged_ >= 0 && dragged_ < int(list().size())) {
        list()[size_t(dragged_)] = fromPaper(event->position());
        update();
        emit traced();
    }
}

void TraceCanvas::mouseReleaseEvent(QMouseEvent*) {
    dragged_ = -1;
}

void TraceCanvas::keyPressEvent(QKeyEvent* event) {
    std::vector<PicturePoint>& points = list();
    const double step = event->modifiers().testFlag(Qt::ShiftModifier) ? 0.0005 : 0.005;
    double across = 0, down = 0;
    switch (event->key()) {
        case Qt::Key_Delete:
        case Qt::Key_Backspace:
            if (!points.empty()) {
                points.pop_back();
            }
            break;
        case Qt::Key_Insert:
            if (points.size() < (tool_ == Tool::Scale || tool_ == Tool::Axis ? 2u : 60u)) {
                points.push_back(points.empty() ? PicturePoint{0.5, 0.5 * pictureBox().height() /
                                                                        pictureBox().width()}
                                                : points.back());
            }
            break;
        case Qt::Key_Left:
            across = -step;
            break;
        case Qt::Key_Right:
            across = step;
            break;
        case Qt::Key_Up:
            down = -step;
            break;
        case Qt::Key_Down:
            down = step;
            break;
        default:
            QWidget::keyPressEvent(event);
            return;
    }
    if (!points.empty()) {
        points.back().across += across;
        points.back().down += down;
    }
    update();
    emit traced();
}

TraceDialog::TraceDialog(Workbench& bench, QWidget* parent)
    : QDialog(parent),
      bench_(bench),
      holder_(new QWidget),
      message_(new QLabel),
      known_(new QLineEdit),
      keep_(new QCheckBox(tr("keep the picture with the design"))) {
    setWindowTitle(tr("Trace a picture"));
    setObjectName(QStringLiteral("traceDialog"));
    resize(900, 620);
    auto* layout = new QVBoxLayout(this);
    auto* top = new QHBoxLayout;
    auto* open = new QPushButton(tr("Choose a picture…"));
    open->setObjectName(QStringLiteral("choosePicture"));
    top->addWidget(open);
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
    top->addWidget(new QLabel(tr("known length")));
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
    const QImage picture = tracePicture(kept);
    if (!picture.isNull()) {
        path_ = QString::fromStdString(kept.picturePath);
        if (kept.picture) {
            bytes_ = QByteArray(kept.picture.bytes->data(), qsizetype(kept.picture.bytes->size()));
        } else {
            bytes_ = fileBytes(path_);
            keep_->setChecked(false);
        }
        showCanvas(picture, kept);
    } else {
        message_->setText(
            kept.picturePath.empty()
                ? tr("Choose a photograph or scan of the bait or fish, seen square from the side. "
                     "Then: two places a known length apart, the nose and tail tips, and points "
                     "along back and belly.")
                : QStringLiteral("▲ ") + tr("The picture is no longer at %1. Choose it again; what "
                                            "was traced is kept.")
                                             .arg(QString::fromStdString(kept.picturePath)));
    }
}

bool TraceDialog::loadPicture(const QString& path) {
    const QByteArray bytes = fileBytes(path);
    const QImage picture = decoded(bytes);
    if (picture.isNull()) {
        message_->setText(QStringLiteral("▲ ") +
                          tr("That is no PNG or JPEG picture this can open (up to 8 MB and 40 "
                             "million pixels)."));
        return false;
    }
    path_ = path;
    bytes_ = bytes;
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
