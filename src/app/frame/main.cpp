// Starts the window. Arguments: a design file, or --demo; --shots FOLDER takes the documentation
// pictures and ends.

#include <QCommandLineParser>
#include <QIcon>
#include <QSettings>
#include <QStandardPaths>
#include <QTimer>

#include "app/frame/guarded_application.h"
#include "app/frame/main_window.h"
#include "app/frame/screenshots.h"
#include "app/kit/english.h"
#include "app/kit/theme.h"
#include "sheet/shipped_font.h"

int main(int argc, char** argv) {
    QCoreApplication::setOrganizationName(QStringLiteral("wadeline"));
    QCoreApplication::setApplicationName(QStringLiteral("wadeline"));
    QCoreApplication::setApplicationVersion(QStringLiteral(WL_VERSION));

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
    const QCommandLineOption takeUp(
        QStringLiteral("take-up"),
        QCoreApplication::translate("main", "Take up a copy of unsaved work."),
        QStringLiteral("copy"));
    parser.addOptions({demo, shots, startTime, takeUp});
    // Help and version need no display.
    for (int i = 1; i < argc; ++i) {
        const QLatin1String word(argv[i]);
        if (word == QLatin1String("--help") || word == QLatin1String("-h") ||
            word == QLatin1String("--help-all") || word == QLatin1String("--version") ||
            word == QLatin1String("-v")) {
            const QCoreApplication words(argc, argv);
            parser.process(words);
        }
    }

    wl::GuardedApplication application(argc, argv);
    QGuiApplication::setApplicationDisplayName(QString());
    QGuiApplication::setDesktopFileName(QStringLiteral("org.wadeline.WadeLine"));
    wl::loadShippedFont();
    wl::speakEnglish(application);
    QApplication::setWindowIcon(QIcon(QStringLiteral(":/wadeline.svg")));
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
    application.told = [&window](const wl::Error& error) { window.tell(error); };
    const bool recovered = !parser.isSet(startTime) && window.offerRecovery(parser.value(takeUp));
    if (!recovered) {
        window.openFirst(files);
    }
    return QApplication::exec();
}
