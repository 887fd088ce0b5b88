// The wobble as the tow step hangs it: the attitude taken over, where it hunts from there, and what
// the tow puts in. Against a program written apart from this one (outputs of our own programs, not
// measurements) and the energy itself.
#include <Eigen/Geometry>
#include <catch2/catch.hpp>

#include "core/swim/wobble_run.h"
#include "support/swim_cases.h"

using namespace wl;
using namespace wl::test;

namespace {

// Where the towed figures were made, whatever the speed.
constexpr double kReynolds = 55000;

// The trim nearest level; none where it is not drawn under.
std::optional<WobbleTow> towStepTrim(const SwimCase& c, double speed) {
    const std::vector<Trim> trims = findTrims(towedCase(c, kReynolds), speed, 0.0);
    const auto level = std::min_element(
        trims.begin(), trims.end(),
        [](const Trim& a, const Trim& b) { return std::abs(a.pitch_rad) < std::abs(b.pitch_rad); });
    return level == trims.end() ? std::nullopt
                                : std::optional(WobbleTow{speed, level->pitch_rad, level->tension_N,
                                                          level->lineAngle_rad});
}

}  // namespace

TEST_CASE("wobble: the tow's attitude, balanced in body axes") {
    const WobbleTow tow{1, -21.30836 * kDegree, 0.2163106, 24.24282 * kDegree};
    const WobbleMotion m(SwimCase{}.body(), tow, Model{});
    CHECK((m.remainder() - Eigen::Vector3d(-0.0250451, 0.06213118, -0.0005971078)).norm() < 1e-7);
    const auto roots = rootsOf(linearise(m));
    CHECK(roots[0].real() == Approx(-5.24043).epsilon(1e-3));
    CHECK(roots[0].imag() == Approx(49.9873).epsilon(1e-3));
    CHECK(roots[1].imag() == Approx(11.2622).epsilon(1e-3));

    const SwimCase flat = lipless();
    WobbleBody b = flat.body();
    WobblePlate back;
    back.root_m = {flat.length * (0.5 - 0.33), 0, -0.5 * flat.height * flat.shape(0.33)};
    const Eigen::Vector3d tip(0.97 * flat.length / 2, 0, 0.002);
    back.chord_m = (tip - back.root_m).norm();
    back.along = (tip - back.root_m) / back.chord_m;
    back.normal = {back.along.z(), 0, -back.along.x()};
    back.span_m = 0.012;
    back.centroid_m = 0.5 * back.chord_m;
    back.loadShare = 0.3;
    back.oneSided = true;
    back.isLip = false;
    b.plate = back;
    b.tie_m = back.root_m - Eigen::Vector3d(0, 0, 0.001);
    const WobbleTow towed{1, -39.6161 * kDegree, 0.157608, 36.3325 * kDegree};
    CHECK(growth_1_s(linearise(WobbleMotion(b, towed, Model{}, {}, false))) ==
          Approx(1.60936).epsilon(1e-3));
    CHECK(growth_1_s(linearise(WobbleMotion(b, towed, Model{}))) ==
          Approx(-0.0667428).epsilon(1e-3));
}

TEST_CASE("wobble: where it hunts, from the tow step's own attitude and six degrees either way") {
    const auto drawn = towStepTrim(SwimCase{}, 1.0);
    REQUIRE(drawn);
    CHECK(drawn->pitch_rad / kDegree == Approx(-21.30836).epsilon(1e-3));
    CHECK(drawn->tension_N == Approx(0.2163106).epsilon(1e-3));
    CHECK(drawn->lineAngle_rad / kDegree == Approx(24.24282).epsilon(3e-3));
    struct Row {
        double more_deg;
        std::array<double, 4> onset;  // by the height of the lead, 0: none to 5 m/s
    };
    for (const Row& r :
         {Row{-6, {0, 0, 0, 0}}, Row{0, {1.7, 0, 0, 0}}, Row{6, {0.94, 1.23, 1.75, 2.43}}}) {
        for (size_t i = 0; i < 4; ++i) {
            SwimCase c;
            c.ballast[0].at.z() = std::array{-0.004, -0.001, 0.002, 0.005}[i];
            const WobbleBody body = c.body();
            double onset = 0;
            for (double speed = 0.4; speed < 5 && onset == 0; speed *= 1.03) {
                auto tow = towStepTrim(c, speed);
                if (tow) {
                    tow->pitch_rad += r.more_deg * kDegree;
                    onset = growth_1_s(linearise(WobbleMotion(body, *tow, Model{}))) >= 0.3 ? speed
                                                                                            : 0.0;
                }
            }
            CHECK(onset == Approx(r.onset[i]).epsilon(0.005));
        }
    }
}

TEST_CASE("wobble: with all that drains taken away, what the tow puts in is what is gained") {
    WobbleBody b = SwimCase{}.body();
    b.plate.reset();
    b.drags.clear();
    b.lineMass_kg_m = 0;
    Model model;
    model.swimDamping = model.swimAxial = 0;
    WobbleHull hull = measureHull(b, model);
    hull.sectionCouple = 1;
    hull.leftSway_kg_m = hull.leftHeave_kg_m = hull.leftRoll_kg_m = 0;
    hull.aftSway_kg = hull.aftSwayX_kg_m = hull.aftHeave_kg = hull.aftHeaveX_kg_m = 0;
    const WobbleTow tow{0.8, -0.2, 0.2, 0.3};
    const WobbleMotion m(b, hull, tow, model, {}, false);
    // Of motion, of weight and lift, of the line's pull; and the momentum along the tow.
    const auto energyAndMomentum = [&](const WobbleState& s) {
        const Eigen::Matrix3d turned = (Eigen::AngleAxisd(s[2], Eigen::Vector3d::UnitZ()) *
                                        Eigen::AngleAxisd(tow.pitch_rad, Eigen::Vector3d::UnitY()) *
                                        Eigen::AngleAxisd(s[1], Eigen::Vector3d::UnitX()))
                                           .toRotationMatrix();
        Eigen::Matrix<double, 6, 1> moving;
        moving << turned.transpose() * Eigen::Vector3d(tow.speed_m_s, s[3], 0),
            s[4] * Eigen::Vector3d::UnitX() + s[5] * turned.transpose() * Eigen::Vector3d::UnitZ();
        const Eigen::Matrix<double, 6, 1> momentum = hull.carried * moving;
        const Eigen::Vector3d tie = turned * b.tie_m;
        const double across = s[0] + tie.y(), pull = tow.tension_N * std::cos(tow.lineAngle_rad);
        const double weight = b.mass_kg * b.gravity_m_s2,
                     lift = b.waterDensity_kg_m3 * b.gravity_m_s2 * b.volume_m3;
        const double energy = 0.5 * moving.dot(momentum) -
                              weight * (turned * b.centreOfGravity_m).z() +
                              lift * (turned * b.centreOfBuoyancy_m).z() - pull * tie.x() +
                              pull * across * across / (2 * b.lineLength_m) +
                              tow.tension_N * std::sin(tow.lineAngle_rad) * tie.z();
        return std::pair(energy, (turned * momentum.head<3>()).x());
    };
    WobbleState s = WobbleState::Zero();
    s.head<6>() << 0, 0.3, 0.2, 0.05, 2, -1;
    const auto before = energyAndMomentum(s);
    for (int i = 0; i < 5000; ++i) {
        s = stepWobble(m, s, 2e-4);
    }
    const auto after = energyAndMomentum(s);
    const double gained = after.first - before.first;
    const double towed = tow.speed_m_s * (after.second - before.second);
    CHECK(gained == Approx(2.8569e-5).margin(1e-9));
    CHECK(std::abs(gained - towed) < 2e-9);
    // The line is carried along too: what it puts in so the tow takes out.
    const double carried = tow.tension_N * std::cos(tow.lineAngle_rad) * tow.speed_m_s;
    CHECK(carried == Approx(0.152853838).epsilon(1e-8));
    CHECK(towed - carried == Approx(-0.152825268).epsilon(1e-8));
}
