#include "files/solid_file.h"

#include <algorithm>
#include <array>
#include <bit>
#include <charconv>
#include <cmath>
#include <cstdint>
#include <string>

#include "core/design/describe.h"
#include "files/whole_file.h"

namespace wl {
namespace {

constexpr size_t kStlHeader = 84, kStlFacet = 50;
constexpr double kFurthest = 1e6;  // file units

std::uint32_t word(std::string_view bytes, size_t at) {
    std::uint32_t w = 0;
    for (size_t k = 0; k < 4; ++k) {
        w |= std::uint32_t(static_cast<unsigned char>(bytes[at + k])) << (8 * k);
    }
    return w;
}

Error tooMany(double found) {
    return {"solid.too_many",
            "",
            {},
            {{Quantity::Number, found}, {Quantity::Number, double(kMostTriangles)}}};
}

Result<TriangleMesh> readBinary(std::string_view content, size_t count) {
    TriangleMesh mesh;
    mesh.vertices_m.reserve(3 * count);
    for (size_t i = 0; i < count; ++i) {
        const size_t at = kStlHeader + i * kStlFacet + 12;
        for (size_t k = 0; k < 3; ++k) {
            Eigen::Vector3d v;
            for (size_t c = 0; c < 3; ++c) {
                v[Eigen::Index(c)] = std::bit_cast<float>(word(content, at + 12 * k + 4 * c));
            }
            // Each by itself: a maximum may pass over a NaN.
            if (!(v.cwiseAbs().array() < kFurthest).all()) {
                return Error{"solid.bad_number", "", {}, {{Quantity::Number, double(i + 1)}}};
            }
            mesh.vertices_m.push_back(v);
        }
        const int first = int(3 * i);
        mesh.triangles.push_back({first, first + 1, first + 2});
    }
    return mesh;
}

// Splits off the next blank-separated word.
std::string_view nextWord(std::string_view& line) {
    const size_t from = line.find_first_not_of(" \t\r");
    if (from == std::string_view::npos) {
        line = {};
        return {};
    }
    line.remove_prefix(from);
    const size_t to = std::min(line.find_first_of(" \t\r"), line.size());
    const std::string_view found = line.substr(0, to);
    line.remove_prefix(to);
    return found;
}

bool readPlace(std::string_view line, Eigen::Vector3d& v) {
    for (Eigen::Index c = 0; c < 3; ++c) {
        std::string_view text = nextWord(line);
        if (!text.empty() && text.front() == '+') {
            text.remove_prefix(1);
        }
        const auto read = std::from_chars(text.data(), text.data() + text.size(), v[c]);
        if (read.ec != std::errc() || read.ptr != text.data() + text.size() ||
            !(std::abs(v[c]) < kFurthest)) {
            return false;
        }
    }
    return true;
}

template <class OnLine>  // bool onLine(line number, keyword, rest)
bool forEachLine(std::string_view content, OnLine onLine) {
    size_t number = 0;
    while (!content.empty()) {
        const size_t end = std::min(content.find('\n'), content.size());
        std::string_view line = content.substr(0, end);
        content.remove_prefix(std::min(end + 1, content.size()));
        ++number;
        const std::string_view keyword = nextWord(line);
        if (!keyword.empty() && !onLine(number, keyword, line)) {
            return false;
        }
    }
    return true;
}

Error badLine(size_t number) {
    return {"solid.bad_number", "", {}, {{Quantity::Number, double(number)}}};
}

Result<TriangleMesh> readTextStl(std::string_view content) {
    TriangleMesh mesh;
    std::optional<Error> error;
    size_t corners = 0;
    bool ended = false;
    forEachLine(content, [&](size_t number, std::string_view keyword, std::string_view rest) {
        if (keyword == "vertex") {
            Eigen::Vector3d v;
            if (!readPlace(rest, v)) {
                error = badLine(number);
                return false;
            }
            mesh.vertices_m.push_back(v);
            ++corners;
        } else if (keyword == "endloop") {
            if (corners != 3) {
                error = badLine(number);
                return false;
            }
            corners = 0;
            const int first = int(mesh.vertices_m.size()) - 3;
            mesh.triangles.push_back({first, first + 1, first + 2});
            if (mesh.triangles.size() > kMostTriangles) {
                error = tooMany(double(mesh.triangles.size()));
                return false;
            }
        } else if (keyword == "endsolid") {
            ended = true;
        }
        return true;
    });
    if (error) {
        return *error;
    }
    if (!ended || corners != 0) {
        return Error{"solid.cut_short", "", {}, {}};
    }
    return mesh;
}

Result<TriangleMesh> readObj(std::string_view content) {
    TriangleMesh mesh;
    std::optional<Error> error;
    forEachLine(content, [&](size_t number, std::string_view keyword, std::string_view rest) {
        if (keyword == "v") {
            Eigen::Vector3d v;
            if (!readPlace(rest, v)) {
                error = badLine(number);
                return false;
            }
            mesh.vertices_m.push_back(v);
        } else if (keyword == "f") {
            std::vector<int> corners;
            for (std::string_view text = nextWord(rest); !text.empty(); text = nextWord(rest)) {
                text = text.substr(0, text.find('/'));
                long index = 0;
                const auto read = std::from_chars(text.data(), text.data() + text.size(), index);
                const long count = long(mesh.vertices_m.size());
                index = index < 0 ? count + index : index - 1;  // counted from one, or back
                if (read.ec != std::errc() || read.ptr != text.data() + text.size() || index < 0 ||
                    index >= count || corners.size() > 200) {
                    error = badLine(number);
                    return false;
                }
                corners.push_back(int(index));
            }
            for (size_t k = 1; k + 1 < corners.size(); ++k) {
                mesh.triangles.push_back({corners[0], corners[k], corners[k + 1]});
            }
            if (mesh.triangles.size() > kMostTriangles) {
                error = tooMany(double(mesh.triangles.size()));
                return false;
            }
        }
        return true;
    });
    if (error) {
        return *error;
    }
    if (mesh.triangles.empty()) {
        return Error{"solid.not_a_solid", "", {}, {}};
    }
    return mesh;
}

}  // namespace

Result<TriangleMesh> readSolid(std::string_view content) {
    if (content.size() >= kStlHeader) {
        const size_t count = word(content, 80);
        if (content.size() == kStlHeader + count * kStlFacet) {
            if (count > kMostTriangles) {
                return tooMany(double(count));
            }
            return readBinary(content, count);
        }
    }
    std::string_view start = content.substr(0, 4096);
    const std::string_view first = nextWord(start);
    if (first == "solid") {
        if (content.find("facet") != std::string_view::npos) {
            return readTextStl(content);
        }
        return Error{"solid.cut_short", "", {}, {}};
    }
    // Binary STL whose length does not fit its count has lost its end; text has no zero bytes.
    if (content.find('\0') != std::string_view::npos) {
        const bool plausible = content.size() >= kStlHeader && word(content, 80) > 0 &&
                               content.size() < kStlHeader + size_t(word(content, 80)) * kStlFacet;
        return Error{plausible ? "solid.cut_short" : "solid.not_a_solid", "", {}, {}};
    }
    return readObj(content);
}

TriangleMesh inFileFrame(const TriangleMesh& mesh_m) {
    TriangleMesh out;
    for (const Eigen::Vector3d& v : mesh_m.vertices_m) {
        out.vertices_m.emplace_back(1000.0 * v.x(), -1000.0 * v.y(), 1000.0 * v.z());
    }
    for (const auto& t : mesh_m.triangles) {
        out.triangles.push_back({t[0], t[2], t[1]});
    }
    return out;
}

std::string stlOf(const std::vector<const TriangleMesh*>& solids) {
    // What single precision draws together to nothing is left out: its neighbours then meet.
    const auto there = [](const TriangleMesh& mesh, const std::array<int, 3>& t) {
        const auto corner = [&](size_t k) {
            return Eigen::Vector3f(mesh.vertices_m[size_t(t[k])].cast<float>());
        };
        return corner(0) != corner(1) && corner(1) != corner(2) && corner(2) != corner(0);
    };
    size_t count = 0;
    for (const TriangleMesh* mesh : solids) {
        count += size_t(std::count_if(mesh->triangles.begin(), mesh->triangles.end(),
                                      [&](const auto& t) { return there(*mesh, t); }));
    }
    std::string out(kStlHeader - 4, ' ');  // nothing that reads as the "solid" of a text file
    const auto put = [&out](std::uint32_t w) {
        for (int k = 0; k < 4; ++k) {
            out.push_back(char((w >> (8 * k)) & 0xff));
        }
    };
    const auto putPlace = [&put](const Eigen::Vector3d& v) {
        for (const double c : v) {
            put(std::bit_cast<std::uint32_t>(float(c)));
        }
    };
    put(std::uint32_t(count));
    for (const TriangleMesh* mesh : solids) {
        for (const auto& t : mesh->triangles) {
            if (!there(*mesh, t)) {
                continue;
            }
            std::array<Eigen::Vector3d, 3> corners;
            for (size_t k = 0; k < 3; ++k) {
                corners[k] = mesh->vertices_m[size_t(t[k])];
            }
            const Eigen::Vector3d normal = (corners[1] - corners[0]).cross(corners[2] - corners[0]);
            putPlace(normal.norm() > 0 ? Eigen::Vector3d(normal.normalized())
                                       : Eigen::Vector3d(0, 0, 0));
            for (const Eigen::Vector3d& corner : corners) {
                putPlace(corner);
            }
            out.append(kStlFacet - 48, '\0');
        }
    }
    return out;
}

Result<TriangleMesh> loadSolid(const std::filesystem::path& path) {
    const Result<std::string> content = readRegularFile(path, kLargestSolidBytes);
    return content ? readSolid(*content) : content.error();
}

}  // namespace wl
