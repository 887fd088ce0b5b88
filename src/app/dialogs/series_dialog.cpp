#include "app/dialogs/series_dialog.h"

#include <QDialogButtonBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QPushButton>
#include <QVBoxLayout>
#include <cmath>

#include "app/kit/plain_label.h"
#include "app/kit/theme.h"
#include "app/kit/typed_lengths.h"
#include "core/shape/edit_body.h"

namespace wl {
SeriesDialog::SeriesDialog(Workbench& bench, QWidget* parent)
    : QDialog(parent),
      bench_(bench),
      lengths_(new QLineEdit),
      table_(new QTableWidget),
      message_(plainLabel()),
      progress_(new QProgressBar) {
    setWindowTitle(tr("Sizes in series"));
    setObjectName(QStringLiteral("seriesDialog"));
    resize(900, 460);
    auto* layout = new QVBoxLayout(this);
    auto* top = new QHBoxLayout;
    auto* label = plainLabel(tr("Lengths"));
    label->setBuddy(lengths_);
    top->addWidget(label);
    lengths_->setObjectName(QStringLiteral("seriesLengths"));
    lengths_->setAccessibleName(tr("Lengths of the series, parted by semicolons"));
    lengths_->setText(usualLengths(bench_, overallSize(bench_.design().body).length_m));
    top->addWidget(lengths_, 1);
    auto* go = new QPushButton(tr("Reckon them"));
    go->setObjectName(QStringLiteral("reckonSeries"));
    go->setProperty("main", true);
    top->addWidget(go);
    layout->addLayout(top);
    table_->setObjectName(QStringLiteral("seriesTable"));
    table_->setAccessibleName(tr("The bait at each length"));
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->verticalHeader()->hide();
    layout->addWidget(table_, 1);
    message_->setObjectName(QStringLiteral("seriesMessage"));
    message_->setWordWrap(true);
    layout->addWidget(message_);
    auto* note = plainLabel(
        tr("With the length go the shape, places, joints, slots and the lip's outline (volume with "
           "its cube), bores to the half millimetre. As bought stay hooks, rings, eyes, wire, lip "
           "sheet, print walls and coat thickness. The lead is planned anew for each."));
    note->setWordWrap(true);
    note->setProperty("role", "quiet");
    note->setFont(type(Type::Small));
    layout->addWidget(note);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
    auto* open = buttons->addButton(tr("Open as design"), QDialogButtonBox::ActionRole);
    open->setObjectName(QStringLiteral("openSize"));
    layout->addWidget(buttons);
    connect(go, &QPushButton::clicked, this, &SeriesDialog::reckon);
    connect(lengths_, &QLineEdit::returnPressed, this, &SeriesDialog::reckon);
    go->setAutoDefault(false);
    auto* row = new QHBoxLayout;
    progress_->setRange(0, 1000);
    progress_->setTextVisible(false);
    progress_->setMaximumHeight(8);
    progress_->setAccessibleName(tr("How far the series is"));
    auto* cancel = new QPushButton(tr("Cancel"));
    cancel->setObjectName(QStringLiteral("cancelSeries"));
    cancel->setAutoDefault(false);
    row->addWidget(progress_, 1);
    row->addWidget(cancel);
    layout->insertLayout(1, row);
    connect(cancel, &QPushButton::clicked, this, [this] {
        beside_.cancel();
        message_->setText(tr("Stopped: the other lengths were not reckoned."));
    });
    connect(&beside_, &Beside::progressed, this,
            [this](double share) { progress_->setValue(int(1000 * share)); });
    connect(&beside_, &Beside::failed, this, [this](const Error& fault) {
        message_->setText(QStringLiteral("▲ ") + sentence(fault, bench_.bench()));
    });
    const auto showRunning = [this, cancel] {
        progress_->setVisible(beside_.isRunning());
        cancel->setVisible(beside_.isRunning());
    };
    connect(&beside_, &Beside::runningChanged, this, showRunning);
    showRunning();
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(open, &QPushButton::clicked, this, [this] {
        if (openRow()) {
            accept();
        }
    });
    reckon();
}

void SeriesDialog::reckon() {
    beside_.cancel();  // its rows and words are no longer asked for
    const TypedLengths typed = typedLengths(lengths_->text(), bench_.bench());
    if (!typed.fault.isEmpty()) {
        message_->setText(typed.fault);
        return;
    }
    const std::vector<double> lengths = typed.lengths_m;
    rows_.clear();
    const QStringList head{tr("Length"), tr("Volume"), tr("All up"), tr("Wanted"),
                           tr("Spare"),  tr("Nose"),   tr("State"),  tr("Lead")};
    table_->clear();
    table_->setColumnCount(int(head.size()));
    table_->setHorizontalHeaderLabels(head);
    table_->setRowCount(int(lengths.size()));
    rows_.resize(lengths.size());
    message_->setText(tr("Reckoning…"));
    progress_->setValue(0);
    const DesignPtr design = bench_.document.design();
    const ResultsPtr now = bench_.results();
    beside_.start([this, design, lengths, near = now ? now->derived : nullptr](
                      std::stop_token stop, const Beside::Progress& progress) -> Beside::Finish {
        for (size_t i = 0; i < lengths.size(); ++i) {
            if (stop.stop_requested()) {
                return {};
            }
            auto row = std::make_shared<SizeRow>(evaluateSize(*design, lengths[i], near.get()));
            QMetaObject::invokeMethod(
                this,
                [this, i, row, stop] {
                    if (!stop.stop_requested()) {
                        showRow(i, *row);
                    }
                },
                Qt::QueuedConnection);
            progress(double(i + 1) / double(lengths.size()));
        }
        return [this] {
            message_->setText(tr("Choose a row to open it as a design of its own."));
            for (const SizeRow& r : rows_) {
                if (r.refusal) {
                    message_->setText(QStringLiteral("▲ %1: %2")
                                          .arg(bench_.text(Quantity::Length, r.length_m),
                                               sentence(*r.refusal, bench_.bench())));
                    break;
                }
            }
        };
    });
}

void SeriesDialog::showRow(size_t i, const SizeRow& r) {
    if (i >= rows_.size()) {
        return;
    }
    rows_[i] = r;
    const QString dash = QStringLiteral("–");
    QStringList cells{bench_.text(Quantity::Length, r.length_m)};
    if (r.known) {
        const QString speed = bench_.text(Quantity::Speed, std::abs(r.sinkSpeed_m_s));
        cells << bench_.text(Quantity::Volume, r.volume_m3)
              << bench_.text(Quantity::Mass, r.mass_kg)
              << bench_.text(Quantity::Mass, r.wantedMass_kg)
              << bench_.text(Quantity::Fraction, r.spare)
              << bench_.text(Quantity::Angle, r.pitch_rad)
              << (std::abs(r.sinkSpeed_m_s) <= 0.05 ? tr("suspends")
                  : r.sinkSpeed_m_s > 0             ? tr("sinks %1").arg(speed)
                                                    : tr("floats"))
              << (r.refusal     ? tr("▲ not planned")
                  : r.leadMeets ? tr("meets the brief")
                  : std::abs(r.missingMass_kg) > 2e-5
                      ? tr("▲ %1 %2").arg(bench_.text(Quantity::Mass, std::abs(r.missingMass_kg)),
                                          r.missingMass_kg > 0 ? tr("short") : tr("over"))
                      : tr("▲ trim not met"));
    } else {
        cells << dash << dash << dash << dash << dash
              << sentence(Error{r.error, "", {}, {}}, bench_.bench()) << dash;
    }
    for (int column = 0; column < cells.size(); ++column) {
        auto* cell = new QTableWidgetItem(cells[column]);
        cell->setTextAlignment((column < 6 ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
        table_->setItem(int(i), column, cell);
    }
    table_->resizeColumnsToContents();
    table_->horizontalHeader()->setStretchLastSection(true);
}

bool SeriesDialog::openRow() {
    const int row = table_->currentRow();
    if (row < 0 || row >= int(rows_.size()) || !rows_[size_t(row)].known) {
        message_->setText(QStringLiteral("▲ ") + tr("Choose a row that can be reckoned first."));
        return false;
    }
    emit bench_.openWanted(std::make_shared<const Design>(rows_[size_t(row)].design));
    return true;
}

}  // namespace wl

#include "moc_series_dialog.cpp"
