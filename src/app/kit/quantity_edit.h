// One field of the design: typed in any unit, checked at once, its message beneath it.
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <QToolButton>
#include <QWidget>

#include <functional>
#include <optional>

#include "app/kit/workbench.h"
#include "core/design/fields.h"

namespace wl {

/// Line edit with its unit after it and room for a message below. Commits on Return or leaving; a
/// value that cannot be taken stays as typed, marked, with the reason, and the design is unchanged.
/// Up and Down step by a bench step of the quantity.
class QuantityEdit : public QWidget {
    Q_OBJECT
  public:
    QuantityEdit(Workbench& bench, const QString& path, QWidget* parent = nullptr);

    /// A number that is no field of its own but is read from and written into several (the length
    /// of the body, say). `path` then only names the widget.
    struct Binding {
        Quantity quantity = Quantity::Length;
        double min = 0.0;
        double max = 0.0;
        std::function<double(const Design&)> read;
        std::function<void(Design&, double)> write;
        /// Why a number within the bounds cannot be taken all the same; none: all are.
        std::function<std::optional<Error>(double)> refuse = nullptr;
    };
    QuantityEdit(Workbench& bench, const QString& path, const QString& title, Binding binding,
                 QWidget* parent = nullptr);

    QString path() const { return path_; }
    QLineEdit* line() { return line_; }
    bool isFaulty() const { return faulty_; }
    /// Words beneath a number that is one, but does not go with others; none: nothing is said.
    void sayAgainst(const QString& words);
    /// Reads its number anew: of one that follows the results rather than the design.
    void reread() { refresh(); }

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void build();
    std::optional<Field> field() const;
    std::optional<double> valueIn(const Design& design) const;
    std::optional<Error> assign(std::optional<double> value);
    void refresh();
    void commit();
    void stepBy(int steps);
    void takeFromScale();
    void showFault(const QString& message);

    Workbench& bench_;
    QString path_;
    QString title_;
    Quantity quantity_ = Quantity::Number;
    std::optional<Binding> binding_;
    QLineEdit* line_;
    QLabel* unit_;
    QLabel* was_;  ///< the figure before the last edit, until the next
    QLabel* fault_;
    QToolButton* scale_ = nullptr;
    bool faulty_ = false;
    QString against_;
};

/// The step the arrow keys and handles move a quantity by, SI: half a millimetre or 1/64 in, a
/// degree...
double benchStep(Quantity quantity, Bench bench);

}  // namespace wl
