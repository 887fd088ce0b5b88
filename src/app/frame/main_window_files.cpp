// Designs opened, saved, recovered and dropped on the window.
#include <QCloseEvent>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QMenu>
#include <QMimeData>
#include <QProcess>
#include <QSettings>
#include <utility>

#include "app/dialogs/compare_dialog.h"
#include "app/dialogs/new_bait_dialog.h"
#include "app/frame/main_window.h"
#include "app/kit/ask.h"
#include "files/design_file.h"
#include "files/embedded_data.h"

namespace wl {
namespace {

constexpr int kMostRecent = 8;

}  // namespace

bool MainWindow::openFile(const QString& path) {
    if (const auto error = bench_.document.open(path)) {
        tellOf(path, *error);
        return false;
    }
    remember(path);
    say(tr("Opened %1.").arg(path));
    return true;
}

void MainWindow::tellOf(const QString& path, const Error& error) {
    QString where = QString::fromStdString(error.path);
    where = where.isEmpty() || where == path ? QString() : QStringLiteral(" [%1]").arg(where);
    say(QStringLiteral("▲ %1: %2%3")
            .arg(QFileInfo(path).fileName(), sentence(error, bench_.bench()), where));
}

QDialog* MainWindow::compareWith(const QString& path) {
    const Result<Design> other = loadDesign(path.toStdString());
    if (!other) {
        tellOf(path, other.error());
        return nullptr;
    }
    auto* dialog = new CompareDialog(bench_, *other, this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->open();
    return dialog;
}

void MainWindow::openFirst(const QStringList& files) {
    if (files.isEmpty()) {
        openDemo();
        return;
    }
    openNew();
    openFile(files.front());
}

bool MainWindow::saveFile(const QString& path) {
    auto error = bench_.document.save(path);
    if (error && error->code == "file.changed_elsewhere") {
        const Answer answer = askWhichStays(path);
        if (answer == Answer::Second) {
            return saveAs();
        }
        if (answer == Answer::Neither) {
            return false;
        }
        error = bench_.document.save(path, Document::Overwrite::Whatever);
    }
    if (error) {
        tell(*error);
        return false;
    }
    saved(path);
    return true;
}

bool MainWindow::saveOrAsk() {
    const QString path = bench_.document.filePath();
    return path.isEmpty() ? saveAs() : saveFile(path);
}

bool MainWindow::saveAs() {
    const QString now = bench_.document.filePath();
    const QString path = QFileDialog::getSaveFileName(
        this, tr("Save the design"), now.isEmpty() ? QStringLiteral("bait.wade") : now,
        tr("Wade Line designs (*.wade)"));
    if (path.isEmpty()) {
        return false;
    }
    // The file dialog has asked whether a file there may go.
    if (const auto error = bench_.document.save(path, Document::Overwrite::Whatever)) {
        tell(*error);
        return false;
    }
    saved(path);
    return true;
}

void MainWindow::saved(const QString& path) {
    remember(path);
    recovery_->keepNow();
    say(tr("Saved to %1.").arg(path));
}

Answer MainWindow::askWhichStays(const QString& path) {
    return ask(this, {tr("Changed elsewhere"),
                      tr("“%1” was changed by another window or program since it was opened here.")
                          .arg(QFileInfo(path).fileName()),
                      tr("Write over it"), tr("Save under another name…"), tr("Cancel")});
}

void MainWindow::watchFile() {
    const QStringList before = watcher_.files() + watcher_.directories();
    if (!before.isEmpty()) {
        watcher_.removePaths(before);
    }
    const QString path = bench_.document.filePath();
    if (!path.isEmpty()) {
        // The folder too: a file that is replaced as a whole is a new file.
        watcher_.addPaths({path, QFileInfo(path).absolutePath()});
    }
}

void MainWindow::lookAtFile() {
    if (!bench_.document.changedElsewhere() ||
        std::exchange(toldOfChange_, bench_.document.fileMark()) == bench_.document.fileMark()) {
        return;
    }
    say(QStringLiteral("▲ ") +
        tr("%1 was changed by another window or program. Saving will ask which one stays.")
            .arg(QFileInfo(bench_.document.filePath()).fileName()));
}

void MainWindow::openNew() {
    if (const Result<NewBait> made = makeNewBait(usualWish(bench_, StartKind::Diver))) {
        bench_.document.replace(made->design, {}, true);
    }
}

void MainWindow::askNew() {
    NewBaitDialog dialog(bench_, this);
    dialog.exec();
    if (!dialog.made()) {
        return;
    }
    bench_.document.replace(dialog.made()->design, {}, true);
    rail_->choose(Step::Brief);
    const size_t against = dialog.made()->against.size();
    if (!dialog.swimsAsWished()) {
        say(QStringLiteral("▲ ") + tr("Made, but not to swim as wished: see under Aim how near it "
                                      "comes, and what else would help."));
        return;
    }
    say(against == 0
            ? tr("Made as wished. Weigh a block of your stock before you cut: the densities "
                 "of the shelf are typical.")
            : QStringLiteral("▲ ") +
                  tr("Made as near as these parts allow: the findings say what is left, and "
                     "what would mend it."));
}

void MainWindow::openDemo(int which) {
    const Result<Design> demo = readDesign(demos().at(size_t(which)).text);
    if (demo) {
        bench_.document.replace(*demo, {}, false);
    }
}

bool MainWindow::offerRecovery(const QString& only) {
    bool taken = false;
    const std::vector<LeftBehind> all = recovery_->findLeftBehind();
    for (const QString& path : recovery_->unreadable()) {
        say(QStringLiteral("▲ ") +
            tr("A copy of unsaved work cannot be read; it is kept as %1.").arg(path));
    }
    for (const LeftBehind& left : all) {
        if (!only.isEmpty() && left.keptFile != only) {
            continue;
        }
        const QString name = QString::fromStdString(left.design.name);
        const QString when =
            QLocale().toString(QFileInfo(left.keptFile).lastModified(), QLocale::ShortFormat);
        const Answer answer =
            only.isEmpty()
                ? ask(this, {tr("Unsaved work was found"),
                             tr("“%1” was being worked on when the program ended without saving "
                                "(%2).")
                                 .arg(name, when),
                             taken ? tr("Open in a window of its own") : tr("Take it up again"),
                             tr("Throw it away"), tr("Ask again next time")})
                : Answer::First;
        if (answer == Answer::Second) {
            recovery_->discard(left);
        } else if (answer == Answer::First && taken) {
            left.held->unlock();
            QProcess::startDetached(QCoreApplication::applicationFilePath(),
                                    {QStringLiteral("--take-up"), left.keptFile});
        } else if (answer == Answer::First) {
            bench_.document.replace(left.design, left.originalFile, true, left.fileMark);
            // The copy goes only when this window's own is written.
            if (!recovery_->keepNow()) {
                recovery_->discard(left);
            }
            taken = true;
        }
    }
    return taken;
}

void MainWindow::remember(const QString& path) {
    QSettings settings;
    QStringList files = settings.value(QStringLiteral("recent")).toStringList();
    const QString full = QFileInfo(path).absoluteFilePath();
    files.removeAll(full);
    files.prepend(full);
    settings.setValue(QStringLiteral("recent"), QStringList(files.mid(0, kMostRecent)));
}

void MainWindow::refreshRecent() {
    recent_->clear();
    for (const QString& path : QSettings().value(QStringLiteral("recent")).toStringList()) {
        connect(recent_->addAction(path), &QAction::triggered, this, [this, path] {
            if (mayDiscard()) {
                openFile(path);
            }
        });
    }
    if (recent_->isEmpty()) {
        recent_->addAction(tr("none yet"))->setEnabled(false);
    }
}

bool MainWindow::mayDiscard() {
    if (!bench_.document.isModified()) {
        return true;
    }
    const Answer answer = ask(this, {tr("Not saved"),
                                     tr("“%1” has changes that are not saved.")
                                         .arg(QString::fromStdString(bench_.design().name)),
                                     tr("Save"), tr("Discard"), tr("Cancel")});
    return answer == Answer::First ? saveOrAsk() : answer == Answer::Second;
}

void MainWindow::closeEvent(QCloseEvent* event) {
    // A field still being typed in counts as an edit.
    if (QWidget* focus = focusWidget()) {
        focus->clearFocus();
    }
    if (!mayDiscard()) {
        event->ignore();
        return;
    }
    recovery_->finish();
    event->accept();
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls()) {
        event->acceptProposedAction();
    }
}

void MainWindow::dropEvent(QDropEvent* event) {
    const QList<QUrl> urls = event->mimeData()->urls();
    if (!urls.isEmpty() && mayDiscard()) {
        openFile(urls.front().toLocalFile());
    }
}

}  // namespace wl
