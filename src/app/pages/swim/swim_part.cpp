// The motion of a bait, played, and its figures in words.
#include "app/kit/beside_page.h"
#include "app/kit/plain_label.h"
#include "app/pages/swim/ghost_choice.h"
#include "app/pages/swim/swim_tabs.h"
#include "app/views/chain_view.h"
#include "app/views/motion_view.h"
#include "app/views/play_tools.h"
#include "core/reckon/tow.h"
#include "words/chain_words.h"
#include "words/swim_words.h"

namespace wl {
namespace {

/// How another bait moves, drawn as fast.
struct OtherMotion {
    std::optional<Swim> swim;
    std::optional<Glide> glide;
    std::optional<Snake> snake;
};

OtherMotion motionOfOther(const OtherBait& other, const TaughtFactors& log, double speed,
                          std::stop_token stop) {
    OtherMotion motion;
    switch (swimKind(*other.derived)) {
        case SwimKind::Wobble:
            motion.swim = swimAt(filmedByLog(*other.derived, *other.run, log.beats, log.swing),
                                 *other.run, speed);
            break;
        case SwimKind::Glide:
            motion.glide = glideOf(*other.derived, stop);
            break;
        case SwimKind::Snake:
            motion.snake = log.beats ? snakeByLog(unfilmedSnake(*other.derived, stop), *log.beats)
                                     : snakeOf(*other.derived, speed, stop);
            break;
    }
    return motion;
}

/// The motion, played, and its figures in words.
class SwimPart : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(SwimPart)
  public:
    explicit SwimPart(Workbench& bench)
        : BesidePage(bench),
          wobble_(new MotionView(bench)),
          chain_(new ChainView(bench)),
          ghost_(new GhostChoice(bench)),
          taught_(bench),
          words_(plainLabel()),
          dashed_(plainLabel()) {
        setObjectName(QStringLiteral("swimPart"));
        chain_->hide();
        content()->addWidget(wobble_, 1);
        content()->addWidget(chain_, 1);
        auto* tools = new PlayTools({wobble_, chain_});
        tools->layout()->addWidget(ghost_);
        content()->addWidget(tools);
        dashed_->setObjectName(QStringLiteral("dashedWords"));
        dashed_->setWordWrap(true);
        content()->addWidget(dashed_);
        words_->setObjectName(QStringLiteral("swimWords"));
        words_->setWordWrap(true);
        content()->addWidget(words_);
        const auto follow = [this] {
            wobble_->setGhost(ghost_->ghost());
            chain_->setGhost(ghost_->ghost());
            again();
        };
        connect(ghost_, &GhostChoice::changed, this, follow);
        connect(&Learner::of(bench), &Learner::changed, this, [this] {
            if (taught_.differs(Learner::of(this->bench()))) {
                again();
            }
        });
        follow();
    }

  protected:
    Beside::Work work(const Results& results) override {
        taught_ = SwimTaught(bench());
        const Beside::Work own = ownWork(results);
        const auto other =
            ghost_->ghost() == Ghost::Other ? ghost_->other() : std::shared_ptr<const OtherBait>();
        const double speed = towSpeed_m_s(*results.derived);
        const TaughtFactors log =
            other ? other->shownBy({{}, taught_.beats, taught_.swing}) : TaughtFactors();
        return [this, own, other, speed, log](std::stop_token stop,
                                              const Beside::Progress& progress) -> Beside::Finish {
            const Beside::Finish finish = own(stop, progress);
            const OtherMotion motion =
                finish && other ? motionOfOther(*other, log, speed, stop) : OtherMotion();
            if (!finish || stop.stop_requested()) {
                return {};
            }
            return [this, finish, other, motion] {
                finish();
                showOther(other, motion);
            };
        };
    }

  private:
    QString discWords(const std::optional<double>& disc_m) {
        return disc_m ? tr("The least disc that would wake it: %1 across, at 55°.")
                            .arg(bench().text(Quantity::Length, *disc_m))
                      : tr("No disc up to three bodies wide wakes it.");
    }
    Beside::Work ownWork(const Results& results) {
        const auto reckoned = results.derived;
        const auto known = results.run;
        const ResultsPtr shared = bench().results();
        const SwimKind kind = swimKind(*reckoned);
        if (kind == SwimKind::Glide) {
            return [this, shared](std::stop_token stop, const Beside::Progress&) {
                const Glide glide = glideOf(*shared->derived, stop);
                return glide.done ? Beside::Finish([this, shared, glide] { show(shared, glide); })
                                  : Beside::Finish();
            };
        }
        if (kind == SwimKind::Snake) {
            return [this, shared, beats = taught_.beats](std::stop_token stop,
                                                         const Beside::Progress& progress) {
                const Derived& d = *shared->derived;
                const Snake snake = beats ? snakeByLog(unfilmedSnake(d, stop, progress), *beats)
                                          : snakeOf(d, towSpeed_m_s(d), stop, progress);
                const auto factor = beats ? std::optional(beats->middle) : std::nullopt;
                return snake.done ? Beside::Finish([this, shared, snake, factor] {
                    show(shared, snake, factor);
                })
                                  : Beside::Finish();
            };
        }
        return [this, reckoned, known, shared, taught = taught_](
                   std::stop_token stop, const Beside::Progress& progress) -> Beside::Finish {
            const auto run = runFor(*reckoned, known, stop);
            const auto derived = taught.of(reckoned, *run);
            const bool filmed = !(derived->design->swim == reckoned->design->swim);
            const Swim swim = swimOf(*derived, *run);
            progress(0.2);
            std::vector<WobbleState> states;
            double step = 0;
            std::optional<double> rolled;
            const auto motion = motionOf(*derived, *run, swim);
            if (motion && swim.sheds) {
                const double shed = motion->loads(WobbleState::Zero()).shedding_1_s / (2 * kPi);
                WobbleRun full =
                    runWobble(*motion, WobbleClock::usual(shed), smallStart(), true, stop);
                rolled = full.rolledOver_s;
                if (full.done && !rolled) {
                    states = lastBeats(full, swim.beats_1_s.middle);
                    step = full.step_s;
                }
            }
            const auto mean = meanForces(*derived, *run, swim);
            const bool dead = !swim.untold && !swim.swings;
            const auto disc = dead ? leastDisc_m(*derived, stop) : std::nullopt;
            if (stop.stop_requested()) {
                return {};
            }
            SetByLog byLog;
            if (filmed && taught.beats) {
                byLog.beats = taught.beats->middle;
            }
            byLog.swing = filmed && taught.swing.has_value();
            return [this, shared, swim, states, step, rolled, mean, dead, disc, byLog] {
                QStringList more;
                if (mean) {
                    more << meanForceWords(*mean, this->bench().bench());
                }
                if (dead) {
                    more << discWords(disc);
                }
                show(shared, swim, states, step, rolled, more, byLog);
            };
        };
    }

    void showOther(const std::shared_ptr<const OtherBait>& other, const OtherMotion& motion) {
        wobble_->setOther({}, {});
        chain_->setNoOther();
        QString said;
        if (other) {
            const bool walks = !chain_->isHidden() && motion.glide && !motion.glide->untold,
                       snakes = !chain_->isHidden() && motion.snake && !motion.snake->untold,
                       wobbles = chain_->isHidden() && motion.swim && motion.swim->sheds;
            said = tr("%1 does not swim this way, or not at this speed: nothing is dashed.")
                       .arg(other->name());
            if (wobbles) {
                wobble_->setOther(other->derived, *motion.swim);
                said =
                    tr("Dashed: %1, as fast: %2 full beats a second, swings %3° to each side.")
                        .arg(other->name(),
                             QLocale().toString(motion.swim->beats_1_s.middle, 'f', 1),
                             QLocale().toString(motion.swim->swing_rad.middle / kDegree, 'f', 1));
            } else if (walks && chain_->isWalked()) {
                chain_->setOther(*motion.glide);
                said = tr("Dashed: the way of %1, by its own pulls.").arg(other->name());
            } else if (snakes && !chain_->isWalked()) {
                chain_->setOther(*motion.snake);
                said = tr("Dashed: %1, drawn as fast.").arg(other->name());
            }
        }
        dashed_->setText(said);
        dashed_->setVisible(!said.isEmpty());
    }
    // Whole beats from the end, so that the loop closes.
    static std::vector<WobbleState> lastBeats(const WobbleRun& run, double beats) {
        constexpr double kBeats = 4;
        const auto count = size_t(std::lround(kBeats / std::max(0.1, beats) / run.step_s));
        if (count < 8 || count > run.states.size()) {
            return {};
        }
        return {run.states.end() - long(count), run.states.end()};
    }
    void show(const ResultsPtr& results, const Swim& swim, std::vector<WobbleState> states,
              double step, const std::optional<double>& rolled, const QStringList& more,
              const SetByLog& byLog) {
        const QStringList said =
            swimWords(swim, results->design->swim, rolled, bench().bench(), byLog) + more;
        seen(wobble_, said);
        if (!swim.untold && swim.sheds) {
            wobble_->show(results, swim, std::move(states), step);
        } else {
            wobble_->showNothing(said.value(0));
        }
    }
    void show(const ResultsPtr& results, const Glide& glide) {
        const QStringList said = glideWords(glide, *results->design, bench().bench());
        seen(chain_, said);
        if (glide.untold) {
            chain_->showNothing(said.value(0));
        } else {
            chain_->show(results, glide);
        }
    }
    void show(const ResultsPtr& results, const Snake& snake, const std::optional<double>& byLog) {
        const QStringList said = snakeWords(snake, *results->design, bench().bench(), byLog);
        seen(chain_, said);
        if (snake.untold || snake.shown.shapes.empty()) {
            chain_->showNothing(said.value(0));
        } else {
            chain_->show(results, snake);
        }
    }
    // Brings that view up and its words under it.
    void seen(PlayedView* view, const QStringList& said) {
        wobble_->setVisible(view == wobble_);
        chain_->setVisible(view == chain_);
        words_->setText(said.join(QStringLiteral("\n")));
        view->setAccessibleDescription(words_->text());
    }

    MotionView* wobble_;
    ChainView* chain_;
    GhostChoice* ghost_;
    SwimTaught taught_;  ///< what is shown, or being reckoned, was made with
    QLabel* words_;
    QLabel* dashed_;
};

}  // namespace

QWidget* makeSwimPart(Workbench& bench) {
    return new SwimPart(bench);
}

}  // namespace wl
