#include "sheet/template_pages.h"

#include <algorithm>
#include <cmath>

#include "core/draw/flat_templates.h"
#include "sheet/drawing_paint.h"

namespace wl {
namespace {

constexpr double kOverlap_mm = 14.0, kEdge_mm = 3.0, kWords_mm = 6.0, kBetween_mm = 7.0;

struct TemplateWords {
    Q_DECLARE_TR_FUNCTIONS(wl::Templates)
  public:
    static QString part(const QString& title, int one, int of) {
        return of == 1 ? title : tr("%1, part %2 of %3").arg(title).arg(one).arg(of);
    }
    static QString join() { return tr("lay cross on cross, same letter"); }
    static QString nameOf(const SheetPaper& s, const FlatTemplate& t, const Design& design) {
        using What = FlatTemplate::What;
        const QString name = QString::fromStdString(t.name);
        const QString named = t.count > 1 ? tr("%1, cut %2").arg(name).arg(t.count) : name;
        switch (t.what) {
            case What::Half:
                return tr("Half template, true scale");
            case What::Section:
                return tr("Section %1, at %2").arg(t.index + 1).arg(s.length(t.at_m));
            case What::Lips:
                return tr("Lips on %1, %2 thick: %3, a saw cut apart")
                    .arg(name, s.length(design.lip.thickness_m))
                    .arg(t.count);
            case What::Sheet:
                return tr("Sheet %1 from starboard: %2, %3 thick")
                    .arg(t.index + 1)
                    .arg(name, s.length(design.make.layers[t.index].thickness_m));
            case What::SidePiece:
                return tr("%1, from beside").arg(named);
            case What::SidePieceAbove:
                return tr("%1, from above").arg(named);
            case What::Fin:
                return tr("%1, %2 thick").arg(named, s.length(design.fittings[t.index].wire_m));
            case What::Weight:
                return name;
        }
        return {};
    }
};

// Where two pages lie on each other: the middle of what they have in common.
void cross(SheetPaper& s, const QPointF& at, const QString& letter) {
    constexpr double kArm_mm = 4.0;
    s.painter().setPen(SheetPaper::line(0.2));
    s.painter().drawLine(at - QPointF(kArm_mm, 0), at + QPointF(kArm_mm, 0));
    s.painter().drawLine(at - QPointF(0, kArm_mm), at + QPointF(0, kArm_mm));
    s.text({at.x() + 1, at.y() + 0.6, 8, 4}, letter, 2.8, true);
}

}  // namespace

void tiledTemplate(SheetPaper& s, const QString& title, const Drawing& drawing) {
    const auto [left, low, right, high] = extent_mm(drawing);
    const QRectF frame(0, SheetPaper::kTop_mm, s.size().width(), s.bottom() - SheetPaper::kTop_mm);
    const double wide = right - left + 2 * kEdge_mm, tall = high - low + 2 * kEdge_mm;
    const auto pagesFor = [](double whole, double room) {
        return whole <= room ? 1
                             : int(std::ceil((whole - kOverlap_mm) / (room - kOverlap_mm) - 1e-9));
    };
    const int across = pagesFor(wide, frame.width()), down = pagesFor(tall, frame.height());
    const double stepX = frame.width() - kOverlap_mm, stepY = frame.height() - kOverlap_mm;
    const int all = across * down;
    for (int row = 0; row < down; ++row) {
        for (int column = 0; column < across; ++column) {
            s.beginPage(TemplateWords::part(title, row * across + column + 1, all));
            // Where the drawing's upper left corner lies on this page.
            const QPointF corner(frame.left() - column * stepX, frame.top() - row * stepY);
            s.painter().save();
            s.painter().setClipRect(frame);
            paintDrawing(s.painter(), drawing, corner + QPointF(kEdge_mm - left, kEdge_mm + high),
                         1.0, benchStyle());
            s.painter().restore();
            if (all == 1) {
                continue;
            }
            s.text({frame.right() - 90, frame.bottom() + 1, 90, 4}, TemplateWords::join(), 2.6,
                   false, Qt::AlignRight | Qt::AlignVCenter, SheetPaper::kQuiet);
            int letter = 0;
            const auto place = [&](double x, double y) {
                const QPointF at = corner + QPointF(x, y);
                const QString name = QString::fromStdString(boreLetter(size_t(letter++)));
                if (frame.adjusted(-1, -1, 1, 1).contains(at)) {
                    cross(s, at, name);
                }
            };
            for (int seam = 1; seam < across; ++seam) {
                for (const double share : {0.2, 0.8}) {
                    for (int band = 0; band < down; ++band) {
                        place(seam * stepX + 0.5 * kOverlap_mm,
                              band * stepY + share * std::min(frame.height(), tall));
                    }
                }
            }
            for (int seam = 1; seam < down; ++seam) {
                for (const double share : {0.2, 0.8}) {
                    for (int band = 0; band < across; ++band) {
                        place(band * stepX + share * frame.width(),
                              seam * stepY + 0.5 * kOverlap_mm);
                    }
                }
            }
        }
    }
}

void flatTemplatePages(SheetPaper& s, const QString& title, const Design& design,
                       const Derived& derived) {
    bool begun = false;
    double x = 0, y = SheetPaper::kTop_mm, rowFoot = y;
    const auto newRow = [&] {
        x = 0;
        y = rowFoot + kBetween_mm;
        rowFoot = y;
    };
    for (const FlatTemplate& t : flatTemplates(design, derived)) {
        // Weights stand with the words of their pockets, a single lip with its measures.
        const bool elsewhere = t.what == FlatTemplate::What::Weight ||
                               (t.what == FlatTemplate::What::Lips && t.count == 1);
        if (elsewhere || t.drawing.empty()) {
            continue;
        }
        const QString name = TemplateWords::nameOf(s, t, design);
        const auto [left, low, right, high] = extent_mm(t.drawing);
        const double wide = right - left + 2 * kEdge_mm;
        const double tall = high - low + 2 * kEdge_mm + kWords_mm;
        if (wide > s.size().width() || tall > s.bottom() - SheetPaper::kTop_mm) {
            tiledTemplate(s, name, t.drawing);
            begun = false;
            continue;
        }
        if (!begun) {
            s.beginPage(title);
            begun = true;
            x = 0;
            y = rowFoot = SheetPaper::kTop_mm;
        }
        const double cell = std::max(wide, 1.7 * double(name.size()));
        if (x > 0 && x + cell > s.size().width()) {
            newRow();
        }
        if (y + tall > s.bottom()) {
            s.beginPage(title);
            x = 0;
            y = rowFoot = SheetPaper::kTop_mm;
        }
        s.text({x, y, std::min(s.size().width() - x, cell), 5}, name, 2.8, true);
        paintDrawing(s.painter(), t.drawing, {x + kEdge_mm - left, y + kWords_mm + kEdge_mm + high},
                     1.0, benchStyle());
        x += cell + kBetween_mm;
        rowFoot = std::max(rowFoot, y + tall);
    }
}

}  // namespace wl
