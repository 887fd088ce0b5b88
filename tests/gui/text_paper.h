// A paper that keeps the words painted on it, and where.
#pragma once

#include <QFontInfo>
#include <QPaintDevice>
#include <QPaintEngine>
#include <QPainter>
#include <cmath>
#include <vector>

namespace wl::test {

/// A text painted, in pixels of the paper.
struct PaintedText {
    QRectF box;
    QString text;
    double pixelSize = 0;
    QRectF shown;  ///< what of the box the painter's clip lets be seen
};

// Takes every text a painter writes, where it ends up.
class TextTaker : public QPaintEngine {
  public:
    explicit TextTaker(std::vector<PaintedText>& out) : QPaintEngine(AllFeatures), out_(out) {}
    bool begin(QPaintDevice*) override { return true; }
    bool end() override { return true; }
    void updateState(const QPaintEngineState& now) override {
        if (now.state().testFlag(DirtyTransform)) {
            at_ = now.transform();
        }
    }
    void drawPixmap(const QRectF&, const QPixmap&, const QRectF&) override {}
    void drawPath(const QPainterPath&) override {}
    void drawPolygon(const QPointF*, int, PolygonDrawMode) override {}
    void drawTextItem(const QPointF& p, const QTextItem& item) override {
        const QRectF box(p.x(), p.y() - item.ascent(), item.width(),
                         item.ascent() + item.descent());
        const double size = QFontInfo(item.font()).pixelSize();
        const QRectF there = at_.mapRect(box);
        const QRectF shown =
            painter()->hasClipping() ? there & at_.mapRect(painter()->clipBoundingRect()) : there;
        if (!item.text().trimmed().isEmpty()) {
            out_.push_back(
                {there, item.text(), size * std::sqrt(std::abs(at_.determinant())), shown});
        }
    }
    Type type() const override { return User; }

  private:
    std::vector<PaintedText>& out_;
    QTransform at_;
};

class TextPaper : public QPaintDevice {
  public:
    explicit TextPaper(QSize size) : size_(size), taker_(texts) {}
    QPaintEngine* paintEngine() const override { return const_cast<TextTaker*>(&taker_); }
    std::vector<PaintedText> texts;

  protected:
    int metric(PaintDeviceMetric what) const override {
        switch (what) {
            case PdmWidth:
                return size_.width();
            case PdmHeight:
                return size_.height();
            case PdmDpiX:
            case PdmDpiY:
            case PdmPhysicalDpiX:
            case PdmPhysicalDpiY:
                return 96;
            case PdmDevicePixelRatio:
                return 1;
            case PdmDevicePixelRatioScaled:
                return int(devicePixelRatioFScale());
            case PdmDepth:
                return 32;
            default:
                return 0;
        }
    }

  private:
    QSize size_;
    TextTaker taker_;
};

}  // namespace wl::test
