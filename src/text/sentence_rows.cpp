#include "text/sentence_rows.h"

// Marks a sentence for the translators' extraction without needing Qt here.
#define WL_TR(text) text

namespace wl {
namespace {

using Row = SentenceRow;

constexpr SentenceRow kRows[] = {
    // Fields
    Row{"text.empty", WL_TR("Give a value: this one cannot be left empty.")},
    Row{"text.not_a_number", WL_TR("That is not a measure. Try 44.5, 1 3/4\" or 4.45 cm.")},
    Row{"text.wrong_unit", WL_TR("That unit does not measure this. Try %w1.")},
    Row{"text.ambiguous",
        WL_TR("That can be read as thousands or as a decimal. Write it without the mark between "
              "thousands, and with “%w1” as the decimal mark.")},
    Row{"text.thousandths_or_inches",
        WL_TR("Thousandths or inches? Write the unit: 28 thou, or 0.028 in.")},
    Row{"text.divides_by_zero", WL_TR("A fraction cannot be over zero.")},
    Row{"edit.no_other_side", WL_TR("It stands on the middle: there is no other side to copy it "
                                    "to. Give it a place off the middle first.")},
    Row{"edit.both_sides_already", WL_TR("It is made on both sides already.")},
    Row{"field.unknown", WL_TR("This design has no such field.")},
    Row{"field.required", WL_TR("Give a value: this one cannot be left empty.")},
    Row{"field.not_whole", WL_TR("%1 is no whole number: count them.")},
    Row{"field.out_of_range", WL_TR("%1 cannot be right: from %2 to %3 is taken.")},
    // Files
    Row{"file.cannot_open",
        WL_TR("The file cannot be opened. Check that it is there and readable.")},
    Row{"file.cannot_write",
        WL_TR("The file cannot be written (%w1). Choose another folder; nothing is lost.")},
    Row{"export.unknown_ending", WL_TR("Templates are written as .svg or .dxf, solids as .stl, "
                                       ".3mf or .step: end the name “%w1” "
                                       "with one of these.")},
    Row{"export.sheet_is_pdf",
        WL_TR("The bench sheet is a PDF, and “%w1” a drawing: end the name with .pdf, or save the "
              "templates instead.")},
    Row{"file.disk_full",
        WL_TR("The disk is full, so nothing was written; what was there before is whole. Make room "
              "or choose another place.")},
    Row{"file.not_a_file",
        WL_TR("That is a folder, a device or a pipe, not a file. Choose a file.")},
    Row{"file.changed_elsewhere",
        WL_TR("Another window or program changed this file since it was opened here.")},
    Row{"program.fault",
        WL_TR("Something went wrong inside the program (%w1). Nothing you made is lost: save under "
              "a new name and start it again.")},
    Row{"file.too_large", WL_TR("The file is far larger than any design, so it was not read.")},
    Row{"file.not_json", WL_TR("The file is damaged or cut short (at byte %w1). The design on the "
                               "bench is unchanged.")},
    Row{"file.not_ours", WL_TR("This is not a Wade Line design.")},
    Row{"model.no_such", WL_TR("There is no coefficient “%w1”. “wadeline model” lists them all.")},
    Row{"model.no_number", WL_TR("“%w2” is no number for %w1. Write it like munk=0.7.")},
    Row{"model.out_of_range", WL_TR("%w1 = %w2 cannot be right: from %w3 to %w4 is taken. "
                                    "“wadeline model” shows its band.")},
    Row{"file.too_new", WL_TR("This design was saved by a newer Wade Line (file version %1; this "
                              "one knows up to %2). Update the program to open it.")},
    Row{"file.unknown_key", WL_TR("The file holds a field this version does not know.")},
    Row{"file.wrong_type",
        WL_TR("The file holds something other than the number, text or list expected here.")},
    Row{"file.out_of_range", WL_TR("%1 stands here; from %2 to %3 is taken.")},
    Row{"file.not_whole", WL_TR("%1 stands here; only a whole number is taken.")},
    Row{"file.unknown_choice", WL_TR("The file names a choice this version does not know.")},
    Row{"file.bad_solid", WL_TR("The imported solid in the file is damaged: it is not a closed "
                                "surface. Import it again.")},
    Row{"file.too_many", WL_TR("The list is longer than the %1 entries taken.")},
    Row{"file.too_few", WL_TR("The list is shorter than the %1 entries needed.")},
    Row{"file.too_long", WL_TR("This text is longer than the %1 bytes taken.")},
    // Body
    Row{"body.too_few_stations",
        WL_TR("A body needs at least four stations; there are %1. Add one.")},
    Row{"body.nose_not_at_zero",
        WL_TR("The first station is the nose tip: its position must be 0, not %1.")},
    Row{"body.stations_out_of_order",
        WL_TR("Station %w1 at %1 does not lie behind station %w2 at %2. Move it aft.")},
    Row{"body.profiles_cross",
        WL_TR("Back and belly cross near %1 from the nose (or the widest line leaves them). Raise "
              "the back or lower the belly there.")},
    Row{"body.no_volume",
        WL_TR("The body has no thickness. Give the stations a half-width and a height.")},
    Row{"body.widest_point", WL_TR("Widest at %1 of the length; a third back is usual, a quarter "
                                   "on turned gliders, half on layered lipless baits.")},
    Row{"body.face_takes_all",
        WL_TR("The end face at %1 takes off half the body or more. Move it nearer the end.")},
    // Stock
    Row{"body.outgrown", WL_TR("%w1: what is let into it takes away %1 more than its stock weighs. "
                               "Something sunk or cut is bigger than the wood it sits in.")},
    Row{"stock.block_not_in_force",
        WL_TR("A sample block of %1 is filled in, but the density in force comes from elsewhere. "
              "Choose the block on the stock sheet to use it.")},
    Row{"stock.disagrees",
        WL_TR("The weighed body (%1) and the drawing (%2) disagree by %3 in volume, more than the "
              "measuring allows. Choose which to trust; the real body is rarely the drawn one.")},
    Row{"stock.not_weighed", WL_TR("Density from the shelf alone leaves ±%1 of doubt in the "
                                   "balance. Weigh a sample block, or better the shaped body.")},
    Row{"stock.weighed_absurd", WL_TR("Weighed mass and density make a body of %1, the drawing one "
                                      "of %2. Check the unit of the weighing and the density.")},
    // Fittings
    Row{"fitting.eye_missing",
        WL_TR("%w1 hangs from “%w2”, but no eye has that name. It is taken at its own place.")},
    Row{"fitting.hook_too_long", WL_TR("%w1 is %1 long on a bait of %2.")},
    Row{"fitting.off_the_bait", WL_TR("%w1 sits off the bait, at %1 from the nose.")},
    // Bores
    Row{"bore.misses_body", WL_TR("%w1: there is no body at %1 from the nose to drill into.")},
    Row{"bore.comes_out", WL_TR("%w1: %1 deep comes out on the far side by %2.")},
    Row{"bore.thin_beyond", WL_TR("%w1 leaves %1 of wall past its bottom; %2 is the least.")},
    Row{"bore.thin_beside", WL_TR("%w1 leaves %1 of wall beside it; %2 is the least.")},
    Row{"bore.plug_too_long", WL_TR("%w1: a plug of %1 stands out of a hole %2 deep.")},
    Row{"bore.meets_bore", WL_TR("%w1 and %w2 leave %1 of wall between them.")},
    Row{"cut.meets_cut", WL_TR("%w1 and %w2 leave %1 of wall between them.")},
    Row{"feature.misses_body", WL_TR("%w1: there is no skin at %1 from the nose to cut into.")},
    Row{"feature.comes_out", WL_TR("%w1: %1 deep comes out through the skin.")},
    Row{"feature.thin_wall", WL_TR("%w1 leaves %1 of wall; %2 is the least.")},
    // Making
    Row{"make.no_layers", WL_TR("A layered body needs its sheets. Add the first one.")},
    Row{"make.not_round",
        WL_TR("A turned body is round, but some stations are not. The lathe will make them so.")},
    Row{"make.short_grain", WL_TR("The grain does not run along the bait: eyes and lip hold badly "
                                  "in short grain. A through-wire takes the pull.")},
    Row{"make.layers_short", WL_TR("The sheets make %1 together, the body is drawn %2 wide. What "
                                   "they do not reach is left out of the mass.")},
    Row{"body.cup_comes_out", WL_TR("A cup %1 deep comes out of the flank: hollow it less deep.")},
    Row{"body.cup_thin", WL_TR("A cup %1 deep leaves less than a millimetre of flank beside it.")},
    Row{"lip.disc_all_outside",
        WL_TR("A disc %2 wide cannot stand %1 out: the skin must hold part of it.")},
    Row{"lip.bend_off_sheet",
        WL_TR("The bend is %1 from the skin, off a lip %2 long: it counts as flat.")},
    Row{"lip.notch_too_big", WL_TR("The notch leaves no lip: make it narrower or less deep.")},
    Row{"lip.hole_off_sheet", WL_TR("A hole of %1 at %2 from the skin runs off the sheet.")},
    Row{"lip.free_outline",
        WL_TR("The lip's corners make no outline: two or more, none crossing, none on the middle "
              "line but the last. Until then it counts as one with a rounded tip.")},
    Row{"lip.off_true",
        WL_TR("The lip is set off true: the bait will run to one side, or lean. Depth and attitude "
              "are reckoned as if it ran straight.")},
    Row{"tie.holes_off_sheet",
        WL_TR("A hole for the tie breaks out of the lip or into the other.")},
    Row{"tie.holes_near_edge", WL_TR("Only %1 of lip is left beside a hole for the tie: the sheet "
                                     "may crack there. Leave %2 or more.")},
    Row{"tie.wire_too_thick", WL_TR("A wire of %1 does not go through a hole of %2.")},
    Row{"tie.leg_outside", WL_TR("The tie's wire, %1 past the skin line, does not end inside the "
                                 "body: there is nothing to glue it into.")},
    Row{"run.lip_gives",
        WL_TR("At %3 the water bends this lip back by %1 on average, its tip by %2: it works as a "
              "steeper lip, more so the faster it is pulled. Thicker or stiffer sheet holds its "
              "angle.")},
    Row{"outline.not_pairs",
        WL_TR("“%w1” is no corner. Write how far aft and how far up, with “;” between corners: "
              "0 0; 12 0; 12 4.")},
    Row{"outline.corners", WL_TR("%1 corners; an outline has from %2 to %3.")},
    Row{"outline.too_far", WL_TR("A corner stands %1 off; at most %2 is taken.")},
    Row{"outline.not_simple",
        WL_TR("The outline of %w1 encloses nothing or crosses itself: draw it round once.")},
    Row{"weight.not_in_body", WL_TR("%w1 does not reach into the body: let it in deeper.")},
    Row{"weight.through_body", WL_TR("The pocket of %w1 goes through to the other flank.")},
    Row{"weight.comes_out", WL_TR("%1 of %w1 stands out of the skin and counts as filed off.")},
    Row{"weight.not_as_drawn",
        WL_TR("%w1 weighs %1, its outline and thickness make %2. Check which is true.")},
    Row{"build_up.no_skin", WL_TR("There is no skin where %w1 is built up.")},
    Row{"clip.wider_than_bore",
        WL_TR("%w1 is %1 over both legs and does not go into %w2, which is %2 wide.")},
    Row{"make.cavity_no_layer", WL_TR("There is no sheet %1 for this cavity; there are %2.")},
    Row{"make.cavity_wall", WL_TR("Cavity %w1 leaves %1 of wall; %2 is the least.")},
    Row{"make.groove_wall", WL_TR("The groove between the halves leaves %1 of wall; %2 is the "
                                  "least.")},
    Row{"make.print_solid", WL_TR("A shell of %1 leaves no hollow: it prints solid.")},
    Row{"make.leak_unknown",
        WL_TR("How fast it leaks cannot be told: %1 wet and %2 dry do not fit the hollow. Weigh it "
              "before and after a soak.")},
    Row{"make.leaks", WL_TR("Unsealed seams let in %1 in %2: spare falls to %3. Seal them.")},
    Row{"make.leaks_and_sinks",
        WL_TR("Unsealed seams let in %1 in %2, and it sinks (spare %3). Seal them.")},
    // Solids brought in, and tracing
    Row{"solid.cannot_cut",
        WL_TR(
            "%w1 cannot be cut out of the solid as it is drawn: the surface passes through itself "
            "there. Change its shape a little, or leave the holes out.")},
    Row{"solid.stopped", WL_TR("Stopped before the solid was done.")},
    Row{"export.no_step", WL_TR("This Wade Line was built without STEP. Save it as 3MF or STL, or "
                                "install one that has it.")},
    Row{"export.step", WL_TR("The STEP file could not be put together. Save it as 3MF or STL.")},
    Row{"export.three_mf", WL_TR("The 3MF file could not be put together. Save it as STL.")},
    Row{"builds.session_only",
        WL_TR(
            "What is built is kept only until the program is closed: “%w1” cannot be used (%w2).")},
    Row{"builds.write_failed", WL_TR("That could not be written down: %w1. Nothing was changed.")},
    Row{"finish.not_a_recipe", WL_TR("“%w1” cannot be read as a finish.")},
    Row{"coat.not_a_colour",
        WL_TR("“%w2” is no swatch for “%w1”: choose a colour, or type # and six digits.")},
    Row{"mould.not_cast", WL_TR("Only a cast body has copies to weigh.")},
    Row{"mould.no_copy",
        WL_TR(
            "Weigh the first copy, trimmed and before any hole, and enter what the scale reads.")},
    Row{"solid.not_a_solid", WL_TR("This is neither STL nor OBJ with faces in it.")},
    Row{"solid.cut_short", WL_TR("The file ends before its solid does. Export it again.")},
    Row{"solid.bad_number", WL_TR("The file holds a corner that is no place, at entry %1.")},
    Row{"solid.too_many",
        WL_TR("The solid has %1 triangles; up to %2 are taken. Export it coarser.")},
    Row{"solid.empty", WL_TR("The surface encloses nothing.")},
    Row{"solid.holes", WL_TR("The surface has holes: %1 edges have a face on one side only. Close "
                             "them in the drawing and export again.")},
    Row{"solid.not_manifold", WL_TR("At %1 edges more than two faces meet, or faces are turned "
                                    "against each other. Unite the bodies and export again.")},
    Row{"solid.too_many_shells",
        WL_TR(
            "The solid is in %1 separate pieces; up to %2 are taken. Join them, or leave out what "
            "does not belong to the bait.")},
    Row{"solid.nested", WL_TR("One shell lies inside another and would be counted twice. Leave one "
                              "out, or turn the inner one to make it a hollow.")},
    Row{"solid.crossing", WL_TR("Two shells cut each other. Unite them and export again.")},
    Row{"solid.places_in_line", WL_TR("Nose, tail and back lie in one line. Pick the back again, "
                                      "off the line from nose to tail.")},
    Row{"solid.no_slices", WL_TR("The solid cannot be sliced along the bait. Check which way it "
                                 "lies.")},
    Row{"svg.cannot_read", WL_TR("The drawing cannot be read (%w1).")},
    Row{"svg.no_path", WL_TR("The drawing holds no path. Turn the outline into a path and save it "
                             "again.")},
    Row{"svg.transformed", WL_TR("The path is turned or scaled by a transform. Flatten it (apply "
                                 "transforms) and save again.")},
    Row{"svg.too_long",
        WL_TR("The outline is drawn with far more points than a bait needs. Simplify "
              "the path and try again.")},
    Row{"svg.bad_path", WL_TR("The first path is no closed outline of a bait.")},
    Row{"trace.no_scale", WL_TR("Set the scale: two places in the picture a known length apart.")},
    Row{"trace.no_axis", WL_TR("Set the axis: the nose tip, then the tail tip.")},
    Row{"trace.too_few", WL_TR("Trace at least three places along the back and three along the "
                               "belly, between nose and tail.")},
    // Joints
    Row{"joint.pieces_differ", WL_TR("There are %1 pieces and %2 joints: there must be one piece "
                                     "more than joints.")},
    Row{"joint.off_the_body",
        WL_TR("%w1 at %1 is not on the body. Move it between nose and tail.")},
    Row{"joint.out_of_order",
        WL_TR("%w1 at %1 meets the joint ahead of it. Move it aft or cut less bevel.")},
    Row{"joint.in_end_face", WL_TR("%w1 at %1 lies where the end of the body is cut off.")},
    Row{"joint.uneven_bevels", WL_TR("%w1 has bevels of %1 and %2: uneven faces make it swing to "
                                     "one side first.")},
    Row{"joint.pin_too_long", WL_TR("%w1: a pin of %1 in a body %2 deep there.")},
    Row{"joint.pin_wall", WL_TR("%w1: the pin leaves %1 of wood to the skin; %2 is the least.")},
    Row{"joint.pin_out", WL_TR("%w1: the pin comes out through the skin.")},
    Row{"joint.pocket_wall", WL_TR("%w1: the pocket leaves %1 of wood; %2 is the least.")},
    Row{"joint.pocket_into", WL_TR("%w1 and %w2 leave %1 of wood between them.")},
    Row{"joint.wood_on_metal",
        WL_TR("%w1: metal rubs on wood and holds it to %1. Widen the pocket or move the pin "
              "towards the gap.")},
    Row{"joint.stiff", WL_TR("%w1 opens %1 only. Give it more gap or bevel.")},
    Row{"piece.rubs", WL_TR("%w1 swung by %1 rubs on the body. Less swing, or the hinge further "
                            "out.")},
    Row{"piece.sinks_alone", WL_TR("%w1 alone sinks (%1 heavy) while the whole bait does not.")},
    Row{"piece.floats_alone", WL_TR("%w1 alone floats (%1 spare) while the whole bait does not.")},
    // Lip and tie
    Row{"lip.longer_than_bait", WL_TR("A lip of %1 is longer than the bait (%2).")},
    Row{"lip.much_wider",
        WL_TR("A lip of %1 on a body %2 wide: a lip much wider than the body spoils the action.")},
    Row{"lip.slot_off_skin",
        WL_TR("The slot at height %1 is not on the skin (belly there at %2).")},
    Row{"tie.no_lip",
        WL_TR("The tie is set on the lip, but there is no lip. It is taken on the body.")},
    Row{"tie.eye_missing", WL_TR("The line ties to “%w1”, but no eye has that name. It is taken at "
                                 "the place last given.")},
    Row{"tie.mid_air", WL_TR("The tie stands in mid-air, %1 off the skin, and no eye carries it.")},
    Row{"tie.no_eye", WL_TR("No eye carries the tie at %1 from the nose.")},
    Row{"tie.lipless_place",
        WL_TR("The tie stands at %1 of the length. Without a lip a third to half is usual (%2 to "
              "%3): near a third it digs and vibrates, further back it digs less.")},
    Row{"edit.tie_eye", WL_TR("The tie is the eye %w1")},
    Row{"tie.off_the_lip", WL_TR("The tie at %1 up the lip is past its tip (%2).")},
    // Rest
    Row{"rest.too_light", WL_TR("%1 short: wanted %2 all up, it comes to %3. Plan the lead.")},
    Row{"rest.too_heavy", WL_TR("%1 too heavy: wanted %2 all up, it comes to %3. Plan the lead.")},
    Row{"rest.sinks_slow", WL_TR("%1 more is needed to sink at %2; it sinks at %3.")},
    Row{"rest.sinks_fast", WL_TR("%1 less is needed to sink at %2; it sinks at %3.")},
    Row{"rest.rises_wanted_sinking", WL_TR("%1 more is needed to sink at %2; now it comes up.")},
    Row{"rest.sinks_otherwise", WL_TR("It weighs what is wanted to sink at %2, but lies at %4 "
                                      "(nose up +) and so sinks at %3. Plan the "
                                      "lead for the attitude.")},
    Row{"rest.tumbles", WL_TR("It finds no way to lie as it sinks: it tumbles, at about %1.")},
    Row{"rest.suspend_doubtful",
        WL_TR("Whether it suspends is not settled: measuring leaves ±%1, from rising at %2 to "
              "sinking at %3. Weigh the shaped body and trim in the tank.")},
    Row{"rest.undecided", WL_TR("Weight and lift act within %1 of each other: any attitude will "
                                "do, so none can be foretold. Put lead lower.")},
    Row{"rest.leans_starboard", WL_TR("Leans %1 to starboard; %w1 is furthest off centre.")},
    Row{"rest.leans_port", WL_TR("Leans %1 to port; %w1 is furthest off centre.")},
    Row{"rest.falls_starboard",
        WL_TR("Leans %1 to starboard though nothing lies off centre: too little weight low down or "
              "too little volume high up. Lead lower, or a fuller back.")},
    Row{"rest.falls_port",
        WL_TR("Leans %1 to port though nothing lies off centre: too little weight low down or too "
              "little volume high up. Lead lower, or a fuller back.")},
    Row{"rest.on_side", WL_TR("Lies on its side, leaning %1: too little weight low down. Put lead "
                              "low in the belly, or plan it.")},
    Row{"rest.belly_up", WL_TR("Floats belly up, turned by %1: the weight sits above the lift. Put "
                               "lead low in the belly, or plan it.")},
    Row{"rest.parts_without_drag",
        WL_TR("%w1: no area or length is typed, so what the water does to it is left out of depth, "
              "pull, attitude under way and sink rate.")},
    Row{"rest.lump", WL_TR("%w1 is thicker than a third of its length along the bait: taken for a "
                           "lump that drags and does not steer.")},
    Row{"rest.fin_aspect",
        WL_TR("%w1 stands out %1 times as far as it is long: beyond what the law "
              "of fins is known for, and held at its end.")},
    Row{"rest.nose_high",
        WL_TR("Rests at %1 (nose up +), wanted %2: the weight sits too far aft.")},
    Row{"rest.nose_low",
        WL_TR("Rests at %1 (nose up +), wanted %2: the weight sits too far forward.")},
    Row{"rest.second_attitude", WL_TR("It can also rest at pitch %1, roll %2, if it lands that "
                                      "way. Lower lead removes that.")},
    // Run
    Row{"aim.no_target", WL_TR("Say what it should do: a depth, beats or a swing.")},
    Row{"aim.band", WL_TR("The band must begin below its end: %1 is not under %2.")},
    Row{"aim.no_lever",
        WL_TR("Nothing is left to change: set free the lip, or where the line ties.")},
    Row{"aim.no_such_lever", WL_TR("This bait has nothing of that name to change: %w1.")},
    Row{"aim.lever_range",
        WL_TR("Give a range that begins below its end, holds a step of the bench, and is one the "
              "field may have.")},
    Row{"aim.not_told",
        WL_TR("The bait as drawn does not tell this, so nothing can be wished by it: give a "
              "figure instead.")},
    Row{"aim.untold",
        WL_TR("Nothing that can be changed here makes this bait tell what is asked: a bait that "
              "swims by its joints, or does not dive, is aimed by hand.")},
    Row{"pdf.no_design", WL_TR("This PDF carries no design. The bench sheets of this program do.")},
    Row{"pdf.damaged", WL_TR("The design this PDF carries is damaged or cut short.")},
    Row{"aim.weight_room",
        WL_TR(
            "These bores take at most %2 of lead: %1 does not go in. Drill one deeper or wider.")},
    Row{"aim.rates", WL_TR("Give sink rates over 0: they stand under Tank, Hook swaps.")},
    Row{"aim.no_joints", WL_TR("It has no joints: nothing to cut elsewhere.")},
    Row{"hooks.none", WL_TR("No hook hangs on this bait, or there is none on the shelf.")},
    Row{"aim.stopped", WL_TR("Stopped before an answer was found.")},
    Row{"sweep.no_number", WL_TR("Only a number can be varied.")},
    Row{"sweep.cancelled", WL_TR("Cancelled.")},
    Row{"cast.joints",
        WL_TR("Joints fold in the air: the cast of a jointed bait is not reckoned.")},
    Row{"cast.no_mass", WL_TR("A bait without mass does not fly: give its stock a density.")},
    Row{"cast.cancelled", WL_TR("Cancelled.")},
    Row{"cast.out_of_reach", WL_TR("No throw carries this bait so far or so near: from %1 to %2 is "
                                   "taken. Measure again, or look at its mass and the line.")},
    Row{"run.no_trim", WL_TR("This set-up has no steady swimming attitude at %1: it is likely to "
                             "roll out or skate. Move the tie.")},
    Row{"run.no_solution", WL_TR("Line and bait could not be matched for this retrieve at any "
                                 "speed: no depth is given.")},
    Row{"run.too_slack_below",
        WL_TR("The line is too slack to tell a depth at this speed: it can be told from %1 on.")},
    Row{"run.floats_slack",
        WL_TR("At %1 the line would leave the tie downward, and a floating line cannot hang so: no "
              "depth is given. It runs up as it is reeled in.")},
    Row{"run.slack_at_first",
        WL_TR("On the first %1 of the way the line hangs too slack to be reckoned: the depth is of "
              "the run from %2 on. A quicker retrieve or a thinner line draws it taut sooner.")},
    Row{"run.stays_on_top", WL_TR("Will not dive at %1: it stays at the surface.")},
    Row{"run.two_attitudes",
        WL_TR("Two steady attitudes under tow, %1 and %2 (nose up +): it may flip between them.")},
    Row{"run.steep",
        WL_TR("Swims at %1 (nose up +), steeper than the %2 this reckoning is trusted to.")},
    Row{"run.slack", WL_TR("The line pulls with %1 only: too slack to foretell the depth well.")},
    Row{"run.rough_start",
        WL_TR("Points right after the splash matched only roughly: %1. The depth does not hang on "
              "them.")},
    Row{"run.reaches_bottom", WL_TR("Would run at %1 in water %2 deep: it ticks the bottom.")},
    Row{"run.may_reach_bottom", WL_TR("May run as deep as %1 in water %2 deep.")},
    Row{"swim.jointed",
        WL_TR("A jointed bait without a lip is not driven by a wake: what it does is "
              "told under Motion.")},
    Row{"swim.lip_out_of_proportion",
        WL_TR("A lip %1 across on a body %2 wide is out of proportion: its swim is not reckoned.")},
    Row{"swim.piece_weighs_nothing",
        WL_TR("%1 weighs nothing: give it its stock, then it can be told how it swims.")},
    Row{"swim.piece_too_short", WL_TR("%1 is only %2 long: too short for a piece of its own.")},
    Row{"swim.tie_on_later_piece",
        WL_TR("The tie sits behind a joint: how it swims drawn from there is not reckoned.")},
    Row{"swim.too_many_pieces", WL_TR("More than six pieces in a row are not reckoned.")},
    Row{"swim.side_not_known",
        WL_TR("Which way a bait without a lip runs off the model does not know: it needs a trial. "
              "Bend the tie a hair, pull it, and go on the way that helped.")},
    Row{"swim.pulls_too_long",
        WL_TR("The pulls of the cadence are so long that fewer than four fit the cast: make them "
              "shorter, or cast farther.")},
    Row{"swim.not_followed",
        WL_TR("It is too light for the pull of the rod to be followed: no figure.")},
    Row{"swim.no_mass", WL_TR("It weighs nothing yet: there is nothing to swing.")},
    Row{"swim.no_trim", WL_TR("No steady attitude at %1: how it swims cannot be told.")},
    Row{"swim.stays_on_top", WL_TR("Stays on the surface at %1: how it swims under water cannot be "
                                   "told.")},
    Row{"swim.too_slow", WL_TR("At %1 the water hardly works on it.")},
    Row{"swim.no_rhythm", WL_TR("Wake and body find no common beat at this speed: no number.")},
    Row{"swim.nothing_sheds", WL_TR("No action: nothing on it sheds a wake from side to side.")},
    Row{"swim.lip_flat", WL_TR("No action: its plate meets the water at %1 only, too flat to drive "
                               "a wobble.")},
    Row{"swim.far_from_own",
        WL_TR("No action: the wake beats %1 times a second, the bait by itself %2 times.")},
    Row{"swim.limits_cross",
        WL_TR("The limits of the words for a swim cross: each must be over the "
              "one before it.")},
    Row{"swim.damped", WL_TR("No action: hull and fins hold it against the wake.")},
    Row{"run.likely_too_shallow",
        WL_TR(
            "With a lip as steep as %1 the depth is likely told too shallow: makers see such baits "
            "run deeper. Before doubting it see what spare, lip angle, rod tip and speed move.")},
    Row{"run.too_shallow", WL_TR("Runs %1 to %2, wanted %3. A lip more in line with the body, a "
                                 "longer cast or thinner line runs deeper.")},
    Row{"run.too_deep", WL_TR("Runs %1 to %2, wanted %3. A steeper lip, a shorter cast or thicker "
                              "line runs shallower.")},
    // Plan
    Row{"wall.run_together", WL_TR("%w1 and %w2 run into each other by %1.")},
    Row{"wall.thin", WL_TR("%w1 leaves %1 of wall to the skin; %2 is the least.")},
    Row{"wall.comes_out", WL_TR("%w1 comes out through the skin.")},
    Row{"bore.poured", WL_TR("%w1 is poured: dry and seal the wood first, damp wood spits molten "
                             "lead. Face shield, gloves, fresh air, nobody near; keep to the "
                             "rules where you are.")},
    Row{"bore.piece_too_wide", WL_TR("%w1: a piece %1 thick does not go into a hole of %2.")},
    Row{"bore.pieces_too_long", WL_TR("%w1: the pieces stack %1 high in a hole %2 deep.")},
    Row{"chamber.balls_too_big",
        WL_TR("%w1: %1 balls of %2 do not go into a tube %3 wide and %4 long.")},
    Row{"chamber.balls_light", WL_TR("%w1: the balls weigh %1 and the chamber pushes aside %2 of "
                                     "water. At least twice as much ball as water keeps the "
                                     "chamber from lifting.")},
    Row{"chamber.no_room", WL_TR("%w1: the balls can roll only %1. Take one out or lengthen it.")},
    Row{"wire.no_room",
        WL_TR("There is no room to bend the wire down to %w1 at %1: move it aft, or "
              "set the straight run further from that skin.")},
    Row{"wire.leaves_body", WL_TR("The through-wire leaves the body %1 from the nose. Change the "
                                  "height of its run.")},
    Row{"wire.crosses_joint",
        WL_TR("The through-wire runs across %w1 at %1: the joint could not move.")},
    Row{"hooks.meet", WL_TR("%w1 and %w2 can swing into each other: their circles cross by %1.")},
    Row{"hook.reaches_tie", WL_TR("%w1 can swing %1 past the line tie and catch the line.")},
    Row{"hook.reaches_lip", WL_TR("%w1 can swing onto the lip and hang there, by %1.")},
    Row{"tank.no_readings", WL_TR("Enter at least one thing seen in the tank.")},
    // The water log
    Row{"photo.marks_missing", WL_TR("Mark still missing or misplaced: %w1. Set the scale, the "
                                     "water, the bait and its back.")},
    Row{"photo.too_near",
        WL_TR("The two marks of the %w1 stand too near each other: set them farther "
              "apart.")},
    Row{"photo.on_its_side", WL_TR("The water stands upright in this picture: turn it first.")},
    Row{"photo.skewed",
        WL_TR(
            "By this scale the bait is %1 off its own length: the picture is taken aslant, or the "
            "scale lies nearer or farther than the bait. Take it again.")},
    Row{"bath.no_trim", WL_TR("At %1 it holds no steady attitude on a line.")},
    Row{"bath.not_held", WL_TR("Held by a line that rises %1 it finds no steady path: it is thrown "
                               "about, and shows nothing.")},
    Row{"stream.too_slow", WL_TR("Only %1 of stream reach the lip: bring it nearer to the outlet, "
                                 "or take a thinner outlet.")},
    Row{"logger.no_rows", WL_TR("There are not ten rows with a time and a depth in it. Look which "
                                "columns they stand in.")},
    Row{"logger.no_column", WL_TR("Time and depth cannot both stand in column %1.")},
    Row{"logger.time_runs_back", WL_TR("At line %w1 its time runs back: is that the column of the "
                                       "time?")},
    Row{"log.no_bait", WL_TR("Say which bait it was.")},
    Row{"log.no_number", WL_TR("Copies are counted from 1.")},
    Row{"log.no_value", WL_TR("Type what was seen.")},
    Row{"log.out_of_range", WL_TR("No bait does that: look at the figure and its unit.")},
    Row{"log.wrong_way", WL_TR("The least is more than the most: turn them round.")},
    Row{"log.not_a_date", WL_TR("Give the day as year-month-day, as 2026-05-30.")},
    Row{"log.there_already", WL_TR("Another window has logged that one meanwhile: try again.")},
    Row{"log.gone", WL_TR("It was taken out in another window meanwhile.")},
    Row{"log.read_only", WL_TR("The log at %w1 can only be read; nothing was changed.")},
    Row{"log.busy", WL_TR("Another program holds the log just now. Try again in a moment.")},
    Row{"log.write_failed",
        WL_TR("The log could not be written (%w1). What was logged before is whole; what you typed "
              "still stands.")},
    Row{"log.set_aside",
        WL_TR("The log was damaged. It is kept aside as %w1 and a new one was begun.")},
    Row{"log.newer", WL_TR("The log at %w1 was kept by a newer Wade Line: it can be read, not "
                           "changed.")},
    Row{"log.cannot_change", WL_TR("The log at %w1 can be read, not changed.")},
    Row{"log.session_only",
        WL_TR("The log cannot be kept at %w1: what you log lasts until the program is closed. Save "
              "it as a table before that.")},
    Row{"log.waiting", WL_TR("Another program holds the log at %w1; it is waited for.")},
    Row{"log.csv_damaged", WL_TR("This is not a table of comma-separated values, or it is cut "
                                 "short. The log is unchanged.")},
    Row{"log.csv_header",
        WL_TR("The table's column “%w1” is none of a log, or missing. The log is unchanged.")},
    Row{"log.csv_line", WL_TR("Line %w1 of the table cannot be taken: %w2. The log is unchanged.")},
    Row{"log.not_a_log", WL_TR("This is no water log. The log is unchanged.")},
    Row{"log.too_new", WL_TR("This log was saved by a newer Wade Line. Update the program to take "
                             "it in.")},
    Row{"log.json_entry", WL_TR("The log's entry %w1 cannot be taken: %w2. The log is unchanged.")},
    Row{"learn.not_read", WL_TR("Nothing of its kind was read yet: the book's band.")},
    Row{"learn.kin_only", WL_TR("Told by others of its kind; this one was not read yet.")},
    Row{"learn.too_few", WL_TR("Readings: %1, days: %2. Cannot tell yet which way it is off.")},
    Row{"learn.quarrel",
        WL_TR("Readings: %1, days: %2. They do not agree among themselves; look at "
              "how they were taken.")},
    Row{"learn.deeper", WL_TR("Runs %3 deeper than reckoned. Readings: %1, days: %2.")},
    Row{"learn.shallower", WL_TR("Runs %3 shallower than reckoned. Readings: %1, days: %2.")},
    Row{"learn.quicker", WL_TR("Beats %3 quicker than reckoned. Readings: %1, days: %2.")},
    Row{"learn.slower", WL_TR("Beats %3 slower than reckoned. Readings: %1, days: %2.")},
    Row{"learn.wider", WL_TR("Swings %3 wider than reckoned. Readings: %1, days: %2.")},
    Row{"learn.narrower", WL_TR("Swings %3 less than reckoned. Readings: %1, days: %2.")},
    Row{"learn.holds_more",
        WL_TR("Holds to a speed %3 higher than reckoned. Readings: %1, days: %2.")},
    Row{"learn.holds_less",
        WL_TR("Blows out at a speed %3 lower than reckoned. Readings: %1, days: %2.")},
    Row{"learn.sinks_faster", WL_TR("Sinks %3 faster than reckoned. Readings: %1, days: %2.")},
    Row{"learn.sinks_slower", WL_TR("Sinks %3 slower than reckoned. Readings: %1, days: %2.")},
    Row{"learn.farther", WL_TR("Flies %3 farther than reckoned. Readings: %1, days: %2.")},
    Row{"learn.nearer", WL_TR("Flies %3 less far than reckoned. Readings: %1, days: %2.")},
    Row{"learn.far_from",
        WL_TR("It was read at other settings only, half as much again or more from these.")},
    Row{"learn.width_held",
        WL_TR("Three of a kind have to be read before a band not its own grows narrower.")},
    Row{"learn.odd_over", WL_TR("It is %1 over what the others lead one to expect. Look whether it "
                                "was taken or typed wrong; it stays in until you leave it out.")},
    Row{"learn.odd_under", WL_TR("It is %1 under what the others lead one to expect. Look whether "
                                 "it was taken or typed wrong; it stays in until you leave it "
                                 "out.")},
    Row{"learn.odd_feet",
        WL_TR("It is %3 times what the others lead one to expect: feet and metres "
              "mixed up?")},
    Row{"learn.odd_inches", WL_TR("It is %3 times what the others lead one to expect: inches and "
                                  "millimetres mixed up?")},
    Row{"learn.odd_twice",
        WL_TR("It is %3 times what the others lead one to expect: half beats for "
              "whole ones, or there and back?")},
    Row{"learn.next_day", WL_TR("A reading on another day narrows its band by %1.")},
    Row{"learn.same_day",
        WL_TR("One more reading on the last day's water narrows its band by %1.")},
    Row{"learn.tick", WL_TR("Another day over a bottom known to lie at what is foretold, does it "
                            "tick or not: narrows its band by %1.")},
    Row{"learn.other_copy",
        WL_TR("Another copy of it read on another day narrows its band by %1.")},
    Row{"learn.other_bait",
        WL_TR("Another bait of its kind read on another day narrows its band by %1.")},
    Row{"learn.other_family", WL_TR("A bait of another kind read narrows its band by %1.")},
    Row{"learn.next_day_nothing", WL_TR("Another day narrows its band by next to nothing.")},
    Row{"learn.same_day_nothing",
        WL_TR("More readings on the last day's water narrow it by next to nothing.")},
    Row{"learn.tick_nothing", WL_TR("A tick or none narrows its band by next to nothing.")},
    Row{"learn.other_copy_nothing", WL_TR("Another copy narrows its band by next to nothing.")},
    Row{"learn.other_bait_nothing",
        WL_TR("Another bait of its kind narrows its band by next to nothing.")},
    Row{"learn.other_family_nothing",
        WL_TR("A bait of another kind narrows its band by next to nothing.")},
    Row{"learn.copy_deeper",
        WL_TR("Copy %1 runs %3 deeper than copy %2, beyond what making explains.")},
    Row{"learn.copy_shallower",
        WL_TR("Copy %1 runs %3 shallower than copy %2, beyond what making explains.")},
    Row{"learn.copy_more", WL_TR("Copy %1 reads %3 more than copy %2, beyond what making "
                                 "explains.")},
    Row{"learn.copy_less", WL_TR("Copy %1 reads %3 less than copy %2, beyond what making "
                                 "explains.")},
    Row{"learn.copies_alike", WL_TR("Copies %1 and %2 are alike within what making allows.")},
    Row{"learn.copies_unknown",
        WL_TR("Whether copies %1 and %2 differ cannot be told yet: swim them "
              "side by side on one outing, twice each or more.")},
    Row{"shelf.csv_damaged", WL_TR("This is not a table of comma-separated values, or it is cut "
                                   "short. The shelf is unchanged.")},
    Row{"shelf.csv_header",
        WL_TR("The table has a column “%w1” this shelf does not know. The shelf is unchanged.")},
    Row{"shelf.csv_line",
        WL_TR("Line %w1 of the table cannot be taken: %w2. The shelf is unchanged.")},
    Row{"shelf.set_aside", WL_TR("The shelf was damaged. It is kept aside as %w1 and a new one was "
                                 "begun with the starting values.")},
    Row{"shelf.session_only", WL_TR("The shelf cannot be kept at %w1: changes last until the "
                                    "program is closed. Export it to keep it.")},
    Row{"shelf.cannot_change",
        WL_TR("The shelf at %w1 can be read but not changed. Check who may write there.")},
    Row{"shelf.read_only",
        WL_TR("The shelf cannot be changed here: %w1. Designs are not touched.")},
    Row{"shelf.newer",
        WL_TR("The shelf at %w1 was written by a newer Wade Line: it is read, but not "
              "changed. Update the program to change it.")},
    Row{"shelf.waiting",
        WL_TR("Another program holds the shelf at %w1. The starting values are shown until it lets "
              "go; yours are untouched.")},
    Row{"shelf.busy", WL_TR("Another window or program is writing to the shelf. Nothing was "
                            "changed; try again in a moment.")},
    Row{"shelf.changed_elsewhere",
        WL_TR("Another window changed “%w1” meanwhile; its figures are shown now. Give yours again "
              "if they should stand.")},
    Row{"shelf.name_taken", WL_TR("There is already one of that name on this shelf.")},
    Row{"shelf.write_failed", WL_TR("The shelf could not be written (%w1). Nothing is lost; try "
                                    "again.")},
    Row{"plan.clash", WL_TR("%w1 and %w2 run into each other by %1. Move one of them "
                            "first: no lead is planned into a hole that cannot be drilled.")},
    Row{"plan.comes_out", WL_TR("%w1 comes out on the far side. Drill it less deep first: no lead "
                                "is planned into a hole that cannot be drilled.")},
    Row{"plan.through_skin", WL_TR("%w1 comes out through the skin. Mend that first: no lead is "
                                   "planned into a bait that cannot be cut as drawn.")},
    Row{"plan.pin_out",
        WL_TR("%w1: the pin comes out through the skin. Shorten it first: no lead is "
              "planned into a bait that cannot be cut as drawn.")},
    Row{"plan.pocket_out",
        WL_TR("%w1: the pocket comes out through the skin. Make it smaller first: "
              "no lead is planned into a bait that cannot be cut as drawn.")},
    Row{"choice.cut_plugs", WL_TR("plugs cut to length")},
    Row{"choice.whole_pieces", WL_TR("whole pieces")},
    Row{"choice.one_bore", WL_TR("one bore only")},
    Row{"choice.heavier", WL_TR("plugs of tungsten alloy")},
    Row{"mend.bore_deeper", WL_TR("%w1 drilled %1 deep")},
    Row{"mend.bore_wider", WL_TR("%w1 drilled %1 wide")},
    Row{"mend.bore_moved", WL_TR("%w1 set %1 from the nose")},
    Row{"mend.bore_deeper_all", WL_TR("%w1: each drilled %1 deeper")},
    Row{"mend.bore_wider_all", WL_TR("%w1: each drilled %1 wider")},
    Row{"mend.bore_moved_all", WL_TR("%w1: each moved by %1")},
    Row{"mend.lip_metal", WL_TR("a lip of %1 stainless sheet")},
    Row{"mend.lip_plastic", WL_TR("a lip of %1 polycarbonate")},
    Row{"mend.stock", WL_TR("stock: %w1, %1")},
    Row{"mend.resin_filler", WL_TR("%1 filler in the resin")},
    Row{"mend.infill", WL_TR("%1 infill")},
    Row{"mend.hooks", WL_TR("hooks: %w1")},
    Row{"plan.no_piece_fits",
        WL_TR("No piece on the shelf goes into these bores. Drill them wider, or put smaller "
              "pieces on the shelf.")},
    Row{"plan.leans",
        WL_TR("With this lead it would lean over by %1: the weight is not low enough. "
              "Use heavier metal, or put the lead lower.")},
    Row{"plan.pitch_missed",
        WL_TR("It would lie at %1 (nose up +), %2 is wanted: this shape does not settle there.")},
    Row{"plan.piece_not_level", WL_TR("%w1 by itself would lie at %1 (nose up +): a second bore "
                                      "in it would let it lie level.")},
    Row{"meeting.not_there",
        WL_TR("A meeting is noted with “%w1”, but nothing let into the bait has "
              "that name. Take the note out or name it again.")},
    Row{"meeting.too_tight", WL_TR("%w1 is %1 thick and does not go into %w2, which is %2 wide.")},
    Row{"meeting.lip_weak", WL_TR("Slotted over %w1 the lip keeps %1 of sheet beside it; %2 is the "
                                  "least.")},
    Row{"edit.meant_through", WL_TR("It is meant: %w1 passes through %w2")},
    Row{"edit.meant_in", WL_TR("It is meant: %w1 stands in %w2")},
    Row{"edit.meant_slotted", WL_TR("It is meant: the lip is slotted over %w2")},
    Row{"edit.move_bore", WL_TR("Drill %w1 %1 from the nose")},
    Row{"edit.move_chamber", WL_TR("Set %w1 %1 from the nose")},
    Row{"edit.move_cut", WL_TR("Cut %w1 %1 from the nose")},
    Row{"edit.move_eye", WL_TR("Set %w1 %1 from the nose")},
    Row{"edit.metal_lip", WL_TR("A lip of %1 stainless sheet")},
    Row{"edit.bore_diameter", WL_TR("Drill %w1 %1 wide")},
    Row{"plan.stopped", WL_TR("The lead plan was stopped before it was done. Ask for it again.")},
    Row{"plan.no_bores", WL_TR("There is no bore to put lead in. Add one.")},
    Row{"plan.too_heavy_already", WL_TR("Already %1 too heavy without any lead. Use lighter stock "
                                        "or hooks, or take wood off.")},
    Row{"plan.trim_takes_more", WL_TR("The attitude takes %1 more lead than the wanted mass leaves "
                                      "room for. Move a bore towards the end that needs it.")},
    Row{"plan.bores_full", WL_TR("All bores full give %1; %2 is needed, %3 short.")},
    Row{"plan.mass_or_trim", WL_TR("These bores hold the lead, but not where it keeps the trim: "
                                   "%1 is left out for the attitude.")},
    Row{"plan.nose_heavy", WL_TR("The trim stays %1 nose-heavy: no bore lies behind %2.")},
    Row{"plan.tail_heavy", WL_TR("The trim stays %1 tail-heavy: no bore lies ahead of %2.")},
    // Edits
    Row{"edit.plan_lead", WL_TR("Plan the lead")},
    Row{"edit.bore_depth", WL_TR("Drill %w1 %1 deep")},
    Row{"edit.plug_length", WL_TR("Cut the plug to %1")},
    Row{"edit.tungsten", WL_TR("Tungsten alloy plugs")},
    Row{"edit.lip_length", WL_TR("Lip length %1")},
    Row{"edit.lip_width", WL_TR("Lip width %1")},
    Row{"edit.lip_angle", WL_TR("Lip at %1")},
    Row{"edit.slot_z", WL_TR("Slot at height %1")},
    Row{"edit.tie_up_lip", WL_TR("Tie %1 up the lip")},
    Row{"edit.cast", WL_TR("Cast %1")},
    Row{"edit.make_round", WL_TR("Make every station round")},
    Row{"edit.even_bevels", WL_TR("Both faces at %1")},
    Row{"edit.pin_length", WL_TR("Cut the pin to %1")},
    Row{"edit.pocket_width", WL_TR("Make the pocket %1 wide")},
    Row{"edit.pocket_height", WL_TR("Make the pocket %1 high")},
    Row{"edit.pocket_depth", WL_TR("Cut the pocket %1 deep")},
    Row{"word.unnamed", WL_TR("(unnamed)")},  // stands where a part was given no name
    Row{"internal.numeric",
        WL_TR("The reckoning failed on these numbers. Undo the last change; the design is kept.")},
};

}  // namespace

std::span<const SentenceRow> sentenceRows() {
    return kRows;
}

}  // namespace wl
