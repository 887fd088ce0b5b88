// The tests run in the language of the environment, as the program does under a desktop: files,
// devices and schemas must not notice.
#define CATCH_CONFIG_RUNNER
#include <catch2/catch.hpp>
#include <clocale>

int main(int argc, char** argv) {
    if (std::setlocale(LC_ALL, "") == nullptr) {
        return 3;  // the language asked for is not installed: the run would prove nothing
    }
    return Catch::Session().run(argc, argv);
}
