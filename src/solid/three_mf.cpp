#include "solid/three_mf.h"

#include <Model/COM/NMR_DLLInterfaces.h>

namespace wl {
namespace {

// Lets go of what the library counts.
template <class Thing>
class Held {
  public:
    Held() = default;
    ~Held() {
        if (thing_ != nullptr) {
            NMR::lib3mf_release(thing_);
        }
    }
    Held(const Held&) = delete;
    Held& operator=(const Held&) = delete;
    Thing** slot() { return &thing_; }
    Thing* get() const { return thing_; }

  private:
    Thing* thing_ = nullptr;
};

}  // namespace

Result<std::string> threeMfOf(const std::vector<FileSolid>& solids) {
    const Error fault{"export.three_mf", "", {}, {}};
    Held<NMR::PLib3MFModel> model;
    if (NMR::lib3mf_createmodel(model.slot()) != LIB3MF_OK) {
        return fault;
    }
    for (const FileSolid& solid : solids) {
        std::vector<NMR::MODELMESHVERTEX> vertices;
        for (const Eigen::Vector3d& v : solid.mesh_mm.vertices_m) {
            vertices.push_back({{float(v.x()), float(v.y()), float(v.z())}});
        }
        std::vector<NMR::MODELMESHTRIANGLE> triangles;
        for (const auto& t : solid.mesh_mm.triangles) {
            triangles.push_back({{DWORD(t[0]), DWORD(t[1]), DWORD(t[2])}});
        }
        Held<NMR::PLib3MFModelMeshObject> object;
        Held<NMR::PLib3MFModelBuildItem> item;
        if (NMR::lib3mf_model_addmeshobject(model.get(), object.slot()) != LIB3MF_OK ||
            NMR::lib3mf_object_setnameutf8(object.get(), solid.name.c_str()) != LIB3MF_OK ||
            NMR::lib3mf_meshobject_setgeometry(object.get(), vertices.data(),
                                               DWORD(vertices.size()), triangles.data(),
                                               DWORD(triangles.size())) != LIB3MF_OK ||
            NMR::lib3mf_model_addbuilditem(model.get(), object.get(), nullptr, item.slot()) !=
                LIB3MF_OK) {
            return fault;
        }
    }
    Held<NMR::PLib3MFModelWriter> writer;
    ULONG64 size = 0;
    if (NMR::lib3mf_model_querywriter(model.get(), "3mf", writer.slot()) != LIB3MF_OK ||
        NMR::lib3mf_writer_getstreamsize(writer.get(), &size) != LIB3MF_OK) {
        return fault;
    }
    std::string bytes(size_t(size), '\0');
    if (NMR::lib3mf_writer_writetobuffer(writer.get(), reinterpret_cast<BYTE*>(bytes.data()),
                                         size) != LIB3MF_OK) {
        return fault;
    }
    return bytes;
}

}  // namespace wl
