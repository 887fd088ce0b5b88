#include "core/design/measured.h"

namespace wl {
namespace {

bool filled(const SampleBlock& s) {
    const SampleBlock fresh;
    return s.mass_kg != fresh.mass_kg &&
           (s.length_m != fresh.length_m || s.width_m != fresh.width_m ||
            s.height_m != fresh.height_m);
}

bool filled(const RoundBlank& b) {
    const RoundBlank fresh;
    return b.mass_kg != fresh.mass_kg &&
           (b.length_m != fresh.length_m || b.diameter_m != fresh.diameter_m);
}

}  // namespace

std::vector<MeasuredTaken> takeMeasured(const Design& before, Design& next) {
    std::vector<MeasuredTaken> taken;
    for (size_t i = 0; i < std::min(before.pieces.size(), next.pieces.size()); ++i) {
        const Stock& was = before.pieces[i].stock;
        Stock& now = next.pieces[i].stock;
        const std::string stock = "/pieces/" + std::to_string(i) + "/stock/";
        if (was.source == DensitySource::Shelf && now.source == was.source) {
            const bool block = !(now.sample == was.sample) && filled(now.sample);
            const bool blank = !(now.blank == was.blank) && filled(now.blank);
            if (block || blank) {
                now.source = block ? DensitySource::Sample : DensitySource::Blank;
                taken.push_back({stock + "density_from", double(was.source)});
            }
        }
        if (now.weighedBody_kg && !was.weighedBody_kg && now.trust == was.trust &&
            now.trust == BodyTrust::DrawnVolume) {
            const bool known =
                now.source == DensitySource::Sample || now.source == DensitySource::Blank;
            now.trust = known ? BodyTrust::WeighedVolume : BodyTrust::WeighedDrawnBoth;
            taken.push_back({stock + "trust", double(was.trust)});
        }
    }
    return taken;
}

}  // namespace wl
