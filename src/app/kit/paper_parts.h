// Measures and marks that what a widget takes of room and how it is drawn share. Internal to the
// room.
#pragma once

#include <QVariant>
#include <QWidget>

namespace wl {

inline constexpr int kLine = 1;                          ///< of a frame, pixels
inline constexpr int kArrowWide = 18;                    ///< of a list that opens
inline constexpr int kTabPadTop = 3, kTabPadBottom = 5;  ///< over and under a tab's name

/// The button a sheet is there for.
inline bool isMain(const QWidget* widget) {
    return widget != nullptr && widget->property("main").toBool();
}

/// One of the names over a sheet's parts.
inline bool isTab(const QWidget* widget) {
    return widget != nullptr && widget->property("role") == QLatin1String("tab");
}

}  // namespace wl
