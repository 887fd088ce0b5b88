#include "words/log_words.h"

#include <QDate>
#include <QLocale>
#include <algorithm>

#include "core/base/units.h"
#include "session/words.h"

namespace wl {

QString noteName(NoteKind kind) {
    const QString names[] = {tr("depth"),        tr("beats a second"), tr("swing to a side"),
                             tr("blows out at"), tr("sinks at"),       tr("cast"),
                             tr("mass"),         tr("nose"),           tr("back showing"),
                             tr("lean"),         tr("runs aside"),     tr("catch"),
                             tr("follow"),       tr("missed"),         tr("snagged"),
                             tr("lost"),         tr("tuned"),          tr("trouble"),
                             tr("remark")};
    return names[size_t(kind)];
}

QString noteAsks(NoteKind kind) {
    const QString asks[] = {tr("Ran at"),     tr("Beats/s"), tr("Swings"),     tr("Blew out at"),
                            tr("Sank at"),    tr("Flew"),    tr("Weighs"),     tr("Nose up"),
                            tr("Back shows"), tr("Leans"),   tr("Runs aside"), tr("Caught"),
                            tr("Follow"),     tr("Missed"),  tr("Snagged"),    tr("Lost it"),
                            tr("Tuned"),      tr("Trouble"), tr("Remark")};
    return asks[size_t(kind)];
}

QString figureText(NoteKind kind, double si, Bench bench, bool unit) {
    if (kind == NoteKind::Beats) {
        const QString number = QLocale().toString(si, 'f', 1);
        return unit ? tr("%1 beats/s").arg(number) : number;
    }
    return shown(quantityOf(kind), bench, si, unit);
}

QString noteFigure(const LogNote& note, Bench bench) {
    if (!isMeasured(note.kind)) {
        return {};
    }
    const auto figure = [&](const std::optional<double>& v, bool unit = true) {
        return v ? figureText(note.kind, *v, bench, unit) : QStringLiteral("–");
    };
    switch (note.as) {
        case SeenAs::Value:
            return figure(note.low);
        case SeenAs::AtLeast:
            return tr("at least %1").arg(figure(note.low));
        case SeenAs::AtMost:
            return tr("at most %1").arg(figure(note.high));
        case SeenAs::Between:
            return tr("%1 to %2").arg(figure(note.low, false), figure(note.high));
    }
    return {};
}

QString noteForetold(const LogNote& note, Bench bench) {
    if (!note.foretold) {
        return QStringLiteral("–");
    }
    if (!note.foretoldLow || !note.foretoldHigh) {
        return figureText(note.kind, *note.foretold, bench);
    }
    return tr("%1 (%2 to %3)")
        .arg(figureText(note.kind, *note.foretold, bench, false),
             figureText(note.kind, *note.foretoldLow, bench, false),
             figureText(note.kind, *note.foretoldHigh, bench));
}

QString noteInBand(const LogNote& note) {
    if (!note.foretoldLow || !note.foretoldHigh || faultOf(note)) {
        return {};
    }
    const double least = std::min(*note.foretoldLow, *note.foretoldHigh);
    const double most = std::max(*note.foretoldLow, *note.foretoldHigh);
    const bool over = note.as != SeenAs::AtMost && *note.low > most;
    const bool under = note.as != SeenAs::AtLeast && *note.high < least;
    return over ? tr("▲ over") : under ? tr("▲ under") : tr("✓ inside");
}

QString copyPlaceWords(CopyPlace place) {
    const QString words[] = {tr("in the box"), tr("lent"), tr("given away"), tr("lost")};
    return words[size_t(place)];
}

QString outingWords(const LogOuting& outing) {
    const QDate date = QDate::fromString(QString::fromStdString(outing.date), Qt::ISODate);
    QStringList parts{date.year() <= 1900 ? tr("day not known")
                                          : QLocale().toString(date, QLocale::ShortFormat)};
    if (outing.tank) {
        parts << tr("tank");
    }
    if (!outing.place.empty()) {
        parts << QString::fromStdString(outing.place);
    }
    return parts.join(QStringLiteral(", "));
}

QString familyWords(const std::string& family) {
    const QString text = QString::fromStdString(family);
    const QString body = text.endsWith(QLatin1String("_slender")) ? tr("slender") : tr("stout");
    for (const auto& [name, words] :
         {std::pair{"in_line_lip", tr("lip in line")}, std::pair{"steep_lip", tr("steep lip")},
          std::pair{"sloped_face", tr("sloped face")}, std::pair{"lipless", tr("lipless")},
          std::pair{"glide", tr("glide bait")}, std::pair{"chain", tr("in pieces")},
          std::pair{"jointed", tr("pieces and a lip")}}) {
        if (text.startsWith(QLatin1String(name))) {
            return tr("%1, %2").arg(words, body);
        }
    }
    return text;
}

}  // namespace wl
