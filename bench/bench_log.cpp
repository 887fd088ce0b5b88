// The water log in ten thousand notes: opened, searched, learnt from.
#include <benchmark/benchmark.h>

#include <QCoreApplication>
#include <QTemporaryDir>

#include "core/learn/log_fits.h"
#include "core/learn/log_search.h"
#include "waterlog/log_book.h"

using namespace wl;

namespace {

WaterLog manyNotes() {
    WaterLog log;
    for (int b = 0; b < 40; ++b) {
        LogBait bait;
        bait.bait = "Reed diver " + std::to_string(b);
        bait.family = b % 2 ? "in_line_lip_stout" : "steep_lip_stout";
        log.baits.push_back(bait);
    }
    for (int o = 1; o <= 400; ++o) {
        LogOuting outing;
        outing.id = o;
        outing.date = "2026-0" + std::to_string(1 + o % 9) + "-1" + std::to_string(o % 10);
        outing.place = o % 3 ? "mill pool" : "weir run";
        log.outings.push_back(outing);
    }
    for (int i = 0; i < 10000; ++i) {
        LogNote n;
        n.id = i + 1;
        n.outing = 1 + i % 400;
        n.bait = "Reed diver " + std::to_string(i % 40);
        n.kind = i % 5 ? NoteKind::Depth : NoteKind::Catch;
        n.low = n.high = 1.5 + 0.001 * (i % 800);
        n.reckoned = n.foretold = 2.0;
        n.foretoldLow = 1.4;
        n.foretoldHigh = 2.8;
        n.words = i % 7 ? "" : "perch by the reeds";
        n.at_s = i;
        log.notes.push_back(n);
    }
    return log;
}

QString bookOfMany() {
    static QTemporaryDir folder;
    static const QString path = [] {
        LogBook book(folder.filePath("water-log.sqlite"));
        (void)book.merge(manyNotes());
        return folder.filePath("water-log.sqlite");
    }();
    return path;
}

void BM_OpenTenThousandNotes(benchmark::State& state) {
    const QString path = bookOfMany();
    for (auto _ : state) {
        const LogBook book(path);
        benchmark::DoNotOptimize(book.log().notes.size());
    }
}
BENCHMARK(BM_OpenTenThousandNotes)->Unit(benchmark::kMillisecond);

void BM_SearchTenThousandNotes(benchmark::State& state) {
    const WaterLog log = manyNotes();
    const LogIndex index(log);
    for (auto _ : state) {
        benchmark::DoNotOptimize(index.find({"reeds weir", {}, {}, {}, {}}));
    }
}
BENCHMARK(BM_SearchTenThousandNotes)->Unit(benchmark::kMillisecond);

void BM_IndexTenThousandNotes(benchmark::State& state) {
    const WaterLog log = manyNotes();
    for (auto _ : state) {
        benchmark::DoNotOptimize(LogIndex(log));
    }
}
BENCHMARK(BM_IndexTenThousandNotes)->Unit(benchmark::kMillisecond);

void BM_LearnFromReadings(benchmark::State& state) {
    const WaterLog log = manyNotes();
    LogReadings read = readingsOf(log, Learnt::DepthInLine);
    read.readings.resize(size_t(state.range(0)));
    for (auto _ : state) {
        benchmark::DoNotOptimize(FactorFit(spreadsOf(Learnt::DepthInLine), read.readings));
    }
}
BENCHMARK(BM_LearnFromReadings)->Arg(3)->Arg(10)->Arg(30)->Arg(60)->Unit(benchmark::kMillisecond);

// What the log holds of a bait, the first time it is asked, and at every edit after it.
void BM_FirstAskedOfTenThousandNotes(benchmark::State& state) {
    const WaterLog log = manyNotes();
    for (auto _ : state) {
        LogFits fits(log);
        const FactorOf of = fits.whose(Learnt::DepthInLine, log.baits[1], 1, 2.0, 0.0);
        benchmark::DoNotOptimize(tellFactor(fits.fit(Learnt::DepthInLine, of)->fit, of));
    }
}
BENCHMARK(BM_FirstAskedOfTenThousandNotes)->Unit(benchmark::kMillisecond);

void BM_AskedAgainOfTenThousandNotes(benchmark::State& state) {
    LogFits fits(manyNotes());
    const LogBait& bait = fits.log().baits[1];
    (void)fits.fit(Learnt::DepthInLine, fits.whose(Learnt::DepthInLine, bait, 1, 2.0, 0.0));
    for (auto _ : state) {
        const FactorOf of = fits.whose(Learnt::DepthInLine, bait, 1, 2.0, 0.0);
        benchmark::DoNotOptimize(tellFactor(fits.fit(Learnt::DepthInLine, of)->fit, of));
    }
}
BENCHMARK(BM_AskedAgainOfTenThousandNotes)->Unit(benchmark::kMillisecond);

}  // namespace

int main(int argc, char** argv) {
    const QCoreApplication application(argc, argv);
    benchmark::Initialize(&argc, argv);
    benchmark::RunSpecifiedBenchmarks();
    return 0;
}
