// The controller's memory beyond a session: recent files, and what a crash left behind.
#include <QFile>
#include <QSettings>
#include <QStandardPaths>

#include "app/Controller.h"

namespace rivlen {

QString Controller::recoveryFile() const {
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + "/recovered.rivlen";
}

void Controller::autosave() {
    if (!m_history.modified()) return;
    try {
        rivlen::saveSession(session(), toPath(recoveryFile()));
    } catch (const Error& e) {
        emit notice(QString::fromStdString(e.what()));
    }
}

QString Controller::recoverable() const { return QFile::exists(recoveryFile()) ? recoveryFile() : QString(); }

void Controller::recover() {
    const QString file = recoveryFile();
    Session session;
    try {
        session = loadSession(toPath(file));
    } catch (const Error& e) {
        emit notice(QString::fromStdString(e.what()));
        return;
    }
    newSession();
    const Session empty;
    m_history.reset(empty);
    m_history.edit("Recover", [&](Session& s) { s = session; });
    changed();
    for (const Reel& r : this->session().reels) readReel(r);
    openCurrent();
}

QStringList Controller::recentSessions() const { return QSettings().value("recent").toStringList(); }

void Controller::remember(const QString& file) {
    QStringList recent = recentSessions();
    recent.removeAll(file);
    recent.prepend(file);
    while (recent.size() > 8) recent.removeLast();
    QSettings().setValue("recent", recent);
}

}  // namespace rivlen
