#include "solid/solid_export.h"

#include "files/solid_file.h"
#include "solid/step_writer.h"
#include "solid/three_mf.h"

namespace wl {

bool isSolidEnding(const std::string& ending) {
    return ending == "stl" || ending == "3mf" || ending == "step" || ending == "stp";
}

Result<std::string> solidFileOf(const Design& design, const Derived& derived, const SolidWish& wish,
                                const std::string& ending, std::stop_token stop,
                                const SolidTold& told) {
    const Result<std::vector<FileSolid>> solids = baitSolids(design, derived, wish, stop, told);
    if (!solids) {
        return solids.error();
    }
    if (ending == "3mf") {
        return threeMfOf(*solids);
    }
    if (ending == "step" || ending == "stp") {
        return stepOf(*solids);
    }
    std::vector<const TriangleMesh*> meshes;
    for (const FileSolid& solid : *solids) {
        meshes.push_back(&solid.mesh_mm);
    }
    return stlOf(meshes);
}

}  // namespace wl
