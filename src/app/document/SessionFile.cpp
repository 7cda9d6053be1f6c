#include "app/document/SessionFile.h"

#include <QFile>
#include <QFileInfo>
#include <QSettings>
#include <QStandardPaths>

#include "app/words/Say.h"
#include "core/base/Error.h"
#include "core/session/NamedFolders.h"

namespace rivlen {

namespace {

constexpr int kCopyAfterMs = 2000, kRecent = 8;

QString copyPath() { return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + "/recovered.rivlen"; }

}  // namespace

SessionFile::SessionFile(Document& document, Work& work, QObject* parent)
    : QObject(parent), m_document(document), m_work(work) {
    m_wait.setSingleShot(true);
    m_wait.setInterval(kCopyAfterMs);
    connect(&m_wait, &QTimer::timeout, this, &SessionFile::keepCopy);
    connect(&document, &Document::changed, this, [this] {
        if (m_document.history().modified()) {
            // Not begun anew with each edit: somebody who edits without a pause would never have a copy.
            if (!m_wait.isActive()) m_wait.start();
        } else if (m_kept) {  // taken back to what the file holds
            m_wait.stop();
            dropCopy();
        }
    });
}

void SessionFile::begin() {
    m_path.clear();
    m_document.reset({});
    dropCopy();
}

void SessionFile::dropCopy() {
    QFile::remove(copyPath());
    m_kept = false;
}

bool SessionFile::open(const QString& file) {
    Session session;
    try {
        session = loadSession(toPath(file));
    } catch (const Error& e) {
        m_work.warn(QString::fromStdString(e.what()));
        return false;
    }
    if (const auto foreign = foreignFiles(session, toPath(file)); !foreign.empty()) {
        if (!m_mayRead || !m_mayRead(foreign)) {
            m_work.warn("\"" + QFileInfo(file).fileName() +
                        say("\" was not opened: it names recordings outside of its folder."));
            return false;
        }
        rememberFolders(session);
    }
    begin();
    m_path = QFileInfo(file).absoluteFilePath();
    remember(m_path);
    m_document.reset(std::move(session));
    return true;
}

bool SessionFile::save(const QString& file) {
    Session session = m_document.session();
    if (session.name == "Untitled") session.name = QFileInfo(file).completeBaseName().toStdString();
    try {
        saveSession(session, toPath(file));
    } catch (const Error& e) {
        m_work.warn(QString::fromStdString(e.what()));
        return false;
    }
    m_path = QFileInfo(file).absoluteFilePath();
    dropCopy();
    rememberFolders(session);
    remember(m_path);
    m_document.saved(session.name);
    m_work.report(say("Saved as ") + QFileInfo(file).fileName() + ".");
    return true;
}

void SessionFile::keepCopy() {
    if (!m_document.history().modified()) return;
    try {
        saveSession(m_document.session(), toPath(copyPath()));
        m_kept = true;
    } catch (const Error& e) {
        m_work.warn(QString::fromStdString(e.what()));
    }
}

QString SessionFile::recoverable() const { return QFile::exists(copyPath()) ? copyPath() : QString(); }

void SessionFile::recover() {
    Session session;
    try {
        session = loadSession(toPath(copyPath()));
    } catch (const Error& e) {
        return m_work.warn(QString::fromStdString(e.what()));
    }
    begin();
    m_document.adopt(session, say("Recover"));
    keepCopy();
}

QStringList SessionFile::recent() const { return QSettings().value("recent").toStringList(); }

void SessionFile::remember(const QString& file) {
    QStringList files = recent();
    files.removeAll(file);
    files.prepend(file);
    while (files.size() > kRecent) files.removeLast();
    QSettings().setValue("recent", files);
}

}  // namespace rivlen
