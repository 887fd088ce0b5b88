#include "core/making/build_steps.h"

#include <algorithm>
#include <cmath>

#include "core/design/measured.h"
#include "core/making/holes.h"

namespace wl {
namespace {

constexpr double kMinute_s = 60.0;

class StepList {
  public:
    StepList(const Design& design, const Derived& derived)
        : design_(design), d_(derived), holes_(holesInOrder(design, derived)) {}

    std::vector<BuildStep> all() {
        body();
        add(StepKind::WeighBody, 3).reading = reading(ReadingOf::Body, stages().drilledBody_kg);
        for (const size_t coat : coatsOf(CoatKind::Sealer)) {
            coats(StepKind::Seal, coat, 5, WaitPlace::Rack);
        }
        if (!coatsOf(CoatKind::Sealer).empty()) {
            steps_.back().cure_s = std::max(steps_.back().cure_s, design_.building.sealCure_s);
            steps_.back().reading = reading(ReadingOf::Sealed, stages().sealedBody_kg);
            if (!holes_.empty()) {
                add(StepKind::ClearHoles, 8);
            }
        }
        if (design_.wire.present) {
            cure(add(StepKind::BendWire, 25), design_.building.slowCure_s, WaitPlace::Rack);
        }
        if (!design_.bores.empty() || !design_.sideWeights.empty() || !design_.chambers.empty()) {
            BuildStep& lead = add(StepKind::Lead, 10 + 4 * double(design_.bores.size()));
            cure(lead, design_.building.quickCure_s, WaitPlace::Rack);
            lead.reading = reading(ReadingOf::WithLead, stages().withLead_kg + wire_kg());
        }
        if (hasEyes()) {
            cure(add(StepKind::FitEyes, 15), design_.building.slowCure_s, WaitPlace::Rack);
        }
        if (!design_.joints.empty() || !design_.appendages.empty()) {
            add(StepKind::JoinPieces,
                10 * double(design_.joints.size() + design_.appendages.size()));
        }
        if (!design_.buildUps.empty()) {
            cure(add(StepKind::Putty, 10), design_.building.quickCure_s, WaitPlace::Rack);
        }
        tank(ReadingOf::BeforePaint);
        for (const size_t coat : coatsOf(CoatKind::Paint)) {
            coats(StepKind::Paint, coat, 8, WaitPlace::Rack);
        }
        if (design_.lip.present) {
            const bool slow = design_.building.lipGlue == LipGlue::SlowEpoxy;
            cure(add(StepKind::SetLip, 15),
                 slow ? design_.building.slowCure_s : design_.building.quickCure_s,
                 WaitPlace::Rack);
        }
        for (const size_t coat : coatsOf(CoatKind::Clear)) {
            coats(StepKind::ClearCoat, coat, 10, WaitPlace::Turner);
        }
        if (hasHooks()) {
            add(StepKind::Hooks, 5);
        }
        add(StepKind::Weigh, 5).reading = reading(ReadingOf::Finished, stages().finished_kg);
        return std::move(steps_);
    }

  private:
    const StageMasses& stages() const { return d_.mass->stages; }

    // It is laid in before the lead, and summed with what is fitted.
    double wire_kg() const {
        double sum = 0;
        for (const MassItem& item : d_.mass->items) {
            sum += item.kind == PartKind::Wire ? item.mass_kg : 0.0;
        }
        return sum;
    }

    BuildStep& add(StepKind kind, double minutes) {
        BuildStep& step = steps_.emplace_back();
        step.kind = kind;
        step.work_s = minutes * kMinute_s;
        return step;
    }

    static void cure(BuildStep& step, double cure_s, WaitPlace place) {
        step.cure_s = cure_s;
        step.place = place;
    }

    StepReading reading(ReadingOf what, double expected_kg) const {
        return {what, expected_kg, 2 * d_.mass->netDoubt_kg};
    }

    // Sealers, paints or clear coats in the order they go on.
    std::vector<size_t> coatsOf(CoatKind kind) const {
        std::vector<size_t> list;
        for (const size_t k : coatOrder(design_)) {
            const Coat& coat = design_.coats[k];
            if (coat.kind == kind && !isInside(coat)) {
                list.push_back(k);
            }
        }
        return list;
    }
    bool isInside(const Coat& coat) const {
        return coat.innerFace && design_.make.kind == MakeKind::Layered;
    }

    void coats(StepKind kind, size_t coat, double minutes, WaitPlace place) {
        for (int pass = 0; pass < design_.coats[coat].count; ++pass) {
            BuildStep& step = add(kind, minutes);
            step.coat = coat;
            step.pass = pass;
            cure(step, design_.coats[coat].cure_s, place);
        }
    }

    void drill(HoleTurn turn, StepKind kind, double each) {
        const auto holes = std::count_if(holes_.begin(), holes_.end(),
                                         [turn](const BenchHole& h) { return h.turn == turn; });
        if (holes > 0) {
            add(kind, 6 + each * double(holes));
        }
    }

    void drillAll() {
        drill(HoleTurn::Upright, StepKind::DrillUpright, 3);
        drill(HoleTurn::BellyAndBack, StepKind::DrillBores, 3);
        drill(HoleTurn::Flanks, StepKind::DrillFlanks, 2);
        drill(HoleTurn::Ends, StepKind::DrillEnds, 3);
        const bool wire = design_.wire.present && design_.wire.slotWidth_m > 0;
        if (wire || design_.lip.present) {
            drillSlots();
        }
    }
    void drillSlots() { add(StepKind::SawSlots, 10); }

    void shape(double minutes) { add(StepKind::Shape, minutes).splits = true; }

    void joints() {
        if (!design_.joints.empty()) {
            add(StepKind::SawJoints, 12 * double(design_.joints.size()));
            drill(HoleTurn::JointFaces, StepKind::CutPockets, 6);
        }
    }

    void body() {
        switch (design_.make.kind) {
            case MakeKind::Carved:
                if (design_.make.halves.used) {
                    add(StepKind::SawGroove, 15);
                    cure(add(StepKind::GlueHalves, 15), design_.building.clampTime_s,
                         WaitPlace::Clamp);
                }
                drillAll();
                shape(150);
                break;
            case MakeKind::Turned:
                add(StepKind::Turn, 50).splits = true;
                drillAll();
                break;
            case MakeKind::Layered:
                add(StepKind::CutSheets, 15 + 10 * double(design_.make.layers.size())).splits =
                    true;
                for (const size_t k : coatOrder(design_)) {
                    if (isInside(design_.coats[k])) {
                        coats(StepKind::PaintInside, k, 8, WaitPlace::Rack);
                    }
                }
                cure(add(StepKind::GlueSheets, 15), design_.building.clampTime_s, WaitPlace::Clamp);
                drillAll();
                shape(90);
                break;
            case MakeKind::Cast:
                cure(add(StepKind::Pour, 4), design_.building.resinCure_s, WaitPlace::Mould);
                add(StepKind::Trim, 15);
                drillAll();
                break;
            case MakeKind::Printed:
                cure(add(StepKind::Print, 10), design_.building.printTime_s, WaitPlace::Printer);
                add(StepKind::Trim, 20);
                drillAll();
                break;
        }
        joints();
    }

    bool hasEyes() const {
        return std::any_of(design_.fittings.begin(), design_.fittings.end(),
                           [](const Fitting& f) { return !swings(f.kind); });
    }
    bool hasHooks() const {
        return std::any_of(design_.fittings.begin(), design_.fittings.end(),
                           [](const Fitting& f) { return swings(f.kind); });
    }

    void tank(ReadingOf what) {
        double bare = stages().finished_kg;
        for (const MassItem& item : d_.mass->items) {
            const bool coat = item.kind == PartKind::Coat && item.stage == BuildStage::Finished;
            bare -= coat ? item.mass_kg : 0.0;
        }
        add(StepKind::TankTest, 12).reading = reading(what, bare);
    }

    const Design& design_;
    const Derived& d_;
    std::vector<BenchHole> holes_;
    std::vector<BuildStep> steps_;
};

}  // namespace

std::string BuildStep::key() const {
    static constexpr const char* kNames[] = {
        "pour",        "trim",         "print",           "turn",        "saw_groove",
        "glue_halves", "cut_sheets",   "paint_inside",    "glue_sheets", "drill_upright",
        "drill_bores", "drill_flanks", "drill_ends",      "saw_slots",   "shape",
        "saw_joints",  "cut_pockets",  "weigh_body",      "seal",        "clear_holes",
        "bend_wire",   "lead",         "fit_eyes",        "join_pieces", "putty",
        "tank_test",   "paint",        "set_lip",         "clear_coat",  "hooks",
        "weigh",       "bed_master",   "pour_first_half", "turn_mould",  "pour_second_half",
        "open_mould"};
    std::string name = kNames[size_t(kind)];
    if (kind == StepKind::Seal || kind == StepKind::Paint || kind == StepKind::PaintInside ||
        kind == StepKind::ClearCoat) {
        name += "/" + std::to_string(coat) + "/" + std::to_string(pass);
    }
    return name;
}

std::vector<size_t> coatOrder(const Design& design) {
    std::vector<size_t> inside, rest;
    const bool layered = design.make.kind == MakeKind::Layered;
    for (size_t k = 0; k < design.coats.size(); ++k) {
        (layered && design.coats[k].innerFace ? inside : rest).push_back(k);
    }
    std::reverse(inside.begin(), inside.end());
    inside.insert(inside.end(), rest.begin(), rest.end());
    return inside;
}

std::vector<BuildStep> buildSteps(const Design& design, const Derived& derived) {
    return StepList(design, derived).all();
}

Design withReading(const Design& design, const Derived& derived, const StepReading& reading,
                   double read_kg) {
    Design next = design;
    switch (reading.what) {
        case ReadingOf::Body: {
            // What was drilled out was as dense as what is left, side pieces as far off as the
            // rest.
            const double drilled = derived.mass->stages.drilledBody_kg;
            const double whole = drilled > 0 ? derived.shape->reckoning.usedMass_kg / drilled : 1.0;
            Stock& stock = next.pieces.front().stock;
            stock.weighedBody_kg = read_kg * whole;
            if (stock.trust == BodyTrust::DrawnVolume) {  // weighed, it counts
                Design bare = design;
                bare.pieces.front().stock.weighedBody_kg.reset();
                takeMeasured(bare, next);
            }
            break;
        }
        case ReadingOf::BeforePaint:
        case ReadingOf::Finished: {
            TankReading read;
            read.kind = ReadingKind::Weighs;
            read.stage =
                reading.what == ReadingOf::Finished ? TankStage::Finished : TankStage::BeforePaint;
            read.mass_kg = read_kg;
            read.temperature_K = design.errors.roomTemperature_K;
            std::erase_if(next.tank.readings, [&read](const TankReading& r) {
                return r.kind == read.kind && r.stage == read.stage;
            });
            next.tank.readings.push_back(read);
            break;
        }
        case ReadingOf::Sealed:
        case ReadingOf::WithLead:
            break;
    }
    return next;
}

ReadingVerdict judgeReading(const Design& design, const Derived& derived,
                            const StepReading& reading, double read_kg) {
    ReadingVerdict verdict;
    verdict.off_kg = read_kg - reading.expected_kg;
    verdict.within = std::abs(verdict.off_kg) <= reading.within_kg;
    if (verdict.within) {
        return verdict;
    }
    // Before the lead is in the plan is made anew; after it a bore is topped up or drilled out.
    const bool planned = reading.what == ReadingOf::Body || reading.what == ReadingOf::Sealed;
    double most = 0;
    for (size_t i = 0; i < design.bores.size() && !planned; ++i) {
        const Bore& bore = design.bores[i];
        const double net = bore.plugDensity_kg_m3 - bore.fillerDensity_kg_m3;
        const double area = 0.25 * kPi * bore.diameter_m * bore.diameter_m;
        const double plug = derived.mass->bores[i].plugLength_m;
        const double room = verdict.off_kg > 0 ? plug : bore.depth_m - plug;
        const double length = std::abs(verdict.off_kg) / (area * net);
        if (bore.lead == BoreLead::Pieces || net <= 0 || length > room || room <= most) {
            continue;
        }
        most = room;
        verdict.bore = i;
        verdict.plug_m = length;
        verdict.lead_kg = -std::copysign(length * area * bore.plugDensity_kg_m3, verdict.off_kg);
    }
    return verdict;
}

}  // namespace wl
