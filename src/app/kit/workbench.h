// What every part of the window shares: the bait worked on, the bench units, shelf and scale.
#pragma once

#include <QAbstractItemDelegate>
#include <QAbstractItemModel>
#include <QObject>
#include <QSet>
#include <QStandardPaths>
#include <functional>

#include "builds/build_book.h"
#include "core/learn/factor_band.h"
#include "scale/scale_reader.h"
#include "session/bait.h"
#include "session/sentence_text.h"
#include "shelf/shelf_book.h"
#include "waterlog/log_book.h"

namespace wl {

/// The steps of the order of work; frame/steps.cpp has all there is to each.
enum class Step {
    Brief,
    Body,
    Stock,
    Fittings,
    Ballast,
    LipAndTie,
    Joints,
    Tank,
    Cast,
    Run,
    Swim,
    Aim,
    BenchSheet,
    Build,
    WaterLog
};
inline constexpr int kStepCount = int(Step::WaterLog) + 1;

/// Another bait, reckoned, to stand dashed beside the one worked on.
struct OtherBait {
    std::shared_ptr<const Derived> derived;
    std::shared_ptr<const Run> run;
    QString label;  ///< what it is called where it is not a bait of its own
    TaughtFactors byLog = {};  ///< of a bait of its own
    /// Those it is shown by, beside a bait shown by its `own`: a way for that bait is shown by them
    /// too.
    TaughtFactors shownBy(const TaughtFactors& own) const {
        return label.isEmpty() ? byLog : own;
    }
    QString name() const {
        return label.isEmpty() ? QString::fromStdString(derived->design->name) : label;
    }
};

/// Shared state. Views show the bait they are given, any bait; worksheets send edits to the one
/// worked on. They never call each other.
class Workbench : public QObject {
    Q_OBJECT
  public:
    explicit Workbench(QObject* parent = nullptr)
        : QObject(parent),
          shelf(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) +
                QStringLiteral("/shelf.sqlite")),
          builds(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) +
                 QStringLiteral("/builds.sqlite")),
          log(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) +
              QStringLiteral("/water-log.sqlite")) {
        // It was drawn against the bait as it stood.
        connect(&document, &Document::designChanged, this, [this] { setDashed({}); });
    }

    Bait bait;  ///< the one worksheets and menus work on
    Document& document = bait.document;
    Evaluator& evaluator = bait.evaluator;
    ShelfBook shelf;    ///< one for every design and window
    BuildBook builds;   ///< what has been done of each, at the bench
    LogBook log;        ///< what each did at the water
    ScaleReader scale;  ///< closed until the maker connects one
    /// Pictures outside the design the maker chose or agreed to open; no other path in a design is
    /// ever opened.
    QSet<QString> picturesAgreed;

    Bench bench() const { return bench_; }
    void setBench(Bench bench) {
        bench_ = bench;
        emit benchChanged();
    }
    const Design& design() const { return bait.design(); }
    /// Newest finished results, or null before the first.
    ResultsPtr results() const { return bait.results(); }
    QString text(Quantity q, double si, bool unit = true) const {
        return shown(q, bench_, si, unit);
    }
    /// Asks the window to go to the field of a path.
    void goTo(const QString& path) { emit placeWanted(path); }
    /// Tells the person something in the status line.
    void say(const QString& text) { emit said(text); }
    /// The same, with a button beside it that does `way`.
    void say(const QString& text, const QString& label, std::function<void()> way) {
        emit said(text);
        emit wayOffered(label, way);
    }
    /// "was 12 mm" where the figure before the last edit reads otherwise; empty where it does not.
    static QString was(const QString& before, const QString& now);
    /// Where the maker clicked on the picture for the next thing to be added (body frame); nothing
    /// when it goes to its usual place. Taken, it is gone.
    std::optional<Eigen::Vector3d> mark() const { return mark_; }
    void setMark(std::optional<Eigen::Vector3d> mark) {
        mark_ = mark;
        emit markChanged();
    }
    std::optional<Eigen::Vector3d> takeMark() {
        const std::optional<Eigen::Vector3d> mark = mark_;
        setMark({});
        return mark;
    }
    /// The way looked at, dashed over the bait in picture, run and swim; null when there is none.
    const std::shared_ptr<const OtherBait>& dashed() const { return dashed_; }
    void setDashed(std::shared_ptr<const OtherBait> other) {
        if (other != dashed_) {
            dashed_ = std::move(other);
            emit dashedChanged();
        }
    }
    /// Redraws everything after the theme changed.
    void themeChanged() { emit benchChanged(); }

  signals:
    void benchChanged();
    void markChanged();
    void dashedChanged();
    void placeWanted(const QString& path);
    void said(const QString& text);
    void wayOffered(const QString& label, std::function<void()> way);
    /// Asks for a wide table of all a model has, in the place of picture and sheet.
    void wideWanted(QAbstractItemModel* model, QAbstractItemDelegate* delegate,
                    const QString& name);
    /// Asks the window to open a design of its own, as new and unsaved.
    void openWanted(const DesignPtr& design);

  private:
    std::optional<Eigen::Vector3d> mark_;
    std::shared_ptr<const OtherBait> dashed_;
    Bench bench_ = Bench::Metric.withMark(makersDecimalMark());
};

inline QString Workbench::was(const QString& before, const QString& now) {
    return before.isEmpty() || before == now ? QString() : tr("was %1").arg(before);
}

}  // namespace wl
