#include "files/mesh_bytes.h"

#include <bit>
#include <cmath>
#include <cstdint>

#include "core/base/units.h"

namespace wl {
namespace {

void putWord(std::string& out, std::uint32_t word) {
    for (int shift = 0; shift < 32; shift += 8) {
        out += static_cast<char>((word >> shift) & 0xffu);
    }
}

std::uint32_t getWord(std::string_view bytes, size_t index) {
    std::uint32_t word = 0;
    for (size_t k = 0; k < 4; ++k) {
        word |= std::uint32_t(static_cast<unsigned char>(bytes[4 * index + k])) << (8 * k);
    }
    return word;
}

}  // namespace

std::string vertexBytes(const TriangleMesh& mesh) {
    std::string out;
    out.reserve(12 * mesh.vertices_m.size());
    for (const Eigen::Vector3d& v : mesh.vertices_m) {
        for (int k = 0; k < 3; ++k) {
            putWord(out, std::bit_cast<std::uint32_t>(static_cast<float>(v[k] / kMillimetre)));
        }
    }
    return out;
}

std::string triangleBytes(const TriangleMesh& mesh) {
    std::string out;
    out.reserve(12 * mesh.triangles.size());
    for (const auto& t : mesh.triangles) {
        for (const int v : t) {
            putWord(out, static_cast<std::uint32_t>(v));
        }
    }
    return out;
}

std::optional<TriangleMesh> meshFromBytes(std::string_view vertices, std::string_view triangles) {
    if (vertices.size() % 12 != 0 || triangles.size() % 12 != 0) {
        return std::nullopt;
    }
    TriangleMesh mesh;
    mesh.vertices_m.resize(vertices.size() / 12);
    for (size_t i = 0; i < mesh.vertices_m.size(); ++i) {
        for (size_t k = 0; k < 3; ++k) {
            const double at = std::bit_cast<float>(getWord(vertices, 3 * i + k)) * kMillimetre;
            if (!(std::abs(at) <= 1.0)) {
                return std::nullopt;
            }
            mesh.vertices_m[i][Eigen::Index(k)] = at;
        }
    }
    mesh.triangles.resize(triangles.size() / 12);
    for (size_t i = 0; i < mesh.triangles.size(); ++i) {
        for (size_t k = 0; k < 3; ++k) {
            const std::uint32_t v = getWord(triangles, 3 * i + k);
            if (v >= mesh.vertices_m.size()) {
                return std::nullopt;
            }
            mesh.triangles[i][k] = static_cast<int>(v);
        }
    }
    return mesh;
}

// By way of the bytes themselves: GCC 12 at -O3 drops the narrowing of the last places of a loop
// that rounds in place.
TriangleMesh roundedForFile(const TriangleMesh& mesh) {
    return meshFromBytes(vertexBytes(mesh), triangleBytes(mesh)).value_or(mesh);
}

}  // namespace wl
