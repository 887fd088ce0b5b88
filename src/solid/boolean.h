// Closed meshes taken from and joined to each other.
#pragma once

#include <memory>
#include <optional>

#include "core/base/result.h"
#include "core/base/triangle_mesh.h"

namespace wl {

/// A solid in the making: exact while tools are taken from it one after the other (CGAL's
/// corefinement with exact constructions), rounded to doubles when it is done.
class ExactSolid {
  public:
    /// A closed mesh whose triangles are counter-clockwise from outside by its own frame. Error:
    /// "solid.cannot_cut" (it does not close, or passes through itself).
    static Result<ExactSolid> of(const TriangleMesh& mesh);
    ~ExactSolid();
    ExactSolid(const ExactSolid&);
    ExactSolid(ExactSolid&&) noexcept;
    ExactSolid& operator=(ExactSolid&&) noexcept;

    /// What is left without the tool. Error as above; the solid is then as it was.
    std::optional<Error> subtract(const ExactSolid& tool);
    std::optional<Error> add(const ExactSolid& other);
    /// Closed, no triangle without an area.
    TriangleMesh mesh() const;

  private:
    struct Body;
    explicit ExactSolid(std::unique_ptr<Body> body);
    std::unique_ptr<Body> body_;
};

}  // namespace wl
