// The only file that knows Open CASCADE; a module of its own, since its libraries take as long to
// load as the program itself.
#include "solid/step_module.h"

#include <unistd.h>

#include <BRepBuilderAPI_MakeEdge.hxx>
#include <BRepBuilderAPI_MakeFace.hxx>
#include <BRepBuilderAPI_MakeWire.hxx>
#include <BRep_Builder.hxx>
#include <Interface_Static.hxx>
#include <Message.hxx>
#include <Message_Messenger.hxx>
#include <STEPControl_Writer.hxx>
#include <Standard_Failure.hxx>
#include <TopoDS.hxx>
#include <TopoDS_Compound.hxx>
#include <TopoDS_Edge.hxx>
#include <TopoDS_Shell.hxx>
#include <TopoDS_Solid.hxx>
#include <filesystem>
#include <fstream>
#include <gp_Pln.hxx>
#include <map>

namespace {

// Neighbours share corners and edges, so the shell is closed as it is built.
TopoDS_Solid solidOf(const wl::TriangleMesh& mesh) {
    constexpr double kTolerance_mm = 1e-6;
    BRep_Builder builder;
    std::vector<TopoDS_Vertex> corners;
    for (const Eigen::Vector3d& v : mesh.vertices_m) {
        builder.MakeVertex(corners.emplace_back(), gp_Pnt(v.x(), v.y(), v.z()), kTolerance_mm);
    }
    std::map<std::pair<int, int>, TopoDS_Edge> edges;
    const auto edge = [&](int from, int to) {
        const bool turned = from > to;
        const auto key = std::minmax(from, to);
        auto at = edges.find(key);
        if (at == edges.end()) {
            at = edges
                     .emplace(key, BRepBuilderAPI_MakeEdge(corners[size_t(key.first)],
                                                           corners[size_t(key.second)])
                                       .Edge())
                     .first;
        }
        return turned ? TopoDS::Edge(at->second.Reversed()) : at->second;
    };
    TopoDS_Shell shell;
    builder.MakeShell(shell);
    for (const auto& t : mesh.triangles) {
        const auto at = [&](int k) { return mesh.vertices_m[size_t(t[size_t(k)])]; };
        const Eigen::Vector3d normal = (at(1) - at(0)).cross(at(2) - at(0)).normalized();
        const gp_Pln plane(gp_Pnt(at(0).x(), at(0).y(), at(0).z()),
                           gp_Dir(normal.x(), normal.y(), normal.z()));
        const TopoDS_Wire wire =
            BRepBuilderAPI_MakeWire(edge(t[0], t[1]), edge(t[1], t[2]), edge(t[2], t[0])).Wire();
        builder.Add(shell, BRepBuilderAPI_MakeFace(plane, wire).Face());
    }
    shell.Closed(true);
    TopoDS_Solid solid;
    builder.MakeSolid(solid);
    builder.Add(solid, shell);
    return solid;
}

}  // namespace

extern "C" bool wlWriteStep(const std::vector<wl::FileSolid>& solids, std::string& bytes) {
    std::string path = (std::filesystem::temp_directory_path() / "wade-line-XXXXXX").string();
    const int file = mkstemp(path.data());
    if (file < 0) {
        return false;
    }
    close(file);
    bool written = false;
    try {
        Message::DefaultMessenger()->ChangePrinters().Clear();  // it talks on standard output
        STEPControl_Writer writer;
        Interface_Static::SetCVal("write.step.unit", "MM");
        Interface_Static::SetIVal("write.surfacecurve.mode", 0);  // flat faces need none
        written = !solids.empty();
        for (const wl::FileSolid& solid : solids) {
            Interface_Static::SetCVal("write.step.product.name", solid.name.c_str());
            written = written &&
                      writer.Transfer(solidOf(solid.mesh_mm), STEPControl_AsIs) == IFSelect_RetDone;
        }
        written = written && writer.Write(path.c_str()) == IFSelect_RetDone;
        std::ifstream in(path, std::ios::binary);
        bytes.assign(std::istreambuf_iterator<char>(in), {});
        written = written && in.good() && !bytes.empty();
    } catch (const Standard_Failure&) {
        written = false;
    } catch (const std::exception&) {
        written = false;
    }
    std::error_code none;
    std::filesystem::remove(path, none);
    return written;
}
