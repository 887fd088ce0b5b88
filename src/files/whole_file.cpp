#include "files/whole_file.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <array>
#include <cerrno>
#include <random>
#include <system_error>

namespace wl {
namespace {

// A file descriptor that is closed whatever happens.
class Opened {
  public:
    Opened(const std::filesystem::path& path, int flags, mode_t mode = 0)
        : fd_(::open(path.c_str(), flags | O_CLOEXEC, mode)) {}
    ~Opened() {
        if (fd_ >= 0) {
            ::close(fd_);
        }
    }
    Opened(const Opened&) = delete;
    Opened& operator=(const Opened&) = delete;
    explicit operator bool() const { return fd_ >= 0; }
    int fd() const { return fd_; }
    bool closed() {
        const int fd = fd_;
        fd_ = -1;
        return ::close(fd) == 0;
    }

  private:
    int fd_;
};

Error cannotWrite(const std::filesystem::path& path, int reason) {
    const bool full = reason == ENOSPC || reason == EDQUOT;
    return {full ? "file.disk_full" : "file.cannot_write",
            path.string(),
            {std::generic_category().message(reason)},
            {}};
}

bool writeAll(int fd, std::string_view bytes) {
    while (!bytes.empty()) {
        const ssize_t written = ::write(fd, bytes.data(), bytes.size());
        if (written < 0 && errno != EINTR) {
            return false;
        }
        bytes.remove_prefix(written > 0 ? size_t(written) : 0);
    }
    return true;
}

std::string randomEnding() {
    constexpr std::string_view letters = "abcdefghijklmnopqrstuvwxyz0123456789";
    std::random_device random;
    std::string ending = ".";
    for (int i = 0; i < 10; ++i) {
        ending += letters[random() % letters.size()];
    }
    return ending + ".part";
}

}  // namespace

std::optional<Error> writeWholeFile(const std::filesystem::path& path, std::string_view bytes) {
    std::error_code code;
    const std::filesystem::path resolved = std::filesystem::weakly_canonical(path, code);
    const std::filesystem::path target = code ? path : resolved;
    struct stat there {};
    const bool exists = ::stat(target.c_str(), &there) == 0;
    if (exists && S_ISDIR(there.st_mode)) {
        return cannotWrite(path, EISDIR);
    }
    if (exists && !S_ISREG(there.st_mode)) {
        Opened out(target, O_WRONLY);
        if (!out || !writeAll(out.fd(), bytes) || !out.closed()) {
            return cannotWrite(path, errno);
        }
        return std::nullopt;
    }
    const std::filesystem::path part = target.string() + randomEnding();
    Opened out(part, O_WRONLY | O_CREAT | O_EXCL, 0666);
    if (!out) {
        return cannotWrite(path, errno);
    }
    const bool good =
        writeAll(out.fd(), bytes) && (!exists || ::fchmod(out.fd(), there.st_mode & 07777) == 0) &&
        ::fsync(out.fd()) == 0 && out.closed() && ::rename(part.c_str(), target.c_str()) == 0;
    if (!good) {
        const int reason = errno;
        ::unlink(part.c_str());
        return cannotWrite(path, reason);
    }
    // The new name reaches the disk as well; where a folder cannot be synced, the file still is.
    const std::filesystem::path parent = target.parent_path();
    if (const Opened folder(parent.empty() ? "." : parent, O_RDONLY | O_DIRECTORY); folder) {
        ::fsync(folder.fd());
    }
    return std::nullopt;
}

Result<std::string> readRegularFile(const std::filesystem::path& path, std::size_t most) {
    // Not blocking: opening a pipe nobody writes to would wait for good.
    const Opened in(path, O_RDONLY | O_NONBLOCK | O_NOCTTY);
    struct stat there {};
    if (!in || ::fstat(in.fd(), &there) != 0) {
        return Error{"file.cannot_open", path.string(), {}, {}};
    }
    if (!S_ISREG(there.st_mode)) {
        return Error{"file.not_a_file", path.string(), {}, {}};
    }
    if (size_t(there.st_size) > most) {
        return Error{"file.too_large", path.string(), {}, {}};
    }
    std::string bytes;
    std::array<char, 65536> block;
    while (true) {
        const ssize_t got = ::read(in.fd(), block.data(), block.size());
        if (got < 0 && errno == EINTR) {
            continue;
        }
        if (got < 0) {
            return Error{"file.cannot_open", path.string(), {}, {}};
        }
        if (got == 0) {
            return bytes;
        }
        bytes.append(block.data(), size_t(got));
        if (bytes.size() > most) {
            return Error{"file.too_large", path.string(), {}, {}};
        }
    }
}

}  // namespace wl
