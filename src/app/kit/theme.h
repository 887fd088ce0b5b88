// Colours, type and the style of the window, light ("paper") and dark ("lamp").
#pragma once

#include <QApplication>
#include <QColor>
#include <QFont>

namespace wl {

/// The colours everything is drawn with. Signal always stands beside a word or mark.
struct Inks {
    QColor ground, sheet, ink, quiet, rule, water, signal;
    QColor waterFill, wood, resin, clear, plastic, lead, filler, steel, lip, target;
    bool dark = false;
};

const Inks& inks();

/// The sizes of type, in pixels at 100 %. Figure: what is read at arm's length.
enum class Type { Small = 12, Body = 14, Figure = 18, Large = 20 };
QFont type(Type size, bool strong = false);

/// Sets style, palette and shipped font. The application's font size sets the scale.
void applyTheme(QApplication& application, bool dark);

}  // namespace wl
