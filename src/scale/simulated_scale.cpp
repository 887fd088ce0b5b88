// A bench scale to practise with: speaks on a pseudo-terminal as a scale does on its serial line,
// with noise, drift, a settling time and a change of unit. Commands on standard input:
//   put GRAMS    lay a load on (0 takes it off)      unit g|oz|gr|ct
//   tare         what lies there now counts as zero   quit
#include <fcntl.h>
#include <poll.h>
#include <pty.h>
#include <termios.h>
#include <unistd.h>

#include <CLI/CLI.hpp>
#include <chrono>
#include <cmath>
#include <csignal>
#include <iostream>
#include <random>
#include <sstream>
#include <string>

#include "core/base/decimal.h"
#include "core/base/units.h"

namespace {

using Clock = std::chrono::steady_clock;

// With its sign, in ten places, with a point whatever the desktop's language.
std::string figure(double value, int decimals) {
    const std::string text = (value < 0 ? "" : "+") + wl::fixedDecimalText(value, decimals);
    return std::string(text.size() < 10 ? 10 - text.size() : 0, ' ') + text;
}

struct Scale {
    double load_g = 0.0;
    double shown_g = 0.0;  // what the plate has come to
    double tare_g = 0.0;
    double noise_g = 0.004;
    double drift_g_per_min = 0.0;
    double settle_s = 0.35;
    double step_g = 0.01;
    std::string unit = "g";
    std::mt19937_64 random{1};
    Clock::time_point start = Clock::now();

    void follow(double seconds) {
        shown_g += (load_g - shown_g) * (1 - std::exp(-seconds / std::max(1e-3, settle_s)));
    }
    bool moving() const { return std::abs(load_g - shown_g) > 2 * step_g; }
    std::string line() {
        std::normal_distribution<double> noise(0.0, noise_g);
        const double minutes = std::chrono::duration<double>(Clock::now() - start).count() / 60;
        const double raw = shown_g - tare_g + noise(random) + drift_g_per_min * minutes;
        const double read = std::round(raw / step_g) * step_g;
        const double grams = std::abs(read) < 0.5 * step_g ? 0.0 : read;
        std::string text = unit == "oz"   ? figure(grams * wl::kGram / wl::kOunce, 4) + " oz"
                           : unit == "gr" ? figure(grams * wl::kGram / wl::kGrain, 1) + " gr"
                           : unit == "ct" ? figure(grams * 5, 2) + " ct"
                                          : figure(grams, 2) + " g";
        return text + (moving() ? " ?" : "") + "\r\n";
    }
};

// False: stop.
bool obey(Scale& scale, const std::string& line) {
    std::istringstream in(line);
    std::string word;
    in >> word;
    if (word == "put") {
        double grams = 0;
        if (in >> grams && std::isfinite(grams)) {
            scale.load_g = grams;
        }
    } else if (word == "unit") {
        in >> scale.unit;
    } else if (word == "tare") {
        scale.tare_g = scale.shown_g;
    }
    return word != "quit";
}

int practise(int argc, char** argv) {
    CLI::App app{"A bench scale to practise with, on a pseudo-terminal"};
    Scale scale;
    int every_ms = 100;
    unsigned long long seed = 1;
    std::string link;
    app.add_option("--put", scale.load_g, "Load at the start, grams");
    app.add_option("--noise", scale.noise_g, "Noise of a reading, grams")
        ->check(CLI::Range(0.0, 5.0));
    app.add_option("--drift", scale.drift_g_per_min, "Drift, grams a minute");
    app.add_option("--settle", scale.settle_s, "Settling time, seconds");
    app.add_option("--step", scale.step_g, "Last digit, grams")->check(CLI::Range(0.001, 1.0));
    app.add_option("--unit", scale.unit, "g, oz, gr or ct");
    app.add_option("--every", every_ms, "Milliseconds between readings")
        ->check(CLI::Range(5, 5000));
    app.add_option("--seed", seed, "Seed of the noise");
    app.add_option("--link", link, "Make this path a link to the line");
    CLI11_PARSE(app, argc, argv);
    scale.random.seed(seed);
    scale.shown_g = scale.load_g;

    int line = -1, far = -1;
    char name[128];
    if (openpty(&line, &far, name, nullptr, nullptr) != 0) {
        std::cerr << "no pseudo-terminal could be had\n";
        return 2;
    }
    termios raw{};
    tcgetattr(far, &raw);
    cfmakeraw(&raw);
    tcsetattr(far, TCSANOW, &raw);
    fcntl(line, F_SETFL, O_NONBLOCK);
    std::signal(SIGPIPE, SIG_IGN);
    if (!link.empty()) {
        unlink(link.c_str());
        if (symlink(name, link.c_str()) != 0) {
            std::cerr << "cannot make " << link << "\n";
            return 2;
        }
    }
    std::cout << name << std::endl;

    std::string typed;
    bool input = true, go = true;
    auto last = Clock::now();
    while (go) {
        pollfd wait{input ? STDIN_FILENO : -1, POLLIN, 0};
        poll(&wait, 1, every_ms);
        if (input && (wait.revents & (POLLIN | POLLHUP)) != 0) {
            char buffer[256];
            const ssize_t got = read(STDIN_FILENO, buffer, sizeof buffer);
            input = got > 0;
            typed.append(buffer, size_t(std::max<ssize_t>(0, got)));
            for (size_t end = 0; (end = typed.find('\n')) != std::string::npos && go;) {
                go = obey(scale, typed.substr(0, end));
                typed.erase(0, end + 1);
            }
            // Whoever started it is gone: nobody is left to practise.
            go = go && (input || !link.empty());
        }
        const auto now = Clock::now();
        const double passed = std::chrono::duration<double>(now - last).count();
        if (passed * 1000 >= every_ms) {
            last = now;
            scale.follow(passed);
            const std::string text = scale.line();
            // A line nobody reads fills up; what does not fit is lost, as on a real wire.
            [[maybe_unused]] const ssize_t sent = write(line, text.data(), text.size());
        }
    }
    if (!link.empty()) {
        unlink(link.c_str());
    }
    return 0;
}

}  // namespace

int main(int argc, char** argv) {
    try {
        return practise(argc, argv);
    } catch (const std::exception& e) {
        std::fprintf(stderr, "%s\n", e.what());
        return 2;
    }
}
