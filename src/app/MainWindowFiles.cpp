// MainWindow: sessions and recordings that come and go.
#include <QCloseEvent>
#include <QFileDialog>
#include <QMessageBox>
#include <QMimeData>

#include "app/MainWindow.h"

namespace rivlen {

void MainWindow::dragEnterEvent(QDragEnterEvent* e) {
    if (e->mimeData()->hasUrls()) e->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* e) {
    QStringList files;
    for (const QUrl& url : e->mimeData()->urls())
        if (url.isLocalFile()) files << url.toLocalFile();
    e->acceptProposedAction();
    if (files.size() == 1 && files.front().endsWith(".rivlen")) {
        if (mayDiscard()) m_controller.openSession(files.front());
    } else {
        m_controller.addFiles(files);
    }
}

void MainWindow::openFileDialog() {
    if (!mayDiscard()) return;
    const QString file = QFileDialog::getOpenFileName(this, "Open session", {}, "Rivlen sessions (*.rivlen)");
    if (!file.isEmpty()) m_controller.openSession(file);
}

void MainWindow::save(bool as) {
    QString file = m_controller.sessionFile();
    if (as || file.isEmpty())
        file = QFileDialog::getSaveFileName(this, "Save session", file, "Rivlen sessions (*.rivlen)");
    if (file.isEmpty()) return;
    if (!file.endsWith(".rivlen")) file += ".rivlen";
    m_controller.saveSession(file);
}

bool MainWindow::mayDiscard() {
    if (!m_controller.history().modified()) return true;
    const auto answer = QMessageBox::question(this, "Rivlen", "This session has changes that are not saved.",
                                              QMessageBox::Save | QMessageBox::Discard | QMessageBox::Cancel);
    if (answer == QMessageBox::Save) save(false);
    return answer == QMessageBox::Discard || (answer == QMessageBox::Save && !m_controller.history().modified());
}

void MainWindow::closeEvent(QCloseEvent* e) {
    if (!mayDiscard()) {
        e->ignore();
        return;
    }
    m_controller.newSession();  // saved or given up on purpose: nothing to recover next time
    e->accept();
}

}  // namespace rivlen
