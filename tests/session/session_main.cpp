// The session alone: no window, no display.
#include <QCoreApplication>

#include "support/catch_runner.h"

int main(int argc, char** argv) {
    const QCoreApplication application(argc, argv);
    return runCatch(argc, argv);
}
