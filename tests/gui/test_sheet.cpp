// The printed sheet: true scale, complete, refused with the reason.
#include <QImage>
#include <QPainter>
#include <QProcess>
#include <QTemporaryDir>
#include <catch2/catch.hpp>
#include <random>

#include "core/plan/size_series.h"
#include "files/design_code.h"
#include "files/design_file.h"
#include "files/pdf_design.h"
#include "io/shelf.h"
#include "opened.h"
#include "sheet/bench_sheet.h"
#include "sheet/drawing_paint.h"
#include "support/random_bait.h"
#include "support/sample_bait.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

namespace {

// Rows or columns of the picture that hold ink, as first and last in millimetres.
std::pair<double, double> inkExtent(const QImage& image, const QRect& box, bool along) {
    int first = -1, last = -1;
    for (int i = along ? box.left() : box.top(); i <= (along ? box.right() : box.bottom()); ++i) {
        bool ink = false;
        for (int k = along ? box.top() : box.left(); k <= (along ? box.bottom() : box.right());
             ++k) {
            ink = ink || qGray(along ? image.pixel(i, k) : image.pixel(k, i)) < 140;
        }
        if (ink) {
            first = first < 0 ? i : first;
            last = i;
        }
    }
    return {double(first), double(last)};
}

}  // namespace

TEST_CASE("a sheet carries its design, another program finds it, and it opens from there unsaved") {
    QTemporaryDir folder;
    const QString pdf = folder.filePath("sheet.pdf");
    for (const char* name : {"diver", "glide-bait"}) {
        const Design design = demoNamed(name);
        REQUIRE_FALSE(writeBenchSheet(design, pdf, Bench::Metric));
        const Result<Design> back = loadDesign(pdf.toStdString());
        REQUIRE(back);
        CHECK(*back == design);
        const QString out = folder.filePath("out.wade");
        QProcess detach;
        detach.start("pdfdetach", {"-save", "1", "-o", out, pdf});
        REQUIRE(detach.waitForFinished(60000));
        REQUIRE(detach.exitCode() == 0);
        QFile taken(out);
        REQUIRE(taken.open(QIODevice::ReadOnly));
        CHECK(taken.readAll().toStdString() == writeDesign(design));
        QProcess text;
        text.start("pdftotext", {"-layout", pdf, "-"});
        REQUIRE(text.waitForFinished(60000));
        const QString words = QString::fromUtf8(text.readAllStandardOutput());
        const QString code = QString::fromStdString(designCode(*back));
        CHECK(words.count(QStringLiteral("code ") + code) ==
              benchPages(QSizeF(277, 190), design, evaluate(design).value()));
        Design other = design;
        other.brief.temperature_K += 1e-9;
        CHECK(designCode(other) != designCode(design));
    }
    Opened o;
    REQUIRE(o.window.openFile(pdf));
    o.settle();
    CHECK(o.design() == demoNamed("glide-bait"));
    CHECK(o.window.bench().document.filePath().isEmpty());  // a save asks where, the sheet stays
    CHECK(o.window.bench().document.isModified());
    // Cut short or damaged it is refused or still a whole design.
    QFile sheet(pdf);
    REQUIRE(sheet.open(QIODevice::ReadOnly));
    const std::string whole = sheet.readAll().toStdString();
    std::mt19937 random(5);
    int refused = 0;
    for (int i = 0; i < 120; ++i) {
        std::string bad = whole;
        if (i % 2 == 0) {
            bad.resize(whole.size() - whole.size() / 120 * size_t(i));
        } else {
            const size_t attached = whole.find("/EF");
            bad[attached - 1 - random() % 4000] ^= char(1 + random() % 255);
        }
        const Result<std::string> text = designInPdf(bad);
        if (!text || !readDesign(*text)) {
            ++refused;
        }
    }
    CHECK(refused > 60);
}

TEST_CASE("the PDF prints the check bar 100 mm long and the bait at true scale") {
    QTemporaryDir folder;
    const QString pdf = folder.filePath("sheet.pdf");
    REQUIRE_FALSE(writeBenchSheet(demoDesign(), pdf, Bench::Metric));
    // Rendered by another program (poppler) at 254 dpi: ten pixels are a millimetre.
    QProcess render;
    render.start("pdftoppm", {"-r", "254", "-png", pdf, folder.filePath("page")});
    REQUIRE(render.waitForFinished(60000));
    REQUIRE(render.exitCode() == 0);
    const QImage page(folder.filePath("page-1.png"));
    REQUIRE_FALSE(page.isNull());
    CHECK(page.width() == Approx(2970).margin(3));
    CHECK(page.height() == Approx(2100).margin(3));
    // The bar's line: printable height 190 mm, bar 7 mm over its foot, 10 mm margin.
    const int barY = int((10 + 190 - 7) * 10);
    const auto bar = inkExtent(page, QRect(105, barY - 2, 1100, 5), true);
    CHECK((bar.second - bar.first) / 10 == Approx(100).margin(0.7));
    QProcess text;
    text.start("pdftotext", {"-layout", pdf, "-"});
    REQUIRE(text.waitForFinished(60000));
    const QString words = QString::fromUtf8(text.readAllStandardOutput());
    for (const char* part :
         {"Side template", "Top template", "Drill table", "Half template", "Section 4",
          "masked: lip slot", "Lip template", "Lead plugs", "The scale should read", "Cautions",
          "chin bore", "belly treble", "27.0° up", "100 mm"}) {
        INFO(part);
        CHECK(words.contains(part));
    }
}

TEST_CASE("the side template is as long and as high as the bait") {
    const Design d = demoDesign();
    Design plain = d;
    plain.bores.clear();
    plain.fittings.clear();
    plain.lip.present = false;
    plain.tie = {TiePlace::Body, 0.041, 0.0};
    const Derived derived = evaluated(plain);
    QImage page(2770, 1900, QImage::Format_RGB32);
    page.fill(Qt::white);
    QPainter painter(&page);
    painter.scale(10, 10);
    paintBenchPage(painter, 0, {277, 190}, plain, derived, Bench::Metric);
    painter.end();
    // Between title and top template; the station numbers stand above the back.
    const double tall = derived.shape->sizes.maxHeight_m * 1000;
    const double noseY = 26 + 0.5 * tall;
    const auto high = inkExtent(
        page, QRect(120 + 250, int((noseY - 0.5 * tall - 4) * 10), 20, int((tall + 8) * 10)),
        false);
    const Section s = derived.shape->curves.atX(0.026);
    CHECK((high.second - high.first) / 10 == Approx((s.back_m - s.belly_m) * 1000).margin(0.8));
}

TEST_CASE(
    "a long sheet goes on to further pages: every part, hole, station and caution is printed") {
    Design d = demoNamed("glide-bait");
    const Fitting eye = d.fittings[0];
    d.fittings.clear();
    for (int i = 0; i < 60; ++i) {
        Fitting f = eye;
        f.name = "small part number " + std::to_string(i);
        f.kind = FittingKind::Other;
        d.fittings.push_back(f);
    }
    const Feature hole = d.features.empty() ? Feature{} : d.features[0];
    d.features.clear();
    for (int i = 0; i < 40; ++i) {
        Feature f = hole;
        f.name = "little hole " + std::to_string(i);
        d.features.push_back(f);
    }
    const Bore bore = d.bores[0];
    for (int i = int(d.bores.size()); i < 20; ++i) {
        Bore b = bore;
        b.name = "extra bore " + std::to_string(i);
        d.bores.push_back(b);
    }
    for (int i = int(d.coats.size()); i < 20; ++i) {
        d.coats.emplace_back().name = "coat of varnish " + std::to_string(i);
    }
    QTemporaryDir folder;
    const QString pdf = folder.filePath("long.pdf");
    REQUIRE_FALSE(writeBenchSheet(d, pdf, Bench::Metric));
    QProcess text;
    text.start("pdftotext", {"-layout", pdf, "-"});
    REQUIRE(text.waitForFinished(60000));
    const QString words = QString::fromUtf8(text.readAllStandardOutput());
    const auto printed = [&](const std::string& name) {
        INFO(name);
        CHECK(words.contains(QString::fromStdString(name)));
    };
    for (const Fitting& f : d.fittings) {
        printed(f.name);
    }
    for (const Feature& f : d.features) {
        printed(f.name);
    }
    for (const Bore& b : d.bores) {
        printed(b.name);
    }
    for (const Coat& c : d.coats) {
        printed(c.name);
    }
    CHECK(words.contains("(continued)"));
    const QString run = words.simplified();
    for (const QString& caution : benchCautions(d)) {
        // Broken into lines in its column: its first words stand together.
        INFO(caution.toStdString());
        CHECK(run.contains(caution.section(' ', 0, 3)));
    }
    // No page is left empty, and nothing is printed below the foot of one: each page's bars are
    // there and the tables end above them.
    const Derived derived = evaluated(d);
    CHECK(words.count("measure this bar") ==
          benchPages(
              benchPageSize(Paper::A4).size(QPageSize::Millimeter).transposed() - QSizeF(20, 20), d,
              derived));
}

TEST_CASE("the drill table names the bit of the maker's own set, and what it is off by") {
    QTemporaryDir folder;
    const QString pdf = folder.filePath("sheet.pdf");
    const auto printed = [&](const SheetBench& bench) {
        Design d = demoDesign();
        d.bores[0].diameter_m = 0.008;
        REQUIRE_FALSE(writeBenchSheet(d, pdf, bench));
        QProcess text;
        text.start("pdftotext", {"-layout", pdf, "-"});
        REQUIRE(text.waitForFinished(60000));
        return QString::fromUtf8(text.readAllStandardOutput()).replace(QChar(0xA0), ' ');
    };
    CHECK(printed({Bench::Metric, {{"8 mm", 8e-3}}}).contains("8 mm"));
    const QString inch =
        printed({Bench::Inch.withFractions(true), starterShelf().drills(Bench::Inch)});
    // 8 mm is 0.3150 in, 5/16 in is 0.3125.
    CHECK(inch.contains("5/16 in, 2.5 thou narrower"));
    CHECK_FALSE(printed(Bench::Metric).contains("wider"));
}

TEST_CASE("a sheet that cannot be made says why") {
    CHECK(writeBenchSheet(demoDesign(), "/no/such/folder/x.pdf", Bench::Metric)->code ==
          "file.cannot_write");
    Design crossing = demoDesign();
    crossing.body.stations[3].belly_m = 0.02;
    QTemporaryDir folder;
    CHECK(writeBenchSheet(crossing, folder.filePath("x.pdf"), Bench::Inch)->code ==
          "body.profiles_cross");
    CHECK(benchCautions(demoDesign()).join(' ').contains("local rules"));
}

TEST_CASE("at 300 dpi the bar, the length and every bore stand within a tenth of a millimetre") {
    QTemporaryDir folder;
    Design d = demoDesign();
    d.fittings.clear();
    d.features.clear();
    d.lip.present = false;
    d.tie = {TiePlace::Body, 0.041, 0.0};
    const std::vector<Bore> bores = d.bores;
    const auto page = [&](const char* name) {
        const QString pdf = folder.filePath(QLatin1String(name));
        REQUIRE_FALSE(writeBenchSheet(d, pdf, Bench::Metric));
        QProcess render;
        render.start("pdftoppm", {"-r", "300", "-f", "1", "-l", "1", "-gray", "-png", pdf, pdf});
        REQUIRE(render.waitForFinished(60000));
        const QImage image(pdf + "-1.png");
        REQUIRE_FALSE(image.isNull());
        return image.convertToFormat(QImage::Format_Grayscale8);
    };
    constexpr double kMm = 25.4 / 300;
    // Ink weighed by its darkness: an edge is found to a part of a dot.
    const auto edges = [](const QImage& image, const QRect& box, bool along) {
        std::vector<double> ink;
        for (int i = along ? box.left() : box.top(); i <= (along ? box.right() : box.bottom());
             ++i) {
            int darkest = 255;
            for (int k = along ? box.top() : box.left(); k <= (along ? box.bottom() : box.right());
                 ++k) {
                darkest = std::min(darkest, qGray(along ? image.pixel(i, k) : image.pixel(k, i)));
            }
            ink.push_back(1 - darkest / 255.0);
        }
        size_t first = 0, last = ink.size() - 1;
        while (first < ink.size() && ink[first] < 0.3) {
            ++first;
        }
        while (last > 0 && ink[last] < 0.3) {
            --last;
        }
        return std::pair(double(first) + (along ? box.left() : box.top()),
                         double(last) + 1 + (along ? box.left() : box.top()));
    };
    d.bores.clear();
    const QImage bare = page("bare.pdf");
    const int barY = int((10 + 190 - 7) / kMm);
    const auto bar = edges(bare, QRect(int(11 / kMm), barY - 1, int(106 / kMm), 3), true);
    CHECK((bar.second - bar.first) * kMm == Approx(100).margin(0.1));
    {
        // The outline from above, a hair beside the centre line: nose to tail and its own stroke.
        const Derived derived = evaluated(d);
        const double tall = 1000 * derived.shape->sizes.maxHeight_m;
        const double wide = 1000 * derived.shape->sizes.maxWidth_m;
        const double topY = 26 + 0.5 * tall +
                            1000 * std::max(0.0, derived.shape->solid.centroid_m.z()) +
                            0.62 * tall + 22 + 0.5 * wide;
        const auto body = edges(
            bare, QRect(int(12 / kMm), int((10 + topY + 0.25) / kMm), int(150 / kMm), 4), true);
        const double stroke = benchStyle().pen(Stroke::Outline, 0).widthF();
        CHECK((body.second - body.first) * kMm ==
              Approx(1000 * derived.shape->sizes.length_m + stroke).margin(0.1));
    }
    for (size_t i = 0; i < bores.size(); ++i) {
        d.bores = {bores[i]};
        d.bores[0].lean_rad = 0;
        const QImage with = page("with.pdf");
        // What one bore adds to the view from above: its circle.
        const Derived derived = evaluated(d);
        const double tall = 1000 * derived.shape->sizes.maxHeight_m;
        const double wide = 1000 * derived.shape->sizes.maxWidth_m;
        const double sideY =
            26 + 0.5 * tall + 1000 * std::max(0.0, derived.shape->solid.centroid_m.z());
        const double topY = sideY + 0.62 * tall + 22 + 0.5 * wide;
        QRect all;
        for (int y = int((10 + topY - 0.5 * wide - 1) / kMm);
             y < int((10 + topY + 0.5 * wide + 1) / kMm); ++y) {
            for (int x = 0; x < with.width(); ++x) {
                if (qGray(with.pixel(x, y)) < qGray(bare.pixel(x, y)) - 60) {
                    all |= QRect(x, y, 1, 1);
                }
            }
        }
        // Against the centre line drawn from 8 mm ahead of the nose.
        const int middleY = int((10 + topY) / kMm);
        const auto start = edges(bare, QRect(int(11 / kMm), middleY - 4, int(60 / kMm), 9), true);
        const auto line = edges(bare, QRect(int((10 + 12 - 6) / kMm), middleY - 20, 20, 41), false);
        const double aft = ((all.left() + all.right() + 1) * 0.5 - start.first) * kMm - 8;
        const double port =
            ((all.top() + all.bottom() + 1) * 0.5 - 0.5 * (line.first + line.second)) * kMm;
        CHECK(aft == Approx(1000 * bores[i].x_m).margin(0.1));
        CHECK(port == Approx(1000 * bores[i].y_m).margin(0.1));
        CHECK(all.width() * kMm == Approx(1000 * bores[i].diameter_m).margin(0.35));
    }
}

TEST_CASE("a bait too long for the paper goes over several pages, crosses in common") {
    QTemporaryDir folder;
    const Design d = scaledDesign(demoNamed("glide-bait"), 0.43);
    for (const Paper paper : {Paper::A4, Paper::Letter}) {
        SheetBench bench{Bench::Metric};
        bench.paper = paper;
        const QString pdf = folder.filePath("long.pdf");
        REQUIRE_FALSE(writeBenchSheet(d, pdf, bench));
        QProcess text;
        text.start("pdftotext", {"-layout", pdf, "-"});
        REQUIRE(text.waitForFinished(60000));
        const QString words = QString::fromUtf8(text.readAllStandardOutput());
        CHECK(words.contains("part 2 of 2"));
        CHECK(words.contains("lay cross on cross"));
        CHECK(words.contains("Stations"));
    }
}

TEST_CASE("nothing leaves the page and no page is left out, for baits with all they may have") {
    Dice dice(60);
    const int baits = kThorough ? 200 : 20;
    int printed = 0;
    for (int i = 0; i < baits; ++i) {
        Design d = randomDesign(dice);
        // Up to the most parts allowed.
        const int times = dice.upTo(3);
        for (int k = 0; k < times * 6 && d.fittings.size() < 60; ++k) {
            d.fittings.push_back(d.fittings.front());
            d.fittings.back().name = "part with a long name " + std::to_string(k);
        }
        while (!d.bores.empty() && int(d.bores.size()) < 5 * times) {
            d.bores.push_back(d.bores.front());
        }
        d.building.baits = 1 + dice.upTo(30);
        const auto derived = evaluate(d);
        if (!derived) {
            continue;
        }
        ++printed;
        const QSizeF inside = i % 2 == 0 ? QSizeF(277, 190) : QSizeF(259.4, 195.9);
        const int pages = benchPages(inside, d, *derived);
        INFO("bait " << i);
        CHECK(pages >= 3);
        CHECK(pages <= 14);
        if (i % 15 != 0) {
            continue;
        }
        for (int page = 0; page < pages; ++page) {
            // A margin of 5 mm round the printable room stays white.
            constexpr double kDots = 3, kMargin = 5;
            QImage paper(int((inside.width() + 2 * kMargin) * kDots),
                         int((inside.height() + 2 * kMargin) * kDots), QImage::Format_RGB32);
            paper.fill(Qt::white);
            QPainter painter(&paper);
            painter.scale(kDots, kDots);
            painter.translate(kMargin, kMargin);
            paintBenchPage(painter, page, inside, d, *derived, Bench::Metric);
            painter.end();
            int out = 0;
            for (int y = 0; y < paper.height(); ++y) {
                for (int x = 0; x < paper.width(); ++x) {
                    const bool margin = x < (kMargin - 1) * kDots || y < (kMargin - 1) * kDots ||
                                        x > paper.width() - (kMargin - 1) * kDots ||
                                        y > paper.height() - (kMargin - 1) * kDots;
                    out += margin && qGray(paper.pixel(x, y)) < 200 ? 1 : 0;
                }
            }
            CHECK(out == 0);
        }
    }
    CHECK(printed > baits / 2);
}
