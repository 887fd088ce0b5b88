#include "session/field_words.h"

#include <QCoreApplication>

#include "session/sentence_text.h"
#include "session/words.h"

namespace wl {
namespace {

QString inTheMakersWords(const char* english) {
    return *english == 0 ? QString() : QCoreApplication::translate("wl", english);
}

}  // namespace

QString fieldLabel(const Field& field) {
    return inTheMakersWords(field.about.label);
}

QString fieldTip(const Field& field) {
    return inTheMakersWords(field.about.tip);
}

QStringList fieldAnswers(const Field& field) {
    QStringList answers;
    for (const char* answer : field.answers) {
        answers << inTheMakersWords(answer);
    }
    return answers;
}

QString fieldPlace(const Field& field) {
    if (!field.item.empty()) {
        return QString::fromStdString(field.item);
    }
    const QString group = inTheMakersWords(field.group);
    return field.row < 0 ? group : tr("%1 %2").arg(group).arg(field.row + 1);
}

QString undoWords(const Field& field) {
    const QString place = fieldPlace(field);
    return place.isEmpty() ? fieldLabel(field) : tr("%1: %2").arg(place, fieldLabel(field));
}

QString fieldValue(const Field& field, Bench bench) {
    if (field.kind == FieldKind::Text) {
        return QString::fromStdString(field.text);
    }
    if (!field.value) {
        return QStringLiteral("–");
    }
    switch (field.kind) {
        case FieldKind::Flag:
            return *field.value != 0 ? tr("yes") : tr("no");
        case FieldKind::Choice:
            return fieldAnswers(field).value(int(*field.value));
        default:
            return shown(field.quantity, bench, *field.value);
    }
}

}  // namespace wl
