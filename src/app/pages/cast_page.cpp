// How far it flies, how it lies in the air, and what its lead does to that.
#include "app/kit/beside_page.h"
#include "app/kit/form.h"
#include "app/kit/learner.h"
#include "app/kit/plain_label.h"
#include "app/pages/pages.h"
#include "app/views/flight_view.h"
#include "core/cast/throws.h"
#include "core/reckon/evaluate.h"

namespace wl {
namespace {

constexpr double kSure = 0.90;
constexpr double kMayTurnOver = 0.20;
constexpr double kMoved_m = 0.005;

// The lead moved: what bore, which way, and what that does to the distance.
struct LeadMoved {
    std::string bore;
    bool aft = true;
    CastPair pair;
};

// The bore with the most lead in it, a little way to both ends; no more than it has room for.
std::vector<LeadMoved> moveTheLead(const Derived& d, const std::stop_token& stop) {
    std::vector<LeadMoved> out;
    size_t heaviest = 0;
    double most = 0;
    for (size_t i = 0; i < d.design->bores.size(); ++i) {
        const std::string path = pathOf({RecordList::Bores, i});
        double mass = 0;
        for (const MassItem& item : d.mass->items) {
            mass += item.path == path && item.mass_kg > 0 ? item.mass_kg : 0.0;
        }
        if (mass > most) {
            most = mass;
            heaviest = i;
        }
    }
    for (const bool aft : {true, false}) {
        if (most <= 0) {
            break;
        }
        Design moved = *d.design;
        Bore& bore = moved.bores[heaviest];
        bore.x_m += aft ? kMoved_m : -kMoved_m;
        if (bore.x_m < 0 || bore.x_m > d.shape->sizes.length_m) {
            continue;
        }
        const Result<Derived> there = evaluate(moved, &d, d.model);
        if (!there) {
            continue;
        }
        const Result<CastPair> pair = compareCasts(d, *there, stop);
        if (pair) {
            out.push_back({bore.name, aft, *pair});
        }
    }
    return out;
}

class CastPage : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(CastPage)
  public:
    explicit CastPage(Workbench& bench)
        : BesidePage(bench), view_(new FlightView(bench)), words_(plainLabel()) {
        setObjectName(QStringLiteral("castPage"));
        words_->setObjectName(QStringLiteral("castWords"));
        words_->setWordWrap(true);
        auto* told = new Form(bench, tr("In the air"));
        told->add(view_);
        told->add(words_);
        use_ = told->button(tr("Reel in from there"), QStringLiteral("castForRetrieve"));
        use_->setEnabled(false);
        connect(use_, &QPushButton::clicked, this, [this] {
            if (cast_) {
                Design next = this->bench().design();
                next.brief.castLength_m = std::clamp(
                    Learner::of(this->bench()).seen(NoteKind::Cast, cast_->distance_m), 3.0, 120.0);
                this->bench().document.endGesture();
                this->bench().document.submit(std::move(next), tr("Cast as reckoned"));
            }
        });
        auto* thrown = new Form(bench, tr("Your throw"));
        thrown->field(QStringLiteral("/brief/reel"));
        thrown->field(QStringLiteral("/brief/wind"));
        QuantityEdit::Binding flew;
        flew.quantity = Quantity::Distance;
        flew.min = 3.0;
        flew.max = 120.0;
        flew.read = [this](const Design& design) {
            const auto now = asThrown(design);
            constexpr double kPaced_m = 0.1;  // finer than any cast is measured
            return now ? std::round(middleDistance_m(*now).value_or(0.0) / kPaced_m) * kPaced_m
                       : 0.0;
        };
        flew.refuse = [this](double distance) -> std::optional<Error> {
            const auto now = asThrown(this->bench().design());
            if (!now) {
                return Error{"cast.no_mass", "", {}, {}};
            }
            const Result<double> speed = throwFromDistance(*now, distance);
            return speed ? std::nullopt : std::optional(speed.error());
        };
        flew.write = [this](Design& design, double distance) {
            if (const auto now = asThrown(design)) {
                design.brief.throwSpeed_m_s = throwFromDistance(*now, distance).value();
            }
        };
        auto* flown = thrown->quantity(tr("One cast of this bait flew"),
                                       QStringLiteral("castMeasured"), flew);
        thrown->enableLastWhen([](const Design& d) { return d.joints.empty(); });
        connect(&bench.evaluator, &Evaluator::resultsChanged, flown, [flown] {
            if (flown->isVisible() && !flown->line()->isModified()) {
                flown->reread();
            }
        });
        thrown->field(QStringLiteral("/brief/throw_speed"));
        thrown->note(
            tr("Cast it a few times in a calm, pace or count the distance, and type it here: the "
               "throw it takes is kept, and other baits are reckoned with it. A turning spool is "
               "its thumb and brake: only a measured cast tells."));
        content()->addWidget(formColumn({told, thrown}), 1);
        connect(&Learner::of(bench), &Learner::changed, this, [this] {
            if (cast_ && Learner::of(this->bench()).showsOtherwise(NoteKind::Cast, shownTaught_)) {
                showCast(*cast_, lead_);
            }
        });
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        return [this, derived](std::stop_token stop,
                               const Beside::Progress& progress) -> Beside::Finish {
            const Result<Cast> cast = computeCast(*derived, stop);
            if (!cast && cast.error().code == "cast.cancelled") {
                return {};
            }
            if (!cast) {
                return [this, error = cast.error()] { showError(error); };
            }
            constexpr double kFirstPart = 0.4;
            progress(kFirstPart);
            const std::vector<LeadMoved> lead = moveTheLead(*derived, stop);
            return [this, derived, cast = *cast, lead] {
                view_->show(*derived, cast);
                showCast(cast, lead);
            };
        };
    }

  private:
    // The throw, wind and reel of now on the bait as last reckoned.
    std::optional<Derived> asThrown(const Design& design) {
        const ResultsPtr r = bench().results();
        if (!r || !r->derived) {
            return std::nullopt;
        }
        Derived now = *r->derived;
        now.design = std::make_shared<const Design>(design);
        return now;
    }
    void showError(const Error& error) {
        cast_.reset();
        use_->setEnabled(false);
        view_->showNothing(sentence(error, bench().bench()));
        words_->setText(QString());
    }
    void showCast(const Cast& cast, const std::vector<LeadMoved>& lead) {
        cast_ = cast;
        lead_ = lead;
        use_->setEnabled(true);
        QStringList said{distanceWords(cast), logWords(cast), wayWords(cast), splashWords(cast)};
        said << leadWords(lead) << cautions(cast);
        said.removeAll(QString());
        words_->setText(said.join(QStringLiteral("\n")));
        view_->setAccessibleDescription(words_->text());
    }
    QString distanceWords(const Cast& cast) {
        const QString much = bench().text(Quantity::Distance, cast.distance_m),
                      low = bench().text(Quantity::Distance, cast.low_m, false),
                      high = bench().text(Quantity::Distance, cast.high_m);
        return cast.measured ? tr("About %1 with your throw (%2 to %3).").arg(much, low, high)
                             : tr("About %1, a hint only (%2 to %3): no cast of yours is measured.")
                                   .arg(much, low, high);
    }
    QString logWords(const Cast& cast) {
        const auto taught = Learner::of(bench()).taught(NoteKind::Cast);
        shownTaught_ = taught;
        return taught ? tr("By your log %1 (%2 to %3): %4 times what is reckoned.")
                            .arg(bench().text(Quantity::Distance, taught->middle * cast.distance_m),
                                 bench().text(Quantity::Distance, taught->low * cast.distance_m,
                                              false),
                                 bench().text(Quantity::Distance, taught->high * cast.distance_m),
                                 QLocale().toString(taught->middle, 'f', 2))
                      : QString();
    }
    QString percent(double share) { return bench().text(Quantity::Fraction, share); }
    // Of 96 throws, or of an angle known to a dozen degrees: no decimals.
    static QString whole(double share) { return tr("%1 %").arg(std::lround(100 * share)); }
    static QString degrees(double angle) { return tr("%1°").arg(std::lround(angle / kDegree)); }
    QString wayWords(const Cast& cast) {
        if (!bench().design().lip.present) {
            return tr("No lip: how straight it flies cannot be told.");
        }
        const FlightShares& s = cast.over;
        const double most = std::max({s.tailFirst, s.sideOn, s.noseFirst, s.swings});
        const QString way = most == s.tailFirst   ? tr("tail first")
                            : most == s.sideOn    ? tr("side on")
                            : most == s.noseFirst ? tr("nose first")
                                                  : tr("swinging");
        QString told = tr("Flies %1 in %2 of throws over the head.").arg(way, whole(most));
        if (!cast.steady_rad.empty()) {
            double nearest = 0;
            for (const double a : cast.steady_rad) {
                nearest = std::max(nearest, std::abs(a));
            }
            told +=
                QLatin1Char(' ') + tr("The air holds it some %1 off tail first, give or take 15°.")
                                       .arg(degrees(kPi - nearest));
        }
        return told;
    }
    QString splashWords(const Cast& cast) {
        return tr("Meets the water %1 steep at %2.")
            .arg(degrees(cast.splashSteepness_rad),
                 bench().text(Quantity::Speed, cast.splashSpeed_m_s));
    }
    QString leadWords(const std::vector<LeadMoved>& lead) {
        QStringList said;
        for (const LeadMoved& m : lead) {
            const QString name = QString::fromStdString(m.bore),
                          far = bench().text(Quantity::Length, kMoved_m);
            const QString moved = m.aft ? tr("%1 moved %2 aft").arg(name, far)
                                        : tr("%1 moved %2 forward").arg(name, far);
            const bool sure = std::max(m.pair.farther, 1 - m.pair.farther) >= kSure;
            const QString by = percent(std::abs(m.pair.ratio - 1));
            said << (!sure              ? tr("%1: no clear gain or loss.").arg(moved)
                     : m.pair.ratio > 1 ? tr("%1: %2 farther, in %3 of throws.")
                                              .arg(moved, by, whole(m.pair.farther))
                                        : tr("%1: %2 less far, in %3 of throws.")
                                              .arg(moved, by, whole(1 - m.pair.farther)));
        }
        return said.join(QStringLiteral("\n"));
    }
    QString cautions(const Cast& cast) {
        QStringList said;
        if (std::max(cast.over.wentOver, cast.side.wentOver) > kMayTurnOver) {
            said << tr("▲ May turn over in the air.");
        }
        for (const Surface& s : bench().results()->derived->mass->surfaces) {
            if (s.kind == Surface::Kind::SoftTail) {
                said << tr("A soft tail flaps in the air: it is flown stiff.");
                break;
            }
        }
        if (!bench().design().chambers.empty()) {
            said << tr("Loose balls are flown where they are drawn.");
        }
        said << tr(
            "Ranks of changes are surer than distances. Not reckoned: turning about its long "
            "axis, gusts, side wind, wet line.");
        return said.join(QStringLiteral("\n"));
    }

    FlightView* view_;
    QLabel* words_;
    QPushButton* use_;
    std::optional<Cast> cast_;
    std::vector<LeadMoved> lead_;
    std::optional<FactorBand> shownTaught_;  ///< what is shown was made with
};

}  // namespace

QWidget* makeCastPage(Workbench& bench) {
    return new CastPage(bench);
}

}  // namespace wl
