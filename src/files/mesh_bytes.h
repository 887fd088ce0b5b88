// A mesh as bytes for the design file: single-precision millimetres and 32-bit indices, little
// endian.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "core/base/triangle_mesh.h"

namespace wl {

std::string vertexBytes(const TriangleMesh& mesh);
std::string triangleBytes(const TriangleMesh& mesh);

/// Nothing when the bytes are no mesh: odd lengths, an index out of range, a place that is not
/// finite or further than 1 m out.
std::optional<TriangleMesh> meshFromBytes(std::string_view vertices, std::string_view triangles);

/// The mesh as it will come back from a file: places rounded to single-precision millimetres. One
/// that reaches further than 1 m out comes back as it was.
TriangleMesh roundedForFile(const TriangleMesh& mesh);

}  // namespace wl
