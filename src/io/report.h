// Every derived number of a design as JSON, units in the keys.
#pragma once

#include <string>

#include "core/design/design.h"
#include "core/forecast/taught.h"
#include "core/model/model.h"

namespace wl {

/// The report and whether it carries a finding of severity Error (which also covers a design that
/// cannot be evaluated: the report then holds the error alone). Coefficients that are not the
/// program's own stand under "model"; what a log has taught of it under "by_log", where it has.
struct Report {
    std::string json;
    bool hasError = false;
};
Report makeReport(const Design& design, const Model& model = {},
                  const std::vector<LearntFigure>& learnt = {});

/// The same as indented "key: value" lines for reading at a terminal, findings last as sentences.
std::string readableReport(const Report& report);

}  // namespace wl
