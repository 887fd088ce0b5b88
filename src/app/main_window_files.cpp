// Designs opened, saved, recovered and dropped on the window.
#include <QCloseEvent>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QMenu>
#include <QMessageBox>
#include <QMimeData>
#include <QSettings>

#include "app/main_window.h"
#include "io/design_file.h"
#include "io/embedded_data.h"

namespace wl {
namespace {

constexpr int kMostRecent = 8;

}  // namespace

bool MainWindow::openFile(const QString& path) {
    if (const auto error = bench_.document.open(path)) {
        QString where = QString::fromStdString(error->path);
        where = where.isEmpty() || where == path ? QString() : QStringLiteral(" [%1]").arg(where);
        say(QStringLiteral("▲ %1: %2%3")
                .arg(QFileInfo(path).fileName(), sentence(*error, bench_.bench()), where));
        return false;
    }
    remember(path);
    say(tr("Opened %1.").arg(path));
    return true;
}

bool MainWindow::saveFile(const QString& path) {
    if (const auto error = bench_.document.save(path)) {
        say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
        return false;
    }
    remember(path);
    recovery_->keepNow();
    say(tr("Saved to %1.").arg(path));
    return true;
}

bool MainWindow::saveOrAsk() {
    QString path = bench_.document.filePath();
    if (path.isEmpty()) {
        path =
            QFileDialog::getSaveFileName(this, tr("Save the design"), QStringLiteral("bait.wade"),
                                         tr("Wade Line designs (*.wade)"));
    }
    return !path.isEmpty() && saveFile(path);
}

void MainWindow::openDemo(int which) {
    const Result<Design> demo = readDesign(demos().at(size_t(which)).text);
    if (demo) {
        bench_.document.replace(*demo, {}, false);
    }
}

bool MainWindow::offerRecovery() {
    const auto left = recovery_->findLeftBehind();
    if (!left) {
        return false;
    }
    const auto answer = QMessageBox::question(
        this, tr("Unsaved work was found"),
        tr("“%1” was being worked on when the program ended without saving. Take it up again?")
            .arg(QString::fromStdString(left->design.name)),
        QMessageBox::Yes | QMessageBox::Discard, QMessageBox::Yes);
    if (answer == QMessageBox::Yes) {
        bench_.document.replace(left->design, left->originalFile, true);
        recovery_->keepNow();
    }
    recovery_->discard(*left);
    return answer == QMessageBox::Yes;
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
    const auto answer = QMessageBox::question(
        this, tr("Not saved"),
        tr("“%1” has changes that are not saved.")
            .arg(QString::fromStdString(bench_.design().name)),
        QMessageBox::Save | QMessageBox::Discard | QMessageBox::Cancel, QMessageBox::Save);
    if (answer == QMessageBox::Save) {
        return saveOrAsk();
    }
    return answer == QMessageBox::Discard;
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
