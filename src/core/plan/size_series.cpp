#include "core/plan/size_series.h"

#include <cmath>
#include <type_traits>

#include "core/base/decimal.h"
#include "core/design/describe.h"
#include "core/design/fields.h"
#include "core/placed/wire_form.h"
#include "core/plan/plan_lead.h"
#include "core/reckon/evaluate.h"
#include "core/shape/edit_body.h"

namespace wl {
namespace {

constexpr double kDrillStep_m = 0.0005;

double toDrill(double metres) {
    return std::max(kDrillStep_m, std::round(metres / kDrillStep_m) * kDrillStep_m);
}

// Where a bought eye's stem goes through the skin moves with the skin; how far it stands off and
// how deep it goes do not.
Eigen::Vector3d scaledPlace(const Fitting& f, const Result<BodyCurves>& curves, double k) {
    constexpr double kStep_m = 0.0002;
    const Eigen::Vector3d at(f.x_m, f.y_m, f.z_m);
    if (!isWireForm(f.kind) || f.shank_m <= 0 || !curves) {
        return k * at;
    }
    const auto [from, to] = stemEnds(f, 1.0);
    const Eigen::Vector3d into = stemDirection(f);
    for (int step = 0; step * kStep_m < f.shank_m; ++step) {
        const double u = step * kStep_m;
        const Eigen::Vector3d skin = from + u * into;
        if (curves->contains(skin)) {
            return k * skin - (skin - at);
        }
    }
    return k * at;
}

// Takes every field to the other size in the way its description says.
class Resize {
  public:
    explicit Resize(double k) : k_(k) {}

    [[gnu::noinline]] void number(std::string_view, Quantity, double& value, double, double,
                                  const About& about) {
        switch (about.inSeries) {
            case InSeries::Scales:
                value *= k_;
                break;
            case InSeries::Drilled:
                value = toDrill(k_ * value);
                break;
            default:
                break;
        }
    }
    [[gnu::noinline]] void optional(std::string_view, Quantity, std::optional<double>& value,
                                    double, double, const About& about) {
        if (about.inSeries == InSeries::LeftOut) {
            value.reset();
        }
    }
    template <class T>
    [[gnu::noinline]] void group(std::string_view, T& value, const About& about) {
        if (about.inSeries == InSeries::LeftOut) {
            value = {};
        } else if constexpr (std::is_same_v<T, Body>) {
            const OverallSize now = overallSize(value);
            value = resized(value, k_ * now.length_m, k_ * now.width_m, k_ * now.height_m);
        } else {
            describe(*this, value);
        }
    }
    template <class T>
    [[gnu::noinline]] void list(std::string_view, std::vector<T>& items, size_t, size_t,
                                const About& about) {
        if (about.inSeries == InSeries::LeftOut) {
            items.clear();
        }
        for (T& item : items) {
            describe(*this, item);
        }
    }
    void count(std::string_view, int&, int, int, const About&) {}
    void text(std::string_view, std::string&, size_t, const About&) {}
    void flag(std::string_view, bool&, const About&) {}
    template <class E, size_t N>
    void choice(std::string_view, E&, const std::array<Choice, N>&, const About&) {}
    void mesh(std::string_view, SharedMesh&, size_t, const About&) {}
    void bytes(std::string_view, SharedBytes&, size_t, const About&) {}

  private:
    double k_;
};

}  // namespace

Design scaledDesign(const Design& design, double length_m) {
    Design d = design;
    const OverallSize now = overallSize(d.body);
    if (!(now.length_m > 0)) {
        return d;
    }
    const double k = length_m / now.length_m;
    Resize resize(k);
    describe(resize, d);
    const std::string name = ", " + fixedDecimalText(length_m / kMillimetre, 0) + " mm";
    d.name = design.name.substr(0, design.name.rfind(", ")) + name;
    for (Piece& piece : d.pieces) {
        piece.stock.trust = BodyTrust::DrawnVolume;
    }
    const Result<BodyCurves> curves = BodyCurves::build(design.body, "/body");
    for (size_t i = 0; i < d.fittings.size(); ++i) {
        const Eigen::Vector3d at = scaledPlace(design.fittings[i], curves, k);
        d.fittings[i].x_m = at.x();
        d.fittings[i].y_m = at.y();
        d.fittings[i].z_m = at.z();
    }
    for (RattleChamber& c : d.chambers) {
        // The balls are bought: the tube is drilled no narrower than they need.
        c.length_m = std::max(c.length_m, c.ballDiameter_m + kDrillStep_m);
        c.diameter_m = std::max(c.diameter_m, c.ballDiameter_m + 0.5 * kDrillStep_m);
    }
    return d;
}

SizeRow evaluateSize(const Design& design, double length_m, const Derived* near) {
    SizeRow row;
    row.length_m = length_m;
    row.design = scaledDesign(design, length_m);
    // What left its range in scaling is said, not clamped.
    for (const Field& field : listFields(row.design)) {
        if (field.value && !(*field.value >= field.min && *field.value <= field.max)) {
            row.error = "field.out_of_range";
            return row;
        }
    }
    row.leadMeets = true;
    std::shared_ptr<const Derived> planned;
    if (!row.design.bores.empty()) {
        const Result<LeadPlan> plan = planLead(row.design, near);
        if (plan) {
            row.design = plan->design;
            planned = plan->reached;
            row.leadMeets = plan->findings.empty();
            row.missingMass_kg = plan->missingMass_kg;
        } else {
            row.leadMeets = false;
            row.refusal = plan.error();
        }
    }
    const Result<Derived> derived = evaluate(row.design, planned ? planned.get() : near);
    if (!derived) {
        row.error = derived.error().code;
        return row;
    }
    row.known = true;
    row.volume_m3 = derived->shape->solid.volume_m3;
    row.mass_kg = derived->mass->mass_kg;
    row.wantedMass_kg = derived->wantedMass_kg;
    row.spare = derived->rest->spare;
    row.pitch_rad = derived->rest->pitch_rad;
    row.sinkSpeed_m_s = derived->sinkSeen * derived->rest->fall.speed_m_s;
    // Whatever the plan said: what comes out is what is held against the brief.
    constexpr double kNear_kg = 0.1e-3;
    const double off_kg = std::abs(row.wantedMass_kg - row.mass_kg);
    row.leadMeets = row.leadMeets && off_kg < std::max(kNear_kg, 0.005 * row.wantedMass_kg);
    if (!row.leadMeets && row.missingMass_kg == 0) {
        row.missingMass_kg = row.wantedMass_kg - row.mass_kg;
    }
    return row;
}

}  // namespace wl
