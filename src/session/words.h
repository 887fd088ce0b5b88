// The words of sheets and pages in the maker's language.
#pragma once

#include <QCoreApplication>

namespace wl {

/// The context of all that no class says: the one the extraction finds it in. The text in the
/// maker's language; itself where nothing better is known. What is a class of Qt's says its words
/// through its own tr(). `n` stands for %n, and chooses the form of the words for so many.
inline QString tr(const char* text, const char* which = nullptr, int n = -1) {
    return QCoreApplication::translate("wl", text, which, n);
}

}  // namespace wl
