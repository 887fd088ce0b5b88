#include <QHBoxLayout>

#include "app/beside_page.h"
#include "app/pages/ballast_tabs.h"
#include "app/plain_table.h"
#include "app/theme.h"
#include "core/base/units.h"
#include "core/plan/lead_choices.h"

namespace wl {
namespace {

class ChoicesTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(ChoicesTab)
  public:
    explicit ChoicesTab(Workbench& bench)
        : BesidePage(bench),
          take_(new QPushButton(tr("Do it this way"))),
          table_(plainTable(QStringLiteral("choices"), tr("Ways to the wanted mass and attitude"))),
          words_(new QLabel) {
        setObjectName(QStringLiteral("choicesTab"));
        take_->setObjectName(QStringLiteral("takeChoice"));
        take_->setEnabled(false);
        words_->setObjectName(QStringLiteral("choiceWords"));
        words_->setWordWrap(true);
        words_->setTextInteractionFlags(Qt::TextSelectableByMouse);
        auto* top = new QHBoxLayout;
        top->addWidget(take_);
        auto* hint = new QLabel(tr("Whole pieces come from the shelf; what is counted there is "
                                   "kept to."));
        hint->setProperty("role", "quiet");
        top->addWidget(hint, 1);
        content()->addLayout(top);
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
        connect(&bench.shelf, &ShelfBook::changed, this, [this] { again(); });
    }

  protected:
    Beside::Work work(const Results& results) override {
        const DesignPtr design = results.design;
        const std::vector<PieceKind> pieces = bench().shelf.shelf().pieces;
        return [this, design, pieces](std::stop_token stop,
                                      const Beside::Progress&) -> Beside::Finish {
            auto made = std::make_shared<Result<std::vector<LeadChoice>>>(
                leadChoices(*design, pieces, stop));
            if (stop.stop_requested()) {
                return {};
            }
            return [this, made] {
                choices_ = *made ? made->value() : std::vector<LeadChoice>{};
                refusal_ = *made ? QString()
                                 : QStringLiteral("▲ ") + sentence(made->error(), bench().bench());
                fill();
            };
        };
    }

  private:
    static QString name(const LeadChoice& c) {
        return c.code == "choice.cut_plugs"     ? tr("plugs cut to length")
               : c.code == "choice.whole_pieces" ? tr("whole pieces")
               : c.code == "choice.one_bore"     ? tr("one bore only")
                                                 : tr("plugs of tungsten alloy");
    }
    QString mass(double kg) { return bench().text(Quantity::Mass, kg); }
    QString length(double m) { return bench().text(Quantity::Length, m); }

    void fill() {
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
                bench().text(Quantity::Moment,
                             c.price.rollStiffness_N_m / kGravity_m_s2 * kDegree),
                tr("%1 g·cm²").arg(c.price.pitchInertia_kg_m2 * 1e7, 0, 'f', 0)};
        }
        setRows(*table_,
                {tr("Lead"), tr("Target"), tr("All up"), tr("Nose up"), tr("Lead mass"),
                 tr("Bores"), tr("Moved"), tr("Least wall"), tr("Roll, each degree"),
                 tr("Pitch inertia")},
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
            lines << tr("So many sizes lie on the shelf that near-equal fillings were passed over.");
        }
        words_->setText(lines.join(QStringLiteral("\n")));
    }

    QPushButton* take_;
    QTableWidget* table_;
    QLabel* words_;
    std::vector<LeadChoice> choices_;
    QString refusal_;
};

}  // namespace

QWidget* makeChoicesTab(Workbench& bench) {
    return new ChoicesTab(bench);
}

}  // namespace wl
