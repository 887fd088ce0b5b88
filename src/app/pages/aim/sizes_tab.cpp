// One wish over several lengths: each with its own lip, tie and lead.
#include <QCoreApplication>
#include <QLineEdit>
#include <QPushButton>

#include "app/kit/beside_page.h"
#include "app/kit/flow_layout.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/typed_lengths.h"
#include "app/pages/aim/aim_tabs.h"
#include "app/pages/aim/way_words.h"
#include "core/aim/sizes.h"

namespace wl {
namespace {

/// A row for each length typed, filled as it is found.
class SizesTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(SizesTab)
  public:
    explicit SizesTab(Workbench& bench)
        : BesidePage(bench),
          lengths_(new QLineEdit),
          table_(new PlainTable(QStringLiteral("aimSizes"), tr("The wish at each length"))),
          open_(new QPushButton(tr("Open as design"))),
          words_(plainLabel()) {
        setObjectName(QStringLiteral("sizesTab"));
        lengths_->setObjectName(QStringLiteral("sizeLengths"));
        lengths_->setAccessibleName(tr("Lengths, parted by semicolons"));
        open_->setObjectName(QStringLiteral("openAimedSize"));
        auto* bar = new QWidget;
        auto* top = new FlowLayout(bar);
        top->addWidget(open_);
        top->addWidget(table_->wideButton(bench));
        table_->setShort({0, 4, 5});
        words_->setObjectName(QStringLiteral("sizeWords"));
        words_->setWordWrap(true);
        auto* note = plainLabel(
            tr("Depth and swing as wished, beats by the length: half as long beats twice as "
               "often. Hooks as near in size as the shelf has them; wire, line, cast and reel as "
               "they are."));
        note->setWordWrap(true);
        note->setProperty("role", "quiet");
        content()->addWidget(lengths_);
        content()->addWidget(bar);
        content()->addWidget(table_, 1);
        content()->addWidget(scrolling(words_), 1);
        content()->addWidget(note);
        connect(lengths_, &QLineEdit::editingFinished, this, [this] {
            if (lengths_->isModified()) {
                lengths_->setModified(false);
                again();
            }
        });
        connect(table_, &QTableWidget::itemSelectionChanged, this, [this] { tell(); });
        connect(open_, &QPushButton::clicked, this, [this] { openChosen(); });
        connect(&bench.shelf, &ShelfBook::changed, this, [this] { again(); });
        connect(&bench, &Workbench::benchChanged, this, [this] { fill(); });
        connect(&Learner::of(bench), &Learner::changed, this, [this] {
            if (differs(aimLog(this->bench()), log_)) {
                again();
            }
        });
    }

    ~SizesTab() override { table_->blockSignals(true); }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const quint64 asked = ++asked_;
        sizes_.clear();
        fault_.clear();
        if (!derived) {
            fill();
            return {};
        }
        if (lengths_->text().isEmpty()) {
            lengths_->setText(usualLengths(bench(), derived->shape->sizes.length_m));
        }
        const TypedLengths typed = typedLengths(lengths_->text(), bench().bench());
        fault_ = typed.fault;
        fill();
        if (!fault_.isEmpty()) {
            return {};
        }
        std::vector<Fitting> shelf;
        for (const auto& row : bench().shelf.shelf().fittings) {
            shelf.push_back(row.item);
        }
        log_ = aimLog(bench());
        return [this, derived, asked, shelf, lengths = typed.lengths_m, log = log_](
                   std::stop_token stop, const Beside::Progress& progress) -> Beside::Finish {
            const auto found = [this, asked](size_t, const AimedSize& size) {
                QMetaObject::invokeMethod(
                    this,
                    [this, asked, size] {
                        if (asked == asked_) {
                            sizes_.push_back(size);
                            fill();
                        }
                    },
                    Qt::QueuedConnection);
            };
            AimWish wish = wishOf(*derived);
            wish.log = log;
            wish.sinkSeen = derived->sinkSeen;
            const auto made = aimSizes(*derived->design, wish, lengths, shelf, derived->model, stop,
                                       found, progress);
            if (stop.stop_requested()) {
                return {};
            }
            return [this, refusal = made ? std::nullopt : std::optional(made.error())] {
                if (refusal) {
                    fault_ = QStringLiteral("▲ ") + sentence(*refusal, bench().bench());
                }
                fill();
            };
        };
    }

  private:
    void fill() {
        const int chosen = table_->currentRow();
        QList<QStringList> rows;
        for (const AimedSize& size : sizes_) {
            QStringList row{bench().text(Quantity::Length, size.length_m)};
            if (size.answer) {
                const AimWay& way = size.answer->ways.front();
                const Lip& lip = way.design.lip;
                row << (lip.present ? bench().text(Quantity::Angle, lip.angle_rad) : QString())
                    << (lip.present
                            ? tr("%1 × %2").arg(bench().text(Quantity::Length, lip.length_m, false),
                                                bench().text(Quantity::Length, lip.width_m))
                            : QString())
                    << bench().text(Quantity::Mass, way.price.mass_kg)
                    << toldWords(bench(), way.told) << (way.met ? tr("as wished") : tr("▲ misses"));
            } else {
                row << QString() << QString() << QString() << QString() << tr("▲ not aimed");
            }
            rows << row;
        }
        table_->setRows(
            {tr("Length"), tr("Lip at"), tr("Lip"), tr("All up"), tr("Gives"), tr("Says")}, rows);
        if (!rows.isEmpty()) {
            table_->selectRow(chosen >= 0 && chosen < rows.size() ? chosen : 0);
        }
        tell();
    }

    const AimedSize* chosen() const {
        const int row = table_->currentRow();
        return row >= 0 && row < int(sizes_.size()) ? &sizes_[size_t(row)] : nullptr;
    }

    void tell() {
        const AimedSize* size = chosen();
        QStringList lines;
        if (!fault_.isEmpty()) {
            lines << fault_;
        } else if (size != nullptr && size->refusal) {
            lines << QStringLiteral("▲ ") + sentence(*size->refusal, bench().bench());
        } else if (size != nullptr) {
            const AimWay& way = size->answer->ways.front();
            QStringList hooks;
            for (const std::string& hook : size->hooks) {
                hooks << QString::fromStdString(hook);
            }
            lines = shortfallWords(bench(), *size->answer) +
                    wayWords(bench(), way, *size->answer, size->scaled);
            if (!hooks.isEmpty()) {
                lines << tr("Hooks, nose first: %1.").arg(hooks.join(QStringLiteral(", ")));
            }
        }
        words_->setText(lines.join(QLatin1Char('\n')));
        open_->setEnabled(size != nullptr && size->answer &&
                          size->answer->ways.front().fault == AimTrial::Fault::None);
    }

    void openChosen() {
        if (const AimedSize* size = chosen()) {
            emit bench().openWanted(
                std::make_shared<const Design>(size->answer->ways.front().design));
        }
    }

    QLineEdit* lengths_;
    PlainTable* table_;
    QPushButton* open_;
    QLabel* words_;
    std::vector<AimedSize> sizes_;
    QString fault_;
    quint64 asked_ = 0;
    AimLog log_;  ///< what is shown, or being sought, was sought with
};

}  // namespace

QWidget* makeSizesTab(Workbench& bench) {
    return new SizesTab(bench);
}

}  // namespace wl
