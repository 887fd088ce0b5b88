#include "core/chain/planar_chain.h"

#include <algorithm>
#include <cmath>
#include <utility>

#include <Eigen/Dense>

#include "core/base/dense.h"
#include "core/base/units.h"

namespace wl {
namespace {

constexpr int kLumps = 10;
// Where a stop gives: frequency of the pieces on it, so that a step of a millisecond holds.
constexpr double kStop_rad_s = 300.0;

struct WaterStrip {
    double at_m, dx_m, kg_m;
    size_t piece;
};

// Side area of a piece between two places aft of its pin, and its moment about the pin.
std::pair<double, double> sideArea(const PlanarPiece& piece, double from, double to) {
    double area = 0, moment = 0;
    for (const PlanarStrip& s : piece.strips) {
        const double middle = s.at_m - piece.pin_m;
        const double a = std::max(from, middle - 0.5 * s.dx_m);
        const double b = std::min(to, middle + 0.5 * s.dx_m);
        if (b > a) {
            area += s.depth_m * (b - a);
            moment += s.depth_m * (b - a) * 0.5 * (a + b);
        }
    }
    return {area, moment};
}

std::vector<WaterStrip> waterStrips(const PlanarBait& bait, double share) {
    const double square = 1 + 0.5 * bait.squareness;
    std::vector<WaterStrip> all;
    for (size_t i = 0; i < bait.pieces.size(); ++i) {
        for (const PlanarStrip& s : bait.pieces[i].strips) {
            all.push_back({s.at_m, s.dx_m,
                           share * square * bait.waterDensity_kg_m3 * kPi / 4 * s.depth_m *
                               s.depth_m * s.waterShare,
                           i});
        }
    }
    return all;
}

// Station at which the water carried along falls fastest; a fin's rise is passed over.
double steepestFall(const std::vector<WaterStrip>& strips) {
    double steepest = 0, at = 0.5 * (strips.front().at_m + strips.back().at_m);
    for (size_t i = 0; i + 1 < strips.size(); ++i) {
        const double slope =
            (strips[i + 1].kg_m - strips[i].kg_m) / (strips[i + 1].at_m - strips[i].at_m);
        if (slope < steepest) {
            steepest = slope;
            at = strips[i].at_m;
        }
    }
    return at;
}

double crossFlowDrag(const PlanarBait& bait, const Model& model) {
    const double flat = bait.greatestDepth_m() / bait.greatestWidth_m();
    const double plane = std::clamp(1.2 + 0.35 * (flat - 1.2), 1.2, 1.9);
    const double ends =
        std::min(0.85, 0.50 + 0.065 * std::log2(bait.length_m / bait.greatestDepth_m()));
    return model.chainCross * ends * plane;
}

// Edges of a piece in no more than kEdges lumps, aftmost first: what they shed and where it pulls
// stay, and a step costs a third of what edges slice by slice would.
void lumpEdges(const std::vector<ChainPiece::Lump>& edges, std::vector<ChainPiece::Lump>& lumps) {
    constexpr size_t kEdges = 6;
    const size_t count = std::min(kEdges, edges.size());
    size_t next = 0;
    for (size_t i = 0; i < count; ++i) {
        const size_t end = next + edges.size() / count + (i < edges.size() % count ? 1 : 0);
        double sum = 0, moment = 0;
        for (; next < end; ++next) {
            sum += edges[next].factor;
            moment += edges[next].factor * edges[next].at_m;
        }
        lumps.push_back({moment / sum, sum});
    }
}

void addEdges(const PlanarBait& bait, const std::vector<WaterStrip>& strips, double gapLoss,
              PlanarChain& chain) {
    const double from = 0.378 * bait.length_m + 0.527 * steepestFall(strips);
    std::vector<std::vector<ChainPiece::Lump>> edges(bait.pieces.size());
    const auto put = [&](size_t piece, double at, double kg_m) {
        if (kg_m > 0) {
            edges[piece].insert(edges[piece].begin(), {bait.pieces[piece].pin_m - at, kg_m});
        }
    };
    for (size_t i = 0; i + 1 < strips.size(); ++i) {
        const WaterStrip &a = strips[i], &b = strips[i + 1];
        const double at = 0.5 * (a.at_m + b.at_m);
        if (a.piece != b.piece) {
            // What the piece ahead carried, less the share of its own the next is handed.
            put(a.piece, bait.pieces[b.piece].pin_m, a.kg_m - (1 - gapLoss) * b.kg_m);
        } else if (at > from && b.kg_m < a.kg_m) {
            put(b.piece, at, a.kg_m - b.kg_m);
        }
    }
    put(strips.back().piece, bait.length_m, strips.back().kg_m);
    for (size_t i = 0; i < edges.size(); ++i) {
        lumpEdges(edges[i], chain.pieces[i].edges);
    }
}

// Stiffness of each stop: that of a spring on which the straight chain swings at kStop_rad_s.
void stiffenStops(PlanarChain& chain) {
    const auto n = Eigen::Index(chain.pieces.size());
    Eigen::MatrixXd h = Eigen::MatrixXd::Zero(n + 2, n + 2);
    for (Eigen::Index i = 0; i < n; ++i) {
        const ChainPiece& p = chain.pieces[size_t(i)];
        Eigen::MatrixXd j = Eigen::MatrixXd::Zero(3, n + 2);
        j(0, 0) = j(1, 1) = j(2, 2 + i) = 1;
        for (Eigen::Index k = 0; k < i; ++k) {
            j(1, 2 + k) = -chain.pieces[size_t(k)].length_m;
        }
        Eigen::Matrix3d m;
        m << p.surge_kg, 0, 0, 0, p.sway_kg, p.first_kg_m, 0, p.first_kg_m, p.second_kg_m2;
        h += turnedProduct(j, m * j);
    }
    const Eigen::LLT<Eigen::MatrixXd> solver(h);
    for (Eigen::Index k = 0; k + 1 < n; ++k) {
        Eigen::VectorXd d = Eigen::VectorXd::Zero(n + 2);
        d(2 + k) = -1;
        d(3 + k) = 1;
        chain.stop_N_m.push_back(kStop_rad_s * kStop_rad_s / d.dot(solver.solve(d)));
    }
}

}  // namespace

double PlanarBait::greatestDepth_m() const {
    double most = 1e-6;
    for (const PlanarPiece& p : pieces) {
        for (const PlanarStrip& s : p.strips) {
            if (s.waterShare == 1.0) {
                most = std::max(most, s.depth_m);
            }
        }
    }
    return most;
}

double PlanarBait::greatestWidth_m() const {
    double most = 1e-6;
    for (const PlanarPiece& p : pieces) {
        for (const PlanarStrip& s : p.strips) {
            most = std::max(most, s.width_m);
        }
    }
    return most;
}

SpheroidWater spheroidWater(double fineness) {
    const double e2 = 1 - 1 / (fineness * fineness), e = std::sqrt(e2);
    const double l = std::log((1 + e) / (1 - e));
    const double a = 2 * (1 - e2) / (e2 * e) * (l / 2 - e);
    const double b = 1 / e2 - (1 - e2) * l / (2 * e2 * e);
    return {a / (2 - a), b / (2 - b)};
}

PlanarChain layOutChain(const PlanarBait& bait, const Model& model, double gapLoss) {
    constexpr double kBluntest = 1.05;  // the spheroid's formula ends at the ball
    const double depth = bait.greatestDepth_m(), width = bait.greatestWidth_m();
    const double rho = bait.waterDensity_kg_m3, length = bait.length_m;
    const double along =
        spheroidWater(std::max(kBluntest, length / std::sqrt(depth * width))).along;
    const double across = spheroidWater(std::max(kBluntest, length / depth)).across;
    const std::vector<WaterStrip> strips = waterStrips(bait, across);
    PlanarChain chain;
    chain.joints = bait.joints;
    chain.tieAt_m = bait.tieAt_m;
    chain.length_m = length;
    const double cross = 0.5 * rho * crossFlowDrag(bait, model);
    double area = 0, areaMoment = 0, mass = 0, massMoment = 0, alongWater = 0, acrossWater = 0;
    for (const PlanarPiece& p : bait.pieces) {
        ChainPiece piece;
        piece.length_m = p.length_m;
        double volume = 0;
        for (const PlanarStrip& s : p.strips) {
            volume += s.area_m2 * s.dx_m;
            area += s.depth_m * s.dx_m;
            areaMoment += s.depth_m * s.dx_m * s.at_m;
        }
        piece.surge_kg = p.mass_kg + along * rho * volume;
        piece.sway_kg = p.mass_kg;
        piece.first_kg_m = p.mass_kg * p.gravityAt_m;
        piece.second_kg_m2 = p.inertia_kg_m2;
        piece.axial_kg_m = 0.5 * rho * p.dragArea_m2;
        alongWater += along * rho * volume;
        for (int k = 0; k < kLumps; ++k) {
            const auto [side, moment] =
                sideArea(p, k * p.length_m / kLumps, (k + 1) * p.length_m / kLumps);
            if (side > 0) {
                piece.crossFlow.push_back({-moment / side, cross * side});
            }
        }
        for (const PlanarDrag& d : p.drags) {
            piece.drags.push_back({d.at_m, 0.5 * rho * d.area_m2});
        }
        for (const PlanarFin& f : p.fins) {
            piece.edges.push_back({f.at_m, 0.5 * rho * f.area_m2 * f.slope});
            piece.crossFlow.push_back({f.at_m, 0.5 * rho * model.finBroadside * f.area_m2});
            piece.sway_kg += f.water_kg;
            piece.first_kg_m += f.water_kg * f.at_m;
            piece.second_kg_m2 += f.water_kg * f.at_m * f.at_m;
            area += f.area_m2;
            areaMoment += f.area_m2 * (p.pin_m - f.at_m);
        }
        mass += p.mass_kg;
        massMoment += p.mass_kg * (p.pin_m - p.gravityAt_m);
        chain.pieces.push_back(piece);
    }
    for (const WaterStrip& s : strips) {
        const double x = bait.pieces[s.piece].pin_m - s.at_m, kg = s.kg_m * s.dx_m;
        ChainPiece& piece = chain.pieces[s.piece];
        piece.sway_kg += kg;
        piece.first_kg_m += kg * x;
        piece.second_kg_m2 += kg * x * x;
        acrossWater += kg;
    }
    addEdges(bait, strips, gapLoss, chain);
    double shed = 0, shedMoment = 0;
    for (size_t i = 0; i < chain.pieces.size(); ++i) {
        for (const ChainPiece::Lump& edge : chain.pieces[i].edges) {
            shed += edge.factor;
            shedMoment += edge.factor * (bait.pieces[i].pin_m - edge.at_m);
        }
    }
    chain.areaCentre_m = areaMoment / area;
    chain.gravity_m = massMoment / mass;
    chain.sideForceAt_m = (shedMoment - (acrossWater - alongWater)) / shed;
    stiffenStops(chain);
    return chain;
}

}  // namespace wl
