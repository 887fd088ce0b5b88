// The window: top bar, order of work, picture over weigh-beam and run strip, worksheet over
// findings.
#pragma once

#include <QFileSystemWatcher>
#include <QLabel>
#include <QLineEdit>
#include <QMainWindow>
#include <QPointer>
#include <QPushButton>
#include <QStackedWidget>
#include <QToolButton>
#include <memory>

#include "app/frame/order_rail.h"
#include "app/kit/ask.h"
#include "app/kit/workbench.h"
#include "app/views/run_strip.h"
#include "app/views/solid_view.h"
#include "app/views/swing_view.h"
#include "app/views/tank.h"
#include "session/recovery.h"

namespace wl {

class ShelfWindow;
class ScaleDialog;

class MainWindow : public QMainWindow {
    Q_OBJECT
  public:
    /// `recoveryFolder` holds unsaved work; settings come from QSettings.
    explicit MainWindow(const QString& recoveryFolder, QWidget* parent = nullptr);
    ~MainWindow() override;

    Workbench& bench() { return bench_; }
    Tank& tank() { return *tank_; }
    RunStrip& runStrip() { return *runStrip_; }
    OrderRail& rail() { return *rail_; }
    SwingView& swingView() { return *swing_; }
    SolidView& solidView() { return *solid_; }
    void showView(TankView view);
    /// The worksheet of the step chosen.
    QWidget* sheet() const;
    void goTo(const QString& path);
    void setDark(bool dark);
    void setInch(bool inch);
    /// Opens a file; a refusal is shown and the present design stays.
    bool openFile(const QString& path);
    /// Shows what differs from the design in that file; null when it cannot be read (told).
    QDialog* compareWith(const QString& path);
    /// What the program was started with: the file named, or the demo when there is none. A file
    /// that cannot be read is said over a plain bait, not over some other one.
    void openFirst(const QStringList& files);
    bool saveFile(const QString& path);
    void openDemo(int which = 0);
    /// A whole bait of the most usual kind to begin from, unasked.
    void openNew();
    /// Asks what the new bait is to be and opens it.
    void askNew();
    /// The shelf and the scale, windows of their own that may stay open.
    QWidget* showShelf();
    QWidget* showScale();
    /// Offers what an earlier window left behind; true when it was taken over.
    /// `only`: take up that copy without asking.
    bool offerRecovery(const QString& only = {});
    QString message() const { return message_->text(); }
    /// An error told in the status line.
    void tell(const Error& error);
    void tellOf(const QString& path, const Error& error);

  protected:
    void closeEvent(QCloseEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

  private:
    void buildMenus();
    QWidget* buildTopBar();
    QWidget* buildCentre();
    QWidget* buildPicture();
    QWidget* buildSheet();
    /// All of a list in a wide table where picture and sheet stand; and back.
    void openWide(QAbstractItemModel* model, QAbstractItemDelegate* delegate, const QString& name);
    void closeWide();
    void choose(Step step);
    QWidget* page(Step step);
    void refreshTitle();
    void refreshRecent();
    void remember(const QString& path);
    bool mayDiscard();
    void say(const QString& text);
    void offerWay(const QString& label, std::function<void()> way);
    void tellMeasured(const std::vector<MeasuredTaken>& taken);
    bool saveOrAsk();
    bool saveAs();
    void saved(const QString& path);
    Answer askWhichStays(const QString& path);
    /// Tells, once, that the file was changed by others.
    void lookAtFile();
    void watchFile();

    Workbench bench_;
    std::unique_ptr<Recovery> recovery_;
    OrderRail* rail_ = nullptr;
    Tank* tank_ = nullptr;
    SolidView* solid_ = nullptr;
    SwingView* swing_ = nullptr;
    QStackedWidget* views_ = nullptr;
    QStackedWidget* middle_ = nullptr;  ///< picture and sheet, or a wide table over both
    QList<QAction*> viewActions_;
    RunStrip* runStrip_ = nullptr;
    QStackedWidget* pages_ = nullptr;
    std::vector<QWidget*> holders_;  ///< of the steps' sheets, in pages_ or, wide ones, in middle_
    QPointer<QWidget> wideTable_;
    QLabel* message_ = nullptr;
    QPushButton* way_ = nullptr;  ///< beside the message, when it offers one
    std::function<void()> wayOf_;
    QLabel* saved_ = nullptr;
    QLabel* conditions_ = nullptr;
    QLineEdit* name_ = nullptr;
    QMenu* recent_ = nullptr;
    QPointer<ShelfWindow> shelfWindow_;
    QPointer<ScaleDialog> scaleDialog_;
    Step step_ = Step::Brief;
    QAction* dark_ = nullptr;
    QAction* inch_ = nullptr;
    QAction* fractions_ = nullptr;
    QByteArray toldOfChange_;
    QFileSystemWatcher watcher_;
};

}  // namespace wl
