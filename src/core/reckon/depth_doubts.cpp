#include "core/reckon/depth_doubts.h"

#include <algorithm>
#include <cmath>

#include "core/model/draws.h"
#include "core/reckon/stages.h"
#include "core/reckon/tow.h"

namespace wl {
namespace {

using Source = DepthDoubt::Source;

// Coefficients of one source that err together.
struct Bundle {
    Source source;
    std::vector<double Model::*> members;
};

const std::vector<Bundle>& bundles() {
    static const std::vector<Bundle> table{
        {Source::Line, {&Model::strumming}},
        {Source::Line, {&Model::lineNormal, &Model::lineTangential}},
        {Source::Body, {&Model::munk}},
        {Source::Body,
         {&Model::crossFlow, &Model::crossFlowLip, &Model::crossFlowSteep30,
          &Model::crossFlowSteep20, &Model::bareLift}},
        {Source::Lip, {&Model::lipOnBodyInLine, &Model::lipOnBodySteep, &Model::plateSideSuction}},
        {Source::Lip, {&Model::lipPressure, &Model::lipPressureShift}},
        {Source::Lip, {&Model::lipWake}},
        {Source::Fins,
         {&Model::finSlope, &Model::finBroadside, &Model::finLump, &Model::bristleSlope,
          &Model::bristleDrag, &Model::faceFront, &Model::faceRear}},
        {Source::Hooks, {&Model::trebleWire, &Model::singleWire, &Model::ringWire}},
        {Source::Roll, {&Model::rollLoss}},
    };
    return table;
}

Model atEnd(Model model, const Bundle& bundle, bool high) {
    for (double Model::*member : bundle.members) {
        const Coefficient& c = coefficientOf(member);
        // A coefficient taken beyond its band by hand stays where it is on that side.
        model.*member = high ? std::max(c.high, model.*member) : std::min(c.low, model.*member);
    }
    return model;
}

bool has(const Derived& d, const Bundle& bundle) {
    switch (bundle.source) {
        case Source::Lip:
            return d.loads->inputs.lip.has_value();
        case Source::Fins:
            return !d.loads->inputs.surfaces.empty();
        case Source::Hooks:
            return !d.loads->inputs.parts.empty();
        default:
            return true;
    }
}

// Nothing where no depth can be told.
std::optional<double> depthWith(const Derived& d, const Model& model, double tautFrom_m,
                                const RetrieveGrid& grid, const std::stop_token& stop) {
    Derived varied = d;
    varied.model = model;
    const TowedShape inputs = towedShapeOf(*d.design, varied);
    if (!(model == d.model)) {
        varied.towed.loads = std::make_shared<const LoadTable>(inputs, model);
    }
    const RetrievePath path = towIn(varied, tautFrom_m, stop, grid);
    const bool told = path.end != RetrieveEnd::NoTrim && path.end != RetrieveEnd::NoSolution &&
                      path.end != RetrieveEnd::Cancelled;
    return told ? std::optional(path.maxDepth_m) : std::nullopt;
}

}  // namespace

std::vector<DepthDoubt> depthDoubts(const Derived& d, double tautFrom_m,
                                    const std::stop_token& stop) {
    std::vector<DepthDoubt> out;
    RetrieveGrid grid = kCoarseRetrieve;
    std::optional<double> middle = depthWith(d, d.model, tautFrom_m, grid, stop);
    if (!middle) {
        grid = kFineRetrieve;
        middle = depthWith(d, d.model, tautFrom_m, grid, stop);
    }
    for (const Bundle& bundle : bundles()) {
        if (!middle || !has(d, bundle) || stop.stop_requested()) {
            continue;
        }
        double shallower = 0, deeper = 0;
        std::optional<double> ends[2];
        for (const bool high : {false, true}) {
            const Model model = atEnd(d.model, bundle, high);
            ends[high] = model == d.model ? middle : depthWith(d, model, tautFrom_m, grid, stop);
        }
        if (!ends[0] && !ends[1]) {
            continue;
        }
        for (int i = 0; i < 2; ++i) {
            const double shift = ends[i] ? *ends[i] - *middle : *middle - *ends[1 - i];
            shallower = std::max(shallower, -shift);
            deeper = std::max(deeper, shift);
        }
        if (out.empty() || out.back().source != bundle.source) {
            out.push_back({bundle.source, 0, 0});
        }
        out.back().shallower_m = std::hypot(out.back().shallower_m, shallower);
        out.back().deeper_m = std::hypot(out.back().deeper_m, deeper);
    }
    return out;
}

DepthDoubt restOfDoubt(const Derived& d, double deepest_m) {
    const Model& m = d.model;
    const double steep = std::max(m.bandSteep * deepest_m, 0.0);
    if (!d.design->lip.present) {
        const double either = std::max(steep, m.bandLipless_m);
        return {Source::Rest, either, either};
    }
    const double share = std::clamp((lipChord(d.design->lip).angle_rad - m.lipSteepFrom_rad) /
                                        std::max(1e-9, m.lipSteepTo_rad - m.lipSteepFrom_rad),
                                    0.0, 1.0);
    const double inLine = (1 - share) * m.bandInLine * deepest_m;
    return {Source::Rest, inLine + share * std::max(steep, m.bandShallower_m),
            inLine + share * std::max(steep, m.bandDeeper_m)};
}

}  // namespace wl
