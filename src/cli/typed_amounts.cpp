#include "cli/typed_amounts.h"

wl::Result<double> amount(const std::string& text, wl::Quantity quantity) {
    const wl::ReadAmount read = wl::readAmount(text, quantity, wl::Bench::Metric);
    if (read.fault != wl::ReadFault::None) {
        return wl::Error{"text.not_a_number", text, {}, {}};
    }
    return read.valueSi;
}

wl::Result<std::vector<double>> amounts(const std::vector<std::string>& texts,
                                        wl::Quantity quantity, double least, double most) {
    std::vector<double> values;
    for (const std::string& text : texts) {
        const wl::Result<double> value = amount(text, quantity);
        if (!value) {
            return value.error();
        }
        if (!(*value >= least && *value <= most)) {
            return wl::Error{"field.out_of_range",
                             text,
                             {},
                             {{quantity, *value}, {quantity, least}, {quantity, most}}};
        }
        values.push_back(*value);
    }
    return values;
}
