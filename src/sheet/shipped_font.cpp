#include "sheet/shipped_font.h"

#include <QFontDatabase>
#include <QStringList>
#include <QtGlobal>

static void initResources() {
    Q_INIT_RESOURCE(resources);
}

namespace wl {

QString loadShippedFont() {
    static const QString family = [] {
        initResources();
        QString name;
        for (const char* file : {":/fonts/OpenSans-Regular.ttf", ":/fonts/OpenSans-Semibold.ttf"}) {
            const int id = QFontDatabase::addApplicationFont(QLatin1String(file));
            const QStringList families = QFontDatabase::applicationFontFamilies(id);
            if (!families.isEmpty() && name.isEmpty()) {
                name = families.front();
            }
        }
        return name;
    }();
    return family;
}

}  // namespace wl
