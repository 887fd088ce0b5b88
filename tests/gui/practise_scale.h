// The scale that ships, run beside a test.
#pragma once

#include <QProcess>
#include <QTest>
#include <catch2/catch.hpp>
#include <cmath>

#include "scale/scale_reader.h"
#include "support/programs.h"

namespace wl::test {

// The scale to practise with, on a line of its own.
struct PractiseScale {
    QProcess process;
    QString line;
    explicit PractiseScale(const QStringList& more = {}) {
        QStringList arguments{"--every", "20", "--settle", "0.05", "--seed", "5"};
        process.start(QString::fromUtf8(kScale), arguments + more);
        REQUIRE(process.waitForStarted(5000));
        REQUIRE(process.waitForReadyRead(5000));
        line = QString::fromLocal8Bit(process.readLine()).trimmed();
        REQUIRE(line.startsWith("/dev/"));
    }
    ~PractiseScale() {
        process.write("quit\n");
        process.waitForFinished(3000);
    }
    void say(const char* command) {
        process.write(command);
        process.write("\n");
        process.waitForBytesWritten(1000);
    }
};

inline bool settlesAt(ScaleReader& scale, double grams, double within = 0.03) {
    return QTest::qWaitFor(
        [&] {
            return scale.isSettled() && scale.mass_kg() &&
                   std::abs(*scale.mass_kg() * 1e3 - grams) < within;
        },
        10000);
}

}  // namespace wl::test
