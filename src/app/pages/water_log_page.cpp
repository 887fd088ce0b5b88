#include <QDate>

#include "app/kit/form.h"
#include "app/kit/record_columns.h"
#include "app/pages/pages.h"
#include "session/words.h"

namespace wl {

namespace {

void addTest(Workbench& bench, LogKind kind) {
    Design next = bench.design();
    LogEntry entry;
    entry.date = QDate::currentDate().toString(Qt::ISODate).toStdString();
    entry.kind = kind;
    // What the program says today is kept: the design will move on.
    if (const ResultsPtr r = bench.results(); r && r->derived && *r->design == next) {
        const Derived& d = *r->derived;
        entry.predictedMass_kg = d.mass->mass_kg;
        if (d.rest->attitudeDecided) {
            entry.predictedPitch_rad = d.rest->pitch_rad;
        }
        entry.predictedShowing_m = d.rest->showing_m;
        entry.predictedSink_m_s = d.rest->fall.speed_m_s;
        if (r->run && r->run->depthKnown) {
            entry.predictedDepth_m = r->run->path.maxDepth_m;
        }
    }
    next.log.push_back(entry);
    bench.document.endGesture();
    bench.document.submit(std::move(next), tr("Log a test"));
}

// Number of a measured column with the predicted one after it.
RecordColumn predicted(Workbench& bench, const QString& title, Quantity q,
                       std::optional<double> LogEntry::*value) {
    return derivedColumn(title, q, [&bench, q, value](const Results& r, int row) {
        const auto& v = r.design->log[size_t(row)].*value;
        return v ? bench.text(q, *v, false) : QStringLiteral("–");
    });
}

}  // namespace

QWidget* makeWaterLogPage(Workbench& bench) {
    std::vector<RecordColumn> c = fieldColumns({"date", "kind", "mass"}, 2);
    const auto foretold = [&](Quantity q, std::optional<double> LogEntry::*value) {
        c.push_back(predicted(bench, tr("foretold"), q, value));
    };
    foretold(Quantity::Mass, &LogEntry::predictedMass_kg);
    c.push_back(fieldColumn("pitch"));
    foretold(Quantity::Angle, &LogEntry::predictedPitch_rad);
    c.push_back(fieldColumn("showing"));
    foretold(Quantity::Length, &LogEntry::predictedShowing_m);
    c.push_back(fieldColumn("sink_height"));
    c.push_back(fieldColumn("sink_time"));
    c.push_back(
        derivedColumn(tr("sink speed"), Quantity::Speed, [&bench](const Results& r, int row) {
            const LogEntry& e = r.design->log[size_t(row)];
            return e.sinkHeight_m && e.sinkTime_s
                       ? bench.text(Quantity::Speed, *e.sinkHeight_m / *e.sinkTime_s, false)
                       : QStringLiteral("–");
        }));
    foretold(Quantity::Speed, &LogEntry::predictedSink_m_s);
    c.push_back(fact(fieldColumn("depth")));
    foretold(Quantity::Distance, &LogEntry::predictedDepth_m);
    c.back().fact = true;
    c.push_back(fieldColumn("remarks"));
    auto* table = new RecordTable(bench, "waterLog", "/log", std::move(c),
                                  {{"addTankTest", tr("Log a tank test"),
                                    [&bench](int) { addTest(bench, LogKind::Tank); }, false},
                                   {"addWaterTest", tr("Log a run in the water"),
                                    [&bench](int) { addTest(bench, LogKind::Water); }, false},
                                   removeAction(bench, "removeTest", tr("Remove a test"), "/log")});
    table->setEmptyWords(
        tr("Nothing logged yet. Let the bait go in a tub, or run it once over a known bottom, and "
           "write down what you saw: what was foretold is kept beside it."));
    return table;
}

}  // namespace wl
