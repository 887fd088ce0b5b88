#include <algorithm>
#include <cmath>

#include "core/base/units.h"
#include "core/clearance/clearance.h"
#include "core/design/describe.h"
#include "core/design/fields.h"
#include "core/design/records.h"
#include "core/placed/feature_tool.h"
#include "core/reckon/evaluate.h"

namespace wl {
namespace {

constexpr double kMoveStep_m = 0.0005;
constexpr int kMostSteps = 30;

// Moving a thing already marked on the blank: what it costs, least first, and the edit's code.
struct Moving {
    double cost;
    const char* code;
};
Moving movingOf(const Embedded& e) {
    switch (e.kind) {
        case Embedded::Kind::Bore:
            return {1.0, "edit.move_bore"};
        case Embedded::Kind::Weight:
            return {1.2, "edit.move_cut"};
        case Embedded::Kind::Chamber:
            return {1.5, "edit.move_chamber"};
        case Embedded::Kind::Cavity:
        case Embedded::Kind::Cut:
            return {2.0, "edit.move_cut"};
        case Embedded::Kind::Stem:
            return {3.0, "edit.move_eye"};
        default:
            return {100.0, "edit.move_cut"};
    }
}

// The number to look at for a thing that has none along the bait.
std::string fieldOf(const Embedded& e) {
    if (e.moves) {
        return e.path() + "/x";
    }
    switch (e.kind) {
        case Embedded::Kind::Pocket:
            return e.path() + "/pocket_depth";
        case Embedded::Kind::Pin:
            return e.path() + "/pin_length";
        case Embedded::Kind::LipSlot:
            return e.path() + "/slot_depth";
        case Embedded::Kind::TieHole:
            return "/tie/leg";
        default:
            return e.path() + "/z";
    }
}

Finding placed(Finding f, const Eigen::Vector3d& at) {
    f.place_m = {at.x(), at.y(), at.z()};
    return f;
}

// Smallest move along the bait of what `moved` belongs to that keeps it in the body and clear of
// everything else let in, and that `also(x, shift)` accepts.
template <class Also>
std::optional<ProposedEdit> leastMove(const Design& design, const Derived& d,
                                      const std::vector<Embedded>& solids, const Embedded& moved,
                                      Also also) {
    const std::string moveX = moved.path() + "/x";
    const auto field = findField(design, moveX);
    if (!moved.moves || !field || !field->value) {
        return std::nullopt;
    }
    for (int step = 1; step <= kMostSteps; ++step) {
        for (const double sense : {1.0, -1.0}) {
            const double way = sense * step * kMoveStep_m;
            const double x = std::round((*field->value + way) / kMoveStep_m) * kMoveStep_m;
            const double shift = x - *field->value;
            bool clear = true;
            for (const Embedded& part : solids) {
                if (part.record != moved.record) {
                    continue;
                }
                Embedded trial = part;
                trial.tool.mouth_m.x() += shift;
                const Eigen::Vector3d bottom =
                    trial.tool.mouth_m + trial.tool.depth_m * trial.tool.inward;
                clear = clear && d.shape->curves.contains(bottom);
                for (const Embedded& other : solids) {
                    clear = clear && (other.record == moved.record ||
                                      wallBetweenSolids(trial, other) >= kLeastWall_m);
                }
            }
            if (clear && also(x, shift)) {
                return ProposedEdit{
                    movingOf(moved).code, {{moveX, x}}, {{Quantity::Length, x}}, {moved.name}};
            }
        }
    }
    return std::nullopt;
}

}  // namespace

std::optional<ProposedEdit> cheapestMove(const Design& design, const Derived& d,
                                         const std::vector<Embedded>& solids, size_t a, size_t b) {
    std::vector<size_t> order{a, b};
    if (movingOf(solids[b]).cost < movingOf(solids[a]).cost) {
        std::swap(order[0], order[1]);
    }
    for (const size_t index : order) {
        const Embedded& moved = solids[index];
        auto edit = leastMove(design, d, solids, moved, [&](double x, double) {
            if (moved.kind != Embedded::Kind::Bore) {
                return true;
            }
            Bore bore = design.bores[moved.record.index];
            bore.x_m = x;
            const BoreGeometry g = measureBore(d.shape->curves, bore);
            return g.entersBody && std::min(g.wallBeyond_m, g.wallBeside_m) >= kLeastWall_m;
        });
        if (edit) {
            return edit;
        }
    }
    return std::nullopt;
}

namespace {

// The meeting two things that run into each other could be meant to have, as an edit.
std::optional<ProposedEdit> couldBeMeant(const Design& design, const Embedded& a,
                                         const Embedded& b) {
    using Kind = Embedded::Kind;
    const auto is = [](const Embedded& e, std::initializer_list<Kind> kinds) {
        return std::find(kinds.begin(), kinds.end(), e.kind) != kinds.end();
    };
    for (const auto& [first, second] : {std::pair{&a, &b}, std::pair{&b, &a}}) {
        std::optional<MeetingKind> kind;
        if (first->kind == Kind::LipSlot && is(*second, {Kind::Wire, Kind::Stem})) {
            kind = MeetingKind::SlottedOver;
        } else if (is(*first, {Kind::Wire, Kind::Stem}) &&
                   is(*second, {Kind::Cut, Kind::Pocket, Kind::Cavity})) {
            kind = MeetingKind::PassesThrough;
        } else if (first->kind == Kind::Stem &&
                   is(*second, {Kind::Pin, Kind::Bore, Kind::Wire, Kind::Weight})) {
            kind = MeetingKind::StandsIn;  // an eye that is the hinge pin, one cast into lead
        } else if (first->kind == Kind::Bore && is(*second, {Kind::Cut, Kind::Bore})) {
            kind = MeetingKind::PassesThrough;  // a bore that opens into a pocket
        } else if (first->kind == Kind::Cut && second->kind == Kind::Cut &&
                   first->tool.leastHalf_m() <= second->tool.leastHalf_m()) {
            kind = MeetingKind::PassesThrough;  // pins of a fin across its slot
        } else if (first->kind == Kind::Pin && is(*second, {Kind::Cut, Kind::Bore})) {
            kind = MeetingKind::PassesThrough;
        }
        const MeetingEnd one = endAt(design, first->record), other = endAt(design, second->record);
        if (kind && !(one == other)) {
            static constexpr const char* codes[] = {"edit.meant_through", "edit.meant_in",
                                                    "edit.meant_slotted"};
            return ProposedEdit{
                codes[size_t(*kind)], {}, {}, {first->name, second->name}, {{*kind, one, other}}};
        }
    }
    return std::nullopt;
}

void checkMeetings(const Design& design, const std::vector<Embedded>& solids,
                   std::vector<Finding>& out) {
    const auto meant = [&](const MeetingEnd& end) {
        return std::find_if(solids.begin(), solids.end(),
                            [&](const Embedded& e) { return means(design, end, e.record); });
    };
    for (size_t i = 0; i < design.meetings.size(); ++i) {
        const Meeting& m = design.meetings[i];
        const std::string path = "/meetings/" + std::to_string(i) + "/first";
        const auto first = meant(m.first), second = meant(m.second);
        if (first == solids.end() || second == solids.end()) {
            const MeetingEnd& gone = first == solids.end() ? m.first : m.second;
            out.push_back({"meeting.not_there",
                           Severity::Note,
                           path,
                           {},
                           {isSingle(gone.of) ? kRecordLists[size_t(gone.of)].words : gone.name}});
            continue;
        }
        const double inner = first->tool.leastHalf_m(), outer = second->tool.leastHalf_m();
        const bool intoHole = second->kind == Embedded::Kind::Cut ||
                              second->kind == Embedded::Kind::Pocket ||
                              second->kind == Embedded::Kind::Bore;
        if (m.kind == MeetingKind::SlottedOver) {
            const double left = first->tool.halfAlong_m - second->tool.leastHalf_m();
            if (left < kLeastWall_m) {
                out.push_back(
                    {"meeting.lip_weak",
                     Severity::Warning,
                     "/lip/root_width",
                     {{Quantity::Length, std::max(0.0, left)}, {Quantity::Length, kLeastWall_m}},
                     {second->name}});
            }
        } else if (intoHole && first->kind != Embedded::Kind::Bore && inner > outer * (1 + 1e-9)) {
            out.push_back({"meeting.too_tight",
                           Severity::Warning,
                           path,
                           {{Quantity::Length, 2 * inner}, {Quantity::Length, 2 * outer}},
                           {first->name, second->name}});
        }
    }
}

}  // namespace

void checkClashes(const Design& design, const Derived& d, std::vector<Finding>& out) {
    const std::vector<Embedded> solids = embeddedIn(design, d);
    for (const Clearance& c : findThinWalls(solids)) {
        const Embedded& a = solids[c.a];
        const Embedded& b = solids[c.b];
        using Kind = Embedded::Kind;
        const bool meet = c.wall_m <= 0;
        const char* code = meet                                               ? "wall.run_together"
                           : a.kind == Kind::Pocket || b.kind == Kind::Pocket ? "joint.pocket_into"
                           : a.kind == Kind::Bore && b.kind == Kind::Bore     ? "bore.meets_bore"
                                                                              : "cut.meets_cut";
        Finding f{code,
                  meet ? Severity::Error : Severity::Warning,
                  fieldOf(a),
                  {{Quantity::Length, std::abs(c.wall_m)}},
                  {a.name, b.name}};
        if (const auto move = cheapestMove(design, d, solids, c.a, c.b)) {
            f.edits.push_back(*move);
        }
        if (const auto meant = couldBeMeant(design, a, b); meant && meet) {
            f.edits.push_back(*meant);
        }
        out.push_back(placed(std::move(f), c.place_m));
    }
    checkMeetings(design, solids, out);
}

namespace {

// Whether the quicker checks of evaluate have told of this wall already.
bool alreadyTold(const Embedded& e, const std::vector<Finding>& findings) {
    const Topic topic = e.kind == Embedded::Kind::Pin      ? Topic::PinWall
                        : e.kind == Embedded::Kind::Pocket ? Topic::PocketWall
                                                           : Topic::Wall;
    return std::any_of(findings.begin(), findings.end(), [&](const Finding& f) {
        return f.topic == topic && f.path.starts_with(e.path() + "/");
    });
}

// The measures of a pin or a pocket that bring its walls, the one to look at first.
struct Shortening {
    const char* field;
    const char* code;
    double Joint::*measure;
};

std::vector<Shortening> shorteningsOf(const Embedded& e) {
    if (e.kind == Embedded::Kind::Pin) {
        return {{"/pin_length", "edit.pin_length", &Joint::pinLength_m}};
    }
    return {{"/pocket_width", "edit.pocket_width", &Joint::pocketWidth_m},
            {"/pocket_height", "edit.pocket_height", &Joint::pocketHeight_m},
            {"/pocket_depth", "edit.pocket_depth", &Joint::pocketDepth_m}};
}

// The least that can be taken off one measure so that the wall is there.
std::optional<ProposedEdit> leastShortening(const Joint& joint, const JointCut& cut,
                                            const Embedded& e, const SkinSearch& skin) {
    constexpr double kLeastSize_m = 0.001;
    for (int step = 1; step <= kMostSteps; ++step) {
        const double off = step * kMoveStep_m;
        for (const Shortening& s : shorteningsOf(e)) {
            Joint trial = joint;
            trial.*s.measure =
                std::floor((joint.*s.measure - off) / kMoveStep_m + 1e-9) * kMoveStep_m;
            if (trial.*s.measure < kLeastSize_m) {
                continue;
            }
            Embedded less = e;
            less.tool =
                e.kind == Embedded::Kind::Pin ? pinTool(trial, cut) : pocketTool(trial, cut);
            const SkinWall wall = wallToSkin(less, skin, 2 * kLeastWall_m);
            if (!wall.known || wall.wall_m >= kLeastWall_m) {
                const double size = trial.*s.measure;
                return ProposedEdit{
                    s.code, {{e.path() + s.field, size}}, {{Quantity::Length, size}}};
            }
        }
    }
    return std::nullopt;
}

// The least move away from the skin; tried on the bait as it would then be, since what comes in
// from the skin moves up and down with it.
std::optional<ProposedEdit> leastMoveInside(const Design& design, const Derived& d,
                                            const std::vector<Embedded>& solids, const Embedded& e,
                                            const SkinSearch& skin) {
    auto thick = [&](const Embedded& part) {
        const SkinWall wall = wallToSkin(part, skin, 2 * kLeastWall_m);
        return !wall.known || wall.wall_m >= kLeastWall_m;
    };
    return leastMove(design, d, solids, e, [&](double x, double shift) {
        for (const Embedded& part : solids) {
            Embedded trial = part;
            trial.tool.mouth_m.x() += shift;
            if (part.record == e.record && !thick(trial)) {
                return false;
            }
        }
        const Result<Design> edited = withEdit(design, {"", {{e.path() + "/x", x}}});
        const Result<Derived> then =
            edited ? evaluate(*edited, &d) : Result<Derived>(edited.error());
        if (!then) {
            return false;
        }
        const std::vector<Embedded> after = embeddedIn(*edited, *then);
        return std::all_of(after.begin(), after.end(), [&](const Embedded& part) {
            return part.record != e.record || (part.piece == e.piece && thick(part));
        });
    });
}

Finding thinWall(const Embedded& e, const SkinWall& wall) {
    using Kind = Embedded::Kind;
    const bool out = wall.wall_m <= 0;
    const char* code = e.kind == Kind::Pin      ? (out ? "joint.pin_out" : "joint.pin_wall")
                       : e.kind == Kind::Pocket ? "joint.pocket_wall"
                                                : (out ? "wall.comes_out" : "wall.thin");
    const double told = e.kind == Kind::Pocket ? std::max(0.0, wall.wall_m) : wall.wall_m;
    return placed({code,
                   out ? Severity::Error : Severity::Warning,
                   fieldOf(e),
                   {{Quantity::Length, told}, {Quantity::Length, kLeastWall_m}},
                   {e.name}},
                  wall.place_m);
}

}  // namespace

void checkSkinWalls(const Design& design, const Derived& d, std::vector<Finding>& out,
                    bool withCures, std::stop_token stop) {
    using Kind = Embedded::Kind;
    const std::vector<Finding> told = out;
    const std::vector<Embedded> solids = embeddedIn(design, d);
    std::vector<std::unique_ptr<SkinSearch>> skins(d.shape->parts.size());
    std::unique_ptr<SkinSearch> uncut;
    std::vector<std::pair<RecordRef, Kind>> done;
    for (const Embedded& e : solids) {
        if (stop.stop_requested()) {
            return;
        }
        if (std::find(done.begin(), done.end(), std::pair(e.record, e.kind)) != done.end() ||
            alreadyTold(e, told)) {
            continue;
        }
        const bool ofJoint = e.kind == Kind::Pin || e.kind == Kind::Pocket;
        const size_t piece = std::min(e.piece, d.shape->parts.size() - 1);
        std::unique_ptr<SkinSearch>& skin = ofJoint ? uncut : skins[piece];
        if (!skin) {
            skin = std::make_unique<SkinSearch>(
                ofJoint ? d.shape->mesh : d.shape->parts[piece].mesh, d.shape->curves);
        }
        // A sample a little off the thinnest place still leads the search there.
        const SkinWall wall = wallToSkin(e, *skin, 2 * kLeastWall_m);
        if (!wall.known || wall.wall_m >= kLeastWall_m) {
            continue;
        }
        done.emplace_back(e.record, e.kind);
        Finding f = thinWall(e, wall);
        if (ofJoint && withCures) {
            const size_t index = e.record.index;
            if (const auto edit =
                    leastShortening(design.joints[index], d.shape->joints[index], e, *skin)) {
                f.path = edit->changes.front().path;
                f.edits.push_back(*edit);
            }
        } else if (withCures) {
            if (const auto edit = leastMoveInside(design, d, solids, e, *skin)) {
                f.edits.push_back(*edit);
            }
        }
        out.push_back(std::move(f));
    }
}

}  // namespace wl
