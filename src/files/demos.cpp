#include "files/embedded_data.h"

namespace wl {

const std::vector<Demo>& demos() {
    static const std::vector<Demo> all{{"diver", embedded::demo_wade()},
                                       {"lipless", embedded::lipless_wade()},
                                       {"glider", embedded::glider_wade()},
                                       {"glide-bait", embedded::glide_bait_wade()},
                                       {"swimmer", embedded::swimmer_wade()}};
    return all;
}

}  // namespace wl
