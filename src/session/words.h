// The words of sheets and pages in the maker's language.
#pragma once

#include <QCoreApplication>

namespace wl {

/// The context of all that no class says: the one the extraction finds it in. The text in the
/// maker's language; itself where nothing better is known. What is a class of Qt's says its words
/// through its own tr().
inline QString tr(const char* text) {
    return QCoreApplication::translate("wl", text);
}

}  // namespace wl
