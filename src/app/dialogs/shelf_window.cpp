#include "app/dialogs/shelf_window.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QVBoxLayout>

#include "app/kit/fit_columns.h"
#include "app/kit/plain_label.h"
#include "app/kit/scale_fill.h"
#include "app/kit/theme.h"
#include "files/whole_file.h"

namespace wl {
namespace {

constexpr size_t kMostBytes = 8u << 20;

}  // namespace

QString ShelfWindow::kindName(ShelfKind kind) {
    static const QStringList names{tr("stock"),
                                   tr("trebles"),
                                   tr("single hooks"),
                                   tr("split rings"),
                                   tr("screw eyes"),
                                   tr("twisted eyes"),
                                   tr("eyes"),
                                   tr("sheet fins"),
                                   tr("bristle tails"),
                                   tr("soft tails"),
                                   tr("wires"),
                                   tr("tubes and pins"),
                                   tr("lip sheet"),
                                   tr("lips"),
                                   tr("ballast metals"),
                                   tr("lead rod"),
                                   tr("lead wire"),
                                   tr("shot"),
                                   tr("balls"),
                                   tr("belly weights"),
                                   tr("fillers"),
                                   tr("sealers"),
                                   tr("paints"),
                                   tr("clear coats"),
                                   tr("glues"),
                                   tr("silicone for moulds"),
                                   tr("lines"),
                                   tr("metric drill bits"),
                                   tr("inch drill bits"),
                                   tr("other parts")};
    return names.value(int(kind));
}

ShelfWindow::ShelfWindow(Workbench& bench, QWidget* parent)
    : QDialog(parent),
      bench_(bench),
      model_(new ShelfModel(bench, this)),
      kind_(new QComboBox),
      view_(new QTableView),
      count_(new QLineEdit(QStringLiteral("1"))),
      mass_(new QLineEdit),
      weigh_(new QPushButton(tr("Weighed"))),
      remove_(new QPushButton(tr("Remove"))),
      message_(plainLabel()) {
    setObjectName(QStringLiteral("shelfWindow"));
    setWindowTitle(tr("The shelf"));
    resize(940, 520);
    auto* layout = new QVBoxLayout(this);
    auto* top = new QHBoxLayout;
    auto* kindLabel = plainLabel(tr("On the shelf"));
    kindLabel->setBuddy(kind_);
    kind_->setObjectName(QStringLiteral("shelfKind"));
    kind_->setAccessibleName(tr("What kind of thing"));
    for (size_t i = 0; i < kShelfKinds.size(); ++i) {
        kind_->addItem(kindName(ShelfKind(i)));
    }
    kind_->setMaxVisibleItems(int(kShelfKinds.size()));
    auto button = [this](const QString& label, const char* name, auto run) {
        auto* b = new QPushButton(label);
        b->setObjectName(QLatin1String(name));
        b->setAutoDefault(false);
        connect(b, &QPushButton::clicked, this, run);
        return b;
    };
    top->addWidget(kindLabel);
    top->addWidget(kind_);
    top->addWidget(button(tr("Add one"), "addShelf", [this] { add(); }));
    remove_->setObjectName(QStringLiteral("removeShelf"));
    remove_->setAutoDefault(false);
    connect(remove_, &QPushButton::clicked, this, [this] { removeRow(); });
    top->addWidget(remove_);
    top->addStretch();
    top->addWidget(button(tr("Import…"), "importShelf", [this] {
        const QString path =
            QFileDialog::getOpenFileName(this, tr("Take in a table"), {}, tr("Tables (*.csv)"));
        if (!path.isEmpty()) {
            importCsv(path);
        }
    }));
    top->addWidget(button(tr("Export…"), "exportShelf", [this] {
        const QString path = QFileDialog::getSaveFileName(
            this, tr("Write the shelf"), QStringLiteral("shelf.csv"), tr("Tables (*.csv)"));
        if (!path.isEmpty()) {
            exportCsv(path);
        }
    }));
    layout->addLayout(top);
    view_->setObjectName(QStringLiteral("shelfTable"));
    view_->setAccessibleName(tr("Things of that kind"));
    view_->setModel(model_);
    view_->setSelectionMode(QAbstractItemView::SingleSelection);
    view_->setSelectionBehavior(QAbstractItemView::SelectRows);
    view_->setTabKeyNavigation(false);
    view_->verticalHeader()->hide();
    keepFitted(*view_);
    view_->horizontalHeader()->setFont(type(Type::Small));
    layout->addWidget(view_, 1);
    auto* bottom = new QHBoxLayout;
    weigh_->setObjectName(QStringLiteral("weighShelf"));
    weigh_->setAutoDefault(false);
    connect(weigh_, &QPushButton::clicked, this, [this] { weigh(); });
    count_->setObjectName(QStringLiteral("weighCount"));
    count_->setAccessibleName(tr("How many were weighed together"));
    count_->setMaximumWidth(50);
    mass_->setObjectName(QStringLiteral("weighMass"));
    mass_->setAccessibleName(tr("What they weigh together"));
    mass_->setMaximumWidth(90);
    auto* take = scaleButton(bench, [this] {
        readScaleOnce(bench_, this, [this](double kg) {
            mass_->setText(QString::fromStdString(editText(Quantity::Mass, bench_.bench(), kg)));
        });
    });
    bottom->addWidget(plainLabel(tr("Weighed together:")));
    bottom->addWidget(count_);
    bottom->addWidget(plainLabel(tr("pieces =")));
    bottom->addWidget(mass_);
    bottom->addWidget(take);
    bottom->addWidget(weigh_);
    bottom->addStretch();
    layout->addLayout(bottom);
    message_->setObjectName(QStringLiteral("shelfMessage"));
    message_->setWordWrap(true);
    layout->addWidget(message_);
    connect(kind_, &QComboBox::activated, this, &ShelfWindow::choose);
    connect(kind_, &QComboBox::currentIndexChanged, this, &ShelfWindow::choose);
    connect(model_, &ShelfModel::refused, this, [this](const QString& text) {
        say(text.isEmpty() ? text : QStringLiteral("▲ ") + text);
    });
    connect(model_, &QAbstractItemModel::modelReset, this, &ShelfWindow::refresh);
    connect(view_->selectionModel(), &QItemSelectionModel::selectionChanged, this,
            [this] { refresh(); });
    kind_->setCurrentIndex(int(ShelfKind::Treble));
    for (const Error& notice : bench_.shelf.notices()) {
        say(QStringLiteral("▲ ") + sentence(notice, bench_.bench()));
    }
}

void ShelfWindow::choose(int kind) {
    model_->setKind(ShelfKind(kind));
    view_->scrollToTop();
}

void ShelfWindow::refresh() {
    const ShelfEntry* e = model_->entryAt(view_->currentIndex().row());
    const bool may = bench_.shelf.state() != ShelfBook::State::ReadOnly;
    remove_->setEnabled(may && e != nullptr);
    weigh_->setEnabled(may && e != nullptr && shelfFieldApplies(model_->kind(), "mass"));
}

void ShelfWindow::say(const QString& text) {
    message_->setText(text);
    message_->setProperty("role", text.startsWith(QStringLiteral("▲")) ? "fault" : "quiet");
    message_->style()->unpolish(message_);
    message_->style()->polish(message_);
}

bool ShelfWindow::tell(const std::optional<Error>& error) {
    if (error) {
        say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
    }
    return !error;
}

void ShelfWindow::add() {
    ShelfEntry e;
    if (const ShelfEntry* like = model_->entryAt(view_->currentIndex().row())) {
        e = *like;  // one more of the same sort is what is mostly wanted
        e.id = 0;
    }
    e.kind = model_->kind();
    e.name = bench_.shelf.freeName(e.kind, e.name.empty() ? tr("new").toStdString() : e.name);
    e.weighed = false;
    e.source = tr("my own").toStdString();
    if (tell(bench_.shelf.put(e))) {
        const int row = model_->rowOf(e.name);
        view_->setCurrentIndex(model_->index(row, 0));
        say(tr("Added: %1. Change what differs.").arg(QString::fromStdString(e.name)));
    }
}

void ShelfWindow::removeRow() {
    if (const ShelfEntry* e = model_->entryAt(view_->currentIndex().row())) {
        const QString name = QString::fromStdString(e->name);
        if (tell(bench_.shelf.remove(e->id))) {
            say(tr("Taken off the shelf: %1. Designs that use it keep their own copy.").arg(name));
        }
    }
}

void ShelfWindow::weigh() {
    const ShelfEntry* e = model_->entryAt(view_->currentIndex().row());
    if (e == nullptr) {
        return;
    }
    bool whole = false;
    const int pieces = count_->text().trimmed().toInt(&whole);
    const ReadAmount read = readAmount(mass_->text().toStdString(), Quantity::Mass, bench_.bench());
    if (!whole || pieces < 1) {
        say(QStringLiteral("▲ ") + tr("How many pieces were weighed together? A whole number."));
        return;
    }
    if (read.fault != ReadFault::None) {
        say(QStringLiteral("▲ ") +
            sentence(readFaultError(read.fault, "/shelf/mass", Quantity::Mass, bench_.bench()),
                     bench_.bench()));
        return;
    }
    ShelfEntry weighed = *e;
    if (!weighTogether(weighed, pieces, read.valueSi)) {
        say(QStringLiteral("▲ ") + tr("They must weigh more than nothing."));
        return;
    }
    const std::string name = weighed.name;
    if (tell(bench_.shelf.put(weighed))) {
        view_->setCurrentIndex(model_->index(model_->rowOf(name), 0));
        say(tr("%1: %2 each, weighed.")
                .arg(QString::fromStdString(name), bench_.text(Quantity::Mass, *weighed.mass_kg)));
    }
}

bool ShelfWindow::importCsv(const QString& path) {
    const Result<std::string> text = readRegularFile(path.toStdU16String(), kMostBytes);
    if (!text) {
        return tell(text.error());
    }
    const auto read = readShelfCsv(*text);
    if (!read) {
        return tell(read.error());
    }
    if (!tell(bench_.shelf.merge(*read))) {
        return false;
    }
    say(tr("%n thing(s) taken in.", nullptr, int(read->size())));
    return true;
}

bool ShelfWindow::exportCsv(const QString& path) {
    if (const auto error =
            writeWholeFile(path.toStdU16String(), writeShelfCsv(bench_.shelf.entries()))) {
        return tell(*error);
    }
    say(tr("%n thing(s) written to %1.", nullptr, int(bench_.shelf.entries().size())).arg(path));
    return true;
}

}  // namespace wl

#include "moc_shelf_window.cpp"
