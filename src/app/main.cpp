// Starts the window. Arguments: a design file, or --demo; --shots FOLDER takes the documentation
// pictures and ends.

#include <QApplication>
#include <QCommandLineParser>
#include <QIcon>
#include <QSettings>
#include <QStandardPaths>
#include <QTimer>

#include "app/main_window.h"
#include "app/screenshots.h"
#include "app/theme.h"
#include "sheet/shipped_font.h"

int main(int argc, char** argv) {
    QApplication application(argc, argv);
    QCoreApplication::setOrganizationName(QStringLiteral("wadeline"));
    QCoreApplication::setApplicationName(QStringLiteral("wadeline"));
    QCoreApplication::setApplicationVersion(QStringLiteral(WL_VERSION));
    QGuiApplication::setApplicationDisplayName(QString());
    QGuiApplication::setDesktopFileName(QStringLiteral("org.wadeline.WadeLine"));
    wl::loadShippedFont();
    QApplication::setWindowIcon(QIcon(QStringLiteral(":/wadeline.svg")));

    QCommandLineParser parser;
    parser.setApplicationDescription(
        QCoreApplication::translate("main", "How a hard bait sits, how deep it runs."));
    parser.addHelpOption();
    parser.addVersionOption();
    parser.addPositionalArgument(QStringLiteral("file"),
                                 QCoreApplication::translate("main", "Design to open."));
    const QCommandLineOption demo(QStringLiteral("demo"),
                                  QCoreApplication::translate("main", "Open the demo bait."));
    const QCommandLineOption shots(QStringLiteral("shots"),
                                   QCoreApplication::translate("main", "Take pictures and end."),
                                   QStringLiteral("folder"));
    const QCommandLineOption startTime(
        QStringLiteral("time-start"),
        QCoreApplication::translate("main", "Print the time to the first result and end."));
    parser.addOptions({demo, shots, startTime});
    parser.process(application);

    if (parser.isSet(shots)) {
        return wl::takeScreenshots(parser.value(shots)) ? 0 : 1;
    }
    wl::applyTheme(application, QSettings().value(QStringLiteral("dark"), false).toBool());
    const QString data = QStandardPaths::writableLocation(QStandardPaths::AppLocalDataLocation);
    wl::MainWindow window(data + QStringLiteral("/recovery"));
    if (parser.isSet(startTime)) {
        wl::printStartTime(window);
    }
    window.show();
    const QStringList files = parser.positionalArguments();
    const bool recovered = !parser.isSet(startTime) && window.offerRecovery();
    if (!recovered) {
        if (files.isEmpty() || !window.openFile(files.front())) {
            window.openDemo();
        }
    }
    return QApplication::exec();
}
