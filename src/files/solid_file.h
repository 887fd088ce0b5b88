// STL (binary and text) and OBJ as triangles.
#pragma once

#include <filesystem>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/base/triangle_mesh.h"

namespace wl {

inline constexpr size_t kLargestSolidBytes = 128u << 20;

/// Triangles as written, in the file's own unit, vertices not yet joined. The kind is told by the
/// content: binary STL by its length, text STL by "solid"/"facet", else OBJ (v and f; faces of more
/// corners are fanned). Errors: "solid.not_a_solid" (words: what), "solid.too_many",
/// "solid.cut_short", "solid.bad_number" (values: line).
Result<TriangleMesh> readSolid(std::string_view content);

/// Errors: "file.cannot_open", "file.too_large" and those of readSolid.
Result<TriangleMesh> loadSolid(const std::filesystem::path& path);

/// A mesh of the body frame (x aft, y to port, z up, metres) as files have it: millimetres, x aft,
/// y to starboard, z up, right-handed, so that what is on the left of the bait stays there; read
/// back and `oriented`, it is the same solid.
TriangleMesh inFileFrame(const TriangleMesh& mesh_m);

/// Solids as one binary STL, as they stand: in a file's frame, counter-clockwise from outside. A
/// triangle without an area has no normal.
std::string stlOf(const std::vector<const TriangleMesh*>& solids);

}  // namespace wl
