// One application for the whole run, without a display and without touching the user's settings.
#include <QSettings>
#include <QStandardPaths>
#include <QTemporaryDir>

#include "app/frame/guarded_application.h"
#include "app/kit/english.h"
#include "app/kit/theme.h"
#include "support/catch_runner.h"

int main(int argc, char** argv) {
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM")) {
        qputenv("QT_QPA_PLATFORM", "offscreen");
    }
    QTemporaryDir home;
    qputenv("XDG_CONFIG_HOME", home.path().toUtf8());
    qputenv("XDG_DATA_HOME", home.path().toUtf8());
    wl::GuardedApplication application(argc, argv);
    QCoreApplication::setOrganizationName("wadeline-test");
    QCoreApplication::setApplicationName("wadeline-test");
    wl::applyTheme(application, false);
    wl::speakEnglish(application);
    return runCatch(argc, argv);
}
