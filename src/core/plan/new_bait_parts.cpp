// Where eyes, hooks, lip, joint and bores of a new bait stand. Proportions are this program's own,
// near common practice (no source).
#include <algorithm>
#include <cmath>

#include "core/plan/hook_set.h"
#include "core/plan/new_bait.h"

namespace wl {
namespace {

double onHalves(double m) {
    return std::round(m * 2000) / 2000;
}

// An eye on the skin, and ring and hook hanging from it where `hooks` (share of the length) is over
// 0.
void addEye(Design& d, const NewBaitWish& wish, double length, const std::string& where,
            const SkinPlace& at, double room_m, double hooks) {
    HookSetWish set;
    set.where = where;
    set.at = at;
    set.eyeSize_m = 0.06 * length;
    set.longestStem_m = 0.75 * room_m;
    set.ringSize_m = 0.07 * length;
    for (const Fitting& f : wish.fittings) {
        if (hooks > 0 && f.kind == FittingKind::Treble && !f.weedGuard &&
            (!set.hook ||
             std::abs(f.size_m - hooks * length) < std::abs(set.hook->size_m - hooks * length))) {
            set.hook = f;
        }
    }
    d = withHookSet(d, wish.fittings, set);
}

Lip usualLip(const BodyCurves& curves, double length) {
    Lip lip;
    lip.present = true;
    double widest = 0;
    for (int i = 1; i < 20; ++i) {
        widest = std::max(widest, curves.atX(0.05 * i * length).halfWidth_m);
    }
    lip.thickness_m = length < 0.1 ? 0.0015 : 0.002;
    lip.length_m = onHalves(0.3 * length);
    lip.rootWidth_m = onHalves(0.15 * length);
    lip.width_m = onHalves(std::min(0.24 * length, 2.1 * widest));
    lip.tipRound_m = onHalves(0.12 * length);
    lip.angle_rad = 30 * kDegree;
    lip.slotX_m = onHalves(0.07 * length);
    lip.slotZ_m = curves.atX(lip.slotX_m).belly_m;
    const Section root = curves.atX(lip.slotX_m);
    lip.slotDepth_m = onHalves(std::min(0.1 * length, 0.55 * (root.back_m - root.belly_m)));
    lip.rootWidth_m = std::min(lip.rootWidth_m, onHalves(1.6 * root.halfWidth_m));
    return lip;
}

// Where the bores of each layout stand, shares of the length; 0: no more.
constexpr size_t kMostBores = 4;
constexpr double kInOnePiece[kBoreLayouts][kMostBores] = {
    {0.30, 0.54}, {0.24, 0.52}, {0.26, 0.52, 0.66}, {0.20, 0.33, 0.52}, {0.20, 0.31, 0.53, 0.66},
    {0.24, 0.34}};
constexpr double kInTwoPieces[kBoreLayouts][kMostBores] = {
    {0.26, 0.74},       {0.24, 0.48, 0.74},       {0.22, 0.72, 0.82},
    {0.18, 0.28, 0.74}, {0.18, 0.29, 0.72, 0.82}, {0.24, 0.32, 0.48}};

// Bores from the belly, as wide as the body well bears, clear of the stems.
void addBores(Design& d, const BodyCurves& curves, const NewBaitLayout& layout) {
    static const char* const kNames[] = {"first bore", "second bore", "third bore", "fourth bore"};
    const double length = curves.length_m();
    size_t number = 0;
    const auto& shares = (d.joints.empty() ? kInOnePiece : kInTwoPieces)[layout.bores];
    for (const double share : shares) {
        if (share <= 0) {
            break;
        }
        const Section s = curves.atX(share * length);
        Bore bore;
        bore.name = kNames[number++ % std::size(kNames)];
        bore.x_m = onHalves(s.x_m);
        bore.diameter_m = std::clamp(onHalves(layout.boreWidth * s.halfWidth_m), 0.003, 0.02);
        bore.depth_m = std::max(0.003, onHalves(layout.boreDepth * (s.back_m - s.belly_m)));
        // A stem that comes in from belly or back needs a wall of its own to the lead.
        constexpr double kWall = 0.002;
        for (const Fitting& f : d.fittings) {
            const double apart = 0.5 * (bore.diameter_m + f.wire_m) + kWall;
            const bool across = f.stemFrom == FeatureFrom::Belly || f.stemFrom == FeatureFrom::Back;
            if (across && !swings(f.kind) && std::abs(bore.x_m - f.x_m) < apart) {
                bore.x_m = onHalves(f.x_m + (bore.x_m < f.x_m ? -apart : apart));
            }
        }
        if (!d.bores.empty() && bore.x_m - d.bores.back().x_m <
                                    0.5 * (bore.diameter_m + d.bores.back().diameter_m) + kWall) {
            continue;
        }
        d.bores.push_back(bore);
    }
}

}  // namespace

Brief usualBrief(StartKind kind, Brief from) {
    Brief b = from;
    b.wantedState = WantedState::Float;
    b.countdown_s = 0;
    switch (kind) {
        case StartKind::Diver:
            b.wantedSpare = 0.15;
            b.wantedPitch_rad = -4 * kDegree;
            b.wantedDepth_m = 1.8;
            break;
        case StartKind::Lipless:
            b.wantedState = WantedState::Sink;
            b.wantedSinkSpeed_m_s = 0.2;
            b.wantedPitch_rad = -10 * kDegree;
            b.wantedDepth_m = 1.5;
            break;
        case StartKind::Glider:
            b.wantedState = WantedState::Sink;
            b.wantedSinkSpeed_m_s = 0.12;
            b.wantedPitch_rad = -2 * kDegree;
            b.wantedDepth_m = 1.0;
            break;
        case StartKind::JointedSwimmer:
            b.wantedSpare = 0.06;
            b.wantedPitch_rad = -2 * kDegree;
            b.wantedDepth_m = 0.8;
            break;
        case StartKind::TurnedPlug:
            b.wantedSpare = 0.2;
            b.wantedPitch_rad = 2 * kDegree;
            b.wantedDepth_m = 0.5;
            break;
        case StartKind::Crawler:
            b.wantedSpare = 0.12;
            b.wantedPitch_rad = -4 * kDegree;
            b.wantedDepth_m = 1.2;
            break;
    }
    b.wantedDepth_m = std::min(b.wantedDepth_m, std::max(0.1, 0.8 * b.waterDepth_m));
    return b;
}

bool depthCanBeWished(StartKind kind, WantedState state) {
    return state == WantedState::Sink || kind == StartKind::Diver || kind == StartKind::Crawler ||
           kind == StartKind::JointedSwimmer || kind == StartKind::TurnedPlug;
}

std::optional<Design> withJointAt(const Design& design, double x_m) {
    const Result<BodyCurves> curves = BodyCurves::build(design.body, "");
    if (!curves || design.pieces.size() >= 5) {
        return std::nullopt;
    }
    Design next = design;
    size_t at = 0;
    while (at < next.joints.size() && next.joints[at].x_m < x_m) {
        ++at;
    }
    Joint j;
    j.name = "joint " + std::to_string(next.joints.size() + 1);
    j.x_m = x_m;
    const Section s = curves->atX(j.x_m);
    const double depth = s.back_m - s.belly_m;
    const auto half = [](double m) { return std::max(0.0005, onHalves(m)); };
    j.gap_m = 0.0015;
    j.pinLength_m = half(0.8 * depth);
    j.pocketWidth_m = half(s.halfWidth_m);
    j.pocketHeight_m = half(0.35 * depth);
    j.pinAft_m = -std::min(0.002, half(0.35 * s.halfWidth_m));
    // A pin with its eyes and sleeve, about four times the bare pin (common practice, no source).
    j.typicalMass_kg = std::round(4e6 * kPi / 4 * j.pinDiameter_m * j.pinDiameter_m *
                                  j.pinLength_m * j.hardwareDensity_kg_m3) *
                       1e-6;
    next.joints.insert(next.joints.begin() + std::ptrdiff_t(at), j);
    Piece piece;
    piece.stock = next.pieces.front().stock;
    piece.stock.weighedBody_kg.reset();
    next.pieces.insert(next.pieces.begin() + std::ptrdiff_t(at) + 1, piece);
    for (size_t i = 0; i < next.pieces.size(); ++i) {
        next.pieces[i].name = i == 0                        ? "head"
                              : i + 1 == next.pieces.size() ? "tail"
                                                            : "piece " + std::to_string(i + 1);
    }
    return next;
}

Result<Design> newBaitParts(const NewBaitWish& wish, const NewBaitLayout& layout) {
    Design d;
    d.name = "new bait";
    d.brief = wish.brief;
    d.body = wish.body ? *wish.body : startBody(wish.kind, wish.length_m);
    d.pieces.front().stock = wish.stock;
    d.coats = wish.coats;
    d.lip.present = false;
    const Result<BodyCurves> built = BodyCurves::build(d.body, "/body");
    if (!built) {
        return built.error();
    }
    const BodyCurves& curves = *built;
    const double length = curves.length_m();
    const bool jointed = wish.kind == StartKind::JointedSwimmer;
    if (jointed) {
        if (auto cut = withJointAt(d, onHalves(0.58 * length))) {
            d = std::move(*cut);
        }
    }
    const auto depthAt = [&](double share) {
        const Section s = curves.atX(share * length);
        return s.back_m - s.belly_m;
    };
    const double belly = wish.kind == StartKind::Lipless ? 0.38 : jointed ? 0.40 : 0.42;
    addEye(d, wish, length, "belly",
           {onHalves(belly * length), curves.atX(belly * length).belly_m, FeatureFrom::Belly},
           depthAt(belly), layout.hooks);
    const Section tip = curves.atX(0.995 * length);
    addEye(d, wish, length, "tail", {length, 0.5 * (tip.back_m + tip.belly_m), FeatureFrom::Tail},
           0.2 * length, layout.hooks);
    const bool lipped =
        wish.brief.wantedState != WantedState::Sink &&
        (wish.kind == StartKind::Diver || wish.kind == StartKind::Crawler || jointed);
    if (lipped) {
        d.lip = usualLip(curves, length);
        d.tie.place = TiePlace::Lip;
        d.tie.upLip_m = onHalves(0.3 * d.lip.length_m);
    } else {
        if (wish.kind == StartKind::Lipless) {
            const double back = 0.30;
            addEye(d, wish, length, "line",
                   {onHalves(back * length), curves.atX(back * length).back_m, FeatureFrom::Back},
                   depthAt(back), 0);
        } else {
            const double nose = d.body.noseFace.present ? d.body.noseFace.x_m : 0.0;
            addEye(d, wish, length, "line", {nose, 0.0, FeatureFrom::Nose}, 0.17 * length, 0);
        }
        d.tie.place = TiePlace::Body;
        d.tie.eye = "line eye";
        d.tie.x_m = d.fittings.back().x_m;
        d.tie.z_m = d.fittings.back().z_m;
    }
    addBores(d, curves, layout);
    return d;
}

}  // namespace wl
