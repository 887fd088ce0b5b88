// The words of printed sheets: none over another, none off the page, whatever a bait has.
#include <catch2/catch.hpp>

#include "core/base/units.h"
#include "sheet/bench_sheet.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"
#include "support/thorough.h"
#include "text_paper.h"

using namespace wl;
using namespace wl::test;

namespace {

constexpr double kDots = 20;  // to the millimetre

std::vector<PaintedText> wordsOf(int page, const QSizeF& inside, const Design& d,
                                 const Derived& derived, const SheetBench& bench) {
    TextPaper paper((inside * kDots).toSize());
    QPainter painter(&paper);
    painter.scale(kDots, kDots);
    paintBenchPage(painter, page, inside, d, derived, bench);
    painter.end();
    std::erase_if(paper.texts, [](const PaintedText& word) { return word.shown.isEmpty(); });
    for (PaintedText& word : paper.texts) {
        word.box = QRectF(word.box.topLeft() / kDots, word.box.size() / kDots);
        word.shown = QRectF(word.shown.topLeft() / kDots, word.shown.size() / kDots);
    }
    return paper.texts;
}

QStringList overOneAnother(const std::vector<PaintedText>& words, const QSizeF& inside) {
    constexpr double kSlack_mm = 0.5;
    QStringList found;
    const QRectF page(QPointF(), inside);
    for (size_t i = 0; i < words.size(); ++i) {
        const PaintedText& word = words[i];
        if (!page.adjusted(-kSlack_mm, -kSlack_mm, kSlack_mm, kSlack_mm).contains(word.shown)) {
            found << QStringLiteral("“%1” leaves the page: %2 to %3, %4 to %5")
                         .arg(word.text)
                         .arg(word.shown.left(), 0, 'f', 1)
                         .arg(word.shown.right(), 0, 'f', 1)
                         .arg(word.shown.top(), 0, 'f', 1)
                         .arg(word.shown.bottom(), 0, 'f', 1);
        }
        if (word.box.width() > word.shown.width() + kSlack_mm) {
            found << QStringLiteral("“%1” is cut: %2 of %3 mm")
                         .arg(word.text)
                         .arg(word.shown.width(), 0, 'f', 1)
                         .arg(word.box.width(), 0, 'f', 1);
        }
        for (size_t k = 0; k < i; ++k) {
            const QRectF both = word.shown & words[k].shown;
            // A line of type is as high as its tallest letters and its longest tails.
            if (both.width() > kSlack_mm && both.height() > 0.35 * word.box.height()) {
                found << QStringLiteral("“%1” over “%2” at %3, %4")
                             .arg(word.text, words[k].text)
                             .arg(both.x(), 0, 'f', 1)
                             .arg(both.y(), 0, 'f', 1);
            }
        }
    }
    return found;
}

}  // namespace

TEST_CASE("no words of a sheet lie over others or leave it, for baits with all they may have") {
    Dice dice(61);
    const int baits = kThorough ? 200 : 20;
    int printed = 0;
    QStringList found;
    for (int i = 0; i < baits; ++i) {
        Design d = i < 5 ? demoNamed(std::vector<std::string>{"diver", "lipless", "glider",
                                                              "glide-bait", "swimmer"}[size_t(i)])
                         : randomDesign(dice);
        if (i % 3 == 1) {
            d.name =
                "diver for the cold months, slow and steep, third of its kind, with the long "
                "lip and the lead moved aft by as much as the wide one asked for last year";
        }
        const int times = i < 5 ? 0 : dice.upTo(3);
        for (int k = 0; k < times * 6 && d.fittings.size() < 60; ++k) {
            d.fittings.push_back(d.fittings.front());
            std::string& name = d.fittings.back().name;
            name =
                "part with a very long name, as makers write them on a label " + std::to_string(k);
            if (k % 3 == 0) {  // and as they write them in a file's name
                std::replace(name.begin(), name.end(), ' ', '_');
            }
            d.fittings.back().x_m = dice.from(0.008, 0.045);
        }
        while (!d.bores.empty() && int(d.bores.size()) < 5 * times) {
            d.bores.push_back(d.bores.front());
            d.bores.back().x_m = dice.from(0.008, 0.045);
        }
        if (d.lip.present && i % 2 == 1) {
            d.tie.place = TiePlace::Lip;
            d.tie.holes = i % 4 == 1 ? TieHoles::One : TieHoles::Along;
            d.tie.holeDiameter_m = 0.002;
            d.tie.wire_m = 0.0008;
            d.tie.leg_m = 0.01;
        }
        const auto derived = evaluate(d);
        if (!derived) {
            continue;
        }
        ++printed;
        const QSizeF inside = i % 2 == 0 ? QSizeF(277, 190) : QSizeF(259.4, 195.9);
        const SheetBench bench{i % 4 < 2 ? Bench(Bench::Metric) : Bench(Bench::Inch)};
        const int pages = benchPages(inside, d, *derived);
        for (int page = 0; page < pages; ++page) {
            const std::vector<PaintedText> words = wordsOf(page, inside, d, *derived, bench);
            CHECK_FALSE(words.empty());
            for (const QString& line : overOneAnother(words, inside)) {
                found << QStringLiteral("bait %1, page %2: %3").arg(i).arg(page).arg(line);
            }
        }
    }
    CHECK(printed > baits / 2);
    INFO(found.join(QLatin1Char('\n')).toStdString());
    CHECK(found.isEmpty());
}
