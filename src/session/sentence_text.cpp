#include "session/sentence_text.h"

#include <QCoreApplication>
#include <QLocale>
#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/mass/mass_balance.h"
#include "text/sentences.h"

namespace wl {
namespace {

QString filled(const std::string& code, const std::vector<Amount>& values,
               const std::vector<std::string>& words, Bench bench) {
    const auto translated = [](std::string_view of) {
        const std::string english(englishFor(of));
        return QCoreApplication::translate("wl", english.c_str()).toStdString();
    };
    std::vector<std::string> named = words;
    std::replace(named.begin(), named.end(), std::string(), translated("word.unnamed"));
    return QString::fromStdString(fillSentence(translated(code), values, named, bench));
}

}  // namespace

QString sentence(const Finding& finding, Bench bench) {
    return filled(finding.code, finding.values, finding.words, bench);
}

QString sentence(const Error& error, Bench bench) {
    return filled(error.code, error.values, error.words, bench);
}

QString sentence(const ProposedEdit& edit, Bench bench) {
    return filled(edit.code, edit.values, edit.words, bench);
}

Error readFaultError(ReadFault fault, const QString& path, Quantity quantity, Bench bench) {
    const std::string at = path.toStdString();
    switch (fault) {
        case ReadFault::Empty:
            return {"text.empty", at, {}, {}};
        case ReadFault::WrongUnit:
            return {"text.wrong_unit", at, {unitLabel(quantity, bench)}, {}};
        case ReadFault::DividesByZero:
            return {"text.divides_by_zero", at, {}, {}};
        case ReadFault::Ambiguous:
            return {"text.ambiguous", at, {std::string(1, bench.decimalMark())}, {}};
        case ReadFault::ThousandthsOrInches:
            return {"text.thousandths_or_inches", at, {}, {}};
        default:
            return {"text.not_a_number", at, {}, {}};
    }
}

QString shown(Quantity quantity, Bench bench, double valueSi, bool withUnit) {
    return QString::fromStdString(formatQuantity(quantity, bench, valueSi, withUnit));
}

QString noseWords(double pitch_rad, Bench bench) {
    const QString pitch = shown(Quantity::Angle, bench, std::abs(pitch_rad));
    return std::abs(pitch_rad) < 0.5 * kDegree ? QCoreApplication::translate("Attitude", "level")
           : pitch_rad > 0 ? QCoreApplication::translate("Attitude", "nose up %1").arg(pitch)
                           : QCoreApplication::translate("Attitude", "nose down %1").arg(pitch);
}

QString leanWords(double roll_rad, Bench bench) {
    constexpr double kShown_rad = 1.5 * kDegree, kSide_rad = 60 * kDegree,
                     kBelly_rad = 120 * kDegree;
    const double lean = std::abs(roll_rad);
    if (lean < kShown_rad) {
        return {};
    }
    if (lean > kSide_rad) {
        return lean > kBelly_rad ? QCoreApplication::translate("Attitude", "belly up")
                                 : QCoreApplication::translate("Attitude", "on its side");
    }
    const QString much = shown(Quantity::Angle, bench, lean);
    return roll_rad > 0 ? QCoreApplication::translate("Attitude", "leans %1 to starboard").arg(much)
                        : QCoreApplication::translate("Attitude", "leans %1 to port").arg(much);
}

QString withoutDrag(const Derived& derived) {
    QStringList names;
    for (const std::string& name : leftOut(derived.mass->surfaces)) {
        names << QString::fromStdString(name);
    }
    return names.join(QStringLiteral(", "));
}

char makersDecimalMark() {
    return QLocale().decimalPoint() == QLatin1String(",") ? ',' : '.';
}

QString bitWords(const std::vector<DrillBit>& set, double diameter_m, Bench bench) {
    constexpr double kSeen_m = 2e-5;  // what callipers tell apart
    const std::optional<DrillBit> found = nearestBit(set, diameter_m);
    if (!found) {
        return QStringLiteral("–");
    }
    const double off = found->diameter_m - diameter_m;
    const QString name = QString::fromStdString(found->name);
    if (std::abs(off) < kSeen_m) {
        return name;
    }
    const QString by = shown(Quantity::Thickness, bench, std::abs(off));
    return (off > 0 ? QCoreApplication::translate("Bit", "%1, %2 wider")
                    : QCoreApplication::translate("Bit", "%1, %2 narrower"))
        .arg(name, by);
}

}  // namespace wl
