#include "app/views/tank_handles.h"
#include "session/words.h"

#include <cmath>

namespace wl {
namespace {

void addStations(const Design& design, const Derived& d, TankView view,
                 std::vector<TankHandle>& out) {
    const std::vector<Station>& stations = design.body.stations;
    const double scale = d.shape->reckoning.breadthScale;
    for (size_t i = 0; i < stations.size(); ++i) {
        const Station& s = stations[i];
        const QString path = QStringLiteral("/body/stations/%1/").arg(i);
        if (view == TankView::Side) {
            for (const bool back : {true, false}) {
                const double z = scale * (back ? s.back_m : s.belly_m);
                TankHandle h{back ? tr("Back at station %1").arg(i + 1)
                                  : tr("Belly at station %1").arg(i + 1),
                             {s.position_m, 0, z},
                             {{path + (back ? "back" : "belly"), Quantity::Length}},
                             [scale](const Eigen::Vector3d& p) {
                                 return std::vector<double>{p.z() / scale};
                             },
                             {0, 0, 1}};
                out.push_back(h);
            }
        } else if (view == TankView::Top && i > 0) {
            out.push_back({tr("Half-width at station %1").arg(i + 1),
                           {s.position_m, scale * s.halfWidth_m, s.widest_m},
                           {{path + "half_width", Quantity::Length}},
                           [scale](const Eigen::Vector3d& p) {
                               return std::vector<double>{std::max(0.0, p.y() / scale)};
                           },
                           {0, 1, 0}});
        }
    }
}

void addBores(const Design& design, const Derived& d, TankView view, std::vector<TankHandle>& out) {
    for (size_t i = 0; i < design.bores.size() && i < d.mass->bores.size(); ++i) {
        const Bore& bore = design.bores[i];
        const BoreGeometry& g = d.mass->bores[i];
        if (!g.entersBody) {
            continue;
        }
        const QString path = QStringLiteral("/bores/%1/").arg(i);
        const QString name = QString::fromStdString(bore.name);
        if (view == TankView::Side) {
            out.push_back({tr("%1, place").arg(name),
                           g.mouth_m,
                           {{path + "x", Quantity::Length}},
                           [](const Eigen::Vector3d& p) { return std::vector<double>{p.x()}; },
                           {1, 0, 0}});
            out.push_back({tr("%1, depth").arg(name),
                           g.mouth_m + g.inward * bore.depth_m,
                           {{path + "depth", Quantity::Length}},
                           [g](const Eigen::Vector3d& p) {
                               return std::vector<double>{
                                   std::max(0.001, (p - g.mouth_m).dot(g.inward))};
                           },
                           {0, 0, 1}});
        } else if (view == TankView::Top) {
            out.push_back({tr("%1, place").arg(name),
                           g.mouth_m,
                           {{path + "x", Quantity::Length}, {path + "y", Quantity::Length}},
                           [](const Eigen::Vector3d& p) {
                               return std::vector<double>{p.x(), p.y()};
                           },
                           {1, 1, 0}});
        }
    }
}

// Place and corners of an outline drawn in the side view.
void addOutline(const std::vector<OutlinePoint>& outline, const QString& path, const QString& name,
                double x, double z, std::vector<TankHandle>& out) {
    if (outline.empty()) {
        return;
    }
    const auto inView = [](const Eigen::Vector3d& p) { return std::vector<double>{p.x(), p.z()}; };
    out.push_back({tr("%1, place").arg(name),
                   {x, 0, z},
                   {{path + "x", Quantity::Length}, {path + "z", Quantity::Length}},
                   inView,
                   {1, 0, 1}});
    for (size_t i = 0; i < outline.size(); ++i) {
        const QString corner = path + QStringLiteral("outline/%1/").arg(i);
        out.push_back({tr("%1, corner %2").arg(name).arg(i + 1),
                       {x + outline[i].aft_m, 0, z + outline[i].up_m},
                       {{corner + "aft", Quantity::Length}, {corner + "up", Quantity::Length}},
                       [x, z](const Eigen::Vector3d& p) {
                           return std::vector<double>{p.x() - x, p.z() - z};
                       },
                       {1, 0, 1}});
    }
}

void addOutlines(const Design& design, Step step, std::vector<TankHandle>& out) {
    if (step == Step::Ballast) {
        for (size_t i = 0; i < design.sideWeights.size(); ++i) {
            const SideWeight& w = design.sideWeights[i];
            addOutline(w.outline, QStringLiteral("/side_weights/%1/").arg(i),
                       QString::fromStdString(w.name), w.x_m, w.z_m, out);
        }
    }
    if (step == Step::Stock && design.make.kind == MakeKind::Layered) {
        for (size_t i = 0; i < design.make.cavities.size(); ++i) {
            const Cavity& c = design.make.cavities[i];
            addOutline(c.outline, QStringLiteral("/make/cavities/%1/").arg(i),
                       tr("Cavity %1").arg(i + 1), c.x_m, c.z_m, out);
        }
    }
}

void addFittings(const Design& design, TankView view, std::vector<TankHandle>& out) {
    for (size_t i = 0; i < design.fittings.size(); ++i) {
        const Fitting& f = design.fittings[i];
        if (!f.hangsFrom.empty()) {
            continue;
        }
        const QString path = QStringLiteral("/fittings/%1/").arg(i);
        const bool side = view == TankView::Side;
        out.push_back(
            {QString::fromStdString(f.name),
             {f.x_m, f.y_m, f.z_m},
             {{path + "x", Quantity::Length}, {path + (side ? "z" : "y"), Quantity::Length}},
             [side](const Eigen::Vector3d& p) {
                 return std::vector<double>{p.x(), side ? p.z() : p.y()};
             },
             side ? Eigen::Vector3d(1, 0, 1) : Eigen::Vector3d(1, 1, 0)});
    }
}

void addEndFaces(const Design& design, TankView view, std::vector<TankHandle>& out) {
    for (const bool nose : {true, false}) {
        const EndFace& face = nose ? design.body.noseFace : design.body.tailFace;
        if (face.present && view == TankView::Side) {
            const QString path = nose ? "/body/nose_face/x" : "/body/tail_face/x";
            out.push_back({nose ? tr("Nose face") : tr("Tail face"),
                           {face.x_m, 0, 0},
                           {{path, Quantity::Length}},
                           [](const Eigen::Vector3d& p) { return std::vector<double>{p.x()}; },
                           {1, 0, 0}});
        }
    }
}

void addJoints(const Design& design, const Derived& d, std::vector<TankHandle>& out) {
    for (size_t i = 0; i < design.joints.size() && i < d.shape->joints.size(); ++i) {
        const QString path = QStringLiteral("/joints/%1/").arg(i);
        const QString name = QString::fromStdString(design.joints[i].name);
        const Section s = d.shape->curves.atX(design.joints[i].x_m);
        out.push_back({tr("%1, place").arg(name),
                       {design.joints[i].x_m, 0, s.back_m},
                       {{path + "x", Quantity::Length}},
                       [](const Eigen::Vector3d& p) { return std::vector<double>{p.x()}; },
                       {1, 0, 0}});
        const double middle = design.joints[i].x_m;
        out.push_back(
            {tr("%1, pin").arg(name),
             {d.shape->joints[i].pinX_m, 0, d.shape->joints[i].midZ_m},
             {{path + "pin_aft", Quantity::Length}},
             [middle](const Eigen::Vector3d& p) { return std::vector<double>{p.x() - middle}; },
             {1, 0, 0}});
    }
}

void addLip(const Design& design, std::vector<TankHandle>& out) {
    const Lip& lip = design.lip;
    const Eigen::Vector3d root(lip.slotX_m, 0, lip.slotZ_m);
    if (lip.present) {
        out.push_back({tr("Slot place"),
                       root,
                       {{"/lip/slot_x", Quantity::Length}, {"/lip/slot_z", Quantity::Length}},
                       [](const Eigen::Vector3d& p) {
                           return std::vector<double>{p.x(), p.z()};
                       },
                       {1, 0, 1}});
        out.push_back({tr("Lip angle"),
                       root + lipDirection(lip) * lipPlanes(lip).front().to_m,
                       {{"/lip/angle", Quantity::Angle}},
                       [root](const Eigen::Vector3d& p) {
                           const double angle =
                               std::atan2(-(p.z() - root.z()), -(p.x() - root.x()));
                           return std::vector<double>{std::clamp(angle, 0.0, 100 * kDegree)};
                       },
                       {0, 0, 1}});
    }
    if (design.tie.place == TiePlace::Lip && lip.present) {
        out.push_back({tr("Tie up the lip"),
                       tiePoint(design),
                       {{"/tie/up_lip", Quantity::Length}},
                       [root, lip](const Eigen::Vector3d& p) {
                           return std::vector<double>{
                               std::max(0.0, (p - root).dot(lipDirection(lip)))};
                       },
                       {1, 0, 0}});
    } else if (design.tie.eye.empty()) {
        out.push_back({tr("Tie"),
                       tiePoint(design),
                       {{"/tie/x", Quantity::Length}, {"/tie/z", Quantity::Length}},
                       [](const Eigen::Vector3d& p) {
                           return std::vector<double>{p.x(), p.z()};
                       },
                       {1, 0, 1}});
    }
}

}  // namespace

std::vector<TankHandle> tankHandles(const Design& design, const Derived& derived, Step step,
                                    TankView view) {
    std::vector<TankHandle> out;
    if (view == TankView::Front) {
        return out;
    }
    switch (step) {
        case Step::Body:
            if (!design.body.useSolid) {
                addStations(design, derived, view, out);
            }
            addEndFaces(design, view, out);
            break;
        case Step::Joints:
            addJoints(design, derived, out);
            break;
        case Step::Ballast:
            addBores(design, derived, view, out);
            [[fallthrough]];
        case Step::Stock:
            if (view == TankView::Side) {
                addOutlines(design, step, out);
            }
            break;
        case Step::Fittings:
            addFittings(design, view, out);
            break;
        case Step::LipAndTie:
            if (view == TankView::Side) {
                addLip(design, out);
            }
            break;
        default:
            break;
    }
    return out;
}

}  // namespace wl
