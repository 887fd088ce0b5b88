#include "builds/desktop_notice.h"

#include <QDBusConnection>
#include <QDBusMessage>
#include <QVariantMap>

namespace wl {

void showDesktopNotice(const QString& words) {
    QDBusConnection desktop = QDBusConnection::sessionBus();
    if (!desktop.isConnected()) {
        return;
    }
    QDBusMessage call = QDBusMessage::createMethodCall(
        QStringLiteral("org.freedesktop.Notifications"),
        QStringLiteral("/org/freedesktop/Notifications"),
        QStringLiteral("org.freedesktop.Notifications"), QStringLiteral("Notify"));
    constexpr int kAsTheDesktopLikes = -1;
    call.setArguments({QStringLiteral("Wade Line"), 0U, QString(), QStringLiteral("Wade Line"),
                       words, QStringList(), QVariantMap(), kAsTheDesktopLikes});
    desktop.send(call);
}

}  // namespace wl
