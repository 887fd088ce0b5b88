// What the program noticed: place, reason, and cures with what they would do.
#pragma once

#include <QElapsedTimer>
#include <QLabel>
#include <QScrollArea>
#include <QTimer>
#include <QVBoxLayout>

#include "app/kit/workbench.h"

namespace wl {

class FindingsPanel : public QWidget {
    Q_OBJECT
  public:
    FindingsPanel(Bait& bait, Workbench& bench, QWidget* parent = nullptr);
    /// What it has to say, or a third of the column it stands in.
    QSize sizeHint() const override;

  protected:
    void resizeEvent(QResizeEvent* event) override;

  private:
    void refresh();
    void fitButtons();
    struct Card {
        Finding finding;
        std::vector<EditEffect> effects;
        QString was;
        QWidget* widget = nullptr;
    };
    static std::vector<EditEffect> effectsOf(const Finding& finding, const Results& results);
    /// What it said before the last edit, where that was otherwise.
    QString wasWords(const Finding& finding) const;
    QWidget* card(const Card& card);
    void drop(QWidget* widget);

    Bait& bait_;
    Workbench& bench_;
    QLabel* title_;
    QLabel* calm_;
    QVBoxLayout* list_;
    std::vector<Card> cards_;
    ResultsPtr shown_;
    ResultsPtr before_;  ///< what is said against
    QElapsedTimer sinceRead_;
    QTimer later_;
};

}  // namespace wl
