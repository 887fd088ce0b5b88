<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="en">
<context>
    <name>wl</name>
    <message numerus="yes">
        <source>%n step(s)</source>
        <translation>
            <numerusform>%n step</numerusform>
            <numerusform>%n steps</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n piece(s), ±%1</source>
        <translation>
            <numerusform>%n piece, ±%1</numerusform>
            <numerusform>%n pieces, ±%1</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n note(s)</source>
        <translation>
            <numerusform>one note</numerusform>
            <numerusform>%n notes</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>At %1 it rolls over in %2 of %n run(s), nose and weight a little off each way.</source>
        <translation>
            <numerusform>At %1 it rolls over in %2 of %n run, nose and weight a little off each way.</numerusform>
            <numerusform>At %1 it rolls over in %2 of %n runs, nose and weight a little off each way.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n pull(s) by the cadence of the brief, on %1 of line.</source>
        <translation>
            <numerusform>%n pull by the cadence of the brief, on %1 of line.</numerusform>
            <numerusform>%n pulls by the cadence of the brief, on %1 of line.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Joint %1 comes to its stop in %2 of %n pull(s).</source>
        <translation>
            <numerusform>Joint %1 comes to its stop in %2 of %n pull.</numerusform>
            <numerusform>Joint %1 comes to its stop in %2 of %n pulls.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%1 of %n run(s)</source>
        <translation>
            <numerusform>%1 of %n run</numerusform>
            <numerusform>%1 of %n runs</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>wl::CompareDialog</name>
    <message numerus="yes">
        <source>%n field(s) differ. Lists are held against each other by place.</source>
        <translation>
            <numerusform>One field differs. Lists are held against each other by place.</numerusform>
            <numerusform>%n fields differ. Lists are held against each other by place.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>wl::SolidDialog</name>
    <message numerus="yes">
        <source>%n triangle(s), %1 long, %2.</source>
        <translation>
            <numerusform>%n triangle, %1 long, %2.</numerusform>
            <numerusform>%n triangles, %1 long, %2.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source> It has %n shell(s).</source>
        <translation>
            <numerusform> It has one shell.</numerusform>
            <numerusform> It has %n shells.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>wl::ShelfWindow</name>
    <message numerus="yes">
        <source>%n thing(s) taken in.</source>
        <translation>
            <numerusform>One thing taken in.</numerusform>
            <numerusform>%n things taken in.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n thing(s) written to %1.</source>
        <translation>
            <numerusform>One thing written to %1.</numerusform>
            <numerusform>%n things written to %1.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>SweepPart</name>
    <message numerus="yes">
        <source>No depth is told at %1 of %n place(s): it cannot be built so, or the line hangs slack.</source>
        <translation>
            <numerusform>No depth is told at %1 of %n place: it cannot be built so, or the line hangs slack.</numerusform>
            <numerusform>No depth is told at %1 of %n places: it cannot be built so, or the line hangs slack.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Left white at %n place(s): no depth is told there.</source>
        <translation>
            <numerusform>Left white at one place: no depth is told there.</numerusform>
            <numerusform>Left white at %n places: no depth is told there.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>DoubtTab</name>
    <message numerus="yes">
        <source>%n draw(s) of every error (seed %1): floats %2, hangs %3, sinks %4.</source>
        <translation>
            <numerusform>%n draw of every error (seed %1): floats %2, hangs %3, sinks %4.</numerusform>
            <numerusform>%n draws of every error (seed %1): floats %2, hangs %3, sinks %4.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>wl::AmountsTab</name>
    <message numerus="yes">
        <source>%n bait(s): resin %1, filler %2</source>
        <translation>
            <numerusform>%n bait: resin %1, filler %2</numerusform>
            <numerusform>%n baits: resin %1, filler %2</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n mixing(s) for all</source>
        <translation>
            <numerusform>One mixing for all</numerusform>
            <numerusform>%n mixings for all</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n bait(s)</source>
        <translation>
            <numerusform>%n bait</numerusform>
            <numerusform>%n baits</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>wl::BatchStrip</name>
    <message numerus="yes">
        <source>%n step(s)</source>
        <translation>
            <numerusform>%n step</numerusform>
            <numerusform>%n steps</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>wl::BatchTab</name>
    <message numerus="yes">
        <source>▲ %n week(s) of these evenings are not enough.</source>
        <translation>
            <numerusform>▲ %n week of these evenings is not enough.</numerusform>
            <numerusform>▲ %n weeks of these evenings are not enough.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>and %n more</source>
        <translation>
            <numerusform>and %n more</numerusform>
            <numerusform>and %n more</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n step(s) saved to %1.</source>
        <translation>
            <numerusform>%n step saved to %1.</numerusform>
            <numerusform>%n steps saved to %1.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>wl::RecipeBar</name>
    <message numerus="yes">
        <source>Finish “%1” kept: %n coat(s).</source>
        <translation>
            <numerusform>Finish “%1” kept: %n coat.</numerusform>
            <numerusform>Finish “%1” kept: %n coats.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>wl::CostsTab</name>
    <message numerus="yes">
        <source>%n bait(s) built in %1 h each by the clocks; %2 h were planned.</source>
        <translation>
            <numerusform>%n bait built in %1 h by the clocks; %2 h were planned.</numerusform>
            <numerusform>%n baits built in %1 h each by the clocks; %2 h were planned.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>wl::FindTab</name>
    <message numerus="yes">
        <source>%n note(s)</source>
        <translation>
            <numerusform>one note</numerusform>
            <numerusform>%n notes</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n note(s) saved to %1.</source>
        <translation>
            <numerusform>One note saved to %1.</numerusform>
            <numerusform>%n notes saved to %1.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n entry(s) taken in; what was there already was left as it is.</source>
        <translation>
            <numerusform>One entry taken in; what was there already was left as it is.</numerusform>
            <numerusform>%n entries taken in; what was there already was left as it is.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>wl::TroubleTab</name>
    <message numerus="yes">
        <source>%1 (%n minute(s))</source>
        <translation>
            <numerusform>%1 (one minute)</numerusform>
            <numerusform>%1 (%n minutes)</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>wl::LoggerDialog</name>
    <message numerus="yes">
        <source>%n cast(s), in the middle %1 deep, from %2 to %3; at the surface it read %4.</source>
        <translation>
            <numerusform>One cast, %1 deep (%2 to %3); at the surface it read %4.</numerusform>
            <numerusform>%n casts, in the middle %1 deep, from %2 to %3; at the surface it read %4.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>wl::WaterTab</name>
    <message numerus="yes">
        <source>by a logger, %n cast(s)</source>
        <translation>
            <numerusform>by a logger, one cast</numerusform>
            <numerusform>by a logger, %n casts</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>wl::CopiesTab</name>
    <message numerus="yes">
        <source>%n card(s) saved to %1.</source>
        <translation>
            <numerusform>One card saved to %1.</numerusform>
            <numerusform>%n cards saved to %1.</numerusform>
        </translation>
    </message>
</context>
</TS>
