// What plans offer instead of lead and plastic. Typical values, as on the starter shelf
// (engineering handbook, recalled).
#pragma once

namespace wl {

struct PlugMetal {
    const char* name;
    double density_kg_m3;
};
inline constexpr PlugMetal kLead{"lead", 11340.0};
inline constexpr PlugMetal kTungsten{"tungsten alloy", 17800.0};

struct LipStock {
    const char* name;
    double density_kg_m3;
    double thickness_m;
};
inline constexpr LipStock kSteelLip{"stainless 304", 7930.0, 0.0008};
inline constexpr LipStock kPlasticLip{"polycarbonate", 1200.0, 0.0015};
/// Lips denser than this are metal.
inline constexpr double kMetalLip_kg_m3 = 2000.0;

}  // namespace wl
