#pragma once
#include <QObject>
#include <QStringList>
#include <QTimer>

#include "app/document/Document.h"

namespace rivlen {

/// Where the document is kept: its file, the files opened lately, and a copy written some seconds after an edit that a
/// crash leaves behind.
class SessionFile : public QObject {
    Q_OBJECT
public:
    SessionFile(Document& document, Work& work, QObject* parent = nullptr);

    QString path() const { return m_path; }  ///< empty: never saved
    void begin();                            ///< a new session
    /// Asks once where the session names files that nobody here has named yet (NamedFolders.h).
    bool open(const QString& file);
    /// Who is asked whether such files may be read. Without anybody they are not, and the session stays closed.
    using MayRead = std::function<bool(const std::vector<std::filesystem::path>& files)>;
    void askWith(MayRead mayRead) { m_mayRead = std::move(mayRead); }
    bool save(const QString& file);
    QStringList recent() const;
    /// A session that was not saved when the program ended last, or nothing.
    QString recoverable() const;
    void recover();

private:
    void keepCopy();
    void dropCopy();
    void remember(const QString& file);
    Document& m_document;
    Work& m_work;
    QString m_path;
    QTimer m_wait;
    bool m_kept = false;  ///< the copy that is there is of this session
    MayRead m_mayRead;
};

}  // namespace rivlen
