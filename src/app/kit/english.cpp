#include "app/kit/english.h"

#include <QCoreApplication>
#include <QTranslator>

namespace wl {

void speakEnglish(QCoreApplication& application) {
    auto* english = new QTranslator(&application);
    if (english->load(QStringLiteral(":/words/words_en.qm"))) {
        QCoreApplication::installTranslator(english);
    }
}

}  // namespace wl
