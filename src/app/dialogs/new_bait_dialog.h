// One sheet that asks what a new bait is to be, and makes it.
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QFormLayout>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>

#include "app/dialogs/amount_field.h"
#include "app/kit/shelf_picker.h"
#include "core/aim/aimed_bait.h"
#include "session/beside.h"

namespace wl {

/// Kind or own shape, length, stock, water, how it is to rest, how deep to run and how to swim.
/// Making it works beside the window, with progress and cancel; what was typed stays when it is
/// refused.
class NewBaitDialog : public QDialog {
    Q_OBJECT
  public:
    explicit NewBaitDialog(Workbench& bench, QWidget* parent = nullptr);

    /// The bait made; null until then.
    std::shared_ptr<const NewBait> made() const {
        return made_ ? std::shared_ptr<const NewBait>(made_, &made_->bait) : nullptr;
    }
    /// Whether it swims as wished, where that was asked for.
    bool swimsAsWished() const { return made_ && made_->met; }

  private:
    void showKind();
    void showRest();
    void make();
    /// The half-swings of the word chosen; empty: as it comes.
    AimBand swing() const;
    /// What is typed, when all of it can be taken.
    std::optional<NewBaitWish> wish();
    /// A shape of the maker's own, brought in at that length; nothing when that was given up.
    std::optional<Body> ownShape(double length_m);
    void tell(const QString& text);

    Workbench& bench_;
    QComboBox* kind_;
    QLabel* about_;
    AmountField* length_;
    int chosenStock_ = 0;  ///< place on the shelf
    ShelfPicker* stock_;
    QComboBox* water_;
    AmountField* temperature_;
    AmountField* waterDepth_;
    QComboBox* rest_;
    AmountField* spare_;
    AmountField* sink_;
    AmountField* depth_;
    QComboBox* swims_;
    QLabel* fault_;
    QProgressBar* progress_;
    QPushButton* makeIt_;
    QFormLayout* rows_;
    std::shared_ptr<const AimedBait> made_;
    Beside beside_;  // last: its thread ends before what it reports to
};

/// The wish a maker starts from: that kind at a usual length, first stock of the shelf, its hooks
/// and coats.
NewBaitWish usualWish(const Workbench& bench, StartKind kind);

}  // namespace wl
