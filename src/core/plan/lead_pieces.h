// Whole pieces from the shelf in the bores there are: which and how many.
#pragma once

#include <optional>
#include <stop_token>
#include <string>
#include <vector>

namespace wl {

/// One size on the shelf. Bench units here: grams, millimetres.
struct PieceKind {
    std::string name;
    double mass_g = 0.0;
    double length_mm = 0.0;  ///< it takes of the bore; 0: a ball
    double diameter_mm = 0.0;
    double density_g_mm3 = 0.01134;
    std::optional<int> left;  ///< how many there are
};

/// One bore to fill. The moments are taken with every piece at the bore's `x` and `y`.
struct PieceBore {
    double x_mm = 0.0;  ///< about the point moments are wanted about
    double y_mm = 0.0;
    double depth_mm = 0.0;
    double diameter_mm = 0.0;
    double replaced_g_mm3 = 0.0;  ///< of the filler a piece takes the place of
    int most = 6;                 ///< pieces
};

struct PieceProblem {
    std::vector<PieceKind> kinds;
    std::vector<PieceBore> bores;
    double wantedGain_g = 0.0;  ///< net, over the filler
    double wantedMomentX_g_mm = 0.0;
    double wantedMomentY_g_mm = 0.0;
    double gramsPerMoment_mm = 15.0;  ///< one gram counts as this many g mm
};

struct PieceChoice {
    std::vector<std::vector<int>> counts;  ///< [bore][kind]
    double objective = 0.0;  ///< |mass off| + (|moment x off| + |moment y off|) / gramsPerMoment, g
    double gain_g = 0.0;
    double momentX_g_mm = 0.0;
    double momentY_g_mm = 0.0;
    bool exact = true;  ///< false: too many sizes, near-equal fillings were joined
};

/// The filling with the least objective, fewest pieces among equals. The fillings of each bore are
/// listed size by size, equal ones joined on the way; the bores are split in two halves, one half
/// sorted by mass and searched from the other outwards until mass alone is worse than the best
/// found: the same answer as trying them all. Bounded in memory (some ten megabytes) and time
/// (under a second or so), then `exact` is false. Nothing when no piece goes into any bore, for
/// more than twenty bores, or on stop.
std::optional<PieceChoice> choosePieces(const PieceProblem& problem,
                                        const std::stop_token& stop = {});

}  // namespace wl
