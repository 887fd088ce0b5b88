// Files written whole or not at all, and read only when they are files.
#pragma once

#include <cstddef>
#include <filesystem>
#include <optional>
#include <string>
#include <string_view>

#include "core/base/result.h"

namespace wl {

/// Writes `bytes` beside `path`, through to the disk, and only then puts them in its place: an old
/// file is whole until the new one is, and keeps its permissions; a link is followed. A device or a
/// pipe is written straight. Errors (nothing old is lost): "file.disk_full", "file.cannot_write"
/// (word: the system's reason).
std::optional<Error> writeWholeFile(const std::filesystem::path& path, std::string_view bytes);

/// The bytes of a regular file of at most `most` bytes. Devices, pipes, sockets and folders are not
/// opened for reading, so that nothing waits or grows without end. Errors: "file.cannot_open",
/// "file.not_a_file", "file.too_large".
Result<std::string> readRegularFile(const std::filesystem::path& path, std::size_t most);

}  // namespace wl
