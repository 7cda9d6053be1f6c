#include "app/window/SessionActions.h"

#include <QFileDialog>
#include <QMenuBar>
#include <QMessageBox>

#include "app/reels/StemExport.h"
#include "app/widgets/AskFolder.h"
#include "app/words/Say.h"
#include "core/base/Resources.h"

namespace rivlen {

SessionActions::SessionActions(Studio& studio, QMainWindow* window)
    : QObject(window), m_studio(studio), m_window(window) {
    studio.file.askWith([this](const std::vector<std::filesystem::path>& files) { return mayRead(files); });
}

bool SessionActions::mayRead(const std::vector<std::filesystem::path>& files) {
    constexpr size_t kShown = 6;
    QString list;
    for (size_t i = 0; i < std::min(files.size(), kShown); ++i)
        list += "\n" + QString::fromStdString(files[i].string());
    if (files.size() > kShown) list += say("\nand %1 more").arg(files.size() - kShown);
    return QMessageBox::question(m_window, "Rivlen",
                                 say("This session names recordings outside of its folder, where you have not worked "
                                     "before:\n") +
                                     list + say("\n\nMay they be read?")) == QMessageBox::Yes;
}

void SessionActions::addMenus(const std::function<void()>& cleanVoice) {
    auto* file = m_window->menuBar()->addMenu(say("Session"));
    file->addAction(say("New"), QKeySequence::New, this, [this] {
        if (mayDiscard()) m_studio.file.begin();
    });
    file->addAction(say("Open…"), QKeySequence::Open, this, &SessionActions::openDialog);
    auto* recent = file->addMenu(say("Open recent"));
    connect(recent, &QMenu::aboutToShow, this, [this, recent] {
        recent->clear();
        for (const QString& path : m_studio.file.recent()) recent->addAction(path, this, [this, path] { open(path); });
        if (recent->isEmpty()) recent->addAction(say("None yet"))->setEnabled(false);
    });
    file->addAction(say("Open the demo"), this,
                    [this] { open(QString::fromStdString((resourceFolder("demo") / "night-ferry.rivlen").string())); });
    file->addSeparator();
    file->addAction(say("Save"), QKeySequence::Save, this, [this] { save(false); });
    file->addAction(say("Save as…"), QKeySequence("Ctrl+Shift+S"), this, [this] { save(true); });
    file->addSeparator();
    file->addAction(say("Quit"), QKeySequence("Ctrl+Q"), m_window, &QWidget::close);
    auto* reel = m_window->menuBar()->addMenu(say("Reel"));
    reel->addAction(say("Add recordings…"), QKeySequence("Ctrl+I"), this, [this] {
        m_studio.reader.addFiles(QFileDialog::getOpenFileNames(m_window, say("Add recordings")));
    });
    reel->addAction(say("Add a folder…"), QKeySequence("Ctrl+Shift+I"), this, [this] {
        if (const QString folder = QFileDialog::getExistingDirectory(m_window, say("Add all recordings of a folder"));
            !folder.isEmpty())
            m_studio.reader.addFiles({folder});
    });
    reel->addAction(say("Split"), QKeySequence("Ctrl+Return"), this, [this] { m_studio.splitting.split(); });
    reel->addAction(say("Clean the voice"), QKeySequence("Ctrl+Shift+Return"), this, cleanVoice);
    reel->addAction(say("Export stems…"), QKeySequence("Ctrl+E"), this, [this] {
        if (const QString folder = askFolder(m_window, say("Export stems to"), "stems"); !folder.isEmpty())
            exportStems(m_studio.document, m_studio.reels, m_studio.work, folder, {});
    });
}

void SessionActions::open(const QString& file) {
    if (mayDiscard()) m_studio.file.open(file);
}

void SessionActions::take(const QStringList& files) {
    if (files.size() == 1 && files.front().endsWith(".rivlen")) open(files.front());
    else m_studio.reader.addFiles(files);
}

void SessionActions::openDialog() {
    if (!mayDiscard()) return;
    const QString file =
        QFileDialog::getOpenFileName(m_window, say("Open session"), {}, say("Rivlen sessions (*.rivlen)"));
    if (!file.isEmpty()) m_studio.file.open(file);
}

void SessionActions::save(bool as) {
    QString file = m_studio.file.path();
    if (as || file.isEmpty())
        file = QFileDialog::getSaveFileName(m_window, say("Save session"), file, say("Rivlen sessions (*.rivlen)"));
    if (file.isEmpty()) return;
    if (!file.endsWith(".rivlen")) file += ".rivlen";
    m_studio.file.save(file);
}

bool SessionActions::mayDiscard() {
    const History& history = m_studio.document.history();
    if (!history.modified()) return true;
    const auto answer = QMessageBox::question(m_window, "Rivlen", say("This session has changes that are not saved."),
                                              QMessageBox::Save | QMessageBox::Discard | QMessageBox::Cancel);
    if (answer == QMessageBox::Save) save(false);
    return answer == QMessageBox::Discard || (answer == QMessageBox::Save && !history.modified());
}

}  // namespace rivlen
