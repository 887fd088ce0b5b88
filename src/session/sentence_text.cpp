#include "session/sentence_text.h"

#include <QCoreApplication>

#include "text/sentences.h"

namespace wl {
namespace {

QString filled(const std::string& code, const std::vector<Amount>& values,
               const std::vector<std::string>& words, Bench bench) {
    const std::string english(englishFor(code));
    const QString text = QCoreApplication::translate("Sentence", english.c_str());
    return QString::fromStdString(fillSentence(text.toStdString(), values, words, bench));
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
        default:
            return {"text.not_a_number", at, {}, {}};
    }
}

QString shown(Quantity quantity, Bench bench, double valueSi, bool withUnit) {
    return QString::fromStdString(formatQuantity(quantity, bench, valueSi, withUnit));
}

}  // namespace wl
