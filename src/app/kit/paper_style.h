// How the widgets look: flat, ruled like paper. Drawn here over Qt's Fusion and not by a style
// sheet, whose rules are sought for every widget there is: that took half the time a window needs
// to open.
#pragma once

#include <QProxyStyle>

namespace wl {

class PaperStyle : public QProxyStyle {
  public:
    PaperStyle();

    using QProxyStyle::polish;
    /// Gives a widget the colours of its name ("rail", "sheetPage" and their like), of its kind and
    /// of its "role" ("quiet", "fault"). To be called again when the role or the theme has changed.
    void polish(QWidget* widget) override;

    int pixelMetric(PixelMetric metric, const QStyleOption* option,
                    const QWidget* widget) const override;
    int styleHint(StyleHint hint, const QStyleOption* option, const QWidget* widget,
                  QStyleHintReturn* returned) const override;
    QSize sizeFromContents(ContentsType type, const QStyleOption* option, const QSize& size,
                           const QWidget* widget) const override;
    QRect subElementRect(SubElement element, const QStyleOption* option,
                         const QWidget* widget) const override;
    QRect subControlRect(ComplexControl control, const QStyleOptionComplex* option, SubControl part,
                         const QWidget* widget) const override;
    void drawPrimitive(PrimitiveElement element, const QStyleOption* option, QPainter* painter,
                       const QWidget* widget) const override;
    void drawControl(ControlElement element, const QStyleOption* option, QPainter* painter,
                     const QWidget* widget) const override;
    void drawComplexControl(ComplexControl control, const QStyleOptionComplex* option,
                            QPainter* painter, const QWidget* widget) const override;
};

}  // namespace wl
