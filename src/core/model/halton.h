// Points that fill a cube evenly: the same ones every time.
#pragma once

namespace wl {

/// The index-th (1 on) number of van der Corput's sequence in a prime base, in (0, 1) (Halton
/// 1960).
inline double halton(int index, int base) {
    double share = 1, sum = 0;
    for (int i = index; i > 0; i /= base) {
        share /= base;
        sum += share * (i % base);
    }
    return sum;
}

/// The place-th (0 on) prime.
inline int primeAt(int place) {
    int found = 2;
    for (int n = 3; place > 0; n += 2) {
        bool prime = true;
        for (int k = 3; prime && k * k <= n; k += 2) {
            prime = n % k != 0;
        }
        if (prime) {
            found = n;
            --place;
        }
    }
    return found;
}

}  // namespace wl
