#include "seen_whole.h"

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QApplication>
#include <QComboBox>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QScrollBar>
#include <QSplitter>
#include <QStyleOptionComboBox>
#include <QTableView>
#include <QTextDocument>
#include <cmath>
#include <map>

#include "text_paper.h"

namespace wl::test {
namespace {

constexpr int kSlack = 2;           // pixels
constexpr double kLeast_px = 11.9;  // of type on a screen

QString nameOf(const QWidget& w) {
    QString name = QString::fromLatin1(w.metaObject()->className());
    for (const QWidget* up = &w; up != nullptr; up = up->parentWidget()) {
        if (!up->objectName().isEmpty() && !up->objectName().startsWith(QLatin1String("qt_"))) {
            name += QStringLiteral(" in ") + up->objectName();
            break;
        }
    }
    return name;
}

double widest(const QFontMetricsF& metrics, const QString& text) {
    double most = 0;
    for (const QString& line : text.split(QLatin1Char('\n'))) {
        most = std::max(most, metrics.horizontalAdvance(line));
    }
    return most;
}

double widestWord(const QFontMetricsF& metrics, const QString& text) {
    double most = 0;
    for (const QString& word : text.simplified().split(QLatin1Char(' '))) {
        most = std::max(most, metrics.horizontalAdvance(word));
    }
    return most;
}

class Look {
  public:
    QStringList found;

    void at(const QWidget& w, const QWidget& top) {
        where(w, top);
        if (const auto* area = qobject_cast<const QAbstractScrollArea*>(&w)) {
            const QScrollBar* bar = area->horizontalScrollBar();
            if (bar->maximum() > bar->minimum()) {
                say(w,
                    QStringLiteral("scrolls sideways by %1").arg(bar->maximum() - bar->minimum()));
            }
        }
        if (const auto* label = qobject_cast<const QLabel*>(&w)) {
            words(*label);
        } else if (const auto* button = qobject_cast<const QAbstractButton*>(&w)) {
            const QSize need = button->sizeHint();
            if (!button->text().isEmpty() && (need.width() > button->width() + kSlack ||
                                              need.height() > button->height() + kSlack)) {
                say(w, QStringLiteral("“%1” needs %2 × %3 of %4 × %5")
                           .arg(button->text())
                           .arg(need.width())
                           .arg(need.height())
                           .arg(button->width())
                           .arg(button->height()));
            }
        } else if (const auto* line = qobject_cast<const QLineEdit*>(&w)) {
            const QString text = line->text().isEmpty() ? line->placeholderText() : line->text();
            room(w, text, QFontMetricsF(line->font()).horizontalAdvance(text), line->width() - 14);
        } else if (const auto* box = qobject_cast<const QComboBox*>(&w)) {
            QStyleOptionComboBox option;
            option.initFrom(box);
            option.editable = box->isEditable();
            const QRect field = box->style()->subControlRect(QStyle::CC_ComboBox, &option,
                                                             QStyle::SC_ComboBoxEditField, box);
            room(w, box->currentText(),
                 QFontMetricsF(box->font()).horizontalAdvance(box->currentText()), field.width());
        } else if (const auto* header = qobject_cast<const QHeaderView*>(&w)) {
            sections(*header);
        } else if (const auto* view = qobject_cast<const QAbstractItemView*>(&w)) {
            cells(*view);
        }
        children(w);
    }

    void painted(const QWidget& w, const std::vector<PaintedText>& texts, bool paper) {
        // The cells of a list may go on below; each is looked at by itself.
        const bool cells = qobject_cast<const QAbstractItemView*>(w.parentWidget()) != nullptr;
        for (size_t i = 0; i < texts.size(); ++i) {
            const PaintedText& t = texts[i];
            if (!cells &&
                !QRectF(w.rect()).adjusted(-kSlack, -kSlack, kSlack, kSlack).contains(t.box)) {
                say(w, QStringLiteral("paints “%1” over its edge").arg(t.text));
            }
            if (t.text.contains(QStringLiteral("…")) && t.text != QStringLiteral("…")) {
                say(w, QStringLiteral("elides “%1”").arg(t.text));
            }
            if (!paper && t.pixelSize < kLeast_px) {
                say(w, QStringLiteral("“%1” is %2 px high").arg(t.text).arg(t.pixelSize));
            }
            for (size_t k = 0; k < i && !paper && !cells; ++k) {
                const QRectF both = t.box.intersected(texts[k].box);
                if (both.width() > 2 * kSlack && both.height() > 2 * kSlack) {
                    say(w, QStringLiteral("“%1” over “%2”").arg(t.text, texts[k].text));
                }
            }
        }
    }

  private:
    void say(const QWidget& w, const QString& what) {
        found << QStringLiteral("%1: %2").arg(nameOf(w), what);
    }
    void room(const QWidget& w, const QString& text, double need, double has) {
        if (need > has + kSlack) {
            say(w, QStringLiteral("“%1” needs %2 of %3").arg(text).arg(need).arg(has));
        }
    }
    // Inside everything that holds it; down a scrolling sheet is no fault.
    void where(const QWidget& w, const QWidget& top) {
        QRect seen = w.rect();
        bool scrolls = false;
        for (const QWidget *part = &w, *up = w.parentWidget(); part != &top && up != nullptr;
             part = up, up = up->parentWidget()) {
            seen.translate(part->pos());
            const auto* area = qobject_cast<const QAbstractScrollArea*>(up->parentWidget());
            scrolls = scrolls || (area != nullptr && area->viewport() == up);
            const QRect inside = seen.intersected(up->rect());
            if (inside.width() < seen.width() || (!scrolls && inside.height() < seen.height())) {
                if (qobject_cast<const QHeaderView*>(up) == nullptr &&
                    qobject_cast<const QHeaderView*>(&w) == nullptr) {
                    say(w, QStringLiteral("stands %1 × %2 px over the edge of %3")
                               .arg(seen.width() - inside.width())
                               .arg(seen.height() - inside.height())
                               .arg(nameOf(*up)));
                }
                return;
            }
        }
    }
    void words(const QLabel& label) {
        if (label.text().isEmpty()) {
            return;
        }
        const QRect has = label.contentsRect();
        const bool rich = label.textFormat() == Qt::RichText;
        // What can be selected is laid out as a document too, whose lines may end elsewhere.
        const bool selectable = label.textInteractionFlags() & Qt::TextSelectableByMouse;
        if (rich || (selectable && label.wordWrap())) {
            QTextDocument document;
            document.setDefaultFont(label.font());
            document.setDocumentMargin(0);
            rich ? document.setHtml(label.text()) : document.setPlainText(label.text());
            document.setTextWidth(has.width());
            if (document.size().height() > has.height() + kSlack) {
                say(label, QStringLiteral("“%1” needs %2 px down of %3")
                               .arg(document.toPlainText())
                               .arg(document.size().height())
                               .arg(has.height()));
            }
            if (!rich) {
                room(label, label.text(), widestWord(QFontMetricsF(label.font()), label.text()),
                     has.width());
            }
            return;
        }
        const QFontMetricsF metrics(label.font());
        if (!label.wordWrap()) {
            QString shown = label.text();
            if (label.buddy() != nullptr) {
                shown.remove(QLatin1Char('&'));  // a key, not a letter
            }
            room(label, shown, widest(metrics, shown), has.width());
            return;
        }
        room(label, label.text(), widestWord(metrics, label.text()), has.width());
        const QRectF needs =
            metrics.boundingRect(QRectF(0, 0, has.width(), 1e5), Qt::TextWordWrap, label.text());
        if (needs.height() > has.height() + 2 * kSlack) {
            say(label, QStringLiteral("“%1” needs %2 px down of %3")
                           .arg(label.text())
                           .arg(needs.height())
                           .arg(has.height()));
        }
    }
    void sections(const QHeaderView& header) {
        if (header.orientation() != Qt::Horizontal || header.model() == nullptr) {
            return;
        }
        for (int i = 0; i < header.count(); ++i) {
            if (!header.isSectionHidden(i)) {
                const QString text =
                    header.model()->headerData(i, Qt::Horizontal, Qt::DisplayRole).toString();
                room(header, text, widest(QFontMetricsF(header.font()), text),
                     header.sectionSize(i) - 10);
            }
        }
    }
    void cells(const QAbstractItemView& view) {
        const auto* table = qobject_cast<const QTableView*>(&view);
        if (table == nullptr || table->model() == nullptr) {
            return;
        }
        const QFontMetricsF metrics(table->font());
        for (int r = 0; r < table->model()->rowCount(); ++r) {
            for (int c = 0; c < table->model()->columnCount(); ++c) {
                if (table->isColumnHidden(c) || table->isRowHidden(r)) {
                    continue;
                }
                const QString text = table->model()->index(r, c).data(Qt::DisplayRole).toString();
                const QSizeF has(table->columnWidth(c) - 7, table->rowHeight(r) - 1);
                if (!table->wordWrap()) {
                    room(view, text, widest(metrics, text), has.width());
                    continue;
                }
                room(view, text, widestWord(metrics, text), has.width());
                const QRectF needs =
                    metrics.boundingRect(QRectF(0, 0, has.width(), 1e5), Qt::TextWordWrap, text);
                if (needs.height() > has.height() + kSlack) {
                    say(view, QStringLiteral("cell “%1” needs %2 px down of %3")
                                  .arg(text)
                                  .arg(needs.height())
                                  .arg(has.height()));
                }
            }
        }
    }
    void children(const QWidget& w) {
        if (qobject_cast<const QAbstractScrollArea*>(&w) || qobject_cast<const QSplitter*>(&w) ||
            qobject_cast<const QComboBox*>(&w)) {
            return;
        }
        QList<QWidget*> shown;
        for (QObject* child : w.children()) {
            auto* part = qobject_cast<QWidget*>(child);
            if (part != nullptr && part->isVisible() && !part->isWindow()) {
                for (const QWidget* other : std::as_const(shown)) {
                    const QRect both = part->geometry().intersected(other->geometry());
                    if (both.width() > kSlack && both.height() > kSlack) {
                        say(*part, QStringLiteral("lies over %1 by %2 × %3")
                                       .arg(nameOf(*other))
                                       .arg(both.width())
                                       .arg(both.height()));
                    }
                }
                shown << part;
            }
        }
    }
};

// Painted by code of our own: nothing of Qt's own kinds, and no plot (it paints pictures).
bool paintsItself(const QWidget& w) {
    return w.findChild<QWidget*>() != nullptr ? false
           : w.inherits("QLabel") || w.inherits("QAbstractButton") || w.inherits("QLineEdit") ||
                   w.inherits("QScrollBar") || w.inherits("QHeaderView") ||
                   w.inherits("QSplitterHandle") || w.inherits("QCustomPlot") ||
                   w.inherits("QComboBox") || w.inherits("QProgressBar") || w.inherits("QMenu") ||
                   w.inherits("QMenuBar")
               ? false
               : !w.inherits("QTableCornerButton");
}

// What each part of a window paints, from one picture of the whole: a picture of each by itself
// walks through all of the window every time.
class TextsByWidget : public QObject {
  public:
    explicit TextsByWidget(const QWidget& top) : paper_(top.size()) {
        qApp->installEventFilter(this);
        QPainter painter(&paper_);
        const_cast<QWidget&>(top).render(&painter, {}, {}, QWidget::DrawChildren);
        painter.end();
        qApp->removeEventFilter(this);
        part();
        for (auto& [widget, texts] : texts_) {
            const QPointF at = widget->mapTo(&top, QPoint());
            for (PaintedText& text : texts) {
                text.box.translate(-at);
            }
        }
    }

    std::vector<PaintedText> of(const QWidget& w) const {
        if (w.visibleRegion() != QRegion(w.rect())) {
            return textsPaintedBy(w);  // what is covered or scrolled away too
        }
        const auto found = texts_.find(&w);
        return found == texts_.end() ? std::vector<PaintedText>() : found->second;
    }

  protected:
    bool eventFilter(QObject* object, QEvent* event) override {
        if (event->type() == QEvent::Paint) {
            part();
            painting_ = qobject_cast<QWidget*>(object);
        }
        return false;
    }

  private:
    void part() {
        if (painting_ != nullptr) {
            auto& texts = texts_[painting_];
            texts.insert(texts.end(), paper_.texts.begin(), paper_.texts.end());
        }
        paper_.texts.clear();
    }

    TextPaper paper_;
    std::map<const QWidget*, std::vector<PaintedText>> texts_;
    const QWidget* painting_ = nullptr;
};

}  // namespace

std::vector<PaintedText> textsPaintedBy(const QWidget& widget) {
    TextPaper paper(widget.size());
    QPainter painter(&paper);
    const_cast<QWidget&>(widget).render(&painter, {}, {}, {});
    painter.end();
    return paper.texts;
}

QStringList whatIsCut(const QWidget& top) {
    const TextsByWidget painted(top);
    Look look;
    for (const QWidget* w : top.findChildren<QWidget*>()) {
        if (!w->isVisibleTo(&top) || w->window() != top.window() || w->visibleRegion().isEmpty()) {
            continue;
        }
        look.at(*w, top);
        if (paintsItself(*w)) {
            look.painted(*w, painted.of(*w), w->objectName() == QLatin1String("sheetPreview"));
        }
    }
    look.found.removeDuplicates();
    return look.found;
}

}  // namespace wl::test
