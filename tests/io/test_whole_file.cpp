// Files whole or not at all: full disks, links, devices and pipes.
#include <sys/resource.h>
#include <sys/stat.h>
#include <unistd.h>

#include <catch2/catch.hpp>
#include <csignal>
#include <filesystem>
#include <fstream>
#include <iterator>

#include "files/design_file.h"
#include "files/solid_file.h"
#include "files/whole_file.h"
#include "support/sample_bait.h"

using namespace wl;
namespace fs = std::filesystem;

namespace {

// A folder of its own that goes with the test.
struct Folder {
    fs::path path = fs::temp_directory_path() / ("wadeline-io-" + std::to_string(getpid()));
    Folder() { fs::create_directories(path); }
    ~Folder() { fs::remove_all(path); }
    fs::path operator/(const char* name) const { return path / name; }
    size_t count() const {
        return size_t(std::distance(fs::directory_iterator(path), fs::directory_iterator()));
    }
};

// No file may grow past so many bytes: a write is cut short in the middle, as on a full disk.
struct Cramped {
    rlimit before{};
    explicit Cramped(rlim_t bytes) {
        std::signal(SIGXFSZ, SIG_IGN);
        getrlimit(RLIMIT_FSIZE, &before);
        rlimit small = before;
        small.rlim_cur = bytes;
        setrlimit(RLIMIT_FSIZE, &small);
    }
    ~Cramped() { setrlimit(RLIMIT_FSIZE, &before); }
};

std::string contentOf(const fs::path& path) {
    std::ifstream in(path, std::ios::binary);
    return {std::istreambuf_iterator<char>(in), {}};
}

}  // namespace

TEST_CASE("a write that is cut short is told, and the old file is whole") {
    const Folder folder;
    const fs::path file = folder / "bait.wade";
    REQUIRE_FALSE(writeWholeFile(file, "the old design"));
    {
        const Cramped cramped(100);
        const auto error = writeWholeFile(file, std::string(5000, 'x'));
        REQUIRE(error);
        CHECK(error->code == "file.cannot_write");
        CHECK_FALSE(error->words.at(0).empty());
    }
    CHECK(contentOf(file) == "the old design");
    CHECK(folder.count() == 1);  // nothing half written is left about
    // A device that is always full tells what a full disk does.
    const auto full = writeWholeFile("/dev/full", "text");
    REQUIRE(full);
    CHECK(full->code == "file.disk_full");
}

TEST_CASE("writing keeps permissions, follows links and makes new files") {
    const Folder folder;
    const fs::path file = folder / "bait.wade", link = folder / "link.wade";
    REQUIRE_FALSE(writeWholeFile(file, "one"));
    fs::permissions(file, fs::perms::owner_read | fs::perms::owner_write);
    fs::create_symlink(file, link);
    REQUIRE_FALSE(writeWholeFile(link, "two"));
    CHECK(fs::is_symlink(link));
    CHECK(contentOf(file) == "two");
    CHECK(fs::status(file).permissions() == (fs::perms::owner_read | fs::perms::owner_write));
    CHECK(writeWholeFile(folder / "no/such/place.wade", "x")->code == "file.cannot_write");
    CHECK(writeWholeFile(folder.path, "x")->code == "file.cannot_write");
}

TEST_CASE("devices, pipes and folders are not read, and nothing waits for them") {
    const Folder folder;
    const fs::path pipe = folder / "pipe";
    REQUIRE(::mkfifo(pipe.c_str(), 0600) == 0);
    for (const fs::path& path : {pipe, fs::path("/dev/zero"), folder.path}) {
        INFO(path);
        CHECK(readRegularFile(path, 1000).error().code == "file.not_a_file");
        CHECK(loadDesign(path).error().code == "file.not_a_file");
        CHECK(loadSolid(path).error().code == "file.not_a_file");
    }
    const fs::path file = folder / "file";
    REQUIRE_FALSE(writeWholeFile(file, std::string(1001, 'a')));
    CHECK(readRegularFile(file, 1000).error().code == "file.too_large");
    CHECK(readRegularFile(file, 1001)->size() == 1001);
    CHECK(readRegularFile(folder / "none", 10).error().code == "file.cannot_open");
}

TEST_CASE("a design that would not open again is refused at once, and vast ones quickly") {
    // No stations anywhere: the body group may be left out, its stations may not.
    const char* bare = R"({"format": "wade-line-design", "version": 3})";
    CHECK(readDesign(bare).error().code == "file.too_few");
    CHECK(readDesign(bare).error().path == "/body/stations");
    // Eighty thousand keys: each was once held against each.
    std::string many = R"({"format": "wade-line-design", "version": 3)";
    for (int i = 0; i < 80000; ++i) {
        many += ", \"key" + std::to_string(i) + "\": 1";
    }
    CHECK(readDesign(many + "}").error().code == "file.unknown_key");
    for (int i = 80000; i < 250000; ++i) {
        many += ", \"key" + std::to_string(i) + "\": 1";
    }
    CHECK(readDesign(many + "}").error().code == "file.too_large");
    const Result<Design> again = readDesign(writeDesign(test::demoDesign()));
    REQUIRE(again);
    CHECK(*again == test::demoDesign());
}
