// Notes of a log in words.
#pragma once

#include <QString>

#include "core/learn/water_log.h"
#include "session/sentence_text.h"

namespace wl {

/// "depth", "beats a second", "caught".
QString noteName(NoteKind kind);
/// What is asked for, on a button: "Ran at…", "Caught".
QString noteAsks(NoteKind kind);
/// "2.1 m", "at least 2.0 m", "2.0 to 2.4 m"; empty for what has no figure.
QString noteFigure(const LogNote& note, Bench bench);
/// "2.1 (1.7 to 2.6) m"; a dash where nothing was foretold.
QString noteForetold(const LogNote& note, Bench bench);
/// Whether what was seen lay in the band; empty without one.
QString noteInBand(const LogNote& note);
/// A figure of that kind with its unit.
QString figureText(NoteKind kind, double si, Bench bench, bool unit = true);
/// "in the box", "lent, to a neighbour".
QString copyPlaceWords(CopyPlace place);
/// "30 May 2026, Mill pool" in the maker's language.
QString outingWords(const LogOuting& outing);
QString familyWords(const std::string& family);

}  // namespace wl
