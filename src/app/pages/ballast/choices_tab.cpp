#include <QCoreApplication>
#include "app/kit/beside_page.h"
#include "app/kit/flow_layout.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/kit/theme.h"
#include "app/pages/ballast/ballast_tabs.h"
#include "app/pages/pages.h"
#include "core/base/units.h"
#include "io/shelf.h"

namespace wl {
namespace {

class ChoicesTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(ChoicesTab)
  public:
    explicit ChoicesTab(Workbench& bench)
        : BesidePage(bench),
          take_(new QPushButton(tr("Do it this way"))),
          used_(new QPushButton(tr("Take its pieces off the shelf"))),
          table_(new PlainTable(QStringLiteral("choices"),
                                tr("Ways to the wanted mass and attitude"))),
          words_(plainLabel()) {
        setObjectName(QStringLiteral("choicesTab"));
        take_->setObjectName(QStringLiteral("takeChoice"));
        take_->setEnabled(false);
        used_->setObjectName(QStringLiteral("piecesUsed"));
        used_->setToolTip(tr(
            "When this bait is built: its counted pieces, hooks and eyes are fewer on the shelf"));
        words_->setObjectName(QStringLiteral("choiceWords"));
        words_->setWordWrap(true);
        words_->setTextInteractionFlags(Qt::TextSelectableByMouse);
        auto* bar = new QWidget;
        auto* top = new FlowLayout(bar);
        top->addWidget(take_);
        top->addWidget(used_);
        top->addWidget(table_->wideButton(bench));
        table_->setShort({0, 1, 3});
        auto* hint =
            plainLabel(tr("Whole pieces come from the shelf; what is counted there is "
                          "kept to."));
        hint->setProperty("role", "quiet");
        hint->setWordWrap(true);
        content()->addWidget(bar);
        content()->addWidget(hint);
        content()->addWidget(table_, 3);
        content()->addWidget(scrolling(words_), 2);
        connect(table_, &QTableWidget::itemSelectionChanged, this, [this] { tell(); });
        connect(take_, &QPushButton::clicked, this, [this] {
            const int row = table_->currentRow();
            if (row >= 0 && row < int(choices_.size())) {
                this->bench().document.endGesture();
                this->bench().document.submit(Design(choices_[size_t(row)].design),
                                              tr("Lead: %1").arg(name(choices_[size_t(row)])));
            }
        });
        connect(used_, &QPushButton::clicked, this, [this] { takeOffShelf(this->bench(), 1); });
        connect(&bench.shelf, &ShelfBook::changed, this, [this] { again(); });
    }

  protected:
    Beside::Work work(const Results& results) override {
        const DesignPtr design = results.design;
        const Shelf& shelf = bench().shelf.shelf();
        const std::vector<PieceKind> pieces = shelf.pieces;
        const MendShelf mending = mendShelfOf(shelf);
        return [this, design, pieces, mending, near = results.derived](
                   std::stop_token stop, const Beside::Progress&) -> Beside::Finish {
            Result<std::vector<LeadChoice>> made = leadChoices(*design, pieces, stop, near.get());
            std::vector<LeadChoice> choices;
            std::optional<Error> refusal;
            if (made) {
                choices = std::move(made).value();
            } else {
                refusal = made.error();
            }
            if (!choices.empty()) {
                for (LeadChoice& mend : leadMends(*design, mending, stop, near.get())) {
                    choices.push_back(std::move(mend));
                }
            }
            std::stable_sort(
                choices.begin(), choices.end(),
                [](const LeadChoice& a, const LeadChoice& b) { return a.met && !b.met; });
            if (stop.stop_requested()) {
                return {};
            }
            return [this, choices = std::move(choices), refusal] {
                choices_ = choices;
                refusal_ = refusal ? QStringLiteral("▲ ") + sentence(*refusal, bench().bench())
                                   : QString();
                fill();
            };
        };
    }

  private:
    QString name(const LeadChoice& c) { return sentence(c.change, bench().bench()); }
    QString mass(double kg) { return bench().text(Quantity::Mass, kg); }
    QString length(double m) { return bench().text(Quantity::Length, m); }

    void fill() {
        used_->setEnabled(!usedUp(bench().shelf.entries(), bench().design()).empty());
        QList<QStringList> rows;
        for (const LeadChoice& c : choices_) {
            rows << QStringList{
                name(c),
                c.met ? tr("meets it") : tr("▲ %1 off").arg(mass(std::abs(c.missingMass_kg))),
                mass(c.mass_kg),
                bench().text(Quantity::Angle, c.pitch_rad),
                mass(c.price.lead_kg),
                QString::number(c.price.bores),
                length(c.price.moved_m),
                length(c.price.leastWall_m),
                bench().text(Quantity::Moment, c.price.rollStiffness_N_m / kGravity_m_s2 * kDegree),
                tr("%1 g·cm²").arg(c.price.pitchInertia_kg_m2 * 1e7, 0, 'f', 0)};
        }
        table_->setRows(
            {tr("Lead"), tr("Target"), tr("All up"), tr("Nose up"), tr("Lead mass"), tr("Bores"),
             tr("Moved"), tr("Least wall"), tr("Roll, each degree"), tr("Pitch inertia")},
            rows);
        tell();
    }

    void tell() {
        const int row = table_->currentRow();
        take_->setEnabled(row >= 0 && row < int(choices_.size()));
        if (!refusal_.isEmpty()) {
            words_->setText(refusal_);
            return;
        }
        if (row < 0 || row >= int(choices_.size())) {
            words_->setText(tr("Choose a row to see what goes where."));
            return;
        }
        const LeadChoice& c = choices_[size_t(row)];
        QStringList parts;
        for (const Bore& bore : c.design.bores) {
            QStringList in;
            if (bore.lead == BoreLead::Pieces) {
                for (const LeadPiece& p : bore.pieces) {
                    in << tr("%1 × %2").arg(p.count).arg(QString::fromStdString(p.name));
                }
            } else if (bore.plugLength_m > 1e-6) {
                in << tr("a plug %1 long, %2")
                          .arg(length(bore.plugLength_m),
                               mass(bore.plugDensity_kg_m3 * kPi / 4 * bore.diameter_m *
                                    bore.diameter_m * bore.plugLength_m));
            }
            parts << tr("%1 at %2: %3")
                         .arg(QString::fromStdString(bore.name), length(bore.x_m),
                              in.isEmpty() ? tr("filler only") : in.join(QStringLiteral(", ")));
        }
        QStringList lines{parts.join(QStringLiteral(".  ")) + QStringLiteral(".")};
        for (const Finding& f : c.findings) {
            QString line = QStringLiteral("▲ ") + sentence(f, bench().bench());
            for (const ProposedEdit& e : f.edits) {
                line += QStringLiteral(" ") +
                        tr("It would help: %1.").arg(sentence(e, bench().bench()));
            }
            lines << line;
        }
        if (!c.exact) {
            lines << tr(
                "So many sizes lie on the shelf that near-equal fillings were passed over.");
        }
        words_->setText(lines.join(QStringLiteral("\n")));
    }

    QPushButton* take_;
    QPushButton* used_;
    PlainTable* table_;
    QLabel* words_;
    std::vector<LeadChoice> choices_;
    QString refusal_;
};

}  // namespace

QWidget* makeChoicesTab(Workbench& bench) {
    return new ChoicesTab(bench);
}

}  // namespace wl
