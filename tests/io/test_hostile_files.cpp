// Files that are damaged, hostile or from the future: refused with the reason, never a crash.
#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "core/design/fields.h"
#include "files/design_file.h"
#include "files/pdf_design.h"
#include "support/pdf_with.h"
#include "support/sample_bait.h"
#include "support/thorough.h"

using namespace wl;
using namespace wl::test;

static const std::string kVersion = "\"version\": " + std::to_string(kFormatVersion);

static std::string refusal(const std::string& text) {
    const Result<Design> r = readDesign(text);
    return r.ok() ? "ok" : r.error().code + " " + r.error().path;
}

static std::string with(const std::string& from, const std::string& to) {
    std::string text = writeDesign(demoDesign());
    const size_t at = text.find(from);
    REQUIRE(at != std::string::npos);
    return text.replace(at, from.size(), to);
}

TEST_CASE("bad files are refused with place and reason") {
    CHECK(refusal("") == "file.not_json ");
    CHECK(refusal("hello") == "file.not_json ");
    CHECK(refusal("[]") == "file.not_ours ");
    CHECK(refusal("{\"format\": \"other\", \"version\": 1}") == "file.not_ours ");
    CHECK(refusal(with(kVersion, "\"version\": 99")) == "file.too_new /version");
    CHECK(refusal(with(kVersion, "\"version\": 0")) == "file.not_ours /version");
    CHECK(refusal(with("\"cast_length_m\": 26.0", "\"cast_length_m\": -26")) ==
          "file.out_of_range /brief/cast_length_m");
    CHECK(refusal(with("\"cast_length_m\": 26.0", "\"cast_length_m\": 1e999")) == "file.not_json ");
    CHECK(refusal(with("\"cast_length_m\": 26.0", "\"cast_length_m\": \"26\"")) ==
          "file.wrong_type /brief/cast_length_m");
    CHECK(refusal(with("\"cast_length_m\"", "\"cast_length_ft\"")) ==
          "file.unknown_key /brief/cast_length_ft");
    CHECK(refusal(with("\"wanted_state\": \"float\"", "\"wanted_state\": \"hover\"")) ==
          "file.unknown_choice /brief/wanted_state");
    CHECK(refusal(std::string(33u << 20, ' ')) == "file.too_large ");
    CHECK(refusal(std::string(100000, '[')) == "file.not_ours ");
    std::string many = "{\"format\": \"wade-line-design\", \"version\": 2, \"bores\": [";
    for (int i = 0; i < 21; ++i) {
        many += i ? ",{}" : "{}";
    }
    CHECK(refusal(many + "]}") == "file.too_many /bores");
    CHECK(refusal(R"({"format": "wade-line-design", "version": 3, "pieces": []})") ==
          "file.too_few /pieces");
}

TEST_CASE("a file cut short anywhere is refused") {
    const std::string text = writeDesign(demoDesign());
    for (size_t length = 0; length + 2 < text.size(); length += 37) {
        CHECK_FALSE(readDesign(text.substr(0, length)).ok());
    }
}

TEST_CASE("seeded damage never gives a crash or a number out of range") {
    const std::string text = writeDesign(demoDesign());
    std::mt19937 random(42);
    int accepted = 0;
    for (int i = 0; i < 4000; ++i) {
        std::string bad = text;
        const int hits = 1 + int(random() % 4);
        for (int k = 0; k < hits; ++k) {
            const size_t at = random() % bad.size();
            switch (random() % 4) {
                case 0:
                    bad[at] = char(random() % 256);
                    break;
                case 1:
                    bad.erase(at, 1 + random() % 20);
                    break;
                case 2:
                    bad.insert(at, 1, "0123456789{}[],:\"-e"[random() % 19]);
                    break;
                default:
                    bad.insert(at, bad.substr(random() % bad.size(), random() % 60));
            }
        }
        const Result<Design> r = readDesign(bad);
        if (r) {
            ++accepted;
            for (const Field& f : listFields(*r)) {
                REQUIRE((!f.value ||
                         (std::isfinite(*f.value) && *f.value >= f.min && *f.value <= f.max)));
            }
            if (accepted % 20 == 0) {
                (void)evaluate(*r);
            }
        } else {
            REQUIRE_FALSE(r.error().code.empty());
        }
    }
    CHECK(accepted > 40);
}

TEST_CASE("a PDF without a design, with a damaged one or one that swells is refused by reason") {
    const std::string text = writeDesign(demoDesign());
    const std::string sheet = pdfWith("bait.wade", text);
    const Result<std::string> carried = designInPdf(sheet);
    REQUIRE(carried);
    CHECK(*carried == text);
    CHECK(designText(sheet).value() == text);
    CHECK(designText(text).value() == text);
    CHECK(designInPdf(pdfWith("notes.txt", text)).error().code == "pdf.no_design");
    CHECK(designInPdf("%PDF-1.4\nnothing of the kind").error().code == "pdf.damaged");
    const Result<std::string> other = designInPdf(pdfWith("bait.wade", "no design"));
    REQUIRE(other);
    CHECK_FALSE(readDesign(*other));
    std::mt19937 random(8);
    int refused = 0;
    for (int i = 0; i < someOf(400); ++i) {
        std::string bad = sheet;
        if (i % 3 == 0) {
            bad.resize(random() % sheet.size());
        } else {
            for (int k = 0; k < 1 + i % 5; ++k) {
                bad[random() % bad.size()] = char(random() % 256);
            }
        }
        const Result<std::string> read = designText(bad);
        refused += read && readDesign(*read) ? 0 : 1;
    }
    CHECK(refused > someOf(100));
    // Forty megabytes of nothing, packed small.
    const std::string swollen = pdfWith("bait.wade", std::string(40u << 20, ' '));
    CHECK(swollen.size() < (1u << 20));
    CHECK(designInPdf(swollen).error().code == "pdf.damaged");
}
