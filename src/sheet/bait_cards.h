// Cards that lie with baits in their box.
#pragma once

#include <QString>
#include <QStringList>
#include <optional>
#include <vector>

#include "core/base/result.h"

namespace wl {

/// A PDF of A4 with eight cards a page, cut lines round them; the first line of each is its head.
/// What is longer than a card is cut with dots. Errors: those of writeWholeFile.
std::optional<Error> writeCards(const std::vector<QStringList>& cards, const QString& path);

}  // namespace wl
