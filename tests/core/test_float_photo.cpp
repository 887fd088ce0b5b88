// How a bait floats, read from pictures made with a known angle and waterline.
#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "core/base/units.h"
#include "core/forecast/float_photo.h"

using namespace wl;

namespace {

// A picture of 1600 pixels across: so many metres wide, turned in the hand, marks set to a pixel.
struct Picture {
    double width_m = 0.16;
    double turned_rad = 0.0;
    std::mt19937 random{11};
    PicturePoint mark(double x_m, double z_m) {
        std::uniform_real_distribution<double> pixel(-0.5, 0.5);
        const double c = std::cos(turned_rad), s = std::sin(turned_rad);
        const double across = 0.5 + (c * x_m - s * z_m) / width_m;
        const double down = 0.4 - (s * x_m + c * z_m) / width_m;
        return {(std::round(1600 * across) + pixel(random)) / 1600,
                (std::round(1600 * down) + pixel(random)) / 1600};
    }
};

constexpr double kLength_m = 0.08;

// Nose to the left, water at z 0; the middle of the bait at a height.
FloatPhoto photoOf(Picture& p, double pitch_rad, double middle_m, double backOver_m) {
    FloatPhoto photo;
    photo.widthPixels = 1600;
    photo.knownLength_m = 0.1;
    photo.baitLength_m = kLength_m;
    photo.scale = {p.mark(-0.05, -0.03), p.mark(0.05, -0.03)};
    photo.water = {p.mark(-0.07, 0), p.mark(0.07, 0)};
    const double x = 0.5 * kLength_m * std::cos(pitch_rad),
                 z = 0.5 * kLength_m * std::sin(pitch_rad);
    photo.axis = {p.mark(-x, middle_m + z), p.mark(x, middle_m - z)};
    photo.back = {p.mark(-0.01, backOver_m)};
    return photo;
}

}  // namespace

TEST_CASE("angle and back are read within 0.3 degrees and 0.3 mm, however the picture is turned") {
    for (const double turned : {0.0, 7.0, -20.0, 40.0}) {
        for (const double pitch : {-25.0, -4.2, 0.0, 3.0, 12.0}) {
            Picture p;
            p.turned_rad = turned * kDegree;
            const auto seen = readFloatPhoto(photoOf(p, pitch * kDegree, -0.004, 0.0056));
            INFO(turned << " " << pitch);
            REQUIRE(seen.ok());
            CHECK(seen->angle_rad / kDegree == Approx(pitch).margin(0.3));
            CHECK(*seen->showing_m == Approx(0.0056).margin(0.0003));
            CHECK(seen->angleError_rad < 0.3 * kDegree);
            CHECK(seen->showingError_m < 0.0003);
        }
    }
}

TEST_CASE("a lean is read from ahead, port side up over 0") {
    for (const double lean : {-15.0, 0.0, 6.0}) {
        Picture p;
        FloatPhoto photo = photoOf(p, 0, 0, 0.005);
        photo.fromAhead = true;
        // From ahead port is at the right: its side up leans the back to the left.
        photo.axis = {p.mark(0.01 * std::sin(lean * kDegree), -0.01 * std::cos(lean * kDegree)),
                      p.mark(-0.01 * std::sin(lean * kDegree), 0.01 * std::cos(lean * kDegree))};
        const auto seen = readFloatPhoto(photo);
        REQUIRE(seen.ok());
        CHECK(seen->angle_rad / kDegree == Approx(lean).margin(0.6));
        CHECK_FALSE(seen->showing_m);
    }
}

TEST_CASE("a picture taken aslant, on its side, or without its marks is refused with the reason") {
    Picture p;
    const FloatPhoto good = photoOf(p, 0, 0, 0.005);
    const auto refusal = [](FloatPhoto photo) {
        const auto seen = readFloatPhoto(photo);
        return seen.ok() ? std::string("ok") : seen.error().code;
    };
    CHECK(refusal(good) == "ok");
    FloatPhoto bad = good;
    bad.knownLength_m = 0.115;  // the scale lies nearer than the bait
    CHECK(refusal(bad) == "photo.skewed");
    bad = good;
    bad.water = {p.mark(0, -0.05), p.mark(0.001, 0.05)};
    CHECK(refusal(bad) == "photo.on_its_side");
    bad = good;
    bad.scale[1] = bad.scale[0];
    CHECK(refusal(bad) == "photo.too_near");
    for (auto clear :
         {&FloatPhoto::scale, &FloatPhoto::water, &FloatPhoto::axis, &FloatPhoto::back}) {
        bad = good;
        (bad.*clear).clear();
        CHECK(refusal(bad) == "photo.marks_missing");
    }
    bad = good;
    bad.axis[0].across = std::nan("");
    CHECK(refusal(bad) == "photo.marks_missing");
    bad = good;
    bad.knownLength_m = 0;
    CHECK(refusal(bad) == "photo.marks_missing");
}
