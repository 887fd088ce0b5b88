// The tests run in the language of the environment, as the program does under a desktop: files,
// devices and schemas must not notice.
#include <clocale>

#include "support/catch_runner.h"

int main(int argc, char** argv) {
    if (std::setlocale(LC_ALL, "") == nullptr) {
        return 3;  // the language asked for is not installed: the run would prove nothing
    }
    return runCatch(argc, argv);
}
