#include "solid/step_writer.h"

#include <dlfcn.h>

#include <filesystem>

#include "solid/step_module.h"
#include "solid/tidy_mesh.h"

namespace wl {
namespace {

Error missing() {
    return {"export.no_step", "", {}, {}};
}

// Beside the program where it is installed, or where it was built.
WriteStep* loadModule() {
    std::error_code none;
    const auto self = std::filesystem::read_symlink("/proc/self/exe", none).parent_path();
    for (const std::filesystem::path& path :
         {self / WL_STEP_INSTALLED, std::filesystem::path(WL_STEP_BUILT)}) {
        if (void* module = dlopen(path.c_str(), RTLD_NOW | RTLD_LOCAL)) {
            if (void* found = dlsym(module, kWriteStepName)) {
                return reinterpret_cast<WriteStep*>(found);
            }
        }
    }
    return nullptr;
}

}  // namespace

Result<std::string> stepOf(const std::vector<FileSolid>& solids) {
    static WriteStep* const write = loadModule();
    if (write == nullptr) {
        return missing();
    }
    constexpr double kLeast_mm = 1e-3;
    std::vector<FileSolid> tidy = solids;
    for (FileSolid& solid : tidy) {
        solid.mesh_mm = tidyMesh(solid.mesh_mm, kLeast_mm);
    }
    std::string bytes;
    if (!write(tidy, bytes)) {
        return Error{"export.step", "", {}, {}};
    }
    return bytes;
}

}  // namespace wl
