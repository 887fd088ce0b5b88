// Connecting a bench scale, or the one to practise with.
#pragma once

#include <QComboBox>
#include <QDialog>
#include <QLabel>
#include <QLineEdit>
#include <QProcess>
#include <QPushButton>

#include "app/kit/workbench.h"

namespace wl {

/// Choose the serial line and its speed, or start the simulated scale and lay a load on it. Closing
/// the window keeps the scale connected.
class ScaleDialog : public QDialog {
    Q_OBJECT
  public:
    explicit ScaleDialog(Workbench& bench, QWidget* parent = nullptr);
    ~ScaleDialog() override;

    /// Where the simulated scale's program is: beside this one, or in the build tree.
    static QString simulatorProgram();

  private:
    void connectScale(const QString& port);
    void practise();
    void layOn();
    void refresh();

    Workbench& bench_;
    QComboBox* port_;
    QComboBox* speed_;
    QPushButton* connect_;
    QPushButton* practise_;
    QLineEdit* load_;
    QPushButton* lay_;
    QLabel* reading_;
    QLabel* message_;
    QProcess simulator_;
};

}  // namespace wl
