#include "core/model/draws.h"

#include <algorithm>
#include <boost/math/special_functions/prime.hpp>

namespace wl {

double radicalInverse(int index, int base) {
    double share = 1, sum = 0;
    for (int i = index; i > 0; i /= base) {
        share /= base;
        sum += share * (i % base);
    }
    return sum;
}

const Coefficient& coefficientOf(double Model::*member) {
    return *std::find_if(coefficients().begin(), coefficients().end(),
                         [member](const Coefficient& c) { return c.value == member; });
}

Model drawnIn(Model model, const std::vector<const Coefficient*>& which, int index) {
    constexpr int kSkipped = 20;  // the first of a set are too regular in the high bases
    unsigned place = 0;
    for (const Coefficient* c : which) {
        const auto base = static_cast<int>(boost::math::prime(place++));
        model.*c->value = c->low + (c->high - c->low) * radicalInverse(index + kSkipped, base);
    }
    return model;
}

}  // namespace wl
