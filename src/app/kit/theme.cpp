#include "app/kit/theme.h"

#include <QStyleFactory>
#include <QToolTip>

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

QString styleSheet(const Inks& c) {
    QString text = QStringLiteral(R"(
QWidget { color: @ink; }
QMainWindow, #centre, QDialog, QMenu, QMessageBox { background: @ground; }
QToolTip { background: @sheet; color: @ink; border: 1px solid @rule; padding: 4px; }
#topBar, #rail, #rightColumn { background: @ground; }
#tank, #solidView, #swingView, #traceView, #runStrip, #weighBeam, #sheetPage, #worksheet, QStackedWidget, QScrollArea, #findingsBody { background: @sheet; }
QScrollArea { border: none; }
QLineEdit, QPlainTextEdit, QComboBox { background: @sheet; border: 1px solid @rule; border-radius: 2px;
  padding: 2px 5px; selection-background-color: @water; selection-color: @sheet; min-height: 20px; }
QLineEdit:focus, QComboBox:focus, QPlainTextEdit:focus { border: 1px solid @water; }
#designName { min-height: 28px; }
QLineEdit[faulty="true"] { border: 2px solid @signal; }
QLineEdit:disabled, QComboBox:disabled { color: @quiet; background: @ground; }
QPushButton, QToolButton { background: @ground; border: 1px solid @rule; border-radius: 2px; padding: 3px 10px; }
QPushButton:hover, QToolButton:hover { border-color: @water; }
QPushButton:focus, QToolButton:focus { border: 1px solid @water; }
QPushButton:checked, QToolButton:checked { border: 1px solid @water; color: @water; }
QPushButton:disabled, QToolButton:disabled { color: @quiet; border-style: dotted; }
QPushButton[main="true"] { background: @water; color: @sheet; border-color: @water; }
QPushButton[main="true"]:disabled { background: @sheet; color: @quiet; border: 1px dotted @rule; }
QPushButton[main="true"]:focus { border: 2px solid @ink; }
QToolButton[role="tab"] { background: transparent; border: none; border-bottom: 2px solid transparent; padding: 3px 7px; }
QToolButton[role="tab"]:hover { color: @water; }
QToolButton[role="tab"]:checked { color: @water; border-bottom: 2px solid @water; }
QToolButton[role="tab"]:focus { border-bottom: 2px solid @ink; }
#sheetTabs { background: @ground; }
QLabel[role="quiet"] { color: @quiet; }
QLabel[role="fault"] { color: @signal; }
QTableView { background: @sheet; gridline-color: @rule; border: 1px solid @rule;
  selection-background-color: @ground; selection-color: @ink; alternate-background-color: @sheet; }
QHeaderView::section { background: @ground; color: @quiet; border: none; border-bottom: 1px solid @rule;
  border-right: 1px solid @rule; padding: 2px 5px; }
QTableCornerButton::section { background: @ground; border: none; }
QSplitter::handle { background: @rule; }
QComboBox::drop-down { border: none; width: 18px; }
QComboBox::down-arrow { image: url(:/@arrow); width: 10px; height: 6px; }
QCheckBox { spacing: 6px; }
QScrollBar:vertical { background: @ground; width: 11px; margin: 0; }
QScrollBar:horizontal { background: @ground; height: 11px; margin: 0; }
QScrollBar::handle { background: @rule; border-radius: 3px; min-height: 24px; min-width: 24px; }
QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
QMenu { border: 1px solid @rule; }
QMenu::item { padding: 4px 22px; }
QMenu::item:selected { background: @rule; }
QMenuBar { background: @ground; }
QMenuBar::item:selected { background: @rule; }
)");
    text.replace(QLatin1String("@arrow"),
                 QLatin1String(c.dark ? "arrow-night.svg" : "arrow-day.svg"));
    const std::pair<const char*, QColor> names[] = {
        {"@ground", c.ground}, {"@sheet", c.sheet}, {"@ink", c.ink},      {"@quiet", c.quiet},
        {"@rule", c.rule},     {"@water", c.water}, {"@signal", c.signal}};
    for (const auto& [name, colour] : names) {
        text.replace(QLatin1String(name), colour.name());
    }
    return text;
}

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
        return;  // polishing every widget again would cost a third of the start-up
    }
    current = dark ? lamp() : paper();
    if (!applied) {
        application.setStyle(QStyleFactory::create(QStringLiteral("Fusion")));
        family = loadShippedFont();
        application.setFont(type(Type::Body));
    }
    applied = true;
    // One sheet straight after another is worked out for every widget below every widget: seconds
    // in a window whose steps were all seen. Taken off first, it is worked out once for each.
    application.setStyleSheet(QString());
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
    application.setStyleSheet(styleSheet(current));
}

}  // namespace wl
