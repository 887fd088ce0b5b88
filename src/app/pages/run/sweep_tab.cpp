// What moves depth, attitude and pull: one field swept, two as a map.
#include <QGridLayout>
#include <QHBoxLayout>
#include <QPointer>

#include "app/dialogs/amount_field.h"
#include "app/kit/beside_page.h"
#include "app/kit/field_choice.h"
#include "app/kit/flow_layout.h"
#include "app/kit/form.h"
#include "app/kit/plain_label.h"
#include "app/kit/plot.h"
#include "app/pages/run/run_tabs.h"
#include "app/pages/run/sweep_curves.h"
#include "core/reckon/what_if.h"
#include "session/field_words.h"

namespace wl {
namespace {

constexpr int kSwept = 25;
constexpr int kMapped = 24;

/// Choices on top, a plot under them: a curve of depth, attitude and pull, or a map of the depth.
class SweepPart : public BesidePage {
    Q_DECLARE_TR_FUNCTIONS(SweepPart)
  public:
    explicit SweepPart(Workbench& bench)
        : BesidePage(bench),
          across_(new FieldChoice(bench, QStringLiteral("sweepAcross"),
                                  bench.design().lip.present
                                      ? QStringLiteral("/lip/angle")
                                      : QStringLiteral("/brief/retrieve_speed"),
                                  false)),
          up_(new FieldChoice(bench, QStringLiteral("sweepUp"), {}, true)),
          curves_(new SweepCurves(bench)),
          plot_(new QCustomPlot),
          words_(plainLabel()) {
        setObjectName(QStringLiteral("sweepPart"));
        auto* grid = new QGridLayout;
        grid->setColumnStretch(1, 1);
        const auto row = [&](int at, const QString& label, FieldChoice* choice) {
            auto* text = new QLabel(label);
            text->setBuddy(choice);
            choice->setAccessibleName(label);
            choice->lineEdit()->setAccessibleName(label);
            grid->addWidget(text, at, 0);
            grid->addWidget(choice, at, 1);
            connect(choice, &QComboBox::currentIndexChanged, this, [this] { choose(); });
            connect(choice, &FieldChoice::unknown, this, [this](const QString& typed) {
                words_->setText(tr("▲ No number of this bait is called “%1”: open the list, or "
                                   "type a part of a "
                                   "name that is in it.")
                                    .arg(typed));
            });
        };
        row(0, tr("Vary"), across_);
        row(2, tr("and, as a map,"), up_);
        for (Range* range : {&acrossRange_, &upRange_}) {
            auto* line = new QWidget;
            auto* flow = new FlowLayout(line);
            range->holder = flow;
            grid->addWidget(line, range == &acrossRange_ ? 1 : 3, 1);
        }
        content()->addLayout(grid);
        plot_->setObjectName(QStringLiteral("sweepPlot"));
        plot_->setAccessibleName(tr("Depth over both"));
        plot_->setMinimumSize(240, 240);
        content()->addWidget(curves_, 1);
        content()->addWidget(plot_, 1);
        plot_->hide();
        words_->setObjectName(QStringLiteral("sweepWords"));
        words_->setWordWrap(true);
        content()->addWidget(words_);
        connect(&bench.document, &Document::designChanged, this, [this] { follow(); });
        choose();
    }

  protected:
    Beside::Work work(const Results& results) override {
        const auto derived = results.derived;
        const auto across = axis(across_->path(), acrossRange_), up = axis(up_->path(), upRange_);
        if (!across || (!up_->path().isEmpty() && !up)) {
            return {};
        }
        if (!up) {
            return [this, derived, across](std::stop_token stop,
                                           const Beside::Progress& progress) -> Beside::Finish {
                const auto swept = sweepField(*derived, across->path, across->from, across->to,
                                              kSwept, stop, progress);
                if (!swept) {
                    return {};
                }
                return [this, across, points = *swept] { showSweep(*across, points); };
            };
        }
        return [this, derived, across, up](std::stop_token stop,
                                           const Beside::Progress& progress) -> Beside::Finish {
            const auto map = mapDepth(*derived, *across, *up, stop, progress);
            if (!map) {
                return {};
            }
            return [this, map = *map] { showMap(map); };
        };
    }

  private:
    struct Range {
        FlowLayout* holder = nullptr;
        QPointer<AmountField> from, to;
        QPointer<QWidget> fromBox, toBox;
        bool held = false;  ///< the bait lay in it when it was last set
    };

    std::optional<Field> fieldOf(const QString& path) {
        return findField(bench().design(), path.toStdString());
    }
    std::optional<MapAxis> axis(const QString& path, Range& range) {
        if (path.isEmpty() || !range.from) {
            return std::nullopt;
        }
        const auto from = range.from->value(), to = range.to->value();
        if (from && to && *from == *to) {
            words_->setText(tr("▲ From and to are the same: there is nothing to vary."));
            return std::nullopt;
        }
        if (!from || !to) {
            words_->setText(tr("▲ The range is not whole: see its fields."));
            return std::nullopt;
        }
        return MapAxis{path.toStdString(), std::min(*from, *to), std::max(*from, *to), kMapped};
    }
    static QWidget* boxed(const QString& label, AmountField* field) {
        auto* box = new QWidget;
        auto* row = new QHBoxLayout(box);
        row->setContentsMargins(0, 0, 0, 0);
        row->addWidget(new QLabel(label));
        row->addWidget(field);
        return box;
    }
    // A quarter either way of what it is, within what it may be.
    void offer(const QString& path, const QString& name, Range& range) {
        delete range.fromBox.data();
        delete range.toBox.data();
        const auto field = fieldOf(path);
        if (!field) {
            return;
        }
        const double now = field->value.value_or(field->min);
        const double reach =
            std::max({0.25 * std::abs(now), 4 * benchStep(field->quantity, bench().bench()),
                      0.002 * (field->max - field->min)});
        range.from = new AmountField(bench(), name + QStringLiteral("From"), tr("from"),
                                     field->quantity, field->min, field->max);
        range.to = new AmountField(bench(), name + QStringLiteral("To"), tr("to"), field->quantity,
                                   field->min, field->max);
        const double step = benchStep(field->quantity, bench().bench());
        const auto even = [step](double value) { return std::round(value / step) * step; };
        range.from->set(std::max(field->min, even(now - reach)));
        range.to->set(std::min(field->max, even(now + reach)));
        range.fromBox = boxed(tr("from"), range.from);
        range.toBox = boxed(tr("to"), range.to);
        range.holder->addWidget(range.fromBox);
        range.holder->addWidget(range.toBox);
        range.held = true;
        for (AmountField* f : {range.from.data(), range.to.data()}) {
            connect(f->line(), &QLineEdit::editingFinished, this, [this, path, &range] {
                range.held = holds(path, range);
                again();
            });
        }
    }
    void choose() {
        offer(across_->path(), QStringLiteral("sweepAcross"), acrossRange_);
        offer(up_->path(), QStringLiteral("sweepUp"), upRange_);
        again();
    }
    // The design changed: a field that is gone, or has left the range it lay in, is offered anew.
    void follow() {
        const std::pair<FieldChoice*, Range*> both[] = {{across_, &acrossRange_}, {up_, &upRange_}};
        bool anew = false;
        for (const auto& [choice, range] : both) {
            const bool none = choice->path().isEmpty(), gone = !none && !fieldOf(choice->path());
            if (gone) {
                choice->renew();
            }
            anew = anew || gone || (!none && range->held && !holds(choice->path(), *range));
        }
        if (anew) {
            curves_->forget();
            mapPaths_ = {};
            choose();
        }
    }
    // Whether the bait as it is lies in the range.
    bool holds(const QString& path, const Range& range) {
        const auto field = fieldOf(path);
        if (!field || !field->value || !range.from) {
            return false;
        }
        const auto from = range.from->value(), to = range.to->value();
        return from && to && *field->value >= std::min(*from, *to) &&
               *field->value <= std::max(*from, *to);
    }
    double shownIn(Quantity quantity, double si) { return onAxis(quantity, bench().bench(), si); }
    QString axisTitle(const std::string& path) {
        const auto field = findField(bench().design(), path);
        return field ? tr("%1, %2").arg(
                           undoWords(*field),
                           QString::fromUtf8(unitLabel(field->quantity, bench().bench()).c_str()))
                     : QString();
    }

    void clearPlot() {
        plot_->clearPlottables();
        plot_->clearItems();
        plot_->clearGraphs();
    }

    void showSweep(const MapAxis& across, const std::vector<SweptPoint>& points) {
        plot_->hide();
        curves_->setVisible(true);
        curves_->show(across.path, points);
        int untold = 0;
        for (const SweptPoint& p : points) {
            untold += p.depth_m ? 0 : 1;
        }
        words_->setText(
            endWords(points, fieldOf(QString::fromStdString(across.path))->quantity, untold));
    }
    QString endWords(const std::vector<SweptPoint>& points, Quantity quantity, int untold) {
        const auto say = [&](const SweptPoint& p) {
            return tr("At %1: depth %2, nose %3, pull %4 at %5.")
                .arg(bench().text(quantity, p.value), told(Quantity::Distance, p.depth_m),
                     told(Quantity::Angle, p.pitch_rad), told(Quantity::Force, p.pull_N),
                     told(Quantity::Angle, p.lineAngle_rad));
        };
        QStringList said{say(points.front()), say(points.back())};
        said << tieWords();
        said.removeAll(QString());
        if (untold > 0) {
            said << tr("No depth is told at %1 of %n place(s): it cannot be built so, or the line "
                       "hangs slack.",
                       nullptr, int(points.size()))
                        .arg(untold);
        }
        return said.join(QStringLiteral("\n"));
    }
    // As on the depth's own sheet.
    QString tieWords() {
        const bool tie = across_->path().startsWith(QLatin1String("/tie")) ||
                         up_->path().startsWith(QLatin1String("/tie"));
        return tie && !bench().design().lip.present ? tr("▲ Which way the tie of a bait without a "
                                                         "lip works the model does not know.")
                                                    : QString();
    }
    QString told(Quantity quantity, const std::optional<double>& value) {
        return value ? bench().text(quantity, *value) : QStringLiteral("–");
    }
    void showMap(const DepthMap& map) {
        curves_->setVisible(false);
        curves_->forget();
        plot_->show();
        clearPlot();
        dressPlot(*plot_, axisTitle(map.across.path), axisTitle(map.up.path));
        plot_->yAxis->setRangeReversed(false);
        const auto qx = findField(bench().design(), map.across.path)->quantity,
                   qy = findField(bench().design(), map.up.path)->quantity;
        const QCPRange xs(shownIn(qx, map.across.from), shownIn(qx, map.across.to)),
            ys(shownIn(qy, map.up.from), shownIn(qy, map.up.to));
        auto* colours = new QCPColorMap(plot_->xAxis, plot_->yAxis);
        colours->data()->setSize(map.across.count, map.up.count);
        colours->data()->setRange(xs, ys);
        double least = 1e9, most = 0;
        int untold = 0;
        for (int y = 0; y < map.up.count; ++y) {
            for (int x = 0; x < map.across.count; ++x) {
                const auto depth = map.depth_m[size_t(y) * size_t(map.across.count) + size_t(x)];
                untold += depth ? 0 : 1;
                colours->data()->setCell(x, y, depth.value_or(std::nan("")));
                least = std::min(least, depth.value_or(least));
                most = std::max(most, depth.value_or(most));
            }
        }
        const Inks& c = inks();
        QCPColorGradient water;
        water.setColorStopAt(0, c.sheet);
        water.setColorStopAt(1, c.water);
        water.setNanHandling(QCPColorGradient::nhTransparent);
        colours->setGradient(water);
        colours->setDataRange({least, std::max(most, least + 0.01)});
        colours->setInterpolate(false);
        contours(map, least, most, qx, qy);
        const auto fx = findField(bench().design(), map.across.path),
                   fy = findField(bench().design(), map.up.path);
        auto* here = plot_->addGraph();
        here->setLineStyle(QCPGraph::lsNone);
        here->setScatterStyle({QCPScatterStyle::ssPlusCircle, c.signal, 11});
        here->setData({shownIn(qx, fx->value.value_or(0))}, {shownIn(qy, fy->value.value_or(0))});
        plot_->xAxis->setRange(xs);
        plot_->yAxis->setRange(ys);
        plot_->replot(QCustomPlot::rpQueuedReplot);
        QString said =
            tr("Depth from %1 to %2; the thick line is the wanted %3 (dashed: before the last "
               "edit), "
               "the thin ones are marked with theirs; the cross is the bait as it is.")
                .arg(bench().text(Quantity::Distance, least),
                     bench().text(Quantity::Distance, most),
                     bench().text(Quantity::Distance, bench().design().brief.wantedDepth_m));
        if (untold > 0) {
            said += QLatin1Char(' ') +
                    tr("Left white at %n place(s): no depth is told there.", nullptr, int(untold));
        }
        if (const QString tie = tieWords(); !tie.isEmpty()) {
            said += QLatin1Char(' ') + tie;
        }
        words_->setText(untold == map.across.count * map.up.count
                            ? tr("No depth is told anywhere in this range.")
                            : said);
    }
    using Cuts = std::vector<std::array<Eigen::Vector2d, 2>>;

    void drawCuts(const Cuts& cuts, const QPen& pen, Quantity qx, Quantity qy) {
        for (const auto& cut : cuts) {
            auto* line = new QCPItemLine(plot_);
            line->setPen(pen);
            line->start->setCoords(shownIn(qx, cut[0].x()), shownIn(qy, cut[0].y()));
            line->end->setCoords(shownIn(qx, cut[1].x()), shownIn(qy, cut[1].y()));
        }
    }
    void contours(const DepthMap& map, double least, double most, Quantity qx, Quantity qy) {
        // Where the wanted depth lay before the last edit.
        if (mapPaths_ == std::pair(map.across.path, map.up.path)) {
            drawCuts(wantedCuts_, QPen(inks().quiet, 1.4, Qt::DashLine), qx, qy);
        }
        constexpr int kLines = 4;
        for (int i = 0; i < kLines; ++i) {
            const double depth = least + (most - least) * (i + 0.5) / kLines;
            const Cuts cuts = contourOf(map, depth);
            drawCuts(cuts, QPen(inks().ink, 0.8), qx, qy);
            if (!cuts.empty()) {
                const auto& cut = cuts[cuts.size() / 2];
                auto* label = new QCPItemText(plot_);
                label->setText(bench().text(Quantity::Distance, depth));
                label->setFont(type(Type::Small));
                label->setColor(inks().ink);
                label->setBrush(inks().sheet);
                label->position->setCoords(shownIn(qx, cut[0].x()), shownIn(qy, cut[0].y()));
            }
        }
        wantedCuts_ = contourOf(map, bench().design().brief.wantedDepth_m);
        mapPaths_ = {map.across.path, map.up.path};
        drawCuts(wantedCuts_, QPen(inks().ink, 2.6), qx, qy);
    }

    FieldChoice* across_;
    FieldChoice* up_;
    Range acrossRange_, upRange_;
    SweepCurves* curves_;
    QCustomPlot* plot_;  ///< of a map
    QLabel* words_;
    Cuts wantedCuts_;
    std::pair<std::string, std::string> mapPaths_;
};

}  // namespace

QWidget* makeSweepTab(Workbench& bench) {
    return formColumn({new SweepPart(bench)});
}

}  // namespace wl
