#!/usr/bin/env bash
# Holds the core's tests to account: a dozen small faults, each set into a copy of the sources, each
# of which the tests must notice. Takes about ten minutes; not part of CI. Needs a folder to work in:
#   tools/mutate.sh /tmp/mutants
set -uo pipefail
cd "$(dirname "$0")/.."
work=${1:?give a folder to work in}
mkdir -p "$work"
mkdir -p "$work/tree"
git ls-files -z | xargs -0 cp --parents -u -t "$work/tree"
cd "$work/tree"
cmake -G Ninja -S . -B build -DCMAKE_BUILD_TYPE=Debug -DCMAKE_CXX_FLAGS_DEBUG=-O1 -DWL_BUILD_APP=OFF \
  -DWL_BUILD_BENCHMARKS=OFF -DWL_BUILD_REFERENCE=OFF >/dev/null
cmake --build build --target test_core >/dev/null || exit 2
build/tests/test_core >/dev/null || { echo "the tests fail before any fault is set"; exit 2; }

# file | what stands there | the fault | what it is
mutants=(
  "core/hydro/wetted_hull.cpp|xy24 += cross|xy24 -= cross|waterplane cross moment"
  "core/hydro/righting.cpp|return std::cos(pitch) \*|return std::cos(0 * pitch) *|cosine of pitch in the righting arm"
  "core/motion/line_shape.cpp|0.5 \* line.airWeight_N_m() \* rest|0.0 * line.airWeight_N_m() * rest|sag of the line in the air"
  "core/motion/hull_loads.cpp|wake \* lip_->chord_m|-wake * lip_->chord_m|drag in the wake of a steep lip"
  "core/plan/plan_lead.cpp|-piece.mass_kg \* aft.dot|piece.mass_kg * aft.dot|sign in levelling the pieces"
  "core/motion/trim.cpp|for (int i = -89; i <= 90; ++i)|for (int i = -79; i <= 90; ++i)|bound of the trims looked for"
  "core/plan/plan_lead.cpp|q \* fall->loads.moment_m3|-q * fall->loads.moment_m3|sign of the water's moment on a sinker"
  "core/joint/joint_opening.cpp|fold_m \* std::cos(swing - bevel_rad)|fold_m * std::cos(swing + bevel_rad)|clearance of the fold"
  "core/placed/cut_tool.h|kRimDepth_m = 0.0023|kRimDepth_m = 0.0|rim of a socket judged as a wall"
  "core/placed/cut_tool.h|kRimDepth_m = 0.0023|kRimDepth_m = 1.0|walls beside bores no longer judged"
  "core/hull/coated_hull.cpp|CoatOnHull on{skin.area_m2 \* thickness|CoatOnHull on{skin.area_m2 * 2 * thickness|twice the coat"
  "core/hull/coated_hull.cpp|skin.lean_m3 \* way|skin.lean_m3 * way * 0.5|half the run of an uneven coat"
  "core/rest/linked_pieces.cpp|behind \* (link.rear_m - held);|0 * (link.rear_m - held);|links that feel nothing of those behind"
  "core/geometry/body_curves.cpp|way / drawnIn|way / (0 * drawnIn + cup->share)|a cup as a cylinder"
  "core/reckon/evaluate.cpp|d.lip, d.errors|d.errors|a stage that forgets the lip"
  "core/hydro/equilibrium.cpp|up.y() = -up.y();|up.y() = up.y();|the other side of a mirrored bait"
  "core/joint/joint_opening.cpp|std::acos(std::clamp(-other_m|std::acos(std::clamp(other_m|sign in the contact of the fold"
  "core/draw/drawing.cpp|-Vector3d::UnitY(), Vector3d::UnitX()|Vector3d::UnitY(), Vector3d::UnitX()|port drawn to starboard from above"
  "core/draw/draft_things.cpp|const double width = 2000.0|const double width = 1000.0|a bore drawn half as wide"
  "core/placed/surfaces.cpp|across \* part.lateral.centroid_m|part.lateral.centroid_m|both claws to port"
  "core/design/records.cpp|end->name = after|end->name = before|a note that does not follow a new name"
  "core/design/field_walk.h|about.applies && place_.applies|about.applies|a field that forgets its group"
  "core/plan/size_series.cpp|value \*= k_;|value *= 1.0;|another size as large as the first"
  "core/school/tank_school.cpp|(least - heavy) / kPerTurn_kg|0.0 * (least - heavy) / kPerTurn_kg|a sinking that teaches nothing"
  "core/motion/surface_loads.cpp|(model.finCentre + model.finCentreMove \* std::abs(w) / speed)|(0.50 + 0.00 * std::abs(w) / speed)|a fin that always acts in its middle"
  "core/motion/surface_loads.cpp|model.finBroadside \* std::abs(w) \* w|0.0 * std::abs(w) * w|a fin without drag broadside"
  "core/placed/surfaces.cpp|-side \* std::sin(cant)|side * std::sin(cant)|the fins of a pair canted the same way"
  "core/cast/flight.cpp|(free + carried \* along) / (1 + carried)|free|a line that takes no momentum of the bait"
  "core/cast/air_bait.cpp|sum.couple(-half \* f.airMunk|sum.couple(half * f.airMunk|sign of Munk in the air"
  "core/reckon/depth_doubts.cpp|high ? std::max(c.high|high ? std::max(c.low|a band with one end"
  "core/reckon/free_body.cpp|-weight \* up, 0|weight * up, 0|weight that lifts"
  "core/reckon/cadence.cpp|lineOut_ -= part.speed_m_s|lineOut_ -= 0 * part.speed_m_s|slack that is never wound in"
  "core/reckon/what_if.cpp|over\[i\] / (over\[i\] - over\[j\])|0.5|contours through the middles"
  "core/motion/hull_loads.cpp|2 \* hull.squareness - 1|hull.squareness|a rounded slab as square as it is filled"
  "core/motion/retrieve.cpp|-velocity.real() - current|-velocity.real()|line that does not feel the current"
)
missed=0
for row in "${mutants[@]}"; do
  IFS='|' read -r file from to what <<<"$row"
  cp "src/$file" "$work/whole"
  sed -i "0,\\~$from~s~~$to~" "src/$file"
  if cmp -s "src/$file" "$work/whole"; then
    echo "NOT SET   $what (src/$file no longer reads so)"
    missed=$((missed + 1))
  elif ! cmake --build build --target test_core >/dev/null 2>&1; then
    echo "caught    $what (does not build)"
  elif timeout 900 build/tests/test_core --abort >/dev/null 2>&1; then
    echo "MISSED    $what"
    missed=$((missed + 1))
  else
    echo "caught    $what"
  fi
  cp "$work/whole" "src/$file"
  touch "src/$file"
done
[ "$missed" -eq 0 ] && echo "all ${#mutants[@]} caught"
exit "$missed"
