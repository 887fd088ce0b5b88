// Density and viscosity of the water a bait is fished in.
#pragma once

namespace wl {

/// Water density, kg/m3, at one atmosphere. temperature_K within 271..313, salinity 0..0.042 kg/kg.
/// Fresh (salinity 0): Tanaka et al., Metrologia 38 (2001) 301, eq. 1, air-free water, recalled.
/// Salt: the same plus the salinity terms of EOS-80 (UNESCO Tech. Papers Mar. Sci. 44, 1983;
/// Millero & Poisson 1981), recalled; the practical salinity is taken as g/kg. The two fresh
/// formulas differ by under 0.01 kg/m3.
double waterDensity_kg_m3(double temperature_K, double salinity);

/// EOS-80 at one atmosphere as published (salinity practical, temperature degC on IPTS-68), kg/m3.
double eos80Density_kg_m3(double practicalSalinity, double temperature_degC68);

/// Viscosity of pure water, Pa s (IAPWS R12-08, 2008, eqs. 10 to 12 without the critical
/// enhancement, recalled). Density in kg/m3.
double pureWaterViscosity_Pa_s(double temperature_K, double density_kg_m3);

/// Kinematic viscosity, m2/s; salt by the ratio of Sharqawy et al. (2010), eq. 22, +-1.5 %,
/// recalled.
double waterKinematicViscosity_m2_s(double temperature_K, double salinity);

}  // namespace wl
