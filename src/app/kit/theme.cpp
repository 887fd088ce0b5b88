#include "app/kit/theme.h"

#include <QStyle>
#include <QToolTip>

#include "app/kit/paper_style.h"
#include "sheet/shipped_font.h"

namespace wl {
namespace {

Inks paper() {
    Inks c;
    c.ground = QColor("#F4F1EA");
    c.sheet = QColor("#FBF9F4");
    c.ink = QColor("#23282B");
    c.quiet = QColor("#5C666B");
    c.rule = QColor("#D8D2C4");
    c.water = QColor("#2E6F8E");
    c.signal = QColor("#B4451A");
    c.waterFill = QColor(46, 111, 142, 30);
    c.wood = QColor("#E9D9BC");
    c.resin = QColor("#D5D8D6");
    c.clear = QColor("#E4EEEE");
    c.plastic = QColor("#E2DDE6");
    c.lead = QColor("#3A4044");
    c.filler = QColor("#DED6C6");
    c.steel = QColor("#7C868B");
    c.lip = QColor("#BFD3DA");
    c.target = QColor(46, 111, 142, 55);
    return c;
}

Inks lamp() {
    Inks c;
    c.dark = true;
    c.ground = QColor("#14181B");
    c.sheet = QColor("#1B2024");
    c.ink = QColor("#E8E4DA");
    c.quiet = QColor("#9AA3A8");
    c.rule = QColor("#363E43");
    c.water = QColor("#6CB7D6");
    c.signal = QColor("#F0883E");
    c.waterFill = QColor(108, 183, 214, 34);
    c.wood = QColor("#57492F");
    c.resin = QColor("#454B4A");
    c.clear = QColor("#37474B");
    c.plastic = QColor("#46414D");
    c.lead = QColor("#0B0D0E");
    c.filler = QColor("#49443A");
    c.steel = QColor("#98A2A7");
    c.lip = QColor("#3E5660");
    c.target = QColor(108, 183, 214, 60);
    return c;
}

Inks current = paper();
QString family;

}  // namespace

const Inks& inks() {
    return current;
}

QFont type(Type size, bool strong) {
    QFont font(family);
    font.setPixelSize(static_cast<int>(size));
    if (strong) {
        font.setWeight(QFont::DemiBold);
    }
    return font;
}

void applyTheme(QApplication& application, bool dark) {
    static bool applied = false;
    if (applied && current.dark == dark) {
        return;
    }
    current = dark ? lamp() : paper();
    if (!applied) {
        application.setStyle(new PaperStyle);
        family = loadShippedFont();
        application.setFont(type(Type::Body));
    }
    QPalette p;
    p.setColor(QPalette::Window, current.ground);
    p.setColor(QPalette::WindowText, current.ink);
    p.setColor(QPalette::Base, current.sheet);
    p.setColor(QPalette::AlternateBase, current.ground);
    p.setColor(QPalette::Text, current.ink);
    p.setColor(QPalette::PlaceholderText, current.quiet);
    p.setColor(QPalette::Button, current.ground);
    p.setColor(QPalette::ButtonText, current.ink);
    p.setColor(QPalette::Highlight, current.water);
    p.setColor(QPalette::HighlightedText, current.sheet);
    p.setColor(QPalette::ToolTipBase, current.sheet);
    p.setColor(QPalette::ToolTipText, current.ink);
    p.setColor(QPalette::Disabled, QPalette::Text, current.quiet);
    p.setColor(QPalette::Disabled, QPalette::ButtonText, current.quiet);
    application.setPalette(p);
    QToolTip::setPalette(p);
    if (applied) {
        for (QWidget* widget : QApplication::allWidgets()) {
            application.style()->polish(widget);
        }
    }
    applied = true;
}

}  // namespace wl
