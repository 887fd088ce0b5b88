#include "app/kit/plain_table.h"

#include <QCoreApplication>
#include <QEvent>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QShortcut>
#include <QTimer>

#include "app/kit/fit_columns.h"
#include "app/kit/theme.h"

namespace wl {

PlainTable::PlainTable(const QString& objectName, const QString& accessibleName, QWidget* parent)
    : QTableWidget(parent) {
    setObjectName(objectName);
    setAccessibleName(accessibleName);
    setEditTriggers(QAbstractItemView::NoEditTriggers);
    setSelectionBehavior(QAbstractItemView::SelectRows);
    setSelectionMode(QAbstractItemView::SingleSelection);
    setTabKeyNavigation(false);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    verticalHeader()->hide();
    verticalHeader()->setMinimumSectionSize(24);
    horizontalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    horizontalHeader()->setMinimumSectionSize(24);
    horizontalHeader()->setFont(type(Type::Small));
    setFont(type(Type::Small));
    setMinimumHeight(80);
}

void PlainTable::setRows(const QStringList& header, const QList<QStringList>& rows) {
    clearContents();
    setColumnCount(int(header.size()));
    setHorizontalHeaderLabels(header);
    setRowCount(int(rows.size()));
    for (int r = 0; r < rows.size(); ++r) {
        for (int c = 0; c < header.size(); ++c) {
            setItem(r, c, new QTableWidgetItem(rows[r].value(c)));
        }
    }
    for (int c = 0; c < header.size() && !short_.isEmpty(); ++c) {
        setColumnHidden(c, !short_.contains(c));
    }
    fit();
}

void PlainTable::fit() {
    if (fitting_) {
        return;
    }
    fitting_ = true;
    QTimer::singleShot(0, this, [this] {
        fitting_ = false;
        fitColumns(*this);
        if (whole_) {
            int height = horizontalHeader()->sizeHint().height() + 2;
            for (int r = 0; r < rowCount(); ++r) {
                height += rowHeight(r);
            }
            setFixedHeight(height);
        }
    });
}

void PlainTable::resizeEvent(QResizeEvent* event) {
    QTableWidget::resizeEvent(event);
    if (event->size().width() != event->oldSize().width()) {
        fit();
    }
}

QWidget* PlainTable::wideButton(Workbench& bench) {
    auto* button = new QPushButton(tr("All side by side"));
    button->setObjectName(objectName() + QStringLiteral("Wide"));
    button->setToolTip(tr("Every fact of every one in a wide table in the picture's place (F5)"));
    const auto open = [this, &bench] {
        emit bench.wideWanted(model(), itemDelegate(), accessibleName());
    };
    connect(button, &QPushButton::clicked, this, open);
    auto* key = new QShortcut(QKeySequence(Qt::Key_F5), this);
    key->setContext(Qt::WidgetShortcut);
    connect(key, &QShortcut::activated, this, open);
    return button;
}

namespace {

// Words that came while they could not be seen ask for no room of their own accord.
class ScrolledText : public QScrollArea {
  protected:
    void showEvent(QShowEvent* event) override {
        QScrollArea::showEvent(event);
        QCoreApplication::postEvent(this, new QEvent(QEvent::LayoutRequest));
    }
};

}  // namespace

QScrollArea* scrolling(QWidget* content) {
    if (auto* text = qobject_cast<QLabel*>(content)) {
        text->setWordWrap(true);
        text->setAlignment(Qt::AlignTop | Qt::AlignLeft);
        text->setTextInteractionFlags(Qt::TextSelectableByMouse);
    }
    auto* area = new ScrolledText;
    area->setWidgetResizable(true);
    area->setFrameShape(QFrame::NoFrame);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    area->setMinimumHeight(36);
    area->setWidget(content);
    area->viewport()->setAutoFillBackground(false);
    content->setAutoFillBackground(false);
    return area;
}

}  // namespace wl

#include "moc_plain_table.cpp"
