// Amounts as typed on the command line.
#pragma once

#include <string>
#include <vector>

#include "core/base/quantity.h"
#include "core/base/result.h"

/// In the unit given with it, or the metric bench's own. Error: "text.not_a_number".
wl::Result<double> amount(const std::string& text, wl::Quantity quantity);

/// Each within the ends. Errors: those of `amount`; "field.out_of_range" (values: given, ends).
wl::Result<std::vector<double>> amounts(const std::vector<std::string>& texts,
                                        wl::Quantity quantity, double least, double most);
