#include "app/dialogs/float_photo_dialog.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QFileInfo>
#include <QFormLayout>
#include <QImageReader>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPushButton>
#include <QVBoxLayout>
#include <cmath>

#include "app/dialogs/amount_field.h"
#include "app/kit/plain_label.h"
#include "app/kit/theme.h"
#include "session/sentence_text.h"

namespace wl {
namespace {

constexpr double kMarkReach = 9;

}  // namespace

QImage loadPicture(const QString& path) {
    constexpr qint64 kMostBytes = 40 << 20;
    constexpr QSize kMost(2400, 2400);
    if (QFileInfo(path).size() > kMostBytes) {
        return {};
    }
    QImageReader reader(path);
    reader.setAutoTransform(true);
    const QSize size = reader.size();
    if (size.width() > kMost.width() || size.height() > kMost.height()) {
        reader.setScaledSize(size.scaled(kMost, Qt::KeepAspectRatio));
    }
    return reader.read();
}

MarkCanvas::MarkCanvas(QImage picture, QWidget* parent)
    : QWidget(parent), picture_(std::move(picture)) {
    setObjectName(QStringLiteral("photoCanvas"));
    setAccessibleName(tr("The photograph with its marks"));
    setFocusPolicy(Qt::StrongFocus);
}

void MarkCanvas::setPair(Pair pair) {
    pair_ = pair;
    update();
}

void MarkCanvas::setMarks(Pair pair, std::vector<PicturePoint> marks) {
    marks_[size_t(pair)] = std::move(marks);
    update();
    emit marked();
}

QRectF MarkCanvas::pictureBox() const {
    QSizeF size = picture_.size();
    size.scale(QSizeF(width() - 16, height() - 16), Qt::KeepAspectRatio);
    return {QPointF(0.5 * (width() - size.width()), 0.5 * (height() - size.height())), size};
}

QPointF MarkCanvas::toPaper(const PicturePoint& p) const {
    const QRectF box = pictureBox();
    return box.topLeft() + box.width() * QPointF(p.across, p.down);
}

PicturePoint MarkCanvas::fromPaper(const QPointF& at) const {
    const QRectF box = pictureBox();
    return {std::clamp((at.x() - box.left()) / box.width(), 0.0, 1.0),
            std::clamp((at.y() - box.top()) / box.width(), 0.0, box.height() / box.width())};
}

void MarkCanvas::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const Inks& c = inks();
    p.fillRect(rect(), c.ground);
    p.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
    p.drawImage(pictureBox(), picture_);
    const QString names[] = {tr("known length"), tr("water"), tr("bait"), tr("back")};
    for (size_t i = 0; i < marks_.size(); ++i) {
        const bool live = Pair(i) == pair_;
        p.setPen(QPen(live ? c.signal : c.water, live ? 2.0 : 1.4,
                      Pair(i) == Pair::Scale ? Qt::DashLine : Qt::SolidLine));
        QPolygonF line;
        for (const PicturePoint& q : marks_[i]) {
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
                             QSizeF(p.fontMetrics().horizontalAdvance(names[i]) + 10, 17));
            p.fillRect(tag, c.sheet);
            p.drawText(tag, Qt::AlignCenter, names[i]);
        }
    }
}

void MarkCanvas::mousePressEvent(QMouseEvent* event) {
    setFocus(Qt::MouseFocusReason);
    auto& points = marks_[size_t(pair_)];
    dragged_ = -1;
    for (size_t i = 0; i < points.size(); ++i) {
        const QPointF gap = toPaper(points[i]) - event->position();
        if (std::hypot(gap.x(), gap.y()) < kMarkReach) {
            dragged_ = int(i);
        }
    }
    if (dragged_ < 0) {
        if (points.size() >= most()) {
            points.clear();  // one more click begins it again
        }
        points.push_back(fromPaper(event->position()));
        dragged_ = int(points.size()) - 1;
    }
    update();
    emit marked();
}

void MarkCanvas::mouseMoveEvent(QMouseEvent* event) {
    auto& points = marks_[size_t(pair_)];
    if (dragged_ >= 0 && dragged_ < int(points.size())) {
        points[size_t(dragged_)] = fromPaper(event->position());
        update();
        emit marked();
    }
}

void MarkCanvas::mouseReleaseEvent(QMouseEvent*) {
    dragged_ = -1;
}

void MarkCanvas::keyPressEvent(QKeyEvent* event) {
    auto& points = marks_[size_t(pair_)];
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
            if (points.size() < most()) {
                const QRectF box = pictureBox();
                points.push_back({0.5, 0.5 * box.height() / box.width()});
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
    emit marked();
}

FloatPhotoDialog::FloatPhotoDialog(Workbench& bench, QImage picture, QWidget* parent)
    : QDialog(parent),
      bench_(bench),
      canvas_(new MarkCanvas(std::move(picture))),
      view_(new QComboBox),
      pair_(new QComboBox),
      length_(new AmountField(bench, QStringLiteral("photoLength"), tr("Known length"),
                              Quantity::Length, 0.005, 2.0)),
      words_(plainLabel()) {
    setWindowTitle(tr("How it floats, by a photograph"));
    setObjectName(QStringLiteral("floatPhotoDialog"));
    resize(860, 640);
    view_->setObjectName(QStringLiteral("photoView"));
    view_->setAccessibleName(tr("Taken from"));
    view_->addItems({tr("taken from the side"), tr("taken from ahead")});
    pair_->setObjectName(QStringLiteral("photoPair"));
    pair_->setAccessibleName(tr("What the next clicks mark"));
    pair_->addItems({tr("1. two ends of the known length"), tr("2. two places of the waterline"),
                     tr("3. tip of the nose, tip of the tail"),
                     tr("4. highest place of the back")});
    length_->set(0.1);
    words_->setObjectName(QStringLiteral("photoWords"));
    words_->setWordWrap(true);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel);
    take_ = buttons->addButton(tr("Log what it shows"), QDialogButtonBox::AcceptRole);
    take_->setObjectName(QStringLiteral("photoTake"));
    auto* rows = new QFormLayout;
    rows->addRow(view_);
    rows->addRow(pair_);
    rows->addRow(tr("The known length is"), length_);
    auto* hint = plainLabel(
        tr("Put a ruler into the water beside the bait, as far from the lens as the bait is, and "
           "hold the lens at the height of the water. Arrows move the last mark, Shift finer."));
    hint->setProperty("role", "quiet");
    hint->setWordWrap(true);
    auto* layout = new QVBoxLayout(this);
    layout->addWidget(canvas_, 1);
    layout->addLayout(rows);
    layout->addWidget(words_);
    layout->addWidget(hint);
    layout->addWidget(buttons);
    connect(pair_, &QComboBox::currentIndexChanged, this,
            [this](int i) { canvas_->setPair(MarkCanvas::Pair(i)); });
    connect(view_, &QComboBox::currentIndexChanged, this, [this] {
        pair_->setItemText(2, fromAhead() ? tr("3. keel, then the top of the back")
                                          : tr("3. tip of the nose, tip of the tail"));
        read();
    });
    connect(canvas_, &MarkCanvas::marked, this, [this] { read(); });
    connect(length_->line(), &QLineEdit::editingFinished, this, [this] { read(); });
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    read();
}

bool FloatPhotoDialog::fromAhead() const {
    return view_->currentIndex() == 1;
}

void FloatPhotoDialog::read() {
    FloatPhoto photo;
    photo.fromAhead = fromAhead();
    photo.widthPixels = canvas_->pictureWidth();
    const std::optional<double> length = length_->value();
    photo.knownLength_m = length.value_or(0.0);
    photo.scale = canvas_->marks(MarkCanvas::Pair::Scale);
    photo.water = canvas_->marks(MarkCanvas::Pair::Water);
    photo.axis = canvas_->marks(MarkCanvas::Pair::Axis);
    photo.back = canvas_->marks(MarkCanvas::Pair::Back);
    if (const ResultsPtr r = bench_.results(); r && r->derived) {
        const BodyCurves& curves = r->derived->shape->curves;
        const Section nose = curves.at(0.0), tail = curves.at(1.0);
        const double rise = 0.5 * (nose.back_m + nose.belly_m) - 0.5 * (tail.back_m + tail.belly_m);
        photo.baitLength_m = std::hypot(curves.length_m(), rise);
        photo.axisRise_rad = std::atan2(rise, curves.length_m());
    }
    const Result<FloatSeen> seen = readFloatPhoto(photo);
    take_->setEnabled(seen.ok());
    if (!seen) {
        seen_.reset();
        words_->setText(QStringLiteral("▲ ") + sentence(seen.error(), bench_.bench()));
        return;
    }
    seen_ = *seen;
    const QString angle = bench_.text(Quantity::Angle, seen->angle_rad);
    const QString error = bench_.text(Quantity::Angle, seen->angleError_rad);
    words_->setText(fromAhead()
                        ? tr("Left side up %1, give or take %2.").arg(angle, error)
                        : tr("Nose up %1, give or take %2; back out of the water %3, give or take "
                             "%4.")
                              .arg(angle, error, bench_.text(Quantity::Length, *seen->showing_m),
                                   bench_.text(Quantity::Length, seen->showingError_m)));
}

}  // namespace wl

#include "moc_float_photo_dialog.cpp"
