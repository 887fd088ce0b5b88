#include <QApplication>
#include <QFileDialog>
#include <QMenuBar>
#include <QMessageBox>
#include <QSettings>

#include "app/dialogs/scale_dialog.h"
#include "app/dialogs/shelf_window.h"
#include "app/frame/main_window.h"
#include "app/frame/steps.h"
#include "app/kit/theme.h"
#include "app/pages/pages.h"
#include "files/design_file.h"
#include "files/embedded_data.h"

namespace wl {

void MainWindow::buildMenus() {
    QMenu* file = menuBar()->addMenu(tr("&File"));
    auto add = [](QMenu* menu, const QString& text, const QKeySequence& key, auto slot,
                  const QObject* context) {
        QAction* action = menu->addAction(text);
        action->setShortcut(key);
        QObject::connect(action, &QAction::triggered, context, slot);
        return action;
    };
    add(
        file, tr("&New…"), QKeySequence::New,
        [this] {
            if (mayDiscard()) {
                askNew();
            }
        },
        this);
    add(
        file, tr("&Open…"), QKeySequence::Open,
        [this] {
            if (!mayDiscard()) {
                return;
            }
            const QString path = QFileDialog::getOpenFileName(
                this, tr("Open a design"), {},
                tr("Designs, and sheets that carry one (*.wade *.pdf)"));
            if (!path.isEmpty()) {
                openFile(path);
            }
        },
        this);
    recent_ = file->addMenu(tr("Open &recent"));
    connect(recent_, &QMenu::aboutToShow, this, &MainWindow::refreshRecent);
    QMenu* demoMenu = file->addMenu(tr("Open a &demo"));
    const QString titles[] = {tr("Diver, carved"), tr("Lipless, cast"), tr("Glider, turned"),
                              tr("Two-piece glide bait, printed"),
                              tr("Three-piece swimmer, carved")};
    for (int i = 0; i < int(demos().size()); ++i) {
        add(
            demoMenu, titles[i], {},
            [this, i] {
                if (mayDiscard()) {
                    openDemo(i);
                }
            },
            this);
    }
    add(
        file, tr("&Save"), QKeySequence::Save, [this] { saveOrAsk(); }, this);
    add(
        file, tr("Save &as…"), QKeySequence(QStringLiteral("Ctrl+Shift+S")), [this] { saveAs(); },
        this);
    add(
        file, tr("&Hold against…"), QKeySequence(QStringLiteral("Ctrl+H")),
        [this] {
            const QString path = QFileDialog::getOpenFileName(
                this, tr("Hold against another design"), {}, tr("Wade Line designs (*.wade)"));
            if (!path.isEmpty()) {
                compareWith(path);
            }
        },
        this);
    add(
        file, tr("&Quit"), QKeySequence::Quit, [this] { close(); }, this);

    QMenu* edit = menuBar()->addMenu(tr("&Edit"));
    QAction* undo = bench_.document.undoStack()->createUndoAction(this, tr("&Undo"));
    undo->setShortcut(QKeySequence::Undo);
    QAction* redo = bench_.document.undoStack()->createRedoAction(this, tr("&Redo"));
    redo->setShortcuts({QKeySequence::Redo, QKeySequence(QStringLiteral("Ctrl+Y"))});
    edit->addActions({undo, redo});
    edit->addSeparator();
    add(
        edit, tr("&Plan the lead"), QKeySequence(Qt::Key_F8),
        [this] {
            rail_->choose(Step::Ballast);
            planTheLead(bench_);
        },
        this);

    QMenu* view = menuBar()->addMenu(tr("&View"));
    inch_ = add(
        view, tr("&Inch bench"), QKeySequence(QStringLiteral("Ctrl+U")),
        [this] { setInch(bench_.bench().isMetric()); }, this);
    inch_->setCheckable(true);
    fractions_ = add(
        view, tr("Inches as &fractions"), QKeySequence(QStringLiteral("Ctrl+Shift+U")),
        [this] {
            QSettings().setValue(QStringLiteral("fractions"), fractions_->isChecked());
            setInch(!bench_.bench().isMetric());
        },
        this);
    fractions_->setCheckable(true);
    fractions_->setChecked(QSettings().value(QStringLiteral("fractions"), true).toBool());
    dark_ = add(
        view, tr("&Night"), QKeySequence(QStringLiteral("Ctrl+L")),
        [this] { setDark(!inks().dark); }, this);
    dark_->setCheckable(true);
    QMenu* tools = menuBar()->addMenu(tr("&Tools"));
    add(
        tools, tr("The &shelf…"), QKeySequence(QStringLiteral("F7")), [this] { showShelf(); },
        this);
    add(
        tools, tr("Bench &scale…"), QKeySequence(QStringLiteral("Shift+F9")),
        [this] { showScale(); }, this);
    QMenu* go = menuBar()->addMenu(tr("&Go"));
    for (int i = 0; i < kStepCount; ++i) {
        const QString key = i < 10 ? QStringLiteral("Ctrl+%1").arg((i + 1) % 10)
                                   : QStringLiteral("Ctrl+Shift+%1").arg(i - 9);
        add(
            go, QString(stepTable()[size_t(i)].name).replace(QLatin1Char('&'), QLatin1String("&&")),
            QKeySequence(key), [this, i] { rail_->choose(Step(i)); }, this);
    }
    add(
        go, tr("The &tank"), QKeySequence(Qt::Key_F6),
        [this] {
            QWidget* shown = views_->currentWidget();
            (shown == solid_ ? &solid_->canvas() : shown)->setFocus(Qt::ShortcutFocusReason);
        },
        this);
    QMenu* help = menuBar()->addMenu(tr("&Help"));
    add(
        help, tr("&Keys"), QKeySequence(Qt::Key_F1),
        [this] {
            QMessageBox::information(
                this, tr("Keys"),
                tr("Ctrl+1 … Ctrl+0, Ctrl+Shift+1 … 4: the steps of the order of work\n"
                   "F6: the tank; [ and ] choose a handle, arrows move it, Shift for ten steps\n"
                   "Alt+1 … Alt+5: side, top, front, solid, swing; Alt+6: pieces apart\n"
                   "In the solid: arrows turn, Page Up and Down cut, M cuts at the next mark\n"
                   "Up and Down in a field: one bench step, Shift for ten\n"
                   "F5: all of a list side by side;  F7: the shelf;  F8: plan the lead\n"
                   "F9: what lies on the scale into this mass;  Shift+F9: the scale\n"
                   "Ctrl+U: metric or inch bench;  Ctrl+Shift+U: inches as fractions or decimals\n"
                   "Ctrl+L: day or night"));
        },
        this);
    add(
        help, tr("&About"), {},
        [this] {
            QMessageBox::about(
                this, tr("Wade Line"),
                tr("Wade Line %1\n\nHow a hard bait will sit, how deep it will run, and "
                   "what to change.\nFree software under the GNU General Public License, "
                   "version 3 or later.")
                    .arg(QCoreApplication::applicationVersion()));
        },
        this);
}

QWidget* MainWindow::showShelf() {
    if (!shelfWindow_) {
        shelfWindow_ = new ShelfWindow(bench_, this);
    }
    shelfWindow_->show();
    shelfWindow_->raise();
    shelfWindow_->activateWindow();
    return shelfWindow_;
}

QWidget* MainWindow::showScale() {
    if (!scaleDialog_) {
        scaleDialog_ = new ScaleDialog(bench_, this);
    }
    scaleDialog_->show();
    scaleDialog_->raise();
    scaleDialog_->activateWindow();
    return scaleDialog_;
}

}  // namespace wl
