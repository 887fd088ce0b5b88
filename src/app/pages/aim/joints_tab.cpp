// Where a joint is cut, and how far it opens, for a walk or a beat that is wished.
#include <QCoreApplication>
#include <QPushButton>

#include "app/kit/beside_page.h"
#include "app/kit/form.h"
#include "app/kit/learner.h"
#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "app/pages/aim/aim_tabs.h"
#include "core/aim/joints.h"
#include "core/reckon/tow.h"
#include "words/chain_words.h"

namespace wl {
namespace {

constexpr size_t kShown = 12;

/// A grid of places and openings, nearest to the wish first.
class JointsTab : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(JointsTab)
  public:
    explicit JointsTab(Workbench& bench)
        : BesidePage(bench),
          wish_(new Form(bench, {})),
          take_(new QPushButton(tr("Cut it so"))),
          table_(new PlainTable(QStringLiteral("aimJoints"), tr("Joints for what is wished"))),
          words_(plainLabel()) {
        setObjectName(QStringLiteral("aimJointsTab"));
        wish_->fields({"/aim/turn_low", "/aim/turn_high", "/aim/width_low", "/aim/width_high"});
        take_->setObjectName(QStringLiteral("takeJoint"));
        take_->setToolTip(tr("Place and both bevels are cut so, as one step to undo"));
        take_->setEnabled(false);
        words_->setObjectName(QStringLiteral("aimJointWords"));
        words_->setWordWrap(true);
        content()->addWidget(wish_);
        content()->addWidget(take_, 0, Qt::AlignLeft);
        content()->addWidget(table_, 2);
        content()->addWidget(scrolling(words_), 1);
        connect(table_, &QTableWidget::itemSelectionChanged, this, [this] { tell(); });
        connect(take_, &QPushButton::clicked, this, [this] { takeOver(); });
        connect(&Learner::of(bench), &Learner::changed, this, [this] {
            if (Learner::of(this->bench()).showsOtherwise(NoteKind::Beats, beats_)) {
                again();
            }
        });
    }

    ~JointsTab() override { table_->blockSignals(true); }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const bool jointed = !derived->design->joints.empty();
        const SwimKind kind = swimKind(*derived);
        JointWish wish = jointWishOf(*derived->design);
        beats_ = Learner::of(bench()).taught(NoteKind::Beats);
        if (beats_) {
            wish.beatsSeen = beats_->middle;
        }
        wish_->setVisible(jointed && kind == SwimKind::Glide);
        ways_.clear();
        drawn_ = results.design;
        const QString why = whyNone(jointed, kind, wish);
        show(why);
        if (!why.isEmpty()) {
            return {};
        }
        return [this, derived, wish](std::stop_token stop,
                                     const Beside::Progress& progress) -> Beside::Finish {
            const Result<std::vector<JointWay>> made =
                aimJoints(*derived, wish, towSpeed_m_s(*derived), stop, progress);
            if (stop.stop_requested()) {
                return {};
            }
            return [this, made] {
                if (made) {
                    ways_ = *made;
                    ways_.resize(std::min(ways_.size(), kShown));
                    show(ways_.empty() ? noneCut() : QString());
                } else {
                    show(QStringLiteral("▲ ") + sentence(made.error(), bench().bench()));
                }
            };
        };
    }

  private:
    static QString whyNone(bool jointed, SwimKind kind, const JointWish& wish) {
        if (!jointed) {
            return tr("It has no joints. Add one under Joints, and say here what it should do.");
        }
        if (kind == SwimKind::Wobble) {
            return tr("With a lip the bait swings as one: what its joints add is not reckoned.");
        }
        if (kind == SwimKind::Snake && !wish.beats_1_s) {
            return tr(
                "Say under Wish, in figures, how many beats a second it should swim: place and "
                "opening of each joint are then tried.");
        }
        if (kind == SwimKind::Glide && !wish.turn_rad && !wish.width_m) {
            return tr(
                "Say how far a pull should turn it, or how wide it should swing to both "
                "sides together: place and opening of each joint are then tried.");
        }
        return {};
    }
    static QString noneCut() { return tr("No bevel gives such openings in these places."); }
    QString cutWords(const JointWay& way) {
        return tr("%1 at %2, opens ±%3")
            .arg(QString::fromStdString(drawn_->joints[way.joint].name),
                 bench().text(Quantity::Length, way.place_m),
                 bench().text(Quantity::Angle, way.opening_rad));
    }
    void show(const QString& why) {
        const int row = std::max(0, table_->currentRow());
        QList<QStringList> rows;
        for (const JointWay& way : ways_) {
            const QStringList does = trialWords(way.does, *drawn_, bench().bench());
            rows << QStringList{cutWords(way), does[1] + QStringLiteral(", ") + does[2],
                                way.met ? tr("as wished") : tr("▲ misses")};
        }
        why_ = why;
        table_->setRows({tr("Cut"), tr("Does"), tr("Wish")}, rows);
        table_->setVisible(!rows.isEmpty());
        if (!rows.isEmpty()) {
            table_->selectRow(std::min(row, int(rows.size()) - 1));
        }
        tell();
    }
    void tell() {
        const int row = table_->currentRow();
        if (!why_.isEmpty() || row < 0 || row >= int(ways_.size())) {
            take_->setEnabled(false);
            words_->setText(why_);
            return;
        }
        const JointWay& way = ways_[size_t(row)];
        take_->setEnabled(!(way.design == *drawn_));
        QStringList lines;
        for (const Finding& finding : way.against) {
            lines << QStringLiteral("▲ ") + sentence(finding, bench().bench());
        }
        if (beats_ && way.does.of > 0) {
            lines << tr("Beats times %1 by your log.")
                         .arg(QLocale().toString(beats_->middle, 'f', 2));
        }
        words_->setText(
            (lines +
             QStringList{tr("%1: both faces cut back at %2.")
                             .arg(cutWords(way), bench().text(Quantity::Angle, way.bevel_rad)),
                         tr("The other joints as drawn, the lead too: look at Ballast after it."),
                         tr("Compare, do not measure: the figures are sure in their order, hardly "
                            "in their size.")})
                .join(QStringLiteral("\n")));
    }
    void takeOver() {
        const int row = table_->currentRow();
        if (row < 0 || row >= int(ways_.size())) {
            return;
        }
        bench().document.endGesture();
        // An edit made since would be undone by it without a word.
        if (!(*drawn_ == bench().design())) {
            bench().say(tr("▲ The bait has changed since: its joints are tried anew."));
            return;
        }
        const JointWay way = ways_[size_t(row)];
        bench().document.submit(Design(way.design), tr("Aim: %1").arg(cutWords(way)));
    }

    Form* wish_;
    QPushButton* take_;
    PlainTable* table_;
    QLabel* words_;
    std::vector<JointWay> ways_;
    QString why_;
    std::optional<FactorBand> beats_;  ///< of the log, as what is shown was tried with
    DesignPtr drawn_;
};

}  // namespace

QWidget* makeJointsAimTab(Workbench& bench) {
    return new JointsTab(bench);
}

}  // namespace wl
